"""General tolerances of the title block: ISO 2768-1 table 1 (rows named, from memory), by decimals, one for all."""

from typing import get_args

import pytest
from hypothesis import given
from hypothesis import strategies as st

from maqueta.sheet.general_tolerance import (
    ISO_2768,
    GeneralTolerance,
    ToleranceClass,
    deviation_of,
    general_tolerance,
)


@pytest.mark.parametrize(
    ("text", "expected"),
    [
        ("ISO 2768-m", GeneralTolerance(grade="m")),
        ("ISO 2768 - mK", GeneralTolerance(grade="m")),
        ("iso 2768-1 f", GeneralTolerance(grade="f")),
        ("DIN 2768 cL", GeneralTolerance(grade="c")),
        ("±0.1", GeneralTolerance(all=0.1)),
        ("GENERAL TOLERANCE +/-0,2 MM", GeneralTolerance(all=0.2)),
        (".X ±0.2 .XX ±0.05", GeneralTolerance(by_decimals={1: 0.2, 2: 0.05})),
        ("X ±0.5; X.X ±0.2; X.XX ±0.05", GeneralTolerance(by_decimals={0: 0.5, 1: 0.2, 2: 0.05})),
        ("0 ±0,5  0,0 ±0,2  0,00 ±0,05", GeneralTolerance(by_decimals={0: 0.5, 1: 0.2, 2: 0.05})),
        (".XXX ±.005", GeneralTolerance(by_decimals={3: 0.005})),
        ("AS AGREED", None),
        ("", None),
        ("ISO 2768", None),
        ("±0.1 ON HOLES, ±0.5 ELSEWHERE", None),
    ],
)
def test_what_a_title_block_states(text: str, expected: GeneralTolerance | None) -> None:
    assert general_tolerance(text) == expected


@pytest.mark.parametrize(
    ("grade", "size", "off"),
    # Rows "over 6 up to 30", "over 30 up to 120", "over 120 up to 400" of ISO 2768-1 table 1 (from memory).
    [("f", 20, 0.1), ("m", 20, 0.2), ("c", 20, 0.5), ("v", 20, 1.0), ("m", 30, 0.2), ("m", 30.1, 0.3), ("c", 400, 1.2)],
)
def test_rows_of_the_table(grade: str, size: float, off: float) -> None:
    assert deviation_of(grade, size) == off  # type: ignore[arg-type]


def test_table_widens_with_size_and_with_class() -> None:
    for grade in get_args(ToleranceClass):
        column = [off for _, row in ISO_2768 if (off := row[grade]) is not None]
        assert column == sorted(column)
    for _, row in ISO_2768:
        given_ones = [off for grade in get_args(ToleranceClass) if (off := row[grade]) is not None]
        assert given_ones == sorted(given_ones)
    assert deviation_of("m", 0.4) is None
    assert deviation_of("m", 5000) is None
    assert deviation_of("v", 2) is None


def test_more_decimals_that_are_less_close_contradict_each_other() -> None:
    crossed, right = general_tolerance(".X ±0.05 .XX ±0.2"), general_tolerance(".X ±0.2 .XX ±0.2")
    assert crossed is not None
    assert crossed.crossed
    assert right is not None
    assert not right.crossed


@given(st.text(max_size=120))
def test_any_text_is_read_or_left(text: str) -> None:
    stated = general_tolerance(text)
    assert stated is None or stated.by_decimals or stated.all is not None or stated.grade
