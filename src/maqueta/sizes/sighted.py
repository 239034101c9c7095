"""A form seen from one side: which unknowns stand behind a point, a direction or a circle of a view."""

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from functools import cached_property
from typing import Final

import numpy as np

from maqueta.geometry.carrier import Point
from maqueta.geometry.directions import AXES, Axis, along_axis, parallel, square
from maqueta.projection.look import Look
from maqueta.sizes.form.equations import Array, Change, Row, Unknown, less, summed, times
from maqueta.sizes.form.model import FormModel, full_round
from maqueta.sizes.form.surfaces import Surface
from maqueta.solid.part import Part

#: How near (relative to the part's size) a picked point must lie to what it measures.
PICK_TOLERANCE: Final = 1e-4


@dataclass(frozen=True)
class Spot:
    """A point of a view (in parts of the size), how it moves in space, how near to the reader it is."""

    at: Point
    change: Change
    near: float
    faces: tuple[int, ...]


@dataclass(frozen=True)
class Rounding:
    """Something seen as a circle or an arc: where, how large (in parts of the size), and the row of its radius."""

    at: Point
    value: float
    row: Row
    full: bool
    faces: tuple[int, ...]
    kind: str


@dataclass(frozen=True)
class Sighted:
    """A form as one look shows it. Points of views are given in the part's unit."""

    form: FormModel
    part: Part
    look: Look

    @cached_property
    def right(self) -> Array:
        """The model direction that runs right on the sheet."""
        return np.asarray(self.form.frame @ np.array(self.look.right))

    @cached_property
    def up(self) -> Array:
        """The model direction that runs up on the sheet."""
        return np.asarray(self.form.frame @ np.array(self.look.up))

    @cached_property
    def towards(self) -> Array:
        """The model direction that points at the reader."""
        return np.asarray(self.form.frame @ np.array(self.look.towards))

    def coordinates(self, point: Point, along: Point) -> tuple[Row, ...]:
        """How the coordinate along a direction of the view changes of what stands at a point; none where nothing does.

        `along` is a unit vector in the view, rows are in parts of the size of the part. Where something else is drawn
        in line with the point, both may be meant: the level comes first, what stands at the point itself second.
        """
        at = (point[0] / self.form.size, point[1] / self.form.size)
        way = along[0] * self.right + along[1] * self.up
        value = at[0] * along[0] + at[1] * along[1]
        level_way = along_axis(way) is not None
        exact = self._exact(at, value, way)
        level = self._plane(way, value, range(len(self.form.surfaces)))
        if level is None and level_way:
            level = self._level(way, value)
        found = [row for row in (level, exact) if row is not None]
        if len(found) == 2 and not less(found[0], found[1]):
            return (found[0],)
        if found:
            return tuple(found)
        if level_way:
            loose = self._nearest(at, along, value, way) or self._outline(way, value) or self._middle(way, value)
            return () if loose is None else (loose,)
        if along_axis(self.right) is None or along_axis(self.up) is None:
            return ()
        rows = [self.coordinates(point, axis) for axis in ((1.0, 0.0), (0.0, 1.0))]
        return tuple(summed(times(a, along[0]), times(b, along[1])) for a in rows[0][:1] for b in rows[1][:1])

    def _spot_at(self, at: Point) -> Spot | None:
        """The corner, ring or centre at a point (in parts of the size); of several the one nearest to the reader."""
        here = [spot for spot in self.spots if math.dist(spot.at, at) <= PICK_TOLERANCE]
        return max(here, key=lambda spot: spot.near, default=None)

    def _exact(self, at: Point, value: float, way: Array) -> Row | None:
        """How the coordinate of the corner, ring or centre at a point changes."""
        spot = self._spot_at(at)
        if spot is None:
            return None
        level = self._plane(way, value, spot.faces)
        return level if level is not None else _clean(spot.change.along(way))

    def turn(self, start: Point, end: Point) -> Row | None:
        """How the line from one point of the view to another turns, counter-clockwise; None where that is not known.

        Lines along a model axis do not turn; an edge-on face or the outline of a cone turns with it, any other line
        with the corners at its ends.
        """
        length = math.dist(start, end) / self.form.size
        if length <= PICK_TOLERANCE:
            return None
        ux, uy = ((b - a) / self.form.size / length for a, b in zip(start, end, strict=True))
        way, across = ux * self.right + uy * self.up, -uy * self.right + ux * self.up
        if along_axis(way) is not None:
            return {}
        here = (-start[0] * uy + start[1] * ux) / self.form.size
        for surface in self.form.surfaces:
            if self._runs_along(surface, way, across, here, start, (ux, uy)):
                if surface.kind == "plane":
                    return surface.turning.along(way, -float(np.sign(surface.axis @ across)))
                return {surface.angle: -float(np.sign(surface.axis @ way) * np.sign(surface.axis @ across))}
        first, last = (self._spot_at((p[0] / self.form.size, p[1] / self.form.size)) for p in (start, end))
        if first is None or last is None:
            return None
        return _clean(times((last.change - first.change).along(across), 1 / length))

    def _runs_along(self, surface: Surface, way: Array, across: Array, here: float, start: Point, along: Point) -> bool:
        """Whether a line of the view is an edge-on plane, or the outline of a cone."""
        if surface.kind == "plane":
            level = abs(float(surface.point @ across) - here) <= PICK_TOLERANCE
            return level and parallel(surface.axis, across)
        if surface.kind != "cone" or abs(abs(surface.axis @ way) - math.cos(surface.half)) > PICK_TOLERANCE:
            return False
        return any(self._passes(tip.at, start, along) for tip in self._tips(surface))

    def _passes(self, tip: Point, through: Point, along: Point) -> bool:
        """Whether a line through a point of the view runs through a tip (in parts of the size)."""
        dx, dy = through[0] / self.form.size - tip[0], through[1] / self.form.size - tip[1]
        return abs(dx * along[1] - dy * along[0]) <= PICK_TOLERANCE

    def depth(self, value: float, axis: Axis) -> Row | None:
        """What lies at a coordinate (in the part's unit) along a model axis, seen or not."""
        way = np.eye(3)[AXES.index(axis)]
        at = value / self.form.size
        return self._level(way, at) or self._outline(way, at) or self._farthest(way, at)

    def _farthest(self, way: Array, value: float) -> Row | None:
        """A corner, or the outline of a ring, at a coordinate along a model axis."""
        for corner in self.form.corners:
            if abs(float(corner.point @ way) - value) <= PICK_TOLERANCE:
                return _clean(corner.change.along(way))
        for ring in self.form.rings:
            for sign in (-1.0, 1.0) if square(ring.axis, way) else ():
                if abs(float(ring.middle @ way) + sign * ring.value - value) <= PICK_TOLERANCE:
                    return _clean(summed(ring.moving.along(way), times(ring.radius, sign)))
        return None

    def _plane(self, way: Array, value: float, faces: Sequence[int]) -> Row | None:
        """The place of a plane square to a direction, at a coordinate."""
        for face in faces:
            surface = self.form.surfaces[face]
            if surface.kind != "plane" or not parallel(surface.axis, way):
                continue
            if abs(float(surface.point @ way) - value) <= PICK_TOLERANCE:
                return {surface.offset: surface.r * float(np.sign(surface.axis @ way))}
        return None

    def _level(self, way: Array, value: float) -> Row | None:
        """A level, else an axis or centre that lies at a coordinate along a model axis."""
        sense = float(np.sign(way.sum()))
        for kind in ("level", "centre"):
            for index, unknown in enumerate(self.form.unknowns):
                if unknown.kind != kind or unknown.way is None or not parallel(unknown.way, way):
                    continue
                if abs(unknown.value - sense * value) <= PICK_TOLERANCE:
                    return {index: sense}
        return None

    def _nearest(self, at: Point, along: Point, value: float, way: Array) -> Row | None:
        """The nearest corner or centre drawn at a coordinate."""
        level = [s for s in self.spots if abs(s.at[0] * along[0] + s.at[1] * along[1] - value) <= PICK_TOLERANCE]
        if not level:
            return None
        spot = min(level, key=lambda s: (round(math.dist(s.at, at), 6), -s.near))
        return _clean(spot.change.along(way))

    def _outline(self, way: Array, value: float) -> Row | None:
        """The outline of a cylinder or ball at a coordinate."""
        for surface in self.form.surfaces:
            if surface.kind not in ("cylinder", "sphere") or (
                surface.kind == "cylinder" and not square(surface.axis, way)
            ):
                continue
            for sign in (-1.0, 1.0):
                if abs(float(surface.point @ way) + sign * surface.r - value) <= PICK_TOLERANCE:
                    return _clean(summed(surface.centre.along(way), {surface.radius: sign}))
        return None

    def _middle(self, way: Array, value: float) -> Row | None:
        """The middle between two faces that face each other or turn their backs: a groove or a rib by its centre."""
        sense = float(np.sign(way.sum()))
        levels = [
            (unknown.value, index)
            for index, unknown in enumerate(self.form.unknowns)
            if unknown.kind == "level" and unknown.way and parallel(unknown.way, way) and self._flat(unknown)
        ]
        pairs = [
            (high - low, {first: 0.5 * sense, second: 0.5 * sense})
            for low, first in levels
            for high, second in levels
            if low < high and abs(low + high - 2 * sense * value) <= 2 * PICK_TOLERANCE
        ]
        return min(pairs, key=lambda pair: pair[0])[1] if pairs else None

    def _flat(self, unknown: Unknown) -> bool:
        return any(self.form.surfaces[face].kind == "plane" for face in unknown.faces)

    @cached_property
    def spots(self) -> tuple[Spot, ...]:
        """Corners, the ends of rings seen from the side, and centres."""
        found = [self._spot(corner.point, corner.change, corner.faces) for corner in self.form.corners]
        for ring in self.form.rings:
            if parallel(ring.axis, self.towards):
                found.append(self._spot(ring.middle, ring.moving, ring.faces))
            elif square(ring.axis, self.towards):
                aside = np.cross(ring.axis, self.towards)
                for sign in (-1.0, 1.0):
                    change = ring.moving.crossed(times(ring.radius, sign), aside)
                    found.append(self._spot(ring.middle + sign * ring.value * aside, change, ring.faces))
        for surface in self.form.surfaces:
            found += self._centres(surface)
        return tuple(found)

    def _spot(self, point: Array, change: Change, faces: tuple[int, ...]) -> Spot:
        at = (float(point @ self.right), float(point @ self.up))
        return Spot(at, change, float(point @ self.towards), faces)

    def _centres(self, surface: Surface) -> Iterator[Spot]:
        if surface.kind == "cone" and square(surface.axis, self.towards):
            yield from self._tips(surface)
        elif surface.kind == "sphere" or (surface.kind != "plane" and parallel(surface.axis, self.towards)):
            # Behind every corner and ring: a centre is meant only where nothing else stands.
            yield Spot(self._spot(surface.point, surface.centre, ()).at, surface.centre, -math.inf, ())
        elif surface.kind == "torus" and square(surface.axis, self.towards):
            for at, change in _tube_centres(surface, self.towards):
                yield Spot(self._spot(at, change, ()).at, change, -math.inf, ())

    def _tips(self, surface: Surface) -> Iterator[Spot]:
        """Where a cone would come to a point; either way along its axis, since its faces do not tell which."""
        change = surface.centre + Change({surface.apex: surface.axis})
        for sign in (-1.0, 1.0):
            point = surface.point + sign * surface.r / math.tan(surface.half) * surface.axis
            yield Spot(self._spot(point, change, ()).at, change, -math.inf, ())

    @cached_property
    def bevels(self) -> tuple[tuple[Point, Point], ...]:
        """Slanted faces seen as lines: the two ends of each, in the part's unit."""
        found = []
        for index, surface in enumerate(self.form.surfaces):
            slanted = along_axis(surface.axis) is None
            if surface.kind != "plane" or not slanted or not square(surface.axis, self.towards):
                continue
            ats = sorted({spot.at for spot in self.spots if index in spot.faces})
            if len(ats) > 1:
                found.append(tuple((x * self.form.size, y * self.form.size) for x, y in (ats[0], ats[-1])))
        return tuple((first, last) for first, last in found)

    @cached_property
    def roundings(self) -> tuple[Rounding, ...]:
        """Everything this look shows as a circle or an arc: cylinders first, then rims, balls and tubes."""
        by_radius: dict[int, list[int]] = {}
        for index, surface in enumerate(self.form.surfaces):
            if surface.kind == "cylinder" and parallel(surface.axis, self.towards):
                by_radius.setdefault(surface.radius, []).append(index)
        found = [self._cylinder(faces) for faces in by_radius.values()]
        for ring in self.form.rings:
            cylinder = any(self.form.surfaces[f].kind == "cylinder" for f in ring.faces)
            if parallel(ring.axis, self.towards) and not cylinder:
                at = self._spot(ring.middle, ring.moving, ()).at
                found.append(Rounding(at, ring.value, _clean(ring.radius), True, ring.faces, "rim"))
        for index, surface in enumerate(self.form.surfaces):
            full = full_round(self.part, (index,))
            if surface.kind == "sphere":
                at = self._spot(surface.point, surface.centre, ()).at
                found.append(Rounding(at, surface.r, {surface.radius: 1.0}, full, (index,), "ball"))
            elif surface.kind == "torus" and square(surface.axis, self.towards):
                for point, change in _tube_centres(surface, self.towards):
                    at = self._spot(point, change, ()).at
                    found.append(Rounding(at, surface.m, {surface.minor: 1.0}, False, (index,), "tube"))
            elif surface.kind == "torus" and parallel(surface.axis, self.towards):
                at = self._spot(surface.point, surface.centre, ()).at
                for sign in (-1.0, 1.0):
                    row = {surface.radius: 1.0, surface.minor: sign}
                    found.append(Rounding(at, surface.r + sign * surface.m, row, full, (index,), "coil"))
        return tuple(found)

    def _cylinder(self, faces: Sequence[int]) -> Rounding:
        surface = self.form.surfaces[faces[0]]
        at = self._spot(surface.point, surface.centre, ()).at
        full = full_round(self.part, faces)
        return Rounding(at, surface.r, {surface.radius: 1.0}, full, tuple(faces), "cylinder")


def _tube_centres(surface: Surface, towards: Array) -> Iterator[tuple[Array, Change]]:
    """The two centres of the tube of a torus seen from the side."""
    aside = np.cross(surface.axis, towards)
    moving = surface.centre + Change({surface.apex: surface.axis})
    for sign in (-1.0, 1.0):
        yield surface.point + sign * surface.r * aside, moving + Change({surface.radius: sign * aside})


def _clean(row: Row) -> Row:
    return {index: amount for index, amount in row.items() if abs(amount) > 1e-9}
