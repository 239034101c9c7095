"""Lines and arcs put together across junctions, where they are one.

All lengths in pixels, x right and y down. How far they may stray: common practice, no source.
"""

import itertools
import math
from collections import defaultdict
from collections.abc import Sequence
from dataclasses import dataclass, field, replace
from typing import Final

import numpy as np

from maqueta.reading.picture.path import JOINED, Path, circle_of, line_of, line_off, on_circle, point_of
from maqueta.reading.picture.thinned import Floats

#: So many pixels tell how wide a line is; one so many times wider than another is another.
_TELLS, _WIDER = 14, 1.5
#: The widest part of an arrowhead is so many times wider than its narrow one.
_SWELLS: Final = 1.6
#: Directions of two stretches of one line differ by at most this, radians, more where they are short.
_ALIKE: Final = 0.03


def put_together(paths: Sequence[Path]) -> list[Path]:
    """Stretches of one line or arc that meet at a junction as one."""
    at_node: defaultdict[int, list[tuple[int, int]]] = defaultdict(list)
    for k, path in enumerate(paths):
        for end, node in enumerate(path.nodes):
            if node is not None:
                at_node[node].append((k, end))
    pairs: list[tuple[float, tuple[int, int], tuple[int, int]]] = []
    for met in at_node.values():
        for one, other in itertools.combinations(met, 2):
            if one[0] != other[0] and (off := _bend(paths[one[0]], paths[other[0]])) is not None:
                pairs.append((off, one, other))
    groups = [_Group((k,), None if _swells(path) else path) for k, path in enumerate(paths)]
    used: set[tuple[int, int]] = set()
    for _, one, other in sorted(pairs, key=lambda pair: pair[0]):
        first, second = groups[one[0]], groups[other[0]]
        if one not in used and other not in used and first is not second and not _differ(first.tells, second.tells):
            used |= {one, other}
            both = first.joined(second)
            for k in both.members:
                groups[k] = both
    return [own for group in dict.fromkeys(groups) for own in _one(paths, sorted(group.members))]


@dataclass(frozen=True)
class _Group:
    """Stretches that are one, and the longest of them that tells how wide it is drawn."""

    members: tuple[int, ...]
    tells: Path | None = field(compare=False)

    def joined(self, other: "_Group") -> "_Group":
        """Both as one."""
        telling = [path for path in (self.tells, other.tells) if path is not None]
        return _Group((*self.members, *other.members), max(telling, key=lambda path: len(path.places), default=None))


def _bend(one: Path, other: Path) -> float | None:
    """How far two stretches that meet stray from being one, pixels; None where they are two."""
    if (one.centre is None) != (other.centre is None):
        return None
    if one.centre is not None and other.centre is not None:
        off = math.dist(one.centre, other.centre) + abs(one.radius - other.radius)
        # The centre of a short arc is badly determined: both together have to lie on one circle.
        both = circle_of(np.vstack([_inner(one), _inner(other)]))
        return off if both is not None and both[2] <= JOINED and off <= 0.25 * one.radius + 4 else None
    turn = abs(one.way[0] * other.way[1] - one.way[1] * other.way[0])
    if turn > _ALIKE + 1.5 / max(1.0, min(one.length, other.length)):
        return None
    off = line_off(np.vstack([_inner(one), _inner(other)]))
    return off if off <= JOINED else None


def absorbed(paths: Sequence[Path]) -> list[Path]:
    """Paths without short ones that lie along an arc they touch: so short an arc looks like a line."""
    arcs = [path for path in paths if path.centre is not None]
    beside: defaultdict[int, list[int]] = defaultdict(list)
    for k, arc in enumerate(arcs):
        for node in arc.through.union(node for node in arc.nodes if node is not None):
            beside[node].append(k)
    lines = [path for path in paths if path.centre is None]
    while True:
        kept: list[Path] = []
        for path in lines:
            touched = {k for node in path.nodes if node is not None for k in beside[node]}
            on = next((k for k in sorted(touched) if _runs_along(path, arcs[k])), None)
            if on is None:
                kept.append(path)
                continue
            (arcs[on], *_) = _one([arcs[on], replace(path, centre=arcs[on].centre, radius=arcs[on].radius)], (0, 1))
            # What touches its other end may lie along the arc as well.
            for end in path.nodes:
                if end is not None and on not in beside[end]:
                    beside[end].append(on)
        if len(kept) == len(lines):
            return [*arcs, *kept]
        lines = kept


def _runs_along(path: Path, arc: Path) -> bool:
    assert arc.centre is not None, "an arc has a centre"
    if path.length > 0.8 * arc.radius:
        return False
    off = np.abs(np.hypot(path.places[:, 0] - arc.centre[0], path.places[:, 1] - arc.centre[1]) - arc.radius)
    return bool(off.max() <= JOINED)


def _differ(one: Path | None, other: Path | None) -> bool:
    """Whether two stretches are drawn in two widths: where an edge ends and an extension line goes on."""
    if one is None or other is None or min(len(one.places), len(other.places)) < _TELLS:
        return False
    narrow, wide = sorted((one.width, other.width))
    return wide > _WIDER * narrow


def _swells(path: Path) -> bool:
    """Whether ink is not evenly wide: an arrowhead, or two lines that part."""
    low, high = np.percentile(path.half, (15, 90))
    return bool(high > _SWELLS * low) or len(path.places) < _TELLS


def _inner(path: Path) -> Floats:
    """The pixels of a stretch without those next to its ends, a few of them."""
    trim = min(len(path.places) // 4, 4)
    own = path.places[trim : len(path.places) - trim] if trim else path.places
    return own[:: max(1, len(own) // 60)]


def _one(paths: Sequence[Path], group: Sequence[int]) -> list[Path]:
    """Stretches as one line or arc; as they were where they are none after all."""
    own = [paths[k] for k in group]
    if len(own) == 1:
        return own
    places, half = np.vstack([path.places for path in own]), np.concatenate([path.half for path in own])
    through = frozenset(node for path in own for node in path.nodes if node is not None)
    if own[0].centre is None:
        middle, way, off = line_of(np.vstack([_inner(path) for path in own]))
        if off > 1.5 * JOINED:
            return own
        along = (places - middle) @ way
        order = np.argsort(along, kind="stable")
        ends = [
            (float((np.array(p) - middle) @ way), n)
            for path in own
            for p, n in zip((path.first, path.last), path.nodes, strict=True)
        ]
        (low, node), (high, other) = min(ends, key=lambda e: e[0]), max(ends, key=lambda e: e[0])
        return [
            Path(
                places[order],
                half[order],
                (node, other),
                point_of(middle + low * way),
                point_of(middle + high * way),
                through=through,
            )
        ]
    circle = circle_of(np.vstack([_inner(path) for path in own]))
    if circle is None or circle[2] > 1.5 * JOINED:
        return own
    x, y, _, radius = circle
    angles = np.arctan2(places[:, 1] - y, places[:, 0] - x)
    order = np.argsort(angles, kind="stable")
    turned = angles[order]
    gaps = np.diff(np.concatenate([turned, [turned[0] + math.tau]]))
    widest = int(np.argmax(gaps))
    order = np.roll(order, -(widest + 1))
    places, half = places[order], half[order]
    first, last = (on_circle((x, y), radius, point_of(places[k])) for k in (0, -1))
    if gaps[widest] * radius <= 4 * float(np.median(half)) + 6:
        return [Path(places, half, (None, None), first, first, (x, y), radius, True, through)]
    met = [(p, n) for path in own for p, n in zip((path.first, path.last), path.nodes, strict=True)]
    nodes = [min(met, key=lambda e: math.dist(e[0], p))[1] for p in (first, last)]
    return [Path(places, half, (nodes[0], nodes[1]), first, last, (x, y), radius, False, through)]
