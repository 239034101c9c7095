"""A part needs as many sizes however it lies in space and however large it is; a small taper is a taper."""

import math

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from OCP.BRepBuilderAPI import BRepBuilderAPI_Transform
from OCP.gp import gp_Ax1, gp_Dir, gp_Pnt, gp_Trsf, gp_Vec

from maqueta.geometry.nearness import Places
from maqueta.projection.attitude import usual
from maqueta.projection.hidden_lines import HiddenLines
from maqueta.sizes.form.model import form_model
from maqueta.solid.examine import examine
from maqueta.solid.part import Part
from tests.parts import block, demo_solid, hole, made
from tests.sizes.counted_parts import BLOCK, COUNTED, extrude

#: Parts of every kind of form; some corners of the others are in line with something by chance alone.
NAMES = [name for name, _, _ in COUNTED]


def moved(features: list[dict[str, object]], move: gp_Trsf) -> Part:
    shape = BRepBuilderAPI_Transform(made(*features)[0], move, True).Shape()
    return examine(shape, part_hash="", name="", unit="mm")


def rotation(axis: tuple[float, float, float], angle: float) -> gp_Trsf:
    turn, shift = gp_Trsf(), gp_Trsf()
    turn.SetRotation(gp_Ax1(gp_Pnt(3, -2, 5), gp_Dir(*axis)), angle)
    shift.SetTranslation(gp_Vec(17.3, -4.1, 80.7))
    return shift.Multiplied(turn)


@pytest.mark.parametrize(("name", "features", "sizes"), COUNTED, ids=NAMES)
def test_sizes_do_not_depend_on_the_attitude(name: str, features: list[dict[str, object]], sizes: int) -> None:
    rng = np.random.default_rng(sum(map(ord, name)))
    for axis in ((0, 0, 1), *rng.normal(size=(2, 3)).tolist()):
        part = moved(features, rotation(axis, float(rng.uniform(0.1, 1.4))))
        assert form_model(part).needed == sizes, axis


@settings(max_examples=60, deadline=None)
@given(st.sampled_from(range(len(COUNTED))), st.floats(-7, 12), st.floats(0.999, 1.001))
def test_sizes_do_not_depend_on_how_large_the_part_is(which: int, power: float, beside: float) -> None:
    """Sizes on and around powers of two, where rounding to a grid changes its mind."""
    _, features, sizes = COUNTED[which]
    scale = gp_Trsf()
    scale.SetScale(gp_Pnt(0, 0, 0), 2.0 ** round(power) * beside / 16)
    assert form_model(moved(features, scale)).needed == sizes


@pytest.mark.parametrize("size", [16, 31.999, 32, 32.001, 63.9, 64, 64.1, 100, 128, 256])
def test_a_rounded_block_has_as_many_corners_at_any_size(size: float) -> None:
    """A block with one rounded corner has five corners above and five below; the radius is added (by hand)."""
    rounded = [{"kind": "fillet", "radius": 5, "edges": [{"near": [size, size, size / 2]}]}]
    part = made(block((size, size, size)), *rounded)[1]
    form = form_model(part)
    assert len(form.corners) == 10
    assert form.needed == 4


def test_a_box_turned_by_thirty_degrees_needs_three_sizes() -> None:
    form = form_model(moved([BLOCK], rotation((0, 0, 1), math.radians(30))))
    assert (form.needed, form.least) == (3, 3)
    assert form.aslant
    assert not form_model(made(BLOCK)[1]).aslant


def test_a_lever_whose_centres_are_level_lies_straight() -> None:
    """Its walls lean both ways; the line from centre to centre is what it keeps to."""
    part = demo_solid("warp-lever")[1]
    form = form_model(part)
    assert not form.aslant
    shape = BRepBuilderAPI_Transform(demo_solid("warp-lever")[0], rotation((1, 2, 3), 0.8), True).Shape()
    turned = form_model(examine(shape, part_hash="", name="", unit="mm"))
    assert (turned.needed, turned.least) == (form.needed, form.least)


def test_a_taper_of_a_tenth_of_a_millimetre_is_no_block() -> None:
    """80 long, 20 high at one end and 20.1 at the other: both heights, length and depth."""
    part = made(extrude((0, 0), (80, 0), (80, 20), (0, 20.1)))[1]
    assert form_model(part).needed == 4


def test_each_countersink_has_its_own_outline() -> None:
    """Seen from the side, the slanted outlines of two sunk holes belong to the one they stand at."""
    sinks = [{**hole((x, 20, 20), "-z", 8), "countersink": {"diameter": 16, "angle": 90}} for x in (20, 60)]
    shape, part = made(BLOCK, *sinks)
    lines = HiddenLines(shape, part).line_set(usual("-y").look)
    cones = {i: face.point[0] for i, face in enumerate(part.faces) if face.kind == "cone"}
    seen = {face: [p for p in lines.pieces if p.faces == (face,)] for face in cones}
    for face, x in cones.items():
        assert len(seen[face]) == 2
        assert all(abs(end[0] - x) <= 8 + 1e-6 for piece in seen[face] for end in piece.ends)


@given(st.lists(st.floats(-100, 100), min_size=3, max_size=3), st.floats(-1, 1), st.floats(0.01, 4))
def test_places_are_found_across_any_wall(at: list[float], off: float, tolerance: float) -> None:
    places: Places[str] = Places(tolerance)
    places.put(at, "here")
    assert places.get([c + 0.999 * off * tolerance for c in at]) == "here"
    assert places.get([at[0] + 1.01 * tolerance, *at[1:]]) is None
