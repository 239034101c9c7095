"""Round spokes: bars that run from one wall of a part to another, and are not cut lengthwise (ISO 128-3, ASME Y14.3,
from memory)."""

import math
from dataclasses import dataclass
from typing import Final

from maqueta.geometry.directions import Vector, parallel
from maqueta.geometry.frame import cross, dot, way_between
from maqueta.solid.part import Face, Part

#: A spoke is at least so long, as a share of its diameter (common practice, no source).
_SLENDER: Final = 1.0
#: Lengths shorter than this share of a radius are nothing.
_DUST: Final = 1e-4


@dataclass(frozen=True, slots=True)
class Spoke:
    """A round spoke: its face, a point on its axis, the direction of the axis (unit vector), and its radius."""

    face: int
    point: Vector
    along: Vector
    radius: float

    @property
    def flanks(self) -> tuple[int, ...]:
        """The faces it shows: one all round."""
        return (self.face,)

    @property
    def thick(self) -> float:
        """Its diameter."""
        return 2 * self.radius

    def lies_in(self, normal: Vector, level: float, slack: float) -> bool:
        """Whether a plane, of all points so far along a unit vector, runs along it and through its inside."""
        off = abs(level - dot(self.point, normal))
        return abs(dot(self.along, normal)) < 1e-6 and off < self.radius - slack


def spoke_at(part: Part, face: int) -> Spoke | None:
    """The solid bar a face runs all round; None where it is no cylinder, does not close, or is a hole."""
    own = part.faces[face]
    if own.kind != "cylinder" or own.hollow or own.span < 2 * math.pi - 1e-3 or _bored(part, own):
        return None
    return Spoke(face, own.point, own.direction, own.radius)


def told_spokes(part: Part) -> tuple[Spoke, ...]:
    """The round spokes of a part by its faces alone: solid bars with a wall at both ends.

    Neither wall is square to the bar and flat where it meets it, as the hub and the rim of a wheel are not: the middle
    of a spool is cut like everything else.
    """
    found = (spoke_at(part, number) for number in range(len(part.faces)))
    return tuple(spoke for spoke in found if spoke is not None and _between_walls(part, spoke))


def _between_walls(part: Part, spoke: Spoke) -> bool:
    own = part.faces[spoke.face]
    middle = (own.reach[0] + own.reach[1]) / 2
    if own.reach[1] - own.reach[0] < _SLENDER * spoke.thick:
        return False
    ends: tuple[list[float], list[float]] = ([], [])
    for name in own.edges:
        edge = part.edges[name]
        if edge.seam:
            continue
        others = [other for other in edge.faces if other != spoke.face]
        heights = [dot(way_between(spoke.point, point), spoke.along) for point in edge.samples]
        if len(others) != 1 or not _spreads(part, spoke, others[0]):
            return False
        ends[sum(heights) / len(heights) > middle].extend(heights)
    return all(heights and max(heights) - min(heights) > _DUST * spoke.radius for heights in ends)


def _spreads(part: Part, spoke: Spoke, other: int) -> bool:
    """Whether a face reaches beyond the bar it ends: a wall does, the end of a peg and a chamfer do not."""
    samples = (point for name in part.faces[other].edges for point in part.edges[name].samples)
    return max(_from_axis(spoke.point, spoke.along, point) for point in samples) > spoke.radius * (1 + _DUST)


def _bored(part: Part, own: Face) -> bool:
    """Whether a bore runs along the middle of a bar: it is a pipe."""
    return any(
        face.kind == "cylinder"
        and face.hollow
        and face.radius < own.radius
        and parallel(face.direction, own.direction)
        and _from_axis(own.point, own.direction, face.point) < _DUST * own.radius
        and _beside(own, face)
        for face in part.faces
    )


def _beside(own: Face, bore: Face) -> bool:
    """Whether a bore lies within the length of a bar about the same axis, in part."""
    shift = dot(way_between(own.point, bore.point), own.direction)
    sign = 1.0 if dot(bore.direction, own.direction) > 0 else -1.0
    low, high = sorted(shift + sign * height for height in bore.reach)
    return low < own.reach[1] - _DUST * own.radius and high > own.reach[0] + _DUST * own.radius


def _from_axis(on: Vector, along: Vector, point: Vector) -> float:
    off = cross(way_between(on, point), along)
    return math.sqrt(dot(off, off))
