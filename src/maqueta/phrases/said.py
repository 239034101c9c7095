"""Phrases in the words of a language, from its catalogue (Project Fluent)."""

from collections.abc import Mapping, Sequence
from functools import cache, lru_cache
from pathlib import Path
from typing import Any, Final, Literal, get_args

from babel.lists import format_list
from babel.numbers import format_decimal
from fluent.runtime import FluentBundle, FluentResource
from fluent.runtime.types import FluentType

from maqueta.phrases.phrase import Phrase, Value

Language = Literal["en", "es"]
LANGUAGES: Final[tuple[Language, ...]] = get_args(Language)
USUAL_LANGUAGE: Final[Language] = "en"
#: Whose numbers and lists a language keeps to.
_LOCALES: Final[Mapping[Language, str]] = {"en": "en_GB", "es": "es"}
#: Phrases remembered in words: a class makes the same mistakes on many sheets, and a wall is read again and again.
_REMEMBERED: Final = 8192


#: Stands before everything that is said by a phrase within a phrase, until that is done; no text has it.
_BEGIN: Final = "\ue000"
#: Words that a language draws together where a thing with its article comes after a preposition.
_CONTRACTED: Final[Mapping[Language, Sequence[tuple[str, str]]]] = {
    "en": (),
    "es": ((f" de {_BEGIN}el ", " del "), (f" a {_BEGIN}el ", " al ")),
}


class PhraseError(LookupError):
    """A phrase that cannot be said: no catalogue entry, or a value is missing."""


class _Listed(FluentType):
    """Several things already in words."""

    def __init__(self, things: Sequence[str], locale: str) -> None:
        self.things, self.locale = things, locale

    def format(self, locale: object) -> str:
        """The things joined as a language joins all of several."""
        return format_list(self.things, locale=self.locale)


def catalogue_files(language: Language) -> list[Path]:
    """The files of a language's catalogue."""
    return sorted((Path(__file__).parent / language).glob("*.ftl"))


@cache
def bundle(language: Language) -> FluentBundle:
    """A language's catalogue, with what it can do beyond naming values.

    FIXED(number, decimals) writes a number with so many decimals, PLAIN(number) with as many as it needs, up to six
    digits; EITHER(list) joins by "or", EACH(list) by semicolons, CAPITAL(text) begins a sentence.
    """
    locale = _LOCALES[language]

    def fixed(number: Any, decimals: Any = 0) -> str:
        # Rounded before it is written, and nothing less than nothing: "-0" is no number on a drawing.
        near = round(float(number), int(decimals)) + 0.0
        return format_decimal(near, "0." + "0" * int(decimals) if decimals else "0", locale=locale)

    def plain(number: Any) -> str:
        return format_decimal(float(f"{float(number):.6g}"), "0.######", locale=locale)

    def either(listed: Any) -> str:
        return format_list(listed.things, style="or", locale=locale) if isinstance(listed, _Listed) else str(listed)

    def each(listed: Any) -> str:
        return "; ".join(listed.things) if isinstance(listed, _Listed) else str(listed)

    def capital(text: Any) -> str:
        words = format_list(text.things, locale=locale) if isinstance(text, _Listed) else str(text)
        begun = words.removeprefix(_BEGIN)
        return begun[:1].upper() + begun[1:]

    functions: Any = {"FIXED": fixed, "PLAIN": plain, "EITHER": either, "EACH": each, "CAPITAL": capital}
    made = FluentBundle([locale.replace("_", "-")], functions=functions, use_isolating=False)
    for path in catalogue_files(language):
        made.add_resource(FluentResource(path.read_text(encoding="utf-8")))
    return made


@lru_cache(maxsize=_REMEMBERED)
def said(phrase: Phrase, language: Language = USUAL_LANGUAGE) -> str:
    """A phrase in words. Raises PhraseError when the language's catalogue cannot say it.

    >>> said(Phrase("ball", {"radius": "8"})), said(Phrase("ball", {"radius": "8"}), "es")
    ('the ball R8', 'la esfera R8')
    """
    kind, _, attribute = phrase.kind.partition(".")
    own = bundle(language)
    message = own.get_message(kind) if own.has_message(kind) else None
    pattern = None
    if message is not None:
        pattern = message.attributes.get(attribute) if attribute else message.value
    if pattern is None:
        raise PhraseError(f"the catalogue “{language}” has no “{phrase.kind}”")
    values = {name: _in_words(value, language) for name, value in phrase.values.items()}
    words, errors = own.format_pattern(pattern, values)
    if errors or not isinstance(words, str):
        raise PhraseError(f"“{phrase.kind}” cannot be said in “{language}”: {errors}")
    for apart, together in _CONTRACTED[language]:
        words = words.replace(apart, together)
    return words.replace(_BEGIN, "")


def _in_words(value: Value, language: Language) -> Any:
    if isinstance(value, Phrase):
        return _BEGIN + said(value, language)
    if isinstance(value, tuple):
        return _Listed([str(_in_words(item, language)) for item in value], _LOCALES[language])
    return value
