"""Directions of model space: its axes and the six sides along them, and when two directions count as one.

Model space is right-handed, Z up. Directions are compared by the angle between them, since its cosine tells small
angles too late.
"""

from collections.abc import Iterable
from functools import cache
from typing import Final, Literal, get_args

Vector = tuple[float, float, float]
Axis = Literal["x", "y", "z"]
AXES: Final[tuple[Axis, Axis, Axis]] = ("x", "y", "z")
#: A direction along an axis; as a side of a part, the one that faces that way.
Side = Literal["-x", "+x", "-y", "+y", "-z", "+z"]
SIDES: Final[tuple[Side, ...]] = get_args(Side)

#: Directions closer than this (radians) are drawn as one: 1/100 mm on a metre. Files carry five digits and more.
ALIKE: Final = 1e-5


def along_axis(direction: Iterable[float]) -> Axis | None:
    """The model axis a unit vector lies along, either way round, or None when it is inclined.

    >>> along_axis((0.0, -1.0, 0.0)), along_axis((0.0, 1.0, 0.0012))
    ('y', None)
    """
    x, y, z = (abs(float(part)) for part in direction)
    if y <= ALIKE and z <= ALIKE:
        return AXES[0]
    if x <= ALIKE and z <= ALIKE:
        return AXES[1]
    return AXES[2] if x <= ALIKE and y <= ALIKE else None


def parallel(first: Iterable[float], second: Iterable[float]) -> bool:
    """Whether two unit vectors lie along one line, either way round.

    >>> parallel((1.0, 0.0, 0.0), (-1.0, 0.0, 0.0)), parallel((1.0, 0.0, 0.0), (0.999999, 0.0014, 0.0))
    (True, False)
    """
    ax, ay, az = map(float, first)
    bx, by, bz = map(float, second)
    across = (ay * bz - az * by) ** 2 + (az * bx - ax * bz) ** 2 + (ax * by - ay * bx) ** 2
    return across <= ALIKE**2 and abs(ax * bx + ay * by + az * bz) > 0.5


def square(first: Iterable[float], second: Iterable[float]) -> bool:
    """Whether two unit vectors are square to each other."""
    return abs(sum(float(a) * float(b) for a, b in zip(first, second, strict=True))) <= ALIKE


@cache
def vector(side: Side) -> Vector:
    """Unit vector of a side.

    >>> vector("-y")
    (0.0, -1.0, 0.0)
    """
    x, y, z = ((-1.0 if side[0] == "-" else 1.0) if side[1] == axis else 0.0 for axis in AXES)
    return (x, y, z)


def side_of(direction: Iterable[float]) -> Side:
    """The side a unit vector points to. Raises ValueError when it is inclined."""
    parts = tuple(direction)
    axis = along_axis(parts)
    if axis is None:
        raise ValueError(f"{parts} lies along no axis")
    return SIDES[2 * AXES.index(axis) + (parts[AXES.index(axis)] > 0)]


def side_along(axis: Axis) -> Side:
    """The positive direction of a model axis."""
    return SIDES[2 * AXES.index(axis) + 1]


def axis_of(side: Side) -> Axis:
    """The axis a side lies along."""
    return AXES["xyz".index(side[1])]


def opposite(side: Side) -> Side:
    """The other way along the same axis."""
    return SIDES[SIDES.index(side) ^ 1]
