"""The sizes of a part as unknowns, with the equations its views already state: what a reader who knows the form, but
no size, does not know yet.

Unknown are the place of every plane and the angle of every slanted one, the place of every axis, centre and apex, every
radius, and the points where faces meet. Known as drawn: what is square, parallel, coplanar, coaxial or tangent, faces
and axes in line, and that a point lies on its faces. All equations are linearised at the true sizes; what they leave
free, less the three shifts of the whole part, is what has to be written.

Corners drawn in line with something else are a matter of reading: one reader takes them as in line, another wants
their sizes. So there are two counts, with and without, and a sheet may follow either.
"""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property
from typing import Final

import numpy as np
from threadpoolctl import ThreadpoolController

from maqueta.geometry.directions import AXES, Axis, Vector, along_axis, parallel
from maqueta.geometry.nearness import Places
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.sizes.form.equations import SAME, ZERO, Array, Change, Row, System, Unknown, dense, less
from maqueta.sizes.form.frame import MODEL, candidate_frames, framed
from maqueta.sizes.form.incidence import incidence
from maqueta.sizes.form.surfaces import Surface, surfaces_of
from maqueta.solid.features import FULL_TURN
from maqueta.solid.part import Edge, Part

_LINEAR_ALGEBRA: Final = ThreadpoolController()
#: Points met at the ends of edges are one corner within this part of the size.
_MEET: Final = 10 * SAME


@dataclass(frozen=True)
class Corner:
    """A point where edges meet, in parts of the size of the part, and how it moves with the unknowns.

    `sharp` tells that no two of its faces run into each other smoothly.
    """

    point: Array
    change: Change
    faces: tuple[int, ...]
    sharp: bool


@dataclass(frozen=True)
class Ring:
    """A full circle where coaxial faces meet: its middle, axis and radius (in parts of the size), and their changes."""

    middle: Array
    axis: Array
    value: float
    moving: Change
    radius: Row
    faces: tuple[int, ...]


@dataclass(frozen=True)
class FormModel:
    """All unknowns of a part and the rows that are zero for every change its views allow.

    `size` is the longest overall size: lengths of unknowns, corners and rings are parts of it. `frame` holds the part's
    own directions, to which all of them are referred: the model's axes, unless the part lies aslant to these.
    """

    size: float
    unknowns: tuple[Unknown, ...]
    rows: tuple[Row, ...]
    surfaces: tuple[Surface, ...]
    corners: tuple[Corner, ...]
    rings: tuple[Ring, ...]
    frame: Array

    @property
    def aslant(self) -> bool:
        """Whether the part lies aslant to the model's axes, so that no principal view shows its own directions."""
        return self.frame is not MODEL

    def along(self, axis: Axis) -> list[int]:
        """Levels along an axis, lowest first."""
        found = [i for i, u in enumerate(self.unknowns) if u.kind == "level" and u.axis == axis]
        return sorted(found, key=lambda i: self.unknowns[i].value)

    def true_value(self, index: int) -> float:
        """An unknown in the part's unit, or in radians for angles."""
        unknown = self.unknowns[index]
        return unknown.value if unknown.kind in ("turn", "angle") else unknown.value * self.size

    @cached_property
    def shifts(self) -> Array:
        """One row per model axis: how the unknowns change when the whole part is shifted along it."""
        return np.array([[0.0] * 3 if u.way is None else u.way for u in self.unknowns]).T

    @cached_property
    def points(self) -> tuple[tuple[Array, Change], ...]:
        """Corners, middles of rings, and centres, each with how it moves."""
        return (
            *((corner.point, corner.change) for corner in self.corners),
            *((ring.middle, ring.moving) for ring in self.rings),
            *((surface.point, surface.centre) for surface in self.surfaces if surface.kind != "plane"),
        )

    @cached_property
    def touched(self) -> Mapping[int, tuple[int, ...]]:
        """By unknown, which of the points move with it."""
        found: dict[int, list[int]] = {}
        for index, (_, change) in enumerate(self.points):
            for unknown in change.parts:
                found.setdefault(unknown, []).append(index)
        return {unknown: tuple(indices) for unknown, indices in found.items()}

    @cached_property
    def motions(self) -> Array:
        """An orthonormal basis (one row each) of every change of size the views allow."""
        return null_space(np.vstack([dense(self.rows, len(self.unknowns)), self.shifts]))

    @cached_property
    def motions_in_line(self) -> Array:
        """The same for a reader who takes corners drawn in line as in line."""
        rows = [*self.rows, *_in_line(self)]
        return null_space(np.vstack([dense(rows, len(self.unknowns)), self.shifts]))

    @property
    def needed(self) -> int:
        """How many independent sizes the part has, without counts ("2×") and without symmetry."""
        return len(self.motions)

    @property
    def least(self) -> int:
        """How many it has for a reader who takes corners drawn in line as in line."""
        return len(self.motions_in_line)


def form_model(part: Part) -> FormModel:
    """The unknown sizes of a part.

    Raises ValueError, with the reason, for a part with a free-form face or an inclined cone or torus.
    """
    if (reason := beyond(part)) is not None:
        raise ValueError(reason)
    frames = candidate_frames(part)
    if len(frames) == 1:
        return _in_frame(part, frames[0])
    # The frame in which least has to be said is the part's own; the model's where another is no better.
    found = [_in_frame(part, frame) for frame in frames if _uncounted(framed(part, frame)) is None]
    return min(found, key=lambda form: (form.needed, form.least))


def _in_frame(part: Part, frame: Array) -> FormModel:
    part = framed(part, frame)
    system = System()
    surfaces = surfaces_of(part, system)
    corners = [corner for vertex in _vertices(part) for corner in _meeting(system, surfaces, vertex)]
    rings = [
        ring
        for edge in part.edges
        if edge.kind == "circle" and edge.closed and not edge.seam
        for ring in _ring(system, surfaces, edge, part)
    ]
    return FormModel(
        part.size, tuple(system.unknowns), tuple(system.rows), tuple(surfaces), tuple(corners), tuple(rings), frame
    )


def beyond(part: Part) -> Phrase | None:
    """Why the sizes of a part cannot be counted, or None when they can."""
    if part.components:
        return phrase("beyond-assembly")
    reasons = [_uncounted(framed(part, frame)) for frame in candidate_frames(part)]
    return None if None in reasons else reasons[0]


def undimensioned(part: Part) -> Phrase | None:
    """Why dimensions of a part are neither judged nor proposed, or None when they are."""
    if (reason := beyond(part)) is not None:
        return reason
    turned = any(frame is not MODEL for frame in candidate_frames(part))
    return phrase("beyond-aslant") if turned and form_model(part).aslant else None


def _uncounted(part: Part) -> Phrase | None:
    for face in part.faces:
        if face.kind == "other":
            return phrase("beyond-free-form")
        if face.kind in ("cone", "torus") and along_axis(face.direction) is None:
            return phrase("beyond-inclined-cone") if face.kind == "cone" else phrase("beyond-inclined-torus")
    return None


def null_space(matrix: Array) -> Array:
    """An orthonormal basis, one row each, of what a matrix takes to zero."""
    # Matrices of this size gain nothing from threads, and starting them takes longer than the work.
    with _LINEAR_ALGEBRA.limit(limits=1, user_api="blas"):
        _, values, right = np.linalg.svd(matrix, full_matrices=True)
    rank = int((values > ZERO * max(values.max(initial=0.0), ZERO)).sum())
    return np.asarray(right[rank:])


@dataclass(frozen=True)
class _Vertex:
    point: Vector
    faces: tuple[int, ...]
    smooth: tuple[tuple[int, int], ...]
    size: float


def _vertices(part: Part) -> Iterator[_Vertex]:
    """The corners of the part: ends of edges that are no seams, with the faces and smooth edges that meet there."""
    met: Places[list[tuple[Vector, Edge]]] = Places(_MEET * part.size)
    corners: list[list[tuple[Vector, Edge]]] = []
    for edge in part.edges:
        if edge.seam or edge.closed:
            continue
        for end in (edge.start, edge.end):
            entries = met.get(end)
            if entries is None:
                entries = met.put(end, [])
                corners.append(entries)
            entries.append((end, edge))
    for entries in corners:
        faces = sorted({face for _, edge in entries for face in edge.faces})
        smooth = {(edge.faces[0], edge.faces[1]) for _, edge in entries if edge.smooth and len(edge.faces) == 2}
        yield _Vertex(entries[0][0], tuple(faces), tuple(sorted(smooth)), part.size)


def _meeting(system: System, surfaces: Sequence[Surface], vertex: _Vertex) -> Iterator[Corner]:
    point = np.array(vertex.point) / vertex.size
    square = _square(surfaces, vertex.faces)
    if square is not None:
        yield Corner(point, square, vertex.faces, True)
        return
    own = (-1, -2, -3)
    moving = Change(dict(zip(own, np.eye(3), strict=True)))
    solved = system.join(own, incidence(surfaces, vertex.faces, vertex.smooth, point, moving))
    if solved is not None:
        change = Change()
        for index, way in zip(own, np.eye(3), strict=True):
            change = change.crossed(solved[index], way)
        yield Corner(point, change, vertex.faces, not vertex.smooth)


def _square(surfaces: Sequence[Surface], faces: Sequence[int]) -> Change | None:
    """How a corner of faces square to all three model axes moves, which is plain; None for any other corner."""
    parts: dict[int, Array] = {}
    for face in faces:
        surface = surfaces[face]
        if surface.kind != "plane" or surface.turning.parts:
            return None
        parts[surface.offset] = surface.r * surface.axis
    return Change(parts) if len(parts) == 3 else None


def _ring(system: System, surfaces: Sequence[Surface], edge: Edge, part: Part) -> Iterator[Ring]:
    """A full circle where coaxial faces meet: it has a radius and a place along the axis."""
    faces = tuple(sorted(set(edge.faces)))
    axis, middle = np.array(edge.axis), np.array(edge.centre) / part.size
    round_ones = [surfaces[f] for f in faces if surfaces[f].kind != "plane"]
    leading = next((s for s in round_ones if s.kind != "sphere"), round_ones[0] if round_ones else None)
    if leading is None or not all(_about(surfaces[f], middle, axis) for f in faces):
        return
    point = np.array(edge.start) / part.size
    outwards = (point - middle) / np.linalg.norm(point - middle)
    radius, station = -1, -2
    aside = Change({i: a - (a @ axis) * axis for i, a in leading.centre.parts.items()})
    moving = aside + Change({radius: outwards, station: axis})
    pairs = ((faces[0], faces[1]),) if edge.smooth and len(faces) == 2 else ()
    solved = system.join((radius, station), incidence(surfaces, faces, pairs, point, moving))
    if solved is not None:
        yield Ring(middle, axis, edge.radius / part.size, aside.crossed(solved[station], axis), solved[radius], faces)


def _about(surface: Surface, middle: Array, axis: Array) -> bool:
    """Whether a surface turns about an axis."""
    if surface.kind != "sphere" and not parallel(surface.axis, axis):
        return False
    between = middle - surface.point
    return surface.kind == "plane" or bool(np.linalg.norm(between - (between @ axis) * axis) < 10 * SAME)


def _in_line(form: FormModel) -> Iterator[Row]:
    """Rows that hold for who takes sharp corners drawn in line, and rings drawn on one line, as in line."""
    sharp = [corner for corner in form.corners if corner.sharp]
    for number, axis in enumerate(AXES):
        way = np.eye(3)[number]
        known: list[tuple[float, Row]] = [(form.unknowns[i].value, {i: 1.0}) for i in form.along(axis)]
        for corner in sharp:
            yield from _met(known, float(corner.point @ way), corner.change.along(way))
    groups: Places[list[tuple[float, Row]]] = Places(_MEET)
    for ring in form.rings:
        foot = ring.middle - (ring.middle @ ring.axis) * ring.axis
        group = groups.get((*foot, *ring.axis)) or groups.get((*foot, *-ring.axis))
        yield from _met(groups.put((*foot, *ring.axis), []) if group is None else group, ring.value, ring.radius)


def _met(known: list[tuple[float, Row]], value: float, row: Row) -> Iterator[Row]:
    """The row that ties a value to an equal one met before; otherwise it is noted."""
    other = next((known_row for known_value, known_row in known if abs(known_value - value) < _MEET), None)
    if other is None:
        known.append((value, row))
    elif tied := less(row, other):
        yield tied


def full_round(part: Part, faces: Sequence[int]) -> bool:
    """Whether one of some faces goes all the way round."""
    return any(part.faces[face].span >= FULL_TURN for face in faces)
