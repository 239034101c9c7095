"""Sets of sheets of the demo assemblies, as they should be."""

from collections.abc import Callable, Sequence
from dataclasses import replace
from functools import cache
from typing import Any

from maqueta.demo.put_together import component_recipe, demo_assembly
from maqueta.judging.set_survey import SheetIn
from maqueta.judging.sheet_set import SetCheck, check_sheets
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.projection.project import project, projected_alone
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.drafted import Pen, drafted_of
from maqueta.sheet.fields import TitleField
from maqueta.sheet.placed import placed_views
from maqueta.solid.apart import with_ways
from maqueta.solid.assembled import assembled
from maqueta.solid.assembly import WHOLE
from maqueta.solid.triangulation import triangulated
from maqueta.task.sheet_set import AskedSheet, SheetSet
from tests.assemblies import component_solid, demo_assembled, solids_of

DRAFTER = Drafter("A. Tester", "Evening 2", "2026-11-28")
COMMON: dict[str, Any] = {"title": "Pedal", "paper": "A2", "pictorial": "unwanted", "title_fields": ["title", "sheet"]}
PEDAL = ("pedal-fork", "pedal-lever", "pedal-pin")


def asked(*sheets: dict[str, Any], **common: Any) -> SheetSet:
    return SheetSet.model_validate({**COMMON, **common, "sheets": sheets})


@cache
def apart_projected(slug: str) -> ProjectedPart:
    """A demo assembly whose parts know the ways they come out, each of them drawn alone as well."""
    shape, part = demo_assembled(slug)
    known = with_ways(part, triangulated(shape, part))
    return replace(project(shape, known), alone=projected_alone(shape, known))


@cache
def whole_pedal() -> ProjectedPart:
    return apart_projected("pedal")


@cache
def pedal_part(slug: str) -> ProjectedPart:
    return project(*component_solid(slug))


@cache
def pedal_without(component: str, moved: tuple[float, float, float] | None = None) -> ProjectedPart:
    """The pedal with a component left out, or moved."""
    assembly = demo_assembly("pedal")
    kept = tuple(own for own in assembly.components if own.id != component)
    if moved is not None:
        own = assembly.component(component)
        at = tuple(a + b for a, b in zip(own.at, moved, strict=True))
        kept = (*kept, own.model_copy(update={"at": at}))
    changed = assembly.model_copy(update={"components": kept})
    return project(*assembled(changed, solids_of(changed)))


def usual_set() -> SheetSet:
    """The six sides of the pedal, and one sheet for each of three parts."""
    # Called for by name before any test runs: no part is made for it.
    parts = ({"of": component_recipe(slug).name, "title": component_recipe(slug).name} for slug in PEDAL)
    return asked({"shows": "six sides", "title": "Six sides"}, *parts)


def part_of(entry: AskedSheet) -> ProjectedPart:
    if entry.of == WHOLE:
        return whole_pedal()
    return next(own for slug in PEDAL if (own := pedal_part(slug)).part.name == entry.of)


def written(sheet: SheetDocument, /, **fields: str) -> SheetDocument:
    known: dict[TitleField, Any] = {**sheet.title.fields, **fields}  # type: ignore[dict-item]
    return sheet.model_copy(update={"title": sheet.title.model_copy(update={"fields": known})})


def right_sheets(task: SheetSet) -> list[SheetDocument]:
    return [
        written(
            model_sheet(part_of(entry), entry, DRAFTER),
            sheet=f"{number} / {len(task.sheets)}",
            title=entry.title.upper(),
        )
        for number, entry in enumerate(task.sheets, 1)
    ]


@cache
def right_pedal() -> tuple[SheetDocument, ...]:
    """The right sheets of the usual set. Made by the first test that needs them, not by whoever collects tests."""
    return tuple(right_sheets(usual_set()))


def came(sheets: Sequence[SheetDocument], places: Sequence[int | None] | None = None) -> list[SheetIn]:
    found = range(len(sheets)) if places is None else places
    return [
        SheetIn(f"sheet {number}.dxf", 1, 1, own, place)
        for number, (own, place) in enumerate(zip(sheets, found, strict=True), 1)
    ]


def checked(task: SheetSet, sheets: Sequence[SheetIn]) -> SetCheck:
    return check_sheets(task, [part_of(entry) for entry in task.sheets], sheets)


def rules(found: SetCheck) -> list[tuple[int | None, str, str]]:
    """What is found: the number of the sheet, the rule, how it is broken."""
    own = [
        (number, finding.rule, finding.variant)
        for number, check in enumerate(found.checks, 1)
        for finding in (check.findings if check is not None else ())
    ]
    of_all = [(None if at is None else at + 1, finding.rule, finding.variant) for at, finding in found.findings]
    return [*own, *of_all]


def drawn_as(sheet: SheetDocument, shown: ProjectedPart) -> SheetDocument:
    """A sheet whose views are drawn by hand, and show something else."""
    views = []
    for item in placed_views(shown, sheet):
        lines = tuple(
            drafted_of(piece, Pen("hidden" if piece.kind == "hidden" else "visible"))
            for piece in item.lines.of("visible", "hidden")
        )
        views.append(item.view.model_copy(update={"lines": lines}))
    return sheet.model_copy(update={"views": tuple(views)})


Change = Callable[[list[SheetDocument]], list[SheetDocument]]
