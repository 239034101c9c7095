"""How dimensions are drawn: extension lines, dimension line, arrowheads, text."""

import math

from maqueta.drawing.arrows import arrow, moved_along
from maqueta.drawing.ink import Arc, Item, Stroke, Text
from maqueta.drawing.lettering import text_width
from maqueta.drawing.linear_ink import linear_items
from maqueta.drawing.pens import ARROW_LENGTH, DIMENSION_TEXT, EXTENSION_BEYOND, EXTENSION_GAP, TEXT_RISE
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


def dimension_items(dimension: Dimension, placed: PlacedView, sheet: SheetDocument, part_unit: Unit) -> list[Item]:
    """The ink of one dimension on the sheet."""
    text = dimension_text(dimension, sheet, part_unit)
    match dimension:
        case LinearDimension():
            return linear_items(dimension, placed, text, sheet.style == "asme")
        case RoundDimension():
            return _round(dimension, placed, text)
        case ChamferDimension():
            (tip,) = taken_from(dimension)
            return _led(placed.to_sheet(tip), _place(dimension, placed), text)
        case AngleDimension():
            return _angle(dimension, placed, text, sheet.style == "asme")


def _place(dimension: Dimension, placed: PlacedView) -> Point:
    return (placed.view.at[0] + dimension.place[0], placed.view.at[1] + dimension.place[1])


def _round(dimension: RoundDimension, placed: PlacedView, text: str) -> list[Item]:
    centre, place = placed.to_sheet(dimension.centre), _place(dimension, placed)
    radius, distance = dimension.radius * placed.factor, math.dist(centre, place)
    outward = ((place[0] - centre[0]) / distance, (place[1] - centre[1]) / distance) if distance > 1e-9 else (1.0, 0.0)
    items = _led(moved_along(centre, outward, radius), place, text, outward if distance < radius else None)
    return [Arc(centre, radius, 0.0, TURN, "centre"), *items] if dimension.pitch else items


def _led(tip: Point, place: Point, text: str, outward: Point | None = None) -> list[Item]:
    """A text on a leader with its arrowhead at `tip`; from inside a circle the arrow points `outward`."""
    distance = math.dist(tip, place)
    away = ((tip[0] - place[0]) / distance, (tip[1] - place[1]) / distance) if distance > 1e-9 else (-1.0, 0.0)
    width = text_width(text, DIMENSION_TEXT)
    sign = 1.0 if place[0] >= tip[0] or (outward is not None and outward[0] >= 0) else -1.0
    shelf = (place[0] + sign * (width + 2), place[1])
    return [
        arrow(tip, outward or away),
        Stroke((tip, place), "dimension"),
        Stroke((place, shelf), "dimension"),
        Text((place[0] + sign * (width / 2 + 1), place[1] + TEXT_RISE), text, DIMENSION_TEXT),
    ]


def leader_items(tip: Point, place: Point) -> list[Item]:
    """A plain leader with its arrowhead at `tip`."""
    distance = math.dist(tip, place)
    away = ((tip[0] - place[0]) / distance, (tip[1] - place[1]) / distance)
    return [arrow(tip, away), Stroke((tip, place), "dimension")]


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
                Stroke(
                    (moved_along(leg, out, EXTENSION_GAP), moved_along(vertex, out, radius + EXTENSION_BEYOND)),
                    "dimension",
                )
            )
    ends = [(first, -1.0), (first + sweep, 1.0)]
    for turn, sense in ends:
        tip = moved_along(vertex, (math.cos(turn), math.sin(turn)), radius)
        items.append(arrow(tip, (-sense * math.sin(turn), sense * math.cos(turn))))
    items.append(Arc(vertex, radius, first, sweep, "dimension"))
    middle = first + sweep / 2
    out = (math.cos(middle), math.sin(middle))
    if unidirectional:
        items.append(
            Text(
                moved_along(moved_along(vertex, out, radius + 3.0), (0.0, -1.0), DIMENSION_TEXT / 2),
                text,
                DIMENSION_TEXT,
            )
        )
        return items
    upright = math.degrees(middle) - 90
    below = math.cos(math.radians(upright)) < -1e-9
    rise = radius + TEXT_RISE + (DIMENSION_TEXT if below else 0.0)
    items.append(Text(moved_along(vertex, out, rise), text, DIMENSION_TEXT, upright + 180 if below else upright))
    return items
