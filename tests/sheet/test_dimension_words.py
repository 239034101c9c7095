"""What stands at a dimension, and what belongs to it (ISO 129-1, ASME Y14.5, from memory)."""

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from maqueta.drawing.dimension_ink import dimension_items
from maqueta.drawing.ink import Arc, Filled, Stroke, Text
from maqueta.drawing.sheet_ink import note_items
from maqueta.sheet.dimension import (
    AngleDimension,
    ChamferDimension,
    Dimension,
    LinearDimension,
    RoundDimension,
    angle_of,
    mapped,
    taken_from,
    true_size,
)
from maqueta.sheet.dimension_words import dimension_text
from maqueta.sheet.document import Note, SheetDocument
from maqueta.sheet.placed import placed_views
from maqueta.sheet.view import Square, View
from maqueta.sizes.text import read_text
from tests.parts import block, projected

MM = SheetDocument(decimals=1)
INCH = SheetDocument(units="inch", style="asme", decimals=3)
SIZE = LinearDimension(id="d", view="v", start=(0, 0), end=(9.525, 0), along="across", place=(0, -12))
ANGLE = AngleDimension(id="a", view="v", vertex=(0, 0), start=(30, 0), end=(20, 20), place=(40, 15))
BEVEL = ChamferDimension(id="c", view="v", start=(78, 40), end=(80, 38), place=(90, 50))


@pytest.mark.parametrize(
    ("dimension", "sheet", "text"),
    [
        (SIZE, MM, "9.5"),
        (SIZE, INCH, ".375"),
        (SIZE, INCH.model_copy(update={"fractions": True}), "3/8"),
        (SIZE, MM.model_copy(update={"fractions": True}), "9.5"),
        (SIZE.model_copy(update={"reference": True}), MM, "(9.5)"),
        (SIZE.model_copy(update={"reference": True, "text": "(10)"}), MM, "(10)"),
        (ANGLE, MM, "45°"),
        (BEVEL, MM, "2 × 45°"),
        (BEVEL.model_copy(update={"count": 4}), MM, "4× 2 × 45°"),
        (RoundDimension(kind="radius", id="r", view="v", centre=(0, 0), radius=5, place=(9, 9), count=2), MM, "2× R5"),
    ],
)
def test_texts(dimension: Dimension, sheet: SheetDocument, text: str) -> None:
    assert dimension_text(dimension, sheet, "mm") == text
    read = read_text(text)
    assert read.reference == dimension.reference
    assert read.count == getattr(dimension, "count", 1)


@given(st.floats(0.1, 3.0), st.floats(0.1, 3.0), st.floats(-3, 3), st.floats(0.1, 5))
def test_an_angle_stays_as_it_is_under_any_move_of_the_plane(
    first: float, sweep: float, turn: float, scale: float
) -> None:
    legs = [(math.cos(a), math.sin(a)) for a in (first, first + sweep)]
    angle = AngleDimension(id="a", view="v", vertex=(0, 0), start=legs[0], end=legs[1], place=(1, 1))

    def move(point: tuple[float, float]) -> tuple[float, float]:
        x, y = point
        return (
            scale * (x * math.cos(turn) - y * math.sin(turn)) + 7,
            scale * (x * math.sin(turn) + y * math.cos(turn)) - 3,
        )

    moved = mapped(angle, move, scale)
    assert isinstance(moved, AngleDimension)
    assert angle_of(moved) == pytest.approx(angle_of(angle)) == pytest.approx(math.degrees(sweep))
    mirrored = mapped(angle, lambda point: (-point[0], point[1]))
    assert isinstance(mirrored, AngleDimension)
    assert angle_of(mirrored) == pytest.approx(angle_of(angle))


def test_a_circle_grows_with_the_plane() -> None:
    circle = RoundDimension(kind="diameter", id="r", view="v", centre=(1, 2), radius=5, place=(0, 0))
    grown = mapped(circle, lambda point: (2 * point[0], 2 * point[1]), 2)
    assert (true_size(grown), taken_from(grown)) == (20, ((12, 4),))


def test_an_angle_is_drawn_as_an_arc_between_its_lines() -> None:
    """Lines that end before the arc are produced to it; two arrowheads touch them."""
    sheet = SheetDocument(views=(View(id="v", look=Square(side="-y", up="+z"), at=(100, 100)),), dimensions=(ANGLE,))
    (placed,) = placed_views(projected(block((80, 10, 40))), sheet)
    items = dimension_items(ANGLE, placed, sheet, "mm")
    (arc,) = [item for item in items if isinstance(item, Arc)]
    radius = math.hypot(40, 15)
    assert (arc.centre, arc.radius, arc.start) == ((100.0, 100.0), radius, 0.0)
    assert arc.sweep == pytest.approx(math.pi / 4)
    assert {round(math.dist(item.points[0], arc.centre), 6) for item in items if isinstance(item, Filled)} == {
        round(radius, 6)
    }
    assert sum(isinstance(item, Stroke) for item in items) == 2
    (text,) = [item for item in items if isinstance(item, Text)]
    assert text.text == "45°"
    assert text.angle == pytest.approx(22.5 - 90)


def test_a_note_points_at_what_it_is_about() -> None:
    plain = Note(id="n1", text="BREAK EDGES", at=(40, 40))
    assert [type(item) for item in note_items(plain)] == [Text]
    led = plain.model_copy(update={"leader": (20.0, 20.0)})
    arrow = next(item for item in note_items(led) if isinstance(item, Filled))
    assert arrow.points[0] == (20, 20)
    starts = {}
    for x in (20.0, 150.0):
        items = note_items(plain.model_copy(update={"leader": (x, 20.0)}))
        starts[x] = next(item.points[1][0] for item in items if isinstance(item, Stroke))
    # It leaves the text on the side of what it points at.
    assert starts[20.0] < 40 < 60 < starts[150.0]
