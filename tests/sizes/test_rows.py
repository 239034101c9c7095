"""Rows of dimensions evened: at even distances, in the order they stood in, and nothing else moved."""

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from maqueta.judging.report import check
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.sheet.dimension import Dimension, LinearDimension
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.placed import placed_views
from maqueta.sizes.rows import FIRST_ROW, row_step, rows_evened
from maqueta.task.exercise import Exercise
from tests.parts import demo_projected

PART = demo_projected("reed-clamp")
TASK = Exercise.model_validate({"views": ["front", "top", "right"], "pictorial": "unwanted"})
SHEET = model_sheet(PART, TASK, Drafter("A", "B", "2026-11-20"))
VIEWS = {item.view.id: item for item in placed_views(PART, SHEET)}
LINEAR = [d for d in SHEET.dimensions if isinstance(d, LinearDimension)]


def _evened(dimensions: tuple[Dimension, ...]) -> dict[str, Dimension]:
    return {d.id: d for d in rows_evened(dimensions, VIEWS.values(), False)}


def _off(dimension: Dimension) -> float:
    """How far a dimension line below or left of its view stands off it."""
    assert isinstance(dimension, LinearDimension)
    index = 0 if dimension.along == "across" else 1
    item = VIEWS[dimension.view]
    return item.box[1 - index] - item.view.at[1 - index] - dimension.place[1 - index]


def _moved(by: list[float]) -> tuple[Dimension, ...]:
    """The sheet's sizes across and up, each drawn further out by some millimetres."""
    changed = {}
    for dimension, more in zip(LINEAR, by, strict=True):
        x, y = dimension.place
        place = (x, y - more) if dimension.along == "across" else (x - more, y)
        changed[dimension.id] = dimension.model_copy(update={"place": place})
    return tuple(changed.get(d.id, d) for d in SHEET.dimensions)


@settings(max_examples=60, deadline=None)
@given(st.lists(st.floats(-6, 20), min_size=len(LINEAR), max_size=len(LINEAR)))
def test_rows_stand_at_even_distances_in_their_order(by: list[float]) -> None:
    drawn = _moved(by)
    even = _evened(drawn)
    for dimension in drawn:
        if not isinstance(dimension, LinearDimension):
            assert even[dimension.id] == dimension, "what is no row stays"
            continue
        row = (_off(even[dimension.id]) - FIRST_ROW) / row_step(False, False)
        assert row == pytest.approx(round(row), abs=1e-4)
        assert row >= -1e-4
        for other in drawn:
            beside = isinstance(other, LinearDimension) and (other.view, other.along) == (
                dimension.view,
                dimension.along,
            )
            if beside and _off(dimension) < _off(other):
                assert _off(even[dimension.id]) <= _off(even[other.id]) + 1e-4
    assert _evened(tuple(even.values())) == even, "evened once is evened"


def test_evened_rows_raise_no_finding_of_spacing() -> None:
    close = SHEET.model_copy(update={"dimensions": _moved([-6 + 0.1 * k for k in range(len(LINEAR))])})

    def rules(sheet: SheetDocument) -> set[str]:
        return {f.rule for f in check(PART, TASK, sheet).findings}

    assert "placement.spacing" in rules(close)
    even = tuple(_evened(close.dimensions).values())
    assert "placement.spacing" not in rules(close.model_copy(update={"dimensions": even}))


def test_rows_above_are_evened_upwards_and_sizes_upon_the_view_stay() -> None:
    first, second = [d for d in LINEAR if d.along == "across" and d.view == "v1"][:2]
    item = VIEWS["v1"]
    above = first.model_copy(update={"place": (0.0, item.box[3] - item.view.at[1] + 31.0)})
    upon = second.model_copy(update={"place": (0.0, (item.box[1] + item.box[3]) / 2 - item.view.at[1])})
    even = _evened((above, upon))
    assert even[above.id].place[1] == pytest.approx(item.box[3] - item.view.at[1] + FIRST_ROW)
    assert even[upon.id] == upon
