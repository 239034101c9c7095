"""Rows of `bench` about what is kept: a shelf of many parts, a wall of many sheets."""

import tempfile
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from itertools import cycle
from pathlib import Path
from typing import Any

from fastapi.testclient import TestClient
from school import enrolled
from sqlalchemy import select
from sqlalchemy.orm import Session

from maqueta.service.app import create_app
from maqueta.service.demo_data import load_demo
from maqueta.service.settings import Settings
from maqueta.service.shelf.answers import part_summary
from maqueta.store.accounts import add_account
from maqueta.store.database import Database
from maqueta.store.exercises import add_exercise
from maqueta.store.files import FileStore
from maqueta.store.mariadb import MariaDB
from maqueta.store.models import Account, ExerciseRecord, SheetRecord
from maqueta.store.sets import add_set
from maqueta.store.sheets import hand_in, save_draft
from maqueta.store.shelf import ShelfQuery, add_part, keep_examined, shelf

_SHEETS = 200
_STACKS, _IN_SET = 60, 7


def store_rows(row: Callable[..., None], milliseconds: Callable[..., list[float]]) -> None:
    """Measure all."""
    with _kept() as (database, _):
        [spent] = milliseconds(_page(database), rounds=5)
    row("a page of a shelf of 1000 parts, searched", f"{spent:.0f} ms", "", None)
    with _kept() as (database, data), _wall(database, data) as look:
        [spent] = milliseconds(look, rounds=5)
    row(f"a wall of {_SHEETS} sheets, answered", f"{spent:.0f} ms", "300 ms", spent <= 300)
    with _kept() as (database, data), _set_wall(database, data) as look:
        [spent] = milliseconds(look, rounds=5)
    row(f"a wall of {_STACKS} sets of {_IN_SET} sheets", f"{spent:.0f} ms", "400 ms", spent <= 400)


@contextmanager
def _kept() -> Iterator[tuple[Database, Path]]:
    with tempfile.TemporaryDirectory() as folder:
        server = MariaDB(Path(folder) / "data")
        server.start()
        database = Database(server.url)
        database.migrate()
        yield database, Path(folder)
        database.close()
        server.stop()


def _page(database: Database) -> Callable[[], object]:
    """Opening a shelf with 1000 parts: one page of it."""
    with database.transaction() as session:
        owner = add_account(session, "bench", "Bench", "instructor", "")
        for number in range(1000):
            part = add_part(session, owner, f"Part {number}", "part.json", "0" * 64)
            keep_examined(part.current, {"state": "ready", "facts": {"material": "oak"}})

    def page() -> int:
        with database.transaction() as session:
            parts, total = shelf(session, owner, ShelfQuery(words="part oak"))
            return total + len([part_summary(part) for part in parts])

    return page


@contextmanager
def _wall(database: Database, data: Path) -> Iterator[Callable[[], object]]:
    """Looking at a wall on which many hang, with the mistakes of the demo's class."""
    settings = _demo(database, data)
    with database.transaction() as session:
        demo = session.scalar(select(SheetRecord.exercise_id).order_by(SheetRecord.exercise_id).limit(1))
        there = session.query(SheetRecord).filter(SheetRecord.exercise_id == demo, SheetRecord.state != "draft").count()
    _, instructor, exercise_id, document = enrolled(database.url, _SHEETS - there)
    with database.transaction() as session:
        exercise = session.get_one(ExerciseRecord, exercise_id)
        _hand_in_all(session, exercise, exercise, document)
    with TestClient(create_app(settings, database), cookies={"maqueta": instructor.cookie}) as client:

        def look() -> int:
            answer = client.get(f"/api/exercises/{exercise_id}/wall")
            assert len(answer.json()["sheets"]) == _SHEETS
            return answer.status_code

        yield look


@contextmanager
def _set_wall(database: Database, data: Path) -> Iterator[Callable[[], object]]:
    """Looking at the wall of a set that a class has handed in whole, with the mistakes of the demo's class."""
    settings = _demo(database, data)
    _, instructor, exercise_id, document = enrolled(database.url, _STACKS)
    with database.transaction() as session:
        like = session.get_one(ExerciseRecord, exercise_id)
        teacher = session.get_one(Account, like.instructor_id)
        exercises = [
            add_exercise(session, teacher, like.version, like.school_class, f"Sheet {n}", like.task, like.due_at)
            for n in range(_IN_SET)
        ]
        for exercise in exercises:
            _hand_in_all(session, exercise, like, document)
        set_id = add_set(session, "Set", exercises).id
    with TestClient(create_app(settings, database), cookies={"maqueta": instructor.cookie}) as client:

        def look() -> int:
            stacks = client.get(f"/api/sets/{set_id}/wall").json()["stacks"]
            assert sum(all(own["sheet"] for own in stack["sheets"]) for stack in stacks) == _STACKS
            return len(stacks)

        yield look


def _demo(database: Database, data: Path) -> Settings:
    settings = Settings(data=data, demo_password="loom-and-shuttle")
    load_demo(database, FileStore(data / "files"), settings)
    return settings


def _hand_in_all(session: Session, exercise: ExerciseRecord, like: ExerciseRecord, document: dict[str, Any]) -> None:
    """Everybody of a crowd hands in, with the mistakes that were made in an exercise."""
    sheets = session.scalars(select(SheetRecord).where(SheetRecord.exercise_id == like.id)).all()
    crowd = session.scalars(select(Account).where(Account.login.like("crowd.%")))
    for account, own in zip(crowd, cycle(sheet for sheet in sheets if sheet.state != "draft"), strict=False):
        findings = [(finding.rule, finding.measured) for finding in own.findings]
        hand_in(session, save_draft(session, account, exercise, document, 0), findings, own.scope)
