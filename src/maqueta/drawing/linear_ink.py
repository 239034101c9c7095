"""How sizes between two points are drawn: extension lines, dimension line, arrowheads, and where the text stands.

All lengths are mm on paper. Places along a dimension line are counted from its low end, the one further left (or, of
an upright line, further down).
"""

import math
from dataclasses import dataclass
from typing import Final

from maqueta.drawing.arrows import arrow, moved_along
from maqueta.drawing.ink import Item, Stroke, Text
from maqueta.drawing.lettering import text_width
from maqueta.drawing.pens import ARROW_LENGTH, DIMENSION_TEXT, EXTENSION_BEYOND, EXTENSION_GAP, TEXT_RISE
from maqueta.geometry.carrier import Point
from maqueta.sheet.dimension import LinearDimension
from maqueta.sheet.placed import PlacedView

#: A text keeps this far off the dimension line it interrupts (common practice, no source).
_CLEAR: Final = 1.0
#: Dimension lines with arrowheads outside reach this far beyond their ends (common practice, no source).
_TAIL: Final = 2 * ARROW_LENGTH
#: The line of a size given by half runs on past the axis (ISO 129-1, from memory); how far: common practice, no source.
_PAST_AXIS: Final = 2 * ARROW_LENGTH


@dataclass(frozen=True, slots=True)
class _Line:
    """A dimension line: its low end, its direction (a unit vector), its length, and how wide its text is.

    With `level` texts (ASME) the line is interrupted for the text, else the text stands over it, along it. An end that
    is `bare` (low, high) bears no arrowhead.
    """

    low: Point
    along: Point
    length: float
    width: float
    level: bool
    bare: tuple[bool, bool] = (False, False)

    def at(self, place: float) -> Point:
        return moved_along(self.low, self.along, place)

    @property
    def normal(self) -> Point:
        return (-self.along[1], self.along[0])

    @property
    def half(self) -> float:
        """Half of what the text takes of the line."""
        upright = abs(self.along[0]) < _UPRIGHT
        return (DIMENSION_TEXT if self.level and upright else self.width) / 2 + (_CLEAR if self.level else 0.0)

    def over(self, place: float) -> bool:
        """Whether a text whose middle is there stands over the line and not beyond its ends."""
        return 0.0 <= place <= self.length


_UPRIGHT: Final = 1e-9


def linear_items(dimension: LinearDimension, placed: PlacedView, text: str, level: bool) -> list[Item]:
    """The ink of a size between two points; with `level` its text stands level, in a gap of the line."""
    start, end = placed.to_sheet(dimension.start), placed.to_sheet(dimension.end)
    along = direction_of(dimension, start, end)
    normal = (-along[1], along[0])
    at = placed.view.at
    height = _dot((at[0] + dimension.place[0], at[1] + dimension.place[1]), normal)
    bare = (False, dimension.by_half)
    if dimension.by_half:
        end = moved_along(end, along, math.copysign(_PAST_AXIS, _dot(end, along) - _dot(start, along)))
    if _dot(start, along) > _dot(end, along):
        start, end, bare = end, start, bare[::-1]
    feet = [moved_along(point, normal, height - _dot(point, normal)) for point in (start, end)]
    extensions = [
        None if without else _extension(point, foot, normal)
        for point, foot, without in zip((start, end), feet, bare, strict=True)
    ]
    line = _Line(feet[0], along, math.dist(*feet), text_width(text, DIMENSION_TEXT), level, bare)
    led = None if dimension.led is None else (at[0] + dimension.led[0], at[1] + dimension.led[1])
    return [*(item for item in extensions if item is not None), *_drawn(dimension, line, text, led)]


def direction_of(dimension: LinearDimension, start: Point, end: Point) -> Point:
    """The direction of a dimension line on the sheet, as a unit vector to the right, or upwards."""
    if dimension.along == "across":
        return (1.0, 0.0)
    if dimension.along == "up":
        return (0.0, 1.0)
    length = math.dist(start, end)
    if length == 0:
        return (1.0, 0.0)
    d = ((end[0] - start[0]) / length, (end[1] - start[1]) / length)
    return d if d[0] > _UPRIGHT or (abs(d[0]) <= _UPRIGHT and d[1] > 0) else (-d[0], -d[1])


def _dot(p: Point, d: Point) -> float:
    return p[0] * d[0] + p[1] * d[1]


def _extension(point: Point, foot: Point, normal: Point) -> Stroke | None:
    rise = _dot(foot, normal) - _dot(point, normal)
    if abs(rise) <= EXTENSION_GAP:
        return None
    sign = math.copysign(1.0, rise)
    ends = (moved_along(point, normal, sign * EXTENSION_GAP), moved_along(foot, normal, sign * EXTENSION_BEYOND))
    return Stroke(ends, "dimension", stretches=True)


def _drawn(dimension: LinearDimension, line: _Line, text: str, led: Point | None) -> list[Item]:
    """Dimension line, arrowheads and text."""
    taken = 0.0 if led is not None else line.width + (2 * _CLEAR if line.level else 0.0)
    place = line.length / 2 + dimension.shift
    if dimension.shift and not line.over(place):
        taken = 0.0
    inside = dimension.arrows == "inside" or (
        dimension.arrows == "fitting" and line.length >= 2.5 * ARROW_LENGTH + taken
    )
    low, high = (0.0 if inside or bare else _TAIL for bare in line.bare)
    tails = [(-low, 0.0), (line.length, line.length + high)]
    if led is not None:
        return [*_heads(line, inside), *_strokes(line, [*tails, (0.0, line.length)]), *_leader(line, text, led)]
    if not inside and not dimension.shift and dimension.arrows == "fitting":
        # No room between the arrowheads: the text stands beyond the upper one, on its tail or behind it.
        place = line.length + high + line.width / 2 + (_CLEAR if line.level else -min(ARROW_LENGTH, high))
    spans = [*tails, (0.0, line.length), *_produced(line, place, (low, high))]
    if line.level:
        spans = [part for span in spans for part in _interrupted(span, place - line.half, place + line.half)]
    return [*_heads(line, inside), *_strokes(line, spans), _lettered(line, place, text)]


def _heads(line: _Line, inside: bool) -> list[Item]:
    back = (-line.along[0], -line.along[1])
    low, high = line.at(0.0), line.at(line.length)
    heads = [arrow(low, back), arrow(high, line.along)] if inside else [arrow(low, line.along), arrow(high, back)]
    return [head for head, bare in zip(heads, line.bare, strict=True) if not bare]


def _strokes(line: _Line, spans: list[tuple[float, float]]) -> list[Item]:
    return [Stroke((line.at(low), line.at(high)), "dimension") for low, high in spans if high > low]


def _produced(line: _Line, place: float, tails: tuple[float, float]) -> list[tuple[float, float]]:
    """From where the line or its tail ends to the far end of a text beyond it."""
    near, far = place - line.half, place + line.half
    low, high = tails
    return [(line.length + high, far)] if place > line.length else [(near, -low)] if place < 0.0 else []


def _interrupted(span: tuple[float, float], near: float, far: float) -> list[tuple[float, float]]:
    """A span of the line without what a text takes of it."""
    low, high = span
    return [span] if far <= low or near >= high else [(low, near), (far, high)]


def _lettered(line: _Line, place: float, text: str) -> Text:
    middle = line.at(place)
    if line.level:
        return Text((middle[0], middle[1] - DIMENSION_TEXT / 2), text, DIMENSION_TEXT)
    angle = math.degrees(math.atan2(line.along[1], line.along[0]))
    return Text(moved_along(middle, line.normal, TEXT_RISE), text, DIMENSION_TEXT, angle)


def _leader(line: _Line, text: str, led: Point) -> list[Item]:
    """The text off its line, on a leader from the middle that ends without arrowhead (ISO 128-2, from memory)."""
    middle = line.at(line.length / 2)
    sign = 1.0 if led[0] >= middle[0] else -1.0
    shelf = (led[0] + sign * (line.width + 2 * _CLEAR), led[1])
    return [
        Stroke((middle, led), "dimension"),
        Stroke((led, shelf), "dimension"),
        Text((led[0] + sign * (line.width / 2 + _CLEAR), led[1] + TEXT_RISE), text, DIMENSION_TEXT),
    ]
