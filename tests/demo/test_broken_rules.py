"""Every example breaks the rule it stands for, and the sheet beside it does not."""

from collections.abc import Sequence

import pytest

from maqueta.demo.broken_rules import EXAMPLES
from maqueta.demo.workshop import EXERCISES
from maqueta.judging.catalogue import CATALOGUE
from maqueta.judging.report import check
from maqueta.making.model_sheet import Drafter, model_looks, model_sheet
from maqueta.projection.look import Look
from maqueta.projection.project import drawn
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.document import SheetDocument
from tests.parts import demo_projected, demo_solid

BASE = EXERCISES[0].task


@pytest.mark.parametrize("rule", sorted(EXAMPLES))
def test_wrong_is_wrong_and_right_is_right(rule: str) -> None:
    example = EXAMPLES[rule]
    whole, task = demo_projected(example.part), BASE.model_copy(update=dict(example.asked))

    def seen(looks: Sequence[Look]) -> ProjectedPart:
        return whole.with_looks(drawn(*demo_solid(example.part), looks))

    part = seen(model_looks(whole, task))
    sheet = model_sheet(part, task, Drafter("N. HAVLIK", "EVENING 2", "2026-11-20"))
    right = example.right(part, sheet) if example.right is not None else sheet
    broken = SheetDocument.model_validate(example.broken(part, sheet).model_dump())
    found = [finding.rule for finding in check(seen(broken.looks_aslant), task, broken).findings]
    assert rule in found
    assert rule not in {finding.rule for finding in check(part, task, right).findings}
    if rule.startswith(("section.", "detail.", "auxiliary.")):
        # One fault gives one kind of finding, in a criterion of its own.
        assert {name for name in found if name.startswith(("section.", "detail.", "auxiliary.", "lines."))} == {rule}


def test_every_rule_is_shown() -> None:
    assert set(EXAMPLES) == {rule for rule in CATALOGUE if not rule.startswith("set.")}
