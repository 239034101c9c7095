"""Where a sheet from elsewhere lies on its paper: the border where its margins say (ISO 5457, from memory)."""

import pytest

from maqueta.geometry.box import Box
from maqueta.reading.frame import SheetFrame
from maqueta.reading.on_paper import shift_of


def frame(border: Box | None, paper: Box | None = None, landscape: bool = True) -> SheetFrame:
    return SheetFrame(paper, border, None, frozenset(), "A3", landscape)


def moved(border: Box, landscape: bool = True) -> Box:
    x, y = shift_of(frame(border, landscape=landscape))
    return (border[0] + x, border[1] + y, border[2] + x, border[3] + y)


@pytest.mark.parametrize(("left", "others"), [(20.0, 10.0), (10.0, 10.0), (5.0, 5.0), (20.0, 5.0)])
@pytest.mark.parametrize("landscape", [True, False])
def test_a_border_in_a_picture_stands_on_its_paper_where_its_margins_say(
    left: float, others: float, landscape: bool
) -> None:
    """A picture shows 22 mm around the border, whatever its margins are."""
    wide, high = (420.0, 297.0) if landscape else (297.0, 420.0)
    seen = (22.0, 22.0, 22.0 + wide - left - others, 22.0 + high - 2 * others)
    assert moved(seen, landscape) == pytest.approx((left, others, wide - others, high - others))


def test_a_border_that_stands_on_its_paper_stays_where_it_is() -> None:
    for border in ((20.0, 10.0, 410.0, 287.0), (15.0, 12.0, 405.0, 289.0), (20.0, 10.0, 410.6, 287.0)):
        assert moved(border) == border
    assert shift_of(frame(None)) == (0.0, 0.0)


def test_a_border_larger_than_its_paper_stays_where_it_is() -> None:
    for border in ((20.0, 10.0, 654.0, 520.0), (20.0, 10.0, 450.0, 287.0), (20.0, 10.0, 410.0, 310.0)):
        assert moved(border) == border


def test_a_sheet_drawn_elsewhere_comes_to_the_origin() -> None:
    assert shift_of(frame(None, paper=(500.0, 800.0, 920.0, 1097.0))) == (-500.0, -800.0)
    assert moved((1020.0, 2010.0, 1410.0, 2287.0)) == (20.0, 10.0, 410.0, 287.0)
