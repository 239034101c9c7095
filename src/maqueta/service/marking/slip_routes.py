"""Marked sheets with their slips as PDF: one, or all of an exercise or a set."""

from fastapi import APIRouter, HTTPException, Response
from sqlalchemy.orm import Session

from maqueta.phrases.phrase import phrase
from maqueta.service.desk import AtDesk
from maqueta.service.exercises.answers import task_of
from maqueta.service.exercises.variation import version_for
from maqueta.service.jobs.messages import JobAnswer
from maqueta.service.jobs.streams import job_form
from maqueta.service.language import language_spoken
from maqueta.service.marking.slips import WRITING_SLIPS, WRITING_SLIPS_OF_SET, inked_groups, marked_sheet, written_slips
from maqueta.service.marking.standing import standing
from maqueta.service.world import AnyAccount, Instructor, InTransaction, InWorld, World
from maqueta.sheet.document import SheetDocument
from maqueta.store.errors import NotVisible
from maqueta.store.exercises import exercise_for, extra_time
from maqueta.store.jobs import add_job, own_job
from maqueta.store.models import Account, ExerciseRecord
from maqueta.store.sets import exercises_of_set
from maqueta.store.sheets import readable_sheet

router = APIRouter(prefix="/api")
_SHOWN = {"content-disposition": 'inline; filename="slips.pdf"', "cache-control": "private, no-cache"}


@router.get("/sheets/{sheet_id}/slip.pdf", response_class=Response)
def one(sheet_id: int, account: AnyAccount, session: InTransaction, at: AtDesk) -> Response:
    """The marked sheet with its slip; for its student once it is returned."""
    sheet = readable_sheet(session, account, sheet_id)
    if account.role == "student" and sheet.state != "returned":
        raise HTTPException(403, phrase("not-returned-yet"))
    exercise, task = sheet.exercise, task_of(sheet.exercise)
    own = standing(at, sheet, exercise, task, extra_time(session, exercise, sheet.student_id))
    desk = at.desk_at_sheet(sheet, version_for(at.world, session, exercise, sheet.student_id), account)
    groups = at.run(inked_groups, desk, SheetDocument.model_validate(sheet.document))
    marked = marked_sheet(sheet, groups, own.findings, own.mark, task, own.late, language_spoken())
    title = f"{exercise.title} - {sheet.student.name}"
    return Response(at.run(written_slips, [marked], title), media_type="application/pdf", headers=_SHOWN)


@router.post("/exercises/{exercise_id}/slips", status_code=202)
def all_of(exercise_id: int, instructor: Instructor, session: InTransaction, world: InWorld) -> JobAnswer:
    """Have all marked sheets of an exercise written into one file; the job says how far it is."""
    exercise = exercise_for(session, instructor, exercise_id)
    return _to_be_written(session, instructor, world, WRITING_SLIPS, exercise)


@router.post("/sets/{set_id}/slips", status_code=202)
def all_of_set(set_id: int, instructor: Instructor, session: InTransaction, world: InWorld) -> JobAnswer:
    """Have all marked sheets of a set written into one file, student by student; the job says how far it is."""
    first = exercises_of_set(session, instructor, set_id)[0]
    return _to_be_written(session, instructor, world, WRITING_SLIPS_OF_SET, first)


def _to_be_written(
    session: Session, instructor: Account, world: World, kind: str, exercise: ExerciseRecord
) -> JobAnswer:
    job = add_job(session, instructor, kind, exercise.id)
    session.commit()
    world.queue.wake()
    return job_form(job)


@router.get("/jobs/{job_id}/file", response_class=Response)
def written(job_id: int, instructor: Instructor, session: InTransaction, world: InWorld) -> Response:
    """The file that came of a job."""
    job = own_job(session, instructor, job_id)
    if job.result is None:
        raise NotVisible
    return Response(world.files.get(job.result), media_type="application/pdf", headers=_SHOWN)
