"""Dimension texts as they are written in four languages."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from maqueta.sizes.text import Mouth, Tolerance, Written, number, read_text


@pytest.mark.parametrize(
    ("text", "expected"),
    [
        ("40", Written(40)),
        ("12,5", Written(12.5)),
        (".375", Written(0.375)),
        ('3/8"', Written(0.375)),
        ("1 3/8", Written(1.375)),
        ("⌀12", Written(12, "diameter")),
        ("Ø 12.5", Written(12.5, "diameter")),
        ("%%c10", Written(10, "diameter")),
        ("10 DIA", Written(10, "diameter")),
        ("R5", Written(5, "radius")),
        ("SR 8", Written(8, "radius", spherical=True)),
        ("S⌀20", Written(20, "diameter", spherical=True)),
        ("∅20", Written(20, "diameter")),
        ("φ20", Written(20, "diameter")),
        ("□20", Written(20, "square")),
        ("2× □20", Written(20, "square", 2)),
        ("80 ±0.1", Written(80, tolerance=Tolerance(0.1, -0.1))),
        ("80%%p0,1", Written(80, tolerance=Tolerance(0.1, -0.1))),
        ("80 +0,1/−0", Written(80, tolerance=Tolerance(0.1, 0.0))),
        ("80 +0.1 -0.05", Written(80, tolerance=Tolerance(0.1, -0.05))),
        ("80 0/-0.2", Written(80, tolerance=Tolerance(0.0, -0.2))),
        ("45° ±0.5°", Written(45, "angle", tolerance=Tolerance(0.5, -0.5))),
        ("80H7", Written(80, tolerance=Tolerance(fit="H7"))),
        ("80 js6", Written(80, tolerance=Tolerance(fit="js6"))),
        ("⌀10 H7/g6", Written(10, "diameter", tolerance=Tolerance(fit="H7/g6"))),
        ("2× ⌀10 H7 THRU", Written(10, "diameter", 2, through=True, tolerance=Tolerance(fit="H7"))),
        ("⌀12 h6 (+0/−0.011)", Written(12, "diameter", tolerance=Tolerance(0.0, -0.011, "h6"))),
        ("(=80)", Written(80, reference=True)),
        ("20 REF", Written(20, reference=True)),
        ("2× 40 (=80)", Written(40, None, 2)),
        ("25.4 [1 IN]", Written(25.4)),
        ("M8", Written(8, "thread", unit="mm")),
        ("M8×1", Written(8, "thread", pitch=1, unit="mm")),
        ("4× M6 - 6H ↧10", Written(6, "thread", 4, depth=10, unit="mm")),
        ("1/4-20 UNC", Written(0.25, "thread", pitch=0.05, unit="inch")),
        ("1/4-20 UNC-2B", Written(0.25, "thread", pitch=0.05, unit="inch")),
        ("45°30'", Written(45.5, "angle")),
        ("30°15'36\"", Written(30.26, "angle")),
        ("4× ⌀6 EQUALLY SPACED", Written(6, "diameter", 4)),
        ("80 MAX", Written(None)),
        ("⌀20 KNURLED", Written(None, "diameter")),
        ("30°", Written(30, "angle")),
        ("4× R5", Written(5, "radius", 4)),
        ("2X ⌀9", Written(9, "diameter", 2)),
        ("(2) ⌀10", Written(10, "diameter", 2)),
        ("(12)", Written(12, reference=True)),
        ("⌀12 THRU", Written(12, "diameter", through=True)),
        ("⌀8 pasante", Written(8, "diameter", through=True)),
        ("⌀8 x 12 DEEP", Written(8, "diameter", depth=12)),
        ("⌀8 ↧12", Written(8, "diameter", depth=12)),
        ("⌀8 12 TIEF", Written(8, "diameter", depth=12)),
        ("R4 TYP", Written(4, "radius", typical=True)),
        ("2 × 45°", Written(2, "chamfer", slope=45)),
        ("C2", Written(2, "chamfer", slope=45)),
        ("3 x 30°", Written(3, "chamfer", slope=30)),
        ("⌀6.6 THRU ⌴⌀11 ↧6", Written(6.6, "diameter", through=True, mouth=Mouth("counterbore", 11, 6, None))),
        ("⌀6.6 CBORE ⌀11 x 6 DEEP", Written(6.6, "diameter", mouth=Mouth("counterbore", 11, 6, None))),
        ("⌀8 ↧20 ⌵⌀16 × 90°", Written(8, "diameter", depth=20, mouth=Mouth("countersink", 16, None, 90))),
        ("8 DIA CSK 82° x 16 DIA", Written(8, "diameter", mouth=Mouth("countersink", 16, None, 82))),
        ("⌵⌀16 × 90°", Written(16, "diameter", mouth=Mouth("countersink", 16, None, 90))),
        ("⌀16 CBORE", Written(16, "diameter", mouth=Mouth("counterbore", None, None, None))),
        ("about 40", Written(None)),
        ("", Written(None)),
        ("1/0", Written(None)),
    ],
)
def test_texts(text: str, expected: Written) -> None:
    assert read_text(text) == expected


def test_angle_brackets_stand_for_the_measured_value() -> None:
    assert read_text("2× <>", 12.5) == Written(12.5, None, 2)


@given(st.integers(0, 40), st.integers(0, 63))
def test_mixed_numbers(whole: int, above: int) -> None:
    assert number(f"{whole} {above}/64") == whole + above / 64


@given(st.text(max_size=40))
def test_no_text_breaks_the_reader(text: str) -> None:
    written = read_text(text)
    assert written.value is None or written.value >= 0
    assert written.count >= 0
