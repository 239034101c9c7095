"""Files with sheets of a set, told apart in a process of its own with limits on time and memory: they are hostile."""

from dataclasses import dataclass

from maqueta.judging.read_as import Holds, ReadAs
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.projection.look import Look
from maqueta.reading.delivered import paper_of
from maqueta.reading.errors import UnreadableSheetError
from maqueta.reading.file_content import content_of, pages_of
from maqueta.service.deliveries.file_work import Drawn
from maqueta.service.shelf.part_files import part_at
from maqueta.store.files import StoredFile
from maqueta.task.sheet_set import MOST_SHEETS, SheetSet


@dataclass(frozen=True, slots=True)
class SetFile:
    """A file as it came, with its name; what is asked, and for each sheet of that its part, drawn in more looks."""

    data: bytes
    name: str
    asked: SheetSet
    parts: tuple[StoredFile, ...]
    looks: tuple[Drawn, ...]
    #: The one page that is meant, from 1; all of them without it.
    page: int | None = None

    @property
    def files(self) -> tuple[StoredFile, ...]:
        """What has to be at hand before work begins."""
        return self.parts


@dataclass(frozen=True, slots=True)
class FoundPage:
    """A page of a file: which of the sheets asked for it is, by place, or why it could not be read."""

    page: int
    place: int | None
    refused: Phrase | None = None


@dataclass(frozen=True, slots=True)
class FoundPages:
    """The pages of a file that are meant, of how many, or why there are none; `wanted` are looks to be drawn before, by
    the place of the sheet.
    """

    pages: tuple[FoundPage, ...] = ()
    refused: Phrase | None = None
    count: int = 1
    wanted: tuple[tuple[int, tuple[Look, ...]], ...] = ()


def tell_apart(file: SetFile) -> FoundPages:
    """Which page of a file, or the one that is meant, is which of the sheets that are asked for."""
    try:
        count = pages_of(file.data)
    except UnreadableSheetError as error:
        return FoundPages(refused=error.reason)
    if file.page is None and count > MOST_SHEETS:
        return FoundPages(refused=phrase("set-too-many", most=MOST_SHEETS))
    pages = range(1, count + 1) if file.page is None else (file.page,)
    holds = [_held(file, page) for page in pages]
    parts = [part_at(own).with_looks(looks) for own, looks in zip(file.parts, file.looks, strict=True)]
    table = ReadAs(file.asked, parts, holds)
    places = table.places([[file.name] if count == 1 else []] * len(pages))
    if table.wanted:
        return FoundPages(wanted=tuple((place, tuple(dict.fromkeys(own))) for place, own in table.wanted.items()))
    return FoundPages(
        tuple(
            FoundPage(page, place, held if isinstance(held, Phrase) else None)
            for page, place, held in zip(pages, places, holds, strict=True)
        ),
        count=count,
    )


def _held(file: SetFile, page: int) -> Holds:
    try:
        return content_of(file.data, page, paper_of(file.asked))
    except UnreadableSheetError as error:
        return error.reason
