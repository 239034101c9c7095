"""Marks as a school's own tables want them."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime
from typing import Annotated, Final, Literal, get_args

from pydantic import Field

from maqueta.judging.points import Mark
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.service.language import spoken
from maqueta.service.spreadsheet import Cell, Separator
from maqueta.strict import Strict
from maqueta.task.criteria import CRITERIA, Criterion

Column = Literal[
    "name", "given", "family", "login", "email", "group", "points", "of", "percent", "grade", "criteria", "state",
    "attempt", "handed in", "late", "remark",
]  # fmt: skip
Figure = Literal["points", "percent", "grade"]
_HEADINGS: Final[dict[Column, Phrase]] = {
    "name": phrase("column-name"),
    "given": phrase("column-given"),
    "family": phrase("column-family"),
    "login": phrase("column-login"),
    "email": phrase("column-email"),
    "group": phrase("column-group"),
    "points": phrase("column-points"),
    "of": phrase("column-of"),
    "percent": phrase("column-percent"),
    "grade": phrase("column-grade"),
    "state": phrase("column-state"),
    "attempt": phrase("column-attempt"),
    "handed in": phrase("column-handed-in"),
    "late": phrase("column-late"),
    "remark": phrase("column-remark"),
}
#: Columns that say who somebody is.
_WHO: Final[tuple[Column, ...]] = ("name", "given", "family", "login", "email", "group")


class MarksOut(Strict):
    """How marks are written for a school: which columns, in which order, and how a table is cut. Chosen once."""

    columns: Annotated[tuple[Column, ...], Field(min_length=1, max_length=len(get_args(Column)))] = (
        "family",
        "given",
        "login",
        "points",
        "of",
        "grade",
    )
    #: What stands under each exercise in the table of a whole class.
    figure: Figure = "points"
    separator: Separator = ","
    decimal_comma: bool = False


@dataclass(frozen=True, slots=True)
class Marked:
    """Somebody's mark in one exercise; no mark where nothing was handed in, which earns nothing."""

    name: str
    login: str
    email: str
    group: str
    of: float
    mark: Mark | None = None
    counting: float = 0.0
    grade: str | None = None
    state: str = ""
    attempt: int | None = None
    handed_in_at: datetime | None = None
    late: bool = False
    remark: str = ""


def headings(out: MarksOut) -> list[Cell]:
    """The row of headings, in the language of the request."""
    cells: list[Cell] = []
    for column in out.columns:
        if column == "criteria":
            cells += [spoken(phrase("criterion-name", criterion=criterion)) for criterion in CRITERIA]
        else:
            cells.append(spoken(_HEADINGS[column]))
    return cells


def cells_of(own: Marked, out: MarksOut) -> list[Cell]:
    """The row of somebody."""
    return [cell for column in out.columns for cell in _cells(own, column)]


def _cells(own: Marked, column: Column) -> Sequence[Cell]:
    match column:
        case "criteria":
            return [_of_criterion(own.mark, criterion) for criterion in CRITERIA]
        case "name" | "login" | "email" | "group" | "remark":
            return [str(getattr(own, column))]
        case "state":
            return [spoken(phrase("sheet-state", state=own.state)) if own.state else ""]
        case "given" | "family":
            given, _, family = own.name.rpartition(" ")
            return [(given or family) if column == "given" else (family if given else "")]
        case "points":
            return [own.counting]
        case "of":
            return [own.of]
        case "percent":
            return [figure_of(own, "percent")]
        case "grade":
            return [own.grade or ""]
        case "attempt":
            return [own.attempt]
        case "handed in":
            return [f"{own.handed_in_at:%Y-%m-%d %H:%M}" if own.handed_in_at is not None else ""]
        case "late":
            return [spoken(phrase("column-late")) if own.late else ""]


def _of_criterion(mark: Mark | None, criterion: Criterion) -> Cell:
    earned = mark.criteria.get(criterion) if mark is not None else None
    return earned.counting if earned is not None else None


def figure_of(own: Marked, figure: Figure) -> Cell:
    """What stands for somebody's mark in one cell."""
    if figure == "grade":
        return own.grade or ""
    if figure == "percent":
        return round(100 * own.counting / own.of, 1) if own.of else 0.0
    return own.counting


def who_columns(out: MarksOut) -> MarksOut:
    """The columns that say who somebody is; their name where none was chosen."""
    return out.model_copy(update={"columns": tuple(c for c in out.columns if c in _WHO) or ("name",)})
