"""Exercises copied, drafted, changed afterwards, archived, moved to a newer part; sheets collected at closing."""

import time
from datetime import UTC, datetime, timedelta
from typing import Any

import pytest

from maqueta.store.accounts import add_account
from maqueta.store.database import Database
from maqueta.store.models import Account, ExerciseRecord, SheetRecord
from tests.service.test_marks import ago, sent, set_one
from tests.service.test_round import FAULTLESS, NO_HIDDEN, TASK, body, deliver
from tests.service.test_shelf import made_part
from tests.world import LogIn, Person

DUE = "2099-01-01T20:00:00Z"


def asked(title: str, **task: Any) -> dict[str, Any]:
    return {"title": title, "due_at": DUE, "task": TASK.model_dump(mode="json") | task}


def until(holds: Any) -> None:
    """Wait for work beside the server: the machine decides how long it takes."""
    for _ in range(600):
        if holds():
            return
        time.sleep(0.1)
    raise AssertionError("it never happened")


def test_a_draft_is_set_when_it_is_ready(log_in: LogIn, instructor: Person) -> None:
    student = log_in("dina.farouk")
    exercise = set_one(instructor, "Being written", draft=True)
    path = f"/api/exercises/{exercise}"
    assert exercise not in [e["id"] for e in student.get("/api/exercises")]
    kept = sent(instructor, "PUT", path, asked("Still being written", units="mm") | {"draft": True})
    assert (kept["draft"], kept["title"]) == (True, "Still being written")
    assert not sent(instructor, "PUT", path, asked("Ready"))["draft"]
    assert "Ready" in [e["title"] for e in student.get("/api/exercises")]
    assert sent(instructor, "PUT", path, asked("Ready") | {"draft": True})["draft"] is False, "what is set stays set"


def test_a_change_is_tried_before_it_is_made(log_in: LogIn, instructor: Person, database: Database) -> None:
    exercise = set_one(instructor, "To change")
    waived, other = (deliver(log_in(who), exercise, NO_HIDDEN) for who in ("dina.farouk", "kemi.oduya"))
    sent(instructor, "PUT", f"/api/sheets/{waived}/findings/0", {"decision": "waived", "remark": "let pass"})
    path = f"/api/exercises/{exercise}"
    # Where no hidden lines are wanted, none are missing.
    change = asked("Changed", hidden_lines=False)
    trial = sent(instructor, "POST", f"{path}/trial", change)
    assert trial["checked_again"]
    told = {row["sheet"]: (row["before"], row["after"], row["findings_after"]) for row in trial["sheets"]}
    assert told == {waived: (30, 30, 0), other: (28, 30, 0)}
    assert instructor.get(f"/api/sheets/{other}")["points"] == 28, "a trial changes nothing"
    dearer = sent(instructor, "POST", f"{path}/trial", asked("Changed", error_cost=3))
    assert not dearer["checked_again"]
    assert {row["sheet"]: row["after"] for row in dearer["sheets"]} == {waived: 30, other: 27}
    sent(instructor, "PUT", path, change)
    until(lambda: instructor.get(f"/api/sheets/{other}")["findings"] == [])
    (gone,) = instructor.get(f"/api/sheets/{waived}")["changed"]["gone"]
    assert (gone["decision"], gone["remark"]) == ("waived", "let pass"), "what was decided is told"


def test_returned_sheets_stay_as_they_are(log_in: LogIn, instructor: Person) -> None:
    exercise = set_one(instructor, "To change late")
    sheet = deliver(log_in("dina.farouk"), exercise, NO_HIDDEN)
    sent(instructor, "POST", f"/api/sheets/{sheet}/return")
    trial = sent(instructor, "POST", f"/api/exercises/{exercise}/trial", asked("Late", hidden_lines=False))
    (row,) = trial["sheets"]
    assert (trial["returned"], row["before"], row["after"], row["findings_after"]) == (1, 28, 28, 1)
    sent(instructor, "PUT", f"/api/exercises/{exercise}", asked("Late", hidden_lines=False))
    assert len(instructor.get(f"/api/sheets/{sheet}")["findings"]) == 1


def test_a_copy_is_a_draft_and_an_archived_one_is_out_of_the_way(log_in: LogIn, instructor: Person) -> None:
    exercise = set_one(instructor, "Once")
    group = instructor.get("/api/classes")[0]["id"]
    form = {"school_class": group, "title": "Once more", "due_at": DUE}
    copy = sent(instructor, "POST", f"/api/exercises/{exercise}/copy", form)
    assert (copy["draft"], copy["title"], copy["handed_in"]) == (True, "Once more", 0)
    assert copy["task"]["title"] == "Once more"
    assert instructor.status("POST", f"/api/exercises/{exercise}/copy", json=form | {"school_class": 99999}) == 404
    student = log_in("dina.farouk")
    sheet = deliver(student, exercise, FAULTLESS)
    sent(instructor, "PUT", f"/api/exercises/{exercise}/archived", {"archived": True})
    assert exercise not in [e["id"] for e in instructor.get("/api/exercises")]
    assert exercise in [e["id"] for e in instructor.get("/api/exercises?archived=true")]
    assert exercise not in [e["id"] for e in student.get("/api/exercises")]
    assert student.status("GET", f"/api/sheets/{sheet}") == 200
    sent(instructor, "PUT", f"/api/exercises/{exercise}/archived", {"archived": False})
    assert exercise in [e["id"] for e in student.get("/api/exercises")]


def test_an_exercise_says_that_its_part_has_changed_and_moves_to_it(log_in: LogIn, database: Database) -> None:
    with database.transaction() as session:
        if not session.query(Account).filter(Account.login == "part.owner").count():
            known = session.query(Account).filter(Account.login == "ines.corvalho").one().password_hash
            add_account(session, "part.owner", "Part Owner", "instructor", known)
            add_account(session, "plate.drawer", "Plate Drawer", "student", known)
    owner = log_in("part.owner")
    group = sent(owner, "POST", "/api/classes", {"name": "Parts that change"})
    sent(owner, "POST", f"/api/classes/{group['id']}/students", {"logins": ["plate.drawer"]})
    part = made_part(owner, "Changing plate")
    form = asked("Newer part") | {"part": part["id"], "school_class": group["id"]}
    exercise = sent(owner, "POST", "/api/exercises", form)["id"]
    path = f"/api/exercises/{exercise}"
    sheet = deliver(log_in("plate.drawer"), exercise, FAULTLESS)
    before = owner.get(path)
    assert not before["part_changed"]
    recipe = owner.get(f"/api/parts/{part['id']}/recipe")["recipe"]
    changed = owner.send("PUT", f"/api/parts/{part['id']}/recipe", json={"recipe": recipe | {"material": "maple"}})
    assert changed.status_code in (200, 202), changed.text
    until(lambda: owner.get(path)["part_changed"])
    until(lambda: owner.get(f"/api/parts/{part['id']}")["part"]["state"] == "ready")
    moved = sent(owner, "PUT", path, asked("Newer part") | {"newest_part": True})
    assert not moved["part_changed"]
    assert moved["model"] != before["model"]
    until(lambda: _checked(database, sheet))


def _checked(database: Database, sheet: int) -> bool:
    with database.transaction() as session:
        return session.get_one(SheetRecord, sheet).checker > 0


def test_what_is_on_the_sheets_of_a_closed_test_is_handed_in(
    log_in: LogIn, instructor: Person, database: Database
) -> None:
    exercise = set_one(instructor, "Test", {"course": "test"}, closes_at=ago(hours=-2), due_at=ago(hours=-2))
    path = f"/api/exercises/{exercise}/sheet"
    for who, document in (("dina.farouk", NO_HIDDEN), ("kemi.oduya", FAULTLESS), ("rosa.quispe", FAULTLESS)):
        sent(log_in(who), "PUT", path, body(document, 0))
    empty = FAULTLESS.model_copy(update={"views": (), "dimensions": (), "marks": ()})
    sent(log_in("paul.nakagawa"), "PUT", path, body(empty, 0))
    missing = {m["student"]: m["id"] for m in instructor.get(f"/api/exercises/{exercise}/wall")["missing"]}
    # Rosa has an hour more than the others.
    sent(instructor, "PUT", f"/api/exercises/{exercise}/more-time/{missing['Rosa Quispe']}", {"minutes": 60})
    with database.transaction() as session:
        record = session.get_one(ExerciseRecord, exercise)
        record.closes_at = record.due_at = datetime.now(UTC).replace(tzinfo=None) - timedelta(minutes=20)
    until(lambda: len(instructor.get(f"/api/exercises/{exercise}/wall")["sheets"]) == 2)
    pinned = {s["student"]: s for s in instructor.get(f"/api/exercises/{exercise}/wall")["sheets"]}
    assert {name: len(s["findings"]) for name, s in pinned.items()} == {"Dina Farouk": 1, "Kemi Oduya": 0}
    told = log_in("dina.farouk").get(path)
    assert told["state"] == "handed-in"
    assert told["receipt"]
    assert log_in("paul.nakagawa").get(path)["state"] == "draft", "an empty sheet is none"


def test_a_change_of_points_is_kept_with_those_of_the_scheme(instructor: Person) -> None:
    exercise = set_one(instructor, "Dearer")
    sent(instructor, "PUT", f"/api/exercises/{exercise}", asked("Dearer", error_cost=5))
    (change,) = instructor.get(f"/api/exercises/{exercise}/scheme")["changes"]
    assert (change["before"]["error_cost"], change["after"]["error_cost"]) == (TASK.error_cost, 5)


def test_what_is_not_set_or_not_open_cannot_be_seen_by_its_part_either(log_in: LogIn, instructor: Person) -> None:
    student, colleague = log_in("dina.farouk"), log_in("kemi.oduya")
    parts = {part["name"]: part for part in instructor.get("/api/parts?limit=200")["parts"]}
    unused = parts["Warp-tension lever"]
    path = f"/api/models/{unused['model']}"
    assert student.status("GET", path) == 404
    hidden = set_one(instructor, "Not open", part=unused["id"], opens_at=ago(days=-1))
    set_one(instructor, "Not set", part=unused["id"], draft=True)
    for end in ("", "/mesh", "/picture"):
        assert student.status("GET", path + end) == 404
    sent(instructor, "PUT", f"/api/exercises/{hidden}", asked("Open") | {"opens_at": ago(hours=1)})
    assert colleague.status("GET", path) == 200


@pytest.mark.parametrize(
    "change",
    [
        {"opens_at": ago(hours=1), "closes_at": ago(hours=2)},
        {"due_at": "1999-01-01T00:00:00Z"},
        {"title": " "},
        {"task": {"scale": "big"}},
    ],
)
def test_a_change_that_cannot_be_is_refused_whole(instructor: Person, change: dict[str, Any]) -> None:
    exercise = set_one(instructor, "As it was")
    assert instructor.status("PUT", f"/api/exercises/{exercise}", json=asked("Other") | change) == 422
    assert instructor.get(f"/api/exercises/{exercise}")["title"] == "As it was"
