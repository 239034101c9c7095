"""What a ruler tells of a sheet: distances against a geometry library's, and what was put there on purpose."""

import pytest
import shapely

from maqueta.judging.last_look import Measured, as_said, measured
from maqueta.judging.survey import Survey
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.phrases.said import said
from maqueta.sheet.document import Note, SheetDocument
from maqueta.sheet.placed import placed_views
from maqueta.task.exercise import Exercise
from tests.parts import block, projected

PART = projected(block((60, 40, 30)), block((30, 40, 15), (30, 0, 15), operation="cut"), natural_up="+z")
TASK = Exercise(pictorial="unwanted", paper="A3")
SHEET = model_sheet(PART, TASK, Drafter("A. Tester", "Evening 2", "2026-11-20"))


def of(sheet: SheetDocument) -> Measured:
    return measured(Survey(PART, TASK, sheet))


@pytest.mark.parametrize("apart", [-3.0, 0.0, 7.5])
def test_views_are_as_far_apart_as_their_lines(apart: float) -> None:
    front, top, right = SHEET.views
    moved = right.model_copy(update={"at": (right.at[0] + apart, right.at[1])})
    sheet = SHEET.model_copy(update={"views": (front, top, moved)})
    lines = {
        item.view.id: shapely.MultiLineString(
            [[item.to_sheet(p) for p in piece.outline()] for piece in item.lines.pieces]
        )
        for item in placed_views(PART, sheet)
    }
    own = of(sheet)
    assert own.across == pytest.approx([shapely.distance(lines[front.id], lines[right.id])])
    assert own.up == pytest.approx([shapely.distance(lines[front.id], lines[top.id])])


def test_a_pictorial_view_stands_in_no_row() -> None:
    pictured = model_sheet(PART, Exercise(paper="A3"), Drafter("A. Tester", "Evening 2", "2026-11-20"))
    assert any(view.kind == "pictorial" for view in pictured.views)
    flat = pictured.model_copy(update={"views": tuple(v for v in pictured.views if v.kind != "pictorial")})
    assert (of(pictured).across, of(pictured).up) == (of(flat).across, of(flat).up)


def test_what_comes_near_to_the_border_is_told_and_what_goes_beyond_it() -> None:
    left = Survey(PART, TASK, SHEET).layout.border[0]
    for inside in (4.0, -2.0):
        note = Note(id="n9", text="BREAK ALL EDGES", at=(left + inside, 200.0))
        own = of(SHEET.model_copy(update={"notes": (note,)}))
        assert own.to_border == pytest.approx(inside)


def test_every_height_of_letters_is_told_once() -> None:
    usual = of(SHEET).lettering
    assert len(usual) == 1
    notes = tuple(
        Note(id=f"n{k}", text="NOTE", at=(60.0, 60.0 + 20 * k), height=high) for k, high in enumerate((7, 7, 2))
    )
    assert of(SHEET.model_copy(update={"notes": notes})).lettering == tuple(sorted({2.0, *usual, 7.0}))


def test_it_is_said_in_words() -> None:
    told = [said(own) for own in as_said(Measured(12.4, (30.0, 41.6), (), (3.5, 7.0)))]
    assert told == [
        "nearest to the border: 12 mm",
        "between views, from the left: 30 and 42 mm",
        "letters 3.5 and 7.0 mm high",
    ]
    assert as_said(Measured(None, (), (), ())) == []
