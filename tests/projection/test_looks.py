"""Parts seen from anywhere: against a ray-caster, and against the same parts turned and seen squarely."""

import math
import pickle
from functools import cache

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from OCP.BRepBuilderAPI import BRepBuilderAPI_Transform
from OCP.gp import gp_Trsf

from maqueta.demo.workshop import PARTS
from maqueta.geometry.carrier import Similarity
from maqueta.geometry.directions import AXES, side_along, vector
from maqueta.geometry.likeness import congruent
from maqueta.geometry.line_set import LineSet
from maqueta.projection.attitude import ATTITUDES, CORNERS, Attitude, Corner, attitude_of, from_corner
from maqueta.projection.hidden_lines import HiddenLines
from maqueta.projection.look import Look, LookTable
from maqueta.projection.project import drawn
from maqueta.projection.projected_part import UnseenLookError
from maqueta.solid.examine import examine
from maqueta.solid.kernel import Shape
from maqueta.solid.part import Part
from tests.parts import block, demo_projected, demo_solid, hole, made
from tests.projection.frames import looks, spread_looks
from tests.projection.ray_caster import disagreement, mesh_of

#: The part of the judged length that may disagree: the mesh only approximates round faces, and rays that start a little
#: off the solid miss what covers an edge by less.
ALLOWED = 1e-3
#: Looks from which the parts are seen; all parts together from two hundred.
LOOKS = spread_looks(200)
#: Each part is seen from every so-many-th of them.
_TURNS = 24


def almost_level(look: Look) -> bool:
    """Whether circles are seen so nearly edge-on that their halves lie within the ray-caster's reach of each other."""
    return any(0 < abs(along) < 0.005 for along in look.towards)


@pytest.mark.parametrize("slug", PARTS)
def test_visibility_from_anywhere_agrees_with_a_ray_caster(slug: str) -> None:
    shape, part = demo_solid(slug)
    some = [look for look in LOOKS[list(PARTS).index(slug) % _TURNS :: _TURNS] if not almost_level(look)]
    solid = mesh_of(shape, part)
    wrong = judged = 0.0
    for look, lines in drawn(shape, part, some):
        bad, total = disagreement(part, lines, look, solid)
        wrong, judged = wrong + bad, judged + total
    assert judged > len(some) * part.size
    assert wrong / judged < ALLOWED


def seen_squarely(shape: Shape, look: Look) -> tuple[Shape, Part]:
    """The part turned so that what a look sees is what the usual front shows."""
    front = np.array(Attitude("-y", "+z").look.frame)
    turn = front.T @ np.array(look.frame)
    transformation = gp_Trsf()
    transformation.SetValues(*(float(x) for row in turn for x in (*row, 0.0)))
    turned = BRepBuilderAPI_Transform(shape, transformation, True).Shape()
    return turned, examine(turned, part_hash="turned", name="turned", unit="mm")


@cache
def subjects() -> dict[str, tuple[Shape, Part]]:
    wedge = [[0, 0], [60, 0], [60, 12], [20, 40], [0, 40]]
    return {
        "drilled block": made(block((60, 40, 30)), hole((20, 15, 30), "-z", 12), hole((45, 0, 15), "+y", 8, 20)),
        "wedge": made({"kind": "extrude", "plane": "xz", "profile": wedge, "depth": 30}),
        "reed clamp": demo_solid("reed-clamp"),
    }


@pytest.mark.parametrize("name", ["drilled block", "wedge", "reed clamp"])
@pytest.mark.parametrize("look", spread_looks(4, seed=7))
def test_a_part_turned_and_seen_squarely_shows_what_the_look_shows(name: str, look: Look) -> None:
    """Nothing depends on how a part lies in model space: lines, kinds, and the edges behind them."""
    shape, part = subjects()[name]
    turned, again = seen_squarely(shape, look)
    aslant = HiddenLines(shape, part).line_set(look)
    squarely = HiddenLines(turned, again).line_set(Attitude("-y", "+z").look)
    assert congruent(aslant, squarely, 1e-4 * part.size)
    assert behind(aslant) == behind(squarely)


def behind(lines: LineSet) -> list[tuple[str, tuple[int, ...]]]:
    """Which edges each line shows; the kernel numbers those of a turned part as before."""
    return sorted((piece.kind, piece.edges) for piece in lines.of("visible", "hidden") if piece.edges)


@pytest.mark.parametrize("attitude", ATTITUDES[::3])
def test_the_six_sides_are_looks_like_any_other(attitude: Attitude) -> None:
    """Given as bare frames, a hair off and written with few digits, they are the named ones."""
    part = demo_projected("reed-clamp")
    frame = tuple(tuple(x + 3e-8 for x in row) for row in attitude.look.frame)
    nearly = Look(frame)  # type: ignore[arg-type]
    assert attitude_of(nearly) == attitude
    assert part.line_set(nearly) == part.line_set(attitude.look)
    assert attitude_of(attitude.look.turned(1e-4)) is None


@given(st.sampled_from(CORNERS), st.floats(-3, 3))
@settings(max_examples=40)
def test_a_look_turned_on_the_sheet_is_known_with_the_one_it_is_turned_from(corner: str, angle: float) -> None:
    part = demo_projected("reed-clamp")
    look = part.corner(corner)  # type: ignore[arg-type]
    turned = part.line_set(look.turned(angle))
    expected = part.line_set(look).moved(Similarity(math.cos(angle), math.sin(angle), 0.0, 0.0))
    assert turned.box == pytest.approx(expected.box, abs=1e-4)
    assert len(turned.pieces) == len(expected.pieces)


def test_a_look_nobody_has_drawn_is_told_by_its_frame() -> None:
    part, look = demo_projected("reed-clamp"), LOOKS[0]
    with pytest.raises(UnseenLookError) as missing:
        part.line_set(look)
    assert missing.value.look == look
    again = pickle.loads(pickle.dumps(missing.value))
    assert (again.look, str(again)) == (look, str(missing.value)), "it comes back from another process as it is"
    shape, bare = demo_solid("reed-clamp")
    more = part.with_looks(drawn(shape, bare, [look]))
    assert more.line_set(look).of("visible")
    assert more.line_set(look.turned(1.0)).of("visible"), "any turn of it as well"


@given(looks(), st.floats(0, 1), st.integers(0, 2))
def test_a_table_of_looks_is_missed_by_no_dust_and_hit_by_no_chance(look: Look, share: float, row: int) -> None:
    table = LookTable([(look, "kept")])
    rows = [list(r) for r in look.frame]
    rows[row] = [x + 4e-7 * share for x in rows[row]]
    dusty = Look(tuple(tuple(r) for r in rows))  # type: ignore[arg-type]
    assert table.get(dusty) == "kept"
    assert table.get(look.turned(2e-6)) is None


@given(st.sampled_from(CORNERS), looks())
def test_only_what_lies_along_the_sight_is_seen_as_a_point(corner: Corner, look: Look) -> None:
    assert not any(from_corner(corner, "+z").shows_point(axis) for axis in AXES)
    for axis in AXES:
        length = math.hypot(*look.seen(vector(side_along(axis))))
        assert look.shows_point(axis) == (length <= 1e-5)
        assert length <= 1 + 1e-9
