"""Depths of blind holes written beside their diameters (ISO 129-1, ASME Y14.5, from memory)."""

import pytest

from maqueta.judging.report import check
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.sheet.document import SheetDocument
from maqueta.task.exercise import Exercise
from tests.parts import block, hole, projected

PART = projected(block((80, 40, 30)), hole((20, 15, 30), "-z", 10, 12), natural_up="+z")
TASK = Exercise(views=("front", "top", "right"), pictorial="unwanted")
SHEET = model_sheet(PART, TASK, Drafter("A. Tester", "Evening 2", "2026-11-20"))


def with_text(text: str | None) -> SheetDocument:
    changed = [d.model_copy(update={"text": text}) if d.kind == "diameter" else d for d in SHEET.dimensions]
    return SHEET.model_copy(update={"dimensions": tuple(changed)})


def rules(sheet: SheetDocument) -> set[str]:
    return {f.rule for f in check(PART, TASK, sheet).findings if f.rule.startswith("dimensions.")}


@pytest.mark.parametrize("text", ["⌀10 ↧12", "⌀10 x 12 DEEP", "%%c10 DEPTH 12", "10 DIA. x 12 DEEP", "Ø10 TIEFE 12"])
def test_depth_beside_the_diameter_completes_the_sheet(text: str) -> None:
    assert rules(with_text(text)) == set()
    counts = {row.row: (row.stretches, row.given) for row in check(PART, TASK, with_text(text)).dimensions.counts}
    assert counts["depth" if counts["depth"][0] == 2 else "height"][1] == 2


def test_without_a_depth_the_bottom_is_open() -> None:
    assert rules(with_text("⌀10")) == {"dimensions.undetermined"}
    assert rules(with_text(None)) == {"dimensions.undetermined"}


def test_wrong_depth_is_a_wrong_value() -> None:
    assert rules(with_text("⌀10 ↧13")) == {"dimensions.value"}
