"""Assemblies pulled apart: along which directions components come out, one after the other, and how far they go.

Whether one component bars another's way is told on a grid of lines of sight along the way: it does where it lies ahead
on a line that meets both. Lines that only graze either of them do not count, so that a pin slides in its hole although
both are triangles here.
"""

import math
from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace
from typing import Final

import numpy as np
from numpy.typing import NDArray

from maqueta.geometry.directions import Vector, parallel
from maqueta.geometry.frame import Frame, facing
from maqueta.solid.assembly import Pulled
from maqueta.solid.mesh import Mesh
from maqueta.solid.part import Component, Part

#: So many lines of sight along the longer side of the assembly, seen along a way.
_LINES: Final = 150
#: They miss corners and edges at even numbers by this share of their spacing.
_ASIDE: Final = (0.382, 0.618)
#: Overlaps along a way by less than this share of the assembly's size are contact: triangles are off by half as much.
_CONTACT: Final = 2e-3
#: Components pulled apart are so far from each other, as a share of the assembly's size (common practice, no source).
GAP: Final = 0.15
#: So many triangles are laid on the grid at a time.
_TRIANGLES_AT_A_TIME: Final = 200
#: Beside the axes so many directions of faces are tried, those of the largest first.
_MOST_OTHER: Final = 4

Floats = NDArray[np.float64]
Box = tuple[Floats, Floats]


@dataclass(frozen=True)
class Reach:
    """A component along one way: where lines of sight meet it (`seen`), and where they enter and leave it."""

    seen: NDArray[np.bool_]
    enters: Floats
    leaves: Floats

    @property
    def inner(self) -> NDArray[np.bool_]:
        """The lines whose neighbours meet it too."""
        # Loaded where an assembly asks for it: most parts are none, and it takes a while.
        from scipy.ndimage import binary_erosion

        return np.asarray(binary_erosion(self.seen), dtype=np.bool_)


@dataclass(frozen=True)
class Along:
    """Along one way: of each component (row) which others (columns) lie ahead of it, and on which it stands."""

    ahead: NDArray[np.bool_]
    behind: NDArray[np.bool_]


def pulled_apart(part: Part, mesh: Mesh) -> tuple[Pulled, ...]:
    """In which order the components of an assembly come out, and how far each goes: the first can be taken away first,
    the last are those that stay. Those that bar each other's every way have none.

    `mesh` are the triangles of the whole assembly, with faces as in `part`.
    """
    faces = np.array(mesh.face_of_triangle)
    corners = np.array(mesh.points).reshape(-1, 3)[np.array(mesh.triangles).reshape(-1, 3)]
    points = [_points_of(own, corners, faces) for own in part.components]
    if len(points) < 2:
        return tuple(Pulled(own.id, None) for own in part.components)
    ways = _ways(part)
    barred: dict[Vector, Along] = {}
    for frame in (_frame_along(way) for way in ways):
        found = _told(_reaches(points, frame, part.size), _CONTACT * part.size)
        barred[frame[2]] = found
        # Who bars another's way is barred by it the other way round, and who stands on another carries it.
        barred[_opposite(frame[2])] = Along(found.ahead.T, found.behind.T)
    order = _taken_out(points, barred)
    return _spread([own.id for own in part.components], points, order, GAP * part.size)


def _ways(part: Part) -> list[Vector]:
    """Directions to try, each for both ways: the axes, then those of the largest faces of components."""
    ways: list[Vector] = [(1.0, 0.0, 0.0), (0.0, 1.0, 0.0), (0.0, 0.0, 1.0)]
    faces = sorted((f for f in part.faces if f.kind in ("plane", "cylinder")), key=lambda f: -f.area)
    for face in faces:
        if len(ways) == 3 + _MOST_OTHER:
            break
        if not any(parallel(face.direction, way) for way in ways):
            ways.append(face.direction)
    return ways


def _frame_along(way: Vector) -> Frame:
    up = (0.0, 0.0, 1.0) if abs(way[2]) < 0.9 else (0.0, 1.0, 0.0)
    return facing(way, up)


def _points_of(component: Component, corners: Floats, faces: NDArray[np.int_]) -> Floats:
    """The triangles of a component: by triangle, corner and coordinate; `faces` says of which face each one is."""
    first, count = component.faces
    return corners[(faces >= first) & (faces < first + count)]


def _reaches(points: Sequence[Floats], frame: Frame, size: float) -> list[Reach]:
    """Where lines of sight along the last row of a frame enter and leave each component."""
    seen = [triangles @ np.array(frame).T for triangles in points]
    low = np.min([own[..., :2].min(axis=(0, 1)) for own in seen], axis=0)
    high = np.max([own[..., :2].max(axis=(0, 1)) for own in seen], axis=0)
    step = max(float(np.max(high - low)), 1e-9 * size) / _LINES
    wide, tall = (math.ceil(x) + 1 for x in (high - low) / step)
    start = low - np.array(_ASIDE) * step
    return [_reach((own[..., :2] - start) / step, own[..., 2], (wide + 1, tall + 1)) for own in seen]


def _reach(flat: Floats, depth: Floats, shape: tuple[int, int]) -> Reach:
    """Triangles on a grid of whole numbers: `flat` are their corners on it, `depth` how far along the way those are."""
    enters, leaves = np.full(shape, np.inf), np.full(shape, -np.inf)
    low, high = np.ceil(flat.min(axis=1)).astype(int), np.floor(flat.max(axis=1)).astype(int)
    (ax, ay), (bx, by), (cx, cy) = flat.transpose(1, 2, 0)
    area = (bx - ax) * (cy - ay) - (by - ay) * (cx - ax)
    met = np.flatnonzero((high >= low).all(axis=1) & (area != 0.0))
    for own in np.array_split(met, max(1, len(met) // _TRIANGLES_AT_A_TIME)):
        wide, tall = (high[own] - low[own] + 1).T
        # Every triangle with every line of its box: which triangle it is, and which line.
        one = np.repeat(own, wide * tall)
        number = np.arange(len(one)) - np.repeat(np.cumsum(wide * tall) - wide * tall, wide * tall)
        columns = np.repeat(tall, wide * tall)
        x, y = low[one, 0] + number // columns, low[one, 1] + number % columns
        right, up = x - ax[one], y - ay[one]
        second = (right * (cy - ay)[one] - up * (cx - ax)[one]) / area[one]
        third = ((bx - ax)[one] * up - (by - ay)[one] * right) / area[one]
        there = (second >= 0) & (third >= 0) & (second + third <= 1)
        start, next_, last = depth[one[there]].T
        at = start + second[there] * (next_ - start) + third[there] * (last - start)
        place = (x[there], y[there])
        np.minimum.at(enters, place, at)
        np.maximum.at(leaves, place, at)
    return Reach(np.isfinite(enters), enters, leaves)


def _told(reaches: Sequence[Reach], contact: float) -> Along:
    """Which components bar each other's way, and which stand on each other."""
    inner = [own.inner for own in reaches]
    count = len(reaches)
    found = Along(*np.zeros((2, count, count), dtype=np.bool_))
    for a, one in enumerate(reaches):
        for b, other in enumerate(reaches):
            if a != b:
                both = (inner[a] & other.seen) | (one.seen & inner[b])
                over = one.enters[both] - other.leaves[both]
                found.ahead[a, b] = bool(np.any(over < -contact))
                found.behind[a, b] = bool(np.any(np.abs(over) <= contact))
    return found


def _taken_out(points: Sequence[Floats], barred: dict[Vector, Along]) -> list[tuple[int, Vector | None]]:
    """Which component comes out next, and along which way, until one is left or none can: away from what it stands on
    or sits in, with the shortest way out, the smaller one of equals. The largest stays unless it alone is free.
    """
    left = set(range(len(points)))
    seen = {way: [_box(own.reshape(-1, 3), way) for own in points] for way in barred}
    sizes = [float(np.prod(np.ptp(own.reshape(-1, 3), axis=0) + 1e-9)) for own in points]
    largest = max(left, key=lambda k: sizes[k])
    order: list[tuple[int, Vector | None]] = []
    while len(left) > 1:
        free = []
        for rank, (way, along) in enumerate(barred.items()):
            for own in sorted(left):
                others = [k for k in left if k != own]
                if not along.ahead[own, others].any():
                    # Slid along what it only lies beside, it is not taken away from it.
                    behind = bool(along.behind[own, others].any())
                    far = _clear(seen[way][own], [seen[way][k] for k in others], 0.0)
                    free.append((own == largest, not behind, round(far, 6), sizes[own], rank, own, way))
        if not free:
            break
        *_, own, way = min(free)
        order.append((own, way))
        left.discard(own)
    return [*order, *((own, None) for own in sorted(left))]


def _spread(
    ids: Sequence[str], points: Sequence[Floats], order: Sequence[tuple[int, Vector | None]], gap: float
) -> tuple[Pulled, ...]:
    """How far each goes: beyond all that is where it passes, those that came out later included."""
    there: list[Floats] = []
    ways: dict[int, Vector | None] = {}
    for own, way in reversed(order):
        moved = points[own].reshape(-1, 3)
        ways[own] = None
        if way is not None:
            far = _clear(_box(moved, way), [_box(other, way) for other in there], gap) or gap
            ways[own] = tuple(round(far * x, 6) + 0.0 for x in way)  # type: ignore[assignment]
            moved = moved + far * np.array(way)
        there.append(moved)
    return tuple(Pulled(ids[own], ways[own]) for own, _ in order)


def _box(points: Floats, way: Vector) -> Box:
    """Lowest and highest corner of points as they are seen along a way, which comes last."""
    seen = points @ np.array(_frame_along(way)).T
    return seen.min(axis=0), seen.max(axis=0)


def _clear(own: Box, others: Iterable[Box], gap: float) -> float:
    """How far along a way a box has to go to be a gap beyond everything in its way."""
    low, high = own
    far = 0.0
    for other_low, other_high in others:
        beside = (other_high[:2] <= low[:2]) | (other_low[:2] >= high[:2])
        if not beside.any():
            far = max(far, float(other_high[2]) + gap - float(low[2]))
    return far


def _opposite(way: Vector) -> Vector:
    return (0.0 - way[0], 0.0 - way[1], 0.0 - way[2])


def with_ways(part: Part, mesh: Mesh) -> Part:
    """An assembly whose components know the ways they go when it is pulled apart: proposed where none has one yet."""
    if any(own.apart is not None for own in part.components):
        return part
    ways = {own.id: own.way for own in pulled_apart(part, mesh)}
    return replace(part, components=tuple(replace(own, apart=ways[own.id]) for own in part.components))
