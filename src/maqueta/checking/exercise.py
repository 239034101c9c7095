"""What an exercise asks of a sheet: the task file of the command line and the exercise of the application."""

from typing import Annotated, Final, Literal, get_args

from pydantic import BaseModel, ConfigDict, Field, field_validator

from maqueta.projection.arrangement import Angle, ViewName
from maqueta.projection.attitude import Attitude, Side
from maqueta.sheet.document import Style, TitleField
from maqueta.sheet.paper import PaperSize
from maqueta.sheet.scales import parse_scale
from maqueta.solid.unit import Unit

Criterion = Literal[
    "front", "angle", "views", "alignment", "lines", "scale", "dimensions", "placement", "layout", "title"
]
CRITERIA: Final[tuple[Criterion, ...]] = get_args(Criterion)


class _Strict(BaseModel):
    model_config = ConfigDict(extra="forbid", frozen=True)


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


class DimensioningTask(_Strict):
    """What is asked of the dimensions."""

    required: bool = True
    style: Style | None = None
    decimals: Annotated[int, Field(ge=0, le=4)] | None = None
    symmetry_by_centre_line: bool = False


class Thresholds(_Strict):
    """Every tolerance the checks use, in one place. Lengths in mm on paper."""

    #: Front views within this many points of the best are accepted.
    front_margin: float = 5.0
    alignment_mm: float = 0.5
    #: Group of views off the middle of the drawing area by more than this (common practice, no source).
    centring_mm: float = 10.0
    #: A missing and a surplus line up to this far apart are one displaced line.
    displaced_mm: float = 5.0
    #: Gaps between views that differ by more than this are unequal (common practice, no source).
    gaps_mm: float = 10.0
    #: Room a gap between views needs for dimensions (common practice, no source).
    room_mm: float = 15.0
    #: Scales agree within this ratio.
    scale_ratio: float = 1e-3


#: Points per criterion, thirty in all; placing of dimensions is judged later and carries none yet.
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
Points = Annotated[float, Field(ge=0, le=1000, allow_inf_nan=False)]


Aid = Literal["even gaps", "centre lines"]


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
    scale: str | None = None
    hidden_lines: bool = True
    centre_lines: bool = True
    dimensioning: DimensioningTask = DimensioningTask()
    #: "angle" asks for the symbol of projection.
    title_fields: tuple[TitleField | Literal["angle"], ...] = ()
    #: What the bench may do for the drafter.
    aids: tuple[Aid, ...] = ("even gaps", "centre lines")
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

    def points_of(self, criterion: Criterion) -> float:
        """Points of a criterion: the exercise's own, or the default."""
        return self.points.get(criterion, DEFAULT_POINTS[criterion])

    @property
    def decimals(self) -> int:
        """Decimals of written values: as asked, else one in mm and two in inches."""
        asked = self.dimensioning.decimals
        return asked if asked is not None else (1 if self.units == "mm" else 2)
