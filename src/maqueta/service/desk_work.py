"""Work on one sheet and its part, done in a process of its own with limits on time and memory.

A student's document is hostile: it may be as large and as tangled as the limits of a request allow. Parts come as the
files they are kept in and stay in memory while they are used.
"""

from dataclasses import dataclass
from typing import Any

from maqueta.checking.delivered import expectation
from maqueta.checking.dimension_survey import DimensionSurvey
from maqueta.checking.exercise import Aid, Exercise, Insight
from maqueta.checking.model_sheet import Drafter, dimensioned, model_sheet
from maqueta.checking.readers_eye import readers_eye
from maqueta.checking.report import check
from maqueta.checking.scale import proposed
from maqueta.checking.scope import Scope, scope_of
from maqueta.checking.starting_sheet import choices, proposed_changes, starting_sheet
from maqueta.checking.survey import Survey
from maqueta.checking.told import EVERYTHING, Told, drawn_for_student, told
from maqueta.dimensioning.centre_marks import lacking_marks
from maqueta.dimensioning.form_model import undimensioned
from maqueta.dimensioning.proposal import Datum
from maqueta.dimensioning.sides import end_at
from maqueta.drawing.sheet_ink import piece_item
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.correct import Said, corrected
from maqueta.reading.laid import laid
from maqueta.service.delivery_forms import ReadSheetForm, ReadView
from maqueta.service.drawings import DrawingKind, drawing
from maqueta.service.forms import ChoiceForm, InkForm, StartingForm
from maqueta.service.kernel_work import unpacked_mesh
from maqueta.service.part_files import part_at
from maqueta.service.present import FINDING
from maqueta.service.present_ink import ink_form
from maqueta.service.present_reading import motion_form, reading_form
from maqueta.service.reading_forms import MotionForm, ProposalRequest, ReadingForm
from maqueta.sheet.document import MOST_MARKS, SheetDocument
from maqueta.sheet.drafting import Change, DraftingError, changed
from maqueta.sheet.evened import evened, rescaled
from maqueta.sheet.placed import placed_views
from maqueta.solid.unit import MILLIMETRES
from maqueta.store.files import StoredFile


class RefusedError(Exception):
    """A sheet with which something cannot be done: the HTTP status that says so, and why, for people."""

    def __init__(self, status: int, message: str) -> None:
        super().__init__(status, message)
        self.status, self.message = status, message


@dataclass(frozen=True, slots=True)
class Desk:
    """What lies on the desk: where the part is kept, what is asked, and whether its student is at work."""

    part: StoredFile
    task: Exercise
    student: bool

    @property
    def files(self) -> tuple[StoredFile, ...]:
        """What has to be at hand before work begins."""
        return (self.part,)

    @property
    def projected(self) -> ProjectedPart:
        """The part."""
        return part_at(self.part)

    def survey(self, document: SheetDocument) -> Survey:
        """A sheet with its part. Raises RefusedError where the program would draw what is left to the hand."""
        self.allow(document)
        return Survey(self.projected, self.task, document)

    def allow(self, document: SheetDocument) -> None:
        """Raises RefusedError where a student's sheet has the program draw what the exercise leaves to the hand."""
        if self.student and (names := drawn_for_student(self.projected, self.task, document)):
            raise RefusedError(422, f"To be drafted by hand: {', '.join(names)}. Your draft is as it was.")

    @property
    def told(self) -> Told:
        """What who is at the desk may learn of the part."""
        return told(self.projected, self.task) if self.student else EVERYTHING


def allowed(desk: Desk, document: SheetDocument) -> None:
    """Nothing, where a sheet may be kept as a draft. Raises RefusedError."""
    desk.allow(document)


def inked(desk: Desk, document: SheetDocument) -> InkForm:
    """A sheet as ink. Raises RefusedError."""
    return ink_form(desk.survey(document))


def drawn(desk: Desk, document: SheetDocument, kind: DrawingKind, title: str) -> bytes:
    """A sheet as a file. Raises RefusedError."""
    desk.allow(document)
    return drawing(desk.projected, document, kind, title)


@dataclass(frozen=True, slots=True)
class Judged:
    """A sheet as it is handed in, what was found on it (rule and measurement), and what of it can be judged."""

    document: SheetDocument
    measured: list[tuple[str, dict[str, Any]]]
    scope: Scope


def judged(desk: Desk, document: SheetDocument, read: bool = False) -> Judged:
    """A sheet, checked; unless it was `read` from a file, its drafted views are put in their places before.

    Raises RefusedError.
    """
    desk.allow(document)
    settled = document if read else laid(desk.projected, document, desk.task.tolerance_mm)
    result = check(desk.projected, desk.task, settled)
    measured = [(finding.rule, FINDING.dump_python(finding, mode="json")) for finding in result.findings]
    return Judged(settled, measured, result.scope)


def scope(desk: Desk, document: SheetDocument) -> Scope:
    """What of a sheet can be judged."""
    survey = Survey(desk.projected, desk.task, document)
    return scope_of(survey, DimensionSurvey(survey))


def sizes_read(desk: Desk, document: SheetDocument, insight: Insight, reviewed: bool) -> ReadingForm:
    """What the dimensions of a sheet determine, as far as `insight` goes. Raises RefusedError."""
    return reading_form(DimensionSurvey(desk.survey(document)), insight, reviewed)


def moved(desk: Desk, document: SheetDocument, mesh: StoredFile, place: int) -> MotionForm:
    """One open size of a sheet, on the model. Raises RefusedError."""
    dimensions = DimensionSurvey(desk.survey(document))
    if dimensions.reason is not None:
        raise RefusedError(409, "There is no model to show this on.")
    sizes = readers_eye(dimensions).open
    if place >= len(sizes):
        raise RefusedError(404, "That is determined by now.")
    return motion_form(dimensions, sizes[place], unpacked_mesh(mesh.path.read_bytes()))


def aided(desk: Desk, document: SheetDocument, aid: Aid) -> SheetDocument:
    """A sheet after a help: gaps evened out, lacking centre lines added, scale proposed. Raises RefusedError."""
    projected = desk.projected
    desk.allow(document)
    if aid == "even gaps":
        return evened(projected, document)
    if aid == "scale":
        best = proposed(Survey(projected, desk.task, document))
        if best is None:
            raise RefusedError(422, "No recommended scale leaves room for dimensions on this paper.")
        return rescaled(projected, document, best)
    # Where a drafted view stands is settled when it is handed in; marks put there now would give its lines away.
    shown = [item for item in placed_views(projected, document) if item.view.lines is None]
    lacking = lacking_marks(projected, shown, document.marks)
    return document.model_copy(update={"marks": (*document.marks, *lacking)[:MOST_MARKS]})


def redrafted(desk: Desk, document: SheetDocument, view_id: str, change: Change, reach: float) -> SheetDocument:
    """A sheet after one change to a line drafted by hand; `reach` in mm on paper. Raises RefusedError."""
    view = next((view for view in document.views if view.id == view_id), None)
    if view is None or view.lines is None:
        raise RefusedError(404, "There is no drafted view of this name on the sheet.")
    try:
        lines = changed(view.lines, change, reach / (view.scale * MILLIMETRES[desk.projected.part.unit]))
    except DraftingError as error:
        raise RefusedError(422, str(error)) from error
    again = view.model_copy(update={"lines": lines})
    views = tuple(again if own.id == view.id else own for own in document.views)
    return document.model_copy(update={"views": views})


def recognised(desk: Desk, document: SheetDocument, not_read: list[str]) -> ReadSheetForm:
    """What the views of a delivered sheet are taken for."""
    survey, may = desk.survey(document), desk.told
    views = [
        ReadView(id=item.view.id, name=survey.name(item), scale=item.view.scale, match=may.match(survey.match(item)))
        for item in survey.placed
    ]
    return ReadSheetForm(document=document, views=views, not_read=not_read)


def mended(desk: Desk, document: SheetDocument, view: str, said: Said) -> ReadSheetForm:
    """A delivered sheet with one view taken for what its drafter says it is. Raises RefusedError."""
    try:
        again = corrected(desk.projected, document, view, said, expectation(desk.projected, desk.task))
    except KeyError as error:
        raise RefusedError(404, "There is no such view on the sheet.") from error
    except ValueError as error:
        raise RefusedError(422, f"Nothing was changed: {error}.") from error
    return recognised(desk, again, [])


def answered(desk: Desk, drafter: Drafter) -> SheetDocument:
    """The model answer as proposed."""
    return model_sheet(desk.projected, desk.task, drafter)


def dimensions_proposed(desk: Desk, form: ProposalRequest) -> SheetDocument:
    """A sheet with a complete set of dimensions, taken from the chosen sides. Raises RefusedError."""
    document = form.document
    if (reason := undimensioned(desk.projected.part)) is not None:
        raise RefusedError(422, f"No dimensions can be proposed: {reason}.")
    front = next((v for v in document.views if v.id == document.front), None)
    if front is None or front.attitude is None:
        raise RefusedError(422, "There is no front view on the sheet yet.")
    attitude = front.attitude
    datum = Datum(
        width=end_at(attitude, "width", form.width),
        height=end_at(attitude, "height", form.height),
        depth=end_at(attitude, "depth", form.depth),
    )
    return dimensioned(desk.projected, document, attitude, datum)


def begun(desk: Desk) -> SheetDocument:
    """The sheet an exercise starts from. Raises RefusedError where it cannot be set."""
    try:
        return starting_sheet(desk.projected, desk.task)
    except ValueError as error:
        raise RefusedError(422, f"The exercise cannot be set: {error}.") from error


def tried(desk: Desk, propose: int, seed: int) -> StartingForm:
    """The sheet an exercise would start from, with lines that can be changed, some of them chosen by the program."""
    projected, task = desk.projected, desk.task
    if propose and task.drafting.kind in ("missing lines", "wrong lines"):
        changes = proposed_changes(projected, task, propose, seed)
        task = task.model_copy(update={"drafting": task.drafting.model_copy(update={"changes": changes})})
    document = begun(Desk(desk.part, task, False))
    views = dict(zip(task.view_names, (item.move for item in placed_views(projected, document)), strict=False))
    offered = choices(projected, task) if task.drafting.given and task.drafting.kind != "third view" else ()
    lines = [
        ChoiceForm(view=c.view, at=c.at, added=c.added, item=piece_item(c.piece.moved(views[c.view]))) for c in offered
    ]
    return StartingForm(
        ink=ink_form(Survey(projected, task, document)), changes=list(task.drafting.changes), choices=lines
    )
