"""Sets in sizes of each student's own: an assembly and its parts vary together, and go together as they did."""

from collections.abc import Iterator, Mapping
from concurrent.futures import ThreadPoolExecutor
from typing import Any

import pytest
from fastapi.testclient import TestClient
from sqlalchemy import select

from maqueta.service.queue.work_queue import NotDoneError
from maqueta.service.shelf.kernel_work import PartSource, PartWork
from maqueta.service.workers import KernelWorkers
from maqueta.store.database import Database
from maqueta.store.models import VersionRecord
from tests.service.test_assemblies import finished
from tests.service.test_marks import sent
from tests.service.test_sets import hand_in, of_set, proposed, set_of
from tests.service.test_shelf import made_part
from tests.world import LogIn, Person


@pytest.fixture(scope="module")
def exercises(app: Any, running: TestClient) -> Iterator[dict[str, dict[str, Any]]]:
    """The pedal with its parts, in sizes of everyone's own; out of the way afterwards."""
    instructor = Person(TestClient(app), "ines.corvalho")
    sheets = proposed(instructor, "Pedal")
    made = sent(instructor, "POST", "/api/sets", of_set(sheets, instructor, varied=True))
    yield {own["title"]: own for own in made}
    sent(instructor, "PUT", f"{set_of(made[0])}/archived", {"archived": True})


def extents_of(person: Person, exercises: Mapping[str, dict[str, Any]]) -> dict[str, list[float]]:
    """How large what a student draws on each sheet is, along x, y and z."""
    models = {title: person.get(f"/api/exercises/{own['id']}")["model"] for title, own in exercises.items()}
    return {title: person.get(f"/api/models/{model}")["extents"] for title, model in models.items()}


def test_all_sheets_of_a_student_show_one_assembly(exercises: dict[str, dict[str, Any]], log_in: LogIn) -> None:
    drawn = {}
    for login in ("dina.farouk", "kemi.oduya", "juan.sandoval"):
        own = extents_of(log_in(login), exercises)
        # By the recipes: cheeks of 12 on both sides of the gap, a pin that sticks out by 37, a bush with two collars.
        gap = own["Pedal bush"][1]
        bore = own["Pedal bush"][0] - 12
        assert own["Pedal fork"][1] == pytest.approx(gap + 24)
        assert own["Pedal lever"][1] == pytest.approx(gap + 14)
        assert own["Pedal pin"] == pytest.approx([bore + 6, gap + 37, bore + 6])
        whole = own["Pedal, six sides"]
        assert whole == own["Pedal, pulled apart"]
        # The head of the pin stands before the fork, its end behind it.
        assert whole[1] == pytest.approx(gap + 37)
        drawn[login] = own
    assert len({repr(own) for own in drawn.values()}) > 1, "not all have the same sizes"
    again = extents_of(log_in("dina.farouk"), exercises)
    assert again == drawn["dina.farouk"]


def test_what_was_kept_of_an_assembly_that_is_not_made_goes_again(
    exercises: dict[str, dict[str, Any]], log_in: LogIn, database: Database, monkeypatch: pytest.MonkeyPatch
) -> None:
    """Its parts are kept before it is examined, and the worker is lost just then."""
    fellow, fork = log_in("rosa.quispe"), exercises["Pedal fork"]["id"]
    examine = KernelWorkers.examine_now

    def lost(self: KernelWorkers, source: PartSource) -> PartWork:
        if source.components:
            raise NotDoneError("the worker is gone")
        return examine(self, source)

    def varied() -> int:
        with database.transaction() as session:
            return len(list(session.scalars(select(VersionRecord.id).where(VersionRecord.sizes.is_not(None)))))

    before = varied()
    with monkeypatch.context() as patched:
        patched.setattr(KernelWorkers, "examine_now", lost)
        assert fellow.status("GET", f"/api/exercises/{fork}") >= 500
    assert varied() == before


def test_a_list_waits_for_nobodys_parts(exercises: dict[str, dict[str, Any]], log_in: LogIn) -> None:
    fellow = log_in("rosa.quispe")
    ids = {own["id"] for own in exercises.values()}

    def listed() -> list[dict[str, Any]]:
        return [own for own in fellow.get("/api/exercises") if own["id"] in ids]

    assert {own["made"] for own in listed()} == {False}
    pin = exercises["Pedal pin"]["id"]
    assert fellow.get(f"/api/exercises/{pin}")["made"]
    # Once one sheet is asked for, all of the set are there.
    assert {own["made"] for own in listed()} == {True}
    assert {fellow.status("GET", f"/api/models/{own['model']}/picture") for own in listed()} == {200}


def test_two_tabs_that_ask_at_once_get_the_same(exercises: dict[str, dict[str, Any]], log_in: LogIn) -> None:
    tabs = [log_in("tor.brandvold"), log_in("tor.brandvold")]
    fork, pin = exercises["Pedal fork"], exercises["Pedal pin"]
    with ThreadPoolExecutor(2) as both:
        asked = list(both.map(lambda tab, own: tab.get(f"/api/exercises/{own['id']}"), tabs, (fork, pin)))
    now = [tabs[0].get(f"/api/exercises/{own['id']}")["model"] for own in (fork, pin)]
    assert [own["model"] for own in asked] == now
    own = extents_of(tabs[1], exercises)
    assert own["Pedal fork"][1] + 13 == pytest.approx(own["Pedal pin"][1])


def test_a_sheet_is_judged_by_its_students_own_part(
    exercises: dict[str, dict[str, Any]], log_in: LogIn, instructor: Person
) -> None:
    lever = exercises["Pedal lever"]

    def wrong(login: str, more: float) -> bool:
        """Whether the width of the lever, written larger by so much than it is, is found to be wrong."""
        student = log_in(login)
        width = extents_of(student, {"lever": lever})["lever"][1]
        side = {"id": "v1", "look": {"side": "+x", "up": "+z"}, "at": [150, 120], "scale": 1.0, "hidden": True}
        # By the recipe: the foot plate reaches 9 beyond the lever.
        size = {"kind": "linear", "id": "d1", "view": "v1", "start": [-9, 28], "end": [width - 9, 28]}
        size |= {"along": "across", "place": [width / 2, 40], "text": f"{width + more:g}"}
        blank = student.get(f"/api/exercises/{lever['id']}/sheet")["document"]
        sheet = hand_in(student, lever, blank | {"views": [side], "dimensions": [size]})
        return "dimensions.value" in [own["rule"] for own in instructor.get(f"/api/sheets/{sheet}")["findings"]]

    assert not wrong("dina.farouk", 0)
    assert wrong("kemi.oduya", 2)


def test_parts_that_would_no_longer_fit_are_refused_in_words(instructor: Person) -> None:
    """A plate whose width varies and a bar that stays as it is lie on each other between the same two stops."""
    sizes = [{"name": "w", "value": 80, "low": 70, "high": 78}]
    models = {
        name: made_part(instructor, name, **more)["model"]
        for name, more in (
            ("Sliding plate", {"width": "w", "sizes": sizes}),
            ("Sliding bar", {}),
            ("Slide stop", {"width": 20}),
        )
    }
    upright = [[0, 1, 0], [0, 0, 1], [1, 0, 0]]

    def standing(own: str, name: str, at: list[float], **more: Any) -> dict[str, Any]:
        return {"id": own, "name": name, "part": str(models[name]), "at": at} | more

    components = [
        standing("a", "Slide stop", [-10, 0, 0], axes=upright),
        standing("b", "Sliding plate", [0, 0, 0]),
        standing("c", "Sliding bar", [0, 0, 10]),
        standing("d", "Slide stop", [80, 0, 0], axes=upright),
    ]

    def refused(some: list[dict[str, Any]], title: str) -> Any:
        made = instructor.send("POST", "/api/assemblies", json={"assembly": {"name": title, "components": some}})
        assert made.status_code == 202, made.text
        finished(instructor, made.json())
        return instructor.send(
            "POST",
            "/api/sets",
            json=of_set(proposed(instructor, title), instructor, varied=True, draft=True, title=title),
        )

    told = refused(components, "Slide with a bar")
    assert told.status_code == 422
    assert "no longer touch where they did" in told.json()["message"]
    # Without the bar the other stop follows the plate.
    assert refused([*components[:2], components[3]], "Slide").status_code == 201


def test_a_set_of_parts_without_ranges_stays_as_it_is(instructor: Person) -> None:
    sheets = proposed(instructor, "Shuttle with wheels")
    refused = instructor.send("POST", "/api/sets", json=of_set(sheets, instructor, varied=True))
    assert refused.status_code == 422
    assert "range" in refused.json()["message"]
