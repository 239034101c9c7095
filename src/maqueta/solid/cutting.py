"""Parts cut open: what is left, the faces the cut made, and which of its faces and edges were there before."""

import math
from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from itertools import pairwise
from typing import Any, Final

from OCP.BRep import BRep_Builder, BRep_Tool
from OCP.BRepAdaptor import BRepAdaptor_Curve
from OCP.BRepAlgoAPI import BRepAlgoAPI_Common, BRepAlgoAPI_Cut
from OCP.BRepBuilderAPI import (
    BRepBuilderAPI_MakeEdge,
    BRepBuilderAPI_MakeFace,
    BRepBuilderAPI_MakeWire,
    BRepBuilderAPI_Transform,
)
from OCP.BRepPrimAPI import BRepPrimAPI_MakePrism
from OCP.BRepTools import BRepTools, BRepTools_WireExplorer
from OCP.GCPnts import GCPnts_TangentialDeflection
from OCP.gp import gp_Ax1, gp_Dir, gp_Pnt, gp_Trsf, gp_Vec
from OCP.TopAbs import TopAbs_EDGE, TopAbs_FACE, TopAbs_REVERSED, TopAbs_SOLID, TopAbs_WIRE
from OCP.TopoDS import TopoDS, TopoDS_Compound
from shapely.geometry import Polygon

from maqueta.geometry.directions import Vector
from maqueta.geometry.frame import cross, dot
from maqueta.phrases.phrase import phrase
from maqueta.solid.cut import Cut
from maqueta.solid.errors import PartError
from maqueta.solid.examine import examine
from maqueta.solid.kernel import Shape, shapes_of
from maqueta.solid.part import Part

#: Legs leaning less than this (sine) towards the reader are seen square on, those leaning less from the line of sight
#: are seen edge-on.
_LEAN: Final = 1e-6
#: Chords along the boundary of a cut face stay so close to it, as a share of the size of the part.
_CHORD: Final = 1e-4


class CutError(PartError):
    """A cut that leaves nothing to draw: it misses the part, or takes all of it."""


@dataclass(frozen=True)
class CutFace:
    """A face that a cut has made: its number in the cut part, its exact area, and the body (0 …) it lies in.

    `leg` is the place of the leg of the cutting path it lies on. `rings` are points along its boundary, the outer one
    first, chords within 1e-4 of the size of the part.
    """

    face: int
    area: float
    body: int
    leg: int
    rings: tuple[tuple[Vector, ...], ...]


@dataclass(frozen=True)
class CutPart:
    """What a cut leaves of a part.

    `faces` and `edges` tell by number which face and edge of the whole part one of the cut part comes from; None for
    those the cut has made. `steps` are faces that the reader sees edge-on: nothing is drawn for them.
    """

    shape: Shape
    part: Part
    faces: tuple[int | None, ...]
    edges: tuple[int | None, ...]
    sections: tuple[CutFace, ...]
    steps: frozenset[int]

    @property
    def area(self) -> float:
        """The area of all faces the cut has made and the reader sees, in squared units of the part."""
        return math.fsum(face.area for face in self.sections)


class _Origins:
    """Which face or edge of the whole part each one of a shape comes from, through one operation after another."""

    def __init__(self, shape: Shape) -> None:
        faces = shapes_of(shape, TopAbs_FACE)
        edges = [edge for edge in shapes_of(shape, TopAbs_EDGE) if not BRep_Tool.Degenerated_s(TopoDS.Edge(edge))]
        self.faces: list[tuple[Shape, Any]] = list(zip(faces, range(len(faces)), strict=True))
        self.edges: list[tuple[Shape, Any]] = list(zip(edges, range(len(edges)), strict=True))

    def after(self, step: Any) -> None:
        """Follow an operation of the kernel that tells what it changed."""
        self.faces = [(new, name) for old, name in self.faces for new in _images(step, old)]
        self.edges = [(new, name) for old, name in self.edges for new in _images(step, old)]

    def cut_by(self, prism: "_Prism") -> None:
        """The faces of a tool count as faces of the cut: named by their leg, as a negative number."""
        self.faces += [(face, -1 - leg) for face, leg in prism.legs]

    def joined(self, other: "_Origins") -> None:
        """Those of another piece of the same part as well."""
        self.faces += other.faces
        self.edges += other.edges


def _images(step: Any, shape: Shape) -> list[Shape]:
    changed = step.Modified(shape)
    if changed.Size() == 0:
        return [] if step.IsDeleted(shape) else [shape]
    # The bindings step through a list slowly; most hold one shape.
    return [changed.First()] if changed.Size() == 1 else list(changed)


@dataclass(frozen=True)
class _Prism:
    """A body to cut with, and those of its faces that lie on a leg of the cutting path, with the leg's place."""

    shape: Shape
    legs: tuple[tuple[Shape, int], ...]

    def without(self, body: Shape) -> "_Prism":
        """The prism with a body taken from it."""
        step = BRepAlgoAPI_Cut(self.shape, body)
        return _Prism(step.Shape(), tuple((new, leg) for face, leg in self.legs for new in _images(step, face)))


def cut_open(shape: Shape, part: Part, cut: Cut) -> CutPart:
    """What a cut leaves of a part.

    Raises CutError where the path misses the part or runs along a face of it, where nothing would be left, or where the
    kernel cannot cut it.
    """
    try:
        left, origins = _taken_away(shape, part, cut, _prism_of(part, cut))
        if cut.form == "aligned":
            left = _turned_into_plane(left, origins, cut, _reach(part, cut))
        return _examined(left, origins, shape, part, cut)
    except PartError:
        raise
    except Exception as error:  # the kernel raises its own exception types, none of them public
        raise CutError(phrase("cut-fails")) from error


def bare_cut(shape: Shape, part: Part, cut: Cut) -> Shape:
    """The kernel's own cut, and nothing read of it: what the speed of sections is measured against."""
    return BRepAlgoAPI_Cut(shape, _prism_of(part, cut).shape).Shape()


def _prism_of(part: Part, cut: Cut) -> "_Prism":
    reach = _reach(part, cut)
    return _broken_out(cut, reach) if cut.form == "broken-out" else _along_the_path(cut, reach, part.centroid)


def _reach(part: Part, cut: Cut) -> float:
    """A length beyond anything of the part, from the path on."""
    return 3 * math.dist(part.low, part.high) + max(math.dist(part.centroid, point) for point in cut.path)


def _taken_away(shape: Shape, part: Part, cut: Cut, prism: _Prism) -> tuple[Shape, _Origins]:
    """The part without the prism; what is left whole stays."""
    origins = _Origins(shape)
    bodies = shapes_of(shape, TopAbs_SOLID)
    spared = [body for place, body in enumerate(bodies) if place in cut.solids]
    cuttable = [body for place, body in enumerate(bodies) if place not in cut.solids]
    for flank in cut.whole:
        # A rib is taken from what cuts, not joined to what is cut: so no edge arises within it.
        prism = prism.without(_slab(shape, part, flank))
    origins.cut_by(prism)
    left = BRepAlgoAPI_Cut(_compound(cuttable), prism.shape)
    if not left.IsDone():
        raise CutError(phrase("cut-fails"))
    origins.after(left)
    return _compound([*shapes_of(left.Shape(), TopAbs_SOLID), *spared]), origins


def _compound(bodies: Iterable[Shape]) -> Shape:
    compound, builder = TopoDS_Compound(), BRep_Builder()
    builder.MakeCompound(compound)
    for body in bodies:
        builder.Add(compound, body)
    return compound


def _along_the_path(cut: Cut, reach: float, middle: Vector) -> _Prism:
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
    space = [_laid((along, cut.towards, cut.across), (x, y, base)) for x, y in corners]
    return _prism(space, cut.across, 2 * reach, len(flat) - 1)


def _laid(directions: tuple[Vector, Vector, Vector], lengths: Vector) -> Vector:
    """The point at some lengths along three directions."""
    x, y, z = (sum(length * way[k] for length, way in zip(lengths, directions, strict=True)) for k in range(3))
    return (x, y, z)


def _drawn_out(start: tuple[float, float], end: tuple[float, float], by: float) -> tuple[float, float]:
    """The end of a leg drawn out by a length."""
    length = math.dist(start, end)
    if length == 0:
        raise CutError(phrase("cut-without-length"))
    return (end[0] + by * (end[0] - start[0]) / length, end[1] + by * (end[1] - start[1]) / length)


def _broken_out(cut: Cut, reach: float) -> _Prism:
    """What stands before an outline; its one cut face is the bottom, the outline a broken edge."""
    along, depth = cross(cut.across, cut.towards), dot(cut.path[0], cut.towards)
    flat = [(dot(point, along), dot(point, cut.across)) for point in cut.path]
    if not Polygon(flat).is_valid:
        raise CutError(phrase("cut-crosses-itself"))
    frame = (along, cut.across, cut.towards)
    bottom = BRepBuilderAPI_MakeFace(_outline([_laid(frame, (x, y, depth)) for x, y in flat])).Face()
    return _Prism(BRepPrimAPI_MakePrism(bottom, gp_Vec(*(reach * t for t in cut.towards))).Shape(), ((bottom, 0),))


def _prism(corners: Sequence[Vector], way: Vector, length: float, legs: int) -> _Prism:
    """A polygon pushed along a direction; its first sides are the legs of a path."""
    edges = [BRepBuilderAPI_MakeEdge(gp_Pnt(*a), gp_Pnt(*b)).Edge() for a, b in pairwise([*corners, corners[0]])]
    wire = BRepBuilderAPI_MakeWire()
    for edge in edges:
        wire.Add(edge)
    face = BRepBuilderAPI_MakeFace(wire.Wire(), True)
    pushed = BRepPrimAPI_MakePrism(face.Face(), gp_Vec(*(length * part for part in way)))
    # A wire may hold copies of the edges it was made of: sides are known by their ends.
    sides = [TopoDS.Edge(edge) for edge in shapes_of(face.Face(), TopAbs_EDGE)]
    named = ((_side_on(pushed, sides, corners[leg], corners[leg + 1]), leg) for leg in range(legs))
    return _Prism(pushed.Shape(), tuple(named))


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


def _slab(shape: Shape, part: Part, flank: int) -> Shape:
    """The body between a flank and the face behind it. Raises CutError where the face is no flank."""
    thickness = thickness_behind(part, flank) if 0 <= flank < len(part.faces) else None
    if thickness is None:
        raise CutError(phrase("no-flank"))
    face = part.faces[flank]
    own = TopoDS.Face(shapes_of(shape, TopAbs_FACE)[flank])
    return BRepPrimAPI_MakePrism(own, gp_Vec(*(-thickness * n for n in face.direction))).Shape()


def thickness_behind(part: Part, flank: int) -> float | None:
    """How far behind a flat face the nearest parallel one lies that looks the other way; None where there is none."""
    face = part.faces[flank]
    if face.kind != "plane":
        return None
    level = dot(face.point, face.direction)
    behind = [
        level - dot(other.point, face.direction)
        for other in part.faces
        if other.kind == "plane" and dot(other.direction, face.direction) < -1 + _LEAN
    ]
    return min((depth for depth in behind if depth > _LEAN * part.size), default=None)


def _turned_into_plane(shape: Shape, origins: _Origins, cut: Cut, reach: float) -> Shape:
    """What an aligned cut leaves, with the half on the second leg turned until both lie in one plane.

    Each half ends at the plane through the axis square to its leg.
    """
    start, axis, end = cut.path
    along = cross(cut.across, cut.towards)
    first = (dot(axis, along) - dot(start, along), dot(axis, cut.towards) - dot(start, cut.towards))
    second = (dot(end, along) - dot(axis, along), dot(end, cut.towards) - dot(axis, cut.towards))
    angle = math.atan2(first[1], first[0]) - math.atan2(second[1], second[0])
    turn = gp_Trsf()
    # (along, towards, -across) is right-handed: an angle from the first to the second turns about -across.
    turn.SetRotation(gp_Ax1(gp_Pnt(*axis), gp_Dir(*(-part for part in cut.across))), angle)
    halves = []
    kept, followed = list(origins.faces), list(origins.edges)
    origins.faces, origins.edges = [], []
    for place, (x, y) in enumerate((first, second)):
        length, sign = math.hypot(x, y), -1.0 if place == 0 else 1.0
        way = tuple(sign * (x * a + y * t) / length for a, t in zip(along, cut.towards, strict=True))
        own = _copied(kept, followed)
        step = BRepAlgoAPI_Common(shape, _half_space(axis, way, reach))
        own.after(step)
        half = step.Shape()
        if place == 1:
            moved = BRepBuilderAPI_Transform(half, turn, True)
            own.faces = [(moved.ModifiedShape(face), name) for face, name in own.faces]
            own.edges = [(moved.ModifiedShape(edge), name) for edge, name in own.edges]
            half = moved.Shape()
        origins.joined(own)
        halves += shapes_of(half, TopAbs_SOLID)
    return _compound(halves)


def _copied(faces: list[tuple[Shape, Any]], edges: list[tuple[Shape, Any]]) -> _Origins:
    own = _Origins.__new__(_Origins)
    own.faces, own.edges = list(faces), list(edges)
    return own


def _half_space(at: Vector, way: Sequence[float], reach: float) -> Shape:
    """A body that holds all that lies from a point on along a direction, as far as it matters."""
    ahead = (way[0], way[1], way[2])
    # Any direction square to it will do: the one furthest from it among the axes, made square.
    axis = min(((1.0, 0.0, 0.0), (0.0, 1.0, 0.0), (0.0, 0.0, 1.0)), key=lambda unit: abs(dot(unit, ahead)))
    u = cross(axis, ahead)
    length = math.hypot(*u)
    u = (u[0] / length, u[1] / length, u[2] / length)
    v = cross(ahead, u)
    signs = ((1, 1), (-1, 1), (-1, -1), (1, -1))
    corners = [tuple(p + reach * (i * a + j * b) for p, a, b in zip(at, u, v, strict=True)) for i, j in signs]
    edges = _outline([(x, y, z) for x, y, z in corners])
    bottom = BRepBuilderAPI_MakeFace(edges).Face()
    return BRepPrimAPI_MakePrism(bottom, gp_Vec(*(reach * part for part in ahead))).Shape()


def _examined(left: Shape, origins: _Origins, shape: Shape, part: Part, cut: Cut) -> CutPart:
    if not shapes_of(left, TopAbs_SOLID):
        raise _nothing_cut(part, cut)
    own = examine(left, part_hash=part.hash, name=part.name, unit=part.unit, natural_up=part.natural_up)
    kernel_faces = [TopoDS.Face(face) for face in shapes_of(left, TopAbs_FACE)]
    kernel_edges = [edge for edge in shapes_of(left, TopAbs_EDGE) if not BRep_Tool.Degenerated_s(TopoDS.Edge(edge))]
    names = _named(kernel_faces, origins.faces)
    # A line cut along a seam or a smooth transition is none of these any more.
    real = [(edge, name) for edge, name in origins.edges if not (part.edges[name].seam or part.edges[name].smooth)]
    edges = _named(kernel_edges, real)
    made = {face: -1 - name for face, name in enumerate(names) if name is not None and name < 0}
    seen = {face for face in made if abs(dot(own.faces[face].direction, cut.towards)) > _LEAN}
    if not seen:
        raise _nothing_cut(part, cut)
    bodies = _bodies(left, kernel_faces, names, shape)
    sections = (
        CutFace(face, own.faces[face].area, bodies[face], made[face], _rings(kernel_faces[face], _CHORD * part.size))
        for face in sorted(seen)
    )
    return CutPart(
        left,
        own,
        tuple(name if name is not None and name >= 0 else None for name in names),
        tuple(edges),
        tuple(sections),
        frozenset(made) - seen,
    )


def _nothing_cut(part: Part, cut: Cut) -> CutError:
    """Why a cut has made no face: its plane is one of the part's own, or lies beside the part."""
    near = _LEAN * part.size
    for face in part.faces:
        flat = face.kind == "plane" and abs(dot(face.direction, cut.towards)) > 1 - _LEAN
        if flat and abs(dot(face.point, cut.towards) - dot(cut.path[0], cut.towards)) <= near:
            return CutError(phrase("cut-along-face"))
    return CutError(phrase("cut-misses"))


def _named(shapes: Sequence[Shape], known: Sequence[tuple[Shape, int]]) -> list[int | None]:
    """The name of each shape among those that are known; None for others."""
    places: dict[int, list[tuple[Shape, int]]] = {}
    for shape, name in known:
        places.setdefault(hash(shape), []).append((shape, name))
    return [
        next((name for other, name in places.get(hash(shape), ()) if other.IsSame(shape)), None) for shape in shapes
    ]


def _bodies(left: Shape, faces: Sequence[Shape], names: Sequence[int | None], shape: Shape) -> list[int]:
    """The body of the whole part that each face belongs to, by the faces around it that were there before."""
    whole = shapes_of(shape, TopAbs_SOLID)
    if len(whole) == 1:
        return [0] * len(faces)
    before = _owners(shapes_of(shape, TopAbs_FACE), whole)
    owners = _owners(faces, shapes_of(left, TopAbs_SOLID))
    known = {owner: before[name] for owner, name in zip(owners, names, strict=True) if name is not None and name >= 0}
    return [known.get(owner, 0) for owner in owners]


def _owners(faces: Sequence[Shape], bodies: Sequence[Shape]) -> list[int]:
    """The place of the body each face belongs to."""
    names = [(face, place) for place, body in enumerate(bodies) for face in shapes_of(body, TopAbs_FACE)]
    return [owner or 0 for owner in _named(faces, names)]


def _rings(face: Any, deflection: float) -> tuple[tuple[Vector, ...], ...]:
    """Points along the wires of a flat face, the outer one first."""
    outer = BRepTools.OuterWire_s(face)
    wires = [outer, *(wire for wire in shapes_of(face, TopAbs_WIRE) if not wire.IsSame(outer))]
    return tuple(_ring(TopoDS.Wire(wire), face, deflection) for wire in wires)


def _ring(wire: Any, face: Any, deflection: float) -> tuple[Vector, ...]:
    points: list[Vector] = []
    explorer = BRepTools_WireExplorer(wire, face)
    while explorer.More():
        edge = explorer.Current()
        steps = GCPnts_TangentialDeflection(BRepAdaptor_Curve(edge), 0.1, deflection, 2)
        run = [steps.Value(k).Coord() for k in range(1, steps.NbPoints() + 1)]
        if edge.Orientation() == TopAbs_REVERSED:
            run.reverse()
        # An edge ends where the next begins.
        points += run[:-1]
        explorer.Next()
    return tuple(points)
