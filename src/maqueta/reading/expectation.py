"""What is known of a sheet before it is read."""

from dataclasses import dataclass

from maqueta.projection.arrangement import Angle, ViewName
from maqueta.projection.attitude import Attitude
from maqueta.sheet.document import Style
from maqueta.sheet.paper import PaperSize
from maqueta.solid.unit import Unit


@dataclass(frozen=True)
class Expectation:
    """What of an exercise helps to read a sheet."""

    units: Unit
    paper: PaperSize
    landscape: bool
    angle: Angle
    fronts: tuple[Attitude, ...]
    views: tuple[ViewName, ...]
    scale: str | None
    hidden_lines: bool
    tolerance: float
    style: Style
    decimals: int
