"""Views moved as a whole to even gaps, or drawn at another scale; what is in line stays in line."""

from collections.abc import Sequence

from maqueta.projection.arrangement import Angle
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.columns import Column, columns_meant
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.placed import placed_views
from maqueta.sheet.spacing import GapSum


def evened(projected: ProjectedPart, sheet: SheetDocument, angle: Angle) -> SheetDocument:
    """The sheet with its principal views in columns and rows of even gaps in the drawing area.

    Views of one column or row move together, so that their alignment, and any fault in it, stays as it is; views in a
    heap come apart as `angle` has them. The pictorial view stays where it is. gap = (area − Σ sizes) ÷ (views + 1).
    """
    area = sheet.paper.layout.drawing_area
    items = [item for item in placed_views(projected, sheet) if item.view.kind == "principal"]
    if not items:
        return sheet
    front = next((item for item in items if item.view.id == sheet.front), None)
    columns = columns_meant(items, front, front.view.attitude if front is not None else None, angle)
    across = _shifts(columns.across, area[0], area[2])
    up = _shifts(columns.up, area[1], area[3])
    views = tuple(
        view.model_copy(
            update={"at": (round(view.at[0] + across[view.id], 6), round(view.at[1] + up[view.id], 6))},
        )
        if view.id in across
        else view
        for view in sheet.views
    )
    return sheet.model_copy(update={"views": views})


def rescaled(projected: ProjectedPart, sheet: SheetDocument, scale: float, angle: Angle) -> SheetDocument:
    """The sheet with all projected views at one scale, then with even gaps; the pictorial keeps its middle.

    Drafted views keep theirs: their lines are where the hand has put them.
    """
    views, front = [], sheet.front
    for item in placed_views(projected, sheet):
        view, ratio = item.view, scale / item.view.scale
        if view.lines is not None:
            views.append(view)
            continue
        left, bottom, right, top = item.box
        middle = ((left + right) / 2, (bottom + top) / 2)
        about = sheet.view(front).at if front is not None and view.kind != "pictorial" else middle
        at = (about[0] + ratio * (view.at[0] - about[0]), about[1] + ratio * (view.at[1] - about[1]))
        views.append(view.model_copy(update={"scale": scale, "at": (round(at[0], 6), round(at[1], 6))}))
    return evened(projected, sheet.model_copy(update={"views": tuple(views)}), angle)


def _shifts(columns: Sequence[Column], low: float, high: float) -> dict[str, float]:
    """How far each view moves along one direction."""
    gap = GapSum(high - low, tuple(end - start for start, end in (column.span for column in columns))).gap
    shifts: dict[str, float] = {}
    at = low
    for column in columns:
        start, end = column.span
        at += gap
        shifts |= dict.fromkeys(column.views, at - start)
        at += end - start
    return shifts
