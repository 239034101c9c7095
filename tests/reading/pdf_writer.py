"""Sheets as PDF files in the manners of different hands and programs, through a general PDF library."""

import math
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass
from io import BytesIO
from itertools import pairwise
from typing import Any, Final, Literal

from reportlab.lib.colors import HexColor
from reportlab.pdfbase.pdfmetrics import stringWidth
from reportlab.pdfgen.canvas import Canvas

from maqueta.drawing.ink import Arc, Filled, InkGroup, Stroke, Text
from maqueta.drawing.lettering import font_size
from maqueta.drawing.pdf import MM_IN_POINTS, lettering_font
from maqueta.drawing.pens import DASHES, WIDTHS
from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.paper import Layout
from tests.reading.letter_shapes import outlines, penned


@dataclass(frozen=True)
class Hand:
    """How a program writes a page.

    `unit` is how many units of the page a mm is; `turned` pages are shown turned by a quarter; in `forms` every group
    is a form of its own; `letters` are placed one by one; circles may be drawn in so many `chords`; wide lines may be
    filled `bars`; dashes may be `loose` strokes; `boxed` clips everything to the page; `shift` is where the origin is.
    `drawn` letters are no text: outlines of a face, filled one by one, or all of a text at once if `at_once`; or
    strokes of a pen.
    """

    name: str
    unit: float = MM_IN_POINTS
    turned: bool = False
    forms: bool = False
    letters: bool = False
    chords: int = 0
    bars: bool = False
    loose: bool = False
    boxed: bool = False
    shift: tuple[float, float] = (0.0, 0.0)
    drawn: Literal["", "drafting", "screen", "pen"] = ""
    at_once: bool = False


HANDS: Final = (
    Hand("plain"),
    Hand("in mm", unit=1.0),
    Hand("turned", turned=True, boxed=True),
    Hand("in forms", forms=True),
    Hand("letter by letter", letters=True, boxed=True),
    Hand("in chords", chords=72),
    Hand("filled bars", bars=True),
    Hand("loose dashes", loose=True),
    Hand("shifted", shift=(300.0, -120.0), boxed=True),
)


#: Hands that draw their letters.
DRAWERS: Final = (
    Hand("outlines", drawn="drafting"),
    Hand("outlines of a text", drawn="drafting", at_once=True, boxed=True),
    Hand("outlines of another face", drawn="screen"),
    Hand("pen", drawn="pen"),
)


def write_pdf(projected: ProjectedPart, sheet: SheetDocument, hand: Hand, pages: int = 1, share: float = 1.0) -> bytes:
    """A sheet as a PDF file: on the last of so many pages, the others bear a cross; printed at a share of its size."""
    return write_ink(sheet_ink(projected, sheet), sheet.paper.layout, hand, pages, share)


def write_ink(groups: Sequence[InkGroup], layout: Layout, hand: Hand, pages: int = 1, share: float = 1.0) -> bytes:
    """Ink as a PDF file."""
    target = BytesIO()
    wide, high = (c * share * MM_IN_POINTS for c in (layout.width, layout.height))
    size = (high, wide) if hand.turned else (wide, high)
    canvas: Any = Canvas(target, pagesize=size, invariant=1)
    for _ in range(pages - 1):
        canvas.line(100, 100, 200, 200)
        canvas.line(100, 200, 200, 100)
        canvas.showPage()
    if hand.turned:
        # Drawn up the page, and the page shown turned clockwise.
        canvas.setPageRotation(90)
        canvas.transform(0, 1, -1, 0, high, 0)
    if hand.boxed:
        frame = canvas.beginPath()
        frame.rect(0, 0, wide, high)
        canvas.clipPath(frame, stroke=0, fill=0)
    canvas.translate(*hand.shift)
    canvas.scale(share * MM_IN_POINTS / hand.unit, share * MM_IN_POINTS / hand.unit)
    canvas.translate(*(-x * hand.unit / MM_IN_POINTS for x in hand.shift))
    writer = _Writer(canvas, hand)
    if hand.forms:
        for place, group in enumerate(groups):
            canvas.beginForm(f"g{place}", 0, 0, 2000 * hand.unit, 2000 * hand.unit)
            writer.group(group)
            canvas.endForm()
            canvas.doForm(f"g{place}")
    else:
        for group in groups:
            writer.group(group)
    canvas.showPage()
    canvas.save()
    return target.getvalue()


class _Writer:
    def __init__(self, canvas: Any, hand: Hand) -> None:
        self._canvas, self._hand, self._u = canvas, hand, hand.unit

    def group(self, group: InkGroup) -> None:
        ways: dict[type, Callable[[Any], None]] = {
            Stroke: lambda item: self._line(item.points, item.pen),
            Arc: self._arc,
            Filled: self._filled,
            Text: self._text,
        }
        for item in group.items:
            ways[type(item)](item)

    def _pen(self, pen: Any) -> None:
        canvas = self._canvas
        canvas.setStrokeColor(HexColor("#111111"))
        canvas.setLineWidth(WIDTHS[pen] * self._u)
        dashes = [] if self._hand.loose else [d * self._u for d in DASHES.get(pen, ())]
        canvas.setDash(dashes)

    def _line(self, points: Sequence[tuple[float, float]], pen: Any) -> None:
        self._pen(pen)
        straight = len(points) == 2
        if pen in DASHES and self._hand.loose:
            for dash in _dashed(points, DASHES[pen]):
                self._path(dash)
        elif straight and self._hand.bars and pen == "visible":
            self._bar(points[0], points[1], WIDTHS[pen])
        else:
            self._path(points)

    def _path(self, points: Sequence[tuple[float, float]], filled: bool = False) -> None:
        path = self._canvas.beginPath()
        path.moveTo(*(c * self._u for c in points[0]))
        for point in points[1:]:
            path.lineTo(*(c * self._u for c in point))
        if filled:
            path.close()
        self._canvas.drawPath(path, stroke=0 if filled else 1, fill=1 if filled else 0)

    def _bar(self, start: tuple[float, float], end: tuple[float, float], width: float) -> None:
        long = math.dist(start, end) or 1.0
        nx, ny = (end[1] - start[1]) / long * width / 2, -(end[0] - start[0]) / long * width / 2
        sides = ((1, start), (1, end), (-1, end), (-1, start))
        self._canvas.setFillColor(HexColor("#111111"))
        self._path([(x + s * nx, y + s * ny) for s, (x, y) in sides], filled=True)

    def _arc(self, item: Arc) -> None:
        (x, y), r = item.centre, item.radius
        if self._hand.chords and item.pen not in DASHES:
            count = max(6, round(self._hand.chords * item.sweep / math.tau))
            angles = [item.start + item.sweep * k / count for k in range(count + 1)]
            self._line([(x + r * math.cos(t), y + r * math.sin(t)) for t in angles], item.pen)
            return
        self._pen(item.pen)
        if item.pen in DASHES and self._hand.loose:
            self._dashes(item, DASHES[item.pen])
            return
        box = [c * self._u for c in (x - r, y - r, x + r, y + r)]
        self._canvas.arc(*box, math.degrees(item.start), math.degrees(item.sweep))

    def _dashes(self, item: Arc, dashes: Sequence[float]) -> None:
        box = [
            c * self._u for x in (-1, 1) for c in (item.centre[0] + x * item.radius, item.centre[1] + x * item.radius)
        ]
        at, place = 0.0, 0
        while at < item.sweep - 1e-9:
            upto = min(item.sweep, at + dashes[place % len(dashes)] / item.radius)
            if place % 2 == 0:
                self._canvas.arc(*box, math.degrees(item.start + at), math.degrees(upto - at))
            at, place = upto, place + 1

    def _filled(self, item: Filled) -> None:
        self._canvas.setFillColor(HexColor("#111111"))
        self._path(item.points, filled=True)

    def _text(self, item: Text) -> None:
        canvas, name, size = self._canvas, lettering_font(), font_size(item.height) * self._u
        wide = stringWidth(item.text, name, size)
        if self._hand.drawn:
            self._letters_drawn(item)
            return
        canvas.saveState()
        canvas.setFillColor(HexColor("#111111"))
        canvas.translate(*(c * self._u for c in item.at))
        canvas.rotate(item.angle)
        canvas.setFont(name, size)
        x = {"start": 0.0, "middle": -wide / 2, "end": -wide}[item.anchor]
        for run in item.text if self._hand.letters else [item.text]:
            canvas.drawString(x, 0, run)
            x += stringWidth(run, name, size)
        canvas.restoreState()

    def _letters_drawn(self, item: Text) -> None:
        canvas, u = self._canvas, self._u
        canvas.saveState()
        canvas.setFillColor(HexColor("#111111"))
        canvas.translate(*(c * u for c in item.at))
        canvas.rotate(item.angle)
        canvas.scale(u, u)
        if self._hand.drawn == "pen":
            strokes, wide = penned(item.text, item.height)
        else:
            letters, wide = outlines(item.text, item.height, self._hand.drawn)
        canvas.translate({"start": 0.0, "middle": -wide / 2, "end": -wide}[item.anchor], 0)
        if self._hand.drawn == "pen":
            canvas.setLineWidth(0.25)
            canvas.setDash([])
            for stroke in strokes:
                path = canvas.beginPath()
                path.moveTo(*stroke[0])
                for corner in stroke[1:]:
                    path.lineTo(*corner)
                canvas.drawPath(path, stroke=1, fill=0)
        else:
            for run in [[c for letter in letters for c in letter]] if self._hand.at_once else letters:
                path = canvas.beginPath()
                for start, stretches in run:
                    path.moveTo(*start)
                    for stretch in stretches:
                        (path.lineTo if len(stretch) == 1 else path.curveTo)(*(c for p in stretch for c in p))
                    path.close()
                canvas.drawPath(path, stroke=0, fill=1)
        canvas.restoreState()


def _dashed(points: Sequence[tuple[float, float]], dashes: Sequence[float]) -> Iterator[list[tuple[float, float]]]:
    """A line, of one stretch or many, in strokes and gaps."""
    place, left, run = 0, dashes[0], [points[0]]
    for start, end in pairwise(points):
        at = start
        while (rest := math.dist(at, end)) > left:
            at = (at[0] + left / rest * (end[0] - at[0]), at[1] + left / rest * (end[1] - at[1]))
            if place % 2 == 0:
                yield [*run, at]
            place += 1
            left, run = dashes[place % len(dashes)], [at]
        left -= rest
        run.append(end)
    if place % 2 == 0 and math.dist(run[0], run[-1]) > 1e-9:
        yield run
