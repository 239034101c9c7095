"""The catalogue of all rules.

Adding a rule: an entry and a check in the module of its criterion, its sentences in every language, its tests.
"""

from collections.abc import Mapping
from typing import Final

from maqueta.judging.criteria import (
    alignment,
    angle,
    auxiliary,
    detail,
    front,
    layout,
    pictorial,
    scale,
    sheet_set,
    title,
    views,
)
from maqueta.judging.criteria.assembly.rules import RULES as ASSEMBLY
from maqueta.judging.criteria.dimensions.rules import RULES as DIMENSIONS
from maqueta.judging.criteria.lines.rules import RULES as LINES
from maqueta.judging.criteria.placement.rules import RULES as PLACEMENT
from maqueta.judging.criteria.section.rules import RULES as SECTION
from maqueta.judging.finding import Finding
from maqueta.judging.rule import Rule, Wording

CATALOGUE: Final[Mapping[str, Rule]] = {
    rule.id: rule
    for rules in (
        front.RULES,
        angle.RULES,
        views.RULES,
        alignment.RULES,
        LINES,
        SECTION,
        detail.RULES,
        auxiliary.RULES,
        scale.RULES,
        DIMENSIONS,
        PLACEMENT,
        layout.RULES,
        title.RULES,
        pictorial.RULES,
        ASSEMBLY,
        sheet_set.RULES,
    )
    for rule in rules
}


def wording(finding: Finding) -> Wording:
    """What is said of a finding."""
    return CATALOGUE[finding.rule].wording(finding)
