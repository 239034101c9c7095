"""Pieces of work for queues and crews, done in processes that do not know the tests."""

import gc
import os
import signal
import sys
import time
from collections.abc import Callable
from dataclasses import dataclass
from pathlib import Path
from typing import TypeVar

from maqueta.phrases.phrase import phrase
from maqueta.service.queue.work_queue import CrewName, Piece
from maqueta.solid.errors import PartError
from maqueta.store.files import StoredFile

Result = TypeVar("Result")


@dataclass(frozen=True)
class OnFile:
    """Something that is worked on with a file."""

    file: StoredFile

    @property
    def files(self) -> tuple[StoredFile, ...]:
        return (self.file,)


def pid() -> int:
    return os.getpid()


def not_loaded(names: list[str]) -> list[str]:
    return [name for name in names if name not in sys.modules]


def left_alone() -> tuple[bool, bool]:
    """Whether garbage is looked for, and whether what was loaded is left out of that."""
    return gc.isenabled(), gc.get_freeze_count() > 100_000


def parent() -> int:
    return os.getppid()


def contents(of: OnFile) -> bytes:
    return of.file.path.read_bytes()


def refuses(why: str) -> None:
    raise PartError(phrase("as-written", text=why))


def dies_once(mark: str) -> str:
    if not Path(mark).exists():
        Path(mark).write_text("been here")
        os.kill(os.getpid(), signal.SIGKILL)
    return "done"


def dies() -> None:
    os.kill(os.getpid(), signal.SIGKILL)


def works_on(mark: str) -> None:
    """Never ends; tells its process in a file."""
    fresh = Path(f"{mark}.new")
    fresh.write_text(str(os.getpid()))
    fresh.rename(mark)
    while True:
        time.sleep(0.02)


def works_on_once(mark: str) -> str:
    """Never ends, the first time."""
    if Path(mark).exists():
        return "done"
    works_on(mark)
    return "never"


def counts(place: str) -> str:
    """How often this was done with one file."""
    file = Path(place)
    number = int(file.read_text()) + 1 if file.exists() else 1
    file.write_text(str(number))
    return str(number)


def gone(process: int) -> bool:
    """Whether a process ends within a few seconds."""
    for _ in range(100):
        try:
            if Path(f"/proc/{process}/stat").read_text().rpartition(")")[2].split()[0] == "Z":
                return True
        except OSError:
            return True
        time.sleep(0.05)
    return False


def piece(crew: CrewName, work: Callable[..., Result], *arguments: object, seconds: float = 30.0) -> Piece[Result]:
    """Some work for a crew."""
    return Piece(crew, work, arguments, seconds)
