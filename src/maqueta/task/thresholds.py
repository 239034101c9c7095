"""Every tolerance the checks use, in one place."""

from typing import Annotated

from pydantic import Field

from maqueta.strict import Strict

Threshold = Annotated[float, Field(ge=0, le=1000, allow_inf_nan=False)]


class Thresholds(Strict):
    """Every tolerance the checks use, in one place. Lengths in mm on paper."""

    #: Front views within this many points of the best are accepted.
    front_margin: Threshold = 5.0
    alignment_mm: Threshold = 0.5
    #: Group of views off the middle of the drawing area by more than this (common practice, no source).
    centring_mm: Threshold = 10.0
    #: A missing and a surplus line up to this far apart are one displaced line.
    displaced_mm: Threshold = 5.0
    #: Gaps between views that differ by more than this are unequal (common practice, no source).
    gaps_mm: Threshold = 10.0
    #: Room a gap between views needs for dimensions (common practice, no source).
    room_mm: Threshold = 15.0
    #: First row of dimensions off the outline, and further rows apart, at least (ASME Y14.5, from memory).
    first_row_mm: Threshold = 10.0
    next_row_mm: Threshold = 6.0
    #: Scales agree within this ratio.
    scale_ratio: Threshold = 1e-3
