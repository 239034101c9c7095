"""The job once through the service: set, draw, hand in, decide, return; and what may go wrong on the way."""

from typing import Any

import pytest

from maqueta.demo.mistakes import MISTAKES
from maqueta.demo.workshop import EXERCISES
from maqueta.making.model_sheet import Drafter, model_sheet
from tests.parts import demo_projected
from tests.world import LogIn, Person

TASK = EXERCISES[0].task
FAULTLESS = model_sheet(demo_projected("reed-clamp"), TASK, Drafter("A. Tester", "Evening 2", "2026-11-20"))
NO_HIDDEN = MISTAKES["no hidden lines"](demo_projected("reed-clamp"), FAULTLESS)


@pytest.fixture
def exercise(instructor: Person) -> int:
    parts = {part["name"]: part["id"] for part in instructor.get("/api/parts")["parts"]}
    group = next(c for c in instructor.get("/api/classes") if c["name"] == "Evening 2")
    body = {
        "part": parts["Reed clamp"],
        "school_class": group["id"],
        "title": "Reed clamp again",
        "due_at": "2099-01-01T20:00:00Z",
        "task": TASK.model_dump(mode="json"),
    }
    made = instructor.send("POST", "/api/exercises", json=body)
    assert made.status_code == 201, made.text
    return int(made.json()["id"])


def body(document: Any, base: int) -> dict[str, Any]:
    return {"document": document.model_dump(mode="json"), "base": base}


def deliver(person: Person, exercise: int, document: Any) -> int:
    answer = person.send("POST", f"/api/exercises/{exercise}/sheet/hand-in", json=body(document, 0))
    assert answer.status_code == 200, answer.text
    return int(answer.json()["id"])


def test_the_whole_round(log_in: LogIn, instructor: Person, exercise: int) -> None:
    student, other = log_in("dina.farouk"), log_in("kemi.oduya")
    saved = student.send("PUT", f"/api/exercises/{exercise}/sheet", json=body(NO_HIDDEN, 0)).json()
    assert (saved["state"], saved["revision"]) == ("draft", 1)
    handed = student.send("POST", f"/api/exercises/{exercise}/sheet/hand-in", json=body(NO_HIDDEN, 1)).json()
    assert handed["state"] == "handed-in"
    deliver(other, exercise, FAULTLESS)

    wall = instructor.get(f"/api/exercises/{exercise}/wall")
    assert {s["student"]: s["points"] for s in wall["sheets"]} == {"Dina Farouk": 28, "Kemi Oduya": 30}
    assert len(wall["missing"]) == 10
    (finding,) = next(s for s in wall["sheets"] if s["student"] == "Dina Farouk")["findings"]
    assert finding["message"] == "4 hidden lines, 72 mm in all, are missing in the top view."

    path = f"/api/sheets/{handed['id']}"
    waived = instructor.send("PUT", f"{path}/findings/0", json={"decision": "waived", "remark": "fine this time"})
    assert waived.json()["points"] == 30
    upheld = instructor.send("PUT", f"{path}/findings/0", json={"decision": "upheld"})
    assert (upheld.json()["points"], upheld.json()["findings"][0]["remark"]) == (28, "fine this time")
    assert instructor.status("PUT", f"{path}/remark", json={"remark": "Look at the holes."}) == 200

    assert instructor.send("POST", f"/api/exercises/{exercise}/return").json()["number"] == 2
    slip = student.get(path)
    assert (slip["reviewed"], slip["remark"], slip["points"]) == (True, "Look at the holes.", 28)
    listed = next(e for e in student.get("/api/exercises") if e["id"] == exercise)
    assert (listed["sheet_state"], listed["points"]) == ("returned", 28)
    assert instructor.status("PUT", f"{path}/findings/0", json={"decision": "waived"}) == 409


def test_one_decision_for_all_that_share_a_mistake(log_in: LogIn, instructor: Person, exercise: int) -> None:
    for login in ("dina.farouk", "kemi.oduya", "rosa.quispe"):
        deliver(log_in(login), exercise, NO_HIDDEN)
    sheets = instructor.get(f"/api/exercises/{exercise}/wall")["sheets"]
    shared = [{"sheet": s["id"], "number": 0, "share": s["findings"][0]["share"]} for s in sheets]
    assert len({place["share"] for place in shared}) == 1
    decision = {"findings": shared, "decision": "waived", "remark": "not taught yet"}
    answer = instructor.send("POST", f"/api/exercises/{exercise}/decisions", json=decision)
    assert answer.json() == {"number": 3, "left": 0}
    wall = instructor.get(f"/api/exercises/{exercise}/wall")
    assert [s["points"] for s in wall["sheets"]] == [30, 30, 30]
    assert {s["findings"][0]["remark"] for s in wall["sheets"]} == {"not taught yet"}


def test_handing_in_twice_is_handing_in_once(log_in: LogIn, instructor: Person, exercise: int) -> None:
    student = log_in("dina.farouk")
    first = student.send("POST", f"/api/exercises/{exercise}/sheet/hand-in", json=body(NO_HIDDEN, 0)).json()
    second = student.send("POST", f"/api/exercises/{exercise}/sheet/hand-in", json=body(NO_HIDDEN, 0))
    assert second.status_code == 200
    assert second.json() == first
    (sheet,) = instructor.get(f"/api/exercises/{exercise}/wall")["sheets"]
    assert len(sheet["findings"]) == 1
    assert student.status("PUT", f"/api/exercises/{exercise}/sheet", json=body(FAULTLESS, 1)) == 409


def test_two_tabs_do_not_overwrite_each_other(log_in: LogIn, exercise: int) -> None:
    student = log_in("dina.farouk")
    assert student.status("PUT", f"/api/exercises/{exercise}/sheet", json=body(FAULTLESS, 0)) == 200
    late = student.send("PUT", f"/api/exercises/{exercise}/sheet", json=body(NO_HIDDEN, 0))
    assert late.status_code == 409
    assert late.json()["detail"] == {"revision": 1}
    assert student.get(f"/api/exercises/{exercise}/sheet")["document"] == FAULTLESS.model_dump(mode="json")


def test_sheet_without_views_is_not_handed_in_and_stays_a_draft(log_in: LogIn, exercise: int) -> None:
    student = log_in("dina.farouk")
    empty = FAULTLESS.model_copy(update={"views": (), "dimensions": (), "marks": ()})
    assert student.status("PUT", f"/api/exercises/{exercise}/sheet", json=body(empty, 0)) == 200
    refused = student.send("POST", f"/api/exercises/{exercise}/sheet/hand-in", json=body(empty, 1))
    assert refused.status_code == 422
    assert "no view" in refused.json()["message"]
    assert student.get(f"/api/exercises/{exercise}/sheet")["state"] == "draft"


@pytest.mark.parametrize(
    ("document", "word"),
    [({"surprise": 1}, "surprise"), ({"views": [{"id": "v1", "side": "-y", "up": "+z", "at": [1e300, 0]}]}, "at")],
)
def test_bad_documents_are_refused_by_name(log_in: LogIn, exercise: int, document: Any, word: str) -> None:
    answer = log_in("dina.farouk").send(
        "PUT", f"/api/exercises/{exercise}/sheet", json={"document": document, "base": 0}
    )
    assert answer.status_code == 422
    assert word in answer.json()["message"]


def test_ink_of_the_bench_is_the_ink_of_the_drawing(log_in: LogIn, exercise: int) -> None:
    student = log_in("dina.farouk")
    ink = student.send("POST", f"/api/exercises/{exercise}/ink", json={"document": FAULTLESS.model_dump(mode="json")})
    groups = {group["id"] for group in ink.json()["groups"]}
    assert {view.id for view in FAULTLESS.views} | {d.id for d in FAULTLESS.dimensions} <= groups
    assert ink.json()["gaps"][0].startswith("across: (390 − 96 − 48) ÷ 3 = 82")


def test_exercise_needs_an_own_part_and_class(instructor: Person) -> None:
    wrong = {
        "part": 9999,
        "school_class": 1,
        "title": "x",
        "due_at": "2099-01-01T20:00:00Z",
        "task": TASK.model_dump(mode="json"),
    }
    assert instructor.status("POST", "/api/exercises", json=wrong) == 404


def test_parts_page_has_six_sides_and_24_attitudes(instructor: Person) -> None:
    part = next(p for p in instructor.get("/api/parts")["parts"] if p["name"] == "Reed clamp")["model"]
    detail = instructor.get(f"/api/models/{part}")
    assert len(detail["sides"]) == 6
    assert len(detail["ranking"]) == 24
    assert detail["sizes"] == detail["least_sizes"] == 18
    views = instructor.get(f"/api/models/{part}/views?side=-y&up=%2Bz")
    assert [v["name"] for v in views] == ["front", "top", "right"]
    assert instructor.status("GET", f"/api/models/{part}/views?side=-y&up=%2By") == 422


def test_fields_are_filled_in_for_who_draws(log_in: LogIn, instructor: Person, exercise: int) -> None:
    task = TASK.model_copy(update={"title_filled": ("drafter", "class", "scale")})
    found = instructor.get(f"/api/exercises/{exercise}")
    group = next(c for c in instructor.get("/api/classes") if c["name"] == "Evening 2")
    made = instructor.send(
        "POST",
        "/api/exercises",
        json={
            "part": found["part"],
            "school_class": group["id"],
            "title": "Filled in",
            "due_at": "2099-01-01T20:00:00Z",
            "task": task.model_dump(mode="json"),
        },
    )
    assert made.status_code == 201, made.text
    path = f"/api/exercises/{made.json()['id']}"
    student = log_in("dina.farouk")
    bare = FAULTLESS.model_copy(
        update={"title": FAULTLESS.title.model_copy(update={"fields": {"drafter": "SOMEBODY"}})}
    )
    drawn = student.send("POST", f"{path}/ink", json={"document": bare.model_dump(mode="json")}).json()
    block = next(group for group in drawn["groups"] if group["role"] == "title")
    texts = {item["text"] for item in block["items"] if item["kind"] == "text"}
    assert {"DINA FAROUK", "EVENING 2", "1:1"} <= texts
    assert "SOMEBODY" not in texts
    handed = student.send("POST", f"{path}/sheet/hand-in", json=body(bare, 0)).json()
    fields = handed["document"]["title"]["fields"]
    assert (fields["drafter"], fields["class"], fields["scale"]) == ("DINA FAROUK", "EVENING 2", "1:1")
