"""The sizes of a part as unknowns: what a reader who knows the shape, but no size, does not know yet.

For parts whose faces are square to the axes, with round surfaces along the axes. Unknowns are

- one level per set of coplanar faces along each axis; faces at one level are drawn in line and are one unknown;
  the axis of a full cylinder is a level along the two directions square to it and shares it with what is in line;
- one radius per cylinder; coaxial cylinders of equal radius are drawn on one line and are one unknown.

A partial cylinder that runs smoothly into its neighbours (fillet, rounded end) keeps an axis of its own, tied to
them by tangency. Equal radii elsewhere are not implied: only a count says so.
"""

import math
from collections.abc import Iterable
from dataclasses import dataclass
from typing import Literal

from maqueta.solid.features import across, axis_of, coordinate
from maqueta.solid.part import AXES, Axis, Face, Part

Row = dict[int, float]
_FULL_TURN = 2 * math.pi - 1e-6
#: Two coordinates are one level within this part of the longest size.
LEVEL_TOLERANCE = 1e-6


@dataclass(frozen=True, slots=True)
class Unknown:
    """One size or position: a level or a lone cylinder axis along `axis`, or the radius of a cylinder."""

    kind: Literal["level", "centre", "radius"]
    axis: Axis
    value: float
    faces: tuple[int, ...]


@dataclass(frozen=True, slots=True)
class Bore:
    """All coaxial cylinders of one radius: their unknowns (two positions and the radius) and their faces."""

    axis: Axis
    centre: tuple[float, float]
    radius: float
    position: tuple[int, int]
    radius_unknown: int
    full: bool
    faces: tuple[int, ...]


@dataclass(frozen=True, slots=True)
class SizeModel:
    """All unknowns of a part and the equations its views already state (each row sums to zero)."""

    unknowns: tuple[Unknown, ...]
    shape: tuple[tuple[tuple[int, float], ...], ...]
    bores: tuple[Bore, ...]
    size: float

    def along(self, axis: Axis) -> list[int]:
        """Levels along an axis, lowest first."""
        found = [i for i, u in enumerate(self.unknowns) if u.kind == "level" and u.axis == axis]
        return sorted(found, key=lambda i: self.unknowns[i].value)

    def expression(self, axis: Axis, value: float, tolerance: float) -> Row | None:
        """What lies at a coordinate: a level, else a lone centre, else the outline of a cylinder, else None."""
        for kind in ("level", "centre"):
            best = min(
                (
                    (abs(u.value - value), i)
                    for i, u in enumerate(self.unknowns)
                    if u.kind == kind and u.axis == axis and abs(u.value - value) <= tolerance
                ),
                default=None,
            )
            if best is not None:
                return {best[1]: 1.0}
        for bore in self.bores:
            if bore.axis == axis:
                continue
            which = across(bore.axis).index(axis)
            for sign in (-1.0, 1.0):
                if abs(bore.centre[which] + sign * bore.radius - value) <= tolerance:
                    return {bore.position[which]: 1.0, bore.radius_unknown: sign}
        return None


def unsupported(part: Part) -> str | None:
    """Why the sizes of a part cannot be counted yet, or None when they can."""
    for face in part.faces:
        if face.kind not in ("plane", "cylinder"):
            return f"the part has a face that is neither flat nor cylindrical ({face.kind})"
        if axis_of(face.direction) is None:
            return "the part has a slanted face or an inclined hole"
    return None


def size_model(part: Part) -> SizeModel:
    """The unknown sizes of a part. Raises ValueError where `unsupported` gives a reason."""
    if (reason := unsupported(part)) is not None:
        raise ValueError(reason)
    tolerance = LEVEL_TOLERANCE * part.size
    planes = [(i, f) for i, f in enumerate(part.faces) if f.kind == "plane"]
    groups = _coaxial(part, tolerance)
    values: dict[Axis, list[tuple[float, int]]] = {axis: [] for axis in AXES}
    for index, face in planes:
        axis = _axis(face)
        values[axis].append((coordinate(face.point, axis), index))
    for group in groups:
        if not _lone(part, group):
            for axis, value in zip(across(group.axis), group.centre, strict=True):
                values[axis] += [(value, face) for face, _ in group.faces]
    unknowns: list[Unknown] = []
    for axis in AXES:
        for cluster in _clusters(values[axis], tolerance):
            faces = tuple(sorted({face for _, face in cluster}))
            unknowns.append(Unknown("level", axis, cluster[0][0], faces))
    bores: list[Bore] = []
    for group in groups:
        position = _positions(part, group, unknowns, tolerance)
        for radius_cluster in _clusters([(radius, face) for face, radius in group.faces], tolerance):
            faces = tuple(sorted({face for _, face in radius_cluster}))
            unknowns.append(Unknown("radius", group.axis, radius_cluster[0][0], faces))
            full = any(part.faces[face].span >= _FULL_TURN for face in faces)
            bores.append(Bore(group.axis, group.centre, radius_cluster[0][0], position, len(unknowns) - 1, full, faces))
    shape = _tangencies(part, bores, unknowns, tolerance)
    return SizeModel(tuple(unknowns), tuple(shape), tuple(bores), part.size)


@dataclass(frozen=True, slots=True)
class _AxisGroup:
    axis: Axis
    centre: tuple[float, float]
    faces: tuple[tuple[int, float], ...]


def _axis(face: Face) -> Axis:
    axis = axis_of(face.direction)
    assert axis is not None
    return axis


def _coaxial(part: Part, tolerance: float) -> list[_AxisGroup]:
    groups: list[_AxisGroup] = []
    for index, face in enumerate(part.faces):
        if face.kind != "cylinder":
            continue
        axis = _axis(face)
        first, second = across(axis)
        centre = (coordinate(face.point, first), coordinate(face.point, second))
        for place, group in enumerate(groups):
            if group.axis == axis and math.dist(group.centre, centre) <= tolerance:
                groups[place] = _AxisGroup(axis, group.centre, (*group.faces, (index, face.radius)))
                break
        else:
            groups.append(_AxisGroup(axis, centre, ((index, face.radius),)))
    return groups


def _smooth_neighbours(part: Part, face: int) -> list[int]:
    return [
        other
        for edge in part.faces[face].edges
        if part.edges[edge].smooth
        for other in part.edges[edge].faces
        if other != face
    ]


def _lone(part: Part, group: _AxisGroup) -> bool:
    """Whether a group is only partial cylinders that run smoothly into their neighbours."""
    return all(part.faces[face].span < _FULL_TURN and bool(_smooth_neighbours(part, face)) for face, _ in group.faces)


def _clusters(values: Iterable[tuple[float, int]], tolerance: float) -> list[list[tuple[float, int]]]:
    clusters: list[list[tuple[float, int]]] = []
    for value, face in sorted(values):
        if clusters and value - clusters[-1][-1][0] <= tolerance:
            clusters[-1].append((value, face))
        else:
            clusters.append([(value, face)])
    return clusters


def _positions(part: Part, group: _AxisGroup, unknowns: list[Unknown], tolerance: float) -> tuple[int, int]:
    places: list[int] = []
    lone = _lone(part, group)
    faces = tuple(sorted(face for face, _ in group.faces))
    for axis, value in zip(across(group.axis), group.centre, strict=True):
        if lone:
            unknowns.append(Unknown("centre", axis, value, faces))
            places.append(len(unknowns) - 1)
        else:
            places.append(
                next(
                    i
                    for i, u in enumerate(unknowns)
                    if u.kind == "level" and u.axis == axis and abs(u.value - value) <= 2 * tolerance
                )
            )
    return (places[0], places[1])


def _tangencies(
    part: Part, bores: list[Bore], unknowns: list[Unknown], tolerance: float
) -> list[tuple[tuple[int, float], ...]]:
    """Rows saying that a cylinder touches the plane it runs smoothly into: axis ± radius − level = 0."""
    rows: list[tuple[tuple[int, float], ...]] = []
    for bore in bores:
        for face in bore.faces:
            for other in _smooth_neighbours(part, face):
                plane = part.faces[other]
                if plane.kind != "plane":
                    continue
                axis = _axis(plane)
                if axis == bore.axis:
                    continue
                which = across(bore.axis).index(axis)
                level = next(
                    i for i, u in enumerate(unknowns) if u.kind == "level" and other in u.faces and u.axis == axis
                )
                sign = 1.0 if unknowns[level].value > bore.centre[which] else -1.0
                row = ((bore.position[which], 1.0), (bore.radius_unknown, sign), (level, -1.0))
                if row not in rows:
                    rows.append(row)
    return rows
