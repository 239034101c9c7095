"""Crews of processes: for parts that are brought in, for what somebody is waiting for, for sheets at the desk."""

import tempfile
from collections.abc import Callable
from pathlib import Path
from typing import Any, TypeVar

from maqueta.checking.exercise import Exercise
from maqueta.confined import reason_of
from maqueta.service.crew import AbandonedError, Crew
from maqueta.service.kernel_work import PartSource, PartWork, Preview, examine, preview, ready, step_file
from maqueta.service.settings import Settings
from maqueta.service.sheet_work import SheetWork, read_sheet_file
from maqueta.solid.errors import PartError
from maqueta.solid.recipe import Recipe

Result = TypeVar("Result")
#: Whether somebody still waits.
Wanted = Callable[[], bool]


class KernelWorkers:
    """Work that is done in processes of its own, each kind by a crew that the others cannot keep busy."""

    def __init__(self, settings: Settings) -> None:
        self._seconds = settings.kernel_seconds
        self._at_once_seconds = settings.preview_seconds
        memory = settings.kernel_memory
        self._uploads = Crew("uploads", settings.workers, memory)
        self._at_once = Crew("previews", 1, memory)
        self._readers = Crew("readers", settings.sheet_readers, memory)
        self._desk = Crew("desk", settings.desks, memory)
        self.crews = (self._uploads, self._at_once, self._readers, self._desk)

    def examine(
        self,
        source: PartSource,
        progress: Callable[[float, str], None] = lambda _, __: None,
        wanted: Wanted = lambda: True,
    ) -> PartWork | None:
        """Examine an upload; None when it was not wanted any more. Never raises for anything the file does.

        `progress` is told how far the work is, and what it is doing.
        """
        with tempfile.TemporaryDirectory() as folder:
            notes = Path(folder) / "progress"
            last = ""

            def looked() -> bool:
                nonlocal last
                text = notes.read_text("utf-8") if notes.exists() else ""
                if text and text != last:
                    share, _, doing = text.partition(" ")
                    progress(float(share), doing)
                    last = text
                return wanted()

            try:
                return self._uploads.run(examine, source, str(notes), seconds=self._seconds, wanted=looked)
            except AbandonedError:
                return None
            except Exception as error:  # the worker's own exceptions arrive here, whatever they are
                return PartWork(refused=reason_of(error, self._seconds) + "; your file is kept")

    def examine_now(self, source: PartSource) -> PartWork:
        """Examine a part somebody waits for. Never raises for anything the file does."""
        try:
            return self._now(examine, source)
        except PartError as error:
            return PartWork(refused=str(error))

    def preview(self, recipe: Recipe, flat: bool = False) -> Preview:
        """Build a recipe that is being written. Never raises for anything the recipe does."""
        try:
            return self._now(preview, recipe, flat)
        except PartError as error:
            return Preview(fault=str(error))

    def step_file(self, source: PartSource) -> bytes:
        """A part as STEP. Raises PartError with the reason why not."""
        return self._now(step_file, source)

    def read_sheet(self, data: bytes, part: str, task: Exercise, wanted: Wanted = lambda: True) -> SheetWork:
        """Read a delivered sheet of the projected part kept at a path.

        Never raises for anything the file does; AbandonedError when nobody waits.
        """
        try:
            return self._readers.run(read_sheet_file, data, part, task, seconds=self._at_once_seconds, wanted=wanted)
        except AbandonedError:
            raise
        except Exception as error:  # the worker's own exceptions arrive here, whatever they are
            return SheetWork(refused=reason_of(error, self._at_once_seconds))

    def at_desk(self, work: Callable[..., Result], *arguments: Any, seconds: float, wanted: Wanted) -> Result:
        """Work on a sheet and its part. Raises what the work raises, and what `Crew.run` does."""
        return self._desk.run(work, *arguments, seconds=seconds, wanted=wanted)

    def _now(self, work: Callable[..., Result], *args: Any) -> Result:
        try:
            return self._at_once.run(work, *args, seconds=self._at_once_seconds)
        except PartError:
            raise
        except Exception as error:  # the worker's own exceptions arrive here, whatever they are
            raise PartError(reason_of(error, self._at_once_seconds)) from error

    def warm_up(self) -> None:
        """Have workers ready before somebody waits for them."""
        for crew in (self._at_once, self._desk, self._readers):
            for _ in range(crew.workers):
                crew.warm_up(ready)

    def close(self) -> None:
        """Stop all processes."""
        for crew in self.crews:
            crew.close()
