"""A school's sheet forms: every instructor may draw on them, whoever made one may change it."""

from collections.abc import Mapping
from datetime import timedelta
from typing import Any, Final

from sqlalchemy import delete, select
from sqlalchemy.orm import Session, joinedload

from maqueta.store.clock import now
from maqueta.store.database import locked
from maqueta.store.errors import NotVisible, OutOfDate
from maqueta.store.models import Account, SheetFormRecord

#: For so long what was thrown away can be brought back.
KEPT_FOR: Final = timedelta(days=30)


def sheet_forms(session: Session) -> list[SheetFormRecord]:
    """All forms of the school, by name."""
    query = select(SheetFormRecord).options(joinedload(SheetFormRecord.owner))
    query = query.where(SheetFormRecord.dropped_at.is_(None))
    return list(session.scalars(query.order_by(SheetFormRecord.name, SheetFormRecord.id)))


def sheet_form(session: Session, form_id: int) -> SheetFormRecord:
    """One form. Raises NotVisible."""
    found = session.get(SheetFormRecord, form_id)
    if found is None or found.dropped_at is not None:
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


def _own(session: Session, owner: Account, form_id: int, dropped: bool = False) -> SheetFormRecord:
    query = select(SheetFormRecord).where(SheetFormRecord.id == form_id, SheetFormRecord.owner_id == owner.id)
    away = SheetFormRecord.dropped_at
    query = query.where(away.is_not(None) if dropped else away.is_(None))
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
    _own(session, owner, form_id).dropped_at = now()
    session.flush()


def dropped_forms(session: Session, owner: Account) -> list[SheetFormRecord]:
    """The forms somebody has thrown away and can bring back, the last one first."""
    query = select(SheetFormRecord).where(
        SheetFormRecord.owner_id == owner.id, SheetFormRecord.dropped_at >= now() - KEPT_FOR
    )
    return list(session.scalars(query.order_by(SheetFormRecord.dropped_at.desc())))


def bring_form_back(session: Session, owner: Account, form_id: int) -> SheetFormRecord:
    """Bring back a form one has thrown away. Raises NotVisible."""
    found = _own(session, owner, form_id, dropped=True)
    found.dropped_at = None
    session.flush()
    return found


def forget_dropped(session: Session) -> int:
    """Take away for good what was thrown away too long ago; how many forms."""
    old = delete(SheetFormRecord).where(SheetFormRecord.dropped_at < now() - KEPT_FOR)
    return session.execute(old).rowcount  # type: ignore[attr-defined,no-any-return]
