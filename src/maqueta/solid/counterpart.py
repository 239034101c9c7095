"""What lies opposite in a part that is its own mirror image: which edge and which face stands for which."""

import math
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Final

from maqueta.geometry.directions import AXES, Axis, Vector
from maqueta.geometry.nearness import Places
from maqueta.solid.part import Edge, Part

#: Lengths agree within this part of the part's size.
_NEAR: Final = 1e-5


@dataclass(frozen=True, slots=True)
class Counterparts:
    """By number, the edge and the face on the other side of the middle; edges that only close a surface have none."""

    edges: Mapping[int, int]
    faces: Mapping[int, int]


def mirrored_edges(part: Part, axis: Axis) -> Mapping[int, int] | None:
    """Which edge lies opposite to which, about the middle plane square to an axis; None where one has none."""
    axis_index = AXES.index(axis)
    middle = (part.low[axis_index] + part.high[axis_index]) / 2
    if abs(part.centroid[axis_index] - middle) > _NEAR * part.size:
        return None

    def mirrored(point: Vector) -> Vector:
        x, y, z = point
        flipped = 2 * middle - point[axis_index]
        return (flipped, y, z) if axis_index == 0 else (x, flipped, z) if axis_index == 1 else (x, y, flipped)

    near = _NEAR * part.size
    middles = {index: middle_of(edge) for index, edge in enumerate(part.edges) if not edge.seam}
    spots: Places[int] = Places(near)
    for index, spot in middles.items():
        spots.put((*spot, part.edges[index].length), index)
    found: dict[int, int] = {}
    for index, spot in middles.items():
        edge = part.edges[index]
        ends = (mirrored(edge.start), mirrored(edge.end))
        for other in spots.all((*mirrored(spot), edge.length)):
            opposite = part.edges[other]
            if edge.closed or all(min(math.dist(p, e) for e in ends) <= near for p in (opposite.start, opposite.end)):
                found[index] = other
                break
        else:
            return None
    return found


def counterparts(part: Part, axis: Axis) -> Counterparts | None:
    """Edges and faces that lie opposite to each other; None where the part is not symmetric or faces are alike."""
    edges = mirrored_edges(part, axis)
    if edges is None:
        return None
    bounds = [frozenset(e for e in face.edges if not part.edges[e].seam) for face in part.faces]
    by_edges: dict[tuple[str, frozenset[int]], int] = {}
    for index, face in enumerate(part.faces):
        key = (face.kind, bounds[index])
        if key in by_edges:
            return None
        by_edges[key] = index
    faces: dict[int, int] = {}
    for index, face in enumerate(part.faces):
        other = by_edges.get((face.kind, frozenset(edges[e] for e in bounds[index])))
        if other is None:
            return None
        faces[index] = other
    return Counterparts(edges, faces)


def middle_of(edge: Edge) -> Vector:
    """A point that belongs to the edge whichever way it runs: the centre of a circle, else the mean of its samples."""
    if edge.kind == "circle" and edge.closed:
        return edge.centre
    count = len(edge.samples)
    xs, ys, zs = zip(*edge.samples, strict=True)
    return (sum(xs) / count, sum(ys) / count, sum(zs) / count)
