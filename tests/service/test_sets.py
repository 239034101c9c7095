"""Sets in the application: proposed from an assembly, set, looked over, handed in, judged, printed, returned as one."""

from io import BytesIO
from typing import Any

import pypdfium2
import pytest

from tests.service.test_exercise_changes import until
from tests.service.test_marks import ago, sent
from tests.world import LogIn, Person

DUE = "2099-01-01T20:00:00Z"


def part_called(instructor: Person, name: str) -> int:
    found = instructor.get(f"/api/parts?words={name}&limit=200")["parts"]
    return int(next(own["id"] for own in found if own["name"] == name))


def proposed(instructor: Person, *names: str) -> list[dict[str, Any]]:
    parts = {"parts": [part_called(instructor, name) for name in names]}
    return list(sent(instructor, "POST", "/api/sets/proposal", parts)["sheets"])


def of_set(sheets: list[dict[str, Any]], instructor: Person, **more: Any) -> dict[str, Any]:
    asked = [{key: own[key] for key in ("part", "title", "task")} for own in sheets]
    school = instructor.get("/api/classes")[0]["id"]
    return {"title": "Pedal set", "school_class": school, "due_at": DUE, "sheets": asked} | more


@pytest.fixture
def exercises(instructor: Person) -> list[dict[str, Any]]:
    """A set of three parts of the pedal."""
    sheets = proposed(instructor, "Pedal fork", "Pedal lever", "Pedal pin")
    return list(sent(instructor, "POST", "/api/sets", of_set(sheets, instructor)))


@pytest.fixture
def student(log_in: LogIn) -> Person:
    return log_in("dina.farouk")


def answer_of(instructor: Person, exercise: dict[str, Any], **fields: str) -> dict[str, Any]:
    """The model answer as a student would have drawn it, with some fields of the title block written otherwise."""
    document: dict[str, Any] = instructor.get(f"/api/exercises/{exercise['id']}/answer")["document"]
    title = document["title"]
    written = title["fields"] | {"drafter": "DINA FAROUK", "title": exercise["title"].upper()} | fields
    return document | {"title": title | {"fields": written}}


def keep(student: Person, exercise: dict[str, Any], document: dict[str, Any]) -> None:
    path = f"/api/exercises/{exercise['id']}/sheet"
    base = student.get(path)["revision"]
    sent(student, "PUT", path, {"document": document, "base": base})


def hand_in(student: Person, exercise: dict[str, Any], document: dict[str, Any]) -> int:
    path = f"/api/exercises/{exercise['id']}/sheet"
    base = student.get(path)["revision"]
    return int(sent(student, "POST", f"{path}/hand-in", {"document": document, "base": base})["id"])


def set_of(exercise: dict[str, Any]) -> str:
    return f"/api/sets/{exercise['in_set']['id']}"


def found_among(instructor: Person, sheet: int) -> list[str]:
    """The rules of the set that a sheet breaks."""
    findings = instructor.get(f"/api/sheets/{sheet}")["findings"]
    return [own["kind"] for own in findings if own["criterion"] == "set"]


def test_an_assembly_has_sheets_of_the_whole_and_one_of_each_part(instructor: Person) -> None:
    sheets = proposed(instructor, "Pedal")
    assert [own["title"] for own in sheets[:2]] == ["Pedal, six sides", "Pedal, pulled apart"]
    assert [own["task"]["shows"] for own in sheets[:2]] == ["six sides", "pulled apart"]
    assert sorted(own["title"] for own in sheets[2:]) == ["Pedal bush", "Pedal fork", "Pedal lever", "Pedal pin"]
    assert all(own["task"]["dimensioning"]["required"] for own in sheets[2:])
    # It can be set as it is proposed.
    made = sent(instructor, "POST", "/api/sets", of_set(sheets, instructor, draft=True))
    assert [own["in_set"]["place"] for own in made] == [1, 2, 3, 4, 5, 6]
    assert {own["draft"] for own in made} == {True}


def test_a_set_is_listed_in_its_order_for_all(exercises: list[dict[str, Any]], student: Person) -> None:
    listed = [own for own in student.get("/api/exercises") if own["in_set"] == exercises[1]["in_set"]]
    assert [own["title"] for own in listed] == ["Pedal lever"]
    assert exercises[1]["in_set"] == {"id": exercises[0]["in_set"]["id"], "title": "Pedal set", "place": 2, "of": 3}


def test_of_a_set_with_a_sheet_that_cannot_be_set_nothing_is_set(instructor: Person) -> None:
    before = len(instructor.get("/api/exercises"))
    sheets = proposed(instructor, "Pedal fork", "Pedal pin")
    sheets[1]["task"] |= {"shows": "pulled apart"}
    assert instructor.status("POST", "/api/sets", json=of_set(sheets, instructor)) == 422
    assert instructor.status("POST", "/api/sets", json=of_set(sheets[:1], instructor)) == 422
    assert len(instructor.get("/api/exercises")) == before


def test_a_right_set_is_looked_over_handed_in_and_right(
    instructor: Person, exercises: list[dict[str, Any]], student: Person
) -> None:
    path = set_of(exercises[0])
    for own in exercises[:2]:
        keep(student, own, answer_of(instructor, own))
    looked = student.get(f"{path}/last-look")
    assert [own["blank"] for own in looked] == [False, False, True]
    assert [own["notes"] for own in looked] == [[], [], []]
    assert [len(own["measured"]) for own in looked] == [4, 4, 0]
    assert looked[0]["measured"][0].startswith("nearest to the border: ")
    # One is not begun: nothing goes, unless it is meant so.
    refused = student.send("POST", f"{path}/hand-in", json={})
    assert refused.status_code == 422
    assert "Pedal pin" in refused.json()["message"]
    assert {own["state"] for own in student.get(f"{path}/last-look")} == {"draft"}
    keep(student, exercises[2], answer_of(instructor, exercises[2]))
    first = sent(student, "POST", f"{path}/hand-in", {})
    assert len(first["sheets"]) == 3
    assert sent(student, "POST", f"{path}/hand-in", {}) == first
    for sheet in first["sheets"]:
        told = instructor.get(f"/api/sheets/{sheet}")
        assert [own["message"] for own in told["findings"] if own["severity"] == "error"] == []
        assert [(own["points"], own["outcome"]) for own in told["marks"] if own["criterion"] == "set"] == [(1, "met")]
        assert "set" not in told["unjudged"]
    pages = pypdfium2.PdfDocument(BytesIO(student.send("GET", f"{path}/sheets.pdf").content))
    assert len(pages) == 3
    assert [own.get_title() for own in pages.get_toc()] == ["Pedal fork", "Pedal lever", "Pedal pin"]
    [stack] = [own for own in instructor.get(f"{path}/wall")["stacks"] if own["name"] == "Dina Farouk"]
    assert [own["sheet"] for own in stack["sheets"]] == first["sheets"]
    assert stack["of"] == sum(own["of_points"] for own in exercises)
    marks = instructor.send("GET", f"{path}/marks.csv").text.splitlines()
    assert marks[0].split(",")[-4:] == ["Pedal fork", "Pedal lever", "Pedal pin", "Sum"]
    [row] = [own.split(",") for own in marks if own.startswith("Farouk")]
    assert float(row[-1]) == sum(map(float, row[-4:-1])) == stack["points"]
    again = instructor.send("GET", f"{path}/students/{stack['student']}/sheets.pdf")
    assert len(pypdfium2.PdfDocument(BytesIO(again.content))) == 3


def test_what_is_wrong_among_all_is_noted_before_and_found_after(
    instructor: Person, exercises: list[dict[str, Any]], student: Person
) -> None:
    fork, lever, pin = exercises
    keep(student, fork, answer_of(instructor, fork))
    keep(student, lever, answer_of(instructor, lever, title="TREADLE WHEEL"))
    keep(student, pin, answer_of(instructor, pin, drafter="OTTO BRANDT"))
    looked = student.get(f"{set_of(fork)}/last-look")
    assert [len(own["notes"]) for own in looked] == [0, 1, 1]
    assert "TREADLE WHEEL" in looked[1]["notes"][0]
    assert "OTTO BRANDT" in looked[2]["notes"][0]
    sheets = sent(student, "POST", f"{set_of(fork)}/hand-in", {})["sheets"]
    found = [found_among(instructor, sheet) for sheet in sheets]
    assert [[kind.partition("/")[0] for kind in own] for own in found] == [[], ["set.name"], ["set.uniform"]]


def test_sheets_that_come_singly_are_judged_once_more_when_others_come(
    instructor: Person, exercises: list[dict[str, Any]], student: Person
) -> None:
    fork, lever, pin = exercises
    first = hand_in(student, fork, answer_of(instructor, fork, drafter="OTTO BRANDT"))
    # Alone among those that are in it is like all of them.
    assert found_among(instructor, first) == []
    second = hand_in(student, lever, answer_of(instructor, lever))
    # The first sheet rules where none is commonest.
    assert len(found_among(instructor, second)) == 1
    third = hand_in(student, pin, answer_of(instructor, pin))
    until(lambda: len(found_among(instructor, first)) == 1 and found_among(instructor, second) == [])
    assert found_among(instructor, third) == []


def changed(instructor: Person, exercise: dict[str, Any], title: str) -> dict[str, Any]:
    now = instructor.get(f"/api/exercises/{exercise['id']}")
    return {key: now[key] for key in ("due_at", "opens_at", "closes_at", "task")} | {"title": title}


def test_a_sheet_that_is_to_be_titled_otherwise_is_judged_once_more(
    instructor: Person, exercises: list[dict[str, Any]], student: Person
) -> None:
    lever = exercises[1]
    sheet = hand_in(student, lever, answer_of(instructor, lever, title="TREADLE WHEEL"))
    assert len(found_among(instructor, sheet)) == 1
    path, asked = f"/api/exercises/{lever['id']}", changed(instructor, lever, "Treadle wheel")
    [moved] = sent(instructor, "POST", f"{path}/trial", asked)["sheets"]
    assert moved["findings_after"] == moved["findings_before"] - 1
    assert len(found_among(instructor, sheet)) == 1, "a trial changes nothing"
    sent(instructor, "PUT", path, asked)
    until(lambda: found_among(instructor, sheet) == [])


def test_another_attempt_that_is_begun_leaves_what_is_in_beside_the_others(instructor: Person, student: Person) -> None:
    sheets = proposed(instructor, "Pedal fork", "Pedal lever")
    for own in sheets:
        own["task"] |= {"attempts": 2}
    fork, lever = sent(instructor, "POST", "/api/sets", of_set(sheets, instructor))
    hand_in(student, fork, answer_of(instructor, fork, drafter="OTTO BRANDT"))
    sent(student, "POST", f"/api/exercises/{fork['id']}/sheet/attempt")
    second = hand_in(student, lever, answer_of(instructor, lever))
    assert [kind.partition("/")[0] for kind in found_among(instructor, second)] == ["set.uniform"]


def test_a_drafted_set_is_set_copied_and_archived_as_one(instructor: Person, student: Person) -> None:
    sheets = proposed(instructor, "Pedal fork", "Pedal pin")
    drafted = sent(instructor, "POST", "/api/sets", of_set(sheets, instructor, draft=True, title="Drafted"))
    path = set_of(drafted[0])

    def listed(who: Person, archived: str = "false") -> list[str]:
        all_of_them = who.get(f"/api/exercises?archived={archived}")
        return [own["title"] for own in all_of_them if (own["in_set"] or {}).get("id") == drafted[0]["in_set"]["id"]]

    assert listed(student) == []
    assert instructor.get(f"{path}/wall")["draft"]
    assert [own["draft"] for own in sent(instructor, "POST", f"{path}/given-out")] == [False, False]
    assert listed(student) == ["Pedal fork", "Pedal pin"]
    school = instructor.get("/api/classes")[0]["id"]
    copies = sent(instructor, "POST", f"{path}/copy", {"school_class": school, "title": "Next year", "due_at": DUE})
    assert [(own["title"], own["draft"], own["in_set"]["place"]) for own in copies] == [
        ("Pedal fork", True, 1),
        ("Pedal pin", True, 2),
    ]
    assert {own["in_set"]["title"] for own in copies} == {"Next year"}
    alone = sent(
        instructor,
        "POST",
        f"/api/exercises/{drafted[0]['id']}/copy",
        {"school_class": school, "title": "Alone", "due_at": DUE},
    )
    assert (alone["in_set"], alone["of_points"]) == (None, drafted[0]["of_points"] - 1)
    sent(instructor, "PUT", f"{path}/archived", {"archived": True})
    assert (listed(instructor), listed(instructor, "true")) == ([], ["Pedal fork", "Pedal pin"])
    sent(instructor, "PUT", f"{path}/archived", {"archived": False})
    assert listed(instructor) == ["Pedal fork", "Pedal pin"]


def test_the_number_of_the_sheet_follows_the_set(exercises: list[dict[str, Any]], student: Person) -> None:
    path = f"/api/exercises/{exercises[1]['id']}"
    document = student.get(f"{path}/sheet")["document"]
    ink = sent(student, "POST", f"{path}/ink", {"document": document})
    texts = [item.get("text") for group in ink["groups"] for item in group["items"]]
    assert "2 / 3" in texts


def test_model_answers_are_called_and_numbered_as_asked(instructor: Person) -> None:
    made = sent(instructor, "POST", "/api/sets", of_set(proposed(instructor, "Pedal"), instructor))
    fields = [instructor.get(f"/api/exercises/{own['id']}/answer")["document"]["title"]["fields"] for own in made[:3]]
    assert [(own["title"], own["sheet"]) for own in fields] == [
        ("PEDAL, SIX SIDES", "1 / 6"),
        ("PEDAL, PULLED APART", "2 / 6"),
        ("PEDAL FORK", "3 / 6"),
    ]


def test_a_title_block_is_written_into_the_other_sheets(
    instructor: Person, exercises: list[dict[str, Any]], student: Person
) -> None:
    fork, lever, pin = exercises
    keep(student, fork, answer_of(instructor, fork, drafter="DINA FAROUK", tolerances="ISO 2768-m"))
    keep(student, lever, answer_of(instructor, lever, drafter="D. FAROUK", tolerances=""))

    def fields(exercise: dict[str, Any]) -> dict[str, str]:
        found: dict[str, str] = student.get(f"/api/exercises/{exercise['id']}/sheet")["document"]["title"]["fields"]
        return found

    path, title = f"{set_of(fork)}/title-block", fields(lever)["title"]
    assert sent(student, "POST", path, {"exercise": fork["id"]})["number"] == 2
    # What stands there already stays, and so does what is each sheet's own.
    assert (fields(lever)["drafter"], fields(lever)["tolerances"]) == ("D. FAROUK", "ISO 2768-m")
    assert fields(lever)["title"] == title
    assert fields(pin) == {"drafter": "DINA FAROUK", "class": fields(fork)["class"], "date": fields(fork)["date"]} | {
        "tolerances": "ISO 2768-m"
    }
    assert sent(student, "POST", path, {"exercise": fork["id"]})["number"] == 0
    # A sheet that is handed in is left alone.
    hand_in(student, pin, answer_of(instructor, pin, tolerances=""))
    assert sent(student, "POST", path, {"exercise": fork["id"]})["number"] == 0
    assert student.status("POST", path, json={"exercise": 999_999}) == 404


def test_a_title_block_begins_no_sheet_that_is_laid_out(instructor: Person, student: Person) -> None:
    """What is laid out would count as drawn: it could be handed in, and no file would take its place."""
    made = sent(instructor, "POST", "/api/sets", of_set(proposed(instructor, "Pedal"), instructor))
    apart, fork = made[1], made[2]
    keep(student, fork, answer_of(instructor, fork))
    assert sent(student, "POST", f"{set_of(fork)}/title-block", {"exercise": fork["id"]})["number"] == 4
    assert student.get(f"/api/exercises/{apart['id']}/sheet")["revision"] == 0


def test_a_title_block_that_is_blank_is_written_nowhere(exercises: list[dict[str, Any]], student: Person) -> None:
    told = student.send("POST", f"{set_of(exercises[0])}/title-block", json={"exercise": exercises[0]["id"]})
    assert told.status_code == 422
    assert "Nothing stands in the title block" in told.json()["message"]


def test_only_stacks_that_are_decided_go_back(
    instructor: Person, exercises: list[dict[str, Any]], student: Person
) -> None:
    for own in exercises:
        keep(student, own, answer_of(instructor, own))
    keep(student, exercises[1], answer_of(instructor, exercises[1], title="TREADLE WHEEL"))
    sheets = sent(student, "POST", f"{set_of(exercises[0])}/hand-in", {})["sheets"]
    back = f"{set_of(exercises[0])}/return"
    assert sent(instructor, "POST", back)["number"] == 0
    for sheet in sheets:
        for finding in instructor.get(f"/api/sheets/{sheet}")["findings"]:
            path = f"/api/sheets/{sheet}/findings/{finding['number']}"
            sent(instructor, "PUT", path, {"decision": "upheld", "remark": ""})
    assert sent(instructor, "POST", back)["number"] == 3
    assert {own["state"] for own in student.get(f"{set_of(exercises[0])}/last-look")} == {"returned"}


def test_who_does_the_same_set_sees_own_sheets_alone(
    instructor: Person, exercises: list[dict[str, Any]], student: Person, log_in: LogIn
) -> None:
    keep(student, exercises[0], answer_of(instructor, exercises[0]))
    fellow, path = log_in("kemi.oduya"), set_of(exercises[0])
    assert {(own["sheet"], own["blank"]) for own in fellow.get(f"{path}/last-look")} == {(None, True)}
    assert fellow.status("GET", f"{path}/sheets.pdf") == 404
    assert fellow.status("POST", f"{path}/hand-in", json={"incomplete": True}) == 422
    assert fellow.status("GET", f"{path}/wall") == 404
    assert instructor.status("POST", f"{path}/hand-in", json={}) == 404
    assert student.status("GET", "/api/sets/999999/last-look") == 404


def test_a_set_that_has_closed_takes_nothing(instructor: Person, student: Person) -> None:
    sheets = proposed(instructor, "Pedal fork", "Pedal pin")
    form = of_set(sheets, instructor, opens_at=ago(hours=3), closes_at=ago(hours=-1))
    exercises = sent(instructor, "POST", "/api/sets", form)
    keep(student, exercises[0], answer_of(instructor, exercises[0]))
    for own in exercises:
        change = {key: form[key] for key in ("due_at", "opens_at")} | {"closes_at": ago(hours=1)}
        asked = {"title": own["title"], "task": own["task"]}
        sent(instructor, "PUT", f"/api/exercises/{own['id']}", change | asked)
    assert student.status("POST", f"{set_of(exercises[0])}/hand-in", json={"incomplete": True}) == 403


def pages_of(instructor: Person, exercises: list[dict[str, Any]], order: tuple[int, ...]) -> bytes:
    """A file of model answers in some order."""
    pages = []
    for number in order:
        own = exercises[number]
        data = instructor.send("GET", f"/api/exercises/{own['id']}/answer/drawing.pdf").content
        pages.append(pypdfium2.PdfDocument(BytesIO(data)))
    bound = pypdfium2.PdfDocument.new()
    for page in pages:
        bound.import_pages(page)
    target = BytesIO()
    bound.save(target)
    return target.getvalue()


def brought(student: Person, path: str, data: bytes, name: str = "my-set.pdf") -> Any:
    return student.send("POST", f"{path}/files", files={"file": (name, data, "application/pdf")})


def test_pages_of_one_file_become_the_drafts_they_are(
    instructor: Person, exercises: list[dict[str, Any]], student: Person
) -> None:
    path = set_of(exercises[0])
    keep(student, exercises[1], answer_of(instructor, exercises[1], title="MY OWN"))
    told = brought(student, path, pages_of(instructor, exercises, (2, 0, 2, 1)))
    assert told.status_code == 200, told.text
    pages = told.json()
    assert [own["title"] for own in pages] == ["Pedal pin", "Pedal fork", "Pedal pin", "Pedal lever"]
    assert [own["why"] is None for own in pages] == [True, True, False, False]
    assert "earlier page" in pages[2]["why"]
    # What somebody has drawn is never replaced.
    assert "left as it is" in pages[3]["why"]
    lever = student.get(f"/api/exercises/{exercises[1]['id']}/sheet")["document"]
    assert lever["title"]["fields"]["title"] == "MY OWN"
    original = student.get(f"/api/exercises/{exercises[2]['id']}/sheet/original")
    assert (original["name"], original["page"], original["pages"]) == ("my-set.pdf", 1, 4)
    sheets = sent(student, "POST", f"{path}/hand-in", {})["sheets"]
    fork = instructor.get(f"/api/sheets/{sheets[0]}")
    assert [own["message"] for own in fork["findings"] if own["severity"] == "error"] == []


def test_a_file_of_something_else_is_said_to_be_so(
    instructor: Person, exercises: list[dict[str, Any]], student: Person
) -> None:
    path = set_of(exercises[0])
    assert brought(student, path, b"%PDF-1.4 nothing").status_code == 422
    other = proposed(instructor, "Ratchet pawl", "Tension wheel")
    strange = sent(instructor, "POST", "/api/sets", of_set(other, instructor, title="Another"))
    [page] = brought(student, path, pages_of(instructor, strange, (0,))).json()
    assert page["why"] == "It is none of the sheets that are asked for."
    assert {own["blank"] for own in student.get(f"{path}/last-look")} == {True}
