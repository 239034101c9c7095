"""Data of an older schema survives the migrations."""

import json
from typing import Any

from alembic import command
from alembic.config import Config
from sqlalchemy import text

from maqueta.phrases.phrase import phrase
from maqueta.store.database import MIGRATIONS, Database
from maqueta.store.exercises import exercises_for
from maqueta.store.mariadb import MariaDB
from maqueta.store.models import Account, FailedLogIn, JobRecord, PartRecord
from maqueta.task.exercise import Exercise
from tests.databases import own_database

_OLD = (
    "INSERT INTO account (id, login, name, role, password_hash, active, created_at) "
    "VALUES (1, 'i.one', 'I One', 'instructor', '', 1, NOW())",
    "INSERT INTO school_class (id, name, instructor_id) VALUES (1, 'C', 1)",
    # A part that was deleted before: ids of parts and of their first versions differ.
    "INSERT INTO part (id, owner_id, name, file_name, state, error, source, dossier, mesh, created_at) "
    "VALUES (7, 1, 'Clamp', 'clamp.json', 'ready', '', REPEAT('a', 64), REPEAT('b', 64), REPEAT('c', 64), NOW()), "
    "(9, 1, 'Broken', 'broken.step', 'refused', 'no solid', REPEAT('d', 64), NULL, NULL, NOW())",
    "INSERT INTO exercise (id, part_id, class_id, instructor_id, title, task, due_at, created_at) "
    "VALUES (1, 7, 1, 1, 'Draw it', '{}', NOW(), NOW())",
    "INSERT INTO job (owner_id, kind, subject_id, state, progress, message, created_at) "
    "VALUES (1, 'part', 9, 'waiting', 0, '', NOW())",
)


#: Exercises that could be set once and broke when somebody opened them.
_BROKEN: dict[int, dict[str, Any]] = {
    2: {"title": "Thrice", "views": ["front", "top", "front", "front"]},
    3: {"title": "Nines", "scale": "1:" + "9" * 400},
    4: {"title": "Far", "scale": "1:99999999", "views": ["front"]},
    5: {"title": "Sound", "scale": "1:2", "views": ["front", "right"]},
}


def _at_first(database: Database) -> None:
    """Bring an empty database to the first schema, with something in it."""
    config = Config()
    config.set_main_option("script_location", MIGRATIONS)
    config.attributes["engine"] = database.engine
    command.upgrade(config, "0001")
    with database.engine.begin() as connection:
        for statement in _OLD:
            connection.execute(text(statement))


def test_exercises_that_broke_later_can_be_opened_again(database_server: MariaDB) -> None:
    with own_database(database_server, "broken") as broken:
        _at_first(broken)
        with broken.engine.begin() as connection:
            for number, task in _BROKEN.items():
                connection.execute(
                    text(
                        "INSERT INTO exercise (id, part_id, class_id, instructor_id, title, task, due_at, created_at) "
                        "VALUES (:id, 7, 1, 1, :title, :task, NOW(), NOW())"
                    ),
                    {"id": number, "title": task["title"], "task": json.dumps(task)},
                )
            connection.execute(text("INSERT INTO failed_log_in (login, at) VALUES ('i.one', NOW())"))
        broken.migrate()
        with broken.transaction() as session:
            account = session.get(Account, 1)
            assert account is not None
            tasks = {e.id: Exercise.model_validate(e.task) for e in exercises_for(session, account)}
            assert session.query(FailedLogIn).count() == 0, "nobody is kept out by what was counted otherwise"
            assert (account.must_change, account.active) == (False, True)
    assert (tasks[2].views, tasks[3].scale, tasks[4].scale) == (("front", "top"), None, None)
    assert (tasks[5].scale, tasks[5].views) == ("1:2", ("front", "right"))
    assert [task.title for number, task in sorted(tasks.items()) if number > 1] == ["Thrice", "Nines", "Far", "Sound"]


def test_parts_become_their_own_first_versions(database_server: MariaDB) -> None:
    with own_database(database_server, "older") as older:
        _at_first(older)
        older.migrate()
        with older.transaction() as session:
            clamp, broken = session.get(PartRecord, 7), session.get(PartRecord, 9)
            assert clamp is not None
            assert broken is not None
            assert (clamp.current.number, clamp.current.state, clamp.current.dossier) == (1, "ready", "b" * 64)
            assert (broken.current.state, broken.current.error) == ("refused", phrase("as-written", text="no solid"))
            account = session.get(Account, 1)
            assert account is not None
            [exercise] = exercises_for(session, account)
            assert (exercise.version_id, exercise.version.part.name) == (clamp.current.id, "Clamp")
            assert not exercise.varied
            # What waited still waits, and what was ready is examined anew for its picture and its packed mesh.
            waiting = [job.subject_id for job in session.query(JobRecord).order_by(JobRecord.id)]
            assert waiting == [broken.current.id, clamp.current.id]
            assert clamp.current.mesh is None
