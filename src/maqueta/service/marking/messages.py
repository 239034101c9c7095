"""What travels between service and interface about sheets under review."""

from typing import Annotated

from pydantic import Field, StringConstraints

from maqueta.drawing.ink import Item
from maqueta.geometry.carrier import Point
from maqueta.judging.finding import Severity
from maqueta.judging.points import Outcome
from maqueta.judging.rule import Sign
from maqueta.service.bench.messages import InkAnswer, PaperAnswer
from maqueta.service.deliveries.messages import OriginalAnswer
from maqueta.service.exercises.messages import ExerciseAnswer
from maqueta.service.language import Sentence
from maqueta.service.messages import Time
from maqueta.store.marking import Decision, Seen
from maqueta.store.sheets import SheetState
from maqueta.strict import Strict
from maqueta.task.criteria import Criterion, Points

Remark = Annotated[str, Field(max_length=2000)]
_OnPaper = Annotated[float, Field(ge=-2000, le=2000, allow_inf_nan=False)]
#: A browser's own name for what it sends, so that what arrives twice is done once.
OwnKey = Annotated[str, StringConstraints(pattern=r"^[0-9a-zA-Z-]{8,40}$")]
PaperPoint = tuple[_OnPaper, _OnPaper]


class FindingAnswer(Strict):
    """A finding as people see it."""

    number: int
    rule: str
    criterion: Criterion
    severity: Severity
    sign: Sign
    heading: Sentence
    #: The kind of mistake, a little finer than its rule where the rule can be broken in several ways, and its name.
    kind: str
    kind_heading: Sentence
    message: Sentence
    expected: Sentence
    found: Sentence
    basis: Sentence
    views: list[str]
    at: list[list[Point]]
    edges: list[int]
    faces: list[int]
    items: list[str]
    cost: float
    share: str
    decision: Decision | None
    remark: str
    #: What the student says to it.
    answer: str


class AddedAnswer(Strict):
    """A mistake a person added, with its place on paper, if it has one."""

    id: int
    criterion: Criterion
    words: str
    cost: float
    at: Point | None


class PinAnswer(Strict):
    """A pin or a stroke on the sheet, with what was said there."""

    id: int
    points: list[Point]
    words: str


class GoneFinding(Strict):
    """A finding of an older version that a later one did not make again, with what was decided about it."""

    heading: Sentence
    message: Sentence
    decision: Decision | None
    remark: str


class ChangedAnswer(Strict):
    """What came and went when a sheet was judged again; `new` are numbers of findings.

    By a later version, unless the sheet itself was `corrected`.
    """

    gone: list[GoneFinding]
    new: list[int]
    corrected: bool = False


class LookedAtRequest(Strict):
    """Whether somebody has looked at something that was not read."""

    looked_at: bool


class CriterionPoints(Strict):
    """The points of a criterion: as computed after the decisions, and as a person gave them instead, if so."""

    criterion: Criterion
    outcome: Outcome
    points: float
    of: float
    given: float | None


class MarkAnswer(Strict):
    """The mark of a sheet, by the scheme of its exercise."""

    points: float
    of: float
    grade: str | None
    late_loss: float
    bonus: float
    marks: list[CriterionPoints]


class Attempt(Strict):
    """One of several attempts of a student."""

    sheet: int
    attempt: int
    state: SheetState
    points: float


class WallSheet(MarkAnswer):
    """One sheet pinned to the wall: a student's last attempt. `counting` is the mark of all attempts together."""

    id: int
    student: str
    group: str
    state: SheetState
    late: bool
    handed_in_at: Time | None
    revision: int
    decided: int
    changed: bool
    findings: list[FindingAnswer]
    added: list[AddedAnswer]
    attempts: list[Attempt]
    counting: float


class MissingSheet(Strict):
    """Who has not handed in, and by how many minutes more than the others they have."""

    id: int
    student: str
    minutes: int


class WallAnswer(Strict):
    """All sheets of an exercise."""

    exercise: ExerciseAnswer
    paper: PaperAnswer
    sheets: list[WallSheet]
    missing: list[MissingSheet]
    news: int


class SheetAnswer(MarkAnswer):
    """One sheet under review, or returned. `answerable` is whether its student may still say something to it."""

    id: int
    student: str
    state: SheetState
    late: bool
    handed_in_at: Time | None
    exercise: ExerciseAnswer
    ink: InkAnswer
    findings: list[FindingAnswer]
    added: list[AddedAnswer]
    pins: list[PinAnswer]
    attempts: list[Attempt]
    receipt: str | None
    original: OriginalAnswer | None
    corrected_at: Time | None
    unjudged: dict[Criterion, Sentence]
    lacking: dict[Criterion, Sentence]
    remark: str
    reviewed: bool
    checker: int
    changed: ChangedAnswer | None = None
    neighbours: list[int] = Field(default=[])


class DifferenceAnswer(Strict):
    """What a sheet should show, what of that is missing, and what is there and should not be; as ink."""

    expected: list[Item]
    missing: list[Item]
    surplus: list[Item]


class DecisionRequest(Strict):
    """Uphold, waive, or take back; with a remark if given."""

    decision: Decision | None
    remark: Remark | None = None
    #: How the finding stood when it was looked at; somebody may have decided it since.
    seen: Seen | None = None
    #: Which version had checked the sheet when it was looked at; a later one numbers findings anew.
    checker: int | None = None


class FindingPlace(Strict):
    """A finding on one of the sheets of an exercise, and what mistake it was when it was looked at."""

    sheet: int
    number: int
    share: Annotated[str, Field(min_length=1, max_length=200)]


class SharedDecision(Strict):
    """One decision for several findings, of one sheet or of many."""

    decision: Decision | None
    remark: Remark | None = None
    findings: Annotated[list[FindingPlace], Field(min_length=1, max_length=5000)]


class Decisions(Strict):
    """On how many findings a decision was made, and how many were left: returned, or checked again meanwhile."""

    number: int
    left: int


class RemarkRequest(Strict):
    """A remark on a whole sheet."""

    remark: Annotated[str, Field(max_length=4000)]


class AddingRequest(Strict):
    """A mistake the program did not find."""

    key: OwnKey
    criterion: Criterion
    words: Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=2000)]
    cost: Points
    at: PaperPoint | None = None


class PinRequest(Strict):
    """A pin (one point) or a freehand stroke, in sheet mm."""

    key: OwnKey
    points: Annotated[list[PaperPoint], Field(min_length=1, max_length=400)]
    words: Remark = ""


class MarkRequest(Strict):
    """Points given by a person; none take them back."""

    points: Points | None


class BankedRemark(Strict):
    """Something an instructor wrote before, and how often."""

    words: str
    times: int


class AnswerRequest(Strict):
    """What a student says to a finding."""

    answer: Annotated[str, StringConstraints(strip_whitespace=True, max_length=1000)]
