"""Parts from files: a recipe in JSON or a STEP file, told apart by content."""

import hashlib
from collections.abc import Mapping
from dataclasses import dataclass, replace
from pathlib import Path

from pydantic import ValidationError

from maqueta.phrases.phrase import Phrase, phrase
from maqueta.solid.assembled import assembled
from maqueta.solid.assembly import Assembly
from maqueta.solid.build import build
from maqueta.solid.errors import PartError
from maqueta.solid.examine import examine
from maqueta.solid.kernel import Shape, unified
from maqueta.solid.part import Part
from maqueta.solid.recipe import Recipe
from maqueta.solid.recipe_file import recipe_in
from maqueta.solid.resolve import resolved
from maqueta.solid.step import StepReport, read_step_with_report
from maqueta.solid.step_assembly import document_of, may_be_assembly, read_assembly
from maqueta.solid.unit import Unit

#: A part file larger than this is refused before it is opened.
LARGEST_FILE = 64 * 1024 * 1024


def recipe_hash(recipe: Recipe) -> str:
    """SHA-256 of a resolved recipe in canonical form."""
    return hashlib.sha256(recipe.model_dump_json().encode()).hexdigest()


def part_of_recipe(recipe: Recipe, sizes: Mapping[str, float] | None = None) -> tuple[Shape, Part]:
    """Build and examine a recipe, with some of its named sizes changed if wanted. Raises FeatureError or PartError."""
    recipe = resolved(recipe, sizes)
    shape = build(recipe)
    part = examine(
        shape,
        part_hash=recipe_hash(recipe),
        name=recipe.name,
        unit=recipe.units,
        material=recipe.material,
        natural_up=recipe.natural_up,
    )
    return shape, part


def load_part(
    path: Path, called: str | None = None, sizes: Mapping[str, float] | None = None, *, as_one: bool = False
) -> tuple[Shape, Part, StepReport | None]:
    """Load a part from a `.json` recipe or a STEP file; `called` is its own name where it is kept under another.

    `sizes` changes some of a recipe's named sizes; `as_one` takes a STEP assembly for one part. Returns what a STEP
    file had to say beside the part. Raises PartError; OSError when the file cannot be opened.
    """
    name = Path(called or path.name)
    kind = name.suffix.lower()
    if path.stat().st_size > LARGEST_FILE:
        raise PartError(phrase("part-file-too-large", most=LARGEST_FILE // 1024**2))
    if kind in (".step", ".stp"):
        shape, unit, report = read_step_with_report(path)
        data = path.read_bytes()
        digest = hashlib.sha256(data).hexdigest()
        found = file_assembly(path, unit) if may_be_assembly(data) and not as_one else None
        if found is not None:
            shape, part = assembled(found.assembly, found.parts)
            told = replace(report, left_out=(*report.left_out, *found.left_out))
            return shape, replace(part, hash=digest, name=name.stem), told
        return shape, examine(shape, part_hash=digest, name=name.stem, unit=unit), report
    if kind != ".json":
        raise PartError(phrase("no-part-file"))
    return (*part_of_recipe(recipe_in(path.read_bytes()), sizes), None)


@dataclass(frozen=True)
class FileAssembly:
    """An assembly that is one file: its document, its parts by the keys that has for them, and what was left out."""

    assembly: Assembly
    parts: Mapping[str, tuple[Shape, Part]]
    left_out: tuple[Phrase, ...]


def file_assembly(path: Path, unit: Unit) -> FileAssembly | None:
    """The assembly a STEP file holds, None where it holds none. Raises PartError."""
    found = read_assembly(path, unit)
    if found is None:
        return None
    products = {own.product: own for own in found.components}
    parts = {}
    for number in sorted(products):
        shape = unified(products[number].shape)
        name = products[number].name or f"{found.name} {number + 1}"
        parts[f"p{number}"] = (shape, examine(shape, part_hash=f"{path.stem} {number}", name=name, unit=unit))
    try:
        return FileAssembly(document_of(found, unit, list(parts)), parts, found.left_out)
    except ValidationError as error:
        raise PartError(phrase("assembly-out-of-reach")) from error
