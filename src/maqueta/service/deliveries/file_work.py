"""Reading delivered sheets, done in a process of its own with limits on time and memory: the files are hostile."""

from dataclasses import dataclass

from maqueta.phrases.phrase import Phrase, phrase
from maqueta.reading.delivered import read_delivered
from maqueta.reading.errors import UnreadableSheetError
from maqueta.service.shelf.part_files import part_at
from maqueta.store.files import StoredFile
from maqueta.task.exercise import Exercise


@dataclass(frozen=True, slots=True)
class SheetWork:
    """A sheet as read (the document as JSON) and what could not be read, or the reason why there is none."""

    document: str = ""
    not_read: tuple[Phrase, ...] = ()
    refused: Phrase | None = None


def read_sheet_file(data: bytes, part: StoredFile, task: Exercise) -> SheetWork:
    """Read a DXF sheet of a projected part for an exercise."""
    try:
        read = read_delivered(data, part_at(part), task)
    except UnreadableSheetError as error:
        return SheetWork(refused=error.reason)
    except MemoryError:
        return SheetWork(refused=phrase("sheet-needs-memory"))
    return SheetWork(read.document.model_dump_json(), read.not_read)
