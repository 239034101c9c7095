"""Put numbers where a recipe has expressions, and vary its sizes by a seed."""

import random
from collections.abc import Mapping
from typing import Any, Final

from pydantic import BaseModel, ValidationError

from maqueta.phrases.invalid import first_fault
from maqueta.phrases.phrase import phrase
from maqueta.solid.errors import FeatureError, PartError
from maqueta.solid.expression import ExpressionError, evaluate
from maqueta.solid.recipe import NamedSize, Number, Recipe

#: Keys of features whose strings are words, not expressions.
_WORDS: Final = frozenset(
    {"kind", "name", "operation", "plane", "axis", "into", "out", "along", "about", "of", "edge", "legs", "between"}
    | {"ends"}
)
_THROUGH: Final = "through"


def size_values(recipe: Recipe, instead: Mapping[str, float] | None = None) -> dict[str, float]:
    """The value of every named size, in order; `instead` overrides some of them.

    Raises PartError naming the size that cannot be worked out or that has its name twice.
    """
    values: dict[str, float] = {}
    for size in recipe.sizes:
        if size.name in values:
            raise PartError(phrase("two-sizes-called", name=size.name))
        given = (instead or {}).get(size.name)
        values[size.name] = _number(size, size.value, values) if given is None else given
    return values


def _number(size: NamedSize, written: Number, values: Mapping[str, float]) -> float:
    if not isinstance(written, str):
        return written
    try:
        return evaluate(written, values)
    except ExpressionError as error:
        raise PartError(phrase("size-at-fault", name=size.name, reason=error.reason)) from error


def resolved(recipe: Recipe, instead: Mapping[str, float] | None = None) -> Recipe:
    """The recipe with plain numbers throughout and no named sizes; suppressed features stay as they are.

    Raises PartError for a size, FeatureError for a feature whose expression has no value or a value out of range.
    """
    values = size_values(recipe, instead)
    kept: list[Any] = []
    for index, feature in enumerate(recipe.features):
        if feature.suppressed:
            kept.append(feature)
            continue
        try:
            numbers = _filled(feature, values)
            kept.append(type(feature).model_validate(numbers))
        except ExpressionError as error:
            raise FeatureError(feature.name, index, error.reason) from error
        except ValidationError as error:
            raise FeatureError(feature.name, index, first_fault(error)) from error
    return recipe.model_copy(update={"sizes": [], "features": kept})


def _filled(value: Any, sizes: Mapping[str, float]) -> Any:
    """Plain data in which every expression is replaced by its value."""
    if isinstance(value, BaseModel):
        return {
            key: part if key in _WORDS else _filled(part, sizes)
            for key, part in ((key, getattr(value, key)) for key in type(value).model_fields)
        }
    if isinstance(value, list | tuple):
        return type(value)(_filled(part, sizes) for part in value)
    if isinstance(value, str) and value != _THROUGH:
        return evaluate(value, sizes)
    return value


def varied_sizes(recipe: Recipe, seed: str) -> dict[str, float]:
    """Values for all sizes that have a range, drawn by a seed: equal seeds give equal values.

    Each is `low` plus a whole number of `step`, at most `high`. Raises PartError for an empty range.
    """
    drawn: dict[str, float] = {}
    for size in recipe.sizes:
        known = size_values(recipe, drawn)
        if size.low is None or size.high is None:
            continue
        low, high, step = (_number(size, number, known) for number in (size.low, size.high, size.step))
        if high < low or step <= 0:
            raise PartError(phrase("size-at-fault", name=size.name, reason=phrase("range-empty")))
        steps = int((high - low) / step + 1e-9)
        # A generator for each size, so that adding another size does not change those already given out.
        chance = random.Random(f"{seed}/{size.name}")
        drawn[size.name] = round(low + step * chance.randint(0, steps), 9)
    return drawn


def shared_sizes(recipes: Mapping[str, Recipe], seed: str) -> dict[str, dict[str, float]]:
    """Values for the sizes of parts that belong together, by their keys, drawn by a seed.

    Sizes of one name and one value are one size, whichever of the parts has the range it is drawn from: a bore and what
    turns in it stay alike. Raises PartError for an empty range.
    """
    drawn = {key: varied_sizes(recipe, seed) for key, recipe in recipes.items()}
    one: dict[tuple[str, Number], float] = {}
    for key, recipe in recipes.items():
        for size in recipe.sizes:
            if size.name in drawn[key]:
                one.setdefault((size.name, size.value), drawn[key][size.name])
    return {
        key: drawn[key] | {size.name: one[own] for size in recipe.sizes if (own := (size.name, size.value)) in one}
        for key, recipe in recipes.items()
    }
