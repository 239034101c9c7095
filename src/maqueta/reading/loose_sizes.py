"""Dimensions taken to pieces: a text, the dimension line it stands at, and the extension lines that meet it.

Where several stretches of a dimension line could be meant, the one whose length is the written value is; a wrong value
then belongs to the stretch its text stands over.
"""

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import Final

from maqueta.dimensioning.text import read_text
from maqueta.projection.carrier import Line, Point
from maqueta.projection.line_set import Box, Piece
from maqueta.reading.content import Pointer, Size, Words
from maqueta.reading.groups import apart

#: How far a text may stand from its dimension line, in letter heights.
_NEAR: Final = 1.6
#: Ends of lines meet within this (mm).
_MEET: Final = 0.6
_PARALLEL: Final = 0.03
#: A written value is the length of a stretch within this part of it (rounding of written values).
_SAME: Final = 0.02


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


def loose_sizes(
    words: Sequence[Words],
    lines: Sequence[Piece],
    arrows: Sequence[Sequence[Point]],
    boxes: Sequence[Box],
    factor: float,
) -> tuple[list[Size], list[Pointer]]:
    """Sizes and leaders that texts and loose lines of the dimension kind make up.

    `boxes` are those of the views, `factor` is mm on paper per unit of written values.
    """
    straight = [line for line in lines if isinstance(line.carrier, Line)]
    tips = [tip for shape in arrows if (tip := _tip(shape)) is not None]
    sizes: list[Size] = []
    pointers: list[Pointer] = []
    for word in words:
        written = read_text(word.text)
        if written.value is None:
            continue
        size = _linear(word, written.value, straight, tips, boxes, factor)
        if size is not None:
            sizes.append(size)
        elif written.symbol in ("diameter", "radius", "chamfer"):
            pointers += _leader(word, straight)
    return sizes, pointers


def _tip(shape: Sequence[Point]) -> Point | None:
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
    boxes: Sequence[Box],
    factor: float,
) -> Size | None:
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
                right = abs((high - low) / factor - value) <= max(_SAME * value, 0.02)
                over = low - _MEET <= middle <= high + _MEET and _drawn(axis, low, high, lines, word)
                if not right and not over:
                    continue
                first, second = (_foot(axis, t, lines, boxes) for t in (low, high))
                away = max(0.0, low - middle, middle - high)
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
        if across and abs(axis.on(line.ends[0]) - t) <= _MEET and offs[0] <= _MEET and offs[1] >= -_MEET:
            return True
    return False


def _places(axis: _Axis, lines: Sequence[Piece], tips: Sequence[Point]) -> list[float]:
    """Where a dimension line can end: at arrowheads, where extension lines meet it, at its own ends."""
    found = [axis.on(tip) for tip in tips if abs(axis.off(tip)) <= _MEET]
    for line in lines:
        assert isinstance(line.carrier, Line)
        dx, dy = line.carrier.direction
        across = abs(dx * axis.along[0] + dy * axis.along[1]) <= _PARALLEL
        offs = sorted(axis.off(point) for point in line.ends)
        if across and offs[0] <= _MEET and offs[1] >= -_MEET:
            found.append(axis.on(line.ends[0]))
        elif max(map(abs, offs)) <= 0.1:
            found += [axis.on(point) for point in line.ends]
    result: list[float] = []
    for place in sorted(found):
        if not result or place - result[-1] > 0.1:
            result.append(place)
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


def _foot(axis: _Axis, t: float, lines: Sequence[Piece], boxes: Sequence[Box]) -> Point:
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
        return min((apart(box, (*point, *point)) for box in boxes), default=0.0)

    return min(ends, key=lambda point: (round(away(point), 3), -abs(axis.off(point))))


def _leader(word: Words, lines: Sequence[Piece]) -> list[Pointer]:
    """A chain of lines that leads away from a text."""
    wide = word.width
    left, bottom = word.at
    box = (left - 2, bottom - word.height, left + wide + 2, bottom + 2 * word.height)

    def near(point: Point) -> bool:
        return box[0] <= point[0] <= box[2] and box[1] <= point[1] <= box[3]

    for line in lines:
        for here, there in (line.ends, line.ends[::-1]):
            if near(here) and not near(there):
                chain = [here, there]
                for other in lines:
                    if other is not line:
                        a, b = other.ends
                        if math.dist(a, chain[-1]) <= _MEET and not near(b):
                            chain.append(b)
                        elif math.dist(b, chain[-1]) <= _MEET and not near(a):
                            chain.append(a)
                return [Pointer(tuple(reversed(chain)), word.text)]
    return []
