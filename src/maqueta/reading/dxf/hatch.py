"""Hatch entities of DXF files: the areas they cover, with the direction and spacing of their first family of lines."""

import math
from collections.abc import Iterable
from typing import Any, Final

import shapely
from ezdxf import path
from shapely.geometry import Polygon

from maqueta.reading.special.hatching import rings_of
from maqueta.sheet.special import Hatching

#: Chords of boundaries stay so close to them, as a share of the size of the area.
_CHORD: Final = 1e-4
#: More boundaries than this, or more points of one, are no cut face.
_MOST_PATHS, _MOST_POINTS = 200, 5000
#: The first family of the usual pattern, in file units at scale 1, where a file leaves it to its reader (from memory).
_USUAL_ANGLE, _USUAL_SPACING = 45.0, 3.175


def hatched_areas(entity: Any) -> list[Hatching]:
    """The areas of a hatch entity, in file units; none where its boundary encloses nothing."""
    angle, spacing = _lines_of(entity)
    paths = list(path.from_hatch(entity))[:_MOST_PATHS]
    rings = [ring for own in paths if len(ring := _ring(own)) >= 3]
    return [
        Hatching(own, angle, spacing)
        for part in shapely.get_parts(_evenodd(rings))
        if isinstance(part, Polygon) and part.area > 0 and (own := rings_of(part)) is not None
    ]


def _lines_of(entity: Any) -> tuple[float, float]:
    """Direction (degrees) and spacing of the lines of a pattern; no spacing where it is filled."""
    if entity.dxf.get("solid_fill", 0):
        return _USUAL_ANGLE, 0.0
    pattern = entity.pattern
    if pattern is None or not pattern.lines:
        scale = float(entity.dxf.get("pattern_scale", 1.0))
        return _flat(_USUAL_ANGLE + float(entity.dxf.get("pattern_angle", 0.0))), _USUAL_SPACING * scale
    first = pattern.lines[0]
    turn = math.radians(first.angle)
    offset = first.offset
    return _flat(float(first.angle)), abs(-offset[0] * math.sin(turn) + offset[1] * math.cos(turn))


def _flat(angle: float) -> float:
    """A direction of lines between -90 and 90 degrees."""
    angle = math.remainder(angle, 180.0)
    return angle + 0.0


def _ring(own: Any) -> list[tuple[float, float]]:
    box = list(own.control_vertices())
    if not box:
        return []
    size = max(max(v.x for v in box) - min(v.x for v in box), max(v.y for v in box) - min(v.y for v in box))
    if not math.isfinite(size) or size <= 0:
        return []
    points = [(float(v.x), float(v.y)) for v in own.flattening(_CHORD * size)]
    return points[:_MOST_POINTS]


def _evenodd(rings: Iterable[list[tuple[float, float]]]) -> Any:
    """What an odd number of rings encloses."""
    area: Any = Polygon()
    for ring in rings:
        area = area.symmetric_difference(Polygon(ring).buffer(0))
    return area
