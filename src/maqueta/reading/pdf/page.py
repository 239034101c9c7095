"""One page of a PDF file as what is drawn and written on it, in mm from its lower left corner."""

import math
from collections import Counter
from collections.abc import Iterator, Sequence
from typing import Any, Final

import shapely
from pdfminer.pdffont import PDFFont, PDFUnicodeNotDefined
from pdfminer.pdfinterp import PDFGraphicState
from pdfminer.utils import Matrix, apply_matrix_pt, mult_matrix
from shapely.geometry import Polygon

from maqueta.geometry.carrier import Point
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.reading.content import Shape, Stroke, Style
from maqueta.reading.drawn_paths import Paper, Stretch, Subpath, clipped, filled_shapes, strokes_of
from maqueta.reading.errors import UnreadableSheetError
from maqueta.reading.glyphs import Glyph
from maqueta.reading.limits import MOST_STROKES, usable
from maqueta.reading.pdf.interpreter import PageDevice
from maqueta.sheet.special import Hatching

MM_IN_POINT: Final = 25.4 / 72
#: Capitals are about so high, in parts of the size of a font that does not say (from memory of common faces).
_CAPITAL: Final = 0.7
#: What lies on the rim of a clip, within this (mm), is seen.
_DUST: Final = 0.02
#: How a colour is told from others: a number for each.
_STEPS: Final = 255


class DrawnPage(PageDevice):
    """Collects strokes, letters, filled shapes and areas of a page as the interpreter draws on it."""

    def __init__(self, rsrcmgr: Any, unit: float, wide: float, high: float) -> None:
        super().__init__(rsrcmgr)
        self._unit = unit * MM_IN_POINT
        self._paper = Paper(wide * self._unit, high * self._unit)
        self.strokes: list[Stroke] = []
        self.glyphs: list[Glyph] = []
        self.filled: list[tuple[Point, ...]] = []
        self.shapes: list[Shape] = []
        #: How wide bars are that stand for lines, in hundredths of a mm.
        self.bar_widths: set[int] = set()
        self.areas: list[Hatching] = []
        self.left: Counter[Phrase] = Counter()
        self.pictures = 0

    @property
    def page(self) -> tuple[float, float]:
        """How wide and high the page is, mm."""
        return self._paper.wide, self._paper.high

    def _at(self, point: tuple[float, float]) -> Point:
        assert self.ctm is not None, "a page has begun"
        x, y = apply_matrix_pt(self.ctm, point)
        at = (x * self._unit, y * self._unit)
        usable(at)
        return at

    def _subpaths(self, path: Sequence[Any]) -> Iterator[Subpath]:
        """The path operators of a page as subpaths on paper."""
        start: Point | None = None
        at: Point | None = None
        stretches: list[Stretch] = []
        for kind, *numbers in path:
            if not all(isinstance(number, int | float) and math.isfinite(number) for number in numbers):
                continue
            points = [self._at((numbers[k], numbers[k + 1])) for k in range(0, len(numbers), 2)]
            if kind == "m":
                if start is not None and stretches:
                    yield Subpath(start, tuple(stretches))
                start, at, stretches = points[0], points[0], []
            elif kind == "h":
                if start is not None and stretches:
                    yield Subpath(start, tuple(stretches), closed=True)
                at, stretches = start, []
            elif start is None or at is None:
                continue
            elif kind == "l":
                stretches.append((points[0],))
            elif kind == "c":
                stretches.append((points[0], points[1], points[2]))
            elif kind == "v":
                stretches.append((at, points[0], points[1]))
            elif kind == "y":
                stretches.append((points[0], points[1], points[1]))
            at = stretches[-1][-1] if stretches else at
        if start is not None and stretches:
            yield Subpath(start, tuple(stretches))

    def clip_of(self, path: list[Any]) -> Polygon | None:
        """The region a path encloses; None for one that encloses nothing that could be drawn in."""
        shapes = [shapely.make_valid(Polygon(ring)) for own in self._subpaths(path) if len(ring := own.points) >= 3]
        whole = shapely.unary_union(shapes) if shapes else None
        return whole if isinstance(whole, Polygon) and whole.area > 0 else None

    def begin_figure(self, name: str, bbox: Any, matrix: Matrix) -> None:
        """A form shows what lies in its box."""
        assert self.ctm is not None, "a page has begun"
        left, bottom, right, top = (float(number) for number in bbox)
        ctm = mult_matrix(matrix, self.ctm)
        corners = [apply_matrix_pt(ctm, c) for c in ((left, bottom), (right, bottom), (right, top), (left, top))]
        region = Polygon([(x * self._unit, y * self._unit) for x, y in corners])
        if name and region.is_valid and region.area > 0:
            both = region if self.clip is None else self.clip.intersection(region)
            self.clip = both if isinstance(both, Polygon) else Polygon()

    def paint_path(self, graphicstate: PDFGraphicState, stroke: bool, fill: bool, evenodd: bool, path: Any) -> None:
        """A path is drawn along, filled, or both."""
        if not self.shown:
            self.left[phrase("unread-switched-off", kind="PATH", layer=self.layer)] += 1
            return
        paths = list(self._subpaths(path))
        if stroke and not self._paper.hides(_rgb(graphicstate.scolor)):
            style = self._style(graphicstate)
            for own in paths:
                for line in strokes_of(own, style):
                    self._draw(line)
        elif fill and (painted := self._paper.painted(paths, _rgb(graphicstate.ncolor))) is not None:
            self._paper = painted
        elif fill and not self._paper.hides(_rgb(graphicstate.ncolor)):
            self._fill(paths, graphicstate)
        if max(len(self.strokes), len(self.filled), len(self.shapes)) > MOST_STROKES:
            raise UnreadableSheetError(phrase("sheet-lines", most=MOST_STROKES))

    def _fill(self, paths: Sequence[Subpath], state: PDFGraphicState) -> None:
        shapes = filled_shapes(paths, Style(self.layer, (), "", False, None, _colour(state.ncolor)))
        self.bar_widths |= shapes.bar_widths
        for bar in shapes.bars:
            self._draw(bar)
        self.filled += [head for head in shapes.heads if self._seen(head[0])]
        self.areas += [area for area in shapes.areas if self._seen(area.rings[0][0])]
        self.shapes += [shape for shape in shapes.letters if self._seen(shape.rings[0][0])]

    def _seen(self, point: Point) -> bool:
        return self.clip is None or self.clip.buffer(_DUST).covers(shapely.Point(point))

    def _draw(self, stroke: Stroke) -> None:
        """A stroke as far as the clip shows it."""
        self.strokes += clipped(stroke, self.clip)

    def _style(self, state: PDFGraphicState) -> Style:
        return Style(
            layer=self.layer,
            pattern=self._pattern(state.dash),
            pattern_name="",
            plain=False,
            width=round(100 * float(state.linewidth or 0) * self._unit),
            colour=_colour(state.scolor),
        )

    def _pattern(self, dash: Any) -> tuple[float, ...]:
        """Dashes as strokes and gaps in mm; none for a line drawn through."""
        lengths = dash[0] if isinstance(dash, tuple | list) and dash else ()
        if not isinstance(lengths, list) or not all(isinstance(x, int | float) and x >= 0 for x in lengths):
            return ()
        if not lengths or sum(lengths) <= 0:
            return ()
        assert self.ctm is not None, "a page has begun"
        scale = math.sqrt(abs(self.ctm[0] * self.ctm[3] - self.ctm[1] * self.ctm[2])) * self._unit
        both = lengths * 2 if len(lengths) % 2 else lengths
        return tuple((-1.0 if k % 2 else 1.0) * float(x) * scale for k, x in enumerate(both))

    def render_image(self, name: str, stream: Any) -> None:
        """Pictures are counted, never opened."""
        self.pictures += 1

    def render_string(self, textstate: Any, seq: Any, ncs: Any, graphicstate: PDFGraphicState) -> None:
        """Text, letter by letter."""
        if textstate.font is None or self.ctm is None or textstate.render == 3:
            return
        font: PDFFont = textstate.font
        matrix = mult_matrix(textstate.matrix, self.ctm)
        scaling = textstate.scaling * 0.01
        spaced = textstate.charspace * scaling
        style = Style(self.layer, (), "", False, None, _colour(graphicstate.ncolor))
        x, y = textstate.linematrix
        for item in seq:
            if isinstance(item, int | float):
                x -= item * 0.001 * textstate.fontsize * scaling
                continue
            for code in font.decode(item) if isinstance(item, bytes) else ():
                advance = font.char_width(code) * textstate.fontsize * scaling
                if self.shown:
                    self._letter(font, code, (x, y + textstate.rise), advance, textstate.fontsize, matrix, style)
                x += advance + spaced
                if code == 32 and not font.is_multibyte():
                    x += textstate.wordspace * scaling
        textstate.linematrix = (x, y)

    def _letter(
        self, font: PDFFont, code: int, place: Point, advance: float, size: float, matrix: Matrix, style: Style
    ) -> None:
        try:
            text = str(font.to_unichr(code))
        except PDFUnicodeNotDefined:
            self.left[phrase("unread-letters")] += 1
            return
        start, end = apply_matrix_pt(matrix, place), apply_matrix_pt(matrix, (place[0] + advance, place[1]))
        top = apply_matrix_pt(matrix, (place[0], place[1] + size))
        at = (start[0] * self._unit, start[1] * self._unit)
        if not all(map(math.isfinite, (*at, *end, *top))):
            return
        usable(at)
        tall = math.dist(start, top) * self._unit
        capital = float(font.descriptor.get("CapHeight") or 0) / 1000
        turn = math.degrees(math.atan2(end[1] - start[1], end[0] - start[0])) if advance else 0.0
        high = tall * (capital if 0.4 < capital < 1.0 else _CAPITAL)
        if tall > 0 and self._seen(at):
            self.glyphs.append(Glyph(text, at, turn, math.dist(start, end) * self._unit, tall, high, style))


def _colour(colour: Any) -> int:
    """A number for a colour: strokes of one are of one style."""
    return int.from_bytes(bytes(round(_STEPS * part) for part in _rgb(colour)), "big")


def _rgb(colour: Any) -> tuple[float, float, float]:
    """Red, green and blue from 0 to 1; black for a pattern."""
    parts = [min(max(float(x), 0.0), 1.0) for x in _numbers(colour)]
    match parts:
        case [grey]:
            return grey, grey, grey
        case [red, green, blue]:
            return red, green, blue
        case [cyan, magenta, yellow, black]:
            return tuple((1 - own) * (1 - black) for own in (cyan, magenta, yellow))  # type: ignore[return-value]
    return 0.0, 0.0, 0.0


def _numbers(colour: Any) -> list[float]:
    if isinstance(colour, int | float):
        return [float(colour)]
    return [x for x in colour if isinstance(x, int | float)] if isinstance(colour, tuple | list) else []
