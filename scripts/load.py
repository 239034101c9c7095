"""A school at work: crowds at one instant, drafts every few seconds, hand-ins with processes killed in the middle.

Prints a table; with --write it replaces the one in docs/running.md.
"""

import argparse
import asyncio
import datetime
import os
import random
import signal
import sys
import tempfile
import time
from collections import Counter
from dataclasses import dataclass, field
from pathlib import Path
from typing import Any

import httpx

ROOT = Path(__file__).resolve().parent.parent
sys.path.insert(0, str(ROOT))

from tests.server_process import free_port, running  # noqa: E402

from maqueta.store.accounts import add_account, open_log_in  # noqa: E402
from maqueta.store.database import Database  # noqa: E402
from maqueta.store.mariadb import MariaDB  # noqa: E402
from maqueta.store.models import Account, Enrolment, ExerciseRecord, SheetRecord  # noqa: E402

MARK = "<!-- load -->"


@dataclass
class Person:
    """Somebody logged in, by cookie and token."""

    cookie: str
    token: str


@dataclass
class Outcome:
    """Answers by status, and how long each took (seconds)."""

    statuses: Counter[str] = field(default_factory=Counter)
    times: list[float] = field(default_factory=list)

    def line(self, what: str, limit: str) -> str:
        """A row of the table."""
        times = sorted(self.times) or [0.0]
        told = ", ".join(f"{status}: {number}" for status, number in sorted(self.statuses.items()))
        late = times[min(len(times) - 1, int(0.95 * len(times)))]
        return f"| {what} | {told} | {1000 * late:.0f} ms | {times[-1]:.1f} s | {limit} |"


def enrolled(url: str, number: int) -> tuple[list[Person], Person, int, dict[str, Any]]:
    """Students of the demo's class, its instructor, one exercise of the class and a sheet that can be handed in."""
    database = Database(url)
    with database.transaction() as session:
        exercise = session.query(ExerciseRecord).order_by(ExerciseRecord.id).first()
        assert exercise is not None
        sheet = session.query(SheetRecord).filter(SheetRecord.exercise_id == exercise.id).first()
        assert sheet is not None
        instructor = session.get(Account, exercise.instructor_id)
        assert instructor is not None
        people = []
        for place in range(number):
            account = add_account(session, f"crowd.{place:03}", f"Crowd {place:03}", "student", "")
            session.add(Enrolment(class_id=exercise.class_id, student_id=account.id))
            session.flush()
            token, record = open_log_in(session, account)
            people.append(Person(token, record.request_token))
        token, record = open_log_in(session, instructor)
        found = (people, Person(token, record.request_token), exercise.id, dict(sheet.document))
    database.close()
    return found


class School:
    """Sends requests of many people to one server and notes what comes back."""

    def __init__(self, port: int) -> None:
        limits = httpx.Limits(max_connections=500, max_keepalive_connections=500)
        self._client = httpx.AsyncClient(base_url=f"http://127.0.0.1:{port}", timeout=90, limits=limits)

    async def ask(self, who: Person, method: str, path: str, into: Outcome, body: Any = None) -> Any:
        """One request; None where nothing, or no success, came back."""
        headers = {"x-maqueta-token": who.token, "cookie": f"maqueta={who.cookie}"}
        began = time.monotonic()
        try:
            answer = await self._client.request(method, path, json=body, headers=headers)
        except httpx.HTTPError as error:
            into.statuses[type(error).__name__] += 1
            return None
        into.times.append(time.monotonic() - began)
        into.statuses[str(answer.status_code)] += 1
        return answer.json() if answer.status_code == 200 else None

    async def insist(self, who: Person, method: str, path: str, into: Outcome, body: Any, seconds: float) -> Any:
        """One request, sent again after a moment while the server is away or full."""
        until = time.monotonic() + seconds
        while time.monotonic() < until:
            quiet = Outcome()
            found = await self.ask(who, method, path, quiet, body)
            if found is not None:
                into.statuses["200"] += 1
                into.times += quiet.times
                return found
            into.statuses["asked again"] += 1
            await asyncio.sleep(1.0)
        into.statuses["lost"] += 1
        return None


async def crowd(school: School, people: list[Person], path: str) -> Outcome:
    """Everybody opens something in the same instant."""
    seen = Outcome()
    await asyncio.gather(*(school.ask(who, "GET", path, seen) for who in people))
    return seen


async def drafts(
    school: School, people: list[Person], instructor: Person, exercise: int, sheet: dict[str, Any], seconds: float
) -> tuple[Outcome, Outcome]:
    """Everybody keeps a draft every five seconds, while five walls are looked at."""
    kept, looked = Outcome(), Outcome()
    until = time.monotonic() + seconds

    async def draw(who: Person) -> None:
        base = 0
        await asyncio.sleep(random.uniform(0, 5))
        while time.monotonic() < until:
            body = {"document": sheet, "base": base}
            found = await school.ask(who, "PUT", f"/api/exercises/{exercise}/sheet", kept, body)
            base = found["revision"] if found else base
            await asyncio.sleep(5)

    async def look() -> None:
        while time.monotonic() < until:
            await school.ask(instructor, "GET", f"/api/exercises/{exercise}/wall", looked)
            await asyncio.sleep(2)

    await asyncio.gather(*(draw(who) for who in people), *(look() for _ in range(5)))
    return kept, looked


async def handed_in(
    school: School, people: list[Person], exercise: int, sheet: dict[str, Any], seconds: float, harm: list[Any]
) -> Outcome:
    """Everybody hands in within some time; meanwhile something is done to the server, evenly spread."""
    seen = Outcome()

    async def finish(who: Person) -> None:
        await asyncio.sleep(random.uniform(0, seconds))
        path = f"/api/exercises/{exercise}/sheet"
        draft = await school.insist(who, "GET", path, Outcome(), None, 120)
        body = {"document": sheet, "base": draft["revision"] if draft else 0}
        await school.insist(who, "POST", f"{path}/hand-in", seen, body, 120)

    async def hurt() -> None:
        for act in harm:
            await asyncio.sleep(seconds / (len(harm) + 1))
            act()

    await asyncio.gather(*(finish(who) for who in people), hurt())
    return seen


def children(pid: int, words: str) -> list[int]:
    """Descendants of a process whose command line holds some words."""
    found = []
    for entry in Path("/proc").iterdir():
        if entry.name.isdigit():
            try:
                parent = int((entry / "stat").read_text().rpartition(")")[2].split()[1])
                line = (entry / "cmdline").read_bytes().decode(errors="replace")
            except OSError:
                continue
            if parent == pid:
                found += ([int(entry.name)] if words in line else []) + children(int(entry.name), words)
    return found


def judged(url: str, exercise: int) -> tuple[int, int]:
    """How many sheets of the crowd are handed in, and how many of these were checked."""
    database = Database(url)
    with database.transaction() as session:
        query = session.query(SheetRecord).join(Account).filter(Account.login.like("crowd.%"))
        sheets = query.filter(SheetRecord.exercise_id == exercise, SheetRecord.state == "handed-in").all()
        checked = sum(sheet.scope is not None for sheet in sheets)
    database.close()
    return len(sheets), checked


def main() -> None:
    """Run everything and print the table."""
    parser = argparse.ArgumentParser()
    parser.add_argument("--write", action="store_true", help="keep the table in docs/running.md")
    parser.add_argument("--seconds", type=float, default=60.0, help="how long drafts and hand-ins go on")
    options = parser.parse_args()
    rows = asyncio.run(_table(options.seconds))
    heading = ["| what | answers | 95 % within | slowest | wanted |", "|---|---|---|---|---|"]
    table = "\n".join([f"{datetime.date.today()}, {os.cpu_count()} cores.", "", *heading, *rows])
    print(table)
    if options.write:
        page = ROOT / "docs" / "running.md"
        before, _, rest = page.read_text(encoding="utf-8").partition(MARK)
        _, _, after = rest.partition(MARK)
        page.write_text(f"{before}{MARK}\n{table}\n{MARK}{after}", encoding="utf-8")


async def _table(seconds: float) -> list[str]:
    with tempfile.TemporaryDirectory() as folder:
        data, port = Path(folder), free_port()
        with running(data, port) as server:
            url = MariaDB(data / "mariadb").url
            people, instructor, exercise, sheet = enrolled(url, 300)
            school = School(port)
            await crowd(school, people[:4], f"/api/exercises/{exercise}/sheet")
            rows = []
            for number in (60, 200):
                seen = await crowd(school, people[:number], f"/api/exercises/{exercise}/sheet")
                rows.append(seen.line(f"{number} people open their sheets in one instant", "no error, 5 s"))
            kept, looked = await drafts(school, people[:200], instructor, exercise, sheet, seconds)
            rows.append(kept.line(f"200 students keep drafts for {seconds:.0f} s", "no error, 250 ms"))
            rows.append(looked.line("5 walls looked at meanwhile", "no error"))

            def kill_worker() -> None:
                for pid in children(server.pid, "forkserver")[1:2]:
                    os.kill(pid, signal.SIGKILL)

            def kill_forkserver() -> None:
                for pid in children(server.pid, "forkserver")[:1]:
                    os.kill(pid, signal.SIGKILL)

            def kill_database() -> None:
                for pid in children(server.pid, "mariadbd"):
                    os.kill(pid, signal.SIGKILL)

            harm = [kill_worker, kill_forkserver, kill_database]
            seen = await handed_in(school, people, exercise, sheet, seconds, harm)
            what = f"300 hand-ins in {seconds:.0f} s; a worker, the fork server and the database are killed"
            rows.append(seen.line(what, "none lost"))
            there, checked = judged(url, exercise)
            rows.append(f"| of these in the database, and checked | {there}, {checked} | | | 300, 300 |")
    return rows


if __name__ == "__main__":
    main()
