"""Sheets as PDF: our own and other hands' read back alike, against a second PDF library, and hostile files."""

import ctypes
import io
import math
import zlib
from collections.abc import Callable
from typing import Any

import pypdfium2
import pypdfium2.raw as pdfium
import pytest
from reportlab.lib.pdfencrypt import StandardEncryption
from reportlab.pdfgen.canvas import Canvas
from shapely import STRtree
from shapely.geometry import Point

from maqueta.demo.workshop import PARTS
from maqueta.drawing.pdf import pdf
from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.geometry.carrier import Circle, Line
from maqueta.judging.report import check
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.phrases.said import said
from maqueta.projection.project import drawn
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.content import Content
from maqueta.reading.delivered import read_delivered, read_drawing
from maqueta.reading.errors import UnreadableSheetError
from maqueta.reading.file_content import content_of, pages_of
from maqueta.reading.pdf.file import read_pdf
from maqueta.sheet.document import SheetDocument
from maqueta.task.exercise import Exercise
from tests.parts import demo_projected, demo_solid
from tests.reading.pdf_writer import HANDS, Hand, write_pdf
from tests.reading.special_scenes import ASKED, demo

TASK = Exercise.model_validate({"views": ["front", "top", "right"], "paper": "A2"})
#: Every hand draws one of these, every one of these is drawn by our own.
SLUGS = ("reed-clamp", "warp-beam-bearing", "bobbin-flange", "temple-arm", "treadle-bracket", "tension-wheel")


def answer(slug: str) -> tuple[ProjectedPart, SheetDocument]:
    part = demo_projected(slug)
    return part, model_sheet(part, TASK, Drafter("Ada Muster", "Evening 2", "2026-11-20"))


def found(part: ProjectedPart, task: Exercise, sheet: SheetDocument) -> list[tuple[str, str]]:
    return sorted((finding.rule, finding.variant) for finding in check(part, task, sheet).findings)


@pytest.mark.parametrize("place", range(0, len(PARTS), 4))
def test_our_own_sheets_come_back_as_they_were(place: int) -> None:
    part, sheet = answer(PARTS[place])
    read = read_delivered(pdf(sheet_ink(part, sheet), sheet.paper.layout, "sheet"), part, TASK)
    assert found(part, TASK, read.document) == found(part, TASK, sheet)
    assert read.not_read == ()
    was = {view.id: (view.attitude, view.scale) for view in sheet.views if view.kind == "principal"}
    now = [(view.attitude, view.scale) for view in read.document.views if view.kind == "principal"]
    assert sorted(map(str, now)) == sorted(map(str, was.values()))
    assert read.document.title.fields["drafter"].upper() == "ADA MUSTER"
    sizes = [
        len([d for d in own.dimensions if d.kind in ("linear", "diameter", "radius")]) for own in (sheet, read.document)
    ]
    assert sizes[0] == sizes[1]


@pytest.mark.parametrize("slug", sorted(ASKED)[::2])
def test_sheets_with_special_views_come_back_without_an_error(slug: str) -> None:
    scene = demo(slug)
    data = pdf(sheet_ink(scene.part, scene.sheet), scene.sheet.paper.layout, "sheet")
    read, part = read_drawing(data, demo_projected(slug), scene.task, lambda looks: drawn(*demo_solid(slug), looks))
    assert sorted(v.kind for v in read.document.views) == sorted(v.kind for v in scene.sheet.views)
    rules = [f.rule for f in check(part, scene.task, read.document).findings if f.severity == "error"]
    # Where rows of sizes lie over another view of a crowded sheet, what they were taken from is not told.
    assert [rule for rule in rules if not rule.startswith("dimensions.")] == []


@pytest.mark.parametrize("hand", HANDS, ids=lambda hand: hand.name)
def test_other_hands_sheets_are_judged_alike(hand: Hand) -> None:
    part, sheet = answer(SLUGS[HANDS.index(hand) % len(SLUGS)])
    read = read_delivered(write_pdf(part, sheet, hand), part, TASK)
    assert found(part, TASK, read.document) == found(part, TASK, sheet)


def test_a_line_filled_as_a_bar_hardly_longer_than_wide_is_there() -> None:
    """An edge of the pictorial view is 0.9 mm long, its pen half a mm wide."""
    part, sheet = answer("slanted-seat")
    read = read_delivered(write_pdf(part, sheet, next(hand for hand in HANDS if hand.bars)), part, TASK)
    assert found(part, TASK, read.document) == found(part, TASK, sheet)


@pytest.mark.parametrize("share", [math.sqrt(0.5), 0.5, 0.94, 1.05])
def test_a_page_printed_at_another_size_is_read_as_it_was_drawn(share: float) -> None:
    """On the next paper, on a smaller one at a scale that is itself a usual one, and made to fit a printer."""
    part, sheet = answer("reed-clamp")
    read = read_delivered(write_pdf(part, sheet, HANDS[0], share=share), part, TASK)
    assert found(part, TASK, read.document) == found(part, TASK, sheet)
    assert [said(what) for what in read.not_read] == [
        f"the page was printed at {100 * share:.0f} % of the size of its sheet; it was read as large as it was drawn"
    ]


def test_a_scale_that_is_stated_wrongly_is_the_drafters_mistake() -> None:
    part, sheet = answer("reed-clamp")
    title = sheet.title.model_copy(update={"fields": {**sheet.title.fields, "scale": "1:1"}})
    wrong = sheet.model_copy(update={"title": title})
    read = read_delivered(write_pdf(part, wrong, HANDS[0]), part, TASK)
    assert ("scale.stated", "") in found(part, TASK, read.document)
    assert read.not_read == ()


def test_a_mistake_is_found_as_on_the_sheet_itself() -> None:
    part, sheet = answer("reed-clamp")
    top = next(view for view in sheet.views if view.attitude is not None and view.attitude.side == "+z")
    moved = top.model_copy(update={"at": (top.at[0] + 4.0, top.at[1])})
    wrong = sheet.model_copy(update={"views": tuple(moved if v is top else v for v in sheet.views)})
    wrong = wrong.model_copy(update={"dimensions": wrong.dimensions[1:]})
    read = read_delivered(pdf(sheet_ink(part, wrong), wrong.paper.layout, "sheet"), part, TASK)
    rules = {rule for rule, _ in found(part, TASK, read.document)}
    assert {"alignment.offset", "dimensions.undetermined"} <= rules


@pytest.mark.parametrize("hand", [hand for hand in HANDS if not hand.forms], ids=lambda hand: hand.name)
def test_lines_lie_where_a_second_library_has_them(hand: Hand) -> None:
    """Every end of a line against the points of paths another PDF library finds on the page; circles by hand."""
    part, sheet = answer("reed-clamp")
    data = write_pdf(part, sheet, hand)
    strokes = read_pdf(data).strokes
    known = STRtree([Point(at) for at in _points_of(data)])
    lines = [stroke for stroke in strokes if isinstance(stroke.piece.carrier, Line) and not hand.bars]
    ends = [Point(end) for stroke in lines for end in stroke.piece.ends]
    _, off = known.query_nearest(ends, return_distance=True)
    assert max(off, default=0.0) < 0.02
    assert len(ends) > 200 or hand.bars
    radii = sorted(round(s.piece.carrier.radius, 1) for s in strokes if isinstance(s.piece.carrier, Circle))
    assert radii == [1.8, 3.6, 9.0, 9.0, 12.0, 12.0]


def _points_of(data: bytes) -> list[tuple[float, float]]:
    """The points of all paths of the first page as it is shown, mm, by the second library."""
    page = pypdfium2.PdfDocument(data)[0]
    found = []
    x, y = ctypes.c_float(), ctypes.c_float()
    for own in page.get_objects(filter=[pdfium.FPDF_PAGEOBJ_PATH]):
        move = own.get_matrix()
        for place in range(pdfium.FPDFPath_CountSegments(own.raw)):
            segment = pdfium.FPDFPath_GetPathSegment(own.raw, place)
            pdfium.FPDFPathSegment_GetPoint(segment, x, y)
            at = move.on_point(x.value, y.value)
            if page.get_rotation() == 90:
                at = (at[1], page.get_size()[1] - at[0])
            found.append((at[0] * 25.4 / 72, at[1] * 25.4 / 72))
    return found


def plain(draw: Callable[[Any], None], **how: Any) -> bytes:
    target = io.BytesIO()
    canvas: Any = Canvas(target, pagesize=(842, 595), invariant=1, **how)
    draw(canvas)
    canvas.showPage()
    canvas.save()
    return target.getvalue()


def content(draw: Callable[[Any], None]) -> Content:
    return read_pdf(plain(draw))


@pytest.mark.parametrize("radius", [3.0, 40.0, 250.0])
def test_circles_and_arcs_are_told_from_their_curves(radius: float) -> None:
    def draw(canvas: Any) -> None:
        canvas.circle(400, 300, radius)
        canvas.arc(400 - radius, 300 - radius, 400 + radius, 300 + radius, 20, 215)

    whole, arc = content(draw).strokes
    for stroke in (whole, arc):
        circle = stroke.piece.carrier
        assert isinstance(circle, Circle)
        assert circle.radius * 72 / 25.4 == pytest.approx(radius, rel=4e-4)
    assert arc.piece.length / whole.piece.length == pytest.approx(215 / 360, rel=1e-3)


def test_what_a_clip_hides_is_not_read() -> None:
    def draw(canvas: Any) -> None:
        canvas.line(50, 50, 60, 60)
        canvas.saveState()
        window = canvas.beginPath()
        window.rect(100, 100, 200, 100)
        canvas.clipPath(window, stroke=0)
        canvas.line(0, 150, 800, 150)
        canvas.line(0, 400, 800, 400)
        canvas.restoreState()
        canvas.line(0, 500, 800, 500)

    lengths = sorted(round(stroke.piece.length * 72 / 25.4, 2) for stroke in content(draw).strokes)
    assert lengths == [round(math.sqrt(200), 2), 200.0, 800.0]


def test_paper_coloured_lines_and_fills_are_none() -> None:
    def draw(canvas: Any) -> None:
        canvas.line(50, 50, 60, 60)
        canvas.setStrokeColorRGB(1, 1, 1)
        canvas.line(0, 150, 800, 150)
        canvas.setFillColorRGB(1, 1, 1)
        canvas.rect(0, 0, 800, 500, stroke=0, fill=1)

    assert len(content(draw).strokes) == 1
    assert content(draw).hatched == ()


def test_pages_are_counted_and_chosen() -> None:
    part, sheet = answer("reed-clamp")
    data = write_pdf(part, sheet, HANDS[0], pages=3)
    assert pages_of(data) == 3
    assert len(content_of(data, 1).strokes) == 2
    assert found(part, TASK, read_delivered(write_pdf(part, sheet, HANDS[0]), part, TASK).document) == []
    assert len(content_of(data, 3).strokes) > 100
    with pytest.raises(UnreadableSheetError, match="no page 4"):
        content_of(data, 4)


def _form_in_itself() -> bytes:
    body = b"q 1 0 0 1 0 0 cm /F Do Q 0 0 m 9 9 l S"
    return _file([b"<</Type/XObject/Subtype/Form/BBox[0 0 9 9]/Resources<</XObject<</F 5 0 R>>>>"], [body], b"/F Do")


def _file(extra: list[bytes], bodies: list[bytes], page: bytes) -> bytes:
    """A small file written by hand: a page that may draw the form F."""
    objects = [
        b"<</Type/Catalog/Pages 2 0 R>>",
        b"<</Type/Pages/Kids[3 0 R]/Count 1>>",
        b"<</Type/Page/Parent 2 0 R/MediaBox[0 0 842 595]/Contents 4 0 R/Resources<</XObject<</F 5 0 R>>>>>>",
        b"<</Length %d>>stream\n%s\nendstream" % (len(page), page),
        *(
            b"%s/Length %d>>stream\n%s\nendstream" % (own, len(body), body)
            for own, body in zip(extra, bodies, strict=True)
        ),
    ]
    return _put_together(objects)


def _put_together(objects: list[bytes]) -> bytes:
    """A file of these objects, numbered from 1."""
    data, places = b"%PDF-1.4\n", []
    for number, text in enumerate(objects, 1):
        places.append(len(data))
        data += b"%d 0 obj%s\nendobj\n" % (number, text)
    table = b"".join(b"%010d 00000 n \n" % place for place in places)
    start = len(data)
    return data + b"xref\n0 %d\n0000000000 65535 f \n%strailer<</Size %d/Root 1 0 R>>\nstartxref\n%d\n%%%%EOF" % (
        len(objects) + 1,
        table,
        len(objects) + 1,
        start,
    )


def _layered() -> bytes:
    """Three strokes: on the layer HIDDEN, on one that is switched off, and on none."""
    page = b"/OC /A BDC 10 10 m 99 10 l S EMC /OC /B BDC 10 20 m 99 20 l S EMC 10 30 m 99 30 l S"
    known = b"/Resources<</Properties<</A 5 0 R/B 6 0 R>>>>"
    objects = [
        b"<</Type/Catalog/Pages 2 0 R/OCProperties<</OCGs[5 0 R 6 0 R]/D<</OFF[6 0 R]>>>>>>",
        b"<</Type/Pages/Kids[3 0 R]/Count 1>>",
        b"<</Type/Page/Parent 2 0 R/MediaBox[0 0 842 595]/Contents 4 0 R%s>>" % known,
        b"<</Length %d>>stream\n%s\nendstream" % (len(page), page),
        b"<</Type/OCG/Name(HIDDEN)>>",
        b"<</Type/OCG/Name(OLD)>>",
    ]
    return _put_together(objects)


def test_layers_have_names_and_may_be_switched_off() -> None:
    read = read_pdf(_layered())
    assert sorted(stroke.style.layer for stroke in read.strokes) == ["", "HIDDEN"]
    assert [said(what) for what in read.not_read] == ["PATH on the switched-off layer OLD (1)"]


def _bomb() -> bytes:
    """A page of ten million strokes, packed."""
    body = zlib.compress(b"0 0 m 9 9 l S\n" * 700_000, 9)
    return _file([], [], b"").replace(
        b"<</Length 0>>stream\n\nendstream",
        b"<</Filter/FlateDecode/Length %d>>stream\n%s\nendstream" % (len(body), body),
    )


def _picture(canvas: Any) -> None:
    from PIL import Image
    from reportlab.lib.utils import ImageReader

    canvas.drawImage(ImageReader(Image.new("L", (60, 40), 255)), 0, 0, 800, 500)


HOSTILE: dict[str, tuple[Callable[[], bytes], str]] = {
    "locked": (lambda: plain(lambda c: c.line(0, 0, 9, 9), encrypt=StandardEncryption("secret")), "password"),
    "cut off": (lambda: plain(lambda c: c.line(0, 0, 9, 9))[:200], "not a usable PDF"),
    "a name alone": (lambda: b"%PDF-1.7\n", "not a usable PDF"),
    "a picture of nothing": (lambda: plain(_picture), "no line"),
    "nothing drawn": (lambda: plain(lambda c: None), "no line"),
    "far away": (lambda: plain(lambda c: c.line(0, 0, 1e12, 9)), "not on any sheet"),
    "packed lines": (_bomb, "lines"),
    "PNG": (lambda: b"\x89PNG\r\n\x1a\n" + bytes(100), "PNG"),
    "JPEG": (lambda: b"\xff\xd8\xff\xe0" + bytes(100), "JPEG"),
    "ZIP": (lambda: b"PK\x03\x04" + bytes(100), "ZIP"),
}


@pytest.mark.parametrize("name", sorted(HOSTILE))
def test_a_file_of_no_use_is_refused_in_one_line(name: str) -> None:
    made, reason = HOSTILE[name]
    with pytest.raises(UnreadableSheetError, match=reason) as refused:
        content_of(made())
    assert "\n" not in said(refused.value.reason)


def test_a_form_that_draws_itself_ends() -> None:
    """The form is drawn once, and once more within itself at most."""
    assert len(read_pdf(_form_in_itself()).strokes) in (1, 2)
