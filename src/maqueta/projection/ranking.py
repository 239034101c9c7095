"""Ranking of front views: all 24 attitudes by length, shape, hidden lines and natural position.

What a good front view is: common practice, no source (longest size across, most shape, fewest hidden lines in
the whole set of views, natural position). The weights are the defaults of the rules.
"""

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import cache, cached_property
from typing import Final, Literal

from maqueta.geometry.carrier import TURN, Circle, Line
from maqueta.geometry.directions import AXES, SIDES, Axis, Side, Vector, along_axis, parallel, vector
from maqueta.geometry.likeness import Likeness, alike, likeness_of
from maqueta.geometry.line_set import Piece
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.projection.arrangement import VIEW_NAMES, ViewName, neighbour
from maqueta.projection.attitude import ATTITUDES, USUAL_FRONT, Attitude
from maqueta.projection.needed_special import spared_lines
from maqueta.projection.projected_part import ProjectedPart
from maqueta.solid.features import FULL_TURN
from maqueta.solid.part import Face, Part
from maqueta.solid.standing import standings

DEFAULT_VIEWS: Final[tuple[ViewName, ...]] = ("front", "top", "right")
#: A contour stretch counts in full from this part of the diagonal on, so that tiny features decide nothing.
_FULL_STRETCH: Final = 0.05


@dataclass(frozen=True, slots=True)
class Weights:
    """What each measure is worth; points add up to 100."""

    length: float = 30.0
    shape: float = 30.0
    hidden: float = 25.0
    natural: float = 15.0


USUAL_WEIGHTS: Final = Weights()
Measure = Literal["length", "shape", "hidden", "natural"]


@dataclass(frozen=True, slots=True)
class Measures:
    """The four measures of an attitude, each from 0 to 1."""

    length: float
    shape: float
    hidden: float
    natural: float

    def points(self, weights: Weights) -> dict[Measure, float]:
        """What each measure is worth."""
        return {
            "length": weights.length * self.length,
            "shape": weights.shape * self.shape,
            "hidden": weights.hidden * self.hidden,
            "natural": weights.natural * self.natural,
        }


@dataclass(frozen=True, slots=True)
class Ranked:
    """One attitude in the ranking; `equal_to` are the attitudes that look the same by symmetry.

    `hidden_lines` are those its set of views brings, without the `spared` ones that a section shows cut open.
    """

    attitude: Attitude
    score: float
    measures: Measures
    hidden_lines: int
    fewest_hidden_lines: int
    across: float
    longest: float
    equal_to: tuple[Attitude, ...]
    spared: int = 0


@dataclass(frozen=True, slots=True)
class _Hidden:
    """Hidden lines: how many, and what they weigh, the short ones less."""

    count: int = 0
    weight: float = 0.0

    def __add__(self, other: "_Hidden") -> "_Hidden":
        return _Hidden(self.count + other.count, self.weight + other.weight)

    def __sub__(self, other: "_Hidden") -> "_Hidden":
        return _Hidden(self.count - other.count, self.weight - other.weight)


@dataclass(frozen=True)
class _Survey:
    """Sizes, shape and hidden lines per side, counted once and shared by all turns."""

    projected: ProjectedPart

    @cached_property
    def shape(self) -> Mapping[Side, float]:
        return {side: true_shape(self.projected, side) for side in SIDES}

    @cached_property
    def hidden(self) -> Mapping[Side, _Hidden]:
        return {side: self._counted(self.projected.sides[side].of("hidden")) for side in SIDES}

    def brought(self, sides: Sequence[Side]) -> _Hidden:
        """The hidden lines a set of views brings."""
        return sum((self.hidden[side] for side in sides), _Hidden())

    @cached_property
    def _spared(self) -> dict[frozenset[Side], _Hidden]:
        return {}

    def spared(self, sides: Sequence[Side]) -> _Hidden:
        """Those of them that sections would show cut open."""
        known = frozenset(sides)
        if known not in self._spared:
            pieces = spared_lines(self.projected, sides).values()
            self._spared[known] = sum(map(self._counted, pieces), _Hidden())
        return self._spared[known]

    def _counted(self, pieces: Sequence[Piece]) -> _Hidden:
        full = full_stretch(self.projected.part)
        return _Hidden(len(pieces), sum(min(1.0, piece.length / full) for piece in pieces))


def full_stretch(part: Part) -> float:
    """From this length on a line counts in full: 5 % of the part's diagonal, so that tiny features decide nothing."""
    return _FULL_STRETCH * math.hypot(*part.extents)


def extent(part: Part, side: Side) -> float:
    """Overall size of a part along a direction."""
    return part.extents["xyz".index(side[1])]


def _faces(face: Face, towards: Vector) -> bool:
    """Whether a plane looks straight into a direction."""
    ahead = sum(a * b for a, b in zip(face.direction, towards, strict=True))
    return face.kind == "plane" and ahead > 0 and parallel(face.direction, towards)


def true_shape(projected: ProjectedPart, side: Side) -> float:
    """How much shape a side shows truly: corners beyond a rectangle's four, slanted and curved contours, circles.

    Each contour stretch is weighted by its visible length, up to 5 % of the part's diagonal. Concentric circles are one
    feature; half a turn of a rounded end tells as much as two corners.
    """
    part = projected.part
    towards = vector(side)
    full = full_stretch(part)
    facing = {index for index, face in enumerate(part.faces) if _faces(face, towards)}
    straight: dict[int, float] = {}
    total = 0.0
    centres: dict[tuple[float, float], float] = {}
    for piece in projected.sides[side].of("visible"):
        shown = facing.intersection(piece.faces)
        if not shown:
            continue
        weight = min(1.0, piece.length / full)
        carrier = piece.carrier
        if isinstance(carrier, Line):
            for face in shown:
                straight[face] = straight.get(face, 0.0) + weight
            if min(map(abs, carrier.direction)) > 1e-9:
                total += weight
        elif isinstance(carrier, Circle) and piece.interval[1] - piece.interval[0] >= TURN - 1e-9:
            spot = (round(carrier.x / full, 3), round(carrier.y / full, 3))
            centres[spot] = max(centres.get(spot, 0.0), weight)
        elif isinstance(carrier, Circle):
            quarters = (piece.interval[1] - piece.interval[0]) / (TURN / 4)
            total += weight * min(2.0, max(1.0, quarters))
        else:
            total += weight
    total += sum(centres.values()) + _turned_profile(projected, side)
    return total + sum(max(0.0, count - 4.0) for count in straight.values())


def _turned_profile(projected: ProjectedPart, side: Side) -> float:
    """How much shape the profile of a turned part shows, seen square to its axis: as a contour in a plane through it.

    Even a plain cylinder shows as much as one round feature; a flat wheel less, as its circles tell more.
    """
    part, towards = projected.part, vector(side)
    full = full_stretch(part)
    found = 0.0
    for axis, faces in turned_bodies(part).items():
        if axis == side[1]:
            continue
        count = shaped = 0.0
        for piece in projected.sides[side].of("visible"):
            if not faces.intersection(piece.faces) or any(_faces(part.faces[f], towards) for f in piece.faces):
                continue
            weight = min(1.0, piece.length / full)
            if isinstance(piece.carrier, Line):
                count += weight
                shaped += weight if min(map(abs, piece.carrier.direction)) > 1e-9 else 0.0
            else:
                shaped += weight
        length = part.extents[AXES.index(axis)]
        across = max(extent for name, extent in zip(AXES, part.extents, strict=True) if name != axis)
        found = max(found, max(1.0, count - 4.0 + shaped) if length >= across else length / across)
    return found


def turned_bodies(part: Part) -> Mapping[Axis, frozenset[int]]:
    """Axes about which the body of a part is turned, with its outer faces of revolution.

    The widest of these is as wide as the part, so that a boss on a plate makes no turned part of it.
    """
    found: dict[Axis, frozenset[int]] = {}
    near = 1e-6 * part.size
    middle = [(low + high) / 2 for low, high in zip(part.low, part.high, strict=True)]
    for axis in AXES:
        aside = [k for k in range(3) if AXES[k] != axis]
        wide = [part.extents[k] for k in aside]
        faces = {
            index: 2 * max([face.radius, *(part.edges[e].radius for e in face.edges)])
            for index, face in enumerate(part.faces)
            if face.kind in ("cylinder", "cone", "torus")
            and not face.hollow
            and face.span >= FULL_TURN
            and along_axis(face.direction) == axis
            and all(abs(face.point[k] - middle[k]) <= near for k in aside)
        }
        if faces and max(abs(extent - max(faces.values())) for extent in wide) <= near:
            found[axis] = frozenset(faces)
    return found


def rank(
    projected: ProjectedPart,
    views: Sequence[ViewName] = DEFAULT_VIEWS,
    natural_up: Side | None = None,
    weights: Weights = USUAL_WEIGHTS,
    cut_open: bool = False,
) -> tuple[Ranked, ...]:
    """All 24 attitudes, best first; ties keep the usual front first, then a fixed order.

    `views` is the set whose hidden lines count; `natural_up` overrides the part's own. Where neither is known, the part
    is taken to stand as it was modelled, if it can; that weighs half, since nobody has said so. With `cut_open` the
    hidden lines do not count that the sections a set of views needs would show cut open.
    """
    part = projected.part
    survey = _Survey(projected)
    stated = natural_up or part.natural_up
    up, other = (stated, 0.0) if stated is not None else (_standing(part), 0.5)
    most_shape = max(survey.shape.values())
    sets = {attitude: [neighbour(attitude, name).side for name in views] for attitude in ATTITUDES}
    spared = {attitude: survey.spared(sets[attitude]) if cut_open else _Hidden() for attitude in ATTITUDES}
    hidden = {attitude: survey.brought(sets[attitude]) - spared[attitude] for attitude in ATTITUDES}
    least = min(own.weight for own in hidden.values())
    fewest = min(own.count for own in hidden.values())
    twins = _twins(projected)
    ranked = []
    for attitude in ATTITUDES:
        across = extent(part, attitude.right)
        measures = Measures(
            length=across / part.size,
            shape=survey.shape[attitude.side] / most_shape if most_shape else 1.0,
            hidden=(1 + least) / (1 + hidden[attitude].weight),
            # Looking the same from a twin, the part stands as it does there.
            natural=1.0 if up is None or up in {a.up for a in (attitude, *twins[attitude])} else other,
        )
        score = sum(measures.points(weights).values())
        ranked.append(
            Ranked(
                attitude=attitude,
                score=round(score, 6),
                measures=measures,
                hidden_lines=hidden[attitude].count,
                fewest_hidden_lines=fewest,
                across=across,
                longest=part.size,
                equal_to=twins[attitude],
                spared=spared[attitude].count,
            )
        )
    order = {attitude: index for index, attitude in enumerate(ATTITUDES)}
    return tuple(sorted(ranked, key=lambda r: (-r.score, r.attitude != USUAL_FRONT, order[r.attitude])))


def _standing(part: Part) -> str | None:
    """How a part stands of which nobody has said how: upright as modelled where it does not topple, else firmest."""
    firm = [standing.up for standing in standings(part)]
    return "+z" if "+z" in firm else next(iter(firm), None)


@cache
def _around() -> tuple[tuple[int, ...], ...]:
    """For each attitude, by number, the numbers of the views around it, itself among them."""
    number = {attitude: index for index, attitude in enumerate(ATTITUDES)}
    return tuple(tuple(number[neighbour(attitude, name)] for name in VIEW_NAMES) for attitude in ATTITUDES)


def _twins(projected: ProjectedPart) -> dict[Attitude, tuple[Attitude, ...]]:
    """For each attitude the others from which the part looks the same, with the same views around it."""
    tolerance = 1e-5 * projected.part.size
    likenesses: list[Likeness] = []
    # Attitudes come in the order of sides, four quarter turns of each.
    for side in SIDES:
        shown = likeness_of(projected.sides[side])
        for _ in range(4):
            likenesses.append(shown)
            shown = shown.turned(1)
    groups: list[Likeness] = []
    alike_to: list[int] = []
    for shown in likenesses:
        group = next((k for k, first in enumerate(groups) if alike(shown, first, tolerance)), len(groups))
        if group == len(groups):
            groups.append(shown)
        alike_to.append(group)
    met: dict[tuple[int, ...], list[Attitude]] = {}
    around = [tuple(alike_to[k] for k in own) for own in _around()]
    for attitude, signature in zip(ATTITUDES, around, strict=True):
        met.setdefault(signature, []).append(attitude)
    return {
        attitude: tuple(other for other in met[signature] if other is not attitude)
        for attitude, signature in zip(ATTITUDES, around, strict=True)
    }


def best_of_side(ranking: Sequence[Ranked], side: Side) -> Ranked:
    """The best turn of a side."""
    return next(entry for entry in ranking if entry.attitude.side == side)


def reasons(entry: Ranked, part: Part) -> list[Phrase]:
    """The four measures with their numbers, to be said, and what a section spares."""
    stands = {1.0: "in-use", 0.0: "not-in-use"}.get(entry.measures.natural, "otherwise")
    return [
        phrase("ranking-length", across=entry.across, longest=entry.longest, unit=part.unit),
        phrase("ranking-shape", shape=100 * entry.measures.shape),
        phrase("ranking-hidden", count=entry.hidden_lines, fewest=entry.fewest_hidden_lines),
        *([phrase("ranking-spared", count=entry.spared)] if entry.spared else []),
        phrase("ranking-natural", stands=stands),
    ]
