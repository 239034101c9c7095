"""Cutting lines, circled regions and sight arrows of a file, told by their letters and arrows."""

import math
from collections import defaultdict
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from itertools import combinations, pairwise
from typing import Final

from maqueta.geometry.carrier import TURN, Circle, Line, Point
from maqueta.reading.content import Pointer, Stroke
from maqueta.reading.kinds import Kind
from maqueta.reading.special.arrows import MEET, SQUARE, Arrow, arrows_of, nearest_arrow, runs_along
from maqueta.reading.special.labels import Label, LoneLetter

#: Arrows of cutting lines without letters are at least this long (mm): those of dimensions have no shaft of their own.
_LONG_ARROW: Final = 4.5
#: Wide strokes at ends and bends are no longer than this (mm).
_WIDE_END: Final = 16.0
#: A letter stands this near to its circle (mm).
_BESIDE_CIRCLE: Final = 20.0


@dataclass(frozen=True, slots=True)
class CutMark:
    """A cutting line on the sheet: corners in mm, which way one looks, the letters at its ends, its strokes."""

    path: tuple[Point, ...]
    sight: Point
    letters: tuple[str | None, str | None]
    strokes: frozenset[int]
    words: tuple[int, ...]


@dataclass(frozen=True, slots=True)
class CircleMark:
    """A circled region on the sheet, its letter, and its stroke."""

    centre: Point
    radius: float
    letter: str
    stroke: int
    word: int


@dataclass(frozen=True, slots=True)
class SightMark:
    """An arrow with a letter that tells from where a view is seen."""

    arrow: Arrow
    letter: str
    word: int


@dataclass(frozen=True, slots=True)
class SpecialMarks:
    """Everything drawn in parent views about special ones."""

    cuts: tuple[CutMark, ...] = ()
    circles: tuple[CircleMark, ...] = ()
    sights: tuple[SightMark, ...] = ()

    @property
    def strokes(self) -> frozenset[int]:
        """The strokes they are made of."""
        own = [*(mark.strokes for mark in self.cuts), *(mark.arrow.strokes for mark in self.sights)]
        return frozenset[int]().union(*own, (mark.stroke for mark in self.circles))

    @property
    def words(self) -> frozenset[int]:
        """The letters they are told by."""
        own = [word for mark in self.cuts for word in mark.words]
        lone = [*(mark.word for mark in self.circles), *(mark.word for mark in self.sights)]
        return frozenset([*own, *lone])


def special_marks(
    strokes: Sequence[Stroke],
    kinds: Sequence[Kind],
    filled: Sequence[Sequence[Point]],
    pointers: Sequence[Pointer],
    labels: Sequence[Label],
    letters: Sequence[LoneLetter],
    aside: frozenset[int],
    hatched: bool,
) -> SpecialMarks:
    """Find them. Letters without an arrow or a circle beside them are none of these; on a sheet that is `hatched`
    cutting lines may have no letters.
    """
    lines = {i: s for i, s in enumerate(strokes) if isinstance(s.piece.carrier, Line) and i not in aside}
    arrows = arrows_of(lines, filled, pointers)
    near = {letter.word: nearest_arrow(letter, arrows) for letter in letters}
    details = {label.letter for label in labels if label.kind == "detail"}
    # A "view" with a scale of its own is a detail as well where its letter stands at a circle and at no arrow.
    enlarged = {label.letter for label in labels if label.kind == "view" and label.scale}
    circling = [one for one in letters if one.letter in details or (one.letter in enlarged and near[one.word] is None)]
    circles = _circles(strokes, kinds, circling, aside)
    in_circles = {mark.word for mark in circles}
    by_letter: dict[str, list[LoneLetter]] = defaultdict(list)
    for one in letters:
        if one.word not in in_circles and near[one.word] is not None:
            by_letter[one.letter].append(one)
    cuts: list[CutMark] = []
    sights: list[SightMark] = []
    used: set[int] = set()
    for letter in sorted(by_letter):
        for first, second in combinations(by_letter[letter], 2):
            if first.word in used or second.word in used:
                continue
            mark = _cut_between(lines, kinds, (near[first.word], near[second.word]), (letter, letter), (first, second))
            if mark is not None:
                cuts.append(mark)
                used |= {first.word, second.word}
    rest = [one for own in by_letter.values() for one in own if one.word not in used]
    for first, second in combinations(rest, 2):
        # Letters that differ at the two ends of one line.
        if first.word in used or second.word in used:
            continue
        mark = _cut_between(
            lines, kinds, (near[first.word], near[second.word]), (first.letter, second.letter), (first, second), True
        )
        if mark is not None:
            cuts.append(mark)
            used |= {first.word, second.word}
    sections = {label.letter for label in labels if label.kind == "section"}
    for one in rest:
        arrow = near[one.word]
        if one.word in used or arrow is None:
            continue
        angled = _angled(lines, kinds, arrow, one)
        if angled is not None and (one.letter in sections or angled.strokes):
            cuts.append(angled)
        elif one.letter not in sections and _stands_elsewhere(one, letters, labels, near):
            sights.append(SightMark(arrow, one.letter, one.word))
    if hatched:
        cuts += _without_letters(lines, kinds, arrows, cuts)
    return SpecialMarks(tuple(cuts), tuple(circles), tuple(sights))


def _stands_elsewhere(
    one: LoneLetter, letters: Sequence[LoneLetter], labels: Sequence[Label], near: Mapping[int, Arrow | None]
) -> bool:
    """Whether the letter of an arrow stands over a view as well."""
    alone = any(other.letter == one.letter and near[other.word] is None for other in letters)
    return alone or any(label.kind == "view" and label.letter == one.letter for label in labels)


def _cut_between(
    lines: dict[int, Stroke],
    kinds: Sequence[Kind],
    ends: tuple[Arrow | None, Arrow | None],
    letters: tuple[str, str],
    words: tuple[LoneLetter, LoneLetter],
    sure: bool = False,
) -> CutMark | None:
    """The cutting line between two arrows; None where they belong to no common one.

    With `sure` its strokes have to be there: letters that differ say nothing by themselves.
    """
    first, second = ends
    if first is None or second is None or first is second or math.dist(first.tip, second.tip) < 2.0:
        return None
    same = first.way[0] * second.way[0] + first.way[1] * second.way[1]
    places = tuple(word.word for word in words)
    best: tuple[float, tuple[Point, ...], frozenset[int]] | None = None
    for start, end in ((first.tail, second.tail), (first.tip, second.tip)):
        path = _path(lines, kinds, start, end, first.way, second.way) if same > -0.99 else None
        if path is None:
            continue
        strokes = _strokes_on(lines, kinds, path)
        covered = sum(lines[i].piece.length for i in strokes)
        covered += 0.1 * sum(_runs_on(lines[i], path) for i in lines if kinds[i] == "centre")
        if best is None or covered > best[0] + 1e-6:
            best = (covered, path, strokes)
    if best is None or (sure and best[0] == 0):
        return None
    return CutMark(best[1], first.way, letters, best[2] | first.strokes | second.strokes, places)


def _path(
    lines: dict[int, Stroke], kinds: Sequence[Kind], start: Point, end: Point, way: Point, other: Point
) -> tuple[Point, ...] | None:
    """The corners of a cutting line from one arrow to the other."""
    dx, dy = end[0] - start[0], end[1] - start[1]
    length = math.hypot(dx, dy)
    if length < 2.0:
        return None
    turned = abs(way[0] * other[1] - way[1] * other[0])
    if turned > SQUARE:
        # Two planes that meet: each leg is square to its arrow.
        meeting = _meeting(start, (-way[1], way[0]), end, (-other[1], other[0]))
        return (start, meeting, end) if meeting is not None else None
    level = dx * way[0] + dy * way[1]
    corners = _bends(lines, kinds, start, end, (-way[1], way[0]), way)
    stepped = (start, *corners, end) if corners else None
    if abs(level) > MEET:
        return stepped
    straight = (start, end)
    # A stepped line may come back to the level it began at.
    return stepped if stepped and _inked(lines, kinds, stepped) > _inked(lines, kinds, straight) else straight


def _inked(lines: dict[int, Stroke], kinds: Sequence[Kind], path: Sequence[Point]) -> float:
    """How much is drawn along a path."""
    return sum(_runs_on(stroke, path) for i, stroke in lines.items() if kinds[i] in ("centre", "cutting")) + sum(
        lines[i].piece.length for i in _strokes_on(lines, kinds, path)
    )


def _meeting(a: Point, u: Point, b: Point, v: Point) -> Point | None:
    across = u[0] * v[1] - u[1] * v[0]
    if abs(across) < 1e-6:
        return None
    t = ((b[0] - a[0]) * v[1] - (b[1] - a[1]) * v[0]) / across
    return (a[0] + t * u[0], a[1] + t * u[1])


def _bends(
    lines: dict[int, Stroke], kinds: Sequence[Kind], start: Point, end: Point, along: Point, way: Point
) -> tuple[Point, ...] | None:
    """The corners of a stepped line: where strokes along it meet strokes across, in their order; None where the steps
    lead nowhere."""

    def place(point: Point) -> tuple[float, float]:
        return (
            (point[0] - start[0]) * along[0] + (point[1] - start[1]) * along[1],
            (point[0] - start[0]) * way[0] + (point[1] - start[1]) * way[1],
        )

    far, target = place(end)
    sign = 1.0 if far > 0 else -1.0
    legs = [
        place(p) for i, s in lines.items() if runs_along(s.piece.ends, along) for p in s.piece.ends if _drawn(kinds[i])
    ]
    steps = [
        tuple(sorted((place(s.piece.ends[0]), place(s.piece.ends[1])), key=lambda p: p[1]))
        for i, s in lines.items()
        if runs_along(s.piece.ends, way) and _drawn(kinds[i])
    ]

    def meets(corner: tuple[float, float]) -> bool:
        return any(math.dist(corner, leg) <= MEET for leg in legs)

    at: list[tuple[float, float]] = []
    for low, high in steps:
        for corner in (low, high):
            inside = 0 < sign * corner[0] < sign * far
            if inside and meets(corner) and all(math.dist(corner, known) > MEET for known in at):
                at.append(corner)
    level, here = 0.0, 0.0
    path: list[tuple[float, float]] = []
    while len(path) < 40:
        ahead = [c for c in at if sign * c[0] > sign * here - MEET and abs(c[1] - level) <= MEET]
        pairs = [
            (c, d)
            for c in ahead
            for d in at
            if abs(d[0] - c[0]) <= MEET and abs(d[1] - c[1]) > MEET and (c not in path)
        ]
        if not pairs:
            break
        corner, step = min(pairs, key=lambda pair: sign * pair[0][0])
        path += [corner, step]
        here, level = step[0] + sign * 2 * MEET, step[1]
    if abs(level - target) > MEET:
        return None
    return tuple((start[0] + x * along[0] + y * way[0], start[1] + x * along[1] + y * way[1]) for x, y in path) or None


def _drawn(kind: Kind) -> bool:
    return kind in ("visible", "open", "centre", "cutting", "dimension", "construction")


def _angled(lines: dict[int, Stroke], kinds: Sequence[Kind], arrow: Arrow, letter: LoneLetter) -> CutMark | None:
    """An L with one arrow: a leg square to it, and one along it; or a whole line with an arrow at one end."""
    along = (-arrow.way[1], arrow.way[0])
    for start in (arrow.tail, arrow.tip):
        for i, stroke in lines.items():
            ends = stroke.piece.ends
            if not _drawn(kinds[i]) or not runs_along(ends, along):
                continue
            for near, far in (ends, ends[::-1]):
                if math.dist(near, start) > MEET:
                    continue
                for k, other in lines.items():
                    if k == i or not _drawn(kinds[k]) or not runs_along(other.piece.ends, arrow.way):
                        continue
                    for joint, last in (other.piece.ends, other.piece.ends[::-1]):
                        if math.dist(joint, far) <= MEET and math.dist(last, far) > 2.0 and k not in arrow.strokes:
                            path = (near, far, last)
                            own = _strokes_on(lines, kinds, path) | arrow.strokes
                            return CutMark(path, arrow.way, (letter.letter, letter.letter), own, (letter.word,))
    return None


def _without_letters(
    lines: dict[int, Stroke], kinds: Sequence[Kind], arrows: Sequence[Arrow], cuts: Sequence[CutMark]
) -> list[CutMark]:
    """Lines across a view with two arrows that point the same way, square to them."""
    taken = frozenset[int]().union(*(mark.strokes for mark in cuts))
    ends = [end for mark in cuts for end in (mark.path[0], mark.path[-1])]
    long = [
        own
        for own in arrows
        if math.dist(own.tip, own.tail) >= _LONG_ARROW
        and not own.strokes & taken
        and all(min(math.dist(end, own.tip), math.dist(end, own.tail)) > MEET for end in ends)
    ]
    found: list[CutMark] = []
    for first, second in combinations(long, 2):
        if first.way[0] * second.way[0] + first.way[1] * second.way[1] < 1 - SQUARE:
            continue
        for start, end in ((first.tail, second.tail), (first.tip, second.tip)):
            length = math.dist(start, end)
            level = (end[0] - start[0]) * first.way[0] + (end[1] - start[1]) * first.way[1]
            if length < 15.0 or abs(level) > MEET:
                continue
            along = (-first.way[1], first.way[0])
            begun = all(
                any(
                    kinds[i] in ("visible", "open", "centre", "cutting")
                    and runs_along(stroke.piece.ends, along)
                    and min(math.dist(p, spot) for p in stroke.piece.ends) <= 1.5
                    for i, stroke in lines.items()
                )
                for spot in (start, end)
            )
            path = (start, end)
            if begun and _crossed(lines, kinds, path) >= 2 and not any(_same_path(path, mark.path) for mark in found):
                own = _strokes_on(lines, kinds, path) | first.strokes | second.strokes
                found.append(CutMark(path, first.way, (None, None), own, ()))
    return found


def _crossed(lines: dict[int, Stroke], kinds: Sequence[Kind], path: Sequence[Point]) -> int:
    """How many lines of a view run across a path between its ends: a cutting line goes through what it cuts."""
    (ax, ay), (bx, by) = path
    length = math.dist(*path)
    way = ((bx - ax) / length, (by - ay) / length)

    def place(point: Point) -> tuple[float, float]:
        dx, dy = point[0] - ax, point[1] - ay
        return dx * way[0] + dy * way[1], -dx * way[1] + dy * way[0]

    number = 0
    for i, stroke in lines.items():
        if kinds[i] not in ("visible", "open"):
            continue
        (s, p), (t, q) = (place(end) for end in stroke.piece.ends)
        if p * q < 0 and min(abs(p), abs(q)) > MEET:
            at = s + (t - s) * p / (p - q)
            number += 2.0 < at < length - 2.0
    return number


def _same_path(path: Sequence[Point], other: Sequence[Point]) -> bool:
    return len(path) == len(other) and all(math.dist(a, b) <= MEET for a, b in zip(path, other, strict=True))


def _strokes_on(lines: dict[int, Stroke], kinds: Sequence[Kind], path: Sequence[Point]) -> frozenset[int]:
    """The strokes of a cutting line: those of its own layer, and wide ones that begin at its ends and bends.

    Its narrow chain line stays where it is: it is an axis as well.
    """
    own = set()
    for i, stroke in lines.items():
        if not _runs_on(stroke, path):
            continue
        begins = any(math.dist(p, q) <= MEET for p in stroke.piece.ends for q in path)
        short = stroke.piece.length <= _WIDE_END
        if kinds[i] == "cutting" or (kinds[i] != "centre" and begins and (short or _whole(stroke, path))):
            own.add(i)
    return frozenset(own)


def _whole(stroke: Stroke, path: Sequence[Point]) -> bool:
    """Whether a stroke runs along a whole leg."""
    return all(any(math.dist(p, q) <= MEET for q in path) for p in stroke.piece.ends)


def _runs_on(stroke: Stroke, path: Sequence[Point]) -> float:
    """The length of a stroke that lies on a leg of a path; 0 where it does not."""
    for a, b in pairwise(path):
        length = math.dist(a, b)
        if length == 0:
            continue
        way = ((b[0] - a[0]) / length, (b[1] - a[1]) / length)
        spots = [((p[0] - a[0]) * way[0] + (p[1] - a[1]) * way[1], p) for p in stroke.piece.ends]
        off = max(math.dist(p, (a[0] + t * way[0], a[1] + t * way[1])) for t, p in spots)
        if off <= 0.3 and max(t for t, _ in spots) > -MEET and min(t for t, _ in spots) < length + MEET:
            return stroke.piece.length
    return 0.0


def _circles(
    strokes: Sequence[Stroke], kinds: Sequence[Kind], letters: Sequence[LoneLetter], aside: frozenset[int]
) -> list[CircleMark]:
    """Full circles with the letter of a detail beside them, each letter's nearest."""
    found: list[CircleMark] = []
    for one in letters:
        near: list[tuple[float, int]] = []
        for i, stroke in enumerate(strokes):
            carrier = stroke.piece.carrier
            whole = stroke.piece.interval[1] - stroke.piece.interval[0] > TURN - 1e-3
            if i in aside or not isinstance(carrier, Circle) or not whole:
                continue
            off = math.dist(one.at, (carrier.x, carrier.y)) - carrier.radius
            if -one.height < off <= _BESIDE_CIRCLE:
                near.append((off, i))
        if near:
            _, i = min(near)
            carrier = strokes[i].piece.carrier
            assert isinstance(carrier, Circle), "only circles were looked at"
            if all(mark.stroke != i for mark in found):
                found.append(CircleMark((carrier.x, carrier.y), carrier.radius, one.letter, i, one.word))
    return found
