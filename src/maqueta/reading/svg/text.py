"""The lines of text of an SVG text element, in its own units."""

import math
import re
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Any, Final

from reportlab.pdfbase.pdfmetrics import stringWidth
from svgelements import Path

from maqueta.geometry.carrier import Point
from maqueta.reading.svg.style import Look, Rule, hidden, lengths_of, look_of

#: Capitals are so high, in parts of the size of a font (from memory of common faces).
_CAPITAL: Final = 0.71
_USUAL_SIZE: Final = 16.0
_SIZE: Final = re.compile(r"^\s*(\d+\.?\d*|\.\d+)\s*(px|pt|mm|em|)\s*$")
_UNITS: Final = {"px": 1.0, "": 1.0, "pt": 96 / 72, "mm": 96 / 25.4, "em": _USUAL_SIZE}
_SHARES: Final = {"middle": 0.5, "end": 1.0}


@dataclass(frozen=True, slots=True)
class Line:
    """A line of text: where it begins on its base line, its direction (unit vector), the height of its capitals."""

    text: str
    at: Point
    way: Point
    capital: float
    look: Look


@dataclass(frozen=True, slots=True)
class _Run:
    text: str
    at: Point
    way: Point
    look: Look


def lines_of(element: Any, rules: Sequence[Rule], inherited: Look, known: Mapping[str, Any]) -> Iterator[Line]:
    """The lines of a text; a run with a place of its own begins a new one."""
    at = (
        _first(element.get("x"), 0.0) + _first(element.get("dx"), 0.0),
        _first(element.get("y"), 0.0) + _first(element.get("dy"), 0.0),
    )
    line: _Run | None = None
    for run, fresh in _runs(element, rules, inherited, at, known):
        if line is not None and not fresh:
            line = replace(line, text=line.text + run.text)
            continue
        if line is not None:
            yield _finished(line)
        line = run
    if line is not None:
        yield _finished(line)


def _runs(
    element: Any, rules: Sequence[Rule], look: Look, at: Point, known: Mapping[str, Any]
) -> Iterator[tuple[_Run, bool]]:
    """Stretches of text in order, each with whether it begins a line of its own."""
    fresh = True
    if element.text:
        yield _Run(element.text, at, (1.0, 0.0), look), fresh
        fresh = not element.text.strip()
    for child in element:
        tag = child.tag.rpartition("}")[2] if isinstance(child.tag, str) else ""
        own = look_of(child, tag, rules, look) if tag else look
        if tag in ("tspan", "textPath", "a") and not hidden(own):
            place, way = _along(child, known) if tag == "textPath" else (None, (1.0, 0.0))
            down, x, y = _first(child.get("dy"), 0.0), child.get("x"), child.get("y")
            moved = place is not None or x is not None or y is not None or abs(down) > 1e-9
            if place is None:
                place = (_first(x, at[0]) + (_first(child.get("dx"), 0.0) if moved else 0.0), _first(y, at[1]) + down)
            at = place if moved else at
            text = "".join(child.itertext())
            if text:
                yield _Run(text, place if moved else at, way, own), moved or fresh
                fresh = False
        if child.tail:
            yield _Run(child.tail, at, (1.0, 0.0), look), fresh
            fresh = fresh and not child.tail.strip()


def _along(element: Any, known: Mapping[str, Any]) -> tuple[Point | None, Point]:
    """Where text along a path begins, and in which direction."""
    reference = element.get("href") or element.get("{http://www.w3.org/1999/xlink}href") or ""
    target = known.get(reference.removeprefix("#"))
    try:
        path = Path(target.get("d", "")) if target is not None else None
        if path is None or len(path) < 2:
            return None, (1.0, 0.0)
        start, ahead = path.point(0.0), path.point(0.02)
    except (ValueError, ArithmeticError, TypeError, IndexError, AttributeError):
        return None, (1.0, 0.0)
    length = math.hypot(ahead.x - start.x, ahead.y - start.y) or 1.0
    return (float(start.x), float(start.y)), ((ahead.x - start.x) / length, (ahead.y - start.y) / length)


def _finished(run: _Run) -> Line:
    text = " ".join(run.text.split())
    match = _SIZE.match(run.look.get("font-size", ""))
    size = float(match[1]) * _UNITS[match[2]] if match is not None else _USUAL_SIZE
    capital = _CAPITAL * size
    back = _SHARES.get(run.look.get("text-anchor", ""), 0.0) * _width(text, size)
    at = (run.at[0] - back * run.way[0], run.at[1] - back * run.way[1])
    return Line(text, at, run.way, capital, run.look)


def _width(text: str, size: float) -> float:
    """How wide a text is, as set in a usual face without serifs: nobody knows which one its reader has.

    Widths of Helvetica (Adobe's metrics of the standard faces); signs of the trade are as wide as an O.
    """
    plain = "".join(letter if letter.isascii() or letter in "°±×" else "O" for letter in text)
    return float(stringWidth(plain, "Helvetica", size))


def _first(text: str | None, usual: float) -> float:
    numbers = lengths_of(text)
    return numbers[0] if numbers else usual
