"""The count table and the reader's eye as they cross the wire."""

from typing import Annotated

from pydantic import Field

from maqueta.geometry.carrier import Point
from maqueta.projection.datum_sides import DepthSide, HeightSide, WidthSide
from maqueta.service.language import Sentence
from maqueta.sheet.document import SheetDocument
from maqueta.sizes.count import CountRow
from maqueta.strict import Strict
from maqueta.task.dimensioning import Insight


class CountAnswer(Strict):
    """A row of the count table: a direction of the front view; angles and round sizes, which have no stretches."""

    row: CountRow
    stretches: int
    needed: int
    given: int
    missing: int
    surplus: int


class MovingAnswer(Strict):
    """A line of a view on the sheet (mm), each point with how far it goes at the end of a motion (mm)."""

    view: str
    points: list[Point]
    moves: list[Point]


class OpenAnswer(Strict):
    """Something the dimensions leave open; `words` are none where the exercise keeps them back."""

    words: Sentence | None
    faces: list[int]
    lines: list[MovingAnswer]


class ChainAnswer(Strict):
    """Dimensions, by id, of which each follows from the others."""

    words: Sentence | None
    members: list[str]


class ReadingAnswer(Strict):
    """The reader's eye: what the dimensions of a sheet determine, as far as the exercise shows it.

    `reason` tells why a sheet could not be read.
    """

    insight: Insight
    reason: Sentence | None = None
    needed: int | None = None
    least: int | None = None
    counts: list[CountAnswer] = Field(default=[])
    open: list[OpenAnswer] = Field(default=[])
    chains: list[ChainAnswer] = Field(default=[])


class MotionRequest(Strict):
    """Which of the open sizes of a sheet is to be shown on the model."""

    document: SheetDocument
    number: Annotated[int, Field(ge=0, le=500)]


class ProposalRequest(Strict):
    """A sheet to be dimensioned, and the sides of the front view its locations are taken from."""

    document: SheetDocument
    width: WidthSide = "left side"
    height: HeightSide = "base"
    depth: DepthSide = "rear"


class MotionAnswer(Strict):
    """How far the points of a model's mesh, and of its edges, go at the end of a motion: x, y, z in a row."""

    points: list[float]
    edges: list[list[float]]
