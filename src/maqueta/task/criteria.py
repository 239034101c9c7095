"""The criteria a sheet is judged by, and the points each usually has."""

from typing import Annotated, Final, Literal, get_args

from pydantic import Field

from maqueta.task.drafting import Kind

Criterion = Literal[
    "front",
    "angle",
    "views",
    "alignment",
    "lines",
    "scale",
    "dimensions",
    "placement",
    "layout",
    "title",
    "pictorial",
    "section",
    "detail",
    "auxiliary",
    "assembly",
    "set",
]
CRITERIA: Final[tuple[Criterion, ...]] = get_args(Criterion)

#: Points per criterion, thirty in all; placing of dimensions, special and pictorial views count where an exercise gives
#: them any.
DEFAULT_POINTS: Final[dict[Criterion, float]] = {
    "front": 3,
    "angle": 3,
    "views": 3,
    "alignment": 3,
    "lines": 4,
    "scale": 3,
    "dimensions": 6,
    "placement": 0,
    "layout": 2,
    "title": 3,
    "pictorial": 0,
    "section": 0,
    "detail": 0,
    "auxiliary": 0,
    "assembly": 0,
    "set": 0,
}
#: The criteria of special views: each judged where there is such a view, or one is asked for.
SPECIAL: Final[tuple[Criterion, ...]] = ("section", "detail", "auxiliary")
#: What a sheet shows: views of a part by the usual rules; of an assembly all its six sides, its parts pulled apart, or
#: the list of them alone.
Shows = Literal["views", "six sides", "pulled apart", "parts list"]
#: Sheets that show no views in line: of them `OF_PARTS` is judged and nothing else.
ALONE: Final[frozenset[Shows]] = frozenset({"pulled apart", "parts list"})
OF_PARTS: Final[tuple[Criterion, ...]] = ("layout", "title", "assembly")
#: Usual points where a sheet shows something else than views by the usual rules.
SHOWN_POINTS: Final[dict[Shows, dict[Criterion, float]]] = {
    "six sides": {**DEFAULT_POINTS, "dimensions": 0, "assembly": 6},
    "pulled apart": {**dict.fromkeys(CRITERIA, 0.0), "layout": 3, "title": 3, "assembly": 12},
    "parts list": {**dict.fromkeys(CRITERIA, 0.0), "layout": 3, "title": 3, "assembly": 6},
}
#: Points of what is judged of a whole set.
SET_POINTS: Final = 6.0
#: Points of a criterion of special views where an exercise asks for such.
ASKED_POINTS: Final = 4.0
#: Where the views are set out for the student, only what is left to draw counts.
_GIVEN_POINTS: Final[dict[Kind, dict[Criterion, float]]] = {
    "third view": {"lines": 24, "alignment": 6},
    "special view": {"lines": 18},
    "missing lines": {"lines": 30},
    "wrong lines": {"lines": 30},
}
Points = Annotated[float, Field(ge=0, le=1000, allow_inf_nan=False)]


def usual_points(kind: Kind) -> dict[Criterion, float]:
    """Points of every criterion for a kind of exercise, where the exercise does not set its own."""
    given = _GIVEN_POINTS.get(kind)
    return dict(DEFAULT_POINTS) if given is None else {c: given.get(c, 0.0) for c in CRITERIA}


#: Usual points of every kind.
USUAL_POINTS: Final[dict[Kind, dict[Criterion, float]]] = {kind: usual_points(kind) for kind in get_args(Kind)}
