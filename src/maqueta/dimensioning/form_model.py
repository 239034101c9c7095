"""How many sizes a part of any simple surfaces has: its form as unknowns and the equations its views already state.

A reader knows the form of the part, but no size. Unknowns are the offset of every plane and the angle of every slanted
one, the place of every axis, centre and apex, every radius, and the points where faces meet. Known as drawn: what is
square, parallel, coplanar, coaxial, in line or tangent, and that a point lies on its faces. All equations are
linearised at the true sizes; what they leave free, less the three translations, is what has to be written.
"""

import math
from collections.abc import Iterable, Sequence
from dataclasses import dataclass, field
from typing import Final

import numpy as np
from numpy.typing import NDArray

from maqueta.solid.features import axis_of
from maqueta.solid.part import Edge, Face, Part, Vector

Array = NDArray[np.float64]
#: Coordinates, offsets and directions closer than this (part of the longest size, or of one) are the same as drawn.
_SAME: Final = 1e-6
#: A singular value below this part of the largest is zero.
_ZERO: Final = 1e-7
_FULL_TURN: Final = 2 * math.pi - 1e-6


def needed_sizes_of_form(part: Part) -> int:
    """How many independent sizes a part has, without counts ("2×") and without symmetry.

    Raises ValueError, with the reason, for a part with a free-form face or an inclined cone or torus.
    """
    if (reason := beyond(part)) is not None:
        raise ValueError(reason)
    system = _System()
    surfaces = _surfaces(part, system)
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


Row = dict[int, float]


class _System:
    """Unknowns, numbered as they come, and rows that are zero for every change the drawing allows."""

    def __init__(self) -> None:
        self.count = 0
        self.rows: list[Row] = []

    def unknown(self) -> int:
        self.count += 1
        return self.count - 1

    def join(self, own: Sequence[int], rows: Sequence[Row]) -> None:
        """Tie a point to its faces by rows in which its own unknowns are negative numbers.

        They occur nowhere else, so they are eliminated at once, which leaves what the faces must agree on. Where a
        point may still slide on its faces, that is no size.
        """
        mine = np.array([[row.get(index, 0.0) for index in own] for row in rows])
        left, values, _ = np.linalg.svd(mine)
        rank = int((values > _ZERO * values[0]).sum())
        for combination in left[:, rank:].T:
            agreed = _sum(*(_times(row, float(weight)) for row, weight in zip(rows, combination, strict=True)))
            self.rows.append({index: amount for index, amount in agreed.items() if index >= 0})

    def free(self) -> int:
        """The dimension of the null space."""
        matrix = np.zeros((len(self.rows), self.count))
        for place, row in enumerate(self.rows):
            for index, amount in row.items():
                matrix[place, index] = amount
        values = np.linalg.svd(matrix, compute_uv=False) if self.rows else np.zeros(1)
        return self.count - int((values > _ZERO * max(values[0], _ZERO)).sum())


@dataclass(frozen=True)
class _Change:
    """A vector that depends on the unknowns: one row of amounts per unknown, in model directions."""

    parts: dict[int, Array] = field(default_factory=dict)

    def __add__(self, other: "_Change") -> "_Change":
        parts = dict(self.parts)
        for index, amount in other.parts.items():
            parts[index] = parts[index] + amount if index in parts else amount
        return _Change(parts)

    def __neg__(self) -> "_Change":
        return _Change({index: -amount for index, amount in self.parts.items()})

    def __sub__(self, other: "_Change") -> "_Change":
        return self + (-other)

    def along(self, direction: Array, factor: float = 1.0) -> Row:
        """Its component along a fixed direction, as a row."""
        return {index: factor * float(amount @ direction) for index, amount in self.parts.items()}

    def crossed(self, row: Row, direction: Array) -> "_Change":
        """This change plus a scalar row along a fixed direction."""
        return self + _Change({index: amount * direction for index, amount in row.items()})


def _sum(*rows: Row) -> Row:
    total: Row = {}
    for row in rows:
        for index, amount in row.items():
            total[index] = total.get(index, 0.0) + amount
    return total


def _times(row: Row, factor: float) -> Row:
    return {index: factor * amount for index, amount in row.items()}


@dataclass(frozen=True)
class _Surface:
    """A face with its unknowns. Lengths are in parts of the size of the part.

    `normal` turns with the form (planes); `centre` moves; `axis` is the direction of revolution, `turning` its change.
    """

    kind: str
    point: Array
    axis: Array
    turning: _Change
    centre: _Change
    offset: int = -1
    radius: int = -1
    minor: int = -1
    apex: int = -1
    angle: int = -1
    r: float = 0.0
    m: float = 0.0
    half: float = 0.0


class _Directions:
    """The directions of the form; those along a model axis are fixed, slanted ones have one angle, oblique ones two."""

    def __init__(self, system: _System) -> None:
        self._system = system
        self._known: list[tuple[Array, _Change]] = []

    def change(self, direction: Array) -> _Change:
        """How a direction may turn; parallel ones turn together, and those drawn square to each other stay so."""
        if np.abs(direction).max() > 1 - _SAME:
            return _Change()
        for other, change in self._known:
            if abs(abs(other @ direction) - 1) < _SAME:
                return change if other @ direction > 0 else -change
        square = [axis for axis in np.eye(3) if abs(axis @ direction) < _SAME]
        if square:
            ways = [np.cross(square[0], direction)]
        else:
            first = np.cross(direction, np.eye(3)[int(np.abs(direction).argmin())])
            first /= np.linalg.norm(first)
            ways = [first, np.cross(direction, first)]
        change = _Change({self._system.unknown(): way for way in ways})
        for other, turning in self._known:
            if abs(other @ direction) < _SAME:
                self._system.rows.append(_sum(change.along(other), turning.along(direction)))
        self._known.append((direction, change))
        return change


class _Stations:
    """Coordinates along the model axes that are drawn in line, and plane offsets along other directions."""

    def __init__(self, system: _System) -> None:
        self._system = system
        self._known: list[tuple[Array, float, int]] = []

    def at(self, direction: Array, value: float) -> tuple[int, float]:
        """The unknown of a coordinate along a direction, and its sense: −1 where the direction was met reversed."""
        for other, known, index in self._known:
            sense = float(np.sign(other @ direction))
            if abs(abs(other @ direction) - 1) < _SAME and abs(known - sense * value) < _SAME:
                return index, sense
        index = self._system.unknown()
        self._known.append((direction, value, index))
        return index, 1.0


def _surfaces(part: Part, system: _System) -> list[_Surface]:
    directions, stations = _Directions(system), _Stations(system)
    own: dict[tuple[int, ...], _Change] = {}
    radii: list[tuple[Array, Array, float, int]] = []
    found = []
    for index, face in enumerate(part.faces):
        point, axis = np.array(face.point) / part.size, np.array(face.direction)
        turning = directions.change(axis) if face.kind != "sphere" else _Change()
        if face.kind == "plane":
            station, sense = stations.at(axis, float(axis @ point))
            # The unknown runs along the direction first met; the offset along this normal is sense times it.
            found.append(_Surface("plane", point, axis, turning, _Change(), offset=station, r=sense))
            continue
        lone = _lone(part, index)
        centre = _centre(system, stations, own, face, point, axis, lone)
        radius = -1
        if face.kind in ("cylinder", "sphere", "torus"):
            radius = _radius(system, radii, face, point, axis, part.size)
        found.append(
            _Surface(
                face.kind,
                point,
                axis,
                turning,
                centre,
                radius=radius,
                minor=system.unknown() if face.kind == "torus" else -1,
                apex=system.unknown() if face.kind in ("cone", "torus") else -1,
                angle=system.unknown() if face.kind == "cone" else -1,
                r=face.radius / part.size,
                m=face.minor / part.size,
                half=face.angle,
            )
        )
    return found


def _lone(part: Part, face: int) -> bool:
    """Whether a face of revolution and all coaxial ones are part of a turn only and round off their neighbours."""
    return all(_rounds_off(part, other) for other in range(len(part.faces)) if _coaxial(part, face, other))


def _rounds_off(part: Part, face: int) -> bool:
    edges = [part.edges[edge] for edge in part.faces[face].edges]
    return part.faces[face].span < _FULL_TURN and any(edge.smooth for edge in edges)


def _coaxial(part: Part, first: int, second: int) -> bool:
    """Whether two faces of revolution have one axis; two spheres, whether they have one centre."""
    a, b = part.faces[first], part.faces[second]
    if first == second or "plane" in (a.kind, b.kind):
        return first == second
    between = (np.array(b.point) - np.array(a.point)) / part.size
    if a.kind == b.kind == "sphere":
        return bool(np.linalg.norm(between) < _SAME)
    if "sphere" in (a.kind, b.kind):
        return False
    axis = np.array(a.direction)
    aside = between - (between @ axis) * axis
    return abs(abs(axis @ np.array(b.direction)) - 1) < _SAME and bool(np.linalg.norm(aside) < _SAME)


def _centre(
    system: _System,
    stations: _Stations,
    own: dict[tuple[int, ...], _Change],
    face: Face,
    point: Array,
    axis: Array,
    lone: bool,
) -> _Change:
    """How the axis or centre of a face may move; coaxial ones move together."""
    ways = [np.eye(3)[k] for k in range(3)] if face.kind == "sphere" else _square_to(axis)
    if not lone:
        change = _Change()
        for way in ways:
            index, sense = stations.at(way, float(way @ point))
            change = change + _Change({index: sense * way})
        return change
    key = tuple(round(float(c) / _SAME / 10) for c in (*(way @ point for way in ways), *np.abs(axis)))
    if key not in own:
        own[key] = _Change({system.unknown(): way for way in ways})
    return own[key]


def _square_to(axis: Array) -> list[Array]:
    """Two directions square to an axis: along model axes where possible."""
    along = [e for e in np.eye(3) if abs(e @ axis) < _SAME]
    if len(along) == 2:
        return along
    first = along[0] if along else np.cross(axis, np.eye(3)[int(np.abs(axis).argmin())])
    first = first / np.linalg.norm(first)
    return [first, np.cross(axis, first)]


def _radius(
    system: _System,
    radii: list[tuple[Array, Array, float, int]],
    face: Face,
    point: Array,
    axis: Array,
    size: float,
) -> int:
    """Coaxial faces of equal radius are drawn on one line; equal radii elsewhere are not implied."""
    for other, along, value, index in radii:
        between = point - other
        aside = between - (between @ axis) * axis if face.kind != "sphere" else between
        parallel = face.kind == "sphere" or abs(abs(along @ axis) - 1) < _SAME
        same = np.linalg.norm(aside) < _SAME and abs(value - face.radius / size) < _SAME
        if face.kind != "torus" and parallel and same:
            return index
    index = system.unknown()
    if face.kind != "torus":
        radii.append((point, axis, face.radius / size, index))
    return index


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
            key = tuple(round(c / (10 * _SAME * part.size)) for c in end)
            met.setdefault(key, []).append((end, edge))
    for entries in met.values():
        faces = sorted({face for _, edge in entries for face in edge.faces})
        smooth = {(edge.faces[0], edge.faces[1]) for _, edge in entries if edge.smooth and len(edge.faces) == 2}
        yield _Vertex(entries[0][0], tuple(faces), tuple(sorted(smooth)), part.size)


def _meeting(system: _System, surfaces: Sequence[_Surface], vertex: _Vertex) -> None:
    point = np.array(vertex.point) / vertex.size
    own = (-1, -2, -3)
    moving = _Change(dict(zip(own, np.eye(3), strict=True)))
    system.join(own, _rows(surfaces, vertex.faces, vertex.smooth, point, moving))


def _ring(system: _System, surfaces: Sequence[_Surface], edge: Edge, part: Part) -> None:
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
    aside = _Change({i: a - (a @ axis) * axis for i, a in leading.centre.parts.items()})
    moving = aside + _Change({radius: outwards, place: axis})
    pairs = ((faces[0], faces[1]),) if edge.smooth and len(faces) == 2 else ()
    system.join((radius, place), _rows(surfaces, faces, pairs, point, moving))


def _about(surface: _Surface, middle: Array, axis: Array) -> bool:
    """Whether a surface turns about an axis."""
    if surface.kind != "sphere" and abs(abs(surface.axis @ axis) - 1) > _SAME:
        return False
    between = middle - surface.point
    return surface.kind == "plane" or bool(np.linalg.norm(between - (between @ axis) * axis) < 10 * _SAME)


def _rows(
    surfaces: Sequence[_Surface],
    faces: Sequence[int],
    smooth: Sequence[tuple[int, int]],
    point: Array,
    moving: _Change,
) -> list[Row]:
    """A moving point lies on its faces; where two of them run smoothly into each other their normals stay equal."""
    rows = [_lies_on(surfaces[face], point, moving) for face in faces]
    for first, second in smooth:
        normal, change = _normal(surfaces[first], point, moving)
        other, turning = _normal(surfaces[second], point, moving)
        same = change - turning if normal @ other > 0 else change + turning
        for way in _square_to(normal):
            rows.append(same.along(way))
    return rows


def _radial(surface: _Surface, point: Array) -> tuple[Array, float, float]:
    """Outward unit vector square to the axis, distance from the axis, height along it from the surface's point."""
    between = point - surface.point
    height = float(between @ surface.axis)
    aside = between - height * surface.axis
    distance = float(np.linalg.norm(aside))
    return aside / distance, distance, height


def _lies_on(surface: _Surface, point: Array, moving: _Change) -> Row:
    """The row that keeps a moving point on a surface."""
    if surface.kind == "plane":
        return _sum(moving.along(surface.axis), surface.turning.along(point), {surface.offset: -surface.r})
    against = moving - surface.centre
    if surface.kind == "sphere":
        out = (point - surface.point) / surface.r
        return _sum(against.along(out), {surface.radius: -1.0})
    out, distance, height = _radial(surface, point)
    if surface.kind == "cylinder":
        return _sum(against.along(out), surface.turning.along(out, -height), {surface.radius: -1.0})
    if surface.kind == "cone":
        rate, run = _slope(surface, point)
        return _sum(
            against.along(out),
            moving.along(surface.axis, -rate),
            {surface.apex: rate, surface.angle: -run / math.cos(surface.half) ** 2},
        )
    c, s = (distance - surface.r) / surface.m, height / surface.m
    return _sum(
        against.along(out, c),
        {surface.radius: -c},
        moving.along(surface.axis, s),
        {surface.apex: -s, surface.minor: -1.0},
    )


def _slope(surface: _Surface, point: Array) -> tuple[float, float]:
    """Of a cone: how its radius grows along its axis (signed), and how far a point is from its apex along it."""
    _, distance, height = _radial(surface, point)
    grown = math.tan(surface.half)
    # The radius of the face is the one at its point; it grows one way or the other.
    sign = 1.0 if abs(surface.r + grown * height - distance) <= abs(surface.r - grown * height - distance) else -1.0
    return sign * grown, distance / grown


def _normal(surface: _Surface, point: Array, moving: _Change) -> tuple[Array, _Change]:
    """The unit normal of a surface at a moving point, and how it turns."""
    if surface.kind == "plane":
        return surface.axis, surface.turning
    against = moving - surface.centre
    if surface.kind == "sphere":
        out = (point - surface.point) / surface.r
        parts = {i: (a - (a @ out) * out) / surface.r for i, a in against.parts.items()}
        return out, _Change(parts)
    out, distance, height = _radial(surface, point)
    axis = surface.axis
    tangent = np.cross(axis, out)
    swing = _Change({i: (a @ tangent) / distance * tangent for i, a in against.parts.items()})
    if surface.kind == "cylinder":
        return out, swing
    if surface.kind == "cone":
        rate, _ = _slope(surface, point)
        sign = math.copysign(1.0, rate)
        c, s = math.cos(surface.half), math.sin(surface.half)
        turned = _Change({surface.angle: -s * out - sign * c * axis})
        return c * out - sign * s * axis, _scaled(swing, c) + turned
    c, s = (distance - surface.r) / surface.m, height / surface.m
    beta = _sum(
        _times(_sum(against.along(out), {surface.radius: -1.0}), -s / surface.m),
        _times(_sum(moving.along(axis), {surface.apex: -1.0}), c / surface.m),
    )
    return c * out + s * axis, _scaled(swing, c).crossed(beta, -s * out + c * axis)


def _scaled(change: _Change, factor: float) -> _Change:
    return _Change({index: factor * amount for index, amount in change.parts.items()})
