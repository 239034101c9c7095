"""Lines of a sheet gathered into groups that could each be a view."""

from collections.abc import Sequence
from typing import Final

from maqueta.projection.line_set import Box

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
                if _meet(reach, other_box):
                    joined += other
                    reach = _around(reach, other_box)
                else:
                    rest.append((other, other_box))
            merged = [*rest, (joined, reach)]
        if len(merged) == len(groups):
            return [sorted(members) for members, _ in merged]
        groups = merged


#: Gaps (mm) within which what fits nothing alone is tried together, narrow ones first.
WIDER: Final = (8.0, 20.0, 45.0)


def grown(box: Box, gap: float) -> Box:
    """A box larger by half a gap all round."""
    return (box[0] - gap / 2, box[1] - gap / 2, box[2] + gap / 2, box[3] + gap / 2)


def _meet(a: Box, b: Box) -> bool:
    return a[0] <= b[2] + _NEAR and b[0] <= a[2] + _NEAR and a[1] <= b[3] + _NEAR and b[1] <= a[3] + _NEAR


def _around(a: Box, b: Box) -> Box:
    return (min(a[0], b[0]), min(a[1], b[1]), max(a[2], b[2]), max(a[3], b[3]))


def apart(a: Box, b: Box) -> float:
    """Distance between two boxes, 0 where they meet."""
    dx = max(0.0, a[0] - b[2], b[0] - a[2])
    dy = max(0.0, a[1] - b[3], b[1] - a[3])
    return float((dx * dx + dy * dy) ** 0.5)
