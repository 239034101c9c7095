"""Recognised features against the recipe that made them."""

from maqueta.demo.workshop import PARTS, demo_recipe
from maqueta.solid.recipe import Hole
from maqueta.solid.resolve import resolved
from tests.parts import block, demo_solid, hole, made


def test_every_drilled_hole_of_the_demo_parts_is_recognised() -> None:
    # A keyway opens the bore of the beam head: what is left is no full round hole.
    for slug in (s for s in PARTS if s != "beam-head"):
        _, part = demo_solid(slug)
        diameters = {round(f.diameter, 6) for f in part.features if f.kind == "hole"}
        drilled = {f.diameter for f in resolved(demo_recipe(slug)).features if isinstance(f, Hole)}
        assert drilled <= diameters, slug


def test_through_and_blind_holes_are_told_apart() -> None:
    _, part = made(block((40, 20, 10)), hole((10, 10, 10), "-z", 6), hole((30, 10, 10), "-z", 6, 4))
    through, blind = part.features
    assert (through.through, through.depth, through.at) == (True, 10, (10, 10))
    assert (blind.through, blind.depth, blind.at) == (False, 4, (30, 10))


def test_counterbore_is_an_opening_not_a_bottom_however_it_was_made() -> None:
    _, part = made(block((40, 20, 10)), hole((10, 10, 10), "-z", 6), hole((10, 10, 10), "-z", 12, 3))
    found = {(f.kind, f.diameter, f.depth, f.through) for f in part.features}
    assert found == {("hole", 6, 7, True), ("counterbore", 12, 3, True)}


def test_wheel_has_bosses_and_a_bore() -> None:
    _, part = demo_solid("tension-wheel")
    kinds = sorted((f.kind, f.diameter) for f in part.features)
    assert kinds == [("boss", 36), ("boss", 36), ("boss", 80), ("hole", 16)]
