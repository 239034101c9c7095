"""What is not cut lengthwise: ribs told by their faces in any place and turn, and nothing else; round bodies."""

from dataclasses import replace

import pytest

from maqueta.solid.cut import Cut
from maqueta.solid.cutting import cut_open
from maqueta.solid.examine import examine
from maqueta.solid.part import Part, UncutMark
from maqueta.solid.uncut import bodies, cut_lengthwise, known_uncut, pins, rib_behind, ribs, with_ribs_whole
from tests.parts import block, demo_solid, hole, made
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


def _flank_at(part: Part, y: float, way: float) -> int:
    """The largest flat face at a level of y that looks along it or against it."""
    found = [
        number
        for number, face in enumerate(part.faces)
        if face.kind == "plane" and face.direction[1] * way > 0.99 and abs(face.point[1] - y) < 1e-9
    ]
    return max(found, key=lambda number: part.faces[number].area)


def test_what_is_marked_stays_whole_and_what_looks_like_a_rib_is_cut_where_that_is_marked() -> None:
    """A rib 40 by 28 and 8 thick on its middle plane: cut with the rest it shows half of 40 × 28 more (by hand)."""
    shape, part = made(BASE, WALL, rib((14, 25, 14)))
    told = with_ribs_whole(part, BESIDE)
    flank = _flank_at(part, 29, 1)
    marked = replace(part, marks=(UncutMark(flank, "rib", False),))
    assert ribs(marked) == ()
    assert with_ribs_whole(marked, BESIDE) == BESIDE
    assert cut_open(shape, part, BESIDE).area - cut_open(shape, part, told).area == pytest.approx(40 * 28 / 2)
    (known,) = known_uncut(marked)
    assert (known.whole, known.told) == (False, True)
    assert known.thick == pytest.approx(8)


def test_a_thick_rib_can_be_marked_and_is_left_whole_by_its_own_thickness() -> None:
    """Beside a groove whose wall lies nearer to the flank than the rib is thick: it is none of the rib's."""
    groove = block((60, 4, 10), (40, 20, 4), operation="cut")
    shape, part = made(BASE, WALL, groove, rib((14, 25, 14), thickness=30))
    assert ribs(part) == ()
    flank = _flank_at(part, 40, 1)
    own = rib_behind(part, flank)
    assert own is not None
    assert (own.high - own.low) == pytest.approx(30)
    marked = replace(part, marks=(UncutMark(flank, "rib", True),))
    assert [known.told for known in known_uncut(marked)] == [False]
    whole = with_ribs_whole(marked, BESIDE)
    assert whole.whole == (flank,)
    assert cut_open(shape, part, BESIDE).area - cut_open(shape, part, whole).area == pytest.approx(40 * 28 / 2)


def test_what_has_nothing_behind_it_is_no_flank() -> None:
    _, part = made(BASE, hole((50, 25, 14), "-z", 20))
    assert [rib_behind(part, number) is None for number in (-1, len(part.faces))] == [True, True]
    round_one = next(n for n, face in enumerate(part.faces) if face.kind == "cylinder")
    assert rib_behind(part, round_one) is None


def test_bodies_are_left_whole_or_cut_as_they_are_marked() -> None:
    both = examine(pin_in_sleeve(), part_hash="0", name="pin in sleeve", unit="mm", natural_up=None)
    pin, sleeve = (min(faces) for faces in bodies(both))
    turned = replace(both, marks=(UncutMark(pin, "body", False), UncutMark(sleeve, "body", True)))
    assert pins(turned) == (1,)
    assert [(known.whole, known.told) for known in known_uncut(turned)] == [(False, True), (True, False)]


def test_a_rib_left_whole_meets_the_cut_with_lines() -> None:
    """Where it ends in what is cut, it is no half of an aligned section: nothing runs on without a line."""
    shape, part = made(BASE, WALL, rib((14, 25, 14)))
    assert cut_open(shape, part, with_ribs_whole(part, BESIDE)).joints == frozenset()
    aligned = Cut("aligned", ((0, 25, 0), (50, 25, 0), (100, 40, 0)), (0.0, 0.0, 1.0), (0.0, -1.0, 0.0))
    assert len(cut_open(shape, part, aligned).joints) == 2
