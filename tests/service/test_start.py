"""The start command: two at once, a taken port, a killed database, a restart."""

import os
import signal
import socket
import subprocess
import sys
from pathlib import Path

import pytest
from sqlalchemy import select

from maqueta.command.inputs import InputError
from maqueta.service.people.first_account import first_administrator, let_in
from maqueta.service.people.passwords import matches
from maqueta.store.clock import now
from maqueta.store.database import Database
from maqueta.store.mariadb import MariaDB
from maqueta.store.models import Account
from tests.databases import own_database
from tests.demo_world import copied_demo_world
from tests.server_process import free_port, ports_outside, running, start, wait_until


def _accounts(data: Path) -> int:
    server = MariaDB(data / "mariadb")
    server.start()
    try:
        database = Database(server.url)
        with database.transaction() as session:
            number = len(session.scalars(select(Account)).all())
        database.close()
        return number
    finally:
        server.stop()


def test_start_stop_restart_and_what_can_go_wrong(tmp_path_factory: pytest.TempPathFactory, tmp_path: Path) -> None:
    copied_demo_world(tmp_path_factory, tmp_path)
    port = free_port()
    with running(tmp_path, port) as first:
        log_ins = (tmp_path / "demo-log-ins.txt").stat()
        assert log_ins.st_mode & 0o077 == 0
        second = start(tmp_path, free_port())
        _, complaint = second.communicate(timeout=60)
        assert second.returncode == 1
        assert complaint.count("\n") == 1
        assert f"process {first.pid}" in complaint

        other = start(tmp_path / "other", port)
        _, complaint = other.communicate(timeout=60)
        assert (other.returncode, f"Port {port}" in complaint) == (1, True)

        children = Path(f"/proc/{first.pid}/task/{first.pid}/children").read_text().split()
        (database,) = [c for c in children if "mariadbd" in Path(f"/proc/{c}/cmdline").read_text()]
        os.kill(int(database), signal.SIGKILL)
        wait_until(port, 401, first)
    assert _accounts(tmp_path) == 14
    with running(tmp_path, port):
        pass
    assert _accounts(tmp_path) == 14


def test_no_port_of_a_server_is_one_that_connections_are_given() -> None:
    outside = ports_outside(32_768, 60_999)
    assert {11_000, 32_767, 61_000, 65_535} <= set(outside)
    assert not any(port < 11_000 or 32_768 <= port <= 60_999 for port in outside)
    assert len(ports_outside(1024, 65_535)) > 50_000, "where connections are given all, any has to do"
    assert len({free_port() for _ in range(20)}) > 15, "several processes ask at one moment"


def test_who_waits_for_a_server_that_ended_is_told_why(tmp_path: Path) -> None:
    with socket.socket() as taken:
        port = free_port()
        taken.bind(("127.0.0.1", port))
        with pytest.raises(AssertionError, match=f"ended with 1: .*Port {port} .* is taken"), running(tmp_path, port):
            pass


def test_missing_database_server_is_one_clear_line(tmp_path: Path) -> None:
    environment = {**os.environ, "MAQUETA_DATA": str(tmp_path), "MAQUETA_PORT": str(free_port()), "PATH": str(tmp_path)}
    result = subprocess.run(
        [sys.executable, "-m", "maqueta.service"], env=environment, capture_output=True, text=True, timeout=60
    )
    assert result.returncode == 1
    assert result.stderr.strip().endswith("the Debian package mariadb-server is missing")
    assert result.stderr.count("\n") == 1


@pytest.mark.parametrize(
    ("variable", "value", "said"),
    [
        ("MAQUETA_PORT", "many", "MAQUETA_PORT"),
        ("MAQUETA_QUEUE_URL", "http://queue", "MAQUETA_QUEUE_URL"),
    ],
)
@pytest.mark.parametrize("program", ["maqueta.service", "maqueta.service.queue"])
def test_a_setting_that_is_none_is_one_clear_line(
    tmp_path: Path, program: str, variable: str, value: str, said: str
) -> None:
    environment = {**os.environ, "MAQUETA_DATA": str(tmp_path), variable: value}
    result = subprocess.run(
        [sys.executable, "-m", program], env=environment, capture_output=True, text=True, timeout=60
    )
    assert result.returncode == 1
    assert result.stderr.startswith(f"maqueta: {said}: ")
    assert result.stderr.count("\n") == 1


def test_a_files_address_that_is_none_stops_the_start(tmp_path: Path, database: Database) -> None:
    more = {"MAQUETA_FILES_URL": "ftp://files", "MAQUETA_DATABASE_URL": database.url}
    process = start(tmp_path, free_port(), True, **more)
    _, complaint = process.communicate(timeout=60)
    assert process.returncode == 1
    assert "s3://bucket/prefix" in complaint.splitlines()[-1]


def test_an_empty_database_gets_an_administrator_who_can_be_let_in_again(
    database_server: MariaDB, tmp_path: Path
) -> None:
    with own_database(database_server, "bare") as bare:
        bare.migrate()
        first = first_administrator(bare)
        assert first is not None
        assert first_administrator(bare) is None, "there is one now"
        again = let_in(bare, first.login)
        assert again.password != first.password
        with bare.transaction() as session:
            account = session.query(Account).one()
            assert (account.role, account.must_change) == ("admin", True)
            assert matches(account.password_hash, again.password)
            assert not matches(account.password_hash, first.password)
        with pytest.raises(InputError, match="no administrator"):
            let_in(bare, "nobody")


def test_times_are_utc(database: Database) -> None:
    with database.transaction() as session:
        server_time = session.connection().exec_driver_sql("SELECT NOW()").scalar_one()
    assert abs((server_time - now()).total_seconds()) < 5


@pytest.mark.parametrize("table", ["sheet", "finding", "exercise", "enrolment", "log_in"])
def test_foreign_keys_are_kept(database: Database, table: str) -> None:
    with database.transaction() as session:
        keys = session.connection().exec_driver_sql(
            "SELECT COUNT(*) FROM information_schema.referential_constraints WHERE constraint_schema = DATABASE() "
            f"AND table_name = '{table}'"
        )
        assert keys.scalar_one() >= 1


def test_a_server_loads_neither_the_geometry_kernel_nor_what_reads_files() -> None:
    """They take seconds and much memory; what needs them is done by other processes."""
    asked = (
        "import sys, maqueta.service.__main__, maqueta.service.app; "
        "names = {'OCP', 'trimesh', 'scipy', 'networkx', 'ezdxf', 'pdfminer', 'cv2', 'maqueta.reading.delivered'}; "
        "print(sorted(names & sys.modules.keys()))"
    )
    found = subprocess.run([sys.executable, "-c", asked], capture_output=True, text=True, timeout=60, check=True)
    assert found.stdout.strip() == "[]"
