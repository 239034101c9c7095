"""Pages of files read for an exercise, in a process of their own, while the place inside is somebody else's."""

from pathlib import PurePath

from maqueta.service.deliveries.file_work import SheetWork
from maqueta.service.desk import DeskPlace
from maqueta.service.desk_work import Desk
from maqueta.service.shelf.looks import Drawn, in_looks
from maqueta.service.world import aside
from maqueta.sheet.document import SheetDocument


def read_page(at: DeskPlace, desk: Desk, data: bytes, page: int) -> SheetWork:
    """A page of a file as read, while the place inside is somebody else's.

    Its part is drawn in all looks its views may have.
    """
    looks: Drawn = ()
    while True:
        with aside(at.world, at.session):
            work = at.world.kernel.read_sheet(data, page, desk.part, desk.task, looks, at.wanted)
        if not work.wanted:
            return work
        looks += in_looks(at.world, at.session, desk.part, desk.source, work.wanted)


def document_of(work: SheetWork, file_name: str) -> SheetDocument:
    """What was read, named as its file is."""
    return SheetDocument.model_validate_json(work.document).model_copy(update={"name": PurePath(file_name).stem[:120]})
