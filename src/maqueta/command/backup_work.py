"""Backing up and putting back what a service keeps, by the same settings that the service is started with."""

import os
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Final

from maqueta.command.inputs import InputError
from maqueta.store.backup import BackupError, restore_backup, write_backup
from maqueta.store.files import FileStore, file_store
from maqueta.store.mariadb import DatabaseServerError, MariaDB

_DATA: Final = "MAQUETA_DATA"
_URL: Final = "MAQUETA_DATABASE_URL"
_FILES: Final = "MAQUETA_FILES_URL"
_ENDPOINT: Final = "MAQUETA_FILES_ENDPOINT"


def back_up(target: Path) -> str:
    """Write a backup; returns what was kept, in words. Raises InputError."""
    data = Path(os.environ.get(_DATA, "var"))
    if not data.is_dir():
        raise InputError(f"{data}: there is no data to back up; {_DATA} names its folder")
    with database_of(data) as url:
        manifest = write_backup(url, _files(data), target)
    return f"{target}: database and {len(manifest.files)} files, {manifest.made_at}"


def restore(source: Path) -> str:
    """Put a backup back into an empty place; returns what was put back, in words. Raises InputError."""
    data = Path(os.environ.get(_DATA, "var"))
    data.mkdir(parents=True, exist_ok=True)
    with database_of(data) as url:
        manifest = restore_backup(source, url, _files(data))
    return f"{data.resolve()}: database and {len(manifest.files)} files of {manifest.made_at} are back"


def _files(data: Path) -> FileStore:
    try:
        return file_store(os.environ.get(_FILES), os.environ.get(_ENDPOINT), data)
    except ValueError as error:
        raise InputError(f"{_FILES}: {error}") from error


@contextmanager
def database_of(data: Path) -> Iterator[str]:
    """The address of the service's database; its own server is started for the while if it does not run."""
    own: MariaDB | None = None
    try:
        url = os.environ.get(_URL)
        if url is None:
            server = MariaDB(data / "mariadb")
            url = server.url
            if not server.reachable:
                own = server
                own.start()
        yield url
    except (BackupError, DatabaseServerError) as error:
        raise InputError(str(error)) from error
    finally:
        if own is not None:
            own.stop()
