"""Uploads are hostile: the server survives them, says so, and keeps the file."""

import json
import os
import time
from pathlib import Path
from typing import Any

import pytest

from maqueta.demo.workshop import demo_recipe
from maqueta.phrases.phrase import phrase
from maqueta.phrases.said import said
from maqueta.service.queue.crews import Crews
from maqueta.service.queue.local import LocalQueue
from maqueta.service.settings import Settings
from maqueta.service.shelf import kernel_work
from maqueta.service.shelf.kernel_work import PartSource
from maqueta.solid.step import write_step
from maqueta.store.clock import now
from maqueta.store.database import Database
from maqueta.store.files import FileStore, StoredFile
from maqueta.store.models import JobRecord, VersionRecord
from tests.parts import demo_solid
from tests.world import Person


def upload(person: Person, name: str, data: bytes) -> Any:
    return person.send("POST", "/api/parts", files={"file": (name, data)})


def finished(person: Person, job: int) -> dict[str, Any]:
    for _ in range(300):
        state: dict[str, Any] = person.get(f"/api/jobs/{job}")
        if state["state"] in ("done", "failed", "cancelled"):
            return state
        time.sleep(0.1)
    raise AssertionError("the job never ended")


def test_recipe_and_step_become_parts_on_the_shelf(instructor: Person, tmp_path: Path) -> None:
    recipe = demo_recipe("shuttle-rest").model_copy(update={"name": "Spare rest"}).model_dump_json().encode()
    write_step(demo_solid("shuttle-rest")[0], "mm", tmp_path / "from-file.step")
    for name, data in (("spare.json", recipe), ("from-file.step", (tmp_path / "from-file.step").read_bytes())):
        answer = upload(instructor, name, data)
        assert answer.status_code == 202
        assert finished(instructor, answer.json()["job"])["state"] == "done"
    shelf = {part["name"]: part for part in instructor.get("/api/parts?limit=200")["parts"]}
    assert shelf["Spare rest"]["state"] == shelf["from-file"]["state"] == "ready"
    assert shelf["from-file"]["extents"] == [80, 40, 45]


@pytest.mark.parametrize(
    ("name", "data", "reason"),
    [
        ("broken.json", b"{", "not JSON"),
        ("empty.json", b'{"name": "x", "features": []}', "features"),
        (
            "faulty.json",
            json.dumps(
                {
                    "name": "x",
                    "features": [
                        {"kind": "block", "name": "b", "size": [9, 9, 9]},
                        {"kind": "hole", "name": "stray", "at": [99, 99, 9], "into": "-z", "diameter": 2},
                    ],
                }
            ).encode(),
            "stray",
        ),
        ("photo.step", b"\x89PNG" + bytes(2000), "not a STEP file"),
        ("cut.stp", b"ISO-10303-21;\nHEADER;\nENDSEC;\nDATA;\n#1=CART", "STEP file"),
    ],
)
def test_unusable_file_is_refused_with_the_reason(instructor: Person, name: str, data: bytes, reason: str) -> None:
    answer = upload(instructor, name, data)
    end = finished(instructor, answer.json()["job"])
    assert end["state"] == "failed"
    assert reason in end["message"]
    part = next(p for p in instructor.get("/api/parts?limit=200")["parts"] if p["id"] == answer.json()["id"])
    assert (part["state"], reason in part["error"]) == ("refused", True)
    assert instructor.status("GET", f"/api/models/{part['model']}") == 409


def test_too_large_wrong_kind_and_empty_are_turned_away(instructor: Person) -> None:
    assert upload(instructor, "huge.step", bytes(3 * 1024 * 1024)).status_code == 413
    assert upload(instructor, "part.exe", b"MZ").status_code == 415
    assert upload(instructor, "part.step", b"").status_code == 422
    assert instructor.status("GET", "/api/parts") == 200


def test_progress_arrives_as_events(instructor: Person) -> None:
    job = upload(instructor, "spare.json", demo_recipe("shuttle-rest").model_dump_json().encode()).json()["job"]
    with instructor.client.stream("GET", f"/api/jobs/{job}/events") as stream:
        events = [json.loads(line[6:]) for line in stream.iter_lines() if line.startswith("data: ")]
    assert events[-1]["state"] == "done"
    assert [e["progress"] for e in events] == sorted(e["progress"] for e in events)


def test_jobs_are_private(instructor: Person, log_in: Any) -> None:
    job = upload(instructor, "spare.json", demo_recipe("shuttle-rest").model_dump_json().encode()).json()["job"]
    assert log_in("dina.farouk").status("GET", f"/api/jobs/{job}") == 404


def test_a_refused_part_is_tried_again_and_a_ready_one_is_not(
    instructor: Person, database: Database, uploads: Path
) -> None:
    """As after a processor that failed, or a kernel that was killed: nothing is wrong with the file."""
    made = upload(instructor, "again.json", demo_recipe("shuttle-rest").model_dump_json().encode()).json()
    finished(instructor, made["job"])
    assert instructor.status("POST", f"/api/parts/{made['id']}/examination") == 409
    with database.transaction() as session:
        version = session.get(VersionRecord, made["model"])
        assert version is not None
        version.state, version.error, version.dossier = "refused", phrase("kernel-failed"), None
    again = instructor.send("POST", f"/api/parts/{made['id']}/examination")
    assert (again.status_code, again.json()["state"]) == (202, "waiting")
    assert finished(instructor, again.json()["job"])["state"] == "done"
    assert instructor.status("GET", f"/api/models/{made['model']}") == 200


def test_cancelling_says_what_is_so(instructor: Person, database: Database) -> None:
    made = upload(instructor, "stop.json", demo_recipe("shuttle-rest").model_dump_json().encode()).json()
    finished(instructor, made["job"])
    late = instructor.send("DELETE", f"/api/jobs/{made['job']}")
    assert (late.status_code, late.json()["message"]) == (409, "This has ended already: ready.")
    with database.transaction() as session:
        owner = session.get(JobRecord, made["job"])
        assert owner is not None
        # Somebody else's server works on it and has just given a sign of life.
        job = JobRecord(
            owner_id=owner.owner_id,
            kind="part",
            subject_id=made["model"],
            state="running",
            progress=0.3,
            message=phrase("reading-file"),
            attempts=1,
            seen_at=now(),
            created_at=now(),
        )
        version = session.get(VersionRecord, made["model"])
        assert version is not None
        version.state = "waiting"
        session.add(job)
        session.flush()
        number = job.id
    assert instructor.send("DELETE", f"/api/jobs/{number}").json()["state"] == "cancelled"
    assert instructor.get(f"/api/jobs/{number}")["state"] == "cancelled"
    part = next(p for p in instructor.get("/api/parts?limit=200")["parts"] if p["id"] == made["id"])
    assert (part["state"], part["error"]) == ("refused", "the examination was stopped")
    assert instructor.send("DELETE", f"/api/jobs/{number}").json()["state"] == "cancelled", "twice is once"


def _crash(path: str, called: str) -> None:
    os.abort()


def _loop(path: str, called: str) -> None:
    while True:
        pass


def _devour(path: str, called: str) -> kernel_work.PartWork:
    hoard = []
    try:
        while True:
            hoard.append(bytearray(64 * 1024 * 1024))
    except MemoryError:
        del hoard
        raise


@pytest.mark.parametrize(
    ("work", "reason"), [(_crash, "kernel failed"), (_loop, "longer than"), (_devour, "more memory")]
)
def test_worker_that_dies_loops_or_devours_memory_is_replaced(
    monkeypatch: pytest.MonkeyPatch, tmp_path: Path, work: Any, reason: str
) -> None:
    files = FileStore(tmp_path)
    kept = StoredFile(files, files.put(demo_recipe("shuttle-rest").model_dump_json().encode()))
    source = PartSource(kept, "part.json")
    queue = LocalQueue(Settings(kernel_seconds=300), Database("mysql+pymysql://nobody@127.0.0.1:1/none"), files)
    try:
        with monkeypatch.context() as patch:
            patch.setattr("maqueta.service.queue.local.examine", work)
            if work is _loop:
                patch.setattr(queue, "_seconds", 1.0)
            lost = queue.examine(source, lambda *_: None, lambda: True)
        assert lost is not None
        assert lost.refused is not None
        assert reason in said(lost.refused)
        again = queue.examine(source, lambda *_: None, lambda: True)
        assert again is not None
        assert (again.refused, again.name) == (None, "Shuttle rest")
    finally:
        Crews.close(queue)
