"""Parts of an assembly that a sheet does not show, or shows where they do not belong."""

import math
from collections import defaultdict
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from typing import Final, Literal

import numpy as np

from maqueta.geometry.carrier import Circle, Point, Similarity
from maqueta.geometry.compare import Comparison, length_of, split
from maqueta.geometry.line_set import Piece
from maqueta.sheet.placed import PlacedView
from maqueta.solid.part import Component, Part

#: A part of whose own lines at least this share is nowhere is shown nowhere: what is left are lines that others happen
#: to have too (common practice, no source).
_NOWHERE: Final = 0.8
#: A part is shown elsewhere when this share of its own lines is missing, and as much of that is found elsewhere.
_MOVED: Final = 0.6


@dataclass(frozen=True, slots=True)
class PartOff:
    """A component that is not where it should be in a view, or in any; `shift` is how far on paper it is off, mm.

    `missing` and `extra` are its lines by view: where they should be, and where they are.
    """

    component: Component
    how: Literal["nowhere", "elsewhere"]
    missing: Mapping[str, tuple[Piece, ...]]
    extra: Mapping[str, tuple[Piece, ...]]
    shift: Point = (0.0, 0.0)


def own_lines(part: Part, component: Component, pieces: Iterable[Piece]) -> tuple[Piece, ...]:
    """The lines that are of one component alone."""
    faces = frozenset(component.own_faces)
    return tuple(piece for piece in pieces if (of := _faces_of(part, piece)) and of <= faces)


def _faces_of(part: Part, piece: Piece) -> frozenset[int]:
    return frozenset({*piece.faces, *(face for edge in piece.edges for face in part.edges[edge].faces)})


def parts_off(
    part: Part, views: Sequence[tuple[PlacedView, Comparison]], tolerance: float, hidden: bool
) -> tuple[PartOff, ...]:
    """The components that are nowhere in the compared views, or somewhere else. `tolerance` in mm on paper.

    Views that show nothing of a component by itself tell nothing of it.
    """
    if len(part.components) < 2:
        return ()
    kinds = ("visible", "hidden") if hidden else ("visible",)
    # Lines by the component that alone has them, view by view, looked through once.
    wanted = [_by_component(part, item.lines.of(*kinds)) for item, _ in views]
    missing = [_by_component(part, comparison.missing) for _, comparison in views]
    wrong = [_by_component(part, comparison.wrong) for _, comparison in views]
    found = []
    for place, component in enumerate(part.components):
        lost = {item.view.id: tuple(own[place]) for (item, _), own in zip(views, missing, strict=True)}
        extra, shifts = {}, []
        wanted_in_all = lacking_in_all = 0.0
        for (item, comparison), own, bare, ill in zip(views, wanted, missing, wrong, strict=True):
            whole, lacking = length_of(own[place]), length_of(bare[place]) + length_of(ill[place])
            wanted_in_all += whole
            lacking_in_all += lacking
            if not whole or lacking < _MOVED * whole:
                continue
            moved = _elsewhere(bare[place], comparison.extra, tolerance / item.factor)
            if moved is not None:
                extra[item.view.id] = moved[1]
                shifts.append((moved[0][0] * item.factor, moved[0][1] * item.factor))
        if shifts:
            found.append(PartOff(component, "elsewhere", lost, extra, max(shifts, key=lambda s: math.hypot(*s))))
        elif wanted_in_all and lacking_in_all >= _NOWHERE * wanted_in_all:
            found.append(PartOff(component, "nowhere", lost, {}))
    return tuple(found)


def _by_component(part: Part, pieces: Iterable[Piece]) -> defaultdict[int, list[Piece]]:
    """Lines by the place of the component that alone has them."""
    owners = np.repeat(np.arange(len(part.components)), [len(own.own_faces) for own in part.components])
    found: defaultdict[int, list[Piece]] = defaultdict(list)
    for piece in pieces:
        of = {int(owners[face]) for face in _faces_of(part, piece)}
        if len(of) == 1:
            found[of.pop()].append(piece)
    return found


def _elsewhere(
    missing: Sequence[Piece], extra: Sequence[Piece], tolerance: float
) -> tuple[Point, tuple[Piece, ...]] | None:
    """By how much missing lines are moved to be those that are too many, and which of those they are then."""
    whole = length_of(missing)
    if not whole:
        return None
    votes: defaultdict[tuple[int, int], float] = defaultdict(float)
    shifts: dict[tuple[int, int], Point] = {}
    for lost in missing:
        for drawn in extra:
            for shift in _ways_onto(lost, drawn, 2 * tolerance):
                key = (round(shift[0] / (4 * tolerance)), round(shift[1] / (4 * tolerance)))
                votes[key] += lost.length
                shifts.setdefault(key, shift)
    for key in sorted(votes, key=lambda k: (-votes[k], k))[:3]:
        shift = shifts[key]
        moved = [piece.moved(Similarity(1.0, 0.0, *shift)) for piece in missing]
        _, left = split(moved, extra, tolerance)
        if length_of(left) <= (1 - _MOVED) * whole:
            theirs, _ = split(extra, moved, tolerance)
            return shift, tuple(theirs)
    return None


def _ways_onto(lost: Piece, drawn: Piece, slack: float) -> list[Point]:
    """The shifts that bring one line onto another of its size."""
    if abs(lost.length - drawn.length) > slack:
        return []
    if isinstance(lost.carrier, Circle) and isinstance(drawn.carrier, Circle):
        alike = abs(lost.carrier.radius - drawn.carrier.radius) <= slack
        return [(drawn.carrier.x - lost.carrier.x, drawn.carrier.y - lost.carrier.y)] if alike else []
    if type(lost.carrier) is not type(drawn.carrier):
        return []
    (a, b), ends = lost.ends, drawn.ends
    ways = (((c[0] - a[0], c[1] - a[1]), (d[0] - b[0], d[1] - b[1])) for c, d in (ends, ends[::-1]))
    return [first for first, last in ways if math.dist(first, last) <= slack]
