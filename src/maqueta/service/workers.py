"""The pool of kernel processes."""

import multiprocessing
from concurrent.futures import CancelledError, TimeoutError
from pathlib import Path
from typing import Any

from pebble import ProcessExpired, ProcessPool

from maqueta.service.kernel_work import PartWork, examine_upload, limit_process
from maqueta.service.settings import Settings


class KernelWorkers:
    """Runs kernel work in processes that are replaced when they die or overrun."""

    def __init__(self, settings: Settings) -> None:
        self._seconds = settings.kernel_seconds
        self._pool: Any = ProcessPool(
            max_workers=settings.workers,
            context=multiprocessing.get_context("spawn"),
            initializer=limit_process,
            initargs=(settings.kernel_memory,),
        )
        self._running: dict[int, Any] = {}

    def examine(self, job_id: int, path: Path, called: str) -> PartWork | None:
        """Examine an upload; None when the job was cancelled. Never raises for anything the file does."""
        future = self._pool.schedule(examine_upload, args=(str(path), called), timeout=self._seconds)
        self._running[job_id] = future
        try:
            work: PartWork = future.result()
            return work
        except CancelledError:
            return None
        except TimeoutError:
            return PartWork(refused=f"it took longer than {self._seconds:.0f} seconds and was stopped")
        except ProcessExpired:
            return PartWork(refused="the geometry kernel failed on it; your file is kept")
        except Exception as error:  # the worker's own exceptions arrive here, whatever they are
            return PartWork(refused=f"it could not be examined ({type(error).__name__}); your file is kept")
        finally:
            self._running.pop(job_id, None)

    def cancel(self, job_id: int) -> None:
        """Stop the work of a job, if it runs."""
        future = self._running.get(job_id)
        if future is not None:
            future.cancel()

    def close(self) -> None:
        """Stop all processes."""
        self._pool.stop()
        self._pool.join()
