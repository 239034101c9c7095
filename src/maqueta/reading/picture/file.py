"""A picture of a sheet, scanned or photographed, as strokes and words in mm on paper.

The sheet is laid flat by its border, its letters are read by a general recogniser, the rest of its ink is thinned,
followed, and fitted with lines and arcs. Whatever is in doubt is said.
"""

import math
from collections.abc import Sequence
from typing import Final

import numpy as np

from maqueta.geometry.carrier import TURN, Carrier, Circle, Interval, Point, arc_interval, line_through
from maqueta.geometry.line_set import Piece
from maqueta.phrases.phrase import phrase
from maqueta.reading.by_hand import is_by_hand
from maqueta.reading.content import Content, Stroke, Style
from maqueta.reading.errors import UnreadableSheetError
from maqueta.reading.ink_map import InkMap
from maqueta.reading.limits import MOST_STROKES
from maqueta.reading.picture.arrowheads import heads_of
from maqueta.reading.picture.askew import as_their_lines
from maqueta.reading.picture.broken_lines import Dash, broken_circles, broken_lines, centres_of, with_its_dots
from maqueta.reading.picture.fitted import paths_of
from maqueta.reading.picture.image import Picture, jpeg_of
from maqueta.reading.picture.ink import ink_of
from maqueta.reading.picture.lettering import lettering_of
from maqueta.reading.picture.path import Path
from maqueta.reading.picture.rings import completed
from maqueta.reading.picture.straightened import straightened
from maqueta.reading.picture.traced import traced
from maqueta.reading.picture.widths import gauge
from maqueta.reading.picture.words_read import At, words_read

#: Shorter lines than this, mm, are specks.
_SPECK: Final = 0.2
#: What is shorter than this by itself, mm, is a speck as well.
_ALONE: Final = 0.5
#: Lines lean by so much, mm, and by this share of their length, although they were drawn level or upright.
_LEAN, _OF_LENGTH = 0.12, 0.002
#: Widths are told apart where wide lines are so many times wider than narrow ones.
_WIDER: Final = 1.35
#: What wide and narrow lines are written down as, 1/100 mm; the picture knows no more than that.
_WIDE, _NARROW = 50, 25
#: A picture is shown with pixels of this size, mm.
_SHOWN_PIXEL: Final = 0.18
_PLAIN: Final = Style("", (), "", False, None, 0)


def read_picture(picture: Picture, paper: tuple[float, float]) -> Content:
    """Read a picture of a sheet; `paper` is how wide and high the sheet should be, mm, where nothing else tells.

    Raises UnreadableSheetError with one line for people.
    """
    sheet = straightened(picture, paper)
    ink, pixel = ink_of(sheet.grey), sheet.pixel
    high = ink.shape[0]

    def at(point: Point) -> Point:
        """A place of the picture on paper: from the middle of the first pixel, up instead of down."""
        return (point[0] * pixel, (high - 1 - point[1]) * pixel)

    read = words_read(lettering_of(ink, pixel), at, pixel, askew=True)
    drawn = read.lettering.without(read.lettering.lines)
    followed = completed(paths_of(traced(drawn), gauge(sheet.grey)), drawn)
    paths = [path for path in followed if path.length * pixel >= _SPECK]
    if not paths:
        raise UnreadableSheetError(phrase("sheet-file-without-lines"))
    if len(paths) > MOST_STROKES:
        raise UnreadableSheetError(phrase("sheet-lines", most=MOST_STROKES))
    heads = [tuple(at(corner) for corner in head.corners) for path in paths for head in heads_of(path, pixel)]
    straight = [(at(path.first), at(path.last)) for path in paths if path.centre is None]
    strokes = _strokes(paths, at, pixel)
    return Content(
        strokes=tuple(strokes),
        words=as_their_lines(read.words, strokes),
        sizes=(),
        pointers=(),
        filled=tuple(heads),
        not_read=read.doubts,
        page=(ink.shape[1] * pixel, high * pixel),
        recognised=True,
        doubtful=read.doubtful,
        by_hand=is_by_hand(straight, _LEAN, _OF_LENGTH),
        ink=InkMap(ink > 0, pixel),
        photograph=jpeg_of(sheet.grey, min(1.0, pixel / _SHOWN_PIXEL)),
    )


def _strokes(paths: Sequence[Path], at: At, pixel: float) -> list[Stroke]:
    """Paths on paper, dashes in a row as one line."""
    wide = _wide_from(paths)
    widths = [None if wide is None else _WIDE if path.width >= wide else _NARROW for path in paths]
    straight = [k for k, path in enumerate(paths) if path.centre is None]
    dashes = [Dash(*_squared(at(paths[k].first), at(paths[k].last)), widths[k]) for k in straight]
    strokes: list[Stroke] = []
    gone: set[int] = set()
    centres = list(dict.fromkeys(_rounded(at(path.centre)) for path in paths if path.centre is not None))
    rings = broken_circles(dashes, [*centres, *centres_of(dashes)])
    gone |= {straight[k] for ring in rings for k in ring.members}
    left = [k for k in range(len(dashes)) if straight[k] not in gone]
    lines = broken_lines([dashes[k] for k in left])
    for ring in rings:
        style = Style("", with_its_dots(ring.pattern, lines), "", False, dashes[min(ring.members)].width, 0)
        circle = Circle(*ring.centre, ring.radius)
        strokes.append(Stroke(Piece("visible", circle, (0.0, TURN), (), ()), style))
    for line in lines:
        own, along = line_through(*_squared(line.first, line.last))
        style = Style("", line.pattern, "", False, dashes[left[min(line.members)]].width, 0)
        # The last gap of a broken line does not show.
        strokes.append(Stroke(Piece("visible", own, along, (), ()), style, short=0.3 - line.pattern[1]))
        gone |= {straight[left[k]] for k in line.members - line.kept}
    for k, path in enumerate(paths):
        if k not in gone and path.length * pixel >= _ALONE:
            carrier, interval = _carrier(path, at, pixel)
            style = Style("", (), "", False, widths[k], 0)
            strokes.append(Stroke(Piece("visible", carrier, interval, (), ()), style))
    return strokes


def _rounded(point: Point) -> Point:
    return (round(point[0], 1), round(point[1], 1))


def _carrier(path: Path, at: At, pixel: float) -> tuple[Carrier, Interval]:
    if path.centre is None:
        return line_through(*_squared(at(path.first), at(path.last)))
    x, y = at(path.centre)
    circle = Circle(x, y, path.radius * pixel)
    places = [path.places[k] for k in (0, len(path.places) // 2, -1)]
    start, half, end = (circle.parameter(at((float(p[0]), float(p[1])))) for p in places)
    return circle, arc_interval(start, half, end, path.closed)


def _squared(first: Point, last: Point) -> tuple[Point, Point]:
    """A line made level or upright where it leans by no more than a picture can tell."""
    (x0, y0), (x1, y1) = first, last
    slack = max(_LEAN, _OF_LENGTH * math.dist(first, last))
    if abs(y1 - y0) <= slack < abs(x1 - x0):
        return (x0, (y0 + y1) / 2), (x1, (y0 + y1) / 2)
    if abs(x1 - x0) <= slack < abs(y1 - y0):
        return ((x0 + x1) / 2, y0), ((x0 + x1) / 2, y1)
    return first, last


def _wide_from(paths: Sequence[Path]) -> float | None:
    """The width from which on a line is a wide one; None where all are alike (Otsu 1979, from memory)."""
    widths, lengths = np.array([path.width for path in paths]), np.array([path.length for path in paths])
    best: tuple[float, float] | None = None
    for bound in np.unique(widths)[1:]:
        low, high = widths < bound, widths >= bound
        share = lengths[low].sum() / lengths.sum()
        narrow, wide = np.average(widths[low], weights=lengths[low]), np.average(widths[high], weights=lengths[high])
        apart = share * (1 - share) * (wide - narrow) ** 2
        if wide >= _WIDER * narrow and (best is None or apart > best[0]):
            best = (float(apart), float(bound))
    return None if best is None else best[1]
