"""What is told of a part: worked out at a desk, as the core says it, and in good time."""

from pathlib import Path
from typing import Any

import pytest

from maqueta.confined import WAITED_SECONDS
from maqueta.demo.workshop import demo_recipe
from maqueta.projection.arrangement import neighbour
from maqueta.projection.attitude import Attitude
from maqueta.projection.projected_part import ProjectedPart, to_json
from maqueta.service.shelf import model_work
from maqueta.service.shelf.model_work import model_detail
from maqueta.service.workers import KernelWorkers
from maqueta.store.files import FileStore, StoredFile
from maqueta.study.demands import Demands, demands
from tests.parts import demo_projected
from tests.world import Person

SLUGS = ("reed-clamp", "warp-beam-bearing", "pedal-hinge", "shuttle-rest", "crank-plate")


def detail(person: Person, slug: str) -> dict[str, Any]:
    name = demo_recipe(slug).name
    listed = person.get("/api/parts?limit=200")["parts"]
    model = next(part["model"] for part in listed if part["name"] == name)
    return {"model": model, **person.get(f"/api/models/{model}")}


@pytest.mark.parametrize("slug", SLUGS)
def test_a_part_is_told_as_the_core_knows_it(instructor: Person, slug: str) -> None:
    known, told = demo_projected(slug), detail(instructor, slug)
    found = demands(known)
    assert told["extents"] == pytest.approx(known.part.extents)
    assert told["volume"] == pytest.approx(known.part.volume)
    assert told["faces"] == len(known.part.faces)
    assert (told["sizes"], told["views_needed"]) == (found.sizes, list(found.need.needed))
    ranked = [(entry["side"], entry["up"]) for entry in told["ranking"]]
    assert ranked == [(entry.attitude.side, entry.attitude.up) for entry in found.ranking]
    assert len(told["sides"]) == 6


@pytest.mark.parametrize("slug", SLUGS)
def test_views_are_those_folded_out_from_the_front(instructor: Person, slug: str) -> None:
    known, told = demo_projected(slug), detail(instructor, slug)
    front = Attitude("-y", "+z")
    views = instructor.get(f"/api/models/{told['model']}/views?side=-y&up=%2Bz&names=front&names=top&names=left")
    assert [view["name"] for view in views] == ["front", "top", "left"]
    for view in views:
        attitude = neighbour(front, view["name"])
        assert (view["side"], view["up"]) == (attitude.side, attitude.up)
        assert view["hidden_lines"] == len(known.line_set(attitude.look).of("hidden"))
        assert len(view["items"]) == len(list(known.line_set(attitude.look).of("visible", "hidden")))


@pytest.mark.parametrize("query", ["side=-y&up=-y", "side=-y&up=%2By", "side=top&up=%2Bz", "side=-y"])
def test_no_attitude_is_no_view(instructor: Person, query: str) -> None:
    model = detail(instructor, "reed-clamp")["model"]
    assert instructor.status("GET", f"/api/models/{model}/views?{query}") == 422


def test_what_a_drawing_demands_is_found_out_once(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    asked = []

    def found_out(known: ProjectedPart) -> Demands:
        asked.append(known)
        return demands(known)

    monkeypatch.setattr(model_work, "demands", found_out)
    files = FileStore(tmp_path)
    kept = StoredFile(files, files.put(to_json(demo_projected("shuttle-rest"))))
    assert model_detail(kept, "one", None).ranking == model_detail(kept, "other", None).ranking
    assert len(asked) == 1


def test_a_part_that_takes_too_long_is_told_so_and_not_called_a_sheet(
    instructor: Person, monkeypatch: pytest.MonkeyPatch
) -> None:
    model = detail(instructor, "reed-clamp")["model"]

    def slow(*_: object, seconds: float, **__: object) -> None:
        assert seconds == WAITED_SECONDS, "a large part takes longer than any sheet"
        raise TimeoutError

    monkeypatch.setattr(KernelWorkers, "at_desk", slow)
    answer = instructor.send("GET", f"/api/models/{model}")
    assert answer.status_code == 422
    assert answer.json()["message"].startswith("This part cannot be worked on: it took longer than")
