"""What travels between service and interface about exercises."""

from typing import Annotated, Self

from pydantic import AfterValidator, Field, StringConstraints, model_validator

from maqueta.drawing.ink import Item
from maqueta.geometry.carrier import Point
from maqueta.phrases.phrase import phrase
from maqueta.phrases.told import ToldError
from maqueta.projection.arrangement import ViewName
from maqueta.service.bench.messages import InkAnswer
from maqueta.service.messages import Time, _in_these_years
from maqueta.store.sheets import SheetState
from maqueta.strict import Strict
from maqueta.task.criteria import Criterion, Shows
from maqueta.task.drafting import Kind, LineChange
from maqueta.task.exercise import Exercise

Title = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=120)]


_Then = Annotated[Time, AfterValidator(_in_these_years)]


class GivenOut(Strict):
    """What is given out to a class, and when; a `draft` only its instructors see."""

    title: Title
    due_at: _Then
    opens_at: _Then | None = None
    closes_at: _Then | None = None
    draft: bool = False

    @model_validator(mode="after")
    def _closes_later(self) -> Self:
        if self.opens_at is not None and self.closes_at is not None and self.closes_at <= self.opens_at:
            raise ToldError(phrase("closes-before-it-opens"))
        return self


class ExerciseForm(GivenOut):
    """What is said of an exercise that is set or changed."""

    task: Exercise


class NewExercise(ExerciseForm):
    """What an instructor sets, or drafts to be set later."""

    part: int
    school_class: int
    #: Every student gets the part in sizes of their own.
    varied: bool = False


class PlaceInSet(Strict):
    """The set an exercise is of, and its place there, from 1, of how many."""

    id: int
    title: str
    place: int
    of: int


class ExerciseAnswer(Strict):
    """An exercise as listed; counts for its instructor, the own sheet for a student."""

    id: int
    title: str
    part: int
    part_name: str
    model: int
    #: Whether whoever asks can see that version: a student's own may be yet to be made.
    made: bool
    varied: bool
    school_class: str
    due_at: Time
    #: With what a student has more of it, if so: when it may be begun, and when nothing is taken any more.
    opens_at: Time | None
    closes_at: Time | None
    more_minutes: int
    #: Not yet set: only its instructors see it.
    draft: bool
    archived: bool
    #: The part has a newer version than the one that is drawn.
    part_changed: bool
    in_set: PlaceInSet | None
    task: Exercise
    of_points: float
    total: int = 0
    handed_in: int = 0
    returned: int = 0
    sheet: int | None = None
    sheet_state: SheetState | None = None
    #: Which attempt is under way or was the last, how many may still be begun, and what came back of them.
    attempt: int = 1
    attempts_left: int = 0
    points: float | None = None
    grade: str | None = None
    returned_sheet: int | None = None


class BlankTask(Strict):
    """What an exercise asks unless said otherwise, the usual points of every kind, and those of a view asked for."""

    task: Exercise
    points: dict[Kind, dict[Criterion, float]]
    asked_points: float
    #: The same where a sheet shows something else than views by the usual rules.
    shown_points: dict[Shows, dict[Criterion, float]]


class StartingRequest(Strict):
    """An exercise that is being written."""

    part: int
    task: Exercise
    propose: Annotated[int, Field(ge=0, le=30)] = 0
    seed: Annotated[int, Field(ge=0, le=1_000_000)] = 0


class ChoiceAnswer(Strict):
    """A line that can be changed, as it lies on the starting sheet; `added` ones are not drawn."""

    view: ViewName
    at: Point
    added: bool
    item: Item


class StartingAnswer(Strict):
    """The sheet students would start from, its changes, and the lines that can be changed."""

    ink: InkAnswer
    changes: list[LineChange]
    choices: list[ChoiceAnswer]


class ChangedExercise(ExerciseForm):
    """An exercise as it is to be from now on; one that is set stays set."""

    #: Whether the part is drawn as it stands on the shelf by now.
    newest_part: bool = False


class SheetMoved(Strict):
    """What a change does to a sheet that is in."""

    sheet: int
    student: str
    before: float
    after: float
    findings_before: int
    findings_after: int


class ExerciseTrial(Strict):
    """What a change does to the sheets that are in; those that are returned keep their findings."""

    checked_again: bool
    returned: int
    sheets: list[SheetMoved]


class CopyRequest(Strict):
    """A copy of an exercise, for a class, under a title, due at a time."""

    school_class: int
    title: Title
    due_at: _Then


class ArchiveRequest(Strict):
    """Whether something is out of the way."""

    archived: bool
