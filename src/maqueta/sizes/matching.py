"""What each dimension means where it may mean several things: chosen so that all together say as much as they can.

A choice of one row for each dimension, the rows independent of each other, is a common independent set of two matroids:
rows that are independent, and sets with one row a dimension. The largest one is found by exchanges along shortest paths
(Edmonds 1970; Schrijver, Combinatorial Optimization, 2003, section 41.2, from memory). How large it gets does not
depend on the order in which dimensions come: one that finds a place keeps it, though perhaps with another meaning.
"""

from collections import deque
from collections.abc import Iterable, Mapping, Sequence
from typing import Final

import numpy as np

from maqueta.sizes.form.equations import Array

#: A row adds nothing when less than this part of it is left beside the others.
ZERO: Final = 1e-7


def chosen_meanings(meanings: Sequence[Array], order: Iterable[int]) -> Mapping[int, int]:
    """Which of its meanings each dimension has; those that say nothing new in any way are left out.

    `meanings` holds for each dimension its rows, each of length 1 or zero where it says nothing. Those early in `order`
    go before later ones where not all can say something new.
    """
    choice = _Choice(meanings)
    for label in order:
        choice.add(label)
    return choice.taken


def _beyond(basis: Array, row: Array) -> Array | None:
    """The part of a row square to an orthonormal basis, of length 1; None when there is none."""
    rest = row - (basis @ row) @ basis
    rest = rest - (basis @ rest) @ basis
    length = float(np.linalg.norm(rest))
    return rest / length if length > ZERO else None


class _Choice:
    """Rows taken so far, by dimension, with an orthonormal basis of them."""

    def __init__(self, meanings: Sequence[Array]) -> None:
        self._meanings = meanings
        self.taken: dict[int, int] = {}
        self._basis = np.zeros((0, meanings[0].shape[1] if len(meanings) else 0))

    def add(self, label: int) -> None:
        """Take a dimension in with the first meaning that says something new, changing those of others if need be."""
        for number, row in enumerate(self._meanings[label]):
            fresh = _beyond(self._basis, row)
            if fresh is not None:
                self.taken[label] = number
                self._basis = np.vstack([self._basis, fresh])
                return
        if any(len(self._meanings[other]) > 1 for other in self.taken):
            self._exchange(label)

    def _exchange(self, label: int) -> None:
        """Search for the shortest way to make room by giving others another of their meanings."""
        came: dict[tuple[int, int], tuple[int, int] | None] = {
            (label, number): None for number in range(len(self._meanings[label]))
        }
        queue = deque(came)
        while queue:
            here = queue.popleft()
            row = self._meanings[here[0]][here[1]]
            if not row.any():
                continue
            if _beyond(self._basis, row) is not None:
                self._settle(here, came)
                return
            for other in self._circuit(row):
                for number in range(len(self._meanings[other])):
                    step = (other, number)
                    if number != self.taken[other] and step not in came:
                        came[step] = here
                        queue.append(step)

    def _circuit(self, row: Array) -> list[int]:
        """The taken dimensions with several meanings of which a row is made up."""
        labels = list(self.taken)
        rows = np.array([self._meanings[label][self.taken[label]] for label in labels])
        weights, *_ = np.linalg.lstsq(rows.T, row, rcond=None)
        return [
            label
            for label, weight in zip(labels, weights, strict=True)
            if abs(weight) > 10 * ZERO and len(self._meanings[label]) > 1
        ]

    def _settle(self, last: tuple[int, int], came: Mapping[tuple[int, int], tuple[int, int] | None]) -> None:
        step: tuple[int, int] | None = last
        while step is not None:
            self.taken[step[0]] = step[1]
            step = came[step]
        self._basis = np.zeros((0, self._basis.shape[1]))
        for label, number in self.taken.items():
            fresh = _beyond(self._basis, self._meanings[label][number])
            assert fresh is not None, "rows exchanged along a shortest path stay independent"
            self._basis = np.vstack([self._basis, fresh])
