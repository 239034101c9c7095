"""Hidden lines of assemblies: parts hide each other's lines, and every line is an edge of one part or its outline."""

import pytest

from maqueta.demo.put_together import demo_assembly
from maqueta.geometry.carrier import Similarity
from maqueta.geometry.directions import SIDES
from maqueta.geometry.line_set import LineSet
from maqueta.projection.attitude import CORNERS, USUAL_FRONT, from_corner, usual
from maqueta.projection.look import Look
from maqueta.projection.project import drawn, project, projected_alone
from maqueta.projection.projected_part import looks_alone, with_components
from maqueta.solid.errors import PartError
from tests.assemblies import component_solid, demo_assembled
from tests.projection.ray_caster import disagreement, mesh_of

#: Share of the judged length that may disagree: the judge steps a little off the edges it looks from.
ALLOWED = 6e-3


@pytest.mark.parametrize("slug", ["puzzle-cube", "pedal", "shuttle"])
def test_what_hides_what_is_what_rays_say(slug: str) -> None:
    """Against rays on the triangles of all parts together (trimesh)."""
    shape, part = demo_assembled(slug)
    whole, mesh = project(shape, part), mesh_of(shape, part)
    looks: list[tuple[Look, LineSet]] = [(usual(side).look, whole.sides[side]) for side in SIDES]
    looks += [(from_corner(corner, whole.upright), whole.corners[corner]) for corner in CORNERS[:4]]
    wrong = judged = 0.0
    for look, lines in looks:
        off, length = disagreement(part, lines, look, mesh)
        wrong, judged = wrong + off, judged + length
    assert judged > 20 * part.size
    assert wrong <= ALLOWED * judged


def test_the_sides_of_a_cube_show_where_its_pieces_meet() -> None:
    """Nine fields a side; lines are drawn between fields of two pieces and nowhere else: counted from the cells."""
    layers = ["ACB/ECC/ECD", "ABB/ADD/ECD", "AAB/ADB/EEB"]
    cells = {(x, y, z): piece for z, layer in enumerate(layers) for y, row in enumerate(layer.split("/"))
             for x, piece in enumerate(row)}  # fmt: skip
    shape, part = demo_assembled("puzzle-cube")
    top = project(shape, part).sides["+z"]
    between = sum(cells[x, y, 2] != cells[x + 1, y, 2] for x in range(2) for y in range(3))
    between += sum(cells[x, y, 2] != cells[x, y + 1, 2] for x in range(3) for y in range(2))
    assert sum(piece.length for piece in top.of("visible")) == pytest.approx(20 * between + 4 * 60)


def test_a_component_alone_is_drawn_as_it_would_be_if_the_others_were_taken_away() -> None:
    """Held against the part itself, drawn by itself and moved to where it stands: the bush, which is not turned."""
    shape, whole = demo_assembled("pedal")
    bush = next(own for own in demo_assembly("pedal").components if own.id == "bush")
    alone = projected_alone(shape, whole)["bush"]
    itself = project(*component_solid("pedal-bush"))
    for corner in CORNERS:
        look = from_corner(corner, itself.upright)
        x, y = look.seen(bush.at)
        expected = itself.line_set(look).moved(Similarity(1.0, 0.0, x, y))
        own = alone.line_set(look)
        assert [piece.kind for piece in own.pieces] == [piece.kind for piece in expected.pieces]
        assert own.box == pytest.approx(expected.box, abs=5e-3)
        # Free curves are chords, and those depend on where the kernel begins them.
        assert sum(p.length for p in own.pieces) == pytest.approx(sum(p.length for p in expected.pieces), rel=1e-5)


def test_components_are_known_from_looks_as_well_as_from_the_solid() -> None:
    shape, whole = demo_assembled("pedal")
    seen = with_components(project(shape, whole).with_looks(drawn(shape, whole, looks_alone(whole))))
    direct = projected_alone(shape, whole)
    for name, own in direct.items():
        assert seen.alone[name].sides == own.sides
        assert seen.alone[name].corners == own.corners
        assert seen.alone[name].part.low == pytest.approx(own.part.low, abs=0.5)


def test_a_component_that_is_not_there_is_said() -> None:
    shape, whole = demo_assembled("pedal")
    with pytest.raises(PartError, match="spring"):
        drawn(shape, whole, [Look(USUAL_FRONT.look.frame, only="spring")])
