"""Assemblies of the loom workshop: their documents, and the recipes of their parts."""

import json
from pathlib import Path
from typing import Any, Final

from maqueta.solid.assembly import Assembly
from maqueta.solid.recipe import Recipe

_FOLDER: Final = Path(__file__).parent / "assemblies"

#: A puzzle of cubes in five pieces, a pedal on its pin, a shuttle on wheels.
ASSEMBLIES: Final = ("puzzle-cube", "pedal", "shuttle")


def demo_assembly(slug: str) -> Assembly:
    """One of the demo assemblies; its parts are named by their slugs."""
    return Assembly.model_validate_json((_FOLDER / f"{slug}.json").read_text("utf-8"))


def component_recipe_json(slug: str) -> dict[str, Any]:
    """The recipe of a part of a demo assembly, as it was written."""
    recipe: dict[str, Any] = json.loads((_FOLDER / "parts" / f"{slug}.json").read_text("utf-8"))
    return recipe


def component_recipe(slug: str) -> Recipe:
    """A part of a demo assembly."""
    return Recipe.model_validate(component_recipe_json(slug))
