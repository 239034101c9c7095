"""Letters in the ink of a sheet, put together to lines of text. How far apart letters are: common practice, no source.

All lengths in pixels, x right and y down.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import Final

import cv2
import networkx
import numpy as np
from numpy.typing import NDArray

from maqueta.geometry.box import Box
from maqueta.reading.picture.thinned import Mask

#: Letters are so high or wide, mm.
_LEAST, _MOST = 1.1, 11.0
#: Letters of one text: gaps as a share of their height, how much they overlap across, how different they may be.
_GAP, _OVERLAP, _ALIKE = 1.1, 0.55, 0.55
#: Strokes, points and marks stand so near to the letters of their text, as a share of its height.
_REACH: Final = 0.62
#: At most so many of the letters of a text, as a share, are single strokes.
_STROKES: Final = 0.67
#: The same where nothing but what may be a letter is seen besides.
_OF_LETTERS: Final = (0.8, 0.25)
#: A single letter is about as high as some longer text.
_LIKE: Final = (0.8, 1.3)
#: Of letters that were written one after the other, so many may lie between two that stand beside each other.
_FOLLOWING: Final = 4
#: A stroke is so many times longer than wide.
_STROKE: Final = 3.2


@dataclass(frozen=True)
class Letter:
    """A connected spot of ink: its name in the labels, its box, and how slim it is."""

    name: int
    box: Box
    stroke: bool

    @property
    def size(self) -> tuple[float, float]:
        """How wide and how high it is."""
        return self.box[2] - self.box[0], self.box[3] - self.box[1]


@dataclass(frozen=True)
class TextLine:
    """Letters of a text in their order; `upright` where it reads from below upwards."""

    letters: tuple[Letter, ...]
    upright: bool

    @property
    def box(self) -> Box:
        """The box round all of them."""
        lefts, tops, rights, bottoms = zip(*(letter.box for letter in self.letters), strict=True)
        return (min(lefts), min(tops), max(rights), max(bottoms))

    @property
    def height(self) -> float:
        """How high its capitals and figures are."""
        own = sorted(letter.size[0 if self.upright else 1] for letter in self.letters)
        return own[(3 * len(own)) // 4] if len(own) > 1 else own[0]


@dataclass(frozen=True)
class Lettering:
    """Lines of text among some ink, by the names and boxes of its connected spots."""

    lines: tuple[TextLine, ...]
    labels: NDArray[np.int32]
    boxes: NDArray[np.int32]
    ink: Mask
    #: Ink so near to the end of a text, as a share of its height, and along so much of that, may be a letter of it.
    next_to: tuple[float, float] = (0.45, 0.6)

    def pixels_of(self, name: int) -> tuple[NDArray[np.intp], NDArray[np.intp]]:
        """Where a spot has its pixels: their y and their x."""
        left, top, right, bottom = (int(c) for c in self.boxes[name])
        ys, xs = np.nonzero(self.labels[top:bottom, left:right] == name)
        return ys + top, xs + left

    def goes_on(self, line: TextLine) -> bool:
        """Whether there is more ink next to the ends of a line, as high as its letters: one that another line crosses
        may have been lost."""
        high, wide = self.ink.shape
        left, top, right, bottom = (int(c) for c in line.box)
        near, along = self.next_to
        reach = max(2, round(near * line.height))
        if line.upright:
            strips = [
                (slice(max(0, top - reach), top), slice(left, right)),
                (slice(bottom, min(high, bottom + reach)), slice(left, right)),
            ]
        else:
            strips = [
                (slice(top, bottom), slice(max(0, left - reach), left)),
                (slice(top, bottom), slice(right, min(wide, right + reach))),
            ]
        across = 0 if line.upright else 1
        return any(
            bool(strip.size) and float((strip > 0).any(axis=across).mean()) >= along
            for strip in (self.ink[own] for own in strips)
        )

    def without(self, lines: Sequence[TextLine]) -> Mask:
        """The ink without some lines of text."""
        gone = np.zeros(len(self.boxes), dtype=bool)
        gone[[letter.name for line in lines for letter in line.letters]] = True
        return np.asarray(np.where(gone[self.labels], 0, self.ink), dtype=np.uint8)


def lettering_of(ink: Mask, pixel: float) -> Lettering:
    """The lines of text in some ink; `pixel` is the size of a pixel, mm."""
    _, labels, stats, _ = cv2.connectedComponentsWithStats(ink, connectivity=8)
    x, y, wide, high = stats[:, 0], stats[:, 1], stats[:, 2], stats[:, 3]
    return lettering_among(np.asarray(labels, np.int32), np.column_stack([x, y, x + wide, y + high]), pixel, ink)


def lettering_among(
    labels: NDArray[np.int32], boxes: NDArray[np.int32], pixel: float, ink: Mask, written: bool = False
) -> Lettering:
    """The lines of text among spots of ink that are told apart: each has its name in `labels`, 0 is the paper, and its
    box in the row of that name; `ink` has all there is besides, or of what was written what else may be a letter.

    Where they were `written`, letters of one text have names that follow each other.
    """
    spots = [_spot(labels, boxes[name], name, pixel) for name in range(1, len(boxes))]
    letters = [spot for spot in spots if spot is not None]
    lines = _in_usual_sizes(tuple(_lines(letters, _LEAST / pixel, _FOLLOWING if written else None)))
    return Lettering(lines, labels, boxes, ink, _OF_LETTERS) if written else Lettering(lines, labels, boxes, ink)


def _in_usual_sizes(lines: Sequence[TextLine]) -> tuple[TextLine, ...]:
    """Lines of text without single letters in a size nothing else is written in: a small hole looks like a 0."""
    usual = [line.height for line in lines if len(line.letters) > 1]
    return tuple(
        line
        for line in lines
        if len(line.letters) > 1 or any(_LIKE[0] <= line.height / height <= _LIKE[1] for height in usual)
    )


def _spot(labels: NDArray[np.int32], box: NDArray[np.int32], name: int, pixel: float) -> Letter | None:
    x, y, right, bottom = (int(number) for number in box)
    wide, high = right - x, bottom - y
    if max(wide, high) * pixel > _MOST:
        return None
    ys, xs = np.nonzero(labels[y:bottom, x:right] == name)
    area = len(xs)
    if area < 6:
        return None
    (_, (one, other), _) = cv2.minAreaRect(np.column_stack([xs, ys]).astype(np.float32))
    long, slim = max(one, other) + 1, min(one, other) + 1
    stroke = long >= _STROKE * slim and area >= 0.6 * long * slim
    return Letter(name, (float(x), float(y), float(x + wide), float(y + high)), stroke)


def _lines(letters: Sequence[Letter], least: float, following: int | None) -> Iterator[TextLine]:
    """Letters in rows, level or upright; strokes only where they stand among others.

    Letters that are no more than so many names apart may be one text, where that is known at all.
    """
    full = [letter for letter in letters if not letter.stroke]
    known = [letter for letter in full if max(letter.size) >= least]
    level, upright = (_grown(_rows(known, way, following), letters, way, following) for way in (False, True))
    taken: set[int] = set()
    for line in sorted([*level, *upright], key=lambda own: (-len(own.letters), own.upright)):
        own = [letter for letter in line.letters if letter.name not in taken]
        # Dashes in a row are no text, however many dots stand between them.
        if sum(letter.stroke for letter in own) > _STROKES * len(own):
            continue
        if len(own) == 1:
            wide, high = own[0].size
            if line.upright != (wide > 1.15 * high):
                continue
        if own:
            taken.update(letter.name for letter in own)
            yield TextLine(tuple(own), line.upright)


def _turned(letter: Letter) -> Letter:
    """A letter of an upright text as it is read: along its text from left to right, from above down."""
    left, top, right, bottom = letter.box
    return Letter(letter.name, (-bottom, left, -top, right), letter.stroke)


def _rows(letters: Sequence[Letter], upright: bool, following: int | None) -> list[list[Letter]]:
    own = [_turned(letter) if upright else letter for letter in letters]
    graph: networkx.Graph[int] = networkx.Graph()
    graph.add_nodes_from(range(len(own)))
    order = sorted(range(len(own)), key=lambda k: own[k].box[0])
    for place, i in enumerate(order):
        for j in order[place + 1 :]:
            if own[j].box[0] - own[i].box[2] > 3 * own[i].size[1]:
                break
            if (following is None or abs(own[i].name - own[j].name) <= following) and _beside(own[i], own[j]):
                graph.add_edge(i, j)
    return [sorted((own[k] for k in group), key=lambda o: o.box[0]) for group in networkx.connected_components(graph)]


def _beside(one: Letter, other: Letter) -> bool:
    """Whether one letter follows another on a line."""
    high = max(one.size[1], other.size[1])
    low = min(one.size[1], other.size[1])
    overlap = min(one.box[3], other.box[3]) - max(one.box[1], other.box[1])
    gap = other.box[0] - one.box[2]
    return -0.3 * high <= gap <= _GAP * high and overlap >= _OVERLAP * low and low >= _ALIKE * high


def _written_next(names: NDArray[np.int_], own: NDArray[np.bool_]) -> NDArray[np.bool_]:
    """Which letters were written up to two before or after one of a row."""
    near = np.zeros(names.max() + 5, dtype=bool)
    for apart in range(5):
        near[names[own] + apart] = True
    return near[names + 2]


def _grown(
    rows: Sequence[Sequence[Letter]], letters: Sequence[Letter], upright: bool, following: int | None
) -> list[TextLine]:
    """Rows with what stands among their letters as well: strokes, points, marks beside them."""
    every = [_turned(letter) if upright else letter for letter in letters]
    boxes, stroke = np.array([o.box for o in every]).reshape(-1, 4), np.array([o.stroke for o in every], dtype=bool)
    wide, tall = boxes[:, 2] - boxes[:, 0], boxes[:, 3] - boxes[:, 1]
    # A stroke along the text is a dash; it may be a sign where it is short.
    widest = np.where(stroke & (wide > tall), 0.55, 1.1)
    place = {letter.name: k for k, letter in enumerate(letters)}
    names = np.array([letter.name for letter in every], dtype=int)
    found = []
    for row in rows:
        own = np.zeros(len(every), dtype=bool)
        own[[place[letter.name] for letter in row]] = True
        while True:
            (left, top), (right, bottom) = boxes[own, :2].min(axis=0), boxes[own, 2:].max(axis=0)
            high = bottom - top
            # What was written next may stand a space apart.
            reach = np.where(_written_next(names, own), _GAP, _REACH) if following else _REACH
            more = (
                ~own
                & (boxes[:, 1] >= top - 0.15 * high)
                & (boxes[:, 3] <= bottom + 0.22 * high)
                & (boxes[:, 0] <= right + reach * high)
                & (boxes[:, 2] >= left - reach * high)
                & (wide <= widest * high)
            )
            if not more.any():
                break
            own |= more
        order = sorted(np.flatnonzero(own).tolist(), key=lambda k: float(boxes[k, 0]))
        found.append(TextLine(tuple(letters[k] for k in order), upright))
    return found
