"""Tolerances that contradict themselves, and functional sizes that carry none."""

import pytest

from maqueta.judging.catalogue import wording
from maqueta.judging.finding import Finding
from maqueta.judging.report import check
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.phrases.said import LANGUAGES, said
from maqueta.sheet.dimension import Dimension
from maqueta.sheet.dimension_words import dimension_text
from maqueta.sheet.document import SheetDocument
from maqueta.sizes.text import read_text
from maqueta.task.exercise import Exercise
from tests.parts import block, demo_projected, projected

PART = demo_projected("reed-clamp")
TASK = Exercise.model_validate({"views": ["front", "top", "right"], "pictorial": "unwanted"})
SHEET = model_sheet(PART, TASK, Drafter("A", "B", "2026-11-20"))
#: The pair of holes of 12 mm, and the length of 96 mm.
HOLES = next(d for d in SHEET.dimensions if d.kind == "diameter" and d.radius == 6)
LENGTH = next(d for d in SHEET.dimensions if dimension_text(d, SHEET, "mm") == "96")


def _typed(of: Dimension, text: str) -> SheetDocument:
    own = tuple(d.model_copy(update={"text": text}) if d.id == of.id else d for d in SHEET.dimensions)
    return SHEET.model_copy(update={"dimensions": own})


def _found(sheet: SheetDocument, task: Exercise = TASK) -> list[Finding]:
    return [f for f in check(PART, task, sheet).findings if f.rule.startswith("dimensions.")]


@pytest.mark.parametrize(
    "text",
    [
        "<> ±0,1",
        "<> +0.2/0",
        "96 +0.2/+0.1",
        "96 -0.1/+0.2",
        "<> -0.1/-0.3",
        "96 h9",
        "<> h9 (0/-0.087)",
        "96 js7 +0.0175/-0.0175",
    ],
)
def test_tolerances_that_stand(text: str) -> None:
    assert _found(_typed(LENGTH, text)) == []


@pytest.mark.parametrize(
    ("text", "variant"),
    [
        ("96 +0.1/+0.3", "crossed"),
        ("<> 0/0", "crossed"),
        ("<> ±0", "crossed"),
        ("96 ±60", "wide"),
        ("96 h9 (0/-0.1)", "fit"),
        ("96 H9 (0/-0.087)", "fit"),
    ],
)
def test_tolerances_that_contradict(text: str, variant: str) -> None:
    (finding,) = _found(_typed(LENGTH, text))
    assert (finding.rule, finding.severity, finding.variant) == ("dimensions.tolerance", "warning", variant)
    for language in LANGUAGES:
        assert text.replace("<>", "96") in said(wording(finding).message, language)


def test_a_fit_keeps_its_letters_and_its_count() -> None:
    sheet = _typed(HOLES, "<> H7")
    own = next(d for d in sheet.dimensions if d.id == HOLES.id)
    assert dimension_text(own, sheet, "mm") == "2× ⌀12 H7"
    assert _found(sheet) == []
    for text, fit in (("⌀20 g6", "g6"), ("⌀20G7", "G7"), ("2× ⌀20 H7 / g6", "H7/g6"), ("20 Js7", "Js7")):
        tolerance = read_text(text).tolerance
        assert tolerance is not None
        assert tolerance.fit == fit


@pytest.mark.parametrize(
    ("kind", "size", "of", "text", "found"),
    [
        ("diameter", 12, HOLES, None, True),
        ("diameter", 12, HOLES, "<> H7", False),
        ("diameter", 12, HOLES, "2× ⌀12.00", False),
        ("diameter", 12, LENGTH, "96 ±0.1", True),
        ("length", 96, LENGTH, None, True),
        ("length", 96, LENGTH, "96 ±0.1", False),
        ("length", 96.04, LENGTH, None, True),
        ("length", 97, LENGTH, None, False),
        ("radius", 12, HOLES, None, False),
    ],
)
def test_functional_sizes(kind: str, size: float, of: Dimension, text: str | None, found: bool) -> None:
    dimensioning = TASK.dimensioning.model_copy(update={"functional": ()}).model_dump()
    task = Exercise.model_validate(
        {**TASK.model_dump(), "dimensioning": {**dimensioning, "functional": [{"kind": kind, "size": size}]}}
    )
    sheet = _typed(of, text) if text is not None else SHEET
    rules = [f.rule for f in _found(sheet, task)]
    assert ("dimensions.precision" in rules) == found


class TestDecimalsOfItsOwn:
    """A size that is written closer than the others says something; rounded away, it says something wrong."""

    def _with(self, decimals: int, text: str | None = None) -> SheetDocument:
        changed = {"decimals": decimals, "text": text}
        own = tuple(d.model_copy(update=changed) if d.id == LENGTH.id else d for d in SHEET.dimensions)
        return SHEET.model_copy(update={"dimensions": own})

    def test_more_decimals_than_asked(self) -> None:
        assert [f.rule for f in _found(self._with(3))] == ["dimensions.decimals"]

    def test_as_many_as_its_tolerance(self) -> None:
        assert _found(self._with(3, "<> ±0.005")) == []
        assert [f.rule for f in _found(self._with(3, "<> ±0.5"))] == ["dimensions.decimals"]

    def test_functional_size_carries_more(self) -> None:
        functional = {"required": True, "functional": [{"kind": "length", "size": 96}]}
        task = Exercise.model_validate(TASK.model_dump(mode="json") | {"dimensioning": functional})
        assert [f.rule for f in _found(SHEET, task)] == ["dimensions.precision"]
        assert _found(self._with(3), task) == []

    def test_rounded_away_is_another_size(self) -> None:
        part = projected(block((60, 40, 20.5)))
        sheet = model_sheet(part, TASK, Drafter("A", "B", "2026-11-20"))
        uneven = next(d for d in sheet.dimensions if dimension_text(d, sheet, "mm") == "20.5")
        rough = tuple(d.model_copy(update={"decimals": 0}) if d.id == uneven.id else d for d in sheet.dimensions)
        found = check(part, TASK, sheet.model_copy(update={"dimensions": rough})).findings
        assert ("dimensions.value", (uneven.id,)) in [(f.rule, f.items) for f in found]


class TestGeneralTolerance:
    """The title block says how close sizes without a tolerance of their own must be."""

    def _stating(self, text: str, sheet: SheetDocument = SHEET) -> SheetDocument:
        fields = {**sheet.title.fields, "tolerances": text}
        return sheet.model_copy(update={"title": sheet.title.model_copy(update={"fields": fields})})

    @pytest.mark.parametrize("text", ["ISO 2768-m", "±0.2", "AS AGREED", ".X ±0.2 .XX ±0.05"])
    def test_right_sheets_stay_right(self, text: str) -> None:
        assert _found(self._stating(text)) == []

    def test_sizes_are_written_with_all_decimals_where_they_say_how_close(self) -> None:
        assert dimension_text(LENGTH, self._stating(".X ±0.2 .XX ±0.05"), "mm") == "96.0"
        assert dimension_text(LENGTH, self._stating("ISO 2768-m"), "mm") == "96"

    def test_decimals_it_says_nothing_of(self) -> None:
        (finding,) = _found(self._stating(".XX ±0.05 .XXX ±0.01", _typed(LENGTH, "96.00")))
        assert (finding.rule, finding.variant) == ("dimensions.tolerance", "general")
        assert LENGTH.id not in finding.items
        for language in LANGUAGES:
            assert "34.0" in said(wording(finding).message, language)
        assert _found(self._stating(".X ±0.2", _typed(LENGTH, "96 ±0.1"))) == []

    def test_one_that_contradicts_itself(self) -> None:
        (finding,) = _found(self._stating(".X ±0.05 .XX ±0.2"))
        assert (finding.rule, finding.variant) == ("dimensions.tolerance", "general-crossed")

    def test_wider_one_of_its_own_is_no_contradiction(self) -> None:
        assert _found(self._stating("±0.1", _typed(LENGTH, "<> ±0.5"))) == []
