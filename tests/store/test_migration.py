"""Data of an older schema survives the migrations."""

import json
from typing import Any

from alembic import command
from alembic.config import Config
from sqlalchemy import make_url, text

from maqueta.checking.exercise import Exercise
from maqueta.store.database import MIGRATIONS, Database
from maqueta.store.exercises import exercises_for
from maqueta.store.mariadb import MariaDB
from maqueta.store.models import Account, FailedLogIn, JobRecord, PartRecord

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


def test_exercises_that_broke_later_can_be_opened_again(database_server: MariaDB) -> None:
    admin = Database(database_server.url)
    with admin.engine.begin() as connection:
        connection.execute(text("CREATE DATABASE broken CHARACTER SET utf8mb4"))
    broken = Database(make_url(database_server.url).set(database="broken").render_as_string(hide_password=False))
    config = Config()
    config.set_main_option("script_location", MIGRATIONS)
    config.attributes["engine"] = broken.engine
    command.upgrade(config, "0001")
    with broken.engine.begin() as connection:
        for statement in _OLD:
            connection.execute(text(statement))
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
    broken.close()
    with admin.engine.begin() as connection:
        connection.execute(text("DROP DATABASE broken"))
    admin.close()


def test_parts_become_their_own_first_versions(database_server: MariaDB) -> None:
    admin = Database(database_server.url)
    with admin.engine.begin() as connection:
        connection.execute(text("CREATE DATABASE older CHARACTER SET utf8mb4"))
    older = Database(make_url(database_server.url).set(database="older").render_as_string(hide_password=False))
    config = Config()
    config.set_main_option("script_location", MIGRATIONS)
    config.attributes["engine"] = older.engine
    command.upgrade(config, "0001")
    with older.engine.begin() as connection:
        for statement in _OLD:
            connection.execute(text(statement))
    older.migrate()
    with older.transaction() as session:
        clamp, broken = session.get(PartRecord, 7), session.get(PartRecord, 9)
        assert clamp is not None
        assert broken is not None
        assert (clamp.current.number, clamp.current.state, clamp.current.dossier) == (1, "ready", "b" * 64)
        assert (broken.current.state, broken.current.error) == ("refused", "no solid")
        account = session.get(Account, 1)
        assert account is not None
        [exercise] = exercises_for(session, account)
        assert (exercise.version_id, exercise.version.part.name, exercise.varied) == (clamp.current.id, "Clamp", False)
        # What waited still waits, and what was ready is examined anew for its picture and its packed mesh.
        waiting = [job.subject_id for job in session.query(JobRecord).order_by(JobRecord.id)]
        assert waiting == [broken.current.id, clamp.current.id]
        assert clamp.current.mesh is None
    older.close()
    with admin.engine.begin() as connection:
        connection.execute(text("DROP DATABASE older"))
    admin.close()
