"""A dimension line of loose strokes: what holds it, where it can end, whether it is drawn, and where its feet stand."""

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from maqueta.geometry.carrier import Point, line_through
from maqueta.geometry.line_set import Piece
from maqueta.reading.dimension_axis import Stations, Strokes

#: A view; a size of 60 below it, from 100 to 160, its line at a height of 70; another one of 20 beside it.
VIEW = (100.0, 80.0, 160.0, 120.0)
LINE = ((100.0, 70.0), (160.0, 70.0))
EXTENSIONS = (((100.0, 79.0), (100.0, 68.0)), ((160.0, 79.0), (160.0, 68.0)))
TIPS = ((100.0, 70.0), (160.0, 70.0))
NEXT = ((162.0, 70.0), (182.0, 70.0))


def stroke(start: Point, end: Point) -> Piece:
    carrier, interval = line_through(start, end)
    return Piece("visible", carrier, interval, (), ())


def turned(point: Point, turn: float) -> Point:
    c, s = math.cos(turn), math.sin(turn)
    return (c * point[0] - s * point[1], s * point[0] + c * point[1])


def stations(*lines: tuple[Point, Point], tips: tuple[Point, ...] = TIPS, turn: float = 0.0) -> Stations:
    """What stands along the first of some lines, all of them turned about the origin."""
    strokes = Strokes(
        [stroke(turned(start, turn), turned(end, turn)) for start, end in lines], [turned(tip, turn) for tip in tips]
    )
    return Stations(strokes.axis(0), strokes)


@given(turn=st.floats(-3.1, 3.1))
def test_a_size_is_held_and_drawn_whichever_way_it_runs(turn: float) -> None:
    own = stations(LINE, *EXTENSIONS, turn=turn)
    low, high = own.places()
    assert high - low == pytest.approx(60.0, abs=0.02)
    assert own.held(low)
    assert own.held(high)
    assert not own.held((low + high) / 2)
    assert own.drawn(low, high, (low + high) / 2, 10.0)
    assert own.stands_over(low, high, (low + high) / 2)


def test_a_shelf_is_held_by_nothing() -> None:
    own = stations(LINE, tips=())
    assert own.places() == [100.0, 160.0]
    assert not own.held(100.0)


def test_the_back_of_an_arrowhead_is_no_extension_line() -> None:
    back = ((100.0, 69.2), (100.0, 70.8))
    assert not stations(LINE, back, tips=()).held(100.0)
    assert stations(LINE, ((100.0, 69.2), (100.0, 71.2)), tips=()).held(100.0)


def test_a_gap_is_a_text_s_own_or_the_line_is_not_drawn() -> None:
    left, right = ((100.0, 70.0), (124.0, 70.0)), ((136.0, 70.0), (160.0, 70.0))
    own = stations(left, right, *EXTENSIONS)
    assert own.drawn(100.0, 160.0, 130.0, 13.0)
    assert not own.drawn(100.0, 160.0, 110.0, 13.0)
    assert not own.drawn(100.0, 160.0, 130.0, 11.0)


def test_a_line_across_a_text_makes_room_for_it_or_has_arrowheads() -> None:
    left, right = ((100.0, 70.0), (124.0, 70.0)), ((136.0, 70.0), (160.0, 70.0))
    assert stations(left, right, tips=()).make_room(130.0)
    assert not stations(left, tips=()).make_room(130.0)
    assert not stations(LINE).make_room(130.0)
    assert stations(left).make_room(130.0)


def test_a_text_beside_stands_over_what_leads_to_it_and_not_over_the_next_size() -> None:
    """Where arrowheads have no room the line goes on outside; a size that is held by itself is another one."""
    outside = ((160.0, 70.0), (172.0, 70.0))
    assert stations(LINE, outside, *EXTENSIONS).stands_over(100.0, 160.0, 170.0)
    assert not stations(LINE, *EXTENSIONS).stands_over(100.0, 160.0, 170.0)
    held = stations(LINE, outside, *EXTENSIONS, ((172.0, 79.0), (172.0, 68.0)))
    assert not held.stands_over(100.0, 160.0, 170.0)


def test_a_foot_is_the_end_nearest_to_a_view() -> None:
    own = stations(LINE, *EXTENSIONS, NEXT)
    assert own.foot(100.0, [VIEW]) == pytest.approx((100.0, 79.0))
    # Nothing meets the line there: the place itself.
    assert own.foot(130.0, [VIEW]) == pytest.approx((130.0, 70.0))


def test_no_place_is_named_twice() -> None:
    """Arrowhead, extension line and the line's own end are at one place."""
    assert stations(LINE, *EXTENSIONS).places() == pytest.approx([100.0, 160.0])
    assert stations(LINE, *EXTENSIONS, NEXT).places() == pytest.approx([100.0, 160.0, 162.0, 182.0])
