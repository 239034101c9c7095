"""True lengths, true shapes and angles by folded views, against vector algebra and worked examples.

The examples are of the kind any textbook of descriptive geometry has; their numbers are worked by hand, from memory.
"""

import math
from collections.abc import Sequence
from itertools import pairwise

import numpy as np
import pytest

from maqueta.geometry.directions import Vector
from maqueta.geometry.frame import cross, dot, unit
from maqueta.projection.attitude import Attitude
from maqueta.projection.look import Look
from maqueta.sheet.view_graph import fold, folded, shared

FRONT, TOP = Attitude("-y", "+z").look, Attitude("+z", "+y").look


def across(parent: Look, towards: Vector) -> Look:
    """The view folded out from a parent, seen from a direction that lies in its plane."""
    assert abs(dot(towards, parent.towards)) < 1e-9
    child = folded(parent, (dot(towards, parent.right), dot(towards, parent.up)))
    assert fold(parent, child) is not None
    assert shared(parent, child) is not None
    return child


def truly(normal: Vector) -> Look:
    """The view square to a face: primary along a line of it in true length in the front view, then secondary."""
    if abs(dot(normal, FRONT.towards)) < 1e-9:
        return across(FRONT, normal)
    if abs(dot(normal, TOP.towards)) < 1e-9:
        return across(TOP, normal)
    primary = across(FRONT, unit(cross(normal, FRONT.towards)))
    # Along a true-length line of it, a face is an edge.
    assert abs(dot(normal, primary.towards)) < 1e-9
    return across(primary, normal)


def along(way: Vector) -> Look:
    """The view in which lines of a direction are points: first one that shows them in true length, then along them."""
    for view in (FRONT, TOP):
        if abs(dot(way, view.towards)) < 1e-9:
            return across(view, way)
    beside = cross(way, FRONT.towards)
    primary = across(FRONT, unit(beside))
    return across(primary, way)


def minus(a: Vector, b: Vector) -> Vector:
    return (a[0] - b[0], a[1] - b[1], a[2] - b[2])


def scaled(a: Vector, by: float) -> Vector:
    return (by * a[0], by * a[1], by * a[2])


def points(chance: np.random.Generator, count: int) -> list[Vector]:
    return [(float(x), float(y), float(z)) for x, y, z in chance.uniform(-80, 80, (count, 3))]


def area(corners: Sequence[tuple[float, float]]) -> float:
    return abs(sum(a[0] * b[1] - a[1] * b[0] for a, b in pairwise([*corners, corners[0]]))) / 2


def seen_length(look: Look, a: Vector, b: Vector) -> float:
    return math.dist(look.seen(a), look.seen(b))


def dihedral(edge: tuple[Vector, Vector], first: Vector, second: Vector) -> float:
    """The angle of two faces, each given by a further corner, where their common edge is seen as a point; degrees."""
    look = along(unit(minus(edge[1], edge[0])))
    assert seen_length(look, *edge) == pytest.approx(0, abs=1e-9)
    ox, oy = look.seen(edge[0])
    ways = [(x - ox, y - oy) for x, y in (look.seen(first), look.seen(second))]
    cosine = (ways[0][0] * ways[1][0] + ways[0][1] * ways[1][1]) / (math.hypot(*ways[0]) * math.hypot(*ways[1]))
    return math.degrees(math.acos(max(-1.0, min(1.0, cosine))))


@pytest.mark.parametrize("seed", range(4))
def test_random_oblique_faces_show_truly(seed: int) -> None:
    """Fifty a seed: every side in true length, the area by the cross product, every angle as it is."""
    chance = np.random.default_rng(seed)
    for _ in range(50):
        corners = points(chance, 3)
        a, b, c = corners
        normal = cross(minus(b, a), minus(c, a))
        size = math.sqrt(dot(normal, normal))
        if size < 1.0:
            continue
        look = truly(unit(normal))
        for p, q in ((a, b), (b, c), (c, a)):
            assert seen_length(look, p, q) == pytest.approx(math.dist(p, q), rel=1e-9)
        assert area([look.seen(p) for p in corners]) == pytest.approx(size / 2, rel=1e-9)


@pytest.mark.parametrize("seed", range(4))
def test_random_faces_meet_at_their_angle_where_their_edge_is_a_point(seed: int) -> None:
    chance = np.random.default_rng(100 + seed)
    for _ in range(50):
        a, b, c, d = points(chance, 4)
        way = unit(minus(b, a))
        # Square to the edge within each face, by vector algebra.
        arms = [minus(p, a) for p in (c, d)]
        arms = [minus(v, scaled(way, dot(v, way))) for v in arms]
        if min(dot(v, v) for v in arms) < 1.0 or abs(dot(way, FRONT.towards)) > 0.999:
            continue
        cosine = dot(*arms) / math.sqrt(dot(arms[0], arms[0]) * dot(arms[1], arms[1]))
        assert dihedral((a, b), c, d) == pytest.approx(math.degrees(math.acos(max(-1, min(1, cosine)))), abs=1e-6)


#: Lines by their ends, with their true lengths.
LENGTHS = [
    ((0, 0, 0), (3, 4, 12), 13.0),
    ((10, 20, 5), (40, 60, 125), 130.0),
    ((0, 0, 0), (30, 40, 50), 70.7107),
    ((5, -8, 2), (7, -5, 8), 7.0),
    # The sloping edge of a pyramid 60 square and 40 high.
    ((30, 30, 0), (0, 0, 40), 58.3095),
]


@pytest.mark.parametrize(("a", "b", "length"), LENGTHS)
def test_worked_true_lengths(a: Vector, b: Vector, length: float) -> None:
    """Folded out across a line parallel to its top view, a line shows its true length; in the top view it does not."""
    way = unit(minus(b, a))
    level = unit((way[0], way[1], 0.0))
    look = across(TOP, (-level[1], level[0], 0.0))
    assert seen_length(look, a, b) == pytest.approx(length, abs=1e-4)
    assert seen_length(TOP, a, b) < length


def test_worked_slope_of_a_line() -> None:
    """From (0, 0, 0) to (30, 40, 50): 45° to the ground, seen where the line is in true length."""
    look = across(TOP, (-0.8, 0.6, 0.0))
    (x0, y0), (x1, y1) = look.seen((0, 0, 0)), look.seen((30, 40, 50))
    ground = look.seen((30, 40, 0))
    level = (ground[0] - x0, ground[1] - y0)
    cosine = ((x1 - x0) * level[0] + (y1 - y0) * level[1]) / (math.hypot(x1 - x0, y1 - y0) * math.hypot(*level))
    assert math.degrees(math.acos(cosine)) == pytest.approx(45.0)


#: Faces by their corners, with their true areas.
SHAPES = [
    # A ramp 60 long, rising 30 over 40: a rectangle of 60 by 50, half of it.
    (((0, 0, 0), (60, 0, 0), (0, 40, 30)), 1500.0),
    # Cut off the axes at 30, 40 and 60: ½ √(a²b² + b²c² + c²a²).
    (((30, 0, 0), (0, 40, 0), (0, 0, 60)), 1615.5494),
    # A face of a pyramid 60 square and 40 high: base 60, slant height 50.
    (((-30, -30, 0), (30, -30, 0), (0, 0, 40)), 1500.0),
    # The corner of a cube of 10 cut off through three of its corners: √3/4 of (10√2)².
    (((10, 0, 0), (0, 10, 0), (0, 0, 10)), 86.6025),
]


@pytest.mark.parametrize(("corners", "true"), SHAPES)
def test_worked_true_shapes(corners: tuple[Vector, Vector, Vector], true: float) -> None:
    a, b, c = corners
    look = truly(unit(cross(minus(b, a), minus(c, a))))
    assert area([look.seen(p) for p in corners]) == pytest.approx(true, abs=1e-3)
    assert area([FRONT.seen(p) for p in corners]) < true


#: Common edges with a corner of each face, and the angle between the faces in degrees.
ANGLES = [
    # A regular tetrahedron: arccos 1/3.
    (((1, 1, 1), (1, -1, -1)), (-1, 1, -1), (-1, -1, 1), 70.5288),
    # A regular octahedron: arccos −1/3.
    (((1, 0, 0), (0, 0, 1)), (0, 1, 0), (0, -1, 0), 109.4712),
    # The hip of a roof whose sides slope at 45°.
    (((0, 0, 0), (1, 1, 1)), (2, 0, 0), (0, 2, 0), 120.0),
    # Neighbouring faces of a pyramid 60 square and 40 high: arccos −9/25.
    (((30, 30, 0), (0, 0, 40)), (30, -30, 0), (-30, 30, 0), 111.1002),
    # A face of that pyramid and its base: arctan 40/30.
    (((30, -30, 0), (30, 30, 0)), (0, 0, 40), (0, 0, 0), 53.1301),
]


@pytest.mark.parametrize(("edge", "first", "second", "angle"), ANGLES)
def test_worked_angles_between_faces(edge: tuple[Vector, Vector], first: Vector, second: Vector, angle: float) -> None:
    assert dihedral(edge, first, second) == pytest.approx(angle, abs=1e-4)
