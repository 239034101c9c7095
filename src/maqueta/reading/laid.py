"""Views drafted on the bench, laid on the part: where each stands follows from its lines."""

from typing import Final

from maqueta.geometry.compare import DrawnPiece, compare
from maqueta.projection.attitude import Attitude
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.candidates import Identity
from maqueta.reading.correct import rebased
from maqueta.reading.identify import Fit, laid_on
from maqueta.reading.special.fitting import fits_as
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.placed import PlacedView, placed_views
from maqueta.task.criteria import SPECIAL

#: A view stays where it is unless another place agrees with more of its ink, by this share.
_BETTER: Final = 1e-3
#: Lines that disagree with their view on more than this are looked at in the mirror; the image must be clearly nearer.
_NEARLY: Final = 0.1
_CLEARLY: Final = 0.5
#: Scales that differ less than this are one.
_SAME_SCALE: Final = 1e-3


def laid(projected: ProjectedPart, sheet: SheetDocument, tolerance: float) -> SheetDocument:
    """The sheet with each drafted view placed where its lines fit best; no ink moves on paper.

    A drafter sets lines down anywhere, so that the point the part's origin falls on is known only from them. Lines that
    fit only as a mirror image make a mirrored view; a view that already stands where its lines fit, such as one read
    from a file, stays as it is. `tolerance` in mm.
    """
    for item in placed_views(projected, sheet):
        fit = _fit(projected, item, tolerance)
        if fit is not None:
            sheet = rebased(sheet, item, fit.identity, fit.at, fit.scale, projected)
            own = item.view
            named = {"letter": own.letter, "stated": own.stated, "parent": own.parent}
            views = (v.model_copy(update=named) if v.id == own.id and v.kind in SPECIAL else v for v in sheet.views)
            sheet = sheet.model_copy(update={"views": tuple(views)})
    return sheet


def _fit(projected: ProjectedPart, item: PlacedView, tolerance: float) -> Fit | None:
    view = item.view
    if view.lines is None or (view.attitude is None and view.kind not in SPECIAL):
        return None
    here = compare(item.lines, item.by_hand, tolerance / item.factor, 0.0).disagreement
    attitude = None if view.kind in SPECIAL else view.attitude
    best = _as_meant(projected, item, tolerance) if attitude is None else _best(projected, item, tolerance, attitude)
    return best if best is not None and best.disagreement < here - _BETTER else None


def _as_meant(projected: ProjectedPart, item: PlacedView, tolerance: float) -> Fit | None:
    """The best place of a special view at its own scale."""
    view = item.view
    drawn = [DrawnPiece(e.piece.moved(item.move), e.short * item.factor, e.either) for e in item.by_hand]
    identity = Identity(view.look, cut=view.cut, clip=view.clip)
    fits = fits_as(identity, item.lines, projected.part, drawn, [view.scale], tolerance) if drawn else []
    return next((fit for fit in fits if abs(fit.scale / view.scale - 1) < _SAME_SCALE), None)


def _best(projected: ProjectedPart, item: PlacedView, tolerance: float, attitude: Attitude) -> Fit | None:
    """The best place on the view that is meant, or on its mirror image where the lines fit only that."""
    drawn = [DrawnPiece(e.piece.moved(item.move), e.short * item.factor, e.either) for e in item.by_hand]
    true = laid_on(projected, drawn, attitude, item.view.scale, tolerance)
    if true is None or true.disagreement <= _NEARLY:
        return true
    image = laid_on(projected, drawn, attitude, item.view.scale, tolerance, mirrored=True)
    return image if image is not None and image.disagreement < _CLEARLY * true.disagreement else true
