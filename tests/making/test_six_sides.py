"""All six sides of a part set out by rule: each in its column or row, the one from behind beyond the others."""

import pytest

from maqueta.judging.report import check
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.sheet.placed import placed_views
from maqueta.task.exercise import Exercise
from tests.parts import demo_projected

SIX = ("front", "top", "right", "left", "bottom", "rear")


@pytest.mark.parametrize("angle", ["first", "third"])
@pytest.mark.parametrize("slug", ["reed-clamp", "ratchet-pawl"])
def test_six_sides_stand_clear_of_each_other(slug: str, angle: str) -> None:
    part = demo_projected(slug)
    task = Exercise.model_validate(
        {"views": SIX, "angle": angle, "paper": "A2", "pictorial": "unwanted", "dimensioning": {"required": False}}
    )
    sheet = model_sheet(part, task, Drafter("A. Tester", "Evening 2", "2026-11-28"))
    found = [
        own
        for own in check(part, task, sheet).findings
        if own.rule.split(".")[0] in ("layout", "alignment", "angle", "views")
    ]
    # A side that another one repeats is drawn because it was asked for.
    assert [own.rule for own in found if own.rule != "views.repeated"] == []
    boxes = dict(zip(SIX, (item.box for item in placed_views(part, sheet)), strict=True))
    others = [box for name, box in boxes.items() if name != "rear"]
    assert boxes["rear"][0] > max(box[2] for box in others)
    assert boxes["rear"][1] == pytest.approx(boxes["front"][1], abs=1e-6)
