"""Read the kernel's solid into plain data: faces, edges, sizes."""

import math
from typing import Any

from OCP.BRep import BRep_Tool
from OCP.BRepAdaptor import BRepAdaptor_Curve, BRepAdaptor_Surface
from OCP.BRepGProp import BRepGProp
from OCP.BRepLib import BRepLib
from OCP.BRepTools import BRepTools
from OCP.GCPnts import GCPnts_AbscissaPoint
from OCP.GeomAbs import GeomAbs_C0, GeomAbs_CurveType, GeomAbs_SurfaceType
from OCP.GProp import GProp_GProps
from OCP.TopAbs import TopAbs_EDGE, TopAbs_FACE, TopAbs_REVERSED
from OCP.TopoDS import TopoDS

from maqueta.geometry.directions import Vector
from maqueta.phrases.phrase import phrase
from maqueta.solid.errors import PartError
from maqueta.solid.features import recognise
from maqueta.solid.kernel import Shape, box_of, count_solids, edges_of, shapes_of
from maqueta.solid.part import Edge, EdgeKind, Face, FaceKind, Part
from maqueta.solid.unit import Unit

_SURFACES: dict[Any, FaceKind] = {
    GeomAbs_SurfaceType.GeomAbs_Plane: "plane",
    GeomAbs_SurfaceType.GeomAbs_Cylinder: "cylinder",
    GeomAbs_SurfaceType.GeomAbs_Cone: "cone",
    GeomAbs_SurfaceType.GeomAbs_Sphere: "sphere",
    GeomAbs_SurfaceType.GeomAbs_Torus: "torus",
}
_CURVES: dict[Any, EdgeKind] = {
    GeomAbs_CurveType.GeomAbs_Line: "line",
    GeomAbs_CurveType.GeomAbs_Circle: "circle",
    GeomAbs_CurveType.GeomAbs_Ellipse: "ellipse",
}
_ORIGIN: Vector = (0.0, 0.0, 0.0)
_CURVE_SAMPLES = 33
#: The kernel works to 1e-7 whatever the size of a part; beyond these its answers mean nothing.
SMALLEST_PART, LARGEST_PART = 0.01, 1e6
#: Two faces meeting at less than this angle (radians) run into each other without a corner.
_SMOOTH_ANGLE = 1e-4


def examine(
    shape: Shape, *, part_hash: str, name: str, unit: Unit, material: str = "", natural_up: str | None = None
) -> Part:
    """Describe a solid as a Part. Raises PartError when the shape holds no solid."""
    solids = count_solids(shape)
    if solids == 0:
        raise PartError(phrase("no-solid-in-it"))
    low, high = box_of(shape)
    scale = _usable_size(low, high, unit)
    BRepLib.EncodeRegularity_s(shape, _SMOOTH_ANGLE)
    kernel_faces = [TopoDS.Face(face) for face in shapes_of(shape, TopAbs_FACE)]
    kernel_edges = edges_of(shape)
    faces_of_edge: list[list[int]] = [[] for _ in kernel_edges]
    edges_of_face: list[tuple[int, ...]] = []
    places: dict[int, list[int]] = {}
    for index, edge in enumerate(kernel_edges):
        places.setdefault(hash(edge), []).append(index)
    for face_index, face in enumerate(kernel_faces):
        own = []
        for edge in shapes_of(face, TopAbs_EDGE):
            for index in places.get(hash(edge), ()):
                if kernel_edges[index].IsSame(edge):
                    own.append(index)
                    faces_of_edge[index].append(face_index)
        edges_of_face.append(tuple(own))
    edges = tuple(
        _edge(edge, tuple(owners), kernel_faces) for edge, owners in zip(kernel_edges, faces_of_edge, strict=True)
    )
    faces = tuple(_face(face, own) for face, own in zip(kernel_faces, edges_of_face, strict=True))
    volume, surface = GProp_GProps(), GProp_GProps()
    BRepGProp.VolumeProperties_s(shape, volume)
    BRepGProp.SurfaceProperties_s(shape, surface)
    if not volume.Mass() > 0:
        raise PartError(phrase("solid-without-volume"))
    return Part(
        hash=part_hash,
        name=name,
        unit=unit,
        material=material,
        natural_up=natural_up,
        low=_snapped(low, scale),
        high=_snapped(high, scale),
        volume=volume.Mass(),
        area=surface.Mass(),
        centroid=_xyz(volume.CentreOfMass()),
        solids=solids,
        faces=faces,
        edges=edges,
        features=recognise(faces, edges),
    )


def _usable_size(low: Vector, high: Vector, unit: Unit) -> float:
    """The longest size of a box. Raises PartError for one that the kernel's absolute tolerances were not made for."""
    corners = (*low, *high)
    if not all(math.isfinite(c) for c in corners):
        raise PartError(phrase("solid-endless"))
    size = max(h - lo for lo, h in zip(low, high, strict=True))
    if not SMALLEST_PART <= size <= LARGEST_PART:
        large = float(f"{size:.3g}")
        raise PartError(phrase("solid-of-no-use", size=large, unit=unit, least=SMALLEST_PART, most=LARGEST_PART))
    if max(map(abs, corners)) > 100 * LARGEST_PART:
        raise PartError(phrase("solid-too-far-away"))
    return size


def _xyz(point: Any) -> Vector:
    return (point.X(), point.Y(), point.Z())


def _snapped(point: Vector, size: float) -> Vector:
    """Remove the kernel's confusion margin (1e-7) from the corners of a box."""
    digits = max(0, 6 - math.floor(math.log10(size)))
    return (round(point[0], digits), round(point[1], digits), round(point[2], digits))


def _edge(edge: Any, owners: tuple[int, ...], faces: list[Any]) -> Edge:
    curve = BRepAdaptor_Curve(edge)
    first, last = curve.FirstParameter(), curve.LastParameter()
    kind = _CURVES.get(curve.GetType(), "other")
    centre, axis, radius = _ORIGIN, _ORIGIN, 0.0
    if kind == "circle":
        circle = curve.Circle()
        centre, axis, radius = _xyz(circle.Location()), _xyz(circle.Axis().Direction()), circle.Radius()
    count = 2 if kind == "line" else _CURVE_SAMPLES
    samples = tuple(_xyz(curve.Value(first + (last - first) * step / (count - 1))) for step in range(count))
    seam = len(owners) == 1 and BRep_Tool.IsClosed_s(edge, faces[owners[0]])
    smooth = len(owners) == 2 and BRep_Tool.Continuity_s(edge, faces[owners[0]], faces[owners[1]]) != GeomAbs_C0
    return Edge(
        kind=kind,
        start=samples[0],
        end=samples[-1],
        centre=centre,
        axis=axis,
        radius=radius,
        length=GCPnts_AbscissaPoint.Length_s(curve, first, last),
        smooth=smooth,
        seam=seam,
        faces=owners,
        samples=samples,
    )


def _face(face: Any, edges: tuple[int, ...]) -> Face:
    surface = BRepAdaptor_Surface(face, False)
    kind = _SURFACES.get(surface.GetType(), "other")
    reversed_ = face.Orientation() == TopAbs_REVERSED
    properties = GProp_GProps()
    BRepGProp.SurfaceProperties_s(face, properties)
    point, direction, radius, hollow, span = _ORIGIN, _ORIGIN, 0.0, False, 0.0
    reach, minor, angle = (0.0, 0.0), 0.0, 0.0
    if kind == "plane":
        plane = surface.Plane()
        point, direction = _xyz(plane.Location()), _xyz(plane.Axis().Direction())
        if reversed_ == plane.Direct():
            direction = (-direction[0], -direction[1], -direction[2])
    elif kind != "other":
        shape = getattr(surface, kind.capitalize())()
        position = shape.Position()
        point, direction = _xyz(shape.Location()), _xyz(position.Direction())
        radius = shape.MajorRadius() if kind == "torus" else shape.RefRadius() if kind == "cone" else shape.Radius()
        hollow = reversed_ == position.Direct()
        u_low, u_high, v_low, v_high = BRepTools.UVBounds_s(face)
        span = u_high - u_low
        reach = (v_low, v_high)
        minor = shape.MinorRadius() if kind == "torus" else 0.0
        angle = abs(shape.SemiAngle()) if kind == "cone" else 0.0
    return Face(
        kind=kind,
        point=point,
        direction=direction,
        radius=radius,
        area=properties.Mass(),
        hollow=hollow,
        span=span,
        reach=reach,
        edges=edges,
        minor=minor,
        angle=angle,
    )
