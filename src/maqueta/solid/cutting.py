"""Parts cut open: what is left, the faces the cut made, and which of its faces and edges were there before."""

import itertools
import math
from collections.abc import Callable, Iterable, Sequence
from dataclasses import dataclass
from typing import Any, Final

from OCP.BRep import BRep_Builder
from OCP.BRepAdaptor import BRepAdaptor_Curve
from OCP.BRepAlgoAPI import BRepAlgoAPI_Common, BRepAlgoAPI_Cut
from OCP.BRepBuilderAPI import BRepBuilderAPI_Transform
from OCP.BRepTools import BRepTools, BRepTools_WireExplorer
from OCP.GCPnts import GCPnts_TangentialDeflection
from OCP.gp import gp_Ax1, gp_Dir, gp_Pnt, gp_Trsf
from OCP.TopAbs import TopAbs_FACE, TopAbs_REVERSED, TopAbs_SOLID, TopAbs_WIRE
from OCP.TopoDS import TopoDS, TopoDS_Compound

from maqueta.geometry.directions import Vector
from maqueta.geometry.frame import cross, dot
from maqueta.phrases.phrase import phrase
from maqueta.solid.cut import Cut
from maqueta.solid.cutting_bodies import LEAN, cutting_body, half_space, images, left_whole, reach_of
from maqueta.solid.errors import CutError, PartError
from maqueta.solid.examine import examine
from maqueta.solid.kernel import Shape, edges_of, shapes_of
from maqueta.solid.part import Part

#: Chords along the boundary of a cut face stay so close to it, as a share of the size of the part.
_CHORD: Final = 1e-4


@dataclass(frozen=True)
class CutFace:
    """A face that a cut has made: its number in the cut part, its exact area, and the body (0 …) it lies in.

    `rings` are points along its boundary, the outer one
    first, chords within 1e-4 of the size of the part.
    """

    face: int
    area: float
    body: int
    rings: tuple[tuple[Vector, ...], ...]


@dataclass(frozen=True)
class CutPart:
    """What a cut leaves of a part.

    `faces` and `edges` tell by number which face and edge of the whole part one of the cut part comes from; None for
    those the cut has made. `steps` are faces that the reader sees edge-on: nothing is drawn for them. `joints` are
    those along which the two halves of an aligned section were laid together.
    """

    shape: Shape
    part: Part
    faces: tuple[int | None, ...]
    edges: tuple[int | None, ...]
    sections: tuple[CutFace, ...]
    steps: frozenset[int]
    joints: frozenset[int] = frozenset()

    @property
    def area(self) -> float:
        """The area of all faces the cut has made and the reader sees, in squared units of the part."""
        return math.fsum(face.area for face in self.sections)


#: The name of faces that a cut has made.
_MADE: Final = -1


@dataclass(frozen=True)
class _Origins:
    """The faces and edges of a shape, each with the number of the one of the whole part it comes from."""

    faces: tuple[tuple[Shape, int], ...]
    edges: tuple[tuple[Shape, int], ...]

    def through(self, images: Callable[[Shape], Iterable[Shape]]) -> "_Origins":
        """What has become of them through an operation that tells of each what it was made into."""
        return _Origins(
            tuple((new, name) for old, name in self.faces for new in images(old)),
            tuple((new, name) for old, name in self.edges for new in images(old)),
        )

    def with_made(self, faces: Iterable[Shape]) -> "_Origins":
        """The faces of what cuts as well: they become the faces of the cut."""
        return _Origins((*self.faces, *((face, _MADE) for face in faces)), self.edges)

    def joined(self, other: "_Origins") -> "_Origins":
        """Those of another piece of the same part as well."""
        return _Origins((*self.faces, *other.faces), (*self.edges, *other.edges))


def _of_whole(shape: Shape) -> _Origins:
    numbers = itertools.count
    faces = zip(shapes_of(shape, TopAbs_FACE), numbers(), strict=False)
    return _Origins(tuple(faces), tuple(zip(edges_of(shape), numbers(), strict=False)))


def cut_open(shape: Shape, part: Part, cut: Cut) -> CutPart:
    """What a cut leaves of a part.

    Raises CutError where the path misses the part or runs along a face of it, where nothing would be left, or where the
    kernel cannot cut it.
    """
    try:
        left, origins = _taken_away(shape, part, cut)
        if cut.form == "aligned":
            left, origins = _turned_into_plane(left, origins, cut, reach_of(part, cut))
        return _examined(left, origins, shape, part, cut)
    except PartError:
        raise
    except Exception as error:  # the kernel raises its own exception types, none of them public
        raise CutError(phrase("cut-fails")) from error


def bare_cut(shape: Shape, part: Part, cut: Cut) -> Shape:
    """The kernel's own cut, and nothing read of it: what the speed of sections is measured against."""
    return BRepAlgoAPI_Cut(shape, cutting_body(part, cut).shape).Shape()


def _taken_away(shape: Shape, part: Part, cut: Cut) -> tuple[Shape, _Origins]:
    """The part without what the cut takes away; what is left whole stays."""
    body = cutting_body(part, cut)
    for flank in cut.whole:
        # A rib is taken from what cuts, not joined to what is cut: so no edge arises within it.
        for spared in left_whole(shape, part, cut, flank):
            body = body.without(spared)
    solids = list(enumerate(shapes_of(shape, TopAbs_SOLID)))
    left = BRepAlgoAPI_Cut(_compound(solid for place, solid in solids if place not in cut.solids), body.shape)
    if not left.IsDone():
        raise CutError(phrase("cut-fails"))
    origins = _of_whole(shape).with_made(body.faces).through(lambda own: images(left, own))
    others = (solid for place, solid in solids if place in cut.solids)
    return _compound([*shapes_of(left.Shape(), TopAbs_SOLID), *others]), origins


def _compound(bodies: Iterable[Shape]) -> Shape:
    compound, builder = TopoDS_Compound(), BRep_Builder()
    builder.MakeCompound(compound)
    for body in bodies:
        builder.Add(compound, body)
    return compound


def _turned_into_plane(shape: Shape, origins: _Origins, cut: Cut, reach: float) -> tuple[Shape, _Origins]:
    """What an aligned cut leaves, with the half on the second leg turned until both lie in one plane.

    Each half ends at the plane through the axis square to its leg.
    """
    _, axis, _ = cut.path
    along = cross(cut.across, cut.towards)
    first, second = cut.legs
    turn = gp_Trsf()
    turn.SetRotation(gp_Ax1(gp_Pnt(*axis), gp_Dir(*(-part for part in cut.across))), cut.turn)

    def half(leg: tuple[float, float], sign: float) -> tuple[Shape, _Origins]:
        x, y = (sign * part / math.hypot(*leg) for part in leg)
        ahead = (
            x * along[0] + y * cut.towards[0],
            x * along[1] + y * cut.towards[1],
            x * along[2] + y * cut.towards[2],
        )
        step = BRepAlgoAPI_Common(shape, half_space(axis, ahead, reach))
        return step.Shape(), origins.through(lambda own: images(step, own))

    still, own = half(first, -1.0)
    other, others = half(second, 1.0)
    moved = BRepBuilderAPI_Transform(other, turn, True)
    halves = [solid for each in (still, moved.Shape()) for solid in shapes_of(each, TopAbs_SOLID)]
    return _compound(halves), own.joined(others.through(lambda face: [moved.ModifiedShape(face)]))


def _examined(left: Shape, origins: _Origins, shape: Shape, part: Part, cut: Cut) -> CutPart:
    if not shapes_of(left, TopAbs_SOLID):
        raise _nothing_cut(part, cut)
    own = examine(left, part_hash=part.hash, name=part.name, unit=part.unit, natural_up=part.natural_up)
    kernel_faces = [TopoDS.Face(face) for face in shapes_of(left, TopAbs_FACE)]
    names = _named(kernel_faces, origins.faces)
    # A line cut along a seam or a smooth transition is none of these any more.
    real = [(edge, name) for edge, name in origins.edges if not (part.edges[name].seam or part.edges[name].smooth)]
    edges = _named(edges_of(left), real)
    made = {face for face, name in enumerate(names) if name == _MADE}
    seen = {face for face in made if abs(dot(own.faces[face].direction, cut.towards)) > LEAN}
    if not seen:
        raise _nothing_cut(part, cut)
    bodies = _bodies(left, kernel_faces, names, shape)
    sections = (
        CutFace(face, own.faces[face].area, bodies[face], _rings(kernel_faces[face], _CHORD * part.size))
        for face in sorted(seen)
    )
    return CutPart(
        left,
        own,
        tuple(None if name == _MADE else name for name in names),
        tuple(edges),
        tuple(sections),
        frozenset(made - seen),
        frozenset(face for face, name in enumerate(names) if name is None and cut.form == "aligned"),
    )


def _nothing_cut(part: Part, cut: Cut) -> CutError:
    """Why a cut has made no face: its plane is one of the part's own, or lies beside the part."""
    near = LEAN * part.size
    for face in part.faces:
        flat = face.kind == "plane" and abs(dot(face.direction, cut.towards)) > 1 - LEAN
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
    known = {owner: before[name] for owner, name in zip(owners, names, strict=True) if name not in (None, _MADE)}
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
