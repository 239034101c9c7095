"""What the geometry kernel does for the service, in a process of its own: see `kernel_work`."""

import tempfile
from collections.abc import Callable, Sequence
from dataclasses import asdict, replace
from pathlib import Path
from typing import Any, Final

from maqueta.drawing.thumbnail import thumbnail
from maqueta.geometry.frame import matrix_of
from maqueta.geometry.line_set import LineSet
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.projection.attitude import from_corner
from maqueta.projection.hidden_lines import HiddenLines
from maqueta.projection.look import Look
from maqueta.projection.project import drawn, project
from maqueta.projection.projected_part import to_json, upright
from maqueta.service.shelf.kernel_work import PartSource, PartWork, Preview, note_down, packed
from maqueta.solid.errors import FeatureError, PartError
from maqueta.solid.kernel import Shape
from maqueta.solid.part import Part
from maqueta.solid.recipe import Recipe
from maqueta.solid.source import load_part, part_of_recipe
from maqueta.solid.standing import standings
from maqueta.solid.step import write_step
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
    look = known.corner(_PICTURE_CORNER)
    picture = thumbnail(triangles, known.line_set(look), matrix_of(look.frame))
    return PartWork(part.name, to_json(known), packed(triangles), picture, facts_of(part), report)


def _loaded(source: PartSource) -> tuple[Shape, Part, dict[str, Any] | None]:
    shape, part, report = load_part(source.file.path, source.called, source.sizes)
    up = source.natural_up or part.natural_up
    if up is None and (firm := standings(part)):
        up = firm[0].up
    return shape, replace(part, natural_up=up, marks=source.marks), asdict(report) if report else None


def examined(source: PartSource, notes: str | None = None) -> PartWork:
    """Load, project and triangulate a part. How far it is, is written to the file `notes`."""

    def progress(share: float, doing: Phrase) -> None:
        if notes is not None:
            note_down(notes, (share, doing))

    try:
        progress(0.05, phrase("reading-file"))
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
        lines = HiddenLines(shape, part).line_set(from_corner(_PICTURE_CORNER, upright(part))) if flat else None
        return Preview(packed(triangulated(shape, part)), part.extents, part.volume, len(part.faces), lines)
    except FeatureError as error:
        return Preview(fault=error.why, feature=error.index)
    except PartError as error:
        return Preview(fault=error.reason)
    except MemoryError:
        return Preview(fault=phrase("needs-more-memory"))


def step_file(source: PartSource) -> bytes:
    """A part as STEP AP214 in its own unit. Raises PartError."""
    shape, part, _ = _loaded(source)
    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder) / "part.step"
        write_step(shape, part.unit, path)
        return path.read_bytes()
