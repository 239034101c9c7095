"""Leaders drawn as loose lines: from a text to what they point at. All distances: common practice, no source."""

import math
from collections.abc import Sequence
from typing import Final

from maqueta.geometry.carrier import Point
from maqueta.geometry.line_set import Piece
from maqueta.reading.content import Pointer, Words

#: The lines of one leader meet within this (mm): the arm of a centre mark may end beside its arrowhead.
JOINT: Final = 0.3
#: The line under a text lies so far below its letters at most, mm.
_UNDER: Final = 1.5
#: A text may reach so much farther at both ends than is taken for it, in parts of its width.
_ROUGH: Final = 0.15


def led_from(word: Words, lines: Sequence[Piece], tips: Sequence[Point]) -> list[Pointer]:
    """A chain of lines that leads away from a text: the one that begins nearest to its beginning or its end.

    It ends at its arrowhead, though the arm of a centre mark may begin there.
    """
    wide = word.width
    left, bottom = word.at

    def near(point: Point, slack: float = 2.0 + _ROUGH * wide) -> bool:
        """Whether a point stands at the text; how wide the letters are is only known roughly."""
        across = left - slack <= point[0] <= left + wide + slack
        return across and bottom - word.height <= point[1] <= bottom + 2 * word.height

    def at_tip(point: Point) -> bool:
        return any(math.dist(tip, point) <= JOINT for tip in tips)

    def off(point: Point) -> float:
        """How far from the ends of the text; what does not stand level with it, or under it, is farther."""
        above, below = point[1] - bottom - word.height, bottom - _UNDER - point[1]
        return min(abs(point[0] - left), abs(point[0] - left - wide)) + 2 * max(above, below, 0.0)

    def led(first: int, here: Point, there: Point) -> list[Point]:
        chain, used = [here, there], {first}
        while not at_tip(chain[-1]):
            step = _goes_on(lines, chain, used)
            if step is None or near(step[1]):
                break
            used.add(step[0])
            chain.append(step[1])
        return chain

    # A line with its arrowhead that the text stands over is a dimension line.
    chains = [
        (off(here), led(k, here, there))
        for k, line in enumerate(lines)
        for here, there in (line.ends, line.ends[::-1])
        if near(here) and not near(there) and not (at_tip(there) and _runs_under(word, here, there))
    ]
    # What begins a little farther away is a leader only where it leads to an arrowhead.
    chains = sorted(own for own in chains if near(own[1][0], 2.0) or at_tip(own[1][-1]))
    if not chains:
        return []
    # Where a leader meets the line under its text, both begin there: the one that leads to an arrowhead is meant.
    level = [chain for away, chain in chains if away - chains[0][0] <= JOINT]
    chain = next((own for own in level if at_tip(own[-1])), level[0])
    under = _line_under(word, lines, chain[0])
    return [Pointer(tuple(reversed(chain if under is None else [under, *chain])), word.text)]


def _runs_under(word: Words, first: Point, second: Point) -> bool:
    """Whether a line runs along a text, under its middle or through it."""
    turn = math.radians(word.turn)
    ux, uy = math.cos(turn), math.sin(turn)
    (a, b), (c, d) = (
        ((x - word.at[0]) * ux + (y - word.at[1]) * uy, -(x - word.at[0]) * uy + (y - word.at[1]) * ux)
        for x, y in (first, second)
    )
    level = abs(d - b) <= JOINT and -_UNDER - word.height <= b <= word.height
    return level and min(a, c) < word.width / 2 < max(a, c)


def _line_under(word: Words, lines: Sequence[Piece], joint: Point) -> Point | None:
    """The other end of the line that runs along under a text, from where its leader begins: it belongs to it."""
    turn = math.radians(word.turn)
    ux, uy = math.cos(turn), math.sin(turn)
    half = (word.at[0] - joint[0]) * ux + (word.at[1] - joint[1]) * uy + word.width / 2
    for line in lines:
        for here, there in (line.ends, line.ends[::-1]):
            along = (there[0] - joint[0]) * ux + (there[1] - joint[1]) * uy
            aside = -(there[0] - joint[0]) * uy + (there[1] - joint[1]) * ux
            if math.dist(here, joint) <= JOINT and abs(aside) <= JOINT and along * half > 0 and abs(along) > abs(half):
                return there
    return None


def _goes_on(lines: Sequence[Piece], chain: Sequence[Point], used: set[int]) -> tuple[int, Point] | None:
    """The line that goes on from the end of a leader, and where it ends."""
    for k, line in enumerate(lines):
        if k not in used:
            for here, there in (line.ends, line.ends[::-1]):
                if math.dist(here, chain[-1]) <= JOINT:
                    return k, there
    return None
