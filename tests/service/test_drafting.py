"""Exercises that leave lines to the hand: what students may not be told, and what the service refuses."""

from typing import Any

import pytest

from tests.world import LogIn, Person


def _exercise(person: Person, words: str) -> dict[str, Any]:
    return next(e for e in person.get("/api/exercises") if words in e["title"])


@pytest.fixture
def student(log_in: LogIn) -> Person:
    return log_in("sara.lindqvist")


def test_students_are_not_told_what_would_answer_the_exercise(instructor: Person, student: Person) -> None:
    set_one = _exercise(instructor, "wrong lines")
    assert len(set_one["task"]["drafting"]["changes"]) == 5
    assert _exercise(student, "wrong lines")["task"]["drafting"]["changes"] == []
    assert _exercise(instructor, "Reed clamp")["task"]["front"]["accept"] != []
    assert _exercise(student, "Reed clamp")["task"]["front"]["accept"] == []


def test_a_part_to_be_known_from_its_views_is_shown_to_no_student(instructor: Person, student: Person) -> None:
    model = _exercise(student, "third view")["model"]
    for path in ("mesh", "picture", "views?side=-y&up=%2Bz"):
        assert student.status("GET", f"/api/models/{model}/{path}") == 403
        assert instructor.status("GET", f"/api/models/{model}/{path}") == 200
    detail = student.get(f"/api/models/{model}")
    assert (detail["sides"], detail["ranking"]) == ([], [])
    assert len(instructor.get(f"/api/models/{model}")["sides"]) == 6


def test_lines_to_be_drafted_are_not_drawn_by_the_program(student: Person) -> None:
    exercise = _exercise(student, "third view")
    path = f"/api/exercises/{exercise['id']}/sheet"
    draft = student.get(path)
    third = draft["document"]["views"][2]
    assert third["lines"] == []
    third["lines"] = None
    answer = student.send("POST", f"{path}/hand-in", json={"document": draft["document"], "base": 0})
    assert answer.status_code == 422
    assert "To be drafted by hand: right view" in answer.json()["message"]
    assert student.get(path)["state"] == "draft"


def test_ink_tells_nothing_of_lines_that_are_left_to_the_hand(student: Person) -> None:
    exercise = _exercise(student, "third view")
    document = student.get(f"/api/exercises/{exercise['id']}/sheet")["document"]
    path = f"/api/exercises/{exercise['id']}/ink"
    ink = student.send("POST", path, json={"document": document}).json()
    facts = {view["id"]: view for view in ink["views"]}
    assert (facts["v3"]["axis_lines"], facts["v3"]["hidden_lines"], facts["v3"]["smooth_lines"]) == ([], 0, 0)
    assert facts["v1"]["axis_lines"]
    document["views"][2]["lines"] = None
    answer = student.send("POST", path, json={"document": document})
    assert answer.status_code == 422
    assert "right view" in answer.json()["message"]


def test_centre_lines_are_not_added_where_they_would_give_lines_away(student: Person) -> None:
    exercise = _exercise(student, "third view")
    document = student.get(f"/api/exercises/{exercise['id']}/sheet")["document"]
    bare = {**document, "marks": []}
    path = f"/api/exercises/{exercise['id']}/sheet/aid"
    helped = student.send("POST", path, json={"document": bare, "aid": "centre lines"}).json()
    assert {mark["view"] for mark in helped["marks"]} == {"v1", "v2"}


def test_changes_to_lines_say_what_they_cannot_do(student: Person) -> None:
    exercise = _exercise(student, "wrong lines")
    path = f"/api/exercises/{exercise['id']}/sheet/change"
    document = student.get(f"/api/exercises/{exercise['id']}/sheet")["document"]
    first = document["views"][0]["lines"][0]["points"][0]

    def change(view: str, what: str, at: list[float]) -> Any:
        return student.send("POST", path, json={"document": document, "view": view, "change": {"what": what, "at": at}})

    erased = change("v1", "erase", first)
    assert erased.status_code == 200
    assert len(erased.json()["views"][0]["lines"]) == len(document["views"][0]["lines"]) - 1
    assert change("v1", "erase", [9000, 9000]).status_code == 422
    assert change("v9", "erase", first).status_code == 404
    assert change("v1", "melt", first).status_code == 422


def test_an_exercise_that_contradicts_itself_is_not_set(instructor: Person) -> None:
    blank = instructor.get("/api/exercises/blank")["task"]
    part = instructor.get("/api/parts?words=reed clamp")["parts"][0]["id"]
    nowhere = {"kind": "wrong lines", "changes": [{"view": "top", "at": [999, 999], "change": "removed"}]}
    answer = instructor.send(
        "POST", "/api/exercises/starting-sheet", json={"part": part, "task": {**blank, "drafting": nowhere}}
    )
    assert answer.status_code == 422
    assert "no line at 999, 999" in answer.json()["message"]
    left = {"kind": "third view", "left": ["rear"]}
    task = {**blank, "drafting": left}
    assert instructor.status("POST", "/api/exercises/starting-sheet", json={"part": part, "task": task}) == 422


def test_only_instructors_see_starting_sheets_and_their_lines(student: Person) -> None:
    assert student.status("GET", "/api/exercises/blank") == 404
    asked = {"part": 1, "task": {}, "propose": 3}
    assert student.status("POST", "/api/exercises/starting-sheet", json=asked) == 404
