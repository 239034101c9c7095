"""The six sides of an assembly, and whether all its parts are seen there."""

import math

from maqueta.geometry.box import box_of, outline_of
from maqueta.judging.criteria.assembly.rules import RULES
from maqueta.judging.finding import Finding
from maqueta.judging.parts_off import PartOff
from maqueta.judging.survey import Survey
from maqueta.judging.ways import way_on_sheet
from maqueta.projection.arrangement import VIEW_NAMES, where_stands


def check_sides(survey: Survey) -> list[Finding]:
    """`assembly.sides` and `assembly.part`, as far as views in line show them."""
    return [*_missing(survey), *_misplaced(survey), *(_off(survey, own) for own in survey.parts_off)]


def _missing(survey: Survey) -> list[Finding]:
    if survey.exercise.shows != "six sides":
        return []
    there = set(survey.names.values())
    return [RULES.found("assembly.sides", parameters={"name": name}) for name in VIEW_NAMES if name not in there]


def _misplaced(survey: Survey) -> list[Finding]:
    """Sides that stand as in the other angle of projection, where others stand as asked."""
    asked = survey.exercise.angle
    if survey.exercise.shows != "six sides" or asked not in survey.angles.values() or survey.front is None:
        return []
    found = []
    for view, angle in survey.angles.items():
        item = survey.by_id[view]
        if angle == asked or item not in survey.principal:
            continue
        name = survey.principal_name(item)
        parameters = {"name": name, "where": where_stands(survey.front.box, item.box, name), "angle": asked}
        found.append(
            RULES.found(
                "assembly.sides",
                views=(view,),
                at=(outline_of(item.box),),
                parameters=parameters,
                variant="misplaced",
            )
        )
    return found


def _off(survey: Survey, own: PartOff) -> Finding:
    """A part that is nowhere, where its lines should be; or one that is elsewhere, where they are."""
    lines = own.missing if own.how == "nowhere" else own.extra
    views = tuple(view for view, pieces in lines.items() if pieces)
    boxes = []
    for view in views:
        item = survey.by_id[view]
        points = [item.to_sheet(point) for piece in lines[view] for point in piece.outline()]
        boxes.append(outline_of(box_of(points)))
    back = (-own.shift[0], -own.shift[1])
    moved = {"distance": math.hypot(*back), "way": way_on_sheet(back)} if own.how == "elsewhere" else {}
    return RULES.found(
        "assembly.part",
        views=views,
        at=tuple(boxes),
        parameters={"name": own.component.name, **moved},
        variant="elsewhere" if own.how == "elsewhere" else "",
        faces=tuple(own.component.own_faces),
    )
