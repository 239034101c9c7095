"""Whose sheet it is: the one student of a class whom a file's name or a title block names."""

from collections.abc import Callable, Sequence
from typing import Protocol, TypeVar

from maqueta.sheet.words import nearly_same, words_in


class Named(Protocol):
    """Someone with a name and a log-in."""

    @property
    def name(self) -> str:
        """First and family names."""

    @property
    def login(self) -> str:
        """What they log in with."""


Person = TypeVar("Person", bound=Named)


def named(people: Sequence[Person], text: str) -> Person | None:
    """The one student whom a text names; None when it names none, or may mean several.

    By all words of a name, or by the log-in; else by initials and a family name; else by words of which a letter was
    misread. Accents and capitals, and the order of the words, say nothing. A text that fits several students in one
    way is not asked in a less certain one.
    """
    words = words_in(text)
    ways: tuple[Callable[[Person], bool], ...] = (
        lambda person: _all_there(words_in(person.name), words) or _all_there(words_in(person.login), words),
        lambda person: _initials(words_in(person.name), words),
        lambda person: _nearly(words_in(person.name), words),
    )
    for way in ways:
        found = [person for person in people if way(person)]
        if found:
            return found[0] if len(found) == 1 else None
    return None


def _all_there(own: Sequence[str], words: Sequence[str]) -> bool:
    return bool(own) and set(own) <= set(words)


def _initials(own: Sequence[str], words: Sequence[str]) -> bool:
    """Whether the words are a family name, in full, and initials of every other name before or after it."""
    if len(own) < 2 or own[-1] not in words:
        return False
    rest = list(words)
    rest.remove(own[-1])
    return rest == [name[0] for name in own[:-1]]


def _nearly(own: Sequence[str], words: Sequence[str]) -> bool:
    """Whether every word of a name is there, or one much like it; a name of one word alone is too little."""
    return len(own) >= 2 and all(any(nearly_same(word, other) for other in words) for word in own)
