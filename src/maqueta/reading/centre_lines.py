"""Centre lines and centre marks of the views they run through."""

import math
from collections import defaultdict
from collections.abc import Iterable, Sequence
from typing import Final

from maqueta.geometry.box import apart, box_of
from maqueta.geometry.carrier import Circle, Line, Point
from maqueta.reading.by_place import AXIS_NEAR
from maqueta.reading.content import Stroke
from maqueta.sheet.document import CENTRE_BEYOND, CentreLine, CentreMark, Mark
from maqueta.sheet.placed import PlacedView

#: What is drawn as one thing meets, and stands as it should, within this, mm on paper.
_EXACT: Final = 0.02
Ends = tuple[Point, Point]


def centre_lines(axes: Sequence[Stroke], placed: Sequence[PlacedView]) -> tuple[Mark, ...]:
    """Centre lines of the views they run through; one that runs through several belongs to each.

    Two that cross in the middle of a circle, and reach as far as its centre mark does, are that mark.
    """
    own: defaultdict[int, list[Ends]] = defaultdict(list)
    for ends in _joined(stroke.piece.ends for stroke in axes if isinstance(stroke.piece.carrier, Line)):
        near = [place for place, item in enumerate(placed) if apart(box_of(ends), item.box) <= AXIS_NEAR]
        for place in near[:6]:
            own[place].append(ends)
    result: list[Mark] = []
    for place, lines in sorted(own.items()):
        item = placed[place]
        crosses, rest = _crosses(lines, item)
        for centre, radius in crosses:
            result.append(
                CentreMark(id=f"c{len(result) + 1}", view=item.view.id, centre=_plane(item, centre), radius=radius)
            )
        for first, last in rest:
            start, end = _plane(item, first), _plane(item, last)
            result.append(CentreLine(id=f"c{len(result) + 1}", view=item.view.id, start=start, end=end, beyond=0.0))
    return tuple(result)


def _plane(item: PlacedView, point: Point) -> Point:
    """A point of the sheet in the plane of a view."""
    at = item.view.at
    return ((point[0] - at[0]) / item.factor, (point[1] - at[1]) / item.factor)


def _joined(lines: Iterable[Ends]) -> list[Ends]:
    """Lines in whole: those that go on in line from where another ends were drawn from the middle outwards."""
    whole: list[Ends] = []
    for line in lines:
        rest = line
        while (before := next((other for other in whole if _goes_on(other, rest)), None)) is not None:
            whole.remove(before)
            rest = max(((p, q) for p in before for q in rest), key=lambda ends: math.dist(*ends))
        whole.append(rest)
    return whole


def _goes_on(one: Ends, other: Ends) -> bool:
    """Whether two lines meet end to end and in line."""
    for p, far in (one, one[::-1]):
        for q, end in (other, other[::-1]):
            if math.dist(p, q) <= _EXACT:
                return math.dist(far, end) >= math.dist(*one) + math.dist(*other) - _EXACT / 10
    return False


def _crosses(lines: Sequence[Ends], item: PlacedView) -> tuple[list[tuple[Point, float]], list[Ends]]:
    """Centre marks among the lines of a view, by centre on the sheet and radius in its plane, and what is left."""
    circles = [piece.moved(item.move).carrier for piece in item.drawn if isinstance(piece.carrier, Circle)]
    level = [line for line in lines if abs(line[0][1] - line[1][1]) <= _EXACT]
    upright = [line for line in lines if abs(line[0][0] - line[1][0]) <= _EXACT]
    marks, used = list[tuple[Point, float]](), set[Ends]()
    for line in level:
        centre, long = _middle(line), math.dist(*line)
        across = next(
            (
                other
                for other in upright
                if other not in used
                and math.dist(_middle(other), centre) <= _EXACT
                and abs(math.dist(*other) - long) <= 2 * _EXACT
            ),
            None,
        )
        radius = long / 2 - CENTRE_BEYOND
        if across is not None and any(
            isinstance(circle, Circle)
            and math.dist((circle.x, circle.y), centre) <= _EXACT
            and abs(circle.radius - radius) <= _EXACT
            for circle in circles
        ):
            used |= {line, across}
            marks.append((centre, radius / item.factor))
    return marks, [line for line in lines if line not in used]


def _middle(line: Ends) -> Point:
    return ((line[0][0] + line[1][0]) / 2, (line[0][1] + line[1][1]) / 2)
