"""Points on surfaces: the linear rows against what the surface's own equation says when its sizes really change.

The outside reference is the implicit equation of each surface (any textbook of analytic geometry), differenced
numerically.
"""

import math
from collections.abc import Callable
from dataclasses import dataclass

import numpy as np
import pytest
from hypothesis import example, given
from hypothesis import strategies as st

from maqueta.sizes.form.equations import Array, Change, System, valued
from maqueta.sizes.form.incidence import incidence, lies_on
from maqueta.sizes.form.model import form_model
from maqueta.sizes.form.surfaces import Surface, surfaces_of
from tests.parts import projected

OWN = (-1, -2, -3)
MOVING = Change(dict(zip(OWN, np.eye(3), strict=True)))
STEP = 1e-6
angles, lengths, aside = st.floats(-3.1, 3.1), st.floats(0.3, 0.9), st.floats(-0.8, 0.8)


def turned(yaw: float, tilt: float) -> tuple[Array, Array, Array]:
    """Three directions square to each other."""
    axis = np.array([math.cos(yaw) * math.cos(tilt), math.sin(yaw) * math.cos(tilt), math.sin(tilt)])
    first = np.cross(axis, [0.0, 0.0, 1.0] if abs(axis[2]) < 0.9 else [1.0, 0.0, 0.0])
    first /= np.linalg.norm(first)
    return axis, first, np.cross(axis, first)


@dataclass(frozen=True)
class Case:
    """A surface, a point on it, and how far any point lies off it when its sizes have changed by given amounts."""

    surface: Surface
    point: Array
    off: Callable[[Array, dict[int, float]], float]


def centred(number: int) -> Change:
    return Change({number + k: way for k, way in enumerate(np.eye(3))})


def moved(by: dict[int, float], number: int) -> Array:
    return np.array([by.get(number + k, 0.0) for k in range(3)])


def plane(yaw: float, tilt: float, x: float, y: float, r: float) -> Case:
    axis, first, second = turned(yaw, tilt)
    point = r * axis + x * first + y * second
    surface = Surface("plane", r * axis, axis, Change({1: first, 2: second}), Change(), offset=0, r=1.0)

    def off(at: Array, by: dict[int, float]) -> float:
        normal = axis + by.get(1, 0.0) * first + by.get(2, 0.0) * second
        return float(at @ normal / np.linalg.norm(normal)) - (r + by.get(0, 0.0))

    return Case(surface, point, off)


def sphere(yaw: float, tilt: float, x: float, y: float, r: float) -> Case:
    axis, _, _ = turned(yaw, tilt)
    middle = np.array([x, y, 0.2])
    surface = Surface("sphere", middle, np.array([0.0, 0.0, 1.0]), Change(), centred(10), radius=0, r=r)

    def off(at: Array, by: dict[int, float]) -> float:
        return float(np.linalg.norm(at - middle - moved(by, 10))) - r - by.get(0, 0.0)

    return Case(surface, middle + r * axis, off)


def cylinder(yaw: float, tilt: float, x: float, y: float, r: float) -> Case:
    axis, first, second = turned(yaw, tilt)
    middle = np.array([0.1, -0.2, 0.3])
    surface = Surface("cylinder", middle, axis, Change({1: first, 2: second}), centred(10), radius=0, r=r)

    def off(at: Array, by: dict[int, float]) -> float:
        along = axis + by.get(1, 0.0) * first + by.get(2, 0.0) * second
        along /= np.linalg.norm(along)
        between = at - middle - moved(by, 10)
        return float(np.linalg.norm(between - (between @ along) * along)) - r - by.get(0, 0.0)

    out = math.cos(3 * x) * first + math.sin(3 * x) * second
    return Case(surface, middle + r * out + y * axis, off)


def cone(yaw: float, tilt: float, x: float, y: float, r: float) -> Case:
    """Seen from its apex; the face's own point lies on the axis where the radius is `r`."""
    axis, first, second = turned(yaw, tilt)
    middle, half, grows = np.array([0.1, -0.2, 0.3]), 0.5, 1.0 if yaw > 0 else -1.0
    apex = middle - grows * r / math.tan(half) * axis
    surface = Surface("cone", middle, axis, Change(), centred(10), apex=0, angle=1, r=r, half=half, grows=grows)

    def off(at: Array, by: dict[int, float]) -> float:
        # The apex has its place along the axis of its own; aside it goes with the centre.
        shift = moved(by, 10)
        here = at - apex - (shift - (shift @ axis) * axis) - by.get(0, 0.0) * axis
        run = float(here @ axis)
        return float(np.linalg.norm(here - run * axis)) - grows * run * math.tan(half + by.get(1, 0.0))

    run = r / math.tan(half) + 0.3 * y
    out = math.cos(3 * x) * first + math.sin(3 * x) * second
    return Case(surface, apex + grows * run * axis + run * math.tan(half) * out, off)


def torus(yaw: float, tilt: float, x: float, y: float, r: float) -> Case:
    axis, first, second = turned(yaw, tilt)
    middle, m = np.array([0.1, -0.2, 0.3]), 0.4 * r
    surface = Surface("torus", middle, axis, Change(), centred(10), radius=0, minor=1, apex=2, r=r, m=m)

    def off(at: Array, by: dict[int, float]) -> float:
        shift = moved(by, 10)
        here = at - middle - (shift - (shift @ axis) * axis) - by.get(2, 0.0) * axis
        height = float(here @ axis)
        distance = float(np.linalg.norm(here - height * axis)) - r - by.get(0, 0.0)
        return math.hypot(distance, height) - m - by.get(1, 0.0)

    out = math.cos(3 * x) * first + math.sin(3 * x) * second
    return Case(surface, middle + (r + m * math.cos(3 * y)) * out + m * math.sin(3 * y) * axis, off)


KINDS = [plane, sphere, cylinder, cone, torus]


@pytest.mark.parametrize("kind", KINDS, ids=lambda kind: kind.__name__)
@given(angles, st.floats(-1.4, 1.4), aside, aside, lengths)
@example(-2.0, 0.3, 0.1, 0.0, 0.5)  # level with the face's own point, where a cone's sense does not show
def test_the_row_is_the_derivative_of_the_surfaces_own_equation(
    kind: Callable[..., Case], yaw: float, tilt: float, x: float, y: float, r: float
) -> None:
    case = kind(yaw, tilt, x, y, r)
    assert case.off(case.point, {}) == pytest.approx(0, abs=1e-9)
    row = lies_on(case.surface, case.point, MOVING)
    for unknown in (0, 1, 2, 10, 11, 12):
        by = {unknown: STEP}
        exact = case.off(case.point, by) / STEP
        # Along the axis the centre of a cone or torus has an unknown of its own.
        assert valued(row, {unknown: 1.0}) == pytest.approx(exact, abs=1e-4)
    for own, way in zip(OWN, np.eye(3), strict=True):
        exact = case.off(case.point + STEP * way, {}) / STEP
        assert valued(row, {own: 1.0}) == pytest.approx(exact, abs=1e-4)


@given(angles, lengths, lengths)
def test_a_rounding_stays_tangent_to_the_face_it_runs_into(yaw: float, r: float, across: float) -> None:
    """A plane on a cylinder: the point where they touch may run along the line, not round the cylinder."""
    axis, first, second = turned(yaw, 0.0)
    middle = across * second
    flat = Surface("plane", (across + r) * second, second, Change(), Change(), offset=0, r=1.0)
    round_one = Surface("cylinder", middle, axis, Change(), centred(10), radius=1, r=r)
    point = middle + r * second
    rows = incidence([flat, round_one], (0, 1), ((0, 1),), point, MOVING)

    def kept(motion: dict[int, float]) -> bool:
        return all(abs(valued(row, motion)) < 1e-9 for row in rows)

    def going(way: Array) -> dict[int, float]:
        return dict(zip(OWN, map(float, way), strict=True))

    assert kept(going(axis))
    assert not kept(going(first))
    # A wider cylinder lifts the face and the point on it, or is lowered itself.
    assert kept({0: 1.0, 1: 1.0, **going(second)})
    assert not kept({1: 1.0, **going(second)})


@pytest.mark.parametrize("tilt", ["cone", "upside down"])
def test_a_cut_cone_is_known_to_grow_whichever_way_it_stands(tilt: str) -> None:
    """Half a cone, from 20 to 10 across in 10: some of its corners are level with the face's own point."""
    radii = (10.0, 5.0) if tilt == "cone" else (5.0, 10.0)
    half = projected(
        {"kind": "revolve", "name": "cone", "axis": "z", "profile": [[0, 0], [radii[0], 0], [radii[1], 10], [0, 10]]},
        {"kind": "block", "name": "cut", "size": [20, 10, 10], "at": [-10, -10, 0], "operation": "cut"},
    )
    (cone,) = (s for s in surfaces_of(half.part, System()) if s.kind == "cone")
    upwards = -1.0 if tilt == "cone" else 1.0
    assert cone.grows * cone.axis[2] == pytest.approx(upwards)
    # Two radii and the height: half a turned part has no size of its own for the cut through its axis.
    assert form_model(half.part).needed == 3
