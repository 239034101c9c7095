"""Secrets that all servers and workers on one database share."""

import secrets

from sqlalchemy.exc import IntegrityError
from sqlalchemy.orm import Session

from maqueta.store.models import SharedKey

#: 256 bits, as many as the digest it is used with (RFC 2104, section 3, asks for no fewer).
_KEY_BYTES = 32


def shared_key(session: Session, name: str) -> bytes:
    """The key of a name, made when it is first asked for: whoever asks later, on whatever machine, gets the same."""
    found = session.get(SharedKey, name)
    if found is None:
        try:
            with session.begin_nested():
                found = SharedKey(name=name, value=secrets.token_hex(_KEY_BYTES))
                session.add(found)
        except IntegrityError:
            found = session.get_one(SharedKey, name)
    return bytes.fromhex(found.value)
