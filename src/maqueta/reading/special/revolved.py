"""Sections revolved in place: a cut face drawn within the view it is cut from, about the line it is cut along."""

from collections.abc import Mapping, Sequence
from typing import Final

from maqueta.geometry.box import Box, box_of, grown, union, within
from maqueta.geometry.carrier import Similarity
from maqueta.projection.look import Look
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.content import Stroke
from maqueta.reading.expectation import Expectation
from maqueta.reading.groups import grouped
from maqueta.reading.identify import identify
from maqueta.reading.kinds import Kind
from maqueta.reading.special.shown import Meant, cut_along
from maqueta.reading.view_groups import Group, box_of_strokes, drawn_piece
from maqueta.sheet.document import MOST_VIEWS
from maqueta.sheet.special import MOST_AREAS, Hatching
from maqueta.solid.part import Part

#: A view without what is revolved in it disagrees less than this.
_PLAINLY: Final = 0.05
#: What is revolved reaches over less than this share of its view, one way at least.
_PART: Final = 0.6
#: Lines of a cut face end within what is hatched, mm.
_RIM: Final = 0.6
#: So many faces of a sheet are tried at most: no drafter revolves more, and each costs a look at its whole view.
_MOST_FACES: Final = 12


def revolved_apart(
    groups: Sequence[Group],
    areas: Mapping[int, Sequence[Hatching]],
    strokes: Sequence[Stroke],
    kinds: Sequence[Kind],
    either: frozenset[int],
    projected: ProjectedPart,
    scales: Sequence[float],
    expected: Expectation,
) -> tuple[list[Group], dict[int, Sequence[Hatching]]]:
    """The groups, and the areas in each, with every cut face that stands within a plain view as a group of its own."""
    parted, own_areas, tried = list(groups), dict(areas), 0
    for place, own in areas.items():
        boxes = [box_of(point for ring in area.rings for point in ring) for area in own]
        for together in grouped(boxes) if len(boxes) <= MOST_AREAS else []:
            group, face = parted[place], union([boxes[k] for k in together])
            # Loose strokes reach the rim of a face within their spacing.
            for rim in (_RIM, _RIM + max(own[k].spacing for k in together)):
                inner = [i for i in group.members if within(box_of_strokes(strokes, [i]), face, rim)]
                rest = [i for i in group.members if i not in inner]
                if not inner or len(rest) < 3 or not _stands_within(face, group.box, rim):
                    continue
                if tried == _MOST_FACES or len(parted) == MOST_VIEWS:
                    continue
                tried += 1
                pieces = [drawn_piece(strokes[i], kinds[i], i in either) for i in rest]
                fits = identify(projected, pieces, scales, expected.tolerance, expected.hidden_lines, _PLAINLY)
                if not fits or fits[0].disagreement > _PLAINLY or fits[0].identity.attitude is None:
                    continue
                parted[place] = Group(tuple(rest), box_of_strokes(strokes, rest), tuple(fits))
                parted.append(Group(tuple(inner), box_of_strokes(strokes, inner), ()))
                gone = [own[k] for k in together]
                own_areas[len(parted) - 1] = gone
                own_areas[place] = [area for area in own_areas[place] if area not in gone]
                break
    return parted, {place: own for place, own in own_areas.items() if own}


def _stands_within(face: Box, view: Box, rim: float) -> bool:
    wide, high = (view[2] - view[0], view[3] - view[1])
    share = min((face[2] - face[0]) / max(wide, 1e-9), (face[3] - face[1]) / max(high, 1e-9))
    return within(face, grown(view, rim), 0.0) and share < _PART


def revolved_at(part: Part, face: Box, parent: int, look: Look, move: Similarity) -> list[Meant]:
    """The sections that a cut face within a view may be, revolved about the middle of its box, upright or level."""
    x, y = move.back(((face[0] + face[2]) / 2, (face[1] + face[3]) / 2))
    far = part.size
    lines = ((((x, y - far), (x, y + far)), (1.0, 0.0)), (((x - far, y), (x + far, y)), (0.0, 1.0)))
    return [
        Meant(identity, parent)
        for path, (across, up) in lines
        for sign in (1.0, -1.0)
        for identity in cut_along(part, "revolved", path, look, (sign * across, sign * up))
    ]
