"""Where views stand around the front view, and what each is called, in first and third angle.

ISO 5456-2 (from memory), ASME Y14.3 (from memory).
"""

from functools import cache
from typing import Final, Literal, get_args

from maqueta.geometry.box import Box
from maqueta.geometry.directions import Side, opposite
from maqueta.projection.attitude import Attitude

Angle = Literal["first", "third"]
ViewName = Literal["front", "top", "right", "left", "bottom", "rear"]
VIEW_NAMES: Final[tuple[ViewName, ...]] = get_args(ViewName)
Where = Literal["above", "below", "right", "left", "apart"]

#: Box edges closer than this (mm) count as touching, so that neighbouring boxes have a side to stand on.
TOUCH: Final = 0.5

_THIRD: Final[dict[ViewName, Where]] = {"top": "above", "bottom": "below", "right": "right", "left": "left"}
_FIRST: Final[dict[ViewName, Where]] = {"top": "below", "bottom": "above", "right": "left", "left": "right"}


@cache
def neighbour(front: Attitude, name: ViewName) -> Attitude:
    """The attitude of a view projected from a front view, unturned, so that it stands in line with it."""
    match name:
        case "front":
            return front
        case "top":
            return Attitude(front.up, opposite(front.side))
        case "bottom":
            return Attitude(opposite(front.up), front.side)
        case "right":
            return Attitude(front.right, front.up)
        case "left":
            return Attitude(opposite(front.right), front.up)
        case "rear":
            return Attitude(opposite(front.side), front.up)


def name_of(front: Attitude, side: Side) -> ViewName:
    """What the view of a side is called beside a front view."""
    return next(name for name in VIEW_NAMES if neighbour(front, name).side == side)


def where_belongs(name: ViewName, angle: Angle) -> Where:
    """Where a view stands in relation to the front view; the front itself and the rear have no fixed place."""
    return (_THIRD if angle == "third" else _FIRST).get(name, "apart")


def angle_of(name: ViewName, stands: Where) -> Angle | None:
    """The angle of projection a view speaks for by where it stands; None where it speaks for neither."""
    if stands == "apart":
        return None
    if _THIRD.get(name) == stands:
        return "third"
    return "first" if _FIRST.get(name) == stands else None


def where_stands(front: Box, other: Box, name: ViewName | None = None) -> Where:
    """Where a view stands beside the front view: clear of it above, below, right or left, else apart.

    Top and bottom views are judged up and down only, side views across only, so that a view that is also out of
    line keeps its place.
    """
    clear: dict[Where, float] = {
        "above": other[1] - front[3],
        "below": front[1] - other[3],
        "right": other[0] - front[2],
        "left": front[0] - other[2],
    }
    allowed: tuple[Where, ...] = ("above", "below", "right", "left")
    if name in ("top", "bottom"):
        allowed = ("above", "below")
    elif name in ("right", "left"):
        allowed = ("right", "left")
    best = max(allowed, key=lambda side: clear[side])
    return best if clear[best] > -TOUCH else "apart"
