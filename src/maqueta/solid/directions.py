"""When two directions count as one: by the angle between them, since its cosine tells small angles too late."""

from collections.abc import Iterable
from typing import Final

from maqueta.solid.part import AXES, Axis

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
