"""The parts that the sheets of a set are of, between the processes of a command."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from maqueta.geometry.line_set import LineSet
from maqueta.projection.look import Look
from maqueta.projection.projected_part import ProjectedPart


@dataclass(frozen=True)
class SetParts:
    """The parts that the sheets of a set are of, by their keys, and the key of each sheet that is asked for."""

    parts: Mapping[str, ProjectedPart]
    keys: Sequence[str]

    def with_looks(self, drawn: Mapping[str, Sequence[tuple[Look, LineSet]]]) -> "SetParts":
        """The same with parts drawn in more looks."""
        return SetParts({key: own.with_looks(drawn.get(key, ())) for key, own in self.parts.items()}, self.keys)
