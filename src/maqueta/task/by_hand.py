"""How exactly a sheet has to be drawn that is drawn by hand."""

from typing import Annotated

from pydantic import Field

from maqueta.strict import Strict


class ByHand(Strict):
    """What counts as in its place on a sheet drawn by hand: off by so much, mm, and askew by so many degrees."""

    tolerance_mm: Annotated[float, Field(gt=0, le=10, allow_inf_nan=False)] = 1.0
    degrees: Annotated[float, Field(ge=0, le=10, allow_inf_nan=False)] = 2.0
