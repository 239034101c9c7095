"""Dashes and dots in a row as one broken line, with the pattern it is drawn in.

A picture shows dashes a little longer or shorter than they were drawn: they are told by what is alike among them.
What counts as that: common practice, no source.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace
from itertools import pairwise
from typing import Final

import networkx
import numpy as np
import shapely
from scipy.spatial import cKDTree

from maqueta.geometry.carrier import Point, circle_through

#: Gaps between dashes, mm, and how far dashes stand off their line.
_LEAST_GAP, _MOST_GAP, _ASIDE = 0.25, 4.2, 0.22
#: Dashes of one line lean against each other by less (radians); gaps are at most so many times the usual one.
_LEANS, _GAPS = 0.02, 2.0
#: Short strokes of a dash-dot line are shorter than this share of its long ones.
_SHORT: Final = 0.45
#: A stroke longer than so many of the dashes beside it goes on as another line.
_GOES_ON: Final = 2.6
#: A circle in dashes has so many, and is drawn along this much of its way.
_DASHES, _DRAWN = 6, 0.35
#: Dashes of one circle turn from one to the next by at least this sine; so many pairs of them meet within this, mm.
_BEND, _VOTES, _TOGETHER = 0.05, 4, 0.7
#: Dashes of hidden lines are at most so long, mm.
_LONGEST: Final = 8.0
#: Dashes and dots of a circle of which no dots were seen, mm.
_CHAIN: Final = (6.0, -1.0, 0.5, -1.0)


@dataclass(frozen=True, slots=True)
class Dash:
    """A straight stroke, mm on paper, and how wide it is drawn."""

    first: Point
    last: Point
    width: int | None

    @property
    def length(self) -> float:
        """From end to end."""
        return math.dist(self.first, self.last)


@dataclass(frozen=True, slots=True)
class BrokenLine:
    """A broken line from end to end, its pattern (strokes positive, gaps negative), the dashes it is made of, by their
    places, and those among them that are lines of their own as well."""

    first: Point
    last: Point
    pattern: tuple[float, ...]
    members: frozenset[int]
    kept: frozenset[int]


@dataclass(frozen=True, slots=True)
class BrokenCircle:
    """A circle drawn in dashes, or in dashes and dots, its pattern, and the strokes it is made of, by their places."""

    centre: Point
    radius: float
    pattern: tuple[float, ...]
    members: frozenset[int]


def broken_circles(dashes: Sequence[Dash], centres: Sequence[Point]) -> list[BrokenCircle]:
    """The circles about some centres that are drawn in dashes, such as pitch circles and hidden ones; a dash is a chord
    of them.
    """
    found: list[BrokenCircle] = []
    for centre in centres:
        own = [(_far(dash, centre), k) for k, dash in enumerate(dashes) if _crosswise(dash, centre)]
        own.sort()
        start = 0
        for end in range(1, len(own) + 1):
            if end < len(own) and own[end][0] - own[end - 1][0] <= _ASIDE:
                continue
            run = own[start:end]
            start = end
            radius = sum(r for r, _ in run) / len(run)
            drawn = sum(dashes[k].length for _, k in run)
            new = all(math.dist(centre, o.centre) + abs(radius - o.radius) > 2 * _ASIDE for o in found)
            if (
                len(run) >= _DASHES
                and drawn >= _DRAWN * math.tau * radius
                and run[-1][0] - run[0][0] <= 4 * _ASIDE
                and new
            ):
                members = frozenset(k for _, k in run)
                pattern = _round_pattern([dashes[k] for k in members], centre, radius)
                found.append(BrokenCircle(centre, radius, pattern, members))
    return found


def _round_pattern(dashes: Sequence[Dash], centre: Point, radius: float) -> tuple[float, ...]:
    """The pattern of dashes round a centre; some of them may be lost."""
    angles = sorted((_angle(dash, centre), dash.length) for dash in dashes)
    lengths = [length for _, length in angles]
    after = [*angles[1:], (angles[0][0] + math.tau, angles[0][1])]
    gaps = sorted(
        radius * (later - angle) - (length + following) / 2
        for (angle, length), (later, following) in zip(angles, after, strict=True)
    )
    usual = max(gaps[(len(gaps) - 1) // 2], _LEAST_GAP)
    longest = max(lengths)
    dots = [length for length in lengths if length <= _SHORT * longest]
    long = [length for length in lengths if length > _SHORT * longest]
    middle = sorted(long)[len(long) // 2]
    # A dash is cut short here and there by what crosses it: of a line of dashes and dots every other stroke is a dot.
    if len(dots) >= 0.3 * len(lengths):
        return (middle, -usual, sum(dots) / len(dots), -usual)
    return (middle, -usual) if middle <= _LONGEST else (middle, *_CHAIN[1:])


def _angle(dash: Dash, centre: Point) -> float:
    x, y = _middle(dash)
    return math.atan2(y - centre[1], x - centre[0])


def centres_of(dashes: Sequence[Dash]) -> list[Point]:
    """Where circles in dashes may have their centres: where what is square to dashes that follow each other meets."""
    short = [dash for dash in dashes if 0 < dash.length <= _LONGEST]
    if len(short) < _DASHES:
        return []
    strokes = shapely.linestrings([(dash.first, dash.last) for dash in short])
    near = shapely.STRtree(strokes).query(strokes, predicate="dwithin", distance=_MOST_GAP / 2).T
    met = [centre for i, j in near.tolist() if i < j and (centre := _square_to_both(short[i], short[j])) is not None]
    if len(met) < _VOTES:
        return []
    points = np.array(met)
    graph: networkx.Graph[int] = networkx.Graph()
    graph.add_edges_from(cKDTree(points).query_pairs(_TOGETHER))
    groups = [sorted(group) for group in networkx.connected_components(graph) if len(group) >= _VOTES]
    rough = [np.median(points[group], axis=0).tolist() for group in groups]
    return [_fitted(short, (x, y)) for x, y in rough]


def _square_to_both(one: Dash, other: Dash) -> Point | None:
    """Where two dashes of one circle have its centre; None where they are none."""
    (x0, y0), (x1, y1) = _middle(one), _middle(other)
    # The ways square to them.
    (a, b), (c, d) = ((own.first[1] - own.last[1], own.last[0] - own.first[0]) for own in (one, other))
    turned = a * d - b * c
    if abs(turned) < _BEND * one.length * other.length:
        return None
    along = ((x1 - x0) * d - (y1 - y0) * c) / turned
    x, y = x0 + along * a, y0 + along * b
    far, away = math.dist((x, y), (x0, y0)), math.dist((x, y), (x1, y1))
    return (x, y) if abs(far - away) <= 0.1 * far else None


def _fitted(dashes: Sequence[Dash], rough: Point) -> Point:
    """The centre of the circle through the dashes about a place."""
    far = sorted(_far(dash, rough) for dash in dashes if _crosswise(dash, rough))
    usual = max(far, key=lambda r: sum(abs(r - other) <= _TOGETHER for other in far), default=None)
    if usual is None:
        return rough
    own = [dash for dash in dashes if _crosswise(dash, rough) and abs(_far(dash, rough) - usual) <= _TOGETHER]
    x, y, _ = circle_through(np.array([place for dash in own for place in (dash.first, _middle(dash), dash.last)]))
    return (x, y)


def _far(dash: Dash, centre: Point) -> float:
    """How far a dash is from a centre, on the average along it: a chord lies within its circle, one that is fitted to a
    stretch of it crosses it.
    """
    ends = (math.dist(centre, dash.first) + math.dist(centre, dash.last)) / 2
    return (2 * math.dist(centre, _middle(dash)) + ends) / 3


def _middle(dash: Dash) -> Point:
    return ((dash.first[0] + dash.last[0]) / 2, (dash.first[1] + dash.last[1]) / 2)


def _crosswise(dash: Dash, centre: Point) -> bool:
    """Whether a short stroke stands square to the way from a centre."""
    x, y = _middle(dash)
    dx, dy = dash.last[0] - dash.first[0], dash.last[1] - dash.first[1]
    reach = math.dist((x, y), centre)
    if reach < 2.0 or dash.length > min(16.0, 0.9 * reach) or dash.length == 0:
        return False
    return abs((x - centre[0]) * dx + (y - centre[1]) * dy) <= 0.12 * reach * dash.length


def broken_lines(dashes: Sequence[Dash]) -> list[BrokenLine]:
    """The broken lines among some straight strokes."""
    if not dashes:
        return []
    graph: networkx.Graph[int] = networkx.Graph()
    strokes = shapely.linestrings([(dash.first, dash.last) for dash in dashes])
    near = shapely.STRtree(strokes).query(strokes, predicate="dwithin", distance=2 * _MOST_GAP).T
    graph.add_edges_from((i, j) for i, j in near.tolist() if i > j and _follows(dashes[i], dashes[j]))
    lines = (_line(dashes, sorted(group)) for group in networkx.connected_components(graph))
    found = [line for line in lines if line is not None]
    return [replace(line, pattern=with_its_dots(line.pattern, found)) for line in found]


def with_its_dots(pattern: tuple[float, ...], lines: Sequence[BrokenLine]) -> tuple[float, ...]:
    """The pattern of dashes; with dots where they are as far apart as if those of the other lines of a sheet stood
    between: these were lost.
    """
    dotted = [line.pattern for line in lines if len(line.pattern) == 4]
    if len(pattern) == 4 or not dotted:
        return pattern
    gap, dot = (sorted(own[k] for own in dotted)[len(dotted) // 2] for k in (1, 2))
    dash, apart = pattern[0], -pattern[1]
    lost = abs(apart - (dot - 2 * gap)) < abs(apart + gap) and dash > 2.5 * apart
    return (dash, gap, dot, gap) if lost else pattern


def _follows(one: Dash, other: Dash) -> bool:
    """Whether two dashes stand on one line, not too far apart."""
    if one.width != other.width:
        return False
    longer, shorter = (one, other) if one.length >= other.length else (other, one)
    dx, dy = ((b - a) / longer.length for a, b in zip(longer.first, longer.last, strict=True))
    along, off = [], []
    for x, y in (shorter.first, shorter.last):
        along.append((x - longer.first[0]) * dx + (y - longer.first[1]) * dy)
        off.append(abs((y - longer.first[1]) * dx - (x - longer.first[0]) * dy))
    gap = max(-max(along), min(along) - longer.length)
    if not _LEAST_GAP <= gap <= _MOST_GAP:
        return False
    return max(off) <= _ASIDE + _LEANS * (gap + shorter.length)


def _line(dashes: Sequence[Dash], group: Sequence[int]) -> BrokenLine | None:
    points = np.array([point for k in group for point in (dashes[k].first, dashes[k].last)])
    x, y = points.mean(axis=0).tolist()
    _, _, axes = np.linalg.svd(points - points.mean(axis=0), full_matrices=False)
    dx, dy = axes[0].tolist()
    if np.abs((points - points.mean(axis=0)) @ axes[1]).max() > _ASIDE:
        return None

    def at(point: Point) -> float:
        return float((point[0] - x) * dx + (point[1] - y) * dy)

    along = ((at(dashes[k].first), at(dashes[k].last), k) for k in group)
    spans = sorted((min(a, b), max(a, b), k) for a, b, k in along)
    lengths = [high - low for low, high, _ in spans]
    gaps = [b[0] - a[1] for a, b in pairwise(spans)]
    usual = sorted(gaps)[len(gaps) // 2]
    # Between two long dashes a dot may have been lost.
    if min(gaps) < 0.4 * usual - 0.2 or max(gaps) > _GAPS * usual + 0.9:
        return None
    inner = range(1, len(spans) - 1)
    dots = [k for k in inner if lengths[k] <= _SHORT * min(max(lengths[k - 1], 0.1), max(lengths[k + 1], 0.1))]
    if dots:
        dashes_of_it = sorted(length for k, length in enumerate(lengths) if k not in dots)
        long, short = dashes_of_it[len(dashes_of_it) // 2], sum(lengths[k] for k in dots) / len(dots)
        long = min(long, 15.0)
        pattern: tuple[float, ...] = (long, -usual, short, -usual)
    else:
        middle = sorted(lengths)[(len(lengths) - 1) // 2]
        if len(spans) < 3 or middle > _LONGEST or any(length > _GOES_ON * middle for length in lengths[1:-1]):
            return None
        long, pattern = middle, (middle, -usual)
    kept = frozenset(spans[k][2] for k in range(len(spans)) if lengths[k] > _GOES_ON * long)
    # Where a line of its own lies over an end, the broken one goes on under it, nobody can tell how far.
    low, high = spans[0][0], spans[-1][1]
    return BrokenLine((x + low * dx, y + low * dy), (x + high * dx, y + high * dy), pattern, frozenset(group), kept)
