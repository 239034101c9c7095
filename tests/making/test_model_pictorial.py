"""The pictorial of a model answer: there wherever it is asked for, clear of the other views."""

import pytest

from maqueta.judging.report import check
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.sheet.scales import is_recommended
from tests.trust.parts import KINDS
from tests.trust.sheets import right_sheet, with_pictorial


@pytest.mark.parametrize("kind", KINDS)
def test_model_answers_have_the_pictorial_that_is_asked_for(kind: str) -> None:
    for number in range(6):
        case = right_sheet(kind, number)
        if case is None:
            continue
        own = with_pictorial(case)
        (drawn,) = (view for view in own.sheet.views if view.kind == "pictorial")
        assert is_recommended(drawn.scale, "mm")
        rules = {finding.rule for finding in check(own.part, own.task, own.sheet).findings}
        assert not rules & {"layout.overlap", "layout.outside", "views.missing", "scale.mixed", "scale.stated"}


def test_pictorial_is_drawn_smaller_where_its_scale_leaves_no_room() -> None:
    case = right_sheet("square", 0)
    assert case is not None
    task = case.task.model_copy(update={"pictorial": "required", "paper": "A4", "scale": "1:1"})
    sheet = model_sheet(case.part, task, Drafter("A", "B", "2026-11-20"))
    drawn = [view for view in sheet.views if view.kind == "pictorial"]
    assert [view.scale < 1 for view in drawn] == [True]
