"""The sheet document: the one form in which bench, files, command line and checker speak of a sheet.

Sheet space is mm on paper, origin at the lower left corner of the paper. Points within a view are in the part's
unit, in the plane (right, up) of the view, seen from the model's origin; the view's `at` is where that origin
lands on the sheet.
"""

import math
from collections.abc import Iterable
from typing import Annotated, Any, Literal, Self

from pydantic import Field, model_validator

from maqueta.projection.arrangement import Angle
from maqueta.projection.attitude import Attitude, Corner, Side
from maqueta.sheet.dimension import Dimension
from maqueta.sheet.fields import (
    Identifier,
    Rectangle,
    SheetPoint,
    ShortText,
    Strict,
    ViewPoint,
)
from maqueta.sheet.paper import Layout, PaperSize, layout
from maqueta.solid.unit import Unit

#: The most a sheet may hold of each: far beyond any real one, so that none can exhaust the service.
MOST_VIEWS = 30
MOST_DIMENSIONS = 400
MOST_MARKS = 400
MOST_LINES = 4000
MOST_NOTES = 200
MOST_POINTS = 2000
#: Points of all drafted lines of a sheet together; the largest sheet still opens in less than two seconds.
MOST_POINTS_IN_ALL = 20_000
#: How far centre lines reach past the outline (common practice, no source).
CENTRE_BEYOND = 3.0

TitleField = Literal[
    "title", "drafter", "class", "date", "scale", "sheet", "number", "material", "unit", "paper", "checked"
]
Style = Literal["iso", "asme"]


class Frame(Strict):
    """Border and title block as drawn on a sheet from elsewhere: (left, bottom, right, top) in sheet mm."""

    border: Rectangle
    title: Rectangle | None = None

    @model_validator(mode="after")
    def _spread(self) -> Self:
        for box in (self.border, self.title):
            if box is not None and (box[0] >= box[2] or box[1] >= box[3]):
                raise ValueError("a frame is wider and higher than nothing")
        return self


class Paper(Strict):
    """The paper a sheet is drawn on."""

    size: PaperSize = "A3"
    landscape: bool = True
    frame: Frame | None = None

    @property
    def layout(self) -> Layout:
        """The rectangles of the sheet: as drawn where it brings its own frame, else ours for the paper size."""
        usual = layout(self.size, self.landscape)
        if self.frame is None:
            return usual
        _, bottom, right, _ = self.frame.border
        return Layout(usual.width, usual.height, self.frame.border, self.frame.title or (right, bottom, right, bottom))


Turn = Annotated[float, Field(ge=-100, le=100, allow_inf_nan=False)]
#: An equal-axis view may stand on any of its six axis directions (degrees).
AxisTurn = Literal[0, 60, 120, 180, 240, 300]
DraftedPen = Literal["visible", "hidden", "construction"]


class _Drafted(Strict):
    """A line drawn by hand; `short` is by how many mm a broken one may end early, its last gap not showing.

    `either` marks a stroke of a file that may be a visible line or a single dash of a hidden one; `solid` a hidden line
    drawn without dashes.
    """

    pen: DraftedPen = "visible"
    solid: bool = False
    either: bool = False
    short: Annotated[float, Field(ge=0, le=20, allow_inf_nan=False)] = 0.0


class DraftedLine(_Drafted):
    """A straight line, or with more than two points a free curve."""

    kind: Literal["line"] = "line"
    points: Annotated[tuple[ViewPoint, ...], Field(min_length=2, max_length=MOST_POINTS)]


class DraftedArc(_Drafted):
    """A circle or arc, counter-clockwise from the angle `start` by `sweep` (radians)."""

    kind: Literal["arc"] = "arc"
    centre: ViewPoint
    radius: Annotated[float, Field(gt=0, le=1e6, allow_inf_nan=False)]
    start: Turn = 0.0
    sweep: Annotated[float, Field(gt=0, le=6.2831854, allow_inf_nan=False)] = 2 * math.pi


class DraftedEllipse(_Drafted):
    """An ellipse or part of one: `angle` of the major half axis, then eccentric angles (radians)."""

    kind: Literal["ellipse"] = "ellipse"
    centre: ViewPoint
    major: Annotated[float, Field(gt=0, le=1e6, allow_inf_nan=False)]
    minor: Annotated[float, Field(gt=0, le=1e6, allow_inf_nan=False)]
    angle: Turn = 0.0
    start: Turn = 0.0
    sweep: Annotated[float, Field(gt=0, le=6.2831854, allow_inf_nan=False)] = 2 * math.pi


Drafted = Annotated[DraftedLine | DraftedArc | DraftedEllipse, Field(discriminator="kind")]


class View(Strict):
    """One view: a principal one (`side` and `up`) or a pictorial one (`corner`, turned in its plane by degrees).

    A projected view has the part's own lines; a drafted one has its `lines`, drawn by hand or read from a file. A
    drafted view of which neither attitude nor corner is known fits no view of the part; a `mirrored` one fits only
    as a mirror image (about the upright through its `at`).
    """

    id: Identifier
    side: Side | None = None
    up: Side | None = None
    corner: Corner | None = None
    turn: AxisTurn = 0
    at: SheetPoint
    scale: Annotated[float, Field(gt=1e-4, le=1000, allow_inf_nan=False)] = 1.0
    hidden: bool = True
    smooth: bool = False
    lines: Annotated[tuple[Drafted, ...], Field(max_length=MOST_LINES)] | None = None
    mirrored: bool = False

    @model_validator(mode="after")
    def _one_way_of_looking(self) -> Self:
        loose = self.lines is not None and self.side is None and self.up is None
        if self.corner is None and (self.side is None or self.up is None) and not loose:
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


class CentreMark(Strict):
    """A centre mark on a circle of a view."""

    kind: Literal["mark"] = "mark"
    id: Identifier
    view: Identifier
    centre: ViewPoint
    radius: Annotated[float, Field(gt=0, le=1e6, allow_inf_nan=False)]


class CentreLine(Strict):
    """A centre line between two points of a view; it is drawn `beyond` both, in mm on paper."""

    kind: Literal["line"] = "line"
    id: Identifier
    view: Identifier
    start: ViewPoint
    end: ViewPoint
    beyond: Annotated[float, Field(ge=0, le=20, allow_inf_nan=False)] = CENTRE_BEYOND


Mark = Annotated[CentreMark | CentreLine, Field(discriminator="kind")]


class Note(Strict):
    """A line of text, begun at `at` on its base line; `height` is that of capitals (mm), `turn` in degrees.

    A `leader` runs from its beginning to what it points at.
    """

    id: Identifier
    text: ShortText
    at: SheetPoint
    height: Annotated[float, Field(gt=0, le=100, allow_inf_nan=False)] = 3.5
    turn: Annotated[float, Field(ge=-360, le=360, allow_inf_nan=False)] = 0.0
    leader: SheetPoint | None = None


class TitleBlock(Strict):
    """What is written in the title block; `angle` is the symbol drawn there."""

    fields: dict[TitleField, ShortText] = Field(default={})
    angle: Angle | None = None


class SheetDocument(Strict):
    """One sheet. `front` names the view its drafter takes as the front view, `name` is that of sheet or file.

    With `fractions`, sizes in inches are written as fractions instead of decimals.
    """

    format: Literal[1] = 1
    paper: Paper = Paper()
    units: Unit = "mm"
    style: Style = "iso"
    decimals: Annotated[int, Field(ge=0, le=4)] = 1
    fractions: bool = False
    front: Identifier | None = None
    views: Annotated[tuple[View, ...], Field(max_length=MOST_VIEWS)] = ()
    dimensions: Annotated[tuple[Dimension, ...], Field(max_length=MOST_DIMENSIONS)] = ()
    marks: Annotated[tuple[Mark, ...], Field(max_length=MOST_MARKS)] = ()
    notes: Annotated[tuple[Note, ...], Field(max_length=MOST_NOTES)] = ()
    title: TitleBlock = TitleBlock()
    name: ShortText | None = None

    @model_validator(mode="after")
    def _not_too_large(self) -> Self:
        lines = [line for view in self.views for line in view.lines or ()]
        if len(lines) > MOST_LINES:
            raise ValueError(f"a sheet has at most {MOST_LINES} drafted lines")
        if points_of(lines) > MOST_POINTS_IN_ALL:
            raise ValueError(f"the curves of a sheet have at most {MOST_POINTS_IN_ALL} points")
        return self

    @model_validator(mode="after")
    def _references(self) -> Self:
        views = [view.id for view in self.views]
        for kind, names in (
            ("view", views),
            ("dimension", [d.id for d in self.dimensions]),
            ("mark", [m.id for m in self.marks]),
            ("note", [n.id for n in self.notes]),
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


def points_of(lines: Iterable[Drafted]) -> int:
    """How many points drafted lines have in all; arcs and ellipses are given by three."""
    return sum(len(line.points) if isinstance(line, DraftedLine) else 3 for line in lines)


def open_document(data: Any) -> SheetDocument:
    """Read a sheet document of any known format from parsed JSON.

    Raises pydantic.ValidationError; a document of a newer format is refused by its number.
    """
    return SheetDocument.model_validate(data)
