"""Unknowns of a form, how points and directions change with them, and the equations that tie them."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from typing import Final, Literal

import numpy as np
from numpy.typing import NDArray

from maqueta.geometry.directions import Axis, along_axis

Array = NDArray[np.float64]
#: Coordinates, offsets and directions closer than this (part of the longest size, or of one) are the same as drawn.
SAME: Final = 1e-6
#: A singular value below this part of the largest is zero.
ZERO: Final = 1e-7
#: Amounts by unknown; the row is zero for every change the drawing allows.
Row = dict[int, float]
UnknownKind = Literal["level", "offset", "turn", "centre", "radius", "tube", "place", "angle"]


@dataclass(frozen=True)
class Unknown:
    """One size or position of a form, and the faces that share it.

    - level: where planes, and axes in line with them, lie along a model axis; offset: the same along a slanted
      direction; centre: one coordinate of an axis or centre that only rounds off its neighbours;
    - turn: how a slanted direction turns; angle: half the angle of a cone;
    - radius: of a cylinder, sphere or torus; tube: the smaller radius of a torus;
    - place: where the apex of a cone or the middle of a torus lies along its axis.

    `way` is the direction in which a shift of the whole part changes it, None when it does not. Lengths are in parts
    of the size of the part.
    """

    kind: UnknownKind
    value: float
    way: tuple[float, float, float] | None
    faces: tuple[int, ...]

    @property
    def axis(self) -> Axis | None:
        """The model axis it runs along, either way round; None for an inclined one and what is no position."""
        if self.way is None:
            return None
        return along_axis(self.way)


class System:
    """Unknowns, numbered as they come, and rows that are zero for every change the drawing allows."""

    def __init__(self) -> None:
        self.unknowns: list[Unknown] = []
        self.rows: list[Row] = []

    def unknown(self, kind: UnknownKind, value: float = 0.0, way: Array | None = None) -> int:
        """One more unknown: its number."""
        fixed = None if way is None else (float(way[0]), float(way[1]), float(way[2]))
        self.unknowns.append(Unknown(kind, value, fixed, ()))
        return len(self.unknowns) - 1

    def shared(self, index: int, face: int) -> None:
        """Note that a face has an unknown."""
        known = self.unknowns[index]
        faces = tuple(sorted({*known.faces, face}))
        self.unknowns[index] = Unknown(known.kind, known.value, known.way, faces)

    def join(self, own: Sequence[int], rows: Sequence[Row]) -> Mapping[int, Row] | None:
        """Tie a point to its faces by rows in which its own unknowns are negative numbers.

        They occur nowhere else, so they are eliminated at once, which leaves what the faces must agree on. Returns how
        they follow from the others, or None where the point may still slide on its faces, which is no size.
        """
        mine = np.array([[row.get(index, 0.0) for index in own] for row in rows])
        left, values, right = np.linalg.svd(mine)
        rank = int((values > ZERO * values[0]).sum())
        for combination in left[:, rank:].T:
            agreed = summed(*(times(row, float(weight)) for row, weight in zip(rows, combination, strict=True)))
            self.rows.append({index: amount for index, amount in agreed.items() if index >= 0})
        if rank < len(own):
            return None
        solved = -(right[:rank].T / values[:rank]) @ left[:, :rank].T
        others = [{index: amount for index, amount in row.items() if index >= 0} for row in rows]
        return {
            index: summed(*(times(row, float(weight)) for row, weight in zip(others, weights, strict=True)))
            for index, weights in zip(own, solved, strict=True)
        }


@dataclass(frozen=True)
class Change:
    """A vector that depends on the unknowns: one row of amounts per unknown, in model directions."""

    parts: dict[int, Array] = field(default_factory=dict)

    def __add__(self, other: "Change") -> "Change":
        parts = dict(self.parts)
        for index, amount in other.parts.items():
            parts[index] = parts[index] + amount if index in parts else amount
        return Change(parts)

    def __neg__(self) -> "Change":
        return Change({index: -amount for index, amount in self.parts.items()})

    def __sub__(self, other: "Change") -> "Change":
        return self + (-other)

    def along(self, direction: Array, factor: float = 1.0) -> Row:
        """Its component along a fixed direction, as a row."""
        return {index: factor * float(amount @ direction) for index, amount in self.parts.items()}

    def under(self, motion: Mapping[int, float]) -> Array:
        """The vector for given amounts of the unknowns."""
        return np.asarray(sum((motion.get(index, 0.0) * way for index, way in self.parts.items()), np.zeros(3)))

    def crossed(self, row: Row, direction: Array) -> "Change":
        """This change plus a scalar row along a fixed direction."""
        return self + Change({index: amount * direction for index, amount in row.items()})


def summed(*rows: Row) -> Row:
    """The sum of rows."""
    total: Row = {}
    for row in rows:
        for index, amount in row.items():
            total[index] = total.get(index, 0.0) + amount
    return total


def times(row: Row, factor: float) -> Row:
    """A row times a number."""
    return {index: factor * amount for index, amount in row.items()}


def valued(row: Row, motion: Mapping[int, float]) -> float:
    """A row for given amounts of the unknowns."""
    return sum(amount * motion.get(index, 0.0) for index, amount in row.items())


def less(row: Row, other: Row) -> Row:
    """The difference of two rows; unknowns on which they agree drop out."""
    return {index: amount for index, amount in summed(row, times(other, -1.0)).items() if abs(amount) > 1e-12}


def scaled(change: Change, factor: float) -> Change:
    """A change times a number."""
    return Change({index: factor * amount for index, amount in change.parts.items()})


def dense(rows: Sequence[Mapping[int, float]], width: int) -> Array:
    """Rows as a matrix, one column per unknown."""
    matrix = np.zeros((len(rows), width))
    for number, row in enumerate(rows):
        for index, amount in row.items():
            matrix[number, index] += amount
    return matrix
