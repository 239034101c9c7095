"""Sheets as SVG files in the manners of different programs, written as text."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final
from xml.sax.saxutils import escape

from maqueta.drawing.ink import Arc, Filled, InkGroup, Stroke, Text
from maqueta.drawing.lettering import font_size
from maqueta.drawing.pens import DASHES, WIDTHS
from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.paper import Layout

Place = tuple[float, float]


@dataclass(frozen=True)
class Program:
    """How a program writes a drawing.

    `unit` is units to a mm; `size` whether the paper's size is said in mm; looks come as attributes, in a style sheet
    (`classes`) or as an element's own style (`styled`); every group is `used` from the definitions; arrowheads are
    `markers`; circles are `paths` of arcs; in a `moved` drawing groups are shifted and turned about.
    """

    name: str
    unit: float = 1.0
    size: bool = True
    classes: bool = False
    styled: bool = False
    used: bool = False
    markers: bool = False
    paths: bool = False
    moved: bool = False


PROGRAMS: Final = (
    Program("attributes"),
    Program("pixels, no size", unit=96 / 25.4, size=False),
    Program("units of a paper, no size", size=False, paths=True),
    Program("style sheet", classes=True),
    Program("own styles, points", unit=72 / 25.4, styled=True),
    Program("references", used=True, classes=True),
    Program("markers", markers=True),
    Program("moved groups", moved=True, styled=True, paths=True),
)


def write_svg(projected: ProjectedPart, sheet: SheetDocument, program: Program) -> bytes:
    """A sheet as an SVG file."""
    return write_strokes(sheet_ink(projected, sheet), sheet.paper.layout, program)


def write_strokes(groups: Sequence[InkGroup], layout: Layout, program: Program) -> bytes:
    """Ink as an SVG file."""
    wide, high = layout.width, layout.height
    writer = _Writer(program, high)
    bodies = [writer.group(group) for group in groups]
    size = f'width="{wide}mm" height="{high}mm" ' if program.size else ""
    head = (
        f'<?xml version="1.0"?>\n<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" '
        f'{size}viewBox="0 0 {wide * program.unit:g} {high * program.unit:g}">'
    )
    rules = "".join(f".{pen.replace(' ', '-')}{{{writer.look(pen)}}}" for pen in WIDTHS) if program.classes else ""
    marker = (
        f'<marker id="head" viewBox="0 0 8 4" refX="8" refY="2" markerWidth="{3.2 * program.unit:g}" '
        f'markerUnits="userSpaceOnUse" orient="auto"><path d="M0 0 L8 2 L0 4 z" fill="#111"/></marker>'
    )
    if program.used:
        defined = "".join(f'<g id="g{k}">{body}</g>' for k, body in enumerate(bodies))
        shown = "".join(f'<use xlink:href="#g{k}"/>' for k in range(len(bodies)))
    else:
        defined, shown = "", "".join(f"<g>{body}</g>" for body in bodies)
    if program.moved:
        shown = (
            f'<g transform="translate(30 -12) rotate(90)"><g transform="rotate(-90) translate(-30,12)">{shown}</g></g>'
        )
    return f"{head}<style>{rules}</style><defs>{marker}{defined}</defs>{shown}</svg>".encode()


class _Writer:
    def __init__(self, program: Program, high: float) -> None:
        self._program, self._high = program, high

    def group(self, group: InkGroup) -> str:
        """All ink of a group; with markers, arrowheads at the end of a line are drawn by that line."""
        heads = [item for item in group.items if isinstance(item, Filled)] if self._program.markers else []
        ends = [item.points[-1] for item in group.items if isinstance(item, Stroke) and len(item.points) == 2]
        drawn = [head for head in heads if any(math.dist(head.points[0], end) < 1e-6 for end in ends)]
        return "".join(self._item(item, heads) for item in group.items if item not in drawn)

    def look(self, pen: str) -> str:
        width, dashes = WIDTHS[pen], DASHES.get(pen, ())  # type: ignore[index,call-overload]
        unit = self._program.unit
        dashed = f"stroke-dasharray:{' '.join(f'{d * unit:g}' for d in dashes)};" if dashes else ""
        return f"fill:none;stroke:#111;stroke-width:{width * unit:g};{dashed}"

    def _looks(self, pen: str) -> str:
        if self._program.classes:
            return f'class="{pen.replace(" ", "-")}"'
        if self._program.styled:
            return f'style="{self.look(pen)}"'
        pairs = (part.split(":") for part in self.look(pen).split(";") if part)
        return " ".join(f'{name}="{value}"' for name, value in pairs)

    def _at(self, point: Place) -> Place:
        return (point[0] * self._program.unit, (self._high - point[1]) * self._program.unit)

    def _points(self, points: Sequence[Place]) -> str:
        return " ".join(f"{x:.5f},{y:.5f}" for x, y in map(self._at, points))

    def _item(self, item: object, heads: Sequence[Filled]) -> str:
        match item:
            case Stroke():
                marks = "".join(
                    f' {name}="url(#head)"'
                    for name, end in (("marker-end", item.points[-1]),)
                    if len(item.points) == 2 and any(math.dist(head.points[0], end) < 1e-6 for head in heads)
                )
                return f'<polyline points="{self._points(item.points)}" {self._looks(item.pen)}{marks}/>'
            case Filled():
                return f'<polygon points="{self._points(item.points)}" fill="#111"/>'
            case Arc():
                return self._arc(item)
            case Text():
                x, y = self._at(item.at)
                size = font_size(item.height) * self._program.unit
                turn = f' transform="rotate({-item.angle:g} {x:.5f} {y:.5f})"' if item.angle else ""
                return (
                    f'<text x="{x:.5f}" y="{y:.5f}" font-size="{size:g}" text-anchor="{item.anchor}"{turn}>'
                    f"{escape(item.text)}</text>"
                )
        raise AssertionError("sheets have no other ink")

    def _arc(self, item: Arc) -> str:
        (x, y), radius = self._at(item.centre), item.radius * self._program.unit
        looks = self._looks(item.pen)
        if item.sweep >= math.tau - 1e-9 and not self._program.paths:
            return f'<circle cx="{x:.5f}" cy="{y:.5f}" r="{radius:.5f}" {looks}/>'
        parts = 2 if item.sweep > math.pi else 1
        angles = [item.start + item.sweep * k / parts for k in range(parts + 1)]
        ends = [(x + radius * math.cos(t), y - radius * math.sin(t)) for t in angles]
        body = "".join(f"A{radius:.5f} {radius:.5f} 0 0 0 {px:.5f} {py:.5f}" for px, py in ends[1:])
        return f'<path d="M{ends[0][0]:.5f} {ends[0][1]:.5f}{body}" {looks}/>'
