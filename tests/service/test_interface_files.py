"""The interface's files: compressed once, kept by browsers for a year; its first page asked for every time."""

import gzip
from pathlib import Path

import pytest
from fastapi.testclient import TestClient

from maqueta.service.app import create_app
from maqueta.service.settings import Settings
from maqueta.store.database import Database

SCRIPT = b"export const looms = 'warp and weft';\n" * 200


@pytest.fixture
def client(tmp_path: Path) -> TestClient:
    built = tmp_path / "dist"
    (built / "assets").mkdir(parents=True)
    (built / "index.html").write_text("<title>Maqueta</title>")
    (built / "assets" / "app-1a2b3c.js").write_bytes(SCRIPT)
    (built / "assets" / "plan-4d5e6f.png").write_bytes(b"\x89PNG" + bytes(3000))
    # No page of the interface asks the database for anything.
    return TestClient(
        create_app(Settings(data=tmp_path, frontend=built), Database("mysql+pymysql://nobody@localhost/x"))
    )


def test_scripts_come_compressed_to_who_can_read_that(client: TestClient) -> None:
    with client.stream("GET", "/assets/app-1a2b3c.js", headers={"accept-encoding": "gzip"}) as answer:
        raw = b"".join(answer.iter_raw())
    assert answer.headers["content-encoding"] == "gzip"
    assert gzip.decompress(raw) == SCRIPT
    plain = client.get("/assets/app-1a2b3c.js", headers={"accept-encoding": "identity"})
    assert (plain.content, "content-encoding" in plain.headers) == (SCRIPT, False)
    for one in (answer, plain):
        assert "immutable" in one.headers["cache-control"]
        assert "accept-encoding" in one.headers["vary"].lower()
        assert one.headers["etag"] == plain.headers["etag"]


def test_what_a_browser_has_is_not_sent_again(client: TestClient) -> None:
    tag = client.get("/assets/app-1a2b3c.js").headers["etag"]
    again = client.get("/assets/app-1a2b3c.js", headers={"if-none-match": tag})
    assert (again.status_code, again.content) == (304, b"")


def test_pictures_and_parts_of_files_come_as_they_are(client: TestClient) -> None:
    assert len(client.get("/assets/plan-4d5e6f.png").content) == 3004
    part = client.get("/assets/app-1a2b3c.js", headers={"range": "bytes=0-5", "accept-encoding": "gzip"})
    assert (part.status_code, part.content) == (206, SCRIPT[:6])


def test_the_first_page_is_asked_for_every_time_and_answers_for_every_address(client: TestClient) -> None:
    for address in ("/", "/exercises/3/bench", "/shelf"):
        page = client.get(address)
        assert "Maqueta" in page.text
        assert page.headers["cache-control"] == "no-cache"
    assert client.get("/assets/../../secret").status_code in (200, 404)
    assert "root:" not in client.get("/..%2f..%2f..%2f..%2fetc/passwd").text
