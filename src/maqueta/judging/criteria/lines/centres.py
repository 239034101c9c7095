"""Centre marks on circles, and centre lines along round features seen from the side."""

import math
from collections.abc import Sequence

from maqueta.geometry.carrier import Circle, Point
from maqueta.geometry.line_set import Piece
from maqueta.judging.criteria.lines.rules import RULES
from maqueta.judging.finding import Finding
from maqueta.judging.survey import Survey
from maqueta.judging.undrawn import lies_on, undrawn_lines
from maqueta.projection.axes_seen import centre_seen, feature_axis
from maqueta.projection.look import Look
from maqueta.sheet.axes_drawn import is_lined, is_marked
from maqueta.sheet.placed import PlacedView
from maqueta.solid.part import Feature


def check_centres(survey: Survey, item: PlacedView, look: Look) -> list[Finding]:
    """`lines.missing-centre` for one view that is not pictorial."""
    tolerance = survey.exercise.tolerance_mm / item.factor
    part = survey.projected.part
    marks = [mark for mark in survey.sheet.marks if mark.view == item.view.id]
    half = item.view.cut is not None and item.view.cut.form == "half"
    parting = undrawn_lines(item) if half else ()
    unmarked: list[tuple[Point, float, Feature]] = []
    unlined: list[tuple[Point, Point, Feature]] = []
    for feature in part.features:
        if look.shows_point(feature.axis):
            centre = centre_seen(feature, look)
            if _circle_shown(item, feature, centre, tolerance) and not is_marked(marks, centre, tolerance):
                unmarked.append((centre, feature.diameter / 2, feature))
        elif any(set(piece.faces) & set(feature.faces) for piece in _shown(item)):
            start, end = feature_axis(part, feature, look)
            # The centre line between the halves of a half section is a matter of its own.
            if lies_on((start, end), parting, tolerance):
                continue
            if not is_lined(marks, start, end, tolerance):
                unlined.append((start, end, feature))
    findings = []
    if unmarked:
        spots = {(round(c[0], 6), round(c[1], 6)) for c, _, _ in unmarked}
        findings.append(
            RULES.found(
                "lines.missing-centre",
                views=(item.view.id,),
                at=tuple((item.to_sheet(spot),) for spot in sorted(spots)),
                parameters={"count": len(spots), "name": survey.name(item)},
                variant="mark",
                faces=tuple(sorted({face for _, _, f in unmarked for face in f.faces})),
            )
        )
    if unlined:
        lines = {(start, end): feature for start, end, feature in unlined}
        findings.append(
            RULES.found(
                "lines.missing-centre",
                views=(item.view.id,),
                at=tuple((item.to_sheet(start), item.to_sheet(end)) for start, end in sorted(lines)),
                parameters={"count": len(lines), "name": survey.name(item)},
                variant="line",
                faces=tuple(sorted({face for _, _, f in unlined for face in f.faces})),
            )
        )
    return findings


def _shown(item: PlacedView) -> Sequence[Piece]:
    """What of the part a view shows; a drafted one shows what it should."""
    if item.view.lines is None:
        return [piece for piece in item.drawn if piece.kind != "smooth"]
    return item.lines.of("visible", "hidden") if item.view.hidden else item.lines.of("visible")


def _circle_shown(item: PlacedView, feature: Feature, centre: Point, tolerance: float) -> bool:
    """Whether the feature shows as a full visible circle."""
    return any(
        piece.kind == "visible"
        and isinstance(piece.carrier, Circle)
        and piece.interval[1] - piece.interval[0] > 2 * math.pi - 1e-6
        and abs(piece.carrier.radius - feature.diameter / 2) <= tolerance
        and math.dist((piece.carrier.x, piece.carrier.y), centre) <= tolerance
        for piece in _shown(item)
    )
