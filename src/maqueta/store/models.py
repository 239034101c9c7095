"""Tables. Times are UTC; JSON columns hold documents that have a Pydantic form of their own."""

from datetime import datetime
from typing import Any

from sqlalchemy import (
    JSON,
    Boolean,
    DateTime,
    Float,
    ForeignKey,
    Index,
    Integer,
    MetaData,
    String,
    Text,
    UniqueConstraint,
)
from sqlalchemy.orm import DeclarativeBase, Mapped, mapped_column, relationship

from maqueta.phrases.phrase import Phrase
from maqueta.store.said import Said


class Base(DeclarativeBase):
    """Common naming of constraints, so that migrations can name them."""

    metadata = MetaData(
        naming_convention={
            "ix": "ix_%(column_0_label)s",
            "uq": "uq_%(table_name)s_%(column_0_N_name)s",
            "fk": "fk_%(table_name)s_%(column_0_name)s_%(referred_table_name)s",
            "pk": "pk_%(table_name)s",
        }
    )


class Account(Base):
    """A person who can log in. With `must_change` nothing is open to them but choosing a password of their own.

    `language` is the one they read; None follows their browser.
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
    """A class and its instructor."""

    __tablename__ = "school_class"
    id: Mapped[int] = mapped_column(primary_key=True)
    name: Mapped[str] = mapped_column(String(80))
    instructor_id: Mapped[int] = mapped_column(ForeignKey("account.id"))


class Enrolment(Base):
    """A student's place in a class."""

    __tablename__ = "enrolment"
    class_id: Mapped[int] = mapped_column(ForeignKey("school_class.id", ondelete="CASCADE"), primary_key=True)
    student_id: Mapped[int] = mapped_column(ForeignKey("account.id", ondelete="CASCADE"), primary_key=True)


class PartRecord(Base):
    """A part on an instructor's shelf. What it looks like is in its versions; `current_id` names the newest.

    `current_id` is no foreign key, since parts and versions would then wait for each other.
    """

    __tablename__ = "part"
    id: Mapped[int] = mapped_column(primary_key=True)
    owner_id: Mapped[int] = mapped_column(ForeignKey("account.id"))
    name: Mapped[str] = mapped_column(String(120), index=True)
    current_id: Mapped[int | None] = mapped_column(Integer)
    created_at: Mapped[datetime] = mapped_column(DateTime)
    archived_at: Mapped[datetime | None] = mapped_column(DateTime)
    owner: Mapped[Account] = relationship()
    current: Mapped["VersionRecord"] = relationship(
        primaryjoin="foreign(PartRecord.current_id) == VersionRecord.id", viewonly=True, lazy="joined"
    )
    labels: Mapped[list["LabelRecord"]] = relationship(
        order_by="LabelRecord.label", cascade="all, delete-orphan", lazy="selectin"
    )


class LabelRecord(Base):
    """A label on a part, to find it by."""

    __tablename__ = "part_label"
    part_id: Mapped[int] = mapped_column(ForeignKey("part.id", ondelete="CASCADE"), primary_key=True)
    label: Mapped[str] = mapped_column(String(40), primary_key=True)


class VersionRecord(Base):
    """One state of a part; exercises keep the version they were set with.

    `source` names the uploaded file or the recipe, `dossier` the file with the projected part, `mesh` its triangles
    and `picture` its thumbnail, all by content hash. `sizes` are named sizes that differ from the recipe's own, in a
    variation made for one student. `facts` are what lists show, `report` is what bringing in a file had to say.
    """

    __tablename__ = "part_version"
    __table_args__ = (Index("ix_part_version_part_id_number", "part_id", "number"),)
    id: Mapped[int] = mapped_column(primary_key=True)
    part_id: Mapped[int] = mapped_column(ForeignKey("part.id"))
    number: Mapped[int] = mapped_column(Integer)
    file_name: Mapped[str] = mapped_column(String(200))
    state: Mapped[str] = mapped_column(String(12))
    error: Mapped[Phrase | None] = mapped_column(Said)
    source: Mapped[str] = mapped_column(String(64))
    natural_up: Mapped[str | None] = mapped_column(String(2))
    sizes: Mapped[dict[str, float] | None] = mapped_column(JSON)
    facts: Mapped[dict[str, Any] | None] = mapped_column(JSON)
    report: Mapped[dict[str, Any] | None] = mapped_column(JSON)
    dossier: Mapped[str | None] = mapped_column(String(64))
    mesh: Mapped[str | None] = mapped_column(String(64))
    picture: Mapped[str | None] = mapped_column(String(64))
    created_at: Mapped[datetime] = mapped_column(DateTime)
    part: Mapped[PartRecord] = relationship()


class ProjectionRecord(Base):
    """A part drawn in a look that is none of the usual ones: `part` is its hash, `lines` the file with its line set.

    `look` is the exact frame as text, so that nothing is kept twice; looks no drawing could tell apart are found by
    comparing frames.
    """

    __tablename__ = "projection"
    __table_args__ = (UniqueConstraint("part", "look"),)
    id: Mapped[int] = mapped_column(primary_key=True)
    part: Mapped[str] = mapped_column(String(64))
    look: Mapped[str] = mapped_column(String(250))
    lines: Mapped[str] = mapped_column(String(64))
    drawn_at: Mapped[datetime] = mapped_column(DateTime)


class ExerciseRecord(Base):
    """An exercise set for a class on one version of a part; `task` is what the checks read.

    With `varied`, every student gets the part in sizes of their own.
    """

    __tablename__ = "exercise"
    id: Mapped[int] = mapped_column(primary_key=True)
    version_id: Mapped[int] = mapped_column(ForeignKey("part_version.id"))
    varied: Mapped[bool] = mapped_column(Boolean, default=False)
    class_id: Mapped[int] = mapped_column(ForeignKey("school_class.id"))
    instructor_id: Mapped[int] = mapped_column(ForeignKey("account.id"))
    title: Mapped[str] = mapped_column(String(120))
    task: Mapped[dict[str, Any]] = mapped_column(JSON)
    due_at: Mapped[datetime] = mapped_column(DateTime)
    created_at: Mapped[datetime] = mapped_column(DateTime)
    version: Mapped[VersionRecord] = relationship()
    school_class: Mapped[SchoolClass] = relationship()


class SheetFormRecord(Base):
    """A sheet form of the school and who made it. Exercises keep a copy: changing one changes no exercise."""

    __tablename__ = "sheet_form"
    id: Mapped[int] = mapped_column(primary_key=True)
    owner_id: Mapped[int] = mapped_column(ForeignKey("account.id"))
    name: Mapped[str] = mapped_column(String(80))
    document: Mapped[dict[str, Any]] = mapped_column(JSON)
    revision: Mapped[int] = mapped_column(Integer)
    created_at: Mapped[datetime] = mapped_column(DateTime)
    saved_at: Mapped[datetime] = mapped_column(DateTime)
    owner: Mapped[Account] = relationship()


class ModelAnswerRecord(Base):
    """The sheet an instructor would deliver for an exercise; none until it is changed by hand."""

    __tablename__ = "model_answer"
    exercise_id: Mapped[int] = mapped_column(ForeignKey("exercise.id", ondelete="CASCADE"), primary_key=True)
    document: Mapped[dict[str, Any]] = mapped_column(JSON)
    revision: Mapped[int] = mapped_column(Integer)
    saved_at: Mapped[datetime] = mapped_column(DateTime)


class StudentPartRecord(Base):
    """The version of a part one student works from, where an exercise gives every student other sizes."""

    __tablename__ = "student_part"
    exercise_id: Mapped[int] = mapped_column(ForeignKey("exercise.id", ondelete="CASCADE"), primary_key=True)
    student_id: Mapped[int] = mapped_column(ForeignKey("account.id"), primary_key=True)
    version_id: Mapped[int] = mapped_column(ForeignKey("part_version.id"))
    version: Mapped[VersionRecord] = relationship()


class SheetRecord(Base):
    """A student's sheet for an exercise. `revision` grows with every change.

    `scope` tells what of it could be judged when it was handed in; sheets older than this column have none. `checker`
    is the version that checked it last, `changed` what came and went when a later one checked it again.
    """

    __tablename__ = "sheet"
    __table_args__ = (UniqueConstraint("exercise_id", "student_id"),)
    id: Mapped[int] = mapped_column(primary_key=True)
    exercise_id: Mapped[int] = mapped_column(ForeignKey("exercise.id"))
    student_id: Mapped[int] = mapped_column(ForeignKey("account.id"))
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
    exercise: Mapped[ExerciseRecord] = relationship()
    student: Mapped[Account] = relationship()
    findings: Mapped[list["FindingRecord"]] = relationship(
        back_populates="sheet", order_by="FindingRecord.number", cascade="all, delete-orphan"
    )


class FindingRecord(Base):
    """What the program found, as measured, and what a person decided about it; both are kept."""

    __tablename__ = "finding"
    __table_args__ = (UniqueConstraint("sheet_id", "number"),)
    id: Mapped[int] = mapped_column(primary_key=True)
    sheet_id: Mapped[int] = mapped_column(ForeignKey("sheet.id", ondelete="CASCADE"))
    number: Mapped[int] = mapped_column(Integer)
    rule: Mapped[str] = mapped_column(String(60), index=True)
    measured: Mapped[dict[str, Any]] = mapped_column(JSON)
    decision: Mapped[str | None] = mapped_column(String(12))
    remark: Mapped[str] = mapped_column(Text, default="")
    decided_by: Mapped[int | None] = mapped_column(ForeignKey("account.id"))
    decided_at: Mapped[datetime | None] = mapped_column(DateTime)
    sheet: Mapped[SheetRecord] = relationship(back_populates="findings")


class JobRecord(Base):
    """Work done beside the server; its state outlives a restart.

    `attempts` counts how often it was begun, `seen_at` is the last sign of life of who works on it.
    """

    __tablename__ = "job"
    id: Mapped[int] = mapped_column(primary_key=True)
    owner_id: Mapped[int] = mapped_column(ForeignKey("account.id"))
    kind: Mapped[str] = mapped_column(String(20))
    subject_id: Mapped[int] = mapped_column(Integer)
    state: Mapped[str] = mapped_column(String(12), index=True)
    progress: Mapped[float] = mapped_column(Float, default=0.0)
    message: Mapped[Phrase | None] = mapped_column(Said)
    attempts: Mapped[int] = mapped_column(Integer, default=0)
    seen_at: Mapped[datetime | None] = mapped_column(DateTime)
    created_at: Mapped[datetime] = mapped_column(DateTime)
