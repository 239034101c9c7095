"""Lines drawn by hand, or read from a file: in the plane of their view, in the part's unit."""

import math
from collections.abc import Iterable
from typing import Annotated, Literal

from pydantic import Field

from maqueta.sheet.fields import ViewPoint
from maqueta.strict import Strict

#: The most points of one curve.
MOST_POINTS = 2000
Turn = Annotated[float, Field(ge=-100, le=100, allow_inf_nan=False)]
DraftedPen = Literal["visible", "hidden", "construction"]


class _Drafted(Strict):
    """A line drawn by hand; `short` is by how many mm a broken one may end early, its last gap not showing.

    `either` marks a stroke of a file that may be a visible line or a single dash of a hidden one; `solid` a hidden line
    drawn without dashes.
    """

    pen: DraftedPen = "visible"
    solid: bool = False
    either: bool = False
    short: Annotated[float, Field(ge=0, le=20, allow_inf_nan=False)] = 0.0


class DraftedLine(_Drafted):
    """A straight line, or with more than two points a free curve."""

    kind: Literal["line"] = "line"
    points: Annotated[tuple[ViewPoint, ...], Field(min_length=2, max_length=MOST_POINTS)]


class DraftedArc(_Drafted):
    """A circle or arc, counter-clockwise from the angle `start` by `sweep` (radians)."""

    kind: Literal["arc"] = "arc"
    centre: ViewPoint
    radius: Annotated[float, Field(gt=0, le=1e6, allow_inf_nan=False)]
    start: Turn = 0.0
    sweep: Annotated[float, Field(gt=0, le=6.2831854, allow_inf_nan=False)] = 2 * math.pi


class DraftedEllipse(_Drafted):
    """An ellipse or part of one: `angle` of the major half axis, then eccentric angles (radians)."""

    kind: Literal["ellipse"] = "ellipse"
    centre: ViewPoint
    major: Annotated[float, Field(gt=0, le=1e6, allow_inf_nan=False)]
    minor: Annotated[float, Field(gt=0, le=1e6, allow_inf_nan=False)]
    angle: Turn = 0.0
    start: Turn = 0.0
    sweep: Annotated[float, Field(gt=0, le=6.2831854, allow_inf_nan=False)] = 2 * math.pi


Drafted = Annotated[DraftedLine | DraftedArc | DraftedEllipse, Field(discriminator="kind")]


def points_of(lines: Iterable[Drafted]) -> int:
    """How many points drafted lines have in all; arcs and ellipses are given by three."""
    return sum(len(line.points) if isinstance(line, DraftedLine) else 3 for line in lines)
