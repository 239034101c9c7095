"""What special views a group of lines could be.

The section of a cutting line, a plane through the part's axes, the detail of a circled region, a view square to a
slanted face.
"""

import math
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from itertools import product
from typing import Final

from maqueta.geometry.carrier import Point, Similarity
from maqueta.geometry.directions import AXES, SIDES, Vector, parallel, square, vector
from maqueta.geometry.frame import cross, dot, exact, unit
from maqueta.phrases.told import ToldError
from maqueta.projection.look import Look
from maqueta.reading.candidates import Identity
from maqueta.reading.identify import Fit
from maqueta.reading.special.cutting_marks import CircleMark, CutMark
from maqueta.sheet.set_down import form_of
from maqueta.sheet.special import SheetClip, SheetCut
from maqueta.sheet.view import Aslant
from maqueta.sheet.view_graph import folded
from maqueta.solid.cut import CutForm
from maqueta.solid.part import Part
from maqueta.solid.slanted import each_once, slanted_edges, slanted_faces
from maqueta.solid.uncut import with_ribs_whole

#: Planes at more levels than this along one axis are not tried.
_MOST_LEVELS: Final = 8
#: Radii of a detail around what is drawn in it, as a share of its box.
_ROUND: Final = 0.5


@dataclass(frozen=True, slots=True)
class Meant:
    """One way to take a special group; `parent` is the place of the group it hangs on, `mark` its mark there.

    `hung_on` is how that group is taken for it.
    """

    identity: Identity
    parent: int | None = None
    mark: int | None = None
    hung_on: Fit | None = None


def sections_of_mark(part: Part, mark: CutMark, place: int, parent: int, look: Look, move: Similarity) -> list[Meant]:
    """The sections a cutting line may stand for, the likeliest first; `move` leads from the parent to the sheet."""
    path = tuple(map(move.back, mark.path))
    sight = mark.sight
    forms: list[CutForm] = [form_of(path, sight)]
    if forms == ["full"]:
        forms += ["removed"]
    found = []
    for form in forms:
        for identity in cut_along(part, form, _drawn_out(path, form, part.size), look, (-sight[0], -sight[1])):
            found.append(Meant(identity, parent, place))
    return found


def sections_near_mark(part: Part, mark: CutMark, place: int, parent: int, look: Look, move: Similarity) -> list[Meant]:
    """What else may be drawn for it: half sections on a whole line, other planes, and seen the other way round."""
    path = tuple(map(move.back, mark.path))
    sight = mark.sight
    found: list[Meant] = []
    if len(path) == 2:
        for bend in _bends(part, look, path):
            for start, sign in product(path, (1.0, -1.0)):
                towards = (-sign * sight[0], -sign * sight[1])
                last = (bend[0] + part.size * towards[0], bend[1] + part.size * towards[1])
                half = cut_along(part, "half", (start, bend, last), look, towards)
                found += [Meant(identity, parent, place) for identity in half]
    shifts = sorted({round(level, 6) for level in levels_along(part, look.way(sight))}, key=abs)
    here = path[0][0] * sight[0] + path[0][1] * sight[1]
    for sign in (1.0, -1.0):
        towards = (-sign * sight[0], -sign * sight[1])
        for level in [here, *shifts[:_MOST_LEVELS]]:
            off = level - here
            moved = tuple((x + off * sight[0], y + off * sight[1]) for x, y in path)
            form = form_of(moved, sight)
            if (off, sign) == (0.0, 1.0) or (form in ("half", "aligned") and (sign < 0 or off)):
                continue
            cut = cut_along(part, form, _drawn_out(moved, form, part.size), look, towards)
            found += [Meant(identity, parent, place) for identity in cut]
    return found


def sections_through_axes(part: Part, looks: Sequence[Look], through: Iterable[Vector]) -> list[Meant]:
    """Full sections, and half ones, through the axes and middles of a part, or the points an exercise names."""
    points = list(through)
    found: list[Meant] = []
    for look in looks:
        levels = sorted({round(dot(point, look.towards), 6) for point in points}) or levels_along(part, look.towards)
        for level in levels[:_MOST_LEVELS]:
            middle = _middle(part)
            at = _lifted(middle, look.towards, level)
            ends = [tuple(a + s * part.size * r for a, r in zip(at, look.right, strict=True)) for s in (-1, 1)]
            upper = [tuple(a + s * part.size * u for a, u in zip(at, look.up, strict=True)) for s in (-1, 1)]
            full = SheetCut(form="full", path=(_v(ends[0]), _v(ends[1])), across=look.up)
            found += [
                Meant(Identity(Aslant(frame=look.frame), cut=own)) for own in _with_ribs(part, full, look.towards)
            ]
            for side, across, way in ((ends, look.up, look.right), (upper, look.right, look.up)):
                for place in levels_along(part, way)[:3]:
                    bend = _lifted(_lifted(at, way, place), look.towards, level)
                    last = _v(tuple(b + part.size * t for b, t in zip(bend, look.towards, strict=True)))
                    for start in side:
                        half = SheetCut(form="half", path=(_v(start), bend, last), across=across)
                        found.append(Meant(Identity(Aslant(frame=look.frame), cut=half)))
    return found


def details_of(mark: CircleMark, place: int, parent: int, identity: Identity, move: Similarity) -> list[Meant]:
    """The detail of a circled region of a view."""
    look = identity.orthographic
    if look is None:
        return []
    clip = SheetClip(centre=move.back(mark.centre), radius=mark.radius / move.scale)
    return [Meant(Identity(Aslant(frame=look.frame), cut=identity.cut, clip=clip), parent, place)]


def auxiliary_of(
    part: Part, known: Sequence[tuple[int, Look]], ways: Sequence[Vector] = (), edges: Sequence[Vector] = ()
) -> list[Meant]:
    """Views folded out along directions worth looking along, and those that lead to them: `ways` that are asked for,
    then square to the part's slanted faces and along its slanted edges; and square to `edges` wanted in true length.
    """
    sights = each_once([*ways, *slanted_faces(part)[:_MOST_SIGHTS], *slanted_edges(part)[:_MOST_SIGHTS]])
    found: list[Meant] = []
    for sight in sights:
        for parent, look in known:
            if square(sight, look.towards):
                found += [_folded(parent, look, sight, sign) for sign in (1.0, -1.0)]
    for edge in edges:
        for parent, look in known:
            if not parallel(edge, look.towards):
                found += [_folded(parent, look, unit(cross(edge, look.towards)), sign) for sign in (1.0, -1.0)]
    oblique = [sight for sight in sights if not any(square(sight, vector(side)) for side in SIDES)]
    for sight in oblique[: _MOST_SIGHTS // 2 + len(ways)]:
        for parent, look in known:
            if parallel(sight, look.towards):
                continue
            # Along a line of the face, or square to the edge: the primary view shows the face as an edge, the edge in
            # true length.
            line = unit(cross(sight, look.towards))
            for sign in (1.0, -1.0):
                primary = _folded(parent, look, line, sign)
                found.append(primary)
                own = primary.identity.orthographic
                if own is not None:
                    # The secondary view hangs on the primary one, whichever group that is.
                    found += [_folded(_PRIMARY, own, sight, side) for side in (1.0, -1.0)]
    return found


#: So many slanted faces are looked at squarely, and slanted edges along, at most.
_MOST_SIGHTS: Final = 12
#: The parent of a secondary view, where its group is yet to be found.
_PRIMARY: Final = -1


def _folded(parent: int, look: Look, towards: Vector, sign: float) -> Meant:
    way = (sign * dot(towards, look.right), sign * dot(towards, look.up))
    length = math.hypot(*way)
    child = folded(look, (way[0] / length, way[1] / length))
    return Meant(Identity(Aslant(frame=exact(child.frame))), None if parent == _PRIMARY else parent)


def cut_along(part: Part, form: CutForm, path: Sequence[Point], look: Look, towards: Point) -> Iterator[Identity]:
    """A cut along a path in a view, seen from a direction of its plane: in line with it, or set upright in any turn."""
    child = folded(look, towards)
    try:
        cut = SheetCut(form=form, path=tuple(look.way(point) for point in path), across=look.towards)
    except (ToldError, ValueError):
        return
    upright = math.atan2(dot(look.towards, child.right), dot(look.towards, child.up))
    turns = [0.0, *(upright + quarter * math.pi / 2 for quarter in range(4))]
    seen: list[Look] = []
    for own in _with_ribs(part, cut, child.towards):
        for turn in turns:
            turned = child.turned(turn)
            known = any(abs(dot(turned.right, other.right) - 1) < 1e-9 for other in seen)
            if own is cut or not known:
                seen.append(turned)
                yield Identity(Aslant(frame=exact(turned.frame)), cut=own)
        seen.clear()


def _with_ribs(part: Part, cut: SheetCut, towards: Vector) -> list[SheetCut]:
    """A cut that leaves the ribs whole it runs along, and one that goes through them."""
    whole = with_ribs_whole(part, cut.cut(towards)).whole
    return [cut.model_copy(update={"whole": whole}), cut] if whole else [cut]


def _drawn_out(path: tuple[Point, ...], form: CutForm, size: float) -> tuple[Point, ...]:
    """A path with its last leg as it is needed: that of a half section runs on towards the reader."""
    if form != "half":
        return path
    (bx, by), (cx, cy) = path[1], path[2]
    length = math.dist(path[1], path[2]) or 1.0
    return (*path[:2], (bx + size * (cx - bx) / length, by + size * (cy - by) / length))


def _bends(part: Part, look: Look, path: Sequence[Point]) -> list[Point]:
    """Where a half section may turn off a whole line: at axes and at the middle of the part."""
    (ax, ay), (bx, by) = path
    length = math.dist(*path) or 1.0
    way = ((bx - ax) / length, (by - ay) / length)
    here = ax * way[0] + ay * way[1]
    return [
        (ax + (level - here) * way[0], ay + (level - here) * way[1]) for level in levels_along(part, look.way(way))[:4]
    ]


def levels_along(part: Part, way: Vector) -> list[float]:
    """Where axes and middles of a part lie along a direction: the middle of all first."""
    levels = [dot(_middle(part), way)]
    for feature in sorted(part.features, key=lambda f: -f.diameter):
        axis = [1.0 if name == feature.axis else 0.0 for name in AXES]
        if abs(sum(a * w for a, w in zip(axis, way, strict=True))) > 1e-6:
            continue
        across = [name for name in AXES if name != feature.axis]
        spot = dict(zip(across, feature.at, strict=True))
        levels.append(sum(spot.get(name, 0.0) * w for name, w in zip(AXES, way, strict=True)))
    kept: list[float] = []
    for level in levels:
        if all(abs(level - other) > 1e-6 * part.size for other in kept):
            kept.append(level)
    return kept


def _middle(part: Part) -> Vector:
    return _v(tuple((low + high) / 2 for low, high in zip(part.low, part.high, strict=True)))


def _lifted(point: Vector, way: Vector, level: float) -> Vector:
    """A point moved along a direction until it lies at a level of it."""
    off = level - dot(point, way)
    return _v(tuple(p + off * w for p, w in zip(point, way, strict=True)))


def _v(point: Sequence[float]) -> Vector:
    x, y, z = point
    return (float(x), float(y), float(z))
