"""Sessions, known browsers and refused log-ins."""

import hashlib
import secrets
from datetime import timedelta

from sqlalchemy import delete, func, select, update
from sqlalchemy.orm import Session, joinedload

from maqueta.store.clock import now
from maqueta.store.errors import NotVisible
from maqueta.store.models import Account, FailedLogIn, KnownBrowser, LogIn

SESSION_LENGTH = timedelta(hours=12)
#: Refused log-ins per account within the window before further ones are turned away unheard.
MOST_FAILURES = 6
#: A browser nobody has logged in from for so long is known no more.
KNOWN_FOR = timedelta(days=365)
#: The same for one address, behind which a whole school may sit.
MOST_FROM_ADDRESS = 200
FAILURE_WINDOW = timedelta(minutes=10)


def _hash(token: str) -> str:
    return hashlib.sha256(token.encode()).hexdigest()


def open_log_in(session: Session, account: Account, browser: str) -> tuple[str, LogIn]:
    """Start a session in a kind of browser; returns the secret token for the cookie and the record."""
    session.execute(delete(LogIn).where(LogIn.expires_at < now()))
    token = secrets.token_urlsafe(32)
    record = LogIn(
        token_hash=_hash(token),
        request_token=secrets.token_urlsafe(24),
        account_id=account.id,
        begun_at=now(),
        expires_at=now() + SESSION_LENGTH,
        browser=browser[:40],
    )
    session.add(record)
    session.flush()
    return token, record


def log_in_of(session: Session, token: str) -> LogIn | None:
    """The session of a cookie, unless it has ended or its account was closed."""
    query = select(LogIn).options(joinedload(LogIn.account, innerjoin=True))
    record = session.scalar(query.where(LogIn.token_hash == _hash(token), LogIn.expires_at > now()))
    return record if record is not None and record.account.active else None


def close_log_in(session: Session, token: str) -> None:
    """End a session."""
    session.execute(delete(LogIn).where(LogIn.token_hash == _hash(token)))


def begin_log_in(session: Session, login: str, address: str, browser: str | None) -> int:
    """Count a log-in before its password is looked at; returns the number it succeeds or fails under.

    `browser` is the token of a browser known from before, if it has one.
    """
    session.execute(delete(FailedLogIn).where(FailedLogIn.at < now() - FAILURE_WINDOW))
    known = ""
    if browser is not None:
        query = select(KnownBrowser).join(Account, Account.id == KnownBrowser.account_id)
        found = session.scalar(query.where(KnownBrowser.token_hash == _hash(browser), Account.login == login))
        known = found.token_hash if found is not None else ""
    record = FailedLogIn(login=login[:60], at=now(), address=_hash(address), known=known)
    session.add(record)
    session.flush()
    return record.id


def too_many_log_ins(session: Session, number: int) -> bool:
    """Whether a log-in that was begun comes after too many that failed or are still under way.

    Counted are those of the same name, and of the same address. From a browser the owner has used before, only those
    from there count: whoever guesses elsewhere does not lock the owner out. What was begun must be committed: of any
    number begun at one moment, only the first few pass.
    """
    own = session.get(FailedLogIn, number)
    if own is None:
        return False
    earlier = select(func.count()).select_from(FailedLogIn).where(FailedLogIn.id < own.id)
    same = earlier.where(FailedLogIn.login == own.login, FailedLogIn.known == own.known)
    near = earlier.where(FailedLogIn.address == own.address)
    by_name, by_address = session.scalar(same) or 0, session.scalar(near) or 0
    return by_name >= MOST_FAILURES or (by_address >= MOST_FROM_ADDRESS and not own.known)


def drop_log_in(session: Session, number: int) -> None:
    """Forget a log-in whose password was not looked at: it tells nobody anything."""
    session.execute(delete(FailedLogIn).where(FailedLogIn.id == number))


def log_in_succeeded(session: Session, number: int, account: Account, browser: str | None) -> str:
    """Clear the slate of where a person has logged in; returns the token by which the browser is known from now on."""
    own = session.get(FailedLogIn, number)
    known = own.known if own is not None else ""
    session.execute(delete(FailedLogIn).where(FailedLogIn.login == account.login, FailedLogIn.known == known))
    if known and browser is not None:
        session.execute(update(KnownBrowser).where(KnownBrowser.token_hash == known).values(seen_at=now()))
        return browser
    session.execute(delete(KnownBrowser).where(KnownBrowser.seen_at < now() - KNOWN_FOR))
    token = secrets.token_urlsafe(24)
    session.add(KnownBrowser(token_hash=_hash(token), account_id=account.id, seen_at=now()))
    return token


def forget_failures(session: Session, login: str) -> int:
    """Let a person try again at once; returns how many refused log-ins were forgotten."""
    found = list(session.scalars(select(FailedLogIn).where(FailedLogIn.login == login)))
    for record in found:
        session.delete(record)
    return len(found)


def log_ins_of(session: Session, account: Account) -> list[LogIn]:
    """Where a person is logged in just now, the newest first."""
    query = select(LogIn).where(LogIn.account_id == account.id, LogIn.expires_at > now())
    return list(session.scalars(query.order_by(LogIn.id.desc())))


def end_log_in(session: Session, account: Account, log_in_id: int) -> None:
    """End one of a person's sessions. Raises NotVisible."""
    found = session.scalar(select(LogIn).where(LogIn.id == log_in_id, LogIn.account_id == account.id))
    if found is None:
        raise NotVisible
    session.delete(found)


def end_log_ins(session: Session, account: Account) -> int:
    """End all sessions of a person; returns how many there were."""
    found = list(session.scalars(select(LogIn).where(LogIn.account_id == account.id)))
    for record in found:
        session.delete(record)
    return len(found)
