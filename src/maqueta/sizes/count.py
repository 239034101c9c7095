"""The practitioner's count: stretches per direction, and how many sizes were given along each; angles; round sizes."""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from typing import Final, Literal

import numpy as np

from maqueta.geometry.directions import AXES, Axis, parallel
from maqueta.projection.attitude import Attitude
from maqueta.projection.datum_sides import DIRECTIONS, Direction, axis_of_direction
from maqueta.sheet.dimension import AngleDimension, RoundDimension
from maqueta.sizes.determinacy import Equation, Reading, read
from maqueta.sizes.form.equations import SAME, Array, dense
from maqueta.sizes.form.model import FormModel
from maqueta.sizes.measure import Measured
from maqueta.sizes.motions import Motion

#: What a row counts: sizes along a direction of the front view; angles, and lengths along slopes; diameters and radii.
CountRow = Literal[Direction, "angle", "round"]
COUNT_ROWS: Final[tuple[CountRow, ...]] = (*DIRECTIONS, "angle", "round")
#: Squares of amounts below this part of the largest are none.
_NONE: Final = 1e-12


@dataclass(frozen=True, slots=True)
class SizeCount:
    """One row of the count table.

    What is needed is what is given, less what is given too much, and what is missing: as the algebra has it, so that
    the rows together always make up the number of sizes the part needs.
    """

    row: CountRow
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
) -> tuple[SizeCount, ...]:
    """Stretches, given, missing and surplus sizes along width, height and depth, of angles, and of round sizes.

    Without a reading nothing is given, and all that is needed is missing.
    """
    reading = reading or read(form, [])
    owners = [(item, equation) for item in measured for equation in item.equations]
    idle = set(reading.idle)
    axes = {axis_of_direction(front, direction): direction for direction in DIRECTIONS}
    said = [_row_of(form, item, equation, axes) for item, equation in owners]
    given = [row for label, row in enumerate(said) if label not in idle]
    surplus = [said[label] for label in reading.dependent]
    missing = _missing(form, reading.open, axes)
    stretches: dict[CountRow, int] = {own: len(_stations(form, axis)) - 1 for axis, own in axes.items()}
    return tuple(
        SizeCount(row, stretches.get(row, 0), given.count(row), missing[row], surplus.count(row)) for row in COUNT_ROWS
    )


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


def _row_of(form: FormModel, item: Measured, equation: Equation, axes: Mapping[Axis, Direction]) -> CountRow:
    """The row a size counts for: a diameter is round though it may be written along a direction."""
    positions = [form.unknowns[index] for index in equation.row if form.unknowns[index].way is not None]
    along = {unknown.axis for unknown in positions}
    axis = item.axis if item.axis is not None else along.pop() if len(along) == 1 else None
    if positions and axis is not None:
        return axes[axis]
    if isinstance(item.dimension, AngleDimension):
        return "angle"
    kinds = {form.unknowns[index].kind for index in equation.row}
    return "round" if isinstance(item.dimension, RoundDimension) or kinds & {"radius", "tube"} else "angle"


def _missing(form: FormModel, motions: Sequence[Motion], axes: Mapping[Axis, Direction]) -> dict[CountRow, int]:
    """How many of the open motions each row stands for.

    They may be taken apart in many ways; their span may not. In it, motions that leave every radius alone, also those
    of the rims of cones, are no round ones, and those that take points along one direction only belong to it. A slope
    thus counts in the directions it runs in; what is left of one of which something is given, in the first of them; an
    angle is counted where nothing but a slope changes.
    """
    found: dict[CountRow, int] = dict.fromkeys(COUNT_ROWS, 0)
    if not motions:
        return found
    span = np.zeros((len(motions), len(form.unknowns)))
    for number, motion in enumerate(motions):
        span[number, list(motion)] = list(motion.values())
    span = np.vstack([form.shifts, span])
    shifts = len(form.shifts)
    straight = _still(span, _rounds(form))
    found["round"] = len(motions) + shifts - len(straight)
    taken = [_taken(form, axis) for axis in AXES]
    for own, axis in enumerate(AXES):
        others = np.vstack([rows for other, rows in enumerate(taken) if other != own])
        # One of them shifts the whole part.
        found[axes[axis]] = len(_still(straight, others)) - 1
    left = len(straight) - shifts - sum(found[direction] for direction in axes.values())
    for own, axis in enumerate(AXES):
        reach = len(straight) - len(_still(straight, taken[own])) - 1
        more = max(0, min(left, reach - found[axes[axis]]))
        found[axes[axis]] += more
        left -= more
    found["angle"] = left
    return found


def _rounds(form: FormModel) -> Array:
    """Rows that are zero for changes that leave every radius alone."""
    own = [{index: 1.0} for index, unknown in enumerate(form.unknowns) if unknown.kind in ("radius", "tube")]
    return dense([*own, *(ring.radius for ring in form.rings)], len(form.unknowns))


def _taken(form: FormModel, axis: Axis) -> Array:
    """Rows that are zero for changes that take no point, no level and no apex along an axis."""
    own = AXES.index(axis)
    positions = [index for index, unknown in enumerate(form.unknowns) if unknown.axis == axis]
    changes: Iterable[Mapping[int, Array]] = (change.parts for _, change in form.points)
    rows = np.zeros((len(form.points) + len(positions), len(form.unknowns)))
    for number, parts in enumerate(changes):
        for index, way in parts.items():
            rows[number, index] = way[own]
    for number, index in enumerate(positions, len(form.points)):
        rows[number, index] = 1.0
    return rows


def _still(span: Array, rows: Array) -> Array:
    """A basis of those changes of a span for which some rows are zero."""
    if not len(rows) or not len(span):
        return span
    said = rows @ span.T
    lengths, ways = np.linalg.eigh(said.T @ said)
    return np.asarray(ways[:, lengths <= _NONE * max(float(lengths[-1]), 1e-6)].T @ span)


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
