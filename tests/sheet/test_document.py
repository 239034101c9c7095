"""The sheet document refuses what cannot be a sheet, and keeps everything else."""

from typing import Any

import pytest
from pydantic import ValidationError

from maqueta.sheet.document import SheetDocument

VIEW = {"id": "v1", "side": "-y", "up": "+z", "at": [100, 100]}


def sheet(**change: Any) -> dict[str, Any]:
    return {"format": 1, "views": [VIEW], **change}


def test_document_survives_a_round_trip() -> None:
    document = SheetDocument.model_validate(sheet(front="v1", title={"fields": {"title": "X"}, "angle": "third"}))
    assert SheetDocument.model_validate_json(document.model_dump_json()) == document


def test_empty_document_is_a_blank_sheet() -> None:
    assert SheetDocument.model_validate({}).views == ()


@pytest.mark.parametrize(
    "change",
    [
        {"colour": "red"},
        {"format": 2},
        {"format": 3},
        {"views": [{**VIEW, "at": [float("nan"), 0]}]},
        {"views": [{**VIEW, "at": [1e300, 0]}]},
        {"views": [{**VIEW, "scale": 0}]},
        {"views": [{**VIEW, "up": "+y"}]},
        {"views": [{**VIEW, "corner": "+++"}]},
        {"views": [{"id": "v1", "at": [0, 0]}]},
        {"views": [VIEW, VIEW]},
        {"front": "v9"},
        {"marks": [{"kind": "mark", "id": "m1", "view": "v9", "centre": [0, 0], "radius": 1}]},
        {"dimensions": [{"kind": "linear", "id": "d", "view": "v1", "start": [0, 0], "end": [1, 1], "along": "round"}]},
        {"title": {"fields": {"colour": "red"}}},
    ],
)
def test_what_is_no_sheet_is_refused(change: dict[str, Any]) -> None:
    with pytest.raises(ValidationError):
        SheetDocument.model_validate(sheet(**change))
