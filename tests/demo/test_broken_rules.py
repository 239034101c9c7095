"""Every example breaks the rule it stands for, and the sheet beside it does not."""

import pytest

from maqueta.demo.broken_rules import EXAMPLES
from maqueta.demo.workshop import EXERCISES
from maqueta.judging.catalogue import CATALOGUE
from maqueta.judging.report import check
from maqueta.making.model_sheet import Drafter, model_sheet
from tests.parts import demo_projected

BASE = EXERCISES[0].task


@pytest.mark.parametrize("rule", sorted(EXAMPLES))
def test_wrong_is_wrong_and_right_is_right(rule: str) -> None:
    example = EXAMPLES[rule]
    part = demo_projected(example.part)
    task = BASE.model_copy(update=dict(example.asked))
    sheet = model_sheet(part, task, Drafter("N. HAVLIK", "EVENING 2", "2026-11-20"))
    right = example.right(part, sheet) if example.right is not None else sheet
    assert rule in {finding.rule for finding in check(part, task, example.broken(part, sheet)).findings}
    assert rule not in {finding.rule for finding in check(part, task, right).findings}


def test_every_rule_is_shown() -> None:
    assert set(EXAMPLES) == set(CATALOGUE)
