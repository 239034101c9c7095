"""Do two views show the same lines?"""

from dataclasses import dataclass

from maqueta.projection.carrier import Circle, Line, Similarity
from maqueta.projection.line_set import LineSet, Piece

_Entry = tuple[str, str, tuple[float, ...]]


@dataclass(frozen=True, slots=True)
class Look:
    """What a view shows, wherever it lies in its plane: width, height, and a mark of every line."""

    width: float
    height: float
    entries: tuple[_Entry, ...]


def look_of(lines: LineSet) -> Look:
    """The look of a line set, without smooth edges."""
    left, bottom, right, top = lines.box
    move = Similarity(1.0, 0.0, -left, -bottom)
    entries = [
        (piece.kind, type(piece.carrier).__name__, _footprint(piece.moved(move)))
        for piece in lines.of("visible", "hidden")
    ]
    return Look(right - left, top - bottom, tuple(sorted(entries)))


def _footprint(piece: Piece) -> tuple[float, ...]:
    (x0, y0), (x1, y1) = piece.ends
    if isinstance(piece.carrier, Line):
        return (x0, y0, x1, y1)
    if isinstance(piece.carrier, Circle) and (x0 - x1) ** 2 + (y0 - y1) ** 2 < 1e-12 * piece.carrier.radius**2:
        return (piece.carrier.x, piece.carrier.y, piece.carrier.radius)
    middle = piece.carrier.point((piece.interval[0] + piece.interval[1]) / 2)
    ends = sorted([(x0, y0), (x1, y1)])
    return (*ends[0], *ends[1], *middle)


def alike(a: Look, b: Look, tolerance: float) -> bool:
    """Whether two looks are the same: equal kinds and places, within a length `tolerance`."""
    if abs(a.width - b.width) > tolerance or abs(a.height - b.height) > tolerance or len(a.entries) != len(b.entries):
        return False
    rest = list(b.entries)
    for entry in a.entries:
        match = next((k for k, other in enumerate(rest) if _near(entry, other, tolerance)), None)
        if match is None:
            return False
        rest.pop(match)
    return True


def _near(a: _Entry, b: _Entry, tolerance: float) -> bool:
    return (
        a[0] == b[0]
        and a[1] == b[1]
        and len(a[2]) == len(b[2])
        and all(abs(x - y) <= tolerance for x, y in zip(a[2], b[2], strict=True))
    )


def congruent(a: LineSet, b: LineSet, tolerance: float) -> bool:
    """Whether two line sets show the same lines, wherever each lies in its plane.

    `tolerance` is a length in the units of the line sets; lines must also agree in kind.
    """
    return alike(look_of(a), look_of(b), tolerance)
