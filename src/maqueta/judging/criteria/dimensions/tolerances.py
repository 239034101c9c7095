"""Tolerances that contradict themselves or their size, and functional sizes that carry none."""

import re
from collections.abc import Sequence
from typing import Final

from maqueta.geometry.rounding import rounded
from maqueta.judging.criteria.dimensions.rules import RULES
from maqueta.judging.dimension_survey import DimensionSurvey, dimension_place
from maqueta.judging.finding import Finding
from maqueta.sheet.dimension import AngleDimension, ChamferDimension, Dimension, true_size
from maqueta.sheet.general_tolerance import GeneralTolerance, general_tolerance
from maqueta.sheet.written_sizes import converted
from maqueta.sizes.fits import limits
from maqueta.sizes.text import Tolerance, read_text
from maqueta.solid.unit import MILLIMETRES
from maqueta.task.dimensioning import FunctionalSize

#: Deviations written beside a fit are its own within this much, mm: half a step of the tables.
_SAME: Final = 5e-4
_BEHIND_POINT: Final = re.compile(r"[.,](\d+)")


def check_tolerances(dimensions: DimensionSurvey) -> list[Finding]:
    """`dimensions.tolerance` for every size that carries one, or should by the title block; `dimensions.precision`."""
    return [*_contradictory(dimensions), *_general(dimensions), *_functional(dimensions)]


def _contradictory(dimensions: DimensionSurvey) -> list[Finding]:
    findings = []
    for dimension in dimensions.survey.sheet.dimensions:
        tolerance = _tolerance(dimension)
        variant = _contradiction(dimensions, dimension, tolerance) if tolerance is not None else None
        if variant is not None:
            findings.append(
                RULES.found(
                    "dimensions.tolerance",
                    views=(dimension.view,),
                    at=(dimension_place(dimensions.survey.by_id[dimension.view], dimension),),
                    parameters={"text": dimensions.text(dimension)},
                    variant=variant,
                    items=(dimension.id,),
                )
            )
    return findings


def _general(dimensions: DimensionSurvey) -> list[Finding]:
    """A general tolerance by decimals that contradicts itself, or says nothing of sizes the sheet has.

    A wider tolerance beside a size is no contradiction: it is there because the part bears it (ISO 2768-1, Mem.).
    """
    sheet = dimensions.survey.sheet
    written = sheet.title.fields.get("tolerances", "")
    stated = general_tolerance(written)
    if stated is None or not stated.by_decimals:
        return []
    if stated.crossed:
        return [RULES.found("dimensions.tolerance", parameters={"text": written}, variant="general-crossed")]
    without = [d for d in sheet.dimensions if not _covered(dimensions, d, stated)]
    if not without:
        return []
    by_id = dimensions.survey.by_id
    return [
        RULES.found(
            "dimensions.tolerance",
            views=tuple(dict.fromkeys(d.view for d in without)),
            at=tuple(dimension_place(by_id[d.view], d) for d in without),
            parameters={"text": written, "sizes": tuple(dict.fromkeys(dimensions.text(d) for d in without))},
            variant="general",
            items=tuple(d.id for d in without),
        )
    ]


def _covered(dimensions: DimensionSurvey, dimension: Dimension, stated: GeneralTolerance) -> bool:
    """Whether a general tolerance by decimals says something of a size, or the size needs none."""
    if isinstance(dimension, AngleDimension | ChamferDimension) or dimension.reference or _tolerance(dimension):
        return True
    text = dimensions.text(dimension)
    written = read_text(text)
    plain = written.value is not None and written.symbol in (None, "diameter", "radius", "square")
    return not plain or written.reference or "/" in text or _decimals(text) in stated.by_decimals


def _tolerance(dimension: Dimension) -> Tolerance | None:
    return read_text(dimension.text, true_size(dimension)).tolerance if dimension.text else None


def _contradiction(dimensions: DimensionSurvey, dimension: Dimension, tolerance: Tolerance) -> str | None:
    """How a tolerance contradicts itself or its size: upside down, as wide as the size, or not that of its fit."""
    upper, lower = tolerance.upper, tolerance.lower
    if upper is not None and lower is not None and upper < 0 < lower:
        # Written the other way round, it can still be read but one way.
        upper, lower = lower, upper
    exercise, part = dimensions.survey.exercise, dimensions.survey.projected.part
    if upper is not None and lower is not None:
        if upper <= lower:
            return "crossed"
        angle = isinstance(dimension, AngleDimension)
        size = true_size(dimension) if angle else converted(true_size(dimension), part.unit, exercise.units)
        if upper - lower >= size:
            return "wide"
        if tolerance.fit and "/" not in tolerance.fit and not angle:
            millimetre = MILLIMETRES[exercise.units]
            own = limits(tolerance.fit, size * millimetre)
            written = (upper * millimetre, lower * millimetre)
            if own is not None and max(abs(a - b) for a, b in zip(own, written, strict=True)) > _SAME:
                return "fit"
    return None


def _functional(dimensions: DimensionSurvey) -> list[Finding]:
    """Functional sizes that are on the sheet and carry neither a tolerance nor more decimals than other sizes."""
    survey, findings = dimensions.survey, []
    for functional in survey.exercise.dimensioning.functional:
        own = [d for d in survey.sheet.dimensions if _is(dimensions, d, functional)]
        others = [d for d in survey.sheet.dimensions if d not in own]
        finest = max((_decimals(dimensions.text(d)) for d in others), default=0)
        if not own or any(_tolerance(d) is not None or _decimals(dimensions.text(d)) > finest for d in own):
            continue
        findings.append(
            RULES.found(
                "dimensions.precision",
                views=tuple(dict.fromkeys(d.view for d in own)),
                at=tuple(dimension_place(survey.by_id[d.view], d) for d in own),
                parameters={"text": dimensions.text(own[0])},
                items=tuple(d.id for d in own),
            )
        )
    return findings


def carries_decimals(dimensions: DimensionSurvey, dimension: Dimension, decimals: int) -> bool:
    """Whether a size may be written with so many decimals though others have fewer: its tolerance has them, or the
    exercise calls it functional.
    """
    behind = _BEHIND_POINT.findall(dimension.text or "")[1:] if _tolerance(dimension) else []
    if any(len(digits) >= decimals for digits in behind):
        return True
    return any(_is(dimensions, dimension, each) for each in dimensions.survey.exercise.dimensioning.functional)


def _is(dimensions: DimensionSurvey, dimension: Dimension, functional: FunctionalSize) -> bool:
    """Whether a dimension writes a functional size: of its kind and, rounded as asked, as large."""
    exercise, part = dimensions.survey.exercise, dimensions.survey.projected.part
    kinds: Sequence[str] = ("linear",) if functional.kind == "length" else (functional.kind,)
    # A diameter may be written between the outlines of something seen from the side.
    if functional.kind == "diameter" and dimension.kind == "linear":
        written = read_text(dimension.text).symbol if dimension.text else None
        kinds = ("linear",) if written == "diameter" else ()
    true = converted(true_size(dimension), part.unit, exercise.units)
    step = 10.0**-exercise.decimals
    return dimension.kind in kinds and abs(rounded(true, exercise.decimals) - functional.size) <= 0.5001 * step


def _decimals(text: str) -> int:
    """How many decimals the size in a text is written with."""
    head = text.replace(",", ".").split("±")[0].split("+")[0]
    _, _, behind = head.partition(".")
    return len(behind) - len(behind.lstrip("0123456789"))
