"""Chains of pixels as the longest lines and arcs they are made of.

All lengths in pixels, x right and y down. How far ink may stray: common practice, no source.
"""

import itertools
import math
from collections.abc import Callable, Iterator
from dataclasses import replace
from typing import Final

import numpy as np

from maqueta.reading.picture.path import JOINED, Path, circle_of, circle_off, line_of, line_off, on_circle, point_of
from maqueta.reading.picture.thinned import Floats
from maqueta.reading.picture.traced import Chain

#: Ink keeps within this of the line or arc it draws.
_STRAYS: Final = 0.9
#: A short arc strays so far from a line, in its middle part.
_BENT: Final = 0.65
#: An arc bulges at least so much: flatter it is a line.
_BULGE: Final = 1.6
#: A circle has to explain this much more of a chain than a line does.
_ROUNDER: Final = 1.3
#: A corner turns by more than this, radians, over so many pixels, and by this share of it over half as many.
_SHARP, _STEP, _AT_ONCE = 0.85, 10, 0.7


def split(chain: Chain, corner: Iterator[int]) -> list[Path]:
    """A chain as the longest lines and arcs it is made of, one after the other."""
    if chain.closed and (whole := circle_of(chain.places)) is not None and whole[2] <= _STRAYS + 0.4:
        x, y, _, radius = whole
        ends = (float(chain.places[0, 0]), float(chain.places[0, 1]))
        return [Path(chain.places, chain.half, (None, None), ends, ends, (x, y), radius, True)]
    chain = _clear_of_junctions(chain)
    # Next to a corner the middle of the ink is that of two lines.
    by, count = math.ceil(float(np.median(chain.half))) + 1, len(chain.places)
    turns = [0, *_corners(chain.places), count]
    spans = [(low + by * (low > 0), high - by * (high < count)) for low, high in itertools.pairwise(turns)]
    bounds = [own for low, high in spans for own in _bounds(chain.places[low:high], low)]
    # Thinned ink cuts its corners: what is hardly longer than it is wide, beside others, is none of its lines.
    least = 2.5 * float(np.median(chain.half)) + 2
    bounds = [own for own in bounds if own[1] - own[0] > least] or bounds[:1] or [(0, count, False)]
    nodes = [chain.nodes[0], *(next(corner) for _ in bounds[1:]), chain.nodes[1]]
    found = []
    for k, (low, high, curved) in enumerate(bounds):
        path = _fitted(chain.places[low:high], chain.half[low:high], (nodes[k], nodes[k + 1]), curved)
        if path is not None:
            found.append(path)
    return found


def _bounds(places: Floats, low: int) -> list[tuple[int, int, bool]]:
    """Where pixels without a corner go over from one line or arc to the next: first and last place of each, counted
    from `low` on, and whether it is an arc."""
    start, count = 0, len(places)
    found: list[tuple[int, int, bool]] = []
    while start < count - 1:
        straight, bent = _reach(places, start, line_off), 0
        if straight < count:
            bent = _reach(places, start, circle_off, straight - start + 8)
        curved = bent - start > _ROUNDER * (straight - start) + 6 or bent >= count > straight
        end = bent if curved else straight
        found.append((low + start, low + end, curved))
        if end >= count:
            break
        start = max(start + 1, end - 1)
    return found


def _corners(places: Floats) -> list[int]:
    """Where a chain turns all at once: by as much over a short way as over a long one."""
    near, far = _turns(places, _STEP // 2), _turns(places, _STEP)
    sharp = (far > _SHARP) & (near > _AT_ONCE * far)
    found: list[int] = []
    for place in sorted(np.flatnonzero(sharp).tolist(), key=lambda k: -float(far[k] + near[k])):
        if all(abs(place - other) > _STEP for other in found):
            found.append(place)
    return sorted(found)


def _turns(places: Floats, step: int) -> Floats:
    """By how much a chain turns at each pixel, radians, seen over some pixels before and behind; 0 near its ends."""
    turns = np.zeros(len(places))
    if len(places) > 2 * step:
        before, behind = places[step:-step] - places[: -2 * step], places[2 * step :] - places[step:-step]
        across = before[:, 0] * behind[:, 1] - before[:, 1] * behind[:, 0]
        turns[step:-step] = np.abs(np.arctan2(across, (before * behind).sum(axis=1)))
    return turns


def _clear_of_junctions(chain: Chain) -> Chain:
    """A chain without the pixels next to its junctions: there the middle of the ink is that of two lines."""
    by = math.ceil(float(np.median(chain.half))) + 1
    low, high = (0 if node is None else by for node in chain.nodes)
    if len(chain.places) <= 3 * (low + high) + 4:
        return chain
    kept = slice(low, len(chain.places) - high)
    return replace(chain, places=chain.places[kept], half=chain.half[kept])


def _reach(places: Floats, start: int, off: Callable[[Floats], float], least: int = 8) -> int:
    """How far a chain can be followed from a place on before it strays from one line or arc; `least` is the first
    length tried."""
    low, high, count = start + 2, min(start + least, len(places)), len(places)
    while high < count and off(places[start:high]) <= _STRAYS:
        low, high = high, start + 2 * (high - start)
    high = min(high, count)
    if off(places[start:high]) <= _STRAYS:
        return high
    while high - low > 1:
        middle = (low + high) // 2
        if off(places[start:middle]) <= _STRAYS:
            low = middle
        else:
            high = middle
    return low


def _fitted(places: Floats, half: Floats, nodes: tuple[int | None, int | None], curved: bool) -> Path | None:
    """A line or an arc through pixels, those next to its ends left aside where there are others."""
    trim = min(len(places) // 4, math.ceil(float(np.median(half))) + 1)
    inner = places[trim : len(places) - trim] if trim else places
    bent = curved and len(places) > 8 and line_off(places[2:-2]) > _BENT
    if bent and (circle := circle_of(inner)) is not None and circle[2] <= JOINED:
        x, y, _, radius = circle
        chord = math.dist(places[0], places[-1])
        bulge = radius - math.sqrt(max(radius**2 - chord**2 / 4, 0.0)) if chord < 2 * radius else radius
        if bulge >= _BULGE or len(places) > 1.3 * chord:
            first, last = (on_circle((x, y), radius, point_of(places[k])) for k in (0, -1))
            return Path(places, half, nodes, first, last, (x, y), radius)
    if len(places) < 2:
        return None
    middle, way, _ = line_of(inner if len(inner) > 1 else places)
    first, last = (point_of(middle + way * float((places[k] - middle) @ way)) for k in (0, -1))
    return Path(places, half, nodes, first, last) if first != last else None
