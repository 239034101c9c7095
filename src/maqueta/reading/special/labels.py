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
    r"DETAIL(?: VIEW)?|DETALLE|EINZELHEIT|DETAILANSICHT|ENLARGEMENT|ENLARGED|AMPLIACION|VERGROSSERUNG|AGRANDISSEMENT"
)
_VIEW: Final = r"(?:AUXILIARY )?VIEW(?: ON)?|ANSICHT|VISTA(?: AUXILIAR)?(?: POR)?|VUE(?: SUIVANT)?|FLECHA"
_NUMBER: Final = r"\d+(?:[.,]\d+)?"
_SCALE: Final = rf"(?:SCALE|ESCALA|ESC\.?|MASSSTAB|MASZSTAB|M|ECHELLE|ECH\.?)?\s*[:=]?\s*({_NUMBER}\s*:\s*{_NUMBER})"
_PAIR: Final = r"([A-Z]{1,2})\s*[-–—−]\s*([A-Z]{1,2})"
_LETTER: Final = re.compile(r"^([A-Z])$")
_WITH_SCALE: Final = rf"(?:\s*\(?\s*{_SCALE}\s*\)?)?"
_SECTION_LABEL: Final = re.compile(rf"^(?:(?:{_SECTION})\s*)?{_PAIR}{_WITH_SCALE}(?:\s+(?:{_SECTION}))?$")
_DETAIL_LABEL: Final = re.compile(rf"^(?:(?:{_DETAIL})\s*)?([A-Z]){_WITH_SCALE}(?:\s*(?:{_DETAIL}))?$")
_WORDED_DETAIL: Final = re.compile(rf"\b(?:{_DETAIL})\b")
_VIEW_LABEL: Final = re.compile(rf"^(?:{_VIEW})\s*([A-Z]){_WITH_SCALE}$")
_SCALE_ALONE: Final = re.compile(rf"^\(?\s*{_SCALE}\s*\)?$")


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


def labels_of(words: Sequence[Words], aside: Sequence[Box]) -> tuple[list[Label], list[LoneLetter]]:
    """Labels and lone letters among words; what stands in one of the boxes `aside` is none."""
    labels: list[Label] = []
    letters: list[LoneLetter] = []
    scales: list[tuple[int, str]] = []
    for place, word in enumerate(words):
        if any(word.stands_in(box) for box in aside):
            continue
        text = " ".join(plain(word.text).replace("''", "").split())
        if (found := _SECTION_LABEL.match(text)) is not None:
            labels.append(Label("section", found[1], found[3] or "", _box(word), (place,)))
        elif (lone := _LETTER.match(text)) is not None:
            letters.append(LoneLetter(lone[1], _middle(word), word.height, place))
        elif (view := _VIEW_LABEL.match(text)) is not None:
            labels.append(Label("view", view[1], view[2] or "", _box(word), (place,)))
        elif (detail := _DETAIL_LABEL.match(text)) is not None and (detail[2] or _WORDED_DETAIL.search(text)):
            labels.append(Label("detail", detail[1], detail[2] or "", _box(word), (place,)))
        elif (scale := _SCALE_ALONE.match(text)) is not None and parse_scale(scale[1]) is not None:
            scales.append((place, scale[1]))
    return [_with_scale(label, words, scales) for label in labels], letters


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
