"""Marked sheets on paper: each true to scale with its marks, then its slip on A4; one file for as many as wanted."""

from collections.abc import Sequence
from dataclasses import dataclass
from io import BytesIO
from itertools import pairwise
from typing import Any, Final
from xml.sax.saxutils import escape

from reportlab.lib.colors import HexColor
from reportlab.lib.pagesizes import A4
from reportlab.lib.styles import ParagraphStyle
from reportlab.pdfgen.canvas import Canvas
from reportlab.platypus import Paragraph

from maqueta.drawing.ink import InkGroup
from maqueta.drawing.pdf import MM_IN_POINTS, draw_groups, lettering_font
from maqueta.geometry.carrier import Point
from maqueta.sheet.paper import Layout

_FAULT, _DOUBT, _PIN, _INK, _QUIET = (HexColor(c) for c in ("#c2412d", "#8f6115", "#7a3b86", "#23262d", "#6d675c"))
#: Size of the mark of a finding on the sheet, and margins and steps of the slip; mm.
_MARK, _MARGIN, _LABEL, _COST = 3.2, 18.0, 10.0, 20.0
_BODY: Final = 10.0


@dataclass(frozen=True, slots=True)
class SlipLine:
    """A finding or pin on a slip: its label, where it lies on the sheet (mm), and what is said, in words.

    `cost` is what stands at its right; `tone` chooses how it is drawn.
    """

    label: str
    tone: str
    at: tuple[tuple[Point, ...], ...]
    heading: str
    words: tuple[str, ...]
    cost: str


@dataclass(frozen=True, slots=True)
class MarkedSheet:
    """A sheet with its slip: ink, paper, who and what, the mark, its lines, and points by criterion."""

    groups: tuple[InkGroup, ...]
    layout: Layout
    name: str
    about: str
    mark: str
    lines: tuple[SlipLine, ...]
    points: tuple[tuple[str, str], ...]
    remark: str


def slips_pdf(sheets: Sequence[MarkedSheet], title: str) -> bytes:
    """All sheets with their slips, one after another, as PDF bytes; equal sheets give equal bytes."""
    target = BytesIO()
    canvas: Any = Canvas(target, pageCompression=1, invariant=1)
    canvas.setTitle(title)
    canvas.setCreator("Maqueta")
    for sheet in sheets:
        canvas.bookmarkPage(sheet.name)
        canvas.addOutlineEntry(sheet.name, sheet.name)
        _sheet_page(canvas, sheet)
        _SlipPages(canvas, sheet).draw()
    canvas.save()
    return target.getvalue()


def _colour(tone: str) -> HexColor:
    return {"error": _FAULT, "warning": _DOUBT, "pin": _PIN}.get(tone, _QUIET)


def _sheet_page(canvas: Any, sheet: MarkedSheet) -> None:
    canvas.setPageSize((sheet.layout.width * MM_IN_POINTS, sheet.layout.height * MM_IN_POINTS))
    draw_groups(canvas, sheet.groups)
    for line in sheet.lines:
        _mark(canvas, line)
    canvas.showPage()


def _mark(canvas: Any, line: SlipLine) -> None:
    """Strokes along what a finding speaks of, and its label at the first of them."""
    canvas.setStrokeColor(_colour(line.tone))
    canvas.setLineWidth(0.5)
    canvas.setDash([])
    for stretch in line.at:
        for start, end in pairwise(stretch):
            canvas.line(*start, *end)
    if not line.at or not line.at[0]:
        return
    x, y = line.at[0][len(line.at[0]) // 2]
    canvas.setFillColor(HexColor("#fffdf8"))
    canvas.circle(x, y, _MARK, stroke=1, fill=1)
    canvas.setFillColor(_colour(line.tone))
    canvas.setFont(lettering_font(), 3.6)
    canvas.drawCentredString(x, y - 1.2, line.label)


class _SlipPages:
    """A slip, as many A4 pages as it takes, from top to bottom."""

    def __init__(self, canvas: Any, sheet: MarkedSheet) -> None:
        self._canvas, self._sheet, self._font = canvas, sheet, lettering_font()
        self._left, self._width = _MARGIN * MM_IN_POINTS, A4[0] - 2 * _MARGIN * MM_IN_POINTS
        self._y = 0.0

    def draw(self) -> None:
        """Write the slip."""
        self._begin()
        for line in self._sheet.lines:
            self._line(line)
        self._y -= 8
        for criterion, points in self._sheet.points:
            self._row(criterion, points)
        if self._sheet.remark:
            self._y -= 8
            self._paragraph(self._sheet.remark, _BODY, _INK, 0)
        self._canvas.showPage()

    def _begin(self) -> None:
        self._canvas.setPageSize(A4)
        self._y = A4[1] - _MARGIN * MM_IN_POINTS
        self._canvas.setFillColor(_INK)
        self._canvas.setFont(self._font, 18)
        self._canvas.drawRightString(self._left + self._width, self._y - 16, self._sheet.mark)
        self._paragraph(self._sheet.name, 18, _INK, 0, right=120)
        self._paragraph(self._sheet.about, _BODY, _QUIET, 0)
        self._rule()

    def _rule(self) -> None:
        self._canvas.setStrokeColor(_INK)
        self._canvas.setLineWidth(0.8)
        self._canvas.line(self._left, self._y - 4, self._left + self._width, self._y - 4)
        self._y -= 12

    def _room(self, height: float) -> None:
        if self._y - height < _MARGIN * MM_IN_POINTS:
            self._canvas.showPage()
            self._begin()

    def _line(self, line: SlipLine) -> None:
        indent, cost = _LABEL * MM_IN_POINTS, _COST * MM_IN_POINTS
        pieces = [self._wrapped(line.heading, 8.5, _QUIET, indent, cost)]
        pieces += [
            self._wrapped(words, _BODY if number == 0 else 9.0, _INK if number == 0 else _QUIET, indent, cost)
            for number, words in enumerate(line.words)
        ]
        self._room(sum(height for _, height in pieces) + 6)
        self._canvas.setFillColor(_colour(line.tone))
        self._canvas.setFont(self._font, 11)
        self._canvas.drawString(self._left, self._y - 20, line.label)
        self._canvas.drawRightString(self._left + self._width, self._y - 20, line.cost)
        for piece, height in pieces:
            piece.drawOn(self._canvas, self._left + indent, self._y - height)
            self._y -= height
        self._y -= 6

    def _row(self, criterion: str, points: str) -> None:
        self._room(14)
        self._canvas.setFillColor(_INK)
        self._canvas.setFont(self._font, _BODY)
        self._canvas.drawString(self._left, self._y - 10, criterion)
        self._canvas.drawRightString(self._left + 200, self._y - 10, points)
        self._y -= 14

    def _paragraph(self, words: str, size: float, colour: HexColor, indent: float, right: float = 0) -> None:
        piece, height = self._wrapped(words, size, colour, indent, right)
        self._room(height)
        piece.drawOn(self._canvas, self._left + indent, self._y - height)
        self._y -= height

    def _wrapped(self, words: str, size: float, colour: HexColor, indent: float, right: float) -> tuple[Any, float]:
        style = ParagraphStyle("slip", fontName=self._font, fontSize=size, leading=1.3 * size, textColor=colour)
        piece: Any = Paragraph(escape(words).replace("\n", "<br/>"), style)
        _, height = piece.wrap(self._width - indent - right, A4[1])
        return piece, height
