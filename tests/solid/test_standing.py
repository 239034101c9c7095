"""On which sides a part stands by itself: statics, worked by hand."""

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from maqueta.solid.standing import standings
from tests.parts import block, demo_solid, hole, made


def test_flat_block_stands_firmest_on_its_large_faces() -> None:
    _, part = made(block((80, 40, 10)))
    found = standings(part)
    assert {s.up for s in found} == {"-x", "+x", "-y", "+y", "-z", "+z"}
    # All six footprints are whole; the weight lies half way up whichever way it stands.
    assert all((s.footprint, s.height) == pytest.approx((1, 0.5)) for s in found)


def test_mushroom_stands_on_its_head_firmer_than_on_its_stem() -> None:
    """A cap of 60 × 60 × 10 on a stem of 10 × 10 × 30: the stem touches 1/36 of the outline seen from above."""
    _, part = made(block((60, 60, 10), (0, 0, 30)), block((10, 10, 30), (25, 25, 0)))
    found = {s.up: s for s in standings(part)}
    assert found["+z"].footprint == pytest.approx(1 / 36)
    assert found["-z"].footprint == pytest.approx(1)
    assert standings(part)[0].up == "-z"


def test_part_that_would_topple_does_not_stand() -> None:
    """A long arm on a short foot: its weight lies beyond the foot."""
    _, part = made(block((10, 20, 10)), block((100, 20, 10), (0, 0, 10)))
    assert "+z" not in {s.up for s in standings(part)}
    assert "-z" in {s.up for s in standings(part)}


def test_ball_stands_nowhere_and_a_disc_on_its_two_faces() -> None:
    arc = {"through": [10, 0], "to": [0, 10]}
    _, ball = made({"kind": "revolve", "axis": "z", "profile": [[0, 10], [0, -10], arc]})
    assert standings(ball) == ()
    _, disc = made({"kind": "revolve", "axis": "y", "profile": [[0, 0], [30, 0], [30, 8], [0, 8]]})
    assert {s.up for s in standings(disc)} == {"-y", "+y"}


@settings(max_examples=20, deadline=None)
@given(x=st.floats(10, 70), y=st.floats(8, 32))
def test_a_hole_changes_how_firmly_but_not_where_a_plate_stands(x: float, y: float) -> None:
    _, part = made(block((80, 40, 10)), hole((x, y, 10), "-z", 6))
    assert {s.up for s in standings(part)} >= {"-z", "+z"}


@pytest.mark.parametrize("slug", ["batten-stop", "treadle-bracket", "shuttle-rest", "pawl-carrier", "reed-cap"])
def test_demo_parts_stand_as_their_recipe_says(slug: str) -> None:
    _, part = demo_solid(slug)
    assert standings(part)[0].up == part.natural_up
