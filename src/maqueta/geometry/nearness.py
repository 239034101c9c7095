"""Things kept by where they are, and found again within a tolerance, whatever grid their places are rounded to."""

import math
from collections.abc import Iterable, Iterator
from itertools import product
from typing import Final, Generic, TypeVar

Thing = TypeVar("Thing")
#: Cells are this many tolerances wide, so that a place is seldom near the wall of its cell.
_WIDE: Final = 8.0


class Places(Generic[Thing]):
    """Things by place, a place being any fixed number of coordinates; found within `tolerance` of each of them.

    Rounding alone would part two places on either side of a cell's wall; here the neighbours are looked at too.
    """

    def __init__(self, tolerance: float) -> None:
        self._tolerance = tolerance
        self._cell = _WIDE * tolerance
        self._cells: dict[tuple[int, ...], list[tuple[tuple[float, ...], Thing]]] = {}

    def put(self, position: Iterable[float], thing: Thing) -> Thing:
        """Keep a thing at a place, beside what is there already."""
        exact = tuple(map(float, position))
        self._cells.setdefault(tuple(math.floor(c / self._cell) for c in exact), []).append((exact, thing))
        return thing

    def get(self, position: Iterable[float]) -> Thing | None:
        """The first thing that was put at a place, None where there is none."""
        return next(self.all(position), None)

    def all(self, position: Iterable[float]) -> Iterator[Thing]:
        """Everything at a place."""
        exact = tuple(map(float, position))
        low = [math.floor((c - self._tolerance) / self._cell) for c in exact]
        high = [math.floor((c + self._tolerance) / self._cell) for c in exact]
        # Seldom is a place so near a wall that there is more than one cell to look at.
        cells = [tuple(low)] if low == high else product(*(range(a, b + 1) for a, b in zip(low, high, strict=True)))
        for cell in cells:
            for other, thing in self._cells.get(cell, ()):
                if all(abs(a - b) <= self._tolerance for a, b in zip(exact, other, strict=True)):
                    yield thing
