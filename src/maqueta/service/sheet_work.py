"""Reading delivered sheets, done in a process of its own with limits on time and memory: the files are hostile."""

from dataclasses import dataclass

from maqueta.checking.delivered import read_delivered
from maqueta.checking.exercise import Exercise
from maqueta.projection.projected_part import from_json
from maqueta.reading.errors import UnreadableSheetError


@dataclass(frozen=True, slots=True)
class SheetWork:
    """A sheet as read (the document as JSON) and what could not be read, or the reason why there is none."""

    document: str = ""
    not_read: tuple[str, ...] = ()
    refused: str | None = None


def read_sheet_file(data: bytes, dossier: bytes, task: str) -> SheetWork:
    """Read a DXF sheet of a projected part (JSON) for an exercise (JSON)."""
    try:
        read = read_delivered(data, from_json(dossier), Exercise.model_validate_json(task))
    except UnreadableSheetError as error:
        return SheetWork(refused=str(error))
    except MemoryError:
        return SheetWork(refused="it needs more memory than a sheet may take")
    return SheetWork(read.document.model_dump_json(), read.not_read)
