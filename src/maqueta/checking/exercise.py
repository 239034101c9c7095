"""What an exercise asks of a sheet: the task file of the command line and the exercise of the application."""

import re
from typing import Annotated, Final, Literal, Self, get_args

from pydantic import BaseModel, ConfigDict, Field, field_validator, model_validator

from maqueta.dimensioning.sides import DepthSide, Direction, HeightSide, SideName, WidthSide
from maqueta.projection.arrangement import Angle, ViewName
from maqueta.projection.attitude import Attitude, Side
from maqueta.projection.ranking import DEFAULT_VIEWS
from maqueta.sheet.document import Style, TitleField
from maqueta.sheet.fields import ViewPoint
from maqueta.sheet.paper import PaperSize
from maqueta.sheet.scales import parse_scale
from maqueta.solid.unit import Unit

Criterion = Literal[
    "front", "angle", "views", "alignment", "lines", "scale", "dimensions", "placement", "layout", "title"
]
CRITERIA: Final[tuple[Criterion, ...]] = get_args(Criterion)


class _Strict(BaseModel):
    model_config = ConfigDict(extra="forbid", frozen=True, allow_inf_nan=False)


class AttitudeChoice(_Strict):
    """One accepted front view."""

    side: Side
    up: Side

    @property
    def attitude(self) -> Attitude:
        """The choice as an attitude. Raises ValueError when side and up lie along one axis."""
        return Attitude(self.side, self.up)


class FrontTask(_Strict):
    """Accepted front views (exclusive when given) and the direction that is up in use."""

    accept: tuple[AttitudeChoice, ...] = ()
    natural_up: Side | None = None

    @field_validator("accept")
    @classmethod
    def _possible(cls, accept: tuple[AttitudeChoice, ...]) -> tuple[AttitudeChoice, ...]:
        for choice in accept:
            Attitude(choice.side, choice.up)
        return accept


#: How much of the reader's eye students see while they dimension.
Insight = Literal["nothing", "counts", "places", "everything"]


class HolesFrom(_Strict):
    """The sides of the front view that holes have to be located from, where it matters how the part works."""

    width: WidthSide | None = None
    height: HeightSide | None = None
    depth: DepthSide | None = None

    def side(self, direction: Direction) -> SideName | None:
        """The side asked for along a direction."""
        return {"width": self.width, "height": self.height, "depth": self.depth}[direction]


class DimensioningTask(_Strict):
    """What is asked of the dimensions."""

    required: bool = True
    style: Style | None = None
    decimals: Annotated[int, Field(ge=0, le=4)] | None = None
    symmetry_by_centre_line: bool = False
    insight: Insight = "nothing"
    holes_from: HolesFrom = HolesFrom()
    grooves_from_centre: bool = False


Threshold = Annotated[float, Field(ge=0, le=1000, allow_inf_nan=False)]


class Thresholds(_Strict):
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


#: Points per criterion, thirty in all; the placing of dimensions counts where an exercise gives it points.
DEFAULT_POINTS: Final[dict[Criterion, float]] = {
    "front": 3,
    "angle": 3,
    "views": 3,
    "alignment": 3,
    "lines": 4,
    "scale": 3,
    "dimensions": 6,
    "placement": 0,
    "layout": 2,
    "title": 3,
}
#: Where the views are set out for the student, only what is left to draw counts.
_GIVEN_POINTS: Final[dict["Kind", dict[Criterion, float]]] = {
    "third view": {"lines": 24, "alignment": 6},
    "missing lines": {"lines": 30},
    "wrong lines": {"lines": 30},
}
Points = Annotated[float, Field(ge=0, le=1000, allow_inf_nan=False)]

#: How views come about: projected by the program, all drafted by hand, or given with something left to draw.
Kind = Literal["projected", "drafted", "third view", "missing lines", "wrong lines"]
Alteration = Literal["removed", "other kind", "shifted", "added"]


class LineChange(_Strict):
    """One line of a given view changed by the program: the one `at` names, a point on it in the view's plane."""

    view: ViewName
    at: ViewPoint
    change: Alteration


class Drafting(_Strict):
    """Which views are drawn for the student, which are left to draft, and which lines are changed.

    Without `shown` the student works from the given views alone and does not see the part.
    """

    kind: Kind = "projected"
    left: tuple[ViewName, ...] = ()
    changes: Annotated[tuple[LineChange, ...], Field(max_length=100)] = ()
    shown: bool = True

    @property
    def given(self) -> bool:
        """Whether the sheet is set out for the student: views stay where they are."""
        return self.kind in _GIVEN_POINTS

    @model_validator(mode="after")
    def _fitting(self) -> Self:
        if self.left and self.kind != "third view":
            raise ValueError("views are left to draft only where a third view is to be completed")
        if self.changes and self.kind not in ("missing lines", "wrong lines"):
            raise ValueError("lines are changed only where missing or wrong lines are to be found")
        if self.kind == "missing lines" and any(change.change != "removed" for change in self.changes):
            raise ValueError("where missing lines are to be added, lines are only removed")
        if not self.shown and not self.given:
            raise ValueError("the part can only be hidden where views are given")
        return self


Aid = Literal["even gaps", "centre lines", "scale"]


def usual_points(kind: Kind) -> dict[Criterion, float]:
    """Points of every criterion for a kind of exercise, where the exercise does not set its own."""
    given = _GIVEN_POINTS.get(kind)
    return dict(DEFAULT_POINTS) if given is None else {c: given.get(c, 0.0) for c in CRITERIA}


#: Usual points of every kind.
USUAL_POINTS: Final[dict[Kind, dict[Criterion, float]]] = {kind: usual_points(kind) for kind in get_args(Kind)}


class Exercise(_Strict):
    """Everything the checks need to know of an exercise; every key is optional."""

    title: Annotated[str, Field(max_length=120)] = ""
    units: Unit = "mm"
    angle: Angle = "third"
    paper: PaperSize = "A3"
    landscape: bool = True
    #: The views asked for; None leaves the choice to the drafter.
    views: tuple[ViewName, ...] | None = None
    pictorial: Literal["required", "allowed", "unwanted"] = "allowed"
    front: FrontTask = FrontTask()
    scale: Annotated[str, Field(max_length=40)] | None = None
    hidden_lines: bool = True
    centre_lines: bool = True
    dimensioning: DimensioningTask = DimensioningTask()
    drafting: Drafting = Drafting()
    #: "angle" asks for the symbol of projection.
    title_fields: tuple[TitleField | Literal["angle"], ...] = ()
    #: Whether the title block is lettered in capitals.
    title_capitals: bool = False
    #: How sheet or file is named: text with title-block fields in braces, such as "{class}-{drafter}-{title}".
    sheet_name: Annotated[str, Field(max_length=120)] | None = None
    #: What the bench may do for the drafter.
    aids: tuple[Aid, ...] = ("even gaps", "centre lines", "scale")
    tolerance_mm: Annotated[float, Field(gt=0, le=10, allow_inf_nan=False)] = 0.3
    points: dict[Criterion, Points] = {}
    error_cost: Points = 2.0
    thresholds: Thresholds = Thresholds()

    @field_validator("scale")
    @classmethod
    def _readable(cls, scale: str | None) -> str | None:
        if scale is not None and parse_scale(scale) is None:
            raise ValueError("write the scale as 1:2 or 2:1")
        return scale

    @field_validator("views")
    @classmethod
    def _each_once(cls, views: tuple[ViewName, ...] | None) -> tuple[ViewName, ...] | None:
        if views is not None and len(set(views)) != len(views):
            raise ValueError("every view is asked for once")
        return views

    @field_validator("sheet_name")
    @classmethod
    def _known_fields(cls, pattern: str | None) -> str | None:
        for field in re.findall(r"\{([^}]*)\}", pattern or ""):
            if field not in get_args(TitleField):
                raise ValueError(f"“{field}” is no field of the title block")
        return pattern

    def points_of(self, criterion: Criterion) -> float:
        """Points of a criterion: the exercise's own, or the usual ones for its kind."""
        return self.points.get(criterion, usual_points(self.drafting.kind)[criterion])

    @property
    def view_names(self) -> tuple[ViewName, ...]:
        """The views asked for, or the usual three."""
        return self.views or DEFAULT_VIEWS

    @property
    def left_to_draft(self) -> tuple[ViewName, ...]:
        """Where a third view is to be completed: the views the student drafts, the last one unless said otherwise."""
        if self.drafting.kind != "third view":
            return ()
        return self.drafting.left or self.view_names[-1:]

    @model_validator(mode="after")
    def _views_known(self) -> Self:
        named = {*self.drafting.left, *(change.view for change in self.drafting.changes)}
        if unknown := named - set(self.view_names):
            raise ValueError(f"the {sorted(unknown)[0]} view is not among the views asked for")
        if self.drafting.kind == "third view" and len(set(self.left_to_draft)) >= len(self.view_names):
            raise ValueError("at least one view has to be given")
        return self

    @property
    def decimals(self) -> int:
        """Decimals of written values: as asked, else one in mm and two in inches."""
        asked = self.dimensioning.decimals
        return asked if asked is not None else (1 if self.units == "mm" else 2)
