"""Borders of sheets: four lines that meet, or nearly so, where a picture has bent a corner."""

import random

import pytest
from hypothesis import given
from hypothesis import strategies as st

from maqueta.geometry.carrier import Point, line_through
from maqueta.geometry.line_set import Piece
from maqueta.reading.content import Stroke, Style, Words
from maqueta.reading.frame import SheetFrame, find_frame

PLAIN = Style("", (), "", False, None, 0)
#: An A2 sheet with margins of 20, as ISO 5457 has them on the binding side.
LEFT, LOW, RIGHT, HIGH = 20.0, 20.0, 584.0, 410.0
WORDS = tuple(Words(text, (400.0, 30.0 + 8 * k), 2.5, 0.0, PLAIN) for k, text in enumerate(("TITLE", "SCALE", "DATE")))
BLOCK = (((390.0, 20.0), (390.0, 58.0)), ((390.0, 58.0), (584.0, 58.0)))
VIEW = (((100.0, 100.0), (300.0, 100.0)), ((300.0, 100.0), (300.0, 250.0)), ((300.0, 250.0), (100.0, 100.0)))


def stroke(ends: tuple[Point, Point]) -> Stroke:
    return Stroke(Piece("visible", *line_through(*ends), (), ()), PLAIN)


def frame_of(*border: tuple[Point, Point], seed: int = 0) -> tuple[SheetFrame, int]:
    """The frame of a sheet with such a border, a title block and a view, and how many lines of that it has taken."""
    lines = [*border, *BLOCK, *VIEW]
    order = list(range(len(lines)))
    random.Random(seed).shuffle(order)
    found = find_frame([stroke(lines[k]) for k in order], ["open"] * len(lines), WORDS, "A2")
    view = {place for place, k in enumerate(order) if lines[k] in VIEW}
    return found, len(found.members & view)


def border(short: float = 0.0) -> list[tuple[Point, Point]]:
    """Four lines, of which the left one ends too early by so much."""
    return [
        ((LEFT, LOW), (RIGHT, LOW)),
        ((RIGHT, LOW), (RIGHT, HIGH)),
        ((RIGHT, HIGH), (LEFT, HIGH)),
        ((LEFT, LOW), (LEFT, HIGH - short)),
    ]


@given(st.floats(0, 7), st.integers(0, 99))
def test_a_side_that_is_a_little_short_closes_the_border(short: float, seed: int) -> None:
    found, taken = frame_of(*border(short), seed=seed)
    assert found.border == pytest.approx((LEFT, LOW, RIGHT, HIGH))
    assert (found.size, found.landscape) == ("A2", True)
    assert found.title == pytest.approx((390.0, LOW, RIGHT, 58.0))
    assert taken == 0


def test_a_side_that_is_half_there_closes_none() -> None:
    found, _ = frame_of(*border(200.0))
    assert found.border is None
