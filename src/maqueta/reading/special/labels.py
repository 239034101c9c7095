"""Letters and labels of sections, details and arrowed views, in four languages and both orders.

English, Spanish, German and French words of the trade; common practice, no source.
"""

import re
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final, Literal

from maqueta.geometry.box import Box
from maqueta.geometry.carrier import Point
from maqueta.reading.content import Words
from maqueta.reading.kinds import plain
from maqueta.sheet.scales import parse_scale

LabelKind = Literal["section", "detail", "view"]

_SECTION: Final = r"SECTION(?: VIEW)?|SECT\.?|SEC\.?|CUT|CORTE|SECCION|SCHNITT(?:ANSICHT)?|COUPE"
_DETAIL: Final = (
    r"DETAIL(?: VIEW)?|DET\.|DETALLE|EINZELHEIT|DETAILANSICHT|ENLARGEMENT|ENLARGED|AMPLIACION|VERGROSSERUNG"
    r"|AGRANDISSEMENT"
)
_VIEW: Final = r"(?:AUXILIARY )?VIEW(?: ON)?|ANSICHT|VISTA(?: AUXILIAR)?(?: POR)?|VUE(?: SUIVANT)?|FLECHA"
_NUMBER: Final = r"\d+(?:[.,]\d+)?"
_SCALE: Final = rf"(?:SCALE|ESCALA|ESC\.?|MASSSTAB|MASZSTAB|M|ECHELLE|ECH\.?)?\s*[:=]?\s*({_NUMBER}\s*:\s*{_NUMBER})"
_PAIR: Final = re.compile(r"^([A-Z]{1,2})\s*[-–—−]\s*([A-Z]{1,2})$")
_LETTER: Final = re.compile(r"^[A-Z]$")
_TWICE: Final = re.compile(r"^([A-Z])\1$")
_QUOTES: Final = re.compile("[\"'’‘“”„«»]")
_STATED: Final = re.compile(rf"\(?\s*\b{_SCALE}\s*\)?")
_WORDS: Final[tuple[tuple[LabelKind, re.Pattern[str]], ...]] = (
    ("section", re.compile(rf"\b(?:{_SECTION})(?=\s|$)")),
    ("detail", re.compile(rf"\b(?:{_DETAIL})(?=\s|$)")),
    ("view", re.compile(rf"\b(?:{_VIEW})(?=\s|$)")),
)


@dataclass(frozen=True, slots=True)
class Label:
    """What stands over a special view: its letter, and the scale written with it ("" for none); `words` are places."""

    kind: LabelKind
    letter: str
    scale: str
    box: Box
    words: tuple[int, ...]


@dataclass(frozen=True, slots=True)
class LoneLetter:
    """A letter that stands alone: at a cutting line, a circle or an arrow."""

    letter: str
    at: Point
    height: float
    word: int


def labels_of(words: Sequence[Words]) -> tuple[list[Label], list[LoneLetter]]:
    """Labels and lone letters among words."""
    labels: list[Label] = []
    letters: list[LoneLetter] = []
    scales: list[tuple[int, str]] = []
    for place, word in enumerate(words):
        said, letter, scale = _parsed(word.text)
        if said is not None:
            labels.append(Label(said, letter, scale, _box(word), (place,)))
        elif letter:
            letters.append(LoneLetter(letter, _middle(word), word.height, place))
        elif scale:
            scales.append((place, scale))
    labels = [_with_scale(label, words, scales) for label in labels]
    # A letter over a scale of its own labels a detail, as both in one text do.
    free = [entry for entry in scales if not any(entry[0] in label.words for label in labels)]
    alone: list[LoneLetter] = []
    for one in letters:
        lone = Label("detail", one.letter, "", _box(words[one.word]), (one.word,))
        told = _with_scale(lone, words, free)
        if told.scale:
            labels.append(told)
        else:
            alone.append(one)
    return labels, alone


def _parsed(text: str) -> tuple[LabelKind | None, str, str]:
    """What a text labels, with its letter and the scale it states: words, letters and scale in any order.

    >>> _parsed("SECTION A–A"), _parsed("b detail 5:1"), _parsed("C"), _parsed("M 1:2"), _parsed("PART A IS BLUE")
    (('section', 'A', ''), ('detail', 'B', '5:1'), (None, 'C', ''), (None, '', '1:2'), (None, '', ''))
    """
    rest = " ".join(_QUOTES.sub("", plain(text)).split())
    stated = _STATED.search(rest)
    scale = stated[1] if stated is not None and parse_scale(stated[1]) is not None else ""
    if stated is not None and scale:
        rest = f"{rest[: stated.start()]} {rest[stated.end() :]}"
    named: LabelKind | None = None
    for kind, pattern in _WORDS:
        found = pattern.search(rest)
        if found is not None:
            named, rest = kind, f"{rest[: found.start()]} {rest[found.end() :]}"
            break
    rest = rest.strip(" ()[]:.,")
    pair = _PAIR.match(rest)
    if pair is not None and named in (None, "section"):
        return "section", pair[1], scale
    if named == "section" and _TWICE.match(rest):
        return "section", rest[0], scale
    if not _LETTER.match(rest):
        return None, "", scale if not rest and named is None else ""
    if named is None:
        return ("detail", rest, scale) if scale else (None, rest, "")
    return named, rest, scale


def _with_scale(label: Label, words: Sequence[Words], scales: Sequence[tuple[int, str]]) -> Label:
    """A label with the scale in the line below it or beside it, where it has none of its own."""
    if label.scale or not scales:
        return label
    height = words[label.words[0]].height

    def off(place: int) -> float:
        box = _box(words[place])
        across = max(box[0] - label.box[2], label.box[0] - box[2], 0.0)
        down = max(label.box[1] - box[3], box[1] - label.box[3], 0.0)
        return across + down

    place, scale = min(scales, key=lambda entry: off(entry[0]))
    if off(place) > 1.5 * height:
        return label
    return Label(label.kind, label.letter, scale, label.box, (*label.words, place))


def _box(word: Words) -> Box:
    return word.box if abs(word.turn % 180) < 1 else (word.at[0], word.at[1], word.at[0], word.at[1] + word.width)


def _middle(word: Words) -> Point:
    left, bottom, right, top = _box(word)
    return ((left + right) / 2, (bottom + top) / 2)
