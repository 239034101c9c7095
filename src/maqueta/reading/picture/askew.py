"""Letters that stand neither level nor upright, as of sizes along slanted lines: turned level, then read like others.

Lengths in pixels, x right and y down, unless it says otherwise. How near letters of one text are: common
practice, no source.
"""

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from typing import Final

import cv2
import networkx
import numpy as np
from numpy.typing import NDArray
from scipy.spatial import cKDTree

from maqueta.geometry.carrier import Line, Point
from maqueta.reading.content import Stroke, Words
from maqueta.reading.picture.lettering import Lettering, TextLine, lettering_of
from maqueta.reading.picture.recogniser import Said, is_size, recognised_lines

#: Middles of letters that follow each other are at most so many heights apart.
_NEXT: Final = 1.35
#: Letters are so large, as shares of the usual height; askew their boxes are larger than they are.
_LARGE: Final = (0.75, 1.65)
#: Points and strokes stand so near to the middle of a letter, in heights.
_BESIDE: Final = 1.2
#: Texts that lean by less, degrees, are level or upright.
_LEAN: Final = 8.0
#: Letters of a level text may be so far from level, degrees: some are higher than others.
_CLIMB: Final = 12.0
#: Letters of one text stray from their line by at most this share of their height.
_STRAY: Final = 0.3
#: So many groups of spots are looked at, those of most letters first.
_MOST: Final = 4
#: Turned letters are laid on finer pixels, by this factor, so that their edges stay.
_FINER: Final = 2
#: Of few letters the lean is known within so many degrees; the line a text stands at is at most so many heights off
#: (common practice, no source).
_UNSURE, _AT_LINE = 6.0, 2.5
_MARGIN: Final = 6

Names = NDArray[np.intp]


@dataclass(frozen=True)
class AskewText:
    """A text that was read: the lower left corner of its letters, their height, the degrees it is turned by
    (counter-clockwise), what it says, and the names of the spots it is made of.
    """

    corner: Point
    height: float
    turn: float
    said: Said
    spots: frozenset[int]


def askew_texts(lettering: Lettering, read: Sequence[Said], pixel: float) -> list[AskewText]:
    """Sizes that stand askew among what is in no line of text that was `read` as a size beyond doubt; and among what
    was, where its letters go up or down. Raises RecogniserError.
    """
    lines = [line for line in lettering.lines if len(line.letters) > 1]
    if not lines:
        return []
    usual = float(np.median([line.height for line in lines]))
    clear = [line for line, own in zip(lettering.lines, read, strict=True) if own.sure and is_size(own.text)]
    taken = {
        letter.name for line in clear if len(line.letters) > 1 and not _climbs(line, usual) for letter in line.letters
    }
    boxes = lettering.boxes.astype(float)
    middles, large = (boxes[:, :2] + boxes[:, 2:]) / 2, (boxes[:, 2:] - boxes[:, :2]).max(axis=1)
    free = np.array([name not in taken for name in range(len(boxes))])
    free[0] = False
    full = np.flatnonzero(free & (large >= _LARGE[0] * usual) & (large <= _LARGE[1] * usual))
    small = np.flatnonzero(free & (large < _LARGE[0] * usual))
    rows = sorted(_rows(full, small, middles, usual), key=lambda own: len(own.letters), reverse=True)
    return [text for row in rows[:_MOST] if (text := _read(lettering, row, pixel)) is not None]


def as_their_lines(words: Sequence[Words], strokes: Sequence[Stroke]) -> tuple[Words, ...]:
    """Words with those that stand askew turned exactly as the line beside them, which knows it better than a few
    letters do. All in mm on paper, y up.
    """
    return tuple(_as_its_line(own, strokes) if own.turn not in (0.0, 90.0) else own for own in words)


def _as_its_line(text: Words, strokes: Sequence[Stroke]) -> Words:
    turn = math.radians(text.turn)
    along, up = (math.cos(turn), math.sin(turn)), (-math.sin(turn), math.cos(turn))
    half = (text.width / 2, text.height / 2)
    middle = tuple(text.at[k] + half[0] * along[k] + half[1] * up[k] for k in (0, 1))
    found: list[tuple[float, float]] = []
    for stroke in strokes:
        line = stroke.piece.carrier
        if not isinstance(line, Line):
            continue
        other = (math.degrees(line.angle) - text.turn + 90) % 180 - 90
        start, end = stroke.piece.interval
        place = line.parameter((middle[0], middle[1]))
        away = math.dist(middle, line.point(place))
        beside = max(0.0, start - place, place - end)
        if abs(other) <= _UNSURE and end - start >= text.height and max(away, beside) <= _AT_LINE * text.height:
            found.append((math.hypot(away, beside), other))
    return replace(text, turn=text.turn + min(found)[1]) if found else text


@dataclass(frozen=True)
class _Row:
    """Letters in a row that leans by some degrees, and the points and strokes among them, by their names."""

    letters: tuple[int, ...]
    beside: tuple[int, ...]
    lean: float


def _climbs(line: TextLine, usual: float) -> bool:
    """Whether the letters of a line stand in a row that is neither level nor upright."""
    middles = [
        ((letter.box[0] + letter.box[2]) / 2, (letter.box[1] + letter.box[3]) / 2)
        for letter in line.letters
        if max(letter.size) >= _LARGE[0] * usual
    ]
    if len(middles) < 2:
        return False
    lean = _lean(np.subtract(middles[-1], middles[0]))
    return min(abs(lean), 90 - abs(lean)) >= _CLIMB


def _rows(full: Names, small: Names, middles: NDArray[np.float64], usual: float) -> Iterator[_Row]:
    """Letters in rows that are neither level nor upright."""
    if len(full) < 2:
        return
    graph: networkx.Graph[int] = networkx.Graph()
    letters = cKDTree(middles[full])
    graph.add_edges_from((int(full[i]), int(full[j])) for i, j in letters.query_pairs(_NEXT * usual))
    if len(small):
        near = letters.query_ball_tree(cKDTree(middles[small]), _BESIDE * usual)
        graph.add_edges_from((int(full[i]), int(small[j])) for i, found in enumerate(near) for j in found)
    known = {int(name) for name in full}
    for together in networkx.connected_components(graph):
        row, beside = sorted(together & known), sorted(together - known)
        if len(row) < 2:
            continue
        points = middles[row] - middles[row].mean(axis=0)
        _, _, (along, across) = np.linalg.svd(points, full_matrices=False)
        lean = _lean(along)
        if np.abs(points @ across).max() <= _STRAY * usual and min(abs(lean), 90 - abs(lean)) >= _LEAN:
            yield _Row(tuple(row), tuple(beside), lean)


def _lean(way: NDArray[np.float64]) -> float:
    """By how many degrees a text along a way is turned counter-clockwise, read from below or from the right."""
    lean = math.degrees(math.atan2(-way[1], way[0]))
    return lean - 180 if lean > 90 else lean + 180 if lean <= -90 else lean


def _read(lettering: Lettering, row: _Row, pixel: float) -> AskewText | None:
    """A row turned level and read: the size it is beyond doubt, if it is one."""
    names = (*row.letters, *row.beside)
    spots = [lettering.pixels_of(name) for name in names]
    ys, xs = np.concatenate([y for y, _ in spots]), np.concatenate([x for _, x in spots])
    left, top = int(xs.min()) - _MARGIN, int(ys.min()) - _MARGIN
    shape = np.zeros((int(ys.max()) - top + _MARGIN, int(xs.max()) - left + _MARGIN), np.uint8)
    shape[ys - top, xs - left] = 255
    side = _FINER * math.ceil(math.hypot(*shape.shape))
    matrix = cv2.getRotationMatrix2D((shape.shape[1] / 2, shape.shape[0] / 2), -row.lean, _FINER)
    matrix[:, 2] += (side / 2 - shape.shape[1] / 2, side / 2 - shape.shape[0] / 2)
    level = np.asarray(cv2.warpAffine(shape, matrix, (side, side), flags=cv2.INTER_CUBIC) > 127, np.uint8) * 255
    laid = lettering_of(level, pixel / _FINER)
    for line, said in zip(laid.lines, recognised_lines(laid), strict=True):
        # A size alone is taken for one: what stands askew is a piece of a drawing more often.
        if not line.upright and said.sure and is_size(said.text) and len(line.letters) > 1:
            x, y = cv2.invertAffineTransform(matrix) @ (line.box[0], line.box[3], 1.0)
            return AskewText((float(x) + left, float(y) + top), line.height / _FINER, row.lean, said, frozenset(names))
    return None
