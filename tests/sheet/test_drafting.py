"""Changing drafted lines and finding points for the pen, against a general geometry library."""

import math

import pytest
import shapely
from hypothesis import assume, given, settings
from hypothesis import strategies as st
from shapely.geometry import LineString, Point

from maqueta.geometry.carrier import TURN
from maqueta.geometry.crossing import crossings
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.drafted import piece_of
from maqueta.sheet.drafted_line import Drafted, DraftedArc, DraftedLine
from maqueta.sheet.drafting import Change, DraftingError, changed
from maqueta.sheet.placed import placed_views
from maqueta.sheet.snaps import snaps_of
from maqueta.sheet.view import Square, View
from tests.parts import block, projected

Coordinate = st.floats(-50, 50).map(lambda v: round(v, 2))
Spot = st.tuples(Coordinate, Coordinate)


def line(*points: tuple[float, float], pen: str = "visible") -> DraftedLine:
    return DraftedLine.model_validate({"points": points, "pen": pen})


def arc(x: float, y: float, radius: float, start: float = 0.0, sweep: float = TURN) -> DraftedArc:
    return DraftedArc(centre=(x, y), radius=radius, start=start, sweep=sweep)


def ends(drafted: Drafted) -> list[tuple[float, float]]:
    return sorted((round(x, 6), round(y, 6)) for x, y in piece_of(drafted).ends)


def apply(lines: tuple[Drafted, ...], what: str, at: tuple[float, float], **more: object) -> tuple[Drafted, ...]:
    return changed(lines, Change.model_validate({"what": what, "at": at, **more}), 2.0)


CROSS = (line((0, 0), (100, 0)), line((30, -10), (30, 10)), line((70, -10), (70, 10)))


def test_trim_takes_the_stretch_between_the_crossing_lines() -> None:
    left, right, *rest = apply(CROSS, "trim", (50, 0.5))
    assert (ends(left), ends(right)) == ([(0, 0), (30, 0)], [(70, 0), (100, 0)])
    assert tuple(rest) == CROSS[1:]


def test_trim_at_an_end_leaves_one_stretch() -> None:
    assert ends(apply(CROSS, "trim", (90, 0))[0]) == [(0, 0), (70, 0)]


def test_trim_of_a_circle_opens_it_between_its_crossings() -> None:
    opened, _ = apply((arc(0, 0, 10), line((0, -20), (0, 20))), "trim", (10, 0))
    piece = piece_of(opened)
    assert piece.length == pytest.approx(10 * math.pi)
    assert min(x for x, _ in piece.outline()) == pytest.approx(-10)
    assert max(x for x, _ in piece.outline()) == pytest.approx(0, abs=1e-9)


def test_extend_reaches_the_next_line_ahead() -> None:
    short = (line((0, 0), (10, 0)), line((40, -5), (40, 5)), line((60, -5), (60, 5)))
    assert ends(apply(short, "extend", (9, 0))[0]) == [(0, 0), (40, 0)]


def test_extend_carries_an_arc_on_around_its_centre() -> None:
    quarter = (arc(0, 0, 10, 0.0, math.pi / 2), line((-20, 0), (-5, 0)))
    assert piece_of(apply(quarter, "extend", (0, 10))[0]).length == pytest.approx(10 * math.pi)


@pytest.mark.parametrize(
    ("what", "lines", "at", "why"),
    [
        ("trim", (line((0, 0), (10, 0)),), (5, 0), "No line crosses"),
        ("extend", (line((0, 0), (10, 0)),), (9, 0), "no line ahead"),
        ("extend", (arc(0, 0, 10),), (10, 0), "no end"),
        ("trim", (arc(0, 0, 10), line((10, -5), (10, 5))), (-10, 0), "fewer than two"),
        ("erase", (line((0, 0), (10, 0)),), (50, 50), "no drafted line"),
        ("parallel", (line((0, 0), (10, 0)),), (5, 0), "how far"),
        ("trim", (line((0, 0), (5, 1), (9, 4)), line((5, -5), (5, 5))), (1, 0.2), "free curve"),
    ],
)
def test_what_cannot_be_done_says_why(what: str, lines: tuple[Drafted, ...], at: tuple[float, float], why: str) -> None:
    with pytest.raises(DraftingError, match=why):
        apply(lines, what, at)


def test_a_drawn_line_goes_before_the_thin_one_it_lies_on() -> None:
    both = (line((0, 0), (100, 0), pen="construction"), line((0, 0), (40, 0)))
    assert apply(both, "erase", (20, 0.5)) == both[:1]
    assert apply(both, "erase", (60, 0.5)) == both[1:]
    thin = apply(both[:1], "parallel", (20, 0), towards=(20, 5), distance=5, pen="visible")
    assert [entry.pen for entry in thin] == ["construction", "visible"]


def test_another_pen_and_erasing_touch_one_line_only() -> None:
    assert [entry.pen for entry in apply(CROSS, "pen", (50, 0), pen="hidden")] == ["hidden", "visible", "visible"]
    assert apply(CROSS, "erase", (50, 0)) == CROSS[1:]


@settings(max_examples=80, deadline=None)
@given(Spot, Spot, Spot, st.floats(0.5, 20))
def test_a_parallel_keeps_its_distance_and_its_side(
    a: tuple[float, float], b: tuple[float, float], towards: tuple[float, float], gap: float
) -> None:
    assume(math.dist(a, b) > 1)
    base = LineString([a, b])
    carrier = piece_of(line(a, b)).carrier
    foot = carrier.point(carrier.parameter(towards))
    assume(math.dist(foot, towards) > 0.01)
    made = apply((line(a, b),), "parallel", a, towards=towards, distance=gap)[1]
    drawn = LineString(piece_of(made).ends)
    assert drawn.length == pytest.approx(base.length, rel=1e-6)
    assert drawn.hausdorff_distance(base) == pytest.approx(gap, rel=1e-6)
    side = (towards[0] - foot[0], towards[1] - foot[1])
    shift = (drawn.centroid.x - base.centroid.x, drawn.centroid.y - base.centroid.y)
    assert side[0] * shift[0] + side[1] * shift[1] > 0


@settings(max_examples=120, deadline=None)
@given(Spot, Spot, Spot, st.floats(2, 40))
def test_crossings_agree_with_the_geometry_library(
    a: tuple[float, float], b: tuple[float, float], centre: tuple[float, float], radius: float
) -> None:
    assume(math.dist(a, b) > 1)
    off = LineString([a, b]).distance(Point(centre))
    assume(abs(off - radius) > 0.05)
    assume(all(abs(math.dist(end, centre) - radius) > 0.05 for end in (a, b)))
    circle = Point(centre).buffer(radius, quad_segs=2000).exterior
    met = circle.intersection(LineString([a, b]))
    expected = [(p.x, p.y) for p in shapely.get_parts(met) if not p.is_empty]
    found = crossings(piece_of(arc(*centre, radius)).carrier, piece_of(line(a, b)), 1e-9)
    assert len(found) == len(expected)
    assert all(min(math.dist(got, wanted) for wanted in expected) < 1e-2 for got in found)


@settings(max_examples=60, deadline=None)
@given(st.lists(st.tuples(Spot, Spot), min_size=2, max_size=7), st.integers(0, 20))
def test_trimming_and_extending_never_leave_the_carrier(
    spots: list[tuple[tuple[float, float], tuple[float, float]]], which: int
) -> None:
    lines = tuple(line(a, b) for a, b in spots if math.dist(a, b) > 1)
    assume(len(lines) > 1)
    target = lines[which % len(lines)]
    middle = piece_of(target).carrier.point(sum(piece_of(target).interval) / 2)
    before = LineString(target.points)
    # The line nearest to the point is the one that is trimmed: it must be this one.
    assume(all(LineString(o.points).distance(Point(middle)) > 0.01 for o in lines if o is not target))
    try:
        after = apply(lines, "trim", middle)
    except DraftingError:
        return
    pieces = [LineString(piece_of(entry).ends) for entry in after if entry not in lines]
    assert sum(piece.length for piece in pieces) < before.length
    assert all(before.buffer(1e-6).contains(piece) for piece in pieces)


def test_points_for_the_pen_hold_ends_middles_centres_and_crossings_across_views() -> None:
    part = projected(block((40, 20, 10)))
    drafted = (line((0, 0), (20, 0)), arc(30, 10, 5), line((-100, 5), (100, 5), pen="construction"))
    sheet = SheetDocument(
        views=(
            View(id="v1", look=Square(side="-y", up="+z"), at=(50, 100)),
            View(id="v2", look=Square(side="+x", up="+z"), at=(150, 100), lines=drafted),
        )
    )
    found = {(snap.kind, tuple(round(c, 3) for c in snap.at)) for snap in snaps_of(placed_views(part, sheet))}
    assert ("end", (50, 100)) in found
    assert ("end", (170, 100)) in found
    assert ("middle", (160, 100)) in found
    assert ("centre", (180, 110)) in found
    assert ("end", (185, 110)) in found
    # The construction line of the drafted view meets the upright outlines of the front view.
    assert ("crossing", (90, 105)) in found
    points = [snap.at for snap in snaps_of(placed_views(part, sheet))]
    assert all(math.dist(p, q) > 1e-3 for k, p in enumerate(points) for q in points[:k])
