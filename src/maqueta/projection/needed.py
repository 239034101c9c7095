"""Which views a part needs, and which of the usual three repeat each other."""

from dataclasses import dataclass

from maqueta.projection.arrangement import ViewName, neighbour
from maqueta.projection.attitude import Attitude, opposite
from maqueta.projection.likeness import alike, look_of
from maqueta.projection.line_set import LineSet
from maqueta.projection.projected_part import ProjectedPart
from maqueta.projection.ranking import true_shape

_USUAL_THREE: tuple[ViewName, ...] = ("front", "top", "right")


@dataclass(frozen=True, slots=True)
class ViewNeed:
    """The views to draw, and pairs (kept, repeating) of the usual three that show the same lines."""

    needed: tuple[ViewName, ...]
    repeated: tuple[tuple[ViewName, ViewName], ...]


def repeats(a: LineSet, b: LineSet, tolerance: float) -> bool:
    """Whether one view shows the same lines as another, possibly turned by quarter turns on the sheet."""
    own, other = look_of(a), look_of(b)
    return any(alike(own.turned(turn), other, tolerance) for turn in range(4))


def view_need(projected: ProjectedPart, front: Attitude) -> ViewNeed:
    """The views needed beside a front view.

    A view is needed when a contour, a hole or a slant shows its characteristic shape there alone; a view that
    repeats another is left out. Two views are the least, since one leaves a size out.
    Common practice, no source.
    """
    tolerance = 1e-5 * projected.part.size
    attitudes = {name: neighbour(front, name) for name in _USUAL_THREE}
    sets = {name: projected.line_set(attitude) for name, attitude in attitudes.items()}
    kept: list[ViewName] = []
    repeated: list[tuple[ViewName, ViewName]] = []
    for name in _USUAL_THREE:
        twin = next((other for other in kept if repeats(sets[name], sets[other], tolerance)), None)
        if twin is None:
            kept.append(name)
        else:
            repeated.append((twin, name))
    if len(kept) == 1:
        kept.append("top")
    if len(kept) == 3:
        telling = [name for name in kept[1:] if _tells(projected, attitudes[name])]
        kept = ["front", *(telling or ["top"])]
    return ViewNeed(tuple(kept), tuple(repeated))


def _tells(projected: ProjectedPart, attitude: Attitude) -> bool:
    """Whether a contour or hole shows its shape along this line of sight, be it from the other end."""
    return any(true_shape(projected, side) > 0 for side in (attitude.side, opposite(attitude.side)))
