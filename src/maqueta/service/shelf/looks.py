"""A part in looks that are none of the usual ones: drawn by a worker when first asked for, then kept."""

from collections.abc import Iterable, Sequence

from fastapi import HTTPException
from sqlalchemy.orm import Session

from maqueta.geometry.line_set import LineSet
from maqueta.phrases.phrase import phrase
from maqueta.projection.look import Look, LookTable
from maqueta.projection.projected_part import LINES
from maqueta.service.shelf.kernel_work import PartSource
from maqueta.service.world import World, aside
from maqueta.solid.errors import PartError
from maqueta.store.files import StoredFile
from maqueta.store.projections import keep_look, kept_looks, room_left

Drawn = tuple[tuple[Look, LineSet], ...]


def kept_of(session: Session, part: StoredFile, looks: Iterable[Look]) -> tuple[Drawn, tuple[Look, ...]]:
    """What is kept of a projected part as seen in some looks, and the looks in which it has yet to be drawn."""
    table = LookTable(kept_looks(session, part.name))
    files = {look: table.get(look) for look in looks}
    drawn = tuple((look, LINES.validate_json(part.store.get(name))) for look, name in files.items() if name)
    return drawn, tuple(look for look, name in files.items() if name is None)


def keep(session: Session, part: StoredFile, drawn: Drawn) -> None:
    """Keep a projected part as it has been drawn in some looks, as far as there is room."""
    for look, lines in drawn[: room_left(session, part.name)]:
        keep_look(session, part.name, look, part.store.put(LINES.dump_json(lines)))


def in_looks(world: World, session: Session, part: StoredFile, source: PartSource, looks: Sequence[Look]) -> Drawn:
    """A part as seen in some looks. Raises HTTPException 422 where it cannot be drawn."""
    kept, missing = kept_of(session, part, looks)
    if not missing:
        return kept
    try:
        with aside(world, session):
            drawn = world.kernel.looks_drawn(source, missing)
    except PartError as error:
        raise HTTPException(422, phrase("part-cannot-be-drawn", reason=error.reason)) from error
    keep(session, part, drawn)
    return kept + drawn
