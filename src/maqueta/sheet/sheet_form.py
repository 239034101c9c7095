"""A sheet form: border, title block with its fields, and zone marks, as a school has them. All in mm on paper."""

from typing import Annotated, Final, Literal, Self

from pydantic import Field, model_validator

from maqueta.geometry.box import Box
from maqueta.phrases.phrase import phrase
from maqueta.phrases.told import ToldError
from maqueta.sheet.fields import FORM_FIELDS, FormField, Rectangle, SheetPoint, ShortText
from maqueta.sheet.paper import Layout, PaperSize, sides
from maqueta.strict import Strict

FormAnchor = Literal["start", "middle"]

#: The most a form may hold of each: far beyond any real one.
MOST_FORM_LINES: Final = 300
MOST_FORM_TEXTS: Final = 150
#: Heights of capitals on a form, mm.
TextHeight = Annotated[float, Field(ge=1.0, le=20, allow_inf_nan=False)]


class FormLine(Strict):
    """A straight line of a form, as wide as a border or as the lines of a title block."""

    start: SheetPoint
    end: SheetPoint
    pen: Literal["border", "grid"] = "grid"


class FormText(Strict):
    """Lettering that stands on every sheet: captions, the school.

    `at` is its anchor on the base line, `turn` in degrees.
    """

    text: ShortText
    at: SheetPoint
    height: TextHeight = 1.8
    anchor: FormAnchor = "start"
    turn: Annotated[float, Field(ge=-360, le=360, allow_inf_nan=False)] = 0.0


class FieldPlace(Strict):
    """Where a field is written: its room without the caption, and the height of its lettering at most."""

    field: FormField
    box: Rectangle
    height: TextHeight = 3.5
    anchor: FormAnchor = "start"


class SheetForm(Strict):
    """A form for one paper size. `zones` tells whether letters and numbers of zones run along the border, and how.

    A form may be unfinished: what it lacks is told by `form_flaws`.
    """

    size: PaperSize = "A3"
    landscape: bool = True
    border: Rectangle
    title: Rectangle
    lines: Annotated[tuple[FormLine, ...], Field(max_length=MOST_FORM_LINES)] = ()
    texts: Annotated[tuple[FormText, ...], Field(max_length=MOST_FORM_TEXTS)] = ()
    fields: Annotated[tuple[FieldPlace, ...], Field(max_length=len(FORM_FIELDS))] = ()
    zones: Literal["iso", "asme"] | None = None

    @model_validator(mode="after")
    def _spread(self) -> Self:
        for box in (self.border, self.title, *(place.box for place in self.fields)):
            if box[0] >= box[2] or box[1] >= box[3]:
                raise ToldError(phrase("frame-without-size"))
        return self

    @model_validator(mode="after")
    def _each_field_once(self) -> Self:
        named = [place.field for place in self.fields]
        for field in named:
            if named.count(field) > 1:
                raise ToldError(phrase("form-field-twice", field=field))
        return self

    @property
    def layout(self) -> Layout:
        """The rectangles of a sheet on this form."""
        return Layout(*sides(self.size, self.landscape), self.border, self.title)

    @property
    def paper(self) -> Box:
        """The sheet of paper."""
        return (0.0, 0.0, *sides(self.size, self.landscape))

    def place_of(self, field: FormField) -> FieldPlace | None:
        """Where a field stands; None where the form has none for it."""
        return next((place for place in self.fields if place.field == field), None)
