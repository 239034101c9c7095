"""Ink of sections and details: hatching against a plane-geometry library, cutting lines, labels, and files."""

import math

import pytest
import shapely
from hypothesis import given
from hypothesis import strategies as st

from maqueta.drawing.dxf import dxf
from maqueta.drawing.ink import Arc, Filled, InkGroup, Stroke, Text
from maqueta.drawing.pdf import pdf
from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.drawing.sheet_sizes import sheet_sizes
from maqueta.drawing.special_ink import hatch_items
from maqueta.drawing.svg import svg
from maqueta.sheet.special import CuttingLine
from tests.judging.special_sheets import projected, with_detail, with_section

SQUARE = ((0.0, 0.0), (40.0, 0.0), (40.0, 30.0), (0.0, 30.0))
ISLAND = ((10.0, 10.0), (20.0, 10.0), (20.0, 20.0), (10.0, 20.0))
RING = (SQUARE, ISLAND)


def group_of(name: str, role: str) -> InkGroup:
    return next(g for g in sheet_ink(projected(), with_detail()) if g.id == name and g.role == role)


@given(st.floats(-90, 90), st.floats(0.8, 9))
def test_hatching_fills_the_region_evenly_and_leaves_islands(angle: float, spacing: float) -> None:
    lines = [item for item in hatch_items([RING], angle, spacing) if isinstance(item, Stroke)]
    area = shapely.Polygon(SQUARE, [ISLAND])
    drawn = shapely.MultiLineString([line.points for line in lines])
    assert drawn.difference(area.buffer(1e-6)).length == pytest.approx(0.0, abs=1e-6)
    # As many mm of line as the area holds stripes of the spacing, but for the ends.
    assert drawn.length * spacing == pytest.approx(area.area, abs=2.5 * spacing * (spacing + 60))
    turn = math.radians(angle)
    for line in lines:
        (ax, ay), (bx, by) = line.points
        assert (bx - ax) * math.sin(turn) == pytest.approx((by - ay) * math.cos(turn), abs=1e-6)


def test_hatching_goes_on_from_one_region_to_the_next() -> None:
    """Two halves of a region are hatched as the whole of it."""
    left = (((0.0, 0.0), (17.0, 0.0), (17.0, 30.0), (0.0, 30.0)),)
    right = (((17.0, 0.0), (40.0, 0.0), (40.0, 30.0), (17.0, 30.0)),)
    one, two = (
        [i for i in hatch_items(own, 45.0, 3.0) if isinstance(i, Stroke)] for own in ([(SQUARE,)], [left, right])
    )
    assert sum(math.dist(*s.points) for s in one) == pytest.approx(sum(math.dist(*s.points) for s in two))
    apart = shapely.MultiLineString([s.points for s in two]).difference(
        shapely.MultiLineString([s.points for s in one]).buffer(1e-6)
    )
    assert apart.length == pytest.approx(0.0, abs=1e-6)


def test_a_section_is_hatched_under_its_outlines_and_labelled_above() -> None:
    section = group_of("s1", "view")
    pens = [item.pen for item in section.items if isinstance(item, Stroke | Arc)]
    assert pens[0] == "hatching"
    assert "hatching" not in pens[pens.index("visible") :]
    (label,) = [item for item in section.items if isinstance(item, Text)]
    assert label.text == "A–A"
    assert label.at[1] > max(y for item in section.items if isinstance(item, Stroke) for _, y in item.points)


def test_arrows_point_the_way_the_section_is_looked_at() -> None:
    """Along the line from left to right; the reader of the section stands below, so they point up: to the left."""
    line = group_of("c1", "cutting-line")
    heads = [item for item in line.items if isinstance(item, Filled)]
    shafts = [item for item in line.items if isinstance(item, Stroke) and item.pen == "dimension"]
    assert len(heads) == len(shafts) == 2
    for shaft in shafts:
        (ax, ay), (bx, by) = shaft.points
        assert (bx - ax, by - ay) == pytest.approx((0.0, 9.0))
    assert [item.text for item in line.items if isinstance(item, Text)] == ["A", "A"]
    wide = [item for item in line.items if isinstance(item, Stroke) and item.pen == "visible"]
    assert len(wide) == 2


def test_arrows_turned_point_the_other_way() -> None:
    sheet = with_section()
    turned = tuple(line.model_copy(update={"arrows": "right"}) for line in sheet.cutting_lines)
    groups = sheet_ink(projected(), sheet.model_copy(update={"cutting_lines": turned}))
    line = next(g for g in groups if g.role == "cutting-line")
    shaft = next(item for item in line.items if isinstance(item, Stroke) and item.pen == "dimension")
    assert shaft.points[1][1] < shaft.points[0][1]


def test_an_offset_cutting_line_is_wide_at_its_bends() -> None:
    sheet = with_section()
    path = ((0.0, 20.0), (30.0, 20.0), (30.0, 10.0), (60.0, 10.0))
    line = CuttingLine(id="c1", view="v2", path=path, letter="A")
    groups = sheet_ink(projected(), sheet.model_copy(update={"cutting_lines": (line,)}))
    items = next(g for g in groups if g.role == "cutting-line").items
    assert sum(isinstance(item, Stroke) and item.pen == "visible" for item in items) == 2 + 2 * 2


def test_a_detail_is_circled_and_labelled_with_its_scale() -> None:
    detail, circled = group_of("d1", "view"), group_of("r1", "circled")
    assert [item.text for item in detail.items if isinstance(item, Text)] == ["B (5:1)"]
    (circle,) = [item for item in circled.items if isinstance(item, Arc)]
    assert circle.radius == pytest.approx(6.0)
    assert [item.text for item in circled.items if isinstance(item, Text)] == ["B"]


def test_special_views_go_into_every_file() -> None:
    sheet = with_detail()
    groups = sheet_ink(projected(), sheet)
    drawn = dxf(groups, sheet_sizes(projected(), sheet)).decode()
    assert "HATCHING" in drawn
    assert "A–A" in drawn
    assert b"%PDF" in pdf(groups, sheet.paper.layout, "SHEET")[:10]
    assert 'class="hatching"' in svg(groups, sheet.paper.layout, "SHEET")
