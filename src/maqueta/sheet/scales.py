"""Drawing scales: how they are written, and which are recommended."""

import re
from fractions import Fraction
from typing import Final

from maqueta.solid.unit import Unit

#: ISO 5455 (from memory): 1, 2, 5 times powers of ten, from 50:1 down to 1:10 000.
RECOMMENDED_ISO: Final[tuple[Fraction, ...]] = tuple(
    sorted(
        {Fraction(size) for size in (1, 2, 5, 10, 20, 50)}
        | {Fraction(1, step * 10**power) for step in (1, 2, 5) for power in range(4)}
        | {Fraction(1, 10_000)}
    )
)
#: Inch practice adds these (from memory).
RECOMMENDED_INCH: Final[tuple[Fraction, ...]] = tuple(
    sorted({*RECOMMENDED_ISO, Fraction(4), Fraction(1, 4), Fraction(3, 4), Fraction(8), Fraction(1, 8), Fraction(3, 2)})
)

#: A number may have its thousands set apart; a decimal never has three digits after a full number alone ("1:10.000").
_NUMBER: Final = r"(?:[1-9]\d{0,2}(?:[ \u00a0\u2009\u202f'’.,]\d{3})+(?![\d.,])|\d+(?:[.,]\d+)?)"
_WRITTEN: Final = re.compile(
    rf"(?P<paper>{_NUMBER})(?:\s*/\s*(?P<below>\d+))?\s*(?::|=|/)\s*(?P<model>{_NUMBER})", re.ASCII
)
_WORDS: Final = {"full": Fraction(1), "full size": Fraction(1), "half": Fraction(1, 2), "half size": Fraction(1, 2)}


def recommended(units: Unit) -> tuple[Fraction, ...]:
    """Recommended scales of a system of units, smallest first."""
    return RECOMMENDED_INCH if units == "inch" else RECOMMENDED_ISO


def is_recommended(scale: float, units: Unit) -> bool:
    """Whether a scale is one of the recommended ones (to one part in 10 000)."""
    return any(abs(scale / float(good) - 1) < 1e-4 for good in recommended(units))


#: No drawing is larger or smaller than its part by more than this.
_FARTHEST: Final = 1_000_000


def parse_scale(text: str) -> float | None:
    """A written scale ("1:2", "2/1", "3/4 = 1", "FULL") as paper ÷ model, or None when it cannot be read."""
    cleaned = text.strip().lower().removeprefix("scale").strip(" :=")
    if cleaned in _WORDS:
        return float(_WORDS[cleaned])
    found = _WRITTEN.search(cleaned)
    if found is None:
        return None
    below = int(found["below"] or 1)
    paper, model = _read(found["paper"]), _read(found["model"])
    if below <= 0 or model <= 0 or paper <= 0:
        return None
    scale = paper / below / model
    return float(scale) if 1 / _FARTHEST <= scale <= _FARTHEST else None


def _read(number: str) -> Fraction:
    """A number with thousands set apart, or a decimal with point or comma."""
    if re.fullmatch(r"[1-9]\d{0,2}(?:\D\d{3})+", number):
        return Fraction(re.sub(r"\D", "", number))
    return Fraction(number.replace(",", "."))


def write_scale(scale: float) -> str:
    """A scale as it is written in a title block: "1:2", "5:1"; odd ones with a decimal."""
    near = Fraction(scale).limit_denominator(10_000)
    if abs(float(near) / scale - 1) < 1e-6 and (near.numerator < 1000):
        return f"{near.numerator}:{near.denominator}"
    return f"{scale:.4g}:1" if scale > 1 else f"1:{1 / scale:.4g}"
