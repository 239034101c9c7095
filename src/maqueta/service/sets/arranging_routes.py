"""Sets changed after they are made: other sheets, or the same in another order."""

from collections.abc import Sequence

from fastapi import APIRouter, HTTPException
from sqlalchemy.orm import Session

from maqueta.phrases.phrase import phrase
from maqueta.service.desk import AtDesk
from maqueta.service.exercises.answers import exercise_answer
from maqueta.service.exercises.beforehand import ask_for_own_parts
from maqueta.service.exercises.messages import ExerciseAnswer
from maqueta.service.exercises.variation import check_ranges
from maqueta.service.sets.asked import Terms, add_asked, asked_parts
from maqueta.service.sets.messages import ArrangedSet, KeptSheet
from maqueta.service.world import Instructor, InTransaction
from maqueta.sheet.document import SheetDocument
from maqueta.store.classes import students_of
from maqueta.store.marking import tell_wall
from maqueta.store.models import ExerciseRecord
from maqueta.store.sets import arrange_set, exercises_of_set, hold_set, leave_set
from maqueta.store.sheets import attempts_at
from maqueta.store.shelf import share_variations

router = APIRouter(prefix="/api/sets")


@router.put("/{set_id}")
def arrange(
    set_id: int, form: ArrangedSet, instructor: Instructor, session: InTransaction, at: AtDesk
) -> list[ExerciseAnswer]:
    """Call a set otherwise, put its sheets in another order, add some, and leave some out, which are kept out of the
    way. Once sheets are handed in they stay as they are, and what somebody has begun is not left out.
    """
    first = exercises_of_set(session, instructor, set_id)[0]
    new = [own for own in form.sheets if not isinstance(own, KeptSheet)]
    versions = asked_parts(at, session, instructor, new, first.varied)
    if first.varied and new:
        of_all = [*(own.version for own in exercises_of_set(session, instructor, set_id)), *versions]
        check_ranges(at.world, session, of_all)
    # Nobody hands anything in meanwhile, and all that is read from here on is as others have left it.
    session.commit()
    hold_set(session, first)
    before = {own.id: own for own in exercises_of_set(session, instructor, set_id)}
    kept = [own.exercise for own in form.sheets if isinstance(own, KeptSheet)]
    if len(set(kept)) != len(kept) or not set(kept) <= before.keys():
        raise HTTPException(422, phrase("no-such-sheet-in-set"))
    gone = [own for number, own in before.items() if number not in kept]
    if new or list(before) != kept:
        _may_change(session, list(before.values()), gone)
    terms = Terms(first.school_class, first.due_at, first.opens_at, first.closes_at, first.varied, first.set_at is None)
    made = add_asked(session, instructor, versions, new, terms)
    if first.varied:
        _in_the_same_sizes(session, list(before.values()), made)
    for own in gone:
        leave_set(session, own)
    added = iter(made)
    arranged = [before[own.exercise] if isinstance(own, KeptSheet) else next(added) for own in form.sheets]
    arrange_set(session, arranged, form.title)
    ask_for_own_parts(at.world, session, instructor, made)
    for own in arranged:
        tell_wall(session, own.id)
        session.refresh(own, ["version", "school_class", "sheet_set"])
    total = len(students_of(session, first.class_id))
    return [exercise_answer(own, total=total) for own in arranged]


def _may_change(session: Session, exercises: Sequence[ExerciseRecord], gone: Sequence[ExerciseRecord]) -> None:
    """Raises HTTPException 409 where sheets are handed in, or one that would go is begun: it would be numbered or
    judged otherwise behind its student's back.
    """
    sheets = attempts_at(session, [own.id for own in exercises])
    if any(own.state != "draft" for own in sheets):
        raise HTTPException(409, phrase("set-handed-in"))
    begun = {own.exercise_id for own in sheets if not SheetDocument.model_validate(own.document).is_blank}
    if titles := tuple(own.title for own in gone if own.id in begun):
        raise HTTPException(409, phrase("set-sheet-begun", titles=titles))


def _in_the_same_sizes(session: Session, before: Sequence[ExerciseRecord], made: Sequence[ExerciseRecord]) -> None:
    """Give everyone who has parts of a set the same ones on new sheets. Raises HTTPException 409 for a part nobody has:
    it would not fit with those they have.
    """
    for new in made:
        same = next((own for own in before if own.version_id == new.version_id), None)
        if not share_variations(session, before, same, new):
            raise HTTPException(409, phrase("set-sizes-stay", name=new.version.part.name))
