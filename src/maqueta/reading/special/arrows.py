"""Arrows of a file: heads filled, of strokes or of leaders, each with the shaft behind it."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import combinations
from typing import Final

from maqueta.geometry.carrier import Point
from maqueta.reading.content import Pointer, Stroke
from maqueta.reading.special.labels import LoneLetter

#: Ends of lines meet within this (mm).
MEET: Final = 0.8
#: Legs are square to arrows and to each other within this sine.
SQUARE: Final = 0.03
#: A letter stands this near to its arrow (mm) beside its own height.
_NEAR: Final = 12.0
#: Arrows of cutting lines are longer than this with their shaft, and no longer than that (mm).
_LONGEST: Final = 30.0
#: Strokes of an arrowhead are so long (mm), and meet within this; among more short strokes none is looked for.
_HEAD, _POINT, _MOST_HEADS = (1.2, 7.0), 0.25, 400


@dataclass(frozen=True, slots=True)
class Arrow:
    """An arrow: its point, the unit vector it points along, where its shaft begins, and the strokes it is made of."""

    tip: Point
    way: Point
    tail: Point
    strokes: frozenset[int]


def arrows_of(lines: dict[int, Stroke], filled: Sequence[Sequence[Point]], pointers: Sequence[Pointer]) -> list[Arrow]:
    """Arrowheads with their shafts."""
    found: list[Arrow] = []
    for shape in filled:
        corners = list(dict.fromkeys((round(x, 6), round(y, 6)) for x, y in shape))
        if len(corners) != 3:
            continue
        sides = {k: math.dist(corners[(k + 1) % 3], corners[(k + 2) % 3]) for k in range(3)}
        at = min(sides, key=lambda k: sides[k])
        base = _between(corners[(at + 1) % 3], corners[(at + 2) % 3])
        length = math.dist(corners[at], base)
        if length < 0.5:
            continue
        way = ((corners[at][0] - base[0]) / length, (corners[at][1] - base[1]) / length)
        found.append(_with_shaft(lines, corners[at], base, way))
    found += _open_heads(lines)
    for pointer in pointers:
        if pointer.note or len(pointer.points) != 2 or math.dist(*pointer.points) < 0.5:
            continue
        tip, tail = pointer.points
        length = math.dist(tip, tail)
        found.append(Arrow(tip, ((tip[0] - tail[0]) / length, (tip[1] - tail[1]) / length), tail, frozenset()))
    return found


def _open_heads(lines: dict[int, Stroke]) -> list[Arrow]:
    """Arrowheads drawn as two short strokes that meet in a point, or as a triangle, each with its shaft."""
    short = [(i, s.piece.ends) for i, s in lines.items() if _HEAD[0] <= s.piece.length <= _HEAD[1]]
    short.sort(key=lambda entry: entry[1][0])
    found: list[Arrow] = []
    for (i, own), (k, other) in combinations(short[:_MOST_HEADS], 2):
        for tip, end in (own, own[::-1]):
            for near, far in (other, other[::-1]):
                if math.dist(tip, near) > _POINT or math.dist(end, far) > 0.8 * _HEAD[1]:
                    continue
                base = _between(end, far)
                length = math.dist(tip, base)
                even = abs(math.dist(tip, end) - math.dist(near, far)) <= 0.15 * _HEAD[0] + 0.1
                if not even or length < 0.7 * math.dist(tip, end):
                    continue
                way = ((tip[0] - base[0]) / length, (tip[1] - base[1]) / length)
                arrow = _with_shaft({m: s for m, s in lines.items() if m not in (i, k)}, tip, base, way)
                if arrow.strokes:
                    found.append(Arrow(tip, way, arrow.tail, arrow.strokes | {i, k}))
    return found


def _with_shaft(lines: dict[int, Stroke], tip: Point, base: Point, way: Point) -> Arrow:
    """An arrowhead with the strokes behind it and in it, if there are any."""

    def back(point: Point) -> float:
        return (tip[0] - point[0]) * way[0] + (tip[1] - point[1]) * way[1]

    own = {
        i: stroke.piece.ends
        for i, stroke in lines.items()
        if stroke.piece.length <= _LONGEST
        and runs_along(stroke.piece.ends, way)
        and all(abs((p[0] - tip[0]) * way[1] - (p[1] - tip[1]) * way[0]) <= _POINT for p in stroke.piece.ends)
    }
    tail, reach, used = base, back(base), set[int]()
    for i, ends in sorted(own.items(), key=lambda entry: min(map(back, entry[1]))):
        near, far = sorted(ends, key=back)
        # What begins at the head, or where the stroke before it ends.
        if -MEET <= back(near) <= reach + MEET:
            used.add(i)
            tail, reach = (far, back(far)) if back(far) > reach else (tail, reach)
    return Arrow(tip, way, tail, frozenset(used))


def _between(a: Point, b: Point) -> Point:
    return ((a[0] + b[0]) / 2, (a[1] + b[1]) / 2)


def runs_along(ends: tuple[Point, ...], way: Point) -> bool:
    """Whether a stroke runs along a direction, either way."""
    (ax, ay), (bx, by) = ends
    length = math.dist(*ends)
    return length > 0 and abs((bx - ax) * way[1] - (by - ay) * way[0]) <= SQUARE * length


def nearest_arrow(letter: LoneLetter, arrows: Sequence[Arrow]) -> Arrow | None:
    """The arrow a letter stands at."""

    def off(arrow: Arrow) -> float:
        return min(math.dist(letter.at, p) for p in (arrow.tip, arrow.tail, _between(arrow.tip, arrow.tail)))

    best = min(arrows, key=off, default=None)
    return best if best is not None and off(best) <= _NEAR + letter.height else None
