"""What is not cut lengthwise: ribs told by their faces in any place and turn, and nothing else; round bodies."""

import math
from dataclasses import replace

import pytest
from OCP.BRepAlgoAPI import BRepAlgoAPI_Fuse
from OCP.BRepPrimAPI import BRepPrimAPI_MakeCylinder
from OCP.gp import gp_Ax2, gp_Dir, gp_Pnt

from maqueta.solid.cut import Cut
from maqueta.solid.cutting import cut_open
from maqueta.solid.examine import examine
from maqueta.solid.kernel import Shape
from maqueta.solid.part import Part, UncutMark
from maqueta.solid.uncut import bodies, cut_lengthwise, known_uncut, pins, rib_behind, ribs, with_ribs_whole
from tests.parts import block, demo_solid, hole, made
from tests.solid.assemblies import pin_in_sleeve, wheel

BASE = block((100, 50, 14))
WALL = block((14, 50, 60))
BESIDE = Cut("full", ((0, 25, 0), (100, 25, 0)), (0.0, 0.0, 1.0), (0.0, -1.0, 0.0))


def rib(at: tuple[float, float, float], **rest: object) -> dict[str, object]:
    return {"kind": "rib", "at": at, "legs": ["+x", "+z"], "lengths": [40, 28], "thickness": 8, **rest}


def test_a_rib_between_a_base_and_a_wall_is_told() -> None:
    _, part = made(BASE, WALL, rib((14, 25, 14)))
    (own,) = ribs(part)
    assert own.thick == pytest.approx(8)
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


def _wheel(*angles: float, **rest: float) -> tuple[Shape, Part]:
    shape = wheel(angles, **rest)
    return shape, examine(shape, part_hash="0", name="wheel", unit="mm", natural_up=None)


@pytest.mark.parametrize("turn", [0.0, 17.0, 90.0])
def test_round_spokes_are_told_in_any_place(turn: float) -> None:
    _, part = _wheel(turn, turn + 120, turn + 240)
    found = ribs(part)
    assert [own.thick for own in found] == pytest.approx([12, 12, 12])
    assert {part.faces[own.flanks[0]].kind for own in found} == {"cylinder"}


def test_what_is_hollow_or_ends_in_the_open_is_no_spoke() -> None:
    _, pipes = _wheel(0, 180, bore=3)
    assert ribs(pipes) == ()
    peg = BRepPrimAPI_MakeCylinder(gp_Ax2(gp_Pnt(0, 0, 10), gp_Dir(1, 0, 0)), 6, 30).Shape()
    shape = BRepAlgoAPI_Fuse(BRepPrimAPI_MakeCylinder(15, 20).Shape(), peg).Shape()
    assert ribs(examine(shape, part_hash="0", name="peg", unit="mm", natural_up=None)) == ()


def test_a_wheel_cut_along_its_spokes_shows_hub_and_rim_cut_alone() -> None:
    """Two of its spokes lie in the plane: cut are twice 7 × 20 of the hub and 10 × 20 of the rim (by hand)."""
    shape, part = _wheel(0, 90, 180, 270)
    middle = Cut("full", ((-60, 0, 0), (60, 0, 0)), (0.0, 0.0, 1.0), (0.0, -1.0, 0.0))
    whole = with_ribs_whole(part, middle)
    assert len(whole.whole) == 2
    left = cut_open(shape, part, whole)
    assert left.area == pytest.approx(2 * (7 * 20 + 10 * 20), rel=2e-2)
    assert cut_open(shape, part, middle).area == pytest.approx(2 * (7 * 20 + 10 * 20 + 25 * 12), rel=2e-3)
    # Nothing is drawn along a spoke but its outline: no face of the cut lies in it.
    assert all(abs(x) < 16 or abs(x) > 39 for face in left.sections for ring in face.rings for x, _, _ in ring)


def test_an_aligned_section_leaves_the_spoke_on_its_second_leg_whole() -> None:
    shape, part = _wheel(180, 300)
    end = (60 * math.cos(math.radians(300)), 60 * math.sin(math.radians(300)), 0.0)
    aligned = Cut("aligned", ((-60, 0, 0), (0, 0, 0), end), (0.0, 0.0, 1.0), (0.0, -1.0, 0.0))
    whole = with_ribs_whole(part, aligned)
    assert len(whole.whole) == 2
    left = cut_open(shape, part, whole)
    assert left.area == pytest.approx(2 * (7 * 20 + 10 * 20), rel=2e-2)
    # Laid out, both legs lie along x: the middle of the second spoke comes to stand where the plane is.
    (flank,) = (own.flanks[0] for own in ribs(part) if abs(part.faces[own.flanks[0]].direction[1]) > 0.1)
    points = aligned.laid_out([p for name in part.faces[flank].edges for p in part.edges[name].samples])
    assert max(abs(y) for _, y, _ in points) == pytest.approx(6, abs=0.05)
    assert min(x for x, _, _ in points) > 13
