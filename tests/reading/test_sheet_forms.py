"""Sheet forms out of files, and sheets on them: re-read by a DXF library and by our own reader."""

from io import BytesIO, StringIO
from typing import Any

import ezdxf
import pypdfium2
import pytest

from maqueta.drawing.dxf import dxf
from maqueta.drawing.pdf import pdf
from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.drawing.sheet_sizes import sheet_sizes
from maqueta.judging.report import check
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.phrases.phrase import phrase
from maqueta.reading.delivered import read_delivered
from maqueta.reading.dxf.file import read_dxf
from maqueta.reading.errors import UnreadableSheetError
from maqueta.reading.form_file import read_form
from maqueta.sheet.document import Paper, SheetDocument
from maqueta.sheet.form_flaws import form_flaws
from maqueta.sheet.placed import placed_views
from maqueta.sheet.sheet_form import FieldPlace, FormLine, FormText, SheetForm
from maqueta.sheet.usual_form import usual_form
from maqueta.task.exercise import Exercise
from tests.parts import demo_projected
from tests.reading.drawn_form import DrawnForm

PART = demo_projected("reed-clamp")

#: A school's form whose fields have no captions a reader could know, with zone marks, the symbol at the left.
FORM = SheetForm(
    size="A3",
    landscape=True,
    border=(20.0, 10.0, 410.0, 287.0),
    title=(270.0, 10.0, 410.0, 40.0),
    zones="iso",
    lines=(
        FormLine(start=(300.0, 10.0), end=(300.0, 40.0)),
        FormLine(start=(300.0, 25.0), end=(410.0, 25.0)),
        FormLine(start=(360.0, 10.0), end=(360.0, 40.0), pen="border"),
    ),
    texts=(
        FormText(text="WEAVING HALL EVENING SCHOOL", at=(24.0, 281.0), height=3.5),
        FormText(text="what it is", at=(301.0, 37.0)),
    ),
    fields=(
        FieldPlace(field="angle", box=(270.0, 10.0, 300.0, 40.0)),
        FieldPlace(field="title", box=(302.0, 26.0, 358.0, 36.0)),
        FieldPlace(field="drafter", box=(302.0, 11.0, 358.0, 17.0)),
        FieldPlace(field="date", box=(302.0, 18.0, 358.0, 24.0), height=2.5),
        FieldPlace(field="scale", box=(361.0, 11.0, 409.0, 24.0), anchor="middle"),
        FieldPlace(field="number", box=(361.0, 26.0, 409.0, 39.0)),
    ),
)
TASK = Exercise(
    views=("front", "top", "right"),
    pictorial="unwanted",
    sheet_form=FORM,
    title_fields=("title", "drafter", "date", "scale", "angle"),
)


def sheet_on(task: Exercise) -> SheetDocument:
    return model_sheet(PART, task, Drafter("A. Tester", "Evening 2", "2026-11-20"))


def as_dxf(sheet: SheetDocument) -> bytes:
    return dxf(sheet_ink(PART, sheet), sheet_sizes(PART, sheet))


def moved(data: bytes, x: float, y: float) -> bytes:
    document = ezdxf.read(StringIO(data.decode()))
    for entity in document.modelspace():
        entity.translate(x, y, 0)
    target = StringIO()
    document.write(target)
    return target.getvalue().encode()


@pytest.mark.parametrize("shift", [(0.0, 0.0), (-20.0, -10.0), (1000.0, 300.0)])
def test_a_sheet_on_a_known_form_is_read_by_the_forms_own_places(shift: tuple[float, float]) -> None:
    sheet = sheet_on(TASK)
    assert sheet.paper.form == FORM
    read = read_delivered(moved(as_dxf(sheet), *shift), PART, TASK)
    assert read.not_read == ()
    assert read.document.paper == Paper(size="A3", landscape=True, form=FORM)
    for field in ("title", "drafter", "date", "scale"):
        assert read.document.title.fields[field] == sheet.title.fields[field]
    assert read.document.title.angle == "third"
    assert read.document.notes == ()
    assert len(read.document.views) == 3
    assert [finding.rule for finding in check(PART, TASK, read.document).findings if finding.severity == "error"] == []


def test_a_view_over_the_border_is_still_a_view_on_a_known_form() -> None:
    sheet = sheet_on(TASK)
    first = placed_views(PART, sheet)[0]
    beyond = first.box[0] - FORM.border[0] + 6.0
    front = first.view.model_copy(update={"at": (first.view.at[0] - beyond, first.view.at[1])})
    out = sheet.model_copy(update={"views": (front, *sheet.views[1:]), "dimensions": (), "marks": ()})
    read = read_delivered(as_dxf(out), PART, TASK)
    assert len(read.document.views) == 3
    assert "layout.outside" in {finding.rule for finding in check(PART, TASK, read.document).findings}


def test_a_sheet_on_another_form_is_read_by_its_lines_and_that_is_told() -> None:
    other = TASK.model_copy(update={"sheet_form": None})
    sheet = sheet_on(other)
    read = read_delivered(as_dxf(sheet), PART, TASK)
    assert phrase("form-not-on-sheet") in read.not_read
    assert read.document.title.fields["title"] == sheet.title.fields["title"]
    assert read.document.paper.frame is not None


def test_an_unknown_form_with_zone_marks_is_found_by_its_inner_edge() -> None:
    sheet = sheet_on(TASK)
    read = read_delivered(as_dxf(sheet), PART, TASK.model_copy(update={"sheet_form": None}))
    assert read.document.paper.frame is not None
    assert read.document.paper.frame.border == pytest.approx(FORM.border, abs=0.01)
    assert len(read.document.views) == 3


def test_a_sheet_on_a_form_is_the_same_in_dxf_and_pdf_to_general_libraries() -> None:
    sheet = sheet_on(TASK)
    ink = sheet_ink(PART, sheet)
    document = ezdxf.read(StringIO(as_dxf(sheet).decode()))
    assert not document.audit().errors
    words = {text.dxf.text for text in document.modelspace().query("TEXT")}
    assert {"WEAVING HALL EVENING SCHOOL", sheet.title.fields["title"], "A", "F", "8"} <= words
    bold = document.modelspace().query('LINE[layer=="BORDER"]')
    assert {(line.dxf.start.x, line.dxf.end.x) for line in bold} == {(360.0, 360.0)}
    page = pypdfium2.PdfDocument(BytesIO(pdf(ink, sheet.paper.layout, "on a form")))[0]
    assert page.get_size() == pytest.approx((420 / 25.4 * 72, 297 / 25.4 * 72), abs=0.1)
    text = page.get_textpage()
    # A field's text stands where the form has its place: within its box, in points from the lower left corner.
    left, bottom, right, top = (side / 25.4 * 72 for side in (302.0, 26.0, 358.0, 36.0))
    assert text.get_text_bounded(left, bottom, right, top).strip() == sheet.title.fields["title"]


@pytest.mark.parametrize("language", ["en", "es"])
def test_our_own_form_comes_back_from_its_dxf(language: Any) -> None:
    form = usual_form("A3", True, language)
    read = read_form(read_dxf(as_dxf(SheetDocument(paper=Paper(form=form)))))
    assert read.form.border == form.border
    assert read.form.title == form.title
    assert {text.text for text in read.form.texts} == {text.text for text in form.texts}
    assert {place.field for place in read.form.fields} == {place.field for place in form.fields}
    for place in read.form.fields:
        known = form.place_of(place.field)
        assert known is not None
        middle = ((place.box[0] + place.box[2]) / 2, (place.box[1] + place.box[3]) / 2)
        assert known.box[0] <= middle[0] <= known.box[2], place.field
        assert known.box[1] <= middle[1] <= known.box[3], place.field
    assert not [flaw for flaw in form_flaws(read.form) if flaw.bars]


def test_a_form_drawn_elsewhere_is_read_with_captions_beside_and_above_their_fields() -> None:
    drawn = DrawnForm()
    # Paper of A4 upright, drawn somewhere in the plane.
    x, y = 500.0, 40.0
    drawn.box(x, y, x + 210, y + 297)
    drawn.box(x + 20, y + 10, x + 200, y + 287, 70)
    drawn.box(x + 20, y + 10, x + 200, y + 34)
    for level in (18.0, 26.0):
        drawn.space.add_line((x + 20, y + level), (x + 200, y + level))
    drawn.space.add_line((x + 110, y + 10), (x + 110, y + 34))
    drawn.space.add_line((x + 36, y + 10), (x + 36, y + 26))
    drawn.words("ALUMNO:", x + 22, y + 29)
    drawn.words("FECHA", x + 22, y + 21)
    drawn.words("ESCALA", x + 22, y + 13)
    drawn.words("Título", x + 112, y + 23.5, 1.8)
    drawn.words("TALLER DE TELARES", x + 112, y + 29, 3.5)
    drawn.space.add_circle((x + 190, y + 14), 3)
    margin = {"height": 2.5, "rotation": 90.0}
    drawn.space.add_text("NO COPIES", dxfattribs=margin).set_placement((x + 17, y + 60))
    attribute = {"height": 3.0}
    drawn.space.add_attdef("NUMERO", (x + 114, y + 12), "", dxfattribs=attribute)
    read = drawn.read()
    form = read.form
    assert (form.size, form.landscape) == ("A4", False)
    assert form.border == pytest.approx((20.0, 10.0, 200.0, 287.0))
    assert form.title == pytest.approx((20.0, 10.0, 200.0, 34.0))
    boxes = {place.field: place.box for place in form.fields}
    assert set(boxes) == {"drafter", "date", "scale", "title", "number"}
    assert boxes["drafter"][0] > 30
    # Date and scale fill cells of their own: what is written stands in the empty cell beside them.
    assert boxes["date"][0] == pytest.approx(36.8)
    assert boxes["scale"][0] == pytest.approx(36.8)
    assert boxes["title"][3] < 23.5
    assert boxes["number"][0] == pytest.approx(114)
    assert [told.kind for told in read.not_read] == ["form-read-curves"]
    assert "TALLER DE TELARES" in {text.text for text in form.texts}
    (upright,) = (text for text in form.texts if text.turn)
    assert (upright.text, upright.turn, upright.at) == ("NO COPIES", 90.0, (17.0, 60.0))
    assert not [flaw for flaw in form_flaws(form) if flaw.bars]


def test_a_file_without_border_title_or_fields_still_gives_a_form_to_go_on_with() -> None:
    drawn = DrawnForm()
    drawn.space.add_line((100, 100), (180, 100))
    read = drawn.read()
    told = {item.kind for item in read.not_read}
    assert told == {"form-read-no-border", "form-read-no-title"}
    assert [flaw.what.kind for flaw in form_flaws(read.form) if flaw.bars] == ["form-without-fields"]


def test_a_file_without_lines_is_no_form() -> None:
    drawn = DrawnForm()
    drawn.words("TITLE", 100, 100)
    with pytest.raises(UnreadableSheetError):
        drawn.read()


def test_a_file_with_too_many_lines_keeps_what_a_form_may_have() -> None:
    drawn = DrawnForm()
    drawn.box(20, 10, 410, 287, 70)
    for number in range(400):
        drawn.space.add_line((230, 10 + 0.05 * number), (300, 10 + 0.05 * number))
    drawn.words("TITLE", 310, 20)
    read = drawn.read()
    assert len(read.form.lines) == 300
    assert "form-read-too-many" in {item.kind for item in read.not_read}


def test_what_lies_metres_off_the_paper_is_left_out_and_told() -> None:
    drawn = DrawnForm()
    drawn.box(20, 10, 410, 287, 70)
    drawn.box(300, 10, 410, 40)
    drawn.words("SCALE", 302, 36)
    drawn.words("LOST", 20000, 36)
    drawn.space.add_line((30000, 0), (40000, 0))
    read = drawn.read()
    assert [place.field for place in read.form.fields] == ["scale"]
    assert phrase("form-read-far", count=2) in read.not_read
    assert "LOST" not in {text.text for text in read.form.texts}


def test_captions_without_room_are_told() -> None:
    drawn = DrawnForm()
    drawn.box(20, 10, 410, 287, 70)
    drawn.box(300, 10, 410, 40)
    drawn.space.add_line((300, 13), (410, 13))
    drawn.words("SCALE", 401, 10.5)
    assert phrase("form-read-no-room", field="scale") in drawn.read().not_read
