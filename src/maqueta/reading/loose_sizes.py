"""Dimensions taken to pieces: a text, the dimension line it stands at, and the extension lines that meet it.

Where several stretches of a dimension line could be meant, the one whose length is the written value is; a wrong value
then belongs to the stretch its text stands over.
"""

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from itertools import pairwise
from typing import Final

from maqueta.geometry.box import Box, apart
from maqueta.geometry.carrier import TURN, Circle, Line, Point
from maqueta.geometry.line_set import Piece
from maqueta.reading.content import Pointer, Size, Words
from maqueta.reading.loose_leaders import led_from
from maqueta.reading.words_in_lines import in_lines
from maqueta.sizes.text import read_text

#: How far a text may stand from its dimension line, in letter heights.
_NEAR: Final = 1.6
#: An angle's text stands this near to its arc, in letter heights, beside half its own width.
_ANGLE_NEAR: Final = 2.5
#: Ends of lines meet within this (mm).
_MEET: Final = 0.6
_PARALLEL: Final = 0.03
#: The back of an arrowhead reaches no farther than this to either side, mm (common practice, no source).
_BACK: Final = 1.0
#: A written value is the length of a stretch within this part of it (rounding of written values).
_SAME: Final = 0.02

#: The box of a view, and how many mm on paper a unit of the values written at it is.
Scaled = tuple[Box, float]


@dataclass(frozen=True, slots=True)
class _Axis:
    """A dimension line's direction and place: unit vector along, offset across."""

    along: Point
    offset: float

    def on(self, point: Point) -> float:
        return point[0] * self.along[0] + point[1] * self.along[1]

    def off(self, point: Point) -> float:
        return -point[0] * self.along[1] + point[1] * self.along[0] - self.offset

    def point(self, t: float) -> Point:
        return (t * self.along[0] - self.offset * self.along[1], t * self.along[1] + self.offset * self.along[0])


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
            size = _linear(word, written.value, straight, tips, views, sure=by_leader)
            if size is None and by_leader:
                led = led_from(word, straight, tips)
                size = None if led else _linear(word, written.value, straight, tips, views)
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
                through = math.dist(foot, size.vertex) <= _MEET
                on_leg = any(abs(math.sin(line.carrier.angle - leg)) <= _PARALLEL for leg in legs)
                found |= {k} if through and on_leg else set()
        return found
    along = (math.cos(size.turn), math.sin(size.turn))
    axis = _Axis(along, -size.place[0] * along[1] + size.place[1] * along[0])
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
        elif lean <= _PARALLEL and offs[0] <= _MEET and offs[1] >= -_MEET:
            found |= {k} if min(abs(ons[0] - end) for end in ends) <= _MEET else set()
    return found


def _runs_along(line: Piece, pointer: Pointer) -> bool:
    """Whether a line is one of the stretches of a leader."""
    return any(
        {line.ends, line.ends[::-1]} & {(first, second)} or max(_near_ends(line, first, second)) <= _MEET
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


def _linear(
    word: Words,
    value: float,
    lines: Sequence[Piece],
    tips: Sequence[Point],
    views: Sequence[Scaled],
    sure: bool = False,
) -> Size | None:
    """The length a text stands at; with `sure` only one that is what the text says."""
    best: tuple[float, Size] | None = None
    for axis in _axes(word, lines, tips):
        places = sorted(_places(axis, lines, tips))
        middle = axis.on(_middle(word))
        for k, low in enumerate(places):
            for high in places[k + 1 :]:
                if high - low < 1.0 or not low - 40 <= middle <= high + 40:
                    continue
                held = sum(_held(axis, t, lines, tips) for t in (low, high))
                if held == 0:
                    continue
                says = any(_says(value, high - low, factor) for _, factor in views)
                over = _stands_over(axis, low, high, lines, tips, middle) and _drawn(axis, low, high, lines, word)
                if not says and (sure or not over):
                    continue
                first, second = (_foot(axis, t, lines, views) for t in (low, high))
                factor = min(views, key=lambda view: min(_away(view[0], foot) for foot in (first, second)))[1]
                right = _says(value, high - low, factor)
                if not right and (sure or not over):
                    continue
                away = max(0.0, low - middle, middle - high) if right else 0.0
                wrong = abs((high - low) / factor - value) / max(value, 1e-9) if right else 3.0
                drawn = 0.0 if _drawn(axis, low, high, lines, word) else 4.0
                cost = (
                    abs(axis.off(_middle(word))) + 10 * wrong + 0.2 * away + drawn + 5 * (2 - held) + (high - low) / 1e4
                )
                turn = math.atan2(axis.along[1], axis.along[0])
                if best is None or cost < best[0]:
                    place = axis.point((low + high) / 2)
                    best = (
                        cost,
                        Size("linear", first, second, turn, place, word.text, lettering=(word.height, word.turn)),
                    )
    return best[1] if best is not None else None


def _stands_over(axis: _Axis, low: float, high: float, lines: Sequence[Piece], tips: Sequence[Point], t: float) -> bool:
    """Whether a place is over a stretch, or over what leads to it from outside, where its arrowheads had no room."""
    if low - _MEET <= t <= high + _MEET:
        return True
    reached, sign = (low, -1.0) if t < low else (high, 1.0)
    spans = (
        sorted((axis.on(point) for point in line.ends), key=lambda own: sign * own)
        for line in lines
        if max(abs(axis.off(point)) for point in line.ends) <= 0.1
    )
    if not _held(axis, reached, lines, tips):
        return False
    for near, far in sorted(spans, key=lambda span: sign * span[0]):
        if sign * (near - reached) <= _MEET and sign * (far - reached) > _MEET:
            if _held(axis, far, lines, tips):
                return False
            reached = far
    return sign * (reached - t) >= -_MEET


def _axes(word: Words, lines: Sequence[Piece], tips: Sequence[Point]) -> Iterator[_Axis]:
    """Dimension lines a text could stand at: parallel to it and near, or upright ones that make room for it."""
    middle, turn = _middle(word), math.radians(word.turn)
    seen: set[tuple[float, float]] = set()
    for line in lines:
        assert isinstance(line.carrier, Line)
        dx, dy = line.carrier.direction
        axis = _Axis((dx, dy), -line.ends[0][0] * dy + line.ends[0][1] * dx)
        lean = abs(math.sin(line.carrier.angle - turn))
        parallel = lean <= _PARALLEL
        upright = abs(math.sin(turn)) <= _PARALLEL and abs(dx) <= _PARALLEL
        distance = abs(axis.off(middle))
        near = distance <= _NEAR * word.height if parallel else upright and distance <= 0.6 * word.height
        near = near and (parallel or _makes_room(axis, axis.on(middle), lines, tips))
        start, end = sorted(axis.on(point) for point in line.ends)
        wide = word.width
        touching = start - wide - 4 <= axis.on(middle) <= end + wide + 4
        key = (round(line.carrier.angle, 3), round(axis.offset, 1))
        if near and touching and key not in seen:
            seen.add(key)
            yield axis


def _makes_room(axis: _Axis, t: float, lines: Sequence[Piece], tips: Sequence[Point]) -> bool:
    """Whether a line across a text could be its dimension line: broken for the text, or with arrowheads of its own."""
    spans = [
        sorted(axis.on(point) for point in line.ends)
        for line in lines
        if max(abs(axis.off(point)) for point in line.ends) <= 0.1
    ]
    if any(start < t < end for start, end in spans):
        return False
    arrows = sum(abs(axis.off(tip)) <= _MEET for tip in tips)
    return arrows >= 2 or (any(end <= t for _, end in spans) and any(start >= t for start, _ in spans))


def _held(axis: _Axis, t: float, lines: Sequence[Piece], tips: Sequence[Point]) -> bool:
    """Whether an arrowhead or an extension line stands at a place of a dimension line; a leader's shelf has neither."""
    if any(abs(axis.off(tip)) <= _MEET and abs(axis.on(tip) - t) <= _MEET for tip in tips):
        return True
    for line in lines:
        assert isinstance(line.carrier, Line)
        dx, dy = line.carrier.direction
        across = abs(dx * axis.along[0] + dy * axis.along[1]) <= _PARALLEL
        offs = sorted(axis.off(point) for point in line.ends)
        if across and abs(axis.on(line.ends[0]) - t) <= _MEET and _extends(offs):
            return True
    return False


def _extends(offs: Sequence[float]) -> bool:
    """Whether a line across a dimension line, of which the ends are so far off it, is one of its extension lines: the
    back of an arrowhead is not."""
    return offs[0] <= _MEET and offs[1] >= -_MEET and max(-offs[0], offs[1]) > _BACK


def _places(axis: _Axis, lines: Sequence[Piece], tips: Sequence[Point]) -> list[float]:
    """Where a dimension line can end: at arrowheads, where extension lines meet it, at its own ends."""
    found = [axis.on(tip) for tip in tips if abs(axis.off(tip)) <= _MEET]
    for line in lines:
        assert isinstance(line.carrier, Line)
        dx, dy = line.carrier.direction
        across = abs(dx * axis.along[0] + dy * axis.along[1]) <= _PARALLEL
        offs = sorted(axis.off(point) for point in line.ends)
        if across and _extends(offs):
            found.append(axis.on(line.ends[0]))
        elif max(map(abs, offs)) <= 0.1:
            found += [axis.on(point) for point in line.ends]
    result: list[float] = []
    for station in sorted(found):
        if not result or station - result[-1] > 0.1:
            result.append(station)
    return result[:60]


def _drawn(axis: _Axis, low: float, high: float, lines: Sequence[Piece], word: Words) -> bool:
    """Whether the dimension line is drawn from end to end, the room of its text excepted."""
    wide = word.width + 3
    middle = axis.on(_middle(word))
    spans = sorted(
        (min(a, b), max(a, b))
        for a, b in (
            (axis.on(line.ends[0]), axis.on(line.ends[1]))
            for line in lines
            if max(abs(axis.off(point)) for point in line.ends) <= 0.1
        )
    )
    at = low
    for start, end in [*spans, (high, high)]:
        if end <= at:
            continue
        gap = start > at + _MEET
        if gap and not (start - at <= wide and at <= middle <= start):
            return False
        at = max(at, end)
        if at >= high - _MEET:
            return True
    return at >= high - _MEET


def _says(value: float, long: float, factor: float) -> bool:
    """Whether a written value is a length on paper, at so many mm on paper per unit of it."""
    return abs(long / factor - value) <= max(_SAME * value, 0.02)


def _away(box: Box, point: Point) -> float:
    return apart(box, (*point, *point))


def _foot(axis: _Axis, t: float, lines: Sequence[Piece], views: Sequence[Scaled]) -> Point:
    """Where the extension line at a place of the dimension line starts: its end nearest to a view."""
    ends = [axis.point(t)]
    for line in lines:
        assert isinstance(line.carrier, Line)
        dx, dy = line.carrier.direction
        if abs(dx * axis.along[0] + dy * axis.along[1]) > _PARALLEL or abs(axis.on(line.ends[0]) - t) > _MEET / 2:
            continue
        offs = [axis.off(point) for point in line.ends]
        if min(offs) <= _MEET and max(offs) >= -_MEET:
            ends += line.ends

    def away(point: Point) -> float:
        return min(_away(box, point) for box, _ in views)

    return min(ends, key=lambda point: (round(away(point), 3), -abs(axis.off(point))))
