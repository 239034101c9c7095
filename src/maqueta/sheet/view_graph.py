"""How the views of a sheet hang together: which is the front, what is folded out from what, and across which line."""

import math
from collections.abc import Iterable, Sequence
from typing import Final

from maqueta.geometry.carrier import Interval, Point
from maqueta.geometry.directions import Vector, parallel, square
from maqueta.geometry.frame import dot
from maqueta.projection.arrangement import TOUCH, Angle
from maqueta.projection.look import Look
from maqueta.sheet.view import View, ViewKind

#: Kinds of which others can be folded out.
FOLDED_FROM: Final[frozenset[ViewKind]] = frozenset({"principal", "auxiliary", "section"})


def front_of(views: Sequence[View]) -> str | None:
    """The front view: the principal one that stands for itself and that principal ones are folded out from.

    None where there is none such, or more than one.
    """
    alone = [view.id for view in views if view.kind == "principal" and view.parent is None]
    if len(alone) == 1:
        return alone[0]
    folded = {view.parent for view in views if view.kind == "principal"}
    fronts = [name for name in alone if name in folded]
    return fronts[0] if len(fronts) == 1 else None


def with_front(views: Iterable[View], front: str | None) -> tuple[View, ...]:
    """The views with another front: all principal ones that stood for themselves, or on the old one, stand on it."""
    known = tuple(views)
    old = front_of(known)
    changed = []
    for view in known:
        if view.kind != "principal" or (view.parent not in (None, old, front) and view.id != front):
            changed.append(view)
        else:
            changed.append(view.model_copy(update={"parent": None if view.id == front else front}))
    return tuple(changed)


def let_go(views: Iterable[View], parent: str) -> tuple[View, ...]:
    """The views without what hangs on one of them: what was folded out from it stands for itself."""
    return tuple(view.model_copy(update={"parent": None}) if view.parent == parent else view for view in views)


def fold(parent: Look, child: Look) -> Point | None:
    """The direction, in the plane of the parent, from which the child looks at the part; None where it looks aslant.

    The folding line is square to it. In third angle the child stands on that side of its parent, in first angle on the
    other (ISO 5456-2, ASME Y14.3, from memory).
    """
    x, y = dot(child.towards, parent.right), dot(child.towards, parent.up)
    if not square(child.towards, parent.towards):
        return None
    length = math.hypot(x, y)
    return (x / length, y / length)


def folded(parent: Look, towards: Point) -> Look:
    """The look of a view folded out from its parent, seen from a direction (unit vector) of the parent's plane.

    Across the folding line what is seen moves away from the parent's reader; along it nothing changes.
    """
    ahead = parent.way(towards)
    dx, dy = towards
    along = parent.way((-dy, dx))

    def row(across: float, beside: float) -> Vector:
        x, y, z = (-across * t + beside * a for t, a in zip(parent.towards, along, strict=True))
        return (x, y, z)

    return Look((row(dx, -dy), row(dy, dx), ahead))


def shared(parent: Look, child: Look) -> Point | None:
    """The direction in which two views stand in line: along it both show the same points at the same places.

    A unit vector of the sheet, along the folding line; of a view from behind, along the one between the two and the
    view that parts them. None where the child is turned in its plane, looks aslant, or looks the same way.
    """
    if parallel(child.towards, parent.towards) and dot(child.towards, parent.towards) < 0:
        # Seen from behind, the plane is mirrored about what stays as it is.
        half = math.atan2(dot(child.right, parent.up), dot(child.right, parent.right)) / 2
        along = (math.cos(half), math.sin(half))
    else:
        towards = fold(parent, child)
        if towards is None:
            return None
        along = (-towards[1], towards[0])
    ways = parent.way(along), child.way(along)
    same = parallel(*ways) and dot(*ways) > 0
    return (along[0] + 0.0, along[1] + 0.0) if same else None


def angle_across(parent: Interval, child: Interval) -> Angle | None:
    """The angle of projection the place of a view speaks for: beyond its parent as seen, or on the other side.

    How far both reach along the direction of `fold`, mm on the sheet. None where they are not clear of each other.
    """
    third, first = child[0] - parent[1], parent[0] - child[1]
    if max(third, first) <= -TOUCH:
        return None
    return "third" if third > first else "first"
