"""What is held about a person: told whole, or made anonymous for good."""

import re
from typing import Any

from sqlalchemy import delete, or_, select
from sqlalchemy.orm import Session, selectinload

from maqueta.sheet.fields import LONGEST_TEXT
from maqueta.store.accounts import close_account
from maqueta.store.clock import now
from maqueta.store.errors import AlreadyAnonymous
from maqueta.store.log_ins import forget_failures, log_ins_of
from maqueta.store.models import (
    Account,
    CorrectionRecord,
    Deed,
    Enrolment,
    ExerciseRecord,
    FindingRecord,
    KnownBrowser,
    OriginalRecord,
    PartRecord,
    SchemeTemplate,
    SchoolClass,
    SheetFormRecord,
    SheetRecord,
)

Held = dict[str, Any]


def held(session: Session, person: Account) -> Held:
    """Everything that is held about a person, by what it is; of other people only what they said to this one."""
    classes = select(SchoolClass).outerjoin(Enrolment, Enrolment.class_id == SchoolClass.id)
    mine = or_(SchoolClass.instructor_id == person.id, Enrolment.student_id == person.id)
    sheets = (
        select(SheetRecord)
        .options(
            selectinload(SheetRecord.findings),
            selectinload(SheetRecord.exercise),
            selectinload(SheetRecord.added),
            selectinload(SheetRecord.given),
            selectinload(SheetRecord.pins),
        )
        .where(SheetRecord.student_id == person.id)
        .order_by(SheetRecord.id)
    )
    files = (
        select(OriginalRecord, ExerciseRecord.title)
        .join(ExerciseRecord, ExerciseRecord.id == OriginalRecord.exercise_id)
        .where(OriginalRecord.student_id == person.id)
        .order_by(OriginalRecord.id)
    )
    handed_in = select(CorrectionRecord.sheet_id, CorrectionRecord.handed_in).join(
        SheetRecord, SheetRecord.id == CorrectionRecord.sheet_id
    )
    before: dict[int, Held | None] = dict(
        session.execute(handed_in.where(SheetRecord.student_id == person.id)).tuples().all()
    )
    parts = select(PartRecord.name).where(PartRecord.owner_id == person.id).order_by(PartRecord.id)
    forms = select(SheetFormRecord.name).where(SheetFormRecord.owner_id == person.id).order_by(SheetFormRecord.id)
    exercises = select(ExerciseRecord.title).where(ExerciseRecord.instructor_id == person.id)
    schemes = select(SchemeTemplate.name).where(SchemeTemplate.owner_id == person.id).order_by(SchemeTemplate.id)
    deeds = select(Deed).where(Deed.account_id == person.id).order_by(Deed.id)
    browsers = select(KnownBrowser.seen_at).where(KnownBrowser.account_id == person.id)
    return {
        "account": {
            "login": person.login,
            "name": person.name,
            "role": person.role,
            "active": person.active,
            "language": person.language,
            "email": person.email,
            "created_at": person.created_at,
        },
        "log_ins": [
            {"begun_at": entry.begun_at, "expires_at": entry.expires_at, "browser": entry.browser}
            for entry in log_ins_of(session, person)
        ],
        "known_browsers_seen_at": list(session.scalars(browsers)),
        "classes": sorted({found.name for found in session.scalars(classes.where(mine))}),
        "parts": list(session.scalars(parts)),
        "sheet_forms": list(session.scalars(forms)),
        "ways_of_marking": list(session.scalars(schemes)),
        "exercises": list(session.scalars(exercises.order_by(ExerciseRecord.id))),
        "sheets": [_sheet(sheet, before.get(sheet.id)) for sheet in session.scalars(sheets)],
        "files_of_sheets": [
            {"exercise": title, "attempt": own.attempt, "name": own.name, "brought_in_at": own.brought_in_at}
            for own, title in session.execute(files).tuples()
        ],
        "deeds": [{"at": deed.at, "what": deed.what, "to_what": deed.to_what} for deed in session.scalars(deeds)],
    }


def _sheet(sheet: SheetRecord, handed_in: Held | None) -> Held:
    """A sheet, and what was handed in where it was corrected since."""
    # What is not returned is still being thought about.
    told = sheet.state == "returned"
    return {
        "exercise": sheet.exercise.title,
        "attempt": sheet.attempt,
        "state": sheet.state,
        "saved_at": sheet.saved_at,
        "handed_in_at": sheet.handed_in_at,
        "receipt": sheet.receipt,
        "returned_at": sheet.returned_at,
        "document": sheet.document,
        "handed_in": handed_in,
        "remark": sheet.remark if told else None,
        "findings": [_finding(finding) for finding in sheet.findings] if told else None,
        "added": [{"criterion": a.criterion, "words": a.words, "cost": a.cost} for a in sheet.added] if told else None,
        "given": {mark.criterion: mark.points for mark in sheet.given} if told else None,
        "pins": [{"points": pin.points, "words": pin.words} for pin in sheet.pins] if told else None,
    }


def _finding(finding: FindingRecord) -> Held:
    return {
        "rule": finding.rule,
        "decision": finding.decision,
        "remark": finding.remark,
        "answer": finding.answer,
    }


def make_anonymous(session: Session, person: Account) -> None:
    """Close an account for good and let nothing tell whose it was. Sheets and marks are kept, without the name.

    What people wrote in remarks is not looked through. Raises AlreadyAnonymous.
    """
    if person.anonymised_at is not None:
        raise AlreadyAnonymous
    forget_failures(session, person.login)
    gone, instead = _whole_words((person.name, person.login)), f"Former {person.role} {person.id}"
    person.name, person.login = instead, f"former-{person.id}"
    person.password_hash, person.email, person.anonymised_at = "", None, now()
    close_account(session, person, False)
    session.execute(delete(KnownBrowser).where(KnownBrowser.account_id == person.id))
    # Nobody waits for a sheet of somebody who is gone; those that are there stay.
    session.execute(delete(Enrolment).where(Enrolment.student_id == person.id))
    sheets = select(SheetRecord).options(selectinload(SheetRecord.findings))
    for sheet in session.scalars(sheets.where(SheetRecord.student_id == person.id)):
        sheet.document = _nameless(sheet.document, gone, instead)
        if (correction := session.get(CorrectionRecord, sheet.id)) is not None:
            under_way, handed_in = correction.document, correction.handed_in
            correction.document = under_way and _nameless(under_way, gone, instead)
            correction.handed_in = handed_in and _nameless(handed_in, gone, instead)
        for finding in sheet.findings:
            if finding.rule == "title.name":
                told = finding.measured["parameters"]
                finding.measured = finding.measured | {"parameters": told | {"name": instead, "asked": told["pattern"]}}


def _whole_words(names: tuple[str, ...]) -> re.Pattern[str]:
    """What finds any of some names, however it is written, and not within longer words."""
    return re.compile("|".join(rf"(?<!\w){re.escape(name)}(?!\w)" for name in names), re.IGNORECASE)


def _nameless(document: dict[str, Any], gone: re.Pattern[str], instead: str) -> dict[str, Any]:
    """A sheet none of whose texts holds a name; its own name and the drafter's, written in whatever way, are others."""

    def text(words: str) -> str:
        return gone.sub(instead, words)[:LONGEST_TEXT]

    def texts(things: list[dict[str, Any]]) -> list[dict[str, Any]]:
        return [thing | {"text": text(thing["text"])} if thing.get("text") else thing for thing in things]

    title = document.get("title", {})
    fields = {field: instead if field == "drafter" else text(words) for field, words in title.get("fields", {}).items()}
    return document | {
        "name": instead,
        "title": title | {"fields": fields},
        "notes": texts(document.get("notes", [])),
        "dimensions": texts(document.get("dimensions", [])),
    }
