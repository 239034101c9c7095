"""Solids as triangles."""

from typing import Any

from OCP.BRep import BRep_Tool
from OCP.BRepMesh import BRepMesh_IncrementalMesh
from OCP.BRepTools import BRepTools
from OCP.TopAbs import TopAbs_FACE, TopAbs_REVERSED
from OCP.TopLoc import TopLoc_Location
from OCP.TopoDS import TopoDS

from maqueta.solid.kernel import Shape, shapes_of
from maqueta.solid.mesh import Mesh
from maqueta.solid.part import Part

#: Chord error relative to the part's size, and the angle between facets (radians).
_DEFLECTION = 5e-4
_FACET_ANGLE = 0.2


def triangulated(shape: Shape, part: Part, fineness: float = 1.0) -> Mesh:
    """Triangulate a solid; faces and edges are numbered as in `part`. Half the `fineness` halves the chord error."""
    if fineness < 1.0:
        BRepTools.Clean_s(shape)
    BRepMesh_IncrementalMesh(shape, fineness * _DEFLECTION * part.size, False, fineness * _FACET_ANGLE, False)
    points: list[float] = []
    triangles: list[int] = []
    owners: list[int] = []
    for index, raw in enumerate(shapes_of(shape, TopAbs_FACE)):
        face = TopoDS.Face(raw)
        location = TopLoc_Location()
        net: Any = BRep_Tool.Triangulation_s(face, location)
        if net is None:
            continue
        move = location.Transformation()
        first = len(points) // 3
        for node in range(1, net.NbNodes() + 1):
            at = net.Node(node).Transformed(move)
            points += [round(at.X(), 6), round(at.Y(), 6), round(at.Z(), 6)]
        turned = face.Orientation() == TopAbs_REVERSED
        for number in range(1, net.NbTriangles() + 1):
            a, b, c = net.Triangle(number).Get()
            triangles += [first + a - 1, first + (c if turned else b) - 1, first + (b if turned else c) - 1]
            owners.append(index)
    edges = tuple(
        () if edge.seam or edge.smooth else tuple(round(x, 6) for point in edge.samples for x in point)
        for edge in part.edges
    )
    return Mesh(tuple(points), tuple(triangles), tuple(owners), edges)
