"""What travels between service and interface about sets."""

from typing import Annotated

from pydantic import Field

from maqueta.service.deliveries.messages import DeliveryAnswer
from maqueta.service.exercises.messages import GivenOut, Title
from maqueta.service.language import Sentence
from maqueta.store.sheets import SheetState
from maqueta.strict import Strict
from maqueta.task.criteria import Criterion
from maqueta.task.exercise import Exercise
from maqueta.task.sheet_set import MOST_SHEETS


class NewSheet(Strict):
    """A sheet of a set that is set: its part, its title, and what is asked."""

    part: int
    title: Title
    task: Exercise


class NewSet(GivenOut):
    """What an instructor sets as one set, or drafts to be set later; `varied` with its parts in sizes of each
    student's own, the same on all sheets.
    """

    school_class: int
    varied: bool = False
    sheets: Annotated[list[NewSheet], Field(min_length=2, max_length=MOST_SHEETS)]


class KeptSheet(Strict):
    """A sheet that a set has already."""

    exercise: int


class ArrangedSet(Strict):
    """A set as it is to be: its sheets, old and new ones, in their order."""

    title: Title
    sheets: Annotated[list[KeptSheet | NewSheet], Field(min_length=2, max_length=MOST_SHEETS)]


class ProposalRequest(Strict):
    """Parts of the shelf that sheets are to be proposed for."""

    parts: Annotated[list[int], Field(min_length=1, max_length=MOST_SHEETS)]


class ProposedSheet(NewSheet):
    """A sheet as it is proposed, with what its part is called and its version to be looked at."""

    part_name: str
    model: int


class SetProposal(Strict):
    """The sheets that are proposed, in their order; `title` is that of the set."""

    title: str
    sheets: list[ProposedSheet]


class LookedOverSheet(Strict):
    """A sheet in the last look over a set: whether there is anything on it, what stands against it among all, and what
    a ruler tells of it.
    """

    exercise: int
    title: str
    sheet: int | None
    revision: int
    state: SheetState
    blank: bool
    notes: list[Sentence]
    measured: list[Sentence]


class SetToHandIn(Strict):
    """Whether a set may be handed in without the sheets that nothing is drawn on."""

    incomplete: bool = False


class TitleBlockRequest(Strict):
    """The exercise whose sheet has the title block."""

    exercise: int


class HandedInSet(Strict):
    """The sheets of a set that are handed in now, all of them, by their numbers in the order of the set."""

    sheets: list[int]


class BroughtPage(Strict):
    """A page of a file that was brought in for a set: the sheet it became, or why it became none."""

    page: int
    exercise: int | None
    title: str
    why: Sentence | None
    not_read: int = 0


class SetDeliveryAnswer(DeliveryAnswer):
    """What became of one page of a file of a class for a set: which of its sheets it is, too.

    `unplaced` is one that is none of them as far as can be told.
    """

    exercise: int | None
    title: str
    unplaced: bool = False


class StackedSheet(Strict):
    """A place in a stack: the sheet there, if it is handed in, and what it came to."""

    exercise: int
    sheet: int | None = None
    revision: int = 0
    state: SheetState | None = None
    points: float = 0.0
    of: float
    open: int = 0
    #: How much was found and not waived, by criterion.
    found: dict[Criterion, int] = Field(default={})


class Stack(Strict):
    """A student's sheets of a set, one for each place, and what they come to in all."""

    student: int
    name: str
    sheets: list[StackedSheet]
    points: float
    of: float


class SetPlace(Strict):
    """One sheet that a set asks for, on the wall of the set: its exercise, its title, and its paper in mm."""

    exercise: int
    title: str
    width: float
    height: float


class SetWall(Strict):
    """All stacks of a set, by the names of the students."""

    id: int
    title: str
    school_class: str
    #: Something of it is still a draft; all of it is out of the way.
    draft: bool
    archived: bool
    places: list[SetPlace]
    stacks: list[Stack]
