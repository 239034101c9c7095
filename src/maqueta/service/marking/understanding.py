"""What a class has not understood yet: mistakes by rule over its exercises, and what came of giving sheets back."""

from collections import defaultdict
from collections.abc import Mapping, Sequence
from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Delivered:
    """A student's sheet for an exercise: which rules it breaks after the decisions, and whether it was given back."""

    sheet: int
    student: int
    exercise: int
    returned: bool
    broken: frozenset[str]


@dataclass(frozen=True, slots=True)
class RuleOverTime:
    """A rule over the exercises of a class.

    `sheets` are those that break it, by exercise. Of the students who were given back a sheet that broke it and have
    handed in another one since, `improved` did not break it in their last sheet, `again` did.
    """

    rule: str
    sheets: Mapping[int, tuple[int, ...]]
    improved: tuple[int, ...]
    again: tuple[int, ...]

    @property
    def times(self) -> int:
        """On how many sheets it was broken."""
        return sum(len(own) for own in self.sheets.values())


def over_time(delivered: Sequence[Delivered], exercises: Sequence[int]) -> list[RuleOverTime]:
    """The rules that were broken, those broken on most sheets first; `exercises` in the order they were due."""
    order = {exercise: place for place, exercise in enumerate(exercises)}
    rules = sorted({rule for sheet in delivered for rule in sheet.broken})
    by_student: dict[int, list[Delivered]] = defaultdict(list)
    for sheet in sorted(delivered, key=lambda own: order[own.exercise]):
        by_student[sheet.student].append(sheet)
    found = [_of_rule(rule, by_student) for rule in rules]
    return sorted(found, key=lambda own: (-own.times, own.rule))


def _of_rule(rule: str, by_student: Mapping[int, Sequence[Delivered]]) -> RuleOverTime:
    sheets: dict[int, list[int]] = defaultdict(list)
    improved: list[int] = []
    again: list[int] = []
    for student, own in by_student.items():
        for sheet in own:
            if rule in sheet.broken:
                sheets[sheet.exercise].append(sheet.sheet)
        last = _last_told(own, rule)
        if last is not None:
            (again if rule in last.broken else improved).append(student)
    return RuleOverTime(rule, {e: tuple(s) for e, s in sheets.items()}, tuple(improved), tuple(again))


def _last_told(own: Sequence[Delivered], rule: str) -> Delivered | None:
    """The last sheet a student made after a returned one had broken a rule; None where there is none."""
    told = [place for place, sheet in enumerate(own) if sheet.returned and rule in sheet.broken]
    return own[-1] if told and told[0] < len(own) - 1 else None
