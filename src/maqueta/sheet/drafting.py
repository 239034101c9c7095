"""Changing what is drawn by hand: erase, trim, extend, draw a parallel, draw over in another pen.

All points and lengths are in the plane of the view, in the part's unit.
"""

import math
from collections.abc import Sequence
from dataclasses import replace
from typing import Annotated, Literal

from pydantic import Field

from maqueta.geometry.carrier import TURN, Circle, Ellipse, Interval, Line, Point, line_through
from maqueta.geometry.crossing import covers, crossings, distance
from maqueta.geometry.line_set import Piece
from maqueta.phrases.phrase import phrase
from maqueta.phrases.told import ToldError
from maqueta.sheet.drafted import Pen, drafted_of, pen_of, piece_of
from maqueta.sheet.drafted_line import Drafted, DraftedPen
from maqueta.sheet.fields import ViewPoint
from maqueta.sheet.view import MOST_LINES
from maqueta.strict import Strict

#: Points this close along a line are one (part of the size of what is drawn).
_SAME = 1e-7


class DraftingError(ToldError):
    """A change that cannot be made, and why."""


class Change(Strict):
    """One change to the line nearest to `at`; a parallel runs on the side of `towards`, drawn with `pen`."""

    what: Literal["erase", "trim", "extend", "parallel", "pen"]
    at: ViewPoint
    towards: ViewPoint | None = None
    distance: Annotated[float, Field(gt=0, le=1e6, allow_inf_nan=False)] | None = None
    pen: DraftedPen = "visible"


Lines = tuple[Drafted, ...]


def changed(lines: Sequence[Drafted], change: Change, reach: float) -> Lines:
    """The lines of a view after a change to the one nearest to the point, within `reach`. Raises DraftingError."""
    index = _nearest(lines, change.at, reach)
    match change.what:
        case "erase":
            return (*lines[:index], *lines[index + 1 :])
        case "pen":
            again = lines[index].model_copy(update={"pen": change.pen, "solid": False, "either": False})
            return (*lines[:index], again, *lines[index + 1 :])
        case "trim":
            return _trimmed(lines, index, change.at)
        case "extend":
            return _extended(lines, index, change.at)
        case "parallel":
            if change.distance is None or change.towards is None:
                raise DraftingError(phrase("drafting-parallel-unsaid"))
            if len(lines) >= MOST_LINES:
                raise DraftingError(phrase("drafting-most-lines", most=MOST_LINES))
            return (*lines, _parallel(lines[index], change.distance, change.towards, Pen(change.pen)))


def _nearest(lines: Sequence[Drafted], at: Point, reach: float) -> int:
    far = [distance(piece_of(line), at) for line in lines]
    near = min(far, default=math.inf)
    if near > reach:
        raise DraftingError(phrase("drafting-no-line"))
    # Drawn lines often lie on the thin ones they were found by; the drawn one is meant.
    same = [index for index, off in enumerate(far) if off <= near + _SAME * reach]
    return min(same, key=lambda index: lines[index].pen == "construction")


def _slack(pieces: Sequence[Piece]) -> float:
    return _SAME * max((abs(c) for piece in pieces for point in piece.ends for c in point), default=1.0) + 1e-9


def _cuts(pieces: Sequence[Piece], index: int, bounded: bool) -> list[float]:
    """Parameters at which a line meets all others; when `bounded`, within its own stretch only."""
    own, slack = pieces[index], _slack(pieces)
    points = [
        point for other, piece in enumerate(pieces) if other != index for point in crossings(own.carrier, piece, slack)
    ]
    return [own.carrier.parameter(p) for p in points if not bounded or covers(own, p, slack)]


def _trimmed(lines: Sequence[Drafted], index: int, at: Point) -> Lines:
    """Without the stretch around a point up to the lines that cross on either side."""
    pieces = [piece_of(line) for line in lines]
    own = pieces[index]
    start, end = own.interval
    slack = _slack(pieces) / _pace(own)
    cuts = _cuts(pieces, index, bounded=True)
    rest: list[Interval]
    if isinstance(own.carrier, Line):
        t = own.carrier.parameter(at)
        inner = [c for c in cuts if start + slack < c < end - slack]
    elif isinstance(own.carrier, Circle | Ellipse):
        t = start + (own.carrier.parameter(at) - start) % TURN
        inner = [start + (c - start) % TURN for c in cuts]
        if end - start >= TURN - 1e-9:
            return _opened(lines, index, own, sorted(set(inner)), t)
        inner = [c for c in inner if start + slack < c < end - slack]
    else:
        raise DraftingError(phrase("drafting-curve-untrimmed"))
    low = max((c for c in inner if c <= t), default=None)
    high = min((c for c in inner if c > t), default=None)
    if low is None and high is None:
        raise DraftingError(phrase("drafting-nothing-crosses"))
    rest = [(start, low)] if low is not None else []
    rest += [(high, end)] if high is not None else []
    kept = tuple(drafted_of(replace(own, interval=i), pen_of(lines[index])) for i in rest)
    return (*lines[:index], *kept, *lines[index + 1 :])


def _pace(piece: Piece) -> float:
    match piece.carrier:
        case Circle(_, _, radius):
            return radius
        case Ellipse(_, _, _, minor, _):
            return minor
        case _:
            return 1.0


def _opened(lines: Sequence[Drafted], index: int, own: Piece, cuts: Sequence[float], t: float) -> Lines:
    """A full circle or ellipse without the stretch around a point."""
    distinct = [c for k, c in enumerate(cuts) if k == 0 or c - cuts[k - 1] > 1e-6]
    if len(distinct) > 1 and distinct[-1] - distinct[0] > TURN - 1e-6:
        distinct.pop()
    if len(distinct) < 2:
        raise DraftingError(phrase("drafting-circle-uncrossed"))
    low = max((c for c in distinct if c <= t), default=distinct[-1] - TURN)
    high = min((c for c in distinct if c > t), default=distinct[0] + TURN)
    start = high % TURN
    kept = replace(own, interval=(start, start + TURN - (high - low)))
    return (*lines[:index], drafted_of(kept, pen_of(lines[index])), *lines[index + 1 :])


def _extended(lines: Sequence[Drafted], index: int, at: Point) -> Lines:
    """With the end nearest to a point carried on to the next line it meets."""
    pieces = [piece_of(line) for line in lines]
    own = pieces[index]
    start, end = own.interval
    slack = _slack(pieces) / _pace(own)
    at_end = math.dist(own.ends[1], at) <= math.dist(own.ends[0], at)
    cuts = _cuts(pieces, index, bounded=False)
    if isinstance(own.carrier, Line):
        ahead = [c for c in cuts if (c > end + slack if at_end else c < start - slack)]
        reached = (min if at_end else max)(ahead, default=None)
    elif isinstance(own.carrier, Circle | Ellipse):
        if end - start >= TURN - 1e-9:
            raise DraftingError(phrase("drafting-circle-endless"))
        room = TURN - (end - start)
        steps = [((c - end) if at_end else (start - c)) % TURN for c in cuts]
        step = min((s for s in steps if slack < s < room - slack), default=None)
        reached = None if step is None else (end + step if at_end else start - step)
    else:
        raise DraftingError(phrase("drafting-curve-unextended"))
    if reached is None:
        raise DraftingError(phrase("drafting-nothing-ahead"))
    longer = (start, reached) if at_end else (reached, end)
    if not isinstance(own.carrier, Line) and longer[0] < 0:
        longer = (longer[0] + TURN, longer[1] + TURN)
    return (*lines[:index], drafted_of(replace(own, interval=longer), pen_of(lines[index])), *lines[index + 1 :])


def _parallel(line: Drafted, gap: float, towards: Point, pen: Pen) -> Drafted:
    """A copy at an equal distance on the side of a point."""
    own = piece_of(line)
    match own.carrier:
        case Line():
            foot = own.carrier.point(own.carrier.parameter(towards))
            dx, dy = towards[0] - foot[0], towards[1] - foot[1]
            away = math.hypot(dx, dy)
            if away < 1e-9:
                raise DraftingError(phrase("drafting-which-side"))
            p, q = ((x + gap * dx / away, y + gap * dy / away) for x, y in own.ends)
            carrier, interval = line_through(p, q)
            return drafted_of(replace(own, carrier=carrier, interval=interval), pen)
        case Circle(x, y, radius):
            grown = radius + (gap if math.dist((x, y), towards) > radius else -gap)
            if grown <= 1e-9:
                raise DraftingError(phrase("drafting-circle-too-small"))
            return drafted_of(replace(own, carrier=Circle(x, y, grown)), pen)
        case _:
            raise DraftingError(phrase("drafting-lines-and-circles"))
