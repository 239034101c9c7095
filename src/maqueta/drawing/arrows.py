"""Arrowheads, and points moved along a direction of the sheet."""

from maqueta.drawing.ink import Filled
from maqueta.drawing.pens import ARROW_LENGTH, ARROW_WIDTH
from maqueta.geometry.carrier import Point


def moved_along(point: Point, direction: Point, amount: float) -> Point:
    """A point moved by so many mm along a unit vector."""
    return (point[0] + direction[0] * amount, point[1] + direction[1] * amount)


def arrow(tip: Point, towards: Point) -> Filled:
    """An arrowhead at `tip` pointing along the unit vector `towards`."""
    base = moved_along(tip, towards, -ARROW_LENGTH)
    side = (-towards[1] * ARROW_WIDTH / 2, towards[0] * ARROW_WIDTH / 2)
    return Filled((tip, (base[0] + side[0], base[1] + side[1]), (base[0] - side[0], base[1] - side[1])))
