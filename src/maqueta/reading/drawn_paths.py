"""Paths of lines and Bézier curves, as page descriptions have them, as strokes, arrowheads and areas in mm.

Circles are told from the curves they were written as: four cubic Béziers to a circle are off it by 2.7e-4 of its radius
(Riškus 2006, from memory), chords by their sagitta. Sizes of arrowheads, bars and chords: common practice, no source.
"""

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from itertools import pairwise
from typing import Final

import shapely
from shapely.geometry import LineString, Polygon

from maqueta.geometry.carrier import Carrier, Circle, Interval, Line, Point, line_through, recognised
from maqueta.geometry.line_set import Piece
from maqueta.reading.chords import ellipse_through
from maqueta.reading.content import Shape, Stroke, Style
from maqueta.reading.special.hatching import rings_of
from maqueta.sheet.special import Hatching

#: A curve is told to be a line or a circle within this, mm, and this share of its size.
_FINE, _OF_SIZE = 0.02, 3e-4
#: Points along one Bézier curve.
_STEPS: Final = 8
#: Chords that turn by less than this (radians), so many in a row, may be a circle drawn in chords.
_MOST_TURN, _FEWEST_CHORDS = 0.35, 6
#: An arrowhead is a filled shape of at most so many corners, this long at most, mm.
_HEAD_CORNERS, _HEAD_LONG = 6, 9.0
#: A bar filled instead of a line: at most this wide, mm, and so many times longer; less where others are as wide.
_BAR_WIDE, _BAR_LONG, _BAR_SHORT = 1.6, 4.0, 1.2
#: Filled shapes smaller than this both ways, mm, that are no arrowheads: dots, or letters drawn as shapes.
_SMALL: Final = 12.0
#: Of a stretch that a clip leaves, shorter ends than this (mm) are nothing.
_DUST: Final = 0.02
#: Colours that differ by less, from 0 to 1, are not told apart; a fill of such a share of a page, both ways, covers it.
_UNSEEN, _WHOLE = 0.03, 0.95
#: Points nearer than this are one, mm.
_SAME: Final = 1e-4
#: Points of one line are told apart from this distance on, mm.
_NEXT: Final = 0.03

#: Red, green and blue, from 0 to 1.
Colour = tuple[float, float, float]
#: A straight stretch to a point, or a cubic Bézier curve by its two control points and its end.
Stretch = tuple[Point] | tuple[Point, Point, Point]


@dataclass(frozen=True, slots=True)
class Subpath:
    """A path drawn without lifting the pen, mm on paper."""

    start: Point
    stretches: tuple[Stretch, ...]
    closed: bool = False

    @property
    def whole(self) -> "Subpath":
        """The path with the straight stretch that closes it."""
        if not self.closed or math.dist(self.end, self.start) <= _SAME:
            return self
        return replace(self, stretches=(*self.stretches, (self.start,)))

    @property
    def end(self) -> Point:
        """Where it ends, before it is closed."""
        return self.stretches[-1][-1] if self.stretches else self.start

    @property
    def points(self) -> list[Point]:
        """Points along it, each once."""
        found = [self.start]
        for stretch in self.stretches:
            found += _along(found[-1], stretch)
        return [p for k, p in enumerate(found) if k == 0 or math.dist(p, found[k - 1]) > _SAME]


def _along(start: Point, stretch: Stretch) -> list[Point]:
    """Points along a stretch, without its start."""
    if len(stretch) == 1:
        return [stretch[0]]
    first, second, end = stretch
    found = []
    for step in range(1, _STEPS + 1):
        t = step / _STEPS
        a, b, c, d = (1 - t) ** 3, 3 * t * (1 - t) ** 2, 3 * t * t * (1 - t), t**3
        found.append(
            (
                a * start[0] + b * first[0] + c * second[0] + d * end[0],
                a * start[1] + b * first[1] + c * second[1] + d * end[1],
            )
        )
    return found


def drawn_along(path: Subpath) -> Iterator[tuple[Carrier, Interval]]:
    """The lines, arcs and curves of a path that is drawn with a pen."""
    at, curved = path.start, False
    run: list[Point] = []
    for stretch in path.whole.stretches:
        curve = len(stretch) == 3
        if run and curve != curved:
            yield from _run(run, curved)
            run = []
        curved = curve
        run = (run or [at]) + [p for p in _along(at, stretch) if math.dist(p, at) > _SAME]
        at = stretch[-1]
    if run:
        yield from _run(run, curved)


def _run(points: list[Point], curved: bool) -> Iterator[tuple[Carrier, Interval]]:
    """A run of curves, or of straight stretches, of which some may be a circle in chords."""
    if len(points) < 2:
        return
    if curved:
        yield from _curves(points)
        return
    for part, chords in _chords(_apart(points)):
        if chords:
            yield _round(part) or ellipse_through(part, _FINE) or recognised(part, _FINE)
        else:
            yield from (line_through(a, b) for a, b in pairwise(part) if math.dist(a, b) > _SAME)


def _curves(points: list[Point]) -> Iterator[tuple[Carrier, Interval]]:
    """A run of Bézier curves: one circle or ellipse if it is one, else the longest arcs it is made of."""
    start = 0
    while start < len(points) - 1:
        end = len(points) - 1
        own = points[start : end + 1]
        found = _fitted(own) or ellipse_through(own, _fine(own))
        while found is None and end - start > _STEPS:
            # One curve less, until what is left lies on one carrier.
            end = max(start + _STEPS, end - _STEPS)
            found = _fitted(points[start : end + 1])
        rest = points[start : end + 1]
        yield found or ellipse_through(rest, _fine(rest)) or recognised(rest, _FINE)
        start = end


def _fitted(points: Sequence[Point]) -> tuple[Carrier, Interval] | None:
    """The line or circle through points; None where they lie on neither."""
    carrier, interval = recognised(points, _fine(points))
    return (carrier, interval) if not hasattr(carrier, "points") else None


def _fine(points: Sequence[Point]) -> float:
    xs, ys = zip(*points, strict=True)
    return _FINE + _OF_SIZE * float(max(max(xs) - min(xs), max(ys) - min(ys)))


def _round(points: Sequence[Point]) -> tuple[Carrier, Interval] | None:
    """The circle through the corners of chords: all on it, none of them much longer than the others."""
    carrier, interval = recognised(points, _FINE)
    if not isinstance(carrier, Circle):
        return None
    chords = [math.dist(a, b) for a, b in pairwise(points)]
    inner = chords[1:-1]
    return (carrier, interval) if max(inner) <= 1.5 * min(inner) else None


def _apart(points: Sequence[Point]) -> list[Point]:
    """A run without the points that are next to others: as files round them, they turn anywhere."""
    kept = [points[0]]
    for point in points[1:-1]:
        if math.dist(point, kept[-1]) >= _NEXT:
            kept.append(point)
    if len(kept) > 1 and math.dist(kept[-1], points[-1]) < _NEXT:
        kept.pop()
    return [*kept, points[-1]]


def _chords(points: list[Point]) -> Iterator[tuple[list[Point], bool]]:
    """Straight stretches in runs: those that turn a little, the same way at every corner, and all others."""
    turns = [0.0, *(_turn(a, b, c) for a, b, c in zip(points, points[1:], points[2:], strict=False)), 0.0]
    start = 0
    while start < len(points) - 1:
        end = start + 1
        sign = math.copysign(1.0, turns[end])
        while end < len(points) - 1 and 1e-3 < sign * turns[end] <= _MOST_TURN:
            end += 1
        if end - start >= _FEWEST_CHORDS:
            yield points[start : end + 1], True
            start = end
        else:
            yield points[start : start + 2], False
            start += 1


def _turn(a: Point, b: Point, c: Point) -> float:
    (ux, uy), (vx, vy) = (b[0] - a[0], b[1] - a[1]), (c[0] - b[0], c[1] - b[1])
    return math.atan2(ux * vy - uy * vx, ux * vx + uy * vy)


@dataclass(frozen=True, slots=True)
class Paper:
    """A page, mm wide and high, and the colour it is seen in, red, green and blue from 0 to 1."""

    wide: float
    high: float
    colour: Colour = (1.0, 1.0, 1.0)

    def hides(self, colour: Colour) -> bool:
        """Whether what is drawn in a colour is not seen on it."""
        return max(abs(a - b) for a, b in zip(colour, self.colour, strict=True)) <= _UNSEEN

    def painted(self, paths: Sequence[Subpath], colour: Colour) -> "Paper | None":
        """The page after a fill that covers it; None for a fill that covers a part of it."""
        if len(paths) != 1:
            return None
        wide, high = _spread(paths[0].points)
        return replace(self, colour=colour) if wide >= _WHOLE * self.wide and high >= _WHOLE * self.high else None


def strokes_of(path: Subpath, style: Style) -> Iterator[Stroke]:
    """What a pen has drawn along a path."""
    for carrier, interval in drawn_along(path):
        piece = Piece("visible", carrier, interval, (), ())
        if piece.length > _SAME:
            yield Stroke(piece, style)


def clipped(stroke: Stroke, clip: Polygon | None) -> list[Stroke]:
    """A stroke as far as it is seen through a clip."""
    if clip is None:
        return [stroke]
    piece = stroke.piece
    parts = (Piece(piece.kind, piece.carrier, interval, (), ()) for interval in _within(piece, clip))
    return [stroke.with_piece(part) for part in parts if part.length > _DUST]


def _within(piece: Piece, clip: Polygon) -> Iterator[Interval]:
    """The intervals of a piece that lie within a region."""
    start, end = piece.interval
    points = piece.outline()
    path = LineString(points)
    if clip.covers(path):
        yield piece.interval
        return
    # By chords for curves, exactly for lines.
    count = 1 if isinstance(piece.carrier, Line) else len(points) - 1
    inside = path.intersection(clip)
    for part in shapely.get_parts(inside):
        if isinstance(part, LineString) and part.length > 0:
            first, last = (path.project(shapely.Point(part.coords[k])) / path.length for k in (0, -1))
            low, high = sorted((first, last))
            if count > 1 and high - low > 1 - 1e-9:
                low, high = 0.0, 1.0
            yield start + low * (end - start), start + high * (end - start)


@dataclass(frozen=True, slots=True)
class FilledShapes:
    """What a filled path means: arrowheads and dots, bars that stand for lines, areas; and which shapes may be letters,
    some of those heads and bars among them."""

    heads: tuple[tuple[Point, ...], ...] = ()
    bars: tuple[Stroke, ...] = ()
    areas: tuple[Hatching, ...] = ()
    letters: tuple[Shape, ...] = ()

    @property
    def bar_widths(self) -> frozenset[int]:
        """How wide its bars are, in hundredths of a mm."""
        return frozenset(bar.style.width for bar in self.bars if bar.style.width is not None)


def filled_shapes(paths: Sequence[Subpath], style: Style) -> FilledShapes:
    """What is filled with one go of the pen: told by its shape, ring by ring."""
    rings = [ring for path in paths if len(ring := _ring(path)) >= 3]
    heads: list[tuple[Point, ...]] = []
    bars: list[Stroke] = []
    letters: list[Shape] = []
    large: list[list[Point]] = []
    for ring, *holes in _with_holes(rings):
        corners = _corners(ring)
        wide, high = _spread(corners)
        small = max(wide, high) <= _SMALL
        bar = _bar(corners, style, _BAR_LONG) if not holes else None
        if bar is not None:
            bars.append(bar)
            if small:
                letters.append(Shape((tuple(ring),), bar=bars[-1]))
        elif not holes and len(corners) <= _HEAD_CORNERS and max(wide, high) <= _HEAD_LONG:
            heads.append(tuple(corners))
            # No letter has three corners, and none has four but as a bar.
            if len(corners) > 4 or _parallel(corners):
                short = _bar(corners, style, _BAR_SHORT)
                letters.append(Shape((tuple(ring),), head=heads[-1], short=short))
        elif small:
            letters.append(Shape(tuple(map(tuple, (ring, *holes)))))
        else:
            large += [ring, *holes]
    areas: list[Hatching] = []
    if large:
        whole = shapely.make_valid(Polygon(max(large, key=lambda r: abs(Polygon(r).area))))
        for ring in large:
            shape = shapely.make_valid(Polygon(ring))
            whole = whole if whole.equals(shape) else whole.symmetric_difference(shape)
        for part in shapely.get_parts(whole):
            if isinstance(part, Polygon) and part.area > 0 and (told := rings_of(part)) is not None:
                areas.append(Hatching(told, 45.0, 0.0))
    return FilledShapes(tuple(heads), tuple(bars), tuple(areas), tuple(letters))


def _with_holes(rings: Sequence[list[Point]]) -> list[list[list[Point]]]:
    """Small rings each with those that lie in it, as an O has one; every other by itself."""
    small = [k for k, ring in enumerate(rings) if max(_spread(ring)) <= _SMALL]
    if len(small) < 2:
        return [[ring] for ring in rings]
    shapes = [Polygon(rings[k]) for k in small]
    first = shapely.points([rings[k][0] for k in small])
    round_it: dict[int, int] = {}
    for own, other in shapely.STRtree(shapes).query(first, predicate="within").T.tolist():
        if own != other and shapes[other].area > shapes[own].area:
            best = round_it.get(own)
            # Within several, that of the outermost: what lies in a hole again is part of the same letter.
            round_it[own] = other if best is None or shapes[best].area < shapes[other].area else best
    holes: dict[int, list[list[Point]]] = {}
    for own, other in round_it.items():
        holes.setdefault(small[other], []).append(rings[small[own]])
    inner = {small[own] for own in round_it}
    return [[ring, *holes.get(k, [])] for k, ring in enumerate(rings) if k not in inner]


def _parallel(corners: Sequence[Point]) -> bool:
    """Whether a shape has four corners, and its sides in pairs alike."""
    if len(corners) != 4:
        return False
    (ax, ay), (bx, by), (cx, cy), (dx, dy) = corners
    return math.dist((ax + cx, ay + cy), (bx + dx, by + dy)) <= 0.1 * math.dist(corners[0], corners[2])


def _ring(path: Subpath) -> list[Point]:
    points = path.points
    return points[:-1] if len(points) > 1 and math.dist(points[0], points[-1]) <= _SAME else points


def _corners(ring: Sequence[Point]) -> list[Point]:
    """A ring without points on straight stretches."""
    if len(ring) < 3:
        return list(ring)
    plain = Polygon(ring).simplify(0.01)
    return [(float(x), float(y)) for x, y in plain.exterior.coords[:-1]] if isinstance(plain, Polygon) else list(ring)


def _spread(points: Sequence[Point]) -> tuple[float, float]:
    xs, ys = zip(*points, strict=True)
    return max(xs) - min(xs), max(ys) - min(ys)


def _bar(corners: Sequence[Point], style: Style, times: float) -> Stroke | None:
    """A narrow rectangle, so many times as long as wide, as the line along its middle; None for any other shape."""
    if len(corners) != 4:
        return None
    sides = [math.dist(corners[k], corners[(k + 1) % 4]) for k in range(4)]
    first = 0 if sides[0] > sides[1] else 1
    long, wide = (sides[first] + sides[first + 2]) / 2, (sides[(first + 1) % 4] + sides[(first + 3) % 4]) / 2
    if wide > _BAR_WIDE or long < times * wide or abs(sides[first] - sides[first + 2]) > 0.02 + 0.01 * long:
        return None
    if abs(sides[(first + 1) % 4] - sides[(first + 3) % 4]) > 0.02 + 0.1 * wide:
        return None
    ends = []
    for k in (first + 1, first + 3):
        a, b = corners[k % 4], corners[(k + 1) % 4]
        ends.append(((a[0] + b[0]) / 2, (a[1] + b[1]) / 2))
    carrier, interval = line_through(ends[0], ends[1])
    own = replace(style, width=round(100 * wide), pattern=())
    return Stroke(Piece("visible", carrier, interval, (), ()), own)
