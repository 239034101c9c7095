"""How a size is written: circles by diameter, arcs by radius, with their sign, alike ones by count."""

import math
from typing import Final

from maqueta.geometry.carrier import TURN, Circle
from maqueta.judging.criteria.dimensions.rules import RULES
from maqueta.judging.dimension_survey import DimensionSurvey, dimension_place
from maqueta.judging.finding import Finding
from maqueta.sheet.dimension import RoundDimension
from maqueta.sheet.dimension_words import TRUE_SIZE
from maqueta.sheet.placed import PlacedView
from maqueta.sizes.sighted import PICK_TOLERANCE
from maqueta.sizes.text import read_text

#: Up to half a turn an arc is written by its radius; above that either way is usual (common practice, no source).
_ARC: Final = math.pi + 1e-6


def check_form(dimensions: DimensionSurvey) -> list[Finding]:
    """`dimensions.form` for every dimension on a principal view; at most one finding each."""
    survey = dimensions.survey
    findings = []
    for dimension in survey.sheet.dimensions:
        placed = survey.by_id[dimension.view]
        if placed.orthographic is None:
            continue
        typed = dimension.text or ""
        variant = "typical" if read_text(typed).typical else None
        if variant is None and isinstance(dimension, RoundDimension):
            variant = _round(placed, dimension)
        if variant is not None:
            findings.append(
                RULES.found(
                    "dimensions.form",
                    views=(dimension.view,),
                    at=(dimension_place(placed, dimension),),
                    parameters={"text": dimensions.text(dimension), "name": survey.name(placed)},
                    variant=variant,
                    items=(dimension.id,),
                )
            )
    return findings


def _round(placed: PlacedView, dimension: RoundDimension) -> str | None:
    """What is wrong with the way a circle or arc is written, or None."""
    written = read_text(dimension.text, 1.0) if dimension.text else None
    kind: str = dimension.kind
    if written is not None and written.value is not None:
        if written.symbol in ("diameter", "radius"):
            kind = written.symbol
        elif written.symbol is None and TRUE_SIZE not in (dimension.text or ""):
            return "sign"
    turn = _turn(placed, dimension)
    if turn is None:
        return None
    if turn >= TURN - 1e-6 and kind == "radius":
        return "radius"
    return "diameter" if turn <= _ARC and kind == "diameter" else None


def _turn(placed: PlacedView, dimension: RoundDimension) -> float | None:
    """How much of the circle a dimension stands at is drawn, radians; None where the view has none of it."""
    reach = PICK_TOLERANCE * max(1.0, dimension.radius)
    turns = [
        piece.interval[1] - piece.interval[0]
        for piece in placed.lines.of("visible", "hidden")
        if isinstance(piece.carrier, Circle)
        and abs(piece.carrier.radius - dimension.radius) <= reach
        and math.dist((piece.carrier.x, piece.carrier.y), dimension.centre) <= reach
    ]
    # Where another line crosses in front, a circle comes in pieces, some of them hidden.
    return min(TURN, sum(turns)) if turns else None
