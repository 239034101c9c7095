"""Which drawn pieces lie on one another, and what curves cover of each other: against a general geometry library."""

import math
import random

import pytest
import shapely
from hypothesis import given
from hypothesis import strategies as st
from shapely.geometry import LineString

from maqueta.geometry.carrier import TURN, Circle, Ellipse, Similarity, line_through
from maqueta.geometry.coincidence import along, coinciding
from maqueta.geometry.curve_cover import Chords, chords
from maqueta.geometry.line_set import Piece

TOLERANCE = 0.3
numbers = st.floats(-50, 50)
points = st.tuples(numbers, numbers)
angles = st.floats(0, TURN)


def line(p: tuple[float, float], q: tuple[float, float]) -> Piece:
    return Piece("visible", *line_through(p, q), (), ())


def arc(x: float, y: float, radius: float, start: float = 0.0, sweep: float = TURN) -> Piece:
    return Piece("visible", Circle(x, y, radius), (start, start + sweep), (), ())


long_lines = st.tuples(points, points).filter(lambda ends: math.dist(*ends) > 5).map(lambda ends: line(*ends))
arcs = st.builds(arc, numbers, numbers, st.floats(2, 40), angles, st.floats(0.3, TURN - 0.1))


@given(st.lists(long_lines, min_size=1, max_size=6), st.lists(long_lines, min_size=1, max_size=6))
def test_lines_coincide_where_the_shorter_keeps_to_the_longer(pieces: list[Piece], others: list[Piece]) -> None:
    found = set(coinciding(pieces, others, TOLERANCE))
    for i, piece in enumerate(pieces):
        for j, other in enumerate(others):
            longer, shorter = sorted((piece, other), key=lambda p: -p.length)
            (x0, y0), (x1, y1) = longer.ends
            far = 1000.0
            ux, uy = (x1 - x0) / longer.length, (y1 - y0) / longer.length
            carrier = LineString([(x0 - far * ux, y0 - far * uy), (x1 + far * ux, y1 + far * uy)])
            off = max(carrier.distance(shapely.Point(end)) for end in shorter.ends)
            if abs(off - TOLERANCE) > 1e-6:
                assert ((i, j) in found) == (off <= TOLERANCE)


@given(long_lines, st.floats(0, TURN), points, st.sampled_from([0.5, 1.0, 3.0]))
def test_what_coincides_does_so_wherever_it_lies(
    piece: Piece, turn: float, shift: tuple[float, float], scale: float
) -> None:
    beside = piece.moved(Similarity(1.0, 0.0, 0.0, 0.1))
    move = Similarity(scale * math.cos(turn), scale * math.sin(turn), *shift)
    here = coinciding([piece], [beside], TOLERANCE)
    there = coinciding([piece.moved(move)], [beside.moved(move)], TOLERANCE * scale)
    assert here == there == [(0, 0)]


@given(arcs, st.floats(0.05, 0.9), st.floats(0.05, 0.9))
def test_parts_of_one_circle_coincide_and_their_stretch_is_found(whole: Piece, first: float, last: float) -> None:
    assert isinstance(whole.carrier, Circle)
    start, end = whole.interval
    low, high = sorted((start + first * (end - start), start + last * (end - start)))
    if high - low < 0.05:
        return
    part = Piece("visible", whole.carrier, (low % TURN, low % TURN + high - low), (), ())
    assert coinciding([whole], [part], TOLERANCE) == [(0, 0)]
    reaches = along(whole, part)
    assert any(abs(a - low) < 1e-6 and abs(b - high) < 1e-6 for a, b in reaches), "in one of three turns"


@given(arcs)
def test_a_whole_circle_covers_any_arc_of_it_and_no_larger_circle(piece: Piece) -> None:
    assert isinstance(piece.carrier, Circle)
    x, y, radius = piece.carrier.x, piece.carrier.y, piece.carrier.radius
    whole = arc(x, y, radius)
    assert coinciding([piece], [whole], TOLERANCE) == [(0, 0)]
    (reach,) = along(piece, whole)
    assert reach[1] - reach[0] >= TURN
    assert coinciding([whole], [arc(x, y, radius + 2 * TOLERANCE)], TOLERANCE) == []
    assert coinciding([whole], [line((x - radius, y), (x + radius, y))], TOLERANCE) == []


ellipses = st.builds(
    lambda x, y, major, share, angle, start, sweep: Piece(
        "visible", Ellipse(x, y, major, major * share, angle), (start, start + sweep), (), ()
    ),
    numbers, numbers, st.floats(5, 40), st.floats(0.2, 0.9), st.floats(0, math.pi), angles, st.floats(0.5, TURN),
)  # fmt: skip


@given(st.one_of(arcs, ellipses))
def test_chords_keep_within_a_tenth_of_the_tolerance(piece: Piece) -> None:
    chain = chords(piece, TOLERANCE)
    start, end = piece.interval
    for k in range(101):
        assert chain.distance(shapely.Point(piece.carrier.point(start + k * (end - start) / 100))) <= 0.1 * TOLERANCE
    assert chain.length == pytest.approx(piece.length, rel=0.02)


@given(ellipses, st.integers(0, 999))
def test_what_a_part_of_a_curve_does_not_cover_is_left(piece: Piece, seed: int) -> None:
    """The rest of a curve, and what covers it, make up the whole; against buffers of the library."""
    start, end = piece.interval
    share = random.Random(seed).uniform(0.3, 0.7)
    middle = start + share * (end - start)
    half = Piece("visible", piece.carrier, (start, middle), (), ())
    rest = Chords([half], TOLERANCE).far_from(piece, 2 * TOLERANCE)
    left = sum(part.length for part in rest)
    expected = chords(piece, TOLERANCE).difference(chords(half, TOLERANCE).buffer(TOLERANCE)).length
    assert left == pytest.approx(expected, abs=8 * TOLERANCE)
    assert Chords([piece], TOLERANCE).far_from(piece, TOLERANCE) == []


@given(st.lists(st.one_of(arcs, ellipses, long_lines), max_size=8), st.one_of(arcs, ellipses))
def test_places_of_a_curve_are_near_what_the_library_says_is_near(others: list[Piece], piece: Piece) -> None:
    """However many curves there are, a stretch is left where none comes within the tolerance."""
    rest = Chords(others, TOLERANCE).far_from(piece, 2 * TOLERANCE)
    chains = shapely.GeometryCollection([chords(other, TOLERANCE) for other in others])
    # A stretch ends near where it comes near; one that is touched at its ends alone stays whole.
    ends = 5 * TOLERANCE
    far = [
        chain.interpolate(ends + k * TOLERANCE)
        for chain in (chords(part, TOLERANCE) for part in rest)
        for k in range(int((chain.length - 2 * ends) / TOLERANCE))
    ]
    assert all(chains.is_empty or chains.distance(place) > 0.45 * TOLERANCE for place in far)
    # What lies deep between all of them is left whole, unless it is hardly longer than what is dropped.
    deep = shapely.get_parts(chords(piece, TOLERANCE).difference(chains.buffer(3 * TOLERANCE)))
    long = sum(part.length for part in deep if part.length > 4 * TOLERANCE)
    assert sum(chords(part, TOLERANCE).length for part in rest) >= 0.99 * long


@given(ellipses)
def test_what_nothing_touches_comes_back_as_it_is(piece: Piece) -> None:
    away = line((500.0, 500.0), (600.0, 500.0))
    assert Chords([away], TOLERANCE).far_from(piece, TOLERANCE) == [piece]
    (straight,) = Chords([piece], TOLERANCE).far_from(away, TOLERANCE)
    assert straight == away
