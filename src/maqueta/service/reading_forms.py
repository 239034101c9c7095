"""The count table and the reader's eye as they cross the wire."""

from typing import Annotated

from pydantic import Field

from maqueta.checking.exercise import Insight
from maqueta.dimensioning.sides import DepthSide, Direction, HeightSide, WidthSide
from maqueta.projection.carrier import Point
from maqueta.service.form import Form
from maqueta.sheet.document import SheetDocument


class CountForm(Form):
    """A row of the count table: a direction of the front view, or radii and slopes, which have no stretches."""

    direction: Direction | None
    stretches: int
    needed: int
    given: int
    missing: int
    surplus: int


class MovingForm(Form):
    """A line of a view on the sheet (mm), each point with how far it goes at the end of a motion (mm)."""

    view: str
    points: list[Point]
    moves: list[Point]


class OpenForm(Form):
    """Something the dimensions leave open; `words` are empty where the exercise keeps them back."""

    words: str
    faces: list[int]
    lines: list[MovingForm]


class ChainForm(Form):
    """Dimensions, by id, of which each follows from the others."""

    words: str
    members: list[str]


class ReadingForm(Form):
    """The reader's eye: what the dimensions of a sheet determine, as far as the exercise shows it.

    `reason` tells why a sheet could not be read.
    """

    insight: Insight
    reason: str | None = None
    needed: int | None = None
    least: int | None = None
    counts: list[CountForm] = Field(default=[])
    open: list[OpenForm] = Field(default=[])
    chains: list[ChainForm] = Field(default=[])


class MotionRequest(Form):
    """Which of the open sizes of a sheet is to be shown on the model."""

    document: SheetDocument
    place: Annotated[int, Field(ge=0, le=500)]


class ProposalRequest(Form):
    """A sheet to be dimensioned, and the sides of the front view its locations are taken from."""

    document: SheetDocument
    width: WidthSide = "left side"
    height: HeightSide = "base"
    depth: DepthSide = "rear"


class MotionForm(Form):
    """How far the points of a model's mesh, and of its edges, go at the end of a motion: x, y, z in a row."""

    points: list[float]
    edges: list[list[float]]
