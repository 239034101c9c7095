"""What travels between service and interface about sheets under review."""

from typing import Annotated

from pydantic import Field

from maqueta.geometry.carrier import Point
from maqueta.judging.finding import Severity
from maqueta.judging.points import Outcome
from maqueta.judging.rule import Sign
from maqueta.service.bench.messages import InkAnswer, PaperAnswer
from maqueta.service.exercises.messages import ExerciseAnswer
from maqueta.service.language import Sentence
from maqueta.service.messages import Time
from maqueta.store.exercises import Decision, Seen, SheetState
from maqueta.strict import Strict
from maqueta.task.criteria import Criterion

Remark = Annotated[str, Field(max_length=2000)]


class FindingAnswer(Strict):
    """A finding as people see it."""

    number: int
    rule: str
    criterion: Criterion
    severity: Severity
    sign: Sign
    heading: Sentence
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


class GoneFinding(Strict):
    """A finding of an older version that a later one did not make again, with what was decided about it."""

    heading: Sentence
    message: Sentence
    decision: Decision | None
    remark: str


class ChangedAnswer(Strict):
    """What came and went when a later version checked a sheet again; `new` are numbers of findings."""

    gone: list[GoneFinding]
    new: list[int]


class CriterionPoints(Strict):
    """The mark of a criterion."""

    criterion: Criterion
    outcome: Outcome
    points: float
    of: float


class WallSheet(Strict):
    """One sheet pinned to the wall."""

    id: int
    student: str
    state: SheetState
    late: bool
    revision: int
    points: float
    of: float
    decided: int
    changed: bool
    findings: list[FindingAnswer]
    marks: list[CriterionPoints]


class WallAnswer(Strict):
    """All sheets of an exercise."""

    exercise: ExerciseAnswer
    paper: PaperAnswer
    sheets: list[WallSheet]
    missing: list[str]


class SheetAnswer(Strict):
    """One sheet under review, or returned."""

    id: int
    student: str
    state: SheetState
    late: bool
    handed_in_at: Time | None
    exercise: ExerciseAnswer
    ink: InkAnswer
    findings: list[FindingAnswer]
    marks: list[CriterionPoints]
    unjudged: dict[Criterion, Sentence]
    lacking: dict[Criterion, Sentence]
    points: float
    of: float
    remark: str
    reviewed: bool
    checker: int
    changed: ChangedAnswer | None = None
    neighbours: list[int] = Field(default=[])


class DecisionRequest(Strict):
    """Uphold, waive, or take back; with a remark if given."""

    decision: Decision | None
    remark: Remark | None = None
    #: How the finding stood when it was looked at; somebody may have decided it since.
    seen: Seen | None = None
    #: Which version had checked the sheet when it was looked at; a later one numbers findings anew.
    checker: int | None = None


class SharedDecision(Strict):
    """One decision for all sheets that share a finding."""

    decision: Decision | None
    remark: Remark | None = None
    share: Annotated[str, Field(min_length=1, max_length=200)]


class RemarkRequest(Strict):
    """A remark on a whole sheet."""

    remark: Annotated[str, Field(max_length=4000)]
