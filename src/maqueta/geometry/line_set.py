"""Line sets: what a view of a part looks like, as intervals on carriers with the model behind each."""

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace
from itertools import repeat
from typing import Literal

from shapely.geometry import LineString
from shapely.geometry.base import BaseGeometry

from maqueta.geometry.box import Box, box_of
from maqueta.geometry.carrier import TURN, Carrier, Circle, Ellipse, Free, Interval, Line, Point, Similarity
from maqueta.geometry.interval import Stretch, merged, rejoined, subtracted, unrolled

LineKind = Literal["visible", "hidden", "smooth"]

#: Two carriers are one, and two stretches touch, within this part of the size of the part.
RELATIVE_TOLERANCE = 1e-6


@dataclass(frozen=True, slots=True)
class Piece:
    """One stretch of one kind of line, with the indices of the model edges and faces it shows."""

    kind: LineKind
    carrier: Carrier
    interval: Interval
    edges: tuple[int, ...]
    faces: tuple[int, ...]

    @property
    def length(self) -> float:
        """Length in the units of the plane it lies in."""
        return self.carrier.length(self.interval)

    @property
    def ends(self) -> tuple[Point, Point]:
        """Its two end points."""
        return self.carrier.point(self.interval[0]), self.carrier.point(self.interval[1])

    def moved(self, move: Similarity) -> "Piece":
        """The piece after a move of the plane."""
        carrier, interval = self.carrier.moved(move, self.interval)
        return Piece(self.kind, carrier, interval, self.edges, self.faces)

    def outline(self) -> list[Point]:
        """Points that draw it."""
        return self.carrier.outline(self.interval)


@dataclass(frozen=True, slots=True)
class CutRegion:
    """A cut face as it is seen: rings of points, the outer one first, its exact area, and the body it is of."""

    rings: tuple[tuple[Point, ...], ...]
    area: float
    body: int = 0

    def moved(self, move: Similarity) -> "CutRegion":
        """The region after a move of the plane."""
        rings = tuple(tuple(move(point) for point in ring) for ring in self.rings)
        return CutRegion(rings, self.area * move.scale**2, self.body)


@dataclass(frozen=True, slots=True)
class LineSet:
    """All lines of a view, sorted, and what is cut in it: in the plane of the view (right, up), in the part's unit."""

    pieces: tuple[Piece, ...]
    regions: tuple[CutRegion, ...] = ()

    def of(self, *kinds: LineKind) -> tuple[Piece, ...]:
        """The pieces of some kinds."""
        return tuple(piece for piece in self.pieces if piece.kind in kinds)

    def moved(self, move: Similarity) -> "LineSet":
        """The line set after a move of the plane."""
        pieces = tuple(sorted((piece.moved(move) for piece in self.pieces), key=piece_order))
        return LineSet(pieces, tuple(region.moved(move) for region in self.regions))

    @property
    def box(self) -> Box:
        """Bounding box (left, bottom, right, top) of visible and hidden lines; of none a point at the origin."""
        points = [point for piece in self.of("visible", "hidden") for point in extremes(piece)]
        return box_of(points or [(0.0, 0.0)])


def extremes(piece: Piece) -> list[Point]:
    """Points that hold the bounding box of a piece: its ends and the turning points of a curve."""
    points = list(piece.ends)
    match piece.carrier:
        case Line():
            pass
        case Circle():
            first = math.ceil(piece.interval[0] / (math.pi / 2))
            last = math.floor(piece.interval[1] / (math.pi / 2))
            points += [piece.carrier.point(k * math.pi / 2) for k in range(first, last + 1)]
        case Ellipse() | Free():
            points += piece.outline()
    return points


def _carrier_key(carrier: Carrier) -> tuple[float, ...]:
    match carrier:
        case Line(angle, offset):
            return (0, angle, offset)
        case Circle(x, y, radius):
            return (1, x, y, radius)
        case Ellipse(x, y, major, minor, angle):
            return (2, x, y, major, minor, angle)
        case Free(points):
            return (3, *points[0], *points[-1], len(points))


def piece_order(piece: Piece) -> tuple[object, ...]:
    """Sort key that makes equal drawings equal lists."""
    key = _carrier_key(piece.carrier)
    return (*map(round, key, repeat(6)), piece.kind, round(piece.interval[0], 6))


def line_set(pieces: Sequence[Piece], size: float) -> LineSet:
    """Canonical line set of raw kernel pieces.

    Where lines coincide a visible one is drawn before a hidden one, and both before a smooth transition
    (precedence: ISO 128-2, ASME Y14.2, from memory). `size` is the longest size of the part.
    """
    tolerance = RELATIVE_TOLERANCE * size
    result: list[Piece] = []
    for carrier, group in _grouped(pieces, tolerance):
        result += _resolved(carrier, group, tolerance)
    if free := [piece for piece in pieces if isinstance(piece.carrier, Free)]:
        result += _resolved_free(free, 200 * tolerance)
    return LineSet(tuple(sorted(result, key=piece_order)))


def _grouped(pieces: Sequence[Piece], tolerance: float) -> list[tuple[Carrier, list[Piece]]]:
    keyed = sorted(
        ((_carrier_key(p.carrier), p) for p in pieces if not isinstance(p.carrier, Free)), key=lambda kp: kp[0]
    )
    groups: list[tuple[Carrier, list[Piece]]] = []
    recent: list[tuple[tuple[float, ...], int]] = []
    for key, piece in keyed:
        home = next((g for k, g in reversed(recent) if _same_key(k, key, tolerance)), None)
        if home is None:
            recent = [entry for entry in recent if entry[0][0] == key[0] and key[1] - entry[0][1] <= tolerance + 1e-7]
            recent.append((key, len(groups)))
            groups.append((piece.carrier, [piece]))
        else:
            groups[home][1].append(piece)
    return groups


def _same_key(a: tuple[float, ...], b: tuple[float, ...], tolerance: float) -> bool:
    if a[0] != b[0]:
        return False
    if a[0] == 0:
        return abs(a[1] - b[1]) < 1e-7 and abs(a[2] - b[2]) <= tolerance
    return all(abs(x - y) <= tolerance for x, y in zip(a[1:], b[1:], strict=True))


def _resolved(carrier: Carrier, group: Sequence[Piece], tolerance: float) -> list[Piece]:
    if len(group) == 1:
        return [group[0]]
    round_ = not isinstance(carrier, Line)
    gap = tolerance
    if isinstance(carrier, Circle):
        gap = tolerance / carrier.radius
    elif isinstance(carrier, Ellipse):
        gap = 10 * tolerance / carrier.major
    by_kind: dict[LineKind, list[Stretch]] = {"visible": [], "hidden": [], "smooth": []}
    for piece in group:
        by_kind[piece.kind].append(Stretch(*piece.interval, frozenset(piece.edges), frozenset(piece.faces)))
    real = [piece for piece in group if piece.kind != "smooth"]
    drawn: list[Stretch] = []
    result: list[Piece] = []
    for kind, stretches in by_kind.items():
        if not stretches:
            continue
        if round_:
            stretches = unrolled(stretches)
        own = subtracted(merged(stretches, gap), drawn, 2 * gap)
        drawn = merged([*drawn, *own], gap)
        for s in rejoined(own, gap) if round_ else own:
            edges, faces = _behind(s, group if kind == "smooth" else real, gap)
            result.append(Piece(kind, carrier, s.interval, edges, faces))
    return result


def _behind(stretch: Stretch, group: Sequence[Piece], gap: float) -> tuple[tuple[int, ...], tuple[int, ...]]:
    """All model edges and faces that a drawn stretch stands for, those it covers included."""
    edges, faces = set(stretch.edges), set(stretch.faces)
    for piece in group:
        start, end = piece.interval
        for turn in (0.0,) if isinstance(piece.carrier, Line) else (-TURN, 0.0, TURN):
            if min(end + turn, stretch.end) - max(start + turn, stretch.start) > 2 * gap:
                edges.update(piece.edges)
                faces.update(piece.faces)
    return tuple(sorted(edges)), tuple(sorted(faces))


def _resolved_free(pieces: Sequence[Piece], tolerance: float) -> list[Piece]:
    """Free curves by precedence: what another covers is not drawn, the other one stands for it as well."""
    kept: list[Piece] = []
    reaches: list[BaseGeometry] = []
    least = 8 * tolerance
    for kind in ("visible", "hidden", "smooth"):
        for piece in (p for p in pieces if p.kind == kind):
            rest: BaseGeometry = LineString(piece.outline())
            for index, reach in enumerate(reaches):
                bare = rest.difference(reach)
                if kind != "smooth" and rest.length - bare.length > least:
                    edges = tuple(sorted({*kept[index].edges, *piece.edges}))
                    faces = tuple(sorted({*kept[index].faces, *piece.faces}))
                    kept[index] = replace(kept[index], edges=edges, faces=faces)
                rest = bare
            for run in getattr(rest, "geoms", [rest]):
                if run.length > least:
                    points = tuple((float(x), float(y)) for x, y in run.coords)
                    kept.append(Piece(piece.kind, Free(points), (0.0, run.length), piece.edges, piece.faces))
                    reaches.append(run.buffer(tolerance))
    return kept
