"""Hidden lines of all demo parts against a ray-caster on a mesh, from all sides and corners."""

import numpy as np
import pytest

from maqueta.demo.workshop import PARTS
from maqueta.geometry.carrier import Circle, Ellipse, Line
from maqueta.geometry.directions import SIDES
from maqueta.geometry.line_set import LineSet
from maqueta.projection.attitude import ATTITUDES, CORNERS, Attitude, from_corner, usual
from maqueta.projection.hidden_lines import HiddenLines
from maqueta.projection.projected_part import from_json, to_json
from tests.parts import block, demo_projected, demo_solid, hole, made, projected
from tests.projection.ray_caster import disagreement, mesh_of

#: The part of the judged length that may disagree: the mesh only approximates round faces.
ALLOWED = 1e-3


@pytest.mark.parametrize("slug", PARTS)
def test_visibility_agrees_with_a_ray_caster(slug: str) -> None:
    shape, part = demo_solid(slug)
    solid = mesh_of(shape, part)
    assert solid.is_watertight
    assert solid.volume == pytest.approx(part.volume, rel=5e-3)
    view = demo_projected(slug)
    wrong = judged = 0.0
    for look in [*(usual(side).look for side in SIDES), view.corner("+-+")]:
        bad, total = disagreement(part, view.line_set(look), look, solid)
        wrong, judged = wrong + bad, judged + total
    assert judged > 5 * part.size
    assert wrong / judged < ALLOWED


@pytest.mark.parametrize("slug", PARTS)
def test_no_edge_of_the_part_is_lost(slug: str) -> None:
    """Every real edge that is not seen as a point stands behind some line of every view."""
    part, view = demo_solid(slug)[1], demo_projected(slug)
    for side in SIDES:
        towards = np.array(usual(side).look.towards)
        shown = {edge for piece in view.sides[side].pieces for edge in piece.edges}
        for index, edge in enumerate(part.edges):
            along = np.subtract(edge.end, edge.start)
            seen_as_point = edge.kind == "line" and np.linalg.norm(np.cross(along, towards)) < 1e-9
            if not (edge.smooth or edge.seam or seen_as_point):
                assert index in shown, (side, index)


def test_turned_views_are_what_the_kernel_sees() -> None:
    """The other three turns of a side are derived; the kernel, asked directly, gives the same lines."""
    shape, part = demo_solid("warp-beam-bearing")
    view, direct = demo_projected("warp-beam-bearing"), HiddenLines(shape, part)
    for attitude in ATTITUDES[::5]:
        derived, asked = view.line_set(attitude.look), direct.line_set(attitude.look)
        assert len(derived.pieces) == len(asked.pieces)
        assert derived.box == pytest.approx(asked.box, abs=1e-6)
        total = sum(piece.length for piece in asked.pieces)
        assert sum(piece.length for piece in derived.pieces) == pytest.approx(total)


@pytest.mark.parametrize("slug", ["reed-clamp", "tension-wheel", "crank-plate", "treadle-bracket", "cloth-beam-wedge"])
def test_views_asked_for_together_are_those_asked_for_one_by_one(slug: str) -> None:
    """Sides and corners, also where one is the mirror image of another, in any order."""
    shape, part = demo_solid(slug)
    looks = [*(usual(side).look for side in SIDES), *(from_corner(corner, "+z") for corner in CORNERS)]
    told: list[tuple[int, int]] = []
    together = HiddenLines(shape, part).line_sets(looks, lambda done, of: told.append((done, of)))
    assert told == [(k, len(looks)) for k in range(len(looks))]
    backwards = HiddenLines(shape, part).line_sets(looks[::-1])[::-1]
    for look, one, other in zip(looks, together, backwards, strict=True):
        alone = HiddenLines(shape, part).line_set(look)
        # Which of two edges at one place a piece is said to show may differ; what is drawn may not.
        assert _drawn(one) == _drawn(other) == _drawn(alone)


def _drawn(lines: LineSet) -> list[tuple[object, ...]]:
    found = []
    for piece in lines.pieces:
        ends = sorted((round(x, 4) + 0.0, round(y, 4) + 0.0) for x, y in piece.ends)
        found.append((piece.kind, type(piece.carrier).__name__, bool(piece.edges or piece.faces), *ends))
    return sorted(found)


def test_a_view_without_lines_is_an_empty_line_set() -> None:
    shape, part = demo_solid("reed-clamp")
    assert HiddenLines(shape, part).line_sets([]) == []


def test_round_hole_is_a_circle_two_lines_or_an_ellipse() -> None:
    view = projected(block((40, 40, 10)), hole((20, 20, 10), "-z", 12))
    top = [p for p in view.line_set(Attitude("+z", "+y").look).pieces if isinstance(p.carrier, Circle)]
    assert [(p.carrier.radius, p.kind) for p in top if isinstance(p.carrier, Circle)] == [(6, "visible")]
    front = [p for p in view.line_set(Attitude("-y", "+z").look).of("hidden") if isinstance(p.carrier, Line)]
    assert sorted(p.ends[0][0] for p in front) == pytest.approx([14, 26])
    corner = [p.carrier for p in view.corners["+-+"].pieces if isinstance(p.carrier, Ellipse)]
    assert {round(e.minor / e.major, 6) for e in corner} == {round(1 / np.sqrt(3), 6)}


def test_smooth_edges_are_kept_apart() -> None:
    profile = [[0, 0], [60, 0], [60, 30], {"through": [30, 60], "to": [0, 30]}]
    view = projected({"kind": "extrude", "plane": "xz", "profile": profile, "depth": 10})
    side = view.line_set(Attitude("+x", "+z").look)
    assert [p.ends[0][1] for p in side.of("smooth")] == [30]
    assert all(p.ends != side.of("smooth")[0].ends for p in side.of("visible", "hidden"))


def test_projected_part_survives_storing() -> None:
    view = demo_projected("heddle-guide")
    assert from_json(to_json(view)) == view


def test_equal_drawings_compare_equal() -> None:
    one = projected(block((30, 20, 10)), hole((8, 8, 10), "-z", 4))
    two = projected(block((30, 20, 10)), hole((8, 8, 10), "-z", 4))
    assert one.sides == two.sides


def test_solid_made_of_two_blocks_shows_no_joint() -> None:
    _, joined = made(block((40, 20, 10)), block((40, 20, 10), (0, 0, 10)))
    assert (len(joined.faces), len(joined.edges)) == (6, 12)


def test_curves_where_cylinders_meet_are_seen_as_the_ray_caster_sees_them() -> None:
    """A cross-drilled bar: the kernel alone flickers along the curves where the two cylinders meet."""
    shape, part = made(
        {"kind": "revolve", "axis": "x", "profile": [[0, 0], [12, 0], [12, 50], [0, 50]]},
        hole((25, 0, 20), "-z", 10, 20),
    )
    view, solid = HiddenLines(shape, part), mesh_of(shape, part)
    wrong = judged = 0.0
    for side in ("-y", "+x", "-z"):
        look = usual(side).look
        bad, total = disagreement(part, view.line_set(look), look, solid)
        wrong, judged = wrong + bad, judged + total
    assert wrong / judged < ALLOWED


def test_far_rim_of_a_hole_is_hidden_in_the_pictorial() -> None:
    """The kernel alone takes short stretches of the lower rim for visible here."""
    view = demo_projected("batten-stop")
    [rim] = [i for i, e in enumerate(view.part.edges) if e.kind == "circle" and e.centre[2] == 0]
    assert {p.kind for p in view.corners["+-+"].pieces if rim in p.edges} == {"hidden"}
