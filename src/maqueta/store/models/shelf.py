"""Parts, their versions, what was drawn of them, sheet forms."""

from datetime import datetime
from typing import Any, Final

from sqlalchemy import JSON, Column, DateTime, ForeignKey, Index, Integer, String, Table, Text, UniqueConstraint
from sqlalchemy.orm import Mapped, mapped_column, relationship

from maqueta.phrases.phrase import Phrase
from maqueta.store.models.base import Base
from maqueta.store.models.people import Account
from maqueta.store.said import Said


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


#: How the files of assemblies are called; no file that is brought in may be called so.
ASSEMBLY_SUFFIX: Final = ".assembly"
#: The parts an assembly's version is put together from, each once.
VERSION_COMPONENT: Final = Table(
    "version_component",
    Base.metadata,
    Column("version_id", ForeignKey("part_version.id", ondelete="CASCADE"), primary_key=True),
    Column("component_id", ForeignKey("part_version.id"), primary_key=True, index=True),
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
    variation made for one student. An assembly's source is its document; `components` are the versions of the parts it
    is put together from, which the document names by their numbers. `facts` are what lists show, `report` is what
    bringing in a file had to say.
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
    uncut: Mapped[list[dict[str, Any]] | None] = mapped_column(JSON)
    facts: Mapped[dict[str, Any] | None] = mapped_column(JSON)
    report: Mapped[dict[str, Any] | None] = mapped_column(JSON)
    dossier: Mapped[str | None] = mapped_column(String(64))
    mesh: Mapped[str | None] = mapped_column(String(64))
    picture: Mapped[str | None] = mapped_column(String(64))
    created_at: Mapped[datetime] = mapped_column(DateTime)
    part: Mapped[PartRecord] = relationship()
    components: Mapped[list["VersionRecord"]] = relationship(
        secondary=VERSION_COMPONENT,
        primaryjoin=id == VERSION_COMPONENT.c.version_id,
        secondaryjoin=id == VERSION_COMPONENT.c.component_id,
        order_by=VERSION_COMPONENT.c.component_id,
    )

    @property
    def is_assembly(self) -> bool:
        """Whether it is put together from other parts; without asking for those."""
        return self.file_name.endswith(ASSEMBLY_SUFFIX)


class ProjectionRecord(Base):
    """A part drawn in a look that is none of the usual ones: `part` is its hash, `lines` the file with its line set.

    `look` is the exact frame as text, `cut` a section's cut and `cut_hash` its SHA-256, so that nothing is kept twice;
    looks no drawing could tell apart are found by comparing frames.
    """

    __tablename__ = "projection"
    __table_args__ = (UniqueConstraint("part", "look", "cut_hash"),)
    id: Mapped[int] = mapped_column(primary_key=True)
    part: Mapped[str] = mapped_column(String(64))
    look: Mapped[str] = mapped_column(String(250))
    cut: Mapped[str] = mapped_column(Text, default="", server_default="")
    cut_hash: Mapped[str] = mapped_column(String(64), default="", server_default="")
    lines: Mapped[str] = mapped_column(String(64))
    drawn_at: Mapped[datetime] = mapped_column(DateTime)


class SheetFormRecord(Base):
    """A sheet form of the school and who made it. Exercises keep a copy: changing one changes no exercise.

    A dropped one can be brought back until the nightly round takes it away.
    """

    __tablename__ = "sheet_form"
    id: Mapped[int] = mapped_column(primary_key=True)
    owner_id: Mapped[int] = mapped_column(ForeignKey("account.id"))
    name: Mapped[str] = mapped_column(String(80))
    document: Mapped[dict[str, Any]] = mapped_column(JSON)
    revision: Mapped[int] = mapped_column(Integer)
    created_at: Mapped[datetime] = mapped_column(DateTime)
    saved_at: Mapped[datetime] = mapped_column(DateTime)
    dropped_at: Mapped[datetime | None] = mapped_column(DateTime)
    owner: Mapped[Account] = relationship()
