"""How findings become marks, beyond points per criterion: what a school decides, and may change afterwards."""

from decimal import Decimal
from itertools import pairwise
from typing import Annotated, Final, Literal, Self

from pydantic import Field, StringConstraints, model_validator

from maqueta.phrases.phrase import phrase
from maqueta.phrases.told import ToldError
from maqueta.strict import Strict
from maqueta.task.criteria import Points

Percent = Annotated[float, Field(ge=0, le=100, allow_inf_nan=False)]
#: The id of a rule; which ones there are is the catalogue's to say.
RuleId = Annotated[str, StringConstraints(pattern=r"^[a-z]+\.[a-z-]+$", max_length=60)]
Grade = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=12)]
#: What marks are rounded to; None leaves them as they are.
Step = Literal["tenths", "halves", "whole"]
STEPS: Final[dict[Step, Decimal]] = {"tenths": Decimal("0.1"), "halves": Decimal("0.5"), "whole": Decimal(1)}


class GradeStep(Strict):
    """A grade, letter or number, and the least share of full marks it takes, in percent."""

    least: Percent
    grade: Grade


class Lateness(Strict):
    """What a late sheet loses: a share of full marks for every day begun, after some free hours, up to a most."""

    per_day: Percent = 0.0
    free_hours: Annotated[float, Field(ge=0, le=1000, allow_inf_nan=False)] = 0.0
    most: Percent = 100.0


class MarkScheme(Strict):
    """Everything that turns findings into a mark, beside the points of each criterion and what an error costs.

    `costs` are what a finding of one rule costs, where that is not what any error costs; `caps` the most that all
    findings of one rule cost together. `warning_share` is what a warning costs of an error's cost. `bonus` is the most
    points a person may add beyond the full ones. `grades` fall; without any, marks are points.
    """

    costs: Annotated[dict[RuleId, Points], Field(max_length=200)] = Field(default={})
    caps: Annotated[dict[RuleId, Points], Field(max_length=200)] = Field(default={})
    warning_share: Annotated[float, Field(ge=0, le=1, allow_inf_nan=False)] = 0.5
    late: Lateness = Lateness()
    rounding: Step | None = None
    grades: Annotated[tuple[GradeStep, ...], Field(max_length=30)] = ()
    bonus: Points = 0.0

    @model_validator(mode="after")
    def _grades_fall(self) -> Self:
        least = [step.least for step in self.grades]
        if any(above <= below for above, below in pairwise(least)):
            raise ToldError(phrase("grades-must-fall"))
        if least and least[-1] != 0:
            raise ToldError(phrase("lowest-grade-from-nothing"))
        return self

    def grade_of(self, share: float) -> str | None:
        """The grade for a share of full marks, from 0 to 1 (a bonus may lead beyond); None where marks are points."""
        # A share that was added up in floating point must not miss its step by the last digit.
        percent = round(100 * share, 9)
        return next((step.grade for step in self.grades if percent >= step.least), None)


#: A scheme of letters and one of numbers to begin from (common practice, no source).
LETTERS: Final[tuple[GradeStep, ...]] = tuple(
    GradeStep(least=least, grade=grade) for least, grade in ((90, "A"), (80, "B"), (70, "C"), (60, "D"), (0, "F"))
)
NUMBERS: Final[tuple[GradeStep, ...]] = tuple(
    GradeStep(least=least, grade=grade)
    for least, grade in ((92, "1"), (81, "2"), (67, "3"), (50, "4"), (30, "5"), (0, "6"))
)
