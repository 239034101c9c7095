"""Lines of text among some ink, read by the recogniser and put on paper; whatever is in doubt is said."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from itertools import compress
from typing import Final

import numpy as np

from maqueta.geometry.carrier import Point
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.reading.content import Style, Words
from maqueta.reading.picture.askew import AskewText, askew_texts
from maqueta.reading.picture.lettering import Lettering
from maqueta.reading.picture.recogniser import RecogniserError, Said, real_text, recognised_lines

#: Letters of one height are measured alike within this (common practice, no source).
_AS_HIGH: Final = 0.12
_PLAIN: Final = Style("", (), "", False, None, 0)

#: From a place of a picture, pixels, to one on paper, mm.
At = Callable[[Point], Point]


@dataclass(frozen=True)
class WordsRead:
    """The lines of some lettering that are text, what they say, and which of that may be something else."""

    lettering: Lettering
    words: tuple[Words, ...]
    doubts: tuple[Phrase, ...]
    doubtful: frozenset[str]


def words_read(found: Lettering, at: At, pixel: float, pen: float = 0.0, askew: bool = False) -> WordsRead:
    """Read lettering; a pixel is so many mm. Letters of a `pen`, mm wide, are as high as its middle goes; sizes that
    stand `askew` are looked for where that is wanted.
    """
    try:
        every = recognised_lines(found)
        real = real_text(found, every)
        lettering, read = replace(found, lines=tuple(compress(found.lines, real))), list(compress(every, real))
        turned = askew_texts(lettering, read, pixel) if askew else []
    except RecogniserError:
        lost = (phrase("unread-no-recogniser", count=len(found.lines)),) if found.lines else ()
        return WordsRead(found, (), lost, frozenset())
    if turned:
        lettering, read = _without(lettering, read, turned)
    words, doubts = _on_paper(lettering, read, at, pixel, pen)
    words += [Words(own.said.text, at(own.corner), own.height * pixel, own.turn, _PLAIN) for own in turned]
    doubtful = frozenset(own.text for own in read if not own.sure)
    return WordsRead(lettering, _in_few_heights(words), tuple(doubts), doubtful)


def _without(lettering: Lettering, read: Sequence[Said], turned: Sequence[AskewText]) -> tuple[Lettering, list[Said]]:
    """Lines of text without the letters, and the ink without the spots, that make up texts that stand askew."""
    spots = {name for own in turned for name in own.spots}
    kept = [
        (line, own)
        for line, own in zip(lettering.lines, read, strict=True)
        if not any(letter.name in spots for letter in line.letters)
    ]
    ink = np.asarray(np.where(np.isin(lettering.labels, list(spots)), 0, lettering.ink), dtype=np.uint8)
    return replace(lettering, lines=tuple(line for line, _ in kept), ink=ink), [own for _, own in kept]


def _on_paper(
    lettering: Lettering, read: Sequence[Said], at: At, pixel: float, pen: float
) -> tuple[list[Words], list[Phrase]]:
    """Lines of text as they were recognised, and what to say of those in doubt."""
    words: list[Words] = []
    doubts: list[Phrase] = []
    for line, own in zip(lettering.lines, read, strict=True):
        left, _, right, bottom = line.box
        x, y = at((right if line.upright else left, bottom))
        if not own.text:
            doubts.append(phrase("unread-letters-near", x=x, y=y))
            continue
        half, high = pen / 2, max(line.height * pixel - pen, pixel)
        corner = (x - half, y + half) if line.upright else (x + half, y + half)
        words.append(Words(own.text, corner, high, 90.0 if line.upright else 0.0, _PLAIN))
        if not own.sure:
            doubts.append(phrase("unread-doubtful", text=own.text, x=x, y=y, sure=round(own.heard, 2)))
    return words, doubts


def _in_few_heights(words: Sequence[Words]) -> tuple[Words, ...]:
    """Texts whose heights differ by no more than what is seen of a letter can tell, in the middle one of those.

    A text without capitals or with an eye that fills is measured a little lower; sheets are written in a few heights.
    """
    heights = sorted(own.height for own in words)
    groups: list[list[float]] = []
    for height in heights:
        if groups and height <= groups[-1][0] * (1 + _AS_HIGH):
            groups[-1].append(height)
        else:
            groups.append([height])
    middle = {height: group[len(group) // 2] for group in groups for height in group}
    return tuple(replace(own, height=middle[own.height]) for own in words)
