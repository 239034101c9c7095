"""What lines are, told by where they run on the part, where nothing in the file tells it."""

from collections.abc import Sequence
from dataclasses import replace
from typing import Final

from maqueta.projection.carrier import Similarity
from maqueta.projection.compare import lying_on
from maqueta.projection.line_set import Piece
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.centre_strokes import runs_through_centre
from maqueta.reading.content import Mark
from maqueta.reading.groups import apart
from maqueta.reading.identify import Fit
from maqueta.reading.kinds import Kind
from maqueta.reading.settle import Settled
from maqueta.reading.view_groups import Group, box_of_marks
from maqueta.solid.unit import MILLIMETRES

#: A centre line belongs to every view whose box it comes this near to (mm).
AXIS_NEAR: Final = 4.0
#: A stroke this much of which lies on a hidden line of the part, or on a smooth transition, is one.
_ON_IT: Final = 0.9


def told_by_place(
    groups: Sequence[Group],
    fits: Sequence[Fit | None],
    marks: Sequence[Mark],
    kinds: Sequence[Kind],
    settled: Settled,
    projected: ProjectedPart,
    tolerance: float,
) -> tuple[list[Group], list[Kind]]:
    """Take centre marks and axes out of the views, and hidden lines into them that were left out with their style."""
    unit = MILLIMETRES[projected.part.unit]
    known = list(kinds)
    gained: dict[int, list[int]] = {}
    for place, (group, fit) in enumerate(zip(groups, fits, strict=True)):
        attitude = fit.identity.attitude if fit is not None else None
        if fit is None or attitude is None or fit.identity.mirrored:
            continue
        move = Similarity(fit.scale * unit, 0.0, *fit.at)
        expected = projected.line_set(attitude).moved(move)
        near = [i for i in settled.dropped if apart(box_of_marks(marks, [i]), group.box) <= AXIS_NEAR]
        mine = [i for i in group.members if i in settled.loose]
        on_part = _share_on(marks, [*mine, *near], expected.of("visible", "hidden"), tolerance)
        on_smooth = _share_on(marks, [*mine, *near], expected.of("smooth"), tolerance)
        on_hidden = _share_on(marks, near, expected.of("hidden"), tolerance)
        for i in (*mine, *near):
            if i in near and on_hidden[i] >= _ON_IT:
                known[i] = "hidden"
                gained.setdefault(place, []).append(i)
            elif on_part[i] >= 0.5 or on_smooth[i] >= _ON_IT:
                continue
            elif runs_through_centre(marks[i].piece, projected.part, attitude, move, tolerance):
                known[i] = "centre"
    result = []
    for place, group in enumerate(groups):
        members = (*(i for i in group.members if known[i] != "centre"), *gained.get(place, ()))
        result.append(replace(group, members=members))
    return result, known


def _share_on(
    marks: Sequence[Mark], members: Sequence[int], lines: Sequence[Piece], tolerance: float
) -> dict[int, float]:
    """Share of each mark that lies on lines; strokes shorter than the tolerance tells apart lie on none."""
    lengths = lying_on([marks[i].piece for i in members], lines, tolerance)
    return {i: length / marks[i].piece.length for i, length in zip(members, lengths, strict=True)}
