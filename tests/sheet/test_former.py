"""Documents of former formats open as what they were: same views, same names, same findings."""

import json
from pathlib import Path
from typing import Any

import pytest

from maqueta.judging.report import check, report
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.former import upgraded
from maqueta.task.exercise import Exercise
from tests.parts import demo_projected

#: Each with the part, the task, and what the checks said of it while format 1 was the present one.
KEPT = sorted((Path(__file__).parent / "format_1").glob("*.json"))


@pytest.fixture(params=KEPT, ids=[path.stem for path in KEPT])
def kept(request: pytest.FixtureRequest) -> dict[str, Any]:
    loaded: dict[str, Any] = json.loads(request.param.read_text("utf-8"))
    return loaded


def test_a_document_of_format_1_is_judged_as_before(kept: dict[str, Any]) -> None:
    assert kept["document"]["format"] == 1
    document = SheetDocument.model_validate(kept["document"])
    result = report(check(demo_projected(kept["part"]), Exercise.model_validate(kept["task"]), document))
    assert [{key: view[key] for key in ("id", "name", "side", "up")} for view in result["views"]] == kept["views"]
    # The corner of a pictorial view was not judged then.
    findings = [f for f in result["findings"] if not f["rule"].startswith("pictorial.")]
    assert [[f["rule"], f["views"], f["message"]] for f in findings] == kept["findings"]


def test_what_was_opened_once_is_of_the_present_format(kept: dict[str, Any]) -> None:
    document = SheetDocument.model_validate(kept["document"])
    again = json.loads(document.model_dump_json())
    assert again["format"] == 2
    assert SheetDocument.model_validate(again) == document
    assert upgraded(again) is again
    assert document.front == kept["document"]["front"] or kept["document"]["front"] is None


def test_front_and_folded_views_are_told_from_the_front_that_was_named(kept: dict[str, Any]) -> None:
    front = kept["document"]["front"]
    for view in SheetDocument.model_validate(kept["document"]).views:
        hangs = front is not None and view.kind == "principal" and view.id != front
        assert view.parent == (front if hangs else None)


def test_a_document_that_does_not_say_its_format_is_told_by_its_views() -> None:
    view = {"id": "v1", "at": [100, 100]}
    old = SheetDocument.model_validate({"views": [{**view, "side": "-y", "up": "+z"}]})
    new = SheetDocument.model_validate({"views": [{**view, "look": {"side": "-y", "up": "+z"}}]})
    assert old == new
    assert SheetDocument.model_validate({"front": "v1", "views": [{**view, "corner": "+++"}]}).front is None


@pytest.mark.parametrize(
    ("document", "where"),
    [
        ({"format": 1, "views": [{"id": "v1", "side": "-y", "up": "+z", "at": [0, "x"]}]}, "views.0.at.1"),
        ({"format": 1, "views": [{"id": "v1", "side": "q", "up": "+z", "at": [0, 0]}]}, "views.0.look"),
        ({"format": 1, "views": [{"id": "v1", "side": "-y", "at": [0, 0]}]}, "views.0.look"),
        ({"format": 1, "views": [{"id": "v1", "tilt": 3, "side": "-y", "up": "+z", "at": [0, 0]}]}, "views.0.tilt"),
        ({"format": 1, "front": "v7", "views": []}, "front"),
        ({"format": 1, "views": {"v1": 3}}, "views"),
        ({"format": 1, "views": [7]}, "views.0"),
        ({"format": 9, "views": []}, "format"),
    ],
)
def test_a_broken_one_is_refused_by_its_key(document: dict[str, Any], where: str) -> None:
    with pytest.raises(ValueError, match="validation error") as refused:
        SheetDocument.model_validate(document)
    locations = [".".join(map(str, error["loc"])) for error in refused.value.errors()]  # type: ignore[attr-defined]
    assert any(location.startswith(where) for location in locations), locations
