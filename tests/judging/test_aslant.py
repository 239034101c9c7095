"""Sizes along a slant of nothing: found, told as they were meant, and taken for what they were meant to say."""

from typing import Any

import pytest

from maqueta.judging.catalogue import wording
from maqueta.judging.finding import Finding
from maqueta.judging.report import check
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.phrases.said import LANGUAGES, said
from maqueta.sheet.dimension import LinearDimension
from maqueta.sheet.dimension_words import dimension_text
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.placed import placed_views
from maqueta.sheet.view import View
from maqueta.sizes.slanted import meant_along
from maqueta.task.exercise import Exercise
from tests.parts import block, hole, projected
from tests.sizes.counted_parts import extrude
from tests.trust.parts import KINDS
from tests.trust.sheets import right_sheet

TASK = Exercise.model_validate({"views": ["front", "top", "right"], "pictorial": "unwanted"})
STEPPED = projected(block((80, 40, 20)), block((40, 40, 30), at=(0, 0, 20)), hole((60, 20, 20), "-z", 10))
SHEET = model_sheet(STEPPED, TASK, Drafter("A", "B", "2026-11-20"))
FRONT = SHEET.front


def _with(**changes: Any) -> SheetDocument:
    """The overall length taken from the lower left corner to a corner further up, along the slant."""
    own = next(d for d in SHEET.dimensions if d.view == FRONT and dimension_text(d, SHEET, "mm") == "80")
    assert isinstance(own, LinearDimension)
    low, high = sorted((own.start[0], own.end[0]))
    slanted = own.model_copy(update={"start": (low, 0.0), "end": (high, 20.0), "along": "aligned", **changes})
    return SHEET.model_copy(update={"dimensions": tuple(slanted if d.id == own.id else d for d in SHEET.dimensions)})


def _found(sheet: SheetDocument) -> list[Finding]:
    return [f for f in check(STEPPED, TASK, sheet).findings if f.rule.startswith("dimensions.")]


@pytest.mark.parametrize("text", [None, "80", "82.5"])
def test_a_slanted_size_is_told_as_it_was_meant_and_counts_so(text: str | None) -> None:
    (finding,) = _found(_with(text=text))
    assert (finding.rule, finding.severity) == ("dimensions.aslant", "error")
    for language in LANGUAGES:
        assert "80" in said(wording(finding).expected, language)


def test_the_size_typed_over_says_which_direction_was_meant() -> None:
    """Up from the base to the step, but aimed at the far corner."""
    own = next(d for d in SHEET.dimensions if d.view == FRONT and dimension_text(d, SHEET, "mm") == "20")
    assert isinstance(own, LinearDimension)
    slanted = own.model_copy(update={"start": (0.0, 0.0), "end": (80.0, 20.0), "along": "aligned", "text": "20"})
    sheet = SHEET.model_copy(update={"dimensions": tuple(slanted if d.id == own.id else d for d in SHEET.dimensions)})
    assert [(f.rule, f.parameters["along"]) for f in _found(sheet)] == [("dimensions.aslant", "up")]


@pytest.mark.parametrize(("start", "end"), [((0.0, 0.0), (80.0, 0.0)), ((0.0, 0.0), (80.0, 0.5))])
def test_straight_along_a_level_line_is_level(start: tuple[float, float], end: tuple[float, float]) -> None:
    assert "dimensions.aslant" not in {f.rule for f in _found(_with(start=start, end=end))}


#: A wedge: its slope runs from (60, 10) to (0, 40); two holes of the plan are as far apart aslant.
WEDGE = projected(
    extrude((0, 0), (60, 0), (60, 10), (0, 40), depth=30), hole((15, 8, 0), "+z", 6), hole((45, 20, 0), "+z", 6)
)


@pytest.mark.parametrize(
    ("view", "start", "end", "stands"),
    [
        ("front", (60, 10), (0, 40), True),
        ("front", (0, 40), (3, 46), True),
        ("front", (30, 25), (20, 5), True),
        ("front", (0, 0), (60, 10), False),
        ("front", (60, 0), (0, 40), False),
        ("top", (15, 8), (45, 20), True),
        ("top", (0, 0), (60, 30), False),
    ],
)
def test_sizes_along_edges_square_to_them_and_between_holes_stand(
    view: str, start: tuple[float, float], end: tuple[float, float], stands: bool
) -> None:
    looks = {"front": {"side": "-y", "up": "+z"}, "top": {"side": "+z", "up": "+y"}}
    drawn = View.model_validate({"id": "v1", "kind": "principal", "look": looks[view], "scale": 1, "at": (100, 100)})
    size = LinearDimension(id="d1", view="v1", start=start, end=end, along="aligned", place=(0.0, -20.0))
    (placed,) = placed_views(WEDGE, SheetDocument(views=(drawn,)))
    assert (meant_along(placed, size) is None) == stands


@pytest.mark.parametrize("kind", KINDS)
def test_no_right_sheet_has_one(kind: str) -> None:
    for number in range(0, 12, 3):
        case = right_sheet(kind, number)
        if case is not None:
            assert not [f for f in check(case.part, case.task, case.sheet).findings if f.rule == "dimensions.aslant"]
