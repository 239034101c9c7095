"""Do two views show the same lines?"""

from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray

from maqueta.projection.carrier import TURN, Circle, Line
from maqueta.projection.line_set import LineKind, LineSet, Piece

Marks = NDArray[np.float64]

_KINDS: Final[dict[LineKind, float]] = {"visible": 0.0, "hidden": 1.0}
_SHAPES: Final[dict[type, float]] = {Line: 0.0, Circle: 2.0}
_OTHER_SHAPE: Final = 4.0


@dataclass(frozen=True, slots=True)
class Look:
    """What a view shows, wherever it lies in its plane: width, height, and one row of marks for every line.

    A row holds what the line is (kind and carrier as a number), the middle of its chord, the chord's width and
    height without sign, their signed product, the line's own middle, and the radius of a full circle. Nothing in it
    depends on which end comes first, so that rounding cannot make equal lines look different.
    """

    width: float
    height: float
    marks: Marks

    def turned(self, quarters: int) -> "Look":
        """The look after turning the view counter-clockwise by quarter turns."""
        look = self
        for _ in range(quarters % 4):
            what, x, y, w, h, product, u, v, radius = look.marks.T
            turned = (what, look.height - y, x, h, w, -product, look.height - v, u, radius)
            look = Look(look.height, look.width, np.column_stack(turned))
        return look


def look_of(lines: LineSet) -> Look:
    """The look of a line set, without smooth edges."""
    left, bottom, right, top = lines.box
    rows = [_row(piece, left, bottom) for piece in lines.of("visible", "hidden")]
    return Look(right - left, top - bottom, np.array(rows).reshape(-1, 9))


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


def alike(a: Look, b: Look, tolerance: float) -> bool:
    """Whether two looks are the same: equal kinds and places, within a length `tolerance`."""
    if abs(a.width - b.width) > tolerance or abs(a.height - b.height) > tolerance or len(a.marks) != len(b.marks):
        return False
    allowed = np.full(9, 2 * tolerance)
    allowed[0] = 0.5
    # A product of two lengths, each within the tolerance.
    allowed[5] = 2 * tolerance * (a.width + a.height) + tolerance**2
    if (np.abs(a.marks.sum(axis=0) - b.marks.sum(axis=0)) > allowed * max(1, len(a.marks))).any():
        return False
    same = (np.abs(a.marks[:, None, :] - b.marks) <= allowed).all(axis=2)
    return bool(np.all(np.any(same, axis=0)) and np.all(np.any(same, axis=1)))


def congruent(a: LineSet, b: LineSet, tolerance: float) -> bool:
    """Whether two line sets show the same lines, wherever each lies in its plane.

    `tolerance` is a length in the units of the line sets; lines must also agree in kind.
    """
    return alike(look_of(a), look_of(b), tolerance)
