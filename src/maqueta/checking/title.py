"""Criterion title: the title block is filled in."""

from maqueta.checking.catalogue import found
from maqueta.checking.finding import Finding
from maqueta.checking.survey import Survey


def check_title(survey: Survey) -> list[Finding]:
    """`title.missing`: every field the exercise asks for has something in it."""
    left, bottom, right, top = survey.layout.title
    at = (((left + right) / 2, (bottom + top) / 2),)
    title = survey.sheet.title
    empty = [
        field
        for field in survey.exercise.title_fields
        if not (title.angle if field == "angle" else title.fields.get(field, "").strip())
    ]
    return [found("title.missing", at=(at,), parameters={"field": field}) for field in empty]
