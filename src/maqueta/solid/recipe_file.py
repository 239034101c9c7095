"""Recipes as they are kept in files."""

import json
from typing import Any

from pydantic import ValidationError

from maqueta.phrases.invalid import first_fault
from maqueta.phrases.phrase import phrase
from maqueta.solid.errors import PartError
from maqueta.solid.recipe import Recipe


def read_recipe(data: Any) -> Recipe:
    """Validate parsed JSON as a recipe. Raises PartError naming the key and the reason."""
    try:
        return Recipe.model_validate(data)
    except ValidationError as error:
        raise PartError(first_fault(error)) from error


def recipe_in(data: bytes) -> Recipe:
    """The recipe in a JSON file. Raises PartError."""
    try:
        parsed = json.loads(data)
    except (ValueError, RecursionError) as error:
        raise PartError(phrase("not-json", reason=str(error))) from error
    return read_recipe(parsed)
