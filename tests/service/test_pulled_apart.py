"""Exercises on an assembly's single parts: set, begun, drawn at the bench, brought in as a file, judged."""

from typing import Any

import pytest

from maqueta.drawing.dxf import dxf
from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.making.model_sheet import model_sheet
from maqueta.task.exercise import Exercise
from tests.judging.set_scenes import DRAFTER, apart_projected
from tests.service.test_marks import sent
from tests.world import LogIn, Person


@pytest.fixture
def exercise(instructor: Person) -> dict[str, Any]:
    """The pedal pulled apart, set for a class."""
    part = next(own for own in instructor.get("/api/parts?words=Pedal&limit=200")["parts"] if own["name"] == "Pedal")
    blank = instructor.get("/api/exercises/blank")["task"]
    asked = {
        "part": part["id"],
        "school_class": instructor.get("/api/classes")[0]["id"],
        "title": "Pedal pulled apart",
        "due_at": "2099-01-01T20:00:00Z",
        "task": blank | {"shows": "pulled apart", "title_fields": ["title"], "course": "practice"},
    }
    return dict(sent(instructor, "POST", "/api/exercises", asked))


@pytest.fixture
def student(log_in: LogIn) -> Person:
    return log_in("dina.farouk")


def test_a_part_that_is_no_assembly_cannot_be_pulled_apart(log_in: LogIn) -> None:
    instructor = log_in("ines.corvalho")
    part = instructor.get("/api/parts?words=reed clamp")["parts"][0]["id"]
    task = instructor.get("/api/exercises/blank")["task"] | {"shows": "pulled apart"}
    answer = instructor.send("POST", "/api/exercises/starting-sheet", json={"part": part, "task": task})
    assert answer.status_code == 422
    assert "the part is no assembly" in answer.json()["message"]


def test_a_student_begins_with_the_parts_together_and_an_empty_list(exercise: dict[str, Any], student: Person) -> None:
    document = student.get(f"/api/exercises/{exercise['id']}/sheet")["document"]
    assert [view["only"] for view in document["views"]] == ["fork", "lever", "bush", "pin"]
    assert len({tuple(view["at"]) for view in document["views"]}) == 1
    assert document["parts_list"]["rows"] == []
    ink = student.send("POST", f"/api/exercises/{exercise['id']}/ink", json={"document": document})
    assert ink.status_code == 200, ink.text
    told = ink.json()
    assert [view["name"] for view in told["views"]] == ["Pedal fork", "Pedal lever", "Pedal bush", "Pedal pin"]
    assert {group["role"] for group in told["groups"]} >= {"view", "parts-list"}


def judged(student: Person, exercise: dict[str, Any], document: dict[str, Any]) -> list[dict[str, Any]]:
    """What a check of a draft finds."""
    path = f"/api/exercises/{exercise['id']}/sheet"
    base = student.get(path)["revision"]
    sent(student, "PUT", path, {"document": document, "base": base})
    return list(sent(student, "POST", f"{path}/check", {})["findings"])


def test_the_model_answer_is_right_and_the_beginning_is_not_yet(
    exercise: dict[str, Any], instructor: Person, student: Person
) -> None:
    begun = student.get(f"/api/exercises/{exercise['id']}/sheet")["document"]
    right = instructor.get(f"/api/exercises/{exercise['id']}/answer")["document"]
    assert len(right["balloons"]) == 4
    assert judged(student, exercise, right) == []
    less = begun | {"views": right["views"][:3], "balloons": []}
    found = judged(student, exercise, less)
    assert {own["criterion"] for own in found} == {"assembly", "title"}
    said = " ".join(str(own["message"]) for own in found)
    for told in ("Pedal pin is shown nowhere", "Pedal fork has no balloon", "Pedal bush is not in the parts list"):
        assert told in said


def test_a_right_file_comes_onto_the_bench_as_its_parts(exercise: dict[str, Any], student: Person) -> None:
    """Drawn elsewhere: the parts are told by how each looks alone, in looks that are drawn when they are asked for."""
    whole, task = apart_projected("pedal"), Exercise.model_validate(exercise["task"])
    sheet = model_sheet(whole, task, DRAFTER)
    data = dxf(sheet_ink(whole, sheet), {})
    path = f"/api/exercises/{exercise['id']}/sheet/file"
    answer = student.send("POST", path, files={"file": ("pedal.dxf", data)})
    assert answer.status_code == 200, answer.text
    read = answer.json()["document"]
    assert [view["only"] for view in read["views"]] == ["fork", "lever", "bush", "pin"]
    assert len(read["balloons"]) == 4
    assert judged(student, exercise, read) == []


def test_an_exercise_with_the_list_filled_in_begins_with_its_rows(instructor: Person, student: Person) -> None:
    part = next(own for own in instructor.get("/api/parts?words=Pedal&limit=200")["parts"] if own["name"] == "Pedal")
    task = instructor.get("/api/exercises/blank")["task"] | {"shows": "parts list", "aids": ["parts list"]}
    told = sent(instructor, "POST", "/api/exercises/starting-sheet", {"part": part["id"], "task": task})
    texts = [item["text"] for group in told["ink"]["groups"] for item in group["items"] if item["kind"] == "text"]
    assert {"Pedal fork", "Pedal lever", "Pedal bush", "Pedal pin", "bronze"} <= set(texts)
