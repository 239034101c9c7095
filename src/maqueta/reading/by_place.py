"""What lines are, told by where they run on the part, where nothing in the file tells it."""

from collections.abc import Sequence
from dataclasses import replace
from typing import Final

from maqueta.geometry.box import apart
from maqueta.geometry.carrier import Similarity
from maqueta.geometry.compare import lying_on
from maqueta.geometry.line_set import Piece
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.centre_strokes import runs_through_centre
from maqueta.reading.content import Stroke
from maqueta.reading.identify import Fit
from maqueta.reading.kinds import Kind
from maqueta.reading.settle import Settled
from maqueta.reading.view_groups import Group, box_of_strokes
from maqueta.solid.unit import MILLIMETRES

#: A centre line belongs to every view whose box it comes this near to (mm).
AXIS_NEAR: Final = 4.0
#: A stroke this much of which lies on a hidden line of the part, or on a smooth transition, is one.
_ON_IT: Final = 0.9


def told_by_place(
    groups: Sequence[Group],
    fits: Sequence[Fit | None],
    strokes: Sequence[Stroke],
    kinds: Sequence[Kind],
    settled: Settled,
    projected: ProjectedPart,
    tolerance: float,
) -> tuple[list[Group], list[Kind]]:
    """Take centre marks and axes out of the views, and hidden lines into them that were left out with their style."""
    unit = MILLIMETRES[projected.part.unit]
    known = list(kinds)
    gained: dict[int, list[int]] = {}
    for index, (group, fit) in enumerate(zip(groups, fits, strict=True)):
        look = fit.identity.orthographic if fit is not None else None
        if fit is None or look is None or fit.identity.mirrored:
            continue
        move = Similarity(fit.scale * unit, 0.0, *fit.at)
        expected = projected.line_set(look).moved(move)
        near = [i for i in settled.dropped if apart(box_of_strokes(strokes, [i]), group.box) <= AXIS_NEAR]
        mine = [i for i in group.members if i in settled.loose]
        on_part = _share_on(strokes, [*mine, *near], expected.of("visible", "hidden"), tolerance)
        on_smooth = _share_on(strokes, [*mine, *near], expected.of("smooth"), tolerance)
        on_hidden = _share_on(strokes, near, expected.of("hidden"), tolerance)
        for i in (*mine, *near):
            if i in near and on_hidden[i] >= _ON_IT:
                known[i] = "hidden"
                gained.setdefault(index, []).append(i)
            elif on_part[i] >= 0.5 or on_smooth[i] >= _ON_IT:
                continue
            elif runs_through_centre(strokes[i].piece, projected.part, look, move, tolerance):
                known[i] = "centre"
    result = []
    for index, group in enumerate(groups):
        members = (*(i for i in group.members if known[i] != "centre"), *gained.get(index, ()))
        result.append(replace(group, members=members))
    return result, known


def _share_on(
    strokes: Sequence[Stroke], members: Sequence[int], lines: Sequence[Piece], tolerance: float
) -> dict[int, float]:
    """Share of each stroke that lies on lines; strokes shorter than the tolerance tells apart lie on none."""
    lengths = lying_on([strokes[i].piece for i in members], lines, tolerance)
    return {i: length / strokes[i].piece.length for i, length in zip(members, lengths, strict=True)}
