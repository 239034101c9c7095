"""The special views an exercise asks for: sections, details, auxiliary views."""

from typing import Annotated, Final, Literal, Self

from pydantic import Field, model_validator

from maqueta.geometry.directions import Vector
from maqueta.geometry.frame import dot
from maqueta.phrases.phrase import phrase
from maqueta.phrases.told import ToldError
from maqueta.sheet.fields import ModelLength
from maqueta.sheet.special import MOST_SPECIAL, ModelPoint
from maqueta.solid.cut import CutForm
from maqueta.strict import Strict

AskedForm = CutForm | Literal["any"]
#: A direction of the part's own space; its length does not matter.
Way = tuple[ModelLength, ModelLength, ModelLength]
#: A cut passes a point it is asked to pass within this, mm.
THROUGH_MM: Final = 0.5


class SectionAsked(Strict):
    """A section, of a form and through points of the part's own space."""

    kind: Literal["section"]
    form: AskedForm = "any"
    through: Annotated[tuple[ModelPoint, ...], Field(max_length=MOST_SPECIAL)] = ()


class DetailAsked(Strict):
    """An enlarged detail that shows a point of the part."""

    kind: Literal["detail"]
    of: ModelPoint | None = None


class Shown(Strict):
    """What an auxiliary view shows: the face with an outward `normal` in true shape, or edges `along` a direction as
    points, so that the angle between their faces is seen."""

    normal: Way | None = None
    along: Way | None = None

    @model_validator(mode="after")
    def _one_direction(self) -> Self:
        if (self.normal is None) == (self.along is None):
            raise ToldError(phrase("shown-one-direction"))
        if dot(self.way, self.way) < 1e-18:
            raise ToldError(phrase("direction-without-length"))
        return self

    @property
    def way(self) -> Vector:
        """The direction it is looked at along."""
        return self.normal or self.along or (0.0, 0.0, 0.0)


class AuxiliaryAsked(Strict):
    """An auxiliary view: any, or one that shows something."""

    kind: Literal["auxiliary"]
    shows: Shown | None = None


SpecialAsked = Annotated[SectionAsked | DetailAsked | AuxiliaryAsked, Field(discriminator="kind")]
#: An edge, by its two ends, that is to be seen in true length.
AskedLength = tuple[ModelPoint, ModelPoint]


def way_of(edge: AskedLength) -> Vector:
    """The direction of an edge, as long as the edge is."""
    (ax, ay, az), (bx, by, bz) = edge
    return (bx - ax, by - ay, bz - az)
