"""`section.boundary`: what parts the halves of a half section, and the steps of an offset one."""

from maqueta.judging.criteria.section.rules import RULES
from maqueta.judging.cutting_survey import called, cut_of
from maqueta.judging.finding import Finding
from maqueta.judging.survey import Survey
from maqueta.judging.undrawn import lies_on, undrawn_lines
from maqueta.sheet.document import CentreLine
from maqueta.sheet.placed import PlacedView

#: A centre line parts two halves when it runs along this share of what it parts (common practice, no source).
_ALONG = 0.6


def check_boundary(survey: Survey, item: PlacedView) -> list[Finding]:
    """Lines drawn where halves meet or steps are; halves of a half section without a centre line between them."""
    form = cut_of(item).form
    lines = undrawn_lines(item)
    if not lines:
        return []
    tolerance = survey.exercise.tolerance_mm / item.factor
    if item.view.id in survey.compared:
        extra = survey.compared[item.view.id].extra
        drawn = [piece for piece in extra if piece.kind == "visible" and lies_on(piece, lines, tolerance)]
        if drawn:
            return [
                RULES.found(
                    "section.boundary",
                    views=(item.view.id,),
                    at=tuple(tuple(piece.moved(item.move).outline()) for piece in drawn),
                    parameters={"view": called(item), "count": len(drawn)},
                    variant="step" if form == "offset" else "",
                )
            ]
    if form != "half":
        return []
    (start, end) = lines[0]
    reach = abs(end[0] - start[0]) + abs(end[1] - start[1])
    expected = [piece for piece in item.lines.of("visible") if lies_on(piece, lines, tolerance)]
    parted = sum(piece.length for piece in expected)
    for mark in survey.sheet.marks:
        if isinstance(mark, CentreLine) and mark.view == item.view.id:
            parted += lies_on((mark.start, mark.end), lines, tolerance)
    if parted >= _ALONG * reach:
        return []
    return [
        RULES.found(
            "section.boundary",
            views=(item.view.id,),
            at=((item.to_sheet(start), item.to_sheet(end)),),
            parameters={"view": called(item)},
            variant="none",
        )
    ]
