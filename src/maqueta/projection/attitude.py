"""Named looks: the 24 ways to look squarely at a part, and the eight equal-axis corners.

Third angle (ISO 5456-2, ASME Y14.3): the view above the front shows what one sees from above.
"""

from dataclasses import dataclass
from functools import cache, lru_cache
from typing import Final, Literal, get_args

from maqueta.geometry.directions import SIDES, Side, side_of, vector
from maqueta.geometry.frame import cross, facing
from maqueta.phrases.phrase import phrase
from maqueta.phrases.told import ToldError
from maqueta.projection.look import Look


@dataclass(frozen=True, slots=True, order=True)
class Attitude:
    """How a view looks at the part: `side` faces the reader, `up` points up on the sheet.

    Raises ToldError when the two lie along one axis.
    """

    side: Side
    up: Side

    def __post_init__(self) -> None:
        if self.side[1] == self.up[1]:
            raise ToldError(phrase("attitude-along-one-axis", side=self.side, up=self.up))

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

    @property
    def look(self) -> Look:
        """The look this names."""
        return _look_of(self)


@cache
def _right_of(attitude: Attitude) -> Side:
    return side_of(cross(vector(attitude.up), vector(attitude.side)))


@cache
def _look_of(attitude: Attitude) -> Look:
    return Look((vector(attitude.right), vector(attitude.up), vector(attitude.side)))


USUAL_FRONT: Final = Attitude("-y", "+z")
_USUAL_UP: Final[dict[Side, Side]] = {"-x": "+z", "+x": "+z", "-y": "+z", "+y": "+z", "-z": "+y", "+z": "+y"}


def usual(side: Side) -> Attitude:
    """A side with the turn it is stored in; the other three turns are derived from it."""
    return Attitude(side, _USUAL_UP[side])


ATTITUDES: Final[tuple[Attitude, ...]] = tuple(usual(side).turned(turn) for side in SIDES for turn in range(4))


# Looks come from outside: what is remembered of them is bounded.
@lru_cache(maxsize=1024)
def attitude_of(look: Look) -> Attitude | None:
    """The attitude a look is, or None for one that is not square to the part."""
    return next((attitude for attitude in ATTITUDES if attitude.look.same(look)), None)


Corner = Literal["+++", "++-", "+-+", "+--", "-++", "-+-", "--+", "---"]
CORNERS: Final[tuple[Corner, ...]] = get_args(Corner)
#: An equal-axis view may stand on any of its six axis directions (degrees).
AxisTurn = Literal[0, 60, 120, 180, 240, 300]
AXIS_TURNS: Final[tuple[AxisTurn, ...]] = get_args(AxisTurn)


@cache
def from_corner(corner: Corner, up: Side) -> Look:
    """The equal-axis look from a corner (signs of x, y, z), with `up` pointing up as far as it can.

    In a true isometric projection each axis is foreshortened by √(2/3) (ISO 5456-3).
    """
    x, y, z = (1.0 if sign == "+" else -1.0 for sign in corner)
    return Look(facing((x, y, z), vector(up)))
