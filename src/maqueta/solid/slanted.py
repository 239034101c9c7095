"""What of a part stands square to none of its axes."""

from collections.abc import Iterable

from maqueta.geometry.directions import SIDES, Vector, parallel, vector
from maqueta.geometry.frame import unit
from maqueta.solid.part import Part


def slanted(way: Vector) -> bool:
    """Whether a direction runs along none of the axes."""
    return not any(parallel(way, vector(side)) for side in SIDES)


def slanted_faces(part: Part) -> list[Vector]:
    """The normals of slanted flat faces, each direction once, the largest face first."""
    flat = sorted((face for face in part.faces if face.kind == "plane"), key=lambda face: -face.area)
    return each_once(face.direction for face in flat if slanted(face.direction))


def slanted_edges(part: Part) -> list[Vector]:
    """The directions of slanted straight edges, each once, the longest edge first."""
    straight = sorted((edge for edge in part.edges if edge.kind == "line"), key=lambda edge: -edge.length)
    spans = ([b - a for a, b in zip(edge.start, edge.end, strict=True)] for edge in straight)
    return each_once(way for x, y, z in spans if slanted(way := unit((x, y, z))))


def each_once(ways: Iterable[Vector]) -> list[Vector]:
    """Directions without those that are there already, either way round."""
    kept: list[Vector] = []
    for way in ways:
        if all(not parallel(way, other) for other in kept):
            kept.append(way)
    return kept
