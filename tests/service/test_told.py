"""What students are told, in every kind of exercise, by every route: nothing that answers it."""

from typing import Any

import pytest
from sqlalchemy import select

from maqueta.demo.workshop import EXERCISES
from maqueta.geometry.directions import SIDES, Side
from maqueta.projection.attitude import Attitude
from maqueta.store.database import Database
from maqueta.store.models import Account, SheetRecord
from tests.world import LogIn, Person

#: Lists and figures that would answer an exercise; a student finds none of them filled.
TELLING = ("ranking", "views_needed", "views_repeated", "view_reasons", "scales", "accept", "changes", "findings")


@pytest.fixture
def student(log_in: LogIn) -> Person:
    return log_in("sara.lindqvist")


def filled(answer: Any, names: tuple[str, ...]) -> set[str]:
    """Which of some keys are filled anywhere in an answer."""
    if isinstance(answer, dict):
        own = {name for name in names if answer.get(name)}
        return own.union(*(filled(value, names) for value in answer.values()), set())
    if isinstance(answer, list):
        return set().union(*(filled(value, names) for value in answer))
    return set()


def exercises(person: Person) -> list[dict[str, Any]]:
    """Exercises of the demo world that are still open: all kinds are among them, whatever tests have set since."""
    first = sorted(person.get("/api/exercises"), key=lambda e: e["id"])[: len(EXERCISES)]
    return [e for e in first if e["sheet_state"] != "returned"]


def with_view(draft: dict[str, Any], **view: Any) -> dict[str, Any]:
    """A draft with one more view, drawn by the program."""
    more = {"id": "extra", "at": [300.0, 200.0], "scale": 1.0, "lines": None, **view}
    return {**draft["document"], "views": [*draft["document"]["views"], more]}


def test_no_answer_to_a_student_tells_what_the_exercise_asks(student: Person) -> None:
    seen = set()
    everything = student.get("/api/exercises")
    assert filled(everything, TELLING) == set()
    for exercise in exercises(student):
        kind, number, model = exercise["task"]["drafting"]["kind"], exercise["id"], exercise["model"]
        seen.add(kind)
        returned = any(e["model"] == model and e["sheet_state"] == "returned" for e in everything)
        draft = student.get(f"/api/exercises/{number}/sheet")
        asked = [
            student.send("GET", path)
            for path in (
                f"/api/exercises/{number}",
                f"/api/models/{model}",
                f"/api/models/{model}/views?side=-y&up=%2Bz",
            )
        ]
        asked += [
            student.send("POST", f"/api/exercises/{number}/{path}", json={"document": draft["document"], **more})
            for path, more in (("ink", {}), ("reading", {}), ("sheet/aid", {"aid": "scale"}), ("sheet/correction", {}))
        ]
        for answer in asked:
            assert answer.status_code < 500
            assert returned or filled(answer.json(), TELLING) == set(), answer.url
        detail = student.get(f"/api/models/{model}")
        # What another exercise on the same part tells is known.
        same = [e for e in everything if e["model"] == model]
        assert any(map(_counted, same)) or not filled(detail, ("sizes", "least_sizes", "counts"))
    assert seen >= {"projected", "drafted", "third view", "wrong lines"}


def _counted(exercise: dict[str, Any]) -> bool:
    asked = exercise["task"]["dimensioning"]
    counts = asked["required"] and asked["insight"] in ("counts", "everything")
    return counts or exercise["sheet_state"] == "returned"


def test_views_left_to_the_hand_come_from_no_route(student: Person) -> None:
    """Neither the view itself, nor its opposite, nor, where the model is not shown, a pictorial one."""
    for exercise in exercises(student):
        task, number = exercise["task"]["drafting"], exercise["id"]
        if task["kind"] == "projected":
            continue
        draft = student.get(f"/api/exercises/{number}/sheet")
        views = [view for view in draft["document"]["views"] if view["lines"] is None and view["kind"] == "principal"]
        given = {view["look"]["side"] for view in views}
        for side in set(SIDES) - given:
            up: Side = "+y" if side[1] == "z" else "+z"
            refused(student, number, draft, with_view(draft, look={"side": side, "up": up}))
            # The same by its bare frame, and a hair beside it.
            frame = Attitude(side, up).look
            for look in (frame, frame.turned(1e-3)):
                bare = {"kind": "auxiliary", "look": {"frame": look.frame}}
                refused(student, number, draft, with_view(draft, **bare))
        if not task["shown"]:
            refused(student, number, draft, with_view(draft, kind="pictorial", look={"corner": "+-+"}))


def test_no_section_or_detail_of_what_is_left_to_the_hand_comes_from_any_route(student: Person) -> None:
    """Cut just behind its face, a part looks as it does from outside."""
    frame = Attitude("-y", "+z").look.frame
    cut = {"form": "full", "path": [[0, 0.01, 0], [9, 0.01, 0]], "across": [0, 0, 1]}
    region = {"centre": [0, 0], "radius": 9000}
    for exercise in exercises(student):
        if exercise["task"]["drafting"]["kind"] == "projected":
            continue
        draft = student.get(f"/api/exercises/{exercise['id']}/sheet")
        for special in ({"kind": "section", "cut": cut}, {"kind": "detail", "clip": region}):
            refused(student, exercise["id"], draft, with_view(draft, look={"frame": frame}, **special))


def refused(student: Person, number: int, draft: dict[str, Any], document: dict[str, Any]) -> None:
    body = {"document": document, "base": draft["revision"]}
    base = f"/api/exercises/{number}"
    assert student.status("PUT", f"{base}/sheet", json=body) == 422
    assert student.status("POST", f"{base}/sheet/hand-in", json=body) == 422
    for path, more in (("ink", {}), ("sheet/correction", {}), ("sheet/aid", {"aid": "even gaps"})):
        status = student.status("POST", f"{base}/{path}", json={"document": document, **more})
        assert status in (422, 403), path
    assert student.get(f"{base}/sheet")["revision"] == draft["revision"], "nothing was kept"


def test_a_draft_kept_before_shows_no_projected_lines(student: Person, database: Database) -> None:
    """A draft from before this was refused is in the database still."""
    exercise = next(e for e in exercises(student) if e["task"]["drafting"]["kind"] == "third view")
    path = f"/api/exercises/{exercise['id']}/sheet"
    draft = student.get(path)
    kept = student.send("PUT", path, json={"document": draft["document"], "base": draft["revision"]}).json()
    with database.transaction() as session:
        record = session.get(SheetRecord, kept["id"])
        assert record is not None
        record.document = with_view(draft, look={"side": "-x", "up": "+z"})
    try:
        for kind in ("svg", "pdf", "dxf"):
            assert student.status("GET", f"/api/sheets/{kept['id']}/drawing.{kind}") == 422
        assert student.status("GET", f"/api/sheets/{kept['id']}") == 422
    finally:
        with database.transaction() as session:
            record = session.get(SheetRecord, kept["id"])
            assert record is not None
            session.delete(record)


def test_how_well_a_view_agrees_is_told_roughly_to_students(log_in: LogIn, database: Database) -> None:
    student = log_in("dina.farouk")
    with database.transaction() as session:
        own = session.scalar(select(Account.id).where(Account.login == "dina.farouk"))
        sheet = session.scalars(select(SheetRecord).where(SheetRecord.student_id == own)).first()
        assert sheet is not None
        number, document = sheet.exercise_id, sheet.document
    views = [{**view, "lines": _some_lines()} for view in document["views"]]
    answer = student.send(
        "POST", f"/api/exercises/{number}/sheet/correction", json={"document": {**document, "views": views}}
    )
    assert answer.status_code == 200
    assert {view["match"] for view in answer.json()["views"]} <= {0.0, 0.5, 1.0}


def _some_lines() -> list[dict[str, Any]]:
    return [{"kind": "line", "points": [[0.0, float(k)], [40.0, float(k)]]} for k in range(5)]
