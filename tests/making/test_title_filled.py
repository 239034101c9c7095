"""Fields of the title block that the program fills in."""

import pytest

from maqueta.judging.report import check
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.making.title_filled import on_its_form, title_checked, title_filled, title_values
from maqueta.sheet.document import Frame, Paper, SheetDocument, TitleBlock
from maqueta.sheet.usual_form import usual_form
from maqueta.task.exercise import Exercise, FilledField
from tests.parts import demo_projected

PART = demo_projected("reed-clamp")
WHO = Drafter("Ana Ñandú", "Evening 2", "2026-11-20")


@pytest.mark.parametrize("field", ["drafter", "class", "date", "scale", "sheet", "material", "unit", "paper"])
def test_a_field_is_filled_in_and_the_others_stay(field: FilledField) -> None:
    task = Exercise(title_filled=(field,))
    drawn = SheetDocument(paper=Paper(size="A4"), title=TitleBlock(fields={"title": "mine", "drafter": "x"}))
    filled = title_filled(PART.part, task, WHO, drawn, 0.5)
    wanted = {
        "drafter": "ANA ÑANDÚ",
        "class": "EVENING 2",
        "date": "2026-11-20",
        "scale": "1:2",
        "sheet": "1 / 1",
        "material": PART.part.material.upper(),
        "unit": "MM",
        "paper": "A4",
    }[field]
    assert filled.title.fields == {"title": "mine", "drafter": "x", field: wanted}
    assert filled.model_copy(update={"title": drawn.title}) == drawn


def test_nothing_is_filled_in_where_nothing_is_asked_or_drawn() -> None:
    drawn = SheetDocument()
    assert title_filled(PART.part, Exercise(), WHO, drawn, 1.0) is drawn
    filled = title_filled(PART.part, Exercise(title_filled=("scale",)), WHO, drawn, None)
    assert filled.title.fields == {"scale": ""}


def test_what_is_filled_in_is_what_the_checks_ask_for() -> None:
    task = Exercise(title_fields=("drafter", "class", "date", "scale"), title_capitals=True, pictorial="unwanted")
    whole = model_sheet(PART, task, WHO)
    bare = whole.model_copy(update={"title": TitleBlock(angle=task.angle)})
    assert {f.rule for f in check(PART, task, bare).findings} == {"title.missing"}
    helped = task.model_copy(update={"title_filled": ("drafter", "class", "date", "scale")})
    scale = whole.views[0].scale
    filled = title_filled(PART.part, helped, WHO, bare, scale)
    assert check(PART, helped, filled).findings == ()
    known = title_values(PART.part, whole, WHO, scale)
    assert whole.title.fields == known


def test_who_has_checked_stands_where_nobody_has_written_and_the_block_is_ours() -> None:
    drawn = SheetDocument(title=TitleBlock(fields={"title": "mine"}))
    assert title_checked(drawn, "I. CORVALHO").title.fields == {"title": "mine", "checked": "I. CORVALHO"}
    own = SheetDocument(title=TitleBlock(fields={"checked": "M. LORE"}))
    assert title_checked(own, "I. CORVALHO") is own
    elsewhere = SheetDocument(paper=Paper(frame=Frame(border=(10, 10, 410, 287))))
    assert title_checked(elsewhere, "I. CORVALHO") is elsewhere


def test_a_sheet_stands_on_the_form_of_its_exercise_where_that_is_for_its_paper() -> None:
    form = usual_form("A3", True, "es").model_copy(update={"zones": "iso"})
    task = Exercise(sheet_form=form)
    given = on_its_form(task, SheetDocument())
    assert given.paper == task.paper_given
    assert on_its_form(task, given) is given
    assert on_its_form(task, SheetDocument(paper=Paper(size="A4", landscape=False))).paper.form is None
    # Another form is never kept, a frame found on a sheet from elsewhere always is.
    other = SheetDocument(paper=Paper(form=usual_form("A3", True, "en")))
    assert on_its_form(Exercise(), other).paper.form is None
    framed = SheetDocument(paper=Paper(frame=Frame(border=(10, 10, 410, 287))))
    assert on_its_form(task, framed) is framed
