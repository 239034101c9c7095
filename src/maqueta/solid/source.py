"""Parts from files: a recipe in JSON or a STEP file, told apart by content."""

import hashlib
from collections.abc import Mapping
from pathlib import Path

from maqueta.phrases.phrase import phrase
from maqueta.solid.build import build
from maqueta.solid.errors import PartError
from maqueta.solid.examine import examine
from maqueta.solid.kernel import Shape
from maqueta.solid.part import Part
from maqueta.solid.recipe import Recipe
from maqueta.solid.recipe_file import recipe_in
from maqueta.solid.resolve import resolved
from maqueta.solid.step import StepReport, read_step_with_report

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
    path: Path, called: str | None = None, sizes: Mapping[str, float] | None = None
) -> tuple[Shape, Part, StepReport | None]:
    """Load a part from a `.json` recipe or a STEP file; `called` is its own name where it is kept under another.

    `sizes` changes some of a recipe's named sizes. Returns what a STEP file had to say beside the part. Raises
    PartError; OSError when the file cannot be opened.
    """
    name = Path(called or path.name)
    kind = name.suffix.lower()
    if path.stat().st_size > LARGEST_FILE:
        raise PartError(phrase("part-file-too-large", most=LARGEST_FILE // 1024**2))
    if kind in (".step", ".stp"):
        shape, unit, report = read_step_with_report(path)
        digest = hashlib.sha256(path.read_bytes()).hexdigest()
        return shape, examine(shape, part_hash=digest, name=name.stem, unit=unit), report
    if kind != ".json":
        raise PartError(phrase("no-part-file"))
    return (*part_of_recipe(recipe_in(path.read_bytes()), sizes), None)
