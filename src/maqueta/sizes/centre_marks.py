"""Centre marks and centre lines a part's drawing needs, proposed from its axes (ISO 128-2, ASME Y14.2, from memory)."""

import math
from collections.abc import Iterable, Iterator, Sequence

from maqueta.projection.axes_seen import centre_seen, feature_axis
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.document import CentreLine, CentreMark, Mark
from maqueta.sheet.placed import PlacedView
from maqueta.sizes.sighted import PICK_TOLERANCE


def proposed_marks(projected: ProjectedPart, views: Iterable[PlacedView]) -> Iterator[Mark]:
    """A centre mark on every circle of a feature, a centre line along every one seen from the side, largest first.

    Not for pictorial views; ids are m1, m2, ….
    """
    number = 0
    for item in views:
        look = item.orthographic
        if look is None:
            continue
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
                number += 1
                yield mark.model_copy(update={"id": f"m{number}"})


def lacking_marks(projected: ProjectedPart, views: Iterable[PlacedView], have: Sequence[Mark]) -> list[Mark]:
    """The proposed marks that are not drawn yet, with ids that are not taken."""
    tolerance = PICK_TOLERANCE * projected.part.size
    taken = {mark.id for mark in have}
    free = (f"m{number}" for number in range(1, 2000) if f"m{number}" not in taken)
    return [
        mark.model_copy(update={"id": next(free)})
        for mark in proposed_marks(projected, views)
        if not any(_same(mark, other, tolerance) for other in have)
    ]


def _same(mark: Mark, other: Mark, tolerance: float) -> bool:
    if mark.view != other.view or mark.kind != other.kind:
        return False
    if isinstance(mark, CentreMark):
        return isinstance(other, CentreMark) and math.dist(mark.centre, other.centre) <= tolerance
    assert isinstance(other, CentreLine)
    ends = ((other.start, other.end), (other.end, other.start))
    return any(max(math.dist(mark.start, a), math.dist(mark.end, b)) <= tolerance for a, b in ends)
