"""Sizes that are said on several sheets of one part."""

from collections.abc import Iterator, Sequence
from dataclasses import replace

from maqueta.judging.criteria.dimensions.check import chain_told
from maqueta.judging.dimension_survey import DimensionSurvey, dimension_place
from maqueta.judging.finding import Finding
from maqueta.sizes.determinacy import Equation, read

#: Between the place of a sheet and the name of a dimension there, in the name it goes by among those of all sheets.
_OF = ":"


def said_again(sheets: Sequence[tuple[int, DimensionSurvey]]) -> Iterator[tuple[int, Finding]]:
    """Closed chains across sheets of one part, each on the sheet of the dimension that is surplus.

    `sheets` are the surveys of single sheets by place. What closes on one sheet alone is told there.
    """
    judged = [(place, own) for place, own in sheets if own.reason is None]
    if len(judged) < 2 or not judged[0][1].survey.exercise.dimensioning.required:
        return
    equations: list[Equation] = [
        replace(equation, owner=f"{place}{_OF}{equation.owner}")
        for place, own in judged
        for item in own.measured
        for equation in item.equations
    ]
    surveys = dict(judged)
    for chain in read(judged[0][1].form, equations).chains:
        members = [(int(name.partition(_OF)[0]), name.partition(_OF)[2]) for name in chain.members]
        if len({place for place, _ in members}) < 2:
            continue
        # The last sheet that says it could do without.
        place = max(place for place, _ in members)
        named = [
            (surveys[at], next(d for d in surveys[at].survey.sheet.dimensions if d.id == name)) for at, name in members
        ]
        here = [(own, size) for (at, _), (own, size) in zip(members, named, strict=True) if at == place]
        own, surplus = here[-1]
        yield (
            place,
            chain_told(
                [survey.text(size) for survey, size in named],
                own.text(surplus),
                views=tuple(dict.fromkeys(size.view for _, size in here)),
                at=tuple(dimension_place(own.survey.by_id[size.view], size) for _, size in here),
                items=tuple(size.id for _, size in here),
            ),
        )
