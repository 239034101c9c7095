"""Hand-ins while everything is killed in the middle, without and with workers by Celery; a soak of some minutes.

Prints a table; with --write it replaces the one in docs/running.md.
"""

import argparse
import asyncio
import os
import random
import signal
import subprocess
import sys
import tempfile
import time
from collections.abc import Iterator
from contextlib import ExitStack, contextmanager
from pathlib import Path

sys.path.insert(0, str(Path(__file__).resolve().parent.parent))

from school import HEADING, Harm, Outcome, School, children, drafts, enrolled, handed_in, judged, show
from tests.queue_processes import redis_server, start_worker, wait_until_there
from tests.server_process import free_port, start, wait_until

from maqueta.store.mariadb import MariaDB

MARK = "<!-- faults -->"
_PEOPLE = 300
_PAGE_BYTES = os.sysconf("SC_PAGE_SIZE")


class House:
    """A server that is started again after it was killed, and what it stands on."""

    def __init__(self, data: Path, **more: str) -> None:
        self.data, self.port, self._more = data, free_port(), more
        self.server = start(data, self.port, True, **more)
        wait_until(self.port, 401, self.server)

    def kill_server(self) -> None:
        """Kill it, and start it as whoever runs it would."""
        self.server.send_signal(signal.SIGKILL)
        self.server.wait(10)
        self.server = start(self.data, self.port, True, **self._more)
        wait_until(self.port, 401, self.server)

    def stop(self) -> None:
        """Stop it as one should."""
        self.server.send_signal(signal.SIGTERM)
        self.server.wait(60)


def kill_children(pid: int, words: str, which: slice) -> None:
    """Kill some descendants of a process."""
    for child in children(pid, words)[which]:
        os.kill(child, signal.SIGKILL)


@contextmanager
def alone(folder: Path) -> Iterator[tuple[House, str, list[Harm]]]:
    """A server with its own database and processes; what is done to it."""
    house = House(folder)
    harm: list[Harm] = [
        lambda: kill_children(house.server.pid, "forkserver", slice(1, 2)),
        lambda: kill_children(house.server.pid, "forkserver", slice(0, 1)),
        lambda: kill_children(house.server.pid, "mariadbd", slice(0, 1)),
        house.kill_server,
    ]
    try:
        yield house, MariaDB(folder / "mariadb").url, harm
    finally:
        house.stop()


@contextmanager
def with_workers(folder: Path) -> Iterator[tuple[House, str, list[Harm]]]:
    """A server, a database, Redis and two workers, each a process of its own; what is done to them."""
    with ExitStack() as stack:
        queue = stack.enter_context(redis_server(folder))
        database = MariaDB(folder / "mariadb")
        database.start()
        stack.callback(database.stop)
        shared = {"MAQUETA_DATABASE_URL": database.url, "MAQUETA_FILES_URL": str(folder / "files")}
        house = House(folder / "server", MAQUETA_QUEUE_URL=queue, **shared)
        stack.callback(house.stop)
        workers: list[subprocess.Popen[bytes]] = []

        def another_worker() -> None:
            made = start_worker(folder / f"worker-{len(workers)}", database.url, queue, **shared)
            workers.append(made)
            wait_until_there(made, queue)

        def stop_workers() -> None:
            for made in workers:
                if made.poll() is None:
                    made.terminate()
                made.wait(60)

        stack.callback(stop_workers)
        another_worker()
        another_worker()

        def kill_worker() -> None:
            workers[0].send_signal(signal.SIGKILL)
            workers[0].wait(10)
            another_worker()

        def kill_database() -> None:
            kill_children(os.getpid(), "mariadbd", slice(0, 1))
            time.sleep(1)
            database.start()

        yield (
            house,
            database.url,
            [
                lambda: kill_children(workers[1].pid, "forkserver", slice(1, 2)),
                lambda: kill_children(workers[1].pid, "forkserver", slice(0, 1)),
                kill_worker,
                kill_database,
                house.kill_server,
            ],
        )


async def hand_ins(house: House, url: str, harm: list[Harm], seconds: float, what: str) -> list[str]:
    """Two rows: what people got, and what is in the database afterwards."""
    people, _, exercise, sheet = enrolled(url, _PEOPLE)
    seen = await handed_in(School(house.port), people, exercise, sheet, seconds, harm)
    there, checked = judged(url, exercise)
    wanted = f"{_PEOPLE}, {_PEOPLE}"
    return [
        seen.line(f"{_PEOPLE} hand-ins in {seconds:.0f} s {what}", "none lost"),
        f"| of these in the database, and checked | {there}, {checked} | | | {wanted} |",
    ]


def memory(pid: int) -> float:
    """What a process and all it has started hold for themselves (MB): what they share is counted once for each."""
    pages = 0
    for member in [pid, *children(pid, "python")]:
        try:
            size, shared = (int(n) for n in Path(f"/proc/{member}/statm").read_text().split()[1:3])
        except OSError:
            continue
        pages += size - shared
    return pages * _PAGE_BYTES / 1e6


async def soak(house: House, url: str, minutes: float) -> str:
    """A row: drafts, inks and walls for some minutes, and what the memory does meanwhile."""
    people, instructor, exercise, sheet = enrolled(url, 40)
    school, seen, sizes = School(house.port), Outcome(), list[float]()

    async def look_at_ink(until: float) -> None:
        while time.monotonic() < until:
            who = random.choice(people)
            await school.ask(who, "POST", f"/api/exercises/{exercise}/ink", seen, {"document": sheet})
            await asyncio.sleep(0.2)

    # The first minute fills what is kept in memory on purpose.
    for _ in range(max(2, round(minutes))):
        drawing = drafts(school, people, instructor, exercise, sheet, 60)
        outcomes, _ = await asyncio.gather(drawing, look_at_ink(time.monotonic() + 60))
        for outcome in outcomes:
            seen.statuses += outcome.statuses
            seen.times += outcome.times
        sizes.append(memory(house.server.pid))
    told = f"{sizes[0]:.0f} MB after a minute, {sizes[-1]:.0f} MB at the end"
    return seen.line(f"{len(sizes)} minutes of drafts, drawings and walls: {told}", "memory flat")


async def _rows(seconds: float, minutes: float) -> list[str]:
    rows = list(HEADING)
    with tempfile.TemporaryDirectory() as folder, alone(Path(folder)) as (house, url, harm):
        if minutes:
            rows.append(await soak(house, url, minutes))
    with tempfile.TemporaryDirectory() as folder, alone(Path(folder)) as (house, url, harm):
        killed = "(killed: a process, the fork server, the database, the server)"
        rows += await hand_ins(house, url, harm, seconds, killed)
    with tempfile.TemporaryDirectory() as folder, with_workers(Path(folder)) as (house, url, harm):
        killed = "by Celery (killed: a process, a fork server, a worker, the database, the server)"
        rows += await hand_ins(house, url, harm, seconds, killed)
    return rows


def main() -> None:
    """Run everything and print the table."""
    parser = argparse.ArgumentParser()
    parser.add_argument("--write", action="store_true", help="keep the table in docs/running.md")
    parser.add_argument("--seconds", type=float, default=60.0, help="how long hand-ins go on")
    parser.add_argument("--soak", type=float, default=10.0, help="minutes of the soak; 0 for none")
    options = parser.parse_args()
    show(MARK, asyncio.run(_rows(options.seconds, options.soak)), options.write)


if __name__ == "__main__":
    main()
