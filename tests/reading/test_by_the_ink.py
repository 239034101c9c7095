"""Views read from a picture held against its ink: what is in doubt is told of and is no mistake; what is not stays."""

import numpy as np
import pytest

from maqueta.geometry.compare import length_of
from maqueta.judging.survey import Survey
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.reading.by_the_ink import by_the_ink
from maqueta.reading.ink_map import InkMap
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.drafted import Pen, drafted_of
from maqueta.sheet.drafted_line import DraftedLine
from maqueta.sheet.placed import placed_views
from maqueta.sheet.view import View
from maqueta.task.exercise import Exercise
from tests.parts import demo_projected

PART = demo_projected("tension-wheel")
TASK = Exercise.model_validate({"views": ["front", "right"], "paper": "A3", "scale": "1:1", "pictorial": "unwanted"})
BLACK, WHITE = InkMap(np.ones((2970, 4200), dtype=bool), 0.1), InkMap(np.zeros((2970, 4200), dtype=bool), 0.1)


def by_hand(without: float = 0.0, more: tuple[DraftedLine, ...] = ()) -> SheetDocument:
    """The model answer drafted line by line, the first view without the end of its longest line, mm, and with more."""
    sheet = model_sheet(PART, TASK, Drafter("Ada Muster", "Evening 2", "2026-11-20"))
    views: list[View] = []
    for item in placed_views(PART, sheet):
        pieces = sorted((p for p in item.drawn if p.kind != "smooth"), key=lambda piece: -piece.length)
        if not views and without:
            low, high = pieces[0].interval
            radius = pieces[0].length / (high - low)
            pieces[0] = type(pieces[0])(
                pieces[0].kind, pieces[0].carrier, (low, high - without / item.factor / radius), (), ()
            )
        lines = tuple(drafted_of(p, Pen("hidden" if p.kind == "hidden" else "visible")) for p in pieces)
        views.append(item.view.model_copy(update={"lines": (*lines, *(more if not views else ()))}))
    return sheet.model_copy(update={"views": tuple(views)})


def missing(sheet: SheetDocument) -> float:
    """How much is missing of all views, mm on paper at 1:1."""
    return sum(length_of(own.missing) for own in Survey(PART, TASK, sheet).compared.values())


def extra(sheet: SheetDocument) -> float:
    return sum(length_of(own.extra) for own in Survey(PART, TASK, sheet).compared.values())


def test_what_was_not_read_is_there_where_the_picture_shows_it() -> None:
    sheet = by_hand(without=10.0)
    assert missing(sheet) == pytest.approx(10.0, abs=0.5)
    held = by_the_ink(sheet, PART, BLACK, 0.3)
    assert missing(held.document) == 0
    assert held.doubts == 1
    bare = by_the_ink(sheet, PART, WHITE, 0.3)
    assert missing(bare.document) == pytest.approx(10.0, abs=0.5)
    assert bare.doubts == 0


def stroke(*points: tuple[float, float], pen: str = "visible") -> DraftedLine:
    return DraftedLine.model_validate({"kind": "line", "pen": pen, "points": points})


@pytest.mark.parametrize(
    ("line", "stays"),
    [
        (stroke((5.0, 3.0), (6.2, 4.1)), False),  # a speck of letters
        (stroke((5.0, 3.0), (5.0, 13.0)), True),  # long and beside everything: an extra line
        (stroke((-60.0, 0.0), (60.0, 0.0), pen="hidden"), False),  # an axis of which the dots were lost
    ],
)
def test_short_ones_beside_everything_and_axes_are_no_extra_lines(line: DraftedLine, stays: bool) -> None:
    sheet = by_hand(more=(line,))
    assert extra(sheet) > 0
    held = by_the_ink(sheet, PART, BLACK, 0.3)
    assert (extra(held.document) > 0) == stays
    assert bool(held.axes) == (line.pen == "hidden")


def test_a_figure_on_a_view_is_no_extra_line_and_a_small_shape_is() -> None:
    """Three short strokes in the room of a figure, or of two that follow each other; the same strokes far apart."""
    seven = (stroke((5.0, 3.0), (8.0, 3.0)), stroke((8.0, 3.0), (6.0, -2.0)), stroke((5.6, 0.5), (7.6, 0.5)))
    apart = (stroke((5.0, 3.0), (8.0, 3.0)), stroke((-18.0, 3.0), (-20.0, -2.0)), stroke((5.6, -20.5), (8.6, -20.5)))
    two = (stroke((5.0, 3.0), (7.0, 3.0)), stroke((8.0, 4.0), (6.5, 0.0)), stroke((9.2, 3.0), (10.5, -1.0)))
    for more, stays in ((seven, False), (two, False), (apart, True)):
        held = by_the_ink(by_hand(more=more), PART, WHITE, 0.3)
        assert (extra(held.document) > 0) == stays


def test_a_right_sheet_stays_as_it_is() -> None:
    sheet = by_hand()
    held = by_the_ink(sheet, PART, BLACK, 0.3)
    assert held.doubts == 0
    assert held.document == sheet


@pytest.mark.parametrize(("length", "wrong"), [(2.0, False), (12.0, True)])
def test_of_a_dash_nobody_tells_the_kind(length: float, wrong: bool) -> None:
    """A stretch of a visible line drawn as a hidden one: a whole one is a mistake, one dash of it is in doubt."""
    sheet = by_hand()
    front, first = sheet.views
    line = max((own for own in first.lines or () if isinstance(own, DraftedLine)), key=lambda own: span(own))
    (x0, y0), (x1, y1) = line.points[0], line.points[-1]
    share = length / span(line)
    middle = (x0 + (x1 - x0) * share, y0 + (y1 - y0) * share)
    parts = (stroke((x0, y0), middle, pen="hidden"), stroke(middle, (x1, y1)))
    lines = (*(own for own in first.lines or () if own is not line), *parts)
    drawn = sheet.model_copy(update={"views": (front, first.model_copy(update={"lines": lines}))})
    assert any(own.wrong for own in Survey(PART, TASK, drawn).compared.values())
    held = by_the_ink(drawn, PART, BLACK, 0.3)
    assert any(own.wrong for own in Survey(PART, TASK, held.document).compared.values()) == wrong


def span(line: DraftedLine) -> float:
    (x0, y0), (x1, y1) = line.points[0], line.points[-1]
    return float(np.hypot(x1 - x0, y1 - y0))
