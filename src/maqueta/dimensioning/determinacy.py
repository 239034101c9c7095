"""Are the dimensions complete and free of closed chains? Linear algebra on the size model.

Every dimension is one equation (a count several). The null space of all equations is what the sheet leaves open;
an equation that follows from others closes a chain.
"""

from collections import deque
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from maqueta.dimensioning.size_model import Row, SizeModel
from maqueta.solid.part import AXES

Array = NDArray[np.float64]
#: Rows of ±1, ±2 and direction cosines: anything below this after elimination is zero.
_ZERO = 1e-9


@dataclass(frozen=True, slots=True)
class Equation:
    """What one dimension says: a linear combination of unknowns. `overall` ones are kept when a chain must open."""

    owner: str
    row: Row
    overall: bool = False


@dataclass(frozen=True, slots=True)
class Chain:
    """Dimensions of which each follows from the others; `surplus` is the one that could go."""

    members: tuple[str, ...]
    surplus: str


@dataclass(frozen=True, slots=True)
class Reading:
    """What the dimensions of a sheet say: open motions (unknown → how far it moves) and closed chains."""

    needed: int
    open: tuple[Mapping[int, float], ...]
    chains: tuple[Chain, ...]


class _Elimination:
    """Rows in reduced echelon form, each with the equations it was combined from."""

    def __init__(self, width: int) -> None:
        self._width = width
        self._rows: list[tuple[int, Array, dict[int, float]]] = []

    def add(self, row: Array, label: int) -> dict[int, float] | None:
        """Add a row; when it depends on earlier ones, return the labels it is combined from (else None)."""
        rest, used = row.copy(), {label: 1.0}
        for pivot, other, origin in self._rows:
            factor = rest[pivot]
            if abs(factor) > _ZERO:
                rest -= factor * other
                for key, amount in origin.items():
                    used[key] = used.get(key, 0.0) - factor * amount
        if np.abs(rest).max(initial=0.0) <= _ZERO:
            return {key: amount for key, amount in used.items() if abs(amount) > _ZERO}
        pivot = int(np.abs(rest).argmax())
        scale = rest[pivot]
        rest, used = rest / scale, {key: amount / scale for key, amount in used.items()}
        for place, (other_pivot, other, origin) in enumerate(self._rows):
            factor = other[pivot]
            if abs(factor) > _ZERO:
                merged = dict(origin)
                for key, amount in used.items():
                    merged[key] = merged.get(key, 0.0) - factor * amount
                self._rows[place] = (other_pivot, other - factor * rest, merged)
        self._rows.append((pivot, rest, used))
        return None

    def null_space(self) -> list[dict[int, float]]:
        """One motion per free column: that unknown moves by 1 and takes the dependent ones along."""
        pivots = {pivot for pivot, _, _ in self._rows}
        motions = []
        for free in range(self._width):
            if free in pivots:
                continue
            motion = {free: 1.0}
            for pivot, row, _ in self._rows:
                if abs(row[free]) > _ZERO:
                    motion[pivot] = -float(row[free])
            motions.append(motion)
        return motions


def _dense(row: Mapping[int, float], width: int) -> Array:
    dense = np.zeros(width)
    for index, amount in row.items():
        dense[index] += amount
    return dense


def _shape(model: SizeModel) -> _Elimination:
    """What is known without any dimension: where the part lies in space is no size; then the shape's own rows."""
    width = len(model.unknowns)
    elimination = _Elimination(width)
    label = -1
    for axis in AXES:
        levels = model.along(axis) or [i for i, u in enumerate(model.unknowns) if u.kind == "centre" and u.axis == axis]
        if levels:
            elimination.add(_dense({levels[0]: 1.0}, width), label)
            label -= 1
    for row in model.shape:
        elimination.add(_dense(dict(row), width), label)
        label -= 1
    return elimination


def read(model: SizeModel, equations: Sequence[Equation]) -> Reading:
    """Read the dimensions of a sheet. Overall sizes are taken first, so that chains keep them."""
    width = len(model.unknowns)
    elimination = _shape(model)
    needed = len(elimination.null_space())
    order = sorted(range(len(equations)), key=lambda k: (not equations[k].overall, k))
    chains: dict[frozenset[str], Chain] = {}
    for label in order:
        equation = equations[label]
        combination = elimination.add(_dense(equation.row, width), label)
        if combination is None:
            continue
        members = {equations[key].owner for key in combination if key >= 0}
        shortest = _shortest_loop(equations, label, model)
        if shortest is not None and len(shortest) <= len(members):
            members = shortest
        kept = [e.owner for e in equations if e.owner in members]
        ordered = tuple(dict.fromkeys(kept))
        chains.setdefault(frozenset(members), Chain(ordered, equation.owner))
    return Reading(needed, tuple(elimination.null_space()), tuple(chains.values()))


def _difference(row: Row) -> tuple[int, int] | None:
    """The two unknowns of a plain difference of levels, or None for any other equation."""
    if len(row) == 2:
        (first, a), (second, b) = row.items()
        if abs(a + b) <= _ZERO:
            return first, second
    return None


def _shortest_loop(equations: Sequence[Equation], closing: int, model: SizeModel) -> set[str] | None:
    """The shortest loop of level-to-level dimensions through one of them: breadth-first search between its ends."""
    ends = _difference(equations[closing].row)
    if ends is None:
        return None
    links: dict[int, list[tuple[int, int]]] = {}
    for label, equation in enumerate(equations):
        pair = _difference(equation.row)
        if pair is not None and label != closing and model.unknowns[pair[0]].kind != "radius":
            links.setdefault(pair[0], []).append((pair[1], label))
            links.setdefault(pair[1], []).append((pair[0], label))
    reached: dict[int, set[str]] = {ends[0]: {equations[closing].owner}}
    queue = deque([ends[0]])
    while queue:
        here = queue.popleft()
        if here == ends[1]:
            return reached[here]
        for there, label in links.get(here, []):
            if there not in reached:
                reached[there] = reached[here] | {equations[label].owner}
                queue.append(there)
    return None
