"""A sheet as the bench shows it: ink, what is known of its views, gap sums, white space, points for the pen."""

from maqueta.checking.scale import least_gap, proposed
from maqueta.checking.survey import Survey
from maqueta.dimensioning.callout import callout, mouths
from maqueta.dimensioning.pitch_circles import pitch_circles
from maqueta.dimensioning.places import centre_in_view, feature_axis
from maqueta.dimensioning.rows import FIRST_ROW, NEXT_ROW
from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.projection.attitude import Attitude
from maqueta.projection.carrier import Interval
from maqueta.projection.line_set import Box, LineSet
from maqueta.service.forms import CalloutForm, InkForm, SpaceForm, ViewFacts
from maqueta.service.present import paper_form
from maqueta.sheet.dimension_words import write_length
from maqueta.sheet.scales import write_scale
from maqueta.sheet.snaps import snaps_of
from maqueta.sheet.spacing import GapSum, as_fraction, bands
from maqueta.solid.unit import MILLIMETRES


def ink_form(survey: Survey) -> InkForm:
    """A sheet as ink, with what the bench needs to know of its views."""
    part = survey.projected.part
    views = []
    for item in survey.placed:
        attitude = item.view.attitude
        # Of a view that is drafted by hand nothing is told that its drafter has not drawn.
        told = item.lines if item.view.lines is None else LineSet(())
        lines = []
        if attitude is not None and told.pieces:
            lines = [feature_axis(part, f, attitude) for f in part.features if f.axis != attitude.side[1]]
        views.append(
            ViewFacts(
                id=item.view.id,
                name=survey.name(item),
                box=item.box,
                factor=item.factor,
                hidden_lines=len(told.of("hidden")),
                smooth_lines=len(told.of("smooth")),
                axis_lines=list(dict.fromkeys(lines)),
                pitch_circles=[(c.centre, c.radius) for c in pitch_circles(part, attitude)]
                if attitude is not None and told.pieces
                else [],
                callouts=_callouts(survey, attitude) if attitude is not None and told.pieces else [],
            )
        )
    by_hand = any(item.view.lines is not None for item in survey.placed)
    return InkForm(
        paper=paper_form(survey.layout),
        groups=list(sheet_ink(survey.projected, survey.sheet, construction=True)),
        views=views,
        gaps=_gap_sums(survey),
        first_row=FIRST_ROW,
        next_row=NEXT_ROW,
        spaces=_spaces(survey),
        scale_words=_scale_words(survey) if "scale" in survey.exercise.aids else None,
        snaps=list(snaps_of(survey.placed)) if by_hand else [],
    )


def _callouts(survey: Survey, attitude: Attitude) -> list[CalloutForm]:
    """What a callout would say of each hole a view shows round, where it says more than a diameter."""
    part, sheet = survey.projected.part, survey.sheet

    def write(value: float) -> str:
        return write_length(value, sheet, part.unit)

    found = []
    for hole in part.features:
        if hole.kind == "hole" and hole.axis == attitude.side[1] and (mouths(part, hole) or not hole.through):
            centre = centre_in_view(hole.at, hole.axis, attitude)
            found.append(CalloutForm(centre=centre, radius=hole.diameter / 2, text=callout(part, hole, write)))
    return found


def _scale_words(survey: Survey) -> str | None:
    """Which scale leaves room for dimensions, and how much this one leaves."""
    if survey.scale is None or not all(item.box[2] > item.box[0] for item in survey.principal):
        return None
    here = f"At {write_scale(survey.scale)} the smallest even gap is {least_gap(survey, survey.scale):.0f} mm"
    best = proposed(survey)
    if best is None:
        return f"{here}; no recommended scale leaves room for dimensions on this paper."
    if abs(best / survey.scale - 1) < survey.exercise.thresholds.scale_ratio:
        return f"{here}: the largest recommended scale that leaves room for dimensions."
    there = f"{write_scale(best)} ({least_gap(survey, best):.0f} mm)"
    return f"{here}; the largest recommended scale that leaves room is {there}."


def _spaces(survey: Survey) -> list[SpaceForm]:
    """The white space beside and between the views in the front view's row, and above and below in its column."""
    if survey.front is None:
        return []
    left, bottom, right, top = survey.layout.drawing_area
    front, units = survey.front.box, survey.sheet.units
    middle = ((front[0] + front[2]) / 2, (front[1] + front[3]) / 2)

    def written(length: float) -> str:
        return as_fraction(length / MILLIMETRES["inch"]) if units == "inch" else f"{length:.0f}"

    row, column = _row_and_column(survey, front)
    across = [left, *(x for span in bands(row) for x in span), right]
    up = [bottom, *(y for span in bands(column) for y in span), top]
    return [
        *(
            SpaceForm(start=(a, middle[1]), end=(b, middle[1]), written=written(b - a))
            for a, b in zip(across[::2], across[1::2], strict=True)
            if b > a
        ),
        *(
            SpaceForm(start=(middle[0], a), end=(middle[0], b), written=written(b - a))
            for a, b in zip(up[::2], up[1::2], strict=True)
            if b > a
        ),
    ]


def _row_and_column(survey: Survey, front: Box) -> tuple[list[Interval], list[Interval]]:
    """Where the views beside the front view stand across the sheet, and those above and below it up the sheet."""
    boxes = [item.box for item in survey.principal]
    row = [(box[0], box[2]) for box in boxes if box[1] < front[3] and front[1] < box[3]]
    column = [(box[1], box[3]) for box in boxes if box[0] < front[2] and front[0] < box[2]]
    return row, column


def _gap_sums(survey: Survey) -> list[str]:
    """The gap sums of the principal views in the front view's row and column, as a person writes them."""
    if survey.front is None:
        return []
    left, bottom, right, top = survey.layout.drawing_area
    row, column = _row_and_column(survey, survey.front.box)
    units = survey.sheet.units
    to_unit = 1 / MILLIMETRES[units]
    across = GapSum((right - left) * to_unit, tuple((end - start) * to_unit for start, end in row))
    up = GapSum((top - bottom) * to_unit, tuple((end - start) * to_unit for start, end in column))
    return [f"across: {across.written(units)} {units}", f"up: {up.written(units)} {units}"]
