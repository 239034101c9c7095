"""Assemblies of the shelf: put together, looked at, kept as versions, brought in as one STEP file, handed out again."""

import math
import time
from pathlib import Path
from typing import Any

import pytest
from sqlalchemy import select

from maqueta.demo.put_together import demo_assembly
from maqueta.demo.workshop import demo_recipe_json
from maqueta.service.shelf.at_kernel import examined
from maqueta.service.shelf.kernel_work import PartSource
from maqueta.solid.assembly import Assembly
from maqueta.solid.step_assembly import read_assembly, write_assembly
from maqueta.store.database import Database
from maqueta.store.files import FileStore, StoredFile
from maqueta.store.models import PartRecord
from tests.assemblies import solids_of
from tests.world import LogIn, Person


@pytest.fixture
def instructor(log_in: LogIn) -> Person:
    return log_in("ines.corvalho")


def shelved(instructor: Person, name: str) -> dict[str, Any]:
    parts = instructor.get(f"/api/parts?words={name}&limit=200")["parts"]
    return dict(next(part for part in parts if part["name"] == name))


def kept(instructor: Person, slug: str) -> dict[str, Any]:
    names = {"pedal": "Pedal", "shuttle": "Shuttle with wheels", "puzzle-cube": "Puzzle cube"}
    return dict(instructor.get(f"/api/assemblies/{shelved(instructor, names[slug])['id']}"))


def changed(assembly: dict[str, Any], component: str, **change: object) -> dict[str, Any]:
    """An assembly with one of its components changed."""
    components = [own | change if own["id"] == component else own for own in assembly["components"]]
    return assembly | {"components": components}


def finished(instructor: Person, made: dict[str, Any]) -> dict[str, Any]:
    for _ in range(300):
        job = instructor.get(f"/api/jobs/{made['job']}")
        if job["state"] in ("done", "failed", "cancelled"):
            return dict(job)
        time.sleep(0.1)
    raise AssertionError("it was never finished")


def sent(instructor: Person, method: str, path: str, body: object, status: int = 200) -> Any:
    answer = instructor.send(method, path, json=body)
    assert answer.status_code == status, answer.text
    return answer.json()


def test_demo_assemblies_are_on_the_shelf_with_their_parts(instructor: Person) -> None:
    card = shelved(instructor, "Pedal")
    assert (card["assembly"], card["components"], card["state"]) == (True, 4, "ready")
    told = kept(instructor, "pedal")
    assert all(part["newer"] is None for part in told["parts"])
    pin = shelved(instructor, "Pedal pin")
    assert not pin["assembly"]
    within = instructor.get(f"/api/parts/{pin['id']}")["within"]
    assert within == [{"id": card["id"], "name": "Pedal"}]
    detail = instructor.get(f"/api/models/{card['model']}")
    rows = [(row["number"], row["name"], row["quantity"]) for row in detail["listed"]]
    assert rows == [(1, "Pedal fork", 1), (2, "Pedal lever", 1), (3, "Pedal bush", 1), (4, "Pedal pin", 1)]
    assert len(detail["sides"]) == 6
    assert detail["ranking"] == []


def test_what_overlaps_and_how_it_comes_apart_is_told(instructor: Person) -> None:
    told = kept(instructor, "pedal")
    assembly = told["assembly"]
    look = sent(instructor, "POST", "/api/assemblies/look", {"assembly": assembly})
    assert (look["overlaps"], look["lines"]) == ([], None)
    assert {own["id"]: own["way"] for own in look["pulled"]} == {
        own["id"]: own["apart"] for own in assembly["components"]
    }
    # The pin 2 mm aside cuts into fork and bush.
    moved = [
        own | {"at": [own["at"][0] + 2, *own["at"][1:]]} if own["id"] == "pin" else own
        for own in assembly["components"]
    ]
    look = sent(instructor, "POST", "/api/assemblies/look", {"assembly": assembly | {"components": moved}})
    assert {(own["first"], own["second"]) for own in look["overlaps"]} == {("fork", "pin"), ("bush", "pin")}
    assert all(own["volume"] > 100 for own in look["overlaps"])


def face(instructor: Person, model: str, wanted: Any) -> int:
    """The number of a round face of a part, by its features; what the turntable's pointer would tell."""
    features = instructor.get(f"/api/models/{model}")["features"]
    return int(next(own for own in features if wanted(own))["faces"][0])


def test_a_pin_is_put_on_the_axis_of_its_bore(instructor: Person) -> None:
    told = kept(instructor, "pedal")
    keys = {part["name"]: part["key"] for part in told["parts"]}
    bore = face(instructor, keys["Pedal fork"], lambda own: "12" in own["words"] and own["kind"] == "hole")
    shank = face(instructor, keys["Pedal pin"], lambda own: own["kind"] == "boss" and "12" in own["words"])
    loose = changed(told["assembly"], "pin", at=[200.0, 40.0, 10.0], axes=[[0, 1, 0], [-1, 0, 0], [0, 0, 1]])
    ask = {"assembly": loose, "moved": "pin", "face": shank, "onto": "fork", "onto_face": bore, "how": "axis"}
    placed = sent(instructor, "POST", "/api/assemblies/fit", ask)
    # Its own y runs along the bore, at x 30, z 34 of the fork.
    assert [abs(x) for x in placed["axes"][1]] == pytest.approx([0.0, 1.0, 0.0], abs=1e-9)
    assert (placed["at"][0], placed["at"][2]) == pytest.approx((30.0, 34.0))
    refused = instructor.send("POST", "/api/assemblies/fit", json=ask | {"how": "against"})
    assert refused.status_code == 422
    assert "two flat faces" in refused.json()["message"]
    for wrong in ({"face": 999}, {"moved": "nobody"}, {"onto": "pin"}):
        assert instructor.send("POST", "/api/assemblies/fit", json=ask | wrong).status_code == 422


def test_an_assembly_is_kept_and_changed_as_a_next_version(instructor: Person) -> None:
    told = kept(instructor, "shuttle")
    own = told["assembly"] | {"name": "Shuttle on trial"}
    made = sent(instructor, "POST", "/api/assemblies", {"assembly": own}, 202)
    assert finished(instructor, made)["state"] == "done"
    card = shelved(instructor, "Shuttle on trial")
    assert (card["version"], card["components"], card["assembly"]) == (1, 7, True)
    again = sent(instructor, "PUT", f"/api/assemblies/{card['id']}", {"assembly": own}, 202)
    assert (again["version"], again["job"]) == (1, None), "nothing has changed"
    fewer = own | {"components": own["components"][:3]}
    assert finished(instructor, sent(instructor, "PUT", f"/api/assemblies/{card['id']}", {"assembly": fewer}, 202))
    card = shelved(instructor, "Shuttle on trial")
    assert (card["version"], card["components"]) == (2, 3)
    # Stood up otherwise, and copied, it is the same assembly.
    up = sent(instructor, "PATCH", f"/api/parts/{card['id']}", {"natural_up": "-z"})
    assert finished(instructor, up)["state"] == "done"
    # Opened and changed again, it stands as it was stood up.
    told = instructor.get(f"/api/assemblies/{card['id']}")["assembly"]
    assert told["natural_up"] == "-z"
    renamed = told | {"name": "Shuttle on its back"}
    assert finished(instructor, sent(instructor, "PUT", f"/api/assemblies/{card['id']}", {"assembly": renamed}, 202))
    assert shelved(instructor, "Shuttle on its back")["natural_up"] == "-z"
    copy = sent(instructor, "POST", f"/api/parts/{card['id']}/copy", None, 201)
    assert len(instructor.get(f"/api/assemblies/{copy['id']}")["assembly"]["components"]) == 3
    assert copy["natural_up"] == "-z"


def test_a_part_that_was_built_anew_is_told_of(instructor: Person) -> None:
    told = kept(instructor, "puzzle-cube")
    piece = next(part for part in told["parts"] if part["name"] == "Cube piece E")
    recipe = instructor.get(f"/api/parts/{piece['part']}/recipe")["recipe"] | {"material": "maple"}
    finished(instructor, sent(instructor, "PUT", f"/api/parts/{piece['part']}/recipe", {"recipe": recipe}, 202))
    newer = next(part for part in kept(instructor, "puzzle-cube")["parts"] if part["name"] == "Cube piece E")
    assert newer["key"] == piece["key"]
    assert newer["newer"] == shelved(instructor, "Cube piece E")["model"]
    # Taken up, the parts list says so.
    body = {"assembly": changed(told["assembly"], "e", part=str(newer["newer"]))}
    cube = shelved(instructor, "Puzzle cube")["id"]
    finished(instructor, sent(instructor, "PUT", f"/api/assemblies/{cube}", body, 202))
    detail = instructor.get(f"/api/models/{shelved(instructor, 'Puzzle cube')['model']}")
    assert [row["material"] for row in detail["listed"]] == 4 * ["beech"] + ["maple"]


def test_what_cannot_be_put_together_is_refused_in_words(instructor: Person, log_in: LogIn, database: Database) -> None:
    told = kept(instructor, "pedal")["assembly"]
    hinge = shelved(instructor, "Pedal hinge")["model"]
    pedal = shelved(instructor, "Pedal")["model"]

    def refused(**change: object) -> str:
        components = [told["components"][0] | change, *told["components"][1:]]
        answer = instructor.send("POST", "/api/assemblies", json={"assembly": told | {"components": components}})
        assert answer.status_code == 422, answer.text
        return str(answer.json()["message"])

    assert "is in inches and the assembly in millimetres" in refused(part=str(hinge), name="Hinge")
    assert "is an assembly itself" in refused(part=str(pedal), name="Pedal")
    assert "is not on your shelf" in refused(part="999999", name="Ghost")
    assert "is not on your shelf" in refused(part="pedal-fork", name="Ghost")
    assert refused(axes=[[1, 0, 0], [0, 1, 0], [0, 0, -1]])
    clamp = shelved(instructor, "Reed clamp")["id"]
    assert instructor.status("GET", f"/api/assemblies/{clamp}") == 409
    assert instructor.status("PUT", f"/api/assemblies/{clamp}", json={"assembly": told}) == 409
    with database.transaction() as session:
        assert session.scalar(select(PartRecord).where(PartRecord.name == "Ghost")) is None


def step_of(slug: str, folder: Path) -> bytes:
    assembly = demo_assembly(slug)
    write_assembly(assembly, solids_of(assembly), folder / "whole.step")
    return (folder / "whole.step").read_bytes()


def test_a_step_assembly_becomes_parts_and_an_assembly_of_them(instructor: Person, tmp_path: Path) -> None:
    data = step_of("pedal", tmp_path)
    answer = instructor.send("POST", "/api/parts", files={"file": ("pedal from elsewhere.step", data, "model/step")})
    assert answer.status_code == 202, answer.text
    assert finished(instructor, answer.json())["state"] == "done"
    made = instructor.get(f"/api/parts/{answer.json()['id']}")
    assert (made["part"]["assembly"], made["part"]["components"]) == (True, 4)
    assert made["report"]["read"][0] == "read as an assembly of 4 components, of 4 parts"
    told = instructor.get(f"/api/assemblies/{made['part']['id']}")
    assert [own["name"] for own in told["assembly"]["components"]] == [
        "Pedal fork",
        "Pedal lever",
        "Pedal bush",
        "Pedal pin",
    ]
    # Its parts are known to come out one by one, as those of an assembly put together here.
    asked = {
        "part": made["part"]["id"],
        "task": instructor.get("/api/exercises/blank")["task"] | {"shows": "pulled apart"},
    }
    begun = instructor.send("POST", "/api/exercises/starting-sheet", json=asked)
    assert begun.status_code == 200, begun.text
    for part in told["parts"]:
        for _ in range(300):
            own = instructor.get(f"/api/parts/{part['part']}")["part"]
            if own["state"] != "waiting":
                break
            time.sleep(0.1)
        assert (own["state"], own["labels"]) == ("ready", ["Pedal"])
    # And out again, with its names and in the same places.
    whole = instructor.send("GET", f"/api/parts/{made['part']['id']}/file/step")
    assert whole.status_code == 200
    path = tmp_path / "out.step"
    path.write_bytes(whole.content)
    again = read_assembly(path, "mm")
    assert again is not None
    expected = demo_assembly("pedal")
    for mine, own in zip(again.components, expected.components, strict=True):
        assert mine.name == own.name
        assert math.dist(mine.placement.at, own.at) < 1e-6


def test_a_recipe_is_no_assembly_and_the_document_is_handed_out(instructor: Person) -> None:
    assert "features" in demo_recipe_json("reed-clamp")
    pedal = shelved(instructor, "Pedal")
    source = instructor.send("GET", f"/api/parts/{pedal['id']}/file/source")
    assert source.headers["content-type"] == "application/json"
    document = Assembly.model_validate_json(source.content)
    assert [own.id for own in document.components] == ["fork", "lever", "bush", "pin"]


def test_a_part_of_several_solids_that_is_on_the_shelf_stays_one(tmp_path: Path) -> None:
    """Files that came in as one part before they could be assemblies: stood up otherwise, they are no other thing."""
    files = FileStore(tmp_path / "files")
    kept_file = StoredFile(files, files.put(step_of("pedal", tmp_path)))
    again = examined(PartSource(kept_file, "pedal.step", natural_up="+z"))
    assert again.assembly is None
    assert (again.facts["solids"], again.facts["components"]) == (4, 0)
    fresh = examined(PartSource(kept_file, "pedal.step"))
    assert fresh.assembly is not None
    assert [part.name for part in fresh.assembly.parts] == ["Pedal fork", "Pedal lever", "Pedal bush", "Pedal pin"]
