"""Sets: proposed, set, looked over and handed in as one."""

from collections.abc import Sequence

from fastapi import APIRouter, HTTPException
from sqlalchemy.orm import Session

from maqueta.phrases.phrase import phrase
from maqueta.service.bench.receipts import receipt_of
from maqueta.service.deliveries.originals import believed
from maqueta.service.deliveries.work import Judged, judged
from maqueta.service.desk import AtDesk, DeskPlace
from maqueta.service.desk_work import Desk
from maqueta.service.exercises.answers import exercise_answer
from maqueta.service.exercises.beforehand import ask_for_own_parts
from maqueta.service.exercises.course import is_closed
from maqueta.service.exercises.messages import ArchiveRequest, CopyRequest, ExerciseAnswer
from maqueta.service.exercises.variation import check_ranges
from maqueta.service.marking.answers import scope_json
from maqueta.service.sets.asked import Terms, add_asked, asked_parts
from maqueta.service.sets.beside import ANY
from maqueta.service.sets.messages import (
    HandedInSet,
    LookedOverSheet,
    NewSet,
    ProposalRequest,
    SetProposal,
    SetToHandIn,
)
from maqueta.service.sets.proposal import proposed_sheets
from maqueta.service.sets.together import Met, check_anew, meet_others
from maqueta.service.sets.work import LookedOver, looked_over
from maqueta.service.world import Instructor, InTransaction, InWorld, Student
from maqueta.sheet.document import SheetDocument
from maqueta.store.classes import own_class, students_of
from maqueta.store.clock import now
from maqueta.store.exercises import copy_exercise, extra_time
from maqueta.store.models import Account, ExerciseRecord, SheetRecord
from maqueta.store.sets import add_set, exercises_of_set, hold_set
from maqueta.store.sheets import own_sheet, take_in
from maqueta.store.shelf import own_part
from maqueta.task.sheet_set import MOST_SHEETS

router = APIRouter(prefix="/api/sets")


@router.post("/proposal")
def proposal(form: ProposalRequest, instructor: Instructor, session: InTransaction) -> SetProposal:
    """The sheets a set of some parts would have: of an assembly those of the whole and one for each of its parts."""
    versions = [own_part(session, instructor, number).current for number in dict.fromkeys(form.parts)]
    for version in versions:
        if version.state != "ready":
            raise HTTPException(409, phrase("part-not-ready-for-set", name=version.part.name))
    sheets = [sheet for version in versions for sheet in proposed_sheets(version)]
    if len(sheets) > MOST_SHEETS:
        raise HTTPException(422, phrase("set-too-many", most=MOST_SHEETS))
    title = next((own.part.name for own in versions if own.is_assembly), versions[0].part.name)
    return SetProposal(title=title, sheets=sheets)


@router.post("", status_code=201)
def set_together(form: NewSet, instructor: Instructor, session: InTransaction, at: AtDesk) -> list[ExerciseAnswer]:
    """Set several exercises as one set, all or none."""
    versions = asked_parts(at, session, instructor, form.sheets, form.varied)
    if form.varied:
        check_ranges(at.world, session, versions)
    school_class = own_class(session, instructor, form.school_class)
    terms = Terms(school_class, form.due_at, form.opens_at, form.closes_at, form.varied, form.draft)
    records = add_asked(session, instructor, versions, form.sheets, terms)
    add_set(session, form.title, records)
    ask_for_own_parts(at.world, session, instructor, records)
    total = len(students_of(session, school_class.id))
    for record in records:
        session.refresh(record, ["version", "school_class", "sheet_set"])
    return [exercise_answer(record, total=total) for record in records]


@router.post("/{set_id}/given-out")
def give_out(set_id: int, instructor: Instructor, session: InTransaction, world: InWorld) -> list[ExerciseAnswer]:
    """Set for the class what of a set is still a draft. Doing so twice is doing so once."""
    exercises = exercises_of_set(session, instructor, set_id)
    new = [exercise for exercise in exercises if exercise.set_at is None]
    for exercise in new:
        exercise.set_at = now()
    ask_for_own_parts(world, session, instructor, new)
    return [exercise_answer(exercise) for exercise in exercises]


@router.put("/{set_id}/archived")
def archive(set_id: int, form: ArchiveRequest, instructor: Instructor, session: InTransaction) -> list[ExerciseAnswer]:
    """Put a set out of the way, or bring it back; nothing of it is lost."""
    exercises = exercises_of_set(session, instructor, set_id)
    for exercise in exercises:
        exercise.archived_at = now() if form.archived else None
    return [exercise_answer(exercise) for exercise in exercises]


@router.post("/{set_id}/copy", status_code=201)
def copied(set_id: int, form: CopyRequest, instructor: Instructor, session: InTransaction) -> list[ExerciseAnswer]:
    """A copy of a set for a class, as drafts, on the newest versions of its parts; `title` is that of the set."""
    exercises = exercises_of_set(session, instructor, set_id)
    school_class = own_class(session, instructor, form.school_class)
    records = [
        copy_exercise(session, instructor, exercise, school_class, exercise.title, form.due_at)
        for exercise in exercises
    ]
    add_set(session, form.title, records)
    for record in records:
        session.refresh(record, ["version", "school_class", "sheet_set"])
    return [exercise_answer(record) for record in records]


def _own_sheets(
    session: Session, student: Account, exercises: Sequence[ExerciseRecord]
) -> list[tuple[ExerciseRecord, SheetRecord | None]]:
    return [(exercise, own_sheet(session, student, exercise.id)) for exercise in exercises]


def _drawn(sheet: SheetRecord | None) -> SheetDocument | None:
    """What is drawn on a sheet, if anything is."""
    if sheet is None:
        return None
    document = SheetDocument.model_validate(sheet.document)
    return document if not document.is_blank else None


@router.get("/{set_id}/last-look")
def last_look(set_id: int, student: Student, session: InTransaction, at: AtDesk) -> list[LookedOverSheet]:
    """All own sheets of a set side by side: which are blank, how they are called, numbered and alike, and how far what
    is on them is apart.
    """
    own = _own_sheets(session, student, exercises_of_set(session, student, set_id))
    documents = [_drawn(sheet) for _, sheet in own]
    looked: dict[int, LookedOver] = {}
    first = next((place for place, document in enumerate(documents) if document is not None), None)
    if first is not None:
        exercise, document = own[first][0], documents[first]
        desk = at.in_its_set(at.desk_of(exercise, student), exercise, student.id, ANY)
        looked = at.run(looked_over, desk, document)
    over = [looked.get(exercise.place - 1, LookedOver()) for exercise, _ in own]
    return [
        LookedOverSheet(
            exercise=exercise.id,
            title=exercise.title,
            sheet=sheet.id if sheet is not None else None,
            revision=sheet.revision if sheet is not None else 0,
            state=sheet.state if sheet is not None else "draft",  # type: ignore[arg-type]
            blank=document is None,
            notes=[*seen.notes],
            measured=[*seen.measured],
        )
        for (exercise, sheet), document, seen in zip(own, documents, over, strict=True)
    ]


@router.post("/{set_id}/hand-in")
def hand_in_all(set_id: int, form: SetToHandIn, student: Student, session: InTransaction, at: AtDesk) -> HandedInSet:
    """Check and hand in all sheets of a set that are still drafts, as they are kept, all or none.

    Handing in twice is handing in once.
    """
    exercises = exercises_of_set(session, student, set_id)
    own = _own_sheets(session, student, exercises)
    drafts = [(exercise, sheet) for exercise, sheet in own if sheet is None or sheet.state == "draft"]
    missing = [exercise.title for exercise, sheet in drafts if _drawn(sheet) is None]
    ready = [(exercise, sheet) for exercise, sheet in drafts if sheet is not None and _drawn(sheet) is not None]
    if missing and not form.incomplete and ready:
        raise HTTPException(422, phrase("set-incomplete", titles=tuple(missing)))
    if missing and not ready and len(missing) == len(own):
        raise HTTPException(422, phrase("no-view-to-hand-in"))
    for exercise, _ in ready:
        if is_closed(exercise, extra_time(session, exercise, student.id)):
            raise HTTPException(403, phrase("exercise-closed"))
    results = [(exercise, sheet.revision, *_checked(at, student, exercise, sheet)) for exercise, sheet in ready]
    # Looked at again under a lock: another tab may have been quicker meanwhile.
    hold_set(session, exercises[0])
    drawn = [own for own in results if _is_draft(own_sheet(session, student, own[0].id, lock=True))]
    met = Met()
    if drawn:
        (first, _, desk, _), just_in = drawn[0], [exercise.id for exercise, *_ in drawn]
        met = meet_others(session, at.world.files, first, student.id, desk, just_in)
    for exercise, revision, _, result in drawn:
        document = result.document.model_dump(mode="json")
        scope, receipt = scope_json(result.scope), receipt_of(document)
        met.settle(take_in(session, student, exercise, document, revision, result.measured, scope, receipt))
    numbers = [sheet.id for _, sheet in _own_sheets(session, student, exercises) if sheet is not None]
    check_anew(at, met)
    return HandedInSet(sheets=numbers)


def _is_draft(sheet: SheetRecord | None) -> bool:
    return sheet is not None and sheet.state == "draft"


def _checked(at: DeskPlace, student: Account, exercise: ExerciseRecord, sheet: SheetRecord) -> tuple[Desk, Judged]:
    """A sheet, judged among the others, and the desk where that was done."""
    desk = at.in_its_set(at.desk_of(exercise, student), exercise, student.id, ANY)
    document = SheetDocument.model_validate(sheet.document)
    return desk, at.run(judged, desk, believed(at.session, student, exercise, document))
