"""A sheet that was read from a file of a class pinned up for its student, or why not."""

from collections.abc import Sequence
from pathlib import PurePath

from maqueta.phrases.phrase import Phrase, phrase
from maqueta.reading.questions import is_question
from maqueta.service.bench.receipts import receipt_of
from maqueta.service.deliveries.file_work import SheetWork
from maqueta.service.deliveries.messages import DeliveryAnswer, StudentName
from maqueta.service.deliveries.originals import Upload, keep
from maqueta.service.deliveries.reading import document_of
from maqueta.service.deliveries.whose import named
from maqueta.service.deliveries.work import judged
from maqueta.service.desk import DeskPlace
from maqueta.service.desk_work import Desk
from maqueta.service.marking.answers import scope_json
from maqueta.service.sets.together import check_anew, meet_others
from maqueta.store.models import Account, ExerciseRecord
from maqueta.store.sets import hold_set
from maqueta.store.sheets import deliver, own_sheet


def by_file(people: Sequence[Account], file_name: str) -> Account | None:
    """Whose sheets a file holds by its name."""
    return named(people, PurePath(file_name).stem)


def pin_up(
    at: DeskPlace,
    exercise: ExerciseRecord,
    people: Sequence[Account],
    asked: Account | None,
    desk: Desk,
    upload: Upload,
    work: SheetWork,
) -> DeliveryAnswer:
    """Check what was read and pin it up for the student who was `asked` for, else the one whom the file's name or the
    title block names; where these name two it is asked whose it is.

    A sheet that is handed in already, or begun, is never replaced.
    """
    document = document_of(work, upload.name)
    by_name, by_title = by_file(people, upload.name), named(people, document.title.fields.get("drafter", ""))
    if asked is None and by_name is not None and by_title is not None and by_name.id != by_title.id:
        return unknown(people, phrase("whose-sheet-two", file=by_name.name, title=by_title.name), work.pages)
    whose = asked or by_name or by_title
    if whose is None:
        return unknown(people, phrase("whose-sheet-unknown"), work.pages)
    session, student = at.session, StudentName(id=whose.id, name=whose.name)
    among = at.in_its_set(desk, exercise, whose.id)
    result = at.run(judged, among, document, True)
    hold_set(session, exercise)
    before = own_sheet(session, whose, exercise.id, lock=True)
    if before is not None and (before.state != "draft" or before.document.get("views")):
        handed_in = before.state != "draft"
        why = phrase("already-handed-in") if handed_in else phrase("sheet-begun-here")
        return DeliveryAnswer(
            sheet=before.id if handed_in else None, student=student, why=why, candidates=[], pages=work.pages
        )
    met = meet_others(session, at.world.files, exercise, whose.id, among)
    kept = result.document.model_dump(mode="json")
    record = deliver(session, whose, exercise, kept, result.measured, scope_json(result.scope), receipt_of(kept))
    met.settle(record)
    keep(at.world.files, session, (whose, exercise, record.attempt), upload, work)
    check_anew(at, met)
    return DeliveryAnswer(
        sheet=record.id,
        student=student,
        why=None,
        candidates=[],
        questions=sum(map(is_question, work.not_read)),
        findings=len(result.measured),
        pages=work.pages,
    )


def unknown(people: Sequence[Account], why: Phrase, pages: int = 1) -> DeliveryAnswer:
    """Nobody's sheet yet: why, and whose it may be."""
    names = [StudentName(id=person.id, name=person.name) for person in people]
    return DeliveryAnswer(sheet=None, student=None, why=why, candidates=names, pages=pages)
