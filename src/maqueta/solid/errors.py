"""What can go wrong between a recipe or a file and a solid."""

from collections.abc import Sequence
from typing import Final

from pydantic import ValidationError

_ALTERNATIVES: Final = frozenset({"float", "str", "int", "tuple", "list"})


class PartError(Exception):
    """A part cannot be used; the message is meant for the person who made it."""


class FeatureError(PartError):
    """One feature of a recipe cannot be built.

    `feature` is its name as shown to people, `index` its place in the list (0-based).
    """

    def __init__(self, feature: str, index: int, reason: str) -> None:
        super().__init__(f"feature {index + 1} “{feature}”: {reason}")
        self.feature = feature
        self.index = index
        self.reason = reason

    def __reduce__(self) -> tuple[type["FeatureError"], tuple[str, int, str]]:
        # It travels between processes.
        return FeatureError, (self.feature, self.index, self.reason)


def place_of(location: Sequence[int | str]) -> tuple[int | str, ...]:
    """Where in the data an error lies: keys and places in lists alone.

    Names of alternatives ("constrained-str", "function-after[…]", "float") are no keys of the data.
    """
    return tuple(k for k in location if isinstance(k, int) or (k.isidentifier() and k not in _ALTERNATIVES))


def first_fault(error: ValidationError) -> str:
    """The first thing wrong with validated data: where, by keys and places in lists, and what."""
    first = error.errors()[0]
    where = ".".join(map(str, place_of(first["loc"]))) or "the file"
    return f"{where}: {first['msg']}"
