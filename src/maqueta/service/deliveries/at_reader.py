"""Delivered sheets, read where that is done."""

from maqueta.phrases.phrase import phrase
from maqueta.reading.delivered import paper_of, read_content
from maqueta.reading.errors import UnreadableSheetError
from maqueta.reading.file_content import content_of, pages_of
from maqueta.reading.original import original_svg
from maqueta.reading.special.matching import LooksWantedError
from maqueta.service.deliveries.file_work import Drawn, SheetWork
from maqueta.service.shelf.part_files import part_at
from maqueta.sheet.paper import sides
from maqueta.store.files import StoredFile
from maqueta.task.exercise import Exercise


def _pages(data: bytes) -> int:
    """How many pages a file has that could not be read as it is."""
    try:
        return pages_of(data)
    except UnreadableSheetError:
        return 1


def sheet_read(data: bytes, page: int, part: StoredFile, task: Exercise, looks: Drawn) -> SheetWork:
    """A sheet, a page of a file, of a projected part, drawn in some looks more, as read for an exercise."""
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
