"""The mistakes students make with sections, details and auxiliary views, each as a change to a faultless sheet."""

import math
from collections.abc import Callable

from maqueta.geometry.frame import cross, dot, unit
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.document import CentreLine, SheetDocument
from maqueta.sheet.special import Hatch
from maqueta.sheet.view import Aslant, View
from maqueta.sheet.view_graph import folded

Mistake = Callable[[ProjectedPart, SheetDocument], SheetDocument]
#: How far askew a careless auxiliary view looks, degrees.
_ASKEW = 8.0


def _changed(kind: str, change: Callable[[View], View]) -> Mistake:
    """The last view of a kind, changed."""

    def broken(_: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
        own = [view for view in sheet.views if view.kind == kind][-1]
        views = tuple(change(view) if view.id == own.id else view for view in sheet.views)
        return sheet.model_copy(update={"views": views})

    return broken


def _with(kind: str, **update: object) -> Mistake:
    return _changed(kind, lambda view: view.model_copy(update=update))


def _without(kind: str) -> Mistake:
    """The sheet without its views of a kind, and without all that belongs to them."""

    def broken(_: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
        gone = {view.id for view in sheet.views if view.kind == kind}
        return sheet.model_copy(
            update={
                "views": tuple(view for view in sheet.views if view.id not in gone),
                "marks": tuple(mark for mark in sheet.marks if mark.view not in gone),
                "dimensions": tuple(size for size in sheet.dimensions if size.view not in gone),
                "cutting_lines": () if kind == "section" else sheet.cutting_lines,
                "circled": () if kind == "detail" else sheet.circled,
            }
        )

    return broken


def no_cutting_line(_: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """The section stands there, and nothing tells where it is cut."""
    return sheet.model_copy(update={"cutting_lines": ()})


def line_aside(_: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """The cutting line is drawn beside the middle that the section shows."""
    lines = tuple(
        line.model_copy(update={"path": tuple((x, y + 9.0) for x, y in line.path)}) for line in sheet.cutting_lines
    )
    return sheet.model_copy(update={"cutting_lines": lines})


def arrows_the_other_way(_: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """The arrows point at the reader's back."""
    other = {"left": "right", "right": "left", "none": "none"}
    lines = tuple(line.model_copy(update={"arrows": other[line.arrows]}) for line in sheet.cutting_lines)
    return sheet.model_copy(update={"cutting_lines": lines})


def no_circle(_: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """The detail stands there, and nothing tells what it enlarges."""
    return sheet.model_copy(update={"circled": ()})


def no_centre_line(_: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """Nothing parts the halves of a half section."""
    sections = {view.id for view in sheet.views if view.kind == "section"}
    own = [mark for mark in sheet.marks if isinstance(mark, CentreLine) and mark.view in sections]
    middle = max(own, key=lambda mark: math.dist(mark.start, mark.end)).start[0]
    gone = {mark.id for mark in own if abs(mark.start[0] - middle) < 1e-6}
    return sheet.model_copy(update={"marks": tuple(mark for mark in sheet.marks if mark.id not in gone)})


def looked_at_askew(_: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """The auxiliary view is folded out a few degrees beside the face, in line with its parent as before."""
    own = [view for view in sheet.views if view.kind == "auxiliary"][-1]
    parent = next(view for view in sheet.views if view.id == own.parent)
    return _folded_anew(sheet, own, parent, _ASKEW)


def chain_begun_wrongly(_: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """The primary view looks beside the line in true length, and the secondary one follows from it."""
    first, second = (view for view in sheet.views if view.kind == "auxiliary")
    parent = next(view for view in sheet.views if view.id == first.parent)
    sheet = _folded_anew(sheet, first, parent, _ASKEW)
    primary = sheet.view(first.id)
    return _folded_anew(sheet, second, primary, 0.0)


def _folded_anew(sheet: SheetDocument, view: View, parent: View, degrees: float) -> SheetDocument:
    """A view folded out from its parent as before but for some degrees, as far away as it was."""
    from_look, own = parent.own_look, view.own_look
    assert from_look is not None, "what is folded out has a parent that looks at the part"
    assert own is not None, "an auxiliary view looks at the part"
    ahead = own.towards
    flat = unit(cross(from_look.towards, cross(ahead, from_look.towards)))
    x, y = dot(flat, from_look.right), dot(flat, from_look.up)
    turn = math.radians(degrees)
    way = (x * math.cos(turn) - y * math.sin(turn), x * math.sin(turn) + y * math.cos(turn))
    look = folded(from_look, way)
    far = math.dist(view.at, parent.at)
    sign = 1.0 if (view.at[0] - parent.at[0]) * x + (view.at[1] - parent.at[1]) * y > 0 else -1.0
    at = (parent.at[0] + sign * far * way[0], parent.at[1] + sign * far * way[1])
    again = view.model_copy(update={"look": Aslant(frame=look.frame), "at": at})
    return sheet.model_copy(update={"views": tuple(again if v.id == view.id else v for v in sheet.views)})


def out_of_line(_: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """The auxiliary view slid along its folding line."""
    own = [view for view in sheet.views if view.kind == "auxiliary"][-1]
    parent = next(view for view in sheet.views if view.id == own.parent)
    (x, y), (px, py) = own.at, parent.at
    far = math.dist(own.at, parent.at) or 1.0
    at = (x - 7.0 * (y - py) / far, y + 7.0 * (x - px) / far)
    return _with("auxiliary", at=at)(_, sheet)


no_section = _without("section")
no_auxiliary = _without("auxiliary")
section_without_letters = _with("section", letter=None)
not_hatched = _with("section", hatch=None)
hatched_along = _with("section", hatch=Hatch(angle=0.0))
hidden_left = _with("section", hidden=True)
detail_without_letter = _with("detail", letter=None)
other_scale_stated = _with("detail", stated="5:1")
hangs_on_nothing = _with("auxiliary", parent=None)


def rib_cut(projected: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """The rib is cut and hatched like everything else."""
    return _changed(
        "section",
        lambda view: view.model_copy(update={"cut": view.cut.model_copy(update={"whole": ()}) if view.cut else None}),
    )(projected, sheet)
