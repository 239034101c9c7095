"""Crews of processes: whoever dies is replaced, whatever was begun is done, and what nobody wants stops."""

import os
import signal
import threading
import time
from collections.abc import Iterator
from pathlib import Path

import pytest
from pebble import ProcessExpired

from maqueta.service.admission import FullHouseError
from maqueta.service.crew import AbandonedError, Crew

_MEMORY = 4 * 1024**3


def _pid() -> int:
    return os.getpid()


def _parent() -> int:
    return os.getppid()


def _dies_once(mark: str) -> str:
    if not Path(mark).exists():
        Path(mark).write_text("been here")
        os.kill(os.getpid(), signal.SIGKILL)
    return "done"


def _dies() -> None:
    os.kill(os.getpid(), signal.SIGKILL)


def _works_on(mark: str) -> None:
    fresh = Path(f"{mark}.new")
    fresh.write_text(str(os.getpid()))
    fresh.rename(mark)
    while True:
        time.sleep(0.02)


@pytest.fixture
def crew() -> Iterator[Crew]:
    own = Crew("tests", 1, _MEMORY, most_waiting=3)
    yield own
    own.close()


def gone(pid: int) -> bool:
    for _ in range(100):
        try:
            if Path(f"/proc/{pid}/stat").read_text().rpartition(")")[2].split()[0] == "Z":
                return True
        except OSError:
            return True
        time.sleep(0.05)
    return False


def test_work_over_which_a_process_was_killed_is_done_by_another(crew: Crew, tmp_path: Path) -> None:
    assert crew.run(_dies_once, str(tmp_path / "mark"), seconds=60) == "done"


def test_work_that_kills_every_process_is_told_and_the_next_is_done(crew: Crew) -> None:
    with pytest.raises(ProcessExpired):
        crew.run(_dies, seconds=60)
    assert crew.run(_pid, seconds=60) != os.getpid()
    assert (crew.sound, crew.waiting) == (True, 0)


def test_a_killed_fork_server_is_replaced(crew: Crew) -> None:
    first, server = crew.run(_pid, seconds=60), crew.run(_parent, seconds=60)
    os.kill(server, signal.SIGKILL)
    assert gone(first), "its processes end with it"
    second = crew.run(_parent, seconds=60)
    assert second != server
    assert crew.sound


def test_work_nobody_waits_for_is_stopped_and_its_process_ended(crew: Crew, tmp_path: Path) -> None:
    mark = tmp_path / "mark"
    with pytest.raises(AbandonedError):
        crew.run(_works_on, str(mark), seconds=60, wanted=lambda: not mark.exists())
    assert gone(int(mark.read_text()))
    assert crew.run(_pid, seconds=60)


def test_work_that_takes_too_long_is_stopped(crew: Crew, tmp_path: Path) -> None:
    mark = tmp_path / "mark"
    with pytest.raises(TimeoutError):
        crew.run(_works_on, str(mark), seconds=1)
    assert gone(int(mark.read_text()))


def test_a_closed_crew_lets_go_of_whoever_waits(crew: Crew, tmp_path: Path) -> None:
    mark, ended = tmp_path / "mark", []

    def wait() -> None:
        try:
            crew.run(_works_on, str(mark), seconds=60)
        except AbandonedError:
            ended.append("let go")

    waiting = threading.Thread(target=wait)
    waiting.start()
    while not mark.exists():
        time.sleep(0.02)
    crew.close()
    waiting.join(10)
    assert ended == ["let go"]
    with pytest.raises(AbandonedError):
        crew.run(_pid, seconds=60)


def test_very_many_pieces_of_work_are_refused_at_once(crew: Crew, tmp_path: Path) -> None:
    stop = threading.Event()

    def work(mark: Path) -> None:
        with pytest.raises(AbandonedError):
            crew.run(_works_on, str(mark), seconds=60, wanted=lambda: not stop.is_set())

    threads = [threading.Thread(target=work, args=(tmp_path / str(k),)) for k in range(3)]
    for thread in threads:
        thread.start()
    while crew.waiting < 3:
        time.sleep(0.01)
    with pytest.raises(FullHouseError):
        crew.run(_pid, seconds=60)
    stop.set()
    for thread in threads:
        thread.join(10)
    assert crew.waiting == 0
