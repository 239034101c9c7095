"""Balloons of a sheet: circles with a short text in them, and the leaders that begin at their rims."""

import math
import re
from collections.abc import Collection, Sequence
from dataclasses import dataclass
from typing import Final

from maqueta.geometry.carrier import TURN, Circle, Line, Point
from maqueta.reading.content import Pointer, Stroke, Words
from maqueta.reading.kinds import Kind
from maqueta.sheet.assembly_items import MOST_BALLOONS, Balloon

#: Radii of balloons, mm: those of numbers of 2.5 to 10 mm (common practice, no source).
_RADII: Final = (2.5, 16.0)
#: The middle of a number lies so near to that of its circle, as a share of the radius.
_CENTRED: Final = 0.7
#: A leader begins so near to the rim, mm; its lines meet so nearly.
_AT_RIM: Final = 1.5
_MEET: Final = 0.3
#: A circle drawn as arcs is whole from this share on.
_WHOLE: Final = 0.95


@dataclass(frozen=True)
class FoundBalloons:
    """The balloons of a sheet, and the places of the texts, lines and circles that make them."""

    balloons: tuple[Balloon, ...]
    words: frozenset[int]
    strokes: frozenset[int]


def find_balloons(
    words: Sequence[Words],
    strokes: Sequence[Stroke],
    kinds: Sequence[Kind],
    pointers: Sequence[Pointer],
    aside: Collection[int],
) -> FoundBalloons:
    """All balloons, in the order of their numbers' texts. `aside` are strokes that are known to be something else."""
    circles = {
        k: stroke.piece.carrier
        for k, stroke in enumerate(strokes)
        if isinstance(stroke.piece.carrier, Circle)
        and k not in aside
        and _RADII[0] <= stroke.piece.carrier.radius <= _RADII[1]
        and stroke.piece.interval[1] - stroke.piece.interval[0] >= _WHOLE * TURN
    }
    balloons: list[Balloon] = []
    used_words: set[int] = set()
    used: set[int] = set()
    for place, word in enumerate(words):
        text = word.text.strip()
        if not re.fullmatch(r"[0-9]{1,3}[A-Za-z]?|[A-Za-z]", text):
            continue
        x, y = word.at[0] + word.width / 2, word.at[1] + word.height / 2
        own = [k for k, c in circles.items() if math.dist((x, y), (c.x, c.y)) <= _CENTRED * c.radius]
        if not own or word.height > 2 * circles[own[0]].radius:
            continue
        rim = circles[min(own, key=lambda k: circles[k].radius)]
        tip, led = _leader(rim, strokes, kinds, pointers, {*aside, *used, *circles})
        # A letter in a circle without a leader marks something else.
        if tip is None and not text[0].isdigit():
            continue
        used_words.add(place)
        used |= {*own, *led}
        balloons.append(Balloon(id=f"b{len(balloons) + 1}", number=text, at=(rim.x, rim.y), tip=tip, radius=rim.radius))
    return FoundBalloons(tuple(balloons[:MOST_BALLOONS]), frozenset(used_words), frozenset(used))


def _leader(
    rim: Circle,
    strokes: Sequence[Stroke],
    kinds: Sequence[Kind],
    pointers: Sequence[Pointer],
    aside: Collection[int],
) -> tuple[Point | None, list[int]]:
    """Where the leader of a circle ends, and the places of its lines."""

    def off(point: Point) -> float:
        return abs(math.dist(point, (rim.x, rim.y)) - rim.radius)

    tied = [own for own in pointers if min(off(own.points[-1]), off(own.points[0])) <= _AT_RIM]
    if tied:
        first, last = tied[0].points[0], tied[0].points[-1]
        return (first if off(last) <= off(first) else last), []
    best: tuple[float, int, Point] | None = None
    for k, stroke in enumerate(strokes):
        if k in aside or kinds[k] in ("frame", "title", "hatch") or not isinstance(stroke.piece.carrier, Line):
            continue
        for here, there in (stroke.piece.ends, stroke.piece.ends[::-1]):
            if off(here) > _AT_RIM or math.dist(there, (rim.x, rim.y)) <= rim.radius + _AT_RIM:
                continue
            # A leader leads away from the middle of its circle; lines that only pass by do not.
            reach = math.dist(here, there)
            outwards = ((there[0] - here[0]) * (here[0] - rim.x) + (there[1] - here[1]) * (here[1] - rim.y)) / reach
            askew = 1.0 - outwards / max(rim.radius, 1e-9)
            if askew < _CENTRED and (best is None or (askew, k) < best[:2]):
                best = (askew, k, there)
    if best is None:
        return None, []
    led, tip = [best[1]], best[2]
    while (step := _goes_on(strokes, kinds, tip, {*aside, *led}, kinds[led[0]])) is not None:
        led.append(step[0])
        tip = step[1]
    return tip, led


def _goes_on(
    strokes: Sequence[Stroke], kinds: Sequence[Kind], tip: Point, aside: Collection[int], kind: Kind
) -> tuple[int, Point] | None:
    """The line that takes a bent leader farther: none where leaders are drawn as outlines are."""
    if kind != "dimension":
        return None
    for k, stroke in enumerate(strokes):
        if k in aside or kinds[k] != kind or not isinstance(stroke.piece.carrier, Line):
            continue
        for here, there in (stroke.piece.ends, stroke.piece.ends[::-1]):
            if math.dist(here, tip) <= _MEET:
                return k, there
    return None
