"""Dimensions as the sheet document has them: what they are taken from, where they stand, what is typed over."""

import math
from collections.abc import Callable
from typing import Annotated, Literal

from pydantic import Field

from maqueta.sheet.fields import Identifier, SheetPoint, ShortText, ViewPoint
from maqueta.strict import Strict


class Lettering(Strict):
    """How a text is lettered on a sheet from elsewhere: height of capitals (mm) and turn (degrees)."""

    height: Annotated[float, Field(gt=0, le=200, allow_inf_nan=False)]
    turn: Annotated[float, Field(ge=-360, le=360, allow_inf_nan=False)] = 0.0


Gap = Annotated[float, Field(ge=0, le=1000, allow_inf_nan=False)]


class _Dimension(Strict):
    """What all dimensions have. `place` is in sheet mm from the view's `at`; a `reference` stands in brackets.

    `decimals` are its own where it has more or fewer than the sheet. `lettering` is known of a sheet from elsewhere;
    ours is lettered as its style asks.
    """

    id: Identifier
    view: Identifier
    place: SheetPoint
    text: ShortText | None = None
    reference: bool = False
    decimals: Annotated[int, Field(ge=0, le=4)] | None = None
    lettering: Lettering | None = None


class LinearDimension(_Dimension):
    """A size between two points of a view, measured across the sheet, up it, or straight along the points.

    The dimension line passes through `place`. Its text stands at its middle, or `shift` mm from there along the line,
    to the right or upwards; or off the line, at `led` (sheet mm from the view's `at`), on a leader.

    Given `by_half` it goes from the outline, at `start`, to the axis, at `end`, and stands for the whole size across.
    """

    kind: Literal["linear"] = "linear"
    start: ViewPoint
    end: ViewPoint
    along: Literal["across", "up", "aligned"]
    shift: Annotated[float, Field(ge=-1000, le=1000, allow_inf_nan=False)] = 0.0
    led: SheetPoint | None = None
    by_half: bool = False
    #: Arrowheads between the extension lines, outside of them, or where they fit.
    arrows: Literal["fitting", "inside", "outside"] = "fitting"
    #: How far its extension lines begin off what they are taken from, mm, where a sheet from elsewhere shows it.
    gaps: tuple[Gap | None, Gap | None] | None = None


class RoundDimension(_Dimension):
    """The diameter or radius of a circle or arc of a view; the text stands at `place`.

    With `pitch` it is the circle through the centres of holes, drawn as a centre line with the dimension.
    """

    kind: Literal["diameter", "radius"]
    pitch: bool = False
    centre: ViewPoint
    radius: Annotated[float, Field(gt=0, le=1e6, allow_inf_nan=False)]
    count: Annotated[int, Field(ge=1, le=999)] = 1


class AngleDimension(_Dimension):
    """The angle between two straight lines of a view that meet, drawn or produced, at `vertex`.

    `start` and `end` lie on the two lines; the arc passes as far from the vertex as `place`.
    """

    kind: Literal["angle"] = "angle"
    vertex: ViewPoint
    start: ViewPoint
    end: ViewPoint


class ChamferDimension(_Dimension):
    """A bevelled edge between two points of a view, written as leg and angle; the text stands at `place`."""

    kind: Literal["chamfer"] = "chamfer"
    start: ViewPoint
    end: ViewPoint
    count: Annotated[int, Field(ge=1, le=999)] = 1


Dimension = Annotated[LinearDimension | RoundDimension | AngleDimension | ChamferDimension, Field(discriminator="kind")]


def span_of(dimension: LinearDimension) -> ViewPoint:
    """The measured vector in the view's plane: only its component along the dimension line counts."""
    du, dv = dimension.end[0] - dimension.start[0], dimension.end[1] - dimension.start[1]
    if dimension.along == "across":
        return (du, 0.0)
    return (0.0, dv) if dimension.along == "up" else (du, dv)


def taken_across(dimension: LinearDimension) -> LinearDimension:
    """A size given by half taken to its other side, as far beyond the axis as the outline lies before it."""
    if not dimension.by_half:
        return dimension
    (x, y), (along, up) = dimension.start, span_of(dimension)
    return dimension.model_copy(update={"end": (x + 2 * along, y + 2 * up), "by_half": False})


def true_size(dimension: Dimension) -> float:
    """The size a dimension stands for, in the part's unit; degrees for an angle, the leg of a chamfer."""
    match dimension:
        case LinearDimension():
            return math.hypot(*span_of(dimension)) * (2 if dimension.by_half else 1)
        case RoundDimension(radius=radius, kind=kind):
            return radius * (2 if kind == "diameter" else 1)
        case AngleDimension():
            return angle_of(dimension)
        case ChamferDimension():
            return chamfer_of(dimension)[0]


def taken_from(dimension: Dimension) -> tuple[ViewPoint, ...]:
    """The points of the view a dimension is taken from; of a circle the one on its right."""
    match dimension:
        case RoundDimension(centre=(x, y), radius=radius):
            return ((x + radius, y),)
        case ChamferDimension(start=(x0, y0), end=(x1, y1)):
            return (((x0 + x1) / 2, (y0 + y1) / 2),)
        case LinearDimension() | AngleDimension():
            return (dimension.start, dimension.end)


def mapped(dimension: Dimension, change: Callable[[ViewPoint], ViewPoint], scale: float = 1.0) -> Dimension:
    """The dimension with all its points moved by a similarity of the view's plane, `scale` times as large."""
    match dimension:
        case RoundDimension():
            moved = {"centre": change(dimension.centre), "radius": dimension.radius * scale}
        case AngleDimension():
            names = ("vertex", "start", "end")
            moved = {name: change(getattr(dimension, name)) for name in names}
        case LinearDimension() | ChamferDimension():
            moved = {"start": change(dimension.start), "end": change(dimension.end)}
    return dimension.model_copy(update=moved)


def angle_of(dimension: AngleDimension) -> float:
    """The angle between the two lines as they leave the vertex, degrees, at most 180."""
    legs = [
        math.atan2(point[1] - dimension.vertex[1], point[0] - dimension.vertex[0])
        for point in (dimension.start, dimension.end)
    ]
    return abs(math.degrees(math.remainder(legs[1] - legs[0], 2 * math.pi)))


def chamfer_of(dimension: ChamferDimension) -> tuple[float, float]:
    """Leg and angle of a chamfer (part's unit, degrees): the longer leg, and the angle it makes with the bevel."""
    dx, dy = (abs(b - a) for a, b in zip(dimension.start, dimension.end, strict=True))
    leg, rise = max(dx, dy), min(dx, dy)
    return leg, math.degrees(math.atan2(rise, leg))
