"""Dimension lines drawn like any other line: told from the views by what lies on the part and what texts stand at.

On a sheet without layers, widths and line types nothing else tells them.
"""

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

from maqueta.dimensioning.text import read_text
from maqueta.projection.carrier import Line
from maqueta.projection.compare import DrawnPiece
from maqueta.projection.line_set import Box, Piece, box_of, extremes
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.content import Content, Mark
from maqueta.reading.groups import apart, grouped
from maqueta.reading.identify import Found, find_within, identify
from maqueta.reading.kinds import Kind
from maqueta.reading.loose_sizes import Loose, loose_sizes
from maqueta.reading.view_groups import drawn_piece
from maqueta.sheet.scales import recommended
from maqueta.solid.unit import MILLIMETRES, Unit

#: More views than this are on no sheet of one part.
_MOST_VIEWS: Final = 8
#: What touches a dimension line (mm) belongs to it: the strokes of its arrowheads, the rest of its extension lines.
_TOUCH: Final = 0.3
#: Lines within the box of a view, grown by this (mm), are drawn in it.
_IN_IT: Final = 0.4


#: What lies over another view, and is itself not there whole but for this, is made up of its dimension lines.
_PARTLY: Final = 0.03


#: Lines outside the views that disagree with a further one on more than this are none.
_LIKE_A_VIEW: Final = 0.3


@dataclass(frozen=True, slots=True)
class Untangled:
    """Kinds of all marks, and the open ones outside the views that belong to none: axes, or rests of dimensions."""

    kinds: list[Kind]
    aside: frozenset[int] = frozenset()


@dataclass(frozen=True, slots=True)
class _View:
    box: Box
    scale: float


def untangled(
    content: Content,
    marks: Sequence[Mark],
    kinds: Sequence[Kind],
    taken: Sequence[int],
    title: Box | None,
    projected: ProjectedPart,
    scales: Sequence[float],
    units: Unit,
    tolerance: float,
) -> Untangled:
    """Kinds in which the open marks that make up dimensions are dimension lines, and what else is beside the views.

    Nothing changes where the layers tell dimensions apart, or where there are no texts they could belong to.
    """
    words = [word for word in content.words if title is None or not word.stands_in(title)]
    words = [word for word in words if read_text(word.text).value is not None]
    open_ones = [i for i in taken if kinds[i] == "open"]
    if any(kind == "dimension" for kind in kinds) or not words or not open_ones:
        return Untangled(list(kinds))
    views, rest = _views(marks, kinds, taken, projected, scales, tolerance)
    free = [i for i in open_ones if i in rest]
    if not views or not free:
        return Untangled(list(kinds))
    scale = Counter(view.scale for view in views).most_common(1)[0][0]
    pieces = [marks[i].piece for i in free]
    found = loose_sizes(words, pieces, content.filled, [view.box for view in views], scale * MILLIMETRES[units])
    used = {free[k] for k in _with_what_touches(found, pieces, [view.box for view in views])}
    outside = [i for i in free if i not in used and not _in_any(marks[i], views)]
    aside = frozenset(outside) - _more_views(marks, kinds, outside, projected, scales, tolerance)
    return Untangled(["dimension" if i in used else kind for i, kind in enumerate(kinds)], aside)


def _in_any(mark: Mark, views: Sequence[_View]) -> bool:
    box = box_of(extremes(mark.piece))
    return any(_within(box, view.box) for view in views)


def _more_views(
    marks: Sequence[Mark],
    kinds: Sequence[Kind],
    outside: Sequence[int],
    projected: ProjectedPart,
    scales: Sequence[float],
    tolerance: float,
) -> set[int]:
    """Marks outside the views found that together could be another one: mirrored, at another scale, or spoilt."""
    result: set[int] = set()
    for places in grouped([box_of(extremes(marks[i].piece)) for i in outside]):
        members = [outside[k] for k in places]
        pieces = [drawn_piece(marks[i], kinds[i], True) for i in members]
        fits = identify(projected, pieces, scales, tolerance, True)
        if fits and fits[0].disagreement <= _LIKE_A_VIEW:
            result.update(members)
    return result


def _views(
    marks: Sequence[Mark],
    kinds: Sequence[Kind],
    taken: Sequence[int],
    projected: ProjectedPart,
    scales: Sequence[float],
    tolerance: float,
) -> tuple[list[_View], set[int]]:
    """The views most of whose lines are somewhere among the marks, one after the other, and what lies on none."""
    views: list[_View] = []
    rest = list(taken)
    likely = [*scales, *(float(scale) for scale in recommended("mm") if scale not in scales)]
    while len(rest) >= 3 and len(views) < _MOST_VIEWS:
        pieces = [drawn_piece(marks[i], kinds[i], kinds[i] == "open") for i in rest]
        found = _found(projected, pieces, [scales, likely] if not views else [[views[0].scale]], tolerance)
        if found is None or not found.members or (found.fit.disagreement > _PARTLY and _over(found.box, views)):
            break
        views.append(_View(found.box, found.fit.scale))
        # A line that leads out of a view is none of its own, though it may run along one.
        gone = {rest[k] for k in found.members if _within(box_of(extremes(marks[rest[k]].piece)), found.box)}
        rest = [i for i in rest if i not in gone]
    return views, set(rest)


def _over(box: Box, views: Sequence[_View]) -> bool:
    """Whether a box lies over one of some views."""
    return any(apart(box, view.box) == 0.0 for view in views)


def _found(
    projected: ProjectedPart, pieces: Sequence[DrawnPiece], tries: Sequence[Sequence[float]], tolerance: float
) -> Found | None:
    """The view found at the first scales of which any serves."""
    for scales in tries:
        found = find_within(projected, pieces, scales, tolerance)
        if found is not None:
            return found
    return None


def _with_what_touches(found: Loose, pieces: Sequence[Piece], boxes: Sequence[Box]) -> set[int]:
    """Places of the pieces that sizes are made of, and of those outside the views that touch them."""
    used = set(found.used)
    reach = [box_of(extremes(piece)) for piece in pieces]
    outside = {
        k
        for k, box in enumerate(reach)
        if not any(_within(box, view) for view in boxes) and isinstance(pieces[k].carrier, Line)
    }
    grown = True
    while grown:
        more = {
            k
            for k in outside - used
            if any(apart(reach[k], reach[other]) <= _TOUCH and _meet(pieces[k], pieces[other]) for other in used)
        }
        grown = bool(more)
        used |= more
    return used


def _within(box: Box, view: Box) -> bool:
    low = all(a >= b - _IN_IT for a, b in zip(box[:2], view[:2], strict=True))
    return low and all(a <= b + _IN_IT for a, b in zip(box[2:], view[2:], strict=True))


def _meet(piece: Piece, other: Piece) -> bool:
    """Whether an end of one stretch lies on the other."""
    for first, second in ((piece, other), (other, piece)):
        low, high = second.interval
        for end in first.ends:
            t = min(max(second.carrier.parameter(end), low), high)
            x, y = second.carrier.point(t)
            if abs(x - end[0]) + abs(y - end[1]) <= _TOUCH:
                return True
    return False
