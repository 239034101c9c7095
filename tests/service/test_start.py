"""The start command: two at once, a taken port, a killed database, a restart."""

import os
import signal
import socket
import subprocess
import sys
import time
import urllib.error
import urllib.request
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

import pytest
from sqlalchemy import select

from maqueta.store.clock import now
from maqueta.store.database import Database
from maqueta.store.jobs import add_job, requeue_interrupted
from maqueta.store.mariadb import MariaDB
from maqueta.store.models import Account, JobRecord


def _free_port() -> int:
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        return int(probe.getsockname()[1])


def _environment(data: Path, port: int) -> dict[str, str]:
    return {**os.environ, "MAQUETA_DATA": str(data), "MAQUETA_PORT": str(port), "MAQUETA_DEMO_PASSWORD": "x" * 12}


def _start(data: Path, port: int) -> subprocess.Popen[str]:
    return subprocess.Popen(
        [sys.executable, "-m", "maqueta.service.run"],
        env=_environment(data, port),
        stdout=subprocess.PIPE,
        stderr=subprocess.PIPE,
        text=True,
    )


def _status(port: int) -> int:
    try:
        with urllib.request.urlopen(f"http://127.0.0.1:{port}/api/me", timeout=5) as answer:
            return int(answer.status)
    except urllib.error.HTTPError as error:
        return error.code
    except OSError:
        return 0


def _until(port: int, status: int) -> None:
    for _ in range(400):
        if _status(port) == status:
            return
        time.sleep(0.1)
    raise AssertionError(f"port {port} never answered {status}")


@contextmanager
def _running(data: Path, port: int) -> Iterator[subprocess.Popen[str]]:
    process = _start(data, port)
    try:
        _until(port, 401)
        yield process
    finally:
        process.send_signal(signal.SIGTERM)
        process.wait(30)


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


def test_start_stop_restart_and_what_can_go_wrong(tmp_path: Path) -> None:
    port = _free_port()
    with _running(tmp_path, port) as first:
        log_ins = (tmp_path / "demo-log-ins.txt").stat()
        assert log_ins.st_mode & 0o077 == 0
        second = _start(tmp_path, _free_port())
        _, complaint = second.communicate(timeout=30)
        assert second.returncode == 1
        assert complaint.count("\n") == 1
        assert f"process {first.pid}" in complaint

        other = _start(tmp_path / "other", port)
        _, complaint = other.communicate(timeout=30)
        assert (other.returncode, f"Port {port}" in complaint) == (1, True)

        children = Path(f"/proc/{first.pid}/task/{first.pid}/children").read_text().split()
        (database,) = [c for c in children if "mariadbd" in Path(f"/proc/{c}/cmdline").read_text()]
        os.kill(int(database), signal.SIGKILL)
        _until(port, 401)
    assert _accounts(tmp_path) == 14
    with _running(tmp_path, port):
        pass
    assert _accounts(tmp_path) == 14


def test_missing_database_server_is_one_clear_line(tmp_path: Path) -> None:
    environment = {**_environment(tmp_path, _free_port()), "PATH": str(tmp_path)}
    result = subprocess.run(
        [sys.executable, "-m", "maqueta.service.run"], env=environment, capture_output=True, text=True, timeout=60
    )
    assert result.returncode == 1
    assert result.stderr.strip().endswith("the Debian package mariadb-server is missing")
    assert result.stderr.count("\n") == 1


def test_interrupted_jobs_wait_again_after_a_restart(database: Database) -> None:
    with database.transaction() as session:
        owner = session.scalars(select(Account)).first()
        assert owner is not None
        # A subject of its own kind, so that the running service leaves it alone while it is "running".
        job = add_job(session, owner, "part", 1)
        job.state, job.progress, number = "running", 0.1, job.id
    with database.transaction() as session:
        requeue_interrupted(session)
        waiting = session.get(JobRecord, number)
        assert waiting is not None
        session.refresh(waiting)
        assert (waiting.state, waiting.progress) == ("waiting", 0.0)
        waiting.state = "cancelled"


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
