"""Columns that keep what is to be said: a phrase as a kind with values, never its words."""

from typing import Any, Final

from pydantic import TypeAdapter
from sqlalchemy import JSON
from sqlalchemy.engine import Dialect
from sqlalchemy.types import TypeDecorator

from maqueta.phrases.phrase import Phrase

_PHRASE: Final = TypeAdapter(Phrase)
_PHRASES: Final = TypeAdapter(tuple[Phrase, ...])


class Said(TypeDecorator[Phrase]):
    """A phrase, or nothing said."""

    impl = JSON(none_as_null=True)
    cache_ok = True

    def process_bind_param(self, value: Phrase | None, dialect: Dialect) -> Any:
        """What is kept of a phrase."""
        return None if value is None else _PHRASE.dump_python(value, mode="json")

    def process_result_value(self, value: Any, dialect: Dialect) -> Phrase | None:
        """The phrase kept."""
        return None if value is None else _PHRASE.validate_python(value)


class AllSaid(TypeDecorator[tuple[Phrase, ...]]):
    """Phrases in their order."""

    impl = JSON
    cache_ok = True

    def process_bind_param(self, value: tuple[Phrase, ...] | None, dialect: Dialect) -> Any:
        """What is kept of phrases."""
        return _PHRASES.dump_python(value or (), mode="json")

    def process_result_value(self, value: Any, dialect: Dialect) -> tuple[Phrase, ...]:
        """The phrases kept."""
        return _PHRASES.validate_python(value)
