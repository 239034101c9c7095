"""Lines drawn out to where they meet others, and by what thinning took of their free ends.

All lengths in pixels, x right and y down. How far: common practice, no source.
"""

import math
from collections import defaultdict
from collections.abc import Sequence
from dataclasses import replace
from typing import Final

import numpy as np

from maqueta.geometry.carrier import Point
from maqueta.reading.picture.path import Path

#: Where a line goes over into an arc it is drawn out by so many pixels more.
_TANGENT: Final = 14


def drawn_to_meet(paths: Sequence[Path]) -> list[Path]:
    """Paths drawn out to where they meet at their junctions; free ends by half the width that thinning took."""
    at_node: defaultdict[int, list[int]] = defaultdict(list)
    for k, path in enumerate(paths):
        for node in path.through.union(node for node in path.nodes if node is not None):
            at_node[node].append(k)
    return [_drawn_out(path, k, paths, at_node) for k, path in enumerate(paths)]


def _drawn_out(path: Path, own: int, paths: Sequence[Path], at_node: dict[int, list[int]]) -> Path:
    if path.closed or path.centre is not None:
        return path
    ends = [path.first, path.last]
    for k, node in enumerate(path.nodes):
        away = -1.0 if k == 0 else 1.0
        if node is None:
            by = 0.8 * float(np.median(path.half))
            ends[k] = (ends[k][0] + away * by * path.way[0], ends[k][1] + away * by * path.way[1])
            continue
        reach = 3.0 * float(path.half.max()) + 7
        crossed = [p for other in at_node[node] if other != own for p in _crossings(path, paths[other])]
        near = min(crossed, key=lambda p: math.dist(p, ends[k]), default=None)
        if near is not None and math.dist(near, ends[k]) <= reach:
            ends[k] = near
            continue
        # A line that goes over into an arc ends where that begins.
        others = [end for other in at_node[node] if other != own for end in (paths[other].first, paths[other].last)]
        beyond = [p for end in others if math.dist(p := _on_line(path, end), end) <= 3.0]
        nearest = min(beyond, key=lambda p: math.dist(p, ends[k]), default=None)
        if nearest is not None and math.dist(nearest, ends[k]) <= reach + _TANGENT:
            ends[k] = nearest
    return replace(path, first=ends[0], last=ends[1]) if math.dist(ends[0], ends[1]) > 1 else path


def _on_line(path: Path, point: Point) -> Point:
    """The place of a line next to a point."""
    (x, y), (dx, dy) = path.first, path.way
    along = (point[0] - x) * dx + (point[1] - y) * dy
    return (x + along * dx, y + along * dy)


def _crossings(path: Path, other: Path) -> list[Point]:
    """Where the carriers of a line and another path cross, unless they run alongside each other."""
    (x, y), (dx, dy) = path.first, path.way
    if other.centre is None:
        ex, ey = other.way
        across = dx * ey - dy * ex
        if abs(across) < 0.15:
            return []
        t = ((other.first[0] - x) * ey - (other.first[1] - y) * ex) / across
        return [(x + t * dx, y + t * dy)]
    cx, cy = other.centre[0] - x, other.centre[1] - y
    along, off = cx * dx + cy * dy, cx * dy - cy * dx
    if abs(off) > other.radius:
        return []
    root = math.sqrt(other.radius**2 - off**2)
    return [(x + t * dx, y + t * dy) for t in (along - root, along + root)]
