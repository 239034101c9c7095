"""Paper sizes, scales and gap sums against published values."""

from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from maqueta.drawing.pens import NARROW, WIDE
from maqueta.geometry.rounding import rounded
from maqueta.sheet.paper import PAPER_SIZES, SIDES_MM, layout
from maqueta.sheet.scales import is_recommended, parse_scale, recommended, write_scale
from maqueta.sheet.spacing import GapSum, as_fraction, proposed_scale
from maqueta.sheet.written_sizes import write_size


def test_a_series_follows_iso_216() -> None:
    """ISO 216: each size is the next larger one halved, rounded down to whole mm; A4 is 210 × 297."""
    assert SIDES_MM["A4"] == (210, 297)
    for larger, smaller in (("A0", "A1"), ("A1", "A2"), ("A2", "A3"), ("A3", "A4")):
        short, long = SIDES_MM[larger]  # type: ignore[index]
        assert SIDES_MM[smaller] == (long // 2, short)  # type: ignore[index]


def test_inch_sizes_follow_asme_y14_1() -> None:
    """ASME Y14.1: A 8.5 × 11, B 11 × 17, C 17 × 22, D 22 × 34 in."""
    inches = {"ANSI A": (8.5, 11), "ANSI B": (11, 17), "ANSI C": (17, 22), "ANSI D": (22, 34)}
    for name, sides in inches.items():
        assert SIDES_MM[name] == pytest.approx([25.4 * side for side in sides])  # type: ignore[index]


@pytest.mark.parametrize("size", PAPER_SIZES)
@pytest.mark.parametrize("landscape", [True, False])
def test_title_block_stands_inside_the_border(size: str, landscape: bool) -> None:
    sheet = layout(size, landscape)  # type: ignore[arg-type]
    left, bottom, right, top = sheet.border
    assert 0 < left < sheet.title[0] + 1e-9 < right <= sheet.width
    assert (sheet.title[2], sheet.title[1]) == (right, bottom)
    assert sheet.drawing_area == (left, sheet.title[3], right, top)
    assert sheet.title[2] - sheet.title[0] <= 180 + 1e-9


def test_iso_filing_margin() -> None:
    """ISO 5457 (from memory): 20 mm at the left edge, 10 mm elsewhere."""
    assert layout("A3", True).border == (20, 10, 410, 287)


def test_lines_are_two_to_one() -> None:
    """ISO 128-2 and ASME Y14.2 (from memory)."""
    assert WIDE / NARROW == 2


@pytest.mark.parametrize("text", ["1:1", "2:1", "5:1", "10:1", "1:2", "1:5", "1:10", "1:20", "1:50", "1:100"])
def test_recommended_scales_of_iso_5455(text: str) -> None:
    scale = parse_scale(text)
    assert scale is not None
    assert is_recommended(scale, "mm")


@pytest.mark.parametrize("text", ["1:3", "3:1", "1:4", "3:4"])
def test_scales_iso_5455_does_not_know(text: str) -> None:
    scale = parse_scale(text)
    assert scale is not None
    assert not is_recommended(scale, "mm")


def test_inch_practice_adds_quarters() -> None:
    assert {Fraction(4), Fraction(1, 4), Fraction(3, 4)} <= set(recommended("inch"))


@pytest.mark.parametrize(
    ("text", "scale"),
    [
        ("1:2", 0.5),
        ("SCALE 2:1", 2),
        ("1 : 2,5", 0.4),
        ("FULL", 1),
        ("half size", 0.5),
        ("1=2", 0.5),
        ("3/4:1", 0.75),
        ("1:10 000", 1e-4),
        ("1:10'000", 1e-4),
        ("1:10.000", 1e-4),
        ("1:2.5", 0.4),
        ("1:0.125", 8),
    ],
)
def test_scales_as_people_write_them(text: str, scale: float) -> None:
    assert parse_scale(text) == pytest.approx(scale)


@pytest.mark.parametrize("text", ["", "none", "0:1", "1:0", "AS SHOWN"])
def test_unreadable_scales(text: str) -> None:
    assert parse_scale(text) is None


@given(st.sampled_from(recommended("inch")))
def test_written_scales_read_back(scale: Fraction) -> None:
    assert parse_scale(write_scale(float(scale))) == pytest.approx(float(scale))


def test_gap_sums_of_the_trade() -> None:
    """Drawing area 31 × 19 in; front 8 wide, right 4 wide; front 3 1/2 high, top 4 deep. Common practice, no source."""
    across, up = GapSum(31, (8, 4)), GapSum(19, (3.5, 4))
    assert across.written("inch") == "(31 − 8 − 4) ÷ 3 = 6 1/3"
    assert up.written("inch") == "(19 − 3 1/2 − 4) ÷ 3 = 3 5/6"


@given(st.integers(-640, 640))
def test_fractions_are_reduced_to_sixty_fourths(sixty_fourths: int) -> None:
    written = as_fraction(sixty_fourths / 64)
    sign = -1 if written.startswith("-") else 1
    assert sign * sum(Fraction(part) for part in written.lstrip("-").split()) == Fraction(sixty_fourths, 64)


@given(
    st.tuples(st.floats(200, 1200), st.floats(150, 800)),
    st.lists(st.floats(5, 500), min_size=1, max_size=3),
    st.lists(st.floats(5, 500), min_size=1, max_size=3),
)
def test_proposed_scale_leaves_room_and_the_next_larger_does_not(
    area: tuple[float, float], columns: list[float], rows: list[float]
) -> None:
    scale = proposed_scale(area, columns, rows, 10, "mm")
    if scale is None:
        return

    def gap(factor: float) -> float:
        return min(
            GapSum(area[0], tuple(c * factor for c in columns)).gap,
            GapSum(area[1], tuple(r * factor for r in rows)).gap,
        )

    assert gap(scale) >= 10
    larger = [float(s) for s in recommended("mm") if float(s) > scale]
    assert not larger or gap(larger[0]) < 10


@pytest.mark.parametrize(
    ("value", "unit", "decimals", "style", "written"),
    [
        (12.0, "mm", 1, "iso", "12"),
        (12.25, "mm", 1, "iso", "12.3"),
        (0.15, "mm", 1, "iso", "0.2"),
        (0.5, "inch", 3, "asme", ".500"),
        (1.25, "inch", 2, "asme", "1.25"),
    ],
)
def test_sizes_as_each_tradition_writes_them(value: float, unit: str, decimals: int, style: str, written: str) -> None:
    assert write_size(value, unit, decimals, style) == written  # type: ignore[arg-type]


@given(st.floats(-1e5, 1e5), st.integers(0, 4))
def test_rounding_stays_within_half_a_step(value: float, decimals: int) -> None:
    assert abs(rounded(value, decimals) - value) <= 0.5000001 * 10.0**-decimals + 1e-9
