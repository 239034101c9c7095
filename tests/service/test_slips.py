"""Marked sheets with their slips as PDF, re-read by a general library."""

from typing import Any

import pypdfium2
import pytest

from tests.service.test_exercise_changes import until
from tests.service.test_marks import sent, set_one
from tests.service.test_round import FAULTLESS, NO_HIDDEN, deliver
from tests.service.test_sets import answer_of, hand_in, of_set, proposed, set_of
from tests.world import LogIn, Person

A3, A4 = (1190.55, 841.89), (595.28, 841.89)


def pages(data: bytes) -> list[tuple[tuple[float, float], str]]:
    document: Any = pypdfium2.PdfDocument(data)
    return [(page.get_size(), page.get_textpage().get_text_bounded()) for page in document]


@pytest.fixture
def exercise(instructor: Person) -> int:
    return set_one(instructor, "Slips")


def test_a_marked_sheet_has_its_drawing_true_to_scale_and_its_slip(
    log_in: LogIn, instructor: Person, exercise: int
) -> None:
    student = log_in("dina.farouk")
    path = f"/api/sheets/{deliver(student, exercise, NO_HIDDEN)}"
    sent(instructor, "PUT", f"{path}/findings/0", {"decision": "upheld", "remark": "Dash <them> & look."})
    added = {"key": "slip-key-1", "criterion": "title", "words": "¿Cuándo?", "cost": 1, "at": [300, 20]}
    sent(instructor, "POST", f"{path}/added", added)
    sent(instructor, "POST", f"{path}/pins", {"key": "slip-pin-1", "points": [[60, 60]], "words": "Well set."})
    sent(instructor, "PUT", f"{path}/remark", {"remark": "Two lines\nof remark."})
    assert student.status("GET", f"{path}/slip.pdf") == 403, "not before it is returned"
    sent(instructor, "POST", f"{path}/return")
    answer = student.send("GET", f"{path}/slip.pdf")
    assert answer.headers["content-type"] == "application/pdf"
    (drawing, _), (slip, words) = pages(answer.content)
    assert drawing == pytest.approx(A3, abs=0.1)
    assert slip == pytest.approx(A4, abs=0.1)
    for told in (
        "Dina Farouk",
        "27/30",
        "4 hidden lines, 72 mm in all, are missing in the top view.",
        "Dash <them> & look.",
        "¿Cuándo?",
        "Well set.",
        "of remark.",
    ):
        assert told in words.replace("\r\n", " ").replace("  ", " "), told
    assert log_in("kemi.oduya").status("GET", f"{path}/slip.pdf") == 404


def test_all_of_an_exercise_come_in_one_file_by_name(log_in: LogIn, instructor: Person, exercise: int) -> None:
    nothing = sent_job(instructor, exercise)
    assert instructor.status("GET", f"/api/jobs/{nothing}/file") == 404, "nothing was handed in"
    deliver(log_in("kemi.oduya"), exercise, FAULTLESS)
    deliver(log_in("dina.farouk"), exercise, NO_HIDDEN)
    job = sent_job(instructor, exercise)
    data = instructor.send("GET", f"/api/jobs/{job}/file").content
    names = [words for size, words in pages(data) if size == pytest.approx(A4, abs=0.1)]
    assert [("Dina Farouk" in words, "Kemi Oduya" in words) for words in names] == [(True, False), (False, True)]
    assert len(pages(data)) == 4
    assert log_in("dina.farouk").status("GET", f"/api/jobs/{job}/file") == 404


def test_those_of_a_set_come_student_by_student_in_its_order(log_in: LogIn, instructor: Person) -> None:
    first, second = (sheet for sheet in of_set(proposed(instructor, "Pedal fork", "Pedal pin"), instructor)["sheets"])
    made = sent(instructor, "POST", "/api/sets", of_set([first, second], instructor, title="Both"))
    assert instructor.status("GET", f"/api/jobs/{sent_job(instructor, 0, set_of(made[0]))}/file") == 404
    for login, own in (("kemi.oduya", made[1]), ("kemi.oduya", made[0]), ("dina.farouk", made[1])):
        hand_in(log_in(login), own, answer_of(instructor, own))
    job = sent_job(instructor, 0, set_of(made[0]))
    data = instructor.send("GET", f"/api/jobs/{job}/file").content
    slips = [words for size, words in pages(data) if size == pytest.approx(A4, abs=0.1)]
    told = [
        (next(name for name in ("Dina", "Kemi") if name in words), next(own for own in ("fork", "pin") if own in words))
        for words in slips
    ]
    assert told == [("Dina", "pin"), ("Kemi", "fork"), ("Kemi", "pin")]
    assert log_in("dina.farouk").status("POST", f"{set_of(made[0])}/slips") == 404


def sent_job(instructor: Person, exercise: int, of_set: str = "") -> int:
    answer = instructor.send("POST", f"{of_set or f'/api/exercises/{exercise}'}/slips")
    assert answer.status_code == 202
    job = int(answer.json()["id"])
    until(lambda: instructor.get(f"/api/jobs/{job}")["state"] == "done")
    return job


def test_a_long_slip_goes_on_over_pages(instructor: Person, log_in: LogIn, exercise: int) -> None:
    path = f"/api/sheets/{deliver(log_in('dina.farouk'), exercise, NO_HIDDEN)}"
    for number in range(60):
        form = {"key": f"long-key-{number}", "criterion": "lines", "words": f"Mistake number {number}.", "cost": 0}
        sent(instructor, "POST", f"{path}/added", form)
    slip = pages(instructor.send("GET", f"{path}/slip.pdf").content)[1:]
    assert len(slip) > 1
    told = " ".join(words for _, words in slip)
    assert all(f"Mistake number {number}." in told for number in range(60))
