"""Dimension texts as people write them, in four languages, read into a number and what it is.

Symbols and words: ISO 129-1 and ASME Y14.5 (from memory); the words in Spanish, German and French are common
practice, no source.
"""

import re
from dataclasses import dataclass
from fractions import Fraction
from typing import Final, Literal

Symbol = Literal["diameter", "radius", "spherical", "angle", "chamfer"]

_COUNT: Final = re.compile(
    r"^\s*(?:\((\d{1,3})\)\s*(?=[⌀ØR\d])|(\d{1,3})\s*[X×]\s*(?=[⌀ØR]|\d|DIA)|(\d{1,3})\s*HOLES?\b)"
)
_REFERENCE: Final = re.compile(r"^\s*\((.*)\)\s*$")
_NUMBER: Final = r"(?:\d+\s+\d+/\d+|\d+/\d+|\d*[.,]\d+|\d+)"
#: The number may stand behind the word or before it; behind goes first, since a diameter may stand before.
_DEPTHS: Final = (
    re.compile(rf"(?:[×X]\s*)?(?:DEPTH|DEEP|TIEFE|PROF\w*|↧)\s*(?P<depth>{_NUMBER})"),
    re.compile(rf"(?:[×X]\s*)?(?P<depth>{_NUMBER})\s*(?:DEEP|TIEF|PROF\w*)\b"),
)
_THROUGH: Final = re.compile(r"\b(?:THRU|THROUGH|PASANTE|DURCHGEHEND|DÉBOUCHANT|DEBOUCHANT)\b")
_TYPICAL: Final = re.compile(r"\b(?:TYP|TYPICAL|TÍPICO|TIPICO|TYPISCH|TYPIQUE)\b\.?")
_CHAMFER: Final = re.compile(rf"^(?P<leg>{_NUMBER})\s*[×X]\s*(?P<slope>{_NUMBER})\s*°$|^C\s*(?P<c>{_NUMBER})$")
#: The wide mouth of a hole: counterbore or countersink.
_MOUTH: Final = re.compile(
    r"⌴|⌵|\b(?:CBORE|C'?BORE|COUNTERBORED?|CSK|C'?SINK|COUNTERS(?:INK|UNK)|PLANSENKUNG|SENKUNG|AVELLANAD\w*|LAMAGE|FRAISURAGE)\b\.?"
)
_SUNK: Final = re.compile(r"⌵|SINK|SUNK|CSK|^SENKUNG|AVELLANAD|FRAISURAGE")
_ANGLE: Final = re.compile(rf"[×X,]?\s*(?P<angle>{_NUMBER})\s*°")


@dataclass(frozen=True, slots=True)
class Mouth:
    """The wide mouth of a hole as written: its diameter and depth or angle (degrees), None where not written."""

    kind: Literal["counterbore", "countersink"]
    diameter: float | None
    depth: float | None
    angle: float | None


@dataclass(frozen=True, slots=True)
class Written:
    """A dimension text: its number (None when there is none to read), and what stands around it.

    `slope` is the angle of a chamfer in degrees; `mouth` what is written of the wide mouth of a hole.
    """

    value: float | None
    symbol: Symbol | None = None
    count: int = 1
    reference: bool = False
    typical: bool = False
    through: bool = False
    depth: float | None = None
    slope: float | None = None
    mouth: Mouth | None = None


def number(text: str) -> float | None:
    """A decimal with point or comma, a fraction or a mixed number ("1 3/8"), or None."""
    cleaned = text.strip().rstrip('"″').replace(",", ".")
    mixed = re.fullmatch(r"(?:(\d+)\s+)?(\d+)/(\d+)", cleaned)
    if mixed is not None:
        whole, above, below = (int(part or 0) for part in mixed.groups())
        return float(whole + Fraction(above, below)) if below else None
    if re.fullmatch(r"\d*\.?\d+|\d+\.", cleaned) is None:
        return None
    return float(cleaned)


def read_text(text: str, measured: float | None = None) -> Written:
    """Read a dimension text; "<>" stands for the `measured` value."""
    rest = text.upper().replace("%%C", "⌀").replace("Ø", "⌀").replace("%%D", "°").strip()
    if measured is not None:
        rest = rest.replace("<>", repr(measured))
    count = 1
    if (counted := _COUNT.match(rest)) is not None and not _CHAMFER.match(rest):
        count = int(next(group for group in counted.groups() if group))
        rest = rest[counted.end() :].strip()
    reference = False
    if (bracketed := _REFERENCE.match(rest)) is not None:
        reference, rest = True, bracketed[1].strip()
    mouth, rest = _mouth(rest)
    through = _THROUGH.search(rest) is not None
    typical = _TYPICAL.search(rest) is not None
    rest = _TYPICAL.sub("", _THROUGH.sub("", rest)).strip()
    if (chamfer := _CHAMFER.match(rest)) is not None:
        slope = number(chamfer["slope"] or "45")
        return Written(number(chamfer["leg"] or chamfer["c"]), "chamfer", count, reference, typical, slope=slope)
    depth, rest = _depth(rest)
    symbol: Symbol | None = None
    for mark, meaning in (("SR", "spherical"), ("⌀", "diameter"), ("DIA", "diameter"), ("R", "radius")):
        if rest.startswith(mark) or (mark == "DIA" and rest.rstrip(". ").endswith(mark)):
            symbol = meaning  # type: ignore[assignment]
            rest = rest.replace(mark, "", 1).strip(" .") if mark == "DIA" else rest[len(mark) :].strip()
            break
    if rest.endswith("°"):
        symbol, rest = "angle", rest[:-1].strip()
    rest = re.sub(r"\s*(?:MM|IN|INCH|INCHES)\.?$", "", rest)
    value = number(rest)
    if value is None and mouth is not None and not rest:
        value, symbol = mouth.diameter, "diameter"
    return Written(value, symbol, count, reference, typical, through, depth, mouth=mouth)


def _depth(rest: str) -> tuple[float | None, str]:
    """A depth in a text, and the text without it."""
    deep = next((m for m in (p.search(rest) for p in _DEPTHS) if m is not None), None)
    if deep is None:
        return None, rest
    return number(deep["depth"]), (rest[: deep.start()] + rest[deep.end() :]).strip()


def _mouth(rest: str) -> tuple[Mouth | None, str]:
    """What is written of the mouth of a hole, and the text before it; a mark may also follow its diameter."""
    mark = _MOUTH.search(rest)
    if mark is None:
        return None, rest
    kind: Literal["counterbore", "countersink"] = "countersink" if _SUNK.search(mark[0]) else "counterbore"
    before, after = rest[: mark.start()].strip(" ,;/"), rest[mark.end() :].strip(" ,;")
    if not re.search(r"\d", after):
        return Mouth(kind, None, None, None), before
    depth, after = _depth(after)
    angle = None
    if (turned := _ANGLE.search(after)) is not None:
        angle = number(turned["angle"])
        after = (after[: turned.start()] + after[turned.end() :]).strip(" ,×X")
    diameter = number(after.replace("⌀", "").replace("DIA", "").strip(" .,"))
    return Mouth(kind, diameter, depth, angle), before
