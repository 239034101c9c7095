"""How dimensions are drawn: extension lines, dimension line, arrowheads, text."""

import math

from maqueta.drawing.ink import Arc, Filled, Item, Stroke, Text
from maqueta.drawing.lettering import text_width
from maqueta.drawing.pens import (
    ARROW_LENGTH,
    ARROW_WIDTH,
    DIMENSION_TEXT,
    EXTENSION_BEYOND,
    EXTENSION_GAP,
)
from maqueta.geometry.carrier import TURN, Point
from maqueta.sheet.dimension import (
    AngleDimension,
    ChamferDimension,
    Dimension,
    LinearDimension,
    RoundDimension,
    taken_from,
)
from maqueta.sheet.dimension_words import dimension_text
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.placed import PlacedView
from maqueta.solid.unit import Unit

_TEXT_RISE = 1.0


def _add(p: Point, d: Point, amount: float) -> Point:
    return (p[0] + d[0] * amount, p[1] + d[1] * amount)


def _dot(p: Point, d: Point) -> float:
    return p[0] * d[0] + p[1] * d[1]


def dimension_items(dimension: Dimension, placed: PlacedView, sheet: SheetDocument, part_unit: Unit) -> list[Item]:
    """The ink of one dimension on the sheet."""
    text = dimension_text(dimension, sheet, part_unit)
    match dimension:
        case LinearDimension():
            return _linear(dimension, placed, text, sheet.style == "asme")
        case RoundDimension():
            return _round(dimension, placed, text)
        case ChamferDimension():
            (tip,) = taken_from(dimension)
            return _led(placed.to_sheet(tip), _place(dimension, placed), text)
        case AngleDimension():
            return _angle(dimension, placed, text, sheet.style == "asme")


def _arrow(tip: Point, towards: Point) -> Filled:
    """An arrowhead at `tip` pointing along the unit vector `towards`."""
    base = _add(tip, towards, -ARROW_LENGTH)
    side = (-towards[1] * ARROW_WIDTH / 2, towards[0] * ARROW_WIDTH / 2)
    return Filled((tip, (base[0] + side[0], base[1] + side[1]), (base[0] - side[0], base[1] - side[1])))


def _direction(dimension: LinearDimension, start: Point, end: Point) -> Point:
    if dimension.along == "across":
        return (1.0, 0.0)
    if dimension.along == "up":
        return (0.0, 1.0)
    length = math.dist(start, end)
    if length == 0:
        return (1.0, 0.0)
    d = ((end[0] - start[0]) / length, (end[1] - start[1]) / length)
    return d if d[0] > 1e-9 or (abs(d[0]) <= 1e-9 and d[1] > 0) else (-d[0], -d[1])


def _linear(dimension: LinearDimension, placed: PlacedView, text: str, unidirectional: bool) -> list[Item]:
    start, end = placed.to_sheet(dimension.start), placed.to_sheet(dimension.end)
    along = _direction(dimension, start, end)
    normal = (-along[1], along[0])
    place = (placed.view.at[0] + dimension.place[0], placed.view.at[1] + dimension.place[1])
    height = _dot(place, normal)
    if _dot(start, along) > _dot(end, along):
        start, end = end, start
    items: list[Item] = []
    feet = []
    for point in (start, end):
        rise = height - _dot(point, normal)
        foot = _add(point, normal, rise)
        feet.append(foot)
        sign = math.copysign(1.0, rise)
        if abs(rise) > EXTENSION_GAP:
            extension = (_add(point, normal, sign * EXTENSION_GAP), _add(foot, normal, sign * EXTENSION_BEYOND))
            items.append(Stroke(extension, "dimension", stretches=True))
    low, high = feet
    length = math.dist(low, high)
    width = text_width(text, DIMENSION_TEXT)
    taken = width + 2 if unidirectional else 0.0
    roomy = length >= 2.5 * ARROW_LENGTH + max(taken, width if not unidirectional else 0.0)
    back = (-along[0], -along[1])
    if roomy:
        items += [_arrow(low, back), _arrow(high, along)]
        middle = ((low[0] + high[0]) / 2, (low[1] + high[1]) / 2)
    else:
        items += [_arrow(low, along), _arrow(high, back)]
        items.append(Stroke((_add(low, back, 2 * ARROW_LENGTH), low), "dimension"))
        items.append(
            Stroke((high, _add(high, along, 2 * ARROW_LENGTH + (0 if unidirectional else width))), "dimension")
        )
        middle = _add(high, along, 2 * ARROW_LENGTH + width / 2 - (ARROW_LENGTH if not unidirectional else -1.0))
    upright = abs(along[0]) < 1e-9
    if unidirectional:
        half = (DIMENSION_TEXT if upright else width) / 2 + 1
        if roomy:
            items.append(Stroke((low, _add(middle, along, -half)), "dimension"))
            items.append(Stroke((_add(middle, along, half), high), "dimension"))
        else:
            items.append(Stroke((low, high), "dimension"))
        items.append(Text((middle[0], middle[1] - DIMENSION_TEXT / 2), text, DIMENSION_TEXT))
        return items
    items.append(Stroke((low, high), "dimension"))
    angle = math.degrees(math.atan2(along[1], along[0]))
    items.append(Text(_add(middle, normal, _TEXT_RISE), text, DIMENSION_TEXT, angle))
    return items


def _place(dimension: Dimension, placed: PlacedView) -> Point:
    return (placed.view.at[0] + dimension.place[0], placed.view.at[1] + dimension.place[1])


def _round(dimension: RoundDimension, placed: PlacedView, text: str) -> list[Item]:
    centre, place = placed.to_sheet(dimension.centre), _place(dimension, placed)
    radius, distance = dimension.radius * placed.factor, math.dist(centre, place)
    outward = ((place[0] - centre[0]) / distance, (place[1] - centre[1]) / distance) if distance > 1e-9 else (1.0, 0.0)
    items = _led(_add(centre, outward, radius), place, text, outward if distance < radius else None)
    return [Arc(centre, radius, 0.0, TURN, "centre"), *items] if dimension.pitch else items


def _led(tip: Point, place: Point, text: str, outward: Point | None = None) -> list[Item]:
    """A text on a leader with its arrowhead at `tip`; from inside a circle the arrow points `outward`."""
    distance = math.dist(tip, place)
    away = ((tip[0] - place[0]) / distance, (tip[1] - place[1]) / distance) if distance > 1e-9 else (-1.0, 0.0)
    width = text_width(text, DIMENSION_TEXT)
    sign = 1.0 if place[0] >= tip[0] or (outward is not None and outward[0] >= 0) else -1.0
    shelf = (place[0] + sign * (width + 2), place[1])
    return [
        _arrow(tip, outward or away),
        Stroke((tip, place), "dimension"),
        Stroke((place, shelf), "dimension"),
        Text((place[0] + sign * (width / 2 + 1), place[1] + _TEXT_RISE), text, DIMENSION_TEXT),
    ]


def leader_items(tip: Point, place: Point) -> list[Item]:
    """A plain leader with its arrowhead at `tip`."""
    distance = math.dist(tip, place)
    away = ((tip[0] - place[0]) / distance, (tip[1] - place[1]) / distance)
    return [_arrow(tip, away), Stroke((tip, place), "dimension")]


def _angle(dimension: AngleDimension, placed: PlacedView, text: str, unidirectional: bool) -> list[Item]:
    """An arc about the vertex between the two lines, produced where they are too short, with the text over it."""
    vertex = placed.to_sheet(dimension.vertex)
    radius = max(math.dist(vertex, _place(dimension, placed)), 2 * ARROW_LENGTH)
    legs = [placed.to_sheet(point) for point in (dimension.start, dimension.end)]
    turns = [math.atan2(leg[1] - vertex[1], leg[0] - vertex[0]) for leg in legs]
    sweep = math.remainder(turns[1] - turns[0], TURN)
    first = turns[0] if sweep >= 0 else turns[1]
    sweep = abs(sweep)
    items: list[Item] = []
    for leg, turn in zip(legs, turns, strict=True):
        reach = math.dist(vertex, leg)
        if reach + EXTENSION_GAP < radius:
            out = (math.cos(turn), math.sin(turn))
            items.append(
                Stroke((_add(leg, out, EXTENSION_GAP), _add(vertex, out, radius + EXTENSION_BEYOND)), "dimension")
            )
    ends = [(first, -1.0), (first + sweep, 1.0)]
    for turn, sense in ends:
        tip = _add(vertex, (math.cos(turn), math.sin(turn)), radius)
        items.append(_arrow(tip, (-sense * math.sin(turn), sense * math.cos(turn))))
    items.append(Arc(vertex, radius, first, sweep, "dimension"))
    middle = first + sweep / 2
    out = (math.cos(middle), math.sin(middle))
    if unidirectional:
        items.append(Text(_add(_add(vertex, out, radius + 3.0), (0.0, -1.0), DIMENSION_TEXT / 2), text, DIMENSION_TEXT))
        return items
    upright = math.degrees(middle) - 90
    below = math.cos(math.radians(upright)) < -1e-9
    rise = radius + _TEXT_RISE + (DIMENSION_TEXT if below else 0.0)
    items.append(Text(_add(vertex, out, rise), text, DIMENSION_TEXT, upright + 180 if below else upright))
    return items
