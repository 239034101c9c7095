"""Crews of processes: a crew that breaks is replaced, one that is closed lets go, one that is full says so."""

import os
import signal
import threading
import time
from collections.abc import Iterator
from pathlib import Path

import pytest

from maqueta.service.queue.crew import LOADED, Crew
from maqueta.service.queue.work_queue import AbandonedError, BrokenCrewError, CrewFullError
from tests.service.works import gone, left_alone, not_loaded, parent, pid, works_on

_MEMORY = 4 * 1024**3


@pytest.fixture
def crew() -> Iterator[Crew]:
    own = Crew("tests", 1, _MEMORY, most_waiting=3)
    yield own
    own.close()


def test_its_processes_have_loaded_what_they_need_before_they_are_made(crew: Crew) -> None:
    """Loading the kernel takes seconds; a name that is none is passed over in silence."""
    assert crew.run(not_loaded, [*LOADED, "OCP.BRep"], seconds=60) == []


def test_its_processes_look_for_garbage_and_not_among_what_was_loaded(crew: Crew) -> None:
    assert crew.run(left_alone, seconds=60) == (True, True)


class PoolInTheMaking:
    """As pebble's: it holds its lock while its first processes start, and takes it to say whether it is active."""

    def __init__(self, begun: threading.Event, done: threading.Event) -> None:
        self._lock, self._begun, self._done = threading.Lock(), begun, done

    def schedule(self, *_: object, **__: object) -> None:
        with self._lock:
            self._begun.set()
            self._done.wait(10)
            raise RuntimeError

    @property
    def active(self) -> bool:
        with self._lock:
            return True

    def stop(self) -> None: ...
    def join(self, _: float) -> None: ...


@pytest.mark.parametrize("stage", ["pool", "processes"])
def test_how_it_is_is_told_while_its_processes_are_made(monkeypatch: pytest.MonkeyPatch, stage: str) -> None:
    """A worker that told nothing for so long was taken for a dead one, and its work was done twice."""
    slow = Crew("slow", 1, memory=4 << 30)
    making, made = threading.Event(), threading.Event()

    def at_length() -> object:
        if stage == "processes":
            return PoolInTheMaking(making, made)
        making.set()
        made.wait(10)
        raise BrokenCrewError

    monkeypatch.setattr(slow, "_made", at_length)
    at_work = threading.Thread(target=lambda: slow.warm_up(pid), daemon=True)
    told: list[bool] = []
    telling = threading.Thread(target=lambda: told.append(slow.state.sound), daemon=True)
    at_work.start()
    assert making.wait(5)
    telling.start()
    telling.join(2)
    told_meanwhile = list(told)
    made.set()
    at_work.join(5)
    slow.close()
    assert told_meanwhile == [True]


def test_a_killed_fork_server_is_replaced(crew: Crew) -> None:
    first, server = crew.run(pid, seconds=60), crew.run(parent, seconds=60)
    os.kill(server, signal.SIGKILL)
    assert gone(first), "its processes end with it"
    second = crew.run(parent, seconds=60)
    assert second != server
    assert crew.state.sound


def test_a_closed_crew_lets_go_of_whoever_waits(crew: Crew, tmp_path: Path) -> None:
    mark, ended = tmp_path / "mark", []

    def wait() -> None:
        try:
            crew.run(works_on, str(mark), seconds=60)
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
        crew.run(pid, seconds=60)


def test_very_many_pieces_of_work_are_refused_at_once(crew: Crew, tmp_path: Path) -> None:
    stop = threading.Event()

    def work(mark: Path) -> None:
        with pytest.raises(AbandonedError):
            crew.run(works_on, str(mark), seconds=60, wanted=lambda: not stop.is_set())

    threads = [threading.Thread(target=work, args=(tmp_path / str(k),)) for k in range(3)]
    for thread in threads:
        thread.start()
    while crew.waiting < 3:
        time.sleep(0.01)
    with pytest.raises(CrewFullError):
        crew.run(pid, seconds=60)
    stop.set()
    for thread in threads:
        thread.join(10)
    assert crew.waiting == 0
