"""Sheet forms: what they hold, what is wrong with them, and their zone marks."""

import pytest
from hypothesis import given
from hypothesis import strategies as st
from pydantic import ValidationError

from maqueta.geometry.box import meet, within
from maqueta.phrases.said import LANGUAGES, said
from maqueta.sheet.document import Frame, Paper, SheetDocument
from maqueta.sheet.fields import FORM_FIELDS
from maqueta.sheet.form_flaws import USUAL_FIELDS, form_flaws
from maqueta.sheet.paper import PAPER_SIZES, PaperSize, layout
from maqueta.sheet.sheet_form import FieldPlace, FormLine, FormText, SheetForm
from maqueta.sheet.usual_form import usual_form
from maqueta.sheet.zones import STRIP, zone_marks

USUAL = usual_form("A3", True, "en")


def flawed(**change: object) -> list[str]:
    return [flaw.what.kind for flaw in form_flaws(USUAL.model_copy(update=change))]


@pytest.mark.parametrize("size", PAPER_SIZES)
@pytest.mark.parametrize("landscape", [True, False])
@pytest.mark.parametrize("language", LANGUAGES)
def test_the_usual_form_is_without_a_flaw(size: PaperSize, landscape: bool, language: str) -> None:
    form = usual_form(size, landscape, language)
    barring = [flaw.what.kind for flaw in form_flaws(form) if flaw.bars]
    assert not barring
    assert {place.field for place in form.fields} == set(FORM_FIELDS)
    assert form.layout == layout(size, landscape)
    assert set(USUAL_FIELDS) <= set(FORM_FIELDS)


def test_captions_are_in_the_language_of_the_sheet() -> None:
    assert {"TITLE", "DRAFTER", "SCALE"} <= {text.text for text in USUAL.texts}
    spanish = Paper(captions="es").drawn_form
    assert spanish is not None
    assert {"TÍTULO", "DIBUJADO", "ESCALA"} <= {text.text for text in spanish.texts}


def test_what_bars_a_form_from_use_is_told_first() -> None:
    assert form_flaws(USUAL) == []
    assert flawed(fields=()) == ["form-without-fields"]
    assert flawed(border=(20.0, 10.0, 425.0, 287.0))[0] == "form-border-off-paper"
    assert "form-no-room-to-draw" in flawed(title=(230.0, 10.0, 410.0, 200.0))
    assert flawed(title=(230.0, 5.0, 410.0, 46.0))[0] == "form-title-outside"
    assert all(flaw.bars for flaw in form_flaws(USUAL.model_copy(update={"fields": ()})))


def test_lesser_flaws_are_told_with_their_field() -> None:
    first, second, *rest = USUAL.fields
    assert flawed(fields=(first, *rest)) == ["form-lacks-fields"]
    assert "form-field-small" in flawed(fields=(first.model_copy(update={"box": (232, 40, 240, 41.5)}), second, *rest))
    over = second.model_copy(update={"box": first.box})
    found = form_flaws(USUAL.model_copy(update={"fields": (first, over, *rest)}))
    assert [(flaw.what.kind, flaw.field) for flaw in found] == [("form-fields-overlap", second.field)]
    assert "form-field-outside" in flawed(fields=(first.model_copy(update={"box": (40, 200, 90, 210)}), second, *rest))
    assert flawed(lines=(FormLine(start=(100, 150), end=(200, 150)),)) == ["form-ink-in-drawing"]
    assert flawed(texts=(FormText(text="EVENING SCHOOL", at=(500, 15)),)) == ["form-ink-off-paper"]
    assert flawed(border=(3.0, 10.0, 410.0, 287.0), zones="iso") == ["form-zones-off-paper"]
    for flaw in found:
        assert all(said(flaw.what, language) for language in LANGUAGES)


def test_a_form_has_each_field_once_and_no_box_without_size() -> None:
    place = FieldPlace(field="title", box=(300, 12, 340, 18))
    with pytest.raises(ValidationError, match="two places"):
        SheetForm(border=USUAL.border, title=USUAL.title, fields=(place, place))
    with pytest.raises(ValidationError, match="wider and higher than nothing"):
        SheetForm(border=(20, 10, 20, 287), title=USUAL.title)


def test_a_sheet_stands_on_a_form_of_its_own_paper_only() -> None:
    with pytest.raises(ValidationError, match="another paper"):
        Paper(size="A4", form=USUAL)
    raised = USUAL.model_copy(update={"title": (230.0, 10.0, 410.0, 60.0)})
    sheet = SheetDocument(paper=Paper(form=raised))
    assert sheet.paper.layout.drawing_area == (20.0, 60.0, 410.0, 287.0)
    assert SheetDocument.model_validate_json(sheet.model_dump_json()) == sheet


def test_a_frame_without_a_title_block_is_drawn_without_one() -> None:
    border = (25.0, 12.0, 400.0, 280.0)
    assert Paper(frame=Frame(border=border)).drawn_form is None
    moved = Paper(frame=Frame(border=border, title=(250.0, 12.0, 400.0, 52.0))).drawn_form
    assert moved is not None
    assert all(within(place.box, (250.0, 12.0, 400.0, 52.0)) for place in moved.fields)


# ISO 5457, table of fields of the grid reference system, from memory: fields along the long and the short side.
ISO_FIELDS = [("A0", 24, 16), ("A1", 16, 12), ("A2", 12, 8), ("A3", 8, 6), ("A4", 6, 4)]


@pytest.mark.parametrize(("size", "long", "short"), ISO_FIELDS)
@pytest.mark.parametrize("landscape", [True, False])
def test_zones_are_as_many_as_the_standard_says(size: PaperSize, long: int, short: int, landscape: bool) -> None:
    sheet = layout(size, landscape)
    marks = zone_marks("iso", size, (0, 0, sheet.width, sheet.height), sheet.border)
    numbers = {name for name, _ in marks.names if name.isdigit()}
    letters = {name for name, _ in marks.names if not name.isdigit()}
    assert (len(numbers), len(letters)) == ((long, short) if landscape else (short, long))
    assert not {"I", "O"} & letters


def test_letters_and_numbers_run_as_each_tradition_has_them() -> None:
    iso = layout("A3", True)
    places = dict(reversed(zone_marks("iso", "A3", (0, 0, 420, 297), iso.border).names))
    assert places["1"][0] < places["8"][0]
    assert places["A"][1] > places["F"][1]
    # Zones are 50 mm long, counted from the middle of the paper.
    assert places["5"] == pytest.approx((235.0, 10.0 - STRIP / 2))
    asme = layout("ANSI C", True)
    places = dict(zone_marks("asme", "ANSI C", (0, 0, asme.width, asme.height), asme.border).names)
    assert places["1"][0] > places["4"][0]
    assert places["A"][1] < places["D"][1]


@given(
    size=st.sampled_from(PAPER_SIZES),
    landscape=st.booleans(),
    order=st.sampled_from(("iso", "asme")),
    inset=st.floats(6, 40),
)
def test_zone_marks_stand_in_their_strip(size: PaperSize, landscape: bool, order: str, inset: float) -> None:
    sheet = layout(size, landscape)
    paper = (0.0, 0.0, sheet.width, sheet.height)
    border = (inset, inset / 2 + 5, sheet.width - inset, sheet.height - inset)
    marks = zone_marks(order, size, paper, border)  # type: ignore[arg-type]
    assert len(marks.names) == len(marks.ticks) + 4
    for _, (x, y) in marks.names:
        assert within((x, y, x, y), marks.edge)
        assert not meet((x, y, x, y), border, -0.1)
