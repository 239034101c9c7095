"""The part recipe: a list of features that a person or the builder writes as JSON."""

from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field, model_validator

from maqueta.solid.unit import Unit

#: Far beyond any teaching part, near enough that the kernel's absolute tolerance (1e-7) still means something.
LARGEST = 100_000.0
MOST_FEATURES = 200
MOST_REPEATS = 500

Coordinate = Annotated[float, Field(ge=-LARGEST, le=LARGEST, allow_inf_nan=False)]
Size = Annotated[float, Field(ge=1e-4, le=LARGEST, allow_inf_nan=False)]
Point2 = tuple[Coordinate, Coordinate]
Point3 = tuple[Coordinate, Coordinate, Coordinate]
Name = Annotated[str, Field(min_length=1, max_length=80)]
AxisName = Literal["x", "y", "z"]
SideName = Literal["-x", "+x", "-y", "+y", "-z", "+z"]
Operation = Literal["add", "cut"]


class _Strict(BaseModel):
    model_config = ConfigDict(extra="forbid", frozen=True)


class Arc(_Strict):
    """An arc of a profile from the previous point through `through` to `to`."""

    through: Point2
    to: Point2


ProfileStep = Point2 | Arc


class Block(_Strict):
    """A rectangular block; `at` is its corner with the lowest coordinates."""

    kind: Literal["block"]
    name: Name = "block"
    size: tuple[Size, Size, Size]
    at: Point3 = (0.0, 0.0, 0.0)
    operation: Operation = "add"


class Extrude(_Strict):
    """A closed profile pushed to a depth.

    `plane` names the two model axes of the profile's coordinates; the profile stands at `offset` along the
    third axis and is pushed by `depth` in its positive direction.
    """

    kind: Literal["extrude"]
    name: Name = "profile"
    plane: Literal["xy", "xz", "yz"]
    profile: Annotated[list[ProfileStep], Field(min_length=3, max_length=400)]
    offset: Coordinate = 0.0
    depth: Size
    operation: Operation = "add"


class Revolve(_Strict):
    """A closed profile of (radius, position along the axis) points turned about an axis through `at`."""

    kind: Literal["revolve"]
    name: Name = "turned profile"
    axis: AxisName
    at: Point3 = (0.0, 0.0, 0.0)
    profile: Annotated[list[ProfileStep], Field(min_length=3, max_length=400)]
    operation: Operation = "add"


class Hole(_Strict):
    """A round hole drilled from `at` in the direction `into`; the depth is a size or "through"."""

    kind: Literal["hole"]
    name: Name = "hole"
    at: Point3
    into: SideName
    diameter: Size
    depth: Size | Literal["through"] = "through"


class Repeat(_Strict):
    """Earlier features made again: `count` in all, each a `step` further, or spread evenly about an axis."""

    kind: Literal["repeat"]
    name: Name = "repeat"
    of: Annotated[list[Name], Field(min_length=1, max_length=50)]
    count: Annotated[int, Field(ge=2, le=MOST_REPEATS)]
    step: Point3 | None = None
    about: AxisName | None = None
    at: Point3 = (0.0, 0.0, 0.0)

    @model_validator(mode="after")
    def _one_way(self) -> "Repeat":
        if (self.step is None) == (self.about is None):
            raise ValueError("give either step or about")
        return self


class Mirror(_Strict):
    """Earlier features made again on the other side of the plane `axis` = `at`."""

    kind: Literal["mirror"]
    name: Name = "mirror"
    of: Annotated[list[Name], Field(min_length=1, max_length=50)]
    axis: AxisName
    at: Coordinate = 0.0


Feature = Annotated[Block | Extrude | Revolve | Hole | Repeat | Mirror, Field(discriminator="kind")]


class Recipe(_Strict):
    """A part: its features in the order they are made. The first feature must add material."""

    format: Literal[1] = 1
    name: Name
    units: Unit = "mm"
    material: Annotated[str, Field(max_length=80)] = ""
    natural_up: SideName | None = "+z"
    features: Annotated[list[Feature], Field(min_length=1, max_length=MOST_FEATURES)]
