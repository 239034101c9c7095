"""What a sheet of an assembly has beside its views: balloons, trails of parts pulled apart, and the parts list.

All of it lies on the paper: points are in sheet mm.
"""

from typing import Annotated, Final

from pydantic import Field

from maqueta.geometry.box import Box
from maqueta.geometry.carrier import Point
from maqueta.sheet.fields import FARTHEST, Identifier, SheetPoint, ShortText
from maqueta.strict import Strict

#: The most balloons, trails and rows of a list: far beyond any real sheet, so that none can exhaust the service.
MOST_BALLOONS, MOST_TRAILS, MOST_ROWS = 300, 300, 250
#: Radius of a balloon, mm, for numbers of 5 mm (ISO 6433: all of one size; the size is common practice, no source).
BALLOON_RADIUS: Final = 5.0
#: Widths of the columns for number, quantity, name and material, and the height of a row, mm.
LIST_COLUMNS: Final = (12.0, 14.0, 58.0, 36.0)
LIST_ROW: Final = 7.0
Extent = Annotated[float, Field(gt=0, le=FARTHEST, allow_inf_nan=False)]
PartNumber = Annotated[str, Field(max_length=8)]


class Balloon(Strict):
    """A number in a circle about `at`, with a leader that ends in `tip` on the part it names; None without one.

    Its tip goes where the `view` goes it has been put into.
    """

    id: Identifier
    view: Identifier | None = None
    number: PartNumber
    at: SheetPoint
    tip: SheetPoint | None = None
    radius: Annotated[float, Field(gt=0, le=50)] = BALLOON_RADIUS


class Trail(Strict):
    """A thin line along the way a part has been pulled."""

    id: Identifier
    start: SheetPoint
    end: SheetPoint


class ListRow(Strict):
    """A row of a parts list, as it is written."""

    number: ShortText = ""
    quantity: ShortText = ""
    name: ShortText = ""
    material: ShortText = ""

    @property
    def cells(self) -> tuple[str, str, str, str]:
        """What stands in its columns, in the order of `LIST_COLUMNS`."""
        return (self.number, self.quantity, self.name, self.material)


class PartsList(Strict):
    """The list of an assembly's parts: `at` is its upper left corner, headings come first."""

    at: SheetPoint
    rows: Annotated[tuple[ListRow, ...], Field(max_length=MOST_ROWS)] = ()
    #: How wide and high it is where it was drawn elsewhere.
    size: tuple[Extent, Extent] | None = None

    @property
    def box(self) -> Box:
        """Where it lies."""
        width, height = self.size or (sum(LIST_COLUMNS), LIST_ROW * (len(self.rows) + 1))
        x, y = self.at
        return (x, y - height, x + width, y)

    @property
    def columns(self) -> tuple[float, ...]:
        """How wide its columns are, mm."""
        wide = self.size[0] / sum(LIST_COLUMNS) if self.size is not None else 1.0
        return tuple(wide * column for column in LIST_COLUMNS)

    @property
    def row_height(self) -> float:
        """How high its rows are, mm."""
        return LIST_ROW if self.size is None else self.size[1] / (len(self.rows) + 1)

    def cell(self, row: int, column: int) -> Point:
        """The upper left corner of a cell; row 0 are the headings."""
        return (self.at[0] + sum(self.columns[:column]), self.at[1] - self.row_height * row)
