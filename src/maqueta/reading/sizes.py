"""Dimensions and notes of a sheet from elsewhere, tied to the geometry they touch."""

import math
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from typing import Final, Literal

from maqueta.geometry.box import apart
from maqueta.geometry.carrier import Circle, Line, Point, line_through
from maqueta.geometry.crossing import crossings
from maqueta.geometry.line_set import LineSet, extremes
from maqueta.reading.content import Pointer, Size, Words
from maqueta.reading.ink_map import InkMap
from maqueta.reading.slanted_sizes import angle_at, chamfer_at
from maqueta.sheet.dimension import Dimension, Lettering, LinearDimension, RoundDimension
from maqueta.sheet.placed import PlacedView
from maqueta.sizes.pitch_circles import PitchCircle
from maqueta.sizes.text import read_text

#: Extension lines start about 1.5 mm off the outline (ASME Y14.5, from memory); points are looked for this far off.
_GAP: Final = 3.0
#: A note stands within this distance of the end of its leader, in letter heights.
_NOTE_NEAR: Final = 4.0


#: A size stands no farther than this off its view, mm; one of a picture, of which the extension lines may be cut short,
#: no farther than that (common practice, no source).
_FAR, _FAR_SEEN = 10 * _GAP, 40 * _GAP
#: In a picture a note tells the size of a circle within this share; its leader goes on to the circle where it is inked
#: along so much of the way, so many places a mm, and points at its middle within so much, mm (common practice, no
#: source).
_SAME, _GOES_ON, _PLACES, _AT_MIDDLE = 5e-3, 0.97, 4.0, 0.8
#: A size of a picture may be taken from what lies so near, mm, where it says so (common practice, no source).
_MEANT: Final = 1.0
#: A point lies on a line within this.
_ON: Final = 1e-6
#: Letters lower than this (mm) are not meant to be read as they are (common practice, no source).
_READABLE: Final = 1.0
#: Circles through the centres of holes, by the id of the view that shows them.
Pitches = Mapping[str, Sequence[PitchCircle]]


@dataclass(frozen=True, slots=True)
class TiedSizes:
    """Dimensions of the document, texts of those that touch no view, and the leader notes that became dimensions."""

    dimensions: tuple[Dimension, ...]
    loose: tuple[str, ...]
    used: frozenset[str]


def tie_sizes(
    sizes: Sequence[Size],
    pointers: Sequence[Pointer],
    words: Sequence[Words],
    views: Sequence[PlacedView],
    tolerance: float,
    pitches: Pitches,
    seen: InkMap | None = None,
) -> TiedSizes:
    """Tie sizes and leader notes to views. `tolerance` is mm on paper; `pitches` are circles through holes, by view.

    Of a picture (`seen` is its ink) leaders and extension lines are cut short by what they cross: where a leader goes
    on to a circle of which its note tells the size, that one is meant.
    """
    dimensions: list[Dimension] = []
    loose: list[str] = []
    for size in sizes:
        tied = _tied(size, views, tolerance, pitches, f"d{len(dimensions) + 1}", seen is not None)
        if tied is None:
            loose.append(size.text)
        else:
            look = {"lettering": _lettering(size)} | ({"gaps": _gaps(size, tied, views)} if size.feet else {})
            dimensions.append(tied.model_copy(update=look))
    used: list[str] = []
    for pointer, note in _noted(pointers, words):
        tied = _note(pointer, note, views, tolerance, pitches, f"d{len(dimensions) + 1}", seen)
        if tied is None and seen is not None and pointer.note:
            loose.append(note)
        if tied is not None:
            dimensions.append(tied)
            used += [note, *(word.text for word in words if word.text in note)]
    return TiedSizes(tuple(dimensions), tuple(loose), frozenset(used))


def _made_for_paper(size: Size) -> bool:
    """Whether the picture of a dimension was made for this paper.

    A dimension style that was never set up has letters nobody could read and gaps to match; whoever opens the file
    sees it through a style of their own, so that nothing can be said of either.
    """
    return size.lettering is not None and _READABLE <= size.lettering[0] <= 200


def _gaps(size: Size, tied: Dimension, views: Sequence[PlacedView]) -> tuple[float | None, float | None] | None:
    """How far the extension lines of a linear size begin off the points it is tied to, mm."""
    if not isinstance(tied, LinearDimension) or size.feet is None or not _made_for_paper(size):
        return None
    item = next(item for item in views if item.view.id == tied.view)
    gaps = [
        None if foot is None else min(math.dist(foot, item.to_sheet(point)), 1000.0)
        for foot, point in zip(size.feet, (tied.start, tied.end), strict=True)
    ]
    return (gaps[0], gaps[1])


def _lettering(size: Size) -> Lettering | None:
    if size.lettering is None or not _made_for_paper(size):
        return None
    return Lettering(height=size.lettering[0], turn=math.remainder(size.lettering[1], 360.0))


def _tied(
    size: Size, views: Sequence[PlacedView], tolerance: float, pitches: Pitches, name: str, seen: bool
) -> Dimension | None:
    if size.kind in ("diameter", "radius"):
        return _round(size, views, tolerance, name) or _pitch(size, views, tolerance, pitches, name)
    if size.vertex is not None:
        return angle_at(size, size.vertex, views, tolerance, name)
    candidates = []
    for item in views:
        meant = _levels_meant(item, size) if seen else (None, None)
        start, start_off = _snapped(item, size.first, size, tolerance, meant[0])
        end, end_off = _snapped(item, size.second, size, tolerance, meant[1])
        touching = max(_off_box(item, size.first), _off_box(item, size.second))
        candidates.append((touching > _GAP, start_off + end_off > 2 * tolerance, touching, item, start, end))
    if not candidates:
        return None
    far, _, touching, item, start, end = min(candidates, key=lambda c: c[:3])
    if far and touching > (_FAR_SEEN if seen else _FAR):
        return None
    along: Literal["across", "up", "aligned"] = "aligned"
    turn = size.turn % math.pi
    if size.kind == "linear" or min(turn, math.pi - turn) < 1e-3 or abs(turn - math.pi / 2) < 1e-3:
        if min(turn, math.pi - turn) < 1e-3:
            along = "across"
        elif abs(turn - math.pi / 2) < 1e-3:
            along = "up"
    place = (size.place[0] - item.view.at[0], size.place[1] - item.view.at[1])
    return LinearDimension(
        id=name, view=item.view.id, start=start, end=end, along=along, place=place, text=size.text[:120] or None
    )


def _off_box(item: PlacedView, point: Point) -> float:
    return apart(item.box, (*point, *point))


def _plane(item: PlacedView, point: Point) -> Point:
    return ((point[0] - item.view.at[0]) / item.factor, (point[1] - item.view.at[1]) / item.factor)


def _levels_meant(item: PlacedView, size: Size) -> tuple[float, float] | tuple[None, None]:
    """The levels a size of a picture is taken between, where some of those it cannot be told from lie as far apart as
    it says: where lines cross, they are seen a little beside where they are."""
    value = read_text(size.text).value
    if value is None:
        return None, None
    dx, dy = math.cos(size.turn), math.sin(size.turn)
    levels = sorted({p[0] * dx + p[1] * dy for p in _points(item.lines)})
    near = []
    for point in (size.first, size.second):
        x, y = _plane(item, point)
        here = x * dx + y * dy
        near.append([(abs(level - here), level) for level in levels if abs(level - here) * item.factor <= _MEANT])
    pairs = [
        (one + other, a, b)
        for one, a in near[0]
        for other, b in near[1]
        if abs(abs(a - b) - value) <= _SAME * max(value, abs(a - b)) / 2
    ]
    return min(pairs)[1:] if pairs else (None, None)


def _snapped(
    item: PlacedView, point: Point, size: Size, tolerance: float, level: float | None = None
) -> tuple[Point, float]:
    """A measured point drawn onto what it measures, a `level` that is known, or the nearest: only its place along the
    measured direction matters.

    Returns the point in the view's plane, and how far it was off (mm on paper).
    """
    own = _plane(item, point)
    dx, dy = math.cos(size.turn), math.sin(size.turn)
    here = own[0] * dx + own[1] * dy
    levels = [level] if level is not None else [p[0] * dx + p[1] * dy for p in _points(item.lines)]
    nearest = min(levels, key=lambda value: abs(value - here), default=here)
    off = abs(nearest - here) * item.factor
    if level is None and off > tolerance:
        return own, off
    shift = nearest - here
    met = (own[0] + shift * dx, own[1] + shift * dy)
    return _onto(item, met, nearest, (dx, dy), _plane(item, size.place)), off


def _onto(item: PlacedView, point: Point, level: float, along: Point, place: Point) -> Point:
    """Over the gap of an extension line onto the nearest corner or centre of its level, else onto the next line, seen
    from the dimension line at `place`."""
    dx, dy = along
    here = -point[0] * dy + point[1] * dx
    across = [
        -p[0] * dy + p[1] * dx for p in _points(item.lines) if abs(p[0] * dx + p[1] * dy - level) * item.factor < 1e-3
    ]
    best = min(across, key=lambda value: abs(value - here), default=here)
    if abs(best - here) * item.factor > _GAP:
        return _next_line(item, point, along, place) or point
    return (point[0] - (best - here) * dy, point[1] + (best - here) * dx)


def _next_line(item: PlacedView, point: Point, along: Point, place: Point) -> Point | None:
    """Where an extension line that begins at a point would meet the view, within the gap such lines keep."""
    dx, dy = along
    away = 1.0 if (point[0] - place[0]) * -dy + (point[1] - place[1]) * dx > 0 else -1.0
    ux, uy = -dy * away, dx * away
    ray, _ = line_through(point, (point[0] + ux, point[1] + uy))
    met = [
        ((x - point[0]) * ux + (y - point[1]) * uy, (x, y))
        for piece in item.lines.of("visible", "hidden")
        for x, y in crossings(ray, piece, _ON)
    ]
    reached = min((own for own in met if -_ON <= own[0] * item.factor <= _GAP), default=None)
    return None if reached is None else reached[1]


def _points(lines: LineSet) -> Iterator[Point]:
    """Points a size can be taken from: ends of lines, centres, and the outermost points of circles."""
    for piece in lines.pieces:
        yield from piece.ends
        if isinstance(piece.carrier, Circle):
            c = piece.carrier
            yield (c.x, c.y)
            yield from ((c.x + c.radius, c.y), (c.x - c.radius, c.y), (c.x, c.y + c.radius), (c.x, c.y - c.radius))
        elif not isinstance(piece.carrier, Line):
            yield from extremes(piece)


def _circles(views: Sequence[PlacedView]) -> Iterator[tuple[PlacedView, Circle]]:
    for item in views:
        for piece in item.lines.of("visible", "hidden"):
            if isinstance(piece.carrier, Circle):
                yield item, piece.carrier


def _round(size: Size, views: Sequence[PlacedView], tolerance: float, name: str) -> Dimension | None:
    radius = math.dist(size.first, size.second)
    best = None
    for item, circle in _circles(views):
        centre = item.to_sheet((circle.x, circle.y))
        off = math.dist(centre, size.first) + abs(circle.radius * item.factor - radius)
        if best is None or off < best[0]:
            best = (off, item, circle)
    if best is None or best[0] > max(2.0, 4 * tolerance):
        return None
    return _round_dimension(size.text, size.kind == "radius", best[1], best[2], size.place, name)


def _pitch(
    size: Size, views: Sequence[PlacedView], tolerance: float, pitches: Pitches, name: str
) -> RoundDimension | None:
    """The circle through the centres of holes that a size stands at."""
    radius = math.dist(size.first, size.second)
    for item in views:
        for circle in pitches.get(item.view.id, ()):
            off = math.dist(item.to_sheet(circle.centre), size.first) + abs(circle.radius * item.factor - radius)
            if off <= max(2.0, 4 * tolerance):
                carrier = Circle(*circle.centre, circle.radius)
                tied = _round_dimension(size.text, size.kind == "radius", item, carrier, size.place, name)
                return tied.model_copy(update={"pitch": True})
    return None


def _round_dimension(
    text: str, by_radius: bool, item: PlacedView, circle: Circle, place: Point, name: str
) -> RoundDimension:
    return RoundDimension(
        kind="radius" if by_radius else "diameter",
        id=name,
        view=item.view.id,
        centre=(circle.x, circle.y),
        radius=circle.radius,
        place=(place[0] - item.view.at[0], place[1] - item.view.at[1]),
        count=min(999, max(1, read_text(text).count)),
        text=text[:120] or None,
    )


def _noted(pointers: Sequence[Pointer], words: Sequence[Words]) -> Iterator[tuple[Pointer, str]]:
    """Leaders with the notes that stand at their ends."""
    for pointer in pointers:
        if pointer.note:
            yield pointer, pointer.note
            continue
        best: tuple[float, str] | None = None
        for word in words:
            distance = apart(word.box, (*pointer.points[-1], *pointer.points[-1]))
            if distance <= _NOTE_NEAR * word.height and (best is None or distance < best[0]):
                best = (distance, word.text)
        if best is not None:
            yield pointer, best[1]


def _note(
    pointer: Pointer,
    note: str,
    views: Sequence[PlacedView],
    tolerance: float,
    pitches: Pitches,
    name: str,
    seen: InkMap | None,
) -> Dimension | None:
    """A leader whose note is the size of the circle it points at: a drawn one, or the one through holes."""
    written = read_text(note)
    if written.symbol == "chamfer":
        return chamfer_at(pointer, note, views, tolerance, name)
    if written.value is None or written.symbol not in ("diameter", "radius", "thread"):
        return None
    drawn = [(item, circle, False) for item, circle in _circles(views)]
    through = [
        (item, Circle(*pitch.centre, pitch.radius), True) for item in views for pitch in pitches.get(item.view.id, ())
    ]
    reach = max(1.0, 3 * tolerance)
    best: tuple[bool, float, PlacedView, Circle, bool] | None = None
    for item, circle, pitch in (*drawn, *through):
        away = math.dist(item.to_sheet((circle.x, circle.y)), pointer.points[0])
        # A leader may end at the middle of a hole, but not at that of a circle through holes.
        off = abs(away - circle.radius * item.factor)
        off = off if pitch else min(off, away)
        size = circle.radius * (1 if written.symbol == "radius" else 2)
        told = seen is not None and abs(size - written.value) <= _SAME * size
        other = not (told and (off <= reach or _goes_on(pointer, item, circle, seen)))
        if best is None or (other, off) < (best[0], best[1] - 1e-6):
            best = (other, off, item, circle, pitch)
    if best is None or (best[0] and best[1] > reach):
        return None
    _, _, item, circle, pitch = best
    tied = _round_dimension(note, written.symbol == "radius", item, circle, pointer.knee, name)
    return tied.model_copy(update={"pitch": True, "count": 1}) if pitch else tied


def _goes_on(pointer: Pointer, item: PlacedView, circle: Circle, ink: InkMap | None) -> bool:
    """Whether a picture shows that a leader goes on, straight towards the middle of a circle, until it is there."""
    if ink is None or len(pointer.points) < 2:
        return False
    (x, y), before = pointer.points[:2]
    length = math.dist((x, y), before)
    if length < 1e-9:
        return False
    along = ((x - before[0]) / length, (y - before[1]) / length)
    cx, cy = item.to_sheet((circle.x, circle.y))
    ahead = (cx - x) * along[0] + (cy - y) * along[1]
    aside = abs((cy - y) * along[0] - (cx - x) * along[1])
    way = ahead - circle.radius * item.factor
    if way <= 0 or aside > _AT_MIDDLE:
        # From within, a leader reaches the circle on its far side.
        way = ahead + circle.radius * item.factor
    if way <= 0 or aside > _AT_MIDDLE:
        return False
    count = max(5, round(_PLACES * way))
    return (
        ink.share([(x + along[0] * way * k / count, y + along[1] * way * k / count) for k in range(count)]) >= _GOES_ON
    )
