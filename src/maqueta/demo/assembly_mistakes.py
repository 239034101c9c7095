"""The mistakes students make with assemblies, each as a change to a faultless sheet."""

from maqueta.judging.parts_off import own_lines
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.drafted import Pen, drafted_of
from maqueta.sheet.placed import placed_views


def without_a_side(_: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """The last of the six sides is not there."""
    gone = sheet.views[-1].id
    return sheet.model_copy(
        update={
            "views": tuple(view for view in sheet.views if view.id != gone),
            "marks": tuple(mark for mark in sheet.marks if mark.view != gone),
        }
    )


def without_a_part(projected: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """Drawn by hand in all views, without the lines of the second part."""
    component = projected.part.components[1]
    views = []
    for item in placed_views(projected, sheet):
        lines = item.lines.of("visible", "hidden")
        gone = set(own_lines(projected.part, component, lines))
        kept = [drafted_of(p, Pen("hidden" if p.kind == "hidden" else "visible")) for p in lines if p not in gone]
        views.append(item.view.model_copy(update={"lines": tuple(kept)}))
    return sheet.model_copy(update={"views": tuple(views)})


def pulled_aside(_: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """The last part is pulled off its way, its balloon with it."""
    own, aside = sheet.views[-1], (14.0, 10.0)
    views = (*sheet.views[:-1], own.model_copy(update={"at": (own.at[0] + aside[0], own.at[1] + aside[1])}))
    balloon = sheet.balloons[-1]
    assert balloon.tip is not None, "balloons of model answers point at parts"
    tip = (balloon.tip[0] + aside[0], balloon.tip[1] + aside[1])
    balloons = (*sheet.balloons[:-1], balloon.model_copy(update={"tip": tip}))
    return sheet.model_copy(update={"views": views, "balloons": balloons})


def numbers_changed(_: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """The first two balloons have each other's numbers."""
    first, second, *others = sheet.balloons
    changed = (
        first.model_copy(update={"number": second.number}),
        second.model_copy(update={"number": first.number}),
    )
    return sheet.model_copy(update={"balloons": (*changed, *others)})


def a_row_less(_: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """The last row of the parts list is not there."""
    listed = sheet.parts_list
    assert listed is not None, "model answers have one"
    return sheet.model_copy(update={"parts_list": listed.model_copy(update={"rows": listed.rows[:-1]})})
