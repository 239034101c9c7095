"""Which views a part needs, and which of the usual three repeat each other."""

from dataclasses import dataclass

from maqueta.geometry.directions import opposite
from maqueta.geometry.likeness import alike, likeness_of
from maqueta.geometry.line_set import LineSet
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.projection.arrangement import ViewName, neighbour
from maqueta.projection.attitude import Attitude
from maqueta.projection.projected_part import ProjectedPart
from maqueta.projection.ranking import true_shape

_USUAL_THREE: tuple[ViewName, ...] = ("front", "top", "right")


@dataclass(frozen=True, slots=True)
class ViewNeed:
    """The views to draw, and pairs (kept, repeating) of the usual three that show the same lines.

    `reasons` says of each of the usual three why it is needed or left out.
    """

    needed: tuple[ViewName, ...]
    repeated: tuple[tuple[ViewName, ViewName], ...]
    reasons: tuple[tuple[ViewName, Phrase], ...]


def repeats(a: LineSet, b: LineSet, tolerance: float) -> bool:
    """Whether one view shows the same lines as another, possibly turned by quarter turns on the sheet."""
    own, other = likeness_of(a), likeness_of(b)
    return any(alike(own.turned(turn), other, tolerance) for turn in range(4))


def view_need(projected: ProjectedPart, front: Attitude) -> ViewNeed:
    """The views needed beside a front view.

    A view is needed when a contour, a hole or a slant shows its characteristic shape there alone; a view that
    repeats another is left out. Two views are the least, since one leaves a size out.
    Common practice, no source.
    """
    tolerance = 1e-5 * projected.part.size
    attitudes = {name: neighbour(front, name) for name in _USUAL_THREE}
    sets = {name: projected.line_set(attitude.look) for name, attitude in attitudes.items()}
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
        telling = [name for name in kept[1:] if tells(projected, attitudes[name])]
        kept = ["front", *(telling or ["top"])]
    reasons = tuple((name, _reason(projected, attitudes[name], name, kept, repeated)) for name in _USUAL_THREE)
    return ViewNeed(tuple(kept), tuple(repeated), reasons)


def _reason(
    projected: ProjectedPart,
    attitude: Attitude,
    name: ViewName,
    kept: list[ViewName],
    repeated: list[tuple[ViewName, ViewName]],
) -> Phrase:
    twin = next((first for first, second in repeated if second == name), None)
    if twin is not None and name not in kept:
        return phrase("need-twin", name=twin)
    shown = _shown(projected, attitude)
    if name == "front":
        return phrase("need-front-shows", shown=shown) if shown else phrase("need-front")
    if name not in kept:
        return phrase("need-nothing")
    return phrase("need-shows", shown=shown) if shown else phrase("need-size")


def _shown(projected: ProjectedPart, attitude: Attitude) -> tuple[Phrase, ...]:
    """What shows its shape along a line of sight; empty when nothing does."""
    axis = attitude.side[1]
    round_ones = sum(1 for feature in projected.part.features if feature.axis == axis)
    contour = (phrase("shown-contour"),) if tells(projected, attitude) else ()
    return (*contour, *((phrase("shown-round", count=round_ones),) if round_ones else ()))


def tells(projected: ProjectedPart, attitude: Attitude) -> bool:
    """Whether a contour or hole shows its shape along this line of sight, be it from the other end."""
    return any(true_shape(projected, side) > 0 for side in (attitude.side, opposite(attitude.side)))
