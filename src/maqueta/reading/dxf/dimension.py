"""Dimension entities of a DXF file as sizes: what each was taken from (R12 to R2018, group codes as published)."""

import math
from dataclasses import replace
from typing import Any, Final

from ezdxf.tools.text import fast_plain_mtext

from maqueta.geometry.carrier import Point
from maqueta.reading.content import Size, SizeKind
from maqueta.reading.dxf.curves import point_of

_LINEAR, _ALIGNED, _ANGLE, _DIAMETER, _RADIUS, _ANGLE_OF_POINTS, _COORDINATE = range(7)
#: Lines are square to each other, and in line with a point, within this part of their length.
_SQUARE: Final = 0.01
#: Lines of one picture meet within this, in units of the file.
_MEETS: Final = 1e-6
#: Flag of a coordinate that is measured across.
_ACROSS: Final = 64


def size_of(entity: Any) -> Size | None:
    """The size a dimension entity stands for, with what is written at it; None for a kind that is not read."""
    size = _measured(entity, _written(entity))
    if size is None:
        return None
    feet = _feet(entity, size) if size.kind in ("linear", "aligned") else None
    return replace(size, lettering=_lettering(entity), feet=feet)


def _feet(entity: Any, size: Size) -> tuple[Point | None, Point | None] | None:
    """Where the extension lines begin in the picture of a linear dimension: the nearer end of the line square to it."""
    dx, dy = math.cos(size.turn), math.sin(size.turn)
    lines = [
        (point_of(child.dxf.start), point_of(child.dxf.end))
        for child in entity.get_geometry_block() or ()
        if child.dxftype() == "LINE"
    ]
    feet: list[Point | None] = []
    for measured in (size.first, size.second):
        ends = [
            min(line, key=lambda end: math.dist(end, measured))
            for line in lines
            if abs((line[1][0] - line[0][0]) * dx + (line[1][1] - line[0][1]) * dy) <= _SQUARE * math.dist(*line)
            and abs((line[0][0] - measured[0]) * dx + (line[0][1] - measured[1]) * dy) <= _SQUARE * math.dist(*line)
        ]
        feet.append(min(ends, key=lambda end: math.dist(end, measured), default=None))
    return (feet[0], feet[1]) if any(feet) else None


def _lettering(entity: Any) -> tuple[float, float] | None:
    shown = _text_of(entity)
    if shown is None:
        return None
    if shown.dxftype() == "MTEXT":
        return float(shown.dxf.get("char_height", 2.5)), float(shown.get_rotation())
    return float(shown.dxf.get("height", 2.5)), float(shown.dxf.get("rotation", 0.0))


def _measured(entity: Any, text: str) -> Size | None:
    place = point_of(entity.dxf.get("defpoint", (0, 0, 0)))
    match entity.dimtype:
        case kind if kind in (_DIAMETER, _RADIUS):
            far = point_of(entity.dxf.get("defpoint4", (0, 0, 0)))
            centre = ((place[0] + far[0]) / 2, (place[1] + far[1]) / 2) if kind == _DIAMETER else place
            name: SizeKind = "diameter" if kind == _DIAMETER else "radius"
            return Size(name, centre, far, 0.0, _text_place(entity, centre, far), text)
        case kind if kind in (_LINEAR, _ALIGNED):
            first, second = point_of(entity.dxf.defpoint2), point_of(entity.dxf.defpoint3)
            if kind == _LINEAR:
                return Size("linear", first, second, math.radians(float(entity.dxf.get("angle", 0.0))), place, text)
            turn = math.atan2(second[1] - first[1], second[0] - first[0])
            return Size("aligned", first, second, turn, place, text)
        case kind if kind == _COORDINATE:
            turn = 0.0 if int(entity.dxf.dimtype) & _ACROSS else math.pi / 2
            end = point_of(entity.dxf.get("defpoint3", entity.dxf.defpoint2))
            return Size("linear", place, point_of(entity.dxf.defpoint2), turn, end, text)
        case kind if kind == _ANGLE_OF_POINTS:
            first, second = point_of(entity.dxf.defpoint2), point_of(entity.dxf.defpoint3)
            return Size("angle", first, second, 0.0, place, text, point_of(entity.dxf.defpoint4))
        case kind if kind == _ANGLE:
            return _of_lines(entity, place, text)
    return None


def _of_lines(entity: Any, last: Point, text: str) -> Size | None:
    """An angle between two lines, each given by two points; the arc says which of the four sectors is meant."""
    lines = (
        (point_of(entity.dxf.defpoint2), point_of(entity.dxf.defpoint3)),
        (point_of(entity.dxf.defpoint4), last),
    )
    vertex = crossing(*lines)
    if vertex is None:
        return None
    arc = point_of(entity.dxf.get("defpoint5", lines[0][1]))
    (ax, ay), (bx, by) = ((line[1][0] - line[0][0], line[1][1] - line[0][1]) for line in lines)
    # The arc's middle is made up of both directions: each is turned so that its share is not negative.
    mx, my = arc[0] - vertex[0], arc[1] - vertex[1]
    area = ax * by - ay * bx
    shares = ((mx * by - my * bx) / area, (ax * my - ay * mx) / area)
    legs = []
    for (dx, dy), share in zip(((ax, ay), (bx, by)), shares, strict=True):
        sign = 1.0 if share >= 0 else -1.0
        legs.append((vertex[0] + sign * dx, vertex[1] + sign * dy))
    return Size("angle", legs[0], legs[1], 0.0, arc, text, vertex)


def crossing(first: tuple[Point, Point], second: tuple[Point, Point]) -> Point | None:
    """Where two lines through two points each meet; None for parallel ones."""
    (x1, y1), (x2, y2) = first
    (x3, y3), (x4, y4) = second
    area = (x2 - x1) * (y4 - y3) - (y2 - y1) * (x4 - x3)
    if abs(area) < 1e-9:
        return None
    share = ((x3 - x1) * (y4 - y3) - (y3 - y1) * (x4 - x3)) / area
    return (x1 + share * (x2 - x1), y1 + share * (y2 - y1))


def _written(entity: Any) -> str:
    """What stands at a dimension: the text given, else what its block shows, else what it measures."""
    given = str(fast_plain_mtext(str(entity.dxf.get("text", "") or "")))
    if given.strip() and "<>" not in given:
        return given.strip()
    shown = _text_of(entity)
    if shown is not None and shown.plain_text().strip():
        return " ".join(shown.plain_text().split())
    measured = entity.dxf.get("actual_measurement", None)
    if measured is None:
        measured = entity.get_measurement()
    value = float(measured) * float(entity.override().get("dimlfac", 1.0) or 1.0)
    number = f"{value:.4f}".rstrip("0").rstrip(".")
    return given.replace("<>", number) if given.strip() else number


def _text_of(dimension: Any) -> Any | None:
    """The text in the picture of a dimension, where it has one."""
    block = dimension.get_geometry_block()
    return next((child for child in block or () if child.dxftype() in ("TEXT", "MTEXT")), None)


def _knee(dimension: Any, tip: Point) -> Point | None:
    """Where the leader of a round dimension, drawn to its tip, bends and a level line goes on under its text."""
    lines = [
        (point_of(child.dxf.start), point_of(child.dxf.end))
        for child in dimension.get_geometry_block() or ()
        if child.dxftype() == "LINE"
    ]
    for line in lines:
        level = [other for other in lines if other != line and abs(other[1][1] - other[0][1]) <= _MEETS]
        for begun, knee in (line, line[::-1]):
            if math.dist(begun, tip) <= _MEETS and any(_begins(other, knee) for other in level):
                return knee
    return None


def _begins(line: tuple[Point, Point], at: Point) -> bool:
    return min(math.dist(end, at) for end in line) <= _MEETS


def _text_place(dimension: Any, centre: Point, tip: Point) -> Point:
    """Where the text of a round dimension stands: in its picture, as the file says, else a little outside."""
    shown = _text_of(dimension)
    if shown is not None:
        return _knee(dimension, tip) or point_of(shown.dxf.insert)
    if dimension.dxf.hasattr("text_midpoint"):
        return point_of(dimension.dxf.text_midpoint)
    return (tip[0] + 0.4 * (tip[0] - centre[0]), tip[1] + 0.4 * (tip[1] - centre[1]))
