"""What is wrong with data that does not validate, as a phrase."""

from collections.abc import Mapping, Sequence
from typing import Any, Final

from pydantic import ValidationError
from pydantic_core import ErrorDetails

from maqueta.phrases.phrase import Phrase, phrase
from maqueta.phrases.told import ToldError

_ALTERNATIVES: Final = frozenset({"float", "str", "int", "tuple", "list"})


def place_of(location: Sequence[int | str]) -> tuple[int | str, ...]:
    """Where in the data an error lies: keys and places in lists alone.

    Names of alternatives ("constrained-str", "function-after[…]", "float") are no keys of the data.
    """
    return tuple(k for k in location if isinstance(k, int) or (k.isidentifier() and k not in _ALTERNATIVES))


def _what(fault: ErrorDetails | Mapping[str, Any]) -> Phrase:
    """What one fault says; kinds of fault that are rare are told in the words of the library that found them."""
    kind, bounds = fault["type"], fault.get("ctx", {})
    match kind:
        case "missing":
            return phrase("value-missing")
        case "extra_forbidden":
            return phrase("value-unknown")
        case "greater_than":
            return phrase("value-not-above", bound=bounds["gt"])
        case "greater_than_equal":
            return phrase("value-below", bound=bounds["ge"])
        case "less_than":
            return phrase("value-not-below", bound=bounds["lt"])
        case "less_than_equal":
            return phrase("value-above", bound=bounds["le"])
        case "finite_number":
            return phrase("value-not-finite")
        case "float_type" | "float_parsing" | "int_type" | "int_parsing" | "int_from_float":
            return phrase("value-no-number")
        case "string_too_short":
            return phrase("value-too-short", bound=bounds["min_length"])
        case "string_too_long":
            return phrase("value-too-long", bound=bounds["max_length"])
        case "too_short":
            return phrase("values-too-few", bound=bounds["min_length"])
        case "too_long":
            return phrase("values-too-many", bound=bounds["max_length"])
        case "literal_error" | "union_tag_invalid" | "enum":
            return phrase("value-not-offered")
        case "string_pattern_mismatch":
            return phrase("value-not-of-this-form")
    return _told(fault) or phrase("as-written", text=fault["msg"])


def first_of(faults: Sequence[ErrorDetails | Mapping[str, Any]]) -> tuple[tuple[int | str, ...], Phrase]:
    """Where the first of some faults lies, and what is wrong there.

    A size may be a number or an expression: where it is neither, what is wrong with the expression tells more.
    """
    keys = place_of(faults[0]["loc"])
    here = [fault for fault in faults if place_of(fault["loc"]) == keys]
    return keys, _what(next((fault for fault in here if _told(fault) is not None), here[0]))


def _told(fault: ErrorDetails | Mapping[str, Any]) -> Phrase | None:
    """The reason of our own that a fault was found for, if it was."""
    error = fault.get("ctx", {}).get("error")
    return error.reason if isinstance(error, ToldError) else None


def first_fault(error: ValidationError) -> Phrase:
    """The first thing wrong with validated data: where, by keys and places in lists, and what."""
    place, what = first_of(error.errors())
    where = ".".join(map(str, place))
    return phrase("value-at", where=where, what=what) if where else what
