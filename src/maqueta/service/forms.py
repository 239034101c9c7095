"""What travels between service and interface."""

from datetime import UTC, datetime
from typing import Annotated, Any

from pydantic import AfterValidator, BaseModel, Field, PlainSerializer, StringConstraints

from maqueta.checking.catalogue import MarkShape
from maqueta.checking.exercise import Aid, Criterion, Exercise, Kind, LineChange
from maqueta.checking.finding import Severity
from maqueta.checking.marks import Outcome
from maqueta.drawing.ink import InkGroup, Item
from maqueta.projection.arrangement import ViewName
from maqueta.projection.carrier import Point
from maqueta.projection.line_set import Box
from maqueta.service.form import Form
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.drafting import Change
from maqueta.sheet.paper import Rectangle
from maqueta.sheet.snaps import Snap
from maqueta.store.exercises import Decision, Seen, SheetState
from maqueta.store.jobs import JobState


def _to_database(time: datetime) -> datetime:
    """A time from outside as the database keeps it: UTC, without a zone mark."""
    try:
        return time.astimezone(UTC).replace(tzinfo=None, microsecond=0) if time.tzinfo else time
    except OverflowError as error:
        raise ValueError("this is beyond the end of time") from error


def _in_these_years(time: datetime) -> datetime:
    if not 2000 <= time.year < 2200:
        raise ValueError("give a day in this century or the next")
    return time


#: A time of the database (UTC without a zone mark), sent with its zone.
Time = Annotated[
    datetime,
    AfterValidator(_to_database),
    PlainSerializer(lambda time: time.replace(tzinfo=UTC).isoformat(), return_type=str),
]


Title = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=120)]


class JobForm(Form):
    """The state of work beside the server."""

    id: int
    state: JobState
    progress: float
    message: str


class NewExercise(Form):
    """What an instructor sets."""

    part: int
    school_class: int
    title: Title
    due_at: Annotated[Time, AfterValidator(_in_these_years)]
    task: Exercise
    #: Every student gets the part in sizes of their own.
    varied: bool = False


class ExerciseForm(Form):
    """An exercise as listed; counts for its instructor, the own sheet for a student."""

    id: int
    title: str
    part: int
    part_name: str
    model: int
    varied: bool
    school_class: str
    due_at: Time
    task: Exercise
    of_points: float
    total: int = 0
    handed_in: int = 0
    returned: int = 0
    sheet: int | None = None
    sheet_state: SheetState | None = None
    points: float | None = None


class DraftForm(Form):
    """A student's own sheet."""

    id: int | None
    state: SheetState
    revision: int
    document: SheetDocument
    saved_at: Time | None


class SaveForm(Form):
    """A draft to keep, made from a revision."""

    document: SheetDocument
    base: Annotated[int, Field(ge=0)]


class InkRequest(Form):
    """A document to draw."""

    document: SheetDocument


class PaperForm(Form):
    """The rectangles of a sheet."""

    width: float
    height: float
    border: Rectangle
    title: Rectangle
    drawing_area: Rectangle


class CalloutForm(Form):
    """All there is to say of the hole seen as a circle of a view: centre and radius in its plane."""

    centre: Point
    radius: float
    text: str


class ViewFacts(Form):
    """What the bench needs to know of a view beyond its ink."""

    id: str
    name: str
    box: Box
    factor: float
    hidden_lines: int
    smooth_lines: int
    axis_lines: list[tuple[Point, Point]]
    callouts: list[CalloutForm] = Field(default=[])
    pitch_circles: list[tuple[Point, float]] = Field(default=[])


class AidRequest(Form):
    """A help asked for at the bench."""

    document: SheetDocument
    aid: Aid


class ChangeRequest(Form):
    """A change to the line of a drafted view that lies within `reach` mm of a point."""

    document: SheetDocument
    view: str
    change: Change
    reach: Annotated[float, Field(gt=0, le=50, allow_inf_nan=False)] = 3.0


class SpaceForm(Form):
    """White space along a line of the sheet (mm): from the border to a view, between views, to the border."""

    start: Point
    end: Point
    written: str


class InkForm(Form):
    """A sheet as ink; `snaps` are the points a pen can be set to, on sheets with drafted views."""

    paper: PaperForm
    groups: list[InkGroup]
    views: list[ViewFacts]
    gaps: list[str]
    #: How far the first row of dimensions stands off a view, and further rows apart, mm.
    first_row: float
    next_row: float
    spaces: list[SpaceForm] = Field(default=[])
    scale_words: str | None = None
    snaps: list[Snap] = Field(default=[])


class BlankTask(Form):
    """What an exercise asks unless said otherwise, and the usual points of every kind."""

    task: Exercise
    points: dict[Kind, dict[Criterion, float]]


class StartingRequest(Form):
    """An exercise that is being written."""

    part: int
    task: Exercise
    propose: Annotated[int, Field(ge=0, le=30)] = 0
    seed: Annotated[int, Field(ge=0, le=1_000_000)] = 0


class ChoiceForm(Form):
    """A line that can be changed, as it lies on the starting sheet; `added` ones are not drawn."""

    view: ViewName
    at: Point
    added: bool
    item: Item


class StartingForm(Form):
    """The sheet students would start from, its changes, and the lines that can be changed."""

    ink: InkForm
    changes: list[LineChange]
    choices: list[ChoiceForm]


class FindingForm(Form):
    """A finding as people see it."""

    place: int
    rule: str
    criterion: Criterion
    severity: Severity
    shape: MarkShape
    heading: str
    message: str
    expected: str
    found: str
    basis: str
    views: list[str]
    at: list[list[Point]]
    edges: list[int]
    faces: list[int]
    items: list[str]
    cost: float
    share: str
    decision: Decision | None
    remark: str


class MarkForm(Form):
    """The mark of a criterion."""

    criterion: Criterion
    outcome: Outcome
    points: float
    of: float


class WallSheet(Form):
    """One sheet pinned to the wall."""

    id: int
    student: str
    state: SheetState
    late: bool
    revision: int
    points: float
    of: float
    decided: int
    findings: list[FindingForm]
    marks: list[MarkForm]


class WallForm(Form):
    """All sheets of an exercise."""

    exercise: ExerciseForm
    paper: PaperForm
    sheets: list[WallSheet]
    missing: list[str]


class SheetForm(Form):
    """One sheet under review, or returned."""

    id: int
    student: str
    state: SheetState
    late: bool
    handed_in_at: Time | None
    exercise: ExerciseForm
    ink: InkForm
    findings: list[FindingForm]
    marks: list[MarkForm]
    unjudged: dict[Criterion, str]
    lacking: dict[Criterion, str]
    points: float
    of: float
    remark: str
    reviewed: bool
    neighbours: list[int] = Field(default=[])


class DecisionForm(Form):
    """Uphold, waive, or take back; with a remark if given."""

    decision: Decision | None
    remark: Annotated[str, Field(max_length=2000)] | None = None
    #: How the finding stood when it was looked at; somebody may have decided it since.
    seen: Seen | None = None


class SharedDecision(DecisionForm):
    """One decision for all sheets that share a finding."""

    share: Annotated[str, Field(min_length=1, max_length=200)]


class RemarkForm(Form):
    """A remark on a whole sheet."""

    remark: Annotated[str, Field(max_length=4000)]


class Number(Form):
    """How many things an action touched."""

    number: int


class Problem(BaseModel):
    """An error: one sentence for people, and what the interface may need to go on."""

    message: str
    detail: dict[str, Any] = {}
    #: The number of the request, which the log carries too.
    request: str = ""
