"""Which size was chosen, and where and how it is written: view, datum side, decimals."""

import re
from collections.abc import Iterator
from itertools import pairwise
from typing import Final

from maqueta.geometry.carrier import Circle
from maqueta.geometry.directions import AXES, Axis
from maqueta.judging.criteria.dimensions.rules import RULES
from maqueta.judging.criteria.dimensions.tolerances import carries_decimals
from maqueta.judging.dimension_survey import DimensionSurvey, dimension_place
from maqueta.judging.finding import Finding, Parameter
from maqueta.projection.datum_sides import DIRECTIONS, axis_of_direction, end_at, side_phrase
from maqueta.sheet.dimension import AngleDimension, ChamferDimension, Dimension, LinearDimension
from maqueta.sheet.dimension_words import says_by_decimals
from maqueta.sizes.measure import Measured
from maqueta.sizes.text import read_text
from maqueta.solid.part import Feature

_UNIT: Final = re.compile(r"(?i)\d\s*(?:mm|in|inch|inches|\"|″)\.?\)?\s*$")
_DECIMALS: Final = re.compile(r"\d*[.,](\d+)")


def check_choice(dimensions: DimensionSurvey) -> list[Finding]:
    """`dimensions.contour`, `.datum` and `.decimals`."""
    findings = [*_decimals(dimensions)]
    if dimensions.survey.exercise.dimensioning.required and dimensions.reason is None:
        findings += [*_contour(dimensions), *_datum(dimensions)]
        if dimensions.survey.exercise.dimensioning.grooves_from_centre:
            findings += _grooves(dimensions)
    return findings


def _one(
    dimensions: DimensionSurvey, rule: str, variant: str, dimension: Dimension, **parameters: Parameter
) -> Finding:
    survey = dimensions.survey
    placed = survey.by_id[dimension.view]
    return RULES.found(
        rule,
        views=(dimension.view,),
        at=(dimension_place(placed, dimension),),
        parameters={"text": dimensions.text(dimension), "name": survey.name(placed), **parameters},
        variant=variant,
        items=(dimension.id,),
    )


def _located(dimensions: DimensionSurvey, item: Measured) -> list[Feature]:
    """The holes whose axis a dimension along a model axis ends at, and nothing flat with it."""
    dimension, axis, form = item.dimension, item.axis, dimensions.form
    if not isinstance(dimension, LinearDimension) or axis is None:
        return []
    part = dimensions.survey.projected.part
    holes = []
    for equation in item.equations:
        for index in equation.row:
            unknown = form.unknowns[index]
            flat = any(part.faces[face].kind == "plane" for face in unknown.faces)
            if unknown.axis == axis and not flat:
                holes += [f for f in part.features if f.kind == "hole" and set(f.faces) & set(unknown.faces)]
    return holes


def _contour(dimensions: DimensionSurvey) -> Iterator[Finding]:
    """A hole is located where it is round, if any view shows it so."""
    survey = dimensions.survey
    for item in dimensions.measured:
        look = survey.by_id[item.dimension.view].orthographic
        holes = _located(dimensions, item)
        if look is None or not holes or any(look.shows_point(hole.axis) for hole in holes):
            continue
        if all(_shown_round(dimensions, hole) for hole in holes):
            yield _one(dimensions, "dimensions.contour", "", item.dimension)


def _shown_round(dimensions: DimensionSurvey, hole: Feature) -> bool:
    """Whether a view of the sheet shows a hole as a visible circle."""
    for item in dimensions.survey.orthographic:
        if item.look is None or not item.look.shows_point(hole.axis):
            continue
        for piece in item.lines.of("visible"):
            if isinstance(piece.carrier, Circle) and set(piece.faces) & set(hole.faces):
                return True
    return False


def _datum(dimensions: DimensionSurvey) -> Iterator[Finding]:
    """Holes are located from the sides the exercise names."""
    asked = dimensions.survey.exercise.dimensioning.holes_from
    for direction in DIRECTIONS:
        side = asked.side(direction)
        if side is None:
            continue
        axis = axis_of_direction(dimensions.front, direction)
        levels = dimensions.form.along(axis)
        level = levels[0 if end_at(dimensions.front, direction, side) == "low" else -1] if levels else None
        for item in dimensions.measured:
            if item.axis != axis or not _located(dimensions, item):
                continue
            if not any(level in row for equation in item.equations for row in equation.rows):
                yield _one(
                    dimensions, "dimensions.datum", "", item.dimension, side=side_phrase(side), direction=direction
                )


def _grooves(dimensions: DimensionSurvey) -> Iterator[Finding]:
    """Grooves are located by their middle: no location ends at one of their walls."""
    for axis in AXES:
        for walls in _groove_walls(dimensions, axis):
            for item in dimensions.measured:
                if item.axis != axis or not isinstance(item.dimension, LinearDimension):
                    continue
                ends = [set(equation.row) for equation in item.equations]
                if any(len(row & walls) == 1 and len(row) == 2 for row in ends):
                    yield _one(dimensions, "dimensions.datum", "centre", item.dimension)


def _groove_walls(dimensions: DimensionSurvey, axis: Axis) -> list[set[int]]:
    """Pairs of levels whose flat faces all look at each other across an empty space, nearest pairs alone."""
    part, form = dimensions.survey.projected.part, dimensions.form
    axis_index = AXES.index(axis)
    towards: dict[int, int] = {}
    for level in form.along(axis):
        faces = [part.faces[f] for f in form.unknowns[level].faces if part.faces[f].kind == "plane"]
        ways = {1 if face.direction[axis_index] > 0 else -1 for face in faces}
        if len(ways) == 1 and len(faces) == len(form.unknowns[level].faces):
            towards[level] = ways.pop()
    levels = form.along(axis)
    return [
        {first, second} for first, second in pairwise(levels) if towards.get(first) == 1 and towards.get(second) == -1
    ]


def _decimals(dimensions: DimensionSurvey) -> Iterator[Finding]:
    """Typed sizes with more decimals than asked, or a unit of their own."""
    survey = dimensions.survey
    asked = survey.exercise.decimals
    for dimension in survey.sheet.dimensions:
        angle = isinstance(dimension, AngleDimension | ChamferDimension)
        if dimension.text is None or angle or survey.by_id[dimension.view].orthographic is None:
            continue
        written = read_text(dimension.text)
        if written.value is None or written.symbol in ("angle", "chamfer", "thread"):
            continue
        if _UNIT.search(dimension.text):
            yield _one(dimensions, "dimensions.decimals", "unit", dimension)
            continue
        # A tolerance, and what is written in brackets, may have decimals of their own.
        first = _DECIMALS.search(re.split(r"[±+]|(?<=\S)\s*[\[(]|%%[Pp]|(?<=\d)\s*[-−]", dimension.text, maxsplit=1)[0])
        decimals = len(first[1]) if first is not None else 0
        if (
            decimals > asked
            and not says_by_decimals(survey.sheet)
            and not carries_decimals(dimensions, dimension, decimals)
        ):
            yield _one(dimensions, "dimensions.decimals", "", dimension, decimals=decimals, asked=asked)
