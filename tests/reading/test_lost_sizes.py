"""Sizes of which an arrowhead alone was read: they are on the sheet, and what they say is not known."""

import math

import pytest

from maqueta.geometry.carrier import Point
from maqueta.reading.content import Pointer, Size
from maqueta.reading.lost_sizes import is_cut_short, lost_sizes

#: A size over 40 mm, 10 mm above what it measures, with its two arrowheads.
LINEAR = Size("linear", (0.0, 0.0), (40.0, 5.0), 0.0, (20.0, 15.0), "40")
ROUND = Size("diameter", (100.0, 50.0), (110.0, 50.0), 0.0, (125.0, 60.0), "Ø20")


def head(tip: Point, turn: float) -> tuple[Point, ...]:
    """An arrowhead 3 mm long that points along a turn."""
    c, s = math.cos(turn), math.sin(turn)
    back = (tip[0] - 3 * c, tip[1] - 3 * s)
    return (tip, (back[0] - 0.5 * s, back[1] + 0.5 * c), (back[0] + 0.5 * s, back[1] - 0.5 * c))


OWN = [head((0.0, 15.0), math.pi), head((40.0, 15.0), 0.0), head((107.1, 57.1), 5 * math.pi / 4)]


def test_arrowheads_of_what_was_read_tell_of_nothing_more() -> None:
    assert lost_sizes(OWN, [LINEAR, ROUND], []) == 0


@pytest.mark.parametrize(("sizes", "lost"), [([LINEAR], 1), ([ROUND], 1), ([], 2)])
def test_arrowheads_of_nothing_that_was_read_tell_of_a_size(sizes: list[Size], lost: int) -> None:
    assert lost_sizes(OWN, sizes, []) == lost


def test_a_leader_that_is_cut_short_has_its_arrowhead_ahead() -> None:
    leader = Pointer(((80.0, 30.0), (60.0, 10.0), (50.0, 10.0)), "R5")
    assert lost_sizes([head((92.0, 42.0), math.pi / 4)], [], [leader]) == 0
    assert lost_sizes([head((92.0, 62.0), math.pi / 4)], [], [leader]) == 1
    assert lost_sizes([head((40.0, -10.0), math.pi / 4)], [], [leader]) == 1


def test_a_filled_shape_that_is_no_arrowhead_tells_of_nothing() -> None:
    assert lost_sizes([((0.0, 0.0), (4.0, 0.0), (4.0, 4.0), (0.0, 4.0))], [], []) == 0


@pytest.mark.parametrize(
    ("text", "short"), [("Ø20 ⌴", True), ("↧28", True), ("4×", True), ("Ø20 ⌴Ø30 ↧28", False), ("4× R10", False)]
)
def test_a_callout_with_a_sign_for_nothing_is_cut_short(text: str, short: bool) -> None:
    assert is_cut_short(text) == short
