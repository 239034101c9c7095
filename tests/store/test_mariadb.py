"""The own database server: taken over, ended or replaced, whatever state an earlier run has left it in."""

import os
import signal
import time
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path

import pytest
from sqlalchemy import text

from maqueta.store import mariadb
from maqueta.store.database import Database
from maqueta.store.mariadb import MariaDB


def kept(server: MariaDB) -> list[int]:
    database = Database(server.url)
    with database.engine.begin() as connection:
        connection.execute(text("CREATE TABLE IF NOT EXISTS t (n INT)"))
        connection.execute(text("INSERT INTO t SELECT COUNT(*) + 1 FROM t"))
        found = [row[0] for row in connection.execute(text("SELECT n FROM t ORDER BY n"))]
    database.close()
    return found


def gone(pid: int) -> bool:
    try:
        return Path(f"/proc/{pid}/stat").read_text().rpartition(")")[2].split()[0] == "Z"
    except OSError:
        return True


@pytest.fixture
def data(tmp_path: Path) -> Path:
    return tmp_path / "mariadb"


def test_a_server_left_behind_is_taken_over_with_its_data_and_ended_with_who_took_it(data: Path) -> None:
    left = MariaDB(data)
    left.start()
    pid = left.pid
    assert pid is not None
    assert kept(left) == [1]
    # The run that started it is gone without a word; this is the next one.
    taken = MariaDB(data)
    taken.start()
    assert taken.pid == pid
    assert taken.alive
    assert kept(taken) == [1, 2]
    taken.stop()
    assert gone(pid)
    assert not taken.alive
    third = MariaDB(data)
    third.start()
    try:
        assert third.pid != pid
        assert kept(third) == [1, 2, 3]
    finally:
        third.stop()


def test_a_server_that_answers_nobody_is_ended_and_replaced(data: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(mariadb, "_LEFT_PATIENCE", 1.0)
    monkeypatch.setattr(mariadb, "_GENTLE", 0.5)
    left = MariaDB(data)
    left.start()
    pid = left.pid
    assert pid is not None
    assert kept(left) == [1]
    os.kill(pid, signal.SIGSTOP)
    after = MariaDB(data)
    after.start()
    try:
        assert after.pid != pid
        assert gone(pid)
        assert kept(after) == [1, 2], "what was kept is there"
    finally:
        after.stop()


def test_a_socket_without_a_server_is_in_nobodys_way(data: Path) -> None:
    first = MariaDB(data)
    first.start()
    pid = first.pid
    assert pid is not None
    os.kill(pid, signal.SIGKILL)
    for _ in range(500):
        if not first.alive:
            break
        time.sleep(0.02)
    assert not first.alive
    assert not first.reachable
    first.start()
    try:
        assert first.reachable
        assert kept(first) == [1]
    finally:
        first.stop()
    assert not first.reachable


def test_servers_of_other_folders_are_left_alone(tmp_path: Path) -> None:
    one, two = MariaDB(tmp_path / "one"), MariaDB(tmp_path / "two")
    one.start()
    try:
        two.start()
        assert two.pid != one.pid
        two.stop()
        assert one.reachable
    finally:
        one.stop()


def test_several_are_set_up_at_one_moment(tmp_path: Path) -> None:
    """The installers must not meet in one folder for temporary tables: some of them failed there."""
    servers = [MariaDB(tmp_path / str(number) / "data") for number in range(4)]
    with ThreadPoolExecutor(len(servers)) as at_once:
        try:
            list(at_once.map(MariaDB.start, servers))
            assert [server.reachable for server in servers] == [True] * len(servers)
        finally:
            list(at_once.map(MariaDB.stop, servers))
