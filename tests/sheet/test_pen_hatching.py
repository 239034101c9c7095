"""Hatching with the pen: the region about a point, against a plane-geometry library."""

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st
from shapely import union_all
from shapely.geometry import Point, Polygon, box

from maqueta.geometry.carrier import TURN
from maqueta.sheet.document import CentreLine
from maqueta.sheet.drafted_line import Drafted, DraftedArc, DraftedLine
from maqueta.sheet.drafting import DraftingError
from maqueta.sheet.pen_hatching import hatched_at
from maqueta.sheet.special import Hatch, SheetCut
from maqueta.sheet.view import Aslant, View, ViewKind

FRAME = ((1.0, 0.0, 0.0), (0.0, 0.0, 1.0), (0.0, -1.0, 0.0))
HALF = SheetCut(form="half", path=((-40, 0, 0), (0, 0, 0), (0, -40, 0)), across=(0, 0, 1))
HATCH = Hatch(angle=-30, spacing=2)


def line(*points: tuple[float, float], pen: str = "visible") -> DraftedLine:
    return DraftedLine.model_validate({"points": points, "pen": pen})


def rectangle(left: float, low: float, right: float, high: float) -> list[Drafted]:
    corners = [(left, low), (right, low), (right, high), (left, high)]
    return [line(a, b) for a, b in zip(corners, [*corners[1:], corners[0]], strict=True)]


def circle(x: float, y: float, radius: float) -> DraftedArc:
    return DraftedArc.model_validate({"centre": (x, y), "radius": radius, "start": 0.0, "sweep": TURN})


def view(*lines: Drafted, cut: SheetCut | None = None) -> View:
    kind: ViewKind = "auxiliary" if cut is None else "section"
    return View(id="s1", kind=kind, look=Aslant(frame=FRAME), at=(0, 0), lines=lines, cut=cut)


def region(of: View, place: int = -1) -> Polygon:
    assert of.hatched is not None
    rings = of.hatched[place].rings
    return Polygon(rings[0], rings[1:])


@given(
    st.floats(20, 200),
    st.floats(20, 200),
    st.lists(st.tuples(st.floats(0.2, 0.8), st.floats(0.2, 0.8), st.floats(1.0, 4.0)), max_size=3),
    st.tuples(st.floats(0.05, 0.95), st.floats(0.05, 0.95)),
)
def test_islands_are_left_out_wherever_they_are(
    wide: float, high: float, islands: list[tuple[float, float, float]], spot: tuple[float, float]
) -> None:
    """The region is what lies between the outline and the islands, or the island that was pointed into."""
    discs = [Point(x * wide, y * high).buffer(r, quad_segs=18) for x, y, r in islands]
    at = Point(spot[0] * wide, spot[1] * high)
    # Islands that touch, or a point at a rim, are another question.
    for place, disc in enumerate(discs):
        if any(disc.distance(other) < 0.5 for other in discs[:place]) or at.distance(disc.exterior) < 0.3:
            return
    drawn = view(*rectangle(0, 0, wide, high), *(circle(x * wide, y * high, r) for x, y, r in islands))
    hatched = hatched_at(drawn, (), (at.x, at.y), HATCH, 1.0)
    inside = [disc for disc in discs if disc.contains(at)]
    expected = inside[0] if inside else box(0, 0, wide, high)
    bare = expected if inside else expected.difference(union_all(discs))
    assert region(hatched).symmetric_difference(bare).area < 0.01 * bare.area
    assert (hatched.hatched or ())[0].angle == -30
    # Once more, and it is not hatched any more.
    assert hatched_at(hatched, (), (at.x, at.y), HATCH, 1.0).hatched is None


def test_a_gap_that_no_reader_sees_is_closed_and_a_wide_one_is_told() -> None:
    sides = rectangle(0, 0, 40, 20)[:3]
    almost = hatched_at(view(*sides, line((0, 20), (0, 0.15))), (), (10, 10), HATCH, 1.0)
    assert region(almost).area == pytest.approx(800, rel=1e-3)
    with pytest.raises(DraftingError):
        hatched_at(view(*sides, line((0, 20), (0, 3))), (), (10, 10), HATCH, 1.0)
    with pytest.raises(DraftingError):
        hatched_at(view(*rectangle(0, 0, 40, 20)), (), (50, 10), HATCH, 1.0)


def test_hidden_and_thin_lines_bound_nothing_and_lines_may_cross() -> None:
    crossed = view(*rectangle(0, 0, 40, 20), line((-5, 10), (45, 10), pen="hidden"), line((20, -9), (20, 29)))
    assert region(hatched_at(crossed, (), (10, 15), HATCH, 1.0)).bounds == pytest.approx((0, 0, 20, 20), abs=0.01)


def test_in_a_half_section_the_axis_bounds_and_elsewhere_it_does_not() -> None:
    axis = CentreLine(id="m1", view="s1", start=(0, -5), end=(0, 25))
    whole = rectangle(-30, 0, 30, 20)
    half = hatched_at(view(*whole, cut=HALF), (axis,), (-10, 10), HATCH, 1.0)
    assert region(half).bounds == pytest.approx((-30, 0, 0, 20), abs=0.01)
    full = HALF.model_copy(update={"form": "full", "path": HALF.path[:2]})
    assert region(hatched_at(view(*whole, cut=full), (axis,), (-10, 10), HATCH, 1.0)).area == pytest.approx(
        1200, rel=1e-3
    )


def test_an_edge_of_many_points_is_kept_within_what_a_sheet_holds() -> None:
    steps = 900
    ring = [(50 * math.cos(TURN * k / steps), 50 * math.sin(TURN * k / steps)) for k in range(steps)]
    drawn = view(*(line(a, b) for a, b in zip(ring, [*ring[1:], ring[0]], strict=True)))
    area = region(hatched_at(drawn, (), (0, 0), HATCH, 1.0))
    assert len(area.exterior.coords) <= 401
    assert area.area == pytest.approx(math.pi * 2500, rel=1e-3)
