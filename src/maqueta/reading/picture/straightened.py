"""The sheet in a picture laid flat: turned, and its perspective taken away, by its border."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

import cv2
import numpy as np

from maqueta.geometry.carrier import Point
from maqueta.phrases.phrase import phrase
from maqueta.reading.errors import UnreadableSheetError
from maqueta.reading.picture.image import Grey, Picture
from maqueta.reading.picture.ink import evenly_lit, ink_of
from maqueta.reading.picture.lens import bend_of, followed, straight_picture
from maqueta.reading.picture.thinned import Floats, Mask

#: Lines are looked for in a picture at most this large, pixels.
_LOOKED_AT: Final = 1600
#: The border runs along so much of the picture, and leans at most so much (radians).
_LONG, _LEANS = 0.45, 0.35
#: Margins of borders, mm: at the left, and on the other sides (ISO 5457; 10 and 5 all round, common practice).
_MARGINS: Final = ((20.0, 10.0), (10.0, 10.0), (5.0, 5.0), (20.0, 5.0))
#: More of a picture than this, as a share, is not drawn on any sheet.
_MOST_INK: Final = 0.2
#: The size of a pixel a flat sheet is worked on at, mm: what is told by so many pixels is the same for every picture.
_PIXEL: Final = 0.12
#: Sides that come nearer to each other by no more than this tell nothing of the lens.
_NO_PERSPECTIVE: Final = 2e-3
#: A side is seen in stretches of at least this share of the picture, this share of it beside one another.
_STRETCH, _BESIDE = 0.15, 0.004
#: Opposite sides that differ by less, as a share, are seen from straight above.
_STRAIGHT: Final = 0.004

#: A line from one point to another, pixels: x and y of both.
Side = tuple[float, float, float, float]


@dataclass(frozen=True)
class FlatSheet:
    """Grey values of a sheet seen from straight above, as if its paper were white, and the size of a pixel, mm."""

    grey: Grey
    pixel: float


def straightened(picture: Picture, paper: tuple[float, float]) -> FlatSheet:
    """The sheet of a picture laid flat; `paper` is how wide and high it should be, mm, where the picture itself does
    not say how large it is."""
    picture = Picture(evenly_lit(picture.grey), picture.pixel)
    ink = ink_of(picture.grey)
    if np.count_nonzero(ink) > _MOST_INK * ink.size:
        raise UnreadableSheetError(phrase("sheet-picture-no-drawing"))
    sides = _border(ink)
    # What a lens bends is seen as several stretches of which none is the side.
    bent = _border(ink, pieced=True) if picture.pixel is None else None
    bend = 0.0 if bent is None else bend_of([followed(ink, side) for side in bent], ink.shape)
    if bend:
        picture = Picture(straight_picture(picture.grey, bend), None)
        ink = ink_of(picture.grey)
        sides = _border(ink, pieced=True)
    corners = None if sides is None else _corners(ink, sides)
    if corners is None:
        high, wide = picture.grey.shape
        pixel = picture.pixel or max(paper) / max(wide, high)
        return _turned(picture.grey, ink, pixel)
    return _by_border(picture, corners, paper)


def _by_border(picture: Picture, corners: Floats, paper: tuple[float, float]) -> FlatSheet:
    """`corners`: those of the border in the picture, from the upper left one clockwise."""
    sides = [float(np.hypot(*(corners[k] - corners[(k + 1) % 4]))) for k in range(4)]
    across, down = (sides[0] + sides[2]) / 2, (sides[1] + sides[3]) / 2
    flat = max(abs(sides[0] / sides[2] - 1), abs(sides[1] / sides[3] - 1)) <= _STRAIGHT
    if picture.pixel is not None and flat:
        wide, high = across * picture.pixel, down * picture.pixel
    else:
        wide, high = _likeliest(border_ratio(corners, picture.grey.shape), paper)
    pixel = _PIXEL
    # What of the picture lies round the border comes along: a margin on every side.
    margin = 22.0 / pixel
    right, bottom = margin + wide / pixel, margin + high / pixel
    target = np.array([(margin, margin), (right, margin), (right, bottom), (margin, bottom)], dtype=np.float32)
    move = cv2.getPerspectiveTransform(corners.astype(np.float32), target)
    size = (math.ceil(right + margin), math.ceil(bottom + margin))
    how = cv2.INTER_AREA if min(wide / across, high / down) < pixel else cv2.INTER_CUBIC
    grey = cv2.warpPerspective(picture.grey, move, size, flags=how, borderMode=cv2.BORDER_CONSTANT, borderValue=255)
    return FlatSheet(np.asarray(grey, dtype=np.uint8), pixel)


def border_ratio(corners: Floats, shape: tuple[int, ...]) -> float:
    """How many times wider than high a rectangle is whose corners are seen somewhere, from the upper left clockwise.

    By a camera with square pixels that looks straight at the middle of its picture (Zhang and He 2006, from memory).
    """
    middle = np.array([shape[1] / 2, shape[0] / 2])
    left_up, right_up, right_down, left_down = (np.array([*((c - middle) / max(shape)), 1.0]) for c in corners)
    diagonal = np.cross(left_up, right_down)
    across = (diagonal @ left_down) / (np.cross(right_up, right_down) @ left_down) * right_up - left_up
    down = (diagonal @ right_up) / (np.cross(left_down, right_down) @ right_up) * left_down - left_up
    if min(abs(across[2]), abs(down[2])) < _NO_PERSPECTIVE:
        return float(np.hypot(*across[:2]) / np.hypot(*down[:2]))
    lens = -(across[0] * down[0] + across[1] * down[1]) / (across[2] * down[2])
    if lens <= 0:
        return float(np.hypot(*across[:2]) / np.hypot(*down[:2]))
    one, other = ((way[0] ** 2 + way[1] ** 2) / lens + way[2] ** 2 for way in (across, down))
    return math.sqrt(float(one / other))


def _likeliest(ratio: float, paper: tuple[float, float]) -> tuple[float, float]:
    """How wide and high a border of a ratio is on some paper."""
    found = []
    for wide, high in (paper, paper[::-1]):
        for left, others in _MARGINS:
            own = (wide - left - others, high - 2 * others)
            found.append((abs(math.log(ratio * own[1] / own[0])), own))
    return min(found)[1]


def _turned(grey: Grey, whole: Mask, pixel: float) -> FlatSheet:
    """A sheet without a border, turned until most of its lines are level or upright."""
    ink, _ = _small(whole)
    found = cv2.HoughLinesP(ink, 1, math.pi / 1440, 60, minLineLength=0.08 * max(ink.shape), maxLineGap=4)
    turns = [] if found is None else [
        (math.remainder(math.atan2(y1 - y0, x1 - x0), math.pi / 2), math.hypot(x1 - x0, y1 - y0))
        for x0, y0, x1, y1 in found[:, 0].tolist()
    ]  # fmt: skip
    near = sorted((turn, length) for turn, length in turns if abs(turn) <= _LEANS)
    if not near:
        near = [(0.0, 1.0)]
    passed, half = 0.0, sum(length for _, length in near) / 2
    turn = 0.0
    for own, length in near:
        passed += length
        turn = own
        if passed >= half:
            break
    high, wide = grey.shape
    share = pixel / _PIXEL
    move = cv2.getRotationMatrix2D((wide / 2, high / 2), math.degrees(turn), share)
    size = (max(1, round(wide * share)), max(1, round(high * share)))
    move[:, 2] += ((size[0] - wide) / 2, (size[1] - high) / 2)
    how = cv2.INTER_AREA if share < 1 else cv2.INTER_CUBIC
    flat = cv2.warpAffine(grey, move, size, flags=how, borderValue=255)
    return FlatSheet(np.asarray(flat, dtype=np.uint8), _PIXEL)


def _small(ink: Mask) -> tuple[Mask, float]:
    """The ink of a picture made smaller, and how much smaller: a line is not lost on the way."""
    share = min(1.0, _LOOKED_AT / max(ink.shape))
    if share == 1.0:
        return ink, share
    size = (round(ink.shape[1] * share), round(ink.shape[0] * share))
    less = cv2.resize(ink, size, interpolation=cv2.INTER_AREA)
    return np.asarray((less > 40) * 255, dtype=np.uint8), share


def _border(whole: Mask, pieced: bool = False) -> list[Side] | None:
    """The sides of the border in some ink, roughly: the upper, right, lower and left one; None where there is none.

    `pieced` puts together what is seen of a side even where a stretch alone is long enough to be one.
    """
    ink, share = _small(whole)
    high, wide = ink.shape
    least = _STRETCH * min(wide, high)
    found = cv2.HoughLinesP(ink, 1, math.pi / 720, 120, minLineLength=least, maxLineGap=12)
    if found is None:
        return None
    stretches: list[Side] = [(x0, y0, x1, y1) for x0, y0, x1, y1 in found[:, 0].astype(float).tolist()]
    level = _sides(stretches, wide, high, pieced)
    # Seen the other way round, an upright side is a level one.
    swapped = _sides([(y0, x0, y1, x1) for x0, y0, x1, y1 in stretches], high, wide, pieced)
    upright = [(at, (x0, y0, x1, y1)) for at, (y0, x0, y1, x1) in swapped]
    if not level or not upright:
        return None
    sides = [min(level), max(upright), max(level), min(upright)]
    if sides[2][0] - sides[0][0] < _LONG * high or sides[1][0] - sides[3][0] < _LONG * wide:
        return None
    return [(x0 / share, y0 / share, x1 / share, y1 / share) for _, (x0, y0, x1, y1) in sides]


def _corners(ink: Mask, sides: Sequence[Side]) -> Floats | None:
    """The corners of the border, from the upper left one clockwise, pixels."""
    lines = [_fitted(ink, side) for side in sides]
    corners = [_crossing(lines[k - 1], lines[k]) for k in range(4)]
    return np.array(corners) if all(corner is not None for corner in corners) else None


def _sides(lines: Sequence[Side], wide: float, high: float, pieced: bool) -> list[tuple[float, Side]]:
    """The nearly level lines that are long enough for a side of the border, by where they cross the middle.

    A line is seen in stretches where the paper is not quite flat, or where others cross it.
    """
    near = []
    for x0, y0, x1, y1 in lines:
        if abs(math.remainder(math.atan2(y1 - y0, x1 - x0), math.pi)) <= _LEANS:
            rise = (y1 - y0) / (x1 - x0)
            first, last = sorted(((x0, y0), (x1, y1)))
            near.append((y0 + (wide / 2 - x0) * rise, rise, (*first, *last)))
    found = []
    for at, rise, own in near:
        if own[2] - own[0] >= _LONG * wide and not pieced:
            found.append((at, own))
            continue
        reach = _BESIDE * high
        along = [
            line
            for other, _, line in near
            if abs(other - at) <= 4 * reach
            and all(abs(y - at - (x - wide / 2) * rise) <= reach for x, y in (line[:2], line[2:]))
        ]
        first, last = min(line[:2] for line in along), max(line[2:] for line in along)
        if last[0] - first[0] >= _LONG * wide:
            found.append((at, (*first, *last)))
    return found


def _fitted(ink: Mask, side: Sequence[float]) -> tuple[Floats, Floats]:
    """A point of the line that ink near a side draws, and its direction."""
    x0, y0, x1, y1 = side
    steps = max(abs(x1 - x0), abs(y1 - y0))
    level = abs(x1 - x0) >= abs(y1 - y0)
    reach, found = 7, []
    for k in np.linspace(0.02, 0.98, int(min(steps, 1500))):
        x, y = round(x0 + k * (x1 - x0)), round(y0 + k * (y1 - y0))
        low = max(0, (y if level else x) - reach)
        run = ink[low : y + reach + 1, x] if level else ink[y, low : x + reach + 1]
        own = np.flatnonzero(run)
        # Where another line crosses or runs beside it, nothing is told.
        if len(own) and own[-1] - own[0] == len(own) - 1 and 0 < len(own) <= reach:
            middle = low + float(own.mean())
            found.append((x, middle) if level else (middle, y))
    points = np.array(found if len(found) > 20 else [(x0, y0), (x1, y1)], dtype=np.float32)
    vx, vy, x, y = cv2.fitLine(points, cv2.DIST_HUBER, 0, 0.01, 0.01).ravel().tolist()
    return np.array([x, y]), np.array([vx, vy])


def _crossing(one: tuple[Floats, Floats], other: tuple[Floats, Floats]) -> Point | None:
    (p, d), (q, e) = one, other
    across = d[0] * e[1] - d[1] * e[0]
    if abs(across) < 0.3:
        return None
    t = ((q[0] - p[0]) * e[1] - (q[1] - p[1]) * e[0]) / across
    return (float(p[0] + t * d[0]), float(p[1] + t * d[1]))
