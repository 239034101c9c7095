"""Work of the bench on one sheet, done in a process of its own."""

from maqueta.drawing.shading import shaded
from maqueta.judging.criteria.scale import proposed
from maqueta.judging.dimension_survey import DimensionSurvey
from maqueta.judging.survey import Survey
from maqueta.making.model_sheet import Drafter, dimensioned, model_looks, model_sheet
from maqueta.phrases.phrase import phrase
from maqueta.projection.datum_sides import DepthSide, HeightSide, WidthSide, end_at
from maqueta.projection.look import Look
from maqueta.service.bench.drawings import DrawingKind, drawing
from maqueta.service.bench.ink import ink_answer
from maqueta.service.bench.messages import InkAnswer
from maqueta.service.bench.readers_eye_answers import motion_answer, reading_answer
from maqueta.service.bench.readers_eye_messages import MotionAnswer, ReadingAnswer
from maqueta.service.desk_work import Desk, RefusedError
from maqueta.service.shelf.kernel_work import unpacked_mesh
from maqueta.sheet.document import MOST_MARKS, SheetDocument
from maqueta.sheet.drafting import Change, DraftingError, changed
from maqueta.sheet.evened import evened, rescaled
from maqueta.sheet.pen_hatching import PenHatching, hatched_at
from maqueta.sheet.placed import placed_views
from maqueta.sizes.centre_marks import lacking_marks
from maqueta.sizes.form.model import undimensioned
from maqueta.sizes.proposal import Datum
from maqueta.sizes.rows import rows_evened
from maqueta.solid.unit import MILLIMETRES
from maqueta.store.files import StoredFile
from maqueta.study.readers_eye import readers_eye
from maqueta.task.dimensioning import Insight
from maqueta.task.exercise import SheetAid


def allowed(desk: Desk, document: SheetDocument) -> None:
    """Nothing, where a sheet may be kept as a draft. Raises RefusedError."""
    desk.allow(document)


def inked(desk: Desk, document: SheetDocument) -> InkAnswer:
    """A sheet as ink. Raises RefusedError."""
    survey = desk.survey(document)
    answer = ink_answer(survey)
    if not document.shaded:
        return answer
    groups = shaded(answer.groups, survey.projected, document, desk.mesh)
    return answer.model_copy(update={"groups": list(groups)})


def drawn(desk: Desk, document: SheetDocument, kind: DrawingKind, title: str) -> bytes:
    """A sheet as a file. Raises RefusedError."""
    desk.allow(document)
    return drawing(desk.projected, desk.filled(document), kind, title, desk.mesh)


def sizes_read(desk: Desk, document: SheetDocument, insight: Insight, reviewed: bool) -> ReadingAnswer:
    """What the dimensions of a sheet determine, as far as `insight` goes. Raises RefusedError."""
    return reading_answer(DimensionSurvey(desk.survey(document)), insight, reviewed)


def moved(desk: Desk, document: SheetDocument, mesh: StoredFile, number: int) -> MotionAnswer:
    """One open size of a sheet, on the model. Raises RefusedError."""
    dimensions = DimensionSurvey(desk.survey(document))
    if dimensions.reason is not None:
        raise RefusedError(409, phrase("no-model-to-show"))
    sizes = readers_eye(dimensions).open
    if number >= len(sizes):
        raise RefusedError(404, phrase("determined-by-now"))
    return motion_answer(dimensions, sizes[number], unpacked_mesh(mesh.path.read_bytes()))


def aided(desk: Desk, document: SheetDocument, aid: SheetAid) -> SheetDocument:
    """A sheet after a help: gaps evened out, lacking centre lines added, scale proposed. Raises RefusedError."""
    projected = desk.projected
    desk.allow(document)
    if aid == "even gaps":
        return evened(projected, document, desk.task.angle)
    if aid == "scale":
        best = proposed(Survey(projected, desk.task, document))
        if best is None:
            raise RefusedError(422, phrase("no-scale-with-room"))
        return rescaled(projected, document, best, desk.task.angle)
    if aid == "rows":
        own = [item for item in placed_views(projected, document) if item.orthographic is not None]
        dimensions = rows_evened(document.dimensions, own, document.style == "asme")
        return document.model_copy(update={"dimensions": dimensions})
    # Where a drafted view stands is settled when it is handed in; marks put there now would give its lines away.
    shown = [item for item in placed_views(projected, document) if item.view.lines is None]
    lacking = lacking_marks(projected, shown, document.marks)
    return document.model_copy(update={"marks": (*document.marks, *lacking)[:MOST_MARKS]})


def redrafted(
    desk: Desk, document: SheetDocument, view_id: str, change: Change | PenHatching, reach: float
) -> SheetDocument:
    """A sheet after one change to what is drafted by hand; `reach` in mm on paper. Raises RefusedError."""
    view = next((view for view in document.views if view.id == view_id), None)
    if view is None or view.lines is None:
        raise RefusedError(404, phrase("no-drafted-view"))
    factor = view.scale * MILLIMETRES[desk.projected.part.unit]
    try:
        if isinstance(change, PenHatching):
            again = hatched_at(view, document.marks, change.at, change.hatch, factor)
        else:
            again = view.model_copy(update={"lines": changed(view.lines, change, reach / factor)})
    except DraftingError as error:
        raise RefusedError(422, error.reason) from error
    views = tuple(again if own.id == view.id else own for own in document.views)
    return document.model_copy(update={"views": views})


def answer_looks(desk: Desk) -> tuple[Look, ...]:
    """The looks in which the part has to be drawn for the model answer."""
    return model_looks(desk.projected, desk.task)


def answered(desk: Desk, drafter: Drafter) -> SheetDocument:
    """The model answer as proposed."""
    return model_sheet(desk.projected, desk.task, drafter)


def dimensions_proposed(
    desk: Desk, document: SheetDocument, width: WidthSide, height: HeightSide, depth: DepthSide
) -> SheetDocument:
    """A sheet with a complete set of dimensions, taken from the chosen sides. Raises RefusedError."""
    if (reason := undimensioned(desk.projected.part)) is not None:
        raise RefusedError(422, phrase("no-proposal", reason=reason))
    front = next((v for v in document.views if v.id == document.front), None)
    if front is None or front.attitude is None:
        raise RefusedError(422, phrase("no-front-yet"))
    attitude = front.attitude
    datum = Datum(
        width=end_at(attitude, "width", width),
        height=end_at(attitude, "height", height),
        depth=end_at(attitude, "depth", depth),
    )
    return dimensioned(desk.projected, document, attitude, datum)
