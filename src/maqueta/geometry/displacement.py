"""Lines that are right but a little off their place: a missing and a surplus one paired up."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

from shapely.geometry import LineString, MultiPoint

from maqueta.geometry.carrier import Circle, Line, Point
from maqueta.geometry.line_set import Piece

#: "About the same length": the shorter one at least this part of the longer one (common practice, no source).
_ALIKE: Final = 0.75


@dataclass(frozen=True, slots=True)
class Displaced:
    """A surplus line that stands for a missing one: `shift` leads from the right place to the drawn one."""

    missing: Piece
    extra: Piece
    shift: Point

    @property
    def distance(self) -> float:
        """How far it is off."""
        return math.hypot(*self.shift)


def displaced_lines(
    missing: Sequence[Piece], extra: Sequence[Piece], tolerance: float, reach: float
) -> tuple[list[Displaced], list[Piece], list[Piece]]:
    """Pair missing with surplus lines, nearest first; return the pairs and what is left of both.

    What neighbours gain or lose because they meet the displaced line is left out with it.
    """
    if reach <= 0:
        return [], list(missing), list(extra)
    candidates = []
    for i, m in enumerate(missing):
        for j, e in enumerate(extra):
            shift = _shift(m, e, tolerance)
            if shift is not None and math.hypot(*shift) <= reach:
                candidates.append((math.hypot(*shift), i, j, shift))
    taken: set[int] = set()
    used: set[int] = set()
    pairs: list[Displaced] = []
    for _, i, j, shift in sorted(candidates, key=lambda c: c[:3]):
        if i not in taken and j not in used:
            taken.add(i)
            used.add(j)
            pairs.append(Displaced(missing[i], extra[j], shift))
    rest_missing = [m for i, m in enumerate(missing) if i not in taken and not _swept(m, pairs, tolerance)]
    rest_extra = [e for j, e in enumerate(extra) if j not in used and not _swept(e, pairs, tolerance)]
    return pairs, rest_missing, rest_extra


def _shift(missing: Piece, extra: Piece, tolerance: float) -> Point | None:
    if missing.kind != extra.kind:
        return None
    m, e = missing.carrier, extra.carrier
    if isinstance(m, Circle) and isinstance(e, Circle):
        alike = abs(m.radius - e.radius) <= tolerance
        spans = (missing.interval[1] - missing.interval[0], extra.interval[1] - extra.interval[0])
        return (e.x - m.x, e.y - m.y) if alike and min(spans) >= _ALIKE * max(spans) else None
    if not isinstance(m, Line) or not isinstance(e, Line):
        return None
    lengths = (missing.length, extra.length)
    if min(lengths) < _ALIKE * max(lengths):
        return None
    nx, ny = -m.direction[1], m.direction[0]
    gaps = [nx * x + ny * y - m.offset for x, y in extra.ends]
    if abs(gaps[0] - gaps[1]) > tolerance:
        return None
    start, end = sorted(m.parameter(point) for point in extra.ends)
    overlap = min(end, missing.interval[1]) - max(start, missing.interval[0])
    if overlap < _ALIKE * min(lengths):
        return None
    gap = (gaps[0] + gaps[1]) / 2
    return (nx * gap, ny * gap)


def _swept(piece: Piece, pairs: Sequence[Displaced], tolerance: float) -> bool:
    """Whether a stretch lies between the two places of a displaced line and is no longer than the way between."""
    for pair in pairs:
        if piece.length > pair.distance + 2 * tolerance:
            continue
        between = MultiPoint([*pair.missing.outline(), *pair.extra.outline()]).convex_hull.buffer(2 * tolerance)
        if between.contains(LineString(piece.outline())):
            return True
    return False
