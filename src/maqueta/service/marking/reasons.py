"""The reasons of a rule: right and wrong drawn on a demo part by our own core."""

from collections.abc import Callable, Sequence
from functools import lru_cache
from typing import Final

from maqueta.demo.broken_rules import EXAMPLES, Broken
from maqueta.demo.put_together import ASSEMBLIES, component_recipe, demo_assembly
from maqueta.demo.workshop import EXERCISES, demo_recipe
from maqueta.drawing.ink import InkGroup
from maqueta.drawing.shading import shaded
from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.geometry.carrier import Point
from maqueta.judging.report import check
from maqueta.making.model_sheet import model_looks, model_sheet
from maqueta.making.title_filled import Drafter
from maqueta.projection.look import Look
from maqueta.projection.projected_part import ProjectedPart
from maqueta.service.bench.answers import paper_answer
from maqueta.service.bench.messages import PaperAnswer
from maqueta.service.shelf.looks import Drawn
from maqueta.sheet.document import SheetDocument
from maqueta.solid.mesh import Mesh
from maqueta.strict import Strict

#: What the examples are asked for, and who has drawn them.
_EXERCISE: Final = EXERCISES[0]
_DRAFTER: Final = Drafter("N. HAVLIK", "EVENING 2", "2026-11-20")


class DrawnExample(Strict):
    """A sheet, and where it breaks the rule, if it does: lines in sheet mm."""

    paper: PaperAnswer
    groups: list[InkGroup]
    at: list[list[Point]]


class Examples(Strict):
    """The same sheet right and wrong."""

    right: DrawnExample
    wrong: DrawnExample


@lru_cache(maxsize=4)
def _part(slug: str) -> tuple[ProjectedPart, Callable[[], Mesh], Callable[[Sequence[Look]], Drawn]]:
    """A demo part, drawn once by every process that is asked, its triangles, and what draws it in other looks."""
    # The kernel takes long to load: only who draws solids does so.
    from maqueta.projection.project import drawn, project
    from maqueta.solid.apart import with_ways
    from maqueta.solid.assembled import assembled
    from maqueta.solid.source import part_of_recipe
    from maqueta.solid.triangulation import triangulated

    if slug in ASSEMBLIES:
        assembly = demo_assembly(slug)
        shape, part = assembled(assembly, {key: part_of_recipe(component_recipe(key)) for key in assembly.parts})
        part = with_ways(part, triangulated(shape, part))
    else:
        shape, part = part_of_recipe(demo_recipe(slug))
    return project(shape, part), lambda: triangulated(shape, part), lambda looks: drawn(shape, part, looks)


@lru_cache(maxsize=100)
def drawn_examples(rule: str) -> Examples | None:
    """Right and wrong for a rule, remembered by every process; None where there is no example of it."""
    example = EXAMPLES.get(rule)
    if example is None:
        return None
    (whole, triangles, seen), task = _part(example.part), _EXERCISE.task.model_copy(update=dict(example.asked))
    part = whole.with_looks(seen(model_looks(whole, task)))
    sheet = model_sheet(part, task, _DRAFTER)

    def drawn(changed: Broken | None) -> DrawnExample:
        document = changed(part, sheet) if changed is not None else sheet
        return judged(whole.with_looks(seen(document.looks_aslant)), document)

    def judged(part: ProjectedPart, document: SheetDocument) -> DrawnExample:
        found = [finding for finding in check(part, task, document).findings if finding.rule == rule]
        return DrawnExample(
            paper=paper_answer(document.paper.layout),
            groups=list(shaded(sheet_ink(part, document), part, document, triangles)),
            at=[list(line) for finding in found for line in finding.at],
        )

    return Examples(right=drawn(example.right), wrong=drawn(example.broken))
