"""What makes a view a section or a detail: how the part is cut, which region is kept, and what the parent says of it.

Lines that say so stand in the parent view: a cutting line with its arrows and letters, a circle about a region.
"""

import math
from dataclasses import dataclass, replace
from typing import Annotated, Literal, Self

from pydantic import Field, model_validator
from shapely.geometry import Polygon
from shapely.geometry.base import BaseGeometry

from maqueta.geometry.carrier import Point, Similarity
from maqueta.geometry.clip import Clip
from maqueta.geometry.directions import Vector
from maqueta.geometry.frame import ROUNDED, dot, facing
from maqueta.phrases.phrase import phrase
from maqueta.phrases.told import ToldError
from maqueta.sheet.fields import Identifier, ModelLength, ViewPoint
from maqueta.solid.cut import Cut, CutForm
from maqueta.strict import Strict

#: The most corners of a cutting path or an outline, and the most cutting lines and circled regions of a sheet.
MOST_CORNERS, MOST_SPECIAL = 60, 40
#: The most hatched areas of a view, and the most points along the edge of one.
MOST_AREAS, MOST_EDGE = 80, 400
#: Rings along the edge of an area, the outer one first.
Rings = tuple[tuple[Point, ...], ...]
ModelPoint = tuple[ModelLength, ModelLength, ModelLength]
Share = Annotated[float, Field(ge=-1.001, le=1.001)]
Direction = tuple[Share, Share, Share]
#: One or two capitals; I, O and Q are seldom used, but not wrong.
Letter = Annotated[str, Field(pattern=r"^[A-Z]{1,2}$")]
#: Corners that a cutting path has by its form, at least and at most.
_CORNERS: dict[CutForm, tuple[int, int]] = {
    "full": (2, 2),
    "removed": (2, 2),
    "revolved": (2, 2),
    "half": (3, 3),
    "aligned": (3, 3),
    "offset": (4, MOST_CORNERS),
    "broken-out": (3, MOST_CORNERS),
}


class SheetCut(Strict):
    """How the part is cut for a section; what it is made of is told in `maqueta.solid.cut`.

    `path` holds points of the part's own space, `across` the direction from which the cutting line is seen.
    """

    form: CutForm = "full"
    path: Annotated[tuple[ModelPoint, ...], Field(min_length=2, max_length=MOST_CORNERS)]
    across: Direction
    whole: Annotated[tuple[int, ...], Field(max_length=MOST_CORNERS)] = ()
    solids: Annotated[tuple[int, ...], Field(max_length=MOST_CORNERS)] = ()

    @model_validator(mode="after")
    def _corners(self) -> Self:
        least, most = _CORNERS[self.form]
        if not least <= len(self.path) <= most:
            raise ToldError(phrase("cut-corners", form=self.form, least=least, most=most))
        if abs(dot(self.across, self.across) - 1) > 2 * ROUNDED:
            raise ToldError(phrase("cut-across-not-square"))
        return self

    def cut(self, towards: Vector) -> Cut:
        """The cut, for a reader in a direction."""
        # Rounding of what is written is put right.
        _, across, _ = facing(towards, self.across)
        return Cut(self.form, self.path, across, towards, self.whole, self.solids)


class SheetClip(Strict):
    """The region that a detail shows, in the plane of its view: a circle, or an outline where it has corners."""

    centre: ViewPoint = (0.0, 0.0)
    radius: Annotated[float, Field(ge=0, le=1e6)] = 0.0
    corners: Annotated[tuple[ViewPoint, ...], Field(max_length=MOST_CORNERS)] = ()

    @model_validator(mode="after")
    def _spread(self) -> Self:
        # Two corners are none: an outline that crosses itself has no inside either.
        if not (self.radius > 0 if not self.corners else len(self.corners) >= 3 and Polygon(self.corners).is_valid):
            raise ToldError(phrase("clip-without-size"))
        return self

    @property
    def clip(self) -> Clip:
        """The region."""
        return Clip(self.centre, self.radius, self.corners)

    def moved(self, move: Similarity) -> "SheetClip":
        """The region after a move of its plane."""
        corners = tuple(move(corner) for corner in self.corners)
        return SheetClip(centre=move(self.centre), radius=self.radius * move.scale, corners=corners)


class Hatch(Strict):
    """How cut faces are hatched: `angle` of the lines in degrees, `spacing` in mm on paper.

    45° to the outline, spacing by the size of the region (ISO 128-3, ASME Y14.3, from memory).
    """

    angle: Annotated[float, Field(ge=-180, le=180)] = 45.0
    spacing: Annotated[float, Field(ge=0.3, le=50)] = 3.0

    def of_body(self, body: int) -> "Hatch":
        """The hatching of one body of an assembly: the next is hatched the other way, further ones wider."""
        if body == 0:
            return self
        turned = self.angle if body % 2 == 0 else -self.angle
        return Hatch(angle=turned, spacing=min(self.spacing * (1 + 0.4 * (body // 2)), 50.0))


@dataclass(frozen=True, slots=True)
class Hatching:
    """An area as it is hatched, by hand or by the program; without a `spacing` it is filled."""

    rings: Rings
    angle: float
    spacing: float

    @property
    def region(self) -> BaseGeometry:
        """The area; rings that touch may cross each other by a hair."""
        return Polygon(self.rings[0], self.rings[1:]).buffer(0)

    def moved(self, move: Similarity) -> "Hatching":
        """The area after a move of its plane that does not turn it."""
        return replace(self, rings=moved_rings(self.rings, move))


def moved_rings(rings: Rings, move: Similarity) -> Rings:
    """Rings of points after a move of their plane."""
    return tuple(tuple(move(point) for point in ring) for ring in rings)


class HatchedArea(Strict):
    """An area hatched by hand, in the plane of its view: `rings` along its edge, the outer one first.

    `angle` of the lines in degrees, `spacing` in mm on paper; without a spacing it is filled.
    """

    rings: Annotated[
        tuple[Annotated[tuple[ViewPoint, ...], Field(min_length=3, max_length=MOST_EDGE)], ...],
        Field(min_length=1, max_length=MOST_AREAS),
    ]
    angle: Annotated[float, Field(ge=-180, le=180)] = 45.0
    spacing: Annotated[float, Field(ge=0, le=200)] = 3.0

    @property
    def hatching(self) -> "Hatching":
        """What is hatched."""
        return Hatching(self.rings, self.angle, self.spacing)

    def moved(self, move: Similarity) -> "HatchedArea":
        """The area after a move of its plane."""
        return self.model_copy(update={"rings": moved_rings(self.rings, move)})


#: On which side of the way from its first corner to its last the arrows of a cutting line point.
Arrows = Literal["left", "right", "none"]


class CuttingLine(Strict):
    """A cutting line in a view: its corners in the plane of that view, and the letter at its ends.

    `other` is the letter at its last corner where that is another one.
    """

    id: Identifier
    view: Identifier
    path: Annotated[tuple[ViewPoint, ...], Field(min_length=2, max_length=MOST_CORNERS)]
    arrows: Arrows = "left"
    letter: Letter | None = None
    other: Letter | None = None


class SightArrow(Strict):
    """An arrow in a view that says from where a labelled view looks at the part: its point, and which way it points."""

    id: Identifier
    view: Identifier
    tip: ViewPoint
    way: tuple[Share, Share]
    letter: Letter | None = None

    @model_validator(mode="after")
    def _points_somewhere(self) -> Self:
        if not 0.5 <= math.hypot(*self.way) <= 2:
            raise ToldError(phrase("arrow-without-way"))
        return self


class CircledRegion(Strict):
    """A circle or outline about the region of a view that a detail enlarges, and its letter."""

    id: Identifier
    view: Identifier
    region: SheetClip
    letter: Letter | None = None
