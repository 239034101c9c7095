"""Lines of a sheet gathered into groups that could each be a view."""

from collections.abc import Sequence
from typing import Final

from maqueta.geometry.box import Box, meet, union

#: Boxes closer than this (mm) belong to one view.
_NEAR = 0.4


def grouped(boxes: Sequence[Box]) -> list[list[int]]:
    """Places of boxes gathered: boxes that overlap, and groups whose common boxes overlap, are one group."""
    groups = [([index], box) for index, box in enumerate(boxes)]
    while True:
        merged: list[tuple[list[int], Box]] = []
        for members, box in sorted(groups, key=lambda group: group[1]):
            joined, reach = list(members), box
            rest = []
            for other, other_box in merged:
                if meet(reach, other_box, _NEAR):
                    joined += other
                    reach = union((reach, other_box))
                else:
                    rest.append((other, other_box))
            merged = [*rest, (joined, reach)]
        if len(merged) == len(groups):
            return [sorted(members) for members, _ in merged]
        groups = merged


#: Gaps (mm) within which what fits nothing alone is tried together, narrow ones first.
WIDER: Final = (8.0, 20.0, 45.0)
