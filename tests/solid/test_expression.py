"""Sizes as people write them, and recipes with named sizes."""

import math
from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st
from pydantic import ValidationError

from maqueta.solid.build import build
from maqueta.solid.errors import FeatureError, PartError
from maqueta.solid.expression import ExpressionError, evaluate, names_in
from maqueta.solid.kernel import volume_of
from maqueta.solid.recipe import Recipe
from maqueta.solid.resolve import resolved, size_values, varied_sizes
from maqueta.solid.source import part_of_recipe
from tests.parts import block, hole, recipe


@pytest.mark.parametrize(
    ("text", "value"),
    [
        ("12", 12),
        ("12,5", 12.5),
        ("1 3/8", 1.375),
        ('3/8"', 0.375),
        ("width/2 − 4", 36),
        ("2×(width + 1 1/2)", 163),
        ("-width + +height", -30),
        ("1.5e2", 150),
    ],
)
def test_written_size_has_its_value(text: str, value: float) -> None:
    assert evaluate(text, {"width": 80.0, "height": 50.0}) == pytest.approx(value, abs=1e-12)


@given(st.integers(0, 99), st.integers(1, 63))
def test_inch_fractions_to_a_sixty_fourth_are_exact(whole: int, part: int) -> None:
    assert evaluate(f"{whole} {part}/64", {}) == float(whole + Fraction(part, 64))


@pytest.mark.parametrize(
    "text",
    ["", "2 +", "open('x')", "width.real", "[1]", "1 if 2 else 3", "'a'", "True", "2**9", "9" * 200, "(" * 60 + "1"],
)
def test_nothing_but_sums_of_sizes_is_understood(text: str) -> None:
    with pytest.raises(ExpressionError):
        evaluate(text, {"width": 1.0})


@pytest.mark.parametrize(("text", "why"), [("1/0", "zero"), ("w", "no size called"), ("1e300*1e300", "finite")])
def test_expression_without_a_value_says_why(text: str, why: str) -> None:
    with pytest.raises(ExpressionError, match=why):
        evaluate(text, {})


def test_names_are_told() -> None:
    assert names_in("width/2 - rim") == {"width", "rim"}


def _plate(**sizes: object) -> Recipe:
    named = [
        {"name": "width", "value": 80, "low": 60, "high": 100, "step": 5},
        {"name": "rim", "value": "width/8"},
        {"name": "bore", "value": 10, "low": 8, "high": 14, "step": 2},
    ]
    features = [
        {**block((1, 1, 1)), "size": ["width", "width/2", 10]},
        {**hole((0, 0, 10), "-z", 1), "at": ["width - rim*2", "width/4", 10], "diameter": "bore"},
    ]
    return recipe(*features, sizes=named)


def test_features_follow_their_named_sizes() -> None:
    assert volume_of(build(_plate())) == pytest.approx(80 * 40 * 10 - math.pi * 25 * 10, rel=1e-9)
    _, part = part_of_recipe(_plate(), {"width": 100.0, "bore": 12.0})
    assert part.extents == (100, 50, 10)
    assert part.features[0].at == (75, 25)


def test_equal_seeds_give_equal_parts_and_every_draw_lies_in_its_range() -> None:
    drawn = [varied_sizes(_plate(), f"student {k}") for k in range(60)]
    assert drawn[0] == varied_sizes(_plate(), "student 0")
    assert {d["width"] for d in drawn} == {60, 65, 70, 75, 80, 85, 90, 95, 100}
    assert {d["bore"] for d in drawn} == {8, 10, 12, 14}
    assert all("rim" not in d for d in drawn)


def test_another_size_leaves_the_draws_already_given_out() -> None:
    more = _plate().model_copy(
        update={"sizes": [*_plate().sizes, type(_plate().sizes[0])(name="new", value=1, low=1, high=9)]}
    )
    first = varied_sizes(_plate(), "a")
    assert {name: varied_sizes(more, "a")[name] for name in first} == first


def test_resolved_recipe_has_only_numbers_and_hashes_alike_however_it_was_written() -> None:
    typed = recipe({**block((80, 40, 10)), "size": ["160/2", 40, "5+5"]})
    assert resolved(typed) == recipe(block((80, 40, 10)))


def test_faulty_sizes_are_named() -> None:
    with pytest.raises(PartError, match="size “a”: there is no size called “b”"):
        size_values(recipe(block((1, 1, 1)), sizes=[{"name": "a", "value": "b"}, {"name": "b", "value": 1}]))
    with pytest.raises(PartError, match="two sizes called “a”"):
        size_values(recipe(block((1, 1, 1)), sizes=[{"name": "a", "value": 1}, {"name": "a", "value": 2}]))
    with pytest.raises(FeatureError, match="no size called “wide”") as caught:
        build(recipe({**block((1, 1, 1)), "size": ["wide", 1, 1]}))
    assert caught.value.index == 0
    with pytest.raises(FeatureError, match=r"size\.0"):
        build(recipe({**block((1, 1, 1)), "size": ["1 - 1", 1, 1]}))
    with pytest.raises(PartError, match="its range is empty"):
        varied_sizes(recipe(block((1, 1, 1)), sizes=[{"name": "a", "value": 1, "low": 5, "high": 1}]), "x")


@pytest.mark.parametrize("size", [{"name": "2a", "value": 1}, {"name": "a", "value": 1, "low": 1}, {"name": "a"}])
def test_recipe_refuses_half_a_size(size: dict[str, object]) -> None:
    with pytest.raises(ValidationError):
        recipe(block((1, 1, 1)), sizes=[size])
