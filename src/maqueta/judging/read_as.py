"""Sheets from elsewhere read as any of those that were asked for, to tell which of them each one is."""

from collections.abc import Sequence
from dataclasses import dataclass, field

from maqueta.judging.answered import answered, likeness_of, likeness_of_list
from maqueta.judging.report import surveyed
from maqueta.phrases.phrase import Phrase
from maqueta.projection.look import Look
from maqueta.projection.projected_part import ProjectedPart, UnseenLookError
from maqueta.reading.content import Content
from maqueta.reading.delivered import read_content
from maqueta.reading.errors import UnreadableSheetError
from maqueta.reading.special.matching import LooksWantedError
from maqueta.sheet.document import SheetDocument
from maqueta.task.sheet_set import SheetSet

#: What came as one sheet: a document, what is drawn on a page, or why nothing can be read there.
Holds = SheetDocument | Content | Phrase


@dataclass(frozen=True)
class ReadSheetAs:
    """A sheet read as one of those asked for; `there` is whether it could be."""

    document: SheetDocument
    not_read: tuple[Phrase, ...]
    there: bool


@dataclass(frozen=True)
class ReadAs:
    """Sheets that came, each read as any of those asked for, each pair once. `parts` are what those are of.

    `wanted` are the looks in which parts would have to be drawn to tell more, by the place of what was asked for.
    """

    asked: SheetSet
    parts: Sequence[ProjectedPart]
    came: Sequence[Holds]
    wanted: dict[int, list[Look]] = field(default_factory=dict)
    _done: dict[tuple[int, int], ReadSheetAs] = field(default_factory=dict)

    def places(self, names: Sequence[Sequence[str]]) -> tuple[int | None, ...]:
        """For each sheet the place of the one asked for that it is; `names` are what it is called besides its texts."""
        told = [[*own, *_texts_of(holds)] for own, holds in zip(names, self.came, strict=True)]
        return answered(self.asked, told, self.like)

    def read(self, place: int, number: int) -> ReadSheetAs:
        """A sheet as the one asked for at a place."""
        if (place, number) not in self._done:
            self._done[place, number] = self._read(self.came[place], number)
        return self._done[place, number]

    def _read(self, holds: Holds, number: int) -> ReadSheetAs:
        if isinstance(holds, Phrase):
            return ReadSheetAs(SheetDocument(), (holds,), False)
        if isinstance(holds, SheetDocument):
            return ReadSheetAs(holds, (), True)
        try:
            read = read_content(holds, self.parts[number], self.asked.sheets[number], asks=True)
        except LooksWantedError as wanted:
            self.wanted.setdefault(number, []).extend(wanted.looks)
            return ReadSheetAs(SheetDocument(), (), False)
        except UnreadableSheetError as error:
            return ReadSheetAs(SheetDocument(), (error.reason,), False)
        return ReadSheetAs(read.document, read.not_read, True)

    def like(self, place: int, number: int) -> float | None:
        """How alike a sheet and a part are."""
        read, exercise = self.read(place, number), self.asked.sheets[number]
        if not read.there:
            return 0.0
        if exercise.shows == "parts list":
            return likeness_of_list(read.document)
        try:
            return likeness_of(surveyed(self.parts[number], exercise, read.document))
        except UnseenLookError as unseen:
            self.wanted.setdefault(number, []).append(unseen.look)
            return 0.0


def _texts_of(holds: Holds) -> list[str]:
    """The texts on a sheet."""
    if isinstance(holds, SheetDocument):
        return [holds.name or "", *holds.title.fields.values()]
    return [word.text for word in holds.words] if isinstance(holds, Content) else []
