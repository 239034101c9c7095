"""A bucket that does not answer: people are told so, nothing is half kept, and no file is blamed."""

from collections.abc import Iterator
from pathlib import Path

import pytest
from fastapi.testclient import TestClient

from maqueta.service.app import create_app
from maqueta.service.queue.crews import Crews
from maqueta.service.queue.work_queue import QueueSilentError
from maqueta.service.settings import Settings, files_of
from maqueta.store.database import Database
from maqueta.store.files import StoredFile
from maqueta.store.mariadb import MariaDB
from maqueta.store.models import PartRecord
from tests.service.works import OnFile, contents, piece
from tests.world import Person


@pytest.fixture
def settings_away(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> Settings:
    for name in ("AWS_ACCESS_KEY_ID", "AWS_SECRET_ACCESS_KEY", "AWS_DEFAULT_REGION"):
        monkeypatch.setenv(name, "none")
    # Nothing listens there.
    return Settings(data=tmp_path, files_url="s3://school", files_endpoint="http://127.0.0.1:9")


@pytest.fixture
def person(database_server: MariaDB, database: Database, settings_away: Settings) -> Iterator[Person]:
    with TestClient(create_app(settings_away, Database(database_server.url))) as client:
        yield Person(client, "ines.corvalho")


def test_an_upload_is_refused_for_the_moment_and_leaves_nothing(person: Person, database: Database) -> None:
    with database.transaction() as session:
        before = session.query(PartRecord).count()
    answer = person.send("POST", "/api/parts", files={"file": ("a.step", b"something")})
    assert (answer.status_code, "try again" in answer.json()["message"]) == (503, True)
    assert answer.headers["retry-after"]
    with database.transaction() as session:
        assert session.query(PartRecord).count() == before


def test_what_is_kept_there_is_away_for_the_moment(person: Person) -> None:
    part = person.get("/api/parts")["parts"][0]
    for path in ("picture", "mesh", ""):
        assert person.status("GET", f"/api/models/{part['model']}/{path}".rstrip("/")) == 503
    assert person.get("/api/exercises"), "what needs no files goes on"


def test_work_on_a_file_that_is_away_is_not_the_files_fault(settings_away: Settings) -> None:
    crews = Crews(settings_away)
    with pytest.raises(QueueSilentError):
        crews.run(piece("desk", contents, OnFile(StoredFile(files_of(settings_away), "a" * 64))))
    crews.close()
