"""Circles in dashes on a picture: what pattern they are drawn in, with strokes cut short or lost."""

import math
from collections.abc import Iterator, Sequence

import pytest
from hypothesis import given
from hypothesis import strategies as st

from maqueta.geometry.carrier import Point
from maqueta.reading.picture.broken_lines import (
    BrokenLine,
    Dash,
    broken_circles,
    broken_lines,
    centres_of,
    with_its_dots,
)

CENTRE = (100.0, 80.0)


def round_about(radius: float, pattern: Sequence[float], start: float = 0.0) -> Iterator[Dash]:
    """A circle in dashes (positive) and gaps (negative), mm, as chords; what does not go up is left out at the end."""
    along = 0.0
    while along + sum(map(abs, pattern)) <= math.tau * radius:
        for length in pattern:
            if length > 0:
                ends = [start + place / radius for place in (along, along + length)]
                first, last = (_at(radius, angle) for angle in ends)
                yield Dash(first, last, 25)
            along += abs(length)


def _at(radius: float, angle: float) -> Point:
    return (CENTRE[0] + radius * math.cos(angle), CENTRE[1] + radius * math.sin(angle))


def axis(pattern: Sequence[float], times: int = 5) -> list[Dash]:
    """A level line in a pattern."""
    dashes, x = [], 0.0
    for length in tuple(pattern) * times:
        if length > 0:
            dashes.append(Dash((x, 10.0), (x + length, 10.0), 25))
        x += abs(length)
    return dashes


HIDDEN, CHAIN = (3.0, -0.75), (6.0, -0.75, 0.5, -0.75)


@given(st.floats(12, 40), st.floats(0, 6), st.permutations(range(3)))
def test_a_hidden_circle_is_none_of_dashes_and_dots(radius: float, start: float, order: list[int]) -> None:
    dashes = list(round_about(radius, HIDDEN, start))
    mixed = [dashes[k] for place in order for k in range(place, len(dashes), 3)]
    (ring,) = broken_circles(mixed, [CENTRE])
    assert ring.radius == pytest.approx(radius, abs=0.1)
    assert ring.members == frozenset(range(len(dashes)))
    assert ring.pattern == pytest.approx(HIDDEN, abs=0.1)


@given(st.floats(15, 40), st.floats(0, 6))
def test_a_pitch_circle_has_its_dots(radius: float, start: float) -> None:
    (ring,) = broken_circles(list(round_about(radius, CHAIN, start)), [CENTRE])
    assert ring.pattern == pytest.approx(CHAIN, abs=0.1)


def test_a_pitch_circle_without_its_dots_is_told_by_the_axes_of_its_sheet() -> None:
    dashes = [dash for dash in round_about(30, CHAIN) if dash.length > 1]
    (ring,) = broken_circles(dashes, [CENTRE])
    assert len(ring.pattern) == 2
    lines = broken_lines(axis((10.0, *CHAIN[1:])))
    assert with_its_dots(ring.pattern, lines) == pytest.approx(CHAIN, abs=0.1)


def test_a_hidden_circle_stays_one_beside_axes_of_dashes_and_dots() -> None:
    lines: list[BrokenLine] = broken_lines(axis((10.0, *CHAIN[1:])))
    (ring,) = broken_circles(list(round_about(20, HIDDEN)), [CENTRE])
    assert with_its_dots(ring.pattern, lines) == ring.pattern


def test_dashes_that_are_crossed_are_cut_short_and_no_dots() -> None:
    dashes = list(round_about(20, HIDDEN))
    cut = dashes[4]
    middle = ((cut.first[0] + 2 * cut.last[0]) / 3, (cut.first[1] + 2 * cut.last[1]) / 3)
    dashes[4:5] = [Dash(cut.first, middle, 25), Dash(middle, cut.last, 25)]
    (ring,) = broken_circles(dashes, [CENTRE])
    assert len(ring.pattern) == 2


@given(st.floats(6, 30), st.floats(0, 6), st.integers(0, 8))
def test_a_circle_in_dashes_alone_tells_where_its_centre_is(radius: float, start: float, lost: int) -> None:
    dashes = list(round_about(radius, HIDDEN, start))
    # Straight lines beside it, and dashes that are lost, change nothing.
    seen = [*dashes[: len(dashes) - min(lost, len(dashes) // 4)], *axis((10.0, *CHAIN[1:]), 3)]
    assert min(math.dist(CENTRE, centre) for centre in centres_of(seen)) < 0.1
    rings = broken_circles(seen, centres_of(seen))
    assert [ring.radius for ring in rings] == pytest.approx([radius], abs=0.15)


def test_dashes_of_a_square_have_no_circle() -> None:
    sides = [
        Dash(
            (30 * x + 3.5 * k * along, 30 * y + 3.5 * k * up),
            (30 * x + (3.5 * k + 2.8) * along, 30 * y + (3.5 * k + 2.8) * up),
            25,
        )
        for x, y, along, up in ((0, 0, 1, 0), (1, 0, 0, 1), (1, 1, -1, 0), (0, 1, 0, -1))
        for k in range(8)
    ]
    assert broken_circles(sides, centres_of(sides)) == []
