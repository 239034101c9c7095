"""The title block of a sheet from elsewhere: what stands in its fields, and the angle symbol."""

import math
import re
from collections.abc import Sequence
from typing import Final

from maqueta.geometry.box import Box, box_of
from maqueta.geometry.carrier import TURN, Circle, Line
from maqueta.geometry.nearness import Places
from maqueta.projection.arrangement import Angle
from maqueta.reading.content import Stroke, Words
from maqueta.reading.kinds import plain
from maqueta.reading.title_words import angle_stated, field_of, is_label, label_of
from maqueta.sheet.document import TitleBlock
from maqueta.sheet.fields import TitleField

#: How far a value may stand from its label, mm: to the right, and below or above.
_BESIDE, _BELOW = 70.0, 14.0
#: The two circles of the angle symbol share their centre within this, mm.
_ONE_CENTRE: Final = 0.1


def read_title(words: Sequence[Words], strokes: Sequence[Stroke], box: Box | None) -> TitleBlock:
    """The fields and the angle of a sheet. `box` is the title block's; words outside it count only with a label."""
    inside = [word for word in words if box is None or word.stands_in(box, 1.0)]
    lines = [stroke for stroke in strokes if isinstance(stroke.piece.carrier, Line)]
    fields: dict[TitleField, str] = {}
    angle: Angle | None = None
    for word in inside:
        if word.tag and (named := field_of(word.tag)) is not None:
            fields.setdefault(named, _tidy(word.text))
    used: set[int] = set()
    labelled = [(word, label) for word in inside if not word.tag and (label := label_of(word.text)) is not None]
    for word, (field, value) in labelled:
        if not value:
            index = _value_of(word, inside, lines, used)
            if index is not None:
                used.add(index)
                value = inside[index].text
        if field == "angle":
            angle = angle or angle_stated(f"{word.text} {value}") or bare_angle(value)
        elif value:
            fields.setdefault(field, _tidy(value))  # type: ignore[arg-type]
    for word in words if box is None else [*inside, *(w for w in words if not w.stands_in(box, 1.0))]:
        angle = angle or angle_stated(word.text)
        named_scale = label_of(word.text)
        if named_scale is not None and named_scale[0] == "scale" and named_scale[1]:
            fields.setdefault("scale", _tidy(named_scale[1]))
    for word in inside:
        if "scale" not in fields and re.fullmatch(r"\d+\s*:\s*\d[\d .,'’]*", word.text.strip()):
            fields["scale"] = word.text.strip()
    return TitleBlock(fields=fields, angle=find_symbol(strokes) or angle)


def _tidy(text: str) -> str:
    return " ".join(text.split())[:120]


def bare_angle(text: str) -> Angle | None:
    """The angle a text behind a label states, be it by a number alone."""
    words = plain(text)
    if re.match(r"\s*(?:FIRST|1|PRIM|ERST|PREM|EUROP)", words):
        return "first"
    return "third" if re.match(r"\s*(?:THIRD|3|TERC|DRIT|TROIS|AMERIC)", words) else None


def _value_of(label: Words, words: Sequence[Words], lines: Sequence[Stroke], used: set[int]) -> int | None:
    """The text that belongs to a label: beside it, below it or above it, with no line of the block between."""
    best: tuple[float, int] | None = None
    end = label.at[0] + label.width
    for index, word in enumerate(words):
        if word is label or index in used or word.tag or is_label(word.text):
            continue
        dx, dy = word.at[0] - label.at[0], word.at[1] - label.at[1]
        tall = max(label.height, word.height)
        if abs(dy) <= 0.7 * tall and 0 < dx <= _BESIDE:
            distance = max(0.0, word.at[0] - end)
        elif abs(dy) <= _BELOW and -0.4 * _BESIDE <= dx <= 0.6 * _BESIDE and abs(dy) > 0.7 * tall:
            # Below a label is the commoner place than above it.
            distance = abs(dy) + 0.5 * abs(dx) + (0.0 if dy < 0 else 6.0)
        else:
            continue
        if _parted(label, word, lines):
            continue
        if best is None or distance < best[0]:
            best = (distance, index)
    return best[1] if best is not None else None


def _parted(label: Words, word: Words, lines: Sequence[Stroke]) -> bool:
    """Whether a line of the block runs between two texts."""
    a = (label.at[0] + 0.3 * label.height, label.at[1] + 0.5 * label.height)
    b = (word.at[0] + 0.3 * word.height, word.at[1] + 0.5 * word.height)
    for stroke in lines:
        left, bottom, right, top = box_of(stroke.piece.ends)
        if top - bottom < 1e-6:
            t = (bottom - a[1]) / (b[1] - a[1]) if abs(b[1] - a[1]) > 1e-9 else -1.0
            if 0 < t < 1 and left <= a[0] + t * (b[0] - a[0]) <= right:
                return True
        elif right - left < 1e-6:
            t = (left - a[0]) / (b[0] - a[0]) if abs(b[0] - a[0]) > 1e-9 else -1.0
            if 0 < t < 1 and bottom <= a[1] + t * (b[1] - a[1]) <= top:
                return True
    return False


_SYMBOL_HIGH: Final = 40.0


def find_symbol(strokes: Sequence[Stroke]) -> Angle | None:
    """The symbol of projection: a truncated cone beside its end view (ISO 5456-2, from memory).

    In third angle the circles stand at the cone's small end, in first angle at its large end.
    """
    found = symbol_marks(strokes)
    return found[0] if found is not None else None


def symbol_marks(strokes: Sequence[Stroke]) -> tuple[Angle, frozenset[int]] | None:
    """The angle a symbol states, and the strokes it is made of; None when there is none."""
    circles = [
        (index, stroke.piece.carrier)
        for index, stroke in enumerate(strokes)
        if isinstance(stroke.piece.carrier, Circle)
        and stroke.piece.interval[1] - stroke.piece.interval[0] > TURN - 1e-3
        and stroke.piece.carrier.radius < _SYMBOL_HIGH / 2
    ]
    slants = [
        (index, stroke.piece.ends)
        for index, stroke in enumerate(strokes)
        if (isinstance(stroke.piece.carrier, Line) and 0.02 < math.tan(stroke.piece.carrier.angle) % 1e9 < 1.5)
        or (isinstance(stroke.piece.carrier, Line) and -1.5 < math.tan(stroke.piece.carrier.angle) < -0.02)
    ]
    centres: Places[tuple[int, Circle]] = Places(_ONE_CENTRE)
    for i, circle in circles:
        centres.put((circle.x, circle.y), (i, circle))
    for i, outer in circles:
        for j, inner in centres.all((outer.x, outer.y)):
            if inner.radius >= 0.95 * outer.radius:
                continue
            sides = [
                (index, ends)
                for index, ends in slants
                if all(abs(y - outer.y) <= outer.radius + 0.3 for _, y in ends)
                and all(outer.radius < abs(x - outer.x) < 8 * outer.radius for x, _ in ends)
            ]
            above = [(k, e) for k, e in sides if all(y > outer.y for _, y in e)]
            below = [(k, e) for k, e in sides if all(y < outer.y for _, y in e)]
            if not above or not below:
                continue
            ends = above[0][1]
            small = min(ends, key=lambda p: abs(p[1] - outer.y))
            large = max(ends, key=lambda p: abs(p[1] - outer.y))
            near_small = abs(small[0] - outer.x) < abs(large[0] - outer.x)
            members = frozenset({i, j, above[0][0], below[0][0]})
            return ("third" if near_small else "first"), members
    return None
