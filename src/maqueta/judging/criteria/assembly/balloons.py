"""Balloons: every part has one number, and each number names one part."""

from collections.abc import Iterator

from maqueta.judging.apart_survey import ApartSurvey, outline_points
from maqueta.judging.criteria.assembly.rules import RULES
from maqueta.judging.finding import Finding


def check_balloons(apart: ApartSurvey) -> list[Finding]:
    """`assembly.balloon`. Parts that are alike are one: a balloon on any of them will do."""
    return [*_nowhere(apart), *_missing(apart), *_two_numbers(apart), *_one_for_two(apart)]


def _nowhere(apart: ApartSurvey) -> Iterator[Finding]:
    for own in apart.survey.sheet.balloons:
        if not apart.named[own.id]:
            at = ((own.at,),) if own.tip is None else ((own.at, own.tip),)
            yield RULES.found(
                "assembly.balloon", at=at, parameters={"number": own.number}, variant="nowhere", items=(own.id,)
            )


def _missing(apart: ApartSurvey) -> Iterator[Finding]:
    for row, numbers in apart.numbers.items():
        there = [name for name in apart.shown if apart.row_of[name] == row]
        if not numbers and there:
            yield RULES.found(
                "assembly.balloon",
                views=(apart.shown[there[0]].view.id,),
                at=(outline_points(apart.covers[there[0]]),),
                parameters={"name": row.name},
                variant="missing",
            )


def _two_numbers(apart: ApartSurvey) -> Iterator[Finding]:
    for row, numbers in apart.numbers.items():
        if len(numbers) > 1:
            own = [balloon for balloon in apart.survey.sheet.balloons if apart.meant(balloon) == row]
            yield RULES.found(
                "assembly.balloon",
                at=tuple((balloon.at,) for balloon in own),
                parameters={"name": row.name, "numbers": numbers},
                variant="two-numbers",
                items=tuple(balloon.id for balloon in own),
            )


def _one_for_two(apart: ApartSurvey) -> Iterator[Finding]:
    rows: dict[str, list[str]] = {}
    for row, numbers in apart.numbers.items():
        # Who has two numbers has been told so already.
        for number in numbers if len(numbers) == 1 else ():
            rows.setdefault(number, []).append(row.name)
    for number, names in rows.items():
        if len(names) > 1:
            own = [balloon for balloon in apart.survey.sheet.balloons if balloon.number.strip() == number]
            yield RULES.found(
                "assembly.balloon",
                at=tuple((balloon.at,) for balloon in own),
                parameters={"number": number, "names": tuple(names)},
                variant="one-for-two",
                items=tuple(balloon.id for balloon in own),
            )
