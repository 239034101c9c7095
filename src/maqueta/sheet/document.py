"""The sheet document: the one form in which bench, files, command line and checker speak of a sheet.

Sheet space is mm on paper, origin at the lower left corner of the paper. Points within a view are in the part's
unit, in the plane (right, up) of the view, seen from the model's origin; the view's `at` is where that origin
lands on the sheet.
"""

from typing import Annotated, Any, Literal, Self

from pydantic import BaseModel, ConfigDict, Field, model_validator

from maqueta.projection.arrangement import Angle
from maqueta.projection.attitude import Attitude, Corner, Side
from maqueta.sheet.paper import PaperSize
from maqueta.solid.unit import Unit

FARTHEST = 10_000.0

Identifier = Annotated[str, Field(pattern=r"^[a-z0-9-]{1,20}$")]
Millimetres = Annotated[float, Field(ge=-FARTHEST, le=FARTHEST, allow_inf_nan=False)]
ModelLength = Annotated[float, Field(ge=-1e6, le=1e6, allow_inf_nan=False)]
SheetPoint = tuple[Millimetres, Millimetres]
ViewPoint = tuple[ModelLength, ModelLength]
ShortText = Annotated[str, Field(max_length=120)]
TitleField = Literal[
    "title", "drafter", "class", "date", "scale", "sheet", "number", "material", "unit", "paper", "checked"
]
Style = Literal["iso", "asme"]


class _Strict(BaseModel):
    model_config = ConfigDict(extra="forbid", frozen=True)


class Paper(_Strict):
    """The paper a sheet is drawn on."""

    size: PaperSize = "A3"
    landscape: bool = True


class View(_Strict):
    """One projected view: a principal one (`side` and `up`) or a pictorial one (`corner`)."""

    id: Identifier
    side: Side | None = None
    up: Side | None = None
    corner: Corner | None = None
    at: SheetPoint
    scale: Annotated[float, Field(gt=1e-4, le=1000, allow_inf_nan=False)] = 1.0
    hidden: bool = True
    smooth: bool = False

    @model_validator(mode="after")
    def _one_way_of_looking(self) -> Self:
        if self.corner is None and (self.side is None or self.up is None):
            raise ValueError("a view needs side and up, or a corner")
        if self.corner is not None and (self.side is not None or self.up is not None):
            raise ValueError("a pictorial view has a corner, no side and no up")
        if self.side is not None and self.up is not None:
            Attitude(self.side, self.up)
        return self

    @property
    def attitude(self) -> Attitude | None:
        """How a principal view looks at the part; None for a pictorial one."""
        return Attitude(self.side, self.up) if self.side is not None and self.up is not None else None


class LinearDimension(_Strict):
    """A size between two points of a view, measured across the sheet, up it, or straight along the points.

    The dimension line passes through `place`, in sheet mm from the view's `at`.
    """

    kind: Literal["linear"] = "linear"
    id: Identifier
    view: Identifier
    start: ViewPoint
    end: ViewPoint
    along: Literal["across", "up", "aligned"]
    place: SheetPoint
    text: ShortText | None = None


class RoundDimension(_Strict):
    """The diameter or radius of a circle or arc of a view; the text stands at `place` (mm from the view's `at`)."""

    kind: Literal["diameter", "radius"]
    id: Identifier
    view: Identifier
    centre: ViewPoint
    radius: Annotated[float, Field(gt=0, le=1e6, allow_inf_nan=False)]
    place: SheetPoint
    count: Annotated[int, Field(ge=1, le=999)] = 1
    text: ShortText | None = None


Dimension = Annotated[LinearDimension | RoundDimension, Field(discriminator="kind")]


class CentreMark(_Strict):
    """A centre mark on a circle of a view."""

    kind: Literal["mark"] = "mark"
    id: Identifier
    view: Identifier
    centre: ViewPoint
    radius: Annotated[float, Field(gt=0, le=1e6, allow_inf_nan=False)]


class CentreLine(_Strict):
    """A centre line between two points of a view; it is drawn a little beyond both."""

    kind: Literal["line"] = "line"
    id: Identifier
    view: Identifier
    start: ViewPoint
    end: ViewPoint


Mark = Annotated[CentreMark | CentreLine, Field(discriminator="kind")]


class TitleBlock(_Strict):
    """What is written in the title block; `angle` is the symbol drawn there."""

    fields: dict[TitleField, ShortText] = {}
    angle: Angle | None = None


class SheetDocument(_Strict):
    """One sheet. `front` names the view its drafter takes as the front view."""

    format: Literal[1] = 1
    paper: Paper = Paper()
    units: Unit = "mm"
    style: Style = "iso"
    decimals: Annotated[int, Field(ge=0, le=4)] = 1
    front: Identifier | None = None
    views: Annotated[tuple[View, ...], Field(max_length=30)] = ()
    dimensions: Annotated[tuple[Dimension, ...], Field(max_length=400)] = ()
    marks: Annotated[tuple[Mark, ...], Field(max_length=400)] = ()
    title: TitleBlock = TitleBlock()

    @model_validator(mode="after")
    def _references(self) -> Self:
        views = [view.id for view in self.views]
        for kind, names in (
            ("view", views),
            ("dimension", [d.id for d in self.dimensions]),
            ("mark", [m.id for m in self.marks]),
        ):
            if len(set(names)) != len(names):
                raise ValueError(f"two {kind}s have the same id")
        known = set(views)
        for user in (*self.dimensions, *self.marks):
            if user.view not in known:
                raise ValueError(f"“{user.id}” belongs to a view “{user.view}” that is not on the sheet")
        if self.front is not None and self.front not in known:
            raise ValueError(f"the front view “{self.front}” is not on the sheet")
        return self

    def view(self, identifier: str) -> View:
        """A view by its id; the document guarantees that every reference resolves."""
        return next(view for view in self.views if view.id == identifier)


def open_document(data: Any) -> SheetDocument:
    """Read a sheet document of any known format from parsed JSON.

    Raises pydantic.ValidationError; a document of a newer format is refused by its number.
    """
    return SheetDocument.model_validate(data)
