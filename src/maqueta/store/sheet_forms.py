"""A school's sheet forms: every instructor may draw on them, whoever made one may change it."""

from collections.abc import Mapping
from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session, joinedload

from maqueta.store.clock import now
from maqueta.store.database import locked
from maqueta.store.errors import NotVisible, OutOfDate
from maqueta.store.models import Account, SheetFormRecord


def sheet_forms(session: Session) -> list[SheetFormRecord]:
    """All forms of the school, by name."""
    query = select(SheetFormRecord).options(joinedload(SheetFormRecord.owner))
    return list(session.scalars(query.order_by(SheetFormRecord.name, SheetFormRecord.id)))


def sheet_form(session: Session, form_id: int) -> SheetFormRecord:
    """One form. Raises NotVisible."""
    found = session.get(SheetFormRecord, form_id)
    if found is None:
        raise NotVisible
    return found


def add_sheet_form(session: Session, owner: Account, name: str, document: Mapping[str, Any]) -> SheetFormRecord:
    """A new form of the school."""
    found = SheetFormRecord(
        owner_id=owner.id, name=name, document=dict(document), revision=1, created_at=now(), saved_at=now()
    )
    session.add(found)
    session.flush()
    return found


def _own(session: Session, owner: Account, form_id: int) -> SheetFormRecord:
    query = select(SheetFormRecord).where(SheetFormRecord.id == form_id, SheetFormRecord.owner_id == owner.id)
    found = session.scalar(locked(query, of=SheetFormRecord))
    if found is None:
        raise NotVisible
    return found


def save_sheet_form(
    session: Session, owner: Account, form_id: int, name: str, document: Mapping[str, Any], base: int
) -> SheetFormRecord:
    """Keep a form one has made oneself. Raises NotVisible; OutOfDate when it was saved since revision `base`."""
    found = _own(session, owner, form_id)
    if found.revision != base:
        raise OutOfDate(found.revision)
    found.name, found.document = name, dict(document)
    found.revision, found.saved_at = base + 1, now()
    session.flush()
    return found


def drop_sheet_form(session: Session, owner: Account, form_id: int) -> None:
    """Throw a form of one's own away; exercises and sheets keep what they were given. Raises NotVisible."""
    session.delete(_own(session, owner, form_id))
    session.flush()
