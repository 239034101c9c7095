"""Reading delivered sheets, done in a process of its own with limits on time and memory: the files are hostile."""

from dataclasses import dataclass

from maqueta.checking.delivered import read_delivered
from maqueta.checking.exercise import Exercise
from maqueta.reading.errors import UnreadableSheetError
from maqueta.service.part_files import part_at
from maqueta.store.files import StoredFile


@dataclass(frozen=True, slots=True)
class SheetWork:
    """A sheet as read (the document as JSON) and what could not be read, or the reason why there is none."""

    document: str = ""
    not_read: tuple[str, ...] = ()
    refused: str | None = None


def read_sheet_file(data: bytes, part: StoredFile, task: Exercise) -> SheetWork:
    """Read a DXF sheet of a projected part for an exercise."""
    try:
        read = read_delivered(data, part_at(part), task)
    except UnreadableSheetError as error:
        return SheetWork(refused=str(error))
    except MemoryError:
        return SheetWork(refused="it needs more memory than a sheet may take")
    return SheetWork(read.document.model_dump_json(), read.not_read)
