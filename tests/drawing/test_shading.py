"""Shaded views against a ray-caster: what colour a point has is that of the face a ray meets there."""

import re
from functools import cache
from io import BytesIO

import numpy as np
import pypdfium2
import pytest
import shapely
import trimesh
from hypothesis import given, settings
from hypothesis import strategies as st
from pydantic import ValidationError
from shapely.geometry import LineString, Point, Polygon

from maqueta.drawing.ink import Tinted
from maqueta.drawing.pdf import pdf
from maqueta.drawing.shading import Rings, shaded, shades
from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.drawing.svg import svg
from maqueta.drawing.tints import CARD, card_tints, colour_of, own_tints
from maqueta.judging.report import check
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.phrases.phrase import phrase
from maqueta.projection.attitude import CORNERS, Corner
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.view import FromCorner, Shading, Square, View
from maqueta.solid.mesh import Mesh
from maqueta.solid.triangulation import triangulated
from maqueta.task.exercise import Exercise
from tests.parts import demo_projected, demo_solid

PARTS = ("reed-clamp", "warp-beam-bearing", "shaft-collar", "temple-arm", "tension-wheel", "comb-foot")


@cache
def mesh_of(slug: str) -> Mesh:
    return triangulated(*demo_solid(slug))


@cache
def body_of(slug: str) -> trimesh.Trimesh:
    mesh = mesh_of(slug)
    return trimesh.Trimesh(np.reshape(mesh.points, (-1, 3)), np.reshape(mesh.triangles, (-1, 3)), process=False)


@cache
def shaded_so(slug: str, corner: Corner, shading: Shading) -> tuple[tuple[Rings, str], ...]:
    part = demo_projected(slug)
    look = part.corner(corner)
    return shades(mesh_of(slug), part.line_set(look), look, shading, part.part.material)


@cache
def areas(slug: str, corner: Corner, shading: Shading) -> list[tuple[Polygon, np.ndarray]]:
    return [
        (Polygon(rings[0], rings[1:]), np.array([int(colour[k : k + 2], 16) for k in (1, 3, 5)]))
        for rings, colour in shaded_so(slug, corner, shading)
    ]


@settings(max_examples=150, deadline=None)
@given(
    st.sampled_from(PARTS),
    st.sampled_from(CORNERS),
    st.sampled_from(["card", "own"]),
    st.floats(0, 1),
    st.floats(0, 1),
)
def test_a_point_has_the_colour_of_the_face_a_ray_meets(
    slug: str, corner: Corner, shading: Shading, x: float, y: float
) -> None:
    """The rays are those of trimesh, a general-purpose library."""
    part, body = demo_projected(slug), body_of(slug)
    look = part.corner(corner)
    left, bottom, right, top = part.line_set(look).box
    at = (left + x * (right - left), bottom + y * (top - bottom))
    lines = [LineString(piece.outline()) for piece in part.line_set(look).pieces]
    if min(line.distance(Point(at)) for line in lines) < 4e-3 * part.part.size:
        return
    frame = np.array(look.frame)
    start = at[0] * frame[0] + at[1] * frame[1] + 10 * part.part.size * frame[2]
    places, _, hit = body.ray.intersects_location([start], [-frame[2]], multiple_hits=True)
    here = [colour for area, colour in areas(slug, corner, shading) if area.covers(Point(at))]
    assert bool(here) == bool(len(hit)), "where there is no part there is no tint"
    if here:
        normal = body.face_normals[hit[np.argmax(places @ frame[2])]][None]
        tint = card_tints(normal) if shading == "card" else own_tints(normal, frame, part.part.material)
        assert np.abs(here[-1] - tint[0]).max() <= 8, "a band is of nearly one colour"


@pytest.mark.parametrize("slug", PARTS)
def test_all_of_the_part_is_tinted_and_nothing_else(slug: str) -> None:
    part, mesh = demo_projected(slug), mesh_of(slug)
    look = part.corner("+-+")
    flat = (np.reshape(mesh.points, (-1, 3)) @ np.array(look.frame).T)[np.reshape(mesh.triangles, (-1, 3))][:, :, :2]
    outline = shapely.union_all(shapely.buffer(shapely.polygons(flat), 1e-6))
    tinted = shapely.union_all([area for area, _ in areas(slug, "+-+", "card")])
    assert tinted.symmetric_difference(outline).area <= 2e-3 * outline.area


def test_a_plain_side_has_the_card_tint_of_its_direction() -> None:
    assert card_tints(np.eye(3)) == pytest.approx(CARD)
    assert card_tints(-np.eye(3)) == pytest.approx(CARD)


def test_own_colours_are_shades_of_the_material() -> None:
    assert colour_of("Beech") != colour_of("Brass CuZn37") != colour_of("something")
    assert colour_of("") == colour_of("something")
    frame = np.eye(3)
    shades_of_brass = own_tints(np.array([[-0.42, 0.62, 0.66], [0.42, -0.62, -0.66]]), frame, "brass")
    assert (shades_of_brass[0] > shades_of_brass[1]).all(), "light comes over the left shoulder"
    for own in shades_of_brass:
        assert own / own[0] == pytest.approx(np.array(colour_of("brass")) / colour_of("brass")[0])


def _sheet(shading: Shading | None) -> SheetDocument:
    view = View(id="p1", kind="pictorial", look=FromCorner(corner="+-+"), at=(150, 150), hidden=False, shading=shading)
    return SheetDocument(views=(view,))


def test_files_carry_the_tints_below_the_lines() -> None:
    part, sheet = demo_projected("reed-clamp"), _sheet("card")
    plain = sheet_ink(part, _sheet(None))
    groups = shaded(plain, part, sheet, lambda: mesh_of("reed-clamp"))
    own = next(group for group in groups if group.id == "p1")
    tints = [item for item in own.items if isinstance(item, Tinted)]
    assert own.items[: len(tints)] == tuple(tints)
    assert own.items[len(tints) :] == next(group for group in plain if group.id == "p1").items
    assert [group for group in groups if group.id != "p1"] == [group for group in plain if group.id != "p1"]
    drawing = svg(groups, sheet.paper.layout, "shaded")
    assert len(re.findall('class="tint"', drawing)) == len(tints)
    scale = 8.0
    pages = pypdfium2.PdfDocument(BytesIO(pdf(groups, sheet.paper.layout, "shaded")))
    page = pages[0].render(scale=scale * 25.4 / 72).to_numpy()[:, :, 2::-1]
    seen = 0
    for item in tints:
        area = Polygon(item.rings[0], item.rings[1:])
        at = area.representative_point()
        if area.buffer(-0.4).covers(at):
            colour = page[round(page.shape[0] - scale * at.y), round(scale * at.x)]
            seen += bool(np.abs(colour - np.array([int(item.colour[k : k + 2], 16) for k in (1, 3, 5)])).max() <= 8)
    assert seen >= 5, "flat regions large enough to be looked at have their colours"


def test_triangles_are_read_for_shaded_views_alone_and_once() -> None:
    part, read = demo_projected("batten-stop"), []

    def triangles() -> Mesh:
        read.append(1)
        return mesh_of("batten-stop")

    shaded(sheet_ink(part, _sheet(None)), part, _sheet(None), triangles)
    assert read == []
    for at in ((150.0, 150.0), (120.0, 90.0)):
        sheet = _sheet("own")
        moved = sheet.model_copy(update={"views": (sheet.views[0].model_copy(update={"at": at}),)})
        first = shaded(sheet_ink(part, moved), part, moved, triangles)
        box = next(group for group in sheet_ink(part, moved) if group.id == "p1").box
        rings = [ring for group in first for item in group.items if isinstance(item, Tinted) for ring in item.rings]
        assert min(x for ring in rings for x, _ in ring) == pytest.approx(box[0], abs=0.05)
        assert max(y for ring in rings for _, y in ring) == pytest.approx(box[3], abs=0.05)
    assert len(read) == 1


def test_only_pictorial_views_the_program_draws_are_shaded() -> None:
    for wrong in (
        {"look": Square(side="-y", up="+z")},
        {"kind": "pictorial", "look": FromCorner(corner="+-+"), "lines": ()},
    ):
        with pytest.raises(ValidationError) as told:
            View.model_validate({"id": "v", "at": (0, 0), "shading": "card", **wrong})
        assert told.value.errors()[0]["ctx"]["error"].reason == phrase("shading-of-drawn-views")


def test_a_shaded_pictorial_can_be_asked_for() -> None:
    part = demo_projected("reed-clamp")
    task = Exercise(shaded=True, pictorial="required")
    sheet = model_sheet(part, task, Drafter("A", "B", "2026-11-20"))
    assert sheet.shaded
    assert not any(f.rule.startswith("pictorial") for f in check(part, task, sheet).findings)
    plain = tuple(view.model_copy(update={"shading": None}) for view in sheet.views)
    rules = [f.rule for f in check(part, task, sheet.model_copy(update={"views": plain})).findings]
    assert [rule for rule in rules if rule.startswith("pictorial")] == ["pictorial.shading"]
    assert not model_sheet(part, Exercise(), Drafter("A", "B", "2026-11-20")).shaded
