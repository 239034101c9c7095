"""Dimension texts as people write them, in four languages, read into a number and what it is.

Symbols and words: ISO 129-1 and ASME Y14.5 (from memory); limits and fits: ISO 286-1, threads: ISO 261 and ASME B1.1
(from memory); the words in Spanish, German and French are common practice, no source.
"""

import re
from dataclasses import dataclass, replace
from fractions import Fraction
from typing import Final, Literal

from maqueta.solid.unit import Unit

Symbol = Literal["diameter", "radius", "square", "thread", "angle", "chamfer"]

#: Other ways to write a sign, in capitals.
_SIGNS: Final = {
    "%%C": "⌀", "Ø": "⌀", "∅": "⌀", "Φ": "⌀", "%%D": "°", "º": "°", "%%P": "±", "+/-": "±",
    "−": "-", "–": "-", "’": "'", "′": "'", "″": '"', "”": '"',
}  # fmt: skip
_COUNT: Final = re.compile(
    r"^\s*(?:\((\d{1,3})\)\s*(?=S?[⌀R□M\d])|(\d{1,3})\s*[X×]\s*(?=S?[⌀R□M]|\d|[.,]\d|DIA|SQ)|(\d{1,3})\s*HOLES?\b)"
)
_REFERENCE: Final = re.compile(r"^\s*\((.*)\)\s*$")
_REFERENCE_WORD: Final = re.compile(r"^REF\.?\s+|\s*\bREF\b\.?$")
_NUMBER: Final = r"(?:\d+\s+\d+/\d+|\d+/\d+|\d*[.,]\d+|\d+)"
#: A second value in brackets behind the first: what it comes to, or the same in another unit.
_BESIDE: Final = re.compile(rf"(?<=\S)\s*[(\[]\s*=?\s*[⌀R]?\s*{_NUMBER}\s*(?:MM|IN)?\.?\"?\s*[)\]]$")
_EVENLY: Final = re.compile(r"\b(?:EQUALLY\s+SPACED|EQ\.?\s*SP\.?|EVENLY\s+SPACED)(?=\s|$)")
#: Deviations: one both ways, or an upper and a lower one. Limits and fits: a letter or two and a grade (ISO 286-1).
_DEVIATION: Final = re.compile(
    rf"\s*(?:±\s*(?P<both>{_NUMBER})\s*[°']?"
    rf"|\(?\s*(?P<upper>[+-]\s*{_NUMBER}|\b0)\s*[°']?\s*(?:[/;^]|\s|(?=-))\s*(?P<lower>[+-]\s*{_NUMBER}|[+-]?0)\s*[°']?\s*\)?)$"
)
_FIT: Final = re.compile(
    r"(?<=\d)\s*(?P<fit>[A-HJKMNPRSTUVXYZ][A-HJS]?\d{1,2}(?:\s*/\s*[A-HJKMNPRSTUVXYZ][A-HJS]?\d{1,2})?)$"
)
#: Metric threads (ISO 261), also with a pitch; inch threads by turns to the inch (ASME B1.1); the class is no size.
_METRIC: Final = re.compile(
    rf"^M\s*(?P<size>{_NUMBER})(?:\s*[X×]\s*(?P<pitch>{_NUMBER}))?(?:\s*-\s*\d[GH](?:\d[GH])?)?(?:\s*-?\s*LH)?$"
)
_INCH: Final = re.compile(
    rf"^(?P<size>{_NUMBER})\s*\"?\s*-\s*(?P<turns>\d{{1,3}})\s*UN(?:C|F|EF|S|R)?\s*(?:-\s*\d[AB])?(?:\s*-?\s*LH)?$"
)
_MINUTES: Final = re.compile(rf"^(?P<degrees>\d+)\s*°\s*(?P<minutes>{_NUMBER})\s*'(?:\s*(?P<seconds>{_NUMBER})\s*\")?$")
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


_MEANINGS: Final[tuple[tuple[str, Symbol], ...]] = (
    ("⌀", "diameter"),
    ("DIA", "diameter"),
    ("R", "radius"),
    ("□", "square"),
    ("SQ", "square"),
)


@dataclass(frozen=True, slots=True)
class Mouth:
    """The wide mouth of a hole as written: its diameter and depth or angle (degrees), None where not written."""

    kind: Literal["counterbore", "countersink"]
    diameter: float | None
    depth: float | None
    angle: float | None


@dataclass(frozen=True, slots=True)
class Tolerance:
    """What stands behind a size: how far it may lie above and below (signed), or a fit such as "H7"."""

    upper: float | None = None
    lower: float | None = None
    fit: str = ""


@dataclass(frozen=True, slots=True)
class Written:
    """A dimension text: its number (None when there is none to read), and what stands around it.

    `slope` is the angle of a chamfer in degrees; `mouth` what is written of the wide mouth of a hole; `pitch` of a
    thread, None where it is not written, in the `unit` that a thread has of its own.
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
    spherical: bool = False
    tolerance: Tolerance | None = None
    pitch: float | None = None
    unit: Unit | None = None


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
    """Read a dimension text; "<>" stands for the `measured` value.

    What is not understood to its end has no value: nobody can say then that it is wrong.
    """
    rest = text.upper()
    for other, sign in _SIGNS.items():
        rest = rest.replace(other, sign)
    rest = rest.strip()
    if measured is not None:
        rest = rest.replace("<>", repr(measured))
    count = 1
    if (counted := _COUNT.match(rest)) is not None and not _CHAMFER.match(rest):
        count = int(next(group for group in counted.groups() if group))
        rest = rest[counted.end() :].strip()
    reference, rest = _referenced(rest)
    mouth, rest = _mouth(rest)
    through = _THROUGH.search(rest) is not None
    typical = _TYPICAL.search(rest) is not None
    rest = _EVENLY.sub("", _TYPICAL.sub("", _THROUGH.sub("", rest))).strip()
    if (chamfer := _CHAMFER.match(rest)) is not None:
        slope = number(chamfer["slope"] or "45")
        return Written(number(chamfer["leg"] or chamfer["c"]), "chamfer", count, reference, typical, slope=slope)
    depth, rest = _depth(rest)
    size = _sized(rest)
    if size.tolerance is not None and size.tolerance.fit:
        size = replace(size, tolerance=replace(size.tolerance, fit=_as_typed(size.tolerance.fit, text)))
    if size.value is None and mouth is not None and not rest:
        size = Written(mouth.diameter, "diameter")
    return replace(size, count=count, reference=reference, typical=typical, through=through, depth=depth, mouth=mouth)


def _as_typed(fit: str, text: str) -> str:
    """A fit in the letters it was typed in: capitals are holes, small ones shafts."""
    found = re.search(r"\s*".join(map(re.escape, fit)), text, re.IGNORECASE)
    return "".join(found[0].split()) if found is not None else fit


def _referenced(rest: str) -> tuple[bool, str]:
    """Whether a text is for information only, and the text itself without what stands beside it in brackets."""
    if (bracketed := _REFERENCE.match(rest)) is not None:
        return True, bracketed[1].strip().removeprefix("=").strip()
    if _REFERENCE_WORD.search(rest) is not None:
        return True, _REFERENCE_WORD.sub("", rest).strip()
    return False, _BESIDE.sub("", rest)


def _sized(rest: str) -> Written:
    """A size with its sign and its tolerance; without a value where anything is left over."""
    if (thread := _METRIC.match(rest)) is not None:
        return Written(number(thread["size"]), "thread", pitch=number(thread["pitch"] or ""), unit="mm")
    if (thread := _INCH.match(rest)) is not None:
        return Written(number(thread["size"]), "thread", pitch=1 / max(1, int(thread["turns"])), unit="inch")
    spherical = re.match(r"S\s*[⌀R]", rest) is not None
    rest = rest[1:].lstrip() if spherical else rest
    symbol: Symbol | None = None
    for sign, meaning in _MEANINGS:
        if rest.startswith(sign):
            symbol, rest = meaning, rest[len(sign) :].strip(" .")
            break
    tolerance, rest = _tolerated(rest)
    if symbol is None and re.search(r"\bDIA\b\.?$", rest):
        symbol, rest = "diameter", re.sub(r"\s*\bDIA\b\.?$", "", rest)
    if symbol is None and (parts := _MINUTES.match(rest)) is not None:
        minutes, seconds = (number(parts[name] or "0") or 0.0 for name in ("minutes", "seconds"))
        return Written(int(parts["degrees"]) + minutes / 60 + seconds / 3600, "angle", tolerance=tolerance)
    if rest.endswith("°"):
        symbol, rest = "angle", rest[:-1].strip()
    rest = re.sub(r"\s*(?:MM|IN|INCH|INCHES)\.?$", "", rest)
    return Written(number(rest), symbol, spherical=spherical, tolerance=tolerance)


def _tolerated(rest: str) -> tuple[Tolerance | None, str]:
    """The tolerance at the end of a text, and the text without it; deviations may follow a fit."""
    tolerance: Tolerance | None = None
    if (found := _DEVIATION.search(rest)) is not None and re.search(r"\d", rest[: found.start()]):
        both = number(found["both"] or "")
        if both is not None:
            tolerance = Tolerance(both, -both)
        else:
            tolerance = Tolerance(_signed(found["upper"]), _signed(found["lower"]))
        rest = rest[: found.start()].strip()
    if (found := _FIT.search(rest)) is not None and number(rest[: found.start()]) is not None:
        deviations = (None, None) if tolerance is None else (tolerance.upper, tolerance.lower)
        return Tolerance(*deviations, fit="".join(found["fit"].split())), rest[: found.start()].strip()
    return tolerance, rest


def _signed(text: str) -> float | None:
    value = number(text.lstrip("+-"))
    return -value if value is not None and text.startswith("-") else value


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
