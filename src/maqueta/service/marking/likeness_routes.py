"""Sheets that are near copies of each other, pointed out to their instructor; never to students."""

from collections import Counter
from itertools import combinations

from fastapi import APIRouter

from maqueta.judging.likeness import Kind, likeness
from maqueta.service.desk import AT_ONCE, AtDesk, batched
from maqueta.service.exercises.answers import task_of
from maqueta.service.exercises.set_out import set_out
from maqueta.service.marking.work import traits_of
from maqueta.service.world import Instructor, InTransaction
from maqueta.sheet.document import SheetDocument
from maqueta.store.exercises import exercise_for
from maqueta.store.sheets import documents_of, last_attempts, sheets_of
from maqueta.strict import Strict

router = APIRouter(prefix="/api/exercises")


class AlikePair(Strict):
    """Two sheets that agree in much that nothing asks for: how many things, and by chance once in two to the `bits`."""

    first: int
    first_student: str
    second: int
    second_student: str
    things: dict[Kind, int]
    bits: float


@router.get("/{exercise_id}/near-copies")
def near_copies(exercise_id: int, instructor: Instructor, session: InTransaction, at: AtDesk) -> list[AlikePair]:
    """Pairs of sheets that are near copies, the most striking first. None where everybody has sizes of their own."""
    exercise = exercise_for(session, instructor, exercise_id)
    sheets = last_attempts(sheets_of(session, exercise))
    if exercise.varied or len(sheets) < 2:
        return []
    documents = [SheetDocument.model_validate(document) for document in documents_of(session, sheets)]
    desk = set_out(at, at.desk(exercise.version, task_of(exercise)))
    known = [own for some in batched(documents, AT_ONCE) for own in at.run(traits_of, desk, *some)]
    held, pairs = Counter(trait for own in known for trait in own), []
    for one, other in combinations(range(len(sheets)), 2):
        found = likeness(known[one], known[other], held, len(sheets))
        if found.striking:
            pairs.append(
                AlikePair(
                    first=sheets[one].id,
                    first_student=sheets[one].student.name,
                    second=sheets[other].id,
                    second_student=sheets[other].student.name,
                    things=dict(found.things),
                    bits=round(found.bits, 1),
                )
            )
    return sorted(pairs, key=lambda pair: -pair.bits)
