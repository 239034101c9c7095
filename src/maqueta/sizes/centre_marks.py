"""Centre marks and centre lines a part's drawing needs, proposed from its axes (ISO 128-2, ASME Y14.2, from memory)."""

import math
from collections.abc import Iterable, Iterator, Sequence

from maqueta.projection.axes_seen import centre_seen, feature_axis
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.axes_drawn import is_lined
from maqueta.sheet.document import CentreLine, CentreMark, Mark
from maqueta.sheet.placed import PlacedView
from maqueta.sizes.sighted import PICK_TOLERANCE


def proposed_marks(projected: ProjectedPart, views: Iterable[PlacedView]) -> Iterator[Mark]:
    """A centre mark on every circle of a feature, a centre line along every one seen from the side, largest first.

    Axes that lie on one line and touch are one centre line: drawn over each other, their dashes fill each other's gaps.
    Not for pictorial views; ids are m1, m2, ….
    """
    tolerance = PICK_TOLERANCE * projected.part.size
    marks = (mark for item in views for mark in _joined(_axes_of(projected, item), tolerance))
    return (mark.model_copy(update={"id": f"m{number}"}) for number, mark in enumerate(marks, 1))


def lacking_marks(projected: ProjectedPart, views: Iterable[PlacedView], have: Sequence[Mark]) -> list[Mark]:
    """The proposed marks that are not drawn yet, with ids that are not taken."""
    tolerance = PICK_TOLERANCE * projected.part.size
    taken = {mark.id for mark in have}
    free = (f"m{number}" for number in range(1, 2000) if f"m{number}" not in taken)
    result: list[Mark] = []
    for item in views:
        own = [mark for mark in have if mark.view == item.view.id]
        lacking = [mark for mark in _axes_of(projected, item) if not _drawn(mark, own, tolerance)]
        result += [mark.model_copy(update={"id": next(free)}) for mark in _joined(lacking, tolerance)]
    return result


def _axes_of(projected: ProjectedPart, item: PlacedView) -> Iterator[Mark]:
    """What shows the axis of each feature in a view, each once."""
    look = item.orthographic
    if look is None:
        return
    seen: set[tuple[float, ...]] = set()
    for feature in sorted(projected.part.features, key=lambda f: -f.diameter):
        if look.shows_point(feature.axis):
            centre = centre_seen(feature, look)
            key: tuple[float, ...] = centre
            mark: Mark = CentreMark(id="m", view=item.view.id, centre=centre, radius=feature.diameter / 2)
        else:
            start, end = feature_axis(projected.part, feature, look)
            key = (*start, *end)
            mark = CentreLine(id="m", view=item.view.id, start=start, end=end)
        key = tuple(round(k, 6) for k in key)
        if key not in seen:
            seen.add(key)
            yield mark


def _drawn(mark: Mark, have: Sequence[Mark], tolerance: float) -> bool:
    """Whether an axis of a view is drawn already: a line may run along several."""
    if isinstance(mark, CentreLine):
        return is_lined(have, mark.start, mark.end, tolerance)
    return any(isinstance(own, CentreMark) and math.dist(mark.centre, own.centre) <= tolerance for own in have)


def _joined(marks: Iterable[Mark], tolerance: float) -> list[Mark]:
    """The marks of a view, lines that lie on one and touch made one, in the place of the first."""
    result: list[Mark] = []
    for mark in marks:
        touched = [own for own in result if isinstance(own, CentreLine) and _touch(own, mark, tolerance)]
        if not touched:
            result.append(mark)
            continue
        assert isinstance(mark, CentreLine)
        start, end = touched[0].start, touched[0].end
        along = (end[0] - start[0], end[1] - start[1])
        ends = sorted(
            (point for own in (*touched, mark) for point in (own.start, own.end)),
            key=lambda point: point[0] * along[0] + point[1] * along[1],
        )
        whole = touched[0].model_copy(update={"start": ends[0], "end": ends[-1]})
        result = [whole if own is touched[0] else own for own in result if own not in touched[1:]]
    return result


def _touch(one: CentreLine, other: Mark, tolerance: float) -> bool:
    """Whether another mark is a line on the same line, and they meet."""
    length = math.dist(one.start, one.end)
    if not isinstance(other, CentreLine) or length <= tolerance:
        return False
    (x, y), (dx, dy) = one.start, ((one.end[k] - one.start[k]) / length for k in (0, 1))
    ends = [(px - x, py - y) for px, py in (other.start, other.end)]
    on = [px * dx + py * dy for px, py in ends]
    level = all(abs(py * dx - px * dy) <= tolerance for px, py in ends)
    return level and min(on) <= length + tolerance and max(on) >= -tolerance
