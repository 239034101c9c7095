"""Points of a sheet that a pen can be set to exactly: ends, middles, crossings and centres."""

import itertools
import math
from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from typing import Final, Literal

import shapely
from shapely import STRtree
from shapely.geometry import LineString

from maqueta.geometry.carrier import TURN, Circle, Ellipse, Free, Line, Point
from maqueta.geometry.crossing import covers, crossings
from maqueta.geometry.line_set import Piece
from maqueta.sheet.placed import PlacedView

SnapKind = Literal["end", "centre", "crossing", "middle"]
#: More points than these are no help to a hand.
_MOST: Final = 3000
#: Lines looked at together, and pairs of chords compared in all: a sheet drawn by a person needs a small part of it.
_TOGETHER: Final = 32
_MOST_WORK: Final = 1_000_000
#: Points this close (mm) are one.
_SAME: Final = 1e-3


@dataclass(frozen=True, slots=True)
class Snap:
    """One point of the sheet, mm, and the view whose lines make it."""

    kind: SnapKind
    at: Point
    view: str


def snaps_of(placed: Sequence[PlacedView]) -> tuple[Snap, ...]:
    """All points of the drawn and construction lines, each once, ends before centres, crossings and middles.

    Construction lines reach across the sheet, so they cross the lines of all views; other lines cross within a view.
    """
    lines: list[tuple[Piece, str, bool]] = []
    for item in placed:
        lines += [(p.moved(item.move), item.view.id, False) for p in item.drawn if p.kind != "smooth"]
        lines += [(p.moved(item.move), item.view.id, True) for p in item.construction]
    found: list[Snap] = []
    for piece, view, construction in lines:
        if not construction:
            found += [Snap("end", point, view) for point in _ends(piece)]
    for piece, view, construction in lines:
        if isinstance(piece.carrier, Circle | Ellipse) and not construction:
            found.append(Snap("centre", (piece.carrier.x, piece.carrier.y), view))
    found += _crossings(lines)
    found += [
        Snap("middle", piece.carrier.point(sum(piece.interval) / 2), view)
        for piece, view, construction in lines
        if isinstance(piece.carrier, Line) and not construction
    ]
    return tuple(_distinct(found))[:_MOST]


def _ends(piece: Piece) -> Iterable[Point]:
    """Both ends, and the quarter points of a circle or arc."""
    if isinstance(piece.carrier, Circle):
        start, end = piece.interval
        quarters = [k * TURN / 4 for k in range(math.ceil(start / (TURN / 4)), math.floor(end / (TURN / 4)) + 1)]
        yield from (piece.carrier.point(t) for t in quarters[: 4 if end - start >= TURN - 1e-9 else None])
        if end - start >= TURN - 1e-9:
            return
    yield from piece.ends


def _crossings(lines: Sequence[tuple[Piece, str, bool]]) -> list[Snap]:
    """Crossings of lines of one view, and of construction lines with all others; as many as are any help.

    Found by an index, some lines at a time: where everything crosses everything, the first few lines bring enough.
    """
    shapes = [LineString(piece.outline()) for piece, _, _ in lines]
    if not shapes:
        return []
    tree, sizes = STRtree(shapes), [shapely.get_num_points(shape) for shape in shapes]
    result: list[Snap] = []
    work = 0
    for start in range(0, len(shapes), _TOGETHER):
        first, second = tree.query(shapes[start : start + _TOGETHER], predicate="intersects")
        for i, j in zip((first + start).tolist(), second.tolist(), strict=True):
            (a, view, a_thin), (b, other, b_thin) = lines[i], lines[j]
            if i < j and (view == other or a_thin or b_thin):
                work += int(sizes[i]) * int(sizes[j])
                if work > _MOST_WORK:
                    return result
                points = crossings(a.carrier, b, _SAME)
                if not isinstance(a.carrier, Free):
                    points = [p for p in points if covers(a, p, _SAME)]
                result += [Snap("crossing", point, other if a_thin else view) for point in points]
                if len(result) >= _MOST:
                    return result
    return result


def _distinct(found: Iterable[Snap]) -> Iterable[Snap]:
    """Each point once: the first kind found of it. Neighbouring cells are looked at, so that no border splits one."""
    taken: dict[tuple[int, int], list[Point]] = {}
    for snap in found:
        cell = (math.floor(snap.at[0] / _SAME), math.floor(snap.at[1] / _SAME))
        around = itertools.product((-1, 0, 1), repeat=2)
        if any(
            math.dist(snap.at, p) <= _SAME for dx, dy in around for p in taken.get((cell[0] + dx, cell[1] + dy), ())
        ):
            continue
        taken.setdefault(cell, []).append(snap.at)
        yield snap
