"""What a student has to do: read for all exercises at once, however many there are."""

from collections import Counter
from collections.abc import Iterator

import pytest
from sqlalchemy import select, update

from maqueta.store.database import Database
from maqueta.store.models import Account, SheetRecord
from tests.world import LogIn

#: What every exercise and every attempt has of its own.
EACH = ("more_time", "sheet", "finding", "added_finding", "given_mark")


@pytest.fixture
def returned(database: Database) -> Iterator[list[int]]:
    """The exercises of a student who has every sheet back that was handed in."""
    with database.transaction() as session:
        lena = session.scalars(select(Account).where(Account.login == "lena.achterberg")).one()
        sheets = session.scalars(
            select(SheetRecord).where(SheetRecord.student_id == lena.id, SheetRecord.state != "draft")
        ).all()
        before = {sheet.id: sheet.state for sheet in sheets}
        session.execute(update(SheetRecord).where(SheetRecord.id.in_(before)).values(state="returned"))
    yield [sheet.exercise_id for sheet in sheets]
    with database.transaction() as session:
        for sheet, state in before.items():
            session.execute(update(SheetRecord).where(SheetRecord.id == sheet).values(state=state))


def test_a_list_asks_once_for_all_and_reads_no_drawing(log_in: LogIn, asked: list[str], returned: list[int]) -> None:
    lena = log_in("lena.achterberg")
    asked.clear()
    listed = lena.get("/api/exercises")
    assert len(listed) > 5
    assert {own["id"] for own in listed if own["returned_sheet"] is not None} == set(returned)
    assert len(set(returned)) > 1
    read = Counter(table for statement in asked for table in EACH if f" FROM {table} " in statement)
    assert read == dict.fromkeys(EACH, 1)
    assert not [statement for statement in asked if "sheet.document" in statement]
