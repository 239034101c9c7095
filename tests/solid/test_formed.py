"""Recognised forms, patterns and symmetry against the recipe that made them."""

import math

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from maqueta.solid.formed import forms, patterns, symmetry
from tests.parts import block, demo_solid, hole, made

PLATE = block((100, 60, 20))


@settings(max_examples=25, deadline=None)
@given(
    length=st.floats(20, 60),
    width=st.floats(4, 15),
    depth=st.floats(3, 17) | st.just("through"),
    along=st.sampled_from("xy"),
)
def test_slot_is_recognised_with_its_sizes(length: float, width: float, depth: float | str, along: str) -> None:
    slot = {"kind": "slot", "at": (50, 30, 20), "into": "-z", "along": along, "length": min(length, 50), "width": width}
    _, part = made(PLATE, {**slot, "depth": depth})
    [found] = forms(part)
    assert found.kind == "slot"
    assert (found.size, found.length) == pytest.approx((width, min(length, 50)))
    assert found.through == (depth == "through")
    assert found.depth == pytest.approx(20 if isinstance(depth, str) else depth)
    assert found.axis == "z"


def test_fillets_rounded_ends_and_chamfers_are_told_apart() -> None:
    _, part = made(
        PLATE,
        {"kind": "fillet", "radius": 6, "edges": [{"between": ["-x", "-y"]}]},
        {"kind": "chamfer", "size": 3, "edges": [{"between": ["+y", "+z"]}]},
    )
    assert [(f.kind, round(f.size, 9), f.axis) for f in forms(part)] == [("chamfer", 3, "x"), ("fillet", 6, "z")]
    _, bearing = demo_solid("warp-beam-bearing")
    assert "rounded end" in {f.kind for f in forms(bearing)}


def test_chamfer_and_fillet_on_a_round_rim() -> None:
    _, part = made(
        {"kind": "revolve", "axis": "z", "profile": [[0, 0], [30, 0], [30, 12], [0, 12]]},
        {"kind": "boss", "at": (0, 0, 12), "out": "+z", "diameter": 24, "height": 15},
        {"kind": "chamfer", "size": 2, "edges": [{"near": [12, 0, 27]}]},
        {"kind": "fillet", "radius": 3, "edges": [{"near": [12, 0, 12]}]},
    )
    assert [(f.kind, round(f.size, 9)) for f in forms(part)] == [("chamfer", 2), ("fillet", 3)]
    assert symmetry(part).turned_about == "z"


def test_a_wide_slant_is_no_chamfer() -> None:
    profile = [[0, 0], [60, 0], [60, 10], [30, 40], [0, 40]]
    _, part = made({"kind": "extrude", "plane": "xz", "profile": profile, "depth": 30})
    assert forms(part) == ()


def test_counterbore_and_countersink_are_mouths_of_holes() -> None:
    _, part = made(
        PLATE,
        {**hole((30, 30, 20), "-z", 8), "counterbore": {"diameter": 14, "depth": 5}},
        {**hole((70, 30, 20), "-z", 8, 12), "countersink": {"diameter": 15, "angle": 82}},
    )
    found = {(f.kind, f.at[0]): f for f in part.features}
    assert set(found) == {("hole", 30), ("counterbore", 30), ("hole", 70), ("countersink", 70)}
    assert (found["counterbore", 30].diameter, found["counterbore", 30].depth) == (14, 5)
    sink = found["countersink", 70]
    assert (sink.diameter, sink.angle) == pytest.approx((15, 82))
    assert (found["hole", 30].through, found["hole", 70].through) == (True, False)


@settings(max_examples=15, deadline=None)
@given(count=st.integers(3, 9), radius=st.floats(14, 24))
def test_holes_on_a_circle_are_one_pattern(count: int, radius: float) -> None:
    first = {**hole((radius, 0, 8), "-z", 4), "name": "h"}
    around = {"kind": "repeat", "of": ["h"], "count": count, "about": "z"}
    _, part = made({"kind": "revolve", "axis": "z", "profile": [[0, 0], [30, 0], [30, 8], [0, 8]]}, first, around)
    [pattern] = patterns(part.features, part.size)
    assert pattern.layout == "circle"
    assert len(pattern.features) == count
    assert pattern.pitch == pytest.approx(2 * radius)


def test_holes_in_a_row_are_one_pattern_and_odd_ones_just_alike() -> None:
    first = {**hole((15, 30, 20), "-z", 6), "name": "h"}
    _, part = made(PLATE, first, {"kind": "repeat", "of": ["h"], "count": 4, "step": [22, 0, 0]})
    [row] = patterns(part.features, part.size)
    assert (row.layout, len(row.features)) == ("row", 4)
    assert row.pitch == pytest.approx(22)
    _, odd = made(PLATE, *(hole(at, "-z", 6) for at in ((10, 10, 20), (30, 44, 20), (83, 17, 20))))
    assert [p.layout for p in patterns(odd.features, odd.size)] == ["alike"]


@pytest.mark.parametrize(
    ("extra", "planes"),
    [
        ((), ("x", "y", "z")),
        ((hole((50, 30, 20), "-z", 9),), ("x", "y", "z")),
        ((hole((20, 30, 20), "-z", 9),), ("y", "z")),
        ((hole((20, 10, 20), "-z", 9),), ("z",)),
        ((hole((20, 10, 20), "-z", 9, 6),), ()),
    ],
)
def test_planes_of_symmetry(extra: tuple[dict[str, object], ...], planes: tuple[str, ...]) -> None:
    _, part = made(PLATE, *extra)
    assert symmetry(part).planes == planes


@settings(max_examples=20, deadline=None)
@given(turn=st.sampled_from(["xz", "yz", "xy"]), width=st.floats(20, 90))
def test_symmetry_follows_the_part_when_it_lies_another_way(turn: str, width: float) -> None:
    """A symmetrical roof pushed along each axis: one plane across its ridge, one across its run."""
    profile = [[0, 0], [width, 0], [width / 2, 15]]
    _, part = made({"kind": "extrude", "plane": turn, "profile": profile, "depth": 40})
    assert set(symmetry(part).planes) == {turn[0], ({"x", "y", "z"} - set(turn)).pop()}
    assert math.isclose(part.volume, width * 15 / 2 * 40, rel_tol=1e-9)
