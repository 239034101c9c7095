"""Views moved as a whole to even gaps, or drawn at another scale; what is in line stays in line."""

from collections.abc import Sequence

from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.placed import placed_views
from maqueta.sheet.spacing import GapSum, bands


def evened(projected: ProjectedPart, sheet: SheetDocument) -> SheetDocument:
    """The sheet with its principal views in columns and rows of even gaps in the drawing area.

    Views that overlap along a direction are one column or row and move together, so that their alignment, and any
    fault in it, stays as it is. The pictorial view stays where it is. gap = (area − Σ sizes) ÷ (views + 1).
    """
    area = sheet.paper.layout.drawing_area
    items = [item for item in placed_views(projected, sheet) if item.view.attitude is not None]
    if not items:
        return sheet
    across = _shifts([(item.box[0], item.box[2]) for item in items], area[0], area[2])
    up = _shifts([(item.box[1], item.box[3]) for item in items], area[1], area[3])
    moved = {
        item.view.id: (round(item.view.at[0] + dx, 6), round(item.view.at[1] + dy, 6))
        for item, dx, dy in zip(items, across, up, strict=True)
    }
    views = tuple(view.model_copy(update={"at": moved.get(view.id, view.at)}) for view in sheet.views)
    return sheet.model_copy(update={"views": views})


def rescaled(projected: ProjectedPart, sheet: SheetDocument, scale: float) -> SheetDocument:
    """The sheet with all projected views at one scale, then with even gaps; the pictorial keeps its middle.

    Drafted views keep theirs: their lines are where the hand has put them.
    """
    views = []
    for item in placed_views(projected, sheet):
        view, ratio = item.view, scale / item.view.scale
        if view.lines is not None:
            views.append(view)
            continue
        left, bottom, right, top = item.box
        middle = ((left + right) / 2, (bottom + top) / 2)
        about = sheet.view(sheet.front).at if sheet.front and view.corner is None else middle
        at = (about[0] + ratio * (view.at[0] - about[0]), about[1] + ratio * (view.at[1] - about[1]))
        views.append(view.model_copy(update={"scale": scale, "at": (round(at[0], 6), round(at[1], 6))}))
    return evened(projected, sheet.model_copy(update={"views": tuple(views)}))


def _shifts(spans: Sequence[tuple[float, float]], low: float, high: float) -> list[float]:
    """How far each span moves along one direction."""
    columns = bands(spans)
    gap = GapSum(high - low, tuple(end - start for start, end in columns)).gap
    starts, at = [], low
    for start, end in columns:
        at += gap
        starts.append(at)
        at += end - start
    return [
        next(
            new - column[0]
            for new, column in zip(starts, columns, strict=True)
            if column[0] <= start and end <= column[1]
        )
        for start, end in spans
    ]
