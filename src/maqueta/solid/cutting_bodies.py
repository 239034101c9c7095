"""Bodies to cut a part with: what a cut takes away, and what it leaves whole."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise
from typing import Any, Final

from OCP.BRepAdaptor import BRepAdaptor_Curve
from OCP.BRepAlgoAPI import BRepAlgoAPI_Common, BRepAlgoAPI_Cut
from OCP.BRepBuilderAPI import BRepBuilderAPI_MakeEdge, BRepBuilderAPI_MakeFace, BRepBuilderAPI_MakeWire
from OCP.BRepPrimAPI import BRepPrimAPI_MakePrism
from OCP.gp import gp_Pnt, gp_Vec
from OCP.TopAbs import TopAbs_EDGE, TopAbs_FACE
from OCP.TopoDS import TopoDS
from shapely.geometry import Polygon

from maqueta.geometry.directions import Vector
from maqueta.geometry.frame import cross, dot, facing
from maqueta.phrases.phrase import phrase
from maqueta.solid.cut import Cut
from maqueta.solid.errors import CutError
from maqueta.solid.kernel import Shape, shapes_of
from maqueta.solid.part import Part
from maqueta.solid.uncut import Rib, left_whole_at

#: Directions that lean against each other by less (sine) are parallel or square.
LEAN: Final = 1e-6


@dataclass(frozen=True)
class CuttingBody:
    """A body to cut with, and those of its faces that lie on the cutting path: the others are beyond the part."""

    shape: Shape
    faces: tuple[Shape, ...]

    def without(self, body: Shape) -> "CuttingBody":
        """What is left of it when another body is taken from it."""
        step = BRepAlgoAPI_Cut(self.shape, body)
        return CuttingBody(step.Shape(), tuple(new for face in self.faces for new in images(step, face)))


def images(step: Any, shape: Shape) -> list[Shape]:
    """What an operation of the kernel has made of a face or edge: one or several, none where it is gone."""
    changed = step.Modified(shape)
    if changed.Size() == 0:
        return [] if step.IsDeleted(shape) else [shape]
    # The bindings step through a list slowly; most hold one shape.
    return [changed.First()] if changed.Size() == 1 else list(changed)


def cutting_body(part: Part, cut: Cut) -> CuttingBody:
    """What a cut takes away. Raises CutError for a path that crosses itself or has a leg without length."""
    reach = reach_of(part, cut)
    return _broken_out(cut, reach) if cut.form == "broken-out" else _along_the_path(cut, reach, part.centroid)


def reach_of(part: Part, cut: Cut) -> float:
    """A length beyond anything of the part, from the path on."""
    return 3 * math.dist(part.low, part.high) + max(math.dist(part.centroid, point) for point in cut.path)


def _along_the_path(cut: Cut, reach: float, middle: Vector) -> CuttingBody:
    """All that stands on the reader's side of the path."""
    along = cross(cut.across, cut.towards)
    flat = [(dot(point, along), dot(point, cut.towards)) for point in cut.path]
    if flat[0][0] > flat[-1][0] + 1e-12 * reach or (cut.form == "half" and flat[0][0] > flat[1][0]):
        along = (-along[0], -along[1], -along[2])
        flat = [(-x, y) for x, y in flat]
    first, last = _drawn_out(flat[1], flat[0], reach), _drawn_out(flat[-2], flat[-1], reach)
    top = max(y for _, y in (first, last, *flat)) + reach
    ends = [(last[0], top), (first[0], top)]
    if cut.form == "half":
        # The last leg runs towards the reader and closes the quarter by itself.
        ends = [(first[0], last[1])]
    corners = [first, *flat[1:-1], last, *ends]
    if not Polygon(corners).is_valid:
        raise CutError(phrase("cut-crosses-itself"))
    base = dot(middle, cut.across) - reach
    space = [laid((along, cut.towards, cut.across), (x, y, base)) for x, y in corners]
    return _prism(space, cut.across, 2 * reach, len(flat) - 1)


def _drawn_out(start: tuple[float, float], end: tuple[float, float], by: float) -> tuple[float, float]:
    """The end of a leg drawn out by a length."""
    length = math.dist(start, end)
    if length == 0:
        raise CutError(phrase("cut-without-length"))
    return (end[0] + by * (end[0] - start[0]) / length, end[1] + by * (end[1] - start[1]) / length)


def _broken_out(cut: Cut, reach: float) -> CuttingBody:
    """What stands before an outline; its bottom is the cut face, its sides are seen edge-on: a free line, no edge."""
    along, depth = cross(cut.across, cut.towards), dot(cut.path[0], cut.towards)
    flat = [(dot(point, along), dot(point, cut.across)) for point in cut.path]
    if not Polygon(flat).is_valid:
        raise CutError(phrase("cut-crosses-itself"))
    frame = (along, cut.across, cut.towards)
    bottom = BRepBuilderAPI_MakeFace(_outline([laid(frame, (x, y, depth)) for x, y in flat])).Face()
    body = BRepPrimAPI_MakePrism(bottom, gp_Vec(*(reach * t for t in cut.towards))).Shape()
    return CuttingBody(body, tuple(shapes_of(body, TopAbs_FACE)))


def _prism(corners: Sequence[Vector], way: Vector, length: float, legs: int) -> CuttingBody:
    """A polygon pushed along a direction; its first sides are the legs of a path."""
    edges = [BRepBuilderAPI_MakeEdge(gp_Pnt(*a), gp_Pnt(*b)).Edge() for a, b in pairwise([*corners, corners[0]])]
    wire = BRepBuilderAPI_MakeWire()
    for edge in edges:
        wire.Add(edge)
    face = BRepBuilderAPI_MakeFace(wire.Wire(), True)
    pushed = BRepPrimAPI_MakePrism(face.Face(), gp_Vec(*(length * part for part in way)))
    # A wire may hold copies of the edges it was made of: sides are known by their ends.
    sides = [TopoDS.Edge(edge) for edge in shapes_of(face.Face(), TopAbs_EDGE)]
    faces = (_side_on(pushed, sides, corners[leg], corners[leg + 1]) for leg in range(legs))
    return CuttingBody(pushed.Shape(), tuple(faces))


def _side_on(pushed: Any, sides: Sequence[Any], start: Vector, end: Vector) -> Shape:
    """The face a side of the polygon was pushed to."""
    middle = gp_Pnt(*((a + b) / 2 for a, b in zip(start, end, strict=True)))

    def off(edge: Any) -> float:
        curve = BRepAdaptor_Curve(edge)
        return float(curve.Value((curve.FirstParameter() + curve.LastParameter()) / 2).Distance(middle))

    return pushed.Generated(min(sides, key=off)).First()


def _outline(corners: Sequence[Vector]) -> Any:
    wire = BRepBuilderAPI_MakeWire()
    for start, end in pairwise([*corners, corners[0]]):
        wire.Add(BRepBuilderAPI_MakeEdge(gp_Pnt(*start), gp_Pnt(*end)).Edge())
    return wire.Wire()


def laid(directions: tuple[Vector, Vector, Vector], lengths: Vector) -> Vector:
    """The point at some lengths along three directions."""
    x, y, z = (sum(length * way[k] for length, way in zip(lengths, directions, strict=True)) for k in range(3))
    return (x, y, z)


def left_whole(shape: Shape, part: Part, cut: Cut, flank: int) -> list[Shape]:
    """Bodies that hold what of a rib or spoke stands before the plane it is cut in.

    A rib lies between a flank and the face behind it; a spoke behind the half of its face that looks at the reader.
    Raises CutError where the face is no flank.
    """
    rib = left_whole_at(part, flank)
    if rib is None:
        raise CutError(phrase("no-flank"))
    own = TopoDS.Face(shapes_of(shape, TopAbs_FACE)[flank])
    if isinstance(rib, Rib):
        return [BRepPrimAPI_MakePrism(own, gp_Vec(*(-rib.thick * n for n in rib.across))).Shape()]
    lengthwise = (normal for normal, level in cut.planes if rib.lies_in(normal, level, 0.0))
    towards = next(lengthwise, cut.towards)
    before = BRepAlgoAPI_Common(own, half_space(rib.point, towards, 3 * math.dist(part.low, part.high)))
    inwards = gp_Vec(*(-rib.thick * t for t in towards))
    return [BRepPrimAPI_MakePrism(half, inwards).Shape() for half in shapes_of(before.Shape(), TopAbs_FACE)]


def half_space(at: Vector, ahead: Vector, reach: float) -> Shape:
    """A body that holds all that lies from a point on along a direction (unit vector), as far as it matters."""
    # Any direction square to it will do: that of the axis it lies along least, made square.
    axis = min(((1.0, 0.0, 0.0), (0.0, 1.0, 0.0), (0.0, 0.0, 1.0)), key=lambda unit: abs(dot(unit, ahead)))
    right, up, _ = facing(ahead, axis)
    signs = ((1, 1), (-1, 1), (-1, -1), (1, -1))
    corners = [laid((at, right, up), (1.0, reach * i, reach * j)) for i, j in signs]
    bottom = BRepBuilderAPI_MakeFace(_outline(corners)).Face()
    return BRepPrimAPI_MakePrism(bottom, gp_Vec(*(reach * part for part in ahead))).Shape()
