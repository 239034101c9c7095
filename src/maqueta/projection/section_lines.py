"""Line sets of sections: the part cut open and looked at, its edges named as on the whole part."""

from dataclasses import replace

from maqueta.geometry.frame import dot, seen
from maqueta.geometry.line_set import CutRegion, LineSet, Piece, piece_order
from maqueta.projection.hidden_lines import HiddenLines
from maqueta.projection.look import Look
from maqueta.solid.cut import Cut
from maqueta.solid.cutting import CutPart, cut_open
from maqueta.solid.kernel import Shape
from maqueta.solid.part import Part


class SectionLines:
    """Line sets of one solid cut open in one way."""

    def __init__(self, shape: Shape, part: Part, cut: Cut) -> None:
        self._opened = cut_open(shape, part, cut)
        self._lines = HiddenLines(self._opened.shape, self._opened.part, _undrawn(self._opened, cut))
        self._face_alone = cut.face_alone

    def line_set(self, look: Look) -> LineSet:
        """The line set of a look at what is left, in the part's unit; edges and faces are those of the whole part.

        A line the cut has made has no edge behind it, only the faces it was cut from.
        """
        lines = self._lines.line_set(Look(look.frame))
        # Of a face alone only what bounds it: no outline of what stands behind, which has no edge of the solid.
        kept = [piece for piece in lines.of("visible") if piece.edges] if self._face_alone else lines.pieces
        pieces = sorted((_renamed(piece, self._opened) for piece in kept), key=piece_order)
        return LineSet(tuple(pieces), _regions(self._opened, look))


def _undrawn(opened: CutPart, cut: Cut) -> frozenset[int]:
    """Edges for which no line is drawn: those of steps, and of a face alone all that do not bound it.

    Where a step runs along an edge that was there before, that edge is drawn. Where the halves of an aligned section
    meet, what runs on from one into the other is not parted by a line.
    """
    faces = {face.face for face in opened.sections}
    edges = enumerate(opened.part.edges)
    if cut.face_alone:
        return frozenset(number for number, edge in edges if not faces.intersection(edge.faces))
    seams = _running_on(opened)
    return frozenset(
        number
        for number, edge in edges
        if opened.edges[number] is None and (opened.steps.intersection(edge.faces) or number in seams)
    )


def _running_on(opened: CutPart) -> frozenset[int]:
    """Edges at which the halves of an aligned section were laid together, between faces that both of them have."""
    halves: dict[int | None, dict[bool, list[int]]] = {}
    ahead = next((opened.part.faces[face].direction for face in sorted(opened.joints)), None)
    for number, edge in enumerate(opened.part.edges):
        joint = next((face for face in edge.faces if face in opened.joints), None)
        if joint is None or ahead is None:
            continue
        first = dot(opened.part.faces[joint].direction, ahead) > 0
        for face in edge.faces:
            if face != joint:
                halves.setdefault(opened.faces[face], {}).setdefault(first, []).append(number)
    both = (own for own in halves.values() if len(own) == 2)
    return frozenset(number for own in both for side in own.values() for number in side)


def _renamed(piece: Piece, opened: CutPart) -> Piece:
    edges = sorted({name for edge in piece.edges if (name := opened.edges[edge]) is not None})
    faces = sorted({name for face in piece.faces if (name := opened.faces[face]) is not None})
    return replace(piece, edges=tuple(edges), faces=tuple(faces))


def _regions(opened: CutPart, look: Look) -> tuple[CutRegion, ...]:
    regions = (
        CutRegion(tuple(tuple(seen(look.frame, point) for point in ring) for ring in face.rings), face.area, face.body)
        for face in opened.sections
    )
    return tuple(sorted(regions, key=lambda region: (-round(region.area, 6), region.rings)))
