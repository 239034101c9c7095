"""Sheets that left the house as PDF, SVG and DXF read back as the same document, within 0.02 mm on paper.

Lines are held against each other by a general geometry library, as points along them.
"""

import ctypes
import math
import re
from collections import defaultdict
from collections.abc import Callable
from itertools import pairwise

import pypdfium2
import pypdfium2.raw as pdfium
import pytest
from shapely import LineString, STRtree, linestrings, points

from maqueta.demo.workshop import PARTS
from maqueta.drawing.dxf import dxf
from maqueta.drawing.pdf import pdf
from maqueta.drawing.pens import EXTENSION_GAP
from maqueta.drawing.sheet_ink import piece_item, sheet_ink
from maqueta.drawing.sheet_sizes import SheetSize, sheet_sizes
from maqueta.drawing.svg import svg
from maqueta.geometry.carrier import Circle, Point
from maqueta.geometry.line_set import Piece
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.delivered import read_delivered
from maqueta.reading.file_content import content_of
from maqueta.sheet.document import CentreMark, SheetDocument
from maqueta.sheet.placed import PlacedView, placed_views
from maqueta.task.exercise import Exercise
from tests.parts import demo_projected

TASK = Exercise.model_validate({"views": ["front", "top", "right"], "paper": "A2", "pictorial": "required"})
EXACT = 0.02
#: Parts with a size taken from the middle of an area, where no line tells how far its extension line would reach.
WITHIN = {"pawl-carrier", "warp-lever"}
Format = Callable[[ProjectedPart, SheetDocument], bytes]
FORMATS: dict[str, Format] = {
    "pdf": lambda part, sheet: pdf(sheet_ink(part, sheet), sheet.paper.layout, "sheet"),
    "svg": lambda part, sheet: svg(sheet_ink(part, sheet), sheet.paper.layout, "sheet").encode(),
    "dxf": lambda part, sheet: dxf(sheet_ink(part, sheet), sheet_sizes(part, sheet)),
}


def drawn(piece: Piece) -> list[Point]:
    """Points along a piece, close enough together for a chord to stay on it."""
    if isinstance(piece.carrier, Circle):
        (start, end), count = piece.interval, 720
        return [piece.carrier.point(start + (end - start) * k / count) for k in range(count + 1)]
    item = piece_item(piece)
    assert item.kind == "stroke"
    return list(item.points)


def lines_of(part: ProjectedPart, sheet: SheetDocument) -> dict[str, list[list[Point]]]:
    """All lines of the views by kind, on the sheet; smooth ones are drawn, and read, as visible ones."""
    found = defaultdict(list)
    for item in placed_views(part, sheet):
        for piece in item.drawn:
            found["hidden" if piece.kind == "hidden" else "visible"].append(drawn(piece.moved(item.move)))
    return found


def furthest(lines: list[list[Point]], others: list[list[Point]]) -> float:
    """How far any point along lines is from the nearest of the others."""
    if not lines:
        return 0.0
    along = [xy for own in lines for xy in LineString(own).segmentize(1.0).coords]
    chords = linestrings([chord for other in others for chord in pairwise(other)])
    _, far = STRtree(chords).query_nearest(points(along), return_distance=True)
    return float(max(far))


def sizes_of(part: ProjectedPart, sheet: SheetDocument) -> list[tuple[str, str, tuple[float, ...]]]:
    """What every size says, what it was taken from and where it stands: coordinates that are equal if it is."""
    return sorted((size.kind, size.text, _stands(size)) for size in sheet_sizes(part, sheet).values())


def _stands(size: SheetSize) -> tuple[float, ...]:
    x, y = size.place
    if size.kind == "linear":
        # Of the place only how far off the part its line lies is told by ink.
        ends = [(round(p, 3), round(q, 3)) for p, q in (size.first, size.second)]
        across = -math.sin(size.turn) * x + math.cos(size.turn) * y
        return (*min(ends), *max(ends), across)
    if size.kind == "angle":
        assert size.vertex is not None
        return (*size.vertex, math.dist(size.vertex, size.place))
    return (x, y) if size.kind == "chamfer" else (*size.first, x, y)


def marks_of(part: ProjectedPart, sheet: SheetDocument) -> list[tuple[float, ...]]:
    placed: dict[str, PlacedView] = {item.view.id: item for item in placed_views(part, sheet)}
    found: list[tuple[float, ...]] = []
    for mark in sheet.marks:
        item = placed[mark.view]
        if isinstance(mark, CentreMark):
            found.append((*item.to_sheet(mark.centre), mark.radius * item.factor))
        else:
            start, end = sorted(map(item.to_sheet, (mark.start, mark.end)))
            long = math.dist(start, end)
            dx, dy = ((q - p) / long * mark.beyond for p, q in zip(start, end, strict=True))
            found.append((start[0] - dx, start[1] - dy, end[0] + dx, end[1] + dy))
    return sorted(found, key=lambda own: tuple(round(x, 1) for x in own))


@pytest.mark.parametrize("place", range(len(PARTS)))
def test_sheet_reads_back_as_it_was(place: int) -> None:
    """Every demo part in one of the formats: lines, centre marks, sizes, views and title block."""
    part = demo_projected(PARTS[place])
    sheet = model_sheet(part, TASK, Drafter("Ada Muster", "Evening 2", "2026-11-20"))
    read = read_delivered(list(FORMATS.values())[place % 3](part, sheet), part, TASK)
    was, now = lines_of(part, sheet), lines_of(part, read.document)
    for kind in ("visible", "hidden"):
        assert furthest(was[kind], now[kind]) <= EXACT
        assert furthest(now[kind], was[kind]) <= EXACT
    assert marks_of(part, read.document) == [pytest.approx(own, abs=EXACT) for own in marks_of(part, sheet)]
    exact = EXTENSION_GAP + EXACT if PARTS[place] in WITHIN else EXACT
    sizes, again = sizes_of(part, sheet), sizes_of(part, read.document)
    assert [own[:2] for own in again] == [own[:2] for own in sizes]
    assert [own[2] for own in again] == [pytest.approx(at, abs=exact) for _, _, at in sizes]
    views = [
        sorted((str(view.attitude), view.scale, view.kind) for view in own.views) for own in (sheet, read.document)
    ]
    assert views[0] == views[1]
    assert read.document.title.angle == sheet.title.angle
    fields = {name: text.upper() for name, text in sheet.title.fields.items() if text}
    assert {name: text.upper() for name, text in read.document.title.fields.items() if text} == fields
    assert read.not_read == ()


def test_layers_of_a_page_are_those_of_the_drawing() -> None:
    """By a second PDF library: everything but the page itself is marked as optional content, and no layer is off."""
    part = demo_projected("reed-clamp")
    sheet = model_sheet(part, TASK, Drafter("Ada Muster", "Evening 2", "2026-11-20"))
    data = FORMATS["pdf"](part, sheet)
    page = pypdfium2.PdfDocument(data)[0]
    marks = [_marks(own.raw) for own in page.get_objects()]
    assert marks
    assert [own for own in marks if own != ["OC"]] == []
    kinds = {stroke.style.layer for stroke in content_of(data).strokes}
    assert kinds == {"BORDER", "TITLE-BLOCK", "VISIBLE", "HIDDEN", "CENTRE", "DIMENSION"}
    words = page.get_textpage().get_text_range()
    assert "REED CLAMP" in words.upper()


def _marks(own: object) -> list[str]:
    """The names of the marks a page object lies within."""
    names = []
    for place in range(pdfium.FPDFPageObj_CountMarks(own)):
        mark, room, long = pdfium.FPDFPageObj_GetMark(own, place), (ctypes.c_ushort * 16)(), ctypes.c_ulong()
        pdfium.FPDFPageObjMark_GetName(mark, room, 32, long)
        names.append(bytes(room)[: long.value - 2].decode("utf-16-le"))
    return names


def test_a_layer_switched_off_is_not_seen() -> None:
    """As a reader of PDF files has it, and as a sheet is read."""
    part = demo_projected("reed-clamp")
    sheet = model_sheet(part, TASK, Drafter("Ada Muster", "Evening 2", "2026-11-20"))
    data = FORMATS["pdf"](part, sheet)
    before = pypdfium2.PdfDocument(data)[0].render(scale=1).to_numpy()
    group = re.search(rb"(\d+ 0 R)(?= )", data[data.index(b"/ON [") :])
    assert group is not None
    hidden = data.replace(b"/ON [", b"/OFF [ %s ] /ON [" % group[1], 1)
    after = pypdfium2.PdfDocument(hidden)[0].render(scale=1).to_numpy()
    assert (after < 128).sum() < (before < 128).sum()
    assert "BORDER" not in {stroke.style.layer for stroke in content_of(hidden).strokes}
