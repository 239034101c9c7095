"""A part together with its line sets: everything a check needs, without the kernel."""

import math
from collections.abc import Iterable, Mapping, Sequence
from contextlib import suppress
from dataclasses import dataclass, field, replace
from functools import cached_property
from typing import Final

from pydantic import TypeAdapter

from maqueta.geometry.carrier import Similarity
from maqueta.geometry.clip import clipped
from maqueta.geometry.directions import SIDES, Side
from maqueta.geometry.frame import ALIKE, dot
from maqueta.geometry.line_set import LineSet
from maqueta.projection.attitude import CORNERS, Corner, attitude_of, from_corner, usual
from maqueta.projection.look import Look, LookTable
from maqueta.solid.component_part import component_part
from maqueta.solid.part import Part


class UnseenLookError(LookupError):
    """A look in which the part has not been drawn yet."""

    def __init__(self, look: Look) -> None:
        super().__init__(look)
        self.look = look

    def __str__(self) -> str:
        return f"the part has not been drawn as seen in the frame {self.look.frame}"


@dataclass(frozen=True)
class ProjectedPart:
    """A part, its six sides (each in its usual turn), its equal-axis views from eight corners, and any other looks."""

    part: Part
    sides: Mapping[Side, LineSet]
    corners: Mapping[Corner, LineSet]
    others: tuple[tuple[Look, LineSet], ...] = ()
    #: The components of an assembly by their ids, each as if the others were not there, in the assembly's coordinates
    #: and with the assembly's numbers of faces and edges; none where nobody has asked for them.
    alone: Mapping[str, "ProjectedPart"] = field(default_factory=dict)

    def line_set(self, look: Look) -> LineSet:
        """The line set of a look, in the plane (right, up) through the model's origin.

        Views along one line of sight are turned into each other; a clip is cut out of what is there.
        Raises UnseenLookError where none is there.
        """
        if look.clip is not None:
            return clipped(self.line_set(look.whole), look.clip)
        if (attitude := attitude_of(look)) is not None:
            quarters = next(k for k in range(4) if usual(attitude.side).turned(k) == attitude)
            stored = self.sides[attitude.side]
            return stored if quarters == 0 else stored.moved(Similarity.quarter(quarters))
        if look.only is not None and look.only in self.alone and look.cut is None:
            with suppress(UnseenLookError):
                return self.alone[look.only].line_set(Look(look.frame))
        found = self._aslant.turned_to(look)
        if found is None:
            raise UnseenLookError(look)
        lines, angle = found
        return lines if abs(angle) < _NO_TURN else lines.moved(Similarity(math.cos(angle), math.sin(angle), 0.0, 0.0))

    def corner(self, corner: Corner, turn: float = 0.0) -> Look:
        """The look from a corner, as the part stands, turned on the sheet by degrees."""
        look = from_corner(corner, self.upright)
        return look.turned(math.radians(turn)) if turn else look

    @property
    def upright(self) -> Side:
        """The direction that points up in a pictorial view."""
        return upright(self.part)

    def with_looks(self, looks: Iterable[tuple[Look, LineSet]]) -> "ProjectedPart":
        """The part with more looks drawn."""
        return replace(self, others=(*self.others, *looks))

    @cached_property
    def _aslant(self) -> LookTable[LineSet]:
        corners = [(from_corner(corner, self.upright), lines) for corner, lines in self.corners.items()]
        return LookTable([*corners, *self.others])


def face_alone(lines: LineSet, part: Part, look: Look) -> LineSet:
    """What a view shows of the slanted faces it looks at squarely: a partial auxiliary view shows no more."""
    squarely = {
        number
        for number, face in enumerate(part.faces)
        if face.kind == "plane" and dot(face.direction, look.towards) > 1 - ALIKE
    }
    return LineSet(tuple(piece for piece in lines.of("visible") if squarely & set(piece.faces)))


def usual_looks(part: Part) -> list[Look]:
    """The looks every part is drawn in: the six sides, and from the eight corners."""
    return [usual(side).look for side in SIDES] + [from_corner(corner, upright(part)) for corner in CORNERS]


def from_all_sides(part: Part, lines: Sequence[LineSet]) -> ProjectedPart:
    """A part with the line sets of its usual looks, in their order."""
    sides = dict(zip(SIDES, lines, strict=False))
    return ProjectedPart(part, sides, dict(zip(CORNERS, lines[len(SIDES) :], strict=True)))


def looks_alone(part: Part) -> tuple[Look, ...]:
    """The looks in which an assembly has to be drawn for its components to be known alone."""
    return tuple(Look(look.frame, only=own.id) for own in part.components for look in usual_looks(part))


def with_components(projected: ProjectedPart) -> ProjectedPart:
    """An assembly that knows its components alone. Raises UnseenLookError where it is not drawn in `looks_alone`."""
    if projected.alone:
        return projected
    usual = usual_looks(projected.part)
    alone = {
        own.id: from_all_sides(
            component_part(projected.part, own), [projected.line_set(Look(look.frame, only=own.id)) for look in usual]
        )
        for own in projected.part.components
    }
    return replace(projected, alone=alone)


#: Views turned by less (radians) are taken as they are: a thousandth of a millimetre on the largest paper.
_NO_TURN: Final = 1e-7


def upright(part: Part) -> Side:
    """The direction that points up in a pictorial view: the natural one, or +z."""
    return next((side for side in SIDES if side == part.natural_up), "+z")


_ADAPTER: Final = TypeAdapter(ProjectedPart)
LINES: Final = TypeAdapter(LineSet)


def to_json(projected: ProjectedPart) -> bytes:
    """Serialise for the cache."""
    return _ADAPTER.dump_json(projected)


def from_json(data: bytes) -> ProjectedPart:
    """Read what `to_json` wrote. Raises pydantic.ValidationError on anything else."""
    return _ADAPTER.validate_json(data)
