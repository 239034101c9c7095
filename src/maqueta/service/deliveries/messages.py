"""What travels when sheets are delivered as files."""

from typing import Annotated

from pydantic import Field

from maqueta.geometry.carrier import Point
from maqueta.reading.said_to_be import Said
from maqueta.service.language import Sentence
from maqueta.service.messages import Time
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.fields import Identifier
from maqueta.strict import Strict


class ReadView(Strict):
    """What a group of lines of a delivered sheet was taken for, and how well it fits (0 to 1)."""

    id: Identifier
    name: str
    scale: float
    match: float


class ReadSheetAnswer(Strict):
    """A delivered sheet as read: the document, its views, and what could not be read; which page of how many it is."""

    document: SheetDocument
    views: list[ReadView]
    not_read: list[Sentence]
    page: int = 1
    pages: int = 1


class NotReadAnswer(Strict):
    """Something of a file that was not read, or not surely: in words, where it is (mm on the paper) if that is known,
    whether it is a question to whoever marks, and whether somebody has looked at it."""

    words: Sentence
    at: Point | None
    asked: bool
    looked_at: bool


class OriginalAnswer(Strict):
    """The file a sheet was read from: its name, which page of how many, what of it was not read, and how many sizes;
    whether it is a picture, and so may show a sheet drawn by hand.
    """

    name: str
    page: int
    pages: int
    not_read: list[NotReadAnswer]
    unread_sizes: int
    picture: bool
    brought_in_at: Time


class CorrectionRequest(Strict):
    """One view of a sheet is something else than it was taken for; without `said` nothing changes."""

    document: SheetDocument
    view: Identifier | None = None
    said: Said | None = None
    #: The cutting line, circled region or parent view of what is said to be a special view.
    of: Identifier | None = None


class StudentName(Strict):
    """Whose sheet a file may be."""

    id: int
    name: str


class DeliveryAnswer(Strict):
    """What became of one file of a class: the sheet it became, or why not and whose it may be."""

    sheet: int | None
    student: StudentName | None
    why: Sentence | None
    candidates: Annotated[list[StudentName], Field(max_length=1000)]
    #: How much of what was read is in doubt; and how many findings there are.
    questions: int = 0
    findings: int = 0
    #: How many pages the file has; each of them may be a sheet.
    pages: int = 1
