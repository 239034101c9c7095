"""Where the parts of an assembly lie on a sheet that shows them pulled apart, all seen from one direction."""

import math
from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache
from typing import Final

import numpy as np

from maqueta.geometry.box import box_of, size_of
from maqueta.geometry.carrier import Point
from maqueta.geometry.compare import DrawnPiece
from maqueta.geometry.frame import Frame
from maqueta.geometry.line_set import LineSet, extremes
from maqueta.geometry.pairing import best_pairs
from maqueta.projection.attitude import ATTITUDES, AXIS_TURNS, CORNERS
from maqueta.projection.look import Look
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.candidates import (
    ByHash,
    Identity,
    as_principal,
    candidate_of,
    remembered,
)
from maqueta.reading.identify import FULL_AXES, find_among
from maqueta.reading.parts.clusters import clusters_of
from maqueta.sheet.view import FromCorner
from maqueta.solid.assembly import MOST_COMPONENTS
from maqueta.solid.part import Component
from maqueta.solid.unit import MILLIMETRES

#: A part is there with this much of its visible lines: another may lie over some of them.
_THERE: Final = 0.6
#: What is drawn is as large as a part within so much, mm.
_SIZE: Final = 1.0
#: So many directions and scales are tried, those that fit most parts first.
_TRIED: Final = 16
#: No other direction is tried once so many of all lines are those of parts.
_WHOLE: Final = 0.97
#: Equal parts that are turned alike are as wide and as high as each other, within this share of the assembly's size.
_ALIKE: Final = 1e-3
#: How much a part that is pulled far speaks against a place, beside how far that is off its way.
_FAR: Final = 0.01


@dataclass(frozen=True)
class PartPlace:
    """A component on paper: where the assembly's origin would land were all drawn with it, and the places of its
    lines."""

    component: Component
    at: Point
    members: frozenset[int]


@dataclass(frozen=True)
class PartsFound:
    """The components that were found, the direction they are seen from, and their scale."""

    frame: Frame
    scale: float
    places: tuple[PartPlace, ...]

    @property
    def lines(self) -> int:
        """How many lines are those of components."""
        return sum(len(place.members) for place in self.places)


def find_parts(
    whole: ProjectedPart, group: Sequence[DrawnPiece], scales: Sequence[float], tolerance: float
) -> PartsFound | None:
    """Find the components of an assembly among drawn lines, as each of them looks alone; None where none is there.

    The part must know its components alone. `scales` are likely ones, `tolerance` is in mm.
    """
    if not group or not whole.alone:
        return None
    clusters = [frozenset(places) for places in clusters_of([item.piece for item in group])]
    boxes = [box_of(p for k in own for p in extremes(group[k].piece)) for own in clusters]
    tried = _likely(whole, [size_of(box) for box in boxes], scales)
    drawn = _Drawn(group, clusters, [size_of(box) for box in boxes])
    best: _Seen | None = None
    for frame, scale in tried:
        seen = _Seen(whole, drawn, frame, scale, tolerance)
        seen.by_size()
        if best is None or len(seen.taken) > len(best.taken):
            best = seen
        if len(best.taken) >= _WHOLE * len(group):
            break
    if best is None:
        return None
    best.anywhere()
    return best.found


@dataclass(frozen=True)
class _Drawn:
    """Drawn lines, the places of those that hang together, and how wide and high each of these is."""

    group: Sequence[DrawnPiece]
    clusters: Sequence[frozenset[int]]
    sizes: Sequence[tuple[float, float]]


def _likely(
    whole: ProjectedPart, sizes: Sequence[tuple[float, float]], scales: Sequence[float]
) -> list[tuple[Frame, float]]:
    """The directions and scales in which most of the components are as wide and as high as something that is drawn."""
    unit = MILLIMETRES[whole.part.unit]
    shown = [_shown(remembered(alone)) for alone in whole.alone.values()]
    drawn = np.array(sizes).reshape(-1, 2)
    merits: list[tuple[float, int, float]] = []
    for look in range(len(_LOOKS)):
        own = np.array([sides[look] for sides, _ in shown])
        weights = np.array([ink for _, ink in shown])
        for scale in dict.fromkeys(
            s * root for s in scales for root in ((1.0, FULL_AXES) if look < _CORNERS else (1.0,))
        ):
            off = np.abs(scale * unit * own[:, None, :] - drawn[None, :, :]).max(axis=2)
            fits = off <= _SIZE
            # Nothing that is drawn stands for two parts.
            pairs = best_pairs(np.where(fits, weights[:, None], 0.0))
            merit = sum(float(weights[row]) for row, column in pairs if fits[row, column])
            if merit > 0:
                merits.append((-merit, look, scale))
    best = sorted(merits)[:_TRIED]
    return [(_frame(whole, look), scale) for _, look, scale in best]


#: All looks that are tried: from the eight corners in six turns, upright first, and squarely from the sides.
_CORNERS: Final = len(CORNERS) * len(AXIS_TURNS)
_LOOKS: Final[tuple[Identity, ...]] = (
    *(Identity(FromCorner(corner=corner, turn=turn)) for turn in AXIS_TURNS for corner in CORNERS),
    *(as_principal(attitude) for attitude in ATTITUDES),
)


def _frame(part: ProjectedPart, look: int) -> Frame:
    own = _LOOKS[look].look
    if isinstance(own, FromCorner):
        return part.corner(own.corner, own.turn).frame
    attitude = _LOOKS[look].attitude
    assert attitude is not None, "what is not seen from a corner is seen squarely"
    return attitude.look.frame


@lru_cache(maxsize=MOST_COMPONENTS)
def _shown(alone: ByHash) -> tuple[tuple[tuple[float, float], ...], float]:
    """How wide and high a component is in each look, and how much there is of it to see."""
    part = alone.projected
    lines = [part.line_set(Look(_frame(part, look))) for look in range(len(_LOOKS))]
    sizes = tuple(size_of(LineSet(own.of("visible")).box) for own in lines)
    return sizes, sum(piece.length for piece in lines[0].of("visible"))


class _Seen:
    """All components as they look from one direction, sought the largest first: its lines are no other's."""

    def __init__(self, whole: ProjectedPart, drawn: _Drawn, frame: Frame, scale: float, tolerance: float) -> None:
        self._whole, self._drawn, self._frame, self._scale, self._tolerance = whole, drawn, frame, scale, tolerance
        self._unit, self._look = MILLIMETRES[whole.part.unit], Look(frame)
        self._lines = {name: alone.line_set(self._look) for name, alone in whole.alone.items()}
        self._visible = {name: LineSet(lines.of("visible", "smooth")) for name, lines in self._lines.items()}
        ink = {name: sum(piece.length for piece in lines.of("visible")) for name, lines in self._lines.items()}
        self._order = sorted(ink, key=lambda name: (-ink[name], name))
        self._places: dict[str, tuple[Point, frozenset[int]]] = {}
        self.taken: set[int] = set()

    def by_size(self) -> None:
        """Seek each where something of its size is drawn."""
        factor = self._scale * self._unit
        for name in self._order:
            wide, high = size_of(LineSet(self._lines[name].of("visible")).box)
            off = [(abs(w - factor * wide) + abs(h - factor * high), k) for k, (w, h) in enumerate(self._drawn.sizes)]
            any(self._sought(name, self._drawn.clusters[k]) for far, k in sorted(off) if far <= 2 * _SIZE)

    def anywhere(self) -> None:
        """Seek what has not been found among all that is left: parts that touch each other, or lie over each other."""
        for name in self._order:
            if name not in self._places:
                self._sought(name, range(len(self._drawn.group)))

    def _sought(self, name: str, places: Collection[int]) -> bool:
        rest = sorted(k for k in places if k not in self.taken)
        if not rest or not self._visible[name].pieces:
            return False
        candidate = candidate_of(Identity(None), self._visible[name])
        group = [self._drawn.group[k] for k in rest]
        own = find_among([candidate], group, [self._scale], self._unit, self._tolerance, _THERE)
        if own is None or not own.members:
            return False
        self._places[name] = (own.fit.at, frozenset(rest[k] for k in own.members))
        self.taken.update(self._places[name][1])
        return True

    @property
    def found(self) -> PartsFound:
        """What has been found."""
        factor = self._scale * self._unit
        places = _dealt_out(self._whole, self._lines, self._places, self._look, factor)
        return PartsFound(self._frame, self._scale, tuple(places))


def _dealt_out(
    whole: ProjectedPart,
    lines: Mapping[str, LineSet],
    found: Mapping[str, tuple[Point, frozenset[int]]],
    look: Look,
    factor: float,
) -> list[PartPlace]:
    """Which of several equal components each place is: the one that is least off its way there."""
    components = {own.id: own for own in whole.part.components}
    stays = next((name for name in found if components[name].apart is None), None)
    origin = found[stays][0] if stays is not None else (0.0, 0.0)
    places: list[PartPlace] = []
    for names in _alike(components, lines, whole.part.size):
        there = [name for name in names if name in found]
        # Where the lines themselves lie on paper, whichever of the equal ones they are.
        corners = {name: lines[name].box[:2] for name in names}
        spots = [
            (at[0] + factor * corners[name][0], at[1] + factor * corners[name][1], members)
            for name in there
            for at, members in (found[name],)
        ]
        if not spots:
            continue
        ats = [[(x - factor * corners[n][0], y - factor * corners[n][1]) for n in names] for x, y, _ in spots]
        cost = np.array(
            [
                [
                    _off(components[name], look, _less(at, origin), stays is not None)
                    for name, at in zip(names, own, strict=True)
                ]
                for own in ats
            ]
        )
        for spot, number in best_pairs(-cost):
            places.append(PartPlace(components[names[number]], ats[spot][number], spots[spot][2]))
    order = {own.id: place for place, own in enumerate(whole.part.components)}
    return sorted(places, key=lambda place: order[place.component.id])


def _less(point: Point, other: Point) -> Point:
    return (point[0] - other[0], point[1] - other[1])


def _alike(components: Mapping[str, Component], lines: Mapping[str, LineSet], size: float) -> list[list[str]]:
    """The components by what cannot be told apart on paper: equal parts that are turned alike."""
    groups: list[list[str]] = []
    for name in lines:
        own, seen = components[name], size_of(lines[name].box)
        for group in groups:
            other = components[group[0]]
            off = max(abs(a - b) for a, b in zip(seen, size_of(lines[group[0]].box), strict=True))
            if (own.part, own.material) == (other.part, other.material) and off <= _ALIKE * size:
                group.append(name)
                break
        else:
            groups.append([name])
    return groups


def _off(component: Component, look: Look, shift: Point, known: bool) -> float:
    """How far a component that is pulled so is off its way, on paper; far ones are a little less likely."""
    if not known:
        return 0.0
    far = math.hypot(*shift)
    if component.apart is None:
        return far
    x, y = look.seen(component.apart)
    length = math.hypot(x, y)
    across = abs(shift[0] * y - shift[1] * x) / length if length > 0 else far
    back = shift[0] * x + shift[1] * y < 0
    return across + _FAR * far + (_FAR * far if back else 0.0)
