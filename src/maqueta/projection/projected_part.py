"""A part together with its line sets from all sides: everything a check needs, without the kernel."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Final

from pydantic import TypeAdapter

from maqueta.projection.attitude import Attitude, Corner, Side, usual
from maqueta.projection.carrier import Similarity
from maqueta.projection.line_set import LineSet
from maqueta.solid.part import Part


@dataclass(frozen=True, slots=True)
class ProjectedPart:
    """A part, its six sides (each in its usual turn) and its equal-axis views from eight corners."""

    part: Part
    sides: Mapping[Side, LineSet]
    corners: Mapping[Corner, LineSet]

    def line_set(self, attitude: Attitude) -> LineSet:
        """The line set of any of the 24 attitudes, in the plane (right, up) through the model's origin."""
        stored = self.sides[attitude.side]
        for turns in range(4):
            if usual(attitude.side).turned(turns) == attitude:
                return stored if turns == 0 else stored.moved(Similarity.quarter(turns))
        raise AssertionError("four quarter turns reach every up")


_ADAPTER: Final = TypeAdapter(ProjectedPart)


def to_json(projected: ProjectedPart) -> bytes:
    """Serialise for the cache."""
    return _ADAPTER.dump_json(projected)


def from_json(data: bytes) -> ProjectedPart:
    """Read what `to_json` wrote. Raises pydantic.ValidationError on anything else."""
    return _ADAPTER.validate_json(data)
