"""How a sheet or its file is named, and whether it is named as asked."""

import re

from maqueta.sheet.document import TitleBlock
from maqueta.sheet.fields import TitleField
from maqueta.sheet.words import words_in


def asked_name(pattern: str, title: TitleBlock) -> str | None:
    """The name that a pattern asks for: text with fields of the title block in braces; None where one of those cannot
    be read."""
    fields: list[TitleField] = re.findall(r"\{(\w+)\}", pattern)
    if any(title.legible(field) is None for field in fields):
        return None
    return re.sub(r"\{(\w+)\}", lambda field: title.fields.get(field[1], ""), pattern)  # type: ignore[arg-type]


def same_words(name: str, other: str) -> bool:
    """Whether two names are of the same words, whatever stands between those, accents or none.

    >>> same_words("Group_2-LEVER.rev a", "group 2 lever REV A")
    True
    """
    return words_in(name) == words_in(other)
