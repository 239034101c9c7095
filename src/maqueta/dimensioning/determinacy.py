"""Are the dimensions complete and free of closed chains? Linear algebra on the form of the part.

Every dimension is one equation (a count several). What all equations leave open is undetermined; an equation that
follows from others closes a chain. Where corners are drawn in line both readings are allowed: what is open must be open
for a reader who takes them as in line, a chain must be closed for one who does not.
"""

from collections import deque
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import combinations
from typing import Final

import numpy as np

from maqueta.dimensioning.form_equations import Array, Row, dense
from maqueta.dimensioning.form_model import FormModel, null_space
from maqueta.dimensioning.motions import Motion, sparse_motions

#: An equation adds nothing when less than this part of it is left beside the others.
_ZERO: Final = 1e-7
#: Beyond this many other equations the search for a smaller chain is given up: the one found is named.
_SEARCHED: Final = 60


@dataclass(frozen=True, slots=True)
class Equation:
    """What one dimension says: a linear combination of unknowns. `overall` ones are kept when a chain must open.

    `others` are what it may say instead, where what it is taken from is drawn in line with something else: it leaves
    nothing of either open, and is surplus only when each of them is. What is `customary` is written whether it is new
    or not, such as the angle of a chamfer or the depth beside a diameter: it closes no chain.
    """

    owner: str
    row: Row
    overall: bool = False
    others: tuple[Row, ...] = ()
    customary: bool = False

    @property
    def rows(self) -> tuple[Row, ...]:
        """All it may say, the likeliest first."""
        return (self.row, *self.others)


@dataclass(frozen=True, slots=True)
class Chain:
    """Dimensions of which each follows from the others; `surplus` is the one that could go."""

    members: tuple[str, ...]
    surplus: str


@dataclass(frozen=True, slots=True)
class Reading:
    """What the dimensions of a sheet say: how many were needed, open motions and closed chains.

    `least` is the number needed by a reader who takes corners drawn in line as in line. `dependent` are the places of
    equations that say nothing new, `idle` those of customary ones.
    """

    needed: int
    least: int
    open: tuple[Motion, ...]
    chains: tuple[Chain, ...]
    dependent: tuple[int, ...]
    idle: tuple[int, ...]


def read(form: FormModel, equations: Sequence[Equation], known: Sequence[Row] = ()) -> Reading:
    """Read the dimensions of a sheet. Overall sizes are taken first, so that chains keep them.

    `known` are rows the sheet states without dimensions, such as symmetry about a centre line; a size given although
    it follows from them is not surplus.
    """
    left = form.motions_in_line
    rows = [*known, *(row for equation in equations for row in equation.rows)]
    if rows:
        left = null_space(dense(rows, len(form.unknowns)) @ left.T) @ left
    chains, dependent, idle = _chains(form, equations)
    return Reading(form.needed, form.least, sparse_motions(form, left), chains, dependent, idle)


@dataclass(frozen=True)
class _Reduced:
    """The equations in the motions of the form, each of length 1, zero for one that says nothing."""

    rows: Array
    empty: tuple[bool, ...]


def _reduced(form: FormModel, rows: Sequence[Row]) -> _Reduced:
    said = dense(rows, len(form.unknowns))
    reduced = said @ form.motions.T
    lengths = np.linalg.norm(reduced, axis=1)
    empty = lengths <= _ZERO * np.maximum(np.linalg.norm(said, axis=1), 1e-300)
    return _Reduced(reduced / np.where(empty, 1.0, lengths)[:, None], tuple(bool(none) for none in empty))


def _chains(
    form: FormModel, equations: Sequence[Equation]
) -> tuple[tuple[Chain, ...], tuple[int, ...], tuple[int, ...]]:
    """Closed chains, the places of the equations that close them, and of customary ones that say nothing new."""
    meant = _reduced(form, [equation.row for equation in equations])
    chains: dict[frozenset[str], Chain] = {}
    taken: list[int] = []
    dependent: list[int] = []
    idle: list[int] = []
    basis = np.zeros((0, len(form.motions)))

    def rank(label: int) -> tuple[bool, bool, int]:
        return equations[label].customary, not equations[label].overall, label

    for label in sorted(range(len(equations)), key=rank):
        fresh = _beyond(basis, meant.rows[label])
        if fresh is None and equations[label].others:
            other = _reduced(form, equations[label].others)
            place = next((k for k, row in enumerate(other.rows) if _beyond(basis, row) is not None), None)
            if place is not None:
                meant.rows[label] = other.rows[place]
                fresh = _beyond(basis, other.rows[place])
        if fresh is not None:
            basis = np.vstack([basis, fresh])
            taken.append(label)
            continue
        if equations[label].customary:
            idle.append(label)
            continue
        dependent.append(label)
        members = {label} if meant.empty[label] else _smallest(form, equations, meant, taken, label)
        owners = tuple(dict.fromkeys(equations[key].owner for key in sorted(members)))
        chains.setdefault(frozenset(owners), Chain(owners, equations[label].owner))
    return tuple(chains.values()), tuple(dependent), tuple(idle)


def _beyond(basis: Array, row: Array) -> Array | None:
    """The part of a row square to a basis, of length 1; None when there is none."""
    rest = row - (basis @ row) @ basis
    rest = rest - (basis @ rest) @ basis
    length = float(np.linalg.norm(rest))
    return rest / length if length > _ZERO else None


def _smallest(
    form: FormModel,
    equations: Sequence[Equation],
    meant: _Reduced,
    taken: Sequence[int],
    closing: int,
) -> set[int]:
    """The smallest set of equations found that contains one and of which each follows from the others."""
    reduced = meant.rows
    others = [k for k, empty in enumerate(meant.empty) if not empty and k != closing]
    products = reduced @ reduced[closing]
    for other in others:
        if 1 - products[other] ** 2 <= _ZERO:
            return {closing, other}
    if len(others) <= _SEARCHED:
        for first, second in combinations(others, 2):
            if _spanned(reduced[closing], reduced[[first, second]]):
                return {closing, first, second}
    weights, *_ = np.linalg.lstsq(reduced[list(taken)].T, reduced[closing], rcond=None)
    members = {closing, *(label for label, weight in zip(taken, weights, strict=True) if abs(weight) > 10 * _ZERO)}
    loop = _shortest_loop(equations, closing, form)
    return loop if loop is not None and len(loop) <= len(members) else members


def _spanned(row: Array, pair: Array) -> bool:
    """Whether two rows make up a third, and both are needed for it."""
    cosine = float(pair[0] @ pair[1])
    if 1 - cosine**2 <= _ZERO:
        return False
    a, b = float(pair[0] @ row), float(pair[1] @ row)
    weights = np.array([a - cosine * b, b - cosine * a]) / (1 - cosine**2)
    return bool(np.abs(weights).min() > 10 * _ZERO and np.linalg.norm(row - weights @ pair) <= 10 * _ZERO)


def _difference(row: Row) -> tuple[int, int] | None:
    """The two unknowns of a plain difference of levels, or None for any other equation."""
    if len(row) == 2:
        (first, a), (second, b) = row.items()
        if abs(a + b) <= _ZERO:
            return first, second
    return None


def _shortest_loop(equations: Sequence[Equation], closing: int, form: FormModel) -> set[int] | None:
    """The shortest loop of level-to-level dimensions through one of them: breadth-first search between its ends."""
    ends = _difference(equations[closing].row)
    if ends is None:
        return None
    links: dict[int, list[tuple[int, int]]] = {}
    for label, equation in enumerate(equations):
        pair = _difference(equation.row)
        if pair is not None and label != closing and form.unknowns[pair[0]].kind == "level":
            links.setdefault(pair[0], []).append((pair[1], label))
            links.setdefault(pair[1], []).append((pair[0], label))
    reached: dict[int, set[int]] = {ends[0]: {closing}}
    queue = deque([ends[0]])
    while queue:
        here = queue.popleft()
        if here == ends[1]:
            return reached[here]
        for there, label in links.get(here, []):
            if there not in reached:
                reached[there] = reached[here] | {label}
                queue.append(there)
    return None
