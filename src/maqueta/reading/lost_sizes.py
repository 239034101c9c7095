"""Sizes that stand on a picture and were not read, told by arrowheads and by texts that belong to none that was."""

import math
import re
from collections import Counter
from collections.abc import Collection, Iterator, Sequence
from typing import Final

from maqueta.geometry.carrier import Point
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.reading.content import Pointer, Size, Words
from maqueta.reading.loose_sizes import tip_of
from maqueta.reading.words_in_lines import in_lines
from maqueta.sizes.text import read_text

#: An arrowhead stands within this of what it belongs to, mm (common practice, no source).
_NEAR: Final = 2.0
#: A callout that begins or ends with a sign for what is not there.
_OPEN_END: Final = re.compile(r"^\s*[⌴⌵↧×]|[⌴⌵↧×Ø⌀]\s*$")


def is_cut_short(text: str) -> bool:
    """Whether something of a callout is lacking: a sign stands at its rim with nothing beside it."""
    return _OPEN_END.search(text) is not None


def left_open(asked: int, others: int) -> list[Phrase]:
    """What is said where sizes were not read, or in part: those that are `asked` about by themselves already, and
    others. Nothing is asked twice.
    """
    if others:
        return [phrase("unread-sizes", count=others)]
    return [phrase("unread-sizes-open")] if asked else []


def lost_sizes(shapes: Sequence[Sequence[Point]], sizes: Sequence[Size], pointers: Sequence[Pointer]) -> int:
    """How many sizes have arrowheads on the sheet and were not read; `shapes` are filled ones, all in mm on paper.

    A size has two arrowheads, a leader one: what is left over by itself counts as one.
    """
    tips = [tip for shape in shapes if (tip := tip_of(shape)) is not None]
    ends = [end for size in sizes for end in _ends(size)]
    free = [
        tip
        for tip in tips
        if not any(math.dist(tip, end) <= _NEAR for end in ends)
        and not any(_at_circle(tip, size) for size in sizes)
        and not any(_on_way(tip, pointer) for pointer in pointers)
    ]
    return math.ceil(len(free) / 2)


def texts_alone(words: Sequence[Words], sizes: Sequence[Size], used: Collection[str]) -> list[str]:
    """Texts that say a size and are the text of none that was read; `used` are those at leaders.

    A figure by itself may be a stroke of a line, and says nothing.
    """
    known = Counter(_squeezed(size.text) for size in sizes)
    known.update(dict.fromkeys(map(_squeezed, used), len(words)))
    said = Counter(own.text for own in in_lines(words) if _says_size(own.text))
    return [text for text, count in said.items() for _ in range(count - known[_squeezed(text)])]


def _says_size(text: str) -> bool:
    return len(text) > 1 and read_text(text).value is not None


def _squeezed(text: str) -> str:
    return "".join(text.split())


def _ends(size: Size) -> Iterator[Point]:
    """Where the arrowheads of a size stand: at the ends of its dimension line, or where it was taken."""
    yield from (size.first, size.second)
    if size.kind in ("linear", "aligned", "other"):
        yield from size.line


def _at_circle(tip: Point, size: Size) -> bool:
    if size.kind in ("diameter", "radius"):
        return abs(math.dist(tip, size.first) - math.dist(size.first, size.second)) <= _NEAR
    if size.vertex is not None:
        return abs(math.dist(tip, size.vertex) - math.dist(size.place, size.vertex)) <= _NEAR
    return False


def _on_way(tip: Point, pointer: Pointer) -> bool:
    """Whether a tip is that of a leader, which may be cut short before it."""
    (x, y), before = pointer.points[0], pointer.points[min(1, len(pointer.points) - 1)]
    if math.dist(tip, (x, y)) <= _NEAR:
        return True
    length = math.dist((x, y), before)
    if length < 1e-9:
        return False
    along = ((x - before[0]) / length, (y - before[1]) / length)
    ahead = (tip[0] - x) * along[0] + (tip[1] - y) * along[1]
    return ahead > 0 and abs((tip[1] - y) * along[0] - (tip[0] - x) * along[1]) <= _NEAR / 2
