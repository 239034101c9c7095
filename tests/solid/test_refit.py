"""Assemblies in other sizes: what touched touches again, wherever the assembly stands, or it is said why it cannot."""

from collections.abc import Mapping
from functools import cache
from typing import Any

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.spatial.transform import Rotation

from maqueta.demo.put_together import component_recipe, component_recipe_json, demo_assembly
from maqueta.solid.assembled import overlaps
from maqueta.solid.assembly import Assembly
from maqueta.solid.kernel import Shape
from maqueta.solid.part import Part
from maqueta.solid.placement import Placement
from maqueta.solid.recipe import Recipe
from maqueta.solid.refit import UnfitSizesError, contacts, refitted
from maqueta.solid.resolve import shared_sizes
from maqueta.solid.source import part_of_recipe

PEDAL = demo_assembly("pedal")
RECIPES = {key: component_recipe(key) for key in PEDAL.parts}


@cache
def made(key: str, **sizes: float) -> tuple[Shape, Part]:
    known = {size.name for size in RECIPES[key].sizes}
    return part_of_recipe(RECIPES[key], {name: value for name, value in sizes.items() if name in known})


def pedal(**sizes: float) -> dict[str, tuple[Shape, Part]]:
    return {key: made(key, **sizes) for key in PEDAL.parts}


def parts(solids: Mapping[str, tuple[Shape, Part]]) -> dict[str, Part]:
    return {key: part for key, (_, part) in solids.items()}


def turned(assembly: Assembly, turn: Rotation, way: np.ndarray[Any, Any]) -> Assembly:
    """The whole assembly somewhere else."""
    components = [
        own.placed(
            Placement(
                tuple(tuple(map(float, row)) for row in turn.apply(np.array(own.axes))),  # type: ignore[arg-type]
                tuple(map(float, turn.apply(own.at) + way)),  # type: ignore[arg-type]
            )
        )
        for own in assembly.components
    ]
    return assembly.model_copy(update={"components": tuple(components)})


def test_the_pedal_touches_where_it_is_seen_to() -> None:
    """By hand: collar and end of the bush between the cheeks, the lever against the collar, the head of the pin against
    a cheek; bush in lever, and pin in bush and both cheeks, on one axis. Lever and pin are on one axis too, though they
    do not touch.
    """
    names = [own.id for own in PEDAL.components]
    found = sorted((own.kind, names[own.first], names[own.second]) for own in contacts(PEDAL, parts(pedal())))
    assert found == [
        ("against", "fork", "bush"),
        ("against", "fork", "bush"),
        ("against", "fork", "pin"),
        ("against", "lever", "bush"),
        ("axis", "bush", "pin"),
        ("axis", "fork", "pin"),
        ("axis", "fork", "pin"),
        ("axis", "lever", "bush"),
        ("axis", "lever", "pin"),
    ]


@settings(max_examples=8, deadline=None)
@given(
    st.sampled_from([10.0, 13.0]),
    st.sampled_from([32.0, 44.0]),
    st.sampled_from([32.0, 37.0]),
    st.integers(0, 2**32 - 1),
)
def test_a_pedal_in_other_sizes_goes_together_wherever_it_stands(
    bore: float, gap: float, height: float, seed: int
) -> None:
    """Worked out by hand: nothing moves along the pin, and all on it goes up with the bore of the fork."""
    after, chance = pedal(bore=bore, gap=gap, height=height), np.random.default_rng(seed)
    turn, way = Rotation.random(random_state=seed), chance.uniform(-100, 100, 3)
    for own, back in ((PEDAL, (Rotation.identity(), np.zeros(3))), (turned(PEDAL, turn, way), (turn, way))):
        again = refitted(own, parts(pedal()), parts(after))
        rise = back[0].apply([0.0, 0.0, height - 34.0])
        for before, now in zip(own.components, again.components, strict=True):
            expected = np.array(before.at) + (rise if before.id != "fork" else 0.0)
            assert now.at == pytest.approx(expected, abs=1e-6)
            assert now.axes == before.axes
        assert overlaps(again, after) == ()
        assert set(contacts(own, parts(pedal()))) <= set(contacts(again, parts(after)))


def test_sizes_of_one_name_and_value_are_one_size() -> None:
    for draw in range(6):
        drawn = shared_sizes(RECIPES, f"somebody/{draw}")
        for name in ("bore", "gap"):
            assert len({sizes[name] for sizes in drawn.values()}) == 1
        assert set(drawn["pedal-fork"]) == {"bore", "gap", "height"}
    assert shared_sizes(RECIPES, "a") == shared_sizes(dict(reversed(RECIPES.items())), "a")
    assert shared_sizes(RECIPES, "a") != shared_sizes(RECIPES, "b")


def test_a_size_without_a_range_follows_the_one_that_has_it() -> None:
    ranged = Recipe.model_validate(component_recipe_json("pedal-fork"))
    follows = component_recipe_json("pedal-pin")
    follows["sizes"] = [{"name": "bore", "value": 12}, {"name": "gap", "value": 40}]
    drawn = shared_sizes({"pin": Recipe.model_validate(follows), "fork": ranged}, "somebody")
    # A gap of another value is another size, that has no range.
    assert drawn["pin"] == {"bore": drawn["fork"]["bore"]}


@pytest.mark.parametrize(
    ("key", "sizes", "told"),
    [
        ("pedal-pin", {"bore": 11.0}, {"first": "Pedal fork", "second": "Pedal pin", "one": 12.0, "other": 11.0}),
        ("pedal-fork", {"gap": 40.0}, {"first": "Pedal fork", "second": "Pedal bush"}),
    ],
)
def test_a_part_that_does_not_follow_is_told(key: str, sizes: dict[str, float], told: dict[str, Any]) -> None:
    after = parts(pedal()) | {key: made(key, **sizes)[1]}
    with pytest.raises(UnfitSizesError) as refused:
        refitted(PEDAL, parts(pedal()), after)
    assert dict(refused.value.reason.values) == told


def test_a_part_of_another_form_is_told() -> None:
    other = component_recipe_json("pedal-pin")
    other["features"] = other["features"][:1]
    after = parts(pedal()) | {"pedal-pin": part_of_recipe(Recipe.model_validate(other))[1]}
    with pytest.raises(UnfitSizesError, match="Pedal pin"):
        refitted(PEDAL, parts(pedal()), after)


@pytest.mark.parametrize("factor", [0.5, 1.7])
def test_a_puzzle_of_other_cubes_fills_its_cube_again(factor: float) -> None:
    """Pieces of another size stand at as many of their cubes: all places are multiplied."""
    cube = demo_assembly("puzzle-cube")

    def piece(key: str, times: float) -> tuple[Shape, Part]:
        written = component_recipe_json(key)
        for block in written["features"]:
            block["size"] = [times * length for length in block["size"]]
            block["at"] = [times * place for place in block["at"]]
        return part_of_recipe(Recipe.model_validate(written))

    before = {key: piece(key, 1.0) for key in cube.parts}
    after = {key: piece(key, factor) for key in cube.parts}
    again = refitted(cube, parts(before), parts(after))
    first = np.array(cube.components[0].at)
    for own, now in zip(cube.components, again.components, strict=True):
        assert now.at == pytest.approx(first + factor * (np.array(own.at) - first), abs=1e-6)
    assert overlaps(again, after) == ()
