"""Edges that the geometry kernel drew, read as pieces: where they lie on the view plane and which model edge they are.

Several views are read at once, since the arrays of one are small.
"""

import math
from collections.abc import Sequence
from typing import Any, Final, NamedTuple

import numpy as np
from numpy.typing import NDArray
from OCP.BRepAdaptor import BRepAdaptor_Curve
from OCP.GCPnts import GCPnts_TangentialDeflection
from OCP.GeomAbs import GeomAbs_CurveType

from maqueta.geometry.carrier import Carrier, Ellipse, Interval, Point, recognised
from maqueta.geometry.directions import Vector
from maqueta.geometry.flat_curves import EDGE_ON, Array, edge_on_ends, flat_circle, flat_lines
from maqueta.geometry.line_set import RELATIVE_TOLERANCE, LineKind, LineSet, Piece, line_set
from maqueta.projection.edge_match import EdgeMatcher
from maqueta.projection.free_curves import FreeCurves
from maqueta.projection.sight import Sight
from maqueta.solid.kernel import Shape
from maqueta.solid.part import Part

# The kernel's own enumeration compares slowly.
_LINE: Final = int(GeomAbs_CurveType.GeomAbs_Line)
_CIRCLE: Final = int(GeomAbs_CurveType.GeomAbs_Circle)

#: Rows: right, up, towards the reader.
Frame = NDArray[np.float64]


class KernelEdge(NamedTuple):
    """An edge that the kernel drew in a view: its kind of line, whether it is an outline, the edge in model space."""

    kind: LineKind
    outline: bool
    edge: Any


class KernelPieces:
    """Reads what the kernel drew of one solid; holds the arrays that tie its edges back to model edges.

    Model edges that are `undrawn` are left out.
    """

    def __init__(self, shape: Shape, part: Part, undrawn: frozenset[int] = frozenset()) -> None:
        self._undrawn = undrawn
        self._size, self._edges = part.size, part.edges
        self._matcher = EdgeMatcher(part)
        self._free = FreeCurves(shape, part)
        self._sight = Sight(shape, part)

    def line_sets(self, views: Sequence[tuple[Frame, Sequence[KernelEdge]]]) -> list[LineSet]:
        """The line set of each view, from its frame and what the kernel drew in it."""
        frames = [frame for frame, _ in views]
        drawn = [(view, found) for view, (_, edges) in enumerate(views) for found in edges]
        pieces = [
            [piece for piece in self._free.pieces(self._sight, frame) if not self._undrawn.issuperset(piece.edges)]
            for frame in frames
        ]
        for view, piece in self._read(frames, drawn) if drawn else ():
            pieces[view].append(piece)
        return [line_set(own, self._size) for own in pieces]

    def _read(self, frames: Sequence[Frame], drawn: Sequence[tuple[int, KernelEdge]]) -> list[tuple[int, Piece]]:
        curves, places = _curves([found.edge for _, found in drawn])
        outlines = np.array([found.outline for _, found in drawn], dtype=bool)
        matches = self._matcher.match(places[:, 1], outlines)
        # The kernel lists a sharp edge on the outline twice, and a seam among the smooth edges.
        free = self._free.edges
        kept = [
            row
            for row, ((_, found), (edges, _, seam)) in enumerate(zip(drawn, matches, strict=True))
            if not (found.outline and edges)
            and not (seam and found.kind == "smooth")
            and not (free and free.intersection(edges))
            and not (edges and self._undrawn.issuperset(edges))
        ]
        views = [drawn[row][0] for row in kept]
        seen = [frames[view] for view in views]
        flat = self._flattened([curves[row] for row in kept], places[kept], [matches[row][0] for row in kept], seen)
        result = []
        for row, view, projected in zip(kept, views, flat, strict=True):
            if projected is not None:
                kind, (edges, faces, _) = drawn[row][1].kind, matches[row]
                if edges and isinstance(projected[0], Ellipse):
                    kind = self._second_opinion(kind, curves[row], faces, frames[view][2])
                result.append((view, Piece(kind, *projected, edges, faces)))
        return result

    def _second_opinion(self, kind: LineKind, curve: Any, faces: tuple[int, ...], towards: Array) -> LineKind:
        """Visible or hidden as the kernel says, unless rays from three places along a leaning circle all disagree.

        The kernel takes short stretches of far rims for visible where they touch another outline on the view plane.
        """
        if kind == "smooth":
            return kind
        first, last = curve.FirstParameter(), curve.LastParameter()
        places = (np.array(curve.Value(first + share * (last - first)).Coord()) for share in (0.3, 0.5, 0.7))
        if any(self._sight.seen(point, faces, towards) == (kind == "visible") for point in places):
            return kind
        return "hidden" if kind == "visible" else "visible"

    def _flattened(
        self, curves: Sequence[Any | None], places: Array, edges: Sequence[tuple[int, ...]], seen: Sequence[Frame]
    ) -> list[tuple[Carrier, Interval] | None]:
        """Carrier and stretch of each curve on the view plane it is seen on, None where it is seen as a point."""
        if not curves:
            return []
        tolerance = RELATIVE_TOLERANCE * self._size
        frames = np.array(seen)
        bent = [row for row, curve in enumerate(curves) if curve is not None]
        circles = {row: circle for row in bent if (circle := self._circle(curves[row], edges[row]))}
        edge_on = [row for row, (_, axis, _) in circles.items() if abs(np.dot(axis, seen[row][2])) < EDGE_ON]
        if edge_on:
            centres, axes, radii = (np.array([circles[row][k] for row in edge_on]) for k in range(3))
            ends = edge_on_ends(centres, axes, radii, places[edge_on], frames[edge_on, 2])
            places = places.copy()
            places[edge_on, 0], places[edge_on, 2] = ends
        flat = places @ frames[:, :2].transpose(0, 2, 1)
        level = frozenset(edge_on)
        leaning = [row for row in bent if row not in level]
        straight = np.ones(len(curves), dtype=bool)
        straight[leaning] = False
        lines = iter(flat_lines(flat[straight, 0], flat[straight, 2], tolerance))
        result: list[tuple[Carrier, Interval] | None] = [next(lines) if row else None for row in straight.tolist()]
        for row in leaning:
            if row in circles:
                centre, axis, radius = circles[row]
                (x, y), (ax, ay, lean) = seen[row][:2] @ centre, seen[row] @ axis
                start, middle, end = flat[row].tolist()
                result[row] = flat_circle((float(x), float(y)), (ax, ay), lean, radius, (start, middle, end))
            else:
                result[row] = _sampled(curves[row], seen[row], tolerance)
        return result

    def _circle(self, curve: Any, edges: tuple[int, ...]) -> tuple[Vector, Vector, float] | None:
        """Centre, axis and radius of a round curve, from the model edge it comes from where there is one."""
        if edges and (edge := self._edges[edges[0]]).kind == "circle":
            return edge.centre, edge.axis, edge.radius
        if int(curve.GetType()) == _CIRCLE:
            circle = curve.Circle()
            axis = circle.Axis()
            return axis.Location().Coord(), axis.Direction().Coord(), circle.Radius()
        return None


def _curves(edges: Sequence[Any]) -> tuple[list[Any | None], Array]:
    """Kernel edges as their curves (None for straight ones), with start, middle and end in model space (n × 3 × 3)."""
    curves: list[Any | None] = []
    ends, middles = [], []
    for row, edge in enumerate(edges):
        curve = BRepAdaptor_Curve(edge)
        first, last = curve.FirstParameter(), curve.LastParameter()
        ends.append((curve.Value(first).Coord(), curve.Value(last).Coord()))
        if int(curve.GetType()) == _LINE:
            curves.append(None)
        else:
            curves.append(curve)
            middles.append((row, curve.Value((first + last) / 2).Coord()))
    both = np.array(ends)
    places = np.stack([both[:, 0], (both[:, 0] + both[:, 1]) / 2, both[:, 1]], axis=1)
    for row, middle in middles:
        places[row, 1] = middle
    return curves, places


def _sampled(curve: Any, frame: Frame, tolerance: float) -> tuple[Carrier, Interval] | None:
    """Carrier and stretch of any curve on the view plane, by points along it; None when it is seen as a point."""
    steps = GCPnts_TangentialDeflection(curve, 0.05, max(tolerance * 50, 1e-7), 9)
    space = np.array([steps.Value(k).Coord() for k in range(1, steps.NbPoints() + 1)])
    points: list[Point] = [(x, y) for x, y in (space @ frame[:2].T).tolist()]
    if max(math.dist(points[0], p) for p in points) <= tolerance:
        return None
    return recognised(points, 200 * tolerance)
