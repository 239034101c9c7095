"""What is laid over a sheet: what should be there, what of it is missing, what is too much."""

from typing import Any

import pytest

from maqueta.demo.mistakes import MISTAKES
from maqueta.demo.workshop import EXERCISES
from maqueta.geometry.compare import length_of
from maqueta.judging.difference import differences, lacking_centres
from maqueta.judging.report import check
from maqueta.judging.survey import Survey
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.sheet.document import SheetDocument
from tests.parts import demo_projected

PART, TASK = demo_projected("reed-clamp"), EXERCISES[0].task
FAULTLESS = model_sheet(PART, TASK, Drafter("A. Tester", "Evening 2", "2026-11-20"))


def survey(sheet: SheetDocument, **task: Any) -> Survey:
    return Survey(PART, TASK.model_copy(update=task), sheet)


def test_of_a_right_sheet_nothing_is_missing_and_nothing_too_much() -> None:
    for own in differences(survey(FAULTLESS)):
        assert own.expected
        assert (own.missing, own.surplus) == ((), ())
    assert lacking_centres(survey(FAULTLESS)) == []


@pytest.mark.parametrize("mistake", ["no hidden lines", "hidden on pictorial"])
def test_lines_too_few_and_too_many_are_as_long_as_the_finding_says(mistake: str) -> None:
    sheet = MISTAKES[mistake](PART, FAULTLESS)
    (finding,) = [f for f in check(PART, TASK, sheet).findings if f.rule.startswith("lines.")]
    told = finding.parameters["length"]
    lengths = {
        side: sum(length_of(getattr(own, side)) * own.view.factor for own in differences(survey(sheet)))
        for side in ("missing", "surplus")
    }
    expected = {"missing": told, "surplus": 0.0} if mistake == "no hidden lines" else {"missing": 0.0, "surplus": told}
    assert lengths == pytest.approx(expected)


def test_centres_lack_only_where_they_are_asked_for() -> None:
    bare = FAULTLESS.model_copy(update={"marks": ()})
    assert len(lacking_centres(survey(bare))) == len(FAULTLESS.marks)
    assert lacking_centres(survey(bare, centre_lines=False)) == []


def test_a_mirrored_view_is_not_laid_over() -> None:
    views = tuple(v.model_copy(update={"mirrored": v.id == FAULTLESS.front}) for v in FAULTLESS.views)
    told = {own.view.view.id for own in differences(survey(FAULTLESS.model_copy(update={"views": views})))}
    assert FAULTLESS.front not in told
    assert len(told) == len(FAULTLESS.views) - 1
