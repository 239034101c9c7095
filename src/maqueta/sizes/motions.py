"""What can still move: the open changes of a form, taken apart so that each is one feature moving one way."""

from collections.abc import Iterator, Mapping, Sequence
from itertools import islice
from typing import Final

import numpy as np

from maqueta.geometry.directions import AXES
from maqueta.sizes.form.equations import Array
from maqueta.sizes.form.model import FormModel

#: How far each unknown moves, by number; those that stand still are left out.
Motion = Mapping[int, float]
#: Amounts below this part of the largest are none.
_STILL: Final = 1e-6
#: With more open motions than this, only one way of taking them apart is tried.
_MANY: Final = 60


def sparse_motions(form: FormModel, left: Array) -> tuple[Motion, ...]:
    """As many motions as there are rows in `left`, with the same span when the whole part may be shifted too.

    Each changes as few unknowns as was found; of those that change equally many, the one that takes fewer faces along.
    """
    if not len(left):
        return ()
    spanned = np.vstack([form.shifts, left])
    weight = np.array([1.0 + 1e-3 * len(unknown.faces) for unknown in form.unknowns])
    # The low side of the part stands still where anything else can move instead.
    weight[[form.along(axis)[0] for axis in AXES if form.along(axis)]] += 0.5
    # Where very much is open there is little to tell apart, and the search would take long.
    orders = islice(_orders(form), 1 if len(left) > _MANY else None)
    candidates = [row for order in orders for row in _echelon(spanned, order)]
    tidy = [row / np.abs(row).max() for row in candidates]
    costs = [float(weight[np.abs(row) > _STILL].sum()) for row in tidy]
    basis = _orthonormal(form.shifts)
    found: list[Motion] = []
    for number in sorted(range(len(tidy)), key=lambda k: costs[k]):
        rest = tidy[number] - (basis @ tidy[number]) @ basis
        rest = rest - (basis @ rest) @ basis
        length = float(np.linalg.norm(rest))
        if length > 1e-5:
            basis = np.vstack([basis, rest / length])
            row = tidy[number]
            moving = np.flatnonzero(np.abs(row) > _STILL)
            # The sense of a motion is arbitrary; it is told the same way however it was found.
            sign = 1.0 if row[moving[0]] > 0 else -1.0
            found.append({int(i): float(sign * row[i]) for i in moving})
            if len(found) == len(left):
                break
    return tuple(sorted(found, key=lambda motion: min(motion)))


def _orthonormal(rows: Array) -> Array:
    q, _ = np.linalg.qr(rows.T)
    return np.asarray(q.T)


def _orders(form: FormModel) -> Iterator[list[int]]:
    """Orders in which unknowns are tried as the one that leads a motion."""
    usual = list(range(len(form.unknowns)))
    by_value = sorted(usual, key=lambda i: form.unknowns[i].value)
    positions = ("level", "offset", "centre", "place")
    yield usual
    yield usual[::-1]
    for order in (by_value, by_value[::-1]):
        yield sorted(order, key=lambda i: form.unknowns[i].kind in positions)
        yield sorted(order, key=lambda i: form.unknowns[i].kind not in positions)


def _echelon(rows: Array, order: Sequence[int]) -> Array:
    """The reduced echelon form with pivots in the given order of columns."""
    matrix, done = rows.copy(), 0
    for column in order:
        if done == len(matrix):
            break
        pivot = done + int(np.abs(matrix[done:, column]).argmax())
        if abs(matrix[pivot, column]) <= _STILL:
            continue
        matrix[[done, pivot]] = matrix[[pivot, done]]
        matrix[done] /= matrix[done, column]
        factors = matrix[:, column].copy()
        factors[done] = 0.0
        matrix -= np.outer(factors, matrix[done])
        done += 1
    return matrix[:done]


def displaced(form: FormModel, motion: Motion) -> Iterator[tuple[Array, Array]]:
    """Corners, middles of rings and centres that move, each with how (both in parts of the size of the part)."""
    for index in sorted({index for unknown in motion for index in form.touched.get(unknown, ())}):
        point, change = form.points[index]
        yield point, change.under(motion)


def displaced_axes(form: FormModel, motion: Motion) -> tuple[int, ...]:
    """The model axes (0, 1, 2) along which a motion takes points of the part."""
    farthest = np.max([np.abs(shift) for _, shift in displaced(form, motion)], axis=0, initial=0.0)
    return tuple(int(k) for k in np.flatnonzero(farthest > 1e-6 * max(float(farthest.max()), 1e-9)))
