"""What view of the part a group of lines is, where it stands and at what scale.

Candidate scales are those that the box of the group, the title block and the standards suggest; the place is voted for
by all pairs of drawn and expected lines; the few best poses are compared exactly, and the least disagreement wins.
"""

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from typing import Final

from maqueta.geometry.box import Box, apart, box_of, grown
from maqueta.geometry.carrier import Free, Line, Point, Similarity
from maqueta.geometry.compare import Comparison, DrawnPiece, compare, length_of, split
from maqueta.geometry.line_set import Piece, extremes
from maqueta.projection.attitude import Attitude
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.candidates import (
    Candidate,
    Identity,
    as_principal,
    pictorial_candidates,
    principal_candidates,
    remembered,
    stations_of,
)
from maqueta.reading.poses import Pose, poses_at, poses_of, usual_scale
from maqueta.solid.unit import MILLIMETRES

#: A group that disagrees with its best view on more than half of the ink is no view of the part.
STRANGER: Final = 0.5
#: The same for a view at a scale that is stated nowhere, and for a mirror image.
_ODD_SCALE, _MIRROR_IMAGE = 0.2, 0.12
#: A group that fits all principal views worse than this may be a pictorial one.
_POORLY: Final = 0.2
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
#: Poses whose curves are compared, best first; and as many more at most where their straight lines agree better.
_REFINED, _REFINED_LATER = 5, 30
#: Views within this much of the least disagreement stay in question.
_CLOSE: Final = 0.06
#: A view is there whole with this share of its lines.
WHOLE: Final = 0.97
#: Poses compared when a view is sought among other lines.
_SOUGHT: Final = 40
#: What lies within so many tolerances of the box of a view may be a line of it.
_AROUND: Final = 4
#: A view is found within a larger group when this much of its lines is there.
_MOSTLY: Final = 0.8
#: In isometric drawing the axes keep their full length; in isometric projection they shrink to √(2/3) (ISO 5456-3).
FULL_AXES: Final = math.sqrt(1.5)


@dataclass(frozen=True)
class Fit:
    """A group read as one view: `at` is where the model's origin lands on the sheet (mm)."""

    identity: Identity
    scale: float
    at: Point
    disagreement: float


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
    true = [c for c in principal_candidates(remembered(projected)) if not c.identities[0][0].mirrored]
    return find_among(true, group, scales, MILLIMETRES[projected.part.unit], tolerance, least, suits)


def find_among(
    candidates: Sequence[Candidate],
    group: Sequence[DrawnPiece],
    scales: Sequence[float],
    unit: float,
    tolerance: float,
    least: float = _MOSTLY,
    suits: Callable[[Box], bool] = lambda _: True,
) -> Found | None:
    """The same for some views, at `unit` mm per unit of what they are views of."""
    pieces = tuple(item.piece for item in group)
    drawn, box = stations_of(pieces), box_of(p for piece in pieces for p in extremes(piece))
    poses = [
        pose
        for candidate in candidates
        for scale in scales
        for pose in poses_at(candidate, scale, drawn, box, unit, tolerance)
    ]
    poses = [pose for pose in poses if suits(_box_at(pose, unit))]
    poses.sort(key=lambda pose: -pose.votes)
    boxes = [box_of(extremes(piece)) for piece in pieces]

    def near(pose: Pose) -> list[int]:
        """Places of the pieces that reach into the box of a view: others are none of its lines."""
        own = grown(_box_at(pose, unit), _AROUND * tolerance)
        return [k for k, box in enumerate(boxes) if apart(box, own) == 0.0]

    def held(pose: Pose, places: Sequence[int], curves: bool) -> Comparison:
        own = [group[k] for k in places]
        return compared(pose.candidate, pose.scale * unit, pose.at, own, tolerance, hidden=True, curves=curves)

    rough = [(_here(pose, held(pose, near(pose), curves=False)), pose) for pose in poses[:_SOUGHT]]
    rough.sort(key=lambda entry: entry[0], reverse=True)
    best: tuple[tuple[bool, float], Found] | None = None
    for _, pose in rough[:_REFINED]:
        places = near(pose)
        result = held(pose, places, curves=True)
        here = 1.0 - length_of(result.missing) / max(result.expected, 1e-9)
        merit = _here(pose, result)
        if here >= least and (best is None or merit > best[0]):
            on_it = _on_its_lines(result.extra, pose, unit, [pieces[k] for k in places])
            members = frozenset(places[k] for k in on_it)
            fit = Fit(pose.candidate.identities[0][0], pose.scale, pose.at, 1.0 - here)
            best = (merit, Found(fit, _box_at(pose, unit), members))
    return best[1] if best is not None else None


def _box_at(pose: Pose, unit: float) -> Box:
    factor, (left, bottom, right, top) = pose.scale * unit, pose.candidate.box
    x, y = pose.at
    return (factor * left + x, factor * bottom + y, factor * right + x, factor * top + y)


def _here(pose: Pose, result: Comparison) -> tuple[bool, float]:
    """How much of a view is drawn: one that is there whole goes before a larger one that is there in part."""
    here = 1.0 - length_of(result.missing) / max(result.expected, 1e-9)
    return here >= WHOLE, here * result.expected * pose.scale


def _on_its_lines(extra: Sequence[Piece], pose: Pose, unit: float, pieces: Sequence[Piece]) -> frozenset[int]:
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
    projected: ProjectedPart,
    group: Sequence[DrawnPiece],
    scales: Sequence[float],
    tolerance: float,
    hidden: bool,
    most: float = STRANGER,
) -> list[Fit]:
    """All views a group could be, least disagreement first; empty when it fits none.

    `scales` are likely ones (title block, exercise); `tolerance` in mm; `hidden` whether hidden lines are asked for.
    What disagrees more than `most` is of no interest: it is not looked at closely.
    """
    box = box_of(p for item in group for p in extremes(item.piece))
    if min(box[2] - box[0], box[3] - box[1]) < _FLAT or _too_few(group):
        return []
    key = remembered(projected)
    if _too_many(projected, group):
        return []
    unit = MILLIMETRES[projected.part.unit]
    found = fits_of(principal_candidates(key), group, scales, unit, tolerance, hidden, most, beyond=most)
    if most > _POORLY and (not found or found[0].disagreement > _POORLY):
        enlarged = [scale * root for scale in scales for root in (1.0, FULL_AXES)]
        pictorial = fits_of(pictorial_candidates(key), group, enlarged, unit, tolerance, False, most, beyond=most)
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
        likely = [scale * root for scale in scales for root in (1.0, FULL_AXES)]
        return next(iter(fits_of(pictorial_candidates(key), group, likely, unit, tolerance, False)), None)

    def meant(identity: Identity) -> bool:
        return identity.attitude in attitudes and not identity.mirrored

    candidates = [c for c in principal_candidates(key) if any(meant(identity) for identity, _ in c.identities)]
    fits = fits_of(candidates, group, scales, unit, tolerance, hidden=True)
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
    meant = as_principal(attitude, mirrored)
    candidate = next(c for c in principal_candidates(key) if any(i == meant for i, _ in c.identities))
    pieces = tuple(item.piece for item in group)
    box = box_of(p for piece in pieces for p in extremes(piece))
    poses = poses_at(candidate, scale, stations_of(pieces), box, unit, tolerance)
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


def fits_of(
    candidates: Sequence[Candidate],
    group: Sequence[DrawnPiece],
    scales: Sequence[float],
    unit: float,
    tolerance: float,
    hidden: bool,
    most: float = STRANGER,
    beyond: float = math.inf,
) -> list[Fit]:
    """All candidates a group could be taken for, best first, however bad; `unit` is mm per unit of the part.

    The curves are left out of account where straight lines alone disagree more than `most`, or all lines together more
    than `beyond`.
    """
    pieces = tuple(item.piece for item in group)
    box = box_of(p for piece in pieces for p in extremes(piece))
    drawn = stations_of(pieces)
    poses = [pose for c in candidates for pose in poses_of(c, drawn, box, scales, unit, tolerance)]
    poses.sort(key=lambda pose: -pose.votes)
    near = sum(pose.votes >= poses[0].votes - _NEAR_VOTE for pose in poses) if poses else 0
    fits: list[Fit] = []
    rough = [
        (compared(pose.candidate, pose.scale * unit, pose.at, group, tolerance, hidden, curves=False), pose)
        for pose in poses[: max(_COMPARED, min(near, _MOST_COMPARED))]
    ]
    rough.sort(key=lambda entry: entry[0].disagreement)
    for result, pose in _refined(rough, group, unit, tolerance, hidden, most, beyond):
        factor = pose.scale * unit
        own = pose.candidate.box[:2]
        fits += [
            Fit(
                identity,
                pose.scale,
                (pose.at[0] + factor * (own[0] - corner[0]), pose.at[1] + factor * (own[1] - corner[1])),
                result.disagreement + (0.0 if usual_scale(pose.scale, scales) else _ODD),
            )
            for identity, corner in pose.candidate.identities
        ]
    fits.sort(key=lambda fit: fit.disagreement)
    best: dict[Identity, Fit] = {}
    for fit in fits:
        best.setdefault(fit.identity, fit)
    return list(best.values())


def fits_at(
    candidates: Sequence[Candidate],
    group: Sequence[DrawnPiece],
    scales: Sequence[float],
    unit: float,
    tolerance: float,
) -> list[Fit]:
    """Where a group may lie on candidates of which it shows a part alone, at some scales: the few likeliest places."""
    pieces = tuple(item.piece for item in group)
    box = box_of(p for piece in pieces for p in extremes(piece))
    drawn = stations_of(pieces)
    poses = [pose for c in candidates for scale in scales for pose in poses_at(c, scale, drawn, box, unit, tolerance)]
    poses.sort(key=lambda pose: -pose.votes)
    return [Fit(pose.candidate.identities[0][0], pose.scale, pose.at, 1.0) for pose in poses[:_COMPARED]]


def _refined(
    rough: Sequence[tuple[Comparison, Pose]],
    group: Sequence[DrawnPiece],
    unit: float,
    tolerance: float,
    hidden: bool,
    most: float,
    beyond: float,
) -> list[tuple[Comparison, Pose]]:
    """Poses with their curves compared where that may show which is the best: the first few, then those whose straight
    lines agree better than the best one does in all.

    Without its curves a pose that has few of them looks better than the true one, which has all.
    """
    result = list(rough)

    def refine(place: int) -> None:
        pose = rough[place][1]
        factor = pose.scale * unit
        closer = compared(pose.candidate, factor, pose.at, group, tolerance, hidden, beyond=beyond)
        result[place] = (closer, pose)

    open_ones = [place for place, (own, _) in enumerate(rough) if _curved(own) and _straight_share(own) < most]
    for place in (place for place in open_ones if place < _REFINED):
        refine(place)
    later = sorted(
        (place for place in open_ones if place >= _REFINED), key=lambda place: _straight_share(rough[place][0])
    )
    for place in later[:_REFINED_LATER]:
        if _straight_share(rough[place][0]) >= min(own.disagreement for own, _ in result):
            break
        refine(place)
    return result


def compared(
    candidate: Candidate,
    factor: float,
    at: Point,
    group: Sequence[DrawnPiece],
    tolerance: float,
    hidden: bool,
    curves: bool = True,
    beyond: float = math.inf,
) -> Comparison:
    """A group against a look of the part at a pose, in the plane of the look."""
    back = Similarity(1 / factor, 0.0, -at[0] / factor, -at[1] / factor)
    own = [DrawnPiece(_laid(item.piece, back, curves), item.short / factor, item.either) for item in group]
    return compare(candidate.expected, own, tolerance / factor, 0.0, hidden, curves, beyond)


def _laid(piece: Piece, back: Similarity, curves: bool) -> Piece:
    """A piece laid into the plane of a look; of a free curve that is not compared, its length is all that counts."""
    if curves or not isinstance(piece.carrier, Free):
        return piece.moved(back)
    start, end = piece.interval
    return Piece(piece.kind, piece.carrier, (start * back.scale, end * back.scale), piece.edges, piece.faces)


def _straight_share(result: Comparison) -> float:
    """The disagreement of straight lines alone: what no closer look at the curves can mend."""
    straight = [p for p in (*result.missing, *result.extra) if isinstance(p.carrier, Line)]
    return length_of(straight) / max(result.expected + result.drawn, 1e-9)


def _curved(result: Comparison) -> bool:
    return any(not isinstance(piece.carrier, Line) for piece in (*result.missing, *result.extra))
