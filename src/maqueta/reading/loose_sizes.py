"""Dimensions taken to pieces: a text, the dimension line it stands at, and the extension lines that meet it.

Where several stretches of a dimension line could be meant, the one whose length is the written value is; a wrong value
then belongs to the stretch its text stands over.
"""

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from itertools import pairwise
from typing import Final

import numpy as np

from maqueta.geometry.box import Box, apart
from maqueta.geometry.carrier import TURN, Circle, Line, Point
from maqueta.geometry.line_set import Piece
from maqueta.reading.content import Pointer, Size, Words
from maqueta.reading.dimension_axis import MEET, PARALLEL, Axis, Stations, Strokes
from maqueta.reading.loose_leaders import led_from
from maqueta.reading.words_in_lines import in_lines
from maqueta.sizes.text import read_text

#: How far a text may stand from its dimension line, in letter heights.
_NEAR: Final = 1.6
#: An angle's text stands this near to its arc, in letter heights, beside half its own width.
_ANGLE_NEAR: Final = 2.5
#: How much wider than a text the gap is that a dimension line leaves for it, mm (common practice, no source).
_TEXT_ROOM: Final = 3.0
#: A written value is the length of a stretch within this part of it (rounding of written values).
_SAME: Final = 0.02

#: The box of a view, and how many mm on paper a unit of the values written at it is.
Scaled = tuple[Box, float]


@dataclass(frozen=True, slots=True)
class Loose:
    """Sizes and leaders made up of loose lines, the places of these lines, and texts that stand for none.

    A text that looks like a size of a kind nothing was found for is `unclear`: it may be any size of the sheet.
    """

    sizes: tuple[Size, ...]
    pointers: tuple[Pointer, ...]
    used: frozenset[int]
    unclear: tuple[str, ...]


def loose_sizes(
    words: Sequence[Words],
    lines: Sequence[Piece],
    arrows: Sequence[Sequence[Point]],
    views: Sequence[Scaled],
) -> Loose:
    """Sizes and leaders that texts and loose lines of the dimension kind make up."""
    if not views:
        return Loose((), (), frozenset(), ())
    straight = [line for line in lines if isinstance(line.carrier, Line)]
    tips = [tip for shape in arrows if (tip := tip_of(shape)) is not None]
    strokes = Strokes(straight, tips)
    sizes: list[Size] = []
    pointers: list[Pointer] = []
    unclear: list[str] = []
    used: set[int] = set()
    for word in in_lines(words):
        written = read_text(word.text)
        if written.value is None:
            continue
        size: Size | None = None
        led: list[Pointer] = []
        if written.symbol == "angle":
            # An angle is never a length, whatever lines stand near its text.
            size, arc = _angle(word, lines)
            used |= {k for k, line in enumerate(lines) if line is arc}
            if size is None:
                unclear.append(word.text)
        else:
            by_leader = written.symbol in ("diameter", "radius", "chamfer", "thread")
            size = _linear(word, written.value, strokes, views, sure=by_leader)
            if size is None and by_leader:
                led = led_from(word, straight, tips)
                size = None if led else _linear(word, written.value, strokes, views)
        if size is not None:
            sizes.append(size)
            used |= _made_of(size, lines)
        pointers += led
        used |= {k for k, line in enumerate(lines) for pointer in led if _runs_along(line, pointer)}
    return Loose(tuple(sizes), tuple(pointers), frozenset(used), tuple(unclear))


def _angle(word: Words, lines: Sequence[Piece]) -> tuple[Size | None, Piece | None]:
    """An angle by the arc its text stands at: its legs run from the arc's centre to the arc's ends."""
    middle = _middle(word)
    best: tuple[float, Piece] | None = None
    for line in lines:
        if not isinstance(line.carrier, Circle) or line.interval[1] - line.interval[0] >= math.pi:
            continue
        off = abs(math.dist(middle, (line.carrier.x, line.carrier.y)) - line.carrier.radius)
        start, end = line.interval
        turn = (line.carrier.parameter(middle) - start) % TURN
        beside = max(0.0, min(turn - (end - start), TURN - turn)) * line.carrier.radius
        away = math.hypot(off, beside)
        if away <= _ANGLE_NEAR * word.height + word.width / 2 and (best is None or away < best[0]):
            best = (away, line)
    if best is None:
        return None, None
    arc = best[1]
    assert isinstance(arc.carrier, Circle)
    first, second = arc.ends
    place = arc.carrier.point(sum(arc.interval) / 2)
    lettering = (word.height, word.turn)
    vertex = (arc.carrier.x, arc.carrier.y)
    return Size("angle", first, second, 0.0, place, word.text, vertex, lettering=lettering), arc


def _made_of(size: Size, lines: Sequence[Piece]) -> set[int]:
    """Places of the lines a size consists of: its dimension line in pieces, and the extension lines at its ends."""
    found: set[int] = set()
    if size.kind == "angle":
        assert size.vertex is not None
        legs = [math.atan2(p[1] - size.vertex[1], p[0] - size.vertex[0]) for p in (size.first, size.second)]
        for k, line in enumerate(lines):
            if isinstance(line.carrier, Line):
                foot = line.carrier.point(line.carrier.parameter(size.vertex))
                through = math.dist(foot, size.vertex) <= MEET
                on_leg = any(abs(math.sin(line.carrier.angle - leg)) <= PARALLEL for leg in legs)
                found |= {k} if through and on_leg else set()
        return found
    along = (math.cos(size.turn), math.sin(size.turn))
    axis = Axis(along, -size.place[0] * along[1] + size.place[1] * along[0])
    ends = (axis.on(size.first), axis.on(size.second))
    low, high = min(ends), max(ends)
    for k, line in enumerate(lines):
        if not isinstance(line.carrier, Line):
            continue
        dx, dy = line.carrier.direction
        lean = abs(dx * along[0] + dy * along[1])
        offs, ons = sorted(axis.off(p) for p in line.ends), sorted(axis.on(p) for p in line.ends)
        if max(map(abs, offs)) <= 0.1 and ons[0] <= high + 15 and ons[1] >= low - 15:
            found.add(k)
        elif lean <= PARALLEL and offs[0] <= MEET and offs[1] >= -MEET:
            found |= {k} if min(abs(ons[0] - end) for end in ends) <= MEET else set()
    return found


def _runs_along(line: Piece, pointer: Pointer) -> bool:
    """Whether a line is one of the stretches of a leader."""
    return any(
        {line.ends, line.ends[::-1]} & {(first, second)} or max(_near_ends(line, first, second)) <= MEET
        for first, second in pairwise(pointer.points)
    )


def _near_ends(line: Piece, first: Point, second: Point) -> tuple[float, float]:
    a, b = line.ends
    straight = (math.dist(a, first), math.dist(b, second))
    back = (math.dist(a, second), math.dist(b, first))
    return min(straight, back, key=max)


def tip_of(shape: Sequence[Point]) -> Point | None:
    """The tip of a filled arrowhead: the corner farthest from the middle of the others."""
    corners = list(dict.fromkeys(shape))
    if len(corners) != 3:
        return None

    def reach(k: int) -> float:
        (ax, ay), (bx, by) = (corners[j] for j in range(3) if j != k)
        return math.dist(corners[k], ((ax + bx) / 2, (ay + by) / 2))

    return corners[max(range(3), key=reach)]


def _middle(word: Words) -> Point:
    turn, wide = math.radians(word.turn), word.width
    c, s = math.cos(turn), math.sin(turn)
    return (
        word.at[0] + wide / 2 * c - word.height / 2 * s,
        word.at[1] + wide / 2 * s + word.height / 2 * c,
    )


def _linear(word: Words, value: float, strokes: Strokes, views: Sequence[Scaled], sure: bool = False) -> Size | None:
    """The length a text stands at; with `sure` only one that is what the text says."""
    best: tuple[float, Size] | None = None
    boxes = [box for box, _ in views]
    for stations in _axes(word, strokes):
        axis, places = stations.axis, stations.places()
        middle = axis.on(_middle(word))
        for k, low in enumerate(places):
            for high in places[k + 1 :]:
                if high - low < 1.0 or not low - 40 <= middle <= high + 40:
                    continue
                held = stations.held(low) + stations.held(high)
                if held == 0:
                    continue
                says = any(_says(value, high - low, factor) for _, factor in views)
                drawn = stations.drawn(low, high, middle, word.width + _TEXT_ROOM)
                over = drawn and stations.stands_over(low, high, middle)
                if not says and (sure or not over):
                    continue
                first, second = (stations.foot(t, boxes) for t in (low, high))
                factor = min(views, key=lambda view: min(_away(view[0], foot) for foot in (first, second)))[1]
                right = _says(value, high - low, factor)
                if not right and (sure or not over):
                    continue
                away = max(0.0, low - middle, middle - high) if right else 0.0
                wrong = abs((high - low) / factor - value) / max(value, 1e-9) if right else 3.0
                cost = (
                    abs(axis.off(_middle(word)))
                    + 10 * wrong
                    + 0.2 * away
                    + (0.0 if drawn else 4.0)
                    + 5 * (2 - held)
                    + (high - low) / 1e4
                )
                turn = math.atan2(axis.along[1], axis.along[0])
                if best is None or cost < best[0]:
                    place = axis.point((low + high) / 2)
                    best = (
                        cost,
                        Size("linear", first, second, turn, place, word.text, lettering=(word.height, word.turn)),
                    )
    return best[1] if best is not None else None


def _axes(word: Words, strokes: Strokes) -> Iterator[Stations]:
    """Dimension lines a text could stand at: parallel to it and near, or upright ones that make room for it."""
    middle, turn = _middle(word), math.radians(word.turn)
    dx, dy = strokes.along[:, 0], strokes.along[:, 1]
    distances = np.abs(-middle[0] * dy + middle[1] * dx - strokes.offsets)
    parallel = np.abs(np.sin(strokes.angles - turn)) <= PARALLEL
    upright = (np.abs(dx) <= PARALLEL) & (abs(math.sin(turn)) <= PARALLEL)
    near = np.where(parallel, distances <= _NEAR * word.height, upright & (distances <= 0.6 * word.height))
    seen: set[tuple[float, float]] = set()
    for index in np.flatnonzero(near).tolist():
        axis = strokes.axis(index)
        at = axis.on(middle)
        start, end = sorted(axis.on((x, y)) for x, y in strokes.ends[index].tolist())
        key = (round(float(strokes.angles[index]), 3), round(axis.offset, 1))
        if key in seen or not start - word.width - 4 <= at <= end + word.width + 4:
            continue
        stations = Stations(axis, strokes)
        if parallel[index] or stations.make_room(at):
            seen.add(key)
            yield stations


def _says(value: float, long: float, factor: float) -> bool:
    """Whether a written value is a length on paper, at so many mm on paper per unit of it."""
    return abs(long / factor - value) <= max(_SAME * value, 0.02)


def _away(box: Box, point: Point) -> float:
    return apart(box, (*point, *point))
