"""The lines of a sheet gathered into views: what lies together, taken apart where views overlap."""

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from typing import Final

from maqueta.geometry.box import Box, apart, box_of, grown, union
from maqueta.geometry.compare import DrawnPiece
from maqueta.geometry.line_set import extremes
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.content import Stroke
from maqueta.reading.expectation import Expectation
from maqueta.reading.groups import WIDER, grouped
from maqueta.reading.identify import Fit, find_within, identify
from maqueta.reading.kinds import Kind

#: A group with fewer lines than this, or less ink than this part of a usual view, is a stray line of a view near by.
_FEW_LINES, _LITTLE_INK = 3, 0.08
#: Views that are as large, within this share, and stand in one place, within this (mm), are one.
_AS_LARGE, _ONE_PLACE = 0.01, 1.0
#: What stands so near to a view, mm, may be a part of it that was torn off.
_AT_IT: Final = 1.0


@dataclass(frozen=True)
class Group:
    """Marks that could be a view, their box, and the views they could be (none when they fit none)."""

    members: tuple[int, ...]
    box: Box
    fits: tuple[Fit, ...]


def box_of_strokes(strokes: Sequence[Stroke], members: Sequence[int]) -> Box:
    """The box around some strokes."""
    return box_of(p for i in members for p in extremes(strokes[i].piece))


def drawn_piece(stroke: Stroke, kind: Kind, either: bool) -> DrawnPiece:
    """A stroke of a view as a drawn piece of its kind."""
    piece = replace(stroke.piece, kind="hidden" if kind == "hidden" else "visible")
    return DrawnPiece(piece, stroke.short, either)


def view_groups(
    strokes: Sequence[Stroke],
    kinds: Sequence[Kind],
    taken: Sequence[int],
    either: frozenset[int],
    projected: ProjectedPart,
    scales: Sequence[float],
    expected: Expectation,
) -> list[Group]:
    """Gather the `taken` strokes into groups and find out which views each could be."""
    boxes = [box_of_strokes(strokes, [i]) for i in taken]
    result: list[Group] = []
    for places in grouped(boxes):
        members = [taken[k] for k in places]
        pieces = [drawn_piece(strokes[i], kinds[i], i in either) for i in members]
        fits = identify(projected, pieces, scales, expected.tolerance, expected.hidden_lines)
        if fits and fits[0].disagreement <= 0.25:
            result.append(Group(tuple(members), box_of_strokes(strokes, members), tuple(fits)))
            continue
        result += _parted(strokes, kinds, members, either, projected, scales, expected) or [
            Group(tuple(members), box_of_strokes(strokes, members), tuple(fits))
        ]

    def fits_of(members: Sequence[int]) -> list[Fit]:
        pieces = [drawn_piece(strokes[i], kinds[i], i in either) for i in members]
        return identify(projected, pieces, scales, expected.tolerance, expected.hidden_lines)

    return _as_one(_gathered(result, fits_of), fits_of)


def _as_one(groups: Sequence[Group], fits_of: Callable[[Sequence[int]], list[Fit]]) -> list[Group]:
    """Groups that are one view in one place put together: without the lines between them it falls apart into some.

    What could be nothing by itself and stands in or at a view is put to it where that is more like itself with it.
    """
    result: list[Group] = []
    for group in sorted(groups, key=lambda own: not own.fits):
        for place, other in enumerate(result):
            at_it = not group.fits and other.fits and apart(group.box, other.box) <= _AT_IT
            if not at_it and not _same_view(other, group):
                continue
            members = tuple(sorted((*other.members, *group.members)))
            whole = Group(members, union([other.box, group.box]), tuple(fits_of(members)))
            if not at_it:
                result[place] = whole if whole.fits else replace(whole, fits=other.fits)
                break
            if _same_view(other, whole) and whole.fits[0].disagreement < other.fits[0].disagreement:
                result[place] = whole
                break
        else:
            result.append(group)
    return result


def _same_view(one: Group, other: Group) -> bool:
    if not one.fits or not other.fits:
        return False
    first, second = one.fits[0], other.fits[0]
    return (
        first.identity == second.identity
        and abs(first.scale - second.scale) <= _AS_LARGE * first.scale
        and math.dist(first.at, second.at) <= _ONE_PLACE
    )


def _gathered(groups: Sequence[Group], fits_of: Callable[[Sequence[int]], list[Fit]]) -> list[Group]:
    """Groups that are views of nothing, put together where they lie near each other and are a view as a whole.

    Without its outline, such as the rim of a flange, a view falls apart into what stood within it.
    """
    result = list(groups)
    for gap in WIDER:
        loose = [group for group in result if not group.fits]
        if len(loose) < 2:
            break
        for places in grouped([grown(group.box, gap / 2) for group in loose]):
            members = tuple(sorted(i for k in places for i in loose[k].members))
            fits = fits_of(members) if len(places) > 1 else []
            if fits:
                gone = {id(loose[k]) for k in places}
                box = union([loose[k].box for k in places])
                result = [group for group in result if id(group) not in gone]
                result.append(Group(members, box, tuple(fits)))
    return result


def _parted(
    strokes: Sequence[Stroke],
    kinds: Sequence[Kind],
    members: list[int],
    either: frozenset[int],
    projected: ProjectedPart,
    scales: Sequence[float],
    expected: Expectation,
) -> list[Group]:
    """Views that overlap or touch, taken apart one after the other; empty when they are not several views."""
    rest = list(members)
    parts: list[list[int]] = []
    boxes: list[Box] = []
    while len(rest) >= 3 and len(parts) < 8:
        pieces = [drawn_piece(strokes[i], kinds[i], i in either) for i in rest]
        found = find_within(projected, pieces, scales, expected.tolerance)
        if found is None or not found.members:
            break
        own = [rest[k] for k in sorted(found.members)]
        parts.append(own)
        boxes.append(found.box)
        rest = [i for i in rest if i not in set(own)]
    if len(parts) < 2:
        return []
    for i in rest:
        near = min(range(len(parts)), key=lambda k: apart(boxes[k], box_of_strokes(strokes, [i])))
        parts[near].append(i)
    groups = []
    for own in parts:
        pieces = [drawn_piece(strokes[i], kinds[i], i in either) for i in own]
        fits = identify(projected, pieces, scales, expected.tolerance, expected.hidden_lines)
        groups.append(Group(tuple(own), box_of_strokes(strokes, own), tuple(fits)))
    return groups


def without_strays(groups: Sequence[Group], strokes: Sequence[Stroke]) -> list[Group]:
    """Groups that could be views; stray lines join the group they stand nearest to.

    A few short lines, of letters perhaps, fit some pictorial view at a scale of their own: they are strays, too.
    """
    fitting = [g for g in groups if g.fits]
    if not fitting:
        return list(groups)
    usual = sum(_ink(g, strokes) for g in fitting) / len(fitting)
    recognised = [g for g in fitting if _ink(g, strokes) >= _LITTLE_INK * usual or _is_like(g, fitting)]
    kept = list(recognised)
    few: list[Group] = []
    for group in groups:
        if group in recognised:
            continue
        stray = len(group.members) < _FEW_LINES or _ink(group, strokes) < _LITTLE_INK * usual
        (few if stray else kept).append(group)
    for group in few:
        near = min(range(len(kept)), key=lambda k: apart(kept[k].box, group.box))
        kept[near] = replace(kept[near], members=(*kept[near].members, *group.members))
    return kept


def _ink(group: Group, strokes: Sequence[Stroke]) -> float:
    return sum(strokes[i].piece.length for i in group.members)


def _is_like(group: Group, others: Sequence[Group]) -> bool:
    """Whether a group could be a view by the usual rules, or one in the scale of another."""
    if any(own.identity.attitude is not None for own in group.fits):
        return True
    scales = [fit.scale for other in others if other is not group for fit in other.fits]
    return any(abs(own.scale - scale) <= _AS_LARGE * own.scale for own in group.fits for scale in scales)
