"""DXF entities as stretches on carriers."""

import math
from collections.abc import Iterator
from typing import Any, Final

from ezdxf.path import make_path

from maqueta.geometry.carrier import (
    TURN,
    Carrier,
    Circle,
    Ellipse,
    Interval,
    Point,
    line_through,
    recognised,
)
from maqueta.phrases.phrase import phrase
from maqueta.reading.errors import UnreadableSheetError
from maqueta.reading.limits import FARTHEST, usable

#: Curves are followed, and told to be lines or circles, within this (file units; 0.01 mm in a file in inches).
_FINE: Final = 0.0004


def carriers(entity: Any, kind: str) -> Iterator[tuple[Carrier, Interval]]:
    """An entity as stretches on carriers, in file units. Raises UnreadableSheetError for hopeless coordinates."""
    dxf = entity.dxf
    flat = abs(dxf.get("extrusion", (0, 0, 1))[2] - 1.0) < 1e-9
    if kind == "LINE":
        first, last = point_of(dxf.start), point_of(dxf.end)
        if math.dist(first, last) > 1e-9:
            yield line_through(first, last)
    elif kind in ("CIRCLE", "ARC") and flat:
        centre, radius = point_of(dxf.center), float(dxf.radius)
        if not 0 < radius < FARTHEST:
            raise UnreadableSheetError(phrase("sheet-file-circle", radius=radius))
        reach = (0.0, TURN)
        if kind == "ARC":
            start = math.radians(dxf.start_angle) % TURN
            reach = (start, start + (math.radians(dxf.end_angle) - start) % TURN)
        yield Circle(*centre, radius), reach
    elif kind == "ELLIPSE" and flat and 0 < dxf.ratio <= 1:
        centre = point_of(dxf.center)
        axis = point_of(dxf.major_axis)
        major = math.hypot(*axis)
        start = float(dxf.start_param) % TURN
        width = (float(dxf.end_param) - start) % TURN or TURN
        if abs(dxf.ratio - 1) < 1e-6:
            start += math.atan2(axis[1], axis[0])
            yield Circle(*centre, major), (0.0, TURN) if width >= TURN - 1e-9 else (start % TURN, start % TURN + width)
            return
        angle = math.atan2(axis[1], axis[0])
        flip = math.pi * (math.floor(angle / math.pi) % 2)
        start = (start + flip) % TURN
        ellipse = Ellipse(*centre, major, major * dxf.ratio, angle % math.pi)
        yield ellipse, (0.0, TURN) if width >= TURN - 1e-9 else (start, start + width)
    else:
        points = [point_of(vertex) for vertex in make_path(entity).flattening(_FINE, segments=8)]
        for point in points:
            usable(point)
        points = [p for k, p in enumerate(points) if k == 0 or math.dist(p, points[k - 1]) > 1e-9]
        if len(points) >= 2:
            yield recognised(points, _FINE)


def point_of(value: Any) -> Point:
    """A point of the file, checked."""
    point = (float(value[0]), float(value[1]))
    usable(point)
    return point
