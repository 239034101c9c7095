"""Criterion title: the title block is filled in and lettered as asked, the sheet is named as asked."""

from typing import Final

from maqueta.geometry.carrier import Point
from maqueta.judging.finding import Finding
from maqueta.judging.rule import Rules, rule
from maqueta.judging.survey import Survey
from maqueta.phrases.phrase import phrase
from maqueta.sheet.sheet_name import asked_name, same_words

RULES: Final = Rules(
    (
        rule("title.missing", "error", "missing"),
        rule("title.lettering", "warning", "doubt"),
        rule("title.name", "warning", "doubt", "", "unnamed"),
    )
)

#: Fields that are written the same way in any lettering.
_SIGNS: Final = frozenset({"scale", "unit", "date", "number"})


def check_title(survey: Survey) -> list[Finding]:
    """`title.missing`, `title.lettering` and `title.name`."""
    return [*_missing(survey), *_lettering(survey), *_name(survey)]


def _at(survey: Survey) -> tuple[tuple[Point, ...], ...]:
    left, bottom, right, top = survey.layout.title
    return ((((left + right) / 2, (bottom + top) / 2),),)


def _missing(survey: Survey) -> list[Finding]:
    """Every field the exercise asks for has something in it."""
    title = survey.sheet.title
    empty = [
        field
        for field in survey.exercise.title_fields
        if not (title.angle if field == "angle" else title.fields.get(field, "").strip())
    ]
    return [RULES.found("title.missing", at=_at(survey), parameters={"field": field}) for field in empty]


def _lettering(survey: Survey) -> list[Finding]:
    """Fields with small letters where the exercise asks for capitals."""
    if not survey.exercise.title_capitals:
        return []
    fields = survey.sheet.title.fields
    small = [field for field, text in fields.items() if field not in _SIGNS and text != text.upper()]
    if not small:
        return []
    return [
        RULES.found(
            "title.lettering",
            at=_at(survey),
            parameters={"fields": tuple(phrase("field-name", field=field) for field in small)},
        )
    ]


def _name(survey: Survey) -> list[Finding]:
    """A name that differs from the one asked for, whatever stands between its words."""
    pattern = survey.exercise.sheet_name
    if pattern is None:
        return []
    asked = asked_name(pattern, survey.sheet.title)
    name = survey.sheet.name or ""
    if asked is None or same_words(name, asked):
        return []
    parameters = {"name": name, "asked": asked, "pattern": pattern}
    return [RULES.found("title.name", at=_at(survey), parameters=parameters, variant="" if name else "unnamed")]
