"""What a centre line on an axis of symmetry says: both sides are mirror images (where an exercise lets it say so)."""

from collections.abc import Iterator, Sequence
from typing import Final

import numpy as np

from maqueta.geometry.directions import AXES, Axis, side_along, square, vector
from maqueta.projection.look import Look
from maqueta.sheet.document import CentreLine, Mark
from maqueta.sheet.placed import PlacedView
from maqueta.sizes.form.equations import Array, Change, Row, less, summed
from maqueta.sizes.form.model import FormModel
from maqueta.solid.formed import symmetry
from maqueta.solid.part import Part

#: Points and sizes are mirror images of each other within this part of the longest size.
_NEAR: Final = 1e-5


def marked_symmetries(part: Part, views: Sequence[PlacedView], marks: Sequence[Mark]) -> tuple[Axis, ...]:
    """The model axes along which the part is symmetrical and a centre line on the sheet says so."""
    by_id = {item.view.id: item.look for item in views}
    found = set()
    for axis in symmetry(part).planes:
        axis_index = AXES.index(axis)
        middle = (part.low[axis_index] + part.high[axis_index]) / 2
        for mark in marks:
            look = by_id.get(mark.view)
            if isinstance(mark, CentreLine) and look and _on(mark, look, axis, middle, 1e-4 * part.size):
                found.add(axis)
    return tuple(axis for axis in AXES if axis in found)


def _on(mark: CentreLine, look: Look, axis: Axis, middle: float, tolerance: float) -> bool:
    """Whether a centre line lies where the plane of symmetry is seen as a line."""
    normal = vector(side_along(axis))
    if not square(normal, look.towards):
        return False
    across, up = look.seen(normal)
    return all(abs(across * x + up * y - middle) <= tolerance for x, y in (mark.start, mark.end))


def mirror_rows(form: FormModel, axis: Axis) -> tuple[Row, ...]:
    """Rows that hold when both sides along an axis are mirror images: levels, corners, centres and radii."""
    way = np.eye(3)[AXES.index(axis)]
    levels = form.along(axis)
    if len(levels) < 2:
        return ()
    ends: Row = {levels[0]: 1.0, levels[-1]: 1.0}
    whole = form.unknowns[levels[0]].value + form.unknowns[levels[-1]].value
    corners = [(corner.point, corner.change) for corner in form.corners]
    rings = [(ring.middle, ring.moving) for ring in form.rings]
    centres = [(surface.point, surface.centre) for surface in form.surfaces if surface.kind in ("cylinder", "sphere")]
    rows = [*_levels(form, levels, ends, whole), *_radii(form, way, whole)]
    for things in (corners, rings, centres):
        rows += _places(things, way, ends, whole)
    return tuple(row for row in rows if row)


def _levels(form: FormModel, levels: Sequence[int], ends: Row, whole: float) -> Iterator[Row]:
    for first in levels:
        for second in levels:
            if first <= second and abs(form.unknowns[first].value + form.unknowns[second].value - whole) <= _NEAR:
                yield less(summed({first: 1.0}, {second: 1.0}), ends)


def _places(things: Sequence[tuple[Array, Change]], way: Array, ends: Row, whole: float) -> Iterator[Row]:
    for index, (point, change) in enumerate(things):
        image = point + (whole - 2 * float(point @ way)) * way
        for other, moving in things[index:]:
            if np.abs(other - image).max() > _NEAR:
                continue
            yield less(summed(change.along(way), moving.along(way)), ends)
            for across in np.eye(3):
                if abs(across @ way) < 0.5:
                    yield less(change.along(across), moving.along(across))


def _radii(form: FormModel, way: Array, whole: float) -> Iterator[Row]:
    round_ones = [surface for surface in form.surfaces if surface.kind in ("cylinder", "sphere")]
    for index, surface in enumerate(round_ones):
        image = surface.point + (whole - 2 * float(surface.point @ way)) * way
        for other in round_ones[index + 1 :]:
            between = other.point - image
            if other.kind == "cylinder":
                between = between - (between @ other.axis) * other.axis
            alike = other.kind == surface.kind and abs(other.r - surface.r) <= _NEAR
            if alike and np.abs(between).max() <= _NEAR and other.radius != surface.radius:
                yield {surface.radius: 1.0, other.radius: -1.0}
