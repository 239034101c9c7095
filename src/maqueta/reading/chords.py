"""Curves drawn as chains of short chords, put together again: chords of one curve belong to one curve.

Taken one by one, an upright chord of an ellipse lies on whatever upright line passes there.
"""

import math
from collections.abc import Sequence
from typing import Final

import numpy as np

from maqueta.geometry.carrier import TURN, Carrier, Ellipse, Free, Interval, Line, Point, arc_interval, recognised
from maqueta.geometry.line_set import Piece
from maqueta.geometry.nearness import Places
from maqueta.reading.content import Stroke, Style

#: From chord to chord a curve turns by no more than this (radians); a profile with flatter corners is a curve as well.
_MOST_TURN: Final = math.radians(32)
_LEAST_TURN: Final = math.radians(0.05)
#: Neighbouring chords are alike within this ratio: a straight line that runs into a rounding is none of its chords.
_ALIKE: Final = 2.5
_FEWEST: Final = 6
#: Ends meet, and corners of chords lie on a circle or an ellipse, within these (mm).
_MEET: Final = 0.005
_ON_IT: Final = 0.01


def join_chords(strokes: Sequence[Stroke]) -> tuple[Stroke, ...]:
    """Chains of chords, each as one curve: a circle or ellipse where its corners lie on one, else a free curve."""
    joints: Places[list[int]] = Places(_MEET)
    straight = [i for i, stroke in enumerate(strokes) if isinstance(stroke.piece.carrier, Line)]
    for i in straight:
        for end in strokes[i].piece.ends:
            at = joints.get(end)
            (joints.put(end, []) if at is None else at).append(i)
    taken: set[int] = set()
    curves: list[Stroke] = []
    for i in straight:
        if i in taken:
            continue
        chain, points = _chain(strokes, i, joints, taken)
        if len(chain) >= _FEWEST:
            taken.update(chain)
            carrier, interval = _curve(points)
            curves.append(Stroke(Piece("visible", carrier, interval, (), ()), strokes[i].style))
    return (*(stroke for i, stroke in enumerate(strokes) if i not in taken), *curves)


def _chain(
    strokes: Sequence[Stroke], first: int, joints: Places[list[int]], taken: set[int]
) -> tuple[list[int], list[Point]]:
    """The chords before and after one, in order, with the corners between them."""
    chain, points = [first], list(strokes[first].piece.ends)
    style = strokes[first].style
    for forward in (True, False):
        while True:
            last, before = (points[-1], points[-2]) if forward else (points[0], points[1])
            step = _next(strokes, style, chain, last, before, joints, taken)
            if step is None:
                break
            index, end = step
            if forward:
                chain.append(index)
                points.append(end)
            else:
                chain.insert(0, index)
                points.insert(0, end)
    return chain, points


def _next(
    strokes: Sequence[Stroke],
    style: Style,
    chain: Sequence[int],
    last: Point,
    before: Point,
    joints: Places[list[int]],
    taken: set[int],
) -> tuple[int, Point] | None:
    """The chord that goes on from a corner, and where it ends; None at a real corner and where lines fork."""
    here = [i for i in joints.get(last) or () if strokes[i].style == style]
    others = [i for i in here if i not in chain and i not in taken]
    if len(here) != 2 or len(others) != 1:
        return None
    piece = strokes[others[0]].piece
    end = max(piece.ends, key=lambda point: math.dist(point, last))
    turn = abs(
        math.remainder(
            math.atan2(end[1] - last[1], end[0] - last[0]) - math.atan2(last[1] - before[1], last[0] - before[0]), TURN
        )
    )
    lengths = (math.dist(before, last), piece.length)
    alike = max(lengths) <= _ALIKE * min(lengths)
    return (others[0], end) if _LEAST_TURN <= turn <= _MOST_TURN and alike else None


def _curve(points: Sequence[Point]) -> tuple[Carrier, Interval]:
    carrier, interval = recognised(points, _ON_IT)
    found = ellipse_through(points, _ON_IT) if isinstance(carrier, Free) else None
    return found or (carrier, interval)


def ellipse_through(points: Sequence[Point], tolerance: float) -> tuple[Ellipse, Interval] | None:
    """The ellipse all points lie on, within a tolerance, by the conic of least squares (any textbook's method); None
    where there is none."""
    array = np.asarray(points)
    middle, spread = array.mean(axis=0), float(np.ptp(array, axis=0).max())
    x, y = ((array - middle) / spread).T
    _, _, rows = np.linalg.svd(np.column_stack([x * x, x * y, y * y, x, y, np.ones(len(x))]))
    a, b, c, d, e, f = rows[-1].tolist()
    if 4 * a * c - b * b <= 1e-12:
        return None
    cx, cy = np.linalg.solve([[2 * a, b], [b, 2 * c]], [-d, -e]).tolist()
    values, axes = np.linalg.eigh([[a, b / 2], [b / 2, c]])
    level = -(f + (d * cx + e * cy) / 2)
    if (level / values <= 0).any():
        return None
    halves = np.sqrt(level / values) * spread
    place = int(halves.argmax())
    angle = math.atan2(axes[1, place], axes[0, place]) % math.pi
    ellipse = Ellipse(
        float(cx * spread + middle[0]), float(cy * spread + middle[1]), float(halves.max()), float(halves.min()), angle
    )
    params = [ellipse.parameter(point) for point in points]
    off = max(math.dist(ellipse.point(t), point) for t, point in zip(params, points, strict=True))
    if off > tolerance:
        return None
    closed = math.dist(points[0], points[-1]) <= _MEET
    return ellipse, arc_interval(params[0], params[len(params) // 2], params[-1], closed)
