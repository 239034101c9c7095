"""A complete set of dimensions without a closed chain, for any part whose sizes can be counted.

Overall sizes first, then sizes and locations from a datum side, radii and diameters where they are round, corners,
slopes last (common practice, no source). Other sets are equally right, and the checks never prefer this one.
"""

import math
from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from itertools import product
from typing import Final, Literal

import numpy as np

from maqueta.geometry.carrier import Circle, Line, Point
from maqueta.geometry.directions import AXES, Axis
from maqueta.geometry.line_set import LineKind
from maqueta.projection.attitude import Attitude
from maqueta.projection.axes_seen import axis_and_sign
from maqueta.projection.datum_sides import DIRECTIONS, Direction, End, axis_of_direction, direction_of_axis
from maqueta.sheet.dimension import ChamferDimension, Dimension, LinearDimension, RoundDimension
from maqueta.sheet.placed import PlacedView
from maqueta.sizes.callout import callout, holes_at, mouth_words, mouths
from maqueta.sizes.form.equations import Array, dense
from maqueta.sizes.form.model import FormModel
from maqueta.sizes.measure import Measured, equal_ones, measure
from maqueta.sizes.pitch_circles import pitch_circles
from maqueta.sizes.sighted import Rounding, Sighted
from maqueta.solid.features import feature_reach
from maqueta.solid.part import Feature, Part

#: An equation adds nothing when less than this part of it is left beside the others.
_NOTHING: Final = 1e-6
#: Bevels with legs up to this part of the longest size are written as chamfers (common practice, no source).
_CHAMFER: Final = 0.12
#: Circles closer than this (part of the longest size) are one.
_DRAWN: Final = 1e-4
#: How many points a size may be taken from are tried at either end.
_TRIED: Final = 2


@dataclass(frozen=True, slots=True)
class Datum:
    """The side of the part that locations are taken from, along each direction: its low or its high end."""

    width: End = "low"
    height: End = "low"
    depth: End = "low"

    def high(self, direction: Direction) -> bool:
        """Whether locations along a direction are taken from the high end of its model axis."""
        return {"width": self.width, "height": self.height, "depth": self.depth}[direction] == "high"


LOW_SIDES: Final = Datum()


@dataclass(frozen=True, slots=True)
class Proposed:
    """A proposed dimension, not yet placed, with what it measures."""

    dimension: Dimension
    measured: Measured
    overall: bool


def propose(
    form: FormModel,
    part: Part,
    front: Attitude,
    views: Sequence[PlacedView],
    write: Callable[[float], str],
    datum: Datum = LOW_SIDES,
) -> tuple[Proposed, ...]:
    """Dimensions that determine every size exactly once, as far as these views of the six sides show them.

    Views that are cut open count as well. `write` writes a length of the part as the sheet does. Ids are d1, d2, …;
    places are left at the view's origin.
    """
    chooser = _Chooser(form, part, front, tuple(v for v in views if v.attitude is not None), write, datum)
    return tuple(chooser.chosen())


@dataclass(frozen=True)
class _Chooser:
    form: FormModel
    part: Part
    front: Attitude
    views: tuple[PlacedView, ...]
    write: Callable[[float], str]
    datum: Datum
    kinds: tuple[LineKind, ...] = ("visible",)

    def chosen(self) -> list[Proposed]:
        basis = np.zeros((0, len(self.form.motions_in_line)))
        sighted = {item.view.id: Sighted(self.form, self.part, _attitude(item).look) for item in self.views}
        found: list[Proposed] = []
        for candidate, overall, plain in self._passes(sighted):
            if len(basis) == len(self.form.motions_in_line):
                break
            measured = measure(sighted[candidate.view], candidate)
            if not measured.equations or (plain and any(e.others for e in measured.equations)):
                continue
            fresh = self._added(basis, measured)
            if fresh is not None:
                basis = np.vstack([basis, fresh])
                named = candidate.model_copy(update={"id": f"d{len(found) + 1}"})
                found.append(Proposed(named, measured, overall))
        return found

    def _passes(self, sighted: Mapping[str, Sighted]) -> Iterator[tuple[Dimension, bool, bool]]:
        """All candidates: first only those that can mean but one thing, then any.

        What no view shows plainly is taken from hidden lines in the end, rather than left out.
        """
        at_all = replace(self, kinds=("visible", "hidden"))
        for plain, chooser in ((True, self), (False, self), (False, at_all)):
            for candidate, overall in chooser._candidates(sighted):
                yield candidate, overall, plain

    def _added(self, basis: Array, measured: Measured) -> Array | None:
        """What the equations of a candidate add to a basis; None when one of them adds nothing."""
        rows = dense([e.row for e in measured.equations], len(self.form.unknowns)) @ self.form.motions_in_line.T
        # A circle through holes says of some of them what is drawn in line anyway, a count of the depths of all.
        several = isinstance(measured.dimension, RoundDimension) and (
            measured.dimension.pitch or (measured.dimension.count > 1 and measured.dimension.text is not None)
        )
        added = np.zeros((0, basis.shape[1]))
        for row, equation in zip(rows, measured.equations, strict=True):
            length = float(np.linalg.norm(row))
            rest = row / max(length, _NOTHING)
            for _ in range(2):
                rest = rest - (basis @ rest) @ basis
            left = float(np.linalg.norm(rest))
            if left > _NOTHING:
                added, basis = np.vstack([added, rest / left]), np.vstack([basis, rest / left])
            elif not (equation.customary and several):
                return None
        return added

    def _candidates(self, sighted: Mapping[str, Sighted]) -> Iterator[tuple[Dimension, bool]]:
        for direction in DIRECTIONS:
            coordinate = AXES.index(axis_of_direction(self.front, direction))
            for linear in self._linear(direction, self.part.low[coordinate], self.part.high[coordinate]):
                yield linear, True
        yield from ((item, False) for item in self._patterned())
        values = {direction: self._stations(direction) for direction in DIRECTIONS}
        for kind in ("level", "place", "corner"):
            if kind == "corner":
                yield from ((item, False) for item in self._chamfers())
                yield from ((item, False) for item in self._round(sighted))
                yield from ((item, False) for item in self._outlined())
                yield from ((item, False) for item in self._by_half())
            for direction in DIRECTIONS:
                for value in values[direction][kind]:
                    yield from ((item, False) for item in self._linear(direction, self._from(direction), value))
            if kind == "corner":
                yield from ((item, False) for item in self._aligned())
        # What no side shows plainly from the datum may be shown between two neighbours.
        for direction in DIRECTIONS:
            every = sorted({*(v for kind in values[direction].values() for v in kind), self._from(direction)})
            for gap in range(1, len(every)):
                for low, high in zip(every, every[gap:], strict=False):
                    yield from ((item, False) for item in self._linear(direction, low, high))

    def _from(self, direction: Direction) -> float:
        coordinate = AXES.index(axis_of_direction(self.front, direction))
        return (self.part.high if self.datum.high(direction) else self.part.low)[coordinate]

    def _stations(self, direction: Direction) -> dict[str, list[float]]:
        """Coordinates worth writing along a direction: levels, places of rings and centres, corners."""
        axis = axis_of_direction(self.front, direction)
        way, size = np.eye(3)[AXES.index(axis)], self.form.size
        levels = [self.form.unknowns[index].value * size for index in self.form.along(axis)]
        rings = [float(r.middle @ way) * size for r in self.form.rings if abs(r.axis @ way) > 0.5]
        centres = [float(s.point @ way) * size for s in self.form.surfaces if s.kind != "plane"]
        corners = [float(corner.point @ way) * size for corner in self.form.corners if corner.sharp]
        datum = self._from(direction)
        taken: list[float] = [datum]
        result: dict[str, list[float]] = {}
        for kind, values in (("level", levels), ("place", rings), ("corner", [*centres, *corners])):
            result[kind] = []
            for value in sorted(values, key=lambda v: abs(v - datum)):
                if all(abs(value - other) > 1e-6 * size for other in taken):
                    taken.append(value)
                    result[kind].append(value)
        return result

    def _linear(self, direction: Direction, start: float, end: float) -> Iterator[LinearDimension]:
        """A size along a direction, in each view that shows both its ends by visible lines; the best view first."""
        axis = axis_of_direction(self.front, direction)
        if abs(start - end) <= 1e-9 * self.form.size:
            return
        for item in sorted(self.views, key=lambda v: self._fit(v, axis, (start, end)), reverse=True):
            attitude = _attitude(item)
            for index, side in enumerate((attitude.right, attitude.up)):
                if side[1] != axis:
                    continue
                _, sign = axis_and_sign(side)
                yield from self._between(item, index, (sign * start, sign * end))

    def _between(self, item: PlacedView, index: int, values: Sequence[float]) -> Iterator[LinearDimension]:
        """The size between two coordinates of a view, taken from the points nearest to where its row will be."""
        ends = [_anchors(item, index, value, self.kinds) for value in values]
        near = [sorted(set(points), key=lambda p: p[1 - index])[:_TRIED] for points in ends]
        along: Literal["across", "up"] = "across" if index == 0 else "up"
        for first, last in product(*near):
            yield LinearDimension(id="d", view=item.view.id, start=first, end=last, along=along, place=(0.0, 0.0))

    def _fit(self, item: PlacedView, axis: Axis, values: Sequence[float]) -> int:
        """How well a view suits a size: where an end is an axis alone, the view that shows it round."""
        coordinate, size = AXES.index(axis), self.form.size
        score = 0
        for value in values:
            here = [s for s in self.form.surfaces if abs(float(s.point[coordinate]) * size - value) <= 1e-6 * size]
            if any(s.kind == "plane" and abs(s.axis[coordinate]) > 0.5 for s in here):
                continue
            sight = "xyz".index(_attitude(item).side[1])
            score += any(s.kind == "cylinder" and abs(s.axis[sight]) > 0.5 for s in here)
        return score

    def _patterned(self) -> Iterator[RoundDimension]:
        """Holes evenly on a circle: one diameter with their number, and the circle through their centres."""
        for item in self.views:
            drawn = [piece.carrier for piece in item.lines.of(*self.kinds)]
            for circle in pitch_circles(self.part, _attitude(item).look):
                radii = [
                    c.radius
                    for c in drawn
                    if isinstance(c, Circle)
                    and math.dist((c.x, c.y), circle.holes[0]) <= _DRAWN * self.form.size
                    and c.radius < circle.radius
                ]
                size = RoundDimension(
                    kind="diameter",
                    id="d",
                    view=item.view.id,
                    centre=circle.holes[0],
                    radius=min(radii, default=circle.radius),
                    place=(0.0, 0.0),
                    count=len(circle.holes),
                )
                if radii:
                    yield size
                    pitch = {"centre": circle.centre, "radius": circle.radius, "count": 1, "pitch": True}
                    yield size.model_copy(update=pitch)

    def _chamfers(self) -> Iterator[ChamferDimension]:
        """Short bevels at 45°, written as leg and angle."""
        for item in self.views:
            for piece in item.lines.of(*self.kinds):
                (x0, y0), (x1, y1) = piece.ends
                dx, dy = abs(x1 - x0), abs(y1 - y0)
                short = isinstance(piece.carrier, Line) and 0 < dx <= _CHAMFER * self.form.size
                if short and abs(dx - dy) <= 1e-6 * self.form.size:
                    yield ChamferDimension(id="d", view=item.view.id, start=(x0, y0), end=(x1, y1), place=(0.0, 0.0))

    def _round(self, sighted: Mapping[str, Sighted]) -> Iterator[RoundDimension]:
        """Diameters of full circles and radii of arcs, each where it is drawn; equal ones once, with their number.

        The depth of a blind hole whose bottom no view shows plainly is written beside its diameter. Holes of which more
        is written come first: that says the diameters of their mouths as well.
        """
        drawn = [(item, rounding) for item in self.views for rounding in self._drawn(item, sighted[item.view.id])]
        for worded in (True, False):
            for item, rounding in drawn:
                words = self._words(rounding)
                if bool(words) != worded:
                    continue
                plain = RoundDimension(
                    kind="diameter" if rounding.full else "radius",
                    id="d",
                    view=item.view.id,
                    centre=(rounding.at[0] * self.form.size, rounding.at[1] * self.form.size),
                    radius=rounding.value * self.form.size,
                    place=(0.0, 0.0),
                )
                alike = equal_ones(sighted[item.view.id], rounding)
                if alike and all(self._words(other) == words for place in alike for other in place):
                    number = 1 + len(alike)
                    for text in (*words, None):
                        yield plain.model_copy(update={"count": number, "text": text and f"{number}× {text}"})
                yield from (plain.model_copy(update={"text": text}) for text in (*words, None))

    def _drawn(self, item: PlacedView, sighted: Sighted) -> Iterator[Rounding]:
        """What is round in a view and drawn there."""
        size = self.form.size
        drawn = [piece.carrier for piece in item.lines.of(*self.kinds)]
        for rounding in sighted.roundings:
            centre, radius = (rounding.at[0] * size, rounding.at[1] * size), rounding.value * size
            if any(_is(carrier, centre, radius, _DRAWN * size) for carrier in drawn):
                yield rounding

    def _words(self, rounding: Rounding) -> tuple[str, ...]:
        """What has to be written of holes besides their diameter, where no view shows it plainly."""
        words = []
        for hole in holes_at(self.part, rounding):
            if hole.kind == "hole" and self._hidden_inside(hole):
                words.append(callout(self.part, hole, self.write))
            elif hole.kind == "countersink":
                words.append(mouth_words(hole, self.write))
        return tuple(words)

    def _outlined(self) -> Iterator[LinearDimension]:
        """Diameters written between the two outlines of something round that is seen from the side."""
        for item, index, middle, radius in self._from_the_side(self.views):
            for linear in self._between(item, index, (middle - radius, middle + radius)):
                yield linear.model_copy(update={"text": f"⌀{self.write(2 * radius)}"})

    def _by_half(self) -> Iterator[LinearDimension]:
        """Diameters of half sections, of which one outline is seen: from there to the axis."""
        halves = [item for item in self.views if item.view.cut is not None and item.view.cut.form == "half"]
        for item, index, middle, radius in self._from_the_side(halves):
            for value in (middle - radius, middle + radius):
                for linear in self._between(item, index, (value, value)):
                    axis = (middle, linear.start[1]) if index == 0 else (linear.start[0], middle)
                    text = f"⌀{self.write(2 * radius)}"
                    yield linear.model_copy(update={"end": axis, "by_half": True, "text": text})

    def _from_the_side(self, views: Sequence[PlacedView]) -> Iterator[tuple[PlacedView, int, float, float]]:
        """Round surfaces seen from the side: the view, across (0) or up (1) it, where the axis stands, the radius."""
        size = self.form.size
        for surface in self.form.surfaces:
            for item in views if surface.kind == "cylinder" else ():
                attitude = _attitude(item)
                for index, side in enumerate((attitude.right, attitude.up)):
                    axis, sign = axis_and_sign(side)
                    coordinate = AXES.index(axis)
                    if abs(surface.axis[coordinate]) > 0.5 or abs(surface.axis["xyz".index(attitude.side[1])]) > 0.5:
                        continue
                    yield item, index, sign * float(surface.point[coordinate]) * size, surface.r * size

    def _hidden_inside(self, hole: Feature) -> bool:
        """Whether no view shows the depth of a hole, or that of its counterbore, by visible lines."""
        direction = direction_of_axis(self.front, hole.axis)
        deep = [hole] if not hole.through else []
        deep += [mouth for mouth in mouths(self.part, hole) if mouth.kind == "counterbore"]
        return any(next(self._linear(direction, *feature_reach(self.part, own)), None) is None for own in deep)

    def _aligned(self) -> Iterator[LinearDimension]:
        """Sizes along and square to slanted lines of the views."""
        for item in self.views:
            slanted = [
                piece
                for piece in item.lines.of("visible")
                if isinstance(piece.carrier, Line) and min(map(abs, piece.carrier.direction)) > 1e-6
            ]
            for piece in slanted:
                start, end = piece.ends
                yield LinearDimension(
                    id="d", view=item.view.id, start=start, end=end, along="aligned", place=(0.0, 0.0)
                )


def _attitude(item: PlacedView) -> Attitude:
    attitude = item.attitude
    assert attitude is not None
    return attitude


def _is(carrier: object, centre: Point, radius: float, tolerance: float) -> bool:
    return (
        isinstance(carrier, Circle)
        and math.dist((carrier.x, carrier.y), centre) <= tolerance
        and abs(carrier.radius - radius) <= tolerance
    )


def _anchors(item: PlacedView, axis_index: int, value: float, kinds: Sequence[LineKind]) -> list[Point]:
    """Points of lines of some kinds, and centres of their circles, at a coordinate of a view."""
    points = []
    for piece in item.lines.of(*kinds):
        points += list(piece.ends)
        if isinstance(piece.carrier, Circle):
            c = piece.carrier
            points.append((c.x, c.y))
            # The outline across; a place along is taken from the centre.
            points += [c.point(k * math.pi / 2) for k in (axis_index, axis_index + 2) if _within(piece.interval, k)]
        if isinstance(piece.carrier, Line):
            (x0, y0), (x1, y1) = piece.ends
            points.append(((x0 + x1) / 2, (y0 + y1) / 2))
    return [p for p in points if abs(p[axis_index] - value) < 1e-6 * (1 + abs(value))]


def _within(interval: tuple[float, float], quarter: int) -> bool:
    return any(interval[0] - 1e-9 <= quarter * math.pi / 2 + turn <= interval[1] + 1e-9 for turn in (0.0, 2 * math.pi))
