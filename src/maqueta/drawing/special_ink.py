"""Ink of sections and details: hatching, cutting lines with arrows and letters, circled regions, labels."""

import math
from collections.abc import Iterable
from itertools import pairwise
from typing import Final

import numpy as np
import shapely
from shapely.geometry import LineString, MultiLineString, Polygon

from maqueta.drawing.arrows import arrow, moved_along
from maqueta.drawing.ink import Arc, Filled, Item, Stroke, Text
from maqueta.geometry.box import Box, box_of
from maqueta.geometry.carrier import TURN, Point
from maqueta.geometry.clip import Clip
from maqueta.sheet.placed import PlacedView
from maqueta.sheet.scales import write_scale
from maqueta.sheet.special import CircledRegion, CuttingLine, Rings, SheetCut, SightArrow

#: Letters of cutting lines and labels are 1.4 times as high as dimensions (ISO 128-3 and ISO 3098, from memory).
LETTER: Final = 5.0
#: A cutting line reaches so far beyond what it cuts, and its wide ends are so long, mm (common practice, no source).
BEYOND, WIDE_END = 4.0, 6.0
#: Arrows of cutting lines, shaft and head together, mm (common practice, no source).
ARROW: Final = 9.0
#: Labels stand so far over their view, mm (common practice, no source).
OVER: Final = 5.0
#: Hatching denser than this, mm, is filled.
_DENSEST: Final = 0.3
#: A region of more lines than this is not hatched: no sheet of paper has room for them.
_MOST_LINES: Final = 1000


def hatch_items(areas: Iterable[Rings], angle: float, spacing: float) -> list[Item]:
    """Hatching of areas in the plane of the sheet: lines of one direction (degrees) and spacing (mm).

    They go on from one area to the next, since they stand at whole multiples of the spacing from the sheet's origin.
    """
    turn = math.radians(angle)
    along, across = (math.cos(turn), math.sin(turn)), (-math.sin(turn), math.cos(turn))
    items: list[Item] = []
    for rings in areas:
        area = Polygon(rings[0], rings[1:]).buffer(0)
        points = np.array([point for ring in rings for point in ring])
        levels, reaches = points @ np.array(across), points @ np.array(along)
        first, last = math.ceil(levels.min() / spacing), math.floor(levels.max() / spacing)
        if last - first > _MOST_LINES:
            continue
        low, high = float(reaches.min()) - 1.0, float(reaches.max()) + 1.0
        lines = [
            [
                (low * along[0] + level * across[0], low * along[1] + level * across[1]),
                (high * along[0] + level * across[0], high * along[1] + level * across[1]),
            ]
            for level in (spacing * k for k in range(first, last + 1))
        ]
        for run in shapely.get_parts(MultiLineString(lines).intersection(area)):
            if isinstance(run, LineString) and run.length > 1e-6:
                (ax, ay), (bx, by) = run.coords[0], run.coords[-1]
                items.append(Stroke(((float(ax), float(ay)), (float(bx), float(by))), "hatching"))
    return items


def section_items(placed: PlacedView) -> list[Item]:
    """Hatching of a view: by the program where it draws the view and is to hatch it, else by hand."""
    items: list[Item] = []
    for area in placed.hatched:
        rings = area.moved(placed.move).rings
        if area.spacing < _DENSEST and len(rings) == 1:
            items.append(Filled(rings[0]))
        else:
            items += hatch_items([rings], area.angle, max(area.spacing, _DENSEST))
    return items


def break_items(placed: PlacedView) -> list[Item]:
    """The line at which a detail is broken off, or along which a section is broken out of its view."""
    if placed.view.lines is None and placed.view.cut is not None and placed.view.cut.form == "broken-out":
        return _broken_out(placed, placed.view.cut)
    if placed.view.clip is None or placed.view.lines is not None:
        return []
    return [
        Stroke(tuple(placed.to_sheet(point) for point in piece.outline()), "dimension")
        for piece in placed.view.clip.clip.edge
    ]


def _broken_out(placed: PlacedView, cut: SheetCut) -> list[Item]:
    """The free line round what is broken out, where it runs over the view."""
    assert placed.look is not None, "a section looks at the part"
    corners = [placed.to_sheet(placed.look.seen(point)) for point in cut.path]
    outline = shapely.unary_union([LineString(piece.moved(placed.move).outline()) for piece in placed.drawn])
    inside = shapely.unary_union(list(shapely.polygonize(list(shapely.get_parts(shapely.node(outline)))).geoms))
    ring = LineString([*corners, corners[0]]).intersection(inside.buffer(1e-6))
    runs = (part for part in shapely.get_parts(shapely.line_merge(ring)) if isinstance(part, LineString))
    return [Stroke(tuple((float(x), float(y)) for x, y in run.coords), "dimension") for run in runs if run.length > 0.5]


def label_items(placed: PlacedView) -> list[Item]:
    """The label over a section or detail: "A–A", "B (5:1)"."""
    text = label_of(placed)
    if text is None or not placed.drawn:
        return []
    left, _, right, top = placed.box if placed.view.clip is None else _clip_box(placed, placed.view.clip.clip)
    return [Text(((left + right) / 2, top + OVER), text, LETTER)]


def _clip_box(placed: PlacedView, clip: Clip) -> Box:
    """The box on the sheet of what is broken off."""
    return box_of(placed.to_sheet(point) for piece in clip.edge for point in piece.outline())


def label_of(placed: PlacedView) -> str | None:
    """What stands over a section or detail; None without a letter."""
    letter = placed.view.letter
    if letter is None:
        return None
    if placed.view.kind == "section":
        return f"{letter}–{letter}"
    if placed.view.kind != "detail":
        return letter
    stated = placed.view.stated if placed.view.stated is not None else write_scale(placed.view.scale)
    return f"{letter} ({stated})" if stated else letter


def cutting_items(line: CuttingLine, placed: PlacedView) -> list[Item]:
    """A cutting line: narrow chain line, wide at its ends and bends, arrows and letters at both ends."""
    points = [placed.to_sheet(point) for point in line.path]
    points = [point for place, point in enumerate(points) if place == 0 or point != points[place - 1]]
    if len(points) < 2:
        return []
    ways = [_way(start, end) for start, end in pairwise(points)]
    points[0], points[-1] = moved_along(points[0], ways[0], -BEYOND), moved_along(points[-1], ways[-1], BEYOND)
    items: list[Item] = [Stroke(tuple(points), "centre")]
    for (start, end), way in zip(pairwise(points), ways, strict=True):
        wide = min(WIDE_END, math.dist(start, end) / 2)
        items += [Stroke((start, moved_along(start, way, wide)), "visible")]
        items += [Stroke((end, moved_along(end, way, -wide)), "visible")]
    for end, way, outwards, letter in (
        (points[0], ways[0], -1.0, line.letter),
        (points[-1], ways[-1], 1.0, line.other or line.letter),
    ):
        towards = (way[1], -way[0]) if line.arrows == "right" else (-way[1], way[0])
        tip = moved_along(end, towards, ARROW)
        if line.arrows != "none":
            items += [Stroke((end, tip), "dimension"), arrow(tip, towards)]
        if letter is not None:
            # Beside the tip, away from what is cut.
            x, y = moved_along(tip, way, outwards * LETTER * 0.7)
            items.append(Text((x, y - LETTER / 2), letter, LETTER))
    return items


def _way(start: Point, end: Point) -> Point:
    """The unit vector from one point to another."""
    length = math.dist(start, end)
    return ((end[0] - start[0]) / length, (end[1] - start[1]) / length)


def sight_items(own: SightArrow, placed: PlacedView) -> list[Item]:
    """An arrow that says from where a labelled view looks, and its letter over its shaft."""
    tip = placed.to_sheet(own.tip)
    way = _way((0.0, 0.0), own.way)
    tail = moved_along(tip, way, -ARROW)
    items: list[Item] = [Stroke((tail, tip), "dimension"), arrow(tip, way)]
    if own.letter is not None:
        x, y = moved_along(tail, way, -LETTER)
        items.append(Text((x, y - LETTER / 2), own.letter, LETTER))
    return items


def circled_items(region: CircledRegion, placed: PlacedView) -> list[Item]:
    """A narrow circle or outline about a region, and its letter beside it."""
    clip = region.region.clip
    if clip.corners:
        corners = [placed.to_sheet(corner) for corner in clip.corners]
        items: list[Item] = [Stroke((*corners, corners[0]), "dimension")]
    else:
        centre, radius = placed.to_sheet(clip.centre), clip.radius * placed.factor
        items = [Arc(centre, radius, 0.0, TURN, "dimension")]
        corners = [moved_along(centre, (math.sqrt(0.5), math.sqrt(0.5)), radius)]
    if region.letter is not None:
        right, top = max(x for x, _ in corners), max(y for _, y in corners)
        items.append(Text((right + LETTER / 2, top - LETTER / 2), region.letter, LETTER))
    return items
