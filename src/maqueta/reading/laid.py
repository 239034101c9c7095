"""Views drafted on the bench, laid on the part: where each stands follows from its lines."""

from maqueta.projection.compare import DrawnPiece
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.correct import rebased
from maqueta.reading.identify import STRANGER, Fit, laid_on
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.placed import PlacedView, placed_views


def laid(projected: ProjectedPart, sheet: SheetDocument, tolerance: float) -> SheetDocument:
    """The sheet with each drafted principal view placed where its lines fit best; no ink moves on paper.

    A drafter sets lines down anywhere, so that the point the part's origin falls on is known only from them. Lines that
    fit only as a mirror image make a mirrored view. `tolerance` in mm.
    """
    for item in placed_views(projected, sheet):
        fit = _fit(projected, item, tolerance)
        if fit is not None:
            sheet = rebased(sheet, item, fit.identity, fit.at, fit.scale, projected)
    return sheet


def _fit(projected: ProjectedPart, item: PlacedView, tolerance: float) -> Fit | None:
    view = item.view
    if view.lines is None or view.attitude is None:
        return None
    drawn = [DrawnPiece(e.piece.moved(item.move), e.short * item.factor, e.either) for e in item.by_hand]
    true = laid_on(projected, drawn, view.attitude, view.scale, tolerance)
    if true is None or true.disagreement <= STRANGER:
        return true
    image = laid_on(projected, drawn, view.attitude, view.scale, tolerance, mirrored=True)
    return image if image is not None and image.disagreement <= STRANGER else true
