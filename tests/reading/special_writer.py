"""Sheets with special views as other programs might write them: hatching, cutting lines and labels of many kinds."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise
from typing import Literal

from maqueta.drawing.sheet_sizes import SheetSize, sheet_sizes
from maqueta.drawing.special_ink import break_items, hatch_items
from maqueta.geometry.carrier import Point
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.placed import PlacedView, placed_views
from maqueta.sheet.scales import write_scale
from maqueta.sheet.special import CuttingLine
from tests.reading.dxf_writer import Convention, Drawn, Writer, drawn_lines


@dataclass(frozen=True)
class Manner:
    """How a file draws what belongs to special views."""

    name: str
    hatch: Literal["pattern", "strokes", "filled"] = "pattern"
    line: Literal["wide ends", "ends alone", "wide", "chain"] = "wide ends"
    arrows: Literal["from the line", "to the line"] = "from the line"
    heads: Literal["solid", "hatch", "leader", "strokes", "tapered"] = "solid"
    section: str = "{0}-{0}"
    detail: str = "{0} ({1})"
    below: bool = False
    view: str = "{0}"
    long_texts: bool = False
    #: Loose diameters have one arrowhead, at their second end, and run out at the other.
    by_half: bool = False


MANNERS = (
    Manner("letters alone"),
    Manner("arrows of strokes", heads="strokes"),
    Manner("tapered arrows", heads="tapered", line="wide", arrows="to the line"),
    Manner("strokes", hatch="strokes", section="SECTION {0}–{0}", detail="DETAIL {0} {1}"),
    Manner("german", line="ends alone", section="SCHNITT {0}-{0}", detail="EINZELHEIT {0} ({1})", arrows="to the line"),
    Manner("spanish", line="wide", section="CORTE {0}-{0}", detail="DETALLE {0} ESCALA {1}", heads="hatch"),
    Manner("french", line="chain", section="COUPE {0}-{0}", detail="DÉTAIL {0} ÉCHELLE {1}", heads="leader"),
    Manner("turned round", section="{0}-{0} SECTION", detail="{0} DETAIL {1}", below=True, long_texts=True),
    Manner(
        "strokes, ends alone", hatch="strokes", line="ends alone", arrows="to the line", detail="DETAIL {0}\nSCALE {1}"
    ),
    Manner("filled", hatch="filled", line="wide", section="A - A".replace("A", "{0}"), detail="{0}  {1}"),
)


class SpecialWriter(Writer):
    """Writes one sheet with special views in one manner."""

    def __init__(self, how: Convention, manner: Manner) -> None:
        layers = {"hatch": how.layers["size"], "cutting": how.layers["visible"], **how.layers}
        super().__init__(how)
        self.how = Convention(**{**how.__dict__, "layers": layers})
        self.manner = manner

    def special(self, projected: ProjectedPart, sheet: SheetDocument) -> None:
        """Hatching, cutting lines, circles, arrows and labels."""
        placed = {item.view.id: item for item in placed_views(projected, sheet)}
        for item in placed.values():
            self._hatching(item)
            self._label(item)
            if item.view.cut is not None and item.view.cut.form == "broken-out":
                for free in break_items(item):
                    points = [self.at(p) for p in free.points]  # type: ignore[union-attr]
                    self.space.add_lwpolyline(points, dxfattribs=self.attributes("size"))
            if item.view.clip is not None:
                x, y = item.to_sheet(item.view.clip.centre)
                radius = item.view.clip.radius * item.factor
                self.space.add_circle(self.at((x, y)), radius * self.unit, dxfattribs=self.attributes("size"))
        for line in sheet.cutting_lines:
            self._cutting_line(line, placed[line.view])
        for region in sheet.circled:
            item = placed[region.view]
            (x, y), radius = item.to_sheet(region.region.centre), region.region.radius * item.factor
            self.space.add_circle(self.at((x, y)), radius * self.unit, dxfattribs=self.attributes("size"))
            if region.letter:
                self._letters(region.letter, (x + 0.8 * radius + 1, y + 0.8 * radius + 1))
        for own in sheet.sight_arrows:
            tip = placed[own.view].to_sheet(own.tip)
            tail = (tip[0] - 9 * own.way[0], tip[1] - 9 * own.way[1])
            self._arrow(tail, tip)
            if own.letter:
                self._letters(own.letter, (tail[0] - 6 * own.way[0], tail[1] - 6 * own.way[1] - 2.5))

    def _loose(self, size: SheetSize) -> None:
        if not (self.manner.by_half and size.text.startswith("⌀")):
            super()._loose(size)
            return
        (start, _), (end, y) = size.first, size.second
        height, side = size.place[1], math.copysign(1.0, size.place[1] - y)
        self._size_line((end, y + 1.5 * side), (end, height + 2 * side))
        self._size_line((start, height), (end, height))
        base = end - math.copysign(3.0, end - start)
        corners = [self.at(p) for p in ((end, height), (base, height + 0.5), (base, height - 0.5))]
        self.space.add_solid(corners, dxfattribs=self.attributes("size"))
        wide = 0.67 * 3.5 * len(size.text)
        spot = self.at(((start + end - wide) / 2, height + 1.0))
        attributes = {**self.attributes("size"), "height": 3.5 * self.unit, "insert": spot}
        self.space.add_text(size.text, dxfattribs=attributes)

    def _hatching(self, item: PlacedView) -> None:
        for area in item.hatched:
            rings = area.moved(item.move).rings
            if self.manner.hatch == "strokes":
                for stroke in hatch_items([rings], area.angle, area.spacing):
                    ends = [self.at(p) for p in stroke.points]  # type: ignore[union-attr]
                    self.space.add_line(*ends, dxfattribs=self.attributes("hatch"))
                continue
            hatch = self.space.add_hatch(dxfattribs=self.attributes("hatch"))
            if self.manner.hatch == "pattern":
                turn = math.radians(area.angle)
                step = (-area.spacing * self.unit * math.sin(turn), area.spacing * self.unit * math.cos(turn))
                hatch.set_pattern_fill("ANSI31", definition=[[area.angle, (0, 0), step, []]])
            for place, ring in enumerate(rings):
                points = [self.at(p) for p in ring]
                hatch.paths.add_polyline_path(points, is_closed=True, flags=1 if place == 0 else 16)

    def _label(self, item: PlacedView) -> None:
        if item.view.letter is None:
            return
        words = {"section": self.manner.section, "detail": self.manner.detail}.get(item.view.kind, self.manner.view)
        text = words.format(item.view.letter, write_scale(item.view.scale))
        left, bottom, right, top = item.box
        if item.view.clip is not None:
            (x, y), radius = item.to_sheet(item.view.clip.centre), item.view.clip.radius * item.factor
            left, bottom, right, top = x - radius, y - radius, x + radius, y + radius
        wide = 0.67 * 5 * max(map(len, text.split("\n")))
        y = bottom - 11 if self.manner.below else top + 5
        self._letters(text, ((left + right - wide) / 2, y))

    def _letters(self, text: str, at: Point) -> None:
        attributes = self.attributes("text")
        lines = text.split("\n")
        for place, line in enumerate(reversed(lines)):
            spot = self.at((at[0], at[1] + 7 * place))
            if self.manner.long_texts:
                self.space.add_mtext(
                    line, dxfattribs={**attributes, "char_height": 5 * self.unit, "insert": spot, "attachment_point": 7}
                )
            else:
                self.space.add_text(line, dxfattribs={**attributes, "height": 5 * self.unit, "insert": spot})

    def _cutting_line(self, line: CuttingLine, item: PlacedView) -> None:
        points = [item.to_sheet(point) for point in line.path]
        points[0], points[-1] = _beyond(points[1], points[0], 5), _beyond(points[-2], points[-1], 5)
        kind = "cutting" if self.manner.line == "wide" else "centre"
        if self.manner.line != "ends alone":
            for a, b in pairwise(points):
                self.space.add_line(self.at(a), self.at(b), dxfattribs=self.attributes(kind))
        if self.manner.line in ("wide ends", "ends alone"):
            for a, b in pairwise(points):
                wide = min(6.0, math.dist(a, b) / 2)
                for start, end in ((a, _towards(a, b, wide)), (b, _towards(b, a, wide))):
                    self.space.add_line(self.at(start), self.at(end), dxfattribs=self.attributes("cutting"))
        ends = ((points[0], points[1], -1.0, line.letter), (points[-1], points[-2], 1.0, line.other or line.letter))
        for end, inner, sense, letter in ends:
            length = math.dist(end, inner)
            way = ((inner[0] - end[0]) / length * -sense, (inner[1] - end[1]) / length * -sense)
            side = (-way[1], way[0]) if line.arrows == "left" else (way[1], -way[0])
            off = (end[0] + 9 * side[0], end[1] + 9 * side[1])
            back = (end[0] - 9 * side[0], end[1] - 9 * side[1])
            tail, tip = (end, off) if self.manner.arrows == "from the line" else (back, end)
            self._arrow(tail, tip)
            if letter:
                x, y = _beyond(inner, tip if self.manner.arrows == "from the line" else tail, 4.0)
                self._letters(letter, (x - 1.7, y - 2.5))

    def _arrow(self, tail: Point, tip: Point) -> None:
        attributes = self.attributes("size")
        if self.manner.heads == "leader":
            self.space.add_leader([self.at(tip), self.at(tail)], dxfattribs=attributes)
            return
        length = math.dist(tail, tip)
        x, y = ((tip[0] - tail[0]) / length, (tip[1] - tail[1]) / length)
        base = (tip[0] - 3 * x, tip[1] - 3 * y)
        if self.manner.heads == "tapered":
            points = [(*self.at(tail), 0, 0), (*self.at(base), self.unit, 0), (*self.at(tip), 0, 0)]
            self.space.add_lwpolyline(points, format="xyse", dxfattribs=attributes)
            return
        self.space.add_line(self.at(tail), self.at(tip), dxfattribs=attributes)
        corners = [self.at(p) for p in (tip, (base[0] - y / 2, base[1] + x / 2), (base[0] + y / 2, base[1] - x / 2))]
        if self.manner.heads == "strokes":
            for corner in corners[1:]:
                self.space.add_line(corners[0], corner, dxfattribs=attributes)
        elif self.manner.heads == "hatch":
            head = self.space.add_hatch(dxfattribs=attributes)
            head.set_solid_fill()
            head.paths.add_polyline_path(corners, is_closed=True)
        else:
            self.space.add_solid(corners, dxfattribs=attributes)


def _towards(a: Point, b: Point, far: float) -> Point:
    length = math.dist(a, b) or 1.0
    return (a[0] + far * (b[0] - a[0]) / length, a[1] + far * (b[1] - a[1]) / length)


def _beyond(inner: Point, end: Point, far: float) -> Point:
    return _towards(end, inner, -far)


def write_special(
    projected: ProjectedPart,
    sheet: SheetDocument,
    how: Convention,
    manner: Manner,
    drawn: Sequence[Drawn] | None = None,
) -> bytes:
    """A sheet with its special views as a DXF file."""
    writer = SpecialWriter(how, manner)
    writer.frame(sheet)
    writer.lines(drawn if drawn is not None else drawn_lines(projected, sheet))
    writer.special(projected, sheet)
    writer.sizes(list(sheet_sizes(projected, sheet).values()))
    return writer.data(sheet)
