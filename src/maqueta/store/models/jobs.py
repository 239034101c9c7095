"""Work done beside the server."""

from datetime import datetime

from sqlalchemy import DateTime, Float, ForeignKey, Integer, String
from sqlalchemy.orm import Mapped, mapped_column

from maqueta.phrases.phrase import Phrase
from maqueta.store.models.base import Base
from maqueta.store.said import Said


class JobRecord(Base):
    """Work done beside the server; its state outlives a restart.

    `attempts` counts how often it was begun, `seen_at` is the last sign of life of who works on it. `result` names the
    file that came of it, by content hash, where there is one.
    """

    __tablename__ = "job"
    id: Mapped[int] = mapped_column(primary_key=True)
    owner_id: Mapped[int] = mapped_column(ForeignKey("account.id"))
    kind: Mapped[str] = mapped_column(String(20))
    subject_id: Mapped[int] = mapped_column(Integer)
    state: Mapped[str] = mapped_column(String(12), index=True)
    progress: Mapped[float] = mapped_column(Float, default=0.0)
    message: Mapped[Phrase | None] = mapped_column(Said)
    result: Mapped[str | None] = mapped_column(String(64))
    attempts: Mapped[int] = mapped_column(Integer, default=0)
    seen_at: Mapped[datetime | None] = mapped_column(DateTime)
    created_at: Mapped[datetime] = mapped_column(DateTime)
