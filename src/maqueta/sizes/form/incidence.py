"""A point that stays on the faces it belongs to: the equations, linearised at the true sizes."""

import math
from collections.abc import Sequence

import numpy as np

from maqueta.sizes.form.equations import Array, Change, Row, scaled, summed, times
from maqueta.sizes.form.surfaces import Surface, square_to


def incidence(
    surfaces: Sequence[Surface],
    faces: Sequence[int],
    smooth: Sequence[tuple[int, int]],
    point: Array,
    moving: Change,
) -> list[Row]:
    """A moving point lies on its faces; where two of them run smoothly into each other their normals stay equal."""
    rows = [lies_on(surfaces[face], point, moving) for face in faces]
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


def lies_on(surface: Surface, point: Array, moving: Change) -> Row:
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
        rate, run = slope(surface, point)
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


def slope(surface: Surface, point: Array) -> tuple[float, float]:
    """Of a cone: how its radius grows along its axis (signed), and how far a point is from its apex along it."""
    _, distance, _ = _radial(surface, point)
    grown = math.tan(surface.half)
    return surface.grows * grown, distance / grown


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
        rate, _ = slope(surface, point)
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
