"""What travels between service and interface about assemblies."""

from typing import Literal

from maqueta.geometry.directions import Vector
from maqueta.service.shelf.messages import LineDrawing
from maqueta.solid.assembly import Assembly, Key
from maqueta.strict import Strict


class ComponentPart(Strict):
    """A part that assemblies are put together from: `key` names it in documents and is the number of its version.

    `newer` is the number of its present version where that is another.
    """

    key: str
    part: int
    name: str
    newer: int | None


class AssemblyAnswer(Strict):
    """An assembly with the parts it is put together from."""

    assembly: Assembly
    parts: list[ComponentPart]


class AssemblyRequest(Strict):
    """An assembly to look at, or to keep."""

    assembly: Assembly


class LookRequest(AssemblyRequest):
    """An assembly to look at; `flat` asks for exact lines too, for screens that cannot draw solids."""

    flat: bool = False


class FitRequest(Strict):
    """A component to be put against another by a face of each: flat face on flat face, both in one plane, or axis on
    axis. Faces are numbered as in their parts.
    """

    assembly: Assembly
    moved: Key
    face: int
    onto: Key
    onto_face: int
    how: Literal["against", "flush", "axis"]


class OverlapAnswer(Strict):
    """Two components, by their ids, that are in one place, and the volume they share."""

    first: str
    second: str
    volume: float


class PulledAnswer(Strict):
    """A component and the way it goes when the assembly is pulled apart; None where it stays."""

    id: str
    way: Vector | None


class LookAnswer(Strict):
    """What overlaps in an assembly, and how it is proposed to come apart; the first comes out first."""

    overlaps: list[OverlapAnswer]
    pulled: list[PulledAnswer]
    lines: LineDrawing | None
