"""The pools of processes: for parts that are brought in, for what somebody is waiting for, for delivered sheets."""

import multiprocessing
import tempfile
from collections.abc import Callable
from concurrent.futures import CancelledError, TimeoutError
from pathlib import Path
from typing import Any, TypeVar

from pebble import ProcessPool

from maqueta.confined import limit_process, reason_of
from maqueta.service.kernel_work import PartSource, PartWork, Preview, examine, preview, ready, step_file
from maqueta.service.settings import Settings
from maqueta.service.sheet_work import SheetWork, read_sheet_file
from maqueta.solid.errors import PartError
from maqueta.solid.recipe import Recipe

_POLL_SECONDS = 0.2
Result = TypeVar("Result")


class KernelWorkers:
    """Runs kernel work in processes that are replaced when they die or overrun."""

    def __init__(self, settings: Settings) -> None:
        self._seconds = settings.kernel_seconds
        self._at_once_seconds = settings.preview_seconds
        self._uploads = self._pool(settings.workers, settings.kernel_memory)
        self._at_once = self._pool(1, settings.kernel_memory)
        self._sheets = self._pool(settings.sheet_readers, settings.kernel_memory)
        self._running: dict[int, Any] = {}

    @staticmethod
    def _pool(workers: int, memory: int) -> Any:
        # Workers are forked from a small process that has loaded the kernel already and runs no threads.
        context = multiprocessing.get_context("forkserver")
        context.set_forkserver_preload(["maqueta.service.kernel_work", "maqueta.service.sheet_work"])
        return ProcessPool(
            max_workers=workers,
            context=context,
            initializer=limit_process,
            initargs=(memory,),
        )

    def examine(
        self, job_id: int, source: PartSource, progress: Callable[[float, str], None] = lambda _, __: None
    ) -> PartWork | None:
        """Examine an upload; None when the job was cancelled. Never raises for anything the file does.

        `progress` is told how far the work is, and what it is doing.
        """
        with tempfile.TemporaryDirectory() as folder:
            notes = Path(folder) / "progress"
            future = self._uploads.schedule(examine, args=(source, str(notes)), timeout=self._seconds)
            self._running[job_id] = future
            last = ""
            try:
                while not future.done():
                    text = notes.read_text("utf-8") if notes.exists() else ""
                    if text and text != last:
                        share, _, doing = text.partition(" ")
                        progress(float(share), doing)
                        last = text
                    self._wait(future)
                work: PartWork = future.result()
                return work
            except CancelledError:
                return None
            except Exception as error:  # the worker's own exceptions arrive here, whatever they are
                return PartWork(refused=reason_of(error, self._seconds) + "; your file is kept")
            finally:
                self._running.pop(job_id, None)

    @staticmethod
    def _wait(future: Any) -> None:
        try:
            future.exception(timeout=_POLL_SECONDS)
        except (TimeoutError, CancelledError):
            return

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

    def read_sheet(self, data: bytes, dossier: bytes, task: str) -> SheetWork:
        """Read a delivered sheet. Never raises for anything the file does."""
        try:
            seconds = self._at_once_seconds
            work: SheetWork = self._sheets.schedule(
                read_sheet_file, args=(data, dossier, task), timeout=seconds
            ).result()
            return work
        except Exception as error:  # the worker's own exceptions arrive here, whatever they are
            return SheetWork(refused=reason_of(error, self._at_once_seconds))

    def _now(self, work: Callable[..., Result], *args: Any) -> Result:
        try:
            result: Result = self._at_once.schedule(work, args=args, timeout=self._at_once_seconds).result()
            return result
        except PartError:
            raise
        except Exception as error:  # the worker's own exceptions arrive here, whatever they are
            raise PartError(reason_of(error, self._at_once_seconds)) from error

    def warm_up(self) -> None:
        """Have a worker ready before somebody waits for it."""
        self._at_once.schedule(ready)

    def cancel(self, job_id: int) -> None:
        """Stop the work of a job, if it runs."""
        future = self._running.get(job_id)
        if future is not None:
            future.cancel()

    def close(self) -> None:
        """Stop all processes."""
        for pool in (self._uploads, self._at_once, self._sheets):
            pool.stop()
            pool.join()
