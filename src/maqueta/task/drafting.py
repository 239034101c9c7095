"""Kinds of exercises: how views come about, what is left to draw, which lines are changed."""

from typing import Annotated, Final, Literal, Self

from pydantic import Field, model_validator

from maqueta.phrases.phrase import phrase
from maqueta.phrases.told import ToldError
from maqueta.projection.arrangement import ViewName
from maqueta.sheet.fields import ViewPoint
from maqueta.strict import Strict

#: How views come about: projected by the program, all drafted by hand, or given with something left to draw.
Kind = Literal["projected", "drafted", "third view", "special view", "missing lines", "wrong lines"]
#: Kinds whose sheet is set out for the student.
GIVEN: Final[tuple[Kind, ...]] = ("third view", "special view", "missing lines", "wrong lines")
Alteration = Literal["removed", "other kind", "shifted", "added"]


class LineChange(Strict):
    """One line of a given view changed by the program: the one `at` names, a point on it in the view's plane."""

    view: ViewName
    at: ViewPoint
    change: Alteration


class Drafting(Strict):
    """Which views are drawn for the student, which are left to draft, and which lines are changed.

    Without `shown` the student works from the given views alone and does not see the part.
    """

    kind: Kind = "projected"
    left: tuple[ViewName, ...] = ()
    changes: Annotated[tuple[LineChange, ...], Field(max_length=100)] = ()
    shown: bool = True

    @property
    def given(self) -> bool:
        """Whether the sheet is set out for the student: views stay where they are."""
        return self.kind in GIVEN

    @model_validator(mode="after")
    def _fitting(self) -> Self:
        if self.left and self.kind != "third view":
            raise ToldError(phrase("views-left-without-third"))
        if self.changes and self.kind not in ("missing lines", "wrong lines"):
            raise ToldError(phrase("lines-changed-without-faults"))
        if self.kind == "missing lines" and any(change.change != "removed" for change in self.changes):
            raise ToldError(phrase("lines-only-removed"))
        if not self.shown and not self.given:
            raise ToldError(phrase("part-hidden-without-views"))
        return self
