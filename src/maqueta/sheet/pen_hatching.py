"""Hatching with the pen: the closed region about a point, with what stands alone in it left out.

All points and lengths are in the plane of the view, in the part's unit.
"""

from collections.abc import Sequence
from typing import Final, Literal

from shapely.geometry import Point as Spot

from maqueta.geometry.carrier import Point, line_through
from maqueta.geometry.line_set import Piece
from maqueta.geometry.regions import polygons_of, regions_between, rings_of
from maqueta.phrases.phrase import phrase
from maqueta.sheet.document import Mark
from maqueta.sheet.drafted import piece_of
from maqueta.sheet.drafting import DraftingError
from maqueta.sheet.fields import ViewPoint
from maqueta.sheet.special import MOST_AREAS, MOST_EDGE, Hatch, HatchedArea
from maqueta.sheet.view import View
from maqueta.strict import Strict

#: A line that ends so near to another (mm on paper) closes a region with it: no reader of a sheet sees the gap
#: (common practice, no source).
_GAP_MM: Final = 0.2


class PenHatching(Strict):
    """The region about `at` hatched, or no longer hatched."""

    what: Literal["hatch"]
    at: ViewPoint
    hatch: Hatch = Hatch()


def hatched_at(view: View, marks: Sequence[Mark], at: Point, hatch: Hatch, factor: float) -> View:
    """A drafted view with the region about a point hatched, or no longer hatched where it was.

    Visible lines bound a region; in a half section the axis does too. `factor` is mm on paper per unit of the part.
    Raises DraftingError where no region is closed about the point.
    """
    spot, hatched = Spot(at), view.hatched or ()
    kept = tuple(area for area in hatched if not area.hatching.region.contains(spot))
    if len(kept) < len(hatched):
        return view.model_copy(update={"hatched": kept or None})
    bounds = [piece_of(line) for line in view.lines or () if line.pen == "visible"]
    if view.cut is not None and view.cut.form == "half":
        bounds += [_axis(mark.start, mark.end) for mark in marks if mark.kind == "line" and mark.view == view.id]
    region = next((own for own in regions_between(bounds, _GAP_MM / factor) if own.contains(spot)), None)
    if region is None:
        raise DraftingError(phrase("drafting-region-open"))
    slack = 1e-4 / factor
    while max(len(ring.coords) for ring in (region.exterior, *region.interiors)) > MOST_EDGE:
        slack *= 4
        (region,) = polygons_of(region.simplify(slack))
    if len(hatched) >= MOST_AREAS or len(region.interiors) >= MOST_AREAS:
        raise DraftingError(phrase("drafting-most-areas", most=MOST_AREAS))
    area = HatchedArea(rings=rings_of(region), angle=hatch.angle, spacing=hatch.spacing)
    return view.model_copy(update={"hatched": (*hatched, area)})


def _axis(start: Point, end: Point) -> Piece:
    carrier, interval = line_through(start, end)
    return Piece("visible", carrier, interval, (), ())
