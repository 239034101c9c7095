"""Changing what is drawn by hand: erase, trim, extend, draw a parallel, draw over in another pen.

All points and lengths are in the plane of the view, in the part's unit.
"""

import math
from collections.abc import Sequence
from dataclasses import replace
from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field

from maqueta.projection.carrier import TURN, Circle, Ellipse, Interval, Line, Point, line_through
from maqueta.projection.crossing import covers, crossings, distance
from maqueta.projection.line_set import Piece
from maqueta.sheet.document import MOST_LINES, Drafted, DraftedPen
from maqueta.sheet.drafted import Pen, drafted_of, pen_of, piece_of
from maqueta.sheet.fields import ViewPoint

#: Points this close along a line are one (part of the size of what is drawn).
_SAME = 1e-7


class DraftingError(ValueError):
    """A change that cannot be made; the message says why."""


class Change(BaseModel):
    """One change to the line nearest to `at`; a parallel runs on the side of `towards`, drawn with `pen`."""

    model_config = ConfigDict(extra="forbid", frozen=True)

    what: Literal["erase", "trim", "extend", "parallel", "pen"]
    at: ViewPoint
    towards: ViewPoint | None = None
    distance: Annotated[float, Field(gt=0, le=1e6, allow_inf_nan=False)] | None = None
    pen: DraftedPen = "visible"


Lines = tuple[Drafted, ...]


def changed(lines: Sequence[Drafted], change: Change, reach: float) -> Lines:
    """The lines of a view after a change to the one nearest to the point, within `reach`. Raises DraftingError."""
    place = _nearest(lines, change.at, reach)
    match change.what:
        case "erase":
            return (*lines[:place], *lines[place + 1 :])
        case "pen":
            again = lines[place].model_copy(update={"pen": change.pen, "solid": False, "either": False})
            return (*lines[:place], again, *lines[place + 1 :])
        case "trim":
            return _trimmed(lines, place, change.at)
        case "extend":
            return _extended(lines, place, change.at)
        case "parallel":
            if change.distance is None or change.towards is None:
                raise DraftingError("Say how far away the parallel runs, and on which side.")
            if len(lines) >= MOST_LINES:
                raise DraftingError(f"A view holds at most {MOST_LINES} lines.")
            return (*lines, _parallel(lines[place], change.distance, change.towards, Pen(change.pen)))


def _nearest(lines: Sequence[Drafted], at: Point, reach: float) -> int:
    far = [distance(piece_of(line), at) for line in lines]
    near = min(far, default=math.inf)
    if near > reach:
        raise DraftingError("There is no drafted line at this point.")
    # Drawn lines often lie on the thin ones they were found by; the drawn one is meant.
    same = [place for place, off in enumerate(far) if off <= near + _SAME * reach]
    return min(same, key=lambda place: lines[place].pen == "construction")


def _slack(pieces: Sequence[Piece]) -> float:
    return _SAME * max((abs(c) for piece in pieces for point in piece.ends for c in point), default=1.0) + 1e-9


def _cuts(pieces: Sequence[Piece], place: int, bounded: bool) -> list[float]:
    """Parameters at which a line meets all others; when `bounded`, within its own stretch only."""
    own, slack = pieces[place], _slack(pieces)
    points = [
        point for other, piece in enumerate(pieces) if other != place for point in crossings(own.carrier, piece, slack)
    ]
    return [own.carrier.parameter(p) for p in points if not bounded or covers(own, p, slack)]


def _trimmed(lines: Sequence[Drafted], place: int, at: Point) -> Lines:
    """Without the stretch around a point up to the lines that cross on either side."""
    pieces = [piece_of(line) for line in lines]
    own = pieces[place]
    start, end = own.interval
    slack = _slack(pieces) / _pace(own)
    cuts = _cuts(pieces, place, bounded=True)
    rest: list[Interval]
    if isinstance(own.carrier, Line):
        t = own.carrier.parameter(at)
        inner = [c for c in cuts if start + slack < c < end - slack]
    elif isinstance(own.carrier, Circle | Ellipse):
        t = start + (own.carrier.parameter(at) - start) % TURN
        inner = [start + (c - start) % TURN for c in cuts]
        if end - start >= TURN - 1e-9:
            return _opened(lines, place, own, sorted(set(inner)), t)
        inner = [c for c in inner if start + slack < c < end - slack]
    else:
        raise DraftingError("A free curve cannot be trimmed; it can be erased.")
    low = max((c for c in inner if c <= t), default=None)
    high = min((c for c in inner if c > t), default=None)
    if low is None and high is None:
        raise DraftingError("No line crosses this one, so there is nothing to trim it to. Erase takes it away whole.")
    rest = [(start, low)] if low is not None else []
    rest += [(high, end)] if high is not None else []
    kept = tuple(drafted_of(replace(own, interval=i), pen_of(lines[place])) for i in rest)
    return (*lines[:place], *kept, *lines[place + 1 :])


def _pace(piece: Piece) -> float:
    match piece.carrier:
        case Circle(_, _, radius):
            return radius
        case Ellipse(_, _, _, minor, _):
            return minor
        case _:
            return 1.0


def _opened(lines: Sequence[Drafted], place: int, own: Piece, cuts: Sequence[float], t: float) -> Lines:
    """A full circle or ellipse without the stretch around a point."""
    distinct = [c for k, c in enumerate(cuts) if k == 0 or c - cuts[k - 1] > 1e-6]
    if len(distinct) > 1 and distinct[-1] - distinct[0] > TURN - 1e-6:
        distinct.pop()
    if len(distinct) < 2:
        raise DraftingError("A full circle is trimmed between two lines that cross it; fewer than two do.")
    low = max((c for c in distinct if c <= t), default=distinct[-1] - TURN)
    high = min((c for c in distinct if c > t), default=distinct[0] + TURN)
    start = high % TURN
    kept = replace(own, interval=(start, start + TURN - (high - low)))
    return (*lines[:place], drafted_of(kept, pen_of(lines[place])), *lines[place + 1 :])


def _extended(lines: Sequence[Drafted], place: int, at: Point) -> Lines:
    """With the end nearest to a point carried on to the next line it meets."""
    pieces = [piece_of(line) for line in lines]
    own = pieces[place]
    start, end = own.interval
    slack = _slack(pieces) / _pace(own)
    at_end = math.dist(own.ends[1], at) <= math.dist(own.ends[0], at)
    cuts = _cuts(pieces, place, bounded=False)
    if isinstance(own.carrier, Line):
        ahead = [c for c in cuts if (c > end + slack if at_end else c < start - slack)]
        reached = (min if at_end else max)(ahead, default=None)
    elif isinstance(own.carrier, Circle | Ellipse):
        if end - start >= TURN - 1e-9:
            raise DraftingError("A full circle has no end to extend.")
        room = TURN - (end - start)
        steps = [((c - end) if at_end else (start - c)) % TURN for c in cuts]
        step = min((s for s in steps if slack < s < room - slack), default=None)
        reached = None if step is None else (end + step if at_end else start - step)
    else:
        raise DraftingError("A free curve cannot be extended.")
    if reached is None:
        raise DraftingError("There is no line ahead of this end to extend it to.")
    longer = (start, reached) if at_end else (reached, end)
    if not isinstance(own.carrier, Line) and longer[0] < 0:
        longer = (longer[0] + TURN, longer[1] + TURN)
    return (*lines[:place], drafted_of(replace(own, interval=longer), pen_of(lines[place])), *lines[place + 1 :])


def _parallel(line: Drafted, gap: float, towards: Point, pen: Pen) -> Drafted:
    """A copy at an equal distance on the side of a point."""
    own = piece_of(line)
    match own.carrier:
        case Line():
            foot = own.carrier.point(own.carrier.parameter(towards))
            dx, dy = towards[0] - foot[0], towards[1] - foot[1]
            away = math.hypot(dx, dy)
            if away < 1e-9:
                raise DraftingError("Point to the side on which the parallel shall run.")
            p, q = ((x + gap * dx / away, y + gap * dy / away) for x, y in own.ends)
            carrier, interval = line_through(p, q)
            return drafted_of(replace(own, carrier=carrier, interval=interval), pen)
        case Circle(x, y, radius):
            grown = radius + (gap if math.dist((x, y), towards) > radius else -gap)
            if grown <= 1e-9:
                raise DraftingError("The circle is too small for a parallel at this distance inside it.")
            return drafted_of(replace(own, carrier=Circle(x, y, grown)), pen)
        case _:
            raise DraftingError("Parallels are drawn to lines and circles only.")
