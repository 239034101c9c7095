"""Dashes of a circle, each of which tells its centre and radius badly, are laid on the circle they are of."""

import math
from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from maqueta.geometry.carrier import Circle
from maqueta.geometry.line_set import Piece
from maqueta.reading.content import Stroke, Style
from maqueta.reading.delivered import read_delivered
from maqueta.reading.rings import on_their_rings
from tests.reading.pdf_writer import HANDS, write_pdf
from tests.reading.test_pdf_sheets import TASK, answer, found

LOOK = Style("", (), "", False, 25, 0)


def dash(circle: Circle, start: float, length: float = 3.0, off: float = 0.0) -> Stroke:
    """A dash from an angle on, whose centre is told `off` too far out, by as much larger or smaller a circle."""
    turn = start + length / circle.radius / 2
    carrier = Circle(circle.x + off * math.cos(turn), circle.y + off * math.sin(turn), circle.radius - off)
    sweep = length / carrier.radius / 2
    return Stroke(
        Piece("visible", carrier, ((turn - sweep) % math.tau, (turn - sweep) % math.tau + 2 * sweep), (), ()), LOOK
    )


@given(
    radius=st.floats(8, 40),
    count=st.integers(3, 9),
    wrong=st.lists(st.floats(-0.08, 0.08), min_size=9, max_size=9),
)
def test_dashes_of_one_circle_are_laid_on_it(radius: float, count: int, wrong: list[float]) -> None:
    circle = Circle(100.0, 80.0, radius)
    strokes = [dash(circle, k * math.tau / 9, off=wrong[k]) for k in range(count)]
    laid = on_their_rings(strokes)
    for before, after in zip(strokes, laid, strict=True):
        assert after.style == before.style
        assert after.piece.length == pytest.approx(before.piece.length, abs=0.05)
        for own, other in zip(before.piece.ends, after.piece.ends, strict=True):
            assert math.dist(own, other) <= 0.05


def test_they_are_of_one_circle_then() -> None:
    circle = Circle(100.0, 80.0, 26.0)
    strokes = [dash(circle, k * math.tau / 9, off=0.07 * (-1) ** k) for k in range(9)]
    carriers = {stroke.piece.carrier for stroke in on_their_rings(strokes)}
    assert len(carriers) == 1
    found = carriers.pop()
    assert isinstance(found, Circle)
    assert (found.x, found.y, found.radius) == pytest.approx((100.0, 80.0, 26.0), abs=0.01)


def test_what_is_on_two_circles_stays_on_them() -> None:
    """A thread's dashes beside those of its core, and dashes of another look on one circle with either."""
    inner, outer = Circle(0.0, 0.0, 10.0), Circle(0.0, 0.0, 10.15)
    strokes = [dash(own, k) for k in range(5) for own in (inner, outer)]
    assert on_their_rings(strokes) == strokes
    thick = [replace(stroke, style=replace(LOOK, width=50)) for stroke in strokes[::2][:2]]
    assert on_their_rings([*strokes[:2], *thick]) == [*strokes[:2], *thick]


@pytest.mark.parametrize("slug", ["pawl-carrier", "spindle-pin"])
def test_hidden_circles_in_loose_dashes_are_whole(slug: str) -> None:
    part, sheet = answer(slug)
    read = read_delivered(write_pdf(part, sheet, next(hand for hand in HANDS if hand.loose)), part, TASK)
    assert found(part, TASK, read.document) == found(part, TASK, sheet)
