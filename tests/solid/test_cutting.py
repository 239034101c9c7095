"""Cuts against a mesh library's slicing, against sums worked by hand, and against what cannot be."""

import math
import random
from typing import Any, get_args

import numpy as np
import pytest
import shapely
import trimesh
from hypothesis import given, settings
from hypothesis import strategies as st
from numpy.typing import NDArray

from maqueta.geometry.directions import Vector
from maqueta.geometry.frame import Frame, dot
from maqueta.solid.cut import Cut, CutForm
from maqueta.solid.cutting import CutPart, cut_open
from maqueta.solid.errors import CutError
from maqueta.solid.examine import examine
from tests.parts import block, hole, made
from tests.projection.frames import spread_looks
from tests.projection.ray_caster import mesh_of
from tests.projection.test_random_parts import random_solid
from tests.solid.assemblies import pin_in_sleeve

Array = NDArray[np.float64]
PARTS, BATCH = 200, 25
#: Chords of the mesh cut into round faces: the share of an area or volume that may differ.
CHORDS = 2e-3
TOWARDS, ACROSS = (0.0, -1.0, 0.0), (0.0, 0.0, 1.0)
#: 60 × 40 × 30 with a hole of 10 right through and one of 12, 20 deep.
SHAPE, PART = made(block((60, 40, 30)), hole((15, 20, 30), "-z", 10), hole((45, 20, 30), "-z", 12, 20))


def cut(form: CutForm, *path: Vector, **rest: Any) -> Cut:
    return Cut(form, path, ACROSS, TOWARDS, **rest)


def opened(form: CutForm, *path: Vector, **rest: Any) -> CutPart:
    return cut_open(SHAPE, PART, cut(form, *path, **rest))


def through(frame: Frame, point: Vector) -> Cut:
    """A plane square to the line of sight of a frame."""
    right = frame[0]
    ends = [tuple(p + sign * r for p, r in zip(point, right, strict=True)) for sign in (-1, 1)]
    return Cut("full", ((ends[0][0], ends[0][1], ends[0][2]), (ends[1][0], ends[1][1], ends[1][2])), frame[1], frame[2])


def sliced(solid: trimesh.Trimesh, normal: Vector, at: Vector) -> tuple[float, float]:
    """The area that a plane cuts from a mesh, and the volume on the side its normal points away from."""
    ring = solid.section(plane_normal=normal, plane_origin=at)
    assert ring is not None
    flat, _ = ring.to_2D()
    behind = solid.slice_plane(at, [-n for n in normal])
    corners = behind.triangles - np.array(at)
    # The lid that is missing lies in a plane through the origin of the sum and adds nothing to it.
    volume = float(np.einsum("ij,ij->i", corners[:, 0], np.cross(corners[:, 1], corners[:, 2])).sum() / 6)
    return float(flat.area), volume


@pytest.mark.parametrize("first", range(0, PARTS, BATCH))
def test_areas_and_volumes_agree_with_a_mesh_librarys_slicing(first: int) -> None:
    for seed in range(first, first + BATCH):
        shape, part = random_solid(seed)
        frame = spread_looks(PARTS)[seed].frame
        rng = random.Random(seed)
        at = tuple(low + rng.uniform(0.3, 0.7) * (high - low) for low, high in zip(part.low, part.high, strict=True))
        point = (at[0], at[1], at[2])
        result = cut_open(shape, part, through(frame, point))
        area, volume = sliced(mesh_of(shape, part), frame[2], point)
        assert result.area == pytest.approx(area, rel=CHORDS), seed
        assert result.part.volume == pytest.approx(volume, rel=CHORDS), seed


@pytest.mark.parametrize("seed", range(12))
def test_both_sides_of_a_cut_make_the_whole(seed: int) -> None:
    shape, part = random_solid(seed)
    frame = spread_looks(PARTS)[seed].frame
    there = through(frame, part.centroid)
    back = Cut("full", there.path, there.across, (-frame[2][0], -frame[2][1], -frame[2][2]))
    one, other = cut_open(shape, part, there), cut_open(shape, part, back)
    assert one.part.volume + other.part.volume == pytest.approx(part.volume, rel=1e-5)
    assert one.area == pytest.approx(other.area, rel=1e-6)


#: What half of the block's two holes takes away: volumes of half cylinders.
HALF_HOLES = math.pi * (5**2 * 30 + 6**2 * 20) / 2
WHOLE = 72000 - 2 * HALF_HOLES
FULL = ((0.0, 20.0, 0.0), (60.0, 20.0, 0.0))
WORKED: list[tuple[CutForm, tuple[Vector, ...], float, float | None]] = [
    # 60 × 30 less the two holes; half the block less half of each.
    ("full", FULL, 1800 - 300 - 240, 36000 - HALF_HOLES),
    ("full", FULL[::-1], 1800 - 300 - 240, 36000 - HALF_HOLES),
    ("removed", FULL, 1800 - 300 - 240, 36000 - HALF_HOLES),
    # The left 15: half a hole lies open, and a quarter of it goes with the quarter of the block.
    ("half", ((0, 20, 0), (15, 20, 0), (15, -10, 0)), 450 - 150, WHOLE - 9000 + 25 * math.pi * 30 / 4),
    # The right 45: a quarter of the one hole, half of the other.
    (
        "half",
        ((60, 20, 0), (15, 20, 0), (15, -10, 0)),
        1350 - 150 - 240,
        WHOLE - 27000 + (25 * 30 / 4 + 36 * 20 / 2) * math.pi,
    ),
    # Through the one hole, then 5 before the middle of the other: its chord is 2√(36 − 25) wide.
    ("offset", ((0, 20, 0), (30, 20, 0), (30, 15, 0), (60, 15, 0)), 1800 - 300 - 40 * math.sqrt(11), None),
    # A window of 20 × 20, half of it within the hole.
    ("broken-out", ((5, 20, 5), (25, 20, 5), (25, 20, 25), (5, 20, 25)), 200, None),
]


@pytest.mark.parametrize(("form", "path", "area", "volume"), WORKED)
def test_worked_by_hand(form: CutForm, path: tuple[Vector, ...], area: float, volume: float | None) -> None:
    result = opened(form, *path)
    assert result.area == pytest.approx(area, rel=1e-9)
    if volume is not None:
        assert result.part.volume == pytest.approx(volume, rel=1e-9)


def test_an_aligned_cut_is_turned_into_one_plane() -> None:
    """From a hole's axis on along a slant: the leg is longer than what is left of it seen squarely."""
    result = opened("aligned", (0, 20, 0), (15, 20, 0), (60, 5, 0))
    towards = {round(dot(result.part.faces[face.face].direction, TOWARDS), 9) for face in result.sections}
    assert towards == {1.0}
    slant = math.hypot(45, 15)
    levels = [point[0] for face in result.sections for ring in face.rings for point in ring]
    assert max(levels) == pytest.approx(15 + slant, rel=1e-9)
    # The slant passes the other hole 9.5 from its axis, beyond its radius of 6: nothing is missing there.
    assert result.area == pytest.approx(15 * 30 - 150 + (slant - 5) * 30, rel=1e-6)


@pytest.mark.parametrize("seed", range(8))
def test_what_was_there_before_is_known_again(seed: int) -> None:
    """Faces and edges keep the surfaces and lines of those they come from; what the cut made has no name."""
    shape, part = random_solid(seed)
    result = cut_open(shape, part, through(spread_looks(PARTS)[seed].frame, part.centroid))
    made_by_the_cut = {face.face for face in result.sections} | result.steps
    for number, name in enumerate(result.faces):
        assert (name is None) == (number in made_by_the_cut)
        if name is not None:
            own, before = result.part.faces[number], part.faces[name]
            assert own.kind == before.kind
            assert own.radius == pytest.approx(before.radius)
            assert dot(own.direction, before.direction) == pytest.approx(1.0, abs=1e-9)
    for number, name in enumerate(result.edges):
        if name is not None:
            assert result.part.edges[number].kind == part.edges[name].kind
            assert result.part.edges[number].length <= part.edges[name].length * (1 + 1e-9)


def test_rings_enclose_the_exact_area() -> None:
    result = opened("full", (0.0, 18.0, 0.0), (60.0, 18.0, 0.0))
    for face in result.sections:
        flat = [[(x, z) for x, _, z in ring] for ring in face.rings]
        assert shapely.Polygon(flat[0], flat[1:]).area == pytest.approx(face.area, rel=1e-9)


def test_a_flank_is_left_whole() -> None:
    """A rib between two blocks, cut along its middle: blocks are cut, the rib stays as thick as it is."""
    shape, part = made(
        block((60, 40, 10)), block((10, 40, 40), (0, 0, 10)),
        {"kind": "extrude", "plane": "xz", "profile": [[10, 10], [40, 10], [10, 40]], "offset": 17, "depth": 6},
    )  # fmt: skip
    flank = next(n for n, f in enumerate(part.faces) if f.direction == (0.0, -1.0, 0.0) and abs(f.point[1] - 17) < 1e-9)
    plane = cut("full", (0, 20, 0), (60, 20, 0))
    bare = cut_open(shape, part, plane)
    spared = cut_open(shape, part, Cut("full", plane.path, ACROSS, TOWARDS, whole=(flank,)))
    assert bare.area == pytest.approx(600 + 400 + 450)
    assert spared.area == pytest.approx(600 + 400)
    assert spared.part.volume - bare.part.volume == pytest.approx(450 * 3)


def test_bodies_are_told_apart_and_left_whole() -> None:
    """A pin of 10 in a sleeve: the pin is not cut lengthwise."""
    shape = pin_in_sleeve()
    part = examine(shape, part_hash="pin", name="pin in sleeve", unit="mm")
    plane = Cut("full", ((-50, 0, 0), (50, 0, 0)), ACROSS, TOWARDS)
    both = cut_open(shape, part, plane)
    assert {face.body: round(face.area, 6) for face in both.sections if face.body == 0} == {0: 400.0}
    assert sum(face.area for face in both.sections if face.body == 1) == pytest.approx(2 * 5 * 30)
    one = cut_open(shape, part, Cut("full", plane.path, ACROSS, TOWARDS, solids=(0,)))
    assert {face.body for face in one.sections} == {1}


@pytest.mark.parametrize(
    ("form", "path", "words"),
    [
        ("full", ((0, 50, 0), (60, 50, 0)), "does not meet"),
        ("full", ((0, -5, 0), (60, -5, 0)), "does not meet"),
        ("full", ((0, 0, 0), (60, 0, 0)), "along a face"),
        ("full", ((0, 40, 0), (60, 40, 0)), "along a face"),
        ("full", ((10, 20, 0), (10, 20, 0)), "no length"),
        ("half", ((80, 20, 0), (70, 20, 0), (70, -10, 0)), "does not meet"),
        ("offset", ((0, 20, 0), (40, 20, 0), (20, 10, 0), (20, 30, 0), (60, 30, 0)), "crosses itself"),
    ],
)
def test_a_cut_that_shows_nothing_is_told(form: CutForm, path: tuple[Vector, ...], words: str) -> None:
    with pytest.raises(CutError) as refused:
        opened(form, *path)
    assert words in str(refused.value)


@settings(max_examples=25, derandomize=True)
@given(
    st.sampled_from(get_args(CutForm)),
    st.lists(st.tuples(*(st.floats(-90, 90) for _ in range(3))), min_size=2, max_size=6),
    st.lists(st.integers(-3, 30), max_size=2),
)
def test_any_cut_is_made_or_refused(form: CutForm, path: list[Vector], whole: list[int]) -> None:
    """Paths may come from anybody: too short, too long, bent anyhow, with faces there are not."""
    try:
        result = opened(form, *path, whole=tuple(whole))
    except CutError:
        return
    assert 0 < result.part.volume <= PART.volume * (1 + 1e-6)
    assert result.area > 0
