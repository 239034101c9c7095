"""The elements of an SVG drawing, group by group, as strokes, filled shapes and words in mm on paper."""

import math
from collections import Counter
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from typing import Any, Final

import shapely
from shapely.geometry import Polygon
from svgelements import Arc, Close, CubicBezier, Line, Matrix, Move, Path, QuadraticBezier

from maqueta.geometry.carrier import Point
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.reading.content import Shape, Stroke, Style, Words
from maqueta.reading.drawn_paths import Paper, Stretch, Subpath, clipped, filled_shapes, strokes_of
from maqueta.reading.errors import UnreadableSheetError
from maqueta.reading.kinds import kind_of
from maqueta.reading.limits import MOST_STROKES, usable
from maqueta.reading.svg.style import Look, Rule, colour_of, hidden, lengths_of, look_of, rules_of, unseen
from maqueta.reading.svg.text import lines_of
from maqueta.sheet.special import Hatching

#: Elements looked at, those drawn by reference included, and how deep they lie within one another.
MOST_ELEMENTS, DEEPEST = 60_000, 60
_GROUPS: Final = frozenset(("svg", "g", "a", "switch", "symbol", "marker"))
#: What is defined but not drawn where it stands, and what is never looked into.
_ASIDE: Final = frozenset(
    (
        *("defs", "symbol", "marker", "clipPath", "mask", "pattern", "linearGradient", "radialGradient", "filter"),
        *("style", "title", "desc", "metadata", "script", "foreignObject", "animate", "set", "animateTransform"),
    )
)
_HREFS: Final = ("href", "{http://www.w3.org/1999/xlink}href")
_LABEL: Final = "{http://www.inkscape.org/namespaces/inkscape}label"


def tag_of(element: Any) -> str:
    """The name of an element without its name space; empty for comments."""
    return element.tag.rpartition("}")[2] if isinstance(element.tag, str) else ""


@dataclass(frozen=True, slots=True)
class _Place:
    """Where an element is drawn: from its units to mm on paper, what it inherits, its layer, what it shows through."""

    move: Matrix
    look: Look
    layer: str
    clip: Polygon | None
    depth: int

    def at(self, x: float, y: float) -> Point:
        point = self.move.point_in_matrix_space((x, y))
        at = (float(point.x), float(point.y))
        usable(at)
        return at

    @property
    def scale(self) -> float:
        """Mm to a unit."""
        return math.sqrt(abs(self.move.a * self.move.d - self.move.b * self.move.c))


class Drawing:
    """Everything a drawing shows. Raises UnreadableSheetError where it goes on and on."""

    def __init__(self, root: Any, move: tuple[float, float, float, float, float, float], paper: Paper) -> None:
        self._paper = paper
        self.strokes: list[Stroke] = []
        self.words: list[Words] = []
        self.filled: list[tuple[Point, ...]] = []
        self.shapes: list[Shape] = []
        #: How wide bars are that stand for lines, in hundredths of a mm.
        self.bar_widths: set[int] = set()
        self.areas: list[Hatching] = []
        self.left: Counter[Phrase] = Counter()
        self.pictures = 0
        self._known = {element.get("id"): element for element in root.iter() if element.get("id")}
        sheets = [element.text or "" for element in root.iter() if tag_of(element) == "style"]
        self._rules: Sequence[Rule] = rules_of(sheets)
        self._count = 0
        self._group(root, _Place(Matrix(*move), {}, "", None, 0), ())

    def _group(self, element: Any, place: _Place, inside: tuple[int, ...]) -> None:
        for child in element:
            self._element(child, place, inside)

    def _element(self, element: Any, place: _Place, inside: tuple[int, ...]) -> None:
        tag = tag_of(element)
        self._count += 1
        if self._count > MOST_ELEMENTS or place.depth > DEEPEST:
            raise UnreadableSheetError(phrase("sheet-page-endless"))
        if not tag or tag in _ASIDE:
            return
        here = self._within(element, tag, place)
        if here is None:
            return
        if tag in _GROUPS:
            self._group(element, here, inside)
        elif tag == "use":
            self._copy(element, here, inside)
        elif tag == "text":
            self._text(element, here)
        elif tag == "image":
            self.pictures += 1
        elif (path := _path_of(element, tag)) is not None and not unseen(here.look):
            self._path(path, here, inside)

    def _within(self, element: Any, tag: str, place: _Place) -> _Place | None:
        """Where what lies in an element is drawn; None where it is not there."""
        look = look_of(element, tag, self._rules, place.look)
        if hidden(look):
            return None
        own = Matrix(element.get("transform", ""))
        layer = _layer_of(element) if tag in ("g", "svg") else ""
        here = replace(place, move=own * place.move, look=look, layer=layer or place.layer, depth=place.depth + 1)
        if (clip := self._clip(look.get("clip-path", ""), here)) is not None:
            both = clip if place.clip is None else place.clip.intersection(clip)
            here = replace(here, clip=both if isinstance(both, Polygon) else Polygon())
        return here

    def _clip(self, reference: str, place: _Place) -> Polygon | None:
        """The region a clip path leaves."""
        element = self._known.get(reference.removeprefix("url(#").removesuffix(")").strip("\"'"))
        if element is None or tag_of(element) != "clipPath" or element.get("clipPathUnits") == "objectBoundingBox":
            return None
        shapes = []
        for child in element:
            path = _path_of(child, tag_of(child))
            inner = replace(place, move=Matrix(child.get("transform", "")) * place.move)
            for own in _subpaths(path, inner) if path is not None else ():
                if len(ring := own.points) >= 3:
                    shapes.append(shapely.make_valid(Polygon(ring)))
        whole = shapely.unary_union(shapes) if shapes else None
        return whole if isinstance(whole, Polygon) and whole.area > 0 else None

    def _copy(self, element: Any, place: _Place, inside: tuple[int, ...]) -> None:
        """What is drawn by reference, within the drawing alone."""
        reference = next((element.get(name) for name in _HREFS if element.get(name)), "")
        target = self._known.get(reference[1:]) if reference.startswith("#") else None
        if target is None or id(target) in inside:
            self.left[phrase("unread-reference")] += 1
            return
        moved = Matrix.translate(*(_number(element.get(name)) for name in ("x", "y"))) * place.move
        here = replace(place, move=moved)
        if tag_of(target) in ("symbol", "svg"):
            own = self._within(target, tag_of(target), here)
            if own is not None:
                self._group(target, own, (*inside, id(target)))
        else:
            self._element(target, here, (*inside, id(target)))

    def _style(self, place: _Place, colour: tuple[float, float, float]) -> Style:
        lengths = lengths_of(place.look.get("stroke-dasharray"))
        both = lengths * 2 if len(lengths) % 2 else lengths
        dashes = tuple((-1.0 if k % 2 else 1.0) * x * place.scale for k, x in enumerate(both))
        width = lengths_of(place.look.get("stroke-width", "1"))
        return Style(
            layer=place.layer,
            pattern=dashes if sum(map(abs, dashes)) > 0 else (),
            pattern_name="",
            plain=False,
            width=round(100 * place.scale * (width[0] if width else 1.0)),
            colour=int.from_bytes(bytes(round(255 * min(max(part, 0.0), 1.0)) for part in colour), "big"),
        )

    def _path(self, path: Path, place: _Place, inside: tuple[int, ...]) -> None:
        paths = list(_subpaths(path, place))
        stroke, fill = colour_of(place.look, "stroke", "none"), colour_of(place.look, "fill", "black")
        if stroke is not None and not self._paper.hides(stroke):
            style = self._style(place, stroke)
            for own in paths:
                for line in strokes_of(own, style):
                    self.strokes += clipped(line, place.clip)
            self._markers(paths, place, inside)
        elif fill is not None and (painted := self._paper.painted(paths, fill)) is not None:
            self._paper = painted
        elif stroke is None and fill is not None and not self._paper.hides(fill):
            shapes = filled_shapes(paths, self._style(place, fill))
            self.bar_widths |= shapes.bar_widths
            for bar in shapes.bars:
                self.strokes += clipped(bar, place.clip)
            self.filled += shapes.heads
            self.areas += shapes.areas
            self.shapes += shapes.letters
        if max(len(self.strokes), len(self.filled), len(self.shapes)) > MOST_STROKES:
            raise UnreadableSheetError(phrase("sheet-lines", most=MOST_STROKES))

    def _markers(self, paths: Sequence[Subpath], place: _Place, inside: tuple[int, ...]) -> None:
        """Arrowheads and the like at the ends of a path (SVG 2, 13.7, from memory)."""
        for name, first in (("marker-start", True), ("marker-end", False)):
            reference = place.look.get(name, "")
            marker = self._known.get(reference.removeprefix("url(#").removesuffix(")").strip("\"'"))
            points = (paths[0] if first else paths[-1]).points if paths else []
            if marker is None or tag_of(marker) != "marker" or id(marker) in inside or len(points) < 2:
                continue
            at, beside = (points[0], points[1]) if first else (points[-1], points[-2])
            way = (beside[0] - at[0], beside[1] - at[1]) if first else (at[0] - beside[0], at[1] - beside[1])
            turn = _turn_of(marker.get("orient", "0"), way, first)
            width = lengths_of(place.look.get("stroke-width", "1"))
            size = place.scale * (1.0 if marker.get("markerUnits") == "userSpaceOnUse" else (width or (1.0,))[0])
            box = lengths_of(marker.get("viewBox"))
            if len(box) == 4 and box[2] > 0:
                size *= _number(marker.get("markerWidth"), 3.0) / box[2]
            own = Matrix.translate(-_number(marker.get("refX")), -_number(marker.get("refY")))
            # Sheets have y up, drawings down.
            own = own * Matrix(size, 0, 0, -size, 0, 0) * Matrix.rotate(turn) * Matrix.translate(*at)
            bare = {key: value for key, value in place.look.items() if not key.startswith("marker")}
            here = replace(place, move=own, look=bare, depth=place.depth + 1)
            for child in marker:
                self._element(child, here, (*inside, id(marker)))

    def _text(self, element: Any, place: _Place) -> None:
        for line in lines_of(element, self._rules, place.look, self._known):
            if not line.text or unseen(line.look):
                continue
            colour = colour_of(line.look, "fill", "black")
            if colour is None or self._paper.hides(colour):
                continue
            at, ahead = place.at(*line.at), place.at(line.at[0] + line.way[0], line.at[1] + line.way[1])
            turn = math.degrees(math.atan2(ahead[1] - at[1], ahead[0] - at[0]))
            style = self._style(place, colour)
            self.words.append(Words(line.text[:200], at, line.capital * place.scale, turn, replace(style, pattern=())))


def _layer_of(element: Any) -> str:
    """The layer a group stands for: what it is labelled, else its classes or its id where they say what lines are."""
    if label := element.get(_LABEL):
        return str(label)[:120]
    names = [str(element.get(name))[:120] for name in ("class", "id") if element.get(name)]
    return next((name for name in names if kind_of(Style(name, (), "", False, None, 0)) != "open"), "")


def _turn_of(orient: str, way: Point, first: bool) -> float:
    """How a marker is turned, radians."""
    if orient.startswith("auto"):
        back = math.pi if first and orient == "auto-start-reverse" else 0.0
        return math.atan2(way[1], way[0]) + back
    return -math.radians(_number(orient.removesuffix("deg")))


def _number(text: str | None, usual: float = 0.0) -> float:
    numbers = lengths_of(text)
    return numbers[0] if numbers else usual


def _path_of(element: Any, tag: str) -> Path | None:
    """A shape as a path in its own units; None for what is no shape, or one that cannot be read."""

    def number(name: str) -> float:
        return _number(element.get(name))

    try:
        if tag == "path":
            return Path(element.get("d", ""))
        if tag == "line":
            return Path(Move((number("x1"), number("y1"))), Line(None, (number("x2"), number("y2"))))
        if tag in ("polyline", "polygon"):
            flat = lengths_of(element.get("points"))
            points = list(zip(flat[::2], flat[1::2], strict=False))
            body = " ".join(f"{x!r},{y!r}" for x, y in points)
            return Path(f"M {body}{' z' if tag == 'polygon' else ''}") if len(points) > 1 else None
        if tag == "rect":
            x, y, wide, high = (number(name) for name in ("x", "y", "width", "height"))
            return Path(f"M {x},{y} h {wide} v {high} h {-wide} z") if wide > 0 and high > 0 else None
        if tag in ("circle", "ellipse"):
            x, y = number("cx"), number("cy")
            rx, ry = (number("r"),) * 2 if tag == "circle" else (number("rx"), number("ry"))
            round_ = f"M {x + rx},{y} A {rx},{ry} 0 0 1 {x - rx},{y} A {rx},{ry} 0 0 1 {x + rx},{y} z"
            return Path(round_) if rx > 0 and ry > 0 else None
    except (ValueError, ArithmeticError, TypeError, IndexError, AttributeError):
        return None
    return None


def _subpaths(path: Path, place: _Place) -> Iterator[Subpath]:
    """A path as subpaths on paper; arcs as Bézier curves."""

    def on_paper(point: Any) -> Point:
        return place.at(float(point.x), float(point.y))

    start: Point | None = None
    stretches: list[Stretch] = []
    for segment in path:
        if isinstance(segment, Move):
            if start is not None and stretches:
                yield Subpath(start, tuple(stretches))
            start, stretches = on_paper(segment.end), []
        elif start is None or (segment.end is None and not isinstance(segment, Close)):
            continue
        elif isinstance(segment, Close):
            if stretches:
                yield Subpath(start, tuple(stretches), closed=True)
            stretches = []
        elif isinstance(segment, CubicBezier):
            first, second, last = map(on_paper, (segment.control1, segment.control2, segment.end))
            stretches.append((first, second, last))
        elif isinstance(segment, QuadraticBezier):
            begin, middle, end = (on_paper(p) for p in (segment.start, segment.control, segment.end))
            stretches.append((_between(begin, middle), _between(end, middle), end))
        elif isinstance(segment, Arc):
            for curve in segment.as_cubic_curves(max(1, math.ceil(abs(segment.sweep) / (math.pi / 4)))):
                first, second, last = map(on_paper, (curve.control1, curve.control2, curve.end))
                stretches.append((first, second, last))
        else:
            stretches.append((on_paper(segment.end),))
    if start is not None and stretches:
        yield Subpath(start, tuple(stretches))


def _between(end: Point, control: Point) -> Point:
    """The control point of a cubic curve that is the same as a quadratic one."""
    return (end[0] + 2 / 3 * (control[0] - end[0]), end[1] + 2 / 3 * (control[1] - end[1]))
