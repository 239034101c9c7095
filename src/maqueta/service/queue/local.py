"""The queue of a single machine: work is done by crews beside the server, jobs are taken from the database."""

import tempfile
from dataclasses import dataclass
from pathlib import Path

from maqueta.confined import reason_of
from maqueta.phrases.phrase import phrase
from maqueta.service.bench.collecting import Collector
from maqueta.service.exercises.beforehand import OwnParts
from maqueta.service.marking.rechecking import Rechecker
from maqueta.service.marking.slip_writing import SlipWriter
from maqueta.service.queue.crews import Crews
from maqueta.service.queue.examining import JobTaker
from maqueta.service.queue.work_queue import AbandonedError, NotDoneError, Piece, Progress, Wanted
from maqueta.service.settings import Settings
from maqueta.service.shelf.kernel_work import Note, PartSource, PartWork, examine, noted
from maqueta.store.database import Database
from maqueta.store.files import FileStore


@dataclass(frozen=True)
class _Beside:
    """What is done beside the server, by the hands that check sheets again."""

    rechecker: Rechecker
    parts: OwnParts

    def collect(self) -> int:
        """Hand in what is on the sheets of exercises that have closed; how many."""
        return Collector(self.rechecker).collect()

    def slips(
        self, exercise_id: int, owner_id: int, progress: Progress, wanted: Wanted, of_set: bool = False
    ) -> str | None:
        """The name of a file with all slips of an exercise, or of its set; None where there are none. Raises
        AbandonedError.
        """
        return SlipWriter(self.rechecker).written(exercise_id, owner_id, progress, wanted, of_set)

    def lacking(self, exercise_id: int) -> list[int]:
        """The students of an exercise whose parts in sizes of their own are yet to be made."""
        return self.parts.lacking(exercise_id)

    def make(self, exercise_id: int, student_id: int, wanted: Wanted) -> None:
        """Make the parts of one of them. Raises NotDoneError where it is to be tried later."""
        self.parts.make(exercise_id, student_id, wanted)


class LocalQueue(Crews):
    """Crews of this machine, and a thread that takes jobs up for them."""

    def __init__(self, settings: Settings, database: Database, files: FileStore) -> None:
        super().__init__(settings)
        self._seconds = settings.kernel_seconds
        rechecker = Rechecker(database, files, self)
        beside = _Beside(rechecker, OwnParts(settings, database, files, self))
        self._taker = JobTaker(database, files, self.examine, rechecker, beside)

    def examine(self, source: PartSource, progress: Progress, wanted: Wanted) -> PartWork | None:
        """Examine an upload; None when it was not wanted any more. Never raises for anything the file does.

        `progress` is told how far the work is, and what it is doing. Raises NotDoneError for what is not the file's.
        """
        with tempfile.TemporaryDirectory() as folder:
            notes = Path(folder) / "progress"
            last: Note | None = None

            def looked() -> bool:
                nonlocal last
                note = noted(notes)
                if note is not None and note != last:
                    progress(*note)
                    last = note
                return wanted()

            try:
                return self.run(Piece("uploads", examine, (source, str(notes)), self._seconds), looked)
            except AbandonedError:
                return None
            except NotDoneError:
                raise
            except Exception as error:  # the worker's own exceptions arrive here, whatever they are
                return PartWork(refused=phrase("file-is-kept", reason=reason_of(error, self._seconds)))

    def wake(self) -> None:
        """Look for waiting jobs now."""
        self._taker.wake()

    @property
    def alive(self) -> bool:
        """Whether jobs are taken up."""
        return self._taker.alive

    def start(self) -> None:
        """Take up jobs, also what a killed server left behind, and have processes ready."""
        self._taker.start()
        self.warm_up()

    def close(self) -> None:
        """Stop; what runs is given back."""
        self._taker.close()
        super().close()
