"""Sizes between two points: where text, arrowheads and lines stand (ISO 129-1 and ASME Y14.5, from memory)."""

import math
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from maqueta.drawing.dimension_ink import dimension_items
from maqueta.drawing.ink import Filled, Item, Stroke, Text, text_corners
from maqueta.drawing.lettering import text_width
from maqueta.drawing.pens import ARROW_LENGTH, DIMENSION_TEXT
from maqueta.geometry.box import box_of
from maqueta.sheet.dimension import LinearDimension
from maqueta.sheet.document import SheetDocument, Style
from maqueta.sheet.placed import placed_views
from tests.parts import demo_projected

PART = demo_projected("reed-clamp")


def drawn(length: float, style: Style = "iso", along: str = "across", **more: Any) -> list[Item]:
    """The ink of a size from (100, 100) to the right or upwards, its line 20 mm off."""
    size = LinearDimension.model_validate(
        {
            "id": "d1",
            "view": "v1",
            "start": (0, 0),
            "end": (length, 0) if along == "across" else (0, length),
            "along": along,
            "place": (0, -20) if along == "across" else (-20, 0),
        }
        | more
    )
    view = {"id": "v1", "kind": "principal", "look": {"side": "-y", "up": "+z"}, "scale": 1, "at": (100, 100)}
    sheet = SheetDocument.model_validate({"style": style, "views": [view], "dimensions": [size]})
    (placed,) = placed_views(PART, sheet)
    return dimension_items(size, placed, sheet, "mm")


@pytest.mark.parametrize("style", ["iso", "asme"])
@pytest.mark.parametrize("along", ["across", "up"])
@pytest.mark.parametrize("turned", [False, True])
@pytest.mark.parametrize("length", [40.0, 4.0])
def test_a_size_given_by_half_has_one_arrowhead_and_runs_past_the_axis(
    length: float, turned: bool, along: str, style: Style
) -> None:
    """A partly drawn dimension line (ISO 129-1, from memory): nothing is drawn at the axis, and the size is whole."""
    sense = -1.0 if turned else 1.0
    end = (sense * length, 0) if along == "across" else (0, sense * length)
    items = drawn(length, style, along, end=end, by_half=True)
    assert the_text(items).text == f"{2 * length:g}"
    (head,) = (item for item in items if isinstance(item, Filled))
    way = 0 if along == "across" else 1
    assert head.points[0][way] == pytest.approx(100.0)
    strokes = [item for item in items if isinstance(item, Stroke)]
    extensions = [item for item in strokes if item.stretches]
    assert [point[way] for item in extensions for point in item.points] == [pytest.approx(100.0)] * 2
    if length > 20:
        reach = [sense * (point[way] - 100.0) for item in strokes for point in item.points]
        assert (min(reach), max(reach)) == pytest.approx((0.0, length + 2 * ARROW_LENGTH))


def the_text(items: list[Item]) -> Text:
    (text,) = (item for item in items if isinstance(item, Text))
    return text


def middle(text: Text) -> tuple[float, float]:
    left, bottom, right, top = box_of(text_corners(text))
    return ((left + right) / 2, (bottom + top) / 2)


def heads(items: list[Item]) -> list[tuple[float, float]]:
    """Where arrowheads point: the way from their base to their tip."""
    found = []
    for item in items:
        if isinstance(item, Filled):
            tip, a, b = item.points
            found.append((round(tip[0] - (a[0] + b[0]) / 2, 6), round(tip[1] - (a[1] + b[1]) / 2, 6)))
    return found


def along_the_line(items: list[Item], level: float = 80.0) -> list[tuple[float, float]]:
    """The spans of the strokes that run along a dimension line across."""
    on = [i.points for i in items if isinstance(i, Stroke) and all(abs(y - level) < 1e-6 for _, y in i.points)]
    return sorted((min(x for x, _ in line), max(x for x, _ in line)) for line in on)


def test_text_stands_over_the_middle_unless_it_is_shifted() -> None:
    assert middle(the_text(drawn(60)))[0] == pytest.approx(130)
    assert middle(the_text(drawn(60, shift=12)))[0] == pytest.approx(142)
    assert middle(the_text(drawn(60, along="up", shift=-12)))[1] == pytest.approx(118)


def test_line_is_interrupted_where_a_level_text_stands() -> None:
    half = text_width("60.00", DIMENSION_TEXT) / 2
    for shift in (0.0, 10.0, -10.0):
        items = drawn(60, "asme", shift=shift, decimals=2)
        (left, gap), (back, right) = along_the_line(items)
        assert (left, right) == (100, 160)
        assert gap < 130 + shift - half < 130 + shift + half < back


@pytest.mark.parametrize("style", ["iso", "asme"])
def test_line_reaches_a_text_beyond_its_ends(style: Style) -> None:
    for shift in (25.0, -25.0):
        items = drawn(20, style, shift=shift)
        left, _, right, _ = box_of(text_corners(the_text(items)))
        spans = along_the_line(items)
        reached = (min(low for low, _ in spans), max(high for _, high in spans))
        if style == "iso":
            assert reached[0] <= left + 1e-6 or shift > 0
            assert reached[1] >= right - 1e-6 or shift < 0
        else:
            assert right <= reached[0] or left >= reached[1]


def test_arrowheads_stand_where_they_fit_or_where_they_are_wanted() -> None:
    inwards = [(ARROW_LENGTH, 0), (-ARROW_LENGTH, 0)]
    outwards = inwards[::-1]
    assert heads(drawn(60)) == outwards
    assert heads(drawn(6)) == inwards
    assert heads(drawn(60, arrows="outside")) == inwards
    assert heads(drawn(9, arrows="inside")) == outwards
    # A text that is out of the way leaves room for arrowheads that had none.
    assert heads(drawn(10, decimals=4)) == inwards
    assert heads(drawn(10, decimals=4, led=(40, -40))) == outwards
    assert heads(drawn(10, decimals=4, shift=30)) == outwards


def test_text_on_a_leader_stands_off_its_line_without_an_arrowhead_at_it() -> None:
    items = drawn(10, led=(30, -35))
    assert len(heads(items)) == 2
    leader = next(i for i in items if isinstance(i, Stroke) and i.points[1] == (130, 65))
    assert leader.points[0] == pytest.approx((105, 80))
    left, bottom, _, _ = box_of(text_corners(the_text(items)))
    assert left > 130
    assert bottom > 65


@given(
    length=st.floats(1, 300),
    shift=st.floats(-200, 200),
    style=st.sampled_from(["iso", "asme"]),
    arrows=st.sampled_from(["fitting", "inside", "outside"]),
)
def test_line_is_whole_but_for_its_text(length: float, shift: float, style: Style, arrows: str) -> None:
    """Wherever the text stands, ink runs from one extension line to the other, and no stroke is crossed by the text."""
    items = drawn(length, style, shift=shift, arrows=arrows)
    text = the_text(items)
    left, _, right, _ = box_of(text_corners(text))
    spans = along_the_line(items)
    covered = sum(max(0.0, min(high, 100 + length) - max(low, 100)) for low, high in spans)
    hole = 0.0
    if style == "asme" and left - 1 <= 100 + length and right + 1 >= 100:
        hole = right - left + 2.0
    assert covered >= length - hole - 1e-6
    if style == "asme":
        assert all(high <= left + 1e-6 or low >= right - 1e-6 for low, high in spans)


def test_each_size_may_have_decimals_of_its_own() -> None:
    assert the_text(drawn(60)).text == "60"
    assert the_text(drawn(60, decimals=2)).text == "60.00"
    assert the_text(drawn(60.25, decimals=0)).text == "60"
    assert the_text(drawn(60, decimals=3, text="<> ±0.005")).text == "60.000 ±0.005"


def test_slanted_line_keeps_its_shift_along_itself() -> None:
    items = drawn(30, along="aligned", end=(30, 40), place=(30, -10), shift=5)
    still = drawn(30, along="aligned", end=(30, 40), place=(30, -10))
    (x0, y0), (x1, y1) = middle(the_text(still)), middle(the_text(items))
    assert math.dist((x0, y0), (x1, y1)) == pytest.approx(5)
    assert ((x1 - x0) / 5, (y1 - y0) / 5) == pytest.approx((0.6, 0.8))
