"""The wall of a set: a stack of sheets for everyone, returned and printed as one."""

from collections import Counter
from dataclasses import replace

from fastapi import APIRouter, HTTPException, Response

from maqueta.judging.catalogue import CATALOGUE
from maqueta.phrases.phrase import phrase
from maqueta.service.bench.answers import task_paper
from maqueta.service.bench.drawings import drawing_response
from maqueta.service.desk import AtDesk, DeskPlace
from maqueta.service.exercises.answers import of_points, task_of
from maqueta.service.exercises.variation import version_for
from maqueta.service.marking.standing import Standing, counting, standings
from maqueta.service.messages import Number
from maqueta.service.sets.messages import SetPlace, SetWall, Stack, StackedSheet
from maqueta.service.sets.work import Page, Pages, as_pages
from maqueta.service.world import Instructor, InTransaction, Student
from maqueta.sheet.document import SheetDocument
from maqueta.store.classes import names_of
from maqueta.store.marking import tell_wall
from maqueta.store.models import Account, ExerciseRecord, SheetRecord
from maqueta.store.sets import exercises_of_set
from maqueta.store.sheets import give_back, last_attempts, own_sheet, sheets_of
from maqueta.task.exercise import Exercise

router = APIRouter(prefix="/api/sets")


@router.get("/{set_id}/wall")
def wall(set_id: int, instructor: Instructor, session: InTransaction, at: AtDesk) -> SetWall:
    """Everyone's stack: a sheet for each place, or none there yet, and what they come to."""
    exercises = exercises_of_set(session, instructor, set_id)
    tasks = [task_of(exercise) for exercise in exercises]
    found = [standings(at, exercise, task) for exercise, task in zip(exercises, tasks, strict=True)]
    people = names_of(session, exercises[0].class_id)
    # Who has left the class since keeps what was handed in.
    names = {student: name for student, (name, _) in people.items()}
    for own in found:
        names |= {student: sheets[-1].sheet.student.name for student, sheets in own.items() if student not in names}
    stacks = []
    for student, name in sorted(names.items(), key=lambda entry: (entry[1], entry[0])):
        sheets = [
            _stacked(exercise, task, own.get(student, []))
            for exercise, task, own in zip(exercises, tasks, found, strict=True)
        ]
        points, of = sum(own.points for own in sheets), sum(own.of for own in sheets)
        stacks.append(Stack(student=student, name=name, sheets=sheets, points=points, of=of))
    papers = [task_paper(task) for task in tasks]
    places = [
        SetPlace(exercise=exercise.id, title=exercise.title, width=paper.width, height=paper.height)
        for exercise, paper in zip(exercises, papers, strict=True)
    ]
    own_set = exercises[0].sheet_set
    assert own_set is not None, "they were asked for by their set"
    return SetWall(
        id=own_set.id,
        title=own_set.title,
        school_class=exercises[0].school_class.name,
        draft=any(exercise.set_at is None for exercise in exercises),
        archived=all(exercise.archived_at is not None for exercise in exercises),
        places=places,
        stacks=stacks,
    )


def _stacked(exercise: ExerciseRecord, task: Exercise, own: list[Standing]) -> StackedSheet:
    if not own:
        return StackedSheet(exercise=exercise.id, of=of_points(task))
    sheet = own[-1].sheet
    decided = zip(sheet.findings, own[-1].findings, strict=True)
    found = Counter(CATALOGUE[told.rule].criterion for record, told in decided if record.decision != "waived")
    return StackedSheet(
        exercise=exercise.id,
        sheet=sheet.id,
        revision=sheet.revision,
        state=sheet.state,  # type: ignore[arg-type]
        points=counting([entry.mark.points for entry in own], task),
        of=of_points(task),
        found=dict(found),
        open=sum(1 for finding in sheet.findings if finding.decision is None),
    )


@router.post("/{set_id}/return")
def return_decided(set_id: int, instructor: Instructor, session: InTransaction) -> Number:
    """Return the stacks on which nothing is left to decide, on none of their sheets that are in."""
    exercises = exercises_of_set(session, instructor, set_id)
    sheets = [(exercise, sheets_of(session, exercise)) for exercise in exercises]
    undecided = {
        sheet.student_id
        for _, own in sheets
        for sheet in last_attempts(own)
        if any(finding.decision is None for finding in sheet.findings)
    }
    number = sum(give_back(sheet for sheet in own if sheet.student_id not in undecided) for _, own in sheets)
    # Sheets before the exercises, in the order in which whoever marks takes their locks.
    session.flush()
    for exercise, _ in sheets:
        tell_wall(session, exercise.id)
    return Number(number=number)


@router.get("/{set_id}/sheets.pdf", response_class=Response)
def own_pages(set_id: int, student: Student, session: InTransaction, at: AtDesk) -> Response:
    """One's own sheets of a set as one PDF, in the order of the set."""
    exercises = exercises_of_set(session, student, set_id)
    sheets = [own_sheet(session, student, exercise.id) for exercise in exercises]
    return _bound(at, exercises, [sheet for sheet in sheets if sheet is not None], student)


@router.get("/{set_id}/students/{student_id}/sheets.pdf", response_class=Response)
def pages_of(set_id: int, student_id: int, instructor: Instructor, session: InTransaction, at: AtDesk) -> Response:
    """A student's sheets of a set that are handed in as one PDF, in the order of the set."""
    exercises = exercises_of_set(session, instructor, set_id)
    last = [own for exercise in exercises for own in last_attempts(sheets_of(session, exercise))]
    return _bound(at, exercises, [sheet for sheet in last if sheet.student_id == student_id], instructor)


def _bound(at: DeskPlace, exercises: list[ExerciseRecord], sheets: list[SheetRecord], who: Account) -> Response:
    titles = {exercise.id: exercise.title for exercise in exercises}
    pages = [page for sheet in sheets if (page := _page(at, sheet, titles[sheet.exercise_id], who)) is not None]
    if not pages:
        raise HTTPException(404, phrase("no-sheet-to-print"))
    own_set = exercises[0].sheet_set
    assert own_set is not None, "they were asked for by their set"
    data = at.run(as_pages, Pages(f"{own_set.title} - {sheets[0].student.name}", tuple(pages)))
    return drawing_response(data, "pdf", f"set-{own_set.id}", at.request)


def _page(at: DeskPlace, sheet: SheetRecord, title: str, who: Account) -> Page | None:
    document = SheetDocument.model_validate(sheet.document)
    if document.is_blank:
        return None
    desk = at.desk_at_sheet(sheet, version_for(at.world, at.session, sheet.exercise, sheet.student_id), who)
    seen = at.seen_so(desk, document.looks_aslant) if document.looks_aslant else desk
    return Page(replace(seen, triangles=seen.triangles if document.shaded else None), document, title)
