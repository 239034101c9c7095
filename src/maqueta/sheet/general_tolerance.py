"""General tolerances as a title block states them: one for all sizes, by decimals, or a class of ISO 2768-1."""

import re
from collections.abc import Mapping
from dataclasses import dataclass, field
from itertools import pairwise
from typing import Final, Literal

ToleranceClass = Literal["f", "m", "c", "v"]

#: Deviations of linear sizes, ± mm, for sizes up to each bound, mm, none above the last (ISO 2768-1 table 1, from
#: memory); None where the class has none.
ISO_2768: Final[tuple[tuple[float, dict[ToleranceClass, float | None]], ...]] = (
    (3, {"f": 0.05, "m": 0.1, "c": 0.2, "v": None}),
    (6, {"f": 0.05, "m": 0.1, "c": 0.3, "v": 0.5}),
    (30, {"f": 0.1, "m": 0.2, "c": 0.5, "v": 1.0}),
    (120, {"f": 0.15, "m": 0.3, "c": 0.8, "v": 1.5}),
    (400, {"f": 0.2, "m": 0.5, "c": 1.2, "v": 2.5}),
    (1000, {"f": 0.3, "m": 0.8, "c": 2.0, "v": 4.0}),
    (2000, {"f": 0.5, "m": 1.2, "c": 3.0, "v": 6.0}),
    (4000, {"f": None, "m": 2.0, "c": 4.0, "v": 8.0}),
)
_LEAST: Final = 0.5

_NUMBER: Final = r"(?:\d*[.,]\d+|\d+)"
_PLUS_MINUS: Final = r"(?:±|\+/-|%%[Pp])"
_CLASS: Final = re.compile(r"(?i)\b(?:ISO|DIN|EN|UNE)?\s*2768\s*(?:-\s*1)?\s*[- ]?\s*([fmcv])(?:[HKL])?\b")
#: "X ±0.5", ".X ±0.2", "0.00 ±0.05": as many letters or zeros behind the point as the size has decimals.
_BY_DECIMALS: Final = re.compile(
    rf"(?<![\w.,])(?:(?P<whole>[Xx]{{1,3}}|0)|[Xx0]?[.,](?P<behind>[Xx]{{1,4}}|0{{1,4}}))\s*[:=]?\s*{_PLUS_MINUS}\s*(?P<off>{_NUMBER})"
)
_ALL: Final = re.compile(rf"(?i)^\D*{_PLUS_MINUS}\s*(?P<off>{_NUMBER})\s*(?:mm|in|inch|\")?\.?\s*$")


@dataclass(frozen=True, slots=True)
class GeneralTolerance:
    """How far a size without a tolerance of its own may be off, in the unit of the sheet.

    Either for sizes with so many decimals (`by_decimals`), or for `all`, or by an ISO `grade`.
    """

    by_decimals: Mapping[int, float] = field(default_factory=dict)
    all: float | None = None
    grade: ToleranceClass | None = None

    @property
    def crossed(self) -> bool:
        """Whether more decimals are less close: then nobody can have meant it."""
        offs = [off for _, off in sorted(self.by_decimals.items())]
        return any(finer > coarser for coarser, finer in pairwise(offs))


def general_tolerance(text: str) -> GeneralTolerance | None:
    """What a text of the title block states; None where no general tolerance can be read in it.

    >>> general_tolerance("ISO 2768-mK").grade
    'm'
    >>> general_tolerance(".X ±0.2  .XX ±0.05").by_decimals
    {1: 0.2, 2: 0.05}
    >>> general_tolerance("±0,1").all
    0.1
    """
    if (graded := _CLASS.search(text)) is not None:
        grade: ToleranceClass = graded[1].lower()  # type: ignore[assignment]
        return GeneralTolerance(grade=grade)
    found = {len(each["behind"] or ""): _value(each["off"]) for each in _BY_DECIMALS.finditer(text)}
    if found:
        return GeneralTolerance(by_decimals=found)
    every = _ALL.match(text)
    return GeneralTolerance(all=_value(every["off"])) if every is not None else None


def deviation_of(grade: ToleranceClass, size: float) -> float | None:
    """How far a linear size (mm) may be off in a class of ISO 2768-1, ± mm; None where it has no value."""
    if size < _LEAST:
        return None
    return next((own[grade] for bound, own in ISO_2768 if size <= bound), None)


def _value(text: str) -> float:
    return float(text.replace(",", "."))
