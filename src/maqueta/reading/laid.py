"""Views drafted on the bench, laid on the part: where each stands follows from its lines."""

from typing import Final

from maqueta.geometry.compare import DrawnPiece, compare
from maqueta.projection.attitude import Attitude
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.correct import rebased
from maqueta.reading.identify import Fit, laid_on
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.placed import PlacedView, placed_views

#: A view stays where it is unless another place agrees with more of its ink, by this share.
_BETTER: Final = 1e-3
#: Lines that disagree with their view on more than this are looked at in the mirror; the image must be clearly nearer.
_NEARLY: Final = 0.1
_CLEARLY: Final = 0.5


def laid(projected: ProjectedPart, sheet: SheetDocument, tolerance: float) -> SheetDocument:
    """The sheet with each drafted principal view placed where its lines fit best; no ink moves on paper.

    A drafter sets lines down anywhere, so that the point the part's origin falls on is known only from them. Lines that
    fit only as a mirror image make a mirrored view; a view that already stands where its lines fit, such as one read
    from a file, stays as it is. `tolerance` in mm.
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
    here = compare(item.lines, item.by_hand, tolerance / item.factor, 0.0).disagreement
    best = _best(projected, item, tolerance, view.attitude)
    return best if best is not None and best.disagreement < here - _BETTER else None


def _best(projected: ProjectedPart, item: PlacedView, tolerance: float, attitude: Attitude) -> Fit | None:
    """The best place on the view that is meant, or on its mirror image where the lines fit only that."""
    drawn = [DrawnPiece(e.piece.moved(item.move), e.short * item.factor, e.either) for e in item.by_hand]
    true = laid_on(projected, drawn, attitude, item.view.scale, tolerance)
    if true is None or true.disagreement <= _NEARLY:
        return true
    image = laid_on(projected, drawn, attitude, item.view.scale, tolerance, mirrored=True)
    return image if image is not None and image.disagreement < _CLEARLY * true.disagreement else true
