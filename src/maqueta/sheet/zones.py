"""Zone marks along a border: letters and numbers by which a place on a sheet is named. All in mm on paper."""

import itertools
from dataclasses import dataclass
from typing import Final, Literal

from maqueta.geometry.box import Box, grown
from maqueta.geometry.carrier import Point
from maqueta.sheet.paper import PaperSize

#: Zones are 50 mm long from the middle of a side outwards, the last takes the rest; their strip is 5 mm wide, their
#: lettering 3.5 mm high (ISO 5457, from memory).
_LONG: Final = 50.0
STRIP: Final = 5.0
LETTERING: Final = 3.5
#: Zones across and up a sheet in landscape (ASME Y14.1, from memory). Its smallest sheet has none.
_ASME: Final[dict[PaperSize, tuple[int, int]]] = {"ANSI B": (4, 2), "ANSI C": (4, 4), "ANSI D": (8, 4)}
#: Letters in use: I and O are left out, they look like numbers (ISO 5457 and ASME Y14.1, from memory).
_LETTERS: Final = "ABCDEFGHJKLMNPQRSTUVWXYZ"

ZoneOrder = Literal["iso", "asme"]


@dataclass(frozen=True, slots=True)
class ZoneMarks:
    """The outer edge of the strip, the ticks that part the zones, and their names with the middle of each."""

    edge: Box
    ticks: tuple[tuple[Point, Point], ...]
    names: tuple[tuple[str, Point], ...]


def zone_marks(order: ZoneOrder, size: PaperSize, paper: Box, border: Box) -> ZoneMarks:
    """The zone marks around a border.

    ISO letters run from the top down and numbers from the left; in the ASME tradition letters run from the bottom up
    and numbers from the right.
    """
    edge = grown(border, STRIP)
    across, up = _parts(order, size, paper, border)
    left, bottom, right, top = border
    ticks: list[tuple[Point, Point]] = []
    names: list[tuple[str, Point]] = []
    for x in across[1:-1]:
        ticks += [((x, bottom), (x, edge[1])), ((x, top), (x, edge[3]))]
    for y in up[1:-1]:
        ticks += [((left, y), (edge[0], y)), ((right, y), (edge[2], y))]
    columns = list(itertools.pairwise(across))
    rows = list(itertools.pairwise(up))
    for number, (a, b) in enumerate(columns if order == "iso" else columns[::-1], start=1):
        names += [(str(number), ((a + b) / 2, y)) for y in (bottom - STRIP / 2, top + STRIP / 2)]
    for letter, (a, b) in zip(_LETTERS, rows[::-1] if order == "iso" else rows, strict=False):
        names += [(letter, (x, (a + b) / 2)) for x in (left - STRIP / 2, right + STRIP / 2)]
    return ZoneMarks(edge, tuple(ticks), tuple(names))


def _parts(order: ZoneOrder, size: PaperSize, paper: Box, border: Box) -> tuple[list[float], list[float]]:
    """Where the zones begin and end, across and up."""
    if order == "asme":
        across, up = _ASME.get(size, (2, 2))
        if paper[2] - paper[0] < paper[3] - paper[1]:
            across, up = up, across
        return _even(border[0], border[2], across), _even(border[1], border[3], up)
    return _from_middle(paper[0], paper[2], border[0], border[2]), _from_middle(
        paper[1], paper[3], border[1], border[3]
    )


def _even(start: float, end: float, count: int) -> list[float]:
    return [start + (end - start) * k / count for k in range(count + 1)]


def _from_middle(low: float, high: float, start: float, end: float) -> list[float]:
    """Zones to both sides of the paper's middle; as many as fit the paper best."""
    middle, half = (low + high) / 2, max(1, round((high - low) / 2 / _LONG))
    inner = [middle + _LONG * k for k in range(1 - half, half)]
    return [start, *(x for x in inner if start < x < end), end]
