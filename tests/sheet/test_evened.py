"""Even gaps: the sums of the trade, and what must not change."""

import itertools
from collections.abc import Sequence

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from maqueta.geometry.box import meet
from maqueta.judging.report import check
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.projection.arrangement import Angle
from maqueta.sheet.columns import columns_meant
from maqueta.sheet.document import Paper, SheetDocument
from maqueta.sheet.evened import evened
from maqueta.sheet.placed import placed_views
from maqueta.sheet.view import Square, View
from maqueta.sizes.centre_marks import lacking_marks, proposed_marks
from maqueta.task.exercise import Exercise
from tests.parts import block, demo_projected, projected

INCH = 25.4


def test_gaps_of_the_worked_example() -> None:
    """Front 8 wide and 3 1/2 high, top 4 deep, right 4 wide: gaps 6 1/3 in across, 3 5/6 in up (common practice)."""
    part = projected(block((8, 4, 3.5)), units="inch")
    sheet = SheetDocument(
        paper=Paper.model_validate({"size": "ANSI C", "frame": {"border": (0, 0, 31 * INCH, 19 * INCH)}}),
        units="inch",
        views=(
            View(id="v1", look=Square(side="-y", up="+z"), at=(50, 50)),
            View(id="v2", look=Square(side="+z", up="+y"), parent="v1", at=(50, 250)),
            View(id="v3", look=Square(side="+x", up="+z"), parent="v1", at=(400, 50)),
        ),
    )
    boxes = {item.view.id: item.box for item in placed_views(part, evened(part, sheet, "third"))}
    assert boxes["v1"][0] / INCH == pytest.approx(6 + 1 / 3, abs=1e-6)
    assert (boxes["v3"][0] - boxes["v1"][2]) / INCH == pytest.approx(6 + 1 / 3, abs=1e-6)
    assert (boxes["v2"][1] - boxes["v1"][3]) / INCH == pytest.approx(3 + 5 / 6, abs=1e-6)


NAMED = {"top": Square(side="+z", up="+y"), "right": Square(side="+x", up="+z"), "rear": Square(side="+y", up="+z")}


def _heap(names: Sequence[str], steps: Sequence[tuple[float, float]]) -> SheetDocument:
    """A front view 80 × 35 and others, all nearly at one place."""
    at = [(100 + dx, 100 + dy) for dx, dy in steps]
    front = View(id="front", look=Square(side="-y", up="+z"), at=at[0])
    others = [View(id=n, look=NAMED[n], parent="front", at=p) for n, p in zip(names, at[1:], strict=True)]
    return SheetDocument(views=(front, *others))


LITTLE = st.tuples(st.floats(-9, 9), st.floats(-9, 9))


@settings(max_examples=30, deadline=None)
@given(st.permutations(["top", "right"]), st.lists(LITTLE, min_size=3, max_size=3), st.sampled_from(["first", "third"]))
def test_a_heap_has_the_columns_it_is_meant_to_have(
    names: list[str], steps: list[tuple[float, float]], angle: Angle
) -> None:
    part = projected(block((80, 40, 35)))
    sheet = _heap(names, steps)
    placed = placed_views(part, sheet)
    columns = columns_meant(placed, placed[0], placed[0].view.attitude, angle)
    third = angle == "third"
    assert [set(c.views) for c in columns.across] == [{"front", "top"}, {"right"}][:: 1 if third else -1]
    assert [set(c.views) for c in columns.up] == [{"front", "right"}, {"top"}][:: 1 if third else -1]
    assert sorted(column.size for column in columns.across) == pytest.approx([40, 80])
    boxes = [item.box for item in placed_views(part, evened(part, sheet, angle))]
    assert not any(meet(a, b) for a, b in itertools.combinations(boxes, 2))


def test_views_clear_of_the_front_are_meant_where_they_stand() -> None:
    """Laid out in first angle where third is asked for: gaps are those of the sheet as it is drawn."""
    part = projected(block((80, 40, 35)))
    placed = placed_views(part, _heap(["top", "right", "rear"], [(0, 0), (0, -60), (-60, 0), (130, 0)]))
    columns = columns_meant(placed, placed[0], placed[0].view.attitude, "third")
    assert [c.views for c in columns.across] == [("right",), ("front", "top"), ("rear",)]
    assert [c.views for c in columns.up] == [("top",), ("front", "right", "rear")]


def test_two_views_of_one_side_are_counted_as_they_lie() -> None:
    part = projected(block((80, 40, 35)))
    sheet = _heap(["top"], [(0, 0), (0, 60)])
    twice = sheet.model_copy(update={"views": (*sheet.views, View(id="t2", look=NAMED["top"], at=(250, 160)))})
    placed = placed_views(part, twice)
    columns = columns_meant(placed, placed[0], placed[0].view.attitude, "third")
    assert [c.views for c in columns.across] == [("front", "top"), ("t2",)]
    assert [c.views for c in columns.up] == [("front",), ("top", "t2")]


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
    result = evened(part, sheet.model_copy(update={"views": moved}), "third")
    front, top = result.view("v1"), result.view("v2")
    assert top.at[0] - front.at[0] == pytest.approx(moved[1].at[0] - moved[0].at[0], abs=1e-5)
    again = evened(part, result, "third")
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
