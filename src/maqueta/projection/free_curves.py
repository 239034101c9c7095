"""Free curves, such as two cylinders make where they meet: seen or covered by rays, and folded where a view folds them.

The kernel's own answer flickers between visible and hidden on such curves, and takes very long where one half covers
the other: it is given simpler curves instead, and what it says of them is not used.
"""

import math
from collections.abc import Callable, Sequence
from itertools import pairwise
from typing import Any, Final

import numpy as np
from OCP.BRep import BRep_Builder, BRep_Tool
from OCP.BRepAdaptor import BRepAdaptor_Curve
from OCP.BRepBuilderAPI import BRepBuilderAPI_Copy
from OCP.GeomAbs import GeomAbs_C1, GeomAbs_CurveType
from OCP.GeomConvert import GeomConvert_ApproxCurve
from OCP.gp import gp_Pnt, gp_Vec

from maqueta.geometry.carrier import TURN, Carrier, Circle, Interval, Point, line_through, recognised
from maqueta.geometry.flat_curves import EDGE_ON, Array
from maqueta.geometry.line_set import RELATIVE_TOLERANCE, Piece
from maqueta.projection.sight import Sight
from maqueta.solid.kernel import Shape, edges_of
from maqueta.solid.part import Face, Part

#: Places along a free curve at which it is looked at.
_PLACES: Final = 48
#: Points drawn between two such places: chords stay within 1e-4 of the size of what is round.
_POINTS_A_PLACE: Final = 4
#: How far (in parts of the size of the part) the curves that the kernel is given may be off the true ones.
_SIMPLER: Final = 1e-4
_MOST_SPANS: Final = 30
_DEGREE: Final = 5
#: Free curves are lines or circles within this many tolerances.
_RECOGNISED: Final = 5


class FreeCurves:
    """The free curves of a solid, by the number of their edge."""

    def __init__(self, shape: Shape, part: Part) -> None:
        self._part = part
        self._tolerance = RELATIVE_TOLERANCE * part.size
        free = [i for i, edge in enumerate(part.edges) if edge.kind == "other" and not edge.smooth and not edge.seam]
        kernel_edges = edges_of(shape) if free else []
        self._curves = {index: BRepAdaptor_Curve(kernel_edges[index]) for index in free}
        #: Numbers of the edges that are free curves.
        self.edges = frozenset(free)

    def pieces(self, sight: Sight, frame: Array) -> list[Piece]:
        """All free curves as a frame shows them."""
        return [piece for index in self._curves for piece in self._pieces(index, sight, frame)]

    def _pieces(self, index: int, sight: Sight, frame: Array) -> list[Piece]:
        curve, faces = self._curves[index], self._part.edges[index].faces
        first, last = curve.FirstParameter(), curve.LastParameter()

        def seen(t: float) -> bool:
            return sight.seen(np.array(curve.Value(t).Coord()), faces, frame[2])

        # The ends themselves lie on other faces; a little way in they belong to this edge alone.
        folds = _folds(curve, frame)
        ends = [first, *folds, last]
        pieces = []
        for start, end in pairwise(ends):
            places = max(4, round(_PLACES * (end - start) / (last - first)))
            grid = np.linspace(start, end, places + 1)
            middles = ((grid[1:] + grid[:-1]) / 2).tolist()
            states = [seen(t) for t in middles]
            cuts, kinds = [start], [states[0]]
            for before, after, low, high in zip(states, states[1:], middles, middles[1:], strict=False):
                if before != after:
                    cuts.append(_switch(seen, low, high, before))
                    kinds.append(after)
            for visible, begin, stop in zip(kinds, cuts, [*cuts[1:], end], strict=True):
                flat = self._flat(curve, faces, frame, begin, stop, (stop - begin) / (last - first))
                if flat is not None:
                    pieces.append(Piece("visible" if visible else "hidden", *flat, (index,), faces))
        return pieces

    def _flat(
        self, curve: Any, faces: Sequence[int], frame: Array, start: float, end: float, share: float
    ) -> tuple[Carrier, Interval] | None:
        """Carrier and stretch of a part of a curve that runs one way; None where it is seen as a point."""
        count = max(5, round(_POINTS_A_PLACE * _PLACES * share))
        space = np.array([curve.Value(float(t)).Coord() for t in np.linspace(start, end, count)])
        points: list[Point] = [(x, y) for x, y in (space @ frame[:2].T).tolist()]
        if max(math.dist(points[0], p) for p in points) <= self._tolerance:
            return None
        for face in faces:
            if (known := _edge_on(self._part.faces[face], points, frame)) is not None:
                return known
        return recognised(points, _RECOGNISED * self._tolerance)


def _edge_on(face: Face, points: Sequence[Point], frame: Array) -> tuple[Carrier, Interval] | None:
    """Carrier and stretch of points on a face that is seen edge-on: a cylinder along its axis, or a plane."""
    lean = float(np.dot(face.direction, frame[2]))
    if face.kind == "plane" and abs(lean) < EDGE_ON:
        return line_through(points[0], points[-1])
    if face.kind != "cylinder" or abs(lean) < 1 - EDGE_ON:
        return None
    x, y = frame[:2] @ np.array(face.point)
    circle = Circle(float(x), float(y), face.radius)
    turns = np.unwrap([circle.parameter(point) for point in points])
    low, high = float(turns.min()), float(turns.max())
    return circle, (0.0, TURN) if high - low >= TURN - 1e-9 else (low % TURN, low % TURN + high - low)


def _folds(curve: Any, frame: Array) -> list[float]:
    """Parameters at which a curve, as seen in a frame, turns back on itself: it runs along the line of sight there."""
    first, last = curve.FirstParameter(), curve.LastParameter()
    grid = np.linspace(first, last, _POINTS_A_PLACE * _PLACES + 1)
    flat = np.array([curve.Value(float(t)).Coord() for t in grid]) @ frame[:2].T
    steps = np.diff(flat, axis=0)
    turning = np.flatnonzero((steps[1:] * steps[:-1]).sum(axis=1) < 0)
    return [_slowest(curve, frame, float(grid[k]), float(grid[k + 2])) for k in turning.tolist()]


def _slowest(curve: Any, frame: Array, low: float, high: float) -> float:
    """The parameter between two others at which a curve moves least across the line of sight."""

    def speed(t: float) -> float:
        point, way = gp_Pnt(), gp_Vec()
        curve.D1(t, point, way)
        return float(np.linalg.norm(frame[:2] @ np.array([way.X(), way.Y(), way.Z()])))

    for _ in range(40):
        a, b = low + (high - low) / 3, high - (high - low) / 3
        low, high = (low, b) if speed(a) < speed(b) else (a, high)
    return (low + high) / 2


def _switch(seen: Callable[[float], bool], low: float, high: float, at_low: bool) -> float:
    """The parameter between two places where sight changes, by halving."""
    for _ in range(12):
        middle = (low + high) / 2
        if seen(middle) == at_low:
            low = middle
        else:
            high = middle
    return (low + high) / 2


def simplified(shape: Shape, part: Part) -> Shape:
    """A solid with simpler curves for its free edges, for the kernel's hidden lines; itself where it has none.

    Two halves of a curve that cover each other make the kernel compare all of their spans with each other.
    """
    if not any(edge.kind == "other" for edge in part.edges):
        return shape
    copy = BRepBuilderAPI_Copy(shape).Shape()
    builder = BRep_Builder()
    for edge in edges_of(copy):
        if BRepAdaptor_Curve(edge).GetType() != GeomAbs_CurveType.GeomAbs_BSplineCurve:
            continue
        allowed = _SIMPLER * part.size
        simpler = GeomConvert_ApproxCurve(BRep_Tool.Curve_s(edge, 0.0, 1.0), allowed, GeomAbs_C1, _MOST_SPANS, _DEGREE)
        if simpler.HasResult() and simpler.MaxError() <= allowed:
            builder.UpdateEdge(edge, simpler.Curve(), allowed)
    return copy
