"""Are the dimensions complete and free of closed chains? Linear algebra on the form of the part.

Every dimension is one equation (a count several). What all equations leave open is undetermined; an equation that
follows from others closes a chain. Where corners are drawn in line both readings are allowed: what is open must be open
for a reader who takes them as in line, a chain must be closed for one who does not.
"""

from collections import deque
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from itertools import combinations, pairwise
from typing import Final

import numpy as np

from maqueta.sizes.form.equations import Array, Row, dense
from maqueta.sizes.form.model import FormModel, null_space
from maqueta.sizes.matching import ZERO, chosen_meanings
from maqueta.sizes.motions import Motion, sparse_motions

#: Beyond this many other equations the search for a smaller chain is given up: the one found is named.
_SEARCHED: Final = 60


@dataclass(frozen=True, slots=True)
class Equation:
    """What one dimension says: a linear combination of unknowns. `overall` ones are kept when a chain must open.

    `others` are what it may say instead, where what it is taken from is drawn in line with something else: it leaves
    nothing of either open, and is surplus only when each of them is. What is `customary` is written whether it is new
    or not, such as the angle of a chamfer or the depth beside a diameter: it closes no chain. What is `counted` is said
    of a further one of several alike: it closes none by itself.
    """

    owner: str
    row: Row
    overall: bool = False
    others: tuple[Row, ...] = ()
    customary: bool = False
    counted: bool = False

    @property
    def rows(self) -> tuple[Row, ...]:
        """All it may say, the likeliest first, the rest in an order that does not depend on how it was measured."""
        return (self.row, *sorted(self.others, key=_place))


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
    # In one order whatever the order on the sheet, so that not even rounding depends on it.
    rows = sorted((*known, *(row for equation in equations for row in equation.rows)), key=_place)
    if rows:
        left = null_space(dense(rows, len(form.unknowns)) @ left.T) @ left
    chains, dependent, idle = _chains(form, equations)
    return Reading(form.needed, form.least, sparse_motions(form, left), chains, dependent, idle)


def _reduced(form: FormModel, rows: Sequence[Row]) -> Array:
    """Rows in the motions of the form, each of length 1, zero for one that says nothing."""
    said = dense(rows, len(form.unknowns))
    reduced = said @ form.motions.T
    lengths = np.linalg.norm(reduced, axis=1)
    empty = lengths <= ZERO * np.maximum(np.linalg.norm(said, axis=1), 1e-300)
    return np.asarray(np.where(empty[:, None], 0.0, reduced / np.where(empty, 1.0, lengths)[:, None]))


def _chains(
    form: FormModel, equations: Sequence[Equation]
) -> tuple[tuple[Chain, ...], tuple[int, ...], tuple[int, ...]]:
    """Closed chains, the places of the equations that close them, and of customary ones that say nothing new."""
    if not equations:
        return (), (), ()
    bounds = np.cumsum([0, *(len(equation.rows) for equation in equations)])
    every = _reduced(form, [row for equation in equations for row in equation.rows])
    meanings = [every[start:end] for start, end in pairwise(bounds.tolist())]

    def rank(label: int) -> tuple[object, ...]:
        equation = equations[label]
        said = tuple(map(_place, equation.rows))
        return equation.customary, equation.counted, not equation.overall, said, label

    order = sorted(range(len(equations)), key=rank)
    taken = chosen_meanings(meanings, order)
    said = [equation.rows[taken.get(label, 0)] for label, equation in enumerate(equations)]
    meant = np.array([meanings[label][taken.get(label, 0)] for label in range(len(equations))])
    chains: dict[frozenset[str], Chain] = {}
    dependent: list[int] = []
    idle: list[int] = []
    for label in (label for label in order if label not in taken):
        if equations[label].customary:
            idle.append(label)
            continue
        members = {label} if not meant[label].any() else _smallest(form, equations, said, meant, taken, label)
        owners = tuple(dict.fromkeys(equations[key].owner for key in sorted(members)))
        if equations[label].counted and len(owners) == 1:
            idle.append(label)
            continue
        dependent.append(label)
        chains.setdefault(frozenset(owners), Chain(owners, equations[label].owner))
    return tuple(chains.values()), tuple(dependent), tuple(idle)


def _place(row: Row) -> tuple[tuple[int, float], ...]:
    """A key that sorts rows by what they are about, whichever way round they are written."""
    sense = 1.0 if row and row[min(row)] > 0 else -1.0
    return tuple((index, round(sense * row[index], 9)) for index in sorted(row))


def _smallest(
    form: FormModel,
    equations: Sequence[Equation],
    said: Sequence[Row],
    meant: Array,
    taken: Mapping[int, int],
    closing: int,
) -> set[int]:
    """The smallest set of equations found that contains one and of which each follows from the others."""
    # What was taken comes first, so that of several equal sizes all are told to repeat the same one.
    others = [*taken, *(k for k in range(len(meant)) if k not in taken)]
    others = [k for k in others if meant[k].any() and k != closing]
    products = meant @ meant[closing]
    for other in others:
        if 1 - products[other] ** 2 <= ZERO:
            return {closing, other}
    if len(others) <= _SEARCHED:
        for first, second in combinations(others, 2):
            if _spanned(meant[closing], meant[[first, second]]):
                return {closing, first, second}
    labels = sorted(taken)
    weights, *_ = np.linalg.lstsq(meant[labels].T, meant[closing], rcond=None)
    members = {closing, *(label for label, weight in zip(labels, weights, strict=True) if abs(weight) > 10 * ZERO)}
    loop = _shortest_loop(said, closing, form)
    return loop if loop is not None and len(loop) <= len(members) else members


def _spanned(row: Array, pair: Array) -> bool:
    """Whether two rows make up a third, and both are needed for it."""
    cosine = float(pair[0] @ pair[1])
    if 1 - cosine**2 <= ZERO:
        return False
    a, b = float(pair[0] @ row), float(pair[1] @ row)
    weights = np.array([a - cosine * b, b - cosine * a]) / (1 - cosine**2)
    return bool(np.abs(weights).min() > 10 * ZERO and np.linalg.norm(row - weights @ pair) <= 10 * ZERO)


def _difference(row: Row) -> tuple[int, int] | None:
    """The two unknowns of a plain difference of levels, or None for any other equation."""
    if len(row) == 2:
        (first, a), (second, b) = row.items()
        if abs(a + b) <= ZERO:
            return first, second
    return None


def _shortest_loop(said: Sequence[Row], closing: int, form: FormModel) -> set[int] | None:
    """The shortest loop of level-to-level dimensions through one of them: breadth-first search between its ends."""
    ends = _difference(said[closing])
    if ends is None:
        return None
    links: dict[int, list[tuple[int, int]]] = {}
    for label, row in enumerate(said):
        pair = _difference(row)
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
