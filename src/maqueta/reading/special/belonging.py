"""Which hatched areas and labels belong to which group of lines."""

from collections.abc import Mapping, Sequence
from typing import Final

import shapely

from maqueta.geometry.box import Box, apart, grown
from maqueta.reading.special.labels import Label
from maqueta.reading.view_groups import Group
from maqueta.sheet.special import Hatching

#: A group without a mark or label that agrees so well with a whole view is no special one.
PLAIN: Final = 0.15
#: A label stands over or under its view within this (mm).
_LABEL_NEAR: Final = 30.0
#: That of a detail stands over the circle it is broken off at; a view that is plainly another is so much farther off.
_DETAIL_NEAR, _UNLIKELY = 60.0, 20.0
#: What is hatched meets the lines of its view within this (mm).
_MEETS: Final = 1.5


def areas_of_groups(groups: Sequence[Group], areas: Sequence[Hatching]) -> Mapping[int, Sequence[Hatching]]:
    """The hatched areas in each group."""
    found: dict[int, list[Hatching]] = {}
    for area in areas:
        spot = area.region.representative_point()
        by_size = sorted(enumerate(groups), key=lambda entry: _size(entry[1].box))
        home = next((place for place, own in by_size if shapely.box(*grown(own.box, 1.0)).contains(spot)), None)
        if home is None and groups:
            # Of a detail, most of what is hatched may lie beside its few lines.
            reach = area.region.bounds
            near = min(range(len(groups)), key=lambda place: apart(reach, groups[place].box))
            home = near if apart(reach, groups[near].box) <= _MEETS else None
        if home is not None:
            found.setdefault(home, []).append(area)
    return found


def _size(box: Box) -> float:
    return (box[2] - box[0]) * (box[3] - box[1])


def labels_of_groups(
    groups: Sequence[Group], labels: Sequence[Label], areas: Mapping[int, Sequence[Hatching]]
) -> dict[int, Label]:
    """The label of each group: the nearest over it or under it, on one that may be such a view."""

    def off(label: Label, place: int) -> float:
        group = groups[place]
        plain = bool(group.fits) and group.fits[0].disagreement <= PLAIN
        likely = place in areas if label.kind == "section" and areas else not plain
        return _off(label.box, group.box) + (0.0 if likely else _UNLIKELY)

    found: dict[int, Label] = {}
    pairs = sorted((off(label, place), k, place) for k, label in enumerate(labels) for place in range(len(groups)))
    used: set[int] = set()
    for far, k, place in pairs:
        reach = _DETAIL_NEAR if labels[k].kind == "detail" else _LABEL_NEAR
        if far <= reach and k not in used and place not in found:
            found[place] = labels[k]
            used.add(k)
    return found


def _off(label: Box, group: Box) -> float:
    """How far a label stands from a view; beside the middle counts a little."""
    aside = abs((label[0] + label[2]) / 2 - (group[0] + group[2]) / 2) / max(group[2] - group[0], 1.0)
    return apart(label, group) + 5.0 * min(aside, 3.0)
