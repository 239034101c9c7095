"""The special views a part needs. Common practice, no source.

Sections where sizes would be taken from hidden lines, auxiliary views of slanted faces with a shape of their own,
details of what is too small to be read.
"""

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from maqueta.geometry.directions import SIDES, Side, Vector, parallel, square, vector
from maqueta.geometry.frame import dot, unit
from maqueta.geometry.line_set import Piece
from maqueta.projection.arrangement import ViewName
from maqueta.projection.attitude import Attitude, usual
from maqueta.projection.projected_part import ProjectedPart
from maqueta.solid.cut import CutForm
from maqueta.solid.part import Edge, Face, Part
from maqueta.solid.slanted import slanted

#: A slanted face counts when it is at least this share of the part's surface, and this wide beside the part.
_LARGE, _WIDE = 0.01, 0.08
#: What is smaller than this on paper, mm, is enlarged until it is larger than that.
SMALL_MM, CLEAR_MM = 3.0, 10.0


@dataclass(frozen=True, slots=True)
class NeededSection:
    """A section: its form, the direction it is looked at from, the points it passes, the faces it lays open."""

    form: CutForm
    towards: Vector
    through: tuple[Vector, ...]
    faces: tuple[int, ...]


@dataclass(frozen=True, slots=True)
class NeededAuxiliary:
    """An auxiliary view square to a face; an oblique face needs a primary one before."""

    normal: Vector
    oblique: bool
    face: int


@dataclass(frozen=True, slots=True)
class NeededDetail:
    """A detail about a point of the part, where something is only so large (in the part's unit)."""

    of: Vector
    size: float


@dataclass(frozen=True, slots=True)
class SpecialNeed:
    """The special views a part needs beside the usual ones."""

    sections: tuple[NeededSection, ...]
    auxiliary: tuple[NeededAuxiliary, ...]
    details: tuple[NeededDetail, ...]


def special_need(
    projected: ProjectedPart, attitudes: Mapping[ViewName, Attitude], factor: float | None = None
) -> SpecialNeed:
    """What a part needs beside views of these attitudes; details as well where `factor` is given, mm a unit of it."""
    part = projected.part
    sections = _sections(projected, list(attitudes.values()))
    auxiliary = tuple(
        NeededAuxiliary(face.direction, not any(square(face.direction, vector(side)) for side in SIDES), number)
        for number, face in enumerate(part.faces)
        if face.kind == "plane" and slanted(face.direction) and _own_shape(part, face)
    )
    return SpecialNeed(sections, auxiliary, _details(part, factor) if factor is not None else ())


def _inside_levels(projected: ProjectedPart, attitudes: Sequence[Attitude]) -> tuple[int, ...]:
    """Inner levels: flat faces that every view seeing them as an edge shows by hidden lines alone.

    Their sizes would be taken from hidden lines.
    """
    shown: dict[int, set[str]] = {}
    for attitude in attitudes:
        lines = projected.line_set(attitude.look)
        for piece in lines.of("visible", "hidden"):
            for face in piece.faces:
                own = projected.part.faces[face]
                if own.kind == "plane" and square(own.direction, attitude.look.towards):
                    shown.setdefault(face, set()).add(piece.kind)
    return tuple(sorted(face for face, kinds in shown.items() if kinds == {"hidden"}))


def _sections(projected: ProjectedPart, attitudes: Sequence[Attitude]) -> tuple[NeededSection, ...]:
    part = projected.part
    inside = _inside_levels(projected, attitudes)
    if not inside or not attitudes:
        return ()
    # Seen as the front where what is inside lies along it, else as the view that shows it from the side.
    found: list[NeededSection] = []
    left = list(inside)
    for attitude in attitudes:
        towards = attitude.look.towards
        own = [face for face in left if square(part.faces[face].direction, towards)]
        if not own:
            continue
        points = _on_planes(part, own, towards)
        form: CutForm = "full" if len(points) == 1 else "offset"
        found.append(NeededSection(form, towards, points, tuple(own)))
        left = [face for face in left if face not in own]
    return tuple(found)


def spared_lines(projected: ProjectedPart, sides: Sequence[Side]) -> dict[Side, tuple[Piece, ...]]:
    """The hidden lines, by side, that the sections needed beside some views would show cut open: those of the levels
    laid open, and of the faces next to them, in the views that are cut."""
    part = projected.part
    found: dict[Side, tuple[Piece, ...]] = {}
    for section in _sections(projected, [usual(side) for side in sides]):
        open_to = {face for edge in part.edges if set(edge.faces) & set(section.faces) for face in edge.faces}
        side = next(side for side in SIDES if dot(vector(side), section.towards) > 0.5)
        hidden = projected.sides[side].of("hidden")
        found[side] = tuple(piece for piece in hidden if open_to & set(piece.faces))
    return found


def _on_planes(part: Part, faces: Sequence[int], towards: Vector) -> tuple[Vector, ...]:
    """One point for each plane in which faces are to be cut through their middles."""
    points: list[Vector] = []
    for face in faces:
        middle = _middle_of_face(part, face)
        level = dot(middle, towards)
        if all(abs(level - dot(other, towards)) > 1e-6 * part.size for other in points):
            points.append(middle)
    return tuple(points)


def _middle_of_face(part: Part, number: int) -> Vector:
    """The middle of a face: the axis of its largest circle, else the middle of its corners."""
    edges = [part.edges[name] for name in part.faces[number].edges]
    circles = [edge for edge in edges if edge.kind == "circle" and edge.closed]
    if circles:
        return max(circles, key=lambda edge: edge.radius).centre
    points = [point for edge in edges for point in edge.samples]
    low, high = ([pick(p[axis] for p in points) for axis in range(3)] for pick in (min, max))
    return ((low[0] + high[0]) / 2, (low[1] + high[1]) / 2, (low[2] + high[2]) / 2)


def _own_shape(part: Part, face: Face) -> bool:
    """Whether a slanted face has a shape that no other view tells: no plain strip, and no narrow chamfer."""
    if face.area < _LARGE * part.area:
        return False
    edges = [part.edges[name] for name in face.edges]
    longest = max((edge.length for edge in edges), default=0.0)
    if longest == 0 or face.area / longest < _WIDE * part.size:
        return False
    lines = [edge for edge in edges if edge.kind == "line"]
    if len(edges) != 4 or len(lines) != 4:
        return True
    ways = [unit(_along(edge)) for edge in lines]
    return not all(_beside_another(way, ways) for way in ways)


def _along(edge: Edge) -> Vector:
    return (edge.end[0] - edge.start[0], edge.end[1] - edge.start[1], edge.end[2] - edge.start[2])


def _beside_another(way: Vector, ways: Sequence[Vector]) -> bool:
    """Whether another edge of a face runs along a direction, and a third square to it: then it is a rectangle."""
    return sum(parallel(way, other) for other in ways) == 2 and any(square(way, other) for other in ways)


def _details(part: Part, factor: float) -> tuple[NeededDetail, ...]:
    """Places where a groove or a step is too small to be read: the smallest one."""
    small: list[NeededDetail] = []
    for face in part.faces:
        if face.kind not in ("cylinder", "cone") or face.span < math.pi:
            continue
        reach = abs(face.reach[1] - face.reach[0])
        if 0 < reach * factor < SMALL_MM:
            middle = (face.reach[0] + face.reach[1]) / 2
            x, y, z = (p + middle * d for p, d in zip(face.point, face.direction, strict=True))
            side = _beside(face.direction)
            small.append(
                NeededDetail((x + face.radius * side[0], y + face.radius * side[1], z + face.radius * side[2]), reach)
            )
    return (min(small, key=lambda own: own.size),) if small else ()


def _beside(axis: Vector) -> Vector:
    """A direction along a model axis, square to an axis of revolution: right as seen from the front, where it is."""
    for way in ((1.0, 0.0, 0.0), (0.0, 0.0, 1.0), (0.0, 1.0, 0.0)):
        if square(way, axis):
            return way
    return (1.0, 0.0, 0.0)
