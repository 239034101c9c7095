"""A school at work: many people whose requests a server answers, for `load` and `faults`."""

import asyncio
import datetime
import os
import random
import time
from collections import Counter
from collections.abc import Callable
from dataclasses import dataclass, field
from pathlib import Path
from typing import Any

import httpx

from maqueta.store.accounts import add_account
from maqueta.store.database import Database
from maqueta.store.log_ins import open_log_in
from maqueta.store.models import Account, Enrolment, ExerciseRecord, SheetRecord

ROOT = Path(__file__).resolve().parent.parent
#: Something that is done to a service while people work.
Harm = Callable[[], None]
HEADING = ["| what | answers | 95 % within | slowest | wanted |", "|---|---|---|---|---|"]


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
            token, record = open_log_in(session, account, "a crowd")
            people.append(Person(token, record.request_token))
        token, record = open_log_in(session, instructor, "a crowd")
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
) -> tuple[Outcome, ...]:
    """Everybody keeps a draft every five seconds; five walls are followed, and something is marked every five seconds.

    Returns what became of the drafts, of looking at walls, of asking for their news, of marking.
    """
    kept, looked, asked, decided = Outcome(), Outcome(), Outcome(), Outcome()
    until = time.monotonic() + seconds

    async def draw(who: Person) -> None:
        await asyncio.sleep(random.uniform(0, 5))
        path = f"/api/exercises/{exercise}/sheet"
        before = await school.ask(who, "GET", path, Outcome())
        base = before["revision"] if before else 0
        while time.monotonic() < until:
            body = {"document": sheet, "base": base}
            found = await school.ask(who, "PUT", path, kept, body)
            base = found["revision"] if found else base
            await asyncio.sleep(5)

    async def mark() -> None:
        """An instructor at a wall: asks for its news, and looks at it again when there are any."""
        path, known = f"/api/exercises/{exercise}", None
        while time.monotonic() < until:
            news = await school.ask(instructor, "GET", f"{path}/news", asked)
            if news is not None and news["number"] != known:
                known = news["number"]
                await school.ask(instructor, "GET", f"{path}/wall", looked)
            await asyncio.sleep(1.5)

    async def decide() -> None:
        """What one of them does is news to all."""
        wall = await school.ask(instructor, "GET", f"/api/exercises/{exercise}/wall", Outcome())
        sheets = [sheet["id"] for sheet in wall["sheets"] if sheet["state"] == "handed-in"]
        while time.monotonic() < until:
            body = {"remark": f"Looked at {time.monotonic():.0f}"}
            await school.ask(instructor, "PUT", f"/api/sheets/{random.choice(sheets)}/remark", decided, body)
            await asyncio.sleep(5)

    walls = (mark() for _ in range(5))
    await asyncio.gather(*(draw(who) for who in people), *walls, decide())
    return kept, looked, asked, decided


async def handed_in(
    school: School,
    people: list[Person],
    exercise: int,
    sheet: dict[str, Any],
    seconds: float,
    harm: list[Callable[[], None]],
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
            # Starting something again takes a while, and the others go on meanwhile.
            await asyncio.to_thread(act)

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


def show(mark: str, rows: list[str], write: bool) -> None:
    """Print a table; keep it in docs/running.md between two marks."""
    table = "\n".join([f"{datetime.date.today()}, {os.cpu_count()} cores.", "", *rows])
    print(table)
    if write:
        page = ROOT / "docs" / "running.md"
        before, _, rest = page.read_text(encoding="utf-8").partition(mark)
        _, _, after = rest.partition(mark)
        page.write_text(f"{before}{mark}\n{table}\n{mark}{after}", encoding="utf-8")


def judged(url: str, exercise: int) -> tuple[int, int]:
    """How many sheets of the crowd are handed in, and how many of these were checked."""
    database = Database(url)
    with database.transaction() as session:
        query = session.query(SheetRecord).join(Account).filter(Account.login.like("crowd.%"))
        sheets = query.filter(SheetRecord.exercise_id == exercise, SheetRecord.state == "handed-in").all()
        checked = sum(sheet.scope is not None for sheet in sheets)
    database.close()
    return len(sheets), checked
