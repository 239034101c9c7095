"""What the parts of a sheet document are made of: lengths, points, texts, the fields of a title block."""

from typing import Annotated, Final, Literal, get_args

from pydantic import Field

#: The farthest a thing may lie off the paper, mm.
FARTHEST = 10_000.0

Identifier = Annotated[str, Field(pattern=r"^[a-z0-9-]{1,20}$")]
Millimetres = Annotated[float, Field(ge=-FARTHEST, le=FARTHEST, allow_inf_nan=False)]
ModelLength = Annotated[float, Field(ge=-1e6, le=1e6, allow_inf_nan=False)]
Rectangle = tuple[Millimetres, Millimetres, Millimetres, Millimetres]
SheetPoint = tuple[Millimetres, Millimetres]
ViewPoint = tuple[ModelLength, ModelLength]
#: Characters of a text on a sheet.
LONGEST_TEXT = 120
ShortText = Annotated[str, Field(max_length=LONGEST_TEXT)]

TitleField = Literal[
    "title",
    "drafter",
    "class",
    "date",
    "scale",
    "sheet",
    "number",
    "material",
    "unit",
    "paper",
    "tolerances",
    "revision",
    "checked",
]
#: What is written in a field of a title block whose letters could not be read.
UNREADABLE: Final = "?"
#: What has a place in a title block: the fields, and the symbol of the angle of projection.
FormField = TitleField | Literal["angle"]
FORM_FIELDS: Final[tuple[FormField, ...]] = (*get_args(TitleField), "angle")
