"""What the service has done in other processes: parts that somebody waits for, sheets' files, sheets at the desk."""

import time
from collections.abc import Callable, Mapping, Sequence
from typing import Any, Final, TypeVar

from maqueta.confined import reason_of
from maqueta.geometry.line_set import LineSet
from maqueta.projection.look import Look
from maqueta.service.deliveries.file_work import Drawn, SheetWork, read_sheet_file
from maqueta.service.queue.work_queue import Hands, NotDoneError, Piece, Wanted, always
from maqueta.service.sets.file_work import FoundPages, SetFile, tell_apart
from maqueta.service.settings import Settings
from maqueta.service.sheet_forms.file_work import FormWork, read_form_file
from maqueta.service.shelf.kernel_work import (
    LookedOver,
    PartSource,
    PartWork,
    Preview,
    examine,
    looked_over,
    looks_drawn,
    preview,
    refit,
    step_file,
    triangles_file,
)
from maqueta.solid.assembly import Assembly
from maqueta.solid.errors import PartError
from maqueta.solid.mesh import MeshKind
from maqueta.solid.recipe import Recipe
from maqueta.solid.unit import Unit
from maqueta.store.files import StoredFile
from maqueta.task.exercise import Exercise

Result = TypeVar("Result")
#: A file of all sheets of a set may take as long as so many files of one.
_PAGES: Final = 3
#: Told of each piece of work: crew, work, how it ended, seconds.
Noted = Callable[[str, str, str, float], None]


class KernelWorkers:
    """Work that is done in processes of its own, wherever they are.

    NotDoneError comes through as it is: it says nothing about the file.
    """

    def __init__(self, settings: Settings, hands: Hands, noted: Noted = lambda *_: None) -> None:
        self._seconds, self._sheet_seconds = settings.preview_seconds, settings.sheet_seconds
        self._hands, self._noted = hands, noted

    def examine_now(self, source: PartSource) -> PartWork:
        """Examine a part somebody waits for. Never raises for anything the file does."""
        try:
            return self._now(examine, source)
        except PartError as error:
            return PartWork(refused=error.reason)

    def preview(self, recipe: Recipe, flat: bool = False) -> Preview:
        """Build a recipe that is being written. Never raises for anything the recipe does."""
        try:
            return self._now(preview, recipe, flat)
        except PartError as error:
            return Preview(fault=error.reason)

    def looks_drawn(self, source: PartSource, looks: Sequence[Look]) -> tuple[tuple[Look, LineSet], ...]:
        """A part drawn in some looks. Raises PartError with the reason why not."""
        return self._now(looks_drawn, source, looks)

    def look_over(self, source: PartSource, assembly: Assembly, flat: bool = False) -> LookedOver:
        """What overlaps in an assembly that is being put together, and how it comes apart. Raises PartError."""
        return self._now(looked_over, source, assembly, flat)

    def refit(self, source: PartSource, sizes: Mapping[str, Mapping[str, float]]) -> str:
        """The document of an assembly with some of its parts in other sizes. Raises PartError."""
        return self._now(refit, source, sizes)

    def step_file(self, source: PartSource) -> bytes:
        """A part as STEP. Raises PartError with the reason why not."""
        return self._now(step_file, source)

    def triangles_file(self, packed: StoredFile, unit: Unit, kind: MeshKind, name: str) -> bytes:
        """A part's triangles as a file other programs read. Raises PartError with the reason why not."""
        return self._now(triangles_file, packed, unit, kind, name)

    def read_sheet(
        self, data: bytes, page: int, part: StoredFile, task: Exercise, looks: Drawn = (), wanted: Wanted = always
    ) -> SheetWork:
        """Read a delivered sheet, a page of a file, of a projected part. Never raises for anything the file does."""
        try:
            return self._run(
                Piece("readers", read_sheet_file, (data, page, part, task, looks), self._sheet_seconds), wanted
            )
        except NotDoneError:
            raise
        except Exception as error:  # the worker's own exceptions arrive here, whatever they are
            return SheetWork(refused=reason_of(error, self._sheet_seconds))

    def tell_apart(self, file: SetFile, wanted: Wanted = always) -> FoundPages:
        """Which page of a file is which sheet of a set. Never raises for anything the file does."""
        try:
            return self._run(Piece("readers", tell_apart, (file,), _PAGES * self._sheet_seconds), wanted)
        except NotDoneError:
            raise
        except Exception as error:  # the worker's own exceptions arrive here, whatever they are
            return FoundPages(refused=reason_of(error, _PAGES * self._sheet_seconds))

    def read_form(self, data: bytes) -> FormWork:
        """Read a sheet form. Never raises for anything the file does."""
        try:
            return self._run(Piece("readers", read_form_file, (data,), self._seconds))
        except NotDoneError:
            raise
        except Exception as error:  # the worker's own exceptions arrive here, whatever they are
            return FormWork(refused=reason_of(error, self._seconds))

    def at_desk(self, work: Callable[..., Result], *arguments: Any, seconds: float, wanted: Wanted) -> Result:
        """Work on a sheet and its part. Raises as `Hands.run` does."""
        return self._run(Piece("desk", work, arguments, seconds), wanted)

    def _run(self, piece: Piece[Result], wanted: Wanted = always) -> Result:
        began, ended = time.monotonic(), "well"
        try:
            return self._hands.run(piece, wanted)
        except Exception as error:
            ended = type(error).__name__
            raise
        finally:
            self._noted(piece.crew, piece.work.__name__, ended, time.monotonic() - began)

    def _now(self, work: Callable[..., Result], *arguments: Any) -> Result:
        try:
            return self._run(Piece("previews", work, arguments, self._seconds))
        except (PartError, NotDoneError):
            raise
        except Exception as error:  # the worker's own exceptions arrive here, whatever they are
            raise PartError(reason_of(error, self._seconds)) from error
