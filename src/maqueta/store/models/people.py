"""Accounts, log-ins, what people did, classes."""

from datetime import datetime
from typing import Any

from sqlalchemy import JSON, Boolean, DateTime, ForeignKey, String
from sqlalchemy.orm import Mapped, mapped_column, relationship

from maqueta.store.models.base import Base


class Account(Base):
    """A person who can log in. With `must_change` nothing is open to them but choosing a password of their own.

    `language` is the one they read; None follows their browser. `made_by` is the instructor who brought them in by a
    roster; None where an administrator made the account.
    """

    __tablename__ = "account"
    id: Mapped[int] = mapped_column(primary_key=True)
    login: Mapped[str] = mapped_column(String(60), unique=True)
    name: Mapped[str] = mapped_column(String(80))
    role: Mapped[str] = mapped_column(String(12))
    password_hash: Mapped[str] = mapped_column(String(200))
    active: Mapped[bool] = mapped_column(Boolean, default=True)
    must_change: Mapped[bool] = mapped_column(Boolean, default=False)
    language: Mapped[str | None] = mapped_column(String(5))
    email: Mapped[str | None] = mapped_column(String(200))
    made_by: Mapped[int | None] = mapped_column(ForeignKey("account.id", ondelete="SET NULL"))
    created_at: Mapped[datetime] = mapped_column(DateTime)
    anonymised_at: Mapped[datetime | None] = mapped_column(DateTime)


class LogIn(Base):
    """A server-side session; only the hash of its token is kept. `browser` is the kind of browser, in words."""

    __tablename__ = "log_in"
    id: Mapped[int] = mapped_column(primary_key=True)
    token_hash: Mapped[str] = mapped_column(String(64), unique=True)
    request_token: Mapped[str] = mapped_column(String(64))
    account_id: Mapped[int] = mapped_column(ForeignKey("account.id", ondelete="CASCADE"))
    begun_at: Mapped[datetime] = mapped_column(DateTime)
    expires_at: Mapped[datetime] = mapped_column(DateTime)
    browser: Mapped[str] = mapped_column(String(40))
    account: Mapped[Account] = relationship()


class FailedLogIn(Base):
    """A log-in that was tried and has not succeeded, kept to slow down guessing.

    `address` is a hash of where it came from; `known` the hash of a browser's token where its owner was logged in with
    it before, else empty.
    """

    __tablename__ = "failed_log_in"
    id: Mapped[int] = mapped_column(primary_key=True)
    login: Mapped[str] = mapped_column(String(60), index=True)
    at: Mapped[datetime] = mapped_column(DateTime, index=True)
    address: Mapped[str] = mapped_column(String(64), index=True)
    known: Mapped[str] = mapped_column(String(64))


class KnownBrowser(Base):
    """A browser from which a person has logged in before; only the hash of its token is kept."""

    __tablename__ = "known_browser"
    token_hash: Mapped[str] = mapped_column(String(64), primary_key=True)
    account_id: Mapped[int] = mapped_column(ForeignKey("account.id", ondelete="CASCADE"))
    seen_at: Mapped[datetime] = mapped_column(DateTime)


class SharedKey(Base):
    """A secret that all servers and workers on one database share."""

    __tablename__ = "shared_key"
    name: Mapped[str] = mapped_column(String(40), primary_key=True)
    value: Mapped[str] = mapped_column(String(64))


class Deed(Base):
    """Something somebody changed: who, what, to what, when, and the number of the request in the log.

    Written when a request ends well that has changed something, with the last of its changes.
    """

    __tablename__ = "deed"
    id: Mapped[int] = mapped_column(primary_key=True)
    at: Mapped[datetime] = mapped_column(DateTime, index=True)
    account_id: Mapped[int | None] = mapped_column(ForeignKey("account.id", ondelete="SET NULL"))
    what: Mapped[str] = mapped_column(String(120))
    to_what: Mapped[dict[str, str]] = mapped_column(JSON)
    request: Mapped[str] = mapped_column(String(20))
    account: Mapped[Account | None] = relationship()


class SchoolClass(Base):
    """A class, the instructor who made it and those it is shared with. Who has its `join_code` comes in by it.

    `marks_out` is how its marks are written for the school: columns, separator, decimal sign.
    """

    __tablename__ = "school_class"
    id: Mapped[int] = mapped_column(primary_key=True)
    name: Mapped[str] = mapped_column(String(80))
    instructor_id: Mapped[int] = mapped_column(ForeignKey("account.id"))
    join_code: Mapped[str | None] = mapped_column(String(12), unique=True)
    archived_at: Mapped[datetime | None] = mapped_column(DateTime)
    marks_out: Mapped[dict[str, Any] | None] = mapped_column(JSON)


class SharedClass(Base):
    """An instructor with whom another one shares a class."""

    __tablename__ = "shared_class"
    class_id: Mapped[int] = mapped_column(ForeignKey("school_class.id", ondelete="CASCADE"), primary_key=True)
    instructor_id: Mapped[int] = mapped_column(ForeignKey("account.id", ondelete="CASCADE"), primary_key=True)


class Enrolment(Base):
    """A student's place in a class, and the group they work in, if it has groups."""

    __tablename__ = "enrolment"
    class_id: Mapped[int] = mapped_column(ForeignKey("school_class.id", ondelete="CASCADE"), primary_key=True)
    student_id: Mapped[int] = mapped_column(ForeignKey("account.id", ondelete="CASCADE"), primary_key=True)
    group: Mapped[str] = mapped_column(String(40), default="", server_default="")
