"""Sheets as other programs might write them: the same drawing by many conventions, straight through a DXF library."""

import io
import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field
from itertools import pairwise
from typing import Any, Literal

import ezdxf

from maqueta.drawing.sheet_ink import mark_items
from maqueta.drawing.sheet_sizes import SheetSize, sheet_sizes
from maqueta.geometry.carrier import TURN, Circle, Free, Line, Point, line_through
from maqueta.geometry.compare import split
from maqueta.geometry.line_set import Piece
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.paper import TITLE_HEIGHT, TITLE_WIDTH
from maqueta.sheet.placed import placed_views

Kind = Literal["visible", "hidden", "centre"]


@dataclass(frozen=True)
class Convention:
    """How a file says what its lines are. Lengths in mm; `patterns` puts line types on layers or entities."""

    name: str
    layers: dict[str, str] = field(default_factory=dict)
    patterns: Literal["layer", "entity", "none"] = "layer"
    strokes: bool = False
    widths: bool = False
    colours: bool = False
    inch: bool = False
    header_unit: bool = True
    space: Literal["model", "paper", "window"] = "model"
    blocks: bool = False
    polylines: bool = False
    sizes: Literal["entity", "bare", "loose"] = "entity"
    labels: tuple[str, ...] = ("TITLE", "DRAWN BY", "DATE", "SCALE", "MATERIAL")
    inline: bool = True
    origin: Point = (0.0, 0.0)
    dash: tuple[float, float] = (3.0, 1.5)
    chords: bool = False


ENGLISH = {
    "visible": "VISIBLE",
    "hidden": "HIDDEN",
    "centre": "CENTER",
    "size": "DIMENSIONS",
    "border": "BORDER",
    "title": "TITLE",
    "text": "TEXT",
}
SPANISH = {
    "visible": "CONTORNO",
    "hidden": "OCULTAS",
    "centre": "EJES",
    "size": "COTAS",
    "border": "MARCO",
    "title": "CAJETIN",
    "text": "TEXTO",
}
GERMAN = {
    "visible": "Sichtbare_Kanten",
    "hidden": "Verdeckte Kanten",
    "centre": "Mittellinien",
    "size": "Bemaßung",
    "border": "Rahmen",
    "title": "Schriftfeld",
    "text": "Beschriftung",
}
FRENCH = {
    "visible": "ARETES-VUES",
    "hidden": "ARETES-CACHEES",
    "centre": "AXES",
    "size": "COTATION",
    "border": "CADRE",
    "title": "CARTOUCHE",
    "text": "TEXTES",
}
NUMBERED = {kind: f"L{place}" for place, kind in enumerate(ENGLISH)}
NONE: dict[str, str] = dict.fromkeys(ENGLISH, "0")
SPANISH_LABELS = ("TÍTULO", "DIBUJADO POR", "FECHA", "ESCALA", "MATERIAL")
GERMAN_LABELS = ("Benennung", "Gezeichnet", "Datum", "Maßstab", "Werkstoff")
FRENCH_LABELS = ("TITRE", "DESSINÉ PAR", "DATE", "ÉCHELLE", "MATIÈRE")

CONVENTIONS = (
    Convention("english layers", ENGLISH),
    Convention("english layers, no line types", ENGLISH, "none"),
    Convention("spanish layers", SPANISH, labels=SPANISH_LABELS, inline=False),
    Convention("german layers, no line types", GERMAN, "none", labels=GERMAN_LABELS),
    Convention("french layers, inch", FRENCH, inch=True, labels=FRENCH_LABELS),
    Convention("one layer, line types on entities", NONE, "entity"),
    Convention("one layer, inch, line types on entities", NONE, "entity", inch=True, header_unit=False),
    Convention("numbered layers with line types", NUMBERED),
    Convention("strokes on named layers", ENGLISH, "none", strokes=True),
    Convention("strokes on one layer", NONE, "none", strokes=True),
    Convention("strokes on numbered layers", NUMBERED, "none", strokes=True, dash=(4.0, 1.0)),
    Convention("widths only", NONE, "none", widths=True, strokes=True),
    Convention("widths and no dashes", NUMBERED, "none", widths=True),
    Convention("colours only", NONE, "none", colours=True),
    Convention("paper space", ENGLISH, space="paper"),
    Convention("windows on the model", ENGLISH, space="window"),
    Convention("blocks", ENGLISH, blocks=True),
    Convention("polylines", SPANISH, polylines=True),
    Convention("sizes without a picture", ENGLISH, sizes="bare"),
    Convention("sizes as loose lines", ENGLISH, sizes="loose"),
    Convention("sheet drawn far from the origin", GERMAN, origin=(1234.5, -321.0)),
    Convention("one layer, sizes as loose lines", NONE, "entity", sizes="loose"),
    Convention("one layer, strokes, sizes as loose lines", NONE, "none", strokes=True, sizes="loose"),
    Convention("curves as chords", ENGLISH, chords=True),
    Convention("one layer, curves as chords", NONE, "entity", chords=True),
)


@dataclass(frozen=True)
class Drawn:
    """One line of a sheet in sheet mm, with the view it belongs to."""

    view: str
    kind: Kind
    piece: Piece


def drawn_lines(projected: ProjectedPart, sheet: SheetDocument) -> list[Drawn]:
    """All lines of the views and their centre lines."""
    lines: list[Drawn] = []
    placed = {item.view.id: item for item in placed_views(projected, sheet)}
    for name, item in placed.items():
        for piece in item.drawn:
            kind: Kind = "hidden" if piece.kind == "hidden" else "visible"
            lines.append(Drawn(name, kind, piece.moved(item.move)))
    for mark in sheet.marks:
        for stroke in mark_items(mark, placed[mark.view]):
            (x0, y0), (x1, y1) = stroke.points  # type: ignore[union-attr]
            carrier, reach = line_through((x0, y0), (x1, y1))
            # Where lines coincide a centre line is not drawn (ISO 128-2, ASME Y14.2, from memory).
            over = [line.piece for line in lines if line.view == mark.view and line.kind != "centre"]
            _, bare = split([Piece("visible", carrier, reach, (), ())], over, 0.05)
            lines += [Drawn(mark.view, "centre", piece) for piece in bare]
    return lines


class Writer:
    """Writes one sheet by one convention."""

    def __init__(self, how: Convention) -> None:
        self.how = how
        self.unit = 1 / 25.4 if how.inch else 1.0
        self.document: Any = ezdxf.new("R2010", setup=True)
        self.document.header["$INSUNITS"] = (1 if how.inch else 4) if how.header_unit else 0
        patterns = {"hidden": "HIDDEN", "centre": "CENTER"}
        for kind, layer in how.layers.items():
            if layer not in self.document.layers:
                self.document.layers.add(layer)
            if how.patterns == "layer" and kind in patterns and layer != "0":
                self.document.layers.get(layer).dxf.linetype = patterns[kind]
        self.space: Any = self.document.modelspace() if how.space != "paper" else self.document.layout("Layout1")
        self.sheet_space: Any = self.space if how.space == "model" else self.document.layout("Layout1")

    def at(self, point: Point, scale: float = 1.0) -> Point:
        x, y = point
        return ((x + self.how.origin[0]) * self.unit * scale, (y + self.how.origin[1]) * self.unit * scale)

    def attributes(self, kind: str) -> dict[str, Any]:
        how = self.how
        result: dict[str, Any] = {"layer": how.layers[kind]}
        if how.patterns == "entity" and kind in ("hidden", "centre"):
            result["linetype"] = {"hidden": "DASHED", "centre": "CENTER"}[kind]
        if how.widths:
            result["lineweight"] = 50 if kind in ("visible", "border") else 25
        if how.colours:
            result["color"] = {"visible": 7, "hidden": 3, "centre": 1, "size": 2, "border": 7, "title": 4}.get(kind, 6)
        return result

    def lines(self, drawn: Sequence[Drawn]) -> None:
        targets: dict[str, Any] = {}
        for item in drawn:
            target = self.space
            if self.how.blocks:
                if item.view not in targets:
                    targets[item.view] = self.document.blocks.new(f"part of {item.view}")
                    self.space.add_blockref(f"part of {item.view}", (0, 0))
                target = targets[item.view]
            for piece in self._strokes(item):
                self._piece(target, piece, self.attributes(item.kind))

    def _strokes(self, item: Drawn) -> Iterator[Piece]:
        if not self.how.strokes or item.kind == "visible" or isinstance(item.piece.carrier, Free):
            yield item.piece
            return
        dash, gap = self.how.dash
        pattern = [dash, gap] if item.kind == "hidden" else [8.0, gap, 1.0, gap]
        carrier = item.piece.carrier
        rate = carrier.radius if isinstance(carrier, Circle) else 1.0
        place, end, step = item.piece.interval[0], item.piece.interval[1], 0
        while place < end - 1e-6:
            reach = min(end, place + pattern[step % len(pattern)] / rate)
            if step % 2 == 0:
                yield Piece("visible", carrier, (place, reach), (), ())
            place, step = reach, step + 1

    def _piece(self, target: Any, piece: Piece, attributes: dict[str, Any]) -> None:
        carrier, (start, end) = piece.carrier, piece.interval
        if isinstance(carrier, Line):
            ends = [self.at(p) for p in piece.ends]
            if self.how.polylines:
                target.add_lwpolyline(ends, dxfattribs=attributes)
            else:
                target.add_line(*ends, dxfattribs=attributes)
        elif self.how.chords:
            rim = [carrier.point(start + (end - start) * k / 48) for k in range(49)]
            rim = list(carrier.points) if isinstance(carrier, Free) else rim
            target.add_lwpolyline([self.at(p) for p in rim], dxfattribs=attributes)
        elif isinstance(carrier, Circle):
            centre, radius = self.at((carrier.x, carrier.y)), carrier.radius * self.unit
            if end - start >= TURN - 1e-9:
                target.add_circle(centre, radius, dxfattribs=attributes)
            else:
                target.add_arc(centre, radius, math.degrees(start), math.degrees(end), dxfattribs=attributes)
        else:
            points = [self.at(p) for p in piece.outline()]
            target.add_spline(points, dxfattribs=attributes)

    def frame(self, sheet: SheetDocument, paper_edge: bool = True) -> None:
        layout = sheet.paper.layout
        self._box(layout.border, "border")
        if paper_edge:
            self._box((0.0, 0.0, layout.width, layout.height), "border")
        x1, y0 = layout.border[2], layout.border[1]
        x0, y1 = x1 - TITLE_WIDTH, y0 + TITLE_HEIGHT
        self._line((x0, y0), (x0, y1), "title")
        self._line((x0, y1), (x1, y1), "title")
        fields = ("title", "drafter", "date", "scale", "material")
        row = (y1 - y0) / len(fields)
        for place, (label, name) in enumerate(zip(self.how.labels, fields, strict=True)):
            y = y1 - (place + 1) * row
            if place < len(fields) - 1:
                self._line((x0, y), (x1, y), "title")
            value = sheet.title.fields.get(name, "")  # type: ignore[call-overload]
            if self.how.inline:
                self._text(f"{label}: {value}", (x0 + 2, y + 2), 3.0)
            else:
                self._text(label, (x0 + 2, y + 2), 2.0)
                if value:
                    self._text(value, (x0 + 45, y + 2), 3.0)
        if sheet.title.angle is not None:
            words = "THIRD ANGLE PROJECTION" if sheet.title.angle == "third" else "FIRST ANGLE PROJECTION"
            self._text(words, (x0 + 100, y0 + 2), 3.0)

    def _box(self, box: tuple[float, float, float, float], kind: str) -> None:
        left, bottom, right, top = box
        corners = [(left, bottom), (right, bottom), (right, top), (left, top), (left, bottom)]
        for p, q in pairwise(corners):
            self._line(p, q, kind)

    def _line(self, p: Point, q: Point, kind: str) -> None:
        self.sheet_space.add_line(self.at(p), self.at(q), dxfattribs=self.attributes(kind))

    def _text(self, text: str, at: Point, height: float) -> None:
        attributes = {**self.attributes("text"), "height": height * self.unit, "insert": self.at(at)}
        self.sheet_space.add_text(text, dxfattribs=attributes)

    def sizes(self, sizes: Sequence[SheetSize]) -> None:
        for size in sizes:
            attributes = self.attributes("size")
            place = self.at(size.place)
            if size.kind == "linear":
                if self.how.sizes == "loose":
                    self._loose(size)
                    continue
                entity = self.space.add_linear_dim(
                    base=place,
                    p1=self.at(size.first),
                    p2=self.at(size.second),
                    angle=math.degrees(size.turn),
                    text=size.text,
                    dxfattribs=attributes,
                )
            elif size.kind == "chamfer":
                self._leader(((size.first[0] + size.second[0]) / 2, (size.first[1] + size.second[1]) / 2), size)
                continue
            elif size.kind == "angle":
                if self.how.sizes == "loose":
                    self._loose_angle(size)
                    continue
                assert size.vertex is not None
                entity = self.space.add_angular_dim_3p(
                    base=place,
                    center=self.at(size.vertex),
                    p1=self.at(size.first),
                    p2=self.at(size.second),
                    text=size.text,
                    dxfattribs=attributes,
                )
            elif self.how.sizes == "loose":
                self._leader(size.second, size)
                continue
            elif size.kind == "radius":
                entity = self.space.add_radius_dim(
                    center=self.at(size.first),
                    radius=math.dist(size.first, size.second) * self.unit,
                    angle=math.degrees(math.atan2(size.second[1] - size.first[1], size.second[0] - size.first[0])),
                    location=place,
                    text=size.text,
                    dxfattribs=attributes,
                )
            else:
                entity = self.space.add_diameter_dim(
                    center=self.at(size.first),
                    radius=math.dist(size.first, size.second) * self.unit,
                    angle=math.degrees(math.atan2(size.second[1] - size.first[1], size.second[0] - size.first[0])),
                    location=place,
                    text=size.text,
                    dxfattribs=attributes,
                )
            if self.how.sizes == "entity":
                entity.render()

    def _loose(self, size: SheetSize) -> None:
        """A linear dimension taken to pieces: extension lines, dimension line, two filled arrowheads, text."""
        dx, dy = math.cos(size.turn), math.sin(size.turn)
        nx, ny = -dy, dx
        height = size.place[0] * nx + size.place[1] * ny
        feet = []
        for point in (size.first, size.second):
            rise = height - (point[0] * nx + point[1] * ny)
            foot = (point[0] + nx * rise, point[1] + ny * rise)
            feet.append(foot)
            way = math.copysign(1.0, rise)
            if abs(rise) > 1.5:
                start = (point[0] + nx * way * 1.5, point[1] + ny * way * 1.5)
                end = (foot[0] + nx * way * 2, foot[1] + ny * way * 2)
                self._size_line(start, end)
        self._size_line(*feet)
        (ax, ay), (bx, by) = feet
        length = math.dist(*feet) or 1.0
        ux, uy = (bx - ax) / length, (by - ay) / length
        for (tx, ty), sense in ((feet[0], 1.0), (feet[1], -1.0)):
            base = (tx + sense * 3 * ux, ty + sense * 3 * uy)
            corners = [(tx, ty), (base[0] - 0.5 * uy, base[1] + 0.5 * ux), (base[0] + 0.5 * uy, base[1] - 0.5 * ux)]
            self.space.add_solid([self.at(p) for p in corners], dxfattribs=self.attributes("size"))
        middle = ((ax + bx) / 2 + nx * 1.0, (ay + by) / 2 + ny * 1.0)
        turn = math.degrees(size.turn)
        wide = 0.67 * 3.5 * len(size.text)
        at = (middle[0] - dx * wide / 2, middle[1] - dy * wide / 2)
        attributes = {**self.attributes("size"), "height": 3.5 * self.unit, "rotation": turn, "insert": self.at(at)}
        self.space.add_text(size.text, dxfattribs=attributes)

    def _leader(self, tip: Point, size: SheetSize) -> None:
        """A leader of two loose lines with its note, as it is drawn by hand."""
        # A little off the grid of the views, so that it does not run along one of their lines.
        (x, y), side = (size.place[0], size.place[1] + 0.37), 1.0 if size.place[0] >= tip[0] else -1.0
        elbow = (x - side * 5.0, y)
        self._size_line(tip, elbow)
        self._size_line(elbow, (x, y))
        wide = 0.67 * 3.5 * len(size.text)
        at = (x + 1.0 if side > 0 else x - 1.0 - wide, y - 1.75)
        attributes = {**self.attributes("size"), "height": 3.5 * self.unit, "insert": self.at(at)}
        self.space.add_text(size.text, dxfattribs=attributes)

    def _loose_angle(self, size: SheetSize) -> None:
        """An angle taken to pieces: both legs produced to an arc between them, and a text with its degrees."""
        assert size.vertex is not None
        vx, vy = size.vertex
        reach = math.dist(size.place, size.vertex)
        turns = [math.atan2(p[1] - vy, p[0] - vx) for p in (size.first, size.second)]
        if (turns[1] - turns[0]) % TURN > math.pi:
            turns.reverse()
        for turn, point in zip(turns, (size.first, size.second), strict=True):
            far = math.dist(point, size.vertex)
            if reach > far:
                start = (vx + (far + 1.5) * math.cos(turn), vy + (far + 1.5) * math.sin(turn))
                self._size_line(start, (vx + (reach + 2) * math.cos(turn), vy + (reach + 2) * math.sin(turn)))
        degrees = [math.degrees(turn) for turn in turns]
        attributes = self.attributes("size")
        self.space.add_arc(self.at(size.vertex), reach * self.unit, *degrees, dxfattribs=attributes)
        middle = turns[0] + ((turns[1] - turns[0]) % TURN) / 2
        at = (vx + (reach + 3) * math.cos(middle), vy + (reach + 3) * math.sin(middle) - 1.75)
        note = {**attributes, "height": 3.5 * self.unit, "insert": self.at(at)}
        self.space.add_text(size.text, dxfattribs=note)

    def _size_line(self, p: Point, q: Point) -> None:
        self.space.add_line(self.at(p), self.at(q), dxfattribs=self.attributes("size"))

    def data(self, sheet: SheetDocument) -> bytes:
        if self.how.space == "window":
            layout = sheet.paper.layout
            width, height = layout.width * self.unit, layout.height * self.unit
            self.sheet_space.add_viewport(
                center=self.at((layout.width / 2, layout.height / 2)),
                size=(width, height),
                view_center_point=self.at((layout.width / 2, layout.height / 2)),
                view_height=height,
            )
        target = io.StringIO()
        self.document.write(target)
        return target.getvalue().encode("utf-8")


def write_sheet(
    projected: ProjectedPart, sheet: SheetDocument, how: Convention, drawn: Sequence[Drawn] | None = None
) -> bytes:
    """A sheet as a DXF file by a convention; `drawn` replaces its lines, for planted mistakes."""
    writer = Writer(how)
    writer.frame(sheet)
    writer.lines(drawn if drawn is not None else drawn_lines(projected, sheet))
    writer.sizes(list(sheet_sizes(projected, sheet).values()))
    return writer.data(sheet)
