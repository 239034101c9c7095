"""Criterion dimensions: complete, not redundant, true, and taken from visible lines."""

from collections.abc import Sequence
from typing import Any

from maqueta.geometry.box import outline_of
from maqueta.geometry.directions import AXES
from maqueta.geometry.rounding import rounded
from maqueta.judging.criteria.dimensions.open_sizes import check_open, extent_open
from maqueta.judging.criteria.dimensions.rules import RULES
from maqueta.judging.dimension_survey import DimensionSurvey, dimension_place
from maqueta.judging.finding import Finding, Parameter
from maqueta.judging.survey import Survey
from maqueta.projection.datum_sides import DIRECTIONS, axis_of_direction
from maqueta.sheet.dimension import (
    AngleDimension,
    ChamferDimension,
    Dimension,
    LinearDimension,
    RoundDimension,
    chamfer_of,
    true_size,
)
from maqueta.sheet.dimension_words import true_text
from maqueta.sheet.placed import PlacedView
from maqueta.sheet.written_sizes import converted, write_size
from maqueta.sizes.by_half import across_middle
from maqueta.sizes.callout import ANGLE_OFF, contradicts
from maqueta.sizes.measure import blunt, overall_along, round_features
from maqueta.sizes.shown import hidden_ends
from maqueta.sizes.text import Written, read_text
from maqueta.sizes.threads import fits_thread


def check_dimensions(dimensions: DimensionSurvey) -> list[Finding]:
    """All rules of the criterion. Completeness is judged where the part's sizes can be counted, and the sheet's."""
    survey = dimensions.survey
    findings = [*_on_pictorial(dimensions), *_unread(dimensions), *_values(dimensions), *_aslant(dimensions)]
    findings += _to_hidden(dimensions)
    if survey.exercise.dimensioning.required and dimensions.reason is None:
        findings += chain_findings(dimensions)
        unread = survey.sheet.unread_sizes or any(other.survey.sheet.unread_sizes for other in dimensions.others)
        if dimensions.leads and not unread:
            findings += [*_overall(dimensions), *check_open(dimensions)]
    return findings


def _on_pictorial(dimensions: DimensionSurvey) -> list[Finding]:
    findings = []
    for dimension in dimensions.survey.sheet.dimensions:
        placed = dimensions.survey.by_id[dimension.view]
        if placed.view.kind == "pictorial":
            findings.append(
                RULES.found(
                    "dimensions.on-pictorial",
                    views=(dimension.view,),
                    at=(dimension_place(placed, dimension),),
                    parameters={"text": dimensions.text(dimension)},
                    items=(dimension.id,),
                )
            )
    return findings


def _unread(dimensions: DimensionSurvey) -> list[Finding]:
    """Texts that are not understood."""
    survey = dimensions.survey
    return [
        RULES.found(
            "dimensions.unread",
            views=(dimension.view,),
            at=(dimension_place(survey.by_id[dimension.view], dimension),),
            parameters={"text": dimension.text or ""},
            items=(dimension.id,),
        )
        for dimension in survey.sheet.dimensions
        if dimension.id in dimensions.unread
    ]


def _values(dimensions: DimensionSurvey) -> list[Finding]:
    """A typed value must be the part's true size in the unit and decimals of the exercise."""
    survey, findings = dimensions.survey, []
    for dimension in survey.sheet.dimensions:
        placed = survey.by_id[dimension.view]
        aside = dimension.id in dimensions.unread or dimension.id in dimensions.aslant
        judged = dimension.text is not None and not aside
        if not judged or placed.orthographic is None or not _wrong(survey, placed, dimension):
            continue
        asked = survey.sheet.model_copy(update={"units": survey.exercise.units, "decimals": survey.exercise.decimals})
        alone = dimension.model_copy(update={"count": 1}) if isinstance(dimension, RoundDimension) else dimension
        true = true_text(alone, asked, survey.projected.part.unit)
        findings.append(
            RULES.found(
                "dimensions.value",
                views=(dimension.view,),
                at=(dimension_place(placed, dimension),),
                parameters={"text": dimension.text or "", "true": true.lstrip("⌀R")},
                items=(dimension.id,),
            )
        )
    return findings


def _aslant(dimensions: DimensionSurvey) -> list[Finding]:
    """Sizes measured along a slant of nothing; what they were meant to say counts."""
    survey, findings = dimensions.survey, []
    for dimension in survey.sheet.dimensions:
        meant = dimensions.aslant.get(dimension.id)
        if meant is None:
            continue
        placed = survey.by_id[dimension.view]
        bare = meant.model_copy(update={"text": None, "decimals": None})
        findings.append(
            RULES.found(
                "dimensions.aslant",
                views=(dimension.view,),
                at=(dimension_place(placed, dimension),),
                parameters={
                    "text": dimensions.text(dimension),
                    "name": survey.name(placed),
                    "along": meant.along,
                    "size": dimensions.text(bare),
                },
                items=(dimension.id,),
            )
        )
    return findings


def _wrong(survey: Survey, placed: PlacedView, dimension: Dimension) -> bool:
    """Whether what is typed over a dimension is not its true size."""
    exercise, true = survey.exercise, true_size(dimension)
    text = dimension.text or ""
    if isinstance(dimension, AngleDimension):
        written = read_text(text, round(true, 2))
        return written.value is None or abs(written.value - true) > ANGLE_OFF
    unit = survey.projected.part.unit
    true = converted(true, unit, exercise.units)
    written = read_text(text, true)
    if written.value is None:
        return True
    if isinstance(dimension, ChamferDimension):
        slope = chamfer_of(dimension)[1]
        return not _right(text, written.value, true, exercise.decimals) or (
            written.slope is not None and abs(written.slope - slope) > ANGLE_OFF
        )
    if written.symbol == "thread" and written.unit is not None:
        across = 2 * dimension.radius if isinstance(dimension, RoundDimension) else true_size(dimension)
        return not fits_thread(written, converted(across, unit, written.unit))
    if dimension.kind == "diameter" and written.symbol == "radius":
        true = true / 2
    elif dimension.kind == "radius" and written.symbol == "diameter":
        true = true * 2
    right = _right(text, written.value, true, exercise.decimals)
    if dimension.kind == "linear" and not right:
        # "3× 20 (=60)" stands at the whole as well as at one of the steps.
        right = _right(text, written.count * written.value, true, exercise.decimals)
    return not right or _wrong_beside(survey, placed, dimension, written)


def _wrong_beside(survey: Survey, placed: PlacedView, dimension: Dimension, written: Written) -> bool:
    """Whether the text says a depth or a mouth that no hole it stands at has."""
    look = placed.orthographic
    if not isinstance(dimension, RoundDimension) or look is None:
        return False
    part, exercise = survey.projected.part, survey.exercise

    def same(length: float, true: float) -> bool:
        return _right(dimension.text or "", length, converted(true, part.unit, exercise.units), exercise.decimals)

    return contradicts(part, round_features(part, look, dimension), written, same)


def _right(text: str, written: float, true: float, decimals: int) -> bool:
    """Whether a written length is the true one; fractions are written to 1/64."""
    if "/" in text:
        return abs(written - true) <= 1 / 128 + 1e-9
    return _same_value(written, true, decimals)


def _same_value(written: float, true: float, decimals: int) -> bool:
    """Equal when rounded as asked; a value written finer must be true in every digit it shows (to 1e-3 of a step).

    A size half-way between two steps may be rounded either way.
    """
    step = 10.0**-decimals
    if abs(written - rounded(true, decimals)) <= 1e-3 * step or abs(written - true) <= 1e-3 * step:
        return True
    whole = abs(written / step - round(written / step)) <= 1e-6
    return whole and abs(abs(written - true) - step / 2) <= 1e-3 * step


def _to_hidden(dimensions: DimensionSurvey) -> list[Finding]:
    survey, findings = dimensions.survey, []
    for dimension in survey.sheet.dimensions:
        placed = survey.by_id[dimension.view]
        if placed.orthographic is None:
            continue
        hidden = hidden_ends(placed, dimension)
        if hidden and not _from_shown_half(survey, placed, dimension, len(hidden)):
            findings.append(
                RULES.found(
                    "dimensions.to-hidden",
                    views=(dimension.view,),
                    at=tuple((placed.to_sheet(point),) for point in hidden),
                    parameters={"text": dimensions.text(dimension), "name": survey.name(placed)},
                    items=(dimension.id,),
                )
            )
    return findings


def _from_shown_half(survey: Survey, placed: PlacedView, dimension: Dimension, hidden: int) -> bool:
    """Whether a half section shows one end of a size across its middle: the size is given by that half."""
    if hidden > 1 or placed.orthographic is None or not isinstance(dimension, LinearDimension):
        return False
    return across_middle(survey.projected.part, placed.view, placed.orthographic, dimension)


def chain_findings(dimensions: DimensionSurvey) -> list[Finding]:
    """Closed chains, one finding each, in the order of the reading."""
    by_id = {d.id: d for d in dimensions.survey.sheet.dimensions}
    findings = []
    for chain in dimensions.reading.chains:
        members = [by_id[name] for name in chain.members]
        texts = [dimensions.text(member) for member in members]
        common = {
            "views": tuple(dict.fromkeys(member.view for member in members)),
            "at": tuple(dimension_place(dimensions.survey.by_id[m.view], m) for m in members),
            "items": tuple(chain.members),
        }
        findings.append(chain_told(texts, dimensions.text(by_id[chain.surplus]), **common))
    return findings


def chain_told(texts: Sequence[str], surplus: str, **where: Any) -> Finding:
    """A closed chain of dimensions with these texts, one of which could go: a finding that says where they stand."""
    if len(texts) == 1:
        return RULES.found("dimensions.redundant", parameters={"surplus": surplus}, variant="drawn", **where)
    if len(texts) == 2:
        return RULES.found("dimensions.repeated", parameters={"text": surplus}, **where)
    parameters: dict[str, Parameter] = {"members": tuple(texts), "surplus": surplus, "count": len(texts)}
    return RULES.found("dimensions.redundant", parameters=parameters, **where)


def _overall(dimensions: DimensionSurvey) -> list[Finding]:
    survey = dimensions.survey
    part, findings = survey.projected.part, []
    for direction in DIRECTIONS:
        axis = axis_of_direction(dimensions.front, direction)
        if not blunt(part, axis) and not extent_open(dimensions, axis):
            continue
        if any(
            overall_along(part, (*own.measured, *own.doubtful), axis, own.survey.by_id)
            for own in (dimensions, *dimensions.others)
        ):
            continue
        size = converted(part.extents[AXES.index(axis)], part.unit, survey.exercise.units)
        written = write_size(size, survey.exercise.units, survey.exercise.decimals, survey.sheet.style)
        views = (survey.front.view.id,) if survey.front else ()
        at = (outline_of(survey.front.box),) if survey.front else ()
        parameters = {"direction": direction, "size": f"{written} {survey.exercise.units}"}
        findings.append(RULES.found("dimensions.overall", views=views, at=at, parameters=parameters))
    return findings
