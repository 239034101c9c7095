"""Files of a class brought to the wall of a set: every page becomes the sheet it is found to be, of the student it is
found to be of.
"""

from typing import Annotated

from fastapi import APIRouter, Form, HTTPException, UploadFile

from maqueta.phrases.phrase import phrase
from maqueta.reading.limits import MOST_PAGES
from maqueta.service.deliveries.messages import DeliveryAnswer
from maqueta.service.deliveries.originals import Upload
from maqueta.service.deliveries.pinning import by_file, pin_up, unknown
from maqueta.service.deliveries.reading import read_page
from maqueta.service.desk import AtDesk
from maqueta.service.exercises.answers import task_of
from maqueta.service.exercises.variation import version_for
from maqueta.service.sets.messages import SetDeliveryAnswer
from maqueta.service.sets.telling_apart import told_apart
from maqueta.service.uploaded import uploaded_sheet
from maqueta.service.world import Instructor, InTransaction
from maqueta.store.classes import students_of
from maqueta.store.models import ExerciseRecord
from maqueta.store.sets import exercises_of_set

router = APIRouter(prefix="/api/sets")


@router.post("/{set_id}/deliveries")
def take_delivery(
    set_id: int,
    file: UploadFile,
    instructor: Instructor,
    session: InTransaction,
    at: AtDesk,
    student: Annotated[int | None, Form()] = None,
    exercise: Annotated[int | None, Form()] = None,
    page: Annotated[int, Form(ge=1, le=MOST_PAGES)] = 1,
) -> SetDeliveryAnswer:
    """Tell which sheet of the set one page of a file is, and whose, check it and pin it up.

    `student` and `exercise` are said where that could not be told. A sheet that is already handed in is never replaced.
    """
    exercises = exercises_of_set(session, instructor, set_id)
    data, name = uploaded_sheet(at.world.settings, file)
    people = students_of(session, exercises[0].class_id)
    asked = next((person for person in people if person.id == student), None)
    if student is not None and asked is None:
        raise HTTPException(404, phrase("no-such-student"))
    own = next((own for own in exercises if own.id == exercise), None)
    if exercise is not None and own is None:
        raise HTTPException(404, phrase("no-such-sheet-in-set"))
    known = asked or by_file(people, name)
    if own is None:
        # Whoever has sizes of their own is known by them.
        whose = [version_for(at.world, session, other, known.id) if known else other.version for other in exercises]
        desks = [at.desk(version, task_of(other)) for version, other in zip(whose, exercises, strict=True)]
        found = told_apart(at, exercises, desks, data, name, page)
        if found.refused is not None:
            raise HTTPException(422, phrase("file-refused", file=name, reason=found.refused))
        (only,) = found.pages
        if only.refused is not None and found.count == 1:
            raise HTTPException(422, phrase("file-refused", file=name, reason=only.refused))
        if only.refused is not None:
            # Another page may be a sheet.
            return _told(None, unknown([], only.refused, found.count))
        if only.place is None:
            answer = _told(None, unknown([], phrase("page-is-none-of-the-set"), found.count))
            return answer.model_copy(update={"unplaced": True})
        own = exercises[only.place]
    if own.varied and known is None:
        return _told(own, unknown(people, phrase("whose-sheet-varied")))
    version = version_for(at.world, session, own, known.id) if known is not None else own.version
    desk = at.desk(version, task_of(own))
    work = read_page(at, desk, data, page)
    if work.refused is not None:
        raise HTTPException(422, phrase("file-refused", file=name, reason=work.refused))
    return _told(own, pin_up(at, own, people, asked, desk, Upload(data, name, page), work))


def _told(own: ExerciseRecord | None, answer: DeliveryAnswer) -> SetDeliveryAnswer:
    title = own.title if own is not None else ""
    return SetDeliveryAnswer(exercise=own.id if own is not None else None, title=title, **dict(answer))
