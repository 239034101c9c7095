"""Reading delivered sheets, done in a process of its own with limits on time and memory: the files are hostile."""

from dataclasses import dataclass

from maqueta.geometry.line_set import LineSet
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.projection.look import Look
from maqueta.reading.delivered import paper_of, read_content
from maqueta.reading.errors import UnreadableSheetError
from maqueta.reading.file_content import content_of, pages_of
from maqueta.reading.original import original_svg
from maqueta.reading.special.matching import LooksWantedError
from maqueta.service.shelf.part_files import part_at
from maqueta.sheet.paper import sides
from maqueta.store.files import StoredFile
from maqueta.task.exercise import Exercise

#: A part as it was drawn in some looks.
Drawn = tuple[tuple[Look, LineSet], ...]


@dataclass(frozen=True, slots=True)
class SheetWork:
    """A sheet as read (the document as JSON) and what could not be read, or the reason why there is none.

    `wanted` are looks in which the part has to be drawn before its special views can be told.
    """

    document: str = ""
    not_read: tuple[Phrase, ...] = ()
    refused: Phrase | None = None
    wanted: tuple[Look, ...] = ()
    #: The file as it lies under what was read of it, as SVG.
    original: str = ""
    #: How many pages the file has, and how many views were found on this one.
    pages: int = 1
    views: int = 0


def _pages(data: bytes) -> int:
    """How many pages a file has that could not be read as it is."""
    try:
        return pages_of(data)
    except UnreadableSheetError:
        return 1


def read_sheet_file(data: bytes, page: int, part: StoredFile, task: Exercise, looks: Drawn = ()) -> SheetWork:
    """Read a sheet, a page of a file, of a projected part, drawn in some looks more, for an exercise."""
    try:
        known = part_at(part).with_looks(looks)
        read = read_content(content_of(data, page, paper_of(task)), known, task, asks=True)
    except LooksWantedError as wanted:
        return SheetWork(wanted=wanted.looks)
    except UnreadableSheetError as error:
        return SheetWork(refused=error.reason, pages=_pages(data))
    except MemoryError:
        return SheetWork(refused=phrase("sheet-needs-memory"))
    return SheetWork(
        read.document.model_dump_json(),
        read.not_read,
        original=original_svg(read.original, sides(read.document.paper.size, read.document.paper.landscape)),
        pages=pages_of(data),
        views=len(read.document.views),
    )
