"""The count table adds up as a person counts: by hand, whatever is given, in whatever order."""

import random
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from maqueta.judging.dimension_survey import DimensionSurvey
from maqueta.judging.survey import Survey
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.projection.attitude import USUAL_FRONT
from maqueta.sheet.dimension import AngleDimension, Dimension, LinearDimension
from maqueta.sizes.count import COUNT_ROWS, SizeCount, count
from maqueta.sizes.form.model import form_model
from maqueta.task.exercise import Exercise
from tests.parts import hole, made, projected
from tests.sizes.counted_parts import COUNTED, extrude

#: By hand, as in the comments of `counted_parts`: width, height, depth, angles, diameters and radii.
BY_HAND = {
    "wedge": (1, 1, 1, 0, 0),
    "wedge with a flat": (2, 1, 1, 0, 0),
    "slope over uprights": (1, 2, 1, 0, 0),
    "one corner cut": (2, 2, 1, 0, 0),
    "two corners cut": (3, 3, 1, 0, 0),
    "leaning ridge": (2, 1, 1, 0, 0),
    "cylinder": (0, 1, 0, 0, 1),
    "cone": (0, 1, 0, 0, 1),
    "frustum": (0, 1, 0, 0, 2),
    "chamfered shaft": (0, 2, 0, 0, 2),
    "tapered shaft": (0, 3, 0, 0, 2),
    "ball": (0, 0, 0, 0, 1),
    "boss with a rounded foot": (0, 2, 0, 0, 3),
    "hole": (2, 1, 2, 0, 1),
    "dovetail": (5, 2, 1, 0, 0),
}
FEATURES: dict[str, list[dict[str, Any]]] = {name: features for name, features, _ in COUNTED}
#: One corner cut, so that it slopes: base, flat, both heights, depth.
SLOPED = projected(*FEATURES["one corner cut"], natural_up="+z")
TASK = Exercise.model_validate({"front": {"accept": [{"side": "-y", "up": "+z"}]}, "pictorial": "unwanted"})


def _needed(rows: tuple[SizeCount, ...]) -> tuple[int, ...]:
    return tuple(row.needed for row in rows)


@pytest.mark.parametrize("name", BY_HAND)
def test_rows_are_those_of_the_count_by_hand(name: str) -> None:
    assert _needed(count(form_model(made(*FEATURES[name])[1]), USUAL_FRONT)) == BY_HAND[name]


def test_a_hole_a_slope_and_a_chamfer() -> None:
    """Block 60 × 40 × 20 with a slope of 30 × 20, a chamfer of 5 × 5 and a hole: base, flat and chamfer across; height,
    upright and chamfer up; depth; the hole's two distances and its diameter.
    """
    profile = extrude((0, 0), (55, 0), (60, 5), (60, 20), (30, 40), (0, 40), depth=20)
    rows = count(form_model(made(profile, hole((15, 0, 15), "+y", 8))[1]), USUAL_FRONT)
    assert [row.row for row in rows] == list(COUNT_ROWS)
    assert _needed(rows) == (4, 4, 1, 0, 1)


def _counted(dimensions: tuple[Dimension, ...]) -> DimensionSurvey:
    sheet = model_sheet(SLOPED, TASK, Drafter("A", "B", "2026-11-20"))
    return DimensionSurvey(Survey(SLOPED, TASK, sheet.model_copy(update={"dimensions": dimensions})))


PROPOSED = model_sheet(SLOPED, TASK, Drafter("A", "B", "2026-11-20")).dimensions


@settings(max_examples=40, deadline=None)
@given(st.sets(st.integers(0, len(PROPOSED) - 1)), st.randoms())
def test_the_sum_is_what_is_needed_whatever_is_given(chosen: set[int], shuffle: random.Random) -> None:
    given_ones = [PROPOSED[index] for index in chosen]
    rows = _counted(tuple(given_ones)).counts
    assert sum(row.needed for row in rows) == 5
    assert sum(row.missing for row in rows) == 5 - len(chosen)
    assert all(row.missing >= 0 for row in rows)
    shuffle.shuffle(given_ones)
    assert _counted(tuple(given_ones)).counts == rows


def test_a_slope_given_by_its_angle_counts_there() -> None:
    sheet = model_sheet(SLOPED, TASK, Drafter("A", "B", "2026-11-20"))
    front = next(view.id for view in sheet.views if view.attitude == USUAL_FRONT)
    corner = (80.0, 20.0)
    angle = AngleDimension(id="a", view=front, vertex=corner, start=(80.0, 0.0), end=(30.0, 50.0), place=(0.0, 0.0))
    rows = {row.row: row for row in _counted((angle,)).counts}
    assert (rows["angle"].given, rows["angle"].needed) == (1, 1)
    assert sum(row.needed for row in rows.values()) == 5
    aslant = LinearDimension(id="s", view=front, start=corner, end=(30.0, 50.0), along="aligned", place=(0.0, 0.0))
    rows = {row.row: row for row in _counted((aslant,)).counts}
    assert (rows["angle"].given, rows["angle"].needed) == (1, 1)
    assert sum(row.needed for row in rows.values()) == 5


def test_what_is_given_twice_is_too_many_and_not_needed() -> None:
    twice = (*PROPOSED, PROPOSED[0].model_copy(update={"id": "again"}))
    rows = _counted(twice).counts
    assert sum(row.surplus for row in rows) == 1
    assert sum(row.missing for row in rows) == 0
    assert _needed(rows) == _needed(_counted(PROPOSED).counts)
