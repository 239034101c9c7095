"""Recognise round holes and bosses from faces alone, however the solid was made."""

import math
from collections.abc import Sequence

from maqueta.solid.part import AXES, Axis, Edge, Face, Feature, Vector

_FULL_TURN = 2 * math.pi - 1e-6
_ALONG = 1 - 1e-9


def axis_of(direction: Vector) -> Axis | None:
    """The model axis a unit vector lies along, either way round, or None when it is inclined."""
    for axis, part in zip(AXES, direction, strict=True):
        if abs(part) > _ALONG:
            return axis
    return None


def coordinate(point: Vector, axis: Axis) -> float:
    """The coordinate of a point along a model axis."""
    return point[AXES.index(axis)]


def across(axis: Axis) -> tuple[Axis, Axis]:
    """The two axes square to `axis`, in the order x, y, z."""
    first, second = (other for other in AXES if other != axis)
    return first, second


def recognise(faces: Sequence[Face], edges: Sequence[Edge]) -> tuple[Feature, ...]:
    """Full round cylinders along a model axis, as holes (material outside) and bosses (material inside)."""
    found: list[Feature] = []
    for index, face in enumerate(faces):
        axis = axis_of(face.direction)
        if face.kind != "cylinder" or axis is None or face.span < _FULL_TURN:
            continue
        first, second = across(axis)
        found.append(
            Feature(
                kind="hole" if face.hollow else "boss",
                through=not any(
                    _closes(faces[other], face, edges)
                    for edge in face.edges
                    for other in edges[edge].faces
                    if other != index
                ),
                diameter=2 * face.radius,
                depth=face.reach[1] - face.reach[0],
                axis=axis,
                at=(coordinate(face.point, first), coordinate(face.point, second)),
                faces=(index,),
            )
        )
    return tuple(sorted(found, key=lambda f: (f.kind, f.axis, f.at, f.diameter, f.depth)))


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
