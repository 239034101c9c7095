"""Views turned in their plane by any angle: the angles at which the lines of a group run as those of a view do."""

import math
from collections.abc import Callable, Iterable, Iterator, Sequence
from dataclasses import replace
from typing import Final

from maqueta.geometry.carrier import Line
from maqueta.geometry.directions import Vector, parallel
from maqueta.geometry.frame import dot, exact
from maqueta.geometry.line_set import LineSet, Piece
from maqueta.projection.look import Look
from maqueta.reading.special.shown import Meant
from maqueta.sheet.view import Aslant

#: Lines within this angle (radians) run the same way.
_ALIKE: Final = 5e-3
#: So many of the ways most ink runs in are tried on each other.
_MOST: Final = 2
#: So much of the straight ink of a group has to run as that of the view.
_SHARE: Final = 0.6
#: Views turned by less are as they are.
_UPRIGHT: Final = 1e-3


def turned_to_fit(
    meant: Iterable[Meant], lines_of: Callable[[Look], LineSet | None], pieces: Sequence[Piece]
) -> Iterator[Meant]:
    """The same views turned so that their straight lines run as those of a group, each line of sight once.

    `lines_of` gives the lines of a look as far as it has been drawn.
    """
    drawn = _ways(pieces)
    seen: list[Vector] = []
    for own in meant:
        look = own.identity.orthographic
        if look is None or not drawn or any(parallel(look.towards, o) and dot(look.towards, o) > 0 for o in seen):
            continue
        lines = lines_of(look)
        if lines is None:
            continue
        seen.append(look.towards)
        ways = _ways(lines.of("visible"))
        for angle in _turns(ways, drawn):
            aslant = Aslant(frame=exact(look.turned(angle).frame))
            yield replace(own, identity=replace(own.identity, look=aslant))


def _ways(pieces: Iterable[Piece]) -> list[tuple[float, float]]:
    """The ways straight lines run in (0 to π) with their share of all straight ink, the largest share first."""
    found: list[list[float]] = []
    for piece in pieces:
        if isinstance(piece.carrier, Line):
            same = next((own for own in found if _between(own[0], piece.carrier.angle) < _ALIKE), None)
            if same is None:
                found.append([piece.carrier.angle, piece.length])
            else:
                same[1] += piece.length
    whole = sum(length for _, length in found)
    return sorted(((angle, length / whole) for angle, length in found), key=lambda own: -own[1])


def _turns(ways: Sequence[tuple[float, float]], drawn: Sequence[tuple[float, float]]) -> Iterator[float]:
    """The angles by which a view may have been turned, the likeliest of each pair of ways alone."""
    tried: list[float] = []
    for one, _ in ways[:_MOST]:
        for other, _ in drawn[:_MOST]:
            for angle in (other - one, other - one + math.pi):
                angle = math.remainder(angle, 2 * math.pi)
                known = any(abs(math.remainder(angle - before, 2 * math.pi)) < _UPRIGHT for before in tried)
                if abs(angle) < _UPRIGHT or known or _shared(ways, drawn, angle) < _SHARE:
                    continue
                tried.append(angle)
                yield angle


def _shared(ways: Sequence[tuple[float, float]], drawn: Sequence[tuple[float, float]], angle: float) -> float:
    """How much of the ink of two groups runs the same way, once one is turned."""
    return sum(min(share, other) for way, share in ways for on, other in drawn if _between(way + angle, on) < _ALIKE)


def _between(one: float, other: float) -> float:
    """The angle between two lines, whichever way they run."""
    return abs(math.remainder(one - other, math.pi))
