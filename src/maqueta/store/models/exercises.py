"""Exercises and what belongs to them."""

from datetime import datetime
from typing import Any

from sqlalchemy import JSON, Boolean, DateTime, ForeignKey, Integer, String
from sqlalchemy.orm import Mapped, mapped_column, relationship

from maqueta.store.models.base import Base
from maqueta.store.models.people import SchoolClass
from maqueta.store.models.shelf import VersionRecord


class SheetSetRecord(Base):
    """A set: so many exercises whose sheets belong together, are looked over, handed in and marked together."""

    __tablename__ = "sheet_set"
    id: Mapped[int] = mapped_column(primary_key=True)
    title: Mapped[str] = mapped_column(String(120))
    sheets: Mapped[int] = mapped_column(Integer)
    created_at: Mapped[datetime] = mapped_column(DateTime)


class ExerciseRecord(Base):
    """An exercise set for a class on one version of a part; `task` is what the checks read.

    With `varied`, every student gets the part in sizes of their own. Students see it from `opens_at` on, once it is
    set (`set_at`); nothing is handed in after `closes_at`, if there is such a time. An archived one is out of the way.
    `news` grows whenever something on its wall changes. One of a set has a `place` there, from 1.
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
    set_at: Mapped[datetime | None] = mapped_column(DateTime)
    opens_at: Mapped[datetime | None] = mapped_column(DateTime)
    closes_at: Mapped[datetime | None] = mapped_column(DateTime)
    archived_at: Mapped[datetime | None] = mapped_column(DateTime)
    news: Mapped[int] = mapped_column(Integer, default=0, server_default="0")
    created_at: Mapped[datetime] = mapped_column(DateTime)
    set_id: Mapped[int | None] = mapped_column(ForeignKey("sheet_set.id"))
    place: Mapped[int] = mapped_column(Integer, default=1, server_default="1")
    version: Mapped[VersionRecord] = relationship()
    school_class: Mapped[SchoolClass] = relationship()
    sheet_set: Mapped[SheetSetRecord | None] = relationship()


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
