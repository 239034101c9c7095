"""Fields of a title block that are written by the program, for model answers and where an exercise fills them in."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Final

from maqueta.sheet.document import SheetDocument
from maqueta.sheet.fields import TitleField
from maqueta.sheet.scales import write_scale
from maqueta.solid.part import Part
from maqueta.task.exercise import Exercise

#: What is written alike on all sheets of a set.
_ALIKE: Final[tuple[TitleField, ...]] = ("drafter", "class", "date", "tolerances")


@dataclass(frozen=True, slots=True)
class Drafter:
    """Who draws, in which class, on which day, which sheet of how many, and how that is titled, where not as its part
    is called: what is written into the title block.
    """

    name: str
    group: str
    date: str
    sheet: str = "1 / 1"
    title: str = ""


def title_values(part: Part, sheet: SheetDocument, drafter: Drafter, scale: float | None) -> Mapping[TitleField, str]:
    """What the program knows to write into each field, in capitals; `scale` is the one that is drawn, if any."""
    return {
        "title": (drafter.title or part.name).upper(),
        "drafter": drafter.name.upper(),
        "class": drafter.group.upper(),
        "date": drafter.date,
        "scale": write_scale(scale) if scale is not None else "",
        "sheet": drafter.sheet,
        "material": part.material.upper(),
        "unit": sheet.units.upper(),
        "paper": sheet.paper.size,
    }


def title_carried(source: SheetDocument, other: SheetDocument) -> SheetDocument:
    """Another sheet of a set with what is the same on all of them, as it stands on one, where nothing is written yet;
    one with a title block of another program's as it is.
    """
    if other.paper.frame is not None:
        return other
    fields = dict(other.title.fields)
    for field in _ALIKE:
        if not fields.get(field, "").strip() and (written := source.title.legible(field)):
            fields[field] = written
    angle = other.title.angle or source.title.angle
    return other.model_copy(update={"title": other.title.model_copy(update={"fields": fields, "angle": angle})})


def title_checked(sheet: SheetDocument, checked: str) -> SheetDocument:
    """A sheet with who has checked it in its title block, unless that is written there, or the block is not ours."""
    if sheet.paper.frame is not None or sheet.title.fields.get("checked", "").strip():
        return sheet
    fields: dict[TitleField, str] = {**sheet.title.fields, "checked": checked}
    return sheet.model_copy(update={"title": sheet.title.model_copy(update={"fields": fields})})


def on_its_form(exercise: Exercise, sheet: SheetDocument) -> SheetDocument:
    """A sheet on the form its exercise gives for its paper; on another paper, or with a frame of its own, as it is."""
    paper, given = sheet.paper, exercise.paper_given
    of_its_size = (paper.size, paper.landscape) == (given.size, given.landscape)
    form = given.form if of_its_size else None
    if paper.frame is not None or paper.form == form:
        return sheet
    return sheet.model_copy(update={"paper": paper.model_copy(update={"form": form})})


def title_filled(
    part: Part, exercise: Exercise, drafter: Drafter, sheet: SheetDocument, scale: float | None
) -> SheetDocument:
    """A sheet with those fields written that its exercise has filled in for the student."""
    if not exercise.title_filled:
        return sheet
    known = title_values(part, sheet, drafter, scale)
    fields: dict[TitleField, str] = dict(sheet.title.fields)
    fields.update((field, known[field]) for field in exercise.title_filled)
    return sheet.model_copy(update={"title": sheet.title.model_copy(update={"fields": fields})})
