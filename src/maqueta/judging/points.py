"""Points: what findings cost, criterion by criterion, after a person's decisions."""

from collections.abc import Collection, Sequence
from dataclasses import dataclass
from typing import Literal

from maqueta.judging.catalogue import CATALOGUE
from maqueta.judging.finding import Finding
from maqueta.judging.scope import Scope
from maqueta.task.criteria import Criterion
from maqueta.task.exercise import Exercise

Outcome = Literal["met", "not-met", "not-judged"]


@dataclass(frozen=True, slots=True)
class Earned:
    """Outcome and points of one criterion."""

    outcome: Outcome
    points: float
    of: float


def cost(finding: Finding, exercise: Exercise) -> float:
    """Points a finding costs: an error what the exercise says, a warning half of it, a note nothing."""
    return {"error": 1.0, "warning": 0.5, "note": 0.0}[finding.severity] * exercise.error_cost


def earned(
    criterion: Criterion,
    findings: Sequence[Finding],
    exercise: Exercise,
    scope: Scope,
    waived: Collection[int] = (),
) -> Earned:
    """The points of a criterion; `waived` are numbers of findings that a person has let pass.

    What is beyond the program costs nothing and is said to be so; what was not delivered earns nothing.
    """
    of = exercise.points_of(criterion)
    if criterion in scope.lacking:
        return Earned("not-met", 0.0, of)
    own = [
        finding
        for number, finding in enumerate(findings)
        if number not in waived and CATALOGUE[finding.rule].criterion == criterion and finding.severity != "note"
    ]
    points = max(0.0, of - sum(cost(finding, exercise) for finding in own))
    if own:
        return Earned("not-met", points, of)
    return Earned("not-judged" if criterion in scope.unjudged else "met", of, of)
