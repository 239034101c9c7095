"""The faces of a part with their unknowns: what is drawn parallel, coplanar, coaxial or in line shares them."""

from dataclasses import dataclass

import numpy as np

from maqueta.geometry.directions import ALIKE, AXES, along_axis, parallel, square
from maqueta.geometry.nearness import Places
from maqueta.sizes.form.equations import SAME, Array, Change, System, summed
from maqueta.solid.features import FULL_TURN
from maqueta.solid.part import Face, Part


@dataclass(frozen=True)
class Surface:
    """A face with its unknowns. Lengths are in parts of the size of the part.

    `normal` turns with the form (planes); `centre` moves; `axis` is the direction of revolution, `turning` its change.
    `grows` is 1 where a cone grows along its axis, −1 where it grows against it.
    """

    kind: str
    point: Array
    axis: Array
    turning: Change
    centre: Change
    offset: int = -1
    radius: int = -1
    minor: int = -1
    apex: int = -1
    angle: int = -1
    r: float = 0.0
    m: float = 0.0
    half: float = 0.0
    grows: float = 1.0


class _Directions:
    """The directions of the form; those along a model axis are fixed, slanted ones have one angle, oblique ones two."""

    def __init__(self, system: System) -> None:
        self._system = system
        self._known: list[tuple[Array, Change]] = []

    def change(self, direction: Array) -> Change:
        """How a direction may turn; parallel ones turn together, and those drawn square to each other stay so."""
        if along_axis(direction) is not None:
            return Change()
        for other, change in self._known:
            if parallel(other, direction):
                return change if other @ direction > 0 else -change
        level = [axis for axis in np.eye(3) if square(axis, direction)]
        if level:
            ways = [np.cross(level[0], direction)]
        else:
            first = np.cross(direction, np.eye(3)[int(np.abs(direction).argmin())])
            first /= np.linalg.norm(first)
            ways = [first, np.cross(direction, first)]
        change = Change({self._system.unknown("turn"): way for way in ways})
        for other, turning in self._known:
            if square(other, direction):
                self._system.rows.append(summed(change.along(other), turning.along(direction)))
        self._known.append((direction, change))
        return change


class _Stations:
    """Coordinates along the model axes that are drawn in line, and plane offsets along other directions."""

    def __init__(self, system: System) -> None:
        self._system = system
        #: By direction: values met along it, with their unknowns.
        self._known: Places[list[tuple[float, int]]] = Places(ALIKE)

    def at(self, direction: Array, value: float) -> tuple[int, float]:
        """The unknown of a coordinate along a direction, and its sense: −1 where it runs against the direction.

        Opposite directions share their unknowns; along a model axis these run with the axis.
        """
        axis = along_axis(direction)
        if axis is not None:
            sense = float(np.sign(direction[AXES.index(axis)]))
            along = self._known.get(sense * direction)
        else:
            sense = 1.0
            along = self._known.get(direction)
            if along is None and (along := self._known.get(-direction)) is not None:
                sense = -1.0
        if along is None:
            along = self._known.put(sense * direction, [])
        value = sense * value
        for known, index in along:
            if abs(known - value) < SAME:
                return index, sense
        index = self._system.unknown("offset" if axis is None else "level", value, sense * direction)
        along.append((value, index))
        return index, sense


def surfaces_of(part: Part, system: System) -> list[Surface]:
    """All faces with their unknowns, in the order of the part's faces."""
    directions, stations = _Directions(system), _Stations(system)
    own: Places[Change] = Places(10 * SAME)
    radii: list[tuple[Array, Array, float, int]] = []
    found = []
    for index, face in enumerate(part.faces):
        point, axis = np.array(face.point) / part.size, np.array(face.direction)
        turning = directions.change(axis) if face.kind != "sphere" else Change()
        for unknown in turning.parts:
            system.shared(unknown, index)
        if face.kind == "plane":
            station, sense = stations.at(axis, float(axis @ point))
            system.shared(station, index)
            # The unknown runs along the direction first met; the offset along this normal is sense times it.
            found.append(Surface("plane", point, axis, turning, Change(), offset=station, r=sense))
            continue
        lone = _lone(part, index)
        centre = _centre(system, stations, own, face, point, axis, lone)
        radius = minor = apex = angle = -1
        if face.kind in ("cylinder", "sphere", "torus"):
            radius = _radius(system, radii, face, point, axis, part.size)
        if face.kind == "torus":
            minor = system.unknown("tube", face.minor / part.size)
            apex = system.unknown("place", float(axis @ point), axis)
        if face.kind == "cone":
            apex = system.unknown("place", float(axis @ point), axis)
            angle = system.unknown("angle", face.angle)
        for unknown in (*centre.parts, radius, minor, apex, angle):
            if unknown >= 0:
                system.shared(unknown, index)
        found.append(
            Surface(
                face.kind,
                point,
                axis,
                turning,
                centre,
                radius=radius,
                minor=minor,
                apex=apex,
                angle=angle,
                r=face.radius / part.size,
                m=face.minor / part.size,
                half=face.angle,
                grows=_grows(part, face) if face.kind == "cone" else 1.0,
            )
        )
    return found


def _grows(part: Part, face: Face) -> float:
    """1 where a cone grows along its axis, −1 where against it: as the corner or rim farthest along it tells."""
    axis, point = np.array(face.direction), np.array(face.point)
    ends = np.array([end for edge in face.edges for end in part.edges[edge].samples]) - point
    heights = ends @ axis
    far = int(np.abs(heights).argmax())
    wider = float(np.linalg.norm(ends[far] - heights[far] * axis)) - face.radius
    return 1.0 if wider * heights[far] >= 0 else -1.0


def _lone(part: Part, face: int) -> bool:
    """Whether a face of revolution and all coaxial ones are part of a turn only and round off their neighbours."""
    return all(_rounds_off(part, other) for other in range(len(part.faces)) if _coaxial(part, face, other))


def _rounds_off(part: Part, face: int) -> bool:
    edges = [part.edges[edge] for edge in part.faces[face].edges]
    return part.faces[face].span < FULL_TURN and any(edge.smooth for edge in edges)


def _coaxial(part: Part, first: int, second: int) -> bool:
    """Whether two faces of revolution have one axis; two spheres, whether they have one centre."""
    a, b = part.faces[first], part.faces[second]
    if first == second or "plane" in (a.kind, b.kind):
        return first == second
    between = (np.array(b.point) - np.array(a.point)) / part.size
    if a.kind == b.kind == "sphere":
        return bool(np.linalg.norm(between) < SAME)
    if "sphere" in (a.kind, b.kind):
        return False
    axis = np.array(a.direction)
    aside = between - (between @ axis) * axis
    return parallel(axis, b.direction) and bool(np.linalg.norm(aside) < SAME)


def _centre(
    system: System,
    stations: _Stations,
    own: Places[Change],
    face: Face,
    point: Array,
    axis: Array,
    lone: bool,
) -> Change:
    """How the axis or centre of a face may move; coaxial ones move together."""
    ways = [np.eye(3)[k] for k in range(3)] if face.kind == "sphere" else square_to(axis)
    if not lone:
        change = Change()
        for way in ways:
            index, sense = stations.at(way, float(way @ point))
            change = change + Change({index: sense * way})
        return change
    # One axis may be given by any of its points, and either way round.
    foot = point if face.kind == "sphere" else point - (point @ axis) * axis
    places = [(*foot, *sense * axis) for sense in ((1.0,) if face.kind == "sphere" else (1.0, -1.0))]
    known = next((met for place in places if (met := own.get(place)) is not None), None)
    if known is None:
        known = own.put(places[0], Change({system.unknown("centre", float(way @ point), way): way for way in ways}))
    return known


def square_to(axis: Array) -> list[Array]:
    """Two directions square to an axis: along model axes where possible."""
    along = [e for e in np.eye(3) if square(e, axis)]
    if len(along) == 2:
        return along
    first = along[0] if along else np.cross(axis, np.eye(3)[int(np.abs(axis).argmin())])
    first = first / np.linalg.norm(first)
    return [first, np.cross(axis, first)]


def _radius(
    system: System,
    radii: list[tuple[Array, Array, float, int]],
    face: Face,
    point: Array,
    axis: Array,
    size: float,
) -> int:
    """Coaxial faces of equal radius are drawn on one line; equal radii elsewhere are not implied."""
    for other, along, value, index in radii:
        between = point - other
        aside = between - (between @ axis) * axis if face.kind != "sphere" else between
        in_line = face.kind == "sphere" or parallel(along, axis)
        same = np.linalg.norm(aside) < SAME and abs(value - face.radius / size) < SAME
        if face.kind != "torus" and in_line and same:
            return index
    index = system.unknown("radius", face.radius / size)
    if face.kind != "torus":
        radii.append((point, axis, face.radius / size, index))
    return index
