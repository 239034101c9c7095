"""Every route as anonymous, student, another student, another instructor and administrator, kept as a table."""

import os
from pathlib import Path
from typing import Any
from uuid import uuid4

import pytest
from fastapi.testclient import TestClient

from maqueta.demo.workshop import demo_recipe
from maqueta.service.app import describe
from maqueta.service.marking.scheme_messages import scheme_of
from maqueta.service.people.deed_words import DEEDS
from maqueta.sheet.usual_form import usual_form
from maqueta.store.accounts import add_account
from maqueta.store.database import Database
from maqueta.store.exercises import add_exercise
from maqueta.store.files import FileStore
from maqueta.store.jobs import add_job
from maqueta.store.marking import keep_template
from maqueta.store.models import Account, ExerciseRecord, JobRecord, SheetRecord
from maqueta.store.originals import keep_original
from maqueta.store.sets import add_set
from maqueta.store.sheet_forms import add_sheet_form
from maqueta.store.sheets import save_draft
from maqueta.task.exercise import Exercise
from tests.world import LogIn, Person

PAGE = Path(__file__).resolve().parents[2] / "docs" / "who-may-what.md"
HEADING = """# Who may what

Every route, asked about what belongs to one instructor and to one student of hers: by somebody who is not logged in,
by that student, by a student of nobody's class, by another instructor and by an administrator. Made and checked by
`tests/service/test_who_may_what.py`; written anew where `MAQUETA_WRITE_TABLES` is set.

| | anonymous | the student | another student | another instructor | administrator |
|---|---|---|---|---|---|
"""
#: These begin and end sessions.
SKIPPED = {"/api/log-in", "/api/log-out"}
KEPT_OUT = (401, 403, 404)


@pytest.fixture
def strangers(database: Database, log_in: LogIn) -> tuple[Person, Person]:
    """A student of no class, and an instructor with nothing."""
    with database.transaction() as session:
        if not session.query(Account).filter(Account.login == "stray.student").count():
            known = session.query(Account).filter(Account.login == "dina.farouk").one().password_hash
            add_account(session, "stray.student", "Stray Student", "student", known)
            add_account(session, "other.instructor", "Other Instructor", "instructor", known)
    return log_in("stray.student"), log_in("other.instructor")


SCHEME = scheme_of(Exercise()).model_dump(mode="json")
ASKED = {"title": "Theirs", "due_at": "2099-01-01T20:00:00Z", "task": {}}
USUAL_FORM = usual_form("A3", True, "en").model_dump(mode="json")


def places(database: Database, files: FileStore) -> dict[str, Any]:
    """Something of each kind that belongs to the demo's instructor, or to the one student."""
    kept = files.put(b"a file")
    with database.transaction() as session:
        student = session.query(Account).filter(Account.login == "dina.farouk").one()
        sheet = session.query(SheetRecord).filter(SheetRecord.student_id == student.id, SheetRecord.state != "draft")
        exercise = session.get(ExerciseRecord, sheet.first().exercise_id)  # type: ignore[union-attr]
        assert exercise is not None
        keep_original(session, student, exercise, sheet.first().attempt, "a.dxf", (kept, kept), (1, 1), ())  # type: ignore[union-attr]
        owner = session.get(Account, exercise.instructor_id)
        assert owner is not None
        job = session.query(JobRecord).filter(JobRecord.owner_id == owner.id).first()
        if job is None:
            job = add_job(session, owner, "part", exercise.version_id)
            job.state = "done"
        # Another one of the same class, so that the first stays what it is for other tests.
        of_set = add_exercise(
            session, owner, exercise.version, exercise.school_class, "Theirs", exercise.task, exercise.due_at
        )
        drawn = sheet.first().document  # type: ignore[union-attr]
        save_draft(session, student, of_set, drawn, 0)
        return {
            "set_id": add_set(session, "Theirs", [of_set]).id,
            "exercise_id": exercise.id,
            "sheet_id": sheet.first().id,  # type: ignore[union-attr]
            "model_id": exercise.version_id,
            "part_id": exercise.version.part_id,
            "job_id": job.id,
            "class_id": exercise.class_id,
            "student_id": student.id,
            "sharer": 0,
            "log_in_id": 0,
            "form_id": add_sheet_form(session, owner, "Theirs", USUAL_FORM).id,
            # Gets new passwords, is locked and unlocked, closed and made anonymous.
            "person": add_account(session, f"spare-{uuid4().hex}", "Spare Person", "student", "").id,
            "number": 0,
            "template_id": keep_template(session, owner, "Theirs", SCHEME).id,
            "added": 0,
            "rule": "title.missing",
            "pin": 0,
            "place": 0,
            "criterion": "title",
            "receipt": "0" * 64,
            "kind": "svg",
            "document": drawn,
        }


def routes() -> list[tuple[str, str]]:
    app = describe()
    app.openapi_url = "/openapi.json"
    paths = app.openapi()["paths"]
    return [(m.upper(), path) for path, methods in paths.items() if path not in SKIPPED for m in methods]


def body_of(method: str, path: str, document: dict[str, Any]) -> dict[str, Any]:
    """What is sent along, so that nobody is let in or kept out for an incomplete request."""
    files = ("/deliveries", "/sheet/file", "/sheet-forms/file", "/sets/{set_id}/files")
    if path.endswith(files) or (method, path) == ("POST", "/api/parts"):
        return {"files": {"file": ("a.dxf", b"nothing", "image/vnd.dxf")}}
    if method not in ("POST", "PUT", "PATCH"):
        return {}
    change = {"what": "erase", "at": [0.0, 0.0]}
    assembly = {"name": "Theirs", "components": [{"id": "a", "name": "Pin", "part": "1"}]}
    bodies = {
        "/assemblies": {"assembly": assembly},
        "/assemblies/look": {"assembly": assembly},
        "/assemblies/{part_id}": {"assembly": assembly},
        "/assemblies/fit": {"assembly": assembly, "moved": "a", "face": 0, "onto": "a", "onto_face": 0, "how": "axis"},
        "/sheet/aid": {"document": document, "aid": "scale"},
        "/sheet/change": {"document": document, "view": "none", "change": change, "reach": 1.0},
        "/motion": {"document": document, "number": 0},
        "/decisions": {"findings": [{"sheet": 0, "number": 0, "share": "-"}], "decision": "waived"},
        "/more-time/{student_id}": {"minutes": 0},
        "/scheme": SCHEME,
        "/exercises/{exercise_id}": ASKED,
        "/exercises/{exercise_id}/trial": ASKED,
        "/copy": {"school_class": 0, "title": "Theirs", "due_at": "2099-01-01T20:00:00Z"},
        "/archived": {"archived": False},
        "/scheme/trial": SCHEME,
        "/scheme-templates": {"name": "Theirs", "scheme": SCHEME},
        "/added": {"key": "own-key-1", "criterion": "title", "words": "Theirs", "cost": 0},
        "/marks/{criterion}": {"points": None},
        "/pins": {"key": "own-pin-4", "points": [[0.0, 0.0]]},
        "/findings/{number}/answer": {"answer": ""},
        "/findings/{number}": {"decision": None, "seen": "waived"},
        "/remark": {"remark": ""},
        "/sheets/{sheet_id}/correction": {"document": document, "base": 99},
        "/correction/judge": {"document": document, "base": 99},
        "/not-read/{place}": {"looked_at": False},
        "/classes/{class_id}": {"name": "Theirs"},
        "/students": {"logins": ["nobody"]},
        "/roster": {"people": [{"name": "Somebody", "login": "some.body"}]},
        "/sharers": {"login": "nobody"},
        "/groups": {"groups": {}},
        "/marks-out": {},
        "/join": {"code": "NONE"},
        "/recipe": {"recipe": demo_recipe("reed-clamp").model_dump(mode="json", exclude_defaults=True)},
        "/answer": {"document": document, "base": 99},
        "/sheet": {"document": document, "base": 99},
        "/sheet-forms/look": USUAL_FORM,
        "/sheet-forms/field": {"form": USUAL_FORM, "field": "title", "at": [0.0, 0.0], "captioned": True},
        "/sheet-forms/{form_id}": {"name": "Mine", "form": USUAL_FORM, "base": 99},
        "/sets/{set_id}": {"title": "Mine", "sheets": [{"exercise": 1}, {"exercise": 2}]},
        "/sets/{set_id}/hand-in": {},
        "/title-block": {"exercise": 0},
        "/hand-in": {"document": document, "base": 99},
    }
    for end, body in bodies.items():
        if path.endswith(end):
            return {"json": body}
    return {"json": {"document": document} if path.endswith(("/ink", "/reading", "/correction", "/dimensions")) else {}}


def asked(who: Any, method: str, path: str, known: dict[str, Any]) -> str:
    known = {**known, "kind": "source"} if "/file/" in path else {**known, "kind": "csv"} if "marks." in path else known
    query = "?side=-y&up=%2Bz" if path.endswith("/views") else ""
    answer = who(method, path.format(**known) + query, **body_of(method, path, known["document"]))
    assert answer.status_code < 500, (method, path, answer.text)
    # What is refused for its content was let in; what there is nothing of, or is not for them, was not.
    return "–" if answer.status_code in KEPT_OUT else "yes"


def test_who_may_what(app: Any, running: TestClient, log_in: LogIn, strangers: Any, database: Database) -> None:
    stranger = TestClient(app, raise_server_exceptions=False)
    student, admin = log_in("dina.farouk"), log_in("otto.brandt")
    people = [stranger.request, student.send, strangers[0].send, strangers[1].send, admin.send]
    known = places(database, app.state.world.files)
    rows = []
    for method, path in sorted(routes(), key=lambda route: (route[1], route[0])):
        cells = [asked(who, method, path, known) for who in people]
        rows.append(f"| {method} `{path}` | {' | '.join(cells)} |")
    table = HEADING + "\n".join(rows) + "\n"
    if os.environ.get("MAQUETA_WRITE_TABLES"):
        PAGE.write_text(table, encoding="utf-8")
    assert PAGE.read_text(encoding="utf-8") == table


def test_only_health_is_told_to_strangers() -> None:
    told = [line for line in PAGE.read_text("utf-8").splitlines() if line.split(" | ")[1:2] == ["yes"]]
    assert [line.split("`")[1] for line in told] == ["/healthz", "/readyz"]


def test_another_instructor_reaches_nothing_of_the_first(app: Any, strangers: Any, database: Database) -> None:
    known = places(database, app.state.world.files)
    for method, path in routes():
        if any(
            f"{{{name}}}" in path for name in ("exercise_id", "set_id", "sheet_id", "part_id", "model_id", "job_id")
        ):
            for who in strangers:
                assert asked(who.send, method, path, known) == "–", (method, path)


#: What asks, and keeps nothing; and drafts, of which one is kept every few seconds.
KEEPING_NOTHING = {
    "POST /api/documents",
    "POST /api/parts/preview",
    "POST /api/assemblies/look",
    "POST /api/assemblies/fit",
    "POST /api/classes/{class_id}/roster/preview",
    "POST /api/exercises/starting-sheet",
    "POST /api/exercises/{exercise_id}/answer/dimensions",
    "POST /api/exercises/{exercise_id}/ink",
    "POST /api/exercises/{exercise_id}/scheme/trial",
    "POST /api/exercises/{exercise_id}/trial",
    "POST /api/exercises/{exercise_id}/reading",
    "POST /api/exercises/{exercise_id}/reading/motion",
    "PUT /api/exercises/{exercise_id}/sheet",
    "POST /api/sets/proposal",
    "POST /api/sheet-forms/look",
    "POST /api/sheet-forms/field",
    "POST /api/sheet-forms/file",
    "PUT /api/sheet-forms/{form_id}",
    *(f"POST /api/exercises/{{exercise_id}}/sheet/{help_}" for help_ in ("aid", "change", "correction", "file")),
}


def test_every_change_has_a_name_for_those_who_read_what_was_done() -> None:
    paths = describe().openapi()["paths"]
    changing = {f"{method.upper()} {path}" for path, of in paths.items() for method in of if method != "get"}
    assert changing - KEEPING_NOTHING == {deed for deed in DEEDS if not deed.startswith("GET ")}
