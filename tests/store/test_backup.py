"""Backups: written while people work, put back whole into an empty place or not at all."""

import gzip
import io
import json
import tarfile
import threading
from collections.abc import Iterator
from datetime import datetime
from pathlib import Path

import pytest
from sqlalchemy import text

from maqueta.cli import main
from maqueta.service.nightly import Nightly, seconds_until
from maqueta.service.settings import Settings, files_of
from maqueta.store.backup import BackupError, restore_backup, write_backup
from maqueta.store.clock import now
from maqueta.store.database import Database
from maqueta.store.files import FileStore
from maqueta.store.mariadb import MariaDB
from maqueta.store.models import Account, FailedLogIn, VersionRecord
from tests.databases import own_database


@pytest.fixture
def empty(database_server: MariaDB) -> Iterator[str]:
    """The address of a database with nothing in it."""
    with own_database(database_server, "restored") as own:
        yield own.url


def contents(url: str) -> dict[str, list[tuple[object, ...]]]:
    """Every row of every table."""
    database = Database(url)
    with database.engine.connect() as connection:
        tables = [row[0] for row in connection.execute(text("SHOW TABLES"))]
        found = {t: sorted(map(tuple, connection.execute(text(f"SELECT * FROM `{t}`"))), key=repr) for t in tables}
    database.close()
    return found


def test_what_is_put_back_is_what_was_there(database: Database, settings: Settings, empty: str, tmp_path: Path) -> None:
    archive, files = tmp_path / "school.tar.gz", FileStore(tmp_path / "files")
    before = contents(database.url)
    made = write_backup(database.url, files_of(settings), archive)
    back = restore_backup(archive, empty, files)
    assert back == made
    assert contents(empty) == before
    assert len(before["account"]) > 10
    assert archive.stat().st_mode & 0o077 == 0, "nobody else reads it"
    with Database(empty).transaction() as session:
        for version in session.query(VersionRecord):
            assert files.get(version.source)
    with pytest.raises(BackupError, match="already"):
        restore_backup(archive, empty, FileStore(tmp_path / "elsewhere"))


def test_a_backup_made_while_people_work_is_of_one_moment(
    database: Database, settings: Settings, empty: str, tmp_path: Path
) -> None:
    """Two rows are written together, again and again: there are never an odd number of them in a backup."""
    begun, stop = threading.Event(), threading.Event()

    def work() -> None:
        while not stop.is_set():
            with database.transaction() as session:
                for name in ("pair.one", "pair.two"):
                    session.add(FailedLogIn(login=name, at=now(), address="", known=""))
            begun.set()

    writer = threading.Thread(target=work)
    writer.start()
    try:
        assert begun.wait(20)
        write_backup(database.url, files_of(settings), tmp_path / "busy.tar.gz")
    finally:
        stop.set()
        writer.join()
    restore_backup(tmp_path / "busy.tar.gz", empty, FileStore(tmp_path / "files"))
    restored = Database(empty)
    with restored.transaction() as session:
        logins = [record.login for record in session.query(FailedLogIn) if record.login.startswith("pair")]
    restored.close()
    assert logins.count("pair.one") == logins.count("pair.two") > 0
    with database.transaction() as session:
        session.query(FailedLogIn).filter(FailedLogIn.login.like("pair.%")).delete(synchronize_session=False)


@pytest.mark.parametrize("damage", ["cut", "changed", "no archive", "newer"])
def test_a_damaged_backup_changes_nothing(
    database: Database, settings: Settings, empty: str, tmp_path: Path, damage: str
) -> None:
    archive, files = tmp_path / "school.tar.gz", FileStore(tmp_path / "files")
    write_backup(database.url, files_of(settings), archive)
    data = archive.read_bytes()
    if damage == "cut":
        archive.write_bytes(data[: len(data) // 2])
    elif damage == "no archive":
        archive.write_bytes(b"nothing of the kind")
    elif damage == "changed":
        plain = gzip.decompress(data)
        archive.write_bytes(gzip.compress(plain.replace(b"Ines", b"Inas"), 1))
    else:
        target = io.BytesIO()
        with tarfile.open(fileobj=target, mode="w:gz") as packed:
            member = tarfile.TarInfo("manifest.json")
            content = json.dumps({"format": 99}).encode()
            member.size = len(content)
            packed.addfile(member, io.BytesIO(content))
        archive.write_bytes(target.getvalue())
    with pytest.raises(BackupError):
        restore_backup(archive, empty, files)
    assert contents(empty) == {}
    assert list(files.names()) == []


def test_from_the_command_line_into_an_empty_folder(
    monkeypatch: pytest.MonkeyPatch, tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    one, two, archive = tmp_path / "one", tmp_path / "two", str(tmp_path / "school.tar.gz")
    server = MariaDB(one / "mariadb")
    one.mkdir()
    server.start()
    try:
        first = Database(server.url)
        first.migrate()
        with first.transaction() as session:
            session.add(Account(login="a.b", name="Ä B", role="admin", password_hash="", active=True, created_at=now()))
        first.close()
        FileStore(one / "files").put(b"something")
        monkeypatch.setenv("MAQUETA_DATA", str(one))
        assert main(["backup", archive]) == 0
        assert server.alive, "a server that runs is left running"
    finally:
        server.stop()
    monkeypatch.setenv("MAQUETA_DATA", str(two))
    assert main(["restore", archive]) == 0
    assert "1 files" in capsys.readouterr().out
    assert not MariaDB(two / "mariadb").reachable, "a server that was started for it is stopped"
    assert main(["restore", archive]) == 2
    assert "empty place only" in capsys.readouterr().err
    assert main(["restore", str(tmp_path / "nothing")]) == 2


def test_seven_nights_are_kept(database: Database, tmp_path: Path) -> None:
    nightly = Nightly(database, FileStore(tmp_path / "files"), tmp_path, 3)
    for day in range(1, 10):
        nightly.back_up(datetime(2026, 3, day, 3))
    kept = sorted(path.name for path in (tmp_path / "backups").iterdir())
    assert kept == [f"2026-03-0{day}.tar.gz" for day in range(3, 10)]


def test_of_several_servers_one_writes_the_backup(database_server: MariaDB, database: Database, tmp_path: Path) -> None:
    nightly = Nightly(database, FileStore(tmp_path / "files"), tmp_path, 3)
    another = Database(database_server.url)
    with another.alone("nightly") as alone:
        assert alone
        nightly.back_up(datetime(2026, 3, 1, 3))
    assert list((tmp_path / "backups").iterdir()) == []
    nightly.back_up(datetime(2026, 3, 2, 3))
    assert [path.name for path in (tmp_path / "backups").iterdir()] == ["2026-03-02.tar.gz"]
    another.close()


def test_the_next_night_is_waited_for() -> None:
    assert seconds_until(3, datetime(2026, 3, 1, 2, 59)) == 60
    assert seconds_until(3, datetime(2026, 3, 1, 3, 0)) == 24 * 3600
