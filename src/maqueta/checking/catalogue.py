"""The catalogue of rules: severity, shape of the mark, wording and the standard or practice behind each.

"Mem." marks what is known of a standard from memory. Adding a rule: one function in its criterion's module, one
entry under `rules`, its tests.
"""

from collections.abc import Mapping
from typing import Final

from maqueta.checking.finding import Finding, Severity
from maqueta.checking.rules import dimensions, lines, placement, sheet, views
from maqueta.checking.rules.rule import MarkShape, Rule, Wording

__all__ = ["CATALOGUE", "MarkShape", "Rule", "Wording", "found", "wording"]

CATALOGUE: Final[Mapping[str, Rule]] = {
    rule.id: rule
    for group in (views.RULES, lines.RULES, sheet.RULES, dimensions.RULES, placement.RULES)
    for rule in group
}


def wording(finding: Finding) -> Wording:
    """The three sentences of a finding, filled in."""
    template = CATALOGUE[finding.rule].wordings[finding.variant]
    filled = dict(finding.parameters.items())
    return Wording(*(part.format(**filled) for part in (template.message, template.expected, template.found)))


def found(rule: str, severity: Severity | None = None, /, **rest: object) -> Finding:
    """A finding of a rule with the catalogue's severity, unless another is given."""
    return Finding(rule, severity or CATALOGUE[rule].severity, **rest)  # type: ignore[arg-type]
