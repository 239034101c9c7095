"""What view of the part a group of lines is, where it stands and at what scale.

Candidate scales are those that the box of the group, the title block and the standards suggest; the place is voted for
by all pairs of drawn and expected lines; the few best poses are compared exactly, and the least disagreement wins.
"""

import itertools
import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np

from maqueta.projection.attitude import Attitude
from maqueta.projection.carrier import Line, Point, Similarity
from maqueta.projection.compare import Comparison, DrawnPiece, compare, length_of, split
from maqueta.projection.line_set import Box, Piece, box_of, extremes
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.candidates import (
    Candidate,
    Identity,
    Rows,
    Stations,
    pictorial_candidates,
    principal_candidates,
    remembered,
    stations_of,
)
from maqueta.sheet.scales import recommended
from maqueta.solid.unit import MILLIMETRES

#: A group that disagrees with its best view on more than half of the ink is no view of the part.
STRANGER: Final = 0.5
#: The same for a view at a scale that is stated nowhere, and for a mirror image.
_ODD_SCALE, _MIRROR_IMAGE = 0.2, 0.12
#: No view is drawn smaller than this (mm).
_TINY: Final = 5.0
#: With fewer lines than this, or smaller (mm), a group is only a view as it is asked for.
_FEW, _SMALLEST = 4, 12.0
#: So many times the lines of all views, and so many more, are not looked through.
_CLUTTER, _CLUTTER_AT_ALL = 5, 800
#: Poses compared exactly, best votes first; more where as many lines vote for others as well.
_COMPARED, _MOST_COMPARED = 14, 60
#: Votes this near to the best (share of all line) are worth a comparison: round parts look much alike in every turn.
_NEAR_VOTE: Final = 0.1
#: An odd scale must explain this much more of the ink than a usual one.
_ODD: Final = 0.03
#: A group flatter than this (mm) is a line, no view.
_FLAT: Final = 0.5
_REFINED: Final = 5
#: Views within this much of the least disagreement stay in question.
_CLOSE: Final = 0.06
#: A view is there whole with this share of its lines.
WHOLE: Final = 0.97
#: Poses compared when a view is sought among other lines.
_SOUGHT: Final = 40
#: Shifts that as many lines vote for as for the best, but for this share, are as good; so many are tried at most.
_TIED, _MOST_SHIFTS = 0.95, 4
#: A view is found within a larger group when this much of its lines is there.
_MOSTLY: Final = 0.8
#: In isometric drawing the axes keep their full length; in isometric projection they shrink to √(2/3) (ISO 5456-3).
_FULL_AXES: Final = math.sqrt(1.5)


@dataclass(frozen=True)
class Fit:
    """A group read as one view: `at` is where the model's origin lands on the sheet (mm)."""

    identity: Identity
    scale: float
    at: Point
    disagreement: float


@dataclass(frozen=True)
class _Pose:
    candidate: Candidate
    scale: float
    at: Point
    votes: float


@dataclass(frozen=True)
class Found:
    """A view found within a larger group: its fit and which of the group's pieces lie on its lines."""

    fit: Fit
    box: Box
    members: frozenset[int]


def find_within(
    projected: ProjectedPart,
    group: Sequence[DrawnPiece],
    scales: Sequence[float],
    tolerance: float,
    least: float = _MOSTLY,
    suits: Callable[[Box], bool] = lambda _: True,
) -> Found | None:
    """The view most of whose lines are drawn somewhere in a group, whatever else the group holds; None if none is.

    `least` is the share of its lines that must be there, `suits` tells whether its box may stand where it would.
    """
    if _too_many(projected, group):
        return None
    unit = MILLIMETRES[projected.part.unit]
    pieces = tuple(item.piece for item in group)
    drawn, box = stations_of(pieces), box_of(p for piece in pieces for p in extremes(piece))
    poses = [
        pose
        for candidate in principal_candidates(remembered(projected))
        if not candidate.identities[0][0].mirrored
        for scale in scales
        for pose in _poses_at(candidate, scale, drawn, box, unit, tolerance)
    ]
    poses = [pose for pose in poses if suits(_box_at(pose, unit))]
    poses.sort(key=lambda pose: -pose.votes)
    rough = [
        (_here(pose, compared(pose.candidate, pose.scale * unit, pose.at, group, tolerance, True, curves=False)), pose)
        for pose in poses[:_SOUGHT]
    ]
    rough.sort(key=lambda entry: entry[0], reverse=True)
    best: tuple[tuple[bool, float], Found] | None = None
    for _, pose in rough[:_REFINED]:
        factor = pose.scale * unit
        result = compared(pose.candidate, factor, pose.at, group, tolerance, hidden=True)
        here = 1.0 - length_of(result.missing) / max(result.expected, 1e-9)
        merit = _here(pose, result)
        if here >= least and (best is None or merit > best[0]):
            members = _on_its_lines(result.extra, pose, unit, pieces)
            fit = Fit(pose.candidate.identities[0][0], pose.scale, pose.at, 1.0 - here)
            best = (merit, Found(fit, _box_at(pose, unit), members))
    return best[1] if best is not None else None


def _box_at(pose: _Pose, unit: float) -> Box:
    factor, (left, bottom, right, top) = pose.scale * unit, pose.candidate.box
    x, y = pose.at
    return (factor * left + x, factor * bottom + y, factor * right + x, factor * top + y)


def _here(pose: _Pose, result: Comparison) -> tuple[bool, float]:
    """How much of a view is drawn: one that is there whole goes before a larger one that is there in part."""
    here = 1.0 - length_of(result.missing) / max(result.expected, 1e-9)
    return here >= WHOLE, here * result.expected * pose.scale


def _on_its_lines(extra: Sequence[Piece], pose: _Pose, unit: float, pieces: Sequence[Piece]) -> frozenset[int]:
    """Places of the pieces of which at most half is surplus at a pose."""
    move = Similarity(pose.scale * unit, 0.0, *pose.at)
    surplus = [piece.moved(move) for piece in extra]
    on, _ = split(pieces, surplus, 0.01)
    members = []
    for index, piece in enumerate(pieces):
        mine = [p for p in surplus if type(p.carrier) is type(piece.carrier)]
        covered = length_of(split([piece], mine, 0.01)[0]) if mine and on else 0.0
        if covered <= piece.length / 2:
            members.append(index)
    return frozenset(members)


def identify(
    projected: ProjectedPart, group: Sequence[DrawnPiece], scales: Sequence[float], tolerance: float, hidden: bool
) -> list[Fit]:
    """All views a group could be, least disagreement first; empty when it fits none.

    `scales` are likely ones (title block, exercise); `tolerance` in mm; `hidden` whether hidden lines are asked for.
    """
    box = box_of(p for item in group for p in extremes(item.piece))
    if min(box[2] - box[0], box[3] - box[1]) < _FLAT or _too_few(group):
        return []
    key = remembered(projected)
    if _too_many(projected, group):
        return []
    unit = MILLIMETRES[projected.part.unit]
    found = _fits(principal_candidates(key), group, scales, unit, tolerance, hidden)
    if not found or found[0].disagreement > 0.2:
        enlarged = [scale * root for scale in scales for root in (1.0, _FULL_AXES)]
        pictorial = _fits(pictorial_candidates(key), group, enlarged, unit, tolerance, False)
        if pictorial and (not found or pictorial[0].disagreement < found[0].disagreement):
            return [fit for fit in pictorial if fit.disagreement <= STRANGER][:1]
    lines = len(group) if max(box[2] - box[0], box[3] - box[1]) >= _SMALLEST else 0
    found = [fit for fit in found if fit.disagreement <= _allowed(fit, scales, lines)]
    return [fit for fit in found if fit.disagreement <= found[0].disagreement + _CLOSE]


def identify_as(
    projected: ProjectedPart,
    group: Sequence[DrawnPiece],
    attitudes: Sequence[Attitude] | None,
    scales: Sequence[float],
    tolerance: float,
) -> Fit | None:
    """The best fit of a group as one of some attitudes (None: as an equal-axis view), however bad; None without any."""
    key, unit = remembered(projected), MILLIMETRES[projected.part.unit]
    if attitudes is None:
        likely = [scale * root for scale in scales for root in (1.0, _FULL_AXES)]
        return next(iter(_fits(pictorial_candidates(key), group, likely, unit, tolerance, False)), None)

    def meant(identity: Identity) -> bool:
        return identity.attitude in attitudes and not identity.mirrored

    candidates = [c for c in principal_candidates(key) if any(meant(identity) for identity, _ in c.identities)]
    fits = _fits(candidates, group, scales, unit, tolerance, hidden=True)
    return next((fit for fit in fits if meant(fit.identity)), None)


def laid_on(
    projected: ProjectedPart,
    group: Sequence[DrawnPiece],
    attitude: Attitude,
    scale: float,
    tolerance: float,
    mirrored: bool = False,
) -> Fit | None:
    """Where a group of lines lies best on one view of the part at one scale, whatever it lacks; None for no lines."""
    if not group:
        return None
    key, unit = remembered(projected), MILLIMETRES[projected.part.unit]
    meant = Identity(attitude, mirrored=mirrored)
    candidate = next(c for c in principal_candidates(key) if any(i == meant for i, _ in c.identities))
    pieces = tuple(item.piece for item in group)
    box = box_of(p for piece in pieces for p in extremes(piece))
    poses = _poses_at(candidate, scale, stations_of(pieces), box, unit, tolerance)
    own, corner = candidate.box[:2], next(corner for i, corner in candidate.identities if i == meant)
    factor = scale * unit
    fits = [
        Fit(
            meant,
            scale,
            (pose.at[0] + factor * (own[0] - corner[0]), pose.at[1] + factor * (own[1] - corner[1])),
            compared(candidate, factor, pose.at, group, tolerance, hidden=True).disagreement,
        )
        for pose in poses
    ]
    return min(fits, key=lambda fit: fit.disagreement, default=None)


def _allowed(fit: Fit, scales: Sequence[float], lines: int) -> float:
    """How much a group may disagree with a view that explains it: less where more than its lines would be odd.

    At a scale that is stated nowhere, or as a mirror image, a stray group agrees with something by chance.
    """
    likely = any(abs(fit.scale / scale - 1) < 1e-3 for scale in scales)
    if fit.identity.mirrored:
        return _MIRROR_IMAGE if likely and lines >= _FEW else 0.0
    if likely:
        return STRANGER
    return _ODD_SCALE if lines >= _FEW else 0.0


def _too_many(projected: ProjectedPart, group: Sequence[DrawnPiece]) -> bool:
    """Far more lines than all views of the part have together are no view of it, whatever else they are."""
    return len(group) > _CLUTTER * sum(len(lines.pieces) for lines in projected.sides.values()) + _CLUTTER_AT_ALL


def _too_few(group: Sequence[DrawnPiece]) -> bool:
    """A rectangle of which one line is forgotten has three; no view has fewer straight lines and no curve."""
    return len(group) < 3 and all(isinstance(item.piece.carrier, Line) for item in group)


def _fits(
    candidates: Sequence[Candidate],
    group: Sequence[DrawnPiece],
    scales: Sequence[float],
    unit: float,
    tolerance: float,
    hidden: bool,
) -> list[Fit]:
    pieces = tuple(item.piece for item in group)
    box = box_of(p for piece in pieces for p in extremes(piece))
    drawn = stations_of(pieces)
    poses = [pose for c in candidates for pose in _poses(c, drawn, box, scales, unit, tolerance)]
    poses.sort(key=lambda pose: -pose.votes)
    near = sum(pose.votes >= poses[0].votes - _NEAR_VOTE for pose in poses) if poses else 0
    fits: list[Fit] = []
    rough = [
        (compared(pose.candidate, pose.scale * unit, pose.at, group, tolerance, hidden, curves=False), pose)
        for pose in poses[: max(_COMPARED, min(near, _MOST_COMPARED))]
    ]
    rough.sort(key=lambda entry: entry[0].disagreement)
    for place, (result, pose) in enumerate(rough):
        if place < _REFINED and _curved(result) and _straight_share(result) < STRANGER:
            result = compared(pose.candidate, pose.scale * unit, pose.at, group, tolerance, hidden)
        factor = pose.scale * unit
        own = pose.candidate.box[:2]
        fits += [
            Fit(
                identity,
                pose.scale,
                (pose.at[0] + factor * (own[0] - corner[0]), pose.at[1] + factor * (own[1] - corner[1])),
                result.disagreement + (0.0 if _usual(pose.scale, scales) else _ODD),
            )
            for identity, corner in pose.candidate.identities
        ]
    fits.sort(key=lambda fit: fit.disagreement)
    best: dict[Identity, Fit] = {}
    for fit in fits:
        best.setdefault(fit.identity, fit)
    return list(best.values())


def compared(
    candidate: Candidate,
    factor: float,
    at: Point,
    group: Sequence[DrawnPiece],
    tolerance: float,
    hidden: bool,
    curves: bool = True,
) -> Comparison:
    """A group against a look of the part at a pose, in the plane of the look."""
    back = Similarity(1 / factor, 0.0, -at[0] / factor, -at[1] / factor)
    own = [DrawnPiece(item.piece.moved(back), item.short / factor, item.either) for item in group]
    return compare(candidate.lines, own, tolerance / factor, 0.0, hidden, curves)


def _straight_share(result: Comparison) -> float:
    """The disagreement of straight lines alone: what no closer look at the curves can mend."""
    straight = [p for p in (*result.missing, *result.extra) if isinstance(p.carrier, Line)]
    return length_of(straight) / max(result.expected + result.drawn, 1e-9)


def _curved(result: Comparison) -> bool:
    return any(not isinstance(piece.carrier, Line) for piece in (*result.missing, *result.extra))


def _poses(
    candidate: Candidate, drawn: Stations, box: Box, scales: Sequence[float], unit: float, tolerance: float
) -> list[_Pose]:
    width, height = candidate.box[2] - candidate.box[0], candidate.box[3] - candidate.box[1]
    return [
        pose
        for scale in _scales(width * unit, height * unit, box, scales)
        if scale * unit * max(width, height) >= _TINY
        for pose in _poses_at(candidate, scale, drawn, box, unit, tolerance)
    ]


def _poses_at(
    candidate: Candidate, scale: float, drawn: Stations, box: Box, unit: float, tolerance: float
) -> list[_Pose]:
    """Poses at one scale; the vote is the share of line that agrees, a fitting box counts a little."""
    own, factor = candidate.stations, scale * unit
    across = _offsets(drawn.upright, own.upright, drawn.circles, own.circles, 0, factor, tolerance)
    up = _offsets(drawn.level, own.level, drawn.circles, own.circles, 1, factor, tolerance)
    across = across or [(box[0] - factor * candidate.box[0], 0.0)]
    up = up or [(box[1] - factor * candidate.box[1], 0.0)]
    whole = _length(drawn) + factor * _length(own)
    width, height = candidate.box[2] - candidate.box[0], candidate.box[3] - candidate.box[1]
    fit = 1.0 - 0.5 * (_off(factor * width, box[2] - box[0]) + _off(factor * height, box[3] - box[1]))
    poses = [
        _Pose(candidate, scale, (x, y), (2 * (vx + vy) / whole if whole > 0 else 0.0) + 0.2 * fit)
        for (x, vx), (y, vy) in itertools.product(across, up)
    ]
    best = max((pose.votes for pose in poses), default=0.0)
    # A slanted line has its place both ways; it is worth a look whatever the others vote for.
    return poses + [_Pose(candidate, scale, at, best) for at in _by_slants(drawn, own, factor, tolerance)]


def _by_slants(drawn: Stations, own: Stations, factor: float, tolerance: float) -> list[Point]:
    """Places at which a slanted line lies on one as steep and as long."""
    found: list[Point] = []
    for x, y, angle, length in own.slanted.tolist():
        for u, v, turn, drawn_length in drawn.slanted.tolist():
            steep = abs(math.remainder(angle - turn, math.pi)) * factor * length <= tolerance
            place = (u - factor * x, v - factor * y)
            new = all(math.dist(place, other) > tolerance for other in found)
            if steep and new and abs(drawn_length - factor * length) <= 2 * tolerance and len(found) < _MOST_SHIFTS:
                found.append(place)
    return found


def _length(stations: Stations) -> float:
    """How much there is to agree on, across and up together; circles count twice by their radius."""
    lines = float(stations.upright[:, 1].sum() + stations.level[:, 1].sum())
    return lines + 2 * float(stations.circles[:, 2].sum())


def _usual(scale: float, likely: Sequence[float]) -> bool:
    return any(abs(scale / other - 1) < 1e-3 for other in (*likely, *_standard()))


def _standard() -> list[float]:
    return [float(scale) for units in ("mm", "inch") for scale in recommended(units)]


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
    for place in np.argsort(-votes, kind="stable"):
        if len(result) >= 2 and votes[place] < _TIED * best:
            break
        stretch = slice(int(place), int(last[place]))
        # The weighted median: a neighbouring line within the tolerance must not draw the place aside.
        grown = np.cumsum(weight[stretch])
        shift = float(every[stretch][np.searchsorted(grown, grown[-1] / 2)])
        if all(abs(shift - other) > 2 * tolerance for other, _ in result):
            result.append((shift, float(votes[place])))
        if len(result) == _MOST_SHIFTS:
            break
    return result
