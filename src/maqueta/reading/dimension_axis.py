"""The line a dimension line lies on, and what stands along it: arrowheads, extension lines, stretches of itself.

All in mm on paper. What is asked of many lines again and again is measured once for each axis.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property
from typing import Final

import numpy as np
from numpy.typing import NDArray

from maqueta.geometry.box import Box, apart
from maqueta.geometry.carrier import Line, Point
from maqueta.geometry.line_set import Piece

#: Ends of lines meet within this (mm; common practice, no source, as all below).
MEET: Final = 0.6
#: Sine of the angle between two lines that count as parallel.
PARALLEL: Final = 0.03
#: The back of an arrowhead reaches no farther than this to either side, mm.
_BACK: Final = 1.0
#: A line lies on an axis within this (mm).
_ON_IT: Final = 0.1
#: The most places at which a dimension line is taken to end.
_MOST_PLACES: Final = 60

Array = NDArray[np.float64]


@dataclass(frozen=True, slots=True)
class Axis:
    """A dimension line's direction and place: unit vector along, offset across."""

    along: Point
    offset: float

    def on(self, point: Point) -> float:
        """How far along it a point lies."""
        return point[0] * self.along[0] + point[1] * self.along[1]

    def off(self, point: Point) -> float:
        """How far to the left of it a point lies."""
        return -point[0] * self.along[1] + point[1] * self.along[0] - self.offset

    def point(self, t: float) -> Point:
        """The point so far along it."""
        return (t * self.along[0] - self.offset * self.along[1], t * self.along[1] + self.offset * self.along[0])


class Strokes:
    """Straight lines of a sheet, and the tips of its arrowheads, as arrays."""

    def __init__(self, lines: Sequence[Piece], tips: Sequence[Point]) -> None:
        carriers = [line.carrier for line in lines if isinstance(line.carrier, Line)]
        #: Their two ends (n × 2 × 2), unit vectors along them (n × 2), and the angles of these.
        self.ends = np.array([line.ends for line in lines]).reshape(-1, 2, 2)
        self.along = np.array([carrier.direction for carrier in carriers]).reshape(-1, 2)
        self.angles = np.array([carrier.angle for carrier in carriers])
        #: How far the axis each of them lies on is off the origin.
        self.offsets = -self.ends[:, 0, 0] * self.along[:, 1] + self.ends[:, 0, 1] * self.along[:, 0]
        self.tips = np.array(tips).reshape(-1, 2)

    def axis(self, index: int) -> Axis:
        """The axis one of the lines lies on."""
        dx, dy = self.along[index].tolist()
        return Axis((dx, dy), float(self.offsets[index]))


class Stations:
    """What stands along an axis."""

    def __init__(self, axis: Axis, strokes: Strokes) -> None:
        self.axis = axis
        dx, dy = axis.along
        ends, tips = strokes.ends, strokes.tips
        self._ends = ends
        self._ons = ends[..., 0] * dx + ends[..., 1] * dy
        offs = -ends[..., 0] * dy + ends[..., 1] * dx - axis.offset
        low, high = offs.min(axis=1), offs.max(axis=1)
        across = np.abs(strokes.along[:, 0] * dx + strokes.along[:, 1] * dy) <= PARALLEL
        self._meets = across & (low <= MEET) & (high >= -MEET)
        # The back of an arrowhead is no extension line.
        self._extends = self._meets & (np.maximum(-low, high) > _BACK)
        self._on_it = np.abs(offs).max(axis=1) <= _ON_IT
        tips_on_it = np.abs(-tips[:, 0] * dy + tips[:, 1] * dx - axis.offset) <= MEET
        self._tips = (tips[tips_on_it, 0] * dx + tips[tips_on_it, 1] * dy).tolist()
        self._extensions = self._ons[self._extends, 0].tolist()
        self._known: dict[float, bool] = {}

    @cached_property
    def spans(self) -> list[tuple[float, float]]:
        """The stretches that are drawn on the axis, in their order."""
        own = self._ons[self._on_it]
        return sorted(zip(own.min(axis=1).tolist(), own.max(axis=1).tolist(), strict=True))

    def held(self, t: float) -> bool:
        """Whether an arrowhead or an extension line stands at a place of it; a leader's shelf has neither."""
        if t not in self._known:
            self._known[t] = any(abs(own - t) <= MEET for own in (*self._tips, *self._extensions))
        return self._known[t]

    def places(self) -> list[float]:
        """Where a dimension line can end: at arrowheads, where extension lines meet it, at its own ends."""
        own = self._ons[self._on_it & ~self._extends].ravel().tolist()
        result: list[float] = []
        for station in sorted((*self._tips, *self._extensions, *own)):
            if not result or station - result[-1] > _ON_IT:
                result.append(station)
        return result[:_MOST_PLACES]

    def make_room(self, t: float) -> bool:
        """Whether a line across a text could be its dimension line: broken for the text, or with arrowheads of its
        own.
        """
        if any(start < t < end for start, end in self.spans):
            return False
        return len(self._tips) >= 2 or (
            any(end <= t for _, end in self.spans) and any(start >= t for start, _ in self.spans)
        )

    def stands_over(self, low: float, high: float, t: float) -> bool:
        """Whether a place is over a stretch, or over what leads to it from outside, where its arrowheads had no
        room.
        """
        if low - MEET <= t <= high + MEET:
            return True
        reached, sign = (low, -1.0) if t < low else (high, 1.0)
        if not self.held(reached):
            return False
        spans = self.spans if sign > 0 else [(end, start) for start, end in self.spans]
        for near, far in sorted(spans, key=lambda span: sign * span[0]):
            if sign * (near - reached) <= MEET and sign * (far - reached) > MEET:
                if self.held(far):
                    return False
                reached = far
        return sign * (reached - t) >= -MEET

    def drawn(self, low: float, high: float, text: float, wide: float) -> bool:
        """Whether the dimension line is drawn from end to end, the room of a text excepted: its middle, and how wide
        that is.
        """
        at = low
        for start, end in [*self.spans, (high, high)]:
            if end <= at:
                continue
            gap = start > at + MEET
            if gap and not (start - at <= wide and at <= text <= start):
                return False
            at = max(at, end)
            if at >= high - MEET:
                return True
        return at >= high - MEET

    def foot(self, t: float, views: Sequence[Box]) -> Point:
        """Where the extension line at a place of the dimension line starts: its end nearest to a view."""
        ends = [self.axis.point(t)]
        for index in np.flatnonzero(self._meets & (np.abs(self._ons[:, 0] - t) <= MEET / 2)).tolist():
            ends += [(x, y) for x, y in self._ends[index].tolist()]

        def away(point: Point) -> float:
            return min(apart(view, (*point, *point)) for view in views)

        return min(ends, key=lambda point: (round(away(point), 3), -abs(self.axis.off(point))))
