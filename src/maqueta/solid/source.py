"""Parts from files: a recipe in JSON or a STEP file, told apart by content."""

import hashlib
import json
from collections.abc import Mapping
from pathlib import Path
from typing import Any

from pydantic import ValidationError

from maqueta.solid.build import build
from maqueta.solid.errors import PartError, first_fault
from maqueta.solid.examine import examine
from maqueta.solid.kernel import Shape
from maqueta.solid.part import Part
from maqueta.solid.recipe import Recipe
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


def read_recipe(data: Any) -> Recipe:
    """Validate parsed JSON as a recipe. Raises PartError naming the key and the reason."""
    try:
        return Recipe.model_validate(data)
    except ValidationError as error:
        raise PartError(first_fault(error)) from error


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
        raise PartError("the file is larger than 64 MB")
    if kind in (".step", ".stp"):
        shape, unit, report = read_step_with_report(path)
        digest = hashlib.sha256(path.read_bytes()).hexdigest()
        return shape, examine(shape, part_hash=digest, name=name.stem, unit=unit), report
    if kind != ".json":
        raise PartError("a part is a .step or .stp file, or a recipe in a .json file")
    return (*part_of_recipe(recipe_in(path.read_bytes()), sizes), None)


def recipe_in(data: bytes) -> Recipe:
    """The recipe in a JSON file. Raises PartError."""
    try:
        parsed = json.loads(data)
    except (ValueError, RecursionError) as error:
        raise PartError(f"it is not JSON ({error})") from error
    return read_recipe(parsed)
