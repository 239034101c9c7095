"""Exact hidden-line removal by the geometry kernel, turned into line sets."""

import math
from collections.abc import Sequence
from dataclasses import replace
from typing import Any, Final

import numpy as np
from numpy.typing import NDArray
from OCP.BRepAdaptor import BRepAdaptor_Curve
from OCP.GCPnts import GCPnts_TangentialDeflection
from OCP.GeomAbs import GeomAbs_CurveType
from OCP.gp import gp_Ax2, gp_Dir, gp_Pnt
from OCP.HLRAlgo import HLRAlgo_Projector
from OCP.HLRBRep import HLRBRep_Algo, HLRBRep_HLRToShape, HLRBRep_TypeOfResultingEdge
from OCP.TopAbs import TopAbs_EDGE
from OCP.TopExp import TopExp_Explorer
from OCP.TopoDS import TopoDS

from maqueta.projection.carrier import Carrier, Ellipse, Interval, Point, recognised
from maqueta.projection.edge_match import EdgeMatcher
from maqueta.projection.flat_curves import EDGE_ON, Array, edge_on_ends, flat_circle, flat_lines
from maqueta.projection.free_curves import FreeCurves, simplified
from maqueta.projection.line_set import RELATIVE_TOLERANCE, LineKind, LineSet, Piece, line_set, piece_order
from maqueta.projection.mirror import mirrored
from maqueta.projection.sight import Sight
from maqueta.solid.counterpart import Counterparts, counterparts
from maqueta.solid.directions import along_axis
from maqueta.solid.kernel import Shape
from maqueta.solid.part import Axis, Part, Vector

_TYPES: Final = HLRBRep_TypeOfResultingEdge
_LINE: Final = GeomAbs_CurveType.GeomAbs_Line
_CIRCLE: Final = GeomAbs_CurveType.GeomAbs_Circle
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

Frame = NDArray[np.float64]


def bare_hidden_lines(shape: Shape, frame: Frame) -> list[tuple[LineKind, bool, Any]]:
    """The kernel's own result: (kind, is an outline, edge in model space). Frame as in `Attitude.frame`."""
    algorithm = HLRBRep_Algo()
    algorithm.Add(shape, 0)
    return _hidden_lines(algorithm, frame, (*_SHARP, *_OUTLINES, *_SMOOTH))


def _hidden_lines(algorithm: Any, frame: Frame, requests: Sequence[Request]) -> list[tuple[LineKind, bool, Any]]:
    right, _, towards = frame
    algorithm.Projector(HLRAlgo_Projector(gp_Ax2(gp_Pnt(0, 0, 0), gp_Dir(*towards), gp_Dir(*right))))
    algorithm.Update()
    algorithm.Hide()
    extraction = HLRBRep_HLRToShape(algorithm)
    found: list[tuple[LineKind, bool, Any]] = []
    for type_, visible, kind in requests:
        # In model space the kernel hands back the part's own curves, untouched by its plane approximations.
        compound = extraction.CompoundOfEdges(type_, visible, True)
        if compound is None or compound.IsNull():
            continue
        outline = type_ == _TYPES.HLRBRep_OutLine
        explorer = TopExp_Explorer(compound, TopAbs_EDGE)
        while explorer.More():
            found.append((kind, outline, TopoDS.Edge(explorer.Current())))
            explorer.Next()
    return found


class HiddenLines:
    """Computes line sets of one solid; holds the arrays that tie kernel pieces back to model edges."""

    def __init__(self, shape: Shape, part: Part) -> None:
        self._part, self._size = part, part.size
        self._seen: dict[tuple[float, ...], tuple[Frame, LineSet]] = {}
        self._opposite: dict[Axis, Counterparts | None] = {}
        self._edges = part.edges
        self._matcher = EdgeMatcher(part)
        self._simplified = simplified(shape, part)
        self._free = FreeCurves(shape, part)
        self._sight = Sight(shape, part)
        self._algorithms: dict[tuple[float, ...], Any] = {}
        # A part of flat faces has no outlines of its own, one without smooth edges no smooth transitions.
        self._requests = (
            *_SHARP,
            *(_OUTLINES if any(face.kind != "plane" for face in part.faces) else ()),
            *(_SMOOTH if any(edge.smooth and not edge.seam for edge in part.edges) else ()),
        )

    def line_set(self, frame: Frame) -> LineSet:
        """The line set seen in a frame (rows: right, up, towards the reader), in the part's unit."""
        opposite = self._from_behind(frame)
        lines = opposite or self._read(_hidden_lines(self._algorithm(frame[2]), frame, self._requests), frame)
        self._seen[_line_of_sight(frame[2])] = (frame, lines)
        return lines

    def _from_behind(self, frame: Frame) -> LineSet | None:
        """The mirror image of the view from the other end of a line of sight, where the part is symmetric along it."""
        axis = along_axis(frame[2])
        known = self._seen.get(_line_of_sight(-frame[2]))
        if axis is None or known is None or not np.array_equal(known[0][:2], np.array([-frame[0], frame[1]])):
            return None
        if axis not in self._opposite:
            self._opposite[axis] = counterparts(self._part, axis)
        pairs = self._opposite[axis]
        return None if pairs is None else _seen_from_behind(known[1], pairs)

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

    def _read(self, found: Sequence[tuple[LineKind, bool, Any]], frame: Frame) -> LineSet:
        if not found:
            return line_set([], self._size)
        curves = [_read_curve(edge) for _, _, edge in found]
        places = np.array([points for _, points in curves])
        matches = self._matcher.match(places[:, 1], np.array([outline for _, outline, _ in found], dtype=bool))
        # The kernel lists a sharp edge on the outline twice, and a seam among the smooth edges.
        kept = [
            row
            for row, ((kind, outline, _), (edges, _, seam)) in enumerate(zip(found, matches, strict=True))
            if not (outline and edges) and not (seam and kind == "smooth") and not self._free.edges & set(edges)
        ]
        flat = self._flattened([curves[row][0] for row in kept], places[kept], [matches[row][0] for row in kept], frame)
        pieces = []
        for row, projected in zip(kept, flat, strict=True):
            if projected is not None:
                kind, (edges, faces, _) = found[row][0], matches[row]
                if isinstance(projected[0], Ellipse) and edges:
                    kind = self._second_opinion(kind, curves[row][0], faces, frame[2])
                pieces.append(Piece(kind, *projected, edges, faces))
        return line_set([*pieces, *self._free.pieces(self._sight, frame)], self._size)

    def _second_opinion(self, kind: LineKind, curve: Any, faces: tuple[int, ...], towards: Array) -> LineKind:
        """Visible or hidden as the kernel says, unless rays from three places along a leaning circle all disagree.

        The kernel takes short stretches of far rims for visible where they touch another outline on the view plane.
        """
        if kind == "smooth":
            return kind
        first, last = curve.FirstParameter(), curve.LastParameter()
        places = (np.array(curve.Value(first + share * (last - first)).Coord()) for share in (0.3, 0.5, 0.7))
        if any(self._sight.seen(place, faces, towards) == (kind == "visible") for place in places):
            return kind
        return "hidden" if kind == "visible" else "visible"

    def _flattened(
        self, curves: Sequence[Any | None], places: Array, edges: Sequence[tuple[int, ...]], frame: Frame
    ) -> list[tuple[Carrier, Interval] | None]:
        """Carrier and stretch of each curve on the view plane, None where it is seen as a point."""
        tolerance = RELATIVE_TOLERANCE * self._size
        circles = {row: circle for row, curve in enumerate(curves) if (circle := self._circle(curve, edges[row]))}
        edge_on = [row for row, (_, axis, _) in circles.items() if abs(np.dot(axis, frame[2])) < EDGE_ON]
        if edge_on:
            centres, axes, radii = (np.array([circles[row][k] for row in edge_on]) for k in range(3))
            ends = edge_on_ends(centres, axes, radii, places[edge_on], frame[2])
            places = places.copy()
            places[edge_on, 0], places[edge_on, 2] = ends
        flat = places @ frame[:2].T
        straight = [row for row, curve in enumerate(curves) if curve is None] + edge_on
        result: list[tuple[Carrier, Interval] | None] = [None] * len(curves)
        for row, line in zip(straight, flat_lines(flat[straight, 0], flat[straight, 2], tolerance), strict=True):
            result[row] = line
        for row in set(range(len(curves))).difference(straight):
            if row in circles:
                centre, axis, radius = circles[row]
                (x, y), (ax, ay, lean) = frame[:2] @ centre, frame @ axis
                start, middle, end = flat[row].tolist()
                result[row] = flat_circle((float(x), float(y)), (ax, ay), lean, radius, (start, middle, end))
            else:
                result[row] = _sampled(curves[row], frame, tolerance)
        return result

    def _circle(self, curve: Any | None, edges: tuple[int, ...]) -> tuple[Vector, Vector, float] | None:
        """Centre, axis and radius of a round curve, from the model edge it comes from where there is one."""
        if curve is None:
            return None
        if edges and (edge := self._edges[edges[0]]).kind == "circle":
            return edge.centre, edge.axis, edge.radius
        if curve.GetType() == _CIRCLE:
            circle = curve.Circle()
            axis = circle.Axis()
            return axis.Location().Coord(), axis.Direction().Coord(), circle.Radius()
        return None


def _line_of_sight(towards: Array) -> tuple[float, ...]:
    """A direction as a key."""
    return tuple((np.round(towards, 12) + 0.0).tolist())


def _seen_from_behind(lines: LineSet, pairs: Counterparts) -> LineSet:
    pieces = []
    for piece in map(mirrored, lines.pieces):
        edges = tuple(sorted({pairs.edges[e] for e in piece.edges if e in pairs.edges}))
        faces = tuple(sorted({pairs.faces[f] for f in piece.faces}))
        pieces.append(replace(piece, edges=edges, faces=faces))
    return LineSet(tuple(sorted(pieces, key=piece_order)))


def _read_curve(edge: Any) -> tuple[Any | None, tuple[Vector, Vector, Vector]]:
    """A kernel edge as its curve (None for a straight one) and its start, middle and end in model space."""
    curve = BRepAdaptor_Curve(edge)
    first, last = curve.FirstParameter(), curve.LastParameter()
    start, end = curve.Value(first).Coord(), curve.Value(last).Coord()
    if curve.GetType() == _LINE:
        return None, (start, ((start[0] + end[0]) / 2, (start[1] + end[1]) / 2, (start[2] + end[2]) / 2), end)
    return curve, (start, curve.Value((first + last) / 2).Coord(), end)


def _sampled(curve: Any, frame: Frame, tolerance: float) -> tuple[Carrier, Interval] | None:
    """Carrier and stretch of any curve on the view plane, by points along it; None when it is seen as a point."""
    steps = GCPnts_TangentialDeflection(curve, 0.05, max(tolerance * 50, 1e-7), 9)
    space = np.array([steps.Value(k).Coord() for k in range(1, steps.NbPoints() + 1)])
    points: list[Point] = [(x, y) for x, y in (space @ frame[:2].T).tolist()]
    if max(math.dist(points[0], p) for p in points) <= tolerance:
        return None
    return recognised(points, 200 * tolerance)
