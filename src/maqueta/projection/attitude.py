"""The 24 ways to look squarely at a part, and the eight equal-axis directions.

Third angle (ISO 5456-2, ASME Y14.3): the view above the front shows what one sees from above.
"""

from dataclasses import dataclass
from functools import cache
from typing import Final, Literal, get_args

import numpy as np
from numpy.typing import NDArray

from maqueta.solid.part import Axis, Vector

Side = Literal["-x", "+x", "-y", "+y", "-z", "+z"]
SIDES: Final[tuple[Side, ...]] = get_args(Side)


@cache
def vector(side: Side) -> Vector:
    """Unit vector of a model direction such as "-y"."""
    sign = -1.0 if side[0] == "-" else 1.0
    return (sign * (side[1] == "x"), sign * (side[1] == "y"), sign * (side[1] == "z"))


def side_of(direction: Vector) -> Side:
    """The model direction a unit vector lies along. Raises ValueError when it is inclined."""
    for side in SIDES:
        if sum(a * b for a, b in zip(direction, vector(side), strict=True)) > 0.999999:
            return side
    raise ValueError(f"{direction} lies along no axis")


def side_along(axis: Axis) -> Side:
    """The positive direction of a model axis."""
    return SIDES[2 * "xyz".index(axis) + 1]


def opposite(side: Side) -> Side:
    """The other way along the same axis."""
    return side_of(tuple(-part for part in vector(side)))  # type: ignore[arg-type]


def _cross(a: Vector, b: Vector) -> Vector:
    return (a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0])


@dataclass(frozen=True, slots=True, order=True)
class Attitude:
    """How a view looks at the part: `side` faces the reader, `up` points up on the sheet.

    Raises ValueError when the two lie along one axis.
    """

    side: Side
    up: Side

    def __post_init__(self) -> None:
        if self.side[1] == self.up[1]:
            raise ValueError(f"side {self.side} and up {self.up} lie along one axis")

    @property
    def right(self) -> Side:
        """The model direction that points right on the sheet."""
        return _right_of(self)

    def turned(self, quarters: int) -> "Attitude":
        """The same side, the part turned counter-clockwise on the sheet by quarter turns."""
        up: Side = self.up
        for _ in range(quarters % 4):
            up = Attitude(self.side, up).right
        return Attitude(self.side, up)

    def frame(self) -> NDArray[np.float64]:
        """Rows: model directions of sheet right, sheet up, and towards the reader."""
        return np.array([vector(self.right), vector(self.up), vector(self.side)])


@cache
def _right_of(attitude: Attitude) -> Side:
    return side_of(_cross(vector(attitude.up), vector(attitude.side)))


USUAL_FRONT: Final = Attitude("-y", "+z")
_USUAL_UP: Final[dict[Side, Side]] = {"-x": "+z", "+x": "+z", "-y": "+z", "+y": "+z", "-z": "+y", "+z": "+y"}


def usual(side: Side) -> Attitude:
    """A side with the turn it is stored in; the other three turns are derived from it."""
    return Attitude(side, _USUAL_UP[side])


ATTITUDES: Final[tuple[Attitude, ...]] = tuple(usual(side).turned(turn) for side in SIDES for turn in range(4))

Corner = Literal["+++", "++-", "+-+", "+--", "-++", "-+-", "--+", "---"]
CORNERS: Final[tuple[Corner, ...]] = get_args(Corner)


def corner_frame(corner: Corner, up: Side) -> NDArray[np.float64]:
    """Frame of the equal-axis view from a corner (signs of x, y, z), with `up` pointing up as far as it can.

    In a true isometric projection each axis is foreshortened by √(2/3) (ISO 5456-3).
    """
    towards = np.array([1.0 if sign == "+" else -1.0 for sign in corner]) / np.sqrt(3.0)
    upwards = np.array(vector(up))
    upwards = upwards - towards * (towards @ upwards)
    upwards /= np.linalg.norm(upwards)
    return np.array([np.cross(upwards, towards), upwards, towards])
