"""Work on files from elsewhere in a process of its own, with limits on time and memory.

The geometry kernel is native code and the files are hostile: whatever happens to that process, this one goes on.
"""

import ctypes
import multiprocessing
import os
import resource
import signal
from collections.abc import Callable
from concurrent.futures import BrokenExecutor, TimeoutError
from multiprocessing import forkserver
from types import TracebackType
from typing import Any, Final, TypeVar

from pebble import ProcessExpired, ProcessPool

from maqueta.phrases.phrase import Phrase, phrase
from maqueta.phrases.told import ToldError

#: How long a part that is brought in may take (seconds), work somebody waits for, and how much memory (bytes) either.
KERNEL_SECONDS: Final = 240.0
WAITED_SECONDS: Final = 20.0
KERNEL_MEMORY: Final = 4 * 1024**3
#: PR_SET_PDEATHSIG of Linux (prctl.h).
_PARENT_DEATH_SIGNAL: Final = 1
Result = TypeVar("Result")


class ConfinedError(ToldError):
    """Work that came to no result, and why."""


def limit_process(memory: int) -> None:
    """Limit the address space of this process (bytes); no core files; it ends with the process that made it."""
    # By the kernel itself: whoever waits for work on a pipe never learns that the other end was killed.
    ctypes.CDLL(None).prctl(_PARENT_DEATH_SIGNAL, signal.SIGKILL)
    _let_go_of_fork_server()
    resource.setrlimit(resource.RLIMIT_AS, (memory, memory))
    resource.setrlimit(resource.RLIMIT_CORE, (0, 0))


def _let_go_of_fork_server() -> None:
    """Let the fork server end when the process that uses it is killed, though this one is at work.

    CPython hands every child an end of the pipe that keeps its fork server alive (multiprocessing/forkserver.py,
    `connect_to_new_process`): work without end would keep both for ever.
    """
    server: Any = getattr(forkserver, "_forkserver")  # noqa: B009
    kept: int | None = server._forkserver_alive_fd
    if kept is not None:
        server._forkserver_alive_fd = None
        os.close(kept)


def reason_of(error: BaseException, seconds: float) -> Phrase:
    """Why work in another process came to no result, for people."""
    if isinstance(error, TimeoutError):
        return phrase("took-too-long", seconds=round(seconds))
    # The pool only knows that its process is gone where that was before it said what it was at.
    if isinstance(error, ProcessExpired | BrokenExecutor):
        return phrase("kernel-failed")
    if isinstance(error, MemoryError):
        return phrase("needs-more-memory")
    return phrase("could-not-be-examined", error=type(error).__name__)


class Confinement:
    """One process beside this one, replaced when it dies; forked from one that has loaded little.

    Exceptions of the kinds in `told` are for people already and come through as they are.
    """

    def __init__(self, *told: type[Exception], memory: int = KERNEL_MEMORY) -> None:
        self._told = told
        self._pool: Any = ProcessPool(
            max_workers=1,
            context=multiprocessing.get_context("fork"),
            initializer=limit_process,
            initargs=(memory,),
        )

    def __enter__(self) -> "Confinement":
        return self

    def __exit__(self, kind: type[BaseException] | None, error: BaseException | None, at: TracebackType | None) -> None:
        self._pool.stop()
        self._pool.join()

    def begin(self, work: Callable[..., Result], *arguments: Any, seconds: float) -> Callable[[], Result]:
        """Begin some work; what comes back waits for its result, and raises ConfinedError where there is none."""
        begun = self._pool.schedule(work, args=arguments, timeout=seconds)

        def result() -> Result:
            try:
                done: Result = begun.result()
                return done
            except self._told:
                raise
            except Exception as error:  # the other process's own exceptions arrive here, whatever they are
                raise ConfinedError(reason_of(error, seconds)) from error

        return result
