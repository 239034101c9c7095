"""What is open, redrawn: against parts that were really built in other sizes, in the model and in the views."""

from typing import Any

import numpy as np
import pytest
import trimesh
from shapely.geometry import LineString

from maqueta.projection.attitude import usual
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.dimension import true_size
from maqueta.sizes.form.model import form_model
from maqueta.sizes.motions import Motion
from maqueta.sizes.redrawn import moved_points, moving_lines, shown_lines, swung
from maqueta.sizes.sighted import Sighted
from maqueta.solid.triangulation import triangulated
from tests.parts import block, hole, made, projected
from tests.sizes.counted_parts import extrude
from tests.sizes.test_proposal import proposal, reading


def wedge(height: float) -> list[dict[str, Any]]:
    return [extrude((0, 0), (60, 0), (60, 10), (0, height), depth=20)]


def rounded(width: float) -> list[dict[str, Any]]:
    """A rounded end of 60 overall: half the width is its radius."""
    upright = 60 - width / 2
    end = {"through": [width / 2, 60], "to": [0, upright]}
    return [extrude((0, 0), (width, 0), (width, upright), end, depth=10)]


def drilled(x: float, diameter: float = 10) -> list[dict[str, Any]]:
    return [block((80, 40, 18)), hole((x, 15, 18), "-z", diameter)]


def motion_without(part: ProjectedPart, size: float) -> Motion:
    """What can move when one size of a complete set is not given."""
    form = form_model(part.part)
    whole = proposal(form, part)
    gone = next(item for item in whole if abs(true_size(item.dimension) - size) < 1e-6)
    (motion,) = reading(form, [item for item in whole if item is not gone]).open
    return motion


def moved_mesh(features: list[dict[str, Any]], motion: Motion) -> tuple[np.ndarray, np.ndarray]:
    shape, part = made(*features)
    net = triangulated(shape, part)
    points = np.array(net.points).reshape(-1, 3)
    faces = np.zeros(len(points), dtype=int)
    for place, face in enumerate(net.face_of_triangle):
        faces[list(net.triangles[3 * place : 3 * place + 3])] = face
    return points, moved_points(form_model(part), points, list(faces), motion)


def surface_of(features: list[dict[str, Any]]) -> trimesh.Trimesh:
    """The finely meshed surface of a part, for a general mesh library."""
    net = triangulated(*made(*features), 0.05)
    corners, triangles = np.array(net.points).reshape(-1, 3), np.array(net.triangles).reshape(-1, 3)
    return trimesh.Trimesh(corners, triangles, process=False)


def farthest_off(points: np.ndarray, surface: trimesh.Trimesh) -> float:
    _, away, _ = trimesh.proximity.closest_point(surface, points)
    return float(np.max(away))


@pytest.mark.parametrize(
    ("before", "after", "size"),
    [
        (drilled(22), drilled(23), 22),
        (drilled(22), drilled(22, 11), 10),
        (wedge(31), wedge(30), 31),
        (rounded(58), rounded(60), 58),
    ],
    ids=["hole moved", "hole widened", "slope lowered", "rounded end widened"],
)
def test_the_moved_model_is_the_part_in_another_size(
    before: list[dict[str, Any]], after: list[dict[str, Any]], size: float
) -> None:
    points, moves = moved_mesh(before, motion_without(projected(*before), size))
    surface = surface_of(after)
    assert farthest_off(points, surface) > 0.4
    assert min(farthest_off(points + moves * amount, surface) for amount in _amounts(moves)) < 0.06


def _amounts(moves: np.ndarray) -> list[float]:
    """Amounts of a motion that take its farthest point by whole and half millimetres; its sense is arbitrary."""
    farthest = np.linalg.norm(moves, axis=1).max()
    return [sign * far / farthest for sign in (-1, 1) for far in (0.5, 1.0, 2.0)]


def test_the_lines_of_a_view_move_as_those_of_the_part_in_another_size() -> None:
    """A hole moved by 1: the moved ink of the top view is the ink of the other part (a general geometry library)."""
    before, after = projected(*drilled(22)), projected(*drilled(23))
    form, attitude = form_model(before.part), usual("+z")
    seen = Sighted(form, before.part, attitude.look)
    pieces = before.line_set(attitude.look).of("visible")
    (line,) = moving_lines(form, shown_lines(seen, pieces), motion_without(before, 22))
    unit = 1 / max((move[0] for move in line.moves), key=abs)
    points = [(x + unit * u, y + unit * v) for (x, y), (u, v) in zip(line.points, line.moves, strict=True)]
    others = [LineString(p.outline()) for p in after.line_set(attitude.look).of("visible")]
    assert min(LineString(points).hausdorff_distance(other) for other in others) < 0.05


def test_a_motion_is_shown_at_a_size_that_can_be_seen() -> None:
    form = form_model(made(*drilled(22))[1])
    for index, unknown in enumerate(form.unknowns):
        if unknown.kind in ("level", "radius") and unknown.value > 0:
            shown = swung(form, {index: 5.0})
            assert max(abs(amount) for amount in shown.values()) == pytest.approx(0.08, abs=0.01)
