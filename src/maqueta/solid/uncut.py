"""What is not cut lengthwise: ribs and webs between parallel faces, round spokes, pins and bolts, and what an
instructor marks.

ISO 128-3 and ASME Y14.3, from memory.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Final, Literal

from maqueta.geometry.directions import Vector, parallel
from maqueta.geometry.frame import cross, dot, way_between
from maqueta.solid.cut import Cut
from maqueta.solid.part import Edge, Face, Part
from maqueta.solid.spokes import Spoke, spoke_at, told_spokes

#: A rib is at most so thick, as a share of the side of a square as large as its flank (common practice, no source).
_THIN: Final = 0.5
#: A flank ends in the open on one side, or on two, as a spoke does.
_FREE_SIDES: Final = 2
#: Sines and shares of a part's size smaller than this are nothing.
_DUST: Final = 1e-6


@dataclass(frozen=True, slots=True)
class Rib:
    """A rib, web or flat spoke: its two flanks, the first with the outward normal `across`.

    It reaches from `low` to `high` along `across`.
    """

    flanks: tuple[int, int]
    across: Vector
    low: float
    high: float

    @property
    def thick(self) -> float:
        """How far its flanks lie apart."""
        return self.high - self.low

    def lies_in(self, normal: Vector, level: float, slack: float) -> bool:
        """Whether a plane, of all points so far along a unit vector, runs between its flanks."""
        sign = 1.0 if dot(self.across, normal) > 0 else -1.0
        return parallel(self.across, normal) and self.low + slack < sign * level < self.high - slack


#: What is left whole of a part, though it is no body of its own.
Whole = Rib | Spoke


def ribs(part: Part) -> tuple[Whole, ...]:
    """The ribs and spokes of a part: those its faces tell and those marked to be left whole, without those marked to be
    cut."""
    left = {mark.face: mark.whole for mark in part.marks if mark.of == "rib"}
    told = [rib for rib in told_whole(part) if all(left.get(flank, True) for flank in rib.flanks)]
    known = {flank for rib in told for flank in rib.flanks}
    marked = (left_whole_at(part, face) for face, whole in left.items() if whole and face not in known)
    return (*told, *(rib for rib in marked if rib is not None))


def told_whole(part: Part) -> tuple[Whole, ...]:
    """What the faces of a part tell to be a rib, web or spoke."""
    return (*told_ribs(part), *told_spokes(part))


def left_whole_at(part: Part, face: int) -> Whole | None:
    """What could be left whole by a face: the bar it runs round, or the rib it is a flank of; None where it is
    neither."""
    return rib_behind(part, face) or (spoke_at(part, face) if 0 <= face < len(part.faces) else None)


def rib_behind(part: Part, flank: int) -> Rib | None:
    """The rib between a flat face and the nearest one that lies behind it and looks the other way; None where there is
    none."""
    if not 0 <= flank < len(part.faces) or part.faces[flank].kind != "plane":
        return None
    own = part.faces[flank]
    top = dot(own.point, own.direction)
    behind = []
    for number, other in enumerate(part.faces):
        thick = top - dot(other.point, own.direction)
        opposite = other.kind == "plane" and dot(own.direction, other.direction) < -1 + _DUST
        if opposite and thick > _DUST * part.size and _face_to_face(part, own, other):
            behind.append((thick, number))
    if not behind:
        return None
    thick, number = min(behind)
    return Rib((flank, number), own.direction, top - thick, top)


def told_ribs(part: Part) -> tuple[Rib, ...]:
    """The ribs of a part by its faces alone: two flanks a little way apart, each grown into the rest of the part on two
    sides at least."""
    flats = [number for number, face in enumerate(part.faces) if face.kind == "plane"]
    grown = [number for number in flats if _is_flank(part, number)]
    found = []
    for first in grown:
        own = part.faces[first]
        for second in grown:
            other = part.faces[second]
            thick = dot(own.point, own.direction) - dot(other.point, own.direction)
            opposite = dot(own.direction, other.direction) < -1 + _DUST and thick > _DUST * part.size
            if first >= second or not opposite or len(own.edges) != len(other.edges):
                continue
            if thick > _THIN * math.sqrt(min(own.area, other.area)) or not _face_to_face(part, own, other):
                continue
            top = dot(own.point, own.direction)
            found.append(Rib((first, second), own.direction, top - thick, top))
    return tuple(found)


def cut_lengthwise(part: Part, cut: Cut) -> tuple[Whole, ...]:
    """The ribs and spokes of a part along which a cut runs: one of its planes lies inside them."""
    slack = 1e-3 * part.size
    return tuple(rib for rib in ribs(part) if any(rib.lies_in(normal, level, slack) for normal, level in cut.planes))


def with_ribs_whole(part: Part, cut: Cut) -> Cut:
    """A cut that leaves the ribs it runs along as they are."""
    flanks = tuple(sorted(rib.flanks[0] for rib in cut_lengthwise(part, cut)))
    return Cut(cut.form, cut.path, cut.across, cut.towards, flanks, cut.solids)


def _is_flank(part: Part, number: int) -> bool:
    """Whether a flat face ends at inner corners of the part on two sides at least, not parallel, and almost all round.

    A plate ends in the open on most of its sides: it is cut like everything else.
    """
    face = part.faces[number]
    outwards: list[Vector] = []
    free = 0
    for name in face.edges:
        edge = part.edges[name]
        others = [other for other in edge.faces if other != number]
        # All round a face there is no free side: it is the bottom of something, or the web of a wheel, and is cut.
        if len(others) != 1 or edge.closed:
            return False
        middle, inwards = _inwards(part, number, edge)
        if inwards is None or not _inner_corner(part.faces[others[0]], edge, middle, inwards):
            free += 1
        elif all(dot(inwards, known) < 1 - 1e-3 for known in outwards):
            outwards.append(inwards)
    return len(outwards) >= 2 and 1 <= free <= _FREE_SIDES


def _inwards(part: Part, number: int, edge: Edge) -> tuple[Vector, Vector | None]:
    """The middle of an edge, and the direction in a flat face that leads away from the edge into the face."""
    middle = edge.samples[len(edge.samples) // 2] if len(edge.samples) > 2 else _between(edge.start, edge.end)
    if edge.kind == "line":
        along = way_between(edge.start, edge.end)
    elif edge.kind == "circle":
        along = cross(edge.axis, way_between(edge.centre, middle))
    else:
        return middle, None
    across = cross(part.faces[number].direction, along)
    length = math.sqrt(dot(across, across))
    if length < _DUST * part.size:
        return middle, None
    unit = (across[0] / length, across[1] / length, across[2] / length)
    rest = _centre_of_face(part, number)
    return middle, unit if dot(way_between(middle, rest), unit) > 0 else (-unit[0], -unit[1], -unit[2])


def _inner_corner(other: Face, edge: Edge, middle: Vector, inwards: Vector) -> bool:
    """Whether material turns inwards at an edge: seen along a face, the other one faces it."""
    if other.kind == "plane":
        return dot(other.direction, inwards) > 0.01
    if other.kind == "cylinder":
        if edge.smooth:
            # A fillet hollow towards the outside fills an inner corner.
            return other.hollow
        off = way_between(other.point, middle)
        height = dot(off, other.direction)
        x, y, z = other.direction
        outward = way_between((height * x, height * y, height * z), off)
        sign = -1.0 if other.hollow else 1.0
        return sign * dot(outward, inwards) > 0.01 * other.radius
    return other.kind == "torus" and edge.smooth and other.hollow


def _face_to_face(part: Part, own: Face, other: Face) -> bool:
    """Whether two parallel faces lie over each other: the middle of each within the other's reach."""
    return _over(part, own, other) and _over(part, other, own)


def _over(part: Part, own: Face, other: Face) -> bool:
    points = [point for name in other.edges for point in part.edges[name].samples]
    away = dot(way_between(own.point, other.point), own.direction)
    middle = _mean([point for name in own.edges for point in part.edges[name].samples])
    for axis in range(3):
        if abs(own.direction[axis]) > 1 - _DUST:
            continue
        low, high = min(p[axis] for p in points), max(p[axis] for p in points)
        here = middle[axis] + away * own.direction[axis]
        if not low - _DUST * part.size <= here <= high + _DUST * part.size:
            return False
    return True


def _centre_of_face(part: Part, number: int) -> Vector:
    return _mean([point for name in part.faces[number].edges for point in part.edges[name].samples])


def _mean(points: Sequence[Vector]) -> Vector:
    count = max(len(points), 1)
    return (sum(p[0] for p in points) / count, sum(p[1] for p in points) / count, sum(p[2] for p in points) / count)


def _between(a: Vector, b: Vector) -> Vector:
    return ((a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2)


def bodies(part: Part) -> tuple[frozenset[int], ...]:
    """The faces of each body of a part, told by the edges they share; the order is that of their first faces."""
    beside: list[set[int]] = [set() for _ in part.faces]
    for edge in part.edges:
        for face in edge.faces:
            beside[face].update(edge.faces)
    left, found = set(range(len(part.faces))), []
    while left:
        own, edge_of_it = set(), {min(left)}
        while edge_of_it:
            own |= edge_of_it
            edge_of_it = set().union(*(beside[face] for face in edge_of_it)) - own
        found.append(frozenset(own))
        left -= own
    return tuple(found)


def pins(part: Part) -> tuple[int, ...]:
    """The bodies of an assembly that are shafts, bolts or pins: solid, and round about one axis; or as they are
    marked."""
    found = bodies(part)
    if len(found) == 1:
        return ()
    left = {mark.face: mark.whole for mark in part.marks if mark.of == "body"}

    def whole(faces: frozenset[int]) -> bool:
        said = [left[face] for face in left if face in faces]
        return said[-1] if said else _round(part, faces)

    return tuple(place for place, faces in enumerate(found) if whole(faces))


def _round(part: Part, faces: frozenset[int]) -> bool:
    own = [part.faces[number] for number in faces]
    turned = [face for face in own if face.kind in ("cylinder", "cone", "torus", "sphere")]
    if not turned or any(face.hollow for face in turned if face.kind == "cylinder"):
        return False
    axis, point = turned[0].direction, turned[0].point

    def about_axis(face: Face) -> bool:
        if face.kind == "plane":
            return parallel(face.direction, axis)
        off = cross(way_between(point, face.point), axis)
        near = math.sqrt(dot(off, off)) <= 1e-5 * part.size
        return near and (face.kind == "sphere" or parallel(face.direction, axis))

    return all(about_axis(face) for face in own)


@dataclass(frozen=True, slots=True)
class Known:
    """A rib, spoke or body that is told by its faces or marked: `face` names it, `whole` is whether it is left whole.

    `told` is whether its faces tell it; `thick` how thick a rib or spoke is, in the part's unit, and 0 for a
    body; `round` tells a spoke that is round.
    """

    of: Literal["rib", "body"]
    face: int
    faces: tuple[int, ...]
    whole: bool
    told: bool
    thick: float
    round: bool = False


def known_uncut(part: Part) -> tuple[Known, ...]:
    """All that is told or marked as not cut lengthwise, or marked to be cut although it looks so; ribs first."""
    told, now = told_whole(part), ribs(part)
    flanks = {flank for rib in told for flank in rib.flanks}
    both = (*told, *(rib for rib in now if not flanks & set(rib.flanks)))
    found = [
        Known(
            "rib",
            rib.flanks[0],
            rib.flanks,
            rib in now,
            bool(flanks & set(rib.flanks)),
            rib.thick,
            isinstance(rib, Spoke),
        )
        for rib in both
    ]
    plain, whole, own = pins(replace(part, marks=())), pins(part), bodies(part)
    return (
        *found,
        *(
            Known("body", min(own[place]), tuple(sorted(own[place])), place in whole, place in plain, 0.0)
            for place in sorted({*plain, *whole})
        ),
    )
