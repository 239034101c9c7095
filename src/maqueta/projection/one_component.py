"""Line sets of one component of an assembly, as if the others were not there."""

from collections.abc import Sequence
from dataclasses import replace

from OCP.TopAbs import TopAbs_FACE
from OCP.TopoDS import TopoDS_Iterator

from maqueta.geometry.line_set import LineSet, Piece, piece_order
from maqueta.phrases.phrase import phrase
from maqueta.projection.hidden_lines import HiddenLines
from maqueta.projection.look import Look
from maqueta.solid.component_part import component_part, edges_of
from maqueta.solid.errors import PartError
from maqueta.solid.kernel import Shape, box_of, shapes_of
from maqueta.solid.part import Part


class OneComponent:
    """Draws one component of an assembly, where it stands; faces and edges keep the assembly's numbers.

    `part` is the component by itself, numbered from 0. Raises PartError for a component the assembly has not.
    """

    def __init__(self, shape: Shape, whole: Part, name: str) -> None:
        place = next((place for place, own in enumerate(whole.components) if own.id == name), None)
        if place is None:
            raise PartError(phrase("component-unknown", name=name))
        own = whole.components[place]
        self._first_face, self._first_edge = own.own_faces.start, edges_of(whole, own).start
        alone = _components(shape)[place]
        assert len(shapes_of(alone, TopAbs_FACE)) == len(own.own_faces), (
            "components are in the order of the assembly's shapes"
        )
        low, high = box_of(alone)
        self.part = replace(component_part(whole, own), low=low, high=high)
        self._lines = HiddenLines(alone, self.part)

    def line_sets(self, looks: Sequence[Look]) -> list[LineSet]:
        """The line sets of some looks, in the assembly's unit and coordinates."""
        return [
            LineSet(tuple(sorted((self._renamed(piece) for piece in lines.pieces), key=piece_order)))
            for lines in self._lines.line_sets(looks)
        ]

    def _renamed(self, piece: Piece) -> Piece:
        edges = tuple(edge + self._first_edge for edge in piece.edges)
        faces = tuple(face + self._first_face for face in piece.faces)
        return replace(piece, edges=edges, faces=faces)


def _components(shape: Shape) -> list[Shape]:
    found, children = [], TopoDS_Iterator(shape)
    while children.More():
        found.append(children.Value())
        children.Next()
    return found
