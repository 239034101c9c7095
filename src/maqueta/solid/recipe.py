"""The part recipe: a list of features that a person or the builder writes as JSON.

Wherever a number is asked for, an expression in named sizes may stand instead: `resolved` puts the numbers in.
"""

from typing import Annotated, Literal

from pydantic import AfterValidator, Field, model_validator

from maqueta.geometry.directions import Side
from maqueta.phrases.phrase import phrase
from maqueta.phrases.told import ToldError
from maqueta.solid.expression import names_in
from maqueta.solid.unit import Unit
from maqueta.strict import Strict

#: Far beyond any teaching part, near enough that the kernel's absolute tolerance (1e-7) still means something.
LARGEST = 100_000.0
SMALLEST = 1e-4
MOST_FEATURES = 200
MOST_REPEATS = 500
MOST_SIZES = 60


def _readable(text: str) -> str:
    names_in(text)
    return text


Expression = Annotated[str, Field(min_length=1, max_length=120), AfterValidator(_readable)]
Coordinate = Annotated[float, Field(ge=-LARGEST, le=LARGEST, allow_inf_nan=False)] | Expression
Size = Annotated[float, Field(ge=SMALLEST, le=LARGEST, allow_inf_nan=False)] | Expression
OptionalSize = Annotated[float, Field(ge=0, le=LARGEST, allow_inf_nan=False)] | Expression
Degrees = Annotated[float, Field(gt=0, lt=180, allow_inf_nan=False)] | Expression
Number = float | str
Point2 = tuple[Coordinate, Coordinate]
Point3 = tuple[Coordinate, Coordinate, Coordinate]
Name = Annotated[str, Field(min_length=1, max_length=80)]
AxisName = Literal["x", "y", "z"]
Operation = Literal["add", "cut"]


class _Feature(Strict):
    #: Left out of the part, but kept in the list.
    suppressed: bool = False


class Arc(Strict):
    """An arc of a profile from the previous point through `through` to `to`."""

    through: Point2
    to: Point2


class Corner(Strict):
    """A corner of a profile between two straight lines, rounded with a radius."""

    to: Point2
    radius: Size


ProfileStep = Point2 | Arc | Corner
Profile = Annotated[list[ProfileStep], Field(min_length=3, max_length=400)]


class Block(_Feature):
    """A rectangular block; `at` is its corner with the lowest coordinates."""

    kind: Literal["block"]
    name: Name = "block"
    size: tuple[Size, Size, Size]
    at: Point3 = (0.0, 0.0, 0.0)
    operation: Operation = "add"


class Extrude(_Feature):
    """A closed profile pushed to a depth.

    `plane` names the two model axes of the profile's coordinates; the profile stands at `offset` along the
    third axis and is pushed by `depth` in its positive direction.
    """

    kind: Literal["extrude"]
    name: Name = "profile"
    plane: Literal["xy", "xz", "yz"]
    profile: Profile
    offset: Coordinate = 0.0
    depth: Size
    operation: Operation = "add"


class Revolve(_Feature):
    """A closed profile of (radius, position along the axis) points turned about an axis through `at`."""

    kind: Literal["revolve"]
    name: Name = "turned profile"
    axis: AxisName
    at: Point3 = (0.0, 0.0, 0.0)
    profile: Profile
    operation: Operation = "add"


class Boss(_Feature):
    """A round boss that stands on the point `at` and rises in the direction `out`."""

    kind: Literal["boss"]
    name: Name = "boss"
    at: Point3
    out: Side
    diameter: Size
    height: Size


class Step(_Feature):
    """A step along an edge where the sides `edge` meet: of the part's bounding box, or through the point `at`.

    It takes `across` away from the first side and `down` from the second, along the whole edge, or `length` of it
    from `start`.
    """

    kind: Literal["step"]
    name: Name = "step"
    edge: tuple[Side, Side]
    across: Size
    down: Size
    at: Point3 | None = None
    start: Coordinate | None = None
    length: Size | None = None

    @model_validator(mode="after")
    def _two_sides(self) -> "Step":
        if self.edge[0][1] == self.edge[1][1]:
            raise ToldError(phrase("edge-sides-alike"))
        return self


class Slot(_Feature):
    """A slot sunk from the middle of its mouth `at` in the direction `into`, `length` over all along an axis."""

    kind: Literal["slot"]
    name: Name = "slot"
    at: Point3
    into: Side
    along: AxisName
    length: Size
    width: Size
    depth: Size | Literal["through"] = "through"
    ends: Literal["round", "square"] = "round"


class Pocket(_Feature):
    """A rectangular pocket sunk from the middle of its mouth `at` in the direction `into`.

    `size` runs along the two axes square to it, in the order x, y, z; `corner` rounds its upright corners.
    """

    kind: Literal["pocket"]
    name: Name = "pocket"
    at: Point3
    into: Side
    size: tuple[Size, Size]
    depth: Size
    corner: OptionalSize = 0.0


class Counterbore(Strict):
    """A wider flat-bottomed mouth of a hole."""

    diameter: Size
    depth: Size


class Countersink(Strict):
    """A conical mouth of a hole: diameter at the surface, and the angle between its sides in degrees."""

    diameter: Size
    angle: Degrees = 90.0


class Hole(_Feature):
    """A round hole drilled from `at` in the direction `into`; the depth is a size or "through"."""

    kind: Literal["hole"]
    name: Name = "hole"
    at: Point3
    into: Side
    diameter: Size
    depth: Size | Literal["through"] = "through"
    counterbore: Counterbore | None = None
    countersink: Countersink | None = None

    @model_validator(mode="after")
    def _one_mouth(self) -> "Hole":
        if self.counterbore is not None and self.countersink is not None:
            raise ToldError(phrase("hole-mouth-twice"))
        return self


class Rib(_Feature):
    """A flat three-cornered rib in the inner corner `at`, its two legs running along the directions `legs`.

    `at` lies in the middle of its thickness.
    """

    kind: Literal["rib"]
    name: Name = "rib"
    at: Point3
    legs: tuple[Side, Side]
    lengths: tuple[Size, Size]
    thickness: Size

    @model_validator(mode="after")
    def _square_legs(self) -> "Rib":
        if self.legs[0][1] == self.legs[1][1]:
            raise ToldError(phrase("rib-legs-alike"))
        return self


class NearEdge(Strict):
    """The edge that passes nearest to a point."""

    near: Point3


class EdgesBetween(Strict):
    """All outer edges along which a face towards the one side meets a face towards the other."""

    between: tuple[Side, Side]


EdgeChoice = NearEdge | EdgesBetween
EdgeChoices = Annotated[list[EdgeChoice], Field(min_length=1, max_length=100)]


class Fillet(_Feature):
    """Edges rounded with a radius."""

    kind: Literal["fillet"]
    name: Name = "fillet"
    radius: Size
    edges: EdgeChoices


class Chamfer(_Feature):
    """Edges taken off at 45°, by the same `size` from both faces."""

    kind: Literal["chamfer"]
    name: Name = "chamfer"
    size: Size
    edges: EdgeChoices


class Repeat(_Feature):
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
            raise ToldError(phrase("repeat-step-or-about"))
        return self


class Mirror(_Feature):
    """Earlier features made again on the other side of the plane `axis` = `at`."""

    kind: Literal["mirror"]
    name: Name = "mirror"
    of: Annotated[list[Name], Field(min_length=1, max_length=50)]
    axis: AxisName
    at: Coordinate = 0.0


Feature = Annotated[
    Block | Extrude | Revolve | Boss | Step | Slot | Pocket | Hole | Rib | Fillet | Chamfer | Repeat | Mirror,
    Field(discriminator="kind"),
]


class NamedSize(Strict):
    """A size with a name, for use in expressions; one with `low` and `high` may vary from sheet to sheet.

    `value` may use names that come earlier in the list. Varied values are `low` plus whole multiples of `step`.
    """

    name: Annotated[str, Field(pattern=r"^[A-Za-z][A-Za-z0-9_]{0,30}$")]
    value: Coordinate
    low: Coordinate | None = None
    high: Coordinate | None = None
    step: Size = 1.0

    @model_validator(mode="after")
    def _range(self) -> "NamedSize":
        if (self.low is None) != (self.high is None):
            raise ToldError(phrase("range-half"))
        return self

    @property
    def varies(self) -> bool:
        """Whether the size has a range."""
        return self.low is not None


class Recipe(Strict):
    """A part: its named sizes and its features in the order they are made. The first feature must add material."""

    format: Literal[1] = 1
    name: Name
    units: Unit = "mm"
    material: Annotated[str, Field(max_length=80)] = ""
    natural_up: Side | None = "+z"
    sizes: Annotated[list[NamedSize], Field(max_length=MOST_SIZES)] = Field(default=[])
    features: Annotated[list[Feature], Field(min_length=1, max_length=MOST_FEATURES)]


def plain(number: Number) -> float:
    """A number of a resolved recipe. Raises TypeError where an expression is left."""
    if isinstance(number, str):
        raise TypeError(f"the expression “{number}” has not been resolved")
    return number
