"""The part as its dimensions determine it: what is open, redrawn along its motion in views and model."""

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np

from maqueta.geometry.carrier import Circle, Line, Point
from maqueta.geometry.line_set import Piece
from maqueta.sizes.form.equations import Array, Row, summed, times, valued
from maqueta.sizes.form.incidence import slope
from maqueta.sizes.form.model import FormModel
from maqueta.sizes.form.surfaces import Surface
from maqueta.sizes.motions import Motion, displaced
from maqueta.sizes.sighted import PICK_TOLERANCE, Sighted

#: The farthest point of a motion is shown this part of the longest size away.
_SWING: Final = 0.08
#: Points closer than this (part of the longest size) are one.
_SAME_POINT: Final = 1e-5
_STILL: Final = 1e-9


@dataclass(frozen=True, slots=True)
class MovingLine:
    """A line of a view as points of its plane, each with how far it goes at the end of the motion (part's unit)."""

    points: tuple[Point, ...]
    moves: tuple[Point, ...]


def swung(form: FormModel, motion: Motion) -> Motion:
    """A motion at the size at which it is shown."""
    shifts = (float(np.linalg.norm(shift)) for _, shift in displaced(form, motion))
    rings = (abs(valued(ring.radius, motion)) for ring in form.rings)
    radii = (abs(motion.get(s.radius, 0.0)) + abs(motion.get(s.minor, 0.0)) for s in form.surfaces)
    far = max(*shifts, *rings, *radii, 1e-12)
    return {index: amount * _SWING / far for index, amount in motion.items()}


@dataclass(frozen=True, slots=True)
class ShownLine:
    """A line of a view with what its points stand for: rows across and up the sheet for each."""

    points: tuple[Point, ...]
    rows: tuple[tuple[Row, Row], ...]


def shown_lines(sighted: Sighted, pieces: Sequence[Piece]) -> tuple[ShownLine, ...]:
    """The straight lines and circles of a view, given in its plane. Free curves are left out."""
    return tuple(line for piece in pieces for line in _shown(sighted, piece))


def moving_lines(form: FormModel, lines: Sequence[ShownLine], motion: Motion) -> tuple[MovingLine, ...]:
    """The lines of a view that move."""
    found = []
    for line in lines:
        moves = tuple((form.size * valued(u, motion), form.size * valued(v, motion)) for u, v in line.rows)
        if any(math.hypot(*move) > _STILL * form.size for move in moves):
            found.append(MovingLine(line.points, moves))
    return tuple(found)


def _shown(sighted: Sighted, piece: Piece) -> Iterator[ShownLine]:
    if isinstance(piece.carrier, Line):
        yield ShownLine(piece.ends, tuple(_rows_at(sighted, end) for end in piece.ends))
    if not isinstance(piece.carrier, Circle):
        return
    circle, size = piece.carrier, sighted.form.size
    at = (circle.x / size, circle.y / size)
    alike = [
        rounding
        for rounding in sighted.roundings
        if math.dist(rounding.at, at) <= PICK_TOLERANCE
        and abs(rounding.value - circle.radius / size) <= PICK_TOLERANCE
        and set(rounding.faces) & set(piece.faces)
    ]
    if not alike:
        return
    across, up = _rows_at(sighted, (circle.x, circle.y))
    points = tuple(piece.outline())
    yield ShownLine(
        points,
        tuple(
            (
                summed(across, times(alike[0].row, (x - circle.x) / circle.radius)),
                summed(up, times(alike[0].row, (y - circle.y) / circle.radius)),
            )
            for x, y in points
        ),
    )


def _rows_at(sighted: Sighted, point: Point) -> tuple[Row, Row]:
    """How the thing at a point of a view moves across and up; what stands for nothing stays."""
    across, up = (sighted.coordinates(point, along)[-1:] for along in ((1.0, 0.0), (0.0, 1.0)))
    return (across[0] if across else {}, up[0] if up else {})


def moved_points(form: FormModel, points: Array, faces: Sequence[int], motion: Motion) -> Array:
    """How points of the part (n × 3, its unit), each on one face, move; points in one place move together."""
    scaled = points / form.size
    keys = np.round(scaled / _SAME_POINT).astype(np.int64)
    _, inverse = np.unique(keys, axis=0, return_inverse=True)
    inverse = inverse.ravel()
    count = int(inverse.max(initial=-1)) + 1
    owners = np.asarray(faces)
    normals: list[list[Array]] = [[] for _ in range(count)]
    sides: list[list[float]] = [[] for _ in range(count)]
    first = np.zeros((count, 3))
    for face in np.unique(owners):
        own = np.flatnonzero(owners == face)
        rows, values, prior = _held(form.surfaces[int(face)], scaled[own], motion)
        for number, where in enumerate(inverse[own]):
            normals[where].append(rows[number])
            sides[where].append(float(values[number]))
            if prior is not None:
                first[where] = prior[number]
    moves = np.array([_settled(first[k], normals[k], sides[k]) for k in range(count)])
    return np.asarray(moves[inverse] * form.size)


def _settled(first: Array, normals: Sequence[Array], sides: Sequence[float]) -> Array:
    """The move nearest to a first guess that keeps a point on all its faces."""
    held = np.array(normals)
    return np.asarray(first + np.linalg.pinv(held, rcond=1e-6) @ (np.array(sides) - held @ first))


def _held(surface: Surface, points: Array, motion: Motion) -> tuple[Array, Array, Array | None]:
    """What keeps points on a moving surface (normals and how far along them), and where round ones would carry them."""
    turning, centre = surface.turning.under(motion), surface.centre.under(motion)
    if surface.kind == "plane":
        offset = surface.r * motion.get(surface.offset, 0.0)
        return np.tile(surface.axis, (len(points), 1)), offset - points @ turning, None
    radius, tube, apex = (motion.get(i, 0.0) for i in (surface.radius, surface.minor, surface.apex))
    between = points - surface.point
    if surface.kind == "sphere":
        out = between / surface.r
        return out, out @ centre + radius, centre + radius * out
    height = between @ surface.axis
    aside = between - np.outer(height, surface.axis)
    distance = np.maximum(np.linalg.norm(aside, axis=1), 1e-12)
    out = aside / distance[:, None]
    if surface.kind == "cylinder":
        carried = centre + radius * out + np.outer(height, turning)
        return out, out @ centre + height * (out @ turning) + radius, carried
    if surface.kind == "cone":
        rate, runs = _cone(surface, points)
        wider = runs / math.cos(surface.half) ** 2 * motion.get(surface.angle, 0.0) - rate * apex
        return out - rate * surface.axis, out @ centre + wider, centre + wider[:, None] * out
    c, s = (distance - surface.r) / surface.m, height / surface.m
    normal = c[:, None] * out + s[:, None] * surface.axis
    carried = centre + radius * out + apex * surface.axis + tube * normal
    return normal, c * (out @ centre) + c * radius + s * apex + tube, carried


def _cone(surface: Surface, points: Array) -> tuple[float, Array]:
    """How the radius of a cone grows along its axis (signed), and how far points are from its apex along it."""
    slopes = [slope(surface, point) for point in points]
    return surface.grows * math.tan(surface.half), np.array([run for _, run in slopes])
