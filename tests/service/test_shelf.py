"""The shelf and the builder: versions, labels, archive, variations, files out."""

import io
import time
from typing import Any

import pytest
import trimesh

from maqueta.demo.workshop import EXERCISES, PARTS, demo_recipe
from maqueta.phrases.phrase import phrase
from maqueta.service.shelf.kernel_work import PartWork
from maqueta.service.workers import KernelWorkers
from maqueta.solid.step import read_step
from tests.parts import block, hole, recipe
from tests.world import LogIn, Person


def ready(person: Person, part: int) -> dict[str, Any]:
    for _ in range(300):
        found: dict[str, Any] = person.get(f"/api/parts/{part}")["part"]
        if found["state"] != "waiting":
            return found
        time.sleep(0.1)
    raise AssertionError("the part was never examined")


def plate(name: str, width: float | str = 80, **rest: Any) -> dict[str, Any]:
    made = recipe({**block((1, 40, 10)), "size": [width, 40, 10]}, hole((20, 20, 10), "-z", 8), **rest)
    return {"recipe": {**made.model_dump(mode="json"), "name": name}}


def _named(person: Person, words: str) -> dict[str, Any]:
    found: dict[str, Any] = person.get(f"/api/parts?words={words}")["parts"][0]
    return found


def made_part(person: Person, name: str, **rest: Any) -> dict[str, Any]:
    answer = person.send("POST", "/api/parts/recipe", json=plate(name, **rest))
    assert answer.status_code == 202, answer.text
    return ready(person, answer.json()["id"])


def set_on(person: Person, part: dict[str, Any], **rest: Any) -> Any:
    group = person.get("/api/classes")[0]
    task = EXERCISES[3].task.model_dump(mode="json")
    body = {"part": part["id"], "school_class": group["id"], "title": part["name"], "task": task}
    return person.send("POST", "/api/exercises", json={**body, "due_at": "2031-01-01T20:00:00Z", **rest})


def test_shelf_is_searched_by_name_material_and_label(instructor: Person) -> None:
    def names(query: str) -> set[str]:
        return {part["name"] for part in instructor.get(f"/api/parts?{query}")["parts"]}

    assert names("words=reed") == {"Reed clamp", "Reed cap"}
    assert names("words=REED ash") == {"Reed cap"}
    assert names("words=%25") == set()
    assert len(names("label=Level 3")) == 8
    assert names("words=level 3 oak") == {"Beam head"}
    page = instructor.get("/api/parts?offset=5&limit=7")
    assert len(page["parts"]) == 7
    assert page["total"] >= len(PARTS)
    assert [(entry["label"], entry["count"]) for entry in page["labels"]][:3] == [
        ("Level 1", 8),
        ("Level 2", 8),
        ("Level 3", 8),
    ]


def test_built_part_gets_a_new_version_and_its_exercise_keeps_the_old_one(instructor: Person, log_in: LogIn) -> None:
    part = made_part(instructor, "Versioned plate")
    exercise = set_on(instructor, part).json()
    answer = instructor.send("PUT", f"/api/parts/{part['id']}/recipe", json=plate("Versioned plate", width=90))
    assert answer.status_code == 202
    newer = ready(instructor, part["id"])
    assert (newer["version"], newer["extents"][0]) == (2, 90)
    listed = next(e for e in instructor.get("/api/exercises") if e["id"] == exercise["id"])
    assert instructor.get(f"/api/models/{listed['model']}")["extents"][0] == 80
    student = log_in("rosa.quispe")
    assert student.get(f"/api/models/{listed['model']}")["extents"][0] == 80
    assert student.status("GET", f"/api/models/{newer['model']}") == 404
    assert instructor.get(f"/api/parts/{part['id']}")["used_in"] == [
        {"id": exercise["id"], "title": "Versioned plate", "version": 1}
    ]


def test_keeping_the_same_recipe_twice_makes_one_version(instructor: Person) -> None:
    part = made_part(instructor, "Kept twice")
    for _ in range(2):
        instructor.send("PUT", f"/api/parts/{part['id']}/recipe", json=plate("Kept twice", width=77))
    assert ready(instructor, part["id"])["version"] == 2


def test_builder_says_which_feature_is_at_fault_and_keeps_nothing(instructor: Person) -> None:
    wrong = plate("Wrong plate")
    wrong["recipe"]["features"][1]["at"] = [500, 20, 10]
    preview = instructor.send("POST", "/api/parts/preview", json=wrong).json()
    assert (preview["feature"], preview["mesh"]) == (1, None)
    assert "cuts nothing" in preview["fault"]
    answer = instructor.send("POST", "/api/parts/recipe", json=wrong)
    assert answer.status_code == 422
    assert "Feature 2: it cuts nothing" in answer.json()["message"]
    assert "Wrong plate" not in str(instructor.get("/api/parts?limit=200"))


def test_preview_works_out_named_sizes(instructor: Person) -> None:
    sizes = [{"name": "w", "value": 60}, {"name": "half", "value": "w/2"}]
    preview = instructor.send("POST", "/api/parts/preview", json=plate("p", width="w + half", sizes=sizes)).json()
    assert preview["sizes"] == {"w": 60, "half": 30}
    assert preview["extents"] == [90, 40, 10]
    assert len(preview["mesh"]["triangles"]) % 3 == 0


def test_size_out_of_range_is_told_with_its_feature(instructor: Person) -> None:
    wrong = plate("Wrong plate")
    wrong["recipe"]["features"][1]["diameter"] = -5
    answer = instructor.send("POST", "/api/parts/preview", json=wrong)
    assert answer.status_code == 200
    assert answer.json()["feature"] == 1
    assert answer.json()["fault"].startswith("diameter: ")


def test_recipe_with_unknown_keys_or_nan_is_refused_by_name(instructor: Person) -> None:
    odd = plate("Odd plate")
    odd["recipe"]["features"][0]["colour"] = "red"
    answer = instructor.send("POST", "/api/parts/recipe", json=odd)
    assert answer.status_code == 422
    assert "colour" in answer.json()["message"]


def test_copy_is_a_part_of_its_own(instructor: Person) -> None:
    original = next(p for p in instructor.get("/api/parts?words=tie-up")["parts"])
    copy = instructor.send("POST", f"/api/parts/{original['id']}/copy").json()
    assert copy["name"] == "Tie-up bar (copy)"
    assert (copy["labels"], copy["state"]) == (["Level 1"], "ready")
    instructor.send("PATCH", f"/api/parts/{copy['id']}", json={"name": "Tie bar", "labels": ["mine", " mine ", "x"]})
    changed = instructor.get(f"/api/parts/{copy['id']}")["part"]
    assert (changed["name"], changed["labels"]) == ("Tie bar", ["mine", "x"])
    assert instructor.get(f"/api/parts/{original['id']}")["part"]["labels"] == ["Level 1"]


def test_archived_part_leaves_the_shelf_and_its_sheets_stay(instructor: Person, log_in: LogIn) -> None:
    clamp = instructor.get("/api/parts?words=reed clamp")["parts"][0]
    instructor.send("PATCH", f"/api/parts/{clamp['id']}", json={"archived": True})
    assert instructor.get("/api/parts?words=reed clamp")["total"] == 0
    assert instructor.get("/api/parts?words=reed clamp&archived=true")["total"] == 1
    assert len(instructor.get("/api/exercises/1/wall")["sheets"]) >= 11
    assert log_in("lena.achterberg").status("GET", f"/api/models/{clamp['model']}") == 200
    instructor.send("PATCH", f"/api/parts/{clamp['id']}", json={"archived": False})
    assert instructor.get("/api/parts?words=reed clamp")["total"] == 1


def test_natural_position_can_be_set_and_changes_the_ranking(instructor: Person) -> None:
    part = made_part(instructor, "Turned plate")
    assert part["natural_up"] == "+z"
    instructor.send("PATCH", f"/api/parts/{part['id']}", json={"natural_up": "+x"})
    turned = ready(instructor, part["id"])
    assert (turned["natural_up"], turned["version"]) == ("+x", 2)
    best = instructor.get(f"/api/models/{turned['model']}")["ranking"]
    assert all(entry["measures"]["natural"] == (entry["up"] == "+x") for entry in best if entry["side"] == "+z")


def test_what_is_not_cut_can_be_marked_and_goes_with_the_part(instructor: Person) -> None:
    part = instructor.send("POST", f"/api/parts/{_named(instructor, 'ribbed bearing')['id']}/copy").json()
    (rib,) = instructor.get(f"/api/models/{part['model']}")["uncut"]
    assert (rib["of"], rib["whole"], rib["told"]) == ("rib", True, True)
    cut = {"of": "rib", "face": rib["face"], "whole": False}
    instructor.send("PATCH", f"/api/parts/{part['id']}", json={"uncut": [cut]})
    changed = ready(instructor, part["id"])
    assert changed["version"] == 2
    (now,) = instructor.get(f"/api/models/{changed['model']}")["uncut"]
    assert (now["face"], now["whole"], now["told"]) == (rib["face"], False, True)
    # Another natural position and a copy keep what is said of it; the same once more makes no version.
    instructor.send("PATCH", f"/api/parts/{part['id']}", json={"natural_up": "+x", "uncut": [cut]})
    turned = ready(instructor, part["id"])
    instructor.send("PATCH", f"/api/parts/{part['id']}", json={"uncut": [cut]})
    assert ready(instructor, part["id"])["version"] == turned["version"] == 3
    copy = instructor.send("POST", f"/api/parts/{part['id']}/copy").json()
    assert [own["whole"] for own in instructor.get(f"/api/models/{copy['model']}")["uncut"]] == [False]


@pytest.mark.parametrize(
    "mark",
    [{"of": "rib", "face": 5000}, {"of": "rib", "face": -1}, {"of": "body", "face": 0}, {"of": "bolt", "face": 0}],
)
def test_what_cannot_be_left_whole_cannot_be_marked(instructor: Person, mark: dict[str, Any]) -> None:
    part = _named(instructor, "ribbed bearing")
    assert instructor.status("PATCH", f"/api/parts/{part['id']}", json={"uncut": [mark | {"whole": True}]}) == 422
    assert _named(instructor, "ribbed bearing")["version"] == part["version"]


def test_every_student_gets_sizes_of_their_own_and_keeps_them(instructor: Person, log_in: LogIn) -> None:
    exercise = next(e for e in instructor.get("/api/exercises") if e["varied"])
    found = {}
    for login in ("rosa.quispe", "iker.valtierra", "tor.brandvold"):
        student = log_in(login)
        own = student.get(f"/api/exercises/{exercise['id']}")
        detail = student.get(f"/api/models/{own['model']}")
        found[login] = (own["model"], tuple(detail["extents"]))
        assert student.get(f"/api/exercises/{exercise['id']}")["model"] == own["model"]
        assert 60 <= detail["extents"][0] <= 100
        assert student.status("GET", f"/api/models/{exercise['model']}") == 404
    assert len({extents for _, extents in found.values()}) > 1
    other = found["iker.valtierra"][0]
    assert log_in("rosa.quispe").status("GET", f"/api/models/{other}") == 404
    assert instructor.status("GET", f"/api/models/{other}") == 200


def test_sheet_of_a_varied_part_is_checked_against_the_students_own_sizes(instructor: Person, log_in: LogIn) -> None:
    exercise = next(e for e in instructor.get("/api/exercises") if e["varied"])
    student = log_in("dina.farouk")
    blank = student.get(f"/api/exercises/{exercise['id']}/sheet")
    model = student.get(f"/api/exercises/{exercise['id']}")["model"]
    own = student.get(f"/api/models/{model}")
    width = own["extents"][0]
    view = {"id": "v1", "look": {"side": "-y", "up": "+z"}, "at": [60, 120], "scale": 1.0}
    dimension = {
        "kind": "linear",
        "id": "d1",
        "view": "v1",
        "start": [0, 0],
        "end": [width, 0],
        "along": "across",
        "place": [width / 2, -14],
        "text": f"{width:g}",
    }
    document = {**blank["document"], "views": [{**view, "hidden": True, "smooth": False}]}
    document["dimensions"] = [dimension]
    body = {"document": document, "base": blank["revision"]}
    sent = student.send("POST", f"/api/exercises/{exercise['id']}/sheet/hand-in", json=body)
    assert sent.status_code == 200, sent.text
    rules = [f["rule"] for f in instructor.get(f"/api/sheets/{sent.json()['id']}")["findings"]]
    assert "dimensions.value" not in rules
    assert rules.count("dimensions.overall") == 2
    # On the instructor's bench it has the sizes of that student too, not those of the exercise.
    path, asked = f"/api/exercises/{exercise['id']}/ink", {"document": document}
    drawn = [
        person.send("POST", path + which, json=asked).json()["views"][0]["box"]
        for person, which in ((student, ""), (instructor, f"?sheet={sent.json()['id']}"), (instructor, ""))
    ]
    assert drawn[0] == drawn[1]
    assert drawn[0] != drawn[2]


def test_variation_that_cannot_be_made_hides_no_other_exercise(
    instructor: Person, log_in: LogIn, monkeypatch: pytest.MonkeyPatch
) -> None:
    student = log_in("elio.marchetti")
    monkeypatch.setattr("maqueta.service.exercises.variation.MOST_DRAWS", 1)
    monkeypatch.setattr(KernelWorkers, "examine_now", lambda *_: PartWork(refused=phrase("result-not-valid")))
    titles = [e["title"] for e in student.get("/api/exercises")]
    assert "Reed clamp" in titles
    varied = next(e for e in student.get("/api/exercises") if e["varied"])
    answer = student.send("GET", f"/api/exercises/{varied['id']}/sheet")
    assert answer.status_code == 200
    ink = student.send("POST", f"/api/exercises/{varied['id']}/ink", json={"document": answer.json()["document"]})
    assert ink.status_code == 409
    assert "the result is not a valid solid" in ink.json()["message"]


def test_part_without_ranges_cannot_be_varied(instructor: Person) -> None:
    part = instructor.get("/api/parts?words=reed clamp")["parts"][0]
    answer = set_on(instructor, part, varied=True)
    assert answer.status_code == 422
    assert "no sizes with a range" in answer.json()["message"]


def test_ranges_that_never_fit_are_refused_when_the_exercise_is_set(instructor: Person) -> None:
    sizes = [{"name": "w", "value": 80, "low": 5, "high": 9}]
    part = made_part(instructor, "Too narrow", width="w", sizes=sizes)
    answer = set_on(instructor, part, varied=True)
    assert answer.status_code == 422
    assert "give no valid part" in answer.json()["message"]


@pytest.mark.parametrize("kind", ["step", "stl", "glb", "source"])
def test_part_leaves_as_a_file_that_reads_back(instructor: Person, tmp_path: Any, kind: str) -> None:
    part = instructor.get("/api/parts?words=batten stop")["parts"][0]
    answer = instructor.send("GET", f"/api/parts/{part['id']}/file/{kind}")
    assert answer.status_code == 200
    assert "Batten-stop." in answer.headers["content-disposition"]
    if kind == "step":
        (tmp_path / "out.step").write_bytes(answer.content)
        assert read_step(tmp_path / "out.step")[1] == "mm"
    elif kind == "source":
        assert answer.json()["name"] == demo_recipe("batten-stop").name
    else:
        body: Any = trimesh.load(io.BytesIO(answer.content), file_type=kind, force="mesh")
        assert len(body.faces) > 20


def test_pictures_and_packed_meshes_are_kept_by_the_browser(instructor: Person) -> None:
    part = instructor.get("/api/parts?words=batten stop")["parts"][0]
    picture = instructor.send("GET", f"/api/models/{part['model']}/picture")
    assert picture.content[:8] == b"\x89PNG\r\n\x1a\n"
    assert "immutable" in picture.headers["cache-control"]
    mesh = instructor.send("GET", f"/api/models/{part['model']}/mesh")
    assert mesh.headers["content-encoding"] == "gzip"
    assert len(mesh.json()["edges"]) == 21


def test_step_upload_carries_a_report_and_a_proposed_position(instructor: Person, tmp_path: Any) -> None:
    part = instructor.get("/api/parts?words=batten stop")["parts"][0]
    data = instructor.send("GET", f"/api/parts/{part['id']}/file/step").content
    sent = instructor.send("POST", "/api/parts", files={"file": ("stop.step", data)}).json()
    assert ready(instructor, sent["id"])["natural_up"] == "+z"
    found = instructor.get(f"/api/parts/{sent['id']}")
    assert found["report"]["protocol"] == "AP214"
    assert found["report"]["read"][0] == "one solid with 9 faces"
    assert (found["report"]["healed"], found["report"]["left_out"]) == ([], [])
    assert instructor.status("GET", f"/api/parts/{sent['id']}/recipe") == 409


def test_another_instructors_parts_are_not_there(log_in: LogIn, instructor: Person) -> None:
    admin = log_in("otto.brandt")
    new = {"login": "second.teacher", "name": "Second Teacher", "role": "instructor", "password": "loom-and-shuttle"}
    admin.send("POST", "/api/people", json=new)
    other = log_in("second.teacher")
    other.send("POST", "/api/me/password", json={"old": "loom-and-shuttle", "new": "warp-and-weft-77"})
    part = instructor.get("/api/parts")["parts"][0]
    assert other.get("/api/parts")["total"] == 0
    for method, path, body in (
        ("GET", "", None),
        ("GET", "/recipe", None),
        ("GET", "/file/stl", None),
        ("PATCH", "", {"archived": True}),
        ("POST", "/copy", None),
        ("PUT", "/recipe", plate("mine")),
    ):
        assert other.status(method, f"/api/parts/{part['id']}{path}", json=body) == 404, path
    assert other.status("GET", f"/api/models/{part['model']}") == 404
