"""A DXF file as strokes, words and sizes in mm on paper, by a general DXF library.

The file is hostile: entity counts, nesting and coordinates are bounded, and nothing is dropped silently.
"""

import io
import itertools
import math
import re
import tempfile
from collections import Counter
from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace
from typing import Any, Final

import ezdxf
from ezdxf import recover
from ezdxf.tools.text import fast_plain_mtext

from maqueta.geometry.box import box_of
from maqueta.geometry.carrier import Point, Similarity
from maqueta.geometry.line_set import Piece, extremes
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.phrases.said import said
from maqueta.reading.content import Content, Pointer, Size, Stroke, Style, Words, lettering_width
from maqueta.reading.dxf.curves import carriers, point_of
from maqueta.reading.dxf.dimension import size_of
from maqueta.reading.dxf.hatch import hatched_areas
from maqueta.reading.errors import UnreadableSheetError
from maqueta.reading.limits import MOST_STROKES, large_enough, usable
from maqueta.sheet.special import Hatching

MOST_ENTITIES: Final = 40_000
#: Entities looked at, copies from blocks included.
_MOST_LOOKS: Final = 100_000
#: Coordinates beyond this (mm) are those of a sheet drawn somewhere in the plane.
_FAR: Final = 5000.0
_DEEPEST: Final = 12
#: Copies of one block in rows and columns, and points of one curve, that are followed.
_MOST_COPIES: Final = 400
_MOST_POINTS: Final = 4000
_MOST_AREAS: Final = 400
_ENTITY: Final = re.compile(rb"\n[ \t]*0[ \t]*\r?\n[ \t]*[A-Z3][A-Z0-9_]+[ \t]*\r?(?=\n)")
_MM_PER_UNIT: Final = {1: 25.4, 2: 304.8, 4: 1.0, 5: 10.0, 6: 1000.0}
#: The longest paper in common use is 1189 mm (A0, ISO 216): a sheet smaller than this in file units is in inches.
_INCHES_BELOW: Final = 60.0
_UNREAD_ON_PURPOSE: Final = {"VIEWPORT", "ATTDEF", "SEQEND"}


def read_dxf(data: bytes, blank: bool = False) -> Content:
    """Read a DXF file. Raises UnreadableSheetError with one line for people.

    In a `blank` one, attributes that wait to be filled in are words too: their tags name fields.
    """
    document = _open(data)
    spaces = _spaces(document)
    layers = {layer.dxf.name.lower(): layer for layer in document.layers}
    collector = _Collector(document, layers, blank)
    for window in spaces.windows:
        collector.through(window, spaces.shown)
    collector.collect(spaces.entities)
    content = collector.content(_millimetres(document, collector))
    return replace(content, not_read=(*content.not_read, *spaces.left_aside))


def _open(data: bytes) -> Any:
    large_enough(data)
    if b"\x00" in data[:4096] or b"SECTION" not in data[:65536]:
        raise UnreadableSheetError(phrase("sheet-file-no-dxf"))
    count = sum(1 for _ in itertools.islice(_ENTITY.finditer(data), 8 * MOST_ENTITIES))
    if count > MOST_ENTITIES:
        raise UnreadableSheetError(phrase("sheet-file-entities", most=MOST_ENTITIES))
    try:
        return _loaded(data)
    except Exception as error:  # the library raises whatever broken files drive it to
        raise UnreadableSheetError(phrase("sheet-file-broken")) from error


def _loaded(data: bytes) -> Any:
    """The library's document: read as it stands, else with its recovery of damaged files."""
    with tempfile.NamedTemporaryFile(suffix=".dxf") as scratch:
        scratch.write(data)
        scratch.flush()
        try:
            return ezdxf.readfile(scratch.name)
        except Exception:
            # The recovery drops entities it does not like, such as dimensions without a picture of their own.
            document, _ = recover.read(io.BytesIO(data))
            return document


@dataclass(frozen=True)
class _Spaces:
    """What the sheet is drawn with: entities, windows on model space with what they show, and what is left aside."""

    entities: Sequence[Any]
    windows: Sequence[Any] = ()
    shown: Sequence[Any] = ()
    left_aside: tuple[Phrase, ...] = ()


def _spaces(document: Any) -> _Spaces:
    """The sheet is drawn in paper space where that has windows on the model, or more in it than model space."""
    model = list(document.modelspace())
    aside: list[Phrase] = []
    for name in document.layout_names_in_taborder():
        if name == "Model":
            continue
        paper = list(document.layout(name))
        drawn = [entity for entity in paper if entity.dxftype() != "VIEWPORT"]
        windows = [e for e in paper if e.dxftype() == "VIEWPORT" and e.dxf.get("id", 2) != 1 and e.dxf.get("status", 1)]
        if windows and model:
            return _Spaces(drawn, windows, model)
        if len(drawn) > len(model):
            left = (phrase("unread-model-space", count=len(model)),) if model else ()
            return _Spaces(drawn, left_aside=left)
        if drawn:
            aside.append(phrase("unread-paper-space", name=name, count=len(drawn)))
    return _Spaces(model, left_aside=tuple(aside))


class _Collector:
    """Walks through entities and blocks and keeps what a sheet is made of, in file units."""

    def __init__(self, document: Any, layers: dict[str, Any], blank: bool = False) -> None:
        self._blank = blank
        self._document = document
        self._layers = layers
        self._patterns: dict[str, tuple[float, ...]] = {}
        self.strokes: list[Stroke] = []
        self.words: list[Words] = []
        self.sizes: list[Size] = []
        self.pointers: list[Pointer] = []
        self.filled: list[tuple[Point, ...]] = []
        self.hatched: list[Hatching] = []
        self._unread: Counter[Phrase] = Counter()
        self._looks = 0

    def collect(self, entities: Iterable[Any]) -> None:
        """Take in entities of the sheet."""
        for entity in entities:
            self._take(entity, None, ())

    def through(self, window: Any, entities: Iterable[Any]) -> None:
        """Take in what a window on the model shows, at the window's place and scale."""
        scale = window.dxf.height / window.dxf.view_height if window.dxf.get("view_height", 0) else 1.0
        x, y = window.dxf.view_center_point[0], window.dxf.view_center_point[1]
        target = window.dxf.get("view_target_point", (0, 0, 0))
        move = Similarity(
            scale, 0.0, window.dxf.center[0] - scale * (x + target[0]), window.dxf.center[1] - scale * (y + target[1])
        )
        half = (window.dxf.width / 2 * 1.001, window.dxf.height / 2 * 1.001)
        inner = _Collector(self._document, self._layers, self._blank)
        inner.collect(entities)
        moved = inner.found.moved(move)

        def shown(point: Point) -> bool:
            return bool(
                abs(point[0] - window.dxf.center[0]) <= half[0] and abs(point[1] - window.dxf.center[1]) <= half[1]
            )

        self.strokes += [m for m in moved.strokes if all(shown(p) for p in m.piece.ends)]
        self.words += [w for w in moved.words if shown(w.at)]
        self.sizes += [s for s in moved.sizes if shown(s.first)]
        self.pointers += [p for p in moved.pointers if shown(p.points[0])]
        self.filled += [shape for shape in moved.filled if shown(shape[0])]
        self.hatched += [area for area in moved.hatched if shown(area.rings[0][0])]
        self._unread += inner._unread

    @property
    def found(self) -> Content:
        """What was collected, in file units."""
        return Content(
            tuple(self.strokes),
            tuple(self.words),
            tuple(self.sizes),
            tuple(self.pointers),
            tuple(self.filled),
            (),
            tuple(self.hatched),
        )

    def content(self, unit: float) -> Content:
        """Everything in mm; `unit` is mm per file unit. A sheet drawn far from the origin is brought to it."""
        left, bottom, right, top = box_of(p for stroke in self.strokes for p in extremes(stroke.piece))
        far = max(abs(left), abs(bottom), abs(right), abs(top)) * unit > _FAR
        x, y = (-left * unit, -bottom * unit) if far else (0.0, 0.0)
        moved = self.found.moved(Similarity(unit, 0.0, x, y))
        counted = sorted(self._unread.items(), key=lambda entry: said(entry[0]))
        unread = [phrase("unread-counted", what=what, count=number) for what, number in counted]
        return replace(moved, not_read=tuple(unread))

    def _take(self, entity: Any, parent: Style | None, inside: tuple[str, ...]) -> None:
        kind = entity.dxftype()
        style = self._style(entity, parent)
        layer = self._layers.get(style.layer.lower())
        if layer is not None and (layer.is_off() or layer.is_frozen()):
            self._unread[phrase("unread-switched-off", kind=kind, layer=style.layer)] += 1
            return
        if style.layer.lower() == "defpoints" or entity.dxf.get("invisible", 0):
            return
        self._looks += 1
        if len(self.strokes) > MOST_STROKES or self._looks > _MOST_LOOKS:
            raise UnreadableSheetError(phrase("sheet-lines", most=MOST_STROKES))
        try:
            if kind == "INSERT":
                self._insert(entity, style, inside)
            elif kind == "DIMENSION":
                self._dimension(entity)
            elif kind in ("TEXT", "ATTRIB") or (kind == "ATTDEF" and self._blank):
                self._text(entity, style)
            elif kind == "MTEXT":
                self._long_text(entity, style)
            elif kind in ("LEADER", "MULTILEADER"):
                self._leader(entity)
            elif kind in ("SOLID", "TRACE"):
                self.filled.append(tuple((float(v.x), float(v.y)) for v in entity.wcs_vertices()))
            elif kind == "HATCH":
                self._hatch(entity)
            elif kind in _UNREAD_ON_PURPOSE:
                return
            else:
                self._curve(entity, kind, style)
        except UnreadableSheetError:
            raise
        except (ezdxf.DXFError, ValueError, ArithmeticError, KeyError, IndexError, AttributeError, TypeError):
            self._unread[phrase("unread-damaged", kind=kind)] += 1

    def _style(self, entity: Any, parent: Style | None) -> Style:
        layer_name = str(entity.dxf.get("layer", "0"))
        if parent is not None and layer_name == "0":
            layer_name = parent.layer
        layer = self._layers.get(layer_name.lower())
        name = str(entity.dxf.get("linetype", "BYLAYER")).upper()
        own = name not in ("BYLAYER", "BYBLOCK")
        if name == "BYBLOCK" and parent is not None:
            name, own = parent.pattern_name, True
        elif not own:
            name = str(layer.dxf.linetype).upper() if layer is not None else "CONTINUOUS"
        width = int(entity.dxf.get("lineweight", -1))
        if width == -2 and parent is not None:
            width = parent.width if parent.width is not None else -3
        if width == -1:
            width = int(layer.dxf.get("lineweight", -3)) if layer is not None else -3
        colour = int(entity.dxf.get("color", 256))
        if colour == 0 and parent is not None:
            colour = parent.colour
        if colour == 256:
            colour = abs(int(layer.dxf.color)) if layer is not None else 7
        pattern = self._pattern(name)
        plain = own and not pattern and layer is not None and bool(self._pattern(str(layer.dxf.linetype).upper()))
        return Style(layer_name, pattern, name, plain, width if width >= 0 else None, colour)

    def _pattern(self, name: str) -> tuple[float, ...]:
        if name not in self._patterns:
            lengths: tuple[float, ...] = ()
            if name in self._document.linetypes:
                tags = self._document.linetypes.get(name).pattern_tags.tags
                lengths = tuple(float(tag.value) for tag in tags if tag.code == 49)
            self._patterns[name] = lengths
        return self._patterns[name]

    def _insert(self, entity: Any, style: Style, inside: tuple[str, ...]) -> None:
        name = str(entity.dxf.name).lower()
        if name in inside or len(inside) >= _DEEPEST:
            self._unread[phrase("unread-endless", block=entity.dxf.name)] += 1
            return
        for attribute in entity.attribs:
            if not attribute.is_invisible:
                self._take(attribute, style, inside)
        copies = entity.multi_insert() if entity.mcount > 1 else (entity,)
        if entity.mcount > _MOST_COPIES:
            self._unread[phrase("unread-copies", block=entity.dxf.name)] += entity.mcount - _MOST_COPIES
        for copy in itertools.islice(copies, _MOST_COPIES):
            for child in copy.virtual_entities():
                self._take(child, style, (*inside, name))

    def _text(self, entity: Any, style: Style) -> None:
        text = entity.plain_text() if entity.dxftype() == "TEXT" else str(entity.dxf.text)
        if entity.dxftype() == "ATTDEF":
            text = text or str(entity.dxf.tag)
        place = entity.dxf.get("insert", (0, 0, 0))
        height = float(entity.dxf.get("height", 2.5))
        at = (float(place[0]), float(place[1]))
        halign, valign = int(entity.dxf.get("halign", 0)), int(entity.dxf.get("valign", 0))
        if (halign or valign) and entity.dxf.hasattr("align_point"):
            point = entity.dxf.align_point
            share = {1: 0.5, 2: 1.0, 4: 0.5}.get(halign, 0.0)
            drop = {2: 0.5, 3: 1.0}.get(valign, 0.5 if halign == 4 else 0.0)
            turn = math.radians(float(entity.dxf.get("rotation", 0.0)))
            back, down = share * lettering_width(text, height), drop * height
            at = (
                float(point[0]) - back * math.cos(turn) + down * math.sin(turn),
                float(point[1]) - back * math.sin(turn) - down * math.cos(turn),
            )
            if halign in (3, 5):
                at = (float(place[0]), float(place[1]))
        tag = str(entity.dxf.tag) if entity.dxftype() in ("ATTRIB", "ATTDEF") else ""
        self._say(text, at, height, float(entity.dxf.get("rotation", 0.0)), style, tag)

    def _long_text(self, entity: Any, style: Style) -> None:
        lines = entity.plain_text(split=True)
        height = float(entity.dxf.get("char_height", 2.5))
        turn = entity.get_rotation()
        angle = math.radians(turn)
        corner = int(entity.dxf.get("attachment_point", 1))
        column, row = (corner - 1) % 3, (corner - 1) // 3
        pitch = 1.66 * height * float(entity.dxf.get("line_spacing_factor", 1.0))
        whole = height + pitch * (len(lines) - 1)
        x, y = float(entity.dxf.insert[0]), float(entity.dxf.insert[1])
        for index, line in enumerate(lines):
            back = (0.0, 0.5, 1.0)[column] * lettering_width(line, height)
            down = height + index * pitch - (0.0, 0.5, 1.0)[row] * whole
            at = (
                x - back * math.cos(angle) + down * math.sin(angle),
                y - back * math.sin(angle) - down * math.cos(angle),
            )
            self._say(line, at, height, turn, style)

    def _say(self, text: str, at: Point, height: float, turn: float, style: Style, tag: str = "") -> None:
        usable(at)
        if text.strip():
            self.words.append(Words(text.strip()[:200], at, height, turn, style, tag))

    def _dimension(self, entity: Any) -> None:
        size = size_of(entity)
        if size is None:
            self._unread[phrase("unread-arc-length")] += 1
        else:
            self.sizes.append(size)

    def _leader(self, entity: Any) -> None:
        if entity.dxftype() == "LEADER":
            points = tuple(point_of(vertex) for vertex in entity.vertices)
            if len(points) >= 2:
                self.pointers.append(Pointer(points))
            return
        text = entity.context.mtext
        note = fast_plain_mtext(text.default_content) if text is not None else ""
        for leader in entity.context.leaders:
            for line in leader.lines:
                last = point_of(leader.last_leader_point) if leader.last_leader_point else point_of(line.vertices[-1])
                points = (*(point_of(vertex) for vertex in line.vertices), last)
                if len(points) >= 2:
                    self.pointers.append(Pointer(points, " ".join(note.split())))

    def _hatch(self, entity: Any) -> None:
        """A small filled triangle is an arrowhead."""
        paths = list(entity.paths)
        corners = list(getattr(paths[0], "vertices", ())) if len(paths) == 1 else []
        if entity.dxf.get("solid_fill", 0) and len(corners) == 3:
            self.filled.append(tuple(point_of(corner) for corner in corners))
            return
        areas = hatched_areas(entity)
        self.hatched += areas
        if not areas or len(self.hatched) > _MOST_AREAS:
            self._unread[phrase("unread-entity", kind="HATCH")] += 1
            del self.hatched[_MOST_AREAS:]

    def _curve(self, entity: Any, kind: str, style: Style) -> None:
        if kind not in ("LINE", "CIRCLE", "ARC", "ELLIPSE", "LWPOLYLINE", "POLYLINE", "SPLINE"):
            self._unread[phrase("unread-entity", kind=kind)] += 1
            return
        if (points := _points_of(entity, kind)) > _MOST_POINTS:
            raise UnreadableSheetError(phrase("sheet-curve-points", points=points, most=_MOST_POINTS))
        if kind in ("LWPOLYLINE", "POLYLINE"):
            if kind == "LWPOLYLINE" and entity.dxf.get("const_width", 0.0) > 0:
                style = replace(style, width=round(100 * entity.dxf.const_width))
            if kind == "LWPOLYLINE":
                self.filled += _tapered(entity)
            for part in entity.virtual_entities():
                self._curve(part, part.dxftype(), style)
            return
        for carrier, interval in carriers(entity, kind):
            piece = Piece("visible", carrier, interval, (), ())
            for point in piece.ends:
                usable(point)
            if piece.length > 0:
                self.strokes.append(Stroke(piece, style))


def _tapered(entity: Any) -> list[tuple[Point, ...]]:
    """Stretches of a polyline that run out into a point: arrowheads."""
    found: list[tuple[Point, ...]] = []
    for (ax, ay, start, end), (bx, by, *_) in itertools.pairwise(entity.get_points("xyse")):
        length = math.hypot(bx - ax, by - ay)
        if length == 0 or (start > 0) == (end > 0):
            continue
        (tx, ty), (px, py), width = ((bx, by), (ax, ay), start) if start > 0 else ((ax, ay), (bx, by), end)
        nx, ny = -(by - ay) / length * width / 2, (bx - ax) / length * width / 2
        found.append(((tx, ty), (px + nx, py + ny), (px - nx, py - ny)))
    return found


def _points_of(entity: Any, kind: str) -> int:
    """How many points a curve is given by."""
    if kind in ("LWPOLYLINE", "POLYLINE"):
        return len(entity)
    return max(len(entity.control_points), len(entity.fit_points)) if kind == "SPLINE" else 2


def _millimetres(document: Any, collector: _Collector) -> float:
    """Mm per file unit: the header's unit unless the size of the drawing speaks against it."""
    points = [p for stroke in collector.strokes for p in extremes(stroke.piece)]
    if not points:
        raise UnreadableSheetError(phrase("sheet-file-without-lines"))
    spread = max(max(c) - min(c) for c in zip(*points, strict=True))
    stated = _MM_PER_UNIT.get(int(document.header.get("$INSUNITS", 0)))
    if stated is not None and 40.0 <= spread * stated <= 3000.0:
        return stated
    return 25.4 if spread < _INCHES_BELOW else 1.0
