"""Letters placed one by one on a page, put together to lines of text. How far apart they may be: common practice, no
source.
"""

import math
from collections.abc import Iterable
from dataclasses import dataclass, replace
from typing import Final

from maqueta.geometry.carrier import Point
from maqueta.reading.content import Style, Words

#: Letters of one text: the next begins so far from where the last one ended, along and across, in parts of the size.
_BACK, _AHEAD, _ASIDE = 0.4, 0.9, 0.12
#: A wider gap than this parts two words of one text.
_GAP: Final = 0.18
#: Sizes and turns (degrees) that differ by less are alike.
_LIKE, _TURN = 0.03, 0.6
_LONGEST: Final = 200


@dataclass(frozen=True, slots=True)
class Glyph:
    """A letter: where it begins on its base line, mm, its turn in degrees, how far the next one stands from it.

    `size` is that of its font, `capital` the height of its capitals, mm.
    """

    text: str
    at: Point
    turn: float
    advance: float
    size: float
    capital: float
    style: Style


@dataclass(frozen=True, slots=True)
class _Line:
    first: Glyph
    text: str
    #: Where the next letter is expected.
    end: Point


def words_of(glyphs: Iterable[Glyph]) -> tuple[Words, ...]:
    """Lines of text, in the order they were written."""
    found: list[Words] = []
    line: _Line | None = None
    for glyph in glyphs:
        joined = _joined(line, glyph) if line is not None else None
        if joined is None:
            found += _finished(line)
            joined = _Line(glyph, glyph.text, _after(glyph))
        line = joined
    return (*found, *_finished(line))


def _after(glyph: Glyph) -> Point:
    turn = math.radians(glyph.turn)
    return (glyph.at[0] + glyph.advance * math.cos(turn), glyph.at[1] + glyph.advance * math.sin(turn))


def _joined(line: _Line, glyph: Glyph) -> _Line | None:
    """A line with one letter more; None where the letter does not belong to it."""
    first = line.first
    alike = abs(glyph.size / first.size - 1) <= _LIKE if first.size > 0 else False
    if not alike or abs(math.remainder(glyph.turn - first.turn, 360)) > _TURN:
        return None
    turn = math.radians(first.turn)
    dx, dy = glyph.at[0] - line.end[0], glyph.at[1] - line.end[1]
    along, aside = dx * math.cos(turn) + dy * math.sin(turn), -dx * math.sin(turn) + dy * math.cos(turn)
    if abs(aside) > _ASIDE * first.size or not -_BACK * first.size <= along <= _AHEAD * first.size:
        return None
    space = " " if along > _GAP * first.size and not line.text.endswith(" ") and glyph.text.strip() else ""
    return replace(line, text=line.text + space + glyph.text, end=_after(glyph))


def _finished(line: _Line | None) -> list[Words]:
    if line is None or not line.text.strip():
        return []
    lead = len(line.text) - len(line.text.lstrip())
    first = line.first
    # Spaces before the first letter move where it begins; each is about a quarter of the size (common practice).
    turn, off = math.radians(first.turn), 0.25 * first.size * lead
    at = (first.at[0] + off * math.cos(turn), first.at[1] + off * math.sin(turn))
    text = " ".join(line.text.split())[:_LONGEST]
    return [Words(text, at, first.capital, first.turn, first.style)]
