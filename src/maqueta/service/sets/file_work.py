"""Files with sheets of a set, told apart: what that is given and what comes of it.

They are hostile: it is done in a process of its own with limits on time and memory, as all reading is.
"""

from dataclasses import dataclass

from maqueta.phrases.phrase import Phrase
from maqueta.projection.look import Look
from maqueta.service.deliveries.file_work import Drawn
from maqueta.store.files import StoredFile
from maqueta.task.sheet_set import SheetSet


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
    from maqueta.service.sets import at_reader

    return at_reader.told_apart(file)
