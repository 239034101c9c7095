"""What is held about a person: told whole, or made anonymous for good."""

from typing import Any

from sqlalchemy import delete, or_, select
from sqlalchemy.orm import Session, selectinload

from maqueta.store.accounts import close_account
from maqueta.store.clock import now
from maqueta.store.errors import AlreadyAnonymous
from maqueta.store.log_ins import forget_failures, log_ins_of
from maqueta.store.models import (
    Account,
    Deed,
    Enrolment,
    ExerciseRecord,
    FindingRecord,
    KnownBrowser,
    PartRecord,
    SchoolClass,
    SheetRecord,
)

Held = dict[str, Any]


def held(session: Session, person: Account) -> Held:
    """Everything that is held about a person, by what it is; of other people only what they said to this one."""
    classes = select(SchoolClass).outerjoin(Enrolment, Enrolment.class_id == SchoolClass.id)
    mine = or_(SchoolClass.instructor_id == person.id, Enrolment.student_id == person.id)
    sheets = (
        select(SheetRecord)
        .options(selectinload(SheetRecord.findings), selectinload(SheetRecord.exercise))
        .where(SheetRecord.student_id == person.id)
        .order_by(SheetRecord.id)
    )
    parts = select(PartRecord.name).where(PartRecord.owner_id == person.id).order_by(PartRecord.id)
    exercises = select(ExerciseRecord.title).where(ExerciseRecord.instructor_id == person.id)
    deeds = select(Deed).where(Deed.account_id == person.id).order_by(Deed.id)
    browsers = select(KnownBrowser.seen_at).where(KnownBrowser.account_id == person.id)
    return {
        "account": {
            "login": person.login,
            "name": person.name,
            "role": person.role,
            "active": person.active,
            "created_at": person.created_at,
        },
        "log_ins": [
            {"begun_at": entry.begun_at, "expires_at": entry.expires_at, "browser": entry.browser}
            for entry in log_ins_of(session, person)
        ],
        "known_browsers_seen_at": list(session.scalars(browsers)),
        "classes": sorted({found.name for found in session.scalars(classes.where(mine))}),
        "parts": list(session.scalars(parts)),
        "exercises": list(session.scalars(exercises.order_by(ExerciseRecord.id))),
        "sheets": [_sheet(sheet) for sheet in session.scalars(sheets)],
        "deeds": [{"at": deed.at, "what": deed.what, "to_what": deed.to_what} for deed in session.scalars(deeds)],
    }


def _sheet(sheet: SheetRecord) -> Held:
    return {
        "exercise": sheet.exercise.title,
        "state": sheet.state,
        "saved_at": sheet.saved_at,
        "handed_in_at": sheet.handed_in_at,
        "returned_at": sheet.returned_at,
        "document": sheet.document,
        # What is not returned is still being thought about.
        "remark": sheet.remark if sheet.state == "returned" else None,
        "findings": [_finding(finding) for finding in sheet.findings] if sheet.state == "returned" else None,
    }


def _finding(finding: FindingRecord) -> Held:
    return {"rule": finding.rule, "decision": finding.decision, "remark": finding.remark}


def make_anonymous(session: Session, person: Account) -> None:
    """Close an account for good and let nothing tell whose it was. Sheets and marks are kept, without the name.

    What people wrote in remarks is not looked through. Raises AlreadyAnonymous.
    """
    if person.anonymised_at is not None:
        raise AlreadyAnonymous
    forget_failures(session, person.login)
    before = (person.name, person.login)
    person.name, person.login = f"Former {person.role} {person.id}", f"former-{person.id}"
    person.password_hash, person.anonymised_at = "", now()
    close_account(session, person, False)
    session.execute(delete(KnownBrowser).where(KnownBrowser.account_id == person.id))
    # Nobody waits for a sheet of somebody who is gone; those that are there stay.
    session.execute(delete(Enrolment).where(Enrolment.student_id == person.id))
    for sheet in session.scalars(select(SheetRecord).where(SheetRecord.student_id == person.id)):
        sheet.document = {**_nameless(sheet.document, before, person.name), "name": person.name}


def _nameless(thing: Any, names: tuple[str, ...], instead: str) -> Any:
    """A document in which no text holds any of some names."""
    if isinstance(thing, dict):
        return {key: _nameless(value, names, instead) for key, value in thing.items()}
    if isinstance(thing, list):
        return [_nameless(value, names, instead) for value in thing]
    if isinstance(thing, str) and any(name.casefold() in thing.casefold() for name in names):
        return instead
    return thing
