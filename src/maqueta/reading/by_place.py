"""What lines are, told by where they run on the part, where nothing in the file tells it."""

import math
from collections import defaultdict
from collections.abc import Sequence
from dataclasses import replace
from typing import Final

from maqueta.geometry.box import apart
from maqueta.geometry.carrier import Circle, Point, Similarity
from maqueta.geometry.compare import lying_on
from maqueta.geometry.line_set import Piece
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.centre_strokes import runs_through_centre
from maqueta.reading.content import Stroke, Style
from maqueta.reading.dashes import JOINED
from maqueta.reading.identify import Fit
from maqueta.reading.kinds import Kind
from maqueta.reading.settle import Settled
from maqueta.reading.view_groups import Group, box_of_strokes
from maqueta.sizes.pitch_circles import pitch_circles
from maqueta.solid.unit import MILLIMETRES

#: A centre line belongs to every view whose box it comes this near to (mm).
AXIS_NEAR: Final = 4.0
#: A stroke this much of which lies on a hidden line of the part, or on a smooth transition, is one.
_ON_IT: Final = 0.9
#: Dashes are as long as others when they reach this part of their length.
_AS_LONG: Final = 0.9


def told_by_place(
    groups: Sequence[Group],
    fits: Sequence[Fit | None],
    strokes: Sequence[Stroke],
    kinds: Sequence[Kind],
    settled: Settled,
    projected: ProjectedPart,
    tolerance: float,
    narrow: frozenset[int] = frozenset(),
    rings: frozenset[int] = frozenset(),
) -> tuple[list[Group], list[Kind]]:
    """Take centre marks and axes out of the views, and hidden lines into them that were left out with their style.

    What is drawn `narrow` where others are wide, and lies on no line of the part, belongs to a size. Of `rings`,
    circles in dashes, dots may have been lost: those through the middles of holes are pitch circles.
    """
    unit = MILLIMETRES[projected.part.unit]
    known = list(kinds)
    gained: dict[int, list[int]] = {}
    like_axes = _like_axes(strokes, kinds)
    for index, (group, fit) in enumerate(zip(groups, fits, strict=True)):
        look = fit.identity.orthographic if fit is not None else None
        if fit is None or look is None or fit.identity.mirrored:
            continue
        move = Similarity(fit.scale * unit, 0.0, *fit.at)
        expected = projected.line_set(look).moved(move)
        near = [i for i in settled.dropped if apart(box_of_strokes(strokes, [i]), group.box) <= AXIS_NEAR]
        mine = [i for i in group.members if i in settled.loose or i in like_axes or i in rings]
        pitched = pitch_circles(projected.part, look) if rings else ()
        pitches = [(move(own.centre), fit.scale * unit * own.radius) for own in pitched]
        on_part = _share_on(strokes, [*mine, *near], expected.of("visible", "hidden"), tolerance)
        on_smooth = _share_on(strokes, [*mine, *near], expected.of("smooth"), tolerance)
        on_hidden = _share_on(strokes, near, expected.of("hidden"), tolerance)
        for i in (*mine, *near):
            if i in near and on_hidden[i] >= _ON_IT:
                known[i] = "hidden"
                gained.setdefault(index, []).append(i)
            elif on_part[i] >= 0.5 or on_smooth[i] >= _ON_IT:
                continue
            elif runs_through_centre(strokes[i].piece, projected.part, look, move, tolerance) or (
                i in rings and any(_is_circle(strokes[i].piece, *own, 2 * tolerance) for own in pitches)
            ):
                known[i] = "centre"
            elif i in like_axes and isinstance(strokes[i].piece.carrier, Circle):
                # A circle through the middles of holes; its dots are too short to tell that they lie on it.
                known[i] = "centre"
            elif i in narrow and i in settled.loose:
                known[i] = "dimension"
    result = []
    for index, group in enumerate(groups):
        members = (*(i for i in group.members if known[i] in ("visible", "hidden")), *gained.get(index, ()))
        result.append(replace(group, members=members))
    return result, known


def _is_circle(piece: Piece, centre: Point, radius: float, tolerance: float) -> bool:
    own = piece.carrier
    return (
        isinstance(own, Circle)
        and math.dist((own.x, own.y), centre) <= tolerance
        and abs(own.radius - radius) <= tolerance
    )


def _like_axes(strokes: Sequence[Stroke], kinds: Sequence[Kind]) -> frozenset[int]:
    """Broken lines taken for hidden ones, of dashes as long as those of the centre lines drawn like them.

    Where two centre lines lie on one another, what shows of one may have any rhythm.
    """

    def drawn_like(stroke: Stroke) -> Style:
        return replace(stroke.style, pattern=(), pattern_name="")

    joined = [i for i, stroke in enumerate(strokes) if stroke.style.pattern_name == JOINED]
    dashes: defaultdict[Style, float] = defaultdict(lambda: math.inf)
    for i in joined:
        if kinds[i] == "centre":
            style = drawn_like(strokes[i])
            dashes[style] = min(dashes[style], max(strokes[i].style.pattern))
    return frozenset(
        i
        for i in joined
        if kinds[i] == "hidden" and max(strokes[i].style.pattern) >= _AS_LONG * dashes[drawn_like(strokes[i])]
    )


def _share_on(
    strokes: Sequence[Stroke], members: Sequence[int], lines: Sequence[Piece], tolerance: float
) -> dict[int, float]:
    """Share of each stroke that lies on lines; strokes shorter than the tolerance tells apart lie on none."""
    lengths = lying_on([strokes[i].piece for i in members], lines, tolerance)
    return {i: length / strokes[i].piece.length for i, length in zip(members, lengths, strict=True)}
