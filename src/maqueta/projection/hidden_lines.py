"""Exact hidden-line removal by the geometry kernel, turned into line sets."""

from collections.abc import Callable, Sequence
from dataclasses import replace
from typing import Any, Final

import numpy as np
from OCP.gp import gp_Ax2, gp_Dir, gp_Pnt
from OCP.HLRAlgo import HLRAlgo_Projector
from OCP.HLRBRep import HLRBRep_Algo, HLRBRep_HLRToShape, HLRBRep_TypeOfResultingEdge
from OCP.TopAbs import TopAbs_EDGE
from OCP.TopExp import TopExp_Explorer
from OCP.TopoDS import TopoDS

from maqueta.geometry.directions import Axis, along_axis
from maqueta.geometry.flat_curves import Array
from maqueta.geometry.frame import matrix_of
from maqueta.geometry.line_set import LineKind, LineSet, piece_order
from maqueta.geometry.mirror import mirrored
from maqueta.projection.free_curves import simplified
from maqueta.projection.kernel_pieces import Frame, KernelEdge, KernelPieces
from maqueta.projection.look import Look
from maqueta.solid.counterpart import Counterparts, counterparts
from maqueta.solid.kernel import Shape
from maqueta.solid.part import Part

_TYPES: Final = HLRBRep_TypeOfResultingEdge
#: What the kernel is asked for: type, visible, and the kind of line it becomes.
Request = tuple[Any, bool, LineKind]
_SHARP: Final[tuple[Request, ...]] = ((_TYPES.HLRBRep_Sharp, True, "visible"), (_TYPES.HLRBRep_Sharp, False, "hidden"))
_OUTLINES: Final[tuple[Request, ...]] = (
    (_TYPES.HLRBRep_OutLine, True, "visible"),
    (_TYPES.HLRBRep_OutLine, False, "hidden"),
)
_SMOOTH: Final[tuple[Request, ...]] = (
    (_TYPES.HLRBRep_Rg1Line, True, "smooth"),
    (_TYPES.HLRBRep_RgNLine, True, "smooth"),
)
#: The directions of one line of sight, as a key.
Sightline = tuple[float, ...]


def bare_hidden_lines(shape: Shape, look: Look) -> list[KernelEdge]:
    """The kernel's own result, in model space."""
    algorithm = HLRBRep_Algo()
    algorithm.Add(shape, 0)
    return _hidden_lines(algorithm, matrix_of(look.frame), (*_SHARP, *_OUTLINES, *_SMOOTH))


def _hidden_lines(algorithm: Any, frame: Frame, requests: Sequence[Request]) -> list[KernelEdge]:
    right, _, towards = frame
    algorithm.Projector(HLRAlgo_Projector(gp_Ax2(gp_Pnt(0, 0, 0), gp_Dir(*towards), gp_Dir(*right))))
    algorithm.Update()
    algorithm.Hide()
    extraction = HLRBRep_HLRToShape(algorithm)
    found: list[KernelEdge] = []
    for type_, visible, kind in requests:
        # In model space the kernel hands back the part's own curves, untouched by its plane approximations.
        compound = extraction.CompoundOfEdges(type_, visible, True)
        if compound is None or compound.IsNull():
            continue
        outline = type_ == _TYPES.HLRBRep_OutLine
        explorer = TopExp_Explorer(compound, TopAbs_EDGE)
        while explorer.More():
            found.append(KernelEdge(kind, outline, TopoDS.Edge(explorer.Current())))
            explorer.Next()
    return found


class HiddenLines:
    """Computes line sets of one solid, without edges that are `undrawn`; keeps what its views have in common."""

    def __init__(self, shape: Shape, part: Part, undrawn: frozenset[int] = frozenset()) -> None:
        self._part = part
        self._seen: dict[Sightline, tuple[Frame, LineSet]] = {}
        self._opposite: dict[Axis, Counterparts | None] = {}
        self._simplified = simplified(shape, part)
        self._pieces = KernelPieces(shape, part, undrawn)
        self._algorithms: dict[Sightline, Any] = {}
        # A part of flat faces has no outlines of its own, one without smooth edges no smooth transitions.
        self._requests = (
            *_SHARP,
            *(_OUTLINES if any(face.kind != "plane" for face in part.faces) else ()),
            *(_SMOOTH if any(edge.smooth and not edge.seam for edge in part.edges) else ()),
        )

    def line_set(self, look: Look) -> LineSet:
        """The line set of a look, in the part's unit."""
        [lines] = self.line_sets([look])
        return lines

    def line_sets(
        self, looks: Sequence[Look], progress: Callable[[int, int], None] = lambda _, __: None
    ) -> list[LineSet]:
        """The line sets of some looks; asked for together they take less time than one by one.

        `progress` is told before each view how many are drawn, of how many.
        """
        frames = [matrix_of(look.frame) for look in looks]
        drawn: dict[int, list[KernelEdge]] = {}
        known = {sight: frame for sight, (frame, _) in self._seen.items()}
        for index, frame in enumerate(frames):
            progress(index, len(frames))
            if self._pairs_behind(frame, known.get(_line_of_sight(-frame[2]))) is None:
                drawn[index] = _hidden_lines(self._algorithm(frame[2]), frame, self._requests)
                known[_line_of_sight(frame[2])] = frame
        own = self._pieces.line_sets([(frames[index], edges) for index, edges in drawn.items()])
        read = dict(zip(drawn, own, strict=True))
        result = []
        for index, frame in enumerate(frames):
            lines = read[index] if index in read else self._from_behind(frame)
            self._seen[_line_of_sight(frame[2])] = (frame, lines)
            result.append(lines)
        return result

    def _pairs_behind(self, frame: Frame, opposite: Frame | None) -> Counterparts | None:
        """What lies behind what along a line of sight, where the part is symmetric along it and the view from the
        other end, in the turn of a mirror image, is there already."""
        axis = along_axis(frame[2])
        if axis is None or opposite is None or not np.array_equal(opposite[:2], np.array([-frame[0], frame[1]])):
            return None
        if axis not in self._opposite:
            self._opposite[axis] = counterparts(self._part, axis)
        return self._opposite[axis]

    def _from_behind(self, frame: Frame) -> LineSet:
        """The mirror image of the view from the other end of a line of sight."""
        opposite, lines = self._seen[_line_of_sight(-frame[2])]
        pairs = self._pairs_behind(frame, opposite)
        assert pairs is not None
        return _seen_from_behind(lines, pairs)

    def _algorithm(self, towards: Array) -> Any:
        """The kernel's algorithm for a line of sight.

        It keeps what it found about faces and their outlines, the larger part of its work, and this is the same from
        both ends of a line of sight, but not from another direction.
        """
        line = _line_of_sight(towards * np.sign(towards[np.abs(towards).argmax()]))
        if line not in self._algorithms:
            self._algorithms[line] = HLRBRep_Algo()
            self._algorithms[line].Add(self._simplified, 0)
        return self._algorithms[line]


def _line_of_sight(towards: Array) -> Sightline:
    """A direction as a key."""
    return tuple((np.round(towards, 12) + 0.0).tolist())


def _seen_from_behind(lines: LineSet, pairs: Counterparts) -> LineSet:
    pieces = []
    for piece in map(mirrored, lines.pieces):
        edges = tuple(sorted({pairs.edges[e] for e in piece.edges if e in pairs.edges}))
        faces = tuple(sorted({pairs.faces[f] for f in piece.faces}))
        pieces.append(replace(piece, edges=edges, faces=faces))
    return LineSet(tuple(sorted(pieces, key=piece_order)))
