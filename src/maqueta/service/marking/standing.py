"""How a sheet stands: what was found, what could be judged, and the mark it comes to."""

from collections import defaultdict
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import timedelta
from typing import assert_never

from maqueta.judging.finding import Finding
from maqueta.judging.points import Mark, rounded
from maqueta.judging.scope import Scope
from maqueta.service.desk import DeskPlace, scope_of_sheet
from maqueta.service.exercises.variation import version_for
from maqueta.service.marking.answers import findings_of, late_by, mark_of
from maqueta.service.marking.messages import Attempt
from maqueta.store.exercises import more_time
from maqueta.store.models import ExerciseRecord, SheetRecord
from maqueta.store.sheets import sheets_of
from maqueta.task.exercise import Exercise


@dataclass(frozen=True)
class Standing:
    """A sheet with its findings, what could be judged, how late it came, and its mark."""

    sheet: SheetRecord
    findings: Sequence[Finding]
    scope: Scope
    late: timedelta
    mark: Mark


def standing(at: DeskPlace, sheet: SheetRecord, exercise: ExerciseRecord, task: Exercise, extra: timedelta) -> Standing:
    """How a sheet stands that was handed in by a student who has so much more time than the others."""
    scope = scope_of_sheet(at, sheet, version_for(at.world, at.session, exercise, sheet.student_id))
    findings, late = findings_of(sheet.findings), late_by(sheet, exercise, extra)
    return Standing(sheet, findings, scope, late, mark_of(sheet, findings, task, scope, late))


def standings(
    at: DeskPlace, exercise: ExerciseRecord, task: Exercise, extra: Mapping[int, timedelta] | None = None
) -> dict[int, list[Standing]]:
    """How all sheets of an exercise stand, by student, in the order of their names; attempts in their order.

    `extra` is who has more time, where it is known already.
    """
    extra = more_time(at.session, exercise) if extra is None else extra
    found: dict[int, list[Standing]] = defaultdict(list)
    for sheet in sheets_of(at.session, exercise):
        more = extra.get(sheet.student_id, timedelta())
        found[sheet.student_id].append(standing(at, sheet, exercise, task, more))
    return found


def counting(marks: Sequence[float], task: Exercise) -> float:
    """What several attempts come to: the best of them, the last, or their mean; nothing handed in earns nothing."""
    if not marks:
        return 0.0
    match task.counts:
        case "best":
            return max(marks)
        case "last":
            return marks[-1]
        case "mean":
            return rounded(sum(marks) / len(marks), task.marking.rounding)
        case _ as never:
            assert_never(never)


def attempts(standings: Sequence[Standing]) -> list[Attempt]:
    """The attempts of one student, the first one first."""
    return [
        Attempt(sheet=s.sheet.id, attempt=s.sheet.attempt, state=s.sheet.state, points=s.mark.points)  # type: ignore[arg-type]
        for s in standings
    ]
