"""Reading delivered sheets, done in a process of its own with limits on time and memory: the files are hostile."""

from dataclasses import dataclass

from maqueta.geometry.line_set import LineSet
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.projection.look import Look
from maqueta.reading.delivered import begun_of
from maqueta.reading.dxf.file import read_dxf
from maqueta.reading.errors import UnreadableSheetError
from maqueta.reading.sheet import finished
from maqueta.reading.special.matching import LooksWantedError
from maqueta.service.shelf.part_files import part_at
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


def read_sheet_file(data: bytes, part: StoredFile, task: Exercise, looks: Drawn = ()) -> SheetWork:
    """Read a DXF sheet of a projected part, drawn in some looks more, for an exercise."""
    try:
        known = part_at(part).with_looks(looks)
        read = finished(begun_of(read_dxf(data), known, task), known, asks=True)
    except LooksWantedError as wanted:
        return SheetWork(wanted=wanted.looks)
    except UnreadableSheetError as error:
        return SheetWork(refused=error.reason)
    except MemoryError:
        return SheetWork(refused=phrase("sheet-needs-memory"))
    return SheetWork(read.document.model_dump_json(), read.not_read)
