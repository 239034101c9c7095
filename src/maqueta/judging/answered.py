"""Which of the sheets that were asked for each sheet is that came."""

import re
from collections.abc import Callable, Collection, Sequence
from typing import Final

import numpy as np
from numpy.typing import NDArray

from maqueta.geometry.pairing import best_pairs
from maqueta.judging.survey import Survey
from maqueta.sheet.document import SheetDocument
from maqueta.solid.assembly import WHOLE
from maqueta.task.sheet_set import SheetSet

#: How alike the lines of a sheet and of a part are, 0 to 1; None where a sheet has no lines that could tell.
Like = Callable[[int, int], float | None]

#: What a sheet's own words weigh beside its lines, and its place beside both (common practice, no source).
_CALLED: Final = 0.3
_PLACE: Final = 0.01
_BY_PART: Final = 0.8
#: A sheet that is called by the name of what it fits so well is that one; no other is tried.
_PLAIN: Final = 0.7
#: So is one whose lines leave nothing open, whatever it is called.
_SURE: Final = 0.98
#: Lines that are less alike tell nothing by themselves; one that fits another so much better is not this one.
_ALIKE: Final = 0.35
_BETTER: Final = 0.25
#: How alike a sheet with a list is to one that is to show a list.
_LISTED: Final = 0.8
#: How alike a sheet without telling lines counts.
_UNKNOWN: Final = 0.5


def likeness_of(survey: Survey) -> float | None:
    """How much of what a sheet shows is of its part: views drawn line by line, each by its ink."""
    ink = {item.view.id: sum(own.piece.length for own in item.by_hand) * item.factor for item in survey.placed}
    if not sum(ink.values()):
        return None
    return sum(survey.match(item) * ink[item.view.id] for item in survey.placed) / sum(ink.values())


def likeness_of_list(sheet: SheetDocument) -> float | None:
    """The same of a sheet that is to show a list alone: most where there is one, and nothing is drawn beside it."""
    if sheet.parts_list is None:
        return 0.0
    return _LISTED if not any(view.lines for view in sheet.views) else _LISTED / 2


def answered(asked: SheetSet, told: Sequence[Collection[str]], like: Like) -> tuple[int | None, ...]:
    """For each sheet the place of the one asked for that it is, None where it is none.

    `told` are the texts of each sheet. One that is called as it should be and fits is taken at its word; else lines,
    words and order decide together, each sheet asked for once as long as there are others. Equal sheets are equal.
    """
    names = [(_plain(own.title), _plain(own.of) if own.of != WHOLE else "") for own in asked.sheets]
    score = np.full((len(told), len(names)), -1.0)
    for place, texts in enumerate(told):
        words = {_plain(text) for text in texts}
        called = [_called(own, words) for own in names]
        best = max(called, default=0.0)
        plain: tuple[str, str] | None = None
        for number in _in_turn(asked, called, place):
            own = asked.sheets[number]
            # Once a sheet is told plainly only another one that shows the same of the same part could be it as well.
            if plain is not None and (own.of, own.shows) != plain:
                continue
            score[place, number] = _score(like(place, number), called[number], place - number, len(names))
            by_name = best and called[number] == best and score[place, number] >= _PLAIN + _CALLED * best
            if by_name or score[place, number] >= _SURE + _CALLED * called[number]:
                plain = (own.of, own.shows)
    return _assigned(score)


def _in_turn(asked: SheetSet, called: Sequence[float], place: int) -> list[int]:
    """The order in which a sheet is held against those asked for: by what it is called, then by its place.

    One that is called by several parts has a list of them: it shows the whole.
    """
    many = len({own.of for own, name in zip(asked.sheets, called, strict=True) if name}) > 2

    def turn(number: int) -> tuple[bool, float, int]:
        return not (many and asked.sheets[number].of == WHOLE), -called[number], abs(number - place)

    return sorted(range(len(called)), key=turn)


def _score(alike: float | None, called: float, off: int, of: int) -> float:
    if alike is not None and alike < _ALIKE and not called:
        return -1.0
    return (_UNKNOWN if alike is None else alike) + _CALLED * called - _PLACE * abs(off) / of


def _called(names: tuple[str, str], words: Collection[str]) -> float:
    """1 where a text is the title, less where it is the name of the part, which a list of parts has too; half where one
    has either among others."""
    title, of = names
    if title and title in words:
        return 1.0
    if of and of in words:
        return _BY_PART
    return 0.5 if any(name and f" {name} " in f" {text} " for name in names for text in words) else 0.0


def _plain(text: str) -> str:
    return " ".join(re.findall(r"\w+", text.casefold()))


def _assigned(score: NDArray[np.float64]) -> tuple[int | None, ...]:
    """Each sheet asked for once, as well as all together can be; what is left over is what it fits best."""
    least = np.maximum(score.max(axis=1, initial=-1.0) - _BETTER, 0.0)
    possible = (score >= 0) & (score >= least[:, None])
    weights = np.where(possible, score, 0.0)
    found = {row: column for row, column in best_pairs(weights) if possible[row, column]}
    for place in range(len(score)):
        if place not in found and possible[place].any():
            found[place] = int(score[place].argmax())
    return tuple(found.get(place) for place in range(len(score)))
