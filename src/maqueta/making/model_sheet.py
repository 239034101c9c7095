"""A faultless sheet of a part, drawn by rule: views in line with equal gaps, centre lines, sizes from datum sides."""

from maqueta.making.model_views import model_views
from maqueta.making.pulled_apart import apart_looks, list_of, with_parts_apart
from maqueta.making.special_views import special_looks, with_special_views
from maqueta.making.starting_sheet import blank_sheet
from maqueta.making.title_filled import Drafter as Drafter
from maqueta.making.title_filled import title_values
from maqueta.projection.attitude import Attitude
from maqueta.projection.look import Look
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.dimension_words import write_length
from maqueta.sheet.document import SheetDocument, TitleBlock
from maqueta.sheet.placed import placed_views
from maqueta.sizes.centre_marks import proposed_marks
from maqueta.sizes.form.model import form_model, undimensioned
from maqueta.sizes.proposal import LOW_SIDES, Datum, propose
from maqueta.sizes.rows import in_rows
from maqueta.task.criteria import ALONE
from maqueta.task.exercise import Exercise
from maqueta.task.fronts import model_front


def model_sheet(projected: ProjectedPart, exercise: Exercise, drafter: Drafter) -> SheetDocument:
    """A sheet of the exercise on which the checks find nothing.

    A part whose sizes cannot be counted gets no dimensions. Raises UnseenLookError where special views are asked for
    and the part has not been drawn in `model_looks`.
    """
    part = projected.part
    blank = blank_sheet(exercise)
    if exercise.shows in ALONE:
        return _of_parts(projected, exercise, drafter, blank)
    front = model_front(projected, exercise)
    views, scale = model_views(projected, exercise)
    title = TitleBlock(fields=dict(title_values(part, blank, drafter, scale)), angle=exercise.angle)
    sheet = blank.model_copy(update={"views": tuple(views), "title": title})
    sheet = with_special_views(projected, exercise, sheet)
    placed = placed_views(projected, sheet)
    # Pictorial views show no axes; those of a detail go on outside of it.
    marked = [item for item in placed if item.view.kind not in ("pictorial", "detail")]
    marks = list(proposed_marks(projected, marked)) if exercise.centre_lines else []
    sheet = sheet.model_copy(update={"marks": tuple(marks)})
    if exercise.dimensioning.required and undimensioned(part) is None:
        return dimensioned(projected, sheet, front)
    return sheet


def _of_parts(projected: ProjectedPart, exercise: Exercise, drafter: Drafter, blank: SheetDocument) -> SheetDocument:
    """An assembly's parts pulled apart, or their list alone."""
    listed = list_of(projected.part, blank) if exercise.parts_list or exercise.shows == "parts list" else None
    sheet = blank.model_copy(update={"parts_list": listed})
    scale: float | None = None
    if exercise.shows == "pulled apart":
        sheet, scale = with_parts_apart(projected, exercise, sheet)
    fields = dict(title_values(projected.part, sheet, drafter, scale))
    return sheet.model_copy(update={"title": TitleBlock(fields=fields, angle=exercise.angle)})


def model_looks(projected: ProjectedPart, exercise: Exercise) -> tuple[Look, ...]:
    """The looks in which a part has to be drawn for its model answer beside the usual ones."""
    if exercise.shows in ALONE:
        return apart_looks(projected) if exercise.shows == "pulled apart" else ()
    return special_looks(projected, exercise, model_views(projected, exercise)[0]) if exercise.asked_specially else ()


def dimensioned(
    projected: ProjectedPart, sheet: SheetDocument, front: Attitude, datum: Datum = LOW_SIDES
) -> SheetDocument:
    """A sheet with a complete set of dimensions in place of its own, as far as its views show the part.

    Raises ValueError for a part whose sizes cannot be counted.
    """
    part = projected.part

    def write(value: float) -> str:
        return write_length(value, sheet, part.unit)

    placed = placed_views(projected, sheet)
    views = [item for item in placed if item.attitude is not None and not item.view.mirrored]
    proposed = propose(form_model(part), part, front, views, write, datum)
    return sheet.model_copy(update={"dimensions": in_rows(proposed, views, sheet.style == "asme")})
