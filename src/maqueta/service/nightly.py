"""Every night a backup, of which the newest few are kept; what was thrown away long ago is gone for good then."""

import logging
import threading
from datetime import datetime, timedelta
from pathlib import Path
from typing import Final

from sqlalchemy.exc import SQLAlchemyError

from maqueta.store.backup import BackupError, keep_newest, write_backup
from maqueta.store.database import Database
from maqueta.store.files import FileStore
from maqueta.store.sheet_forms import forget_dropped

_LOG = logging.getLogger("maqueta.nightly")
#: Nights that can be gone back to.
_KEPT: Final = 7


def seconds_until(hour: int, now: datetime) -> float:
    """How long it is to the next time the clock shows an hour."""
    then = now.replace(hour=hour, minute=0, second=0, microsecond=0)
    return ((then if then > now else then + timedelta(days=1)) - now).total_seconds()


class Nightly:
    """Writes a backup at an hour of the night, in a thread of its own."""

    def __init__(self, database: Database, files: FileStore, data: Path, hour: int) -> None:
        self._database, self._files, self._data, self._hour = database, files, data, hour
        self._closing = threading.Event()
        self._thread = threading.Thread(target=self._run, name="nightly", daemon=True)

    def start(self) -> None:
        """Wait for the night."""
        self._thread.start()

    def close(self) -> None:
        """Do not wait any longer."""
        self._closing.set()

    def _run(self) -> None:
        while not self._closing.wait(seconds_until(self._hour, datetime.now())):
            self.back_up(datetime.now())
            self.tidy()

    def tidy(self) -> None:
        """Take away for good what nobody has brought back in time."""
        try:
            with self._database.transaction() as session:
                forget_dropped(session)
        except SQLAlchemyError as error:
            _LOG.error("what was thrown away is still there: %s", error)

    def back_up(self, now: datetime) -> None:
        """Write the backup of this night, unless another server on this database does.

        What goes wrong is told and tried again the next night.
        """
        folder = self._data / "backups"
        folder.mkdir(mode=0o700, exist_ok=True)
        try:
            with self._database.alone("nightly", seconds=0) as alone:
                if not alone:
                    return
                write_backup(self._database.url, self._files, folder / f"{now:%Y-%m-%d}.tar.gz")
        except (BackupError, OSError, SQLAlchemyError) as error:
            _LOG.error("tonight's backup could not be written: %s", error)
            return
        keep_newest(folder, _KEPT)
