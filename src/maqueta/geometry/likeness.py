"""Do two views show the same lines?"""

from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray

from maqueta.geometry.carrier import TURN, Circle, Line
from maqueta.geometry.line_set import LineKind, LineSet, Piece

Rows = NDArray[np.float64]

_KINDS: Final[dict[LineKind, float]] = {"visible": 0.0, "hidden": 1.0}
_SHAPES: Final[dict[type, float]] = {Line: 0.0, Circle: 2.0}
_OTHER_SHAPE: Final = 4.0


@dataclass(frozen=True, slots=True)
class Likeness:
    """What a view shows, wherever it lies in its plane: width, height, and one row for every line.

    A row holds what the line is (kind and carrier as a number), the middle of its chord, the chord's width and
    height without sign, their signed product, the line's own middle, and the radius of a full circle. Nothing in it
    depends on which end comes first, so that rounding cannot make equal lines look different.
    """

    width: float
    height: float
    rows: Rows

    def turned(self, quarters: int) -> "Likeness":
        """The likeness after turning the view counter-clockwise by quarter turns."""
        shown = self
        for _ in range(quarters % 4):
            what, x, y, w, h, product, u, v, radius = shown.rows.T
            turned = (what, shown.height - y, x, h, w, -product, shown.height - v, u, radius)
            shown = Likeness(shown.height, shown.width, np.column_stack(turned))
        return shown


def likeness_of(lines: LineSet) -> Likeness:
    """What a line set shows, without smooth edges."""
    left, bottom, right, top = lines.box
    rows = [_row(piece, left, bottom) for piece in lines.of("visible", "hidden")]
    return Likeness(right - left, top - bottom, np.array(rows).reshape(-1, 9))


def _row(piece: Piece, left: float, bottom: float) -> tuple[float, ...]:
    what = _KINDS[piece.kind] + _SHAPES.get(type(piece.carrier), _OTHER_SHAPE)
    first, last = piece.interval
    if isinstance(piece.carrier, Circle) and last - first >= TURN - 1e-9:
        x, y = piece.carrier.x - left, piece.carrier.y - bottom
        return (what, x, y, 0.0, 0.0, 0.0, x, y, piece.carrier.radius)
    (x0, y0), (x1, y1) = piece.ends
    dx, dy = x1 - x0, y1 - y0
    x, y = (x0 + x1) / 2 - left, (y0 + y1) / 2 - bottom
    if isinstance(piece.carrier, Line):
        return (what, x, y, abs(dx), abs(dy), dx * dy, x, y, 0.0)
    u, v = piece.carrier.point((first + last) / 2)
    return (what, x, y, abs(dx), abs(dy), dx * dy, u - left, v - bottom, 0.0)


def alike(a: Likeness, b: Likeness, tolerance: float) -> bool:
    """Whether two views show the same: equal kinds and places, within a length `tolerance`."""
    if abs(a.width - b.width) > tolerance or abs(a.height - b.height) > tolerance or len(a.rows) != len(b.rows):
        return False
    allowed = np.full(9, 2 * tolerance)
    allowed[0] = 0.5
    # A product of two lengths, each within the tolerance.
    allowed[5] = 2 * tolerance * (a.width + a.height) + tolerance**2
    if (np.abs(a.rows.sum(axis=0) - b.rows.sum(axis=0)) > allowed * max(1, len(a.rows))).any():
        return False
    same = (np.abs(a.rows[:, None, :] - b.rows) <= allowed).all(axis=2)
    return bool(np.all(np.any(same, axis=0)) and np.all(np.any(same, axis=1)))


def congruent(a: LineSet, b: LineSet, tolerance: float) -> bool:
    """Whether two line sets show the same lines, wherever each lies in its plane.

    `tolerance` is a length in the units of the line sets; lines must also agree in kind.
    """
    return alike(likeness_of(a), likeness_of(b), tolerance)
