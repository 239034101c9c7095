"""Marked sheets with their slips, to be printed: what is said on them, in the language of who prints."""

from collections.abc import Sequence
from datetime import timedelta
from typing import Final

from maqueta.drawing.ink import InkGroup
from maqueta.drawing.shading import shaded
from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.drawing.slip_pdf import MarkedSheet, SlipLine, slips_pdf
from maqueta.judging.catalogue import CATALOGUE, wording
from maqueta.judging.finding import Finding
from maqueta.judging.points import Mark, cost
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.phrases.said import Language, said
from maqueta.service.desk_work import Desk
from maqueta.sheet.document import SheetDocument
from maqueta.store.models import FindingRecord, SheetRecord
from maqueta.task.exercise import Exercise

#: The kinds of jobs that write all slips of an exercise, or of all exercises of its set.
WRITING_SLIPS: Final = "slips"
WRITING_SLIPS_OF_SET: Final = "slips of set"


def inked_groups(desk: Desk, document: SheetDocument) -> tuple[InkGroup, ...]:
    """A sheet as it is printed. Raises RefusedError."""
    filled = desk.filled(document)
    groups = sheet_ink(desk.projected, filled)
    return tuple(shaded(groups, desk.projected, filled, desk.mesh)) if filled.shaded else groups


def marked_sheet(
    sheet: SheetRecord,
    groups: tuple[InkGroup, ...],
    findings: Sequence[Finding],
    mark: Mark,
    task: Exercise,
    late: timedelta,
    language: Language,
) -> MarkedSheet:
    """A sheet with all that is said on its slip."""

    def say(what: Phrase) -> str:
        return said(what, language)

    document = SheetDocument.model_validate(sheet.document)
    about = [sheet.exercise.title, sheet.exercise.school_class.name]
    if sheet.handed_in_at is not None:
        about.append(say(phrase("slip-handed-in", when=f"{sheet.handed_in_at:%Y-%m-%d %H:%M}")))
    if late > timedelta():
        about.append(say(phrase("column-late")))
    total = say(phrase("slip-mark", points=mark.points, of=mark.of))
    return MarkedSheet(
        groups=groups,
        layout=document.paper.layout,
        name=sheet.student.name,
        about=" · ".join(about),
        mark=f"{mark.grade}  {total}" if mark.grade is not None else total,
        lines=(*_found(sheet.findings, findings, task, language), *_added(sheet, language), *_pinned(sheet)),
        points=tuple(
            (
                say(phrase("criterion-name", criterion=criterion)),
                say(phrase("slip-mark", points=own.counting, of=own.of)),
            )
            for criterion, own in mark.criteria.items()
        ),
        remark=sheet.remark,
    )


def _found(
    records: Sequence[FindingRecord], findings: Sequence[Finding], task: Exercise, language: Language
) -> list[SlipLine]:
    lines = []
    for number, (record, finding) in enumerate(zip(records, findings, strict=True), 1):
        words, rule = wording(finding), CATALOGUE[finding.rule]
        waived = record.decision == "waived"
        heading = said(phrase("criterion-name", criterion=rule.criterion), language)
        told = [said(words.message, language)]
        told += [text for text in (record.remark, record.answer) if text]
        lost = cost(finding, task)
        price = said(phrase("slip-waived"), language) if waived else said(phrase("slip-cost", cost=lost), language)
        tone = "waived" if waived else finding.severity
        lines.append(SlipLine(str(number), tone, finding.at, heading, tuple(told), price if lost or waived else ""))
    return lines


def _added(sheet: SheetRecord, language: Language) -> list[SlipLine]:
    return [
        SlipLine(
            "+",
            "error",
            (((entry.at[0], entry.at[1]),),) if entry.at is not None else (),
            said(phrase("criterion-name", criterion=entry.criterion), language),
            (entry.words,),
            said(phrase("slip-cost", cost=entry.cost), language) if entry.cost else "",
        )
        for entry in sheet.added
    ]


def pin_letter(number: int) -> str:
    """The letter of a pin, as on the table: findings have numbers.

    >>> pin_letter(0), pin_letter(25), pin_letter(26)
    ('a', 'z', 'aa')
    """
    last = chr(ord("a") + number % 26)
    return last if number < 26 else pin_letter(number // 26 - 1) + last


def _pinned(sheet: SheetRecord) -> list[SlipLine]:
    return [
        SlipLine(pin_letter(number), "pin", (tuple((x, y) for x, y in pin.points),), "", (pin.words,), "")
        for number, pin in enumerate(sheet.pins)
    ]


def written_slips(sheets: Sequence[MarkedSheet], title: str) -> bytes:
    """Marked sheets as one file."""
    return slips_pdf(sheets, title)
