"""Letters that a file draws, as outlines filled or as strokes of a pen, read as the text they are.

They are drawn by themselves, without anything that crosses them, and read as letters of a picture are. Sizes of
letters and pens: common practice, no source.
"""

import math
import re
from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Final

import numpy as np
import shapely
from numpy.typing import NDArray

from maqueta.geometry.box import Box, box_of, union
from maqueta.geometry.carrier import Circle, Line, Point
from maqueta.geometry.line_set import Piece
from maqueta.phrases.phrase import phrase
from maqueta.reading.content import Content, Shape, Stroke
from maqueta.reading.ink_map import InkMap

#: So many shapes that may be letters, so many figures drawn with a pen, make it worth looking.
_FEWEST_SHAPES, _FEWEST_DRAWN = 2, 4
#: Who writes with a pen, fills in a title block: fewer words than this are holes in a row.
_FEWEST_WORDS: Final = 3
#: No sheet has more letters.
_MOST: Final = 5000
#: A letter drawn with a pen is at most so large and at least so high, mm; its strokes meet within this.
_LARGEST, _LOWEST, _MEET = 9.0, 1.2, 0.03
#: The pen letters are drawn with, mm, where the file does not say.
_PEN: Final = 0.3
#: Letters are drawn with pixels of this size, mm, or larger ones where they are spread over much paper.
_PIXEL, _MOST_PIXELS = 0.08, 30_000_000
_RIM: Final = 4
_FIGURE: Final = re.compile(r"\d")

Pixels = NDArray[np.int32]


@dataclass(frozen=True)
class _Drawn:
    """Strokes that meet each other and nothing else: a letter, perhaps."""

    strokes: tuple[int, ...]
    box: Box

    def of(self, content: Content) -> list[Stroke]:
        """The strokes themselves."""
        return [content.strokes[k] for k in self.strokes]


def with_letters(content: Content) -> Content:
    """What a file holds, with the letters it draws read as words; whatever of them cannot be read is told."""
    unknown = [shape for shape in content.shapes if shape.unknown]
    shapes = content.shapes if len(unknown) >= _FEWEST_SHAPES else ()
    drawn = _drawn_letters(content)
    if (not shapes and not drawn) or len(shapes) + len(drawn) > _MOST:
        return _told(content, unknown)
    # What sees pictures takes a while to load; most sheets draw no letters.
    import cv2

    from maqueta.reading.picture.lettering import lettering_among
    from maqueta.reading.picture.words_read import words_read

    boxes = [*(box_of(shape.rings[0]) for shape in shapes), *(own.box for own in drawn)]
    left, bottom, right, top = union(boxes)
    pixel = max(_PIXEL, math.sqrt((right - left) * (top - bottom) / _MOST_PIXELS))
    wide, high = (math.ceil(reach / pixel) + 2 * _RIM for reach in (right - left, top - bottom))

    def at(point: Point) -> Point:
        """A place of the picture on paper."""
        return (left + (point[0] - _RIM) * pixel, bottom + (high - 1 - _RIM - point[1]) * pixel)

    def seen(points: Sequence[Point]) -> Pixels:
        """Points of the paper in the picture."""
        xy = np.asarray(points, dtype=float)
        return np.rint(
            np.column_stack([(xy[:, 0] - left) / pixel + _RIM, high - 1 - _RIM - (xy[:, 1] - bottom) / pixel])
        ).astype(np.int32)

    marks = [[(seen(ring), 0) for ring in shape.rings] for shape in shapes]
    marks += [
        [(seen(stroke.piece.outline()), max(1, round(_pen(stroke) / pixel))) for stroke in own.of(content)]
        for own in drawn
    ]
    labels, spots = _labelled((wide, high), marks)
    known = {k for own in drawn for k in own.strokes}
    besides = [seen(s.piece.outline()) for k, s in enumerate(content.strokes) if k not in known and _short(s)]
    ink = np.where(labels > 0, 255, 0).astype(np.uint8)
    cv2.polylines(ink, besides, isClosed=False, color=255, thickness=max(1, round(_PEN / pixel)))
    read = words_read(lettering_among(labels, spots, pixel, ink, written=True), at, pixel, pen=0.0 if shapes else _PEN)
    letters = {letter.name for line in read.lettering.lines for letter in line.letters}
    if not letters or (not shapes and len(read.words) < _FEWEST_WORDS):
        return _told(content, unknown)
    taken = [shape for name, shape in enumerate(shapes, 1) if name in letters]
    gone = {k for name, own in enumerate(drawn, len(shapes) + 1) if name in letters for k in own.strokes}
    bars = {(shape.bar.piece.carrier, shape.bar.piece.interval) for shape in taken if shape.bar is not None}
    heads = {shape.head for shape in taken if shape.head is not None}
    own = set(map(id, taken))
    found = replace(
        content,
        strokes=tuple(
            stroke
            for k, stroke in enumerate(content.strokes)
            if k not in gone
            and not (isinstance(stroke.piece.carrier, Line) and (stroke.piece.carrier, stroke.piece.interval) in bars)
        ),
        filled=tuple(shape for shape in content.filled if shape not in heads),
        words=(*content.words, *read.words),
        not_read=(*content.not_read, *read.doubts),
        recognised=True,
        lettered=InkMap(ink > 0, pixel, at((0.0, high - 1.0))),
        doubtful=content.doubtful | read.doubtful,
    )
    return _told(found, [shape for shape in unknown if id(shape) not in own])


def _told(content: Content, unknown: Sequence[Shape]) -> Content:
    """What is told of the shapes that are no letters; after this nobody asks for shapes."""
    if not content.shapes:
        return content
    counted = [phrase("unread-counted", what=phrase("unread-shapes"), count=len(unknown))] if unknown else []
    return replace(content, not_read=(*content.not_read, *counted), shapes=())


def _open(pieces: Sequence[Piece]) -> bool:
    """Whether strokes have an end by itself, as those of most letters have and those of holes have not."""
    ends = [end for piece in pieces for end in piece.ends]
    return any(sum(math.dist(end, other) <= _MEET for other in ends) == 1 for end in ends)


def _short(stroke: Stroke) -> bool:
    """Whether a stroke may be one of a letter."""
    return not stroke.style.pattern and stroke.piece.length <= _LARGEST


def _pen(stroke: Stroke) -> float:
    """How wide a stroke is drawn, mm."""
    return min(0.7, (stroke.style.width or round(100 * _PEN)) / 100)


def _labelled(size: tuple[int, int], marks: Sequence[Sequence[tuple[Pixels, int]]]) -> tuple[Pixels, Pixels]:
    """A picture, wide and high, with marks told apart by their numbers from 1, and the box of each.

    A mark is made of rings that are filled (0), with their holes, or of lines so many pixels wide. Letters that touch,
    or lie over each other a little, stay two.
    """
    import cv2
    from scipy.ndimage import find_objects

    labels = np.zeros((size[1], size[0]), np.int32)
    for name, mark in enumerate(marks, 1):
        if rings := [points for points, wide in mark if not wide]:
            cv2.fillPoly(labels, rings, name)
        for points, wide in mark:
            if wide:
                cv2.polylines(labels, [points], isClosed=False, color=name, thickness=wide)
    boxes = np.zeros((len(marks) + 1, 4), np.int32)
    for name, found in enumerate(find_objects(labels, max_label=len(marks)), 1):
        if found is not None:
            boxes[name] = (found[1].start, found[0].start, found[1].stop, found[0].stop)
    return labels, boxes


def _drawn_letters(content: Content) -> list[_Drawn]:
    """Small groups of strokes by themselves that may be letters, where the file has no figures in words: whoever writes
    sizes as text writes no others with a pen."""
    if content.sizes or any(_FIGURE.search(words.text) for words in content.words):
        return []
    short = [k for k, stroke in enumerate(content.strokes) if _short(stroke)]
    if len(short) < _FEWEST_DRAWN:
        return []
    # Most files write their sizes, and never come here.
    import networkx

    lines = [shapely.LineString(stroke.piece.outline()) for stroke in content.strokes]
    graph: networkx.Graph[int] = networkx.Graph()
    graph.add_nodes_from(range(len(lines)))
    graph.add_edges_from(shapely.STRtree(lines).query(lines, predicate="dwithin", distance=_MEET).T.tolist())
    possible = set(short)
    found: list[_Drawn] = []
    figures = 0
    for group in networkx.connected_components(graph):
        if not group <= possible:
            continue
        box = union(box_of(content.strokes[k].piece.outline()) for k in group)
        if max(box[2] - box[0], box[3] - box[1]) > _LARGEST:
            continue
        pieces = [content.strokes[k].piece for k in sorted(group)]
        # A hole by itself looks like an O, and a dash like a dash.
        carrier = pieces[0].carrier
        if len(pieces) == 1 and isinstance(carrier, Circle) and pieces[0].length > 6 * carrier.radius:
            continue
        figures += len(pieces) > 1 and _open(pieces)
        found.append(_Drawn(tuple(sorted(group)), box))
    return found if figures >= _FEWEST_DRAWN and max(o.box[3] - o.box[1] for o in found) >= _LOWEST else []
