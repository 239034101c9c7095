"""Where a part stands in an assembly, and how it is put there: turned, face against face, axis on axis.

Right-handed coordinates in the unit of the assembly; angles in degrees.
"""

import math
from dataclasses import dataclass
from typing import Final

from maqueta.geometry.directions import Vector
from maqueta.geometry.frame import Frame, cross, dot, orthonormal, unit, way_between
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.phrases.told import ToldError
from maqueta.solid.part import Face, FaceKind

#: Numbers closer to a whole, or to nothing, than this are meant to be it: what is left by computing.
_DUST: Final = 1e-12
#: Sines smaller than this say that two directions are one (as near as coordinates of files are).
_ALONG: Final = 1e-9
_AXES: Final[Frame] = ((1.0, 0.0, 0.0), (0.0, 1.0, 0.0), (0.0, 0.0, 1.0))
_ROUND: Final[frozenset[FaceKind]] = frozenset({"cylinder", "cone", "torus"})


class UnfitError(ToldError):
    """Two faces that cannot be laid against each other so."""

    def __init__(self, reason: Phrase) -> None:
        super().__init__(reason)


@dataclass(frozen=True, slots=True)
class Placement:
    """How a part stands: `axes` are the directions into which its own x, y and z point, `at` is where its origin is."""

    axes: Frame = _AXES
    at: Vector = (0.0, 0.0, 0.0)

    def direction(self, own: Vector) -> Vector:
        """A direction of the part, as it points in the assembly."""
        (a, b, c), (d, e, f), (g, h, i) = self.axes
        x, y, z = own
        return (x * a + y * d + z * g, x * b + y * e + z * h, x * c + y * f + z * i)

    def point(self, own: Vector) -> Vector:
        """A point of the part, where it is in the assembly."""
        x, y, z = self.direction(own)
        return (x + self.at[0], y + self.at[1], z + self.at[2])

    def moved(self, way: Vector) -> "Placement":
        """Further along by a way."""
        return Placement(self.axes, (self.at[0] + way[0], self.at[1] + way[1], self.at[2] + way[2]))

    def turned(self, about: Vector, axis: Vector, degrees: float) -> "Placement":
        """Turned counter-clockwise about a unit axis through a point, as seen from where the axis points."""
        angle = math.radians(degrees)
        rows = tuple(_tidy(_about(row, axis, angle)) for row in self.axes)
        x, y, z = _about(way_between(about, self.at), axis, angle)
        at = _tidy((about[0] + x, about[1] + y, about[2] + z))
        return Placement(rows, at)  # type: ignore[arg-type]

    @property
    def is_rigid(self) -> bool:
        """Whether it turns and moves a part and does nothing else to it."""
        return orthonormal(self.axes, 1e-6)


def laid_against(
    moved: Placement, face: Face, onto: Placement, other: Face, *, flush: bool = False, middle: Vector = (0.0, 0.0, 0.0)
) -> Placement:
    """A part moved until one of its flat faces lies against a flat face of another, turned no further than needed; or,
    `flush`, until both look the same way in one plane. `middle` is the point of the part, in its own coordinates, about
    which it turns.

    Raises UnfitError where a face is not flat.
    """
    if face.kind != "plane" or other.kind != "plane":
        raise UnfitError(phrase("fit-flat-faces"))
    normal = onto.direction(other.direction)
    wanted = normal if flush else _opposite(normal)
    placed = _turned_into(moved, moved.direction(face.direction), wanted, moved.point(middle))
    gap = dot(way_between(placed.point(face.point), onto.point(other.point)), normal)
    return placed.moved(_times(normal, gap))


def on_axis(moved: Placement, face: Face, onto: Placement, other: Face, middle: Vector = (0.0, 0.0, 0.0)) -> Placement:
    """A part moved until the axis of one of its round faces lies on that of a round face of another; along the axis it
    stays where it is. Balls are laid centre on centre.

    Raises UnfitError where a face has no axis.
    """
    if face.kind == other.kind == "sphere":
        return moved.moved(way_between(moved.point(face.point), onto.point(other.point)))
    if face.kind not in _ROUND or other.kind not in _ROUND:
        raise UnfitError(phrase("fit-round-faces"))
    axis, own = onto.direction(other.direction), moved.direction(face.direction)
    wanted = axis if dot(axis, own) >= 0 else _opposite(axis)
    placed = _turned_into(moved, own, wanted, moved.point(middle))
    way = way_between(placed.point(face.point), onto.point(other.point))
    along = dot(way, axis)
    return placed.moved(tuple(w - along * a for w, a in zip(way, axis, strict=True)))  # type: ignore[arg-type]


def _turned_into(placed: Placement, own: Vector, wanted: Vector, about: Vector) -> Placement:
    """Turned about a point by the least angle until a direction points as wanted; half a turn goes about the most
    upright axis there is, so that a part on its feet is turned round and not over.
    """
    across = cross(own, wanted)
    sine, cosine = math.hypot(*across), dot(own, wanted)
    if sine > _ALONG:
        return placed.turned(about, unit(across), math.degrees(math.atan2(sine, cosine)))
    if cosine > 0:
        return placed
    axis = next(unit(_square_to(up, own)) for up in reversed(_AXES) if abs(dot(up, own)) < 0.9)
    return placed.turned(about, axis, 180.0)


def _square_to(vector: Vector, axis: Vector) -> Vector:
    along = dot(vector, axis)
    return tuple(v - along * a for v, a in zip(vector, axis, strict=True))  # type: ignore[return-value]


def _about(vector: Vector, axis: Vector, angle: float) -> Vector:
    """A vector turned about a unit axis through the origin (Rodrigues' formula, from memory)."""
    c, s, along = math.cos(angle), math.sin(angle), dot(axis, vector)
    sideways = cross(axis, vector)
    return tuple(c * v + s * w + (1 - c) * along * a for v, w, a in zip(vector, sideways, axis, strict=True))  # type: ignore[return-value]


def _tidy(vector: Vector) -> Vector:
    return tuple(float(whole) if abs(v - (whole := round(v))) < _DUST * max(1.0, abs(v)) else v for v in vector)  # type: ignore[return-value]


def _opposite(vector: Vector) -> Vector:
    return (-vector[0], -vector[1], -vector[2])


def _times(vector: Vector, factor: float) -> Vector:
    return (vector[0] * factor, vector[1] * factor, vector[2] * factor)
