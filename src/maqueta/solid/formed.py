"""Recognise slots, fillets, rounded ends, chamfers and patterns, and the symmetries of a part, from its faces alone."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import combinations, pairwise
from typing import Final, Literal

from maqueta.geometry.directions import AXES, Axis, Vector, along_axis
from maqueta.solid.counterpart import mirrored_edges
from maqueta.solid.features import FULL_TURN, across, coordinate
from maqueta.solid.part import Face, Feature, Part

#: Lengths agree within this part of the part's size.
_NEAR: Final = 1e-6
#: A slanted face wider than this part of the part's size is a slant of its own, not a chamfer. Common practice.
_WIDEST_CHAMFER: Final = 0.25

FormKind = Literal["slot", "fillet", "rounded end", "chamfer"]


@dataclass(frozen=True, slots=True)
class Form:
    """A recognised form.

    `size` is the radius of a fillet or rounded end, the leg of a chamfer, the width of a slot; `length` the overall
    length of a slot, otherwise how far it runs; `depth` and `through` are a slot's. `axis` is the axis of its round
    faces, for a chamfer the one it runs along, None where it lies along none.
    """

    kind: FormKind
    size: float
    length: float
    depth: float
    through: bool
    axis: Axis | None
    faces: tuple[int, ...]


@dataclass(frozen=True, slots=True)
class Pattern:
    """Equal features: in a row at equal distances, evenly on a circle, or just alike."""

    features: tuple[int, ...]
    layout: Literal["row", "circle", "alike"]
    pitch: float


@dataclass(frozen=True, slots=True)
class Symmetry:
    """Planes of symmetry through the middle of the part, by their normal, and an axis about which it is turned."""

    planes: tuple[Axis, ...]
    turned_about: Axis | None


def _smooth_neighbours(part: Part, face: int) -> list[int]:
    found = [o for e in part.faces[face].edges if part.edges[e].smooth for o in part.edges[e].faces if o != face]
    return list(dict.fromkeys(found))


def forms(part: Part) -> tuple[Form, ...]:
    """Slots, fillets, rounded ends and chamfers, largest first."""
    slots = _slots(part)
    taken = {face for form in slots for face in form.faces}
    found = [*slots, *_fillets(part, taken), *_chamfers(part)]
    return tuple(sorted(found, key=lambda f: (f.kind, -f.size, -f.length, f.faces)))


def _partial(face: Face) -> bool:
    return face.kind == "cylinder" and face.span < FULL_TURN


def _slots(part: Part) -> list[Form]:
    """Two hollow half cylinders that run smoothly into the same two flat walls."""
    halves = [
        (index, face, frozenset(n for n in _smooth_neighbours(part, index) if part.faces[n].kind == "plane"))
        for index, face in enumerate(part.faces)
        if _partial(face) and face.hollow and abs(face.span - math.pi) < 1e-4
    ]
    found = []
    for (first, a, walls), (second, b, other_walls) in combinations(halves, 2):
        if walls != other_walls or len(walls) != 2 or abs(a.radius - b.radius) > _NEAR * part.size:
            continue
        depth = a.reach[1] - a.reach[0]
        offset = [p - q for p, q in zip(b.point, a.point, strict=True)]
        along = sum(o * d for o, d in zip(offset, a.direction, strict=True))
        apart = math.sqrt(max(sum(o * o for o in offset) - along**2, 0.0))
        own = {first, second, *walls}
        floor = [o for e in a.edges for o in part.edges[e].faces if o not in own and _is_floor(part, o, own)]
        found.append(
            Form(
                "slot",
                2 * a.radius,
                apart + 2 * a.radius,
                depth,
                not floor,
                along_axis(a.direction),
                tuple(sorted(own)),
            )
        )
    return found


def _is_floor(part: Part, face: int, walls: set[int]) -> bool:
    """Whether a flat face is bounded by the walls of a slot alone."""
    if part.faces[face].kind != "plane":
        return False
    return all(set(part.edges[e].faces) - {face} <= walls for e in part.faces[face].edges)


def _fillets(part: Part, taken: set[int]) -> list[Form]:
    found = []
    for index, face in enumerate(part.faces):
        if index in taken:
            continue
        smooth = _smooth_neighbours(part, index)
        if face.kind == "torus" and smooth:
            run = face.span * face.radius
            found.append(Form("fillet", face.minor, run, 0.0, False, along_axis(face.direction), (index,)))
        elif _partial(face) and smooth:
            half = abs(face.span - math.pi) < 1e-4
            kind: FormKind = "rounded end" if half and not face.hollow else "fillet"
            run = face.reach[1] - face.reach[0]
            found.append(Form(kind, face.radius, run, 0.0, False, along_axis(face.direction), (index,)))
    return found


def _chamfers(part: Part) -> list[Form]:
    """Narrow flat faces at 45° between two square ones, and cones at 45° around a boss or at the mouth of a hole."""
    found = []
    for index, face in enumerate(part.faces):
        if face.kind == "cone" and abs(face.angle - math.pi / 4) < 1e-6 and face.span > FULL_TURN and not face.hollow:
            rims = sorted({part.edges[e].radius for e in face.edges if part.edges[e].kind == "circle"})
            if len(rims) == 2 and rims[1] - rims[0] < _WIDEST_CHAMFER * part.size:
                run = 2 * math.pi * rims[1]
                found.append(Form("chamfer", rims[1] - rims[0], run, 0.0, False, along_axis(face.direction), (index,)))
        if face.kind != "plane":
            continue
        slopes = sorted(abs(c) for c in face.direction)
        if slopes[0] > 1e-9 or abs(slopes[1] - slopes[2]) > 1e-9:
            continue
        long = max(
            (part.edges[e] for e in face.edges if part.edges[e].kind == "line"), key=lambda e: e.length, default=None
        )
        if long is None:
            continue
        width = face.area / long.length
        leg = width / math.sqrt(2)
        squares = [
            o
            for e in face.edges
            for o in part.edges[e].faces
            if o != index and part.faces[o].kind == "plane" and _at_45(part.faces[o].direction, face.direction)
        ]
        if len(set(squares)) >= 2 and leg < _WIDEST_CHAMFER * part.size and width < long.length:
            run_axis = next((axis for axis, c in zip(AXES, face.direction, strict=True) if abs(c) < 1e-9), None)
            found.append(Form("chamfer", leg, long.length, 0.0, False, run_axis, (index,)))
    return found


def _at_45(a: Vector, b: Vector) -> bool:
    return abs(sum(x * y for x, y in zip(a, b, strict=True)) - math.sqrt(0.5)) < 1e-6


def patterns(features: Sequence[Feature], size: float) -> tuple[Pattern, ...]:
    """Groups of equal round features along one axis, in a row, on a circle, or just alike; the largest first."""
    near = _NEAR * size
    groups: list[list[int]] = []
    for index, feature in enumerate(features):
        for group in groups:
            first = features[group[0]]
            if (
                (first.kind, first.axis, first.through) == (feature.kind, feature.axis, feature.through)
                and abs(first.diameter - feature.diameter) <= near
                and abs(first.depth - feature.depth) <= near
            ):
                group.append(index)
                break
        else:
            groups.append([index])
    # Features on one axis lie behind each other: that is one line of holes, not several places.
    spread = [g for g in groups if any(math.dist(features[g[0]].at, features[i].at) > near for i in g)]
    found = [_pattern(group, features, near) for group in spread]
    return tuple(sorted(found, key=lambda p: (-len(p.features), p.features)))


def _pattern(group: Sequence[int], features: Sequence[Feature], near: float) -> Pattern:
    spots = _in_order([features[index].at for index in group])
    steps = [(b[0] - a[0], b[1] - a[1]) for a, b in pairwise(spots)]
    pitch = math.hypot(*steps[0])
    if pitch > near and all(math.dist(step, steps[0]) <= 4 * near for step in steps):
        return Pattern(tuple(group), "row", pitch)
    centre = (sum(x for x, _ in spots) / len(spots), sum(y for _, y in spots) / len(spots))
    radii = [math.dist(spot, centre) for spot in spots]
    if len(spots) > 2 and max(radii) - min(radii) <= 4 * near < max(radii):
        angles = sorted(math.atan2(y - centre[1], x - centre[0]) for x, y in spots)
        gaps = [b - a for a, b in pairwise([*angles, angles[0] + 2 * math.pi])]
        if max(gaps) - min(gaps) < 1e-5:
            return Pattern(tuple(group), "circle", 2 * sum(radii) / len(radii))
    return Pattern(tuple(group), "alike", 0.0)


def _in_order(spots: Sequence[tuple[float, float]]) -> list[tuple[float, float]]:
    """Places in order along the line from the first to the one farthest from it, so that rounding cannot swap them."""
    x, y = max(spots, key=lambda spot: math.dist(spot, spots[0]))
    along = (x - spots[0][0], y - spots[0][1])
    return sorted(spots, key=lambda spot: spot[0] * along[0] + spot[1] * along[1])


def symmetry(part: Part) -> Symmetry:
    """Planes of symmetry square to the axes, and the axis all round faces share where there is one."""
    planes = tuple(axis for axis in AXES if mirrored_edges(part, axis) is not None)
    return Symmetry(planes, _turned_about(part))


def _turned_about(part: Part) -> Axis | None:
    for axis in AXES:
        first, second = across(axis)
        spot: tuple[float, float] | None = None
        for face in part.faces:
            if along_axis(face.direction) != axis or (face.kind != "plane" and face.span < FULL_TURN):
                break
            if face.kind == "plane":
                continue
            own = (coordinate(face.point, first), coordinate(face.point, second))
            spot = spot or own
            if math.dist(own, spot) > _NEAR * part.size:
                break
        else:
            if spot is not None:
                return axis
    return None
