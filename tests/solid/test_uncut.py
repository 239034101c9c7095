"""What is not cut lengthwise: ribs told by their faces in any place and turn, and nothing else; round bodies."""

import pytest

from maqueta.solid.cut import Cut
from maqueta.solid.examine import examine
from maqueta.solid.uncut import bodies, cut_lengthwise, pins, ribs, with_ribs_whole
from tests.parts import block, demo_solid, made
from tests.solid.assemblies import pin_in_sleeve

BASE = block((100, 50, 14))
WALL = block((14, 50, 60))
BESIDE = Cut("full", ((0, 25, 0), (100, 25, 0)), (0.0, 0.0, 1.0), (0.0, -1.0, 0.0))


def rib(at: tuple[float, float, float], **rest: object) -> dict[str, object]:
    return {"kind": "rib", "at": at, "legs": ["+x", "+z"], "lengths": [40, 28], "thickness": 8, **rest}


def test_a_rib_between_a_base_and_a_wall_is_told() -> None:
    _, part = made(BASE, WALL, rib((14, 25, 14)))
    (own,) = ribs(part)
    assert (own.high - own.low) == pytest.approx(8)
    assert cut_lengthwise(part, BESIDE) == (own,)


def test_a_rib_at_a_round_hub_is_told() -> None:
    _, part = demo_solid("ribbed-bearing")
    assert len(ribs(part)) == 1


@pytest.mark.parametrize(
    "slug", ["bobbin-bush", "brake-drum", "heddle-guide", "temple-arm", "reed-clamp", "shuttle-race-guide"]
)
def test_nothing_else_is_taken_for_a_rib(slug: str) -> None:
    """Plates, walls that end at an edge, the web of a wheel: they are cut like everything else."""
    assert ribs(demo_solid(slug)[1]) == ()


def test_a_thick_block_in_a_corner_is_no_rib() -> None:
    _, part = made(BASE, WALL, rib((14, 25, 14), thickness=40))
    assert ribs(part) == ()


def test_a_cut_across_a_rib_or_beside_it_cuts_it_or_misses_it() -> None:
    _, part = made(BASE, WALL, rib((14, 25, 14)))
    across = Cut("full", ((30, 0, 0), (30, 50, 0)), (0.0, 0.0, 1.0), (1.0, 0.0, 0.0))
    beside = Cut("full", ((0, 40, 0), (100, 40, 0)), (0.0, 0.0, 1.0), (0.0, -1.0, 0.0))
    assert cut_lengthwise(part, across) == cut_lengthwise(part, beside) == ()
    assert with_ribs_whole(part, across) == across
    assert len(with_ribs_whole(part, BESIDE).whole) == 1


def test_pins_are_bodies_that_are_round_and_not_hollow() -> None:
    _, alone = made(BASE)
    assert (len(bodies(alone)), pins(alone)) == (1, ())
    shape = pin_in_sleeve()
    both = examine(shape, part_hash="0", name="pin in sleeve", unit="mm", natural_up=None)
    assert len(bodies(both)) == 2
    # The pin was put together first; the sleeve round it is hollow.
    assert pins(both) == (0,)
