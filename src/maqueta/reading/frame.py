"""Border, paper edge and title block of a sheet from elsewhere, found by their lines."""

import itertools
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

from maqueta.geometry.box import Box, box_of, meet, size_of, union, within
from maqueta.geometry.carrier import Line
from maqueta.geometry.line_set import extremes
from maqueta.reading.content import Stroke, Words
from maqueta.reading.kinds import Kind
from maqueta.reading.title_words import is_label
from maqueta.sheet.paper import SIDES_MM, PaperSize

#: Lines meet within this (mm).
_MEET: Final = 0.6
#: A side of a border may be too short by this share of itself (common practice, no source).
_SHORT: Final = 0.02
#: How far a border may stand inside the paper's edge, mm (common practice, no source; ISO 5457 has at most 20, Mem.).
_WIDEST_MARGIN: Final = 45.0

#: Zone marks stand in an even strip around the border: 5 mm in ISO 5457 (from memory), wider on forms of old.
_STRIP: Final = (3.0, 15.0)
_EVEN_STRIP: Final = 2.0


@dataclass(frozen=True, slots=True)
class SheetFrame:
    """What surrounds the drawing: `paper` and `border` boxes, the `title` block's box, and the strokes of both.

    `size` and `landscape` are those of the paper the border fits; None when there is no border.
    """

    paper: Box | None
    border: Box | None
    title: Box | None
    members: frozenset[int]
    size: PaperSize | None
    landscape: bool

    def has(self, word: Words) -> bool:
        """Whether a word is lettering of the sheet itself: in the title block, or outside the border, where letters
        and numbers mark the zones of the paper."""
        if self.border is not None and not word.stands_in(self.border, 0.0):
            return True
        return self.title is not None and word.stands_in(self.title, 1.0)


def find_frame(
    strokes: Sequence[Stroke], kinds: Sequence[Kind], words: Sequence[Words], asked: PaperSize
) -> SheetFrame:
    """Find the frame; `asked` is the paper the exercise asks for, preferred where a border fits several."""
    straight = {
        index: box_of(stroke.piece.ends)
        for index, stroke in enumerate(strokes)
        if kinds[index] in ("visible", "frame", "title", "text", "open")
        and isinstance(stroke.piece.carrier, Line)
        and min(size_of(box_of(stroke.piece.ends))) < 1e-3
    }
    rectangles, fitting = _rectangles(straight, asked, 0.0)
    if not fitting:
        # A corner that a picture bends, or that is worn, leaves a side a little short.
        short, fitting = _rectangles(straight, asked, _SHORT)
        rectangles = short if fitting else rectangles
    border, outer, size, landscape = None, None, None, True
    if not fitting and (odd := _odd_border(rectangles, straight, words)) is not None:
        border, size = odd, asked
    elif fitting:
        outer_box, (size, landscape) = fitting[0]
        inside = [box for box, _ in fitting[1:] if _area(box) < 0.999 * _area(outer_box)]
        border = inside[0] if inside and _is_paper(outer_box, size) else outer_box
        outer = outer_box if border is not outer_box else None
    strip = next((box for box in rectangles if border is not None and _zoned(box, border)), None)
    zones = border if strip is not None else None
    border = strip or border
    edges = [box for box in (border, outer, zones) if box is not None]
    members = {index for index, box in straight.items() if any(on_edge(box, edge) for edge in edges)}
    members |= {index for index, kind in enumerate(kinds) if kind == "frame"}
    if border is not None and zones is not None:
        # Ticks between the zones.
        members |= {index for index, box in straight.items() if within(box, zones, _MEET) and _beside(box, border)}
    title = _title_box(strokes, kinds, straight, words, border, members)
    if title is not None:
        members |= {
            index for index, stroke in enumerate(strokes) if within(box_of(extremes(stroke.piece)), title, _MEET)
        }
    return SheetFrame(outer, border, title, frozenset(members), size, landscape)


def _rectangles(
    straight: dict[int, Box], asked: PaperSize, short: float
) -> tuple[list[Box], list[tuple[Box, tuple[PaperSize, bool]]]]:
    """Large rectangles, largest first, and those that are the border or the edge of a paper, with that."""
    found = sorted(large_rectangles(straight, short), key=lambda box: -_area(box))
    return found, [(box, paper) for box in found if (paper := _paper_of(box, asked)) is not None]


def _zoned(box: Box, outer: Box) -> bool:
    """Whether two rectangles are the inner and the outer edge of a strip with zone marks."""
    insets = (box[0] - outer[0], box[1] - outer[1], outer[2] - box[2], outer[3] - box[3])
    least, most = _STRIP
    return least <= min(insets) and max(insets) <= most and max(insets) - min(insets) <= _EVEN_STRIP


def _beside(box: Box, border: Box) -> bool:
    """Whether a box lies outside a border, at most touching it."""
    return not meet(box, border, -_MEET / 2)


def _odd_border(rectangles: Sequence[Box], straight: dict[int, Box], words: Sequence[Words]) -> Box | None:
    """The largest rectangle as border of a sheet of no usual size, if it holds all lines and a title block."""
    if not rectangles:
        return None
    largest = rectangles[0]
    held = all(within(box, largest, _MEET) for box in straight.values())
    labelled = sum(is_label(word.text) and word.stands_in(largest) for word in words)
    return largest if held and labelled >= 2 else None


def _area(box: Box) -> float:
    return (box[2] - box[0]) * (box[3] - box[1])


def large_rectangles(straight: dict[int, Box], short: float = 0.0) -> list[Box]:
    """Closed rectangles of long lines; a line may be drawn in several parts, and be too `short` by a share of it."""
    level = [box for box in straight.values() if box[2] - box[0] > 100]
    upright = [box for box in straight.values() if box[3] - box[1] > 80]
    level = sorted(level, key=lambda box: box[0] - box[2])[:40]
    upright = sorted(upright, key=lambda box: box[1] - box[3])[:40]
    found: list[Box] = []
    for low, high in itertools.permutations(level, 2):
        near = _MEET + short * max(low[2] - low[0], high[2] - high[0])
        if high[1] - low[1] < 80 or abs(low[0] - high[0]) > near or abs(low[2] - high[2]) > near:
            continue
        first, last = (min(low[0], high[0]), max(low[2], high[2])) if short else (low[0], low[2])
        left = any(_joins(side, first, low[1], high[1], short) for side in upright)
        right = any(_joins(side, last, low[1], high[1], short) for side in upright)
        if left and right:
            found.append((first, low[1], last, high[1]))
    return found


def _joins(side: Box, x: float, low: float, high: float, short: float) -> bool:
    near = _MEET + short * (high - low)
    return abs(side[0] - x) <= _MEET and abs(side[1] - low) <= near and abs(side[3] - high) <= near


def _paper_of(box: Box, asked: PaperSize) -> tuple[PaperSize, bool] | None:
    """The paper a border fits, with the narrowest margins; the asked one when it fits as well."""
    width, height = size_of(box)
    candidates = []
    for size, (short, long) in SIDES_MM.items():
        for paper, landscape in (((long, short), True), ((short, long), False)):
            margins = (paper[0] - width, paper[1] - height)
            if all(-1.0 <= margin <= 2 * _WIDEST_MARGIN for margin in margins):
                candidates.append((size != asked, sum(margins), size, landscape))
    if not candidates:
        return None
    _, _, size, landscape = min(candidates)
    return size, landscape


def _is_paper(box: Box, size: PaperSize) -> bool:
    return all(abs(a - b) <= 2.0 for a, b in zip(sorted(size_of(box)), SIDES_MM[size], strict=True))


def on_edge(line: Box, edge: Box) -> bool:
    """Whether a straight line lies on one side of a rectangle."""
    level = line[3] - line[1] < line[2] - line[0]
    if not within(line, edge, _MEET):
        return False
    if level:
        return min(abs(line[1] - edge[1]), abs(line[1] - edge[3])) <= _MEET / 2
    return min(abs(line[0] - edge[0]), abs(line[0] - edge[2])) <= _MEET / 2


def _title_box(
    strokes: Sequence[Stroke],
    kinds: Sequence[Kind],
    straight: dict[int, Box],
    words: Sequence[Words],
    border: Box | None,
    members: set[int],
) -> Box | None:
    """The box of the title block: its own layer, else the net of lines around the words that name its fields."""
    labels = [word for word in words if is_label(word.text) or word.tag]
    own = [box_of(extremes(strokes[i].piece)) for i, kind in enumerate(kinds) if kind == "title" and i not in members]
    if own:
        inside = [box for box in own if border is None or within(box, border, _MEET)]
        if inside:
            return union(inside)
    nets = _nets({index: box for index, box in straight.items() if index not in members})
    candidates = []
    for net in nets:
        box = union(net)
        if border is not None:
            box = _to_border(box, border)
        if border is not None and _area(box) > 0.35 * _area(border):
            continue
        count = sum(1 for word in labels if word.stands_in(box))
        if count >= 1 and len(net) >= 2:
            candidates.append((count, -_area(box), box))
    if candidates:
        return max(candidates)[2]
    if len(labels) >= 2:
        return union([word.box for word in labels])
    return None


def _to_border(box: Box, border: Box) -> Box:
    """A net that touches the border on a side reaches to it: the border is the block's own edge there."""
    left, bottom, right, top = box
    near = 1.5
    if abs(right - border[2]) <= near or (bottom - border[1] <= near and border[2] - right < 60):
        right = border[2]
    if abs(bottom - border[1]) <= near:
        bottom = border[1]
    return (left, bottom, right, top)


def _nets(straight: dict[int, Box]) -> list[list[Box]]:
    """Straight lines that touch or cross, gathered."""
    boxes = list(straight.values())
    home = list(range(len(boxes)))

    def root(number: int) -> int:
        while home[number] != number:
            home[number] = home[home[number]]
            number = home[number]
        return number

    for i, a in enumerate(boxes):
        for j in range(i):
            b = boxes[j]
            if a[0] <= b[2] + _MEET and b[0] <= a[2] + _MEET and a[1] <= b[3] + _MEET and b[1] <= a[3] + _MEET:
                home[root(i)] = root(j)
    nets: dict[int, list[Box]] = {}
    for number, box in enumerate(boxes):
        nets.setdefault(root(number), []).append(box)
    return list(nets.values())
