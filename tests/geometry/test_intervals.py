"""Interval sets against a general geometry library: lengths of unions and differences on a line."""

import math
from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st
from shapely import LineString, unary_union
from shapely.geometry.base import BaseGeometry

from maqueta.geometry.carrier import TURN, Circle, Ellipse, Line, Similarity, arc_interval, line_through, recognised
from maqueta.geometry.interval import Stretch, merged, rejoined, subtracted, unrolled
from maqueta.geometry.line_set import Piece, line_set

coordinates = st.floats(-1000, 1000, allow_nan=False).map(lambda x: round(x, 3))
spans = st.tuples(coordinates, st.floats(0.01, 300).map(lambda x: round(x, 3))).map(
    lambda p: Stretch(p[0], p[0] + p[1], frozenset({1}), frozenset())
)


def _length(stretches: list[Stretch]) -> float:
    return sum(s.end - s.start for s in stretches)


def _reference(stretches: list[Stretch]) -> BaseGeometry:
    return unary_union([LineString([(s.start, 0), (s.end, 0)]) for s in stretches])


@given(st.lists(spans, min_size=1, max_size=12))
def test_union_has_the_length_a_geometry_library_gives(stretches: list[Stretch]) -> None:
    union = merged(stretches, 0.0)
    assert _length(union) == pytest.approx(_reference(stretches).length, abs=1e-6)
    assert all(a.end < b.start for a, b in pairwise(union))


@given(st.lists(spans, min_size=1, max_size=8), st.lists(spans, min_size=1, max_size=8))
def test_difference_has_the_length_a_geometry_library_gives(kept: list[Stretch], taken: list[Stretch]) -> None:
    rest = subtracted(merged(kept, 0.0), merged(taken, 0.0), 0.0)
    expected = _reference(kept).difference(_reference(taken)).length
    assert _length(rest) == pytest.approx(expected, abs=1e-5)


def test_whole_turn_survives_cutting_and_joining() -> None:
    halves = [
        Stretch(1.0, 1.0 + math.pi, frozenset(), frozenset()),
        Stretch(1.0 + math.pi, 1.0 + TURN, frozenset(), frozenset()),
    ]
    joined = rejoined(merged(unrolled(halves), 1e-9), 1e-9)
    assert [s.interval for s in joined] == [(0.0, TURN)]


points = st.tuples(coordinates, coordinates)


@given(points, points)
def test_a_line_passes_through_its_two_points(p: tuple[float, float], q: tuple[float, float]) -> None:
    if math.dist(p, q) < 0.1:
        return
    line, interval = line_through(p, q)
    ends = {tuple(round(c, 4) + 0.0 for c in line.point(t)) for t in interval}
    assert ends == {tuple(round(c, 4) + 0.0 for c in point) for point in (p, q)}


@given(
    st.builds(Ellipse, coordinates, coordinates, st.floats(2, 50), st.floats(0.5, 2), st.floats(0, 3.1)),
    st.integers(0, 3),
    st.floats(0.1, 6),
    st.floats(0.1, 3),
)
def test_moving_a_piece_moves_its_points(carrier: Ellipse, turns: int, start: float, sweep: float) -> None:
    quarter = Similarity.quarter(turns)
    move = Similarity(2 * quarter.a, 2 * quarter.b, 5.0, -7.0)
    piece = Piece("visible", carrier, (start, start + sweep), (), ())
    ends = piece.moved(move).ends
    assert ends[0] == pytest.approx(move(piece.ends[0]), abs=1e-6)
    assert ends[1] == pytest.approx(move(piece.ends[1]), abs=1e-6)


@given(points, points, st.floats(0.05, 20), st.sampled_from([0.0, 0.7, math.pi / 2, math.pi]), points)
def test_a_moved_line_is_the_line_through_its_moved_points(
    p: tuple[float, float], q: tuple[float, float], scale: float, turn: float, shift: tuple[float, float]
) -> None:
    """Shifted and scaled alone it is moved in another way than where it is turned as well."""
    if math.dist(p, q) < 0.1:
        return
    move = Similarity(scale * math.cos(turn), scale * math.sin(turn), *shift)
    carrier, interval = line_through(p, q)
    moved, stretch = carrier.moved(move, interval)
    expected, ends = line_through(move(p), move(q))
    # Lines just beside the level one have directions near 0 or near π.
    assert math.remainder(moved.angle - expected.angle, math.pi) == pytest.approx(0, abs=1e-6)
    there = sorted(moved.point(t) for t in stretch)
    for own, other in zip(there, sorted(expected.point(t) for t in ends), strict=True):
        assert own == pytest.approx(other, abs=1e-4)


@given(points, st.floats(0.05, 20), st.floats(0, TURN), points)
def test_what_is_moved_and_moved_back_stays_where_it_was(
    point: tuple[float, float], scale: float, turn: float, shift: tuple[float, float]
) -> None:
    move = Similarity(scale * math.cos(turn), scale * math.sin(turn), *shift)
    assert move.back(move(point)) == pytest.approx(point, abs=1e-6)
    assert move(move.back(point)) == pytest.approx(point, abs=1e-6)


def test_visible_covers_hidden_and_touching_stretches_become_one() -> None:
    line = Line(0.0, 3.0)
    pieces = [
        Piece("hidden", line, (0.0, 50.0), (1,), ()),
        Piece("visible", line, (10.0, 20.0), (2,), ()),
        Piece("visible", Line(0.0, 3.0 + 1e-9), (20.0, 30.0), (3,), ()),
    ]
    drawn = [(p.kind, p.interval) for p in line_set(pieces, 50.0).pieces]
    assert sorted(drawn) == [("hidden", (0.0, 10.0)), ("hidden", (30.0, 50.0)), ("visible", (10.0, 30.0))]


def test_covered_edges_stay_known() -> None:
    line = Line(0.0, 0.0)
    pieces = [Piece("hidden", line, (0.0, 9.0), (1,), (7,)), Piece("visible", line, (0.0, 9.0), (2,), (8,))]
    (piece,) = line_set(pieces, 9.0).pieces
    assert (piece.kind, piece.edges, piece.faces) == ("visible", (1, 2), (7, 8))


def test_curves_are_recognised_by_geometry() -> None:
    flat = [(x / 10, 2.0) for x in range(50)]
    carrier, interval = recognised(flat, 1e-6)
    assert isinstance(carrier, Line)
    assert interval == pytest.approx((0.0, 4.9))
    ring = [(3 + 5 * math.cos(t / 20), 4 + 5 * math.sin(t / 20)) for t in range(60)]
    carrier, _ = recognised(ring, 1e-6)
    assert isinstance(carrier, Circle)
    assert (carrier.x, carrier.y, carrier.radius) == pytest.approx((3, 4, 5))


def test_arc_runs_through_its_middle_point() -> None:
    assert arc_interval(0.5, 1.0, 2.0, False) == pytest.approx((0.5, 2.0))
    assert arc_interval(2.0, 1.0, 0.5, False) == pytest.approx((0.5, 2.0))
    assert arc_interval(6.0, 0.1, 1.0, False) == pytest.approx((6.0, TURN + 1.0))
