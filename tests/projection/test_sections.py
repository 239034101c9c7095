"""Sections: visible lines against a ray-caster, what is hatched against a plane-geometry library, names of lines."""

import random
from typing import Any

import pytest
import shapely

from maqueta.geometry.carrier import Circle, Free, Line
from maqueta.geometry.clip import Clip, clipped
from maqueta.geometry.frame import dot
from maqueta.geometry.line_set import LineSet, Piece
from maqueta.projection.hidden_lines import HiddenLines
from maqueta.projection.look import Look
from maqueta.projection.project import drawn, project
from maqueta.projection.projected_part import from_json, to_json
from maqueta.solid.cut import Cut
from maqueta.solid.cutting import cut_open
from tests.parts import block, hole, made
from tests.projection.frames import spread_looks
from tests.projection.ray_caster import disagreement, mesh_of
from tests.projection.test_random_parts import random_solid
from tests.sizes.counted_parts import revolve
from tests.solid.test_cutting import ACROSS, PART, SHAPE, TOWARDS, cut, through

#: Random parts whose sections are looked at by the ray-caster.
PARTS, BATCH = 60, 20
ALLOWED = 1e-3
FRONT = ((1.0, 0.0, 0.0), (0.0, 0.0, 1.0), (0.0, -1.0, 0.0))


def section_of(own: Cut) -> LineSet:
    ((_, lines),) = drawn(SHAPE, PART, [Look(FRONT, own)])
    return lines


FULL = section_of(cut("full", (0, 20, 0), (60, 20, 0)))


def lengths(lines: LineSet, kind: str) -> float:
    return sum(piece.length for piece in lines.pieces if piece.kind == kind)


def upright(lines: LineSet) -> set[float]:
    """Where visible upright lines stand."""
    found = (piece for piece in lines.of("visible") if isinstance(piece.carrier, Line) and piece.carrier.angle > 1)
    return {round(piece.ends[0][0], 6) for piece in found}


#: A flange with a hub, turned about z: solid, and bored through.
SOLID_FLANGE = [[0, 0], [45, 0], [45, 14], [20, 14], [20, 36], [0, 36]]
BORED_FLANGE = [[10, 0], [45, 0], [45, 14], [20, 14], [20, 36], [10, 36]]


@pytest.mark.parametrize(("profile", "bore"), [(SOLID_FLANGE, []), (BORED_FLANGE, [-10.0, 10.0])])
def test_the_halves_of_an_aligned_section_are_not_parted_by_a_line(profile: Any, bore: list[float]) -> None:
    """Upright lines stand at the flange, the hub, the bore and the two holes, told by hand; none along the axis."""
    shape, part = made(revolve(*profile), hole((-32, 0, 14), "-z", 10), hole((16, -27.712813, 14), "-z", 10))
    own = Cut("aligned", ((-50, 0, 0), (0, 0, 0), (25, -43.30127, 0)), (0, 0, 1), (0, -1, 0))
    ((_, lines),) = drawn(shape, part, [Look(FRONT, own)])
    assert sorted(upright(lines)) == [-45, -37, -27, -20, *bore, 20, 27, 37, 45]


@pytest.mark.parametrize("first", range(0, PARTS, BATCH))
def test_visible_lines_of_cut_parts_agree_with_a_ray_caster(first: int) -> None:
    wrong = judged = 0.0
    for seed in range(first, first + BATCH):
        shape, part = random_solid(seed)
        look = spread_looks(PARTS)[seed]
        opened = cut_open(shape, part, through(look.frame, part.centroid))
        lines = HiddenLines(opened.shape, opened.part).line_set(look)
        bad, total = disagreement(opened.part, lines, look, mesh_of(opened.shape, opened.part))
        wrong, judged = wrong + bad, judged + total
    assert judged > BATCH * 100
    assert wrong / judged < ALLOWED, f"{wrong:.2f} of {judged:.0f}"


def test_a_full_section_shows_holes_as_visible_lines() -> None:
    # Outline, the walls of both holes, and the bottom of the blind one; its mouth and theirs lie in the outline.
    assert upright(FULL) == {0.0, 10.0, 20.0, 39.0, 51.0, 60.0}
    assert lengths(FULL, "hidden") == 0.0
    assert lengths(FULL, "visible") == pytest.approx(2 * 60 + 2 * 30 + 2 * 30 + 2 * 20 + 12)


def test_lines_the_cut_made_name_the_faces_they_were_cut_from() -> None:
    holes = {face for feature in PART.features for face in feature.faces}
    for piece in FULL.of("visible"):
        x = piece.ends[0][0]
        if isinstance(piece.carrier, Line) and piece.carrier.angle > 1 and x not in (0.0, 60.0):
            assert piece.edges == ()
            assert set(piece.faces) <= holes
            assert piece.faces


@pytest.mark.parametrize("seed", range(12))
def test_a_named_flat_face_seen_edge_on_lies_where_its_line_is_drawn(seed: int) -> None:
    shape, part = random_solid(seed)
    own = Cut("full", ((0, part.centroid[1], 0), (1, part.centroid[1], 0)), ACROSS, TOWARDS)
    ((look, lines),) = drawn(shape, part, [Look(FRONT, own)])
    for piece in lines.of("visible"):
        for name in piece.faces:
            face = part.faces[name]
            if face.kind == "plane" and abs(dot(face.direction, look.towards)) < 1e-9 and not piece.edges:
                x, z = piece.ends[0]
                assert dot(face.direction, (x, 0.0, z)) == pytest.approx(dot(face.direction, face.point), abs=1e-6)


def test_a_half_section_has_no_line_between_its_halves() -> None:
    half = section_of(cut("half", (60, 20, 0), (30, 20, 0), (30, -10, 0)))
    # The left half is seen from outside: its hole is hidden.
    assert upright(half) == {0.0, 39.0, 51.0, 60.0}
    assert {round(piece.ends[0][0]) for piece in half.of("hidden")} == {10, 20}
    assert sum(region.area for region in half.regions) == pytest.approx(30 * 30 - 240)


def test_the_steps_of_an_offset_cut_draw_no_line() -> None:
    shape, part = made(block((60, 40, 30)), hole((15, 10, 30), "-z", 10), hole((45, 28, 30), "-z", 12))
    own = cut("offset", (0, 10, 0), (30, 10, 0), (30, 28, 0), (60, 28, 0))
    ((_, lines),) = drawn(shape, part, [Look(FRONT, own)])
    assert upright(lines) == {0.0, 10.0, 20.0, 39.0, 51.0, 60.0}
    assert sum(region.area for region in lines.regions) == pytest.approx(1800 - 300 - 360)


def test_a_removed_section_is_the_cut_face_alone() -> None:
    """Neither the edges of what stands behind nor the outlines of what is round there."""
    boss = {"kind": "boss", "at": (30, 25, 30), "out": "+z", "diameter": 16, "height": 12}
    shape, part = made(block((60, 40, 30)), block((60, 10, 20), (0, 40, 0)), boss)
    whole = Cut("full", ((0, 5, 0), (60, 5, 0)), ACROSS, TOWARDS)
    look = Look(FRONT, Cut("removed", whole.path, ACROSS, TOWARDS))
    ((_, full), (_, alone)) = drawn(shape, part, [Look(FRONT, whole), look])
    assert lengths(alone, "visible") == pytest.approx(2 * (60 + 30))
    assert lengths(full, "hidden") > 0
    assert lengths(full, "visible") > lengths(alone, "visible") + 2 * 12
    assert lengths(alone, "hidden") == 0


@pytest.mark.parametrize("seed", range(0, 40, 4))
def test_regions_agree_with_a_plane_geometry_library(seed: int) -> None:
    """No two overlap, their areas are those of their rings, and every ring runs along visible lines."""
    shape, part = random_solid(seed)
    look = spread_looks(PARTS)[seed]
    ((_, lines),) = drawn(shape, part, [Look(look.frame, through(look.frame, part.centroid))])
    areas = [shapely.Polygon(region.rings[0], region.rings[1:]) for region in lines.regions]
    assert [area.area for area in areas] == pytest.approx([region.area for region in lines.regions], rel=1e-3)
    assert shapely.union_all(areas).area == pytest.approx(sum(area.area for area in areas), rel=1e-9)
    drawn_lines = shapely.union_all([shapely.LineString(p.outline()) for p in lines.of("visible")])
    for area in areas:
        for ring in (area.exterior, *area.interiors):
            assert ring.difference(drawn_lines.buffer(2e-3 * part.size)).length < 1e-2 * part.size


def test_a_section_is_kept_with_its_part_and_turned_with_its_look() -> None:
    own = Look(FRONT, cut("full", (0, 20, 0), (60, 20, 0)))
    projected = project(SHAPE, PART).with_looks(drawn(SHAPE, PART, [own]))
    again = from_json(to_json(projected))
    assert again.line_set(own) == projected.line_set(own)
    turned = again.line_set(own.turned(0.3))
    assert lengths(turned, "visible") == pytest.approx(lengths(FULL, "visible"))
    assert sum(region.area for region in turned.regions) == pytest.approx(1260)


CLIPS = (Clip((15.0, 24.0), 9.0), Clip(corners=((5.0, 20.0), (30.0, 18.0), (26.0, 40.0), (4.0, 33.0))))


def _fine(piece: Piece) -> shapely.LineString:
    """A piece by chords so short that they do not matter."""
    if isinstance(piece.carrier, Line | Free):
        return shapely.LineString(piece.outline())
    start, end = piece.interval
    return shapely.LineString([piece.carrier.point(start + (end - start) * k / 2000) for k in range(2001)])


@pytest.mark.parametrize("clip", CLIPS)
@pytest.mark.parametrize("seed", range(0, 40, 8))
def test_a_clip_keeps_what_a_plane_geometry_library_keeps(clip: Clip, seed: int) -> None:
    shape, part = random_solid(seed)
    rng = random.Random(seed)
    look = spread_looks(PARTS)[rng.randrange(PARTS)]
    lines = HiddenLines(shape, part).line_set(look)
    left, bottom, right, top = lines.box
    shift = ((left + right) / 2 - 15, (bottom + top) / 2 - 25)
    here = Clip(
        (clip.centre[0] + shift[0], clip.centre[1] + shift[1]),
        clip.radius,
        tuple((x + shift[0], y + shift[1]) for x, y in clip.corners),
    )
    kept = clipped(lines, here)
    # The library's circle has chords, too: where a line grazes it they tell by some hundredths.
    wanted = sum(_fine(piece).intersection(here.area).length for piece in lines.pieces)
    assert sum(_fine(piece).length for piece in kept.pieces) == pytest.approx(wanted, rel=2e-4, abs=0.03)
    assert all(here.area.buffer(0.02).contains(shapely.LineString(piece.outline())) for piece in kept.pieces)
    names = {(edge, piece.kind) for piece in kept.pieces for edge in piece.edges}
    assert names <= {(edge, piece.kind) for piece in lines.pieces for edge in piece.edges}


def test_a_clip_of_a_section_clips_what_is_hatched() -> None:
    kept = clipped(FULL, Clip(corners=((-5.0, -5.0), (25.0, -5.0), (25.0, 15.0), (-5.0, 15.0))))
    assert sum(region.area for region in kept.regions) == pytest.approx(10 * 15 + 5 * 15)
    assert not any(isinstance(piece.carrier, Circle) for piece in kept.pieces)


def test_a_detail_needs_no_kernel() -> None:
    clip = Clip((15.0, 15.0), 8.0)
    projected = project(SHAPE, PART)
    look = Look(FRONT, None, clip)
    assert projected.line_set(look) == clipped(projected.line_set(Look(FRONT)), clip)
