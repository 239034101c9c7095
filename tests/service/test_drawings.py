"""Drawings of sheets as files: what a browser has already is not drawn again, and nothing old is taken for new."""

import pytest

from tests.service.test_marks import sent, set_one
from tests.service.test_round import NO_HIDDEN, deliver
from tests.world import LogIn, Person


def drawing(person: Person, sheet: int, known: str = "", kind: str = "svg") -> tuple[int, str, bytes]:
    """Status, tag and content of a drawing, asked for by a browser that has one with a tag already."""
    answer = person.send("GET", f"/api/sheets/{sheet}/drawing.{kind}", headers={"if-none-match": known})
    return answer.status_code, answer.headers["etag"], answer.content


@pytest.fixture
def sheet(log_in: LogIn, instructor: Person) -> int:
    return deliver(log_in("dina.farouk"), set_one(instructor, "Drawn once"), NO_HIDDEN)


def test_what_a_browser_has_is_not_drawn_again(instructor: Person, sheet: int, monkeypatch: pytest.MonkeyPatch) -> None:
    status, tag, content = drawing(instructor, sheet)
    assert status == 200
    assert content.startswith(b"<")
    assert drawing(instructor, sheet)[1:] == (tag, content)
    assert drawing(instructor, sheet, "something else") == (200, tag, content)
    monkeypatch.setattr("maqueta.service.marking.routes.drawn", None)
    assert drawing(instructor, sheet, tag) == (304, tag, b"")


def test_a_drawing_has_another_tag_as_soon_as_it_is_another(log_in: LogIn, instructor: Person, sheet: int) -> None:
    student = log_in("dina.farouk")
    tags = {drawing(instructor, sheet, kind=kind)[1] for kind in ("svg", "pdf", "dxf")}
    assert len(tags) == 3
    before = drawing(instructor, sheet)
    sent(instructor, "POST", f"/api/sheets/{sheet}/return")
    # Whoever has checked it stands in its title block now.
    status, tag, content = drawing(instructor, sheet, before[1])
    assert status == 200
    assert content != before[2]
    assert drawing(student, sheet, tag)[0] == 304, "both see the same, now that nothing is kept from its student"


def test_a_tag_opens_no_sheet_of_anothers(log_in: LogIn, instructor: Person, sheet: int) -> None:
    _, tag, _ = drawing(instructor, sheet)
    other = log_in("sara.lindqvist").send("GET", f"/api/sheets/{sheet}/drawing.svg", headers={"if-none-match": tag})
    assert other.status_code == 404
