"""Parts drawn in looks that are none of the usual ones, kept by the hash of the part and the look."""

import hashlib
import json
from typing import Final

from pydantic import TypeAdapter
from sqlalchemy import func, select
from sqlalchemy.dialects.mysql import insert
from sqlalchemy.orm import Session

from maqueta.geometry.frame import Frame
from maqueta.projection.look import Look
from maqueta.solid.cut import Cut
from maqueta.store.clock import now
from maqueta.store.models import ProjectionRecord

_CUT: Final = TypeAdapter(Cut)
#: Looks kept of one part; more are drawn anew each time, so that nobody fills the disk by turning a part about.
MOST_KEPT: Final = 200


def kept_looks(session: Session, part: str) -> list[tuple[Look, str]]:
    """The looks in which a part has been drawn, and the files with their line sets."""
    own = ProjectionRecord
    rows = session.execute(select(own.look, own.cut, own.lines).where(own.part == part))
    found = []
    for text, cut, lines in rows.all():
        frame, only = _seen(text)
        found.append((Look(frame, _CUT.validate_json(cut) if cut else None, None, only), lines))
    return found


def room_left(session: Session, part: str) -> int:
    """How many more looks of a part may be kept."""
    count = session.scalar(select(func.count()).where(ProjectionRecord.part == part)) or 0
    return max(0, MOST_KEPT - count)


def keep_look(session: Session, part: str, look: Look, lines: str) -> None:
    """Keep that a part has been drawn in a look, and the file with its line set; twice is once.

    What a clip keeps of it is cut out when it is asked for.
    """
    cut = _CUT.dump_json(look.cut).decode() if look.cut is not None else ""
    key = hashlib.sha256(cut.encode()).hexdigest() if cut else ""
    row = {
        "part": part,
        "look": json.dumps([*look.frame, look.only] if look.only is not None else look.frame),
        "cut": cut,
        "cut_hash": key,
        "lines": lines,
        "drawn_at": now(),
    }
    session.execute(insert(ProjectionRecord).values(row).prefix_with("IGNORE"))


def _seen(text: str) -> tuple[Frame, str | None]:
    """A frame, and the component that alone is seen in it, if so."""
    frame, only = json.loads(text)[:3], json.loads(text)[3:]
    right, up, towards = ((x, y, z) for x, y, z in frame)
    return (right, up, towards), only[0] if only else None
