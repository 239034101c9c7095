"""A school's sheet forms: made, changed, used by an exercise, known again in a delivered file."""

import json
from typing import Any

import pytest

from maqueta.sheet.form_flaws import form_flaws
from maqueta.sheet.sheet_form import SheetForm
from tests.reading.drawn_form import DrawnForm
from tests.world import LogIn, Person

FORMS = "/api/sheet-forms"


@pytest.fixture
def form(instructor: Person) -> dict[str, Any]:
    """The usual form with a title block of its own height."""
    found: dict[str, Any] = instructor.get(f"{FORMS}/usual?size=A3&landscape=true")
    return found | {
        "zones": "iso",
        "texts": [*found["texts"], {"text": "WEAVING HALL", "at": [24, 280], "height": 3.5}],
    }


@pytest.fixture
def kept(instructor: Person, form: dict[str, Any]) -> dict[str, Any]:
    answer = instructor.send("POST", FORMS, json={"name": "  Hall A3 ", "form": form})
    assert answer.status_code == 201, answer.text
    made: dict[str, Any] = answer.json()
    return made


def test_a_form_is_kept_listed_changed_and_thrown_away(instructor: Person, kept: dict[str, Any]) -> None:
    entry = next(entry for entry in instructor.get(FORMS) if entry["id"] == kept["id"])
    assert (entry["name"], entry["own"], entry["ready"]) == ("Hall A3", True, True)
    change = {"name": "Hall A3, new", "form": kept["form"] | {"fields": []}, "base": kept["revision"]}
    changed = instructor.send("PUT", f"{FORMS}/{kept['id']}", json=change)
    assert changed.json()["revision"] == kept["revision"] + 1
    # A form without fields is kept, and said not to be ready.
    entry = next(entry for entry in instructor.get(FORMS) if entry["id"] == kept["id"])
    assert (entry["name"], entry["ready"]) == ("Hall A3, new", False)
    assert instructor.status("DELETE", f"{FORMS}/{kept['id']}") == 200
    assert instructor.status("GET", f"{FORMS}/{kept['id']}") == 404


def test_another_tab_is_not_overwritten(instructor: Person, kept: dict[str, Any]) -> None:
    change = {"name": "One", "form": kept["form"], "base": kept["revision"]}
    assert instructor.status("PUT", f"{FORMS}/{kept['id']}", json=change) == 200
    late = instructor.send("PUT", f"{FORMS}/{kept['id']}", json=change | {"name": "Other"})
    assert late.status_code == 409
    assert late.json()["detail"]["revision"] == kept["revision"] + 1
    assert instructor.get(f"{FORMS}/{kept['id']}")["name"] == "One"


@pytest.mark.parametrize(
    "spoilt",
    [
        {"border": [410, 10, 20, 287]},
        {"fields": [{"field": "title", "box": [300, 12, 340, 18]}] * 2},
        {"fields": [{"field": "nonsense", "box": [300, 12, 340, 18]}]},
        {"texts": [{"text": "x" * 300, "at": [30, 30]}]},
        {"lines": [{"start": [0, 0], "end": [1e9, 0]}]},
        {"size": "A9"},
    ],
)
def test_what_is_no_form_is_refused_in_one_sentence(
    instructor: Person, form: dict[str, Any], spoilt: dict[str, Any]
) -> None:
    answer = instructor.send("POST", FORMS, json={"name": "Spoilt", "form": form | spoilt})
    assert answer.status_code == 422
    assert answer.json()["message"]
    assert all(entry["name"] != "Spoilt" for entry in instructor.get(FORMS))


def test_a_form_under_way_is_shown_with_its_zones_and_what_it_lacks(instructor: Person, form: dict[str, Any]) -> None:
    look = instructor.send("POST", f"{FORMS}/look", json=form).json()
    assert {item["text"] for item in look["frame"] if item["kind"] == "text"} >= {"A", "F", "1", "8"}
    assert look["flaws"] == []
    bare = instructor.send("POST", f"{FORMS}/look", json=form | {"fields": []}).json()
    assert [flaw["bars"] for flaw in bare["flaws"]] == [True]
    spanish = instructor.client.post(
        f"{FORMS}/look",
        json=form | {"fields": []},
        headers={"x-maqueta-token": instructor.token, "accept-language": "es"},
    ).json()
    assert "campo" in spanish["flaws"][0]["what"]


def test_a_field_goes_into_the_cell_that_was_pointed_at(instructor: Person, form: dict[str, Any]) -> None:
    title = form["title"]
    bare = form | {"fields": [], "texts": [], "lines": [{"start": [300, title[1]], "end": [300, title[3]]}]}
    asked = {"form": bare, "field": "title", "at": [260.0, title[1] + 5], "captioned": True}
    put = SheetForm.model_validate_json(instructor.send("POST", f"{FORMS}/field", json=asked).text)
    assert [text.text for text in put.texts] == ["TITLE"]
    assert put.fields[0].box[2] == pytest.approx(299.2)
    assert put.fields[0].box[3] < put.texts[0].at[1]
    assert not any(flaw.bars for flaw in form_flaws(put))
    again = instructor.send(
        "POST", f"{FORMS}/field", json=asked | {"form": put.model_dump(mode="json"), "at": [350, 20]}
    )
    moved = SheetForm.model_validate_json(again.text)
    assert len(moved.fields) == 1
    assert moved.fields[0].box[0] > 300
    nowhere = instructor.send("POST", f"{FORMS}/field", json=asked | {"at": [5.0, 5.0]})
    assert (nowhere.status_code, "cell" in nowhere.json()["message"]) == (422, True)


def _task(instructor: Person, **change: Any) -> dict[str, Any]:
    blank: dict[str, Any] = instructor.get("/api/exercises/blank")["task"]
    return blank | change


def _set(instructor: Person, task: dict[str, Any]) -> Any:
    part = next(
        p for p in instructor.get("/api/parts?limit=100")["parts"] if p["unit"] == "mm" and p["state"] == "ready"
    )
    school_class = instructor.get("/api/classes")[0]["id"]
    body = {"part": part["id"], "school_class": school_class, "title": "On our form", "due_at": "2030-01-01T20:00:00Z"}
    return instructor.send("POST", "/api/exercises", json=body | {"task": task})


def test_an_exercise_takes_a_ready_form_with_the_fields_it_asks_for(instructor: Person, form: dict[str, Any]) -> None:
    unready = _set(instructor, _task(instructor, sheet_form=form | {"fields": []}, title_fields=[]))
    assert (unready.status_code, "cannot be used yet" in unready.json()["message"]) == (422, True)
    short = form | {"fields": [place for place in form["fields"] if place["field"] != "scale"]}
    lacking = _set(instructor, _task(instructor, sheet_form=short, title_fields=["scale"]))
    assert (lacking.status_code, "scale" in lacking.json()["message"]) == (422, True)
    other = _set(instructor, _task(instructor, sheet_form=form, paper="A2"))
    assert other.status_code == 422


def test_a_round_on_a_form_of_ones_own(instructor: Person, log_in: LogIn, form: dict[str, Any]) -> None:
    made = _set(instructor, _task(instructor, sheet_form=form, title_filled=["drafter", "paper"]))
    assert made.status_code == 201, made.text
    exercise = made.json()["id"]
    answer = instructor.get(f"/api/exercises/{exercise}/answer")["document"]
    assert answer["paper"]["form"]["zones"] == "iso"
    student = log_in("dina.farouk")
    blank = student.get(f"/api/exercises/{exercise}/sheet")["document"]
    assert blank["paper"]["form"]["zones"] == "iso"
    # A student's sheet stands on the form of the exercise, whatever was sent; on other paper, on the usual one.
    bare = blank | {"paper": {"size": "A3", "landscape": True}}
    ink = student.send("POST", f"/api/exercises/{exercise}/ink", json={"document": bare}).json()
    assert "WEAVING HALL" in json.dumps(ink["groups"])
    small = blank | {"paper": {"size": "A4", "landscape": True}}
    ink = student.send("POST", f"/api/exercises/{exercise}/ink", json={"document": small}).json()
    assert "WEAVING HALL" not in json.dumps(ink["groups"])
    sheet = {**answer, "paper": bare["paper"]}
    handed = student.send("POST", f"/api/exercises/{exercise}/sheet/hand-in", json={"document": sheet, "base": 0})
    assert handed.status_code == 200, handed.text
    assert handed.json()["document"]["paper"]["form"]["title"] == form["title"]
    wall = instructor.get(f"/api/exercises/{exercise}/wall")
    assert wall["paper"]["title"] == form["title"]
    assert [finding["rule"] for finding in wall["sheets"][0]["findings"] if finding["severity"] == "error"] == []
    drawn = instructor.send("GET", f"/api/sheets/{wall['sheets'][0]['id']}/drawing.dxf")
    assert drawn.status_code == 200, drawn.text
    other = log_in("kemi.oduya")
    files = {"file": ("on form.dxf", drawn.content, "image/vnd.dxf")}
    read = other.send("POST", f"/api/exercises/{exercise}/sheet/file", files=files)
    assert read.status_code == 200, read.text
    assert read.json()["document"]["paper"]["form"] is not None
    assert read.json()["not_read"] == []


def test_a_form_comes_in_as_dxf(instructor: Person) -> None:
    drawn = DrawnForm()
    drawn.box(20, 10, 410, 287, 70)
    drawn.box(300, 10, 410, 40)
    drawn.words("SCALE", 302, 36)
    files = {"file": ("hall.dxf", drawn.data(), "image/vnd.dxf")}
    read = instructor.send("POST", f"{FORMS}/file", files=files)
    assert read.status_code == 200, read.text
    assert [place["field"] for place in read.json()["form"]["fields"]] == ["scale"]
    for name, data, status in (("hall.pdf", b"%PDF", 422), ("hall.dxf", b"\x00\x01", 422), ("hall.dxf", b"", 422)):
        refused = instructor.send("POST", f"{FORMS}/file", files={"file": (name, data, "application/octet-stream")})
        assert refused.status_code == status
        assert refused.json()["message"]
