"""A set of sheets as it was handed in, against the sheets that were asked for."""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property

from maqueta.judging.survey import Survey
from maqueta.sheet.document import SheetDocument
from maqueta.task.sheet_set import AskedSheet, SheetSet


@dataclass(frozen=True)
class SheetIn:
    """A sheet of a set: its file, its page of how many, what is drawn on it, which of the sheets asked for it is taken
    to be, by place, and its survey; without both where it is none of them, and without a survey before it is checked.
    """

    file: str
    page: int
    pages: int
    document: SheetDocument
    asked: int | None = None
    survey: Survey | None = None


@dataclass(frozen=True)
class SetSurvey:
    """What was asked and what came, in the order it came."""

    asked: SheetSet
    sheets: Sequence[SheetIn]

    @cached_property
    def places(self) -> tuple[tuple[int, ...], ...]:
        """For every sheet asked for the places, from 0, of those that are it."""
        return tuple(
            tuple(place for place, own in enumerate(self.sheets) if own.asked == number)
            for number in range(len(self.asked.sheets))
        )

    def entry(self, own: SheetIn) -> AskedSheet | None:
        """What a sheet answers."""
        return self.asked.sheets[own.asked] if own.asked is not None else None


def words_of(asked: AskedSheet) -> str:
    """What a sheet that is asked for is called: by its title, else by what it is of."""
    return asked.title or asked.of
