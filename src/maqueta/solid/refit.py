"""Assemblies whose parts have got other sizes: what lay against each other does so again, or why it cannot.

Contacts are read off the assembly as it stands: flat faces that lie against each other, and round faces on one axis.
Parts keep how they are turned and are moved until every contact is there again: equations that are linear in the moves.
Right-handed coordinates in the unit of the assembly.
"""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from itertools import combinations, product
from operator import itemgetter
from typing import Final, Literal

import numpy as np
from numpy.typing import NDArray

from maqueta.geometry.directions import Vector
from maqueta.geometry.frame import cross, dot, unit, way_between
from maqueta.phrases.phrase import phrase
from maqueta.solid.assembly import Assembly, PlacedPart
from maqueta.solid.errors import PartError
from maqueta.solid.part import Face, Part

#: Places agree within this share of the assembly's size, directions within this sine.
_NEAR: Final = 1e-6
#: A hole and what sits in it are a fit where they leave at most this share of the radius between them (common practice,
#: no source): another share would be another fit. What is looser only has to go in.
_FIT: Final = 0.1

Floats = NDArray[np.float64]


class UnfitSizesError(PartError):
    """Parts in other sizes that do not go together as they did."""


@dataclass(frozen=True, slots=True)
class Contact:
    """Two components, by their places, and the faces with which they touch: flat ones against each other, flat ones in
    one plane that look the same way (`flush`), or round ones on one axis.
    """

    kind: Literal["against", "flush", "axis"]
    first: int
    face: int
    second: int
    other: int


@dataclass(frozen=True)
class _Standing:
    """A component with the faces of its part as they stand in the assembly, and their boxes."""

    own: PlacedPart
    part: Part

    def point(self, face: int) -> Vector:
        return self.own.placement.point(self.part.faces[face].point)

    def direction(self, face: int) -> Vector:
        return self.own.placement.direction(self.part.faces[face].direction)

    def corners(self, face: int) -> Floats:
        """Points along the edges of a face, one row each."""
        samples = [point for edge in self.part.faces[face].edges for point in self.part.edges[edge].samples]
        return np.array([self.own.placement.point(point) for point in samples]).reshape(-1, 3)

    @property
    def box(self) -> tuple[Floats, Floats]:
        """The lowest and highest coordinates of its own box, as it stands."""
        (x, y, z), (u, v, w) = self.part.low, self.part.high
        corners = np.array([self.own.placement.point(corner) for corner in product((x, u), (y, v), (z, w))])
        return corners.min(axis=0), corners.max(axis=0)

    def reach(self, face: int, axis: Vector) -> tuple[float, float]:
        """From where to where a round face goes along an axis."""
        middle, own = self.point(face), self.direction(face)
        ends = [dot(middle, axis) + dot(own, axis) * along for along in self.part.faces[face].reach]
        return min(ends), max(ends)


def contacts(assembly: Assembly, parts: Mapping[str, Part]) -> tuple[Contact, ...]:
    """How the components of an assembly touch each other, as they stand. `parts` are by their keys."""
    standing = [_Standing(own, parts[own.part]) for own in assembly.components]
    near = _NEAR * _size(standing)
    boxes = [own.box for own in standing]
    return tuple(
        contact
        for (first, one), (second, other) in combinations(enumerate(standing), 2)
        if _meet(boxes[first], boxes[second], near)
        for contact in _between(first, one, second, other, near)
    )


def _meet(one: tuple[Floats, Floats], other: tuple[Floats, Floats], near: float) -> bool:
    (low, high), (start, end) = one, other
    return bool(np.all(low <= end + near) and np.all(start <= high + near))


def _size(standing: Sequence[_Standing]) -> float:
    boxes = [own.box for own in standing]
    low, high = (np.array(ends) for ends in zip(*boxes, strict=True))
    return float((high.max(axis=0) - low.min(axis=0)).max())


def _between(first: int, one: _Standing, second: int, other: _Standing, near: float) -> Iterator[Contact]:
    for face, own in enumerate(one.part.faces):
        axis = one.direction(face)
        for match, against in enumerate(other.part.faces):
            way = other.direction(match)
            if max(map(abs, cross(axis, way))) > _NEAR:
                continue
            between = way_between(one.point(face), other.point(match))
            if own.kind == against.kind == "plane":
                if abs(dot(between, axis)) <= near and _over_each_other(one, face, other, match, near):
                    yield Contact("against" if dot(axis, way) < 0 else "flush", first, face, second, match)
            elif own.kind == against.kind == "cylinder" and own.hollow != against.hollow:
                aside = np.subtract(between, np.multiply(axis, dot(between, axis)))
                (low, high), (start, end) = one.reach(face, axis), other.reach(match, axis)
                if float(np.linalg.norm(aside)) <= near and min(high, end) - max(low, start) > near:
                    yield Contact("axis", first, face, second, match)


def _over_each_other(one: _Standing, face: int, other: _Standing, match: int, near: float) -> bool:
    """Whether two flat faces in one plane lie over each other, by their boxes in it."""
    across = _across(one.direction(face))
    a, b = one.corners(face) @ across.T, other.corners(match) @ across.T
    return bool(np.all(np.minimum(a.max(0), b.max(0)) - np.maximum(a.min(0), b.min(0)) > near))


def _across(axis: Vector) -> Floats:
    """Two directions square to an axis and to each other, one row each."""
    least = min(range(3), key=lambda k: abs(axis[k]))
    first = unit(cross(axis, (float(least == 0), float(least == 1), float(least == 2))))
    return np.array([first, cross(axis, first)])


def refitted(assembly: Assembly, before: Mapping[str, Part], after: Mapping[str, Part]) -> Assembly:
    """The assembly with its parts in other sizes, moved so that they touch as they did; its first component stays.

    `before` and `after` are the parts by their keys. What lay flush is flush again as far as the contacts let it.
    Raises UnfitSizesError where a part has got another form, a contact cannot be there again, or a fit is another one.
    """
    for key, part in before.items():
        _same_form(part, after[key])
    found = contacts(assembly, before)
    then = [_Standing(own, before[own.part]) for own in assembly.components]
    now = [_Standing(own, after[own.part]) for own in assembly.components]
    for own in found:
        _same_fit(own, then, now)
    size = _size(now)
    firm = [(own, equation) for own in found if own.kind != "flush" for equation in _equations(own, now)]
    flush = [equation for own in found if own.kind == "flush" for equation in _equations(own, now)]
    moves = _moves([equation for _, equation in firm], flush, len(now))
    missed = [(abs(float(row @ moves) - wanted), own) for own, (row, wanted) in firm]
    far, worst = max(missed, key=itemgetter(0), default=(0.0, None))
    if worst is not None and far > _NEAR * size:
        names = (now[worst.first].own.name, now[worst.second].own.name)
        raise UnfitSizesError(phrase("refit-no-contact", first=names[0], second=names[1]))
    moved = [
        one.own.placed(one.own.placement.moved(_tidy(way, size)))
        for one, way in zip(now, moves.reshape(-1, 3), strict=True)
    ]
    return assembly.model_copy(update={"components": tuple(moved)})


def _same_form(before: Part, after: Part) -> None:
    """Faces are matched by their places: sizes alone may differ."""
    alike = len(before.faces) == len(after.faces) and all(
        own.kind == other.kind and own.hollow == other.hollow and dot(own.direction, other.direction) > 1 - _NEAR
        for own, other in zip(before.faces, after.faces, strict=True)
    )
    if not alike:
        raise UnfitSizesError(phrase("refit-other-form", name=before.name))


def _same_fit(contact: Contact, then: Sequence[_Standing], now: Sequence[_Standing]) -> None:
    """What sits in a hole has to leave as much between them as it did."""
    if contact.kind != "axis":
        return
    one, other = (standing[contact.first].part.faces[contact.face] for standing in (then, now))
    two, another = (standing[contact.second].part.faces[contact.other] for standing in (then, now))
    left, leaves = _left_between(one, two), _left_between(other, another)
    names = now[contact.first].own.name, now[contact.second].own.name
    if 0 <= left <= _FIT * max(one.radius, two.radius) and abs(leaves - left) > _NEAR * max(
        other.radius, another.radius
    ):
        told = tuple(round(2 * face.radius, 4) for face in (other, another))
        raise UnfitSizesError(phrase("refit-other-fit", first=names[0], second=names[1], one=told[0], other=told[1]))


def _left_between(one: Face, other: Face) -> float:
    hole, shank = (one, other) if one.hollow else (other, one)
    return hole.radius - shank.radius


def _equations(contact: Contact, standing: Sequence[_Standing]) -> Iterator[tuple[Floats, float]]:
    """What the moves of all components, three numbers each, have to fulfil for a contact: row times moves is wanted."""
    one, other = standing[contact.first], standing[contact.second]
    axis = one.direction(contact.face)
    between = way_between(one.point(contact.face), other.point(contact.other))
    for way in np.array([axis]) if contact.kind != "axis" else _across(axis):
        row = np.zeros((len(standing), 3))
        row[contact.first] += way
        row[contact.second] -= way
        yield row.ravel(), float(np.dot(way, between))


def _moves(firm: Sequence[tuple[Floats, float]], flush: Sequence[tuple[Floats, float]], count: int) -> Floats:
    """The moves that fulfil the firm equations best, with what they leave free the others, with what is left free then
    the least; the first component stays.
    """
    stays = [(row, 0.0) for row in np.eye(3, 3 * count)]
    moves, free = np.zeros(3 * count), np.eye(3 * count)
    for equations in ([*firm, *stays], flush):
        if not equations or not free.size:
            continue
        rows = np.array([row for row, _ in equations]) @ free
        wanted = np.array([value for _, value in equations]) - np.array([row @ moves for row, _ in equations])
        left, values, right = np.linalg.svd(rows, full_matrices=True)
        rank = int((values > _NEAR).sum())
        moves = moves + free @ (right[:rank].T @ ((left[:, :rank].T @ wanted) / values[:rank]))
        free = free @ right[rank:].T
    return moves


def _tidy(way: Floats, size: float) -> Vector:
    """A move without what computing left of nothing."""
    x, y, z = (round(float(value), 9) if abs(value) > _NEAR * _NEAR * size else 0.0 for value in way)
    return x, y, z
