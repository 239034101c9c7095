"""Words as they stand on sheets: accents, capitals and what stands between them say nothing, and one letter of a word
may be misread."""

import re
import unicodedata
from difflib import SequenceMatcher
from typing import Final

#: Two words are the same, a letter of one misread, from this likeness on, if they are so long (common practice, no
#: source).
_NEAR: Final = 0.75
_LONG: Final = 4


def words_in(text: str) -> list[str]:
    """The words of a text, in order, each in one way of writing it.

    >>> words_in("Sección_A-A, núm. 2")
    ['seccion', 'a', 'a', 'num', '2']
    """
    plain = "".join(c for c in unicodedata.normalize("NFKD", text) if not unicodedata.combining(c))
    return re.findall(r"[^\W_]+", plain.casefold())


def nearly_same(word: str, other: str) -> bool:
    """Whether two words, as `words_in` gives them, are the same or a letter apart. Other digits are another word.

    >>> nearly_same("lever", "levfr"), nearly_same("pin", "bin"), nearly_same("part12", "part13")
    (True, False, False)
    """
    if word == other:
        return True
    digits, others = (re.sub(r"\D", "", own) for own in (word, other))
    if digits and others and digits != others:
        return False
    long = len(word) >= _LONG and abs(len(word) - len(other)) <= 1
    return long and SequenceMatcher(None, word, other, autojunk=False).ratio() >= _NEAR


def all_within(asked: str, written: str) -> bool:
    """Whether a text says all words of another, a letter of each perhaps misread, whatever it says besides."""
    words = words_in(written)
    return all(any(nearly_same(word, other) for other in words) for word in words_in(asked))


def may_be_one_person(name: str, other: str) -> bool:
    """Whether two names may be those of one person: all words of the shorter one are in the other, or their initials.

    >>> may_be_one_person("A. Tester", "Tester, Anna"), may_be_one_person("A. Tester", "B. Tester")
    (True, False)
    """
    few, many = sorted((words_in(name), words_in(other)), key=len)
    return bool(few) and all(any(_fellow(word, own) for own in many) for word in few)


def _fellow(word: str, other: str) -> bool:
    initial = 1 in (len(word), len(other)) and word[0] == other[0]
    return initial or nearly_same(word, other)
