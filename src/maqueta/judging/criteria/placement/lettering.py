"""Can the dimension texts be read: how high they are, and from which sides of the sheet."""

import math
from collections.abc import Iterator, Sequence
from typing import Final

from maqueta.geometry.carrier import Line, Point
from maqueta.judging.criteria.placement.rules import RULES
from maqueta.judging.dimension_survey import DimensionSurvey, dimension_place
from maqueta.judging.finding import Finding
from maqueta.sheet.dimension import Dimension, LinearDimension
from maqueta.sheet.document import Style
from maqueta.sheet.placed import PlacedView

#: Lowest capitals, mm: ISO 3098 (from memory) and ASME Y14.2, 0.12 in (from memory).
LEAST_HEIGHT: Final[dict[Style, float]] = {"iso": 2.5, "asme": 3.048}
#: Heights closer than this are even, and short of the least by no more than this are high enough (mm); the bounds
#: here and below are common practice, no source.
_EVEN: Final = 0.25
#: Heights of letters drawn by hand are even within this, mm.
_EVEN_BY_HAND: Final = 1.5
_HEIGHT_OFF: Final = 0.05
#: An extension line that begins nearer than this touches the outline (mm); the gap is about 1.5 (ASME Y14.5, Mem.).
_TOUCHING: Final = 0.2
_ON: Final = 0.05
#: Turns closer than this are one (degrees).
_TURN_OFF: Final = 2.0


def check_lettering(dimensions: DimensionSurvey) -> list[Finding]:
    """`placement.lettering`, `.reading` and `.gap`, for sheets from elsewhere that show how their sizes are drawn."""
    return [*_heights(dimensions), *_turns(dimensions), *_touching(dimensions)]


def _touching(dimensions: DimensionSurvey) -> Iterator[Finding]:
    """Extension lines that touch the outline. From a centre they may run on as the centre line does."""
    survey = dimensions.survey
    those = []
    for dimension in survey.sheet.dimensions:
        if not isinstance(dimension, LinearDimension) or dimension.gaps is None:
            continue
        placed = survey.by_id[dimension.view]
        ends = zip((dimension.start, dimension.end), dimension.gaps, strict=True)
        if any(gap is not None and gap < _TOUCHING and _on_outline(placed, point) for point, gap in ends):
            those.append(dimension)
    if those:
        yield _found(dimensions, "placement.gap", "", those)


def _on_outline(placed: PlacedView, point: Point) -> bool:
    """Whether a point is the end of a visible straight line, and not a centre."""
    ends = [end for piece in placed.lines.of("visible") if isinstance(piece.carrier, Line) for end in piece.ends]
    return any(math.dist(end, point) * placed.factor <= _ON for end in ends)


def _lettered(dimensions: DimensionSurvey) -> list[tuple[Dimension, float, float]]:
    """Dimensions with height and turn of their texts; turns from −90 to 270 degrees."""
    return [
        (d, d.lettering.height, (d.lettering.turn + 90.0) % 360.0 - 90.0)
        for d in dimensions.survey.sheet.dimensions
        if d.lettering is not None
    ]


def _style(dimensions: DimensionSurvey) -> Style:
    survey = dimensions.survey
    return survey.exercise.dimensioning.style or survey.sheet.style


def _heights(dimensions: DimensionSurvey) -> Iterator[Finding]:
    lettered = _lettered(dimensions)
    if not lettered:
        return
    least = LEAST_HEIGHT[_style(dimensions)]
    low = [(d, height) for d, height, _ in lettered if height < least - _HEIGHT_OFF]
    if low:
        height = min(height for _, height in low)
        yield _found(dimensions, "placement.lettering", "low", [d for d, _ in low], height=height, least=least)
        return
    heights = [height for _, height, _ in lettered]
    even = _EVEN_BY_HAND if dimensions.survey.sheet.by_hand else _EVEN
    if max(heights) - min(heights) > even:
        odd = [d for d, height, _ in lettered if height - min(heights) > even]
        yield _found(dimensions, "placement.lettering", "uneven", odd, height=max(heights), least=min(heights))


def _turns(dimensions: DimensionSurvey) -> Iterator[Finding]:
    lettered = _lettered(dimensions)
    away = [d for d, _, turn in lettered if turn > 90.0 + _TURN_OFF or turn <= -90.0 + _TURN_OFF]
    if away:
        yield _found(dimensions, "placement.reading", "away", away)
        return
    upright = [
        (d, abs(turn - 90.0) <= _TURN_OFF)
        for d, _, turn in lettered
        if isinstance(d, LinearDimension) and d.along == "up" and (abs(turn) <= _TURN_OFF or turn > 45.0)
    ]
    turned, level = [d for d, on in upright if on], [d for d, on in upright if not on]
    if turned and _style(dimensions) == "asme" and dimensions.survey.exercise.dimensioning.style == "asme":
        yield _found(dimensions, "placement.reading", "turned", turned)
    elif turned and level:
        fewer = turned if len(turned) <= len(level) else level
        yield _found(dimensions, "placement.reading", "mixed", fewer)


def _found(
    dimensions: DimensionSurvey, rule: str, variant: str, those: Sequence[Dimension], **parameters: float
) -> Finding:
    by_id = dimensions.survey.by_id
    return RULES.found(
        rule,
        views=tuple(dict.fromkeys(d.view for d in those)),
        at=tuple(dimension_place(by_id[d.view], d) for d in those),
        parameters={"count": len(those), "text": dimensions.text(those[0]), **parameters},
        variant=variant,
        items=tuple(d.id for d in those),
    )
