"""The practitioner's count: stretches per direction, and how many sizes were given along each."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final, Literal

from maqueta.dimensioning.measure import Measured
from maqueta.dimensioning.size_model import SizeModel
from maqueta.projection.attitude import Attitude
from maqueta.sheet.document import RoundDimension
from maqueta.solid.part import AXES, Axis

Direction = Literal["width", "height", "depth"]
DIRECTIONS: Final[tuple[Direction, ...]] = ("width", "height", "depth")


@dataclass(frozen=True, slots=True)
class DirectionCount:
    """One row of the count table."""

    direction: Direction
    axis: Axis
    stretches: int
    given: int


def axis_of_direction(front: Attitude, direction: Direction) -> Axis:
    """Width runs across the front view, height up it, depth into it."""
    side = {"width": front.right, "height": front.up, "depth": front.side}[direction]
    return AXES["xyz".index(side[1])]


def direction_of_axis(front: Attitude, axis: Axis) -> Direction:
    """The name of a model axis as seen from a front view."""
    return next(d for d in DIRECTIONS if axis_of_direction(front, d) == axis)


def count(model: SizeModel, front: Attitude, measured: Sequence[Measured] = ()) -> tuple[DirectionCount, ...]:
    """Stretches (levels − 1) and given sizes along width, height and depth."""
    rows = []
    for direction in DIRECTIONS:
        axis = axis_of_direction(front, direction)
        given = sum(1 for item in measured if item.equations and (item.axis == axis or _depth_along(model, item, axis)))
        rows.append(DirectionCount(direction, axis, max(0, len(model.along(axis)) - 1), given))
    return tuple(rows)


def _depth_along(model: SizeModel, item: Measured, axis: Axis) -> bool:
    """Whether a diameter also gives a depth along an axis."""
    levels = ([model.unknowns[index] for index in equation.row] for equation in item.equations)
    return item.axis is None and any(
        len(unknowns) == 2 and all(u.kind == "level" and u.axis == axis for u in unknowns) for unknowns in levels
    )


def diameters(model: SizeModel, measured: Sequence[Measured] = ()) -> tuple[int, int]:
    """How many radii or diameters the part has, and how many of them are given."""
    needed = sum(1 for unknown in model.unknowns if unknown.kind == "radius")
    given = {
        index
        for item in measured
        if isinstance(item.dimension, RoundDimension)
        for equation in item.equations
        for index in equation.row
    }
    return needed, len(given)
