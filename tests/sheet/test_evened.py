"""Even gaps: the sums of the trade, and what must not change."""

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from maqueta.checking.exercise import Exercise
from maqueta.checking.model_sheet import Drafter, model_sheet
from maqueta.checking.report import check
from maqueta.dimensioning.centre_marks import lacking_marks, proposed_marks
from maqueta.sheet.document import Paper, SheetDocument, View
from maqueta.sheet.evened import evened
from maqueta.sheet.placed import placed_views
from tests.parts import block, demo_projected, projected

INCH = 25.4


def test_gaps_of_the_worked_example() -> None:
    """Front 8 wide and 3 1/2 high, top 4 deep, right 4 wide: gaps 6 1/3 in across, 3 5/6 in up (common practice)."""
    part = projected(block((8, 4, 3.5)), units="inch")
    sheet = SheetDocument(
        paper=Paper.model_validate({"size": "ANSI C", "frame": {"border": (0, 0, 31 * INCH, 19 * INCH)}}),
        units="inch",
        views=(
            View(id="v1", side="-y", up="+z", at=(50, 50)),
            View(id="v2", side="+z", up="+y", at=(50, 250)),
            View(id="v3", side="+x", up="+z", at=(400, 50)),
        ),
        front="v1",
    )
    boxes = {item.view.id: item.box for item in placed_views(part, evened(part, sheet))}
    assert boxes["v1"][0] / INCH == pytest.approx(6 + 1 / 3, abs=1e-6)
    assert (boxes["v3"][0] - boxes["v1"][2]) / INCH == pytest.approx(6 + 1 / 3, abs=1e-6)
    assert (boxes["v2"][1] - boxes["v1"][3]) / INCH == pytest.approx(3 + 5 / 6, abs=1e-6)


@settings(max_examples=30, deadline=None)
@given(st.floats(-30, 30), st.floats(-30, 30), st.floats(-2, 2))
def test_evening_keeps_alignment_and_its_faults(x: float, y: float, fault: float) -> None:
    part = demo_projected("reed-clamp")
    task = Exercise(views=("front", "top", "right"), pictorial="unwanted")
    sheet = model_sheet(part, task, Drafter("A", "B", "2026-11-20"))
    moved = tuple(
        view.model_copy(update={"at": (view.at[0] + x + (fault if view.id == "v2" else 0), view.at[1] + y)})
        for view in sheet.views
    )
    result = evened(part, sheet.model_copy(update={"views": moved}))
    front, top = result.view("v1"), result.view("v2")
    assert top.at[0] - front.at[0] == pytest.approx(moved[1].at[0] - moved[0].at[0], abs=1e-5)
    again = evened(part, result)
    assert [view.at for view in again.views] == [pytest.approx(view.at, abs=1e-5) for view in result.views]
    rules = {f.rule for f in check(part, task, result).findings}
    assert not rules & {"layout.gaps", "layout.centring"}


def test_lacking_centre_marks_complete_the_sheet() -> None:
    part = demo_projected("reed-clamp")
    task = Exercise(views=("front", "top", "right"), pictorial="unwanted")
    sheet = model_sheet(part, task, Drafter("A", "B", "2026-11-20"))
    placed = placed_views(part, sheet)
    some = sheet.marks[::2]
    lacking = lacking_marks(part, placed, some)
    assert len(lacking) == len(sheet.marks) - len(some)
    assert lacking_marks(part, placed, [*some, *lacking]) == []
    assert len({mark.id for mark in (*some, *lacking)}) == len(sheet.marks)
    full = sheet.model_copy(update={"marks": (*some, *lacking)})
    assert "lines.missing-centre" not in {f.rule for f in check(part, task, full).findings}
    assert len(list(proposed_marks(part, placed))) == len(sheet.marks)
