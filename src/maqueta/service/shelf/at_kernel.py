"""What the geometry kernel does for the service, in a process of its own: see `kernel_work`."""

import tempfile
from collections.abc import Callable, Mapping, Sequence
from dataclasses import asdict, replace
from pathlib import Path
from typing import Any, Final

from pydantic import ValidationError

from maqueta.drawing.thumbnail import thumbnail
from maqueta.geometry.frame import matrix_of
from maqueta.geometry.line_set import LineSet
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.projection.attitude import from_corner
from maqueta.projection.hidden_lines import HiddenLines
from maqueta.projection.look import Look
from maqueta.projection.project import drawn, project
from maqueta.projection.projected_part import to_json, upright
from maqueta.service.shelf.kernel_work import (
    FoundAssembly,
    FoundPart,
    LookedOver,
    PartSource,
    PartWork,
    Preview,
    note_down,
    packed,
)
from maqueta.solid.apart import pulled_apart, with_ways
from maqueta.solid.assembled import assembled, overlaps
from maqueta.solid.assembly import Assembly
from maqueta.solid.errors import FeatureError, PartError
from maqueta.solid.kernel import Shape
from maqueta.solid.part import Part
from maqueta.solid.recipe import Recipe
from maqueta.solid.refit import refitted
from maqueta.solid.source import LARGEST_FILE, file_assembly, load_part, part_of_recipe
from maqueta.solid.standing import standings
from maqueta.solid.step import StepReport, read_step_with_report, write_step
from maqueta.solid.step_assembly import may_be_assembly, write_assembly
from maqueta.solid.triangulation import triangulated

_PICTURE_CORNER: Final = "+-+"


def facts_of(part: Part) -> dict[str, Any]:
    """What lists of parts show, so that they need not open every part."""
    return {
        "unit": part.unit,
        "material": part.material,
        "natural_up": part.natural_up,
        "extents": list(part.extents),
        "faces": len(part.faces),
        "solids": part.solids,
        "components": len(part.components),
    }


def described(
    shape: Shape, part: Part, report: dict[str, Any] | None, progress: Callable[[float, Phrase], None]
) -> PartWork:
    """Everything the service keeps of a solid."""

    def viewed(done: int, of: int) -> None:
        progress(0.15 + 0.7 * done / of, phrase("drawing-view", number=done + 1, of=of))

    known = project(shape, part, viewed)
    progress(0.9, phrase("making-card-model"))
    triangles = triangulated(shape, part)
    if part.components:
        known = replace(known, part=with_ways(part, triangles))
    look = known.corner(_PICTURE_CORNER)
    picture = thumbnail(triangles, known.line_set(look), matrix_of(look.frame))
    return PartWork(part.name, to_json(known), packed(triangles), picture, facts_of(part), report)


def _loaded(source: PartSource) -> tuple[Shape, Part, dict[str, Any] | None]:
    shape, part, report = _assembled(source) if source.components else _alone(source)
    up = source.natural_up or part.natural_up
    if up is None and (firm := standings(part)):
        up = firm[0].up
    return shape, replace(part, natural_up=up, marks=source.marks), asdict(report) if report else None


def _alone(source: PartSource) -> tuple[Shape, Part, StepReport | None]:
    return load_part(source.file.path, source.called, source.sizes, as_one=True)


def _assembled(source: PartSource) -> tuple[Shape, Part, None]:
    return (*assembled(_assembly_in(source), _parts_of(source)), None)


def _assembly_in(source: PartSource) -> Assembly:
    """The document of an assembly. Raises PartError where it is none."""
    try:
        return Assembly.model_validate_json(source.file.path.read_bytes())
    except ValidationError as error:
        raise PartError(phrase("assembly-damaged")) from error


def _parts_of(source: PartSource) -> dict[str, tuple[Shape, Part]]:
    return {key: _loaded(own)[:2] for key, own in source.components}


def looked_over(source: PartSource, assembly: Assembly, flat: bool) -> LookedOver:
    """What overlaps in an assembly of the components of a source, and how it comes apart. Raises PartError."""
    parts = _parts_of(source)
    shape, part = assembled(assembly, parts)
    lines = _pictorial(shape, part) if flat else None
    return LookedOver(overlaps(assembly, parts), pulled_apart(part, triangulated(shape, part)), lines)


def refit(source: PartSource, sizes: Mapping[str, Mapping[str, float]]) -> str:
    """The document of an assembly with some of its parts in other sizes, by their keys. Raises PartError."""
    assembly, before = _assembly_in(source), _parts_of(source)
    others = [(key, replace(own, sizes=sizes[key])) for key, own in source.components if sizes.get(key)]
    after = before | {key: _loaded(own)[:2] for key, own in others}
    again = refitted(
        assembly, {key: part for key, (_, part) in before.items()}, {key: part for key, (_, part) in after.items()}
    )
    known = {(own.first, own.second) for own in overlaps(assembly, before)}
    for own in overlaps(again, after):
        if (own.first, own.second) not in known:
            names = [again.component(each).name for each in (own.first, own.second)]
            raise PartError(phrase("refit-overlap", first=names[0], second=names[1]))
    return again.model_dump_json()


def _pictorial(shape: Shape, part: Part) -> LineSet:
    """The lines of the equal-axis view a part is shown in."""
    return HiddenLines(shape, part).line_set(from_corner(_PICTURE_CORNER, upright(part)))


def _found_assembly(source: PartSource) -> FoundAssembly | None:
    """What a STEP file holds that is an assembly; None for any other file, and for one that is a part already, of which
    only the natural position or the marks are new. Raises PartError.
    """
    path = source.file.path
    known = source.components or source.natural_up or source.marks
    if known or Path(source.called).suffix.lower() not in (".step", ".stp"):
        return None
    if path.stat().st_size > LARGEST_FILE or not may_be_assembly(path.read_bytes()):
        return None
    # What bars a file as a part bars it as an assembly.
    _, unit, report = read_step_with_report(path)
    found = file_assembly(path, unit)
    if found is None:
        return None
    parts = []
    with tempfile.TemporaryDirectory() as folder:
        for key, (shape, part) in found.parts.items():
            out = Path(folder) / f"{key}.step"
            write_step(shape, unit, out)
            parts.append(FoundPart(part.name, out.read_bytes()))
    read = phrase("step-assembly", components=len(found.assembly.components), parts=len(parts))
    told = replace(report, read=(read, *report.read[1:]), left_out=(*report.left_out, *found.left_out))
    return FoundAssembly(found.assembly.model_dump_json(), tuple(parts), asdict(told))


def examined(source: PartSource, notes: str | None = None) -> PartWork:
    """Load, project and triangulate a part. How far it is, is written to the file `notes`."""

    def progress(share: float, doing: Phrase) -> None:
        if notes is not None:
            note_down(notes, (share, doing))

    try:
        progress(0.05, phrase("reading-file"))
        if (found := _found_assembly(source)) is not None:
            return PartWork(assembly=found)
        return described(*_loaded(source), progress)
    except PartError as error:
        return PartWork(refused=error.reason)
    except MemoryError:
        return PartWork(refused=phrase("needs-more-memory"))


def looks_drawn(source: PartSource, looks: Sequence[Look]) -> tuple[tuple[Look, LineSet], ...]:
    """A part drawn in some looks. Raises PartError."""
    shape, part, _ = _loaded(source)
    return drawn(shape, part, looks)


def previewed(recipe: Recipe, flat: bool = False) -> Preview:
    """Build a recipe for the builder's turntable, or as exact lines for screens that cannot draw solids (`flat`)."""
    try:
        shape, part = part_of_recipe(recipe)
        lines = _pictorial(shape, part) if flat else None
        return Preview(packed(triangulated(shape, part)), part.extents, part.volume, len(part.faces), lines)
    except FeatureError as error:
        return Preview(fault=error.why, feature=error.index)
    except PartError as error:
        return Preview(fault=error.reason)
    except MemoryError:
        return Preview(fault=phrase("needs-more-memory"))


def step_file(source: PartSource) -> bytes:
    """A part as STEP AP214 in its own unit, an assembly with its tree. Raises PartError."""
    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder) / "part.step"
        if source.components:
            write_assembly(_assembly_in(source), _parts_of(source), path)
        else:
            shape, part, _ = _loaded(source)
            write_step(shape, part.unit, path)
        return path.read_bytes()
