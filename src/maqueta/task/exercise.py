"""What an exercise asks of a sheet: the task file of the command line and the exercise of the application."""

import re
from collections.abc import Mapping
from typing import Annotated, Any, Literal, Self, assert_never, get_args

from pydantic import Field, field_validator, model_validator

from maqueta.geometry.directions import Side
from maqueta.phrases.phrase import phrase
from maqueta.phrases.said import Language
from maqueta.phrases.told import ToldError
from maqueta.projection.arrangement import VIEW_NAMES, Angle, ViewName
from maqueta.projection.attitude import Attitude
from maqueta.projection.ranking import DEFAULT_VIEWS
from maqueta.sheet.document import USUAL_STYLE, Paper, Style
from maqueta.sheet.fields import ShortText, TitleField
from maqueta.sheet.paper import PaperSize
from maqueta.sheet.scales import parse_scale
from maqueta.sheet.sheet_form import SheetForm
from maqueta.sheet.special import MOST_SPECIAL
from maqueta.solid.unit import Unit
from maqueta.strict import Strict
from maqueta.task.by_hand import ByHand
from maqueta.task.criteria import ALONE, ASKED_POINTS, SHOWN_POINTS, Criterion, Points, Shows, usual_points
from maqueta.task.dimensioning import DimensioningTask
from maqueta.task.drafting import Drafting
from maqueta.task.mark_scheme import MarkScheme
from maqueta.task.special import AskedLength, SpecialAsked
from maqueta.task.thresholds import Thresholds


class AttitudeChoice(Strict):
    """One accepted front view."""

    side: Side
    up: Side

    @property
    def attitude(self) -> Attitude:
        """The choice as an attitude. Raises ValueError when side and up lie along one axis."""
        return Attitude(self.side, self.up)


class FrontTask(Strict):
    """Accepted front views (exclusive when given) and the direction that is up in use."""

    accept: tuple[AttitudeChoice, ...] = ()
    natural_up: Side | None = None

    @field_validator("accept")
    @classmethod
    def _possible(cls, accept: tuple[AttitudeChoice, ...]) -> tuple[AttitudeChoice, ...]:
        for choice in accept:
            Attitude(choice.side, choice.up)
        return accept


SheetAid = Literal["even gaps", "centre lines", "scale", "rows"]
#: "parts list" puts the list on the sheet filled in; else its rows are left to the drafter.
#: What the bench may help with: changes of a sheet, and the way to the true shape of a slanted face.
Aid = SheetAid | Literal["construction", "parts list"]
#: What the program knows to write into a title block: who, when, on what, how large.
FilledField = Literal["drafter", "class", "date", "scale", "sheet", "material", "unit", "paper"]
#: How views are lined up at the bench: by eye, with help where the drafter wants it, or held in line.
Snapping = Literal["free", "help", "fixed"]


#: How an exercise is worked on.
Course = Literal["practice", "homework", "test"]
#: Which mark of several attempts counts.
Counting = Literal["best", "last", "mean"]


class Exercise(Strict):
    """Everything the checks need to know of an exercise; every key is optional."""

    title: Annotated[str, Field(max_length=120)] = ""
    units: Unit = "mm"
    angle: Angle = "third"
    paper: PaperSize = "A3"
    landscape: bool = True
    #: The school's own form; None for the usual one, with its captions in this language.
    sheet_form: SheetForm | None = None
    captions: Language = "en"
    shows: Shows = "views"
    #: Whether a sheet that shows the parts pulled apart has the parts list on it.
    parts_list: bool = True
    #: The views asked for; None leaves the choice to the drafter. Where the six sides are shown they are those.
    views: tuple[ViewName, ...] | None = None
    #: Sections, details and auxiliary views asked for beside them, and edges to be seen in true length.
    special: Annotated[tuple[SpecialAsked, ...], Field(max_length=MOST_SPECIAL)] = ()
    true_length: Annotated[tuple[AskedLength, ...], Field(max_length=MOST_SPECIAL)] = ()
    #: Whether hidden lines left in a section are an error.
    bare_sections: bool = False
    pictorial: Literal["required", "allowed", "unwanted"] = "allowed"
    #: Whether a pictorial view is to be shaded.
    shaded: bool = False
    front: FrontTask = FrontTask()
    scale: Annotated[str, Field(max_length=40)] | None = None
    hidden_lines: bool = True
    centre_lines: bool = True
    dimensioning: DimensioningTask = DimensioningTask()
    drafting: Drafting = Drafting()
    #: "angle" asks for the symbol of projection.
    title_fields: tuple[TitleField | Literal["angle"], ...] = ()
    #: Fields the program fills in for the student.
    title_filled: Annotated[tuple[FilledField, ...], Field(max_length=8)] = ()
    #: Fields whose content the student chooses among what is given here.
    title_choices: dict[TitleField, Annotated[tuple[ShortText, ...], Field(min_length=1, max_length=20)]] = Field(
        default={}
    )
    #: Whether the title block is lettered in capitals.
    title_capitals: bool = False
    #: How sheet or file is named: text with title-block fields in braces, such as "{class}-{drafter}-{title}".
    sheet_name: Annotated[str, Field(max_length=120)] | None = None
    #: What the bench may do for the drafter.
    aids: tuple[Aid, ...] = ("even gaps", "centre lines", "scale", "rows")
    snapping: Snapping = "help"
    #: In practice a sheet is checked at any time, in a test never, else as often as `checks` says.
    course: Course = "homework"
    #: How often a student may have the sheet checked before handing it in, and what such a check tells.
    checks: Annotated[int, Field(ge=0, le=9)] = 0
    checks_tell: Literal["criteria", "reasons"] = "reasons"
    #: How often a student may hand in, and which of the marks counts.
    attempts: Annotated[int, Field(ge=1, le=9)] = 1
    counts: Counting = "best"
    tolerance_mm: Annotated[float, Field(gt=0, le=10, allow_inf_nan=False)] = 0.3
    by_hand: ByHand = ByHand()
    points: dict[Criterion, Points] = Field(default={})
    error_cost: Points = 2.0
    marking: MarkScheme = MarkScheme()
    thresholds: Thresholds = Thresholds()

    @model_validator(mode="before")
    @classmethod
    def _all_six(cls, data: Any) -> Any:
        if isinstance(data, dict) and data.get("shows") == "six sides":
            return data | {"views": VIEW_NAMES}
        return data

    @field_validator("scale")
    @classmethod
    def _readable(cls, scale: str | None) -> str | None:
        if scale is not None and parse_scale(scale) is None:
            raise ToldError(phrase("scale-as-ratio"))
        return scale

    @field_validator("views")
    @classmethod
    def _each_once(cls, views: tuple[ViewName, ...] | None) -> tuple[ViewName, ...] | None:
        if views is not None and len(set(views)) != len(views):
            raise ToldError(phrase("view-asked-twice"))
        return views

    @field_validator("sheet_name")
    @classmethod
    def _known_fields(cls, pattern: str | None) -> str | None:
        for field in re.findall(r"\{([^}]*)\}", pattern or ""):
            if field not in get_args(TitleField):
                raise ToldError(phrase("no-title-field", field=field))
        return pattern

    @model_validator(mode="after")
    def _form_of_the_paper(self) -> Self:
        form = self.sheet_form
        if form is not None and (form.size, form.landscape) != (self.paper, self.landscape):
            raise ToldError(phrase("form-of-other-paper", paper=form.size))
        if form is not None and (lacking := [f for f in self.title_fields if form.place_of(f) is None]):
            raise ToldError(phrase("form-without-field", field=lacking[0]))
        return self

    @property
    def paper_given(self) -> Paper:
        """The paper asked for, on its form."""
        return Paper(size=self.paper, landscape=self.landscape, captions=self.captions, form=self.sheet_form)

    def for_sheet(self, by_hand: bool) -> Self:
        """What is asked of a sheet that is drawn by hand: the same, as exactly as a hand draws."""
        if not by_hand:
            return self
        off, told = max(self.by_hand.tolerance_mm, self.tolerance_mm), self.thresholds
        slack = {
            "alignment_mm": max(told.alignment_mm, off),
            "first_row_mm": max(0.0, told.first_row_mm - off),
            "next_row_mm": max(0.0, told.next_row_mm - off),
        }
        return self.model_copy(update={"tolerance_mm": off, "thresholds": told.model_copy(update=slack)})

    def points_of(self, criterion: Criterion) -> float:
        """Points of a criterion: the exercise's own, or the usual ones for its kind and for what it asks."""
        own = self.points.get(criterion)
        if own is not None:
            return own
        return ASKED_POINTS if criterion in self.asked_specially else self._usual_points[criterion]

    @property
    def _usual_points(self) -> Mapping[Criterion, float]:
        return usual_points(self.drafting.kind) if self.shows == "views" else SHOWN_POINTS[self.shows]

    @property
    def asked_specially(self) -> frozenset[Criterion]:
        """The criteria of the special views that are asked for."""
        kinds: set[Criterion] = {asked.kind for asked in self.special}
        return frozenset(kinds | {"auxiliary"} if self.true_length else kinds)

    def checks_left(self, made: int) -> int | None:
        """How often a sheet that was checked so often may be checked again; None for as often as wanted."""
        match self.course:
            case "practice":
                return None
            case "test":
                return 0
            case "homework":
                return max(0, self.checks - made)
            case _ as never:
                assert_never(never)

    @property
    def view_names(self) -> tuple[ViewName, ...]:
        """The views asked for, or the usual three."""
        return self.views or DEFAULT_VIEWS

    @property
    def left_to_draft(self) -> tuple[ViewName, ...]:
        """Where a third view is to be completed: the views the student drafts, the last one unless said otherwise."""
        if self.drafting.kind != "third view":
            return ()
        return self.drafting.left or self.view_names[-1:]

    @model_validator(mode="after")
    def _views_known(self) -> Self:
        named = {*self.drafting.left, *(change.view for change in self.drafting.changes)}
        if unknown := named - set(self.view_names):
            raise ToldError(phrase("view-not-asked-for", name=sorted(unknown)[0]))
        if self.drafting.kind == "third view" and len(set(self.left_to_draft)) >= len(self.view_names):
            raise ToldError(phrase("no-view-given"))
        if self.drafting.kind == "special view" and not self.asked_specially:
            raise ToldError(phrase("no-special-view-asked"))
        return self

    @property
    def laid_out(self) -> bool:
        """Whether a student begins with something on the sheet."""
        return self.drafting.given or self.shows in ALONE

    @property
    def decimals(self) -> int:
        """Decimals of written values: as asked, else one in mm and two in inches."""
        asked = self.dimensioning.decimals
        return asked if asked is not None else (1 if self.units == "mm" else 2)

    @property
    def style(self) -> Style:
        """The standard sizes are written by: as asked, else the usual one of the unit."""
        return self.dimensioning.style or USUAL_STYLE[self.units]
