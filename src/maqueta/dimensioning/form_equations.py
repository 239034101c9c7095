"""Unknowns of a form, how points and directions change with them, and the equations that tie them."""

from collections.abc import Sequence
from dataclasses import dataclass, field
from typing import Final

import numpy as np
from numpy.typing import NDArray

Array = NDArray[np.float64]
#: Coordinates, offsets and directions closer than this (part of the longest size, or of one) are the same as drawn.
SAME: Final = 1e-6
#: A singular value below this part of the largest is zero.
_ZERO: Final = 1e-7
#: Amounts by unknown; the row is zero for every change the drawing allows.
Row = dict[int, float]


class System:
    """Unknowns, numbered as they come, and rows that are zero for every change the drawing allows."""

    def __init__(self) -> None:
        self.count = 0
        self.rows: list[Row] = []

    def unknown(self) -> int:
        """One more unknown: its number."""
        self.count += 1
        return self.count - 1

    def join(self, own: Sequence[int], rows: Sequence[Row]) -> None:
        """Tie a point to its faces by rows in which its own unknowns are negative numbers.

        They occur nowhere else, so they are eliminated at once, which leaves what the faces must agree on. Where a
        point may still slide on its faces, that is no size.
        """
        mine = np.array([[row.get(index, 0.0) for index in own] for row in rows])
        left, values, _ = np.linalg.svd(mine)
        rank = int((values > _ZERO * values[0]).sum())
        for combination in left[:, rank:].T:
            agreed = summed(*(times(row, float(weight)) for row, weight in zip(rows, combination, strict=True)))
            self.rows.append({index: amount for index, amount in agreed.items() if index >= 0})

    def free(self) -> int:
        """The dimension of the null space."""
        matrix = np.zeros((len(self.rows), self.count))
        for place, row in enumerate(self.rows):
            for index, amount in row.items():
                matrix[place, index] = amount
        values = np.linalg.svd(matrix, compute_uv=False) if self.rows else np.zeros(1)
        return self.count - int((values > _ZERO * max(values[0], _ZERO)).sum())


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


def scaled(change: Change, factor: float) -> Change:
    """A change times a number."""
    return Change({index: factor * amount for index, amount in change.parts.items()})
