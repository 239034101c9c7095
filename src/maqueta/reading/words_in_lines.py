"""Texts that stand in several lines and only together are a size: a hole with what is sunk into it."""

import math
from collections.abc import Sequence
from dataclasses import replace

from maqueta.reading.content import Words
from maqueta.sizes.text import read_text


def in_lines(words: Sequence[Words]) -> list[Words]:
    """Texts with what stands in lines below them, where only all lines together are the size of a hole."""
    below: set[int] = set()
    result: list[Words] = []
    for index, word in enumerate(words):
        if index in below:
            continue
        text, last = word.text, word
        if read_text(text).symbol in ("diameter", "thread"):
            while (number := _under(words, last)) is not None and number not in below:
                longer = read_text(f"{text} {words[number].text}")
                if longer.value is None or longer.symbol not in ("diameter", "thread") or _alone(words[number].text):
                    break
                below.add(number)
                text, last = f"{text} {words[number].text}", words[number]
        result.append(replace(word, text=text))
    return [word for number, word in enumerate(result) if word.text != words[number].text or number not in below]


def _alone(text: str) -> bool:
    """Whether a line of text is a size of its own and no more of the one above it."""
    written = read_text(text)
    return written.value is not None and written.mouth is None and written.depth is None


def _under(words: Sequence[Words], word: Words) -> int | None:
    """The text straight below another, a line apart."""
    turn = math.radians(word.turn)
    c, s = math.cos(turn), math.sin(turn)
    for index, other in enumerate(words):
        dx, dy = other.at[0] - word.at[0], other.at[1] - word.at[1]
        along, down = dx * c + dy * s, dx * s - dy * c
        level = abs(other.turn - word.turn) < 1 and abs(other.height - word.height) <= 0.2 * word.height
        if level and abs(along) <= 1.5 * word.height and 1.0 * word.height < down <= 2.2 * word.height:
            return index
    return None
