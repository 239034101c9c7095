"""Backups: database and files in one archive, of one moment while people work, checked by hash before they go back.

The database is read in one transaction first. Files are named by their content, are never changed, and are there before
a row names them: whatever the database of that moment names can be copied afterwards.
"""

import hashlib
import json
import os
import shutil
import subprocess
import tarfile
import tempfile
from dataclasses import asdict, dataclass
from datetime import UTC, datetime
from pathlib import Path
from typing import Any, Final

from sqlalchemy import create_engine, inspect, make_url

from maqueta.store.files import FileStore

_FORMAT: Final = 1
_DUMP, _MANIFEST = "database.sql", "manifest.json"


class BackupError(Exception):
    """A backup cannot be written or put back; the message is one clear line."""


@dataclass(frozen=True, slots=True)
class Manifest:
    """What an archive holds: when it was made, the hash of the database in it, and the names of the files."""

    made_at: str
    database: str
    files: tuple[str, ...]
    format: int = _FORMAT


def write_backup(url: str, files: FileStore, target: Path) -> Manifest:
    """Write an archive; it appears whole or not at all. Raises BackupError."""
    if not target.resolve().parent.is_dir():
        raise BackupError(f"{target}: the folder does not exist")
    with tempfile.TemporaryDirectory(dir=target.resolve().parent, prefix="backup-") as folder:
        dump, archive = Path(folder) / _DUMP, Path(folder) / "archive"
        made_at = datetime.now(UTC).isoformat(timespec="seconds")
        with dump.open("wb") as output:
            options = ["--single-transaction", "--skip-lock-tables", "--hex-blob", "--no-tablespaces", "--quick"]
            _client("mariadb-dump", url, options, stdout=output)
        manifest = Manifest(made_at, _hash(dump), tuple(files.names()))
        (Path(folder) / _MANIFEST).write_text(json.dumps(asdict(manifest)), encoding="utf-8")
        with tarfile.open(archive, "w:gz", compresslevel=3) as packed:
            packed.add(Path(folder) / _MANIFEST, _MANIFEST)
            packed.add(dump, _DUMP)
            for name in manifest.files:
                packed.add(files.path(name), f"files/{name}")
        archive.chmod(0o600)
        archive.replace(target)
    return manifest


def restore_backup(source: Path, url: str, files: FileStore) -> Manifest:
    """Put an archive back into an empty place. Nothing is changed unless all of it is there and sound.

    Raises BackupError.
    """
    _must_be_empty(url, files)
    files.folder.parent.mkdir(parents=True, exist_ok=True)
    with tempfile.TemporaryDirectory(dir=files.folder.resolve().parent, prefix="restore-") as folder:
        manifest = _unpacked(source, Path(folder))
        with (Path(folder) / _DUMP).open("rb") as dump:
            _client("mariadb", url, [], stdin=dump)
        for name in manifest.files:
            files.put((Path(folder) / name).read_bytes())
    return manifest


def keep_newest(folder: Path, most: int) -> None:
    """Delete all archives of a folder but the newest, by their names."""
    for old in sorted(folder.glob("*.tar.gz"))[:-most]:
        old.unlink(missing_ok=True)


def _must_be_empty(url: str, files: FileStore) -> None:
    engine = create_engine(url)
    try:
        if inspect(engine).get_table_names():
            raise BackupError("there is data in the database already; a backup is put back into an empty place only")
    finally:
        engine.dispose()
    if next(files.names(), None) is not None:
        raise BackupError("there are files already; a backup is put back into an empty place only")


def _unpacked(source: Path, folder: Path) -> Manifest:
    """An archive unpacked and checked: the database as `database.sql`, files under their names."""
    try:
        with tarfile.open(source, "r:gz") as packed:
            manifest = _manifest(packed)
            _extract(packed, _DUMP, folder / _DUMP)
            if _hash(folder / _DUMP) != manifest.database:
                raise BackupError(f"{source}: the database in it is damaged")
            for name in manifest.files:
                _extract(packed, f"files/{name}", folder / name)
                if _hash(folder / name) != name:
                    raise BackupError(f"{source}: the file {name} in it is damaged")
    except (OSError, EOFError, tarfile.TarError, KeyError, ValueError, TypeError) as error:
        raise BackupError(f"{source}: it is not a whole backup ({error})") from error
    return manifest


def _manifest(packed: tarfile.TarFile) -> Manifest:
    member = packed.extractfile(_MANIFEST)
    known: dict[str, Any] = json.loads(member.read()) if member is not None else {}
    if known.get("format") != _FORMAT:
        raise BackupError(f"this is a backup of format {known.get('format')}; only format {_FORMAT} is known here")
    names = tuple(str(name) for name in known["files"])
    if not all(len(name) == 64 and set(name) <= set("0123456789abcdef") for name in names):
        raise BackupError("the list of files in the backup is damaged")
    return Manifest(str(known["made_at"]), str(known["database"]), names)


def _extract(packed: tarfile.TarFile, name: str, into: Path) -> None:
    member = packed.extractfile(name)
    if member is None:
        raise KeyError(name)
    with into.open("wb") as output:
        shutil.copyfileobj(member, output)


def _hash(path: Path) -> str:
    with path.open("rb") as file:
        return hashlib.file_digest(file, "sha256").hexdigest()


def _client(program: str, url: str, options: list[str], **streams: Any) -> None:
    """Run one of the database's own programs on a database. The password travels in the environment."""
    address = make_url(url)
    socket = address.query.get("unix_socket")
    where = [f"--socket={socket}"] if socket else [f"--host={address.host}", f"--port={address.port or 3306}"]
    command = [program, "--no-defaults", f"--user={address.username}", *where, *options, str(address.database)]
    environment = {**os.environ, "MYSQL_PWD": str(address.password)} if address.password else dict(os.environ)
    try:
        subprocess.run(command, env=environment, stderr=subprocess.PIPE, check=True, **streams)
    except FileNotFoundError as error:
        raise BackupError(f"{program} is not installed: the Debian package mariadb-client is missing") from error
    except subprocess.CalledProcessError as error:
        lines = error.stderr.decode(errors="replace").strip().splitlines()
        raise BackupError(f"{program} failed: {lines[-1] if lines else 'no reason given'}") from error
