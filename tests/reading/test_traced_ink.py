"""Ink as lines, arcs, dashes, arrowheads and signs: against what a general drawing library drew, and by hand."""

import itertools
import math

import cv2
import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from numpy.typing import NDArray

from maqueta.reading.ink_map import InkMap
from maqueta.reading.picture.arrowheads import heads_of
from maqueta.reading.picture.broken_lines import Dash, broken_circles, broken_lines
from maqueta.reading.picture.fitted import paths_of
from maqueta.reading.picture.ink import evenly_lit, ink_of
from maqueta.reading.picture.path import Path
from maqueta.reading.picture.signs import eyes_of, sign_of
from maqueta.reading.picture.straightened import border_ratio
from maqueta.reading.picture.thinned import thinned
from maqueta.reading.picture.traced import traced
from maqueta.reading.picture.widths import gauge

Grey = NDArray[np.uint8]


def paper(wide: int = 400, high: int = 300) -> Grey:
    return np.full((high, wide), 255, np.uint8)


def drawn(grey: Grey) -> list[Path]:
    return paths_of(traced(ink_of(grey)), gauge(grey))


def line(grey: Grey, first: tuple[float, float], last: tuple[float, float], wide: int = 3) -> None:
    """A line with square ends, as wide as it says: drawn eight times as large, then made smaller."""
    (x0, y0), (x1, y1) = first, last
    length = math.dist(first, last)
    dx, dy = wide * (x1 - x0) / length / 2, wide * (y1 - y0) / length / 2
    corners = [(x0 - dy, y0 + dx), (x1 - dy, y1 + dx), (x1 + dy, y1 - dx), (x0 + dy, y0 - dx)]
    large = np.full((8 * grey.shape[0], 8 * grey.shape[1]), 255, np.uint8)
    cv2.fillConvexPoly(large, np.round(8 * (np.array(corners) + 0.5)).astype(np.int32), 0)
    seen = cv2.resize(large, grey.shape[::-1], interpolation=cv2.INTER_AREA)
    np.minimum(grey, seen, out=grey)


@given(st.integers(0, 2**32 - 1))
@settings(max_examples=25)
def test_thinned_ink_is_as_connected_as_it_was_and_thin(seed: int) -> None:
    """Against a labelling of connected spots by a general library."""
    some = np.random.default_rng(seed)
    ink = np.zeros((90, 120), np.uint8)
    for _ in range(6):
        (x0, x1), (y0, y1) = some.integers(5, 115, 2), some.integers(5, 85, 2)
        cv2.line(ink, (int(x0), int(y0)), (int(x1), int(y1)), 255, int(some.integers(1, 7)))
    bones = thinned(ink)
    assert cv2.connectedComponents(bones.astype(np.uint8))[0] == cv2.connectedComponents(ink)[0]
    assert not bones[ink == 0].any()
    # Nowhere are two by two pixels left: what is left has no width.
    square = bones[:-1, :-1] & bones[1:, :-1] & bones[:-1, 1:] & bones[1:, 1:]
    assert square.sum() <= 6


@given(st.floats(0, math.pi), st.integers(2, 6))
@settings(max_examples=30)
def test_a_line_is_found_where_it_was_drawn(angle: float, wide: int) -> None:
    grey = paper()
    (dx, dy), (x, y) = (120 * math.cos(angle), 120 * math.sin(angle)), (200.0, 150.0)
    line(grey, (x - dx, y - dy), (x + dx, y + dy), wide)
    (path,) = drawn(grey)
    ends = sorted((path.first, path.last))
    meant = sorted(((x - dx, y - dy), (x + dx, y + dy)))
    assert (
        min(sum(math.dist(a, b) for a, b in zip(ends, way, strict=True)) for way in (meant, meant[::-1]))
        <= 3 * wide + 4
    )
    along = path.way
    assert abs(along[0] * math.sin(angle) - along[1] * math.cos(angle)) < 0.008
    assert path.width == pytest.approx(wide, abs=0.8)


def test_crossing_lines_are_two_and_a_rectangle_has_four_corners() -> None:
    grey = paper()
    line(grey, (30, 150), (370, 150))
    line(grey, (200, 20), (230, 280))
    found = drawn(grey)
    assert sorted(round(path.length) for path in found) == [pytest.approx(262, abs=3), pytest.approx(340, abs=3)]
    grey = paper()
    corners = [(60, 60), (340, 60), (340, 240), (60, 240)]
    for a, b in itertools.pairwise([*corners, corners[0]]):
        line(grey, a, b)
    ends = [end for path in drawn(grey) for end in (path.first, path.last)]
    assert len(ends) == 8
    assert all(min(math.dist(end, corner) for corner in corners) <= 1.5 for end in ends)


@pytest.mark.parametrize("radius", [9, 20, 60, 120])
def test_circles_are_circles_with_an_axis_through_them_too(radius: int) -> None:
    grey = paper()
    cv2.circle(grey, (200, 150), radius, 0, 3, cv2.LINE_AA)
    (path,) = drawn(grey)
    assert path.closed
    assert path.radius == pytest.approx(radius, abs=0.6)
    assert path.centre == pytest.approx((200, 150), abs=0.5)
    line(grey, (200 - radius - 25, 150), (200 + radius + 25, 150), 2)
    arcs = [path for path in drawn(grey) if path.centre is not None]
    assert arcs
    assert all(arc.radius == pytest.approx(radius, abs=1.0) for arc in arcs)


def test_an_edge_and_the_extension_line_in_line_with_it_are_two() -> None:
    grey = paper()
    line(grey, (100, 40), (100, 150), 5)
    line(grey, (100, 150), (100, 280), 2)
    line(grey, (100, 150), (300, 150), 5)
    upright = sorted(path.width for path in drawn(grey) if abs(path.way[0]) < 0.1)
    assert upright == pytest.approx([2, 5], abs=0.9)


def test_arrowheads_are_told_and_blots_are_not() -> None:
    grey = paper()
    line(grey, (50, 150), (350, 150), 2)
    cv2.fillConvexPoly(grey, np.array([(50, 150), (75, 145), (75, 155)]), 0)
    (path,) = [path for path in drawn(grey) if path.length > 100]
    (head,) = heads_of(path, 0.12)
    assert head.corners[0] == pytest.approx((50, 150), abs=3)
    assert {round(x) for x, _ in head.corners[1:]} <= set(range(62, 79))
    plain = paper()
    line(plain, (50, 150), (350, 150), 2)
    cv2.circle(plain, (350, 150), 9, 0, -1)
    assert all(heads_of(path, 0.12) == [] for path in drawn(plain))


def row(*lengths: float, gap: float = 0.8, width: int = 25) -> list[Dash]:
    found, x = [], 0.0
    for length in lengths:
        found.append(Dash((x, 5.0), (x + length, 5.0), width))
        x += length + gap
    return found


def test_dashes_in_a_row_are_one_line_by_its_pattern() -> None:
    (hidden,) = broken_lines(row(3.1, 2.9, 3.0, 3.2, 1.1))
    assert hidden.first == (0.0, 5.0)
    assert hidden.pattern[0] == pytest.approx(3.0, abs=0.1)
    assert len(hidden.pattern) == 2
    (chain,) = broken_lines(row(6, 0.4, 6.2, 0.3, 5.9))
    assert len(chain.pattern) == 4
    # Its dots were lost, but it is as wide apart as the other one.
    (one, other) = broken_lines([*row(6, 0.4, 6, 0.4, 6), *(d for d in moved(row(6, 6, 6, gap=2.0), 20.0))])
    assert len(one.pattern) == len(other.pattern) == 4


def moved(dashes: list[Dash], up: float) -> list[Dash]:
    return [Dash((d.first[0], d.first[1] + up), (d.last[0], d.last[1] + up), d.width) for d in dashes]


def test_lines_that_only_stand_in_line_are_none() -> None:
    assert broken_lines(row(40, 60, gap=1.2)) == []
    assert broken_lines([*row(3, 3, width=25), *moved(row(3, 3, width=25), 1.0)]) == []
    assert broken_lines([Dash((0, 0), (3, 0), 50), Dash((4, 0), (7, 0), 25), Dash((8, 0), (11, 0), 50)]) == []


def test_a_pitch_circle_is_told_by_its_dashes() -> None:
    dashes = []
    for k in range(16):
        a, b = 2 * math.pi * k / 16, 2 * math.pi * (k + 0.7) / 16
        dashes.append(Dash((30 * math.cos(a), 30 * math.sin(a)), (30 * math.cos(b), 30 * math.sin(b)), 25))
    (ring,) = broken_circles(dashes, [(0.0, 0.0), (50.0, 0.0)])
    assert ring.centre == (0.0, 0.0)
    assert ring.radius == pytest.approx(30, abs=0.2)
    assert len(ring.members) == 16
    assert broken_circles(dashes[:4], [(0.0, 0.0)]) == []


def spot(*lines: tuple[tuple[int, int], tuple[int, int]], wide: int = 3) -> Grey:
    shape = np.zeros((60, 60), np.uint8)
    for first, last in lines:
        cv2.line(shape, first, last, 255, wide)
    ys, xs = np.nonzero(shape)
    return np.pad(shape[ys.min() : ys.max() + 1, xs.min() : xs.max() + 1], 1)


def test_signs_are_told_by_their_shapes() -> None:
    box = (((10, 10), (10, 35)), ((10, 35), (45, 35)), ((45, 35), (45, 10)))
    assert sign_of(spot(*box)) == "⌴"
    assert sign_of(spot(((5, 10), (27, 32)), ((27, 32), (49, 10)))) == "⌵"
    arrow = np.zeros((60, 60), np.uint8)
    cv2.line(arrow, (15, 8), (45, 8), 255, 3)
    cv2.line(arrow, (30, 8), (30, 45), 255, 3)
    cv2.fillConvexPoly(arrow, np.array([(30, 52), (21, 36), (39, 36)]), 255)
    assert sign_of(np.pad(arrow[7:53, 14:47], 1)) == "↧"
    ring = np.zeros((60, 60), np.uint8)
    cv2.circle(ring, (30, 30), 18, 255, 3)
    bare = ring.copy()
    cv2.line(ring, (12, 50), (48, 10), 255, 3)
    assert sign_of(ring) == "Ø"
    assert sign_of(bare) == ""
    # A T, a V and a U are letters.
    assert sign_of(spot(((10, 10), (40, 10)), ((25, 10), (25, 50)))) == ""
    assert sign_of(spot(((10, 10), (22, 50)), ((22, 50), (34, 10)))) == ""


def test_eyes_of_figures() -> None:
    """An 8 has two eyes above each other, a 6 one below, a 1 none (by hand, in a face of the drawing library)."""
    told = {}
    for figure in "0123456789":
        shape = np.zeros((60, 50), np.uint8)
        cv2.putText(shape, figure, (6, 50), cv2.FONT_HERSHEY_SIMPLEX, 1.6, 255, 3)
        told[figure] = [round(down, 1) for _, down, _ in eyes_of(shape)]
    assert [len(told[figure]) for figure in "1235780"] == [0, 0, 0, 0, 0, 2, 1]
    assert told["6"][0] > told["0"][0] > told["9"][0]


def test_ink_is_found_in_the_shade_and_dirt_is_none() -> None:
    grey = paper()
    line(grey, (50, 100), (350, 100), 4)
    line(grey, (50, 200), (350, 200), 4)
    shade = np.linspace(1.0, 0.4, 400)[None, :]
    seen = np.asarray(grey * shade, np.uint8)
    ink = ink_of(evenly_lit(seen))
    assert (ink[100, 60:340] > 0).all()
    assert not ink[120:180].any()


@given(st.floats(-20, 20), st.floats(-20, 20), st.floats(0.7, 1.6), st.floats(0.9, 2.0))
def test_how_wide_a_border_is_follows_from_its_perspective(tilt: float, side: float, ratio: float, lens: float) -> None:
    """Corners by projecting a rectangle through a camera, by hand."""
    a, b = math.radians(tilt), math.radians(side)
    turn = np.array([[1, 0, 0], [0, math.cos(a), -math.sin(a)], [0, math.sin(a), math.cos(a)]]) @ np.array(
        [[math.cos(b), 0, math.sin(b)], [0, 1, 0], [-math.sin(b), 0, math.cos(b)]]
    )
    flat = np.array([(-ratio, -1, 0), (ratio, -1, 0), (ratio, 1, 0), (-ratio, 1, 0)]) / 4
    space = flat @ turn.T + np.array([0, 0, lens])
    corners = 1000 * lens * space[:, :2] / space[:, 2:] + np.array([500, 400])
    found = border_ratio(corners, (800, 1000))
    # Seen almost from straight above, the lens cannot be told: what is left of the perspective is an error.
    assert found == pytest.approx(ratio, rel=0.02 if min(abs(tilt), abs(side)) > 3 else 0.12)


def test_ink_of_a_sheet_is_found_by_its_places_in_mm() -> None:
    ink = np.zeros((100, 200), dtype=bool)
    ink[100 - 1 - 40, 20:120] = True
    seen = InkMap(ink, 0.1)
    assert seen.share([(x / 10, 4.0) for x in range(25, 115)]) == 1.0
    assert seen.share([(x / 10, 6.0) for x in range(25, 115)]) == 0.0
    assert seen.larger(2.0).share([(8.0, 8.0)]) == 1.0
    assert seen.share([(-5.0, 3.0), (500.0, 4.0)]) == 0.0
