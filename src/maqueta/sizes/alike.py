"""What a count or a square says of lengths beside the one a dimension stands at: "2× 12", "3× 20 (=60)", "□20"."""

from collections.abc import Iterator

from maqueta.geometry.directions import AXES, Axis
from maqueta.sizes.form.equations import Row
from maqueta.sizes.sighted import PICK_TOLERANCE, Sighted
from maqueta.sizes.text import Written

#: A written value is the measured length, or an equal share of it, within this part of it, in mm or in inches.
_SAME = 0.02
_UNITS = (1.0, 25.4, 1 / 25.4)


def said_of_alike(sighted: Sighted, row: Row, axis: Axis, written: Written) -> Iterator[Row]:
    """Rows of further lengths that a text speaks of, where `row` is the difference of two levels along an axis.

    They are customary: who writes a count may measure the others as well, as long as nothing contradicts.
    """
    form = sighted.form
    if len(row) != 2 or any(form.unknowns[index].kind != "level" for index in row):
        return
    low, high = sorted(row, key=lambda index: form.unknowns[index].value)
    length = form.unknowns[high].value - form.unknowns[low].value
    if written.count > 1:
        if _shares(written, length * form.size):
            yield from _steps(sighted, low, length, axis, written.count)
        elif len(others := _equal(sighted, axis, length, (low, high))) >= written.count - 1:
            yield from others
    if written.symbol == "square":
        for other in AXES:
            if other != axis:
                yield from (pair for pair in _equal(sighted, other, length) if _adjoin(sighted, row, pair))


def _shares(written: Written, length: float) -> bool:
    """Whether the written value is one of several equal steps of a length, not the length itself."""
    if not written.value:
        return False
    whole = any(abs(written.value * unit / length - 1) <= _SAME for unit in _UNITS)
    return not whole and any(abs(written.count * written.value * unit / length - 1) <= _SAME for unit in _UNITS)


def _steps(sighted: Sighted, low: int, length: float, axis: Axis, count: int) -> Iterator[Row]:
    """The equal steps from a level on, as far as something stands at them."""
    levels = sighted.form.along(axis)
    start = sighted.form.unknowns[low].value
    for step in range(1, count):
        wanted = start + step * length / count
        at = next((i for i in levels if abs(sighted.form.unknowns[i].value - wanted) <= PICK_TOLERANCE), None)
        if at is not None:
            yield {low: -1.0, at: 1.0}


def _equal(sighted: Sighted, axis: Axis, length: float, but: tuple[int, int] | None = None) -> list[Row]:
    """Differences of levels along an axis as large as a length, but one of them."""
    unknowns, levels = sighted.form.unknowns, sighted.form.along(axis)
    return [
        {first: -1.0, second: 1.0}
        for k, first in enumerate(levels)
        for second in levels[k + 1 :]
        if abs(unknowns[second].value - unknowns[first].value - length) <= PICK_TOLERANCE and (first, second) != but
    ]


def _adjoin(sighted: Sighted, row: Row, other: Row) -> bool:
    """Whether every face at the ends of one length has an edge in common with faces at both ends of the other."""
    unknowns = sighted.form.unknowns
    met = {pair for edge in sighted.part.edges for pair in ((edge.faces[0], edge.faces[-1]), edge.faces[::-1][:2])}
    return all(
        any((a, b) in met or (b, a) in met for a in unknowns[first].faces for b in unknowns[second].faces)
        for first in row
        for second in other
    )
