"""Ink of sections and details: hatching, cutting lines with arrows and letters, circled regions, labels."""

import math
from collections.abc import Iterable
from fractions import Fraction
from typing import Final

import numpy as np
import shapely
from shapely.geometry import LineString, MultiLineString, Polygon

from maqueta.drawing.arrows import arrow, moved_along
from maqueta.drawing.ink import Arc, Item, Stroke, Text
from maqueta.geometry.carrier import TURN, Point
from maqueta.geometry.line_set import CutRegion
from maqueta.sheet.placed import PlacedView
from maqueta.sheet.special import CircledRegion, CuttingLine, Hatch

#: Letters of cutting lines and labels are 1.4 times as high as dimensions (ISO 128-3 and ISO 3098, from memory).
LETTER: Final = 5.0
#: A cutting line reaches so far beyond what it cuts, and its wide ends are so long, mm (common practice, no source).
BEYOND, WIDE_END = 4.0, 6.0
#: Arrows of cutting lines, shaft and head together, mm (common practice, no source).
ARROW: Final = 9.0
#: Labels stand so far over their view, mm (common practice, no source).
OVER: Final = 5.0
#: No region is hatched by more lines than this: what is closer is grey.
_MOST_LINES: Final = 1000


def hatch_items(regions: Iterable[CutRegion], hatch: Hatch) -> list[Item]:
    """Hatching of regions in the plane of the sheet: lines of one direction and spacing that go on from one to the
    next, since they stand at whole multiples of the spacing from the sheet's origin."""
    angle = math.radians(hatch.angle)
    along, across = (math.cos(angle), math.sin(angle)), (-math.sin(angle), math.cos(angle))
    items: list[Item] = []
    for region in regions:
        area = Polygon(region.rings[0], region.rings[1:]).buffer(0)
        points = np.array([point for ring in region.rings for point in ring])
        levels, reaches = points @ np.array(across), points @ np.array(along)
        first, last = math.ceil(levels.min() / hatch.spacing), math.floor(levels.max() / hatch.spacing)
        if last - first > _MOST_LINES:
            continue
        low, high = float(reaches.min()) - 1.0, float(reaches.max()) + 1.0
        lines = [
            [
                (low * along[0] + level * across[0], low * along[1] + level * across[1]),
                (high * along[0] + level * across[0], high * along[1] + level * across[1]),
            ]
            for level in (hatch.spacing * k for k in range(first, last + 1))
        ]
        for run in shapely.get_parts(MultiLineString(lines).intersection(area)):
            if isinstance(run, LineString) and run.length > 1e-6:
                (ax, ay), (bx, by) = run.coords[0], run.coords[-1]
                items.append(Stroke(((float(ax), float(ay)), (float(bx), float(by))), "hatching"))
    return items


def section_items(placed: PlacedView) -> list[Item]:
    """Hatching of a view that the program draws, where it is to be hatched."""
    if placed.view.hatch is None or placed.view.lines is not None:
        return []
    return hatch_items((region.moved(placed.move) for region in placed.lines.regions), placed.view.hatch)


def break_items(placed: PlacedView) -> list[Item]:
    """The line at which a detail is broken off."""
    if placed.view.clip is None or placed.view.lines is not None:
        return []
    return [
        Stroke(tuple(placed.to_sheet(point) for point in piece.outline()), "dimension")
        for piece in placed.view.clip.clip.edge
    ]


def label_items(placed: PlacedView) -> list[Item]:
    """The label over a section or detail: "A–A", "B (5:1)"."""
    text, box = label_of(placed), placed.box
    if text is None or not placed.drawn:
        return []
    return [Text(((box[0] + box[2]) / 2, box[3] + OVER), text, LETTER)]


def label_of(placed: PlacedView) -> str | None:
    """What stands over a section or detail; None without a letter."""
    letter = placed.view.letter
    if letter is None:
        return None
    if placed.view.kind == "section":
        return f"{letter}–{letter}"
    return f"{letter} ({ratio(placed.view.scale)})" if placed.view.kind == "detail" else letter


def ratio(scale: float) -> str:
    """A scale as it is written: "5:1", "1:2".

    >>> ratio(5.0), ratio(0.5), ratio(2.5)
    ('5:1', '1:2', '2.5:1')
    """
    if scale >= 1:
        return f"{scale:g}:1"
    return f"1:{float(Fraction(1 / scale).limit_denominator(100)):g}"


def cutting_items(line: CuttingLine, placed: PlacedView) -> list[Item]:
    """A cutting line: narrow chain line, wide at its ends and bends, arrows and letters at both ends."""
    points = [placed.to_sheet(point) for point in line.path]
    points[0] = _out(points[1], points[0])
    points[-1] = _out(points[-2], points[-1])
    items: list[Item] = [Stroke(tuple(points), "centre")]
    for place, corner in enumerate(points):
        for other in points[max(0, place - 1) : place] + points[place + 1 : place + 2]:
            length = math.dist(corner, other)
            if length > 0:
                way = ((other[0] - corner[0]) / length, (other[1] - corner[1]) / length)
                items.append(Stroke((corner, moved_along(corner, way, min(WIDE_END, length / 2))), "visible"))
    for end, inner in ((points[0], points[1]), (points[-1], points[-2])):
        items += _end_items(line, end, inner, forwards=end is points[0])
    return items


def _out(inner: Point, end: Point) -> Point:
    length = math.dist(inner, end)
    if length == 0:
        return end
    return moved_along(end, ((end[0] - inner[0]) / length, (end[1] - inner[1]) / length), BEYOND)


def _end_items(line: CuttingLine, end: Point, inner: Point, forwards: bool) -> list[Item]:
    """Arrow and letter at an end."""
    length = math.dist(end, inner)
    if length == 0:
        return []
    way = ((inner[0] - end[0]) / length, (inner[1] - end[1]) / length)
    if not forwards:
        way = (-way[0], -way[1])
    towards = (-way[1], way[0]) if line.arrows == "left" else (way[1], -way[0])
    tip = moved_along(end, towards, ARROW)
    items: list[Item] = [Stroke((end, tip), "dimension"), arrow(tip, towards)]
    if line.letter is not None:
        # The letter stands at the tip, beside the line and away from what is cut.
        outwards = ((end[0] - inner[0]) / length, (end[1] - inner[1]) / length)
        at = moved_along(moved_along(tip, outwards, LETTER * 0.7), towards, 0.0)
        items.append(Text((at[0], at[1] - LETTER / 2), line.letter, LETTER))
    return items


def circled_items(region: CircledRegion, placed: PlacedView) -> list[Item]:
    """A narrow circle or outline about a region, and its letter beside it."""
    items: list[Item] = []
    clip = region.region.clip
    if clip.corners:
        items += [Stroke(tuple(map(placed.to_sheet, piece.outline())), "dimension") for piece in clip.edge]
    else:
        items.append(Arc(placed.to_sheet(clip.centre), clip.radius * placed.factor, 0.0, TURN, "dimension"))
    if region.letter is not None:
        right, top = max(p[0] for p in _hull(region, placed)), max(p[1] for p in _hull(region, placed))
        items.append(Text((right + LETTER / 2, top - LETTER / 2), region.letter, LETTER))
    return items


def _hull(region: CircledRegion, placed: PlacedView) -> list[Point]:
    clip = region.region.clip
    if clip.corners:
        return [placed.to_sheet(corner) for corner in clip.corners]
    (x, y), reach = placed.to_sheet(clip.centre), clip.radius * placed.factor * math.sqrt(0.5)
    return [(x + reach, y + reach)]
