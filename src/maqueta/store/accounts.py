"""Accounts of people."""

from typing import Literal

from sqlalchemy import delete, select
from sqlalchemy.orm import Session

from maqueta.store.clock import now
from maqueta.store.errors import NotVisible
from maqueta.store.log_ins import forget_failures
from maqueta.store.models import Account, KnownBrowser, LogIn

Role = Literal["instructor", "student", "admin"]


def account_by_login(session: Session, login: str) -> Account | None:
    """The active account of a log-in name."""
    return session.scalar(select(Account).where(Account.login == login, Account.active))


def add_account(session: Session, login: str, name: str, role: Role, password_hash: str) -> Account:
    """A new account."""
    account = Account(login=login, name=name, role=role, password_hash=password_hash, active=True, created_at=now())
    session.add(account)
    session.flush()
    return account


def set_password(session: Session, found: Account, password_hash: str, keep: LogIn) -> None:
    """Give an account the password its owner has chosen; log-ins elsewhere end, and `keep` goes on."""
    found.password_hash, found.must_change = password_hash, False
    session.execute(delete(LogIn).where(LogIn.account_id == found.id, LogIn.id != keep.id))


def reset_password(session: Session, found: Account, password_hash: str) -> None:
    """Give an account a password for one log-in, at which its owner chooses another; no browser is known any more."""
    found.password_hash, found.must_change = password_hash, True
    session.execute(delete(LogIn).where(LogIn.account_id == found.id))
    session.execute(delete(KnownBrowser).where(KnownBrowser.account_id == found.id))
    forget_failures(session, found.login)


def all_accounts(session: Session) -> list[Account]:
    """Every account, for administrators."""
    return list(session.scalars(select(Account).order_by(Account.role, Account.name)))


def account(session: Session, account_id: int) -> Account:
    """An account by its number, for administrators. Raises NotVisible."""
    found = session.get(Account, account_id)
    if found is None:
        raise NotVisible
    return found


def close_account(session: Session, found: Account, active: bool) -> None:
    """Close an account and end its sessions, or open it again."""
    found.active = active
    if not active:
        session.execute(delete(LogIn).where(LogIn.account_id == found.id))
