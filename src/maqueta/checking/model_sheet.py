"""A faultless sheet of a part, drawn by rule: views in line with equal gaps, centre lines, sizes from datum sides."""

from dataclasses import dataclass

from maqueta.checking.exercise import Exercise
from maqueta.checking.model_views import model_front, model_views
from maqueta.dimensioning.centre_marks import proposed_marks
from maqueta.dimensioning.form_model import form_model, undimensioned
from maqueta.dimensioning.proposal import LOW_SIDES, Datum, propose
from maqueta.dimensioning.rows import in_rows
from maqueta.projection.attitude import Attitude
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.dimension_words import write_length
from maqueta.sheet.document import Paper, SheetDocument, TitleBlock, TitleField
from maqueta.sheet.placed import placed_views
from maqueta.sheet.scales import write_scale


@dataclass(frozen=True, slots=True)
class Drafter:
    """What is written into the title block."""

    name: str
    group: str
    date: str


def model_sheet(projected: ProjectedPart, exercise: Exercise, drafter: Drafter) -> SheetDocument:
    """A sheet of the exercise on which the checks find nothing.

    A part whose sizes cannot be counted gets no dimensions.
    """
    front = model_front(projected, exercise)
    names = list(exercise.view_names)
    views, scale = model_views(projected, exercise)
    part = projected.part
    titles: dict[TitleField, str] = {
        "title": part.name.upper(),
        "drafter": drafter.name.upper(),
        "class": drafter.group.upper(),
        "date": drafter.date,
        "scale": write_scale(scale),
        "sheet": "1 / 1",
        "material": part.material.upper(),
        "unit": exercise.units.upper(),
        "paper": exercise.paper,
    }
    sheet = SheetDocument(
        paper=Paper(size=exercise.paper, landscape=exercise.landscape),
        units=exercise.units,
        style=exercise.dimensioning.style or ("iso" if exercise.units == "mm" else "asme"),
        decimals=exercise.decimals,
        front="v1",
        views=tuple(views),
        title=TitleBlock(fields=titles, angle=exercise.angle),
    )

    placed = {item.view.id: item for item in placed_views(projected, sheet)}
    principal = [placed[f"v{index + 1}"] for index in range(len(names))]
    marks = list(proposed_marks(projected, principal)) if exercise.centre_lines else []
    sheet = sheet.model_copy(update={"marks": tuple(marks)})
    if exercise.dimensioning.required and undimensioned(part) is None:
        return dimensioned(projected, sheet, front)
    return sheet


def dimensioned(
    projected: ProjectedPart, sheet: SheetDocument, front: Attitude, datum: Datum = LOW_SIDES
) -> SheetDocument:
    """A sheet with a complete set of dimensions in place of its own, as far as its views show the part.

    Raises ValueError for a part whose sizes cannot be counted.
    """
    part = projected.part

    def write(value: float) -> str:
        return write_length(value, sheet, part.unit)

    views = [
        item for item in placed_views(projected, sheet) if item.view.attitude is not None and not item.view.mirrored
    ]
    proposed = propose(form_model(part), part, front, views, write, datum)
    return sheet.model_copy(update={"dimensions": in_rows(proposed, views, sheet.style == "asme")})
