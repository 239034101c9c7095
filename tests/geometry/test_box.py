"""Boxes, against a general geometry library."""

import itertools

import pytest
import shapely
from hypothesis import given
from hypothesis import strategies as st

from maqueta.geometry.box import Box, apart, box_of, grown, meet, middle_of, outline_of, size_of, union, within

# Whole numbers, so that touching boxes occur; boxes without area have no inside in the library.
sides = st.tuples(st.integers(-9, 9), st.integers(-9, 9), st.integers(1, 9), st.integers(1, 9))
boxes = sides.map(lambda b: (float(b[0]), float(b[1]), float(b[0] + b[2]), float(b[1] + b[3])))


def polygon(box: Box) -> shapely.Geometry:
    return shapely.box(*box)


@given(boxes, boxes)
def test_how_two_boxes_lie_to_each_other(a: Box, b: Box) -> None:
    assert apart(a, b) == pytest.approx(shapely.distance(polygon(a), polygon(b)))
    assert meet(a, b) == bool(shapely.intersects(polygon(a), polygon(b)))
    assert within(a, b) == bool(shapely.covers(polygon(b), polygon(a)))
    assert meet(a, b, 1.5) == meet(grown(a, 0.75), grown(b, 0.75))
    assert meet(a, b, -0.5) <= meet(a, b)


@given(st.lists(boxes, min_size=1, max_size=6))
def test_the_box_around_boxes(some: list[Box]) -> None:
    assert union(some) == tuple(shapely.total_bounds([polygon(box) for box in some]).tolist())
    assert all(within(box, union(some)) for box in some)
    assert union(some) == box_of(point for box in some for point in outline_of(box))


@given(boxes)
def test_an_outline_is_closed_and_runs_counter_clockwise(box: Box) -> None:
    outline = outline_of(box)
    assert outline[0] == outline[-1] == box[:2]
    area = sum(x0 * y1 - x1 * y0 for (x0, y0), (x1, y1) in itertools.pairwise(outline)) / 2
    assert within((*middle_of(box), *middle_of(box)), box)
    assert area == pytest.approx(size_of(box)[0] * size_of(box)[1])


def test_no_points_have_no_box() -> None:
    with pytest.raises(ValueError, match="unpack"):
        box_of([])
