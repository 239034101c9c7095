"""The reader's eye and the model answer through the service: who may see how much, and what is kept."""

from typing import Any

import pytest

from maqueta.demo.workshop import EXERCISES
from maqueta.judging.dimension_survey import DimensionSurvey
from maqueta.judging.survey import Survey
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.service.bench.readers_eye_answers import reading_answer
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.drafted import Pen, drafted_of
from maqueta.sheet.placed import PlacedView, placed_views
from maqueta.sheet.view import View
from tests.parts import demo_projected
from tests.world import LogIn, Person

BEARING = EXERCISES[1]


@pytest.fixture
def student(log_in: LogIn) -> Person:
    return log_in("sara.lindqvist")


def _exercise(person: Person, words: str) -> dict[str, Any]:
    return next(e for e in person.get("/api/exercises") if words in e["title"])


def _sheet() -> SheetDocument:
    drafter = Drafter("A. Tester", "Evening 2", "2026-11-25")
    return model_sheet(demo_projected(BEARING.part), BEARING.task, drafter)


def _document(**change: Any) -> dict[str, Any]:
    """The proposed sheet of the bearing without its overall height."""
    sheet = _sheet()
    short = tuple(d for d in sheet.dimensions if d.id != "d2")
    return sheet.model_copy(update={"dimensions": short, **change}).model_dump(mode="json")


def _read(person: Person, exercise: dict[str, Any], document: dict[str, Any]) -> dict[str, Any]:
    answer = person.send("POST", f"/api/exercises/{exercise['id']}/reading", json={"document": document})
    assert answer.status_code == 200, answer.text
    found: dict[str, Any] = answer.json()
    return found


def test_all_is_told_where_the_exercise_lets_it(student: Person) -> None:
    exercise = _exercise(student, "Warp-beam bearing")
    read = _read(student, exercise, _document())
    assert read["insight"] == "everything"
    assert [row["missing"] for row in read["counts"]].count(1) == len(read["open"]) == 1
    (size,) = read["open"]
    assert size["words"].endswith("its place is not given.")
    assert {line["view"] for line in size["lines"]} <= {"v1", "v2"}
    assert all(len(line["points"]) == len(line["moves"]) for line in size["lines"])
    path = f"/api/exercises/{exercise['id']}/reading/motion"
    moved = student.send("POST", path, json={"document": _document(), "number": 0}).json()
    mesh = student.get(f"/api/models/{exercise['model']}/mesh")
    assert len(moved["points"]) == len(mesh["points"])
    assert [len(edge) for edge in moved["edges"]] == [len(edge) for edge in mesh["edges"]]
    assert any(abs(value) > 1 for value in moved["points"])
    assert student.status("POST", path, json={"document": _document(), "number": 7}) == 404


@pytest.mark.parametrize(
    ("insight", "counted", "placed", "told"),
    [
        ("nothing", False, False, False),
        ("counts", True, False, False),
        ("places", False, True, False),
        ("everything", True, True, True),
    ],
)
def test_less_insight_means_that_less_is_sent(
    instructor: Person, log_in: LogIn, insight: str, counted: bool, placed: bool, told: bool
) -> None:
    parts = {part["name"]: part["id"] for part in instructor.get("/api/parts")["parts"]}
    group = instructor.get("/api/classes")[0]
    task = BEARING.task.model_dump(mode="json")
    task["dimensioning"]["insight"] = insight
    made = instructor.send(
        "POST",
        "/api/exercises",
        json={
            "part": parts["Warp-beam bearing"],
            "school_class": group["id"],
            "title": f"Bearing, {insight}",
            "due_at": "2099-01-01T20:00:00Z",
            "task": task,
        },
    ).json()
    exercise = {"id": made["id"]}
    read = _read(log_in("kemi.oduya"), exercise, _document())
    assert (bool(read["counts"]), bool(read["open"])) == (counted, placed)
    assert bool(read["open"] and read["open"][0]["words"]) == told
    assert _read(instructor, exercise, _document())["insight"] == "everything"
    status = log_in("kemi.oduya").status(
        "POST", f"/api/exercises/{made['id']}/reading/motion", json={"document": _document(), "number": 0}
    )
    assert status == (200 if placed else 403)


def test_a_returned_sheet_is_read_wholly_one_under_review_by_its_instructor_alone(
    instructor: Person, log_in: LogIn
) -> None:
    wall = instructor.get(f"/api/exercises/{_exercise(instructor, 'Reed clamp')['id']}/wall")
    returned = next(s for s in wall["sheets"] if s["state"] == "returned")
    out = next(s for s in wall["sheets"] if s["state"] == "handed-in")
    for sheet in (returned, out):
        assert instructor.get(f"/api/sheets/{sheet['id']}/reading")["insight"] == "everything"
    owner = log_in(returned["student"].lower().replace(" ", "."))
    assert owner.get(f"/api/sheets/{returned['id']}/reading")["insight"] == "everything"
    other = log_in(out["student"].lower().replace(" ", "."))
    assert other.get(f"/api/sheets/{out['id']}/reading")["insight"] == "nothing"
    assert other.status("GET", f"/api/sheets/{out['id']}/reading/0") == 403
    assert other.status("GET", f"/api/sheets/{returned['id']}/reading") == 404


def test_the_model_answer_is_proposed_changed_and_kept(instructor: Person, student: Person) -> None:
    exercise = _exercise(instructor, "Pedal hinge")
    path = f"/api/exercises/{exercise['id']}/answer"
    proposed = instructor.get(path)
    assert (proposed["revision"], proposed["saved_at"]) == (0, None)
    read = _read(instructor, exercise, proposed["document"])
    assert (read["open"], read["chains"]) == ([], [])
    other = instructor.send(
        "POST", f"{path}/dimensions", json={"document": proposed["document"], "width": "right side"}
    )
    changed = other.json()
    assert changed["dimensions"] != proposed["document"]["dimensions"]
    assert (_read(instructor, exercise, changed)["open"], _read(instructor, exercise, changed)["chains"]) == ([], [])
    body = {"document": changed, "base": 0}
    assert instructor.send("PUT", path, json=body).json()["revision"] == 1
    assert instructor.status("PUT", path, json=body) == 409
    assert instructor.get(path)["document"] == changed
    for kind, begins in (("pdf", b"%PDF"), ("svg", b"<svg"), ("dxf", b"  0\nSECTION")):
        answer = instructor.send("GET", f"{path}/drawing.{kind}")
        assert answer.content.lstrip(b"\xef\xbb\xbf").startswith(begins)
    for method, address in (("GET", path), ("PUT", path), ("POST", f"{path}/dimensions")):
        assert student.status(method, address, json=body) == 404
    assert student.status("GET", f"{path}/drawing.pdf") == 403


def test_a_student_compares_once_the_sheet_is_returned(instructor: Person, log_in: LogIn) -> None:
    exercise = _exercise(instructor, "Reed clamp")
    wall = instructor.get(f"/api/exercises/{exercise['id']}/wall")
    owners = {s["state"]: log_in(s["student"].lower().replace(" ", ".")) for s in wall["sheets"]}
    path = f"/api/exercises/{exercise['id']}/answer/drawing.pdf"
    assert owners["returned"].status("GET", path) == 200
    assert owners["handed-in"].status("GET", path) == 403


def test_without_a_front_view_nothing_is_proposed(instructor: Person) -> None:
    exercise = _exercise(instructor, "Shuttle rest")
    path = f"/api/exercises/{exercise['id']}/answer/dimensions"
    answer = instructor.send(
        "POST",
        path,
        json={"document": _document(views=tuple(view.model_copy(update={"parent": None}) for view in _sheet().views))},
    )
    assert answer.status_code == 422
    assert "front view" in answer.json()["message"]


def test_the_readers_eye_draws_nothing_that_is_left_to_the_hand(instructor: Person, log_in: LogIn) -> None:
    """A student who sends projected views where all are to be drafted is refused, as when they are to be drawn."""
    parts = {part["name"]: part["id"] for part in instructor.get("/api/parts")["parts"]}
    group = instructor.get("/api/classes")[0]
    task = BEARING.task.model_dump(mode="json")
    task["dimensioning"]["insight"] = "everything"
    task["drafting"]["kind"] = "drafted"
    body = {
        "part": parts["Warp-beam bearing"],
        "school_class": group["id"],
        "title": "Bearing by hand",
        "due_at": "2099-01-01T20:00:00Z",
        "task": task,
    }
    made = instructor.send("POST", "/api/exercises", json=body).json()["id"]
    student = log_in("kemi.oduya")
    path = f"/api/exercises/{made}/reading"
    assert student.status("POST", path, json={"document": _document()}) == 422
    assert student.status("POST", f"{path}/motion", json={"document": _document(), "number": 0}) == 422
    assert instructor.status("POST", path, json={"document": _document()}) == 200


def drafted(view: View, placed: PlacedView) -> View:
    """A view whose visible lines were drawn by hand."""
    lines = tuple(drafted_of(piece, Pen("visible")) for piece in placed.lines.of("visible"))
    return view.model_copy(update={"lines": lines})


def test_a_sheet_that_came_as_a_file_is_redrawn_when_it_is_reviewed() -> None:
    """Its views have lines of their own; on the bench nothing is told of them, on the table they move."""
    part = demo_projected(BEARING.part)
    sheet = SheetDocument.model_validate(_document())
    by_hand = sheet.model_copy(
        update={
            "views": tuple(
                view.model_copy(
                    update={"lines": tuple(drafted_of(p, Pen("visible")) for p in placed.lines.of("visible"))}
                )
                if view.kind == "principal"
                else view
                for view, placed in zip(sheet.views, placed_views(part, sheet), strict=True)
            )
        }
    )
    read = DimensionSurvey(Survey(part, BEARING.task, by_hand))
    assert [line for size in reading_answer(read, "everything").open for line in size.lines] == []
    (size,) = reading_answer(read, "everything", reviewed=True).open
    assert {line.view for line in size.lines} == {"v1"}
