"""A phrase: what is to be said, as a kind with values. The words are chosen when somebody reads it."""

from collections.abc import Mapping
from dataclasses import dataclass, field


@dataclass(frozen=True, slots=True)
class Phrase:
    """Something to say. `kind` names an entry of the catalogues, or one of its attributes: "ball", "lines-extra.one".

    Texts among the values are said as they are (what is written on a sheet, a name somebody gave) or choose a word in
    the catalogue ("front", "width").
    """

    kind: str
    values: Mapping[str, "Value"] = field(default_factory=dict)

    def __hash__(self) -> int:
        return hash((self.kind, tuple(self.values.items())))

    @property
    def key(self) -> str:
        """One text for equal phrases, whatever the language.

        >>> Phrase("ball", {"radius": "8"}).key
        'ball(8)'
        """
        return f"{self.kind}({','.join(map(key_of, self.values.values()))})"


#: Several things in a row are listed as the language lists things.
Value = Phrase | str | int | float | tuple[Phrase | str | int | float, ...]


def key_of(value: Value) -> str:
    """One text for equal values, whatever the language."""
    if isinstance(value, Phrase):
        return value.key
    return "+".join(map(key_of, value)) if isinstance(value, tuple) else str(value)


def phrase(kind: str, /, **values: Value) -> Phrase:
    """A phrase. Kinds are written out where they are said, so that the lint finds those no catalogue knows."""
    return Phrase(kind, values)
