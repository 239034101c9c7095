"""Cuts: which piece of a part is taken away so that its inside can be seen (ISO 128-3, ASME Y14.3, from memory)."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise
from typing import Final, Literal

from maqueta.geometry.directions import Vector
from maqueta.geometry.frame import cross, dot, unit, way_between

CutForm = Literal["full", "half", "offset", "aligned", "broken-out", "removed", "revolved"]
#: Forms of which the cut face is drawn without what stands behind it.
FACE_ALONE: Final[frozenset[CutForm]] = frozenset(("removed", "revolved"))


@dataclass(frozen=True, slots=True)
class Cut:
    """A cut through a part, in model space.

    `towards` points at the reader of the section, square to the plane it is drawn in; `across` is the direction the
    cutting line is seen from, square to `towards`. Both are unit vectors. What is taken away stands on the reader's
    side of the cutting path and reaches along `across` from one end of the part to the other.

    `path` holds points of the cutting line, whose ends are drawn out beyond the part:

    - `full`, `removed` and `revolved`: two points, a plane square to `towards`; of the last two the cut face alone is
      drawn.
    - `half`: three, the last leg running towards the reader: a quarter is taken away.
    - `offset`: four or more, legs square to `towards` and steps along it by turns.
    - `aligned`: three, from one end to the axis the planes meet in and on to the other; the first leg is square to
      `towards`, and the second is turned about the axis until it lies in the plane of the first.
    - `broken-out`: three or more, the corners of a closed outline in the plane down to which the part is broken out.

    `whole` names what is not cut lengthwise: faces, each a flank of a rib, web or spoke that stays as it is. `solids`
    names bodies of an assembly that are left whole, such as shafts, bolts and pins.
    """

    form: CutForm
    path: tuple[Vector, ...]
    across: Vector
    towards: Vector
    whole: tuple[int, ...] = ()
    solids: tuple[int, ...] = ()

    @property
    def face_alone(self) -> bool:
        """Whether the cut face is drawn without what stands behind it."""
        return self.form in FACE_ALONE

    @property
    def planes(self) -> tuple[tuple[Vector, float], ...]:
        """The planes it cuts in, each by its normal towards the reader and how far along it the plane lies; legs that
        are seen edge-on are none."""
        if self.form != "aligned":
            return tuple((self.towards, level) for level in {round(dot(point, self.towards), 9) for point in self.path})
        planes = []
        for here, there in pairwise(self.path):
            if here == there:
                continue
            normal = unit(cross(way_between(here, there), self.across))
            if dot(normal, self.towards) < 0:
                normal = (-normal[0], -normal[1], -normal[2])
            planes.append((normal, dot(there, normal)))
        return tuple(planes)

    @property
    def turn(self) -> float:
        """The angle, radians, about `across` reversed, by which what stands on the second leg of an aligned cut is
        turned into the plane of the first; 0 for the others."""
        if self.form != "aligned":
            return 0.0
        first, second = self.legs
        # (along, towards, -across) is right-handed: an angle from the first to the second turns about -across.
        return math.atan2(first[1], first[0]) - math.atan2(second[1], second[0])

    @property
    def legs(self) -> tuple[tuple[float, float], ...]:
        """The legs of the cutting line, each as it leads along the plane the section is drawn in, and towards the
        reader."""
        along = cross(self.across, self.towards)
        ways = (way_between(at, to) for at, to in pairwise(self.path))
        return tuple((dot(way, along), dot(way, self.towards)) for way in ways)

    def laid_out(self, points: Sequence[Vector]) -> list[Vector]:
        """Where points of one place of the part are drawn: turned with the second leg, where they stand on it."""
        if self.form != "aligned" or not points:
            return list(points)
        _, axis, end = self.path
        way = way_between(axis, end)
        if sum(dot(way_between(axis, point), way) for point in points) <= 0:
            return list(points)
        about = (-self.across[0], -self.across[1], -self.across[2])
        return [_turned(point, axis, about, self.turn) for point in points]


def _turned(point: Vector, on: Vector, about: Vector, angle: float) -> Vector:
    """A point turned about an axis (Rodrigues' formula)."""
    off = way_between(on, point)
    beside, height, cos, sin = cross(about, off), dot(about, off), math.cos(angle), math.sin(angle)
    x, y, z = (on[k] + off[k] * cos + beside[k] * sin + about[k] * height * (1 - cos) for k in range(3))
    return (x, y, z)
