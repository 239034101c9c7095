"""A class that hands in in one instant: everybody's sheet is kept, nobody waits for somebody who waits for them."""

from collections.abc import Iterator
from concurrent.futures import ThreadPoolExecutor
from datetime import timedelta
from threading import Barrier

import pytest
from sqlalchemy import delete, select
from sqlalchemy.exc import OperationalError

from maqueta.store.accounts import add_account
from maqueta.store.clock import now
from maqueta.store.database import Database
from maqueta.store.exercises import add_exercise
from maqueta.store.models import Account, ExerciseRecord, SheetRecord, SheetSetRecord
from maqueta.store.sets import add_set, others_anew
from maqueta.store.sheets import deliver, stale_sheet

STUDENTS = 8


@pytest.fixture
def set_for(database: Database) -> Iterator[tuple[int, list[int]]]:
    """An exercise that nobody has drawn yet, and students who will; gone afterwards."""
    with database.transaction() as session:
        known = session.scalars(select(ExerciseRecord).order_by(ExerciseRecord.id).limit(1)).one()
        instructor = session.get_one(Account, known.instructor_id)
        due = now() + timedelta(days=1)
        own = add_exercise(session, instructor, known.version, known.school_class, "At once", known.task, due, False)
        students = [add_account(session, f"at.once{k}", "At Once", "student", "a hash") for k in range(STUDENTS)]
        session.flush()
        made = own.id, [student.id for student in students]
    yield made
    with database.transaction() as session:
        session.execute(delete(SheetRecord).where(SheetRecord.exercise_id == made[0]))
        session.execute(delete(ExerciseRecord).where(ExerciseRecord.id == made[0]))
        session.execute(delete(Account).where(Account.id.in_(made[1])))


def test_sheets_delivered_in_one_instant_are_all_kept_and_told(
    database: Database, set_for: tuple[int, list[int]]
) -> None:
    """A new sheet shares the row of its exercise; whoever tells the wall has to have it alone."""
    exercise, students = set_for
    ready = Barrier(STUDENTS)

    def one(student: int) -> int:
        with database.transaction() as session:
            record, account = session.get_one(ExerciseRecord, exercise), session.get_one(Account, student)
            ready.wait(20)
            return deliver(session, account, record, {"views": []}, [("lines.extra", {"rule": "lines.extra"})]).id

    with ThreadPoolExecutor(STUDENTS) as pool:
        kept = list(pool.map(one, students))
    assert len(set(kept)) == STUDENTS
    with database.transaction() as session:
        assert session.get_one(ExerciseRecord, exercise).news == STUDENTS


def test_whoever_checks_a_sheet_again_waits_for_one_that_comes_beside_it(
    database: Database, set_for: tuple[int, list[int]]
) -> None:
    """Also where it was to be checked again already: what is found without the one that comes is of no use."""
    exercise, (student, *_) = set_for
    with database.transaction() as session:
        first = session.get_one(ExerciseRecord, exercise)
        due = now() + timedelta(days=1)
        owner = session.get_one(Account, first.instructor_id)
        second = add_exercise(session, owner, first.version, first.school_class, "Beside", first.task, due, False)
        own_set = add_set(session, "Together", [first, second])
        sheet = deliver(session, session.get_one(Account, student), first, {"views": []}, [])
        sheet.checker = 0
        number, beside, made = sheet.id, second.id, own_set.id
    try:
        with database.transaction() as session:
            assert others_anew(session, session.get_one(ExerciseRecord, beside), student) == 1
            with database.transaction() as other, pytest.raises(OperationalError, match=r"[Ll]ock|NOWAIT"):
                other.scalars(select(SheetRecord).where(SheetRecord.id == number).with_for_update(nowait=True)).one()
        with database.transaction() as session:
            assert stale_sheet(session, number, lock=True) is not None
    finally:
        with database.transaction() as session:
            session.get_one(ExerciseRecord, exercise).set_id = None
            session.execute(delete(ExerciseRecord).where(ExerciseRecord.id == beside))
            session.execute(delete(SheetSetRecord).where(SheetSetRecord.id == made))
