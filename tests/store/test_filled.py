"""A filled database of an earlier schema, from the demo class at work, is brought up to date and loses nothing."""

import gzip
import subprocess
from collections.abc import Iterator
from datetime import timedelta
from pathlib import Path

import pytest
from sqlalchemy import make_url, text

from maqueta.judging.scope import Scope
from maqueta.phrases.said import said
from maqueta.service.exercises.answers import task_of
from maqueta.service.marking.answers import SCOPE, finding_answers, findings_of, mark_of
from maqueta.service.people.passwords import matches
from maqueta.sheet.document import SheetDocument
from maqueta.store.backup import restore_backup, write_backup
from maqueta.store.database import Database
from maqueta.store.files import FileStore
from maqueta.store.log_ins import log_ins_of
from maqueta.store.mariadb import MariaDB
from maqueta.store.models import Account, Deed, ExerciseRecord, JobRecord, ModelAnswerRecord, SheetRecord, VersionRecord
from tests.databases import own_database
from tests.demo_world import PASSWORD

_DUMPS = sorted(Path(__file__).parent.glob("filled-*.sql.gz"))


def rows(database: Database) -> dict[str, list[int]]:
    """The numbers of all rows, by table."""
    with database.engine.connect() as connection:
        tables = [row[0] for row in connection.execute(text("SHOW TABLES"))]
        numbered = [t for t in tables if connection.execute(text(f"SHOW COLUMNS FROM `{t}` LIKE 'id'")).first()]
        return {t: sorted(connection.scalars(text(f"SELECT id FROM `{t}`"))) for t in numbered}


@pytest.fixture(params=_DUMPS, ids=lambda dump: dump.name)
def filled(request: pytest.FixtureRequest, database_server: MariaDB) -> Iterator[Database]:
    """A copy of it, as it was."""
    with own_database(database_server, "filled") as own:
        socket = str(make_url(own.url).query["unix_socket"])
        command = ["mariadb", "--no-defaults", f"--socket={socket}", "--user=root", "filled"]
        subprocess.run(command, input=gzip.decompress(request.param.read_bytes()), check=True)
        yield own


def test_nothing_is_lost(filled: Database) -> None:
    before = rows(filled)
    filled.migrate()
    after = rows(filled)
    assert {table: after[table] for table in before} == before
    assert len(before["sheet"]) > 15
    filled.migrate()
    assert rows(filled) == after, "twice is once"


def test_all_that_was_kept_can_be_opened(filled: Database) -> None:
    filled.migrate()
    with filled.transaction() as session:
        for sheet in session.query(SheetRecord):
            SheetDocument.model_validate(sheet.document)
            task = task_of(sheet.exercise)
            findings = findings_of(sheet.findings)
            assert all(said(answer.message) for answer in finding_answers(sheet.findings, findings, task))
            scope = SCOPE.validate_python(sheet.scope) if sheet.scope else Scope({}, {})
            assert mark_of(sheet, findings, task, scope, timedelta()).of > 0
        for answer in session.query(ModelAnswerRecord):
            SheetDocument.model_validate(answer.document)
        assert session.query(ModelAnswerRecord).count() == 1
        for exercise in session.query(ExerciseRecord):
            assert task_of(exercise).view_names
        assert {version.state for version in session.query(VersionRecord)} == {"ready", "refused"}
        assert session.query(JobRecord).count() == session.query(Deed).filter(Deed.what.like("POST /api/parts")).count()


def test_people_come_in_as_before(filled: Database) -> None:
    filled.migrate()
    with filled.transaction() as session:
        people = session.query(Account).all()
        assert all(person.anonymised_at is None and not person.must_change for person in people)
        ines = next(person for person in people if person.login == "ines.corvalho")
        assert matches(ines.password_hash, PASSWORD)
        for log_in in log_ins_of(session, ines):
            assert log_in.browser == ""


def test_it_is_backed_up_and_put_back_as_it_is(filled: Database, database_server: MariaDB, tmp_path: Path) -> None:
    filled.migrate()
    write_backup(filled.url, FileStore(tmp_path / "none"), tmp_path / "filled.tar.gz")
    with own_database(database_server, "filled_again") as again:
        restore_backup(tmp_path / "filled.tar.gz", again.url, FileStore(tmp_path / "files"))
        assert rows(again) == rows(filled)
