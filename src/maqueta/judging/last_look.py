"""What a ruler tells in a last look over a sheet: how far its things are apart, and how high its letters are.

Nothing of it is a verdict: it says how the sheet is, and not how it should be.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from itertools import pairwise
from typing import Final

from maqueta.drawing.ink import InkGroup, Text
from maqueta.judging.survey import Survey
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.sheet.spacing import bands

#: What surrounds the drawing, or is no part of it.
_AROUND: Final = frozenset({"frame", "title", "construction"})
#: Letters are told apart by tenths of a millimetre.
_DECIMALS: Final = 1


@dataclass(frozen=True, slots=True)
class Measured:
    """Lengths on a sheet, mm on paper: from what is drawn to the border where that is nearest (negative: beyond it),
    between columns of views from the left and rows of them from below, and the heights of letters, lowest first.
    """

    to_border: float | None
    across: tuple[float, ...]
    up: tuple[float, ...]
    lettering: tuple[float, ...]


def measured(survey: Survey) -> Measured:
    """What a ruler tells of a sheet."""
    drawn = [group for group in survey.ink if group.role not in _AROUND]
    left, bottom, right, top = survey.layout.border
    near = [
        min(group.box[0] - left, group.box[1] - bottom, right - group.box[2], top - group.box[3]) for group in drawn
    ]
    # A pictorial view stands in no row.
    boxes = [item.box for item in survey.placed if item.orthographic is not None]
    return Measured(
        to_border=min(near, default=None),
        across=_between([(box[0], box[2]) for box in boxes]),
        up=_between([(box[1], box[3]) for box in boxes]),
        lettering=tuple(sorted({round(height, _DECIMALS) for height in _heights(drawn)})),
    )


def _between(spans: Sequence[tuple[float, float]]) -> tuple[float, ...]:
    """What is left free between bands of views, along one direction."""
    ordered = bands(spans)
    return tuple(after[0] - before[1] for before, after in pairwise(ordered))


def _heights(groups: Sequence[InkGroup]) -> Iterator[float]:
    return (item.height for group in groups for item in group.items if isinstance(item, Text))


def as_said(own: Measured) -> list[Phrase]:
    """The same in words, in the order in which a sheet is looked over."""
    told: list[Phrase] = []
    if own.to_border is not None:
        told.append(phrase("look-to-border", value=own.to_border))
    told += [
        phrase("look-between", direction=direction, sizes=tuple(phrase("look-size", value=gap) for gap in gaps))
        for direction, gaps in (("across", own.across), ("up", own.up))
        if gaps
    ]
    if own.lettering:
        told.append(phrase("look-lettering", sizes=tuple(phrase("look-height", value=high) for high in own.lettering)))
    return told
