"""Which pages of a file are which sheets of a set, told in a process of its own."""

from collections.abc import Sequence

from maqueta.service.desk import DeskPlace
from maqueta.service.desk_work import Desk
from maqueta.service.sets.beside import asked_of
from maqueta.service.sets.file_work import FoundPages, SetFile
from maqueta.service.shelf.looks import Drawn, in_looks
from maqueta.service.world import aside
from maqueta.store.models import ExerciseRecord


def told_apart(
    at: DeskPlace,
    exercises: Sequence[ExerciseRecord],
    desks: Sequence[Desk],
    data: bytes,
    name: str,
    page: int | None = None,
) -> FoundPages:
    """Which pages of a file, or which one, are which of the sheets asked for, or why there are none."""
    asked, parts = asked_of(exercises), tuple(desk.part for desk in desks)
    looks: list[Drawn] = [() for _ in desks]
    while True:
        with aside(at.world, at.session):
            found = at.world.kernel.tell_apart(SetFile(data, name, asked, parts, tuple(looks), page), at.wanted)
        if not found.wanted:
            return found
        for place, wanted in found.wanted:
            desk = desks[place]
            looks[place] += in_looks(at.world, at.session, desk.part, desk.source, wanted)
