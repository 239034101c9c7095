"""One component of an assembly as a part by itself, where it stands."""

from collections.abc import Callable, Iterable, Sequence
from dataclasses import replace

from maqueta.geometry.directions import Vector
from maqueta.solid.part import Component, Edge, Face, Part


def edges_of(whole: Part, component: Component) -> range:
    """The numbers of a component's edges: none belongs to two, and they are numbered one component after the other."""
    numbers = [n for n, edge in enumerate(whole.edges) if any(face in component.own_faces for face in edge.faces)]
    return range(numbers[0], numbers[-1] + 1) if numbers else range(0)


def component_part(whole: Part, component: Component) -> Part:
    """A component with faces and edges numbered from 0; its box is that of its edges."""
    faces = component.own_faces
    edges = edges_of(whole, component)

    def own_face(face: Face) -> Face:
        return replace(face, edges=tuple(edge - edges.start for edge in face.edges))

    def own_edge(edge: Edge) -> Edge:
        return replace(edge, faces=tuple(face - faces.start for face in edge.faces))

    points = [point for number in edges for point in whole.edges[number].samples] or [whole.low, whole.high]
    return replace(
        whole,
        hash=f"{whole.hash} {component.id}",
        name=component.name,
        material=component.material,
        low=_corner(min, points),
        high=_corner(max, points),
        solids=1,
        faces=tuple(own_face(face) for face in whole.faces[faces.start : faces.stop]),
        edges=tuple(own_edge(whole.edges[number]) for number in edges),
        features=(),
        marks=(),
        components=(),
    )


def _corner(outermost: Callable[[Iterable[float]], float], points: Sequence[Vector]) -> Vector:
    x, y, z = (outermost(point[axis] for point in points) for axis in range(3))
    return (x, y, z)
