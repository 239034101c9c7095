"""Solids against closed formulas, and recipes that cannot be built."""

import math

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from pydantic import ValidationError

from maqueta.solid.build import build
from maqueta.solid.errors import FeatureError
from maqueta.solid.kernel import volume_of
from maqueta.solid.recipe import Recipe
from tests.parts import block, hole, made, recipe


def test_block_with_hole_has_the_volume_of_the_formula() -> None:
    _, part = made(block((80, 40, 10)), hole((15, 15, 10), "-z", 12))
    assert part.volume == pytest.approx(80 * 40 * 10 - math.pi * 6**2 * 10, rel=1e-9)
    assert part.extents == (80, 40, 10)


def test_area_and_centroid_of_a_cylinder_agree_with_the_formulas() -> None:
    profile = [[0, 0], [10, 0], [10, 30], [0, 30]]
    _, part = made({"kind": "revolve", "axis": "z", "profile": profile})
    assert part.volume == pytest.approx(math.pi * 100 * 30, rel=1e-9)
    assert part.area == pytest.approx(2 * math.pi * 10 * 30 + 2 * math.pi * 100, rel=1e-9)
    assert part.centroid == pytest.approx((0, 0, 15), abs=1e-9)


def test_turned_ring_follows_pappus() -> None:
    """Pappus's theorem: area of the profile times the way of its centroid."""
    profile = [[8, 0], [18, 0], [18, 9], [8, 9]]
    _, part = made({"kind": "revolve", "axis": "y", "profile": profile})
    assert part.volume == pytest.approx(10 * 9 * 2 * math.pi * 13, rel=1e-9)


def test_profile_with_an_arc_encloses_half_a_disc() -> None:
    profile = [[0, 0], [20, 0], {"through": [10, 10], "to": [0, 0]}]
    _, part = made({"kind": "extrude", "plane": "xy", "profile": profile, "depth": 5})
    assert part.volume == pytest.approx(math.pi * 100 / 2 * 5, rel=1e-9)


@settings(max_examples=20, deadline=None)
@given(
    size=st.tuples(*[st.floats(5, 200)] * 3),
    share=st.floats(0.1, 0.8),
    depth=st.floats(0.1, 0.9),
)
def test_blind_hole_takes_its_cylinder_away(size: tuple[float, float, float], share: float, depth: float) -> None:
    width, length, height = size
    diameter = share * min(width, length)
    features = (block(size), hole((width / 2, length / 2, height), "-z", diameter, depth * height))
    expected = width * length * height - math.pi * diameter**2 / 4 * depth * height
    assert volume_of(build(recipe(*features))) == pytest.approx(expected, rel=1e-7)


def test_repeat_and_mirror_make_the_same_holes() -> None:
    first = {**hole((10, 10, 5), "-z", 6), "name": "h"}
    _, repeated = made(block((60, 20, 5)), first, {"kind": "repeat", "of": ["h"], "count": 2, "step": [40, 0, 0]})
    _, mirrored = made(block((60, 20, 5)), first, {"kind": "mirror", "of": ["h"], "axis": "x", "at": 30})
    assert repeated.features == mirrored.features
    assert [f.at for f in repeated.features] == [(10, 10), (50, 10)]


def test_repeat_about_an_axis_spreads_evenly() -> None:
    first = {**hole((20, 0, 5), "-z", 4), "name": "h"}
    around = {"kind": "repeat", "of": ["h"], "count": 4, "about": "z"}
    _, part = made(block((60, 60, 5), (-30, -30, 0)), first, around)
    spots = sorted((round(f.at[0], 6) + 0.0, round(f.at[1], 6) + 0.0) for f in part.features)
    assert spots == [(-20, 0), (0, -20), (0, 20), (20, 0)]


@pytest.mark.parametrize(
    ("features", "faulty", "reason"),
    [
        ([hole((0, 0, 0), "-z", 5)], "hole 0", "must add material"),
        ([block((10, 10, 10)), hole((50, 50, 10), "-z", 5)], "hole 1", "cuts nothing"),
        ([block((10, 10, 10)), block((2, 2, 2), (4, 4, 4))], "block 1", "adds nothing"),
        ([block((10, 10, 10)), block((5, 5, 5), (20, 0, 0))], "block 1", "falls into 2 pieces"),
        ([block((10, 10, 10)), block((10, 10, 10), operation="cut")], "block 1", "nothing of the part is left"),
        ([{"kind": "repeat", "of": ["x"], "count": 2, "step": [1, 0, 0]}], "repeat 0", "no earlier feature"),
        (
            [{"kind": "extrude", "plane": "xy", "profile": [[0, 0], [9, 9], [9, 0], [0, 9]], "depth": 3}],
            "extrude 0",
            "crosses itself",
        ),
        (
            [{"kind": "extrude", "plane": "xy", "profile": [[0, 0], [4, 0], [8, 0]], "depth": 3}],
            "extrude 0",
            "encloses no area",
        ),
        (
            [{"kind": "revolve", "axis": "z", "profile": [[-1, 0], [5, 0], [5, 5]]}],
            "revolve 0",
            "crosses the axis",
        ),
    ],
)
def test_faulty_feature_is_named(features: list[dict[str, object]], faulty: str, reason: str) -> None:
    with pytest.raises(FeatureError, match=reason) as caught:
        build(recipe(*features))
    assert caught.value.feature == faulty


@pytest.mark.parametrize(
    "change",
    [
        {"size": [1, 2, float("nan")]},
        {"size": [1, 2, 1e300]},
        {"size": [1, 2, -3]},
        {"colour": "red"},
        {"kind": "sphere"},
    ],
)
def test_recipe_refuses_what_is_not_a_size_or_a_key(change: dict[str, object]) -> None:
    with pytest.raises(ValidationError):
        Recipe.model_validate({"name": "p", "features": [{**block((1, 2, 3)), "name": "b", **change}]})


def test_two_features_of_one_name_are_refused() -> None:
    twice = Recipe.model_validate(
        {"name": "p", "features": [{**block((9, 9, 9)), "name": "b"}, {**block((9, 9, 9), (0, 0, 9)), "name": "b"}]}
    )
    with pytest.raises(FeatureError, match="this name already"):
        build(twice)
