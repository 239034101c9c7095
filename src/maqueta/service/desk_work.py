"""What lies on a desk: a part, what is asked, and who is at work.

A student's document is hostile: as large and as tangled as the limits of a request allow. Work on it is done in a
process of its own with limits on time and memory; parts come as the files they are kept in and stay in memory while
they are used.
"""

from dataclasses import dataclass

from maqueta.geometry.line_set import LineSet
from maqueta.judging.set_survey import SheetIn
from maqueta.judging.survey import Survey
from maqueta.making.title_filled import Drafter, on_its_form, title_checked, title_filled
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.projection.look import Look
from maqueta.projection.projected_part import ProjectedPart
from maqueta.service.shelf.kernel_work import PartSource, unpacked_mesh
from maqueta.service.shelf.part_files import part_at
from maqueta.sheet.document import SheetDocument
from maqueta.solid.mesh import Mesh
from maqueta.store.files import StoredFile
from maqueta.task.exercise import Exercise
from maqueta.task.sheet_set import SheetSet
from maqueta.task.told import EVERYTHING, Told, drawn_for_student, told


class RefusedError(Exception):
    """A sheet with which something cannot be done: the HTTP status that says so, and why, to be said."""

    def __init__(self, status: int, message: Phrase) -> None:
        super().__init__(status, message)
        self.status, self.message = status, message


@dataclass(frozen=True, slots=True)
class Beside:
    """Another sheet of the set that the sheet on a desk is of: its place there, from 0, a desk of its own, and what is
    drawn on it.
    """

    place: int
    desk: "Desk"
    document: SheetDocument


@dataclass(frozen=True, slots=True)
class InSet:
    """The set a sheet is of: what is asked of all, its own place there, from 0, and the others that are there."""

    asked: SheetSet
    place: int
    beside: tuple[Beside, ...] = ()


@dataclass(frozen=True, slots=True)
class Desk:
    """What lies on the desk: where the part is kept, what is asked, and whether its student is at work.

    `source` is what the part was made from; `looks` are those of the sheet that are none of the usual ones.
    """

    part: StoredFile
    source: PartSource
    task: Exercise
    student: bool
    looks: tuple[tuple[Look, LineSet], ...] = ()
    #: Who draws here, where somebody draws: for the fields of the title block that are filled in.
    drafter: Drafter | None = None
    #: The part's triangles, where a sheet on the desk is shaded.
    triangles: StoredFile | None = None
    #: Who has checked the sheet, and on which day, once it is returned.
    checked: str = ""
    #: The set the sheet is of, if any.
    in_set: InSet | None = None

    @property
    def files(self) -> tuple[StoredFile, ...]:
        """What has to be at hand before work begins."""
        own = (self.part,) if self.triangles is None else (self.part, self.triangles)
        return own if self.in_set is None else (*own, *(other.desk.part for other in self.in_set.beside))

    @property
    def projected(self) -> ProjectedPart:
        """The part."""
        part = part_at(self.part)
        return part.with_looks(self.looks) if self.looks else part

    def survey(self, document: SheetDocument) -> Survey:
        """A sheet with its part. Raises RefusedError where the program would draw what is left to the hand."""
        self.allow(document)
        return Survey(self.projected, self.task.for_sheet(document.by_hand), self.filled(document))

    def filled(self, document: SheetDocument) -> SheetDocument:
        """A sheet on its form, with what is written into its title block for who draws it, and once it is checked."""
        document = on_its_form(self.task, document)
        if self.checked:
            return title_checked(document, self.checked)
        if self.drafter is None or not self.task.title_filled:
            return document
        scale = Survey(self.projected, self.task, document).scale
        return title_filled(self.projected.part, self.task, self.drafter, document, scale)

    def allow(self, document: SheetDocument) -> None:
        """Raises RefusedError where a student's sheet has the program draw what the exercise leaves to the hand."""
        if self.student and (names := drawn_for_student(self.projected, self.task, document)):
            views = tuple(phrase("view-name", name=name) for name in names)
            raise RefusedError(422, phrase("drafted-by-hand", views=views))

    def among(self, in_set: InSet, document: SheetDocument) -> tuple[list[ProjectedPart], list[SheetIn], int]:
        """The parts of a set by their places, the sheets that are there in the order of the set, and which of them is
        the one on the desk.
        """
        there = {own.place: own for own in in_set.beside}
        # For a sheet that is not there nobody asks its part.
        parts = [
            there[place].desk.projected if place in there else self.projected
            for place in range(len(in_set.asked.sheets))
        ]
        drawn = {in_set.place: document, **{place: own.desk.filled(own.document) for place, own in there.items()}}
        came = [SheetIn(drawn[place].name or "", 1, 1, drawn[place], place) for place in sorted(drawn)]
        return parts, came, sorted(drawn).index(in_set.place)

    def mesh(self) -> Mesh:
        """The part's triangles."""
        assert self.triangles is not None, "a shaded sheet comes with the part's triangles"
        return unpacked_mesh(self.triangles.path.read_bytes())

    @property
    def told(self) -> Told:
        """What who is at the desk may learn of the part."""
        return told(self.projected, self.task) if self.student else EVERYTHING
