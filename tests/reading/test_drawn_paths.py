"""Paths of pages as lines, circles, arrowheads, bars and areas; letters as lines of text; by hand and at random."""

import math
from dataclasses import replace
from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st

from maqueta.geometry.carrier import Circle, Free, Line, Point
from maqueta.reading.content import Content, Style
from maqueta.reading.drawn_paths import (
    FilledShapes,
    Paper,
    Stretch,
    Subpath,
    drawn_along,
    filled_shapes,
    strokes_of,
)
from maqueta.reading.glyphs import Glyph, words_of
from maqueta.reading.short_bars import with_short_bars

PEN = Style("", (), "", False, 50, 0)
turns = st.floats(-math.pi, math.pi)


def straight(*points: Point, closed: bool = False) -> Subpath:
    return Subpath(points[0], tuple((point,) for point in points[1:]), closed)


def arc_in_curves(radius: float, start: float, sweep: float, curves: int) -> Subpath:
    """An arc as cubic Béziers with handles of 4/3 tan(a/4) (as page descriptions have them, from memory)."""
    step = sweep / curves
    reach = 4 / 3 * math.tan(step / 4) * radius

    def on(angle: float) -> Point:
        return (100 + radius * math.cos(angle), 80 + radius * math.sin(angle))

    stretches: list[Stretch] = []
    for k in range(curves):
        a, b = start + k * step, start + (k + 1) * step
        (ax, ay), (bx, by) = on(a), on(b)
        first = (ax - reach * math.sin(a), ay + reach * math.cos(a))
        second = (bx + reach * math.sin(b), by - reach * math.cos(b))
        stretches.append((first, second, (bx, by)))
    return Subpath(on(start), tuple(stretches))


@given(st.floats(0.8, 200), turns, st.floats(0.2, 6.2), st.integers(1, 6))
def test_an_arc_is_told_from_its_curves(radius: float, start: float, sweep: float, curves: int) -> None:
    curves = max(curves, math.ceil(sweep / (math.pi / 2)))
    ((carrier, interval),) = drawn_along(arc_in_curves(radius, start, sweep, curves))
    if isinstance(carrier, Line):
        # So flat an arc is a line to any pen: one through its middle keeps within 0.02 mm and 0.03 % of its size.
        size = 2 * radius * math.sin(sweep / 2)
        assert radius * (1 - math.cos(sweep / 2)) < 2 * (0.02 + 3e-4 * size)
        return
    assert isinstance(carrier, Circle)
    assert carrier.radius == pytest.approx(radius, rel=0.02)
    assert interval[1] - interval[0] == pytest.approx(sweep, rel=0.02)


@given(st.floats(2, 150), turns, st.integers(24, 180))
def test_a_circle_in_chords_is_a_circle(radius: float, start: float, count: int) -> None:
    points = [
        (radius * math.cos(start + math.tau * k / count), radius * math.sin(start + math.tau * k / count))
        for k in range(count + 1)
    ]
    ((carrier, interval),) = drawn_along(straight(*points))
    assert isinstance(carrier, Circle)
    assert carrier.radius == pytest.approx(radius, rel=1e-6)
    assert interval[1] - interval[0] == pytest.approx(math.tau, rel=1e-3)


@given(st.integers(3, 12), st.floats(5, 80), turns)
def test_a_polygon_of_few_corners_stays_one(count: int, radius: float, start: float) -> None:
    """A hexagon is no circle: its corners turn by more than chords do."""
    points = [
        (radius * math.cos(start + math.tau * k / count), radius * math.sin(start + math.tau * k / count))
        for k in range(count)
    ]
    found = list(drawn_along(straight(*points, closed=True)))
    assert len(found) == count
    assert all(isinstance(carrier, Line) for carrier, _ in found)


def test_what_is_curved_and_round_about_nothing_is_a_free_curve() -> None:
    wave = Subpath((0, 0), (((10, 30), (20, -30), (30, 0)),))
    ((carrier, _),) = drawn_along(wave)
    assert isinstance(carrier, Free)


def test_arcs_and_lines_of_one_path_are_told_apart() -> None:
    """A slot: two lines of 40 and two half circles of radius 5."""
    k = 5 * 4 / 3 * math.tan(math.pi / 8)
    path = Subpath(
        (0, 0),
        (
            ((40, 0),),
            ((40 + k, 0), (45, 5 - k), (45, 5)),
            ((45, 5 + k), (40 + k, 10), (40, 10)),
            ((0, 10),),
            ((-k, 10), (-5, 5 + k), (-5, 5)),
            ((-5, 5 - k), (-k, 0), (0, 0)),
        ),
        closed=True,
    )
    strokes = list(strokes_of(path, PEN))
    assert [type(s.piece.carrier) for s in strokes] == [Line, Circle, Line, Circle]
    assert [s.piece.length for s in strokes] == pytest.approx([40, 5 * math.pi, 40, 5 * math.pi], rel=1e-3)


@given(st.floats(3, 200), st.floats(0.1, 0.7), turns)
def test_a_bar_is_a_line_along_its_middle(long: float, wide: float, turn: float) -> None:
    c, s = math.cos(turn), math.sin(turn)
    corners = [(0, -wide / 2), (long, -wide / 2), (long, wide / 2), (0, wide / 2)]
    ring = [(x * c - y * s, x * s + y * c) for x, y in corners]
    shapes = filled_shapes([straight(*ring, closed=True)], PEN)
    (bar,) = shapes.bars
    assert bar.piece.length == pytest.approx(long)
    assert bar.style.width == round(100 * wide)
    ends = sorted(bar.piece.ends, key=lambda end: math.hypot(*end))
    assert math.dist(ends[0], (0, 0)) < 1e-6


@given(st.floats(0.3, 1.4), st.floats(1.3, 3.9), turns, st.booleans())
def test_a_bar_hardly_longer_than_wide_is_one_where_others_are_as_wide(
    wide: float, times: float, turn: float, others: bool
) -> None:
    """By itself it may be anything."""

    def bar_of(long: float, wide: float) -> FilledShapes:
        c, s = math.cos(turn), math.sin(turn)
        corners = [(0, -wide / 2), (long, -wide / 2), (long, wide / 2), (0, wide / 2)]
        return filled_shapes([straight(*((x * c - y * s, x * s + y * c) for x, y in corners), closed=True)], PEN)

    other, short = bar_of(40, wide if others else wide + 0.1), bar_of(times * wide, wide)
    assert short.bars == ()
    content = Content(
        other.bars, (), (), (), short.heads, (), shapes=short.letters, bar_widths=other.bar_widths | short.bar_widths
    )
    found = with_short_bars(content)
    if others:
        line = found.strokes[-1]
        assert line.piece.length == pytest.approx(times * wide)
        assert found.filled == ()
        [shape] = found.shapes
        assert (shape.bar, shape.head) == (line, None), "it may be a letter still"
    else:
        assert found == replace(content, bar_widths=frozenset())


def test_filled_shapes_are_heads_areas_or_unknown() -> None:
    head = straight((0, 0), (3, 0.5), (3, -0.5), closed=True)
    frame = [
        straight((0, 0), (60, 0), (60, 40), (0, 40), closed=True),
        straight((10, 10), (50, 10), (50, 30), (10, 30)),
    ]
    letter = straight(*((math.cos(k) * (2 + k % 2), math.sin(k) * (2 + k % 2)) for k in range(12)), closed=True)
    assert filled_shapes([head], PEN).heads == (((0, 0), (3, 0.5), (3, -0.5)),)
    (area,) = filled_shapes(frame, PEN).areas
    assert area.region.area == pytest.approx(60 * 40 - 40 * 20)
    assert area.spacing == 0
    assert [shape.unknown for shape in filled_shapes([letter], PEN).letters] == [True]


def test_a_page_has_the_colour_of_the_fill_that_covers_it() -> None:
    page = Paper(420, 297)
    dark = page.painted([straight((0, 0), (420, 0), (420, 297), (0, 297), closed=True)], (0.1, 0.1, 0.2))
    assert dark is not None
    assert (dark.hides((0.1, 0.1, 0.2)), dark.hides((1, 1, 1)), page.hides((1, 1, 1))) == (True, False, True)
    assert page.painted([straight((0, 0), (200, 0), (200, 297), closed=True)], (0, 0, 0)) is None


def letters(text: str, at: Point, turn: float = 0.0, size: float = 5.0) -> list[Glyph]:
    c, s = math.cos(math.radians(turn)), math.sin(math.radians(turn))
    return [
        Glyph(letter, (at[0] + 0.6 * size * k * c, at[1] + 0.6 * size * k * s), turn, 0.6 * size, size, 0.7 * size, PEN)
        for k, letter in enumerate(text)
    ]


@given(st.text("0123456789⌀R×.", min_size=1, max_size=12), turns)
def test_letters_make_a_line_in_any_turn(text: str, turn: float) -> None:
    (words,) = words_of(letters(text, (10, 20), math.degrees(turn)))
    assert (words.text, words.at, words.height) == (text, (10, 20), 3.5)


def test_a_gap_parts_words_and_a_wide_one_texts() -> None:
    far = [*letters("12", (0, 0)), *letters("H7", (7.5, 0)), *letters("30", (30, 0)), *letters("5", (30, 8))]
    assert [words.text for words in words_of(far)] == ["12 H7", "30", "5"]
    assert words_of(letters("   ", (0, 0))) == ()
    (led,) = words_of(letters("  7", (0, 0)))
    assert led.text == "7"
    assert led.at[0] == pytest.approx(2.5)


@given(st.lists(st.tuples(st.floats(0, 400), st.floats(0, 280)), min_size=2, max_size=30))
def test_nothing_of_a_path_is_lost(points: list[Point]) -> None:
    """Chords may be taken together as curves; all of them together are as long as the path."""
    path = straight(*points)
    whole = sum(math.dist(a, b) for a, b in pairwise(points))
    assert sum(s.piece.length for s in strokes_of(path, PEN)) == pytest.approx(whole, rel=0.02, abs=0.01)
