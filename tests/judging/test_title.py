"""Lettering of the title block and the name of the sheet, as an exercise may ask for them."""

import pytest
from pydantic import ValidationError

from maqueta.judging.catalogue import wording
from maqueta.judging.report import check
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.phrases.said import said
from maqueta.sheet.document import SheetDocument, TitleBlock
from maqueta.task.exercise import Exercise
from tests.parts import demo_projected

PART = demo_projected("reed-clamp")
PLAIN = Exercise(views=("front", "top", "right"), pictorial="unwanted")
SHEET = model_sheet(PART, PLAIN, Drafter("Lena Achterberg", "Evening 2", "2026-11-20"))
PATTERN = "{class}-{drafter}-{title}"


def _titled(**fields: str) -> SheetDocument:
    title = TitleBlock(fields={**SHEET.title.fields, **fields}, angle="third")  # type: ignore[dict-item]
    return SHEET.model_copy(update={"title": title})


def _found(task: Exercise, sheet: SheetDocument) -> list[str]:
    return [f.rule for f in check(PART, task, sheet).findings if f.rule in ("title.lettering", "title.name")]


def test_capitals_are_judged_where_they_are_asked_for() -> None:
    asked = PLAIN.model_copy(update={"title_capitals": True})
    mixed = _titled(drafter="Lena Achterberg", material="beech")
    assert _found(asked, SHEET) == []
    assert _found(PLAIN, mixed) == []
    (finding,) = (f for f in check(PART, asked, mixed).findings if f.rule == "title.lettering")
    assert (finding.severity, said(wording(finding).found)) == ("warning", "small letters in drafter and material")


def test_signs_and_numbers_have_no_capitals() -> None:
    asked = PLAIN.model_copy(update={"title_capitals": True})
    assert _found(asked, _titled(unit="mm", scale="1:1 (full)", number="12b")) == []


@pytest.mark.parametrize(
    ("name", "found"),
    [
        ("EVENING 2-LENA ACHTERBERG-REED CLAMP", []),
        ("evening_2 lena_achterberg reed-clamp", []),
        ("reed clamp lena achterberg evening 2", ["title.name"]),
        ("sheet1", ["title.name"]),
        (None, ["title.name"]),
    ],
)
def test_name_follows_the_pattern_whatever_parts_its_words(name: str | None, found: list[str]) -> None:
    asked = PLAIN.model_copy(update={"sheet_name": PATTERN})
    assert _found(asked, SHEET.model_copy(update={"name": name})) == found
    assert _found(PLAIN, SHEET.model_copy(update={"name": name})) == []


def test_a_name_is_not_judged_by_a_title_that_cannot_be_read() -> None:
    """A scanned title block whose letters are too rough: the sheet may be named right."""
    asked = PLAIN.model_copy(update={"sheet_name": PATTERN})
    rough = _titled(title="?").model_copy(update={"name": "EVENING 2-LENA ACHTERBERG-REED CLAMP"})
    assert _found(asked, rough) == []


def test_a_pattern_of_unknown_fields_is_refused() -> None:
    with pytest.raises(ValidationError, match="no field of the title block"):
        Exercise(sheet_name="{teacher}")
