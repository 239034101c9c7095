"""A crew of processes: whoever dies is replaced, and so is the crew itself; work stops when nobody waits for it."""

import logging
import multiprocessing
import threading
from collections.abc import Callable
from concurrent.futures import BrokenExecutor, CancelledError
from contextlib import suppress
from typing import Any, Final, TypeVar

from pebble import CONSTS, ProcessExpired, ProcessPool

from maqueta.confined import limit_process
from maqueta.service.queue.work_queue import AbandonedError, BrokenCrewError, CrewFullError, CrewState

_LOG = logging.getLogger("maqueta.crew")
#: How often is looked whether somebody still waits (seconds).
_LOOK_SECONDS: Final = 0.2
_STOP_SECONDS: Final = 2.0
#: How often two threads of each crew look at their processes (seconds): for one that died, or takes too long. What is
#: done is told at once all the same. Ten times a second, as it comes, is one per cent of a core for a server at rest.
CONSTS.sleep_unit = 0.3
#: Pieces of work that may wait for one crew.
MOST_WAITING: Final = 100
#: What all processes have loaded before they are made, in this order: also what else would be loaded by the first work
#: that asks for it, in each process anew. A name that is none would be passed over in silence.
LOADED: Final = [
    "maqueta.service.queue.loading",
    "maqueta.drawing.dxf",
    "maqueta.reading.correct",
    "maqueta.reading.dxf.file",
    "maqueta.reading.laid",
    "maqueta.reading.parts.sheet",
    "maqueta.reading.pdf.file",
    "maqueta.reading.svg.file",
    "maqueta.service.bench.work",
    "maqueta.service.deliveries.at_reader",
    "maqueta.service.deliveries.work",
    "maqueta.service.exercises.work",
    "maqueta.service.marking.work",
    "maqueta.service.queue.spoken",
    "maqueta.service.sets.at_reader",
    "maqueta.service.sets.work",
    "maqueta.service.sheet_forms.at_reader",
    "maqueta.service.shelf.at_kernel",
    "maqueta.service.shelf.model_work",
    "networkx",
    "scipy.ndimage",
    "scipy.optimize",
    "maqueta.service.queue.loaded",
]
Result = TypeVar("Result")


class Crew:
    """Processes of one kind that do work one piece at a time each, with limits on time and memory.

    They are forked from a small process that has loaded the kernel already and runs no threads.
    """

    def __init__(self, name: str, workers: int, memory: int, most_waiting: int = MOST_WAITING) -> None:
        self.name, self.workers = name, workers
        self._most_waiting = most_waiting
        self._memory = memory
        self._lock = threading.Lock()
        self._pool: Any = None
        #: The pool once its processes are there: until then it does not even answer how it is.
        self._under_way: Any = None
        self._closed = False
        self.waiting = 0

    def run(
        self,
        work: Callable[..., Result],
        *arguments: Any,
        seconds: float,
        wanted: Callable[[], bool] = lambda: True,
    ) -> Result:
        """The result of some work, done once more by another process where the first one died over it.

        Raises what the work raises, TimeoutError when it takes longer than `seconds`, ProcessExpired when it killed two
        processes, AbandonedError as soon as it is no longer `wanted`, CrewFullError when very many wait already.
        """
        with self._lock:
            if self.waiting >= self._most_waiting:
                raise CrewFullError
            self.waiting += 1
        try:
            try:
                return self._once(work, arguments, seconds, wanted)
            except (ProcessExpired, BrokenCrewError):
                if not self._closed:
                    _LOG.warning("a process of the crew %r died at work; another one does it", self.name)
                return self._once(work, arguments, seconds, wanted)
        except Exception as error:
            # Whatever breaks while the crew is closed, breaks because it is.
            if self._closed:
                raise AbandonedError from error
            raise
        finally:
            with self._lock:
                self.waiting -= 1

    def _once(
        self, work: Callable[..., Result], arguments: tuple[Any, ...], seconds: float, wanted: Callable[[], bool]
    ) -> Result:
        pool, future = self._begun(work, arguments, seconds)
        while True:
            try:
                result: Result = future.result(_LOOK_SECONDS)
                return result
            except TimeoutError:
                if future.done():
                    raise
            except CancelledError as error:
                raise AbandonedError from error
            except BrokenExecutor as error:
                self._discard(pool)
                raise BrokenCrewError from error
            except OSError as error:
                # The pool's own pipes, where it broke; else it is the work's.
                if pool.active:
                    raise
                self._discard(pool)
                raise BrokenCrewError from error
            if not pool.active and not future.done():
                self._discard(pool)
                raise BrokenCrewError
            if not wanted():
                future.cancel()
                raise AbandonedError

    def _begun(self, work: Callable[..., Any], arguments: tuple[Any, ...], seconds: float) -> tuple[Any, Any]:
        with self._lock:
            if self._closed:
                raise AbandonedError
            for _ in range(2):
                if self._pool is None:
                    self._pool = self._made()
                # A pool breaks, for good, when it cannot make a process: a new one can.
                with suppress(RuntimeError, OSError):
                    future = self._pool.schedule(work, args=arguments, timeout=seconds)
                    self._under_way = self._pool
                    return self._pool, future
                _LOG.warning("the crew %r is broken and is replaced", self.name)
                self._end()
        raise BrokenCrewError

    def _made(self) -> Any:
        context = multiprocessing.get_context("forkserver")
        context.set_forkserver_preload(LOADED)
        return ProcessPool(
            max_workers=self.workers, context=context, initializer=limit_process, initargs=(self._memory,)
        )

    @property
    def state(self) -> CrewState:
        """How it is just now, told without waiting: processes may just be made, which takes seconds."""
        pool = self._under_way
        return CrewState(self.name, self.waiting, not self._closed and (pool is None or bool(pool.active)))

    def warm_up(self, work: Callable[[], object]) -> None:
        """Have a process ready before somebody waits for it."""
        with suppress(AbandonedError, BrokenCrewError):
            self._begun(work, (), 60.0)

    def _discard(self, pool: Any) -> None:
        """Do without a pool that is broken, unless another one has taken its place already."""
        with self._lock:
            if self._pool is pool:
                self._end()

    def _end(self) -> None:
        pool, self._pool, self._under_way = self._pool, None, None
        if pool is not None:
            with suppress(Exception):
                pool.stop()
                pool.join(_STOP_SECONDS)

    def close(self) -> None:
        """Stop all processes."""
        with self._lock:
            self._closed = True
            self._end()
