"""Sheets drawn by hand: told by lines that are nearly level or upright and not quite, and drawn true where they are."""

import math
from collections.abc import Sequence
from dataclasses import replace

import shapely

from maqueta.geometry.carrier import Line, Point, line_through
from maqueta.phrases.phrase import phrase
from maqueta.reading.content import Content, Stroke
from maqueta.reading.errors import UnreadableSheetError
from maqueta.task.by_hand import ByHand

#: A hand is told by straight lines this long, mm, that lean by no more than this part of their length: a picture of a
#: printed sheet leaves at most 2 % of them leaning by more than it can tell, a pencil with a ruler at least 20 %
#: (measured on the sheets of the tests). Fewer lines than this tell nothing.
_LONG, _NEARLY, _LEANING, _FEWEST = 8.0, 0.05, 0.1, 8
#: Without a ruler lines waver: they are read as pieces of this length, mm, and more, which meet and go on in nearly the
#: same direction (radians). With a ruler at most 5 % of all line is so, without one at least 16 % (measured likewise).
_PIECE, _MEET, _BENT, _WAVERING = 3.0, 0.4, (0.005, 0.16), 0.1
Ends = tuple[Point, Point]


def is_by_hand(lines: Sequence[Ends], slack: float, of_length: float) -> bool:
    """Whether the lines of a picture are a hand's: `slack` (mm) and the share of its length are what a picture leaves a
    true line to lean by.

    Raises UnreadableSheetError for one that draws without a ruler: nothing that is found there could be relied on.
    """
    near = []
    for (x0, y0), (x1, y1) in lines:
        long, lean = math.dist((x0, y0), (x1, y1)), min(abs(x1 - x0), abs(y1 - y0))
        if long >= _LONG and lean <= _NEARLY * long:
            near.append(lean > max(slack, of_length * long))
    if len(near) < _FEWEST or sum(near) < _LEANING * len(near):
        return False
    if _wavering(lines) >= _WAVERING:
        raise UnreadableSheetError(phrase("sheet-freehand"))
    return True


def _wavering(lines: Sequence[Ends]) -> float:
    """The share of all line that goes on, where it ends, in nearly the same direction."""
    pieces = [line for line in lines if math.dist(*line) >= _PIECE]
    ends = [(end, k) for k, line in enumerate(pieces) for end in line]
    points = shapely.points([end for end, _ in ends])
    bent: set[int] = set()
    for i, j in shapely.STRtree(points).query(points, predicate="dwithin", distance=_MEET).T.tolist():
        one, other = ends[i][1], ends[j][1]
        if one < other and _BENT[0] < _turn(pieces[one], pieces[other], ends[i][0]) < _BENT[1]:
            bent |= {one, other}
    whole = sum(math.dist(*line) for line in pieces)
    return sum(math.dist(*pieces[k]) for k in bent) / whole if whole else 0.0


def _turn(one: Ends, other: Ends, joint: Point) -> float:
    """By how much the way turns from one line into another at the end they share, radians."""
    before, behind = (max(line, key=lambda end: math.dist(end, joint)) for line in (one, other))
    onto = math.atan2(joint[1] - before[1], joint[0] - before[0])
    off = math.atan2(behind[1] - joint[1], behind[0] - joint[0])
    return abs(math.remainder(onto - off, math.tau))


def squared(content: Content, allowed: ByHand) -> Content:
    """The same sheet with straight lines made level and upright that are so within what a hand is allowed; broken lines
    may end as much earlier as the hand may be off."""
    return replace(content, strokes=tuple(_reaching(_squared(stroke, allowed), allowed) for stroke in content.strokes))


def _reaching(stroke: Stroke, allowed: ByHand) -> Stroke:
    return replace(stroke, short=stroke.short + allowed.tolerance_mm) if stroke.style.pattern else stroke


def _squared(stroke: Stroke, allowed: ByHand) -> Stroke:
    piece = stroke.piece
    if not isinstance(piece.carrier, Line):
        return stroke
    (x0, y0), (x1, y1) = piece.ends
    wide, high = abs(x1 - x0), abs(y1 - y0)
    # Either end may be off its place by as much as is allowed.
    lean = min(2 * allowed.tolerance_mm, math.tan(math.radians(allowed.degrees)) * max(wide, high))
    if 0 < high <= lean and wide > high:
        ends = ((x0, (y0 + y1) / 2), (x1, (y0 + y1) / 2))
    elif 0 < wide <= lean and high > wide:
        ends = (((x0 + x1) / 2, y0), ((x0 + x1) / 2, y1))
    else:
        return stroke
    carrier, interval = line_through(*ends)
    return stroke.with_piece(replace(piece, carrier=carrier, interval=interval))
