"""Points: what findings cost, criterion by criterion, after a person's decisions; and the mark they come to."""

from collections import defaultdict
from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass, field
from datetime import timedelta
from decimal import ROUND_HALF_UP, Decimal
from math import ceil
from typing import Final, Literal

from maqueta.judging.catalogue import CATALOGUE
from maqueta.judging.finding import Finding
from maqueta.judging.scope import Scope
from maqueta.task.criteria import CRITERIA, Criterion
from maqueta.task.exercise import Exercise
from maqueta.task.mark_scheme import STEPS, MarkScheme, Step

Outcome = Literal["met", "not-met", "not-judged"]
_DAY: Final = timedelta(days=1)


@dataclass(frozen=True, slots=True)
class Added:
    """A mistake the program did not find: what a person says it costs, in points of a criterion."""

    criterion: Criterion
    cost: float


@dataclass(frozen=True, slots=True)
class Decided:
    """What people decided about a sheet: findings let pass (by number), mistakes added, marks given in place of the
    computed ones, and a bonus."""

    waived: Collection[int] = ()
    added: Sequence[Added] = ()
    given: Mapping[Criterion, float] = field(default_factory=dict)
    bonus: float = 0.0


NOTHING_DECIDED: Final = Decided()


@dataclass(frozen=True, slots=True)
class Earned:
    """Outcome and points of one criterion; `given` is what a person gave instead, the computed points stay."""

    outcome: Outcome
    points: float
    of: float
    given: float | None = None

    @property
    def counting(self) -> float:
        """The points that count."""
        return self.points if self.given is None else self.given


@dataclass(frozen=True, slots=True)
class Mark:
    """The mark of a sheet: points of each criterion, what lateness took and a bonus brought, the sum, its grade."""

    criteria: Mapping[Criterion, Earned]
    late: float
    bonus: float
    points: float
    of: float
    grade: str | None


def cost(finding: Finding, exercise: Exercise) -> float:
    """Points a finding costs by itself: a note nothing; else what the scheme says of its rule, or an error what the
    exercise says and a warning its share of that."""
    scheme = exercise.marking
    if finding.severity == "note":
        return 0.0
    usual = exercise.error_cost * (scheme.warning_share if finding.severity == "warning" else 1.0)
    return scheme.costs.get(finding.rule, usual)


def earned(
    criterion: Criterion,
    findings: Sequence[Finding],
    exercise: Exercise,
    scope: Scope,
    decided: Decided = NOTHING_DECIDED,
) -> Earned:
    """The points of a criterion.

    What is beyond the program costs nothing and is said to be so; what was not delivered earns nothing. All findings
    of one rule cost no more than its cap, all of a criterion no more than its points.
    """
    of, given = exercise.points_of(criterion), decided.given.get(criterion)
    if criterion in scope.lacking:
        return Earned("not-met", 0.0, of, given)
    own: dict[str, float] = defaultdict(float)
    for number, finding in enumerate(findings):
        if number in decided.waived or finding.severity == "note":
            continue
        if CATALOGUE[finding.rule].criterion == criterion:
            own[finding.rule] += cost(finding, exercise)
    caps = exercise.marking.caps
    added = [entry.cost for entry in decided.added if entry.criterion == criterion]
    lost = sum(min(total, caps.get(rule, total)) for rule, total in own.items()) + sum(added)
    outcome: Outcome = "not-judged" if criterion in scope.unjudged else "met"
    return Earned("not-met" if own or added else outcome, max(0.0, of - lost), of, given)


def late_loss(late_by: timedelta, of: float, scheme: MarkScheme) -> float:
    """Points a sheet loses that came so long after it was due: a share of full marks for every day begun."""
    beyond = late_by - timedelta(hours=scheme.late.free_hours)
    if beyond <= timedelta():
        return 0.0
    return of * min(scheme.late.per_day * ceil(beyond / _DAY), scheme.late.most) / 100


def rounded(points: float, step: Step | None) -> float:
    """Points as a multiple of a step; halves go up, as people round."""
    if step is None:
        return points
    unit = STEPS[step]
    # What was added up in floating point is taken for the decimal number it stands for.
    return float((Decimal(str(round(points, 9))) / unit).quantize(Decimal(1), ROUND_HALF_UP) * unit)


def mark(
    findings: Sequence[Finding],
    exercise: Exercise,
    scope: Scope,
    decided: Decided = NOTHING_DECIDED,
    late_by: timedelta = timedelta(),
) -> Mark:
    """The mark of a sheet that came `late_by` after it was due, by the exercise's scheme.

    Lateness takes from what was earned and never below nothing; a bonus is added after that, up to the scheme's most.
    """
    scheme = exercise.marking
    criteria = {criterion: earned(criterion, findings, exercise, scope, decided) for criterion in CRITERIA}
    counted = {criterion: own for criterion, own in criteria.items() if own.of or own.given is not None}
    of = sum(own.of for own in counted.values())
    sheet = sum(own.counting for own in counted.values())
    late = min(sheet, late_loss(late_by, of, scheme))
    bonus = min(decided.bonus, scheme.bonus)
    points = rounded(sheet - late + bonus, scheme.rounding)
    return Mark(counted, late, bonus, points, of, scheme.grade_of(points / of if of else 0.0))
