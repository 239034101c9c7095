"""Poses a group of lines could have as some view of the part: scales its box suggests, places its lines vote for."""

import itertools
import math
from collections.abc import Sequence
from dataclasses import dataclass
from functools import cache
from typing import Final

import numpy as np

from maqueta.geometry.box import Box
from maqueta.geometry.carrier import Point
from maqueta.reading.candidates import Candidate, Rows, Stations
from maqueta.sheet.scales import recommended

#: No view is drawn smaller than this (mm).
_TINY: Final = 5.0
#: Shifts that as many lines vote for as for the best, but for this share, are as good; so many are tried at most.
_TIED, _MOST_SHIFTS = 0.95, 4


@dataclass(frozen=True)
class Pose:
    """A view at a scale, the origin of its plane at a place of the sheet (mm); `votes` is how much speaks for it."""

    candidate: Candidate
    scale: float
    at: Point
    votes: float


def poses_of(
    candidate: Candidate, drawn: Stations, box: Box, scales: Sequence[float], unit: float, tolerance: float
) -> list[Pose]:
    """All poses of one view at scales at which it could fill the box of a group; `unit` is mm per unit of the part."""
    width, height = candidate.box[2] - candidate.box[0], candidate.box[3] - candidate.box[1]
    return [
        pose
        for scale in _scales(width * unit, height * unit, box, scales)
        if scale * unit * max(width, height) >= _TINY
        for pose in poses_at(candidate, scale, drawn, box, unit, tolerance)
    ]


def poses_at(
    candidate: Candidate, scale: float, drawn: Stations, box: Box, unit: float, tolerance: float
) -> list[Pose]:
    """Poses at one scale; the vote is the share of line that agrees, a fitting box counts a little."""
    own, factor = candidate.stations, scale * unit
    rounds = (np.concatenate((drawn.circles, drawn.rings)), np.concatenate((own.circles, own.rings)))
    across = _offsets(drawn.upright, own.upright, *rounds, 0, factor, tolerance)
    up = _offsets(drawn.level, own.level, *rounds, 1, factor, tolerance)
    # Where curves alone vote, as arcs of small ellipses may, the box is as good a reason.
    if not len(drawn.upright) or not len(own.upright):
        across.append((box[0] - factor * candidate.box[0], 0.0))
    if not len(drawn.level) or not len(own.level):
        up.append((box[1] - factor * candidate.box[1], 0.0))
    # Of rings only those drawn count: how many a view has, in how many pieces, says nothing against it.
    whole = _length(drawn) + 4 * float(drawn.rings[:, 2].sum()) + factor * _length(own)
    width, height = candidate.box[2] - candidate.box[0], candidate.box[3] - candidate.box[1]
    fit = 1.0 - 0.5 * (_off(factor * width, box[2] - box[0]) + _off(factor * height, box[3] - box[1]))
    poses = [
        Pose(candidate, scale, (x, y), (2 * (vx + vy) / whole if whole > 0 else 0.0) + 0.2 * fit)
        for (x, vx), (y, vy) in itertools.product(across, up)
    ]
    best = max((pose.votes for pose in poses), default=0.0)
    # A slanted line has its place both ways; it is worth a look whatever the others vote for.
    return poses + [Pose(candidate, scale, at, best) for at in _by_slants(drawn, own, factor, tolerance)]


def _by_slants(drawn: Stations, own: Stations, factor: float, tolerance: float) -> list[Point]:
    """Places at which a slanted line lies on one as steep and as long."""
    found: list[Point] = []
    if not len(drawn.slanted) or not len(own.slanted):
        return found
    x, y, angle, length = own.slanted.T * np.array([[factor], [factor], [1.0], [factor]])
    u, v, turn, drawn_length = drawn.slanted.T
    between = angle[:, None] - turn[None, :]
    askew = np.abs(between - math.pi * np.round(between / math.pi)) * length[:, None]
    longer = np.abs(drawn_length[None, :] - length[:, None])
    for i, j in np.argwhere((askew <= tolerance) & (longer <= 2 * tolerance)).tolist():
        at = (float(u[j] - x[i]), float(v[j] - y[i]))
        if all(math.dist(at, other) > tolerance for other in found):
            found.append(at)
        if len(found) == _MOST_SHIFTS:
            break
    return found


def _length(stations: Stations) -> float:
    """How much there is to agree on, across and up together; circles count twice by their radius."""
    lines = float(stations.upright[:, 1].sum() + stations.level[:, 1].sum())
    return lines + 2 * float(stations.circles[:, 2].sum())


def usual_scale(scale: float, likely: Sequence[float]) -> bool:
    """Whether a scale is a likely one, or one that a standard recommends."""
    return any(abs(scale / other - 1) < 1e-3 for other in (*likely, *_standard()))


@cache
def _standard() -> tuple[float, ...]:
    return tuple(float(scale) for units in ("mm", "inch") for scale in recommended(units))


def _off(a: float, b: float) -> float:
    return abs(a - b) / max(a, b, 1e-9)


def _scales(width: float, height: float, box: Box, likely: Sequence[float]) -> list[float]:
    """Scales at which a view of a true size could fill a box: the box's own, likely ones, standard ones near it."""
    own = [drawn / true for drawn, true in ((box[2] - box[0], width), (box[3] - box[1], height)) if true > 1e-9]
    if not own or max(own) <= 0:
        return []
    low, high = 0.7 * min(own), 1.4 * max(own)
    result: list[float] = []
    for scale in (*likely, *_standard(), *own):
        if low <= scale <= high and all(abs(scale / other - 1) > 2e-3 for other in result):
            result.append(scale)
    # Far from both sides of the box a scale needs a reason: likely ones stay, the others must fit one side.
    near = [s for s in result if s in likely or min(abs(s / o - 1) for o in own) < 0.02]
    return near[:6]


def _offsets(
    drawn: Rows, expected: Rows, circles: Rows, rings: Rows, index: int, factor: float, tolerance: float
) -> list[tuple[float, float]]:
    """The best few shifts along one direction, each with the length of line that agrees on it."""
    shifts: list[Rows] = []
    weights: list[Rows] = []
    if len(drawn) and len(expected):
        shifts.append((drawn[:, 0][:, None] - factor * expected[:, 0][None, :]).ravel())
        weights.append(np.minimum(drawn[:, 1][:, None], factor * expected[:, 1][None, :]).ravel())
    if len(circles) and len(rings):
        same = np.abs(circles[:, 2][:, None] - factor * rings[:, 2][None, :]) <= tolerance
        gap = circles[:, index][:, None] - factor * rings[:, index][None, :]
        shifts.append(gap[same])
        weights.append(np.broadcast_to(circles[:, 2][:, None], same.shape)[same])
    if not shifts or not sum(len(s) for s in shifts):
        return []
    every, weight = np.concatenate(shifts), np.concatenate(weights)
    order = np.argsort(every)
    every, weight = every[order], weight[order]
    total = np.concatenate([[0.0], np.cumsum(weight)])
    last = np.searchsorted(every, every + tolerance, side="right")
    votes = total[last] - total[: len(every)]
    result: list[tuple[float, float]] = []
    best = float(votes.max())
    for first in np.argsort(-votes, kind="stable"):
        if len(result) >= 2 and votes[first] < _TIED * best:
            break
        stretch = slice(int(first), int(last[first]))
        # The weighted median: a neighbouring line within the tolerance must not draw the place aside.
        grown = np.cumsum(weight[stretch])
        shift = float(every[stretch][np.searchsorted(grown, grown[-1] / 2)])
        if all(abs(shift - other) > 2 * tolerance for other, _ in result):
            result.append((shift, float(votes[first])))
        if len(result) == _MOST_SHIFTS:
            break
    return result
