"""Every feature of the builder against a closed formula for the volume it adds or takes."""

import math
from typing import Any

import pytest

from maqueta.solid.build import build
from maqueta.solid.errors import FeatureError
from maqueta.solid.kernel import volume_of
from tests.parts import block, hole, recipe

PLATE = block((100, 60, 20))
PLATE_VOLUME = 100 * 60 * 20.0


def volume(*features: dict[str, Any]) -> float:
    return volume_of(build(recipe(*features)))


@pytest.mark.parametrize(
    ("feature", "change"),
    [
        ({"kind": "boss", "at": (30, 30, 20), "out": "+z", "diameter": 24, "height": 15}, math.pi * 144 * 15),
        ({"kind": "step", "edge": ["+x", "+z"], "across": 25, "down": 8}, -25 * 8 * 60),
        ({"kind": "step", "edge": ["-y", "-z"], "across": 5, "down": 8, "start": 20, "length": 30}, -5 * 8 * 30),
        ({"kind": "step", "edge": ["+x", "+z"], "at": [90, 0, 20], "across": 25, "down": 8}, -25 * 8 * 60),
        # A slot with round ends is a rectangle and two half discs.
        (
            {"kind": "slot", "at": (50, 30, 20), "into": "-z", "along": "x", "length": 40, "width": 12},
            -(28 * 12 + math.pi * 36) * 20,
        ),
        (
            {"kind": "slot", "at": (0, 30, 10), "into": "+x", "along": "y", "length": 30, "width": 8, "depth": 7}
            | {"ends": "square"},
            -30 * 8 * 7,
        ),
        ({"kind": "pocket", "at": (50, 30, 20), "into": "-z", "size": (30, 20), "depth": 6}, -30 * 20 * 6),
        # Rounding four corners leaves (4 − π) r² standing.
        (
            {"kind": "pocket", "at": (50, 0, 10), "into": "+y", "size": (30, 14), "depth": 6, "corner": 3},
            -(30 * 14 - (4 - math.pi) * 9) * 6,
        ),
        (
            {**hole((50, 30, 20), "-z", 10), "counterbore": {"diameter": 18, "depth": 6}},
            -math.pi * (25 * 20 + (81 - 25) * 6),
        ),
        # Countersink: frustum of height (R − r)/tan(half angle) minus the hole in it.
        (
            {**hole((50, 30, 20), "-z", 10), "countersink": {"diameter": 20}},
            -math.pi * (25 * 20 + 5 / 3 * (100 + 50 + 25) - 25 * 5),
        ),
        (
            {"kind": "rib", "at": (50, 30, 20), "legs": ["+x", "+z"], "lengths": [40, 25], "thickness": 6},
            40 * 25 / 2 * 6,
        ),
        # A fillet takes (1 − π/4) r² from an edge, a chamfer half a square.
        ({"kind": "fillet", "radius": 5, "edges": [{"between": ["+x", "-y"]}]}, -(1 - math.pi / 4) * 25 * 20),
        ({"kind": "fillet", "radius": 5, "edges": [{"near": [0, 60, 9]}]}, -(1 - math.pi / 4) * 25 * 20),
        ({"kind": "chamfer", "size": 4, "edges": [{"between": ["-x", "+z"]}]}, -8 * 60),
    ],
)
def test_feature_changes_the_volume_by_its_formula(feature: dict[str, Any], change: float) -> None:
    assert volume(PLATE, feature) == pytest.approx(PLATE_VOLUME + change, rel=1e-9)


def test_rounded_corners_of_a_profile() -> None:
    """A square with two corners rounded: each takes (1 − π/4) r² away."""
    profile = [[0, 0], {"to": [40, 0], "radius": 10}, [40, 40], {"to": [0, 40], "radius": 6}]
    area = 1600 - (1 - math.pi / 4) * (100 + 36)
    assert volume({"kind": "extrude", "plane": "xy", "profile": profile, "depth": 5}) == pytest.approx(
        area * 5, rel=1e-9
    )


def test_obtuse_corner_is_rounded_tangentially() -> None:
    """A regular hexagon, all corners rounded with r: area loses 6 (tan 30° − π/6) r²."""
    points = [[30 * math.cos(k * math.pi / 3), 30 * math.sin(k * math.pi / 3)] for k in range(6)]
    profile = [{"to": p, "radius": 8} for p in points]
    area = 1.5 * math.sqrt(3) * 900 - 6 * (math.tan(math.pi / 6) - math.pi / 6) * 64
    assert volume({"kind": "extrude", "plane": "xy", "profile": profile, "depth": 1}) == pytest.approx(area, rel=1e-9)


def test_edges_between_two_sides_are_outer_ones() -> None:
    """An L: −x meets +z at the toe, at the top of the upright, and in the inner corner, which is not meant."""
    toe, upright = block((60, 20, 10)), block((20, 20, 30), (40, 0, 10))
    chamfer = {"kind": "chamfer", "size": 2, "edges": [{"between": ["-x", "+z"]}]}
    assert volume(toe, upright, chamfer) == pytest.approx(volume(toe, upright) - 2 * 2 * 20, rel=1e-9)


def test_suppressed_feature_is_left_out_with_what_repeats_it() -> None:
    holed = {**hole((20, 30, 20), "-z", 8), "name": "h"}
    again = {"kind": "repeat", "name": "again", "of": ["h"], "count": 3, "step": [30, 0, 0]}
    assert volume(PLATE, holed, again) == pytest.approx(PLATE_VOLUME - 3 * math.pi * 16 * 20, rel=1e-9)
    assert volume(PLATE, {**holed, "suppressed": True}, again) == pytest.approx(PLATE_VOLUME, rel=1e-9)
    assert volume(PLATE, holed, {**again, "suppressed": True}) == pytest.approx(
        PLATE_VOLUME - math.pi * 16 * 20, rel=1e-9
    )


def test_mirrored_hole_keeps_its_counterbore() -> None:
    bored = {**hole((20, 30, 20), "-z", 8), "name": "h", "counterbore": {"diameter": 14, "depth": 5}}
    taken = math.pi * (16 * 20 + (49 - 16) * 5)
    assert volume(PLATE, bored, {"kind": "mirror", "of": ["h"], "axis": "x", "at": 50}) == pytest.approx(
        PLATE_VOLUME - 2 * taken, rel=1e-9
    )


@pytest.mark.parametrize(
    ("feature", "why"),
    [
        ({"kind": "fillet", "radius": 75, "edges": [{"near": [0, 0, 10]}]}, "too large"),
        ({"kind": "fillet", "radius": 5, "edges": [{"near": [500, 0, 10]}]}, "no edge lies near"),
        ({"kind": "chamfer", "size": 5, "edges": [{"between": ["+x", "-x"]}]}, "no edge lies between"),
        ({"kind": "slot", "at": (50, 30, 20), "into": "-z", "along": "z", "length": 9, "width": 3}, "runs across"),
        ({"kind": "slot", "at": (50, 30, 20), "into": "-z", "along": "x", "length": 9, "width": 9}, "longer than"),
        ({**hole((50, 30, 20), "-z", 10), "counterbore": {"diameter": 8, "depth": 2}}, "no wider"),
        ({**hole((50, 30, 20), "-z", 10), "countersink": {"diameter": 8}}, "no wider"),
        ({"kind": "step", "edge": ["+x", "+z"], "at": [-50, 0, 20], "across": 5, "down": 5}, "cuts nothing"),
        (
            {"kind": "extrude", "plane": "xy", "depth": 5}
            | {"profile": [{"to": [0, 0], "radius": 6}, {"to": [10, 0], "radius": 6}, [10, 40]]},
            "too large for its lines",
        ),
        (
            {"kind": "extrude", "plane": "xy", "depth": 5}
            | {"profile": [[0, 0], {"to": [5, 0], "radius": 1}, [10, 0], [10, 9]]},
            "straight line",
        ),
    ],
)
def test_impossible_feature_says_why(feature: dict[str, Any], why: str) -> None:
    with pytest.raises(FeatureError, match=why) as caught:
        build(recipe(PLATE, feature))
    assert caught.value.index == 1


def test_all_suppressed_leaves_nothing() -> None:
    with pytest.raises(Exception, match="nothing is left"):
        build(recipe({**PLATE, "suppressed": True}))
