"""Sheets drawn by hand: told from printed ones, judged as exactly as a hand draws, refused where no ruler was used."""

import math
from dataclasses import replace
from functools import cache

import pytest
from hypothesis import given
from hypothesis import strategies as st

from maqueta.demo import mistakes
from maqueta.demo.workshop import EXERCISES
from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.geometry.carrier import Line, Point, line_through
from maqueta.geometry.line_set import Piece
from maqueta.judging.report import check
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.phrases.said import said
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.by_hand import is_by_hand, squared
from maqueta.reading.content import Content, Stroke, Style
from maqueta.reading.delivered import read_delivered
from maqueta.reading.errors import UnreadableSheetError
from maqueta.reading.sheet import ReadSheet
from maqueta.sheet.document import SheetDocument
from maqueta.task.by_hand import ByHand
from maqueta.task.exercise import Exercise
from tests.parts import demo_projected
from tests.reading.pencil import FREEHAND, RULED, Pencil, drawn_by_hand

TASK = Exercise.model_validate({"views": ["front", "top", "right"], "paper": "A3", "scale": "1:1"})
PLAIN = Style("", (), "", False, None, 0)
DASHED = replace(PLAIN, pattern=(3.0, -1.0))


@cache
def answer(slug: str) -> tuple[ProjectedPart, SheetDocument]:
    part = demo_projected(slug)
    return part, model_sheet(part, TASK, Drafter("Ada Muster", "Evening 2", "2026-11-20"))


def drawn(part: ProjectedPart, sheet: SheetDocument, hand: Pencil, task: Exercise = TASK) -> ReadSheet:
    return read_delivered(drawn_by_hand(sheet_ink(part, sheet), sheet.paper.layout, hand), part, task)


def errors(part: ProjectedPart, sheet: SheetDocument, task: Exercise = TASK) -> set[str]:
    return {own.rule for own in check(part, task, sheet).findings if own.severity == "error"}


def test_right_sheet_drawn_with_a_ruler_is_right() -> None:
    part, sheet = answer("cloth-beam-wedge")
    read = drawn(part, sheet, RULED)
    assert read.document.by_hand
    assert errors(part, read.document) == errors(part, sheet) == set()
    told = "drawn by hand: what is off by no more than 1 mm, or askew by no more than 2°, counts as in its place"
    assert told in [said(own) for own in read.not_read]
    # As exactly as from a printer nobody draws.
    assert errors(part, read.document.model_copy(update={"by_hand": False})) != set()


def test_size_misread_at_the_points_of_another_is_no_second_claim() -> None:
    """The 8 of the bearing is read as something else, at the line of the 22 beside it."""
    demo = next(own for own in EXERCISES if own.part == "warp-beam-bearing" and not own.varied)
    part = demo_projected(demo.part)
    sheet = model_sheet(part, demo.task, Drafter("Maya Okonedo", "Evening 2", "2026-11-20"))
    read = drawn(part, sheet, RULED, demo.task)
    assert errors(part, read.document, demo.task) == errors(part, sheet, demo.task) == set()
    assert read.document.unread_sizes > 0


def test_mistakes_on_a_sheet_drawn_by_hand_are_found() -> None:
    part, sheet = answer("cloth-beam-wedge")
    spoilt = mistakes.no_right_view(part, mistakes.missing_sizes(part, sheet))
    asked = errors(part, spoilt)
    assert asked
    assert errors(part, drawn(part, spoilt, RULED).document) == asked


def test_wrong_value_lettered_by_hand_is_asked_and_not_found() -> None:
    """It may as well be misread. From a printer it is a mistake."""
    part, sheet = answer("cloth-beam-wedge")
    spoilt = mistakes.wrong_value(part, sheet)
    assert "dimensions.value" in errors(part, spoilt)
    read = drawn(part, spoilt, RULED)
    assert "dimensions.value" not in errors(part, read.document)
    [wrong] = {own.text for own in spoilt.dimensions} - {own.text for own in sheet.dimensions}
    assert any(f"“{wrong}”" in said(own) for own in read.not_read)


def test_sheet_drawn_without_a_ruler_is_refused() -> None:
    part, sheet = answer("cloth-beam-wedge")
    with pytest.raises(UnreadableSheetError, match="without a ruler"):
        drawn(part, sheet, FREEHAND)


def lines(leans: list[float]) -> list[tuple[Point, Point]]:
    return [((0.0, 5.0 * k), (40.0, 5.0 * k + lean)) for k, lean in enumerate(leans)]


def test_hand_is_told_by_how_many_lines_lean() -> None:
    assert not is_by_hand(lines([0.0] * 30 + [0.5]), 0.12, 0.002), "one line of many is a line of the part"
    assert is_by_hand(lines([0.0] * 20 + [0.4, -0.5, 0.6]), 0.12, 0.002)
    assert not is_by_hand(lines([0.4] * 5), 0.12, 0.002), "too few to tell"
    assert not is_by_hand([((0.0, 0.0), (40.0, 20.0 + k)) for k in range(30)], 0.12, 0.002), "slopes tell nothing"


def test_lines_in_pieces_that_waver_are_no_rulers() -> None:
    def in_pieces(turn: float) -> list[tuple[Point, Point]]:
        ways = [(5.0 * k, x) for k in range(9) for x in (0.0, 10.0, 20.0)]
        return [((x, y + turn * (x % 20)), (x + 10, y + turn * ((x + 10) % 20))) for y, x in ways]

    assert is_by_hand([*in_pieces(0.0), *lines([0.4] * 9)], 0.12, 0.002)
    with pytest.raises(UnreadableSheetError):
        is_by_hand(in_pieces(0.04), 0.12, 0.002)


def content(first: Point, last: Point, style: Style = PLAIN) -> Content:
    carrier, interval = line_through(first, last)
    return Content((Stroke(Piece("visible", carrier, interval, (), ()), style),), (), (), (), (), ())


@given(
    st.floats(5, 300),
    st.floats(-6, 6),
    st.floats(0.2, 3),
    st.floats(0, 5),
    st.sampled_from([0.0, math.pi / 2, math.pi]),
)
def test_lines_are_drawn_true_within_what_a_hand_is_allowed(
    long: float, degrees: float, tolerance: float, most: float, turn: float
) -> None:
    """Level or upright where both the turn and how far its ends are off are allowed, and as it was anywhere else."""
    lean = math.radians(degrees)
    last = (100 + long * math.cos(turn + lean), 100 + long * math.sin(turn + lean))
    before = content((100.0, 100.0), last)
    [after] = squared(before, ByHand(tolerance_mm=tolerance, degrees=most)).strokes
    assert isinstance(after.piece.carrier, Line)
    off = [min(math.dist(p, q) for q in before.strokes[0].piece.ends) for p in after.piece.ends]
    assert max(off) <= tolerance + long * (1 - math.cos(lean)) + 1e-6
    true = min(abs(math.remainder(after.piece.carrier.angle, math.pi / 2)), 1.0) < 1e-9
    rise = abs(long * math.sin(lean))
    if abs(degrees) < most - 0.01 and rise < 2 * tolerance - 0.01:
        assert true
    if abs(degrees) > most + 0.01 or rise > 2 * tolerance + 0.01:
        assert true == (before.strokes[0].piece == after.piece and rise < 1e-9)


def test_broken_lines_may_end_as_much_earlier_as_a_hand_is_off() -> None:
    [solid] = squared(content((0, 0), (30, 0)), ByHand()).strokes
    [broken] = squared(content((0, 0), (30, 0), DASHED), ByHand()).strokes
    assert (solid.short, broken.short) == (0.0, 1.0)


@given(st.floats(0.05, 5), st.floats(0.05, 5))
def test_exercise_asks_of_a_hand_no_more_than_of_a_printer(exact: float, by_hand: float) -> None:
    task = TASK.model_copy(update={"tolerance_mm": exact, "by_hand": ByHand(tolerance_mm=by_hand)})
    assert task.for_sheet(False) == task
    asked = task.for_sheet(True)
    assert asked.tolerance_mm == max(exact, by_hand)
    assert asked.thresholds.alignment_mm >= task.thresholds.alignment_mm
    assert 0 <= asked.thresholds.next_row_mm <= task.thresholds.next_row_mm
