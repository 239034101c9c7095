"""Corners of equal-axis views: which sides each shows, which belong to a set of views, which features they show."""

from collections import defaultdict
from collections.abc import Collection, Iterable, Sequence
from itertools import product
from typing import Final

from maqueta.geometry.directions import Side, opposite
from maqueta.geometry.likeness import congruent
from maqueta.geometry.line_set import LineSet
from maqueta.projection.arrangement import ViewName
from maqueta.projection.attitude import AXIS_TURNS, CORNERS, Attitude, Corner
from maqueta.projection.projected_part import ProjectedPart

#: Lines shorter than this, as a share of the part's size, show nothing of a feature (common practice, no source).
_LEAST_SEEN: Final = 1e-3
#: Outlines of round parts are found to about a hundred-thousandth of a part's size; a pen draws less exactly than this.
_SAME_ON_PAPER: Final = 2e-4


def corner_of(sides: Iterable[Side]) -> Corner:
    """The corner between three sides, one along each axis."""
    signs = {side[1]: side[0] for side in sides}
    corner: Corner = signs["x"] + signs["y"] + signs["z"]  # type: ignore[assignment]
    return corner


def sides_shown(corner: Corner) -> frozenset[Side]:
    """The three sides that face the reader of an equal-axis view."""
    x, y, z = corner
    return frozenset({f"{x}x", f"{y}y", f"{z}z"})  # type: ignore[arg-type]


def corners_of_views(front: Attitude, names: Collection[ViewName]) -> tuple[Corner, ...]:
    """The corners that show front, top and the drawn side view, the usual one first.

    Where both side views are drawn, or none, either will do; from below it looks only where the bottom view is drawn
    and the top view is not (common practice, no source).
    """
    beside: tuple[Side, ...] = (front.right, opposite(front.right))
    if "left" in names and "right" not in names:
        beside = beside[1:]
    elif "right" in names and "left" not in names:
        beside = beside[:1]
    above: tuple[Side, ...] = (front.up,)
    if "bottom" in names and "top" not in names:
        above = (opposite(front.up), front.up)
    return tuple(corner_of((front.side, up, side)) for up, side in product(above, beside))


def features_seen(projected: ProjectedPart, corner: Corner) -> frozenset[int]:
    """Which features of the part (indices) have a visible line in the equal-axis view from a corner."""
    least = _LEAST_SEEN * projected.part.size
    own: defaultdict[int, set[int]] = defaultdict(set)
    for index, feature in enumerate(projected.part.features):
        for face in feature.faces:
            own[face].add(index)
    seen: set[int] = set()
    for piece in projected.corners[corner].of("visible"):
        features = {index for face in piece.faces if face in own for index in own[face]} - seen
        if features and piece.length >= least:
            seen |= features
    return frozenset(seen)


def seen_alike(projected: ProjectedPart, corner: Corner, turn: float, others: Sequence[Corner]) -> Corner | None:
    """The first of some corners from which the part shows the same visible lines, in some turn; None without one.

    Of a part with symmetry nobody can tell from a drawing without hidden lines which of the two it was taken from.
    """
    tolerance = _SAME_ON_PAPER * projected.part.size
    own = _visible(projected, corner, turn)
    alike = (o for o in others if any(congruent(own, _visible(projected, o, other), tolerance) for other in AXIS_TURNS))
    return next(alike, None)


def _visible(projected: ProjectedPart, corner: Corner, turn: float) -> LineSet:
    return LineSet(tuple(projected.line_set(projected.corner(corner, turn)).of("visible")))


def corner_showing_more(projected: ProjectedPart, corner: Corner, usual: tuple[Corner, ...], up: Side) -> Corner | None:
    """A corner that shows all features this one shows, and others besides; None where there is none.

    The `usual` ones come first, then whatever shows most. None is asked to be drawn from below `up`: that is seldom
    read well (common practice, no source).
    """
    here = features_seen(projected, corner)
    others = [*usual, *(c for c in CORNERS if c not in usual and up in sides_shown(c))]
    better = [other for other in others if features_seen(projected, other) > here]
    return max(better, key=lambda other: (other in usual, len(features_seen(projected, other))), default=None)


def best_corner(projected: ProjectedPart, front: Attitude, names: Collection[ViewName]) -> Corner:
    """The corner to draw the pictorial view of a set of views from: the one that belongs to them and shows most.

    Another one only where it shows what theirs hide, and nothing less.
    """
    usual = corners_of_views(front, names)
    most = max(usual, key=lambda corner: len(features_seen(projected, corner)))
    return corner_showing_more(projected, most, usual, front.up) or most
