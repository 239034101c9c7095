"""Who did what to what, and when."""

from collections.abc import Mapping

from sqlalchemy import select
from sqlalchemy.orm import Session, joinedload

from maqueta.store.clock import now
from maqueta.store.models import Deed


def note_deed(session: Session, account_id: int, what: str, to_what: Mapping[str, str], request: str) -> None:
    """Write down a change, in the transaction that makes it."""
    session.add(Deed(at=now(), account_id=account_id, what=what[:120], to_what=dict(to_what), request=request))


def deeds(session: Session, before: int | None, most: int) -> list[Deed]:
    """The newest changes, or those before one of them."""
    query = select(Deed).options(joinedload(Deed.account)).order_by(Deed.id.desc()).limit(most)
    return list(session.scalars(query.where(Deed.id < before) if before is not None else query))
