"""Curves drawn as chords, and what must not be taken for one."""

import math
from itertools import pairwise

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from maqueta.geometry.carrier import Circle, Ellipse, Free, Line, Point, line_through
from maqueta.geometry.line_set import Piece
from maqueta.reading.chords import join_chords
from maqueta.reading.content import Stroke, Style

PLAIN = Style("0", (), "CONTINUOUS", False, None, 7)


def chain(points: list[Point], style: Style = PLAIN) -> list[Stroke]:
    return [Stroke(Piece("visible", *line_through(p, q), (), ()), style) for p, q in pairwise(points)]


@settings(max_examples=40, deadline=None)
@given(st.floats(5, 80), st.floats(0.35, 0.9), st.floats(0, math.pi), st.integers(36, 96), st.randoms())
def test_chords_of_an_ellipse_are_one_ellipse(
    major: float, ratio: float, turn: float, count: int, random: object
) -> None:
    ellipse = Ellipse(100, 80, major, major * ratio, turn)
    marks = chain([ellipse.point(2 * math.pi * k / count) for k in range(count + 1)])
    random.shuffle(marks)  # type: ignore[attr-defined]
    (curve,) = join_chords(marks)
    assert isinstance(curve.piece.carrier, Ellipse)
    assert curve.piece.carrier.major == pytest.approx(major, rel=1e-4)
    assert curve.piece.carrier.minor == pytest.approx(major * ratio, rel=1e-4)


def test_chords_of_a_rounding_end_where_the_straight_lines_begin() -> None:
    arc = [(10 - 8 * math.sin(t), 8 - 8 * math.cos(t)) for t in (math.pi / 2 * k / 12 for k in range(13))]
    outline = [(60.0, 0.0), *arc, (2.0, 50.0)]
    joined = join_chords(chain(outline))
    assert sorted(type(mark.piece.carrier).__name__ for mark in joined) == ["Circle", "Line", "Line"]
    (rounding,) = [m.piece for m in joined if isinstance(m.piece.carrier, Circle)]
    assert isinstance(rounding.carrier, Circle)
    assert rounding.carrier.radius == pytest.approx(8, abs=1e-6)
    assert rounding.length == pytest.approx(4 * math.pi, rel=1e-6)


def test_polygons_forks_and_few_chords_stay_lines() -> None:
    hexagon = [(20 * math.cos(k * math.pi / 3), 20 * math.sin(k * math.pi / 3)) for k in range(7)]
    assert len(join_chords(chain(hexagon))) == 6
    few = [(10 * math.cos(t), 10 * math.sin(t)) for t in (0, 0.3, 0.6, 0.9)]
    assert len(join_chords(chain(few))) == 3
    other = Style("1", (), "CONTINUOUS", False, None, 7)
    circle = [(10 * math.cos(k / 4), 10 * math.sin(k / 4)) for k in range(12)]
    mixed = [*chain(circle[:4]), *chain(circle[3:7], other), *chain(circle[6:])]
    assert all(isinstance(mark.piece.carrier, Line) for mark in join_chords(mixed))


def test_chords_of_any_other_curve_stay_one_free_curve() -> None:
    wave = [(3.0 * k, 12 * math.sin(k / 4)) for k in range(20)]
    (curve,) = join_chords(chain(wave))
    assert isinstance(curve.piece.carrier, Free)
    assert len(curve.piece.carrier.points) == 20
