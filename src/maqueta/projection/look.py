"""Looks: how a part is seen, from any direction and in any turn."""

import math
from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from typing import Generic, TypeVar

from maqueta.geometry.carrier import Point
from maqueta.geometry.clip import Clip
from maqueta.geometry.directions import Axis, Vector, parallel, side_along, vector
from maqueta.geometry.frame import ALIKE, Frame, between, dot, seen, turned
from maqueta.solid.cut import Cut

Kept = TypeVar("Kept")


@dataclass(frozen=True, slots=True)
class Look:
    """How a part is seen: `frame` has the model directions of sheet right, of sheet up, and towards the reader.

    `cut` is the piece taken away before it is looked at (a section), `clip` the region of the plane (right, up) that is
    kept (a detail); a look without them sees the whole part. `only` is the one component of an assembly that is seen,
    as if the others were not there.
    """

    frame: Frame
    cut: Cut | None = None
    clip: Clip | None = None
    only: str | None = None

    @property
    def right(self) -> Vector:
        """The model direction that runs right on the sheet."""
        return self.frame[0]

    @property
    def up(self) -> Vector:
        """The model direction that runs up on the sheet."""
        return self.frame[1]

    @property
    def towards(self) -> Vector:
        """The model direction that points at the reader."""
        return self.frame[2]

    def seen(self, point: Vector) -> Point:
        """Where a point of the model is seen, in the plane (right, up)."""
        return seen(self.frame, point)

    def way(self, along: Point) -> Vector:
        """The model direction of a direction in the plane of the view."""
        right, up, _ = self.frame
        x, y, z = (along[0] * r + along[1] * u for r, u in zip(right, up, strict=True))
        return (x, y, z)

    def shows_point(self, axis: Axis) -> bool:
        """Whether lines along a model axis are seen as points, circles about it truly round."""
        return parallel(self.towards, vector(side_along(axis)))

    def turned(self, angle: float) -> "Look":
        """The part turned counter-clockwise on the sheet by an angle (radians)."""
        return Look(turned(self.frame, angle), self.cut, self.clip and self.clip.turned(angle), self.only)

    @property
    def whole(self) -> "Look":
        """The same look without its clip: all that is there to be enlarged."""
        return Look(self.frame, self.cut, None, self.only)

    def same(self, other: "Look") -> bool:
        """Whether two looks are one: frames closer than any drawing could tell (1e-6 rad)."""
        return self.beside_frame == other.beside_frame and between(self.frame, other.frame) <= ALIKE

    @property
    def beside_frame(self) -> tuple[Cut | None, Clip | None, str | None]:
        """What makes a look what it is beside the direction it looks in."""
        return (self.cut, self.clip, self.only)


class LookTable(Generic[Kept]):
    """What is kept by look. A look finds what is kept for one it cannot be told from."""

    def __init__(self, entries: Iterable[tuple[Look, Kept]] = ()) -> None:
        self._entries: Mapping[Look, Kept] = dict(entries)

    def get(self, look: Look) -> Kept | None:
        """What is kept for a look, if anything."""
        exact = self._entries.get(look)
        if exact is not None:
            return exact
        return next((kept for own, kept in self._entries.items() if own.same(look)), None)

    def turned_to(self, look: Look) -> tuple[Kept, float] | None:
        """What is kept for a look along the same line of sight, and by what angle (radians) it has to be turned."""
        for own, kept in self._entries.items():
            if own.beside_frame != look.beside_frame:
                continue
            angle = math.atan2(-dot(look.right, own.up), dot(look.right, own.right))
            if between(own.turned(angle).frame, look.frame) <= ALIKE:
                return kept, angle
        return None
