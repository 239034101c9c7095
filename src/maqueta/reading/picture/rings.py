"""Circles that other lines cross again and again, of which short arcs alone were followed: whole where the ink is."""

import math
from collections.abc import Iterator, Sequence
from dataclasses import replace
from typing import Final

import numpy as np

from maqueta.geometry.carrier import Point
from maqueta.reading.picture.path import Path, circle_of
from maqueta.reading.picture.thinned import Floats, Mask

#: Pixels within this of a circle lie on it; a circle has ink along so much of it.
_ON, _INKED = 1.6, 0.97
#: Smaller circles than this, pixels, are dots and letters.
_LEAST: Final = 5.0


def completed(paths: Sequence[Path], ink: Mask) -> list[Path]:
    """Paths with circles made whole of the arcs and short lines that lie on them, where ink runs all round."""
    left = list(paths)
    for centre, radius in _once(_candidates(paths), ink):
        on = [k for k, path in enumerate(left) if not path.closed and _lies_on(path, centre, radius)]
        if not on:
            continue
        places = np.vstack([left[k].places for k in on])
        fitted = circle_of(places)
        if fitted is None or not _inked(fitted[:2], fitted[3], ink):
            continue
        own = left[on[0]]
        x, y, _, radius = fitted
        at = (x + radius, y)
        whole = replace(own, places=places, half=np.concatenate([left[k].half for k in on]), nodes=(None, None),
                        first=at, last=at, centre=(x, y), radius=radius, closed=True)  # fmt: skip
        left = [path for k, path in enumerate(left) if k not in on] + [whole]
    return left


def _once(candidates: Iterator[tuple[Point, float]], ink: Mask) -> Iterator[tuple[Point, float]]:
    """Each circle once, and those alone that have ink here and there all round."""
    known: set[tuple[int, int, int]] = set()
    for (x, y), radius in candidates:
        name = (round(x / _ON), round(y / _ON), round(radius / _ON))
        if name not in known and radius >= _LEAST:
            known.add(name)
            angles = np.linspace(0.0, math.tau, 32, endpoint=False)
            near = [
                _at(ink, x + (radius + off) * np.cos(angles), y + (radius + off) * np.sin(angles))
                for off in (-3.0, -2.0, -1.0, 0.0, 1.0, 2.0, 3.0)
            ]
            if np.any(near, axis=0).mean() >= _INKED - 0.12:
                yield (x, y), radius


def _candidates(paths: Sequence[Path]) -> Iterator[tuple[Point, float]]:
    """Circles there could be: those of arcs, and those about a known centre that a short line is a chord of."""
    centres = [path.centre for path in paths if path.centre is not None and path.closed]
    for path in paths:
        if path.centre is not None and not path.closed:
            yield path.centre, path.radius
            continue
        if path.centre is not None:
            continue
        for centre in centres:
            first, last = math.dist(centre, path.first), math.dist(centre, path.last)
            if abs(first - last) <= 2 * _ON and path.length < 1.5 * first:
                yield centre, (first + last) / 2


def _lies_on(path: Path, centre: Point, radius: float) -> bool:
    if any(abs(math.dist(centre, end) - radius) > 3 * _ON for end in (path.first, path.last)):
        return False
    off = np.abs(np.hypot(path.places[:, 0] - centre[0], path.places[:, 1] - centre[1]) - radius)
    return bool(radius >= _LEAST and np.percentile(off, 90) <= _ON)


def _inked(centre: Point, radius: float, ink: Mask) -> bool:
    """Whether ink runs along a whole circle, within a pixel."""
    if radius < _LEAST:
        return False
    angles = np.linspace(0.0, math.tau, max(24, round(math.tau * radius)), endpoint=False)
    found = np.zeros(len(angles), dtype=bool)
    for off in (-1.0, 0.0, 1.0):
        found |= _at(ink, centre[0] + (radius + off) * np.cos(angles), centre[1] + (radius + off) * np.sin(angles))
    return bool(found.mean() >= _INKED)


def _at(ink: Mask, x: Floats, y: Floats) -> "np.ndarray[tuple[int], np.dtype[np.bool_]]":
    high, wide = ink.shape
    columns, rows = np.clip(np.rint(x).astype(int), 0, wide - 1), np.clip(np.rint(y).astype(int), 0, high - 1)
    return np.asarray(ink[rows, columns] > 0)
