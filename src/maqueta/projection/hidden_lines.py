"""Exact hidden-line removal by the geometry kernel, turned into line sets."""

import math
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

from maqueta.projection.carrier import (
    Carrier,
    Circle,
    Ellipse,
    Interval,
    Point,
    arc_interval,
    line_through,
    recognised,
)
from maqueta.projection.edge_match import EdgeMatcher
from maqueta.projection.line_set import RELATIVE_TOLERANCE, LineKind, LineSet, Piece, line_set
from maqueta.solid.kernel import Shape
from maqueta.solid.part import Part

_TYPES: Final = HLRBRep_TypeOfResultingEdge
_LINE: Final = GeomAbs_CurveType.GeomAbs_Line
_CIRCLE: Final = GeomAbs_CurveType.GeomAbs_Circle
#: What the kernel is asked for: type, visible, and the kind of line it becomes.
_REQUESTS: Final[tuple[tuple[Any, bool, LineKind], ...]] = (
    (_TYPES.HLRBRep_Sharp, True, "visible"),
    (_TYPES.HLRBRep_OutLine, True, "visible"),
    (_TYPES.HLRBRep_Sharp, False, "hidden"),
    (_TYPES.HLRBRep_OutLine, False, "hidden"),
    (_TYPES.HLRBRep_Rg1Line, True, "smooth"),
    (_TYPES.HLRBRep_RgNLine, True, "smooth"),
)

Frame = NDArray[np.float64]


def bare_hidden_lines(shape: Shape, frame: Frame) -> list[tuple[LineKind, bool, Any]]:
    """The kernel's own result: (kind, is an outline, edge in model space). Frame as in `Attitude.frame`."""
    algorithm = HLRBRep_Algo()
    algorithm.Add(shape, 0)
    right, _, towards = frame
    algorithm.Projector(HLRAlgo_Projector(gp_Ax2(gp_Pnt(0, 0, 0), gp_Dir(*towards), gp_Dir(*right))))
    algorithm.Update()
    algorithm.Hide()
    extraction = HLRBRep_HLRToShape(algorithm)
    found: list[tuple[LineKind, bool, Any]] = []
    for type_, visible, kind in _REQUESTS:
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
        self._shape = shape
        self._size = part.size
        self._matcher = EdgeMatcher(part)

    def line_set(self, frame: Frame) -> LineSet:
        """The line set seen in a frame (rows: right, up, towards the reader), in the part's unit."""
        tolerance = RELATIVE_TOLERANCE * self._size
        right = tuple(map(float, frame[0]))
        up = tuple(map(float, frame[1]))
        towards = tuple(map(float, frame[2]))
        found = [(k, outline, BRepAdaptor_Curve(e)) for k, outline, e in bare_hidden_lines(self._shape, frame)]
        middles = [c.Value((c.FirstParameter() + c.LastParameter()) / 2) for _, _, c in found]
        matches = self._matcher.match(
            np.array([(m.X(), m.Y(), m.Z()) for m in middles]).reshape(-1, 3),
            np.array([outline for _, outline, _ in found], dtype=bool),
        )
        pieces = []
        for (kind, outline, curve), (edges, faces, seam) in zip(found, matches, strict=True):
            # The kernel lists a sharp edge on the outline twice, and a seam among the smooth edges.
            if (outline and edges) or (seam and kind == "smooth"):
                continue
            projected = _projected(curve, right, up, towards, tolerance)
            if projected is not None:
                pieces.append(Piece(kind, *projected, edges, faces))
        return line_set(pieces, self._size)


Triple = tuple[float, ...]


def _projected(
    curve: Any, right: Triple, up: Triple, towards: Triple, tolerance: float
) -> tuple[Carrier, Interval] | None:
    """Carrier and interval of a model curve on the view plane; None when it is seen as a point."""

    def flat(p: Any) -> Point:
        x, y, z = p.X(), p.Y(), p.Z()
        return (right[0] * x + right[1] * y + right[2] * z, up[0] * x + up[1] * y + up[2] * z)

    first, last, kind = curve.FirstParameter(), curve.LastParameter(), curve.GetType()
    start, end = flat(curve.Value(first)), flat(curve.Value(last))
    if kind == _LINE:
        return line_through(start, end) if math.dist(start, end) > tolerance else None
    if kind == _CIRCLE:
        return _projected_circle(curve, flat, start, end, towards, tolerance)
    steps = GCPnts_TangentialDeflection(curve, 0.05, max(tolerance * 50, 1e-7), 9)
    points = [flat(steps.Value(k)) for k in range(1, steps.NbPoints() + 1)]
    if max(math.dist(points[0], p) for p in points) <= tolerance:
        return None
    return recognised(points, 200 * tolerance)


def _projected_circle(
    curve: Any, flat: Any, start: Point, end: Point, towards: Triple, tolerance: float
) -> tuple[Carrier, Interval] | None:
    circle = curve.Circle()
    radius = circle.Radius()
    axis = circle.Axis().Direction()
    lean = axis.X() * towards[0] + axis.Y() * towards[1] + axis.Z() * towards[2]
    x, y = flat(circle.Location())
    first, last = curve.FirstParameter(), curve.LastParameter()
    closed = last - first > 2 * math.pi - 1e-9
    carrier: Circle | Ellipse
    if abs(lean) > 1 - 1e-12:
        carrier = Circle(x, y, radius)
    else:
        ax, ay = flat(axis)
        norm = math.hypot(ax, ay)
        # The major axis lies square to the projected axis of the circle.
        ux, uy = -ay / norm, ax / norm
        if abs(lean) < 1e-9:
            along = [ux * (p[0] - x) + uy * (p[1] - y) for p in (start, end)]
            # The curve turns round where it points along ±u: parameter of that place on the circle.
            for turning in _turning_parameters(circle, flat, (ux, uy), first, last):
                point = flat(curve.Value(turning))
                along.append(ux * (point[0] - x) + uy * (point[1] - y))
            low, high = min(along), max(along)
            if high - low <= tolerance:
                return None
            return line_through((x + low * ux, y + low * uy), (x + high * ux, y + high * uy))
        carrier = Ellipse(x, y, radius, radius * abs(lean), math.atan2(uy, ux) % math.pi)
    middle = flat(curve.Value((first + last) / 2))
    first_angle, middle_angle, last_angle = (carrier.parameter(p) for p in (start, middle, end))
    return carrier, arc_interval(first_angle, middle_angle, last_angle, closed)


def _turning_parameters(circle: Any, flat: Any, along: Point, first: float, last: float) -> list[float]:
    position = circle.Position()
    ax, ay = flat(position.XDirection())
    bx, by = flat(position.YDirection())
    angle = math.atan2(bx * along[0] + by * along[1], ax * along[0] + ay * along[1])
    turnings = []
    for candidate in (angle, angle + math.pi):
        shifted = candidate + 2 * math.pi * math.ceil((first - candidate) / (2 * math.pi))
        if shifted <= last:
            turnings.append(shifted)
    return turnings
