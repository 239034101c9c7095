"""What is known of a sheet before it is read."""

from dataclasses import dataclass

from maqueta.geometry.directions import Vector
from maqueta.projection.arrangement import Angle, ViewName
from maqueta.projection.attitude import Attitude
from maqueta.sheet.document import Paper, Style
from maqueta.sheet.paper import PaperSize
from maqueta.sheet.sheet_form import SheetForm
from maqueta.solid.unit import Unit
from maqueta.task.special import SpecialAsked


@dataclass(frozen=True)
class Expectation:
    """What of an exercise helps to read a sheet."""

    units: Unit
    paper: PaperSize
    landscape: bool
    #: The school's own form the sheet should be on, if any.
    form: SheetForm | None
    angle: Angle
    fronts: tuple[Attitude, ...]
    views: tuple[ViewName, ...]
    scale: str | None
    hidden_lines: bool
    tolerance: float
    style: Style
    decimals: int
    #: Sections, details and auxiliary views the exercise asks for.
    special: tuple[SpecialAsked, ...] = ()
    #: The directions of edges it wants in true length.
    edges: tuple[Vector, ...] = ()

    @property
    def form_paper(self) -> Paper:
        """The paper of a sheet that is on the form asked for."""
        return Paper(size=self.paper, landscape=self.landscape, form=self.form)
