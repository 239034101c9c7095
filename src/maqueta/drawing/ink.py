"""Neutral ink: strokes, arcs, filled shapes and texts in sheet mm, grouped by what they belong to."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from maqueta.drawing.lettering import text_width
from maqueta.drawing.pens import Pen
from maqueta.geometry.box import Box, box_of
from maqueta.geometry.carrier import Circle, Point

Role = Literal[
    "frame",
    "title",
    "construction",
    "view",
    "dimension",
    "mark",
    "cutting-line",
    "circled",
    "sight-arrow",
    "trail",
    "balloon",
    "parts-list",
    "note",
]
Anchor = Literal["start", "middle", "end"]


@dataclass(frozen=True, slots=True)
class Stroke:
    """A polyline; `edges` and `faces` are the model's behind it. `stretches`: its last point follows a drag."""

    points: tuple[Point, ...]
    pen: Pen
    edges: tuple[int, ...] = ()
    faces: tuple[int, ...] = ()
    stretches: bool = False
    kind: Literal["stroke"] = "stroke"


@dataclass(frozen=True, slots=True)
class Arc:
    """A circular arc from angle `start`, counter-clockwise by `sweep` (radians; 2π is a full circle)."""

    centre: Point
    radius: float
    start: float
    sweep: float
    pen: Pen
    edges: tuple[int, ...] = ()
    faces: tuple[int, ...] = ()
    kind: Literal["arc"] = "arc"


@dataclass(frozen=True, slots=True)
class Filled:
    """A filled polygon, such as an arrowhead."""

    points: tuple[Point, ...]
    kind: Literal["filled"] = "filled"


@dataclass(frozen=True, slots=True)
class Tinted:
    """An area in a colour (#rrggbb): rings of points, what two of them enclose is left out."""

    rings: tuple[tuple[Point, ...], ...]
    colour: str
    kind: Literal["tinted"] = "tinted"


@dataclass(frozen=True, slots=True)
class Text:
    """Lettering: `at` is the anchor on the base line, `height` that of capitals, `angle` in degrees."""

    at: Point
    text: str
    height: float
    angle: float = 0.0
    anchor: Anchor = "middle"
    kind: Literal["text"] = "text"


Item = Stroke | Arc | Filled | Tinted | Text


@dataclass(frozen=True, slots=True)
class InkGroup:
    """All ink of one thing on the sheet. `box` is where it lies, `owner` the view it belongs to."""

    id: str
    role: Role
    items: tuple[Item, ...]
    box: Box
    owner: str | None = None


def group(identifier: str, role: Role, items: Sequence[Item], owner: str | None = None) -> InkGroup:
    """A group with its box."""
    return InkGroup(identifier, role, tuple(items), ink_box(items), owner)


def ink_box(items: Sequence[Item]) -> Box:
    """Bounding box of ink, texts included, without line widths."""
    points: list[Point] = []
    for item in items:
        match item:
            case Stroke() | Filled():
                points += item.points
            case Tinted():
                points += [point for ring in item.rings for point in ring]
            case Arc():
                points += Circle(*item.centre, item.radius).outline((item.start, item.start + item.sweep))
            case Text():
                points += text_corners(item)
    return box_of(points) if points else (0.0, 0.0, 0.0, 0.0)


def text_corners(text: Text) -> list[Point]:
    """The four corners of a text on the sheet."""
    width = text_width(text.text, text.height)
    left = {"start": 0.0, "middle": -width / 2, "end": -width}[text.anchor]
    turn = math.radians(text.angle)
    c, s = math.cos(turn), math.sin(turn)
    corners = ((left, 0.0), (left + width, 0.0), (left + width, text.height), (left, text.height))
    return [(text.at[0] + x * c - y * s, text.at[1] + x * s + y * c) for x, y in corners]
