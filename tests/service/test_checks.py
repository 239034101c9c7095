"""Checks before handing in: as many as an exercise allows, of one's own draft, with nothing kept of what they find."""

from typing import Any

import pytest

from maqueta.demo.workshop import EXERCISES
from maqueta.making.model_sheet import Drafter, model_sheet
from tests.parts import demo_projected
from tests.world import LogIn, Person

ALLOWED = next(demo for demo in EXERCISES if demo.task.checks)
SHEET = model_sheet(demo_projected(ALLOWED.part), ALLOWED.task, Drafter("A", "B", "2026-11-20"))
SPOILT = SHEET.model_copy(update={"dimensions": SHEET.dimensions[1:]})


def _exercise(student: Person, title: str) -> dict[str, Any]:
    found: dict[str, Any] = next(e for e in student.get("/api/exercises") if e["title"] == title)
    return found


@pytest.fixture
def student(log_in: LogIn) -> Person:
    return log_in("rosa.quispe")


def test_as_many_as_allowed_and_nothing_is_kept_of_them(student: Person, log_in: LogIn) -> None:
    path = f"/api/exercises/{_exercise(student, ALLOWED.task.title)['id']}/sheet"
    assert student.get(path)["checks_left"] == ALLOWED.task.checks
    assert student.status("POST", f"{path}/check") == 403, "nothing is drawn yet"
    saved = student.send("PUT", path, json={"document": SPOILT.model_dump(mode="json"), "base": 0}).json()
    for left in reversed(range(ALLOWED.task.checks)):
        told = student.send("POST", f"{path}/check").json()
        assert told["checks_left"] == left
        assert {finding["criterion"] for finding in told["findings"]} == {"dimensions"}
        assert all(finding["message"] and "cost" not in finding for finding in told["findings"])
    assert student.status("POST", f"{path}/check") == 403
    after = student.get(path)
    assert (after["checks_left"], after["revision"], after["state"]) == (0, saved["revision"], "draft")
    assert after["document"] == saved["document"]
    assert student.get(f"/api/sheets/{saved['id']}")["findings"] == []
    other = log_in("juan.sandoval")
    assert other.get(path)["checks_left"] == ALLOWED.task.checks, "each has checks of their own"


def test_none_where_the_exercise_allows_none(student: Person, instructor: Person, log_in: LogIn) -> None:
    none = next(demo for demo in EXERCISES if not demo.task.checks and demo.part == "reed-clamp")
    drafting = log_in("iker.valtierra")
    path = f"/api/exercises/{_exercise(drafting, none.task.title)['id']}/sheet/check"
    assert drafting.status("POST", path) == 403
    allowed = _exercise(student, ALLOWED.task.title)["id"]
    assert instructor.status("POST", f"/api/exercises/{allowed}/sheet/check") in (403, 404)
