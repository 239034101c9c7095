"""The practitioner's count: stretches per direction, and how many sizes were given along each."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from maqueta.dimensioning.determinacy import Equation, Reading, read
from maqueta.dimensioning.form_equations import SAME
from maqueta.dimensioning.form_model import FormModel
from maqueta.dimensioning.measure import Measured
from maqueta.dimensioning.motions import Motion, displaced_axes
from maqueta.dimensioning.sides import DIRECTIONS, Direction, axis_of_direction
from maqueta.projection.attitude import Attitude
from maqueta.solid.directions import parallel
from maqueta.solid.part import AXES, Axis


@dataclass(frozen=True, slots=True)
class DirectionCount:
    """One row of the count table; `direction` is None for radii, diameters and slopes.

    What is needed is what is given, less what is given too much, and what is missing: as the algebra has it.
    """

    direction: Direction | None
    stretches: int
    given: int = 0
    missing: int = 0
    surplus: int = 0

    @property
    def needed(self) -> int:
        """How many sizes the row needs, the given ones among them."""
        return self.given - self.surplus + self.missing


def count(
    form: FormModel, front: Attitude, measured: Sequence[Measured] = (), reading: Reading | None = None
) -> tuple[DirectionCount, ...]:
    """Stretches, given, missing and surplus sizes along width, height and depth, then radii and slopes together.

    Without a reading nothing is given, and all that is needed is missing.
    """
    reading = reading or read(form, [])
    owners = [(item, equation) for item in measured for equation in item.equations]
    idle = set(reading.idle)
    said = [_axis_of(form, item, equation) for item, equation in owners]
    given = [axis for label, axis in enumerate(said) if label not in idle]
    missing = [_axis_of_motion(form, motion) for motion in reading.open]
    rows = []
    for direction in (*DIRECTIONS, None):
        axis = None if direction is None else axis_of_direction(front, direction)
        rows.append(
            DirectionCount(
                direction,
                0 if axis is None else len(_stations(form, axis)) - 1,
                given.count(axis),
                missing.count(axis),
                sum(said[label] == axis for label in reading.dependent),
            )
        )
    return tuple(rows)


def _stations(form: FormModel, axis: Axis) -> list[float]:
    """Where something is drawn in line along an axis: levels, sharp corners and rings about it."""
    way = np.eye(3)[AXES.index(axis)]
    values = [form.unknowns[index].value for index in form.along(axis)]
    values += [float(corner.point @ way) for corner in form.corners if corner.sharp]
    values += [float(ring.middle @ way) for ring in form.rings if parallel(ring.axis, way)]
    found: list[float] = []
    for value in sorted(values):
        if not found or value - found[-1] > 10 * SAME:
            found.append(value)
    return found or [0.0]


def _axis_of(form: FormModel, item: Measured, equation: Equation) -> Axis | None:
    """The direction a size counts for: a diameter counts for none, though it may be written along one."""
    positions = [form.unknowns[index] for index in equation.row if form.unknowns[index].way is not None]
    if not positions:
        return None
    axes = {unknown.axis for unknown in positions}
    return item.axis if item.axis is not None else axes.pop() if len(axes) == 1 else None


def _axis_of_motion(form: FormModel, motion: Motion) -> Axis | None:
    axes = displaced_axes(form, motion)
    # A radius and the slope of a cone are sizes of their own, wherever along the axis they move its rims.
    aside = any(form.unknowns[index].kind in ("radius", "tube", "angle") for index in motion)
    return AXES[axes[0]] if len(axes) == 1 and not aside else None


def diameters(form: FormModel, measured: Sequence[Measured] = ()) -> tuple[int, int]:
    """How many radii or diameters the part has, and how many of them are given."""
    needed = sum(1 for unknown in form.unknowns if unknown.kind == "radius")
    given = {
        index
        for item in measured
        for equation in item.equations
        if len(equation.row) == 1
        for index in equation.row
        if form.unknowns[index].kind == "radius"
    }
    return needed, len(given)
