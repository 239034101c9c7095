"""The sheet document: the one form in which bench, files, command line and checker speak of a sheet.

Sheet space is mm on paper, origin at the lower left corner of the paper. Points within a view are in the part's
unit, in the plane (right, up) of the view, seen from the model's origin; the view's `at` is where that origin
lands on the sheet.
"""

from typing import Annotated, Any, Final, Literal, Self

from pydantic import Field, model_validator

from maqueta.phrases.phrase import phrase
from maqueta.phrases.said import Language
from maqueta.phrases.told import ToldError
from maqueta.projection.arrangement import Angle
from maqueta.projection.attitude import attitude_of
from maqueta.projection.look import Look
from maqueta.sheet.assembly_items import MOST_BALLOONS, MOST_TRAILS, Balloon, PartsList, Trail
from maqueta.sheet.dimension import Dimension
from maqueta.sheet.drafted_line import points_of
from maqueta.sheet.fields import (
    UNREADABLE,
    Identifier,
    Rectangle,
    SheetPoint,
    ShortText,
    TitleField,
    ViewPoint,
)
from maqueta.sheet.former import upgraded
from maqueta.sheet.paper import Layout, PaperSize, layout
from maqueta.sheet.sheet_form import SheetForm
from maqueta.sheet.special import MOST_SPECIAL, CircledRegion, CuttingLine, SightArrow
from maqueta.sheet.usual_form import usual_form
from maqueta.sheet.view import MOST_LINES, Aslant, View
from maqueta.sheet.view_graph import FOLDED_FROM, front_of
from maqueta.solid.assembly import MOST_COMPONENTS
from maqueta.solid.unit import Unit
from maqueta.strict import Strict

#: The most a sheet may hold of each: far beyond any real one, so that none can exhaust the service.
MOST_VIEWS = 30
MOST_DIMENSIONS = 400
MOST_MARKS = 400
MOST_NOTES = 200
#: Points of all drafted lines of a sheet together; the largest sheet still opens in less than two seconds.
MOST_POINTS_IN_ALL = 20_000
#: How far centre lines reach past the outline (common practice, no source).
CENTRE_BEYOND = 3.0

Style = Literal["iso", "asme"]
#: Millimetres go with ISO, inches with ASME (common practice, no source).
USUAL_STYLE: Final[dict[Unit, Style]] = {"mm": "iso", "inch": "asme"}


class Frame(Strict):
    """Border and title block as drawn on a sheet from elsewhere: (left, bottom, right, top) in sheet mm."""

    border: Rectangle
    title: Rectangle | None = None

    @model_validator(mode="after")
    def _spread(self) -> Self:
        for box in (self.border, self.title):
            if box is not None and (box[0] >= box[2] or box[1] >= box[3]):
                raise ToldError(phrase("frame-without-size"))
        return self


class Paper(Strict):
    """The paper a sheet is drawn on: on the usual form, with captions in a language, or on a `form` of its own.

    A `frame` is what was found on a sheet from elsewhere.
    """

    size: PaperSize = "A3"
    landscape: bool = True
    captions: Language = "en"
    form: SheetForm | None = None
    frame: Frame | None = None

    @model_validator(mode="after")
    def _of_the_forms_size(self) -> Self:
        if self.form is not None and (self.form.size, self.form.landscape) != (self.size, self.landscape):
            raise ToldError(phrase("form-of-other-paper", paper=self.form.size))
        return self

    @property
    def layout(self) -> Layout:
        """The rectangles of the sheet: those of its form, as drawn where it brings a frame, else the usual ones."""
        if self.form is not None:
            return self.form.layout
        usual = layout(self.size, self.landscape)
        if self.frame is None:
            return usual
        _, bottom, right, _ = self.frame.border
        return Layout(usual.width, usual.height, self.frame.border, self.frame.title or (right, bottom, right, bottom))

    @property
    def drawn_form(self) -> SheetForm | None:
        """The form that is drawn; None for a frame without a title block."""
        if self.form is not None:
            return self.form
        if self.frame is None:
            return usual_form(self.size, self.landscape, self.captions)
        return None if self.frame.title is None else usual_form(self.size, self.landscape, self.captions, self.layout)


class CentreMark(Strict):
    """A centre mark on a circle of a view."""

    kind: Literal["mark"] = "mark"
    id: Identifier
    view: Identifier
    centre: ViewPoint
    radius: Annotated[float, Field(gt=0, le=1e6, allow_inf_nan=False)]


class CentreLine(Strict):
    """A centre line between two points of a view; it is drawn `beyond` both, in mm on paper."""

    kind: Literal["line"] = "line"
    id: Identifier
    view: Identifier
    start: ViewPoint
    end: ViewPoint
    beyond: Annotated[float, Field(ge=0, le=20, allow_inf_nan=False)] = CENTRE_BEYOND


Mark = Annotated[CentreMark | CentreLine, Field(discriminator="kind")]


class Note(Strict):
    """A line of text, begun at `at` on its base line; `height` is that of capitals (mm), `turn` in degrees.

    A `leader` runs from its beginning to what it points at.
    """

    id: Identifier
    text: ShortText
    at: SheetPoint
    height: Annotated[float, Field(gt=0, le=100, allow_inf_nan=False)] = 3.5
    turn: Annotated[float, Field(ge=-360, le=360, allow_inf_nan=False)] = 0.0
    leader: SheetPoint | None = None


class TitleBlock(Strict):
    """What is written in the title block; `angle` is the symbol drawn there."""

    fields: dict[TitleField, ShortText] = Field(default={})
    angle: Angle | None = None

    def legible(self, field: TitleField) -> str | None:
        """What is written in a field, "" where nothing is; None where it cannot be read."""
        written = self.fields.get(field, "").strip()
        return written if written != UNREADABLE else None


class SheetDocument(Strict):
    """One sheet; `name` is that of sheet or file. Its front view is the one the others are folded out from.

    With `fractions`, sizes in inches are written as fractions instead of decimals. `unread_sizes` counts what looks
    like sizes on the picture it was read from and could not be read: whether it has all sizes is not known then.
    One that is drawn `by_hand` is judged as exactly as a hand draws.
    """

    format: Literal[2] = 2
    paper: Paper = Paper()
    units: Unit = "mm"
    style: Style = "iso"
    decimals: Annotated[int, Field(ge=0, le=4)] = 1
    fractions: bool = False
    views: Annotated[tuple[View, ...], Field(max_length=MOST_VIEWS + MOST_COMPONENTS)] = ()
    dimensions: Annotated[tuple[Dimension, ...], Field(max_length=MOST_DIMENSIONS)] = ()
    marks: Annotated[tuple[Mark, ...], Field(max_length=MOST_MARKS)] = ()
    notes: Annotated[tuple[Note, ...], Field(max_length=MOST_NOTES)] = ()
    cutting_lines: Annotated[tuple[CuttingLine, ...], Field(max_length=MOST_SPECIAL)] = ()
    circled: Annotated[tuple[CircledRegion, ...], Field(max_length=MOST_SPECIAL)] = ()
    sight_arrows: Annotated[tuple[SightArrow, ...], Field(max_length=MOST_SPECIAL)] = ()
    balloons: Annotated[tuple[Balloon, ...], Field(max_length=MOST_BALLOONS)] = ()
    trails: Annotated[tuple[Trail, ...], Field(max_length=MOST_TRAILS)] = ()
    parts_list: PartsList | None = None
    title: TitleBlock = TitleBlock()
    name: ShortText | None = None
    unread_sizes: Annotated[int, Field(ge=0, le=10_000)] = 0
    by_hand: bool = False

    @model_validator(mode="after")
    def _not_too_large(self) -> Self:
        if sum(view.only is None for view in self.views) > MOST_VIEWS:
            raise ToldError(phrase("too-many-views", most=MOST_VIEWS))
        lines = [line for view in self.views for line in view.lines or ()]
        if len(lines) > MOST_LINES:
            raise ToldError(phrase("too-many-drafted-lines", most=MOST_LINES))
        if points_of(lines) > MOST_POINTS_IN_ALL:
            raise ToldError(phrase("too-many-points", most=MOST_POINTS_IN_ALL))
        return self

    @model_validator(mode="after")
    def _references(self) -> Self:
        views = [view.id for view in self.views]
        for kind, names in (
            ("view", views),
            ("dimension", [d.id for d in self.dimensions]),
            ("mark", [m.id for m in self.marks]),
            ("note", [n.id for n in self.notes]),
            ("cutting-line", [line.id for line in self.cutting_lines]),
            ("circled-region", [region.id for region in self.circled]),
            ("sight-arrow", [arrow.id for arrow in self.sight_arrows]),
            ("balloon", [balloon.id for balloon in self.balloons]),
            ("trail", [trail.id for trail in self.trails]),
        ):
            if len(set(names)) != len(names):
                raise ToldError(phrase("same-id-twice", thing=kind))
        known = set(views)
        tied = [(own.id, own.view) for own in self.balloons if own.view is not None]
        if loose := next((own for own in tied if own[1] not in known), None):
            raise ToldError(phrase("view-not-on-sheet", id=loose[0], view=loose[1]))
        for user in (*self.dimensions, *self.marks, *self.cutting_lines, *self.circled, *self.sight_arrows):
            if user.view not in known:
                raise ToldError(phrase("view-not-on-sheet", id=user.id, view=user.view))
        return self

    @model_validator(mode="after")
    def _folded_out(self) -> Self:
        kinds = {view.id: view.kind for view in self.views}
        parents = {view.id: view.parent for view in self.views}
        for view in self.views:
            if view.parent is None:
                continue
            if view.parent not in kinds:
                raise ToldError(phrase("parent-not-on-sheet", id=view.id, view=view.parent))
            if kinds[view.parent] not in FOLDED_FROM:
                raise ToldError(phrase("parent-cannot-unfold", id=view.id, view=view.parent))
            above: set[str] = {view.id}
            step: str | None = view.parent
            while step is not None:
                if step in above:
                    raise ToldError(phrase("view-from-itself", id=view.id))
                above.add(step)
                step = parents[step]
        return self

    @model_validator(mode="before")
    @classmethod
    def _of_this_format(cls, data: Any) -> Any:
        return upgraded(data)

    @property
    def front(self) -> str | None:
        """The view its drafter takes as the front view: the principal one that others are folded out from.

        None where no view is named so: then there are several that stand for themselves.
        """
        return front_of(self.views)

    @property
    def is_blank(self) -> bool:
        """Whether there is neither a view nor a row of a parts list on it."""
        return not self.views and not (self.parts_list is not None and self.parts_list.rows)

    @property
    def looks_aslant(self) -> tuple[Look, ...]:
        """The looks of its views that have to be drawn when first asked for; a projected part knows the others."""
        looks = (look.whole for view in self.views if isinstance(view.look, Aslant) and (look := view.own_look))
        return tuple(dict.fromkeys(look for look in looks if attitude_of(look) is None))

    @property
    def shaded(self) -> bool:
        """Whether any of its views is shaded."""
        return any(view.shading is not None for view in self.views)

    def view(self, identifier: str) -> View:
        """A view by its id; the document guarantees that every reference resolves."""
        return next(view for view in self.views if view.id == identifier)
