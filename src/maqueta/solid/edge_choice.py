"""Choosing edges of a solid under construction, to round or to chamfer them."""

import math
from collections.abc import Sequence
from typing import Any, Final

from OCP.BRep import BRep_Tool
from OCP.BRepAdaptor import BRepAdaptor_Curve, BRepAdaptor_Surface
from OCP.BRepBuilderAPI import BRepBuilderAPI_MakeVertex
from OCP.BRepClass3d import BRepClass3d_SolidClassifier
from OCP.BRepExtrema import BRepExtrema_DistShapeShape
from OCP.BRepFilletAPI import BRepFilletAPI_MakeChamfer, BRepFilletAPI_MakeFillet
from OCP.GeomAbs import GeomAbs_SurfaceType
from OCP.gp import gp_Pnt
from OCP.TopAbs import TopAbs_EDGE, TopAbs_FACE, TopAbs_IN, TopAbs_REVERSED
from OCP.TopoDS import TopoDS

from maqueta.geometry.directions import Vector, parallel
from maqueta.phrases.phrase import phrase
from maqueta.solid.errors import PartError
from maqueta.solid.kernel import Shape, shapes_of
from maqueta.solid.recipe import Chamfer, EdgeChoice, EdgesBetween, Fillet, plain
from maqueta.solid.tools import direction, point

#: An edge further from the point that chooses it than this part of the body's size is not meant.
_FARTHEST: Final = 0.25
#: How far from an edge it is looked whether there is material, relative to its length.
_STEP: Final = 1e-4


def dressed(body: Shape, feature: Fillet | Chamfer, size: float) -> Shape:
    """The body with some edges rounded or chamfered; `size` is its longest overall size.

    Raises PartError when a choice meets no edge or the kernel cannot make it at that size.
    """
    edges = _chosen(body, feature.edges, size)
    make: Any = BRepFilletAPI_MakeFillet(body) if isinstance(feature, Fillet) else BRepFilletAPI_MakeChamfer(body)
    amount = plain(feature.radius if isinstance(feature, Fillet) else feature.size)
    for edge in edges:
        make.Add(amount, edge)
    try:
        make.Build()
        done = make.IsDone()
    except Exception:  # the kernel raises its own exception types, none of them public
        done = False
    if not done:
        raise PartError(phrase("edges-too-small", amount=amount))
    return make.Shape()


def _chosen(body: Shape, choices: Sequence[EdgeChoice], size: float) -> list[Any]:
    found: list[Any] = []
    for choice in choices:
        if isinstance(choice, EdgesBetween):
            edges = _between(body, choice)
            if not edges:
                raise PartError(phrase("no-edge-between", first=choice.between[0], second=choice.between[1]))
        else:
            edges = [_nearest(body, point(choice.near), size)]
        found += [edge for edge in edges if not any(edge.IsSame(other) for other in found)]
    return found


def _nearest(body: Shape, at: tuple[float, float, float], size: float) -> Any:
    vertex = BRepBuilderAPI_MakeVertex(gp_Pnt(*at)).Vertex()
    best, least = None, math.inf
    for raw in _corners(body):
        gap = BRepExtrema_DistShapeShape(raw, vertex)
        if gap.IsDone() and gap.Value() < least - 1e-9:
            best, least = TopoDS.Edge(raw), gap.Value()
    if best is None or least > _FARTHEST * size:
        raise PartError(phrase("no-edge-near", x=at[0], y=at[1], z=at[2]))
    return best


def _corners(body: Shape) -> list[Any]:
    """The edges between two faces; a seam, where a round face only closes on itself, is none."""
    seams = [
        edge
        for raw in shapes_of(body, TopAbs_FACE)
        for edge in shapes_of(raw, TopAbs_EDGE)
        if BRep_Tool.IsClosed_s(TopoDS.Edge(edge), TopoDS.Face(raw)) or BRep_Tool.Degenerated_s(TopoDS.Edge(edge))
    ]
    return [edge for edge in shapes_of(body, TopAbs_EDGE) if not any(edge.IsSame(seam) for seam in seams)]


def _between(body: Shape, choice: EdgesBetween) -> list[Any]:
    sides = [direction(side) for side in choice.between]
    towards: list[list[Any]] = [[], []]
    for raw in shapes_of(body, TopAbs_FACE):
        face = TopoDS.Face(raw)
        surface = BRepAdaptor_Surface(face, False)
        if surface.GetType() != GeomAbs_SurfaceType.GeomAbs_Plane:
            continue
        normal = surface.Plane().Axis().Direction().Coord()
        if (face.Orientation() == TopAbs_REVERSED) == surface.Plane().Direct():
            normal = tuple(-c for c in normal)
        for side, faces in zip(sides, towards, strict=True):
            if parallel(normal, side) and sum(a * b for a, b in zip(normal, side, strict=True)) > 0:
                faces.append(face)
    first = [edge for face in towards[0] for edge in shapes_of(face, TopAbs_EDGE)]
    second = [edge for face in towards[1] for edge in shapes_of(face, TopAbs_EDGE)]
    shared = [TopoDS.Edge(edge) for edge in first if any(edge.IsSame(other) for other in second)]
    return [edge for edge in shared if _outer(body, edge, sides[0], sides[1])]


def _outer(body: Shape, edge: Any, first: Vector, second: Vector) -> bool:
    """Whether two faces with these normals meet in an outer corner: a step out of the one leaves the solid."""
    curve = BRepAdaptor_Curve(edge)
    middle = curve.Value((curve.FirstParameter() + curve.LastParameter()) / 2).Coord()
    step = _STEP * (curve.LastParameter() - curve.FirstParameter())
    beside = [m + step * (a - b) for m, a, b in zip(middle, first, second, strict=True)]
    return bool(BRepClass3d_SolidClassifier(body, gp_Pnt(*beside), 1e-7).State() != TopAbs_IN)
