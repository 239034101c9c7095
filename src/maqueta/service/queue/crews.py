"""The crews of one machine: each kind of work has processes of its own that the others cannot keep busy."""

import threading
from typing import Final, TypeVar

from maqueta.service.queue.crew import Crew
from maqueta.service.queue.work_queue import CrewName, CrewState, Piece, QueueSilentError, Wanted, always
from maqueta.service.settings import Settings
from maqueta.service.shelf.kernel_work import ready
from maqueta.store.errors import FilesAway

Result = TypeVar("Result")
#: Somebody waits for these.
_AT_ONCE: Final[tuple[CrewName, ...]] = ("previews", "desk", "readers")


class Crews:
    """Processes for uploads, previews, sheets' files and sheets."""

    def __init__(self, settings: Settings) -> None:
        numbers: dict[CrewName, int] = {
            "uploads": settings.workers,
            "previews": 1,
            "readers": settings.sheet_readers,
            "desk": settings.desks,
        }
        self._crews = {name: Crew(name, number, settings.kernel_memory) for name, number in numbers.items()}

    def run(self, piece: Piece[Result], wanted: Wanted = always) -> Result:
        """The result of some work; the files it needs are brought here before. Raises as `Hands.run` does."""
        for argument in piece.arguments:
            for file in getattr(argument, "files", ()):
                # Who works on them has no way of its own to where files are kept.
                try:
                    _ = file.path
                except FilesAway as error:
                    raise QueueSilentError(str(error)) from error
        crew = self._crews[piece.crew]
        return crew.run(piece.work, *piece.arguments, seconds=piece.seconds, wanted=wanted)

    def crews(self) -> list[CrewState]:
        """How the crews are."""
        return [crew.state for crew in self._crews.values()]

    @property
    def size(self) -> int:
        """Pieces of work that can be done at one time."""
        return sum(crew.workers for crew in self._crews.values())

    def warm_up(self) -> None:
        """Have processes ready before somebody waits for them; whoever comes first need not wait for all of them."""
        threading.Thread(target=self._warm_up, name="warm-up", daemon=True).start()

    def _warm_up(self) -> None:
        for name in _AT_ONCE:
            for _ in range(self._crews[name].workers):
                self._crews[name].warm_up(ready)

    def close(self) -> None:
        """Stop all processes."""
        for crew in self._crews.values():
            crew.close()
