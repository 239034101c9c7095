"""Broken lines drawn as loose strokes: joined where they are one line, left alone where they are not."""

import math
from itertools import pairwise

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from maqueta.geometry.carrier import TURN, Circle, line_through
from maqueta.geometry.line_set import Piece
from maqueta.reading.content import Stroke, Style
from maqueta.reading.dashes import JOINED, join_dashes
from maqueta.reading.kinds import kind_of, pattern_kind

PLAIN = Style("0", (), "CONTINUOUS", False, None, 7)
HIDDEN = Style("HIDDEN", (), "CONTINUOUS", False, None, 7)


def stroke(x0: float, x1: float, y: float = 0.0, style: Style = PLAIN, turn: float = 0.0) -> Stroke:
    c, s = math.cos(turn), math.sin(turn)
    carrier, interval = line_through((x0 * c - y * s, x0 * s + y * c), (x1 * c - y * s, x1 * s + y * c))
    return Stroke(Piece("visible", carrier, interval, (), ()), style)


def strokes(length: float, pattern: tuple[float, ...], style: Style = PLAIN, turn: float = 0.0) -> list[Stroke]:
    """A line from 0 to `length` as strokes and gaps in turn."""
    marks, at, step = [], 0.0, 0
    while at < length - 1e-9:
        end = min(length, at + pattern[step % len(pattern)])
        if step % 2 == 0 and end - at > 1e-6:
            marks.append(stroke(at, end, style=style, turn=turn))
        at, step = end, step + 1
    return marks


def meant(mark: Stroke) -> str | None:
    return pattern_kind(mark.style.pattern, mark.style.pattern_name)


@settings(max_examples=150, deadline=None)
@given(st.floats(2.0, 6.0), st.floats(0.5, 1.9), st.integers(3, 14), st.floats(0, 0.95), st.floats(0, 3.1))
def test_even_strokes_become_one_hidden_line(dash: float, gap: float, whole: int, rest: float, turn: float) -> None:
    length = whole * (dash + gap) + rest * dash
    (line,) = join_dashes(strokes(length, (dash, gap), turn=turn))
    assert (meant(line), line.style.pattern_name) == ("hidden", JOINED)
    # The last gap may not show, and no more than that is forgiven.
    assert length - line.short - 1e-6 <= line.piece.length <= length + 1e-6
    assert line.short <= 1.1 * gap


@given(st.floats(8, 16), st.floats(0.6, 1.5), st.floats(0.5, 2.0), st.integers(2, 6))
@settings(max_examples=60, deadline=None)
def test_long_and_short_strokes_become_one_centre_line(long: float, gap: float, short: float, count: int) -> None:
    (line,) = join_dashes(strokes(count * (long + short + 2 * gap) + long, (long, gap, short, gap)))
    assert meant(line) == "centre"


@pytest.mark.parametrize(
    "marks",
    [
        [stroke(0, 20), stroke(20, 40), stroke(40, 60)],
        [stroke(0, 10), stroke(18, 28), stroke(36, 46)],
        [stroke(0, 4), stroke(6, 30), stroke(31, 33)],
        [stroke(0, 3), stroke(4.5, 7.5)],
        [stroke(0, 3), stroke(4, 7, y=0.4), stroke(8, 11)],
    ],
    ids=["end to end", "teeth of a comb", "uneven", "only two", "not in line"],
)
def test_other_strokes_stay_as_they_are(marks: list[Stroke]) -> None:
    assert [mark.style.pattern for mark in join_dashes(marks)] == [()] * len(marks)


def test_two_strokes_are_joined_where_the_layer_says_they_are_hidden() -> None:
    (line,) = join_dashes([stroke(0, 3, style=HIDDEN), stroke(4.5, 6, style=HIDDEN)])
    assert (meant(line), round(line.piece.length, 6)) == ("hidden", 6.0)


def test_hidden_lines_side_by_side_on_one_carrier_stay_apart() -> None:
    marks = [*strokes(24, (3, 1.5), HIDDEN), *(stroke(a + 31.0, a + 34.0, style=HIDDEN) for a in (0.0, 4.5, 9.0))]
    first, second = sorted(join_dashes(marks), key=lambda mark: mark.piece.interval)
    assert first.piece.interval == pytest.approx((0, 24), abs=1.6)
    assert second.piece.interval == pytest.approx((31, 43))


def test_circle_of_strokes_is_a_whole_hidden_circle() -> None:
    count, radius = 24, 12.0
    step = TURN / count
    marks = [
        Stroke(Piece("visible", Circle(5, 5, radius), (k * step, (k + 0.7) * step), (), ()), PLAIN)
        for k in range(count)
    ]
    (circle,) = join_dashes(marks)
    assert circle.piece.interval == (0.0, TURN)
    assert (meant(circle), circle.short) == ("hidden", 0.0)


def test_what_is_left_of_a_dash_where_a_circle_closes_belongs_to_it() -> None:
    """Files that draw arcs shorter than a mm as lines: the last dash is one, a line that crosses the circle is none."""
    count, radius = 24, 12.0
    step = TURN / (count + 0.4)
    marks = [
        Stroke(Piece("visible", Circle(5, 5, radius), (k * step, (k + 0.7) * step), (), ()), PLAIN)
        for k in range(count)
    ]
    ends = [(5 + radius * math.cos(t), 5 + radius * math.sin(t)) for t in (count * step, TURN - 0.15 * step)]
    last = Stroke(Piece("visible", *line_through(*ends), (), ()), PLAIN)
    across = Stroke(Piece("visible", *line_through((16.5, 5.0), (17.5, 5.0)), (), ()), PLAIN)
    found = join_dashes([*marks, last, across])
    assert sorted(type(own.piece.carrier).__name__ for own in found) == ["Circle", "Line"]
    assert across.piece in [own.piece for own in found]


def test_lines_drawn_twice_count_once() -> None:
    marks = strokes(40, (3, 1.5))
    assert join_dashes([*marks, *marks]) == join_dashes(marks)
    assert len(join_dashes([stroke(0, 50), stroke(50, 0)])) == 1


def test_visible_layer_is_never_taken_for_dashes() -> None:
    style = Style("VISIBLE", (), "CONTINUOUS", False, None, 7)
    marks = strokes(40, (3, 1.5), style)
    assert kind_of(style) == "visible"
    assert list(join_dashes(marks)) == marks
    assert all(b.piece.interval[0] > a.piece.interval[1] for a, b in pairwise(marks))


def test_many_lines_of_two_strokes_show_their_rhythm_to_each_other() -> None:
    """Short hidden lines beside a centre line, all of them strokes in one style of layer 0."""
    axis = strokes(60, (8, 1.5, 1, 1.5))
    pairs = [stroke(x, x + 3, y) for y in (10, 15, 20, 25) for x in (0, 4.5)]
    kinds = [meant(mark) for mark in join_dashes([*axis, *pairs])]
    assert sorted(map(str, kinds)) == ["centre", *["hidden"] * 4]
    # Fewer show nothing, nor do such of which one differs, or with another gap than the axis, as sides of a groove.
    others = [*pairs, stroke(0, 6, 30), stroke(7.5, 13.5, 30)]
    wider = [stroke(x, x + 3, y) for y in (10, 15, 20, 25) for x in (0, 5.5)]
    begun = [stroke(x, x + length, y) for y in (10, 15, 20, 25) for x, length in ((0, 8), (9.5, 1))]
    crossed = [stroke(x, x + 8, y) for y in (10, 15, 20, 25) for x in (0, 9.5)]
    for left in (pairs[:6], others, wider, begun, crossed):
        assert [meant(mark) for mark in join_dashes([*axis, *left])].count("hidden") == 0
