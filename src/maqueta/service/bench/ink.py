"""A sheet as the bench shows it: ink, what is known of its views, gap sums, white space, points for the pen."""

from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.geometry.box import Box
from maqueta.geometry.carrier import Interval
from maqueta.geometry.line_set import LineSet
from maqueta.judging.criteria.scale import least_gap, proposed
from maqueta.judging.survey import Survey
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.projection.attitude import Corner
from maqueta.projection.axes_seen import centre_seen, feature_axis
from maqueta.projection.corners import best_corner
from maqueta.projection.look import Look
from maqueta.service.bench.answers import paper_answer
from maqueta.service.bench.messages import CalloutAnswer, InkAnswer, SpaceAnswer, ViewFacts
from maqueta.sheet.dimension_words import write_length
from maqueta.sheet.scales import write_scale
from maqueta.sheet.snaps import snaps_of
from maqueta.sheet.spacing import GapSum, as_fraction, bands
from maqueta.sizes.callout import callout, mouths
from maqueta.sizes.pitch_circles import pitch_circles
from maqueta.sizes.rows import FIRST_ROW, row_step
from maqueta.solid.uncut import cut_lengthwise, pins
from maqueta.solid.unit import MILLIMETRES


def ink_answer(survey: Survey) -> InkAnswer:
    """A sheet as ink, with what the bench needs to know of its views."""
    part = survey.projected.part
    views = []
    for item in survey.placed:
        look = item.orthographic
        # Of a view that is drafted by hand nothing is told that its drafter has not drawn.
        told = item.lines if item.view.lines is None else LineSet(())
        lines = []
        if look is not None and told.pieces:
            lines = [feature_axis(part, f, look) for f in part.features if not look.shows_point(f.axis)]
        views.append(
            ViewFacts(
                id=item.view.id,
                name=survey.name(item),
                box=item.box,
                factor=item.factor,
                hidden_lines=len(told.of("hidden")),
                smooth_lines=len(told.of("smooth")),
                axis_lines=list(dict.fromkeys(lines)),
                flanks=[rib.flanks[0] for rib in cut_lengthwise(part, look.cut)] if look and look.cut else [],
                pins=list(pins(part)) if look and look.cut else [],
                pitch_circles=[(c.centre, c.radius) for c in pitch_circles(part, look)]
                if look is not None and told.pieces
                else [],
                callouts=_callouts(survey, look) if look is not None and told.pieces else [],
            )
        )
    by_hand = any(item.view.lines is not None for item in survey.placed)
    return InkAnswer(
        paper=paper_answer(survey.layout),
        groups=list(sheet_ink(survey.projected, survey.sheet, construction=True)),
        views=views,
        gaps=_gap_sums(survey),
        first_row=FIRST_ROW,
        next_row=row_step(False, survey.sheet.style == "asme"),
        next_row_up=row_step(True, survey.sheet.style == "asme"),
        spaces=_spaces(survey),
        corner=_corner(survey),
        scale_words=_scale_words(survey) if "scale" in survey.exercise.aids else None,
        snaps=list(snaps_of(survey.placed)) if by_hand else [],
    )


def _callouts(survey: Survey, look: Look) -> list[CalloutAnswer]:
    """What a callout would say of each hole a view shows round, where it says more than a diameter."""
    part, sheet = survey.projected.part, survey.sheet

    def write(value: float) -> str:
        return write_length(value, sheet, part.unit)

    found = []
    for hole in part.features:
        if hole.kind == "hole" and look.shows_point(hole.axis) and (mouths(part, hole) or not hole.through):
            centre = centre_seen(hole, look)
            found.append(CalloutAnswer(centre=centre, radius=hole.diameter / 2, text=callout(part, hole, write)))
    return found


def _corner(survey: Survey) -> Corner | None:
    """The corner that belongs to the drawn views; not told where the part is to be known from its views alone."""
    if survey.front is None or not survey.exercise.drafting.shown:
        return None
    return best_corner(survey.projected, survey.reference, {survey.principal_name(i) for i in survey.principal})


def _scale_words(survey: Survey) -> Phrase | None:
    """Which scale leaves room for dimensions, and how much this one leaves."""
    if survey.scale is None or not all(item.box[2] > item.box[0] for item in survey.principal):
        return None
    here, gap = write_scale(survey.scale), least_gap(survey, survey.scale)
    best = proposed(survey)
    if best is None:
        return phrase("scale-no-room", scale=here, gap=gap)
    if abs(best / survey.scale - 1) < survey.exercise.thresholds.scale_ratio:
        return phrase("scale-largest", scale=here, gap=gap)
    return phrase("scale-other", scale=here, gap=gap, best=write_scale(best), there=least_gap(survey, best))


def _spaces(survey: Survey) -> list[SpaceAnswer]:
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
            SpaceAnswer(start=(a, middle[1]), end=(b, middle[1]), written=written(b - a))
            for a, b in zip(across[::2], across[1::2], strict=True)
            if b > a
        ),
        *(
            SpaceAnswer(start=(middle[0], a), end=(middle[0], b), written=written(b - a))
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


def _gap_sums(survey: Survey) -> list[Phrase]:
    """The gap sums of the principal views for the arrangement they are meant to have, as a person writes them."""
    if survey.front is None:
        return []
    left, bottom, right, top = survey.layout.drawing_area
    units = survey.sheet.units
    to_unit = 1 / MILLIMETRES[units]
    across, up = (
        GapSum(room * to_unit, tuple(column.size * to_unit for column in columns)).written(units)
        for room, columns in ((right - left, survey.columns.across), (top - bottom, survey.columns.up))
    )
    return [phrase("gaps-across", sum=across, unit=units), phrase("gaps-up", sum=up, unit=units)]
