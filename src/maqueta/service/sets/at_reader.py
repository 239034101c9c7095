"""Files with sheets of a set, told apart where files are read."""

from maqueta.judging.read_as import Holds, ReadAs
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.reading.delivered import paper_of
from maqueta.reading.errors import UnreadableSheetError
from maqueta.reading.file_content import content_of, pages_of
from maqueta.service.sets.file_work import FoundPage, FoundPages, SetFile
from maqueta.service.shelf.part_files import part_at
from maqueta.task.sheet_set import MOST_SHEETS


def told_apart(file: SetFile) -> FoundPages:
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
