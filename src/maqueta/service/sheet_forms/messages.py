"""What travels between service and interface about sheet forms."""

from typing import Annotated

from pydantic import StringConstraints

from maqueta.drawing.ink import Item
from maqueta.service.bench.messages import PaperAnswer
from maqueta.service.language import Sentence
from maqueta.service.messages import Time
from maqueta.sheet.fields import FormField, SheetPoint
from maqueta.sheet.sheet_form import SheetForm
from maqueta.strict import Strict

FormName = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=80)]


class FlawAnswer(Strict):
    """Something wrong with a form; with `bars`, no exercise can use it until that is mended."""

    what: Sentence
    bars: bool
    field: FormField | None


class FormEntry(Strict):
    """A form in the school's list; `own` tells whether who asks has made it, `ready` whether an exercise can use it."""

    id: int
    name: str
    owner: str
    own: bool
    ready: bool
    form: SheetForm
    paper: PaperAnswer
    saved_at: Time


class FormAnswer(Strict):
    """One form, and the revision a change of it begins from."""

    id: int
    name: str
    own: bool
    revision: int
    form: SheetForm
    paper: PaperAnswer


class NewForm(Strict):
    """A form to be kept."""

    name: FormName
    form: SheetForm


class SaveForm(NewForm):
    """A changed form; `base` is the revision it began from."""

    base: int


class FormLook(Strict):
    """A form that is being drawn, as it will look: border and zone marks, and what is wrong with it."""

    frame: list[Item]
    flaws: list[FlawAnswer]


class PutField(Strict):
    """A field to be put into the cell around a point of a form, with its caption or without."""

    form: SheetForm
    field: FormField
    at: SheetPoint
    captioned: bool


class ReadFormAnswer(Strict):
    """A form as read from a file, and what of the file it does not hold."""

    form: SheetForm
    not_read: list[Sentence]


class DroppedForm(Strict):
    """A form that was thrown away, and when."""

    id: int
    name: str
    dropped_at: Time
