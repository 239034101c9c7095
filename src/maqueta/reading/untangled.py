"""Dimension lines drawn like any other line: told from the views by what lies on the part and what texts stand at.

On a sheet without layers, widths and line types nothing else tells them.
"""

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from typing import Final

import shapely
from shapely.geometry import LineString

from maqueta.geometry.box import Box, apart, box_of, within
from maqueta.geometry.carrier import Line
from maqueta.geometry.line_set import Piece, extremes
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.content import Content, Stroke, Words
from maqueta.reading.groups import grouped
from maqueta.reading.identify import WHOLE, Found, find_within, identify
from maqueta.reading.kinds import Kind
from maqueta.reading.loose_sizes import Loose, loose_sizes
from maqueta.reading.view_groups import drawn_piece
from maqueta.sheet.scales import recommended
from maqueta.sizes.text import read_text
from maqueta.solid.unit import MILLIMETRES, Unit

#: More views than this are on no sheet of one part.
_MOST_VIEWS: Final = 8
#: What touches a dimension line (mm) belongs to it: the strokes of its arrowheads, the rest of its extension lines.
_TOUCH: Final = 0.3
#: A line of a view that is a little off its place stands at most this far (mm) outside it.
_BESIDE: Final = 5.5
#: Lines within the box of a view, grown by this (mm), are drawn in it.
_IN_IT: Final = 0.4
#: A view in line with another (mm) is one with this share of its lines.
_IN_LINE, _IN_LINE_SHARE = 0.6, 0.5
#: Lines outside the views that disagree with a further one on more than this are none.
_LIKE_A_VIEW: Final = 0.3
#: Lines that enclose at least so much (mm²) are no rests of dimensions.
_ENCLOSED: Final = 60.0


#: Whether a view may stand in a box.
Suits = Callable[[Box], bool]


@dataclass(frozen=True, slots=True)
class Untangled:
    """Kinds of all strokes, and the open ones outside the views that belong to none: axes, or rests of dimensions."""

    kinds: list[Kind]
    aside: frozenset[int] = frozenset()


@dataclass(frozen=True, slots=True)
class _View:
    box: Box
    scale: float


def untangled(
    content: Content,
    strokes: Sequence[Stroke],
    kinds: Sequence[Kind],
    taken: Sequence[int],
    title: Box | None,
    projected: ProjectedPart,
    scales: Sequence[float],
    units: Unit,
    tolerance: float,
) -> Untangled:
    """Kinds in which the open strokes that make up dimensions are dimension lines, and what else is beside the views.

    Nothing changes where the layers tell dimensions apart, or where there are no texts they could belong to.
    """
    words = [word for word in content.words if title is None or not word.stands_in(title)]
    words = [word for word in words if read_text(word.text).value is not None]
    open_ones = [i for i in taken if kinds[i] == "open"]
    if any(kind == "dimension" for kind in kinds) or not words or not open_ones:
        return Untangled(list(kinds))
    finder = _Finder(content, words, strokes, kinds, projected, scales, units, tolerance)
    views, rest = finder.whole(taken)
    if not views:
        return Untangled(list(kinds))
    # What sizes are made of cannot be part of a view; what is left may be one that is there in part.
    made, _ = finder.sizes(views, [i for i in open_ones if i in rest])
    views, rest = finder.in_line(views, [i for i in rest if i not in made])
    views, rest = finder.at_odd_scales(views, rest)
    free = [i for i in open_ones if i in rest or i in made]
    made, found = finder.sizes(views, free)
    if not free:
        return Untangled(list(kinds))
    pieces = [strokes[i].piece for i in free]
    used = made | {free[k] for k in _with_what_touches(found, pieces, [view.box for view in views])}
    outside = [i for i in free if i not in used and not _in_any(strokes[i], views, _BESIDE)]
    aside = frozenset(outside) - _more_views(strokes, kinds, outside, projected, scales, tolerance)
    return Untangled(["dimension" if i in used else kind for i, kind in enumerate(kinds)], aside)


def _in_any(stroke: Stroke, views: Sequence[_View], slack: float) -> bool:
    box = box_of(extremes(stroke.piece))
    return any(within(box, view.box, slack) for view in views)


def _more_views(
    strokes: Sequence[Stroke],
    kinds: Sequence[Kind],
    outside: Sequence[int],
    projected: ProjectedPart,
    scales: Sequence[float],
    tolerance: float,
) -> set[int]:
    """Marks outside the views found that together could be another one: mirrored, at another scale, spoilt, or one that
    shows something else, such as a detail; rests of dimensions enclose nothing.
    """
    result: set[int] = set()
    for places in grouped([box_of(extremes(strokes[i].piece)) for i in outside]):
        members = [outside[k] for k in places]
        pieces = [drawn_piece(strokes[i], kinds[i], True) for i in members]
        fits = identify(projected, pieces, scales, tolerance, True)
        if (fits and fits[0].disagreement <= _LIKE_A_VIEW) or _encloses(strokes, members):
            result.update(members)
    return result


def _encloses(strokes: Sequence[Stroke], members: Sequence[int]) -> bool:
    """Whether lines enclose areas larger than lettering."""
    drawn = [LineString(strokes[i].piece.outline()) for i in members]
    lines = shapely.unary_union(drawn, grid_size=0.01)
    areas = shapely.polygonize(list(shapely.get_parts(lines))).geoms
    return float(sum(area.area for area in areas)) >= _ENCLOSED


@dataclass(frozen=True)
class _Finder:
    """Looks for views and for sizes among the strokes of a sheet."""

    content: Content
    words: Sequence[Words]
    strokes: Sequence[Stroke]
    kinds: Sequence[Kind]
    projected: ProjectedPart
    scales: Sequence[float]
    units: Unit
    tolerance: float

    def whole(self, taken: Sequence[int]) -> tuple[list[_View], list[int]]:
        """The views that are there whole, one after the other, and the strokes that lie on none.

        All at one scale: the one at which they explain the most.
        """
        likely = [self._whole_at([scale], taken) for scale in self.scales]
        views, rest = min(likely, key=lambda found: len(found[1]))
        return (views, rest) if views else self._whole_at(self._standard, taken)

    @property
    def _standard(self) -> list[float]:
        return [float(scale) for scale in recommended("mm") if scale not in self.scales]

    def _whole_at(self, scales: Sequence[float], taken: Sequence[int]) -> tuple[list[_View], list[int]]:
        views: list[_View] = []
        rest = list(taken)
        while len(rest) >= 3 and len(views) < _MOST_VIEWS:
            found = self._within(rest, [views[0].scale] if views else scales, WHOLE)
            if found is None or not found.members:
                break
            views, rest = self._taken(views, rest, found)
        return views, rest

    def at_odd_scales(self, views: Sequence[_View], rest: Sequence[int]) -> tuple[list[_View], list[int]]:
        """Also views that are there whole at another scale than the others, beside them."""
        scales = [scale for scale in (*self.scales, *self._standard) if scale != views[0].scale]
        known, left = list(views), list(rest)
        while len(left) >= 3 and len(known) < _MOST_VIEWS:
            found = self._within(left, scales, WHOLE, _clear_of(known))
            if found is None or not found.members:
                break
            known, left = self._taken(known, left, found)
        return known, left

    def in_line(self, views: Sequence[_View], rest: Sequence[int]) -> tuple[list[_View], list[int]]:
        """Also views that are there in part, where they are in line with a whole one."""
        known, left = list(views), list(rest)
        while len(left) >= 3 and len(known) < _MOST_VIEWS:
            clear, boxes = _clear_of(known), [view.box for view in known]

            def suits(box: Box, clear: Suits = clear, boxes: Sequence[Box] = boxes) -> bool:
                return clear(box) and any(_in_line(box, other) for other in boxes)

            found = self._within(left, [known[0].scale], _IN_LINE_SHARE, suits)
            if found is None or not found.members:
                break
            known, left = self._taken(known, left, found)
        return known, left

    def sizes(self, views: Sequence[_View], free: Sequence[int]) -> tuple[set[int], Loose]:
        """The strokes that sizes are made of, and the sizes."""
        pieces = [self.strokes[i].piece for i in free]
        scaled = [(view.box, view.scale * MILLIMETRES[self.units]) for view in views]
        found = loose_sizes(self.words, pieces, self.content.filled, scaled)
        return {free[k] for k in found.used}, found

    def _within(
        self,
        rest: Sequence[int],
        scales: Sequence[float],
        least: float,
        suits: Suits = lambda _: True,
    ) -> Found | None:
        pieces = [drawn_piece(self.strokes[i], self.kinds[i], self.kinds[i] == "open") for i in rest]
        return find_within(self.projected, pieces, scales, self.tolerance, least, suits)

    def _taken(self, views: Sequence[_View], rest: Sequence[int], found: Found) -> tuple[list[_View], list[int]]:
        # A line that leads out of a view is none of its own, though it may run along one.
        gone = {
            rest[k] for k in found.members if within(box_of(extremes(self.strokes[rest[k]].piece)), found.box, _IN_IT)
        }
        return [*views, _View(found.box, found.fit.scale)], [i for i in rest if i not in gone]


def _clear_of(views: Sequence[_View]) -> Suits:
    """Whether a box stands clear of all views."""
    return lambda box: not any(apart(box, view.box) == 0.0 for view in views)


def _in_line(box: Box, other: Box) -> bool:
    """Whether two boxes stand straight above or beside each other, as wide or as high as each other."""
    across = max(abs(box[0] - other[0]), abs(box[2] - other[2]))
    up = max(abs(box[1] - other[1]), abs(box[3] - other[3]))
    return min(across, up) <= _IN_LINE


def _with_what_touches(found: Loose, pieces: Sequence[Piece], boxes: Sequence[Box]) -> set[int]:
    """Places of the pieces that sizes are made of, and of those outside the views that touch them."""
    used = set(found.used)
    reach = [box_of(extremes(piece)) for piece in pieces]
    outside = {
        k
        for k, box in enumerate(reach)
        if not any(within(box, view, _BESIDE) for view in boxes) and isinstance(pieces[k].carrier, Line)
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
