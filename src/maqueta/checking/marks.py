"""Marks: what findings cost, criterion by criterion, after a person's decisions."""

from collections.abc import Collection, Sequence
from dataclasses import dataclass
from typing import Literal

from maqueta.checking.catalogue import CATALOGUE
from maqueta.checking.exercise import Criterion, Exercise
from maqueta.checking.finding import Finding

Outcome = Literal["met", "not-met", "not-judged"]


@dataclass(frozen=True, slots=True)
class Mark:
    """Outcome and points of one criterion."""

    outcome: Outcome
    points: float
    of: float


def cost(finding: Finding, exercise: Exercise) -> float:
    """Points a finding costs: an error what the exercise says, a warning half of it, a note nothing."""
    return {"error": 1.0, "warning": 0.5, "note": 0.0}[finding.severity] * exercise.error_cost


def mark(
    criterion: Criterion,
    findings: Sequence[Finding],
    exercise: Exercise,
    judged: bool,
    waived: Collection[int] = (),
) -> Mark:
    """The mark of a criterion; `waived` are places in `findings` that a person has let pass.

    What is not judged costs nothing and is said to be so.
    """
    of = exercise.points_of(criterion)
    own = [
        finding
        for place, finding in enumerate(findings)
        if place not in waived and CATALOGUE[finding.rule].criterion == criterion and finding.severity != "note"
    ]
    points = max(0.0, of - sum(cost(finding, exercise) for finding in own))
    if own:
        return Mark("not-met", points, of)
    return Mark("met" if judged else "not-judged", of, of)
