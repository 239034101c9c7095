"""Recognise round holes, their mouths, and bosses from faces alone, however the solid was made."""

import math
from collections.abc import Sequence
from typing import Final

from maqueta.geometry.directions import AXES, Axis, Vector, along_axis
from maqueta.solid.part import Edge, Face, Feature, Part, RoundKind

#: A face of revolution that spans at least this goes all the way round (radians).
FULL_TURN: Final = 2 * math.pi - 1e-6


def coordinate(point: Vector, axis: Axis) -> float:
    """The coordinate of a point along a model axis."""
    return point[AXES.index(axis)]


def across(axis: Axis) -> tuple[Axis, Axis]:
    """The two axes square to `axis`, in the order x, y, z."""
    first, second = (other for other in AXES if other != axis)
    return first, second


def feature_reach(part: Part, feature: Feature) -> tuple[float, float]:
    """From where to where a feature reaches along its axis, in model coordinates, lower end first."""
    axis_index = AXES.index(feature.axis)
    face = part.faces[feature.faces[0]]
    if face.kind == "cone":
        rims = [part.edges[e].centre[axis_index] for e in face.edges if part.edges[e].kind == "circle"]
        return min(rims), max(rims)
    sense = 1.0 if face.direction[axis_index] > 0 else -1.0
    first, last = (face.point[axis_index] + sense * reach for reach in face.reach)
    return min(first, last), max(first, last)


def recognise(faces: Sequence[Face], edges: Sequence[Edge]) -> tuple[Feature, ...]:
    """Full round cylinders along a model axis as holes (material outside), bosses (material inside) and counterbores.

    A counterbore is a hole from whose flat bottom a narrower hole goes on along the same axis; a countersink is a
    cone that opens the mouth of a hole.
    """
    found: list[Feature] = []
    for index, face in enumerate(faces):
        axis = along_axis(face.direction)
        if face.kind not in ("cylinder", "cone") or axis is None or face.span < FULL_TURN:
            continue
        first, second = across(axis)
        at = (coordinate(face.point, first), coordinate(face.point, second))
        depth = face.reach[1] - face.reach[0]
        if face.kind == "cone":
            rims = sorted({edges[e].radius for e in face.edges if edges[e].kind == "circle"})
            if face.hollow and len(rims) == 2 and _opens(index, rims[0], faces, edges):
                angle = math.degrees(2 * face.angle)
                height = depth * math.cos(face.angle)
                found.append(Feature("countersink", True, 2 * rims[1], height, axis, at, (index,), angle))
            continue
        neighbours = [faces[other] for edge in face.edges for other in edges[edge].faces if other != index]
        if not face.hollow:
            kind: RoundKind = "boss"
        else:
            kind = "counterbore" if any(_goes_on(other, face, index, faces, edges) for other in neighbours) else "hole"
        through = not any(_closes(other, face, edges) for other in neighbours)
        found.append(Feature(kind, through, 2 * face.radius, depth, axis, at, (index,)))
    return tuple(sorted(found, key=lambda f: (f.kind, f.axis, f.at, f.diameter, f.depth)))


def _opens(cone: int, narrow: float, faces: Sequence[Face], edges: Sequence[Edge]) -> bool:
    """Whether a cone's narrow end is the end of a hole of that radius."""
    return any(
        edges[edge].kind == "circle"
        and abs(edges[edge].radius - narrow) <= 1e-9 * narrow
        and any(
            other != cone and faces[other].kind == "cylinder" and faces[other].hollow for other in edges[edge].faces
        )
        for edge in faces[cone].edges
    )


def _goes_on(floor: Face, bore: Face, own: int, faces: Sequence[Face], edges: Sequence[Edge]) -> bool:
    """Whether a flat face is the floor of a bore from which a narrower hole goes on along the same axis."""
    if floor.kind != "plane":
        return False
    rims = [edges[e] for e in floor.edges]
    if any(rim.kind != "circle" or rim.radius > bore.radius * (1 + 1e-9) for rim in rims):
        return False
    return any(
        rim.radius < bore.radius * (1 - 1e-9)
        and math.dist(_foot(rim.centre, bore), rim.centre) <= 1e-7 * (1 + bore.radius)
        and any(faces[o].kind in ("cylinder", "cone") and faces[o].hollow for o in rim.faces if o != own)
        for rim in rims
    )


def _foot(point: Vector, bore: Face) -> Vector:
    """The foot of a point on the axis of a bore."""
    along = sum((p - q) * d for p, q, d in zip(point, bore.point, bore.direction, strict=True))
    x, y, z = (q + along * d for q, d in zip(bore.point, bore.direction, strict=True))
    return (x, y, z)


def _closes(other: Face, bore: Face, edges: Sequence[Edge]) -> bool:
    """Whether a face is the bottom of a bore: it reaches no further out than the bore's own circle."""
    if other.kind == "plane":
        return (
            all(edges[e].kind == "circle" and edges[e].radius <= bore.radius * (1 + 1e-9) for e in other.edges)
            and (other.area < math.pi * bore.radius**2 * (1 + 1e-6))
            and not _reaches_deeper(other, bore, edges)
        )
    if other.kind == "cone":
        return all(edges[e].radius <= bore.radius * (1 + 1e-9) for e in other.edges if edges[e].kind == "circle")
    return other.kind == "sphere"


def _reaches_deeper(other: Face, bore: Face, edges: Sequence[Edge]) -> bool:
    """Whether a smaller bore goes on through the middle of this bottom face."""
    return any(edges[e].kind == "circle" and edges[e].radius < bore.radius * (1 - 1e-9) for e in other.edges)
