"""What an exercise asks of the dimensions."""

from typing import Annotated, Literal

from pydantic import Field

from maqueta.projection.datum_sides import DepthSide, Direction, HeightSide, SideName, WidthSide
from maqueta.sheet.document import Style
from maqueta.strict import Strict

#: How much of the reader's eye students see while they dimension.
Insight = Literal["nothing", "counts", "places", "everything"]


class HolesFrom(Strict):
    """The sides of the front view that holes have to be located from, where it matters how the part works."""

    width: WidthSide | None = None
    height: HeightSide | None = None
    depth: DepthSide | None = None

    def side(self, direction: Direction) -> SideName | None:
        """The side asked for along a direction."""
        return {"width": self.width, "height": self.height, "depth": self.depth}[direction]


class FunctionalSize(Strict):
    """A size on which the working of the part depends, in the unit of the exercise, rounded as the exercise asks."""

    kind: Literal["length", "diameter", "radius"] = "length"
    size: Annotated[float, Field(gt=0, le=1e6, allow_inf_nan=False)]


class DimensioningTask(Strict):
    """What is asked of the dimensions."""

    required: bool = True
    style: Style | None = None
    decimals: Annotated[int, Field(ge=0, le=4)] | None = None
    symmetry_by_centre_line: bool = False
    insight: Insight = "nothing"
    holes_from: HolesFrom = HolesFrom()
    grooves_from_centre: bool = False
    #: Sizes that must carry a closer tolerance, or more decimals, than the others.
    functional: Annotated[tuple[FunctionalSize, ...], Field(max_length=20)] = ()
