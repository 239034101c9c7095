"""Views from anywhere through the service: drawn by a worker when first asked for, then kept; old drafts opened."""

import json
from collections.abc import Callable
from pathlib import Path
from typing import Any

import pytest
from sqlalchemy import delete, func, select

from maqueta.projection.attitude import Attitude
from maqueta.projection.look import Look
from maqueta.service.settings import Settings
from maqueta.sheet.view_graph import folded
from maqueta.store import projections
from maqueta.store.database import Database
from maqueta.store.files import FileStore
from maqueta.store.models import ProjectionRecord
from maqueta.store.projections import keep_look, kept_looks
from tests.world import LogIn, Person

SLOPE = folded(Attitude("-y", "+z").look, (0.6, 0.8))


@pytest.fixture
def student(log_in: LogIn) -> Person:
    return log_in("sara.lindqvist")


@pytest.fixture
def count(database: Database) -> Callable[[], int]:
    """How many looks are kept; none to begin with."""
    with database.transaction() as session:
        session.execute(delete(ProjectionRecord))

    def counted() -> int:
        with database.transaction() as session:
            return session.scalar(select(func.count()).select_from(ProjectionRecord)) or 0

    return counted


def document(*looks: Look) -> dict[str, Any]:
    front = {"id": "v1", "look": {"side": "-y", "up": "+z"}, "at": [60, 60]}
    others = [
        {"id": f"a{k}", "kind": "auxiliary", "look": {"frame": look.frame}, "parent": "v1", "at": [200, 150]}
        for k, look in enumerate(looks)
    ]
    return {"format": 2, "views": [front, *others]}


def inked(person: Person, sheet: dict[str, Any]) -> dict[str, Any]:
    exercise = next(e for e in person.get("/api/exercises") if "Warp-beam bearing" in e["title"])
    answer = person.send("POST", f"/api/exercises/{exercise['id']}/ink", json={"document": sheet})
    assert answer.status_code == 200, answer.text
    found: dict[str, Any] = answer.json()
    return found


def test_a_look_is_drawn_once_and_kept(student: Person, count: Callable[[], int]) -> None:
    first = inked(student, document(SLOPE))
    assert count() == 1
    (view,) = [group for group in first["groups"] if group["id"] == "a0"]
    assert len(view["items"]) > 5
    assert [facts["name"] for facts in first["views"]] == ["front", "auxiliary"]
    assert inked(student, document(SLOPE)) == first
    # What no drawing could tell apart is the same look.
    dusty = Look(tuple(tuple(x + 3e-7 for x in row) for row in SLOPE.frame))  # type: ignore[arg-type]
    assert len(inked(student, document(dusty))["groups"]) == len(first["groups"])
    assert count() == 1
    inked(student, document(SLOPE, SLOPE.turned(0.5)))
    assert count() == 2


def test_a_sheet_with_such_a_view_is_dimensioned_and_handed_on_like_any_other(
    instructor: Person, count: Callable[[], int]
) -> None:
    exercise = next(e for e in instructor.get("/api/exercises") if "Warp-beam bearing" in e["title"])
    path = f"/api/exercises/{exercise['id']}/answer"
    proposed = instructor.send("POST", f"{path}/dimensions", json={"document": document(SLOPE)})
    assert proposed.status_code == 200, proposed.text
    assert proposed.json()["dimensions"]
    assert [view["kind"] for view in proposed.json()["views"]] == ["principal", "auxiliary"]
    assert count() == 1


def test_named_looks_are_there_already(student: Person, count: Callable[[], int]) -> None:
    drawn = inked(student, document(Attitude("+x", "+z").look))
    assert [facts["name"] for facts in drawn["views"]] == ["front", "auxiliary"]
    assert count() == 0


def test_nobody_fills_the_disk_by_turning_a_part_about(
    student: Person, settings: Settings, count: Callable[[], int], monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(projections, "MOST_KEPT", 1)
    files = FileStore(settings.data / "files")
    before = set(files.names())
    inked(student, document(*(SLOPE.turned(0.31 * k) for k in range(1, 4))))
    assert count() == 1
    assert len(set(files.names()) - before) <= 1, "nor by files nobody knows of"
    assert len(inked(student, document(SLOPE.turned(0.62)))["views"]) == 2, "drawn all the same"


def test_a_look_kept_by_two_at_once_is_kept_once(database: Database, count: Callable[[], int]) -> None:
    with database.transaction() as session:
        keep_look(session, "a" * 64, SLOPE, "b" * 64)
        keep_look(session, "a" * 64, SLOPE, "b" * 64)
        assert kept_looks(session, "a" * 64) == [(SLOPE, "b" * 64)]
        assert kept_looks(session, "c" * 64) == []
    assert count() == 1


def section(y: float, **rest: Any) -> dict[str, Any]:
    """A section along the width, seen as the front is; in the place of an auxiliary view."""
    cut = {"form": "full", "path": [[0, y, 0], [100, y, 0]], "across": [0, 0, 1]}
    frame = Attitude("-y", "+z").look.frame
    view = {"id": "s1", "kind": "section", "look": {"frame": frame}, "at": [200, 60], "cut": cut, "letter": "A", **rest}
    line = {"id": "c1", "view": "v1", "path": [[0, 0], [80, 0]], "letter": "A"}
    sheet = document()
    return {**sheet, "views": [*sheet["views"], view], "cutting_lines": [line]}


def test_a_section_is_cut_by_a_worker_once_and_kept(student: Person, count: Callable[[], int]) -> None:
    sheet = section(20, hatch={"angle": 45, "spacing": 3})
    first = inked(student, sheet)
    assert count() == 1
    (view,) = [group for group in first["groups"] if group["id"] == "s1"]
    pens = {item["pen"] for item in view["items"] if item["kind"] == "stroke"}
    assert {"hatching", "visible"} <= pens
    assert [group["id"] for group in first["groups"] if group["role"] == "cutting-line"] == ["c1"]
    assert inked(student, sheet) == first
    # A detail of the section is a piece of what is kept; cut elsewhere it is another section.
    region = {"centre": [20, 20], "radius": 8}
    detail = {**sheet["views"][1], "id": "d1", "kind": "detail", "clip": region, "scale": 2.0, "parent": "s1"}
    inked(student, {**sheet, "views": [*sheet["views"], detail]})
    assert count() == 1
    inked(student, section(21))
    assert count() == 2


def test_a_cut_beside_the_part_shows_nothing_and_breaks_nothing(student: Person, count: Callable[[], int]) -> None:
    drawn = inked(student, section(-500))
    (view,) = [group for group in drawn["groups"] if group["id"] == "s1"]
    assert view["items"] == []


@pytest.mark.parametrize(
    "frame", [[[1, 0, 0], [0, 1, 0], [0, 0, 3]], [[1, 0, 0], [0, 1, 0]], [[1, 0, 0], [0, 1, 0], [0, 0, "up"]]]
)
def test_what_is_no_frame_is_refused(student: Person, frame: Any) -> None:
    exercise = student.get("/api/exercises")[0]
    sheet = document()
    sheet["views"].append({"id": "a", "kind": "auxiliary", "look": {"frame": frame}, "at": [9, 9]})
    assert student.status("POST", f"/api/exercises/{exercise['id']}/ink", json={"document": sheet}) == 422


def test_a_draft_a_browser_kept_in_a_former_format_is_opened(student: Person) -> None:
    """As the bench sends it before anything else: nobody loses what was drawn before the format changed."""
    path = Path(__file__).parents[1] / "sheet" / "format_1" / "model answer.json"
    old = json.loads(path.read_text("utf-8"))["document"]
    opened = student.send("POST", "/api/documents", json={"document": old})
    assert opened.status_code == 200
    new = opened.json()
    assert (new["format"], [view["parent"] for view in new["views"]]) == (2, [None, "v1", "v1", None])
    assert student.send("POST", "/api/documents", json={"document": new}).json() == new
    assert student.status("POST", "/api/documents", json={"document": {"format": 1, "views": 3}}) == 422
