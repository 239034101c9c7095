"""Where dimensions stand: each rule on a faultless sheet with one dimension moved."""

import pytest

from maqueta.judging.finding import Finding
from maqueta.judging.report import check
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.sheet.dimension import LinearDimension
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.placed import placed_views
from maqueta.task.exercise import Exercise
from tests.parts import seven_block

PART = seven_block()
TASK = Exercise(views=("front", "top", "right"), pictorial="unwanted")
SHEET = model_sheet(PART, TASK, Drafter("A", "B", "2026-11-20"))
FRONT = next(item for item in placed_views(PART, SHEET) if item.view.id == "v1")
ACROSS = sorted(
    (d for d in SHEET.dimensions if d.kind == "linear" and d.view == "v1" and d.along == "across"),
    key=lambda d: abs(d.end[0] - d.start[0]),
)
SHORT, LONG = ACROSS[0], ACROSS[-1]


def _level(dimension: LinearDimension, below: float) -> LinearDimension:
    """A dimension across the front view, so many mm below its outline."""
    at = FRONT.box[1] - FRONT.view.at[1] - below
    return dimension.model_copy(update={"place": (dimension.place[0], at)})


def _found(*changed: LinearDimension, also: tuple[LinearDimension, ...] = ()) -> list[Finding]:
    by_id = {d.id: d for d in changed}
    dimensions = (*(by_id.get(d.id, d) for d in SHEET.dimensions), *also)
    sheet = SheetDocument.model_validate(SHEET.model_copy(update={"dimensions": dimensions}).model_dump())
    return [f for f in check(PART, TASK, sheet).findings if f.rule.startswith("placement.")]


def _rules(findings: list[Finding]) -> set[tuple[str, str]]:
    return {(f.rule, f.variant) for f in findings}


def test_the_model_sheet_is_placed_well() -> None:
    assert len(ACROSS) == 3
    assert _found() == []


def test_shorter_outside_longer() -> None:
    moved = _found(_level(SHORT, 40), _level(ACROSS[1], 20), _level(LONG, 12))
    order = [f for f in moved if f.rule == "placement.order"]
    assert {f.items[0] for f in order} == {SHORT.id, ACROSS[1].id}
    assert all(f.severity == "warning" for f in order)


@pytest.mark.parametrize(("below", "found"), [(9.0, True), (9.6, False), (10.0, False), (2.0, True)])
def test_first_row_keeps_ten_millimetres(below: float, found: bool) -> None:
    """ASME Y14.5 (from memory): 10 mm to the outline."""
    moved = _rules(_found(_level(SHORT, below), _level(ACROSS[1], 20), _level(LONG, 28)))
    assert (("placement.spacing", "first") in moved) is found


@pytest.mark.parametrize(("apart", "found"), [(5.0, True), (6.0, False), (8.0, False)])
def test_further_rows_keep_six_millimetres(apart: float, found: bool) -> None:
    """ASME Y14.5 (from memory): 6 mm between parallel dimension lines."""
    moved = _rules(_found(_level(SHORT, 12), _level(ACROSS[1], 12 + apart), _level(LONG, 12 + 2 * apart)))
    assert (("placement.spacing", "next") in moved) is found


def test_a_dimension_over_the_view() -> None:
    assert ("placement.on-part", "") in _rules(_found(_level(SHORT, -8)))


def test_crossed_dimension_lines_and_extension_lines() -> None:
    up = next(d for d in SHEET.dimensions if d.kind == "linear" and d.view == "v1" and d.along == "up")
    middle = (LONG.start[0] + LONG.end[0]) / 2 * FRONT.factor
    low = FRONT.box[1] - FRONT.view.at[1]
    foot = (up.start[0], (low - 40) / FRONT.factor)
    through = up.model_copy(update={"id": "x", "start": foot, "place": (middle, up.place[1])})
    assert ("placement.crossing", "") in _rules(_found(also=(through,)))
    outside = _found(_level(SHORT, 40), _level(LONG, 12))
    assert any(f.variant == "extension" and f.items == (LONG.id, SHORT.id) for f in outside) == (
        min(SHORT.start[0], SHORT.end[0]) > min(LONG.start[0], LONG.end[0])
        or max(SHORT.start[0], SHORT.end[0]) < max(LONG.start[0], LONG.end[0])
    )


def test_texts_over_texts() -> None:
    twice = LONG.model_copy(update={"id": "again", "text": "80 OVER ALL"})
    assert ("placement.overlap", "") in _rules(_found(also=(twice,)))


def test_nothing_is_said_where_no_dimensions_are_asked() -> None:
    asked = TASK.model_copy(update={"dimensioning": TASK.dimensioning.model_copy(update={"required": False})})
    sheet = SHEET.model_copy(update={"dimensions": (_level(SHORT, 2.0),)})
    result = check(PART, asked, sheet)
    assert not [f for f in result.findings if f.rule.startswith("placement.")]
    assert "placement" in result.scope.unjudged
