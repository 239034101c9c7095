"""Width, height and depth of a part as its front view shows them, and the sides between which they run."""

from typing import Final, Literal

from maqueta.geometry.directions import AXES, Axis, Side
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.projection.attitude import Attitude

Direction = Literal["width", "height", "depth"]
DIRECTIONS: Final[tuple[Direction, ...]] = ("width", "height", "depth")
WidthSide = Literal["left side", "right side"]
HeightSide = Literal["base", "top"]
DepthSide = Literal["rear", "front"]
SideName = WidthSide | HeightSide | DepthSide
#: The lower and the upper end of a model axis.
End = Literal["low", "high"]
#: Where each direction begins and ends: depth runs towards the reader.
SIDES: Final[dict[Direction, tuple[SideName, SideName]]] = {
    "width": ("left side", "right side"),
    "height": ("base", "top"),
    "depth": ("rear", "front"),
}


def towards(front: Attitude, direction: Direction) -> Side:
    """The model direction in which width, height or depth runs: right, up, and towards the reader."""
    return {"width": front.right, "height": front.up, "depth": front.side}[direction]


def axis_of_direction(front: Attitude, direction: Direction) -> Axis:
    """Width runs across the front view, height up it, depth out of it."""
    return AXES["xyz".index(towards(front, direction)[1])]


def direction_of_axis(front: Attitude, axis: Axis) -> Direction:
    """The name of a model axis as seen from a front view."""
    return next(d for d in DIRECTIONS if axis_of_direction(front, d) == axis)


def side_at(front: Attitude, direction: Direction, end: End) -> SideName:
    """What the side at one end of a direction's model axis is called."""
    begins, ends = SIDES[direction]
    return begins if (towards(front, direction)[0] == "+") == (end == "low") else ends


def side_phrase(side: SideName) -> Phrase:
    """A side, to be said."""
    return phrase("datum-side", side=side.removesuffix(" side"))


def end_at(front: Attitude, direction: Direction, side: SideName) -> End:
    """At which end of a direction's model axis a side is."""
    return "low" if side_at(front, direction, "low") == side else "high"
