"""How many sizes a part of any simple surfaces has: its form as unknowns and the equations its views already state.

A reader knows the form of the part, but no size. Unknowns are the offset of every plane and the angle of every slanted
one, the place of every axis, centre and apex, every radius, and the points where faces meet. Known as drawn: what is
square, parallel, coplanar, coaxial, in line or tangent, and that a point lies on its faces. All equations are
linearised at the true sizes; what they leave free, less the three translations, is what has to be written.
"""

import math
from collections.abc import Iterable, Sequence
from dataclasses import dataclass

import numpy as np

from maqueta.dimensioning.form_equations import SAME, Array, Change, Row, System, scaled, summed, times
from maqueta.dimensioning.form_surfaces import Surface, square_to, surfaces_of
from maqueta.solid.features import axis_of
from maqueta.solid.part import Edge, Part, Vector


def needed_sizes_of_form(part: Part) -> int:
    """How many independent sizes a part has, without counts ("2×") and without symmetry.

    Raises ValueError, with the reason, for a part with a free-form face or an inclined cone or torus.
    """
    if (reason := beyond(part)) is not None:
        raise ValueError(reason)
    system = System()
    surfaces = surfaces_of(part, system)
    for vertex in _vertices(part):
        _meeting(system, surfaces, vertex)
    for edge in part.edges:
        if edge.kind == "circle" and edge.closed and not edge.seam:
            _ring(system, surfaces, edge, part)
    return system.free() - 3


def beyond(part: Part) -> str | None:
    """Why the sizes of a part cannot be counted, or None when they can."""
    for face in part.faces:
        if face.kind == "other":
            return "the part has a free-form face"
        if face.kind in ("cone", "torus") and axis_of(face.direction) is None:
            return f"the part has an inclined {face.kind}"
    return None


@dataclass(frozen=True)
class _Vertex:
    point: Vector
    faces: tuple[int, ...]
    smooth: tuple[tuple[int, int], ...]
    size: float


def _vertices(part: Part) -> Iterable[_Vertex]:
    """The corners of the part: ends of edges that are no seams, with the faces and smooth edges that meet there."""
    met: dict[tuple[int, ...], list[tuple[Vector, Edge]]] = {}
    for edge in part.edges:
        if edge.seam or edge.closed:
            continue
        for end in (edge.start, edge.end):
            key = tuple(round(c / (10 * SAME * part.size)) for c in end)
            met.setdefault(key, []).append((end, edge))
    for entries in met.values():
        faces = sorted({face for _, edge in entries for face in edge.faces})
        smooth = {(edge.faces[0], edge.faces[1]) for _, edge in entries if edge.smooth and len(edge.faces) == 2}
        yield _Vertex(entries[0][0], tuple(faces), tuple(sorted(smooth)), part.size)


def _meeting(system: System, surfaces: Sequence[Surface], vertex: _Vertex) -> None:
    point = np.array(vertex.point) / vertex.size
    own = (-1, -2, -3)
    moving = Change(dict(zip(own, np.eye(3), strict=True)))
    system.join(own, _rows(surfaces, vertex.faces, vertex.smooth, point, moving))


def _ring(system: System, surfaces: Sequence[Surface], edge: Edge, part: Part) -> None:
    """A full circle where coaxial faces meet: it has a radius and a place along the axis."""
    faces = tuple(sorted(set(edge.faces)))
    axis, middle = np.array(edge.axis), np.array(edge.centre) / part.size
    round_ones = [surfaces[f] for f in faces if surfaces[f].kind != "plane"]
    leading = next((s for s in round_ones if s.kind != "sphere"), round_ones[0] if round_ones else None)
    if leading is None or not all(_about(surfaces[f], middle, axis) for f in faces):
        return
    point = np.array(edge.start) / part.size
    outwards = (point - middle) / np.linalg.norm(point - middle)
    radius, place = -1, -2
    aside = Change({i: a - (a @ axis) * axis for i, a in leading.centre.parts.items()})
    moving = aside + Change({radius: outwards, place: axis})
    pairs = ((faces[0], faces[1]),) if edge.smooth and len(faces) == 2 else ()
    system.join((radius, place), _rows(surfaces, faces, pairs, point, moving))


def _about(surface: Surface, middle: Array, axis: Array) -> bool:
    """Whether a surface turns about an axis."""
    if surface.kind != "sphere" and abs(abs(surface.axis @ axis) - 1) > SAME:
        return False
    between = middle - surface.point
    return surface.kind == "plane" or bool(np.linalg.norm(between - (between @ axis) * axis) < 10 * SAME)


def _rows(
    surfaces: Sequence[Surface],
    faces: Sequence[int],
    smooth: Sequence[tuple[int, int]],
    point: Array,
    moving: Change,
) -> list[Row]:
    """A moving point lies on its faces; where two of them run smoothly into each other their normals stay equal."""
    rows = [_lies_on(surfaces[face], point, moving) for face in faces]
    for first, second in smooth:
        normal, change = _normal(surfaces[first], point, moving)
        other, turning = _normal(surfaces[second], point, moving)
        same = change - turning if normal @ other > 0 else change + turning
        for way in square_to(normal):
            rows.append(same.along(way))
    return rows


def _radial(surface: Surface, point: Array) -> tuple[Array, float, float]:
    """Outward unit vector square to the axis, distance from the axis, height along it from the surface's point."""
    between = point - surface.point
    height = float(between @ surface.axis)
    aside = between - height * surface.axis
    distance = float(np.linalg.norm(aside))
    return aside / distance, distance, height


def _lies_on(surface: Surface, point: Array, moving: Change) -> Row:
    """The row that keeps a moving point on a surface."""
    if surface.kind == "plane":
        return summed(moving.along(surface.axis), surface.turning.along(point), {surface.offset: -surface.r})
    against = moving - surface.centre
    if surface.kind == "sphere":
        out = (point - surface.point) / surface.r
        return summed(against.along(out), {surface.radius: -1.0})
    out, distance, height = _radial(surface, point)
    if surface.kind == "cylinder":
        return summed(against.along(out), surface.turning.along(out, -height), {surface.radius: -1.0})
    if surface.kind == "cone":
        rate, run = _slope(surface, point)
        return summed(
            against.along(out),
            moving.along(surface.axis, -rate),
            {surface.apex: rate, surface.angle: -run / math.cos(surface.half) ** 2},
        )
    c, s = (distance - surface.r) / surface.m, height / surface.m
    return summed(
        against.along(out, c),
        {surface.radius: -c},
        moving.along(surface.axis, s),
        {surface.apex: -s, surface.minor: -1.0},
    )


def _slope(surface: Surface, point: Array) -> tuple[float, float]:
    """Of a cone: how its radius grows along its axis (signed), and how far a point is from its apex along it."""
    _, distance, height = _radial(surface, point)
    grown = math.tan(surface.half)
    # The radius of the face is the one at its point; it grows one way or the other.
    sign = 1.0 if abs(surface.r + grown * height - distance) <= abs(surface.r - grown * height - distance) else -1.0
    return sign * grown, distance / grown


def _normal(surface: Surface, point: Array, moving: Change) -> tuple[Array, Change]:
    """The unit normal of a surface at a moving point, and how it turns."""
    if surface.kind == "plane":
        return surface.axis, surface.turning
    against = moving - surface.centre
    if surface.kind == "sphere":
        out = (point - surface.point) / surface.r
        parts = {i: (a - (a @ out) * out) / surface.r for i, a in against.parts.items()}
        return out, Change(parts)
    out, distance, height = _radial(surface, point)
    axis = surface.axis
    tangent = np.cross(axis, out)
    swing = Change({i: (a @ tangent) / distance * tangent for i, a in against.parts.items()})
    if surface.kind == "cylinder":
        return out, swing
    if surface.kind == "cone":
        rate, _ = _slope(surface, point)
        sign = math.copysign(1.0, rate)
        c, s = math.cos(surface.half), math.sin(surface.half)
        turned = Change({surface.angle: -s * out - sign * c * axis})
        return c * out - sign * s * axis, scaled(swing, c) + turned
    c, s = (distance - surface.r) / surface.m, height / surface.m
    beta = summed(
        times(summed(against.along(out), {surface.radius: -1.0}), -s / surface.m),
        times(summed(moving.along(axis), {surface.apex: -1.0}), c / surface.m),
    )
    return c * out + s * axis, scaled(swing, c).crossed(beta, -s * out + c * axis)
