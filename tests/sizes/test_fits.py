"""Limits of fits against the rows of the tables of ISO 286-2 as handbooks print them (all from memory)."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from maqueta.sizes.fits import limits

#: ISO 286-2, tables 2 (H), 11 (g), 10 (f), 14 (k), 16 (n), 17 (p): H7, g6, f7, k6, n6, p6, thousandths of a millimetre.
ROWS: dict[tuple[float, ...], tuple[tuple[int, int], ...]] = {
    (1, 2, 3): ((10, 0), (-2, -8), (-6, -16), (6, 0), (10, 4), (12, 6)),
    (3.1, 5, 6): ((12, 0), (-4, -12), (-10, -22), (9, 1), (16, 8), (20, 12)),
    (6.1, 8, 10): ((15, 0), (-5, -14), (-13, -28), (10, 1), (19, 10), (24, 15)),
    (10.1, 12, 16, 18): ((18, 0), (-6, -17), (-16, -34), (12, 1), (23, 12), (29, 18)),
    (18.1, 20, 25, 30): ((21, 0), (-7, -20), (-20, -41), (15, 2), (28, 15), (35, 22)),
    (30.1, 40, 50): ((25, 0), (-9, -25), (-25, -50), (18, 2), (33, 17), (42, 26)),
    (50.1, 60, 80): ((30, 0), (-10, -29), (-30, -60), (21, 2), (39, 20), (51, 32)),
    (80.1, 100, 120): ((35, 0), (-12, -34), (-36, -71), (25, 3), (45, 23), (59, 37)),
    (120.1, 150, 180): ((40, 0), (-14, -39), (-43, -83), (28, 3), (52, 27), (68, 43)),
    (180.1, 200, 250): ((46, 0), (-15, -44), (-50, -96), (33, 4), (60, 31), (79, 50)),
    (300, 315): ((52, 0), (-17, -49), (-56, -108), (36, 4), (66, 34), (88, 56)),
    (350, 400): ((57, 0), (-18, -54), (-62, -119), (40, 4), (73, 37), (98, 62)),
    (450, 500): ((63, 0), (-20, -60), (-68, -131), (45, 5), (80, 40), (108, 68)),
}
CLASSES = ("H7", "g6", "f7", "k6", "n6", "p6")


@pytest.mark.parametrize("nominal", [size for sizes in ROWS for size in sizes])
def test_usual_classes_at_many_nominal_sizes(nominal: float) -> None:
    row = next(row for sizes, row in ROWS.items() if nominal in sizes)
    for fit, expected in zip(CLASSES, row, strict=True):
        assert limits(fit, nominal) == pytest.approx([value / 1000 for value in expected]), fit


@pytest.mark.parametrize(
    ("fit", "nominal", "upper", "lower"),
    [
        # ISO 286-2, tables 6 (JS), 7 (K), 8 (M), 9 (N), 10 (P): holes K to P by the rule of delta.
        ("K7", 25, 6, -15),
        ("M7", 25, 0, -21),
        ("N7", 25, -7, -28),
        ("P7", 25, -14, -35),
        ("K6", 25, 2, -11),
        ("K7", 40, 7, -18),
        ("N7", 40, -8, -33),
        ("P7", 40, -17, -42),
        ("K7", 100, 10, -25),
        ("N7", 100, -10, -45),
        ("K7", 3, 0, -10),
        ("N7", 3, -4, -14),
        ("P7", 3, -6, -16),
        ("JS7", 25, 10.5, -10.5),
        ("js6", 40, 8, -8),
        # ISO 286-2, tables 2 to 5: wide holes and loose shafts.
        ("H8", 25, 33, 0),
        ("H11", 60, 190, 0),
        ("D10", 25, 149, 65),
        ("E9", 25, 92, 40),
        ("F8", 25, 53, 20),
        ("G7", 25, 28, 7),
        ("d9", 25, -65, -117),
        ("e8", 25, -40, -73),
        ("h9", 10, 0, -36),
    ],
)
def test_other_classes(fit: str, nominal: float, upper: float, lower: float) -> None:
    assert limits(fit, nominal) == pytest.approx((upper / 1000, lower / 1000))


@given(st.text(alphabet="ABHGhgkKzZ0179js", max_size=5), st.floats(-10, 1000))
def test_what_is_in_no_table_is_not_guessed(fit: str, nominal: float) -> None:
    found = limits(fit, nominal)
    assert found is None or (found[0] > found[1] and 0 < nominal <= 500)


@pytest.mark.parametrize("fit", ["", "7", "H", "H70", "ZZ7", "k9", "K10", "H7/g6"])
def test_classes_that_are_none(fit: str) -> None:
    assert limits(fit, 25) is None
    assert limits("H7", 501) is None
    assert limits("H7", 0) is None


@given(st.sampled_from(["d", "e", "f", "g", "h"]), st.sampled_from([6, 7, 8, 9]), st.floats(0.5, 500))
def test_holes_of_clearance_are_shafts_turned_over(letter: str, grade: int, nominal: float) -> None:
    hole, shaft = limits(f"{letter.upper()}{grade}", nominal), limits(f"{letter}{grade}", nominal)
    assert hole is not None
    assert shaft is not None
    assert hole == pytest.approx((-shaft[1], -shaft[0]))
