"""Sheets and what was found on them."""

from datetime import datetime
from typing import TYPE_CHECKING, Any

from sqlalchemy import JSON, DateTime, ForeignKey, Integer, String, Text, UniqueConstraint
from sqlalchemy.orm import Mapped, mapped_column, relationship

from maqueta.phrases.phrase import Phrase
from maqueta.store.models.base import Base
from maqueta.store.models.exercises import ExerciseRecord
from maqueta.store.models.people import Account
from maqueta.store.said import AllSaid

if TYPE_CHECKING:
    from maqueta.store.models.marking import AddedFinding, GivenMark, PinRecord


class SheetRecord(Base):
    """A student's sheet for an exercise, one for each attempt. `revision` grows with every change.

    `scope` tells what of it could be judged when it was handed in; sheets older than this column have none. `checker`
    is the version that checked it last, `changed` what came and went when a later one checked it again. `receipt` is
    the hash of what was handed in, as its student was told it.
    """

    __tablename__ = "sheet"
    __table_args__ = (UniqueConstraint("exercise_id", "student_id", "attempt"),)
    id: Mapped[int] = mapped_column(primary_key=True)
    exercise_id: Mapped[int] = mapped_column(ForeignKey("exercise.id"))
    student_id: Mapped[int] = mapped_column(ForeignKey("account.id"))
    attempt: Mapped[int] = mapped_column(Integer, default=1, server_default="1")
    state: Mapped[str] = mapped_column(String(12))
    revision: Mapped[int] = mapped_column(Integer)
    document: Mapped[dict[str, Any]] = mapped_column(JSON)
    scope: Mapped[dict[str, Any] | None] = mapped_column(JSON)
    checks: Mapped[int] = mapped_column(Integer, default=0, server_default="0")
    checker: Mapped[int] = mapped_column(Integer, default=0)
    changed: Mapped[dict[str, Any] | None] = mapped_column(JSON)
    remark: Mapped[str] = mapped_column(Text, default="")
    saved_at: Mapped[datetime] = mapped_column(DateTime)
    handed_in_at: Mapped[datetime | None] = mapped_column(DateTime)
    returned_at: Mapped[datetime | None] = mapped_column(DateTime)
    receipt: Mapped[str | None] = mapped_column(String(64))
    exercise: Mapped[ExerciseRecord] = relationship()
    student: Mapped[Account] = relationship()
    findings: Mapped[list["FindingRecord"]] = relationship(
        back_populates="sheet", order_by="FindingRecord.number", cascade="all, delete-orphan"
    )
    added: Mapped[list["AddedFinding"]] = relationship(
        back_populates="sheet", order_by="AddedFinding.id", cascade="all, delete-orphan"
    )
    given: Mapped[list["GivenMark"]] = relationship(back_populates="sheet", cascade="all, delete-orphan")
    pins: Mapped[list["PinRecord"]] = relationship(
        back_populates="sheet", order_by="PinRecord.id", cascade="all, delete-orphan"
    )


class OriginalRecord(Base):
    """The file an attempt of a student was read from, the one that was brought in last, and what of it was not read.

    `file` and `laid` name the file and its drawing that lies under the sheet, by content hash. `unread_sizes` is how
    many sizes of it were not read, `by_hand` whether it was drawn by hand; both excuse the sheet they were read with,
    known again by the lines it had `drawn`. `looked_at` are the places in `not_read` an instructor has looked at.
    """

    __tablename__ = "original"
    __table_args__ = (UniqueConstraint("exercise_id", "student_id", "attempt"),)
    id: Mapped[int] = mapped_column(primary_key=True)
    exercise_id: Mapped[int] = mapped_column(ForeignKey("exercise.id", ondelete="CASCADE"))
    student_id: Mapped[int] = mapped_column(ForeignKey("account.id"))
    attempt: Mapped[int] = mapped_column(Integer)
    name: Mapped[str] = mapped_column(String(255))
    file: Mapped[str] = mapped_column(String(64))
    laid: Mapped[str] = mapped_column(String(64))
    page: Mapped[int] = mapped_column(Integer)
    pages: Mapped[int] = mapped_column(Integer)
    not_read: Mapped[tuple[Phrase, ...]] = mapped_column(AllSaid)
    unread_sizes: Mapped[int] = mapped_column(Integer)
    by_hand: Mapped[bool] = mapped_column(default=False)
    drawn: Mapped[list[str] | None] = mapped_column(JSON)
    looked_at: Mapped[list[int] | None] = mapped_column(JSON)
    brought_in_at: Mapped[datetime] = mapped_column(DateTime)


class CorrectionRecord(Base):
    """What an instructor corrects in how the file of a sheet was read.

    `document` is what the sheet should be read as, under way and not judged yet; `handed_in` what the sheet was before
    a correction was judged, so that it can be so again.
    """

    __tablename__ = "correction"
    sheet_id: Mapped[int] = mapped_column(ForeignKey("sheet.id", ondelete="CASCADE"), primary_key=True)
    revision: Mapped[int] = mapped_column(Integer)
    document: Mapped[dict[str, Any] | None] = mapped_column(JSON)
    saved_at: Mapped[datetime] = mapped_column(DateTime)
    handed_in: Mapped[dict[str, Any] | None] = mapped_column(JSON)
    judged_at: Mapped[datetime | None] = mapped_column(DateTime)
    judged_by: Mapped[int | None] = mapped_column(ForeignKey("account.id"))


class FindingRecord(Base):
    """What the program found, as measured, and what a person decided about it; both are kept.

    `answer` is what the student says to it, once the sheet is returned.
    """

    __tablename__ = "finding"
    __table_args__ = (UniqueConstraint("sheet_id", "number"),)
    id: Mapped[int] = mapped_column(primary_key=True)
    sheet_id: Mapped[int] = mapped_column(ForeignKey("sheet.id", ondelete="CASCADE"))
    number: Mapped[int] = mapped_column(Integer)
    rule: Mapped[str] = mapped_column(String(60), index=True)
    measured: Mapped[dict[str, Any]] = mapped_column(JSON)
    decision: Mapped[str | None] = mapped_column(String(12))
    remark: Mapped[str] = mapped_column(Text, default="")
    answer: Mapped[str] = mapped_column(Text, default="")
    decided_by: Mapped[int | None] = mapped_column(ForeignKey("account.id"))
    decided_at: Mapped[datetime | None] = mapped_column(DateTime)
    sheet: Mapped[SheetRecord] = relationship(back_populates="findings")
