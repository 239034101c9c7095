"""Files of a class on the wall of a set: every page becomes the sheet it is, of the student it is of."""

import threading
from collections.abc import Sequence
from concurrent.futures import ThreadPoolExecutor
from io import BytesIO
from typing import Any

import pypdfium2
import pytest

from maqueta.service.deliveries.work import judged
from maqueta.service.workers import KernelWorkers
from tests.service.test_exercise_changes import until
from tests.service.test_marks import sent
from tests.service.test_sets import DUE, answer_of, found_among, hand_in, keep, of_set, pages_of, proposed, set_of
from tests.world import LogIn, Person

#: Who drew two sheets, as it stands on them.
NAMES = ("DINA FAROUK", "OTTO BRANDT")


@pytest.fixture
def exercises(instructor: Person) -> list[dict[str, Any]]:
    """A set of two parts of the pedal, drawn on paper or elsewhere."""
    sheets = proposed(instructor, "Pedal fork", "Pedal pin")
    return list(sent(instructor, "POST", "/api/sets", of_set(sheets, instructor)))


def drawn_by(instructor: Person, exercises: Sequence[dict[str, Any]], person: Person, name: str) -> bytes:
    """The file of someone who has drawn such a set before."""
    school = instructor.get("/api/classes")[0]["id"]
    asked = {"school_class": school, "title": f"As drawn by {name}", "due_at": DUE}
    before = sent(instructor, "POST", f"{set_of(exercises[0])}/copy", asked)
    sent(instructor, "POST", f"{set_of(before[0])}/given-out")
    for own in before:
        keep(person, own, answer_of(instructor, own, drafter=name))
    return bytes(person.send("GET", f"{set_of(before[0])}/sheets.pdf").content)


def bound(*files: bytes) -> bytes:
    """Files as one, in their order."""
    whole = pypdfium2.PdfDocument.new()
    for data in files:
        whole.import_pages(pypdfium2.PdfDocument(BytesIO(data)))
    target = BytesIO()
    whole.save(target)
    return target.getvalue()


def brought(instructor: Person, path: str, data: bytes, name: str, page: int = 1, **said: int) -> Any:
    form = {"page": str(page)} | {key: str(value) for key, value in said.items()}
    return instructor.send("POST", f"{path}/deliveries", files={"file": (name, data, "application/pdf")}, data=form)


def stacks_of(instructor: Person, path: str) -> dict[str, list[int | None]]:
    stacks = instructor.get(f"{path}/wall")["stacks"]
    return {own["name"]: [sheet["sheet"] for sheet in own["sheets"]] for own in stacks}


def test_pages_of_two_students_in_one_file_are_told_apart(
    instructor: Person, exercises: list[dict[str, Any]], log_in: LogIn
) -> None:
    path = set_of(exercises[0])
    dina = drawn_by(instructor, exercises, log_in("dina.farouk"), "DINA FAROUK")
    kemi = drawn_by(instructor, exercises, log_in("kemi.oduya"), "K. ODUYA")
    data = bound(kemi, dina)
    told = [brought(instructor, path, data, "loom class.pdf", page).json() for page in (1, 2, 3, 4)]
    assert [(own["student"]["name"], own["title"]) for own in told] == [
        ("Kemi Oduya", "Pedal fork"),
        ("Kemi Oduya", "Pedal pin"),
        ("Dina Farouk", "Pedal fork"),
        ("Dina Farouk", "Pedal pin"),
    ]
    assert {own["pages"] for own in told} == {4}
    stacks = stacks_of(instructor, path)
    assert stacks["Kemi Oduya"] == [told[0]["sheet"], told[1]["sheet"]]
    assert stacks["Dina Farouk"] == [told[2]["sheet"], told[3]["sheet"]]
    assert found_among(instructor, told[3]["sheet"]) == []
    original = instructor.get(f"/api/sheets/{told[3]['sheet']}")["original"]
    assert (original["name"], original["page"], original["pages"]) == ("loom class.pdf", 4, 4)
    # Brought in twice, nothing is replaced.
    again = brought(instructor, path, data, "loom class.pdf", 4).json()
    assert again["sheet"] == told[3]["sheet"]
    assert again["why"] is not None
    assert stacks_of(instructor, path) == stacks


def test_whose_sheet_it_is_is_asked_where_file_and_title_tell_two(
    instructor: Person, exercises: list[dict[str, Any]], log_in: LogIn
) -> None:
    path = set_of(exercises[0])
    data = drawn_by(instructor, exercises, log_in("dina.farouk"), "DINA FAROUK")
    asked = brought(instructor, path, data, "oduya kemi.pdf").json()
    assert (asked["sheet"], asked["title"]) == (None, "Pedal fork")
    assert "Kemi Oduya" in asked["why"]
    assert "Dina Farouk" in asked["why"]
    whose = next(own["id"] for own in asked["candidates"] if own["name"] == "Dina Farouk")
    said = {"student": whose, "exercise": asked["exercise"]}
    assert brought(instructor, path, data, "oduya kemi.pdf", **said).json()["student"]["name"] == "Dina Farouk"
    # Without a name anywhere it is asked, too; by the name of the file alone it is known.
    nobody = pages_of(instructor, exercises, (1,))
    assert brought(instructor, path, nobody, "scan 7.pdf").json()["candidates"] != []
    assert brought(instructor, path, nobody, "Kemi_Oduya.pdf").json()["student"]["name"] == "Kemi Oduya"
    assert brought(instructor, path, nobody, "scan 7.pdf", student=999_999).status_code == 404


def test_which_sheet_it_is_can_be_said_where_it_is_none_that_is_known(
    instructor: Person, exercises: list[dict[str, Any]], student: Person
) -> None:
    path = set_of(exercises[0])
    other = sent(
        instructor, "POST", "/api/sets", of_set(proposed(instructor, "Ratchet pawl", "Pedal bush"), instructor)
    )
    data = pages_of(instructor, other, (0,))
    told = brought(instructor, path, data, "Kemi_Oduya.pdf").json()
    assert (told["sheet"], told["unplaced"]) == (None, True)
    assert brought(instructor, path, data, "Kemi_Oduya.pdf", exercise=999_999).status_code == 404
    as_pin = brought(instructor, path, data, "Kemi_Oduya.pdf", exercise=exercises[1]["id"]).json()
    # It is no sheet of the pin: that is found, and the instructor has said it is to be judged as one.
    assert as_pin["title"] == "Pedal pin"
    assert as_pin["findings"] > 0
    broken = brought(instructor, path, b"%PDF-1.4 nothing", "Kemi_Oduya.pdf")
    assert broken.status_code == 422
    assert "Kemi_Oduya.pdf" in broken.json()["message"]
    assert student.send("POST", f"{path}/deliveries", files={"file": ("a.pdf", data)}).status_code == 404


@pytest.fixture
def student(log_in: LogIn) -> Person:
    return log_in("dina.farouk")


def test_what_is_handed_in_here_is_judged_among_what_was_brought_in(
    instructor: Person, exercises: list[dict[str, Any]], student: Person
) -> None:
    fork, pin = exercises
    brought(instructor, set_of(fork), drawn_by(instructor, exercises, student, NAMES[0]), "week 9.pdf")
    sheet = hand_in(student, pin, answer_of(instructor, pin, drafter=NAMES[1]))
    assert [kind.partition("/")[0] for kind in found_among(instructor, sheet)] == ["set.uniform"]


def test_two_sheets_handed_in_at_the_same_moment_are_judged_among_each_other(
    instructor: Person, exercises: list[dict[str, Any]], log_in: LogIn, monkeypatch: pytest.MonkeyPatch
) -> None:
    both_judged = threading.Barrier(2, timeout=60)
    at_desk = KernelWorkers.at_desk

    def meeting(self: KernelWorkers, work: Any, *arguments: Any, **more: Any) -> Any:
        result = at_desk(self, work, *arguments, **more)
        if work is judged:
            both_judged.wait()
        return result

    answers = [answer_of(instructor, own, drafter=name) for own, name in zip(exercises, NAMES, strict=True)]
    tabs = [log_in("dina.farouk"), log_in("dina.farouk")]
    with monkeypatch.context() as patched, ThreadPoolExecutor(2) as tab:
        patched.setattr(KernelWorkers, "at_desk", meeting)
        sheets = list(tab.map(hand_in, tabs, exercises, answers))
    # Each was judged without the other; whichever came later is judged once more.
    until(lambda: [len(found_among(instructor, sheet)) for sheet in sheets] == [0, 1])
