"""Where a cut draws no line: between the halves of a half section, and at the steps of an offset one."""

import math
from collections.abc import Sequence

from maqueta.geometry.carrier import Line, Point
from maqueta.geometry.frame import dot
from maqueta.geometry.line_set import Piece
from maqueta.sheet.placed import PlacedView

#: From one end of a view to the other.
Stretch = tuple[Point, Point]


def undrawn_lines(item: PlacedView) -> tuple[Stretch, ...]:
    """The lines across a section at which its planes change, in its own plane, as far as the view reaches."""
    if item.view.cut is None or item.look is None or item.view.cut.form not in ("half", "offset"):
        return ()
    cut = item.view.cut
    across = (dot(cut.across, item.look.right), dot(cut.across, item.look.up))
    length = math.hypot(*across)
    if length < 0.5:
        return ()
    way = (across[0] / length, across[1] / length)
    corners = cut.path[1:2] if cut.form == "half" else cut.path[1:-1]
    left, bottom, right, top = item.lines.box
    reach = [x * way[0] + y * way[1] for x in (left, right) for y in (bottom, top)]
    found: list[Stretch] = []
    for corner in corners:
        x, y = item.look.seen(corner)
        here = x * way[0] + y * way[1]
        start, end = ((x + (level - here) * way[0], y + (level - here) * way[1]) for level in (min(reach), max(reach)))
        if (start, end) not in found:
            found.append((start, end))
    return tuple(found)


def lies_on(drawn: Piece | Stretch, lines: Sequence[Stretch], tolerance: float) -> float:
    """The length of a straight line that lies on any of some others; 0 where it does not."""
    if isinstance(drawn, Piece):
        if not isinstance(drawn.carrier, Line):
            return 0.0
        start, end = drawn.ends
    else:
        start, end = drawn
    for low, high in lines:
        reach = math.dist(low, high)
        if reach == 0:
            continue
        way = ((high[0] - low[0]) / reach, (high[1] - low[1]) / reach)
        spots = [((p[0] - low[0]) * way[0] + (p[1] - low[1]) * way[1], p) for p in (start, end)]
        off = max(math.dist(p, (low[0] + t * way[0], low[1] + t * way[1])) for t, p in spots)
        if off <= tolerance:
            first, last = sorted(t for t, _ in spots)
            return max(0.0, min(last, reach) - max(first, 0.0))
    return 0.0
