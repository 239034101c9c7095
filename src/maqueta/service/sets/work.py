"""Work on several sheets of a set at once, done in a process of its own."""

from collections.abc import Sequence
from dataclasses import dataclass, replace

from maqueta.drawing.pdf import SheetPage, pages_pdf
from maqueta.drawing.shading import shaded
from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.judging.catalogue import wording
from maqueta.judging.criteria.sheet_set import check_set
from maqueta.judging.last_look import as_said, measured
from maqueta.judging.report import surveyed
from maqueta.judging.set_survey import SetSurvey
from maqueta.phrases.phrase import Phrase
from maqueta.service.desk_work import Desk
from maqueta.sheet.document import SheetDocument
from maqueta.store.files import StoredFile


@dataclass(frozen=True, slots=True)
class LookedOver:
    """A sheet in a last look: what stands against it among all, and what a ruler tells of it."""

    notes: Sequence[Phrase] = ()
    measured: Sequence[Phrase] = ()


def looked_over(desk: Desk, document: SheetDocument) -> dict[int, LookedOver]:
    """The sheets of a set in a last look, by their places: how they are called, numbered, and alike, and how far their
    things are apart.

    `document` is the sheet on the desk, which lies there with the others of its set. Nothing of it judges what is
    drawn: that is done when the set is handed in.
    """
    assert desk.in_set is not None, "only sheets of a set are looked over together"
    parts, came, _ = desk.among(desk.in_set, desk.filled(document))
    asked = desk.in_set.asked
    sheets = [
        replace(own, survey=surveyed(parts[own.asked], asked.sheets[own.asked], own.document))
        for own in came
        if own.asked is not None
    ]
    told: dict[int, list[Phrase]] = {}
    for at, finding in check_set(SetSurvey(asked, tuple(sheets))):
        own = sheets[at].asked if at is not None else None
        if own is not None:
            told.setdefault(own, []).append(wording(finding).message)
    return {
        own.asked: LookedOver(told.get(own.asked, ()), as_said(measured(own.survey)))
        for own in sheets
        if own.asked is not None and own.survey is not None
    }


@dataclass(frozen=True, slots=True)
class Page:
    """A sheet that becomes a page, at its desk, with what the page is called."""

    desk: Desk
    document: SheetDocument
    name: str


@dataclass(frozen=True, slots=True)
class Pages:
    """Sheets that become one file, in their order."""

    title: str
    pages: tuple[Page, ...]

    @property
    def files(self) -> tuple[StoredFile, ...]:
        """What has to be at hand before work begins."""
        return tuple(file for page in self.pages for file in page.desk.files)


def as_pages(bound: Pages) -> bytes:
    """Several sheets as one PDF, each found by its name. Raises RefusedError."""
    return pages_pdf([_inked(page) for page in bound.pages], bound.title)


def _inked(page: Page) -> SheetPage:
    page.desk.allow(page.document)
    filled = page.desk.filled(page.document)
    groups = sheet_ink(page.desk.projected, filled)
    if filled.shaded:
        groups = shaded(groups, page.desk.projected, filled, page.desk.mesh)
    return SheetPage(groups, filled.paper.layout, page.name)
