"""Reading delivered sheets: what that is given and what comes of it.

The files are hostile: they are read in a process of its own, with limits on time and memory, and never by the server,
which does not even load what reads them.
"""

from dataclasses import dataclass

from maqueta.geometry.line_set import LineSet
from maqueta.phrases.phrase import Phrase
from maqueta.projection.look import Look
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


def read_sheet_file(data: bytes, page: int, part: StoredFile, task: Exercise, looks: Drawn = ()) -> SheetWork:
    """Read a sheet, a page of a file, of a projected part, drawn in some looks more, for an exercise."""
    from maqueta.service.deliveries import at_reader

    return at_reader.sheet_read(data, page, part, task, looks)
