"""What people decide about sheets, beside what the program found; and how findings become marks."""

from datetime import datetime
from typing import Any

from sqlalchemy import JSON, DateTime, Float, ForeignKey, Index, Integer, String, Text, UniqueConstraint
from sqlalchemy.orm import Mapped, mapped_column, relationship

from maqueta.store.models.base import Base
from maqueta.store.models.people import Account
from maqueta.store.models.sheets import SheetRecord


class AddedFinding(Base):
    """A mistake the program did not find: its criterion, words, cost in points, and where on paper, if anywhere.

    `key` is the browser's own, so that what is sent twice is added once.
    """

    __tablename__ = "added_finding"
    __table_args__ = (UniqueConstraint("sheet_id", "key"),)
    id: Mapped[int] = mapped_column(primary_key=True)
    sheet_id: Mapped[int] = mapped_column(ForeignKey("sheet.id", ondelete="CASCADE"))
    key: Mapped[str] = mapped_column(String(40))
    criterion: Mapped[str] = mapped_column(String(20))
    words: Mapped[str] = mapped_column(Text)
    cost: Mapped[float] = mapped_column(Float)
    at: Mapped[list[float] | None] = mapped_column(JSON)
    added_by: Mapped[int | None] = mapped_column(ForeignKey("account.id"))
    added_at: Mapped[datetime] = mapped_column(DateTime)
    sheet: Mapped[SheetRecord] = relationship(back_populates="added")


class GivenMark(Base):
    """Points a person gave for a criterion in place of the computed ones, or as a bonus (`criterion` is "bonus")."""

    __tablename__ = "given_mark"
    sheet_id: Mapped[int] = mapped_column(ForeignKey("sheet.id", ondelete="CASCADE"), primary_key=True)
    criterion: Mapped[str] = mapped_column(String(20), primary_key=True)
    points: Mapped[float] = mapped_column(Float)
    given_by: Mapped[int | None] = mapped_column(ForeignKey("account.id"))
    given_at: Mapped[datetime] = mapped_column(DateTime)
    sheet: Mapped[SheetRecord] = relationship(back_populates="given")


class PinRecord(Base):
    """A pin or a freehand stroke on a sheet, with what was said there; `points` in sheet mm, one for a pin.

    `key` is the browser's own, so that what is sent twice is put there once.
    """

    __tablename__ = "pin"
    __table_args__ = (UniqueConstraint("sheet_id", "key"),)
    id: Mapped[int] = mapped_column(primary_key=True)
    sheet_id: Mapped[int] = mapped_column(ForeignKey("sheet.id", ondelete="CASCADE"))
    key: Mapped[str] = mapped_column(String(40))
    points: Mapped[list[list[float]]] = mapped_column(JSON)
    words: Mapped[str] = mapped_column(Text)
    made_by: Mapped[int | None] = mapped_column(ForeignKey("account.id"))
    made_at: Mapped[datetime] = mapped_column(DateTime)
    sheet: Mapped[SheetRecord] = relationship(back_populates="pins")


class SchemeChange(Base):
    """A change of how an exercise is marked, once it was set: who, when, and the scheme before and after."""

    __tablename__ = "scheme_change"
    __table_args__ = (Index("ix_scheme_change_exercise_id_id", "exercise_id", "id"),)
    id: Mapped[int] = mapped_column(primary_key=True)
    exercise_id: Mapped[int] = mapped_column(ForeignKey("exercise.id", ondelete="CASCADE"))
    account_id: Mapped[int | None] = mapped_column(ForeignKey("account.id"))
    at: Mapped[datetime] = mapped_column(DateTime)
    before: Mapped[dict[str, Any]] = mapped_column(JSON)
    after: Mapped[dict[str, Any]] = mapped_column(JSON)
    account: Mapped[Account | None] = relationship()


class SchemeTemplate(Base):
    """A way of marking an instructor keeps for other exercises."""

    __tablename__ = "scheme_template"
    id: Mapped[int] = mapped_column(primary_key=True)
    owner_id: Mapped[int] = mapped_column(ForeignKey("account.id"))
    name: Mapped[str] = mapped_column(String(80))
    scheme: Mapped[dict[str, Any]] = mapped_column(JSON)
    kept_at: Mapped[datetime] = mapped_column(DateTime)


class MoreTime(Base):
    """More time for one student of an exercise, in minutes after it is due."""

    __tablename__ = "more_time"
    exercise_id: Mapped[int] = mapped_column(ForeignKey("exercise.id", ondelete="CASCADE"), primary_key=True)
    student_id: Mapped[int] = mapped_column(ForeignKey("account.id", ondelete="CASCADE"), primary_key=True)
    minutes: Mapped[int] = mapped_column(Integer)
