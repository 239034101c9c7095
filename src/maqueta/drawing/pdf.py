"""Ink as PDF, a page for each sheet, true to scale, on layers."""

import math
from collections.abc import Sequence
from contextlib import nullcontext
from dataclasses import dataclass
from functools import lru_cache
from io import BytesIO
from itertools import groupby
from typing import Any

from reportlab.lib.colors import HexColor
from reportlab.pdfbase.pdfmetrics import registerFont, stringWidth
from reportlab.pdfbase.ttfonts import TTFont
from reportlab.pdfgen.canvas import Canvas

from maqueta.drawing.ink import Arc, Filled, InkGroup, Item, Stroke, Text, Tinted
from maqueta.drawing.layers import layer_of
from maqueta.drawing.lettering import FONT_FILE, FONT_NAME, font_size
from maqueta.drawing.pdf_layers import VERSION, PageLayers
from maqueta.drawing.pens import DASHES, WIDTHS, Pen
from maqueta.sheet.paper import Layout

MM_IN_POINTS = 72 / 25.4
_HAIR = 0.05


@lru_cache(maxsize=1)
def lettering_font() -> str:
    """The name of the drafting face, ready to be written with."""
    registerFont(TTFont(FONT_NAME, str(FONT_FILE)))
    return FONT_NAME


@dataclass(frozen=True, slots=True)
class SheetPage:
    """A sheet as a page: its ink, its paper, and what it is called among the pages."""

    groups: Sequence[InkGroup]
    layout: Layout
    name: str


def pdf(groups: Sequence[InkGroup], sheet_layout: Layout, title: str) -> bytes:
    """One sheet as PDF bytes; equal sheets give equal bytes."""
    return pages_pdf([SheetPage(groups, sheet_layout, "")], title)


def pages_pdf(pages: Sequence[SheetPage], title: str) -> bytes:
    """Several sheets as the pages of one file, in their order, found by their names; equal sheets give equal bytes."""
    target = BytesIO()
    canvas: Any = Canvas(target, pageCompression=1, invariant=1, pdfVersion=VERSION)
    canvas.setTitle(title)
    canvas.setCreator("Maqueta")
    layers = PageLayers(canvas)
    for number, page in enumerate(pages, 1):
        canvas.setPageSize((page.layout.width * MM_IN_POINTS, page.layout.height * MM_IN_POINTS))
        if page.name:
            canvas.bookmarkPage(f"sheet {number}")
            canvas.addOutlineEntry(page.name, f"sheet {number}")
        draw_groups(canvas, page.groups, layers)
        layers.end_page()
    layers.finish()
    canvas.save()
    return target.getvalue()


def draw_groups(canvas: Any, groups: Sequence[InkGroup], layers: PageLayers | None = None) -> None:
    """Draw ink on a page, which is measured in mm from then on; each item on its layer, where there are any."""
    canvas.scale(MM_IN_POINTS, MM_IN_POINTS)
    canvas.setStrokeColor(HexColor("#23262d"))
    canvas.setFillColor(HexColor("#23262d"))
    canvas.setLineJoin(1)
    for ink in groups:
        for layer, items in groupby(ink.items, layer_of):
            with layers.on(layer) if layers else nullcontext():
                for item in items:
                    _draw(canvas, item)


def _set_pen(canvas: Any, pen: Pen) -> None:
    canvas.setLineWidth(WIDTHS[pen])
    canvas.setDash(*([list(DASHES[pen])] if pen in DASHES else [[]]))
    canvas.setLineCap(0 if pen in DASHES else 1)


def _draw(canvas: Any, item: Item) -> None:
    match item:
        case Stroke():
            _set_pen(canvas, item.pen)
            path = canvas.beginPath()
            path.moveTo(*item.points[0])
            for point in item.points[1:]:
                path.lineTo(*point)
            canvas.drawPath(path, stroke=1, fill=0)
        case Filled():
            path = canvas.beginPath()
            path.moveTo(*item.points[0])
            for point in item.points[1:]:
                path.lineTo(*point)
            path.close()
            canvas.drawPath(path, stroke=0, fill=1)
        case Tinted():
            _tint(canvas, item)
        case Arc():
            _set_pen(canvas, item.pen)
            (x, y), r = item.centre, item.radius
            if item.sweep >= 2 * math.pi - 1e-9:
                canvas.circle(x, y, r, stroke=1, fill=0)
            else:
                canvas.arc(x - r, y - r, x + r, y + r, math.degrees(item.start), math.degrees(item.sweep))
        case Text():
            _text(canvas, item)


def _tint(canvas: Any, item: Tinted) -> None:
    """An area in its colour, a hair over its rim, so that no paper shines through between neighbours."""
    canvas.saveState()
    canvas.setFillColor(HexColor(item.colour))
    canvas.setStrokeColor(HexColor(item.colour))
    canvas.setLineWidth(_HAIR)
    canvas.setDash([])
    path = canvas.beginPath()
    for ring in item.rings:
        path.moveTo(*ring[0])
        for point in ring[1:]:
            path.lineTo(*point)
        path.close()
    canvas.drawPath(path, stroke=1, fill=1, fillMode=0)
    canvas.restoreState()


def _text(canvas: Any, text: Text) -> None:
    name, size = lettering_font(), font_size(text.height)
    width = stringWidth(text.text, name, size)
    canvas.saveState()
    canvas.translate(*text.at)
    canvas.rotate(text.angle)
    canvas.setFont(name, size)
    canvas.drawString({"start": 0.0, "middle": -width / 2, "end": -width}[text.anchor], 0, text.text)
    canvas.restoreState()
