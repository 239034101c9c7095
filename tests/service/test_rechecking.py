"""Sheets an older version checked are checked again beside the server; what was decided stays."""

from collections.abc import Callable, Iterator
from datetime import timedelta
from typing import Any

import pytest
from sqlalchemy import delete, select, update

from maqueta.judging.again import CHECKER
from maqueta.phrases.phrase import phrase
from maqueta.projection.attitude import Attitude
from maqueta.service.marking.rechecking import Rechecker, ask_to_check_again
from maqueta.service.queue.examining import JobTaker
from maqueta.service.queue.work_queue import AbandonedError, Piece, QueueSilentError, Wanted
from maqueta.service.settings import Settings
from maqueta.sheet.view_graph import folded
from maqueta.store.clock import now
from maqueta.store.database import Database
from maqueta.store.files import FileStore
from maqueta.store.jobs import claim_next
from maqueta.store.models import Account, FindingRecord, JobRecord, ProjectionRecord, SheetRecord
from maqueta.store.sheets import CHECKING_AGAIN, keep_findings, stale_sheets
from tests.world import Person


class Here:
    """Work is done in this process, unless there is a reason why not."""

    def __init__(self, trouble: Exception | None = None, before: Callable[[], None] = lambda: None) -> None:
        self.trouble, self.before = trouble, before
        self.done: list[str] = []

    def run(self, piece: Piece[Any], wanted: Wanted = lambda: True) -> Any:
        self.before()
        self.done.append(piece.work.__name__)
        if self.trouble is not None:
            raise self.trouble
        return piece.work(*piece.arguments)


@pytest.fixture
def sheet(database: Database) -> Iterator[int]:
    """A sheet as an older version left it: a finding too many, one too few, one decided. It is put back afterwards."""
    number, before, scope = _left_by_an_older_version(database)
    yield number
    with database.transaction() as session:
        record = session.get_one(SheetRecord, number)
        own = [FindingRecord(rule=rule, measured=measured, remark="") for rule, measured in before]
        keep_findings(session, record, own, scope)
        record.changed = None
        session.query(JobRecord).filter(JobRecord.kind == CHECKING_AGAIN).delete()


def _left_by_an_older_version(
    database: Database,
) -> tuple[int, list[tuple[str, dict[str, Any]]], dict[str, Any] | None]:
    with database.transaction() as session:
        session.execute(update(SheetRecord).values(checker=CHECKER))
        query = select(SheetRecord).where(SheetRecord.state == "handed-in").order_by(SheetRecord.id)
        record = next(s for s in session.scalars(query) if len(s.findings) >= 2)
        before = [(finding.rule, dict(finding.measured)) for finding in record.findings]
        instructor = session.scalar(select(Account).where(Account.login == "ines.corvalho"))
        assert instructor is not None
        kept, lost = record.findings[0], record.findings[-1]
        kept.decision, kept.remark, kept.decided_by, kept.decided_at = "waived", "Fine by me.", instructor.id, now()
        false = {"rule": "views.missing", "severity": "error", "parameters": {"name": "rear"}}
        lost.rule, lost.measured, lost.decision, lost.remark = "views.missing", false, "upheld", "Where is it?"
        record.checker, record.changed = 0, None
        return record.id, before, record.scope


@pytest.fixture
def rechecker(database: Database, settings: Settings) -> Rechecker:
    return Rechecker(database, FileStore(settings.data / "files"), Here())


def findings(database: Database, sheet: int) -> list[tuple[str, str | None, str]]:
    with database.transaction() as session:
        query = select(FindingRecord).where(FindingRecord.sheet_id == sheet).order_by(FindingRecord.number)
        return [(f.rule, f.decision, f.remark) for f in session.scalars(query)]


def test_decisions_stay_and_what_changed_is_said(
    database: Database, sheet: int, rechecker: Rechecker, instructor: Person
) -> None:
    before = findings(database, sheet)
    assert rechecker.again(sheet, lambda: True)
    after = findings(database, sheet)
    assert len(after) == len(before)
    assert (after[0][0], *after[0][1:]) == (before[0][0], "waived", "Fine by me.")
    assert "views.missing" not in {rule for rule, *_ in after}
    told = instructor.get(f"/api/sheets/{sheet}")["changed"]
    (gone,) = told["gone"]
    assert (gone["decision"], gone["remark"]) == ("upheld", "Where is it?")
    assert "rear" in gone["message"]
    (new,) = told["new"]
    assert after[new][1] is None, "nobody has decided what is new"
    with database.transaction() as session:
        record = session.get_one(SheetRecord, sheet)
        assert record.checker == CHECKER
        exercise = record.exercise_id
    wall = instructor.get(f"/api/exercises/{exercise}/wall")
    assert [pinned["id"] for pinned in wall["sheets"] if pinned["changed"]] == [sheet]


def test_nothing_is_decided_that_was_looked_at_before_the_sheet_was_checked_again(
    sheet: int, rechecker: Rechecker, instructor: Person
) -> None:
    """Findings are numbered anew: what stood in a place may be another mistake now."""
    looked_at = instructor.get(f"/api/sheets/{sheet}")["checker"]
    assert rechecker.again(sheet, lambda: True)
    path = f"/api/sheets/{sheet}/findings/0"
    late = instructor.send("PUT", path, json={"decision": "upheld", "checker": looked_at})
    assert late.status_code == 409
    assert "checked again" in late.json()["message"]
    again = instructor.get(f"/api/sheets/{sheet}")["checker"]
    assert instructor.status("PUT", path, json={"decision": "upheld", "checker": again}) == 200


def test_what_is_as_before_says_nothing(database: Database, sheet: int, rechecker: Rechecker) -> None:
    assert rechecker.again(sheet, lambda: True)
    with database.transaction() as session:
        session.get_one(SheetRecord, sheet).checker = 0
    assert rechecker.again(sheet, lambda: True)
    with database.transaction() as session:
        assert session.get_one(SheetRecord, sheet).changed is None


@pytest.mark.parametrize("state", ["returned", "draft"])
def test_only_sheets_that_are_still_out_are_checked_again(
    database: Database, sheet: int, rechecker: Rechecker, state: str
) -> None:
    before = findings(database, sheet)
    with database.transaction() as session:
        record = session.get_one(SheetRecord, sheet)
        record.state, exercise = state, record.exercise_id
        session.flush()
        assert sheet not in stale_sheets(session, exercise)
    try:
        assert rechecker.again(sheet, lambda: True)
        assert findings(database, sheet) == before
    finally:
        with database.transaction() as session:
            session.get_one(SheetRecord, sheet).state = "handed-in"


def test_a_sheet_that_is_returned_meanwhile_keeps_what_was_marked(
    database: Database, settings: Settings, sheet: int
) -> None:
    def returned() -> None:
        with database.transaction() as session:
            session.get_one(SheetRecord, sheet).state = "returned"

    before = findings(database, sheet)
    try:
        Rechecker(database, FileStore(settings.data / "files"), Here(before=returned)).again(sheet, lambda: True)
        assert findings(database, sheet) == before
    finally:
        with database.transaction() as session:
            session.get_one(SheetRecord, sheet).state = "handed-in"


def test_what_is_asked_otherwise_meanwhile_is_checked_by_what_is_asked_now(
    database: Database, settings: Settings, sheet: int
) -> None:
    """Else what was found by the old task would count as checked by the new one."""
    with database.transaction() as session:
        task = dict(session.get_one(SheetRecord, sheet).exercise.task)

    def asked_otherwise() -> None:
        with database.transaction() as session:
            session.get_one(SheetRecord, sheet).exercise.task = task | {"title_fields": ["revision"]}

    here = Here(before=asked_otherwise)
    try:
        assert Rechecker(database, FileStore(settings.data / "files"), here).again(sheet, lambda: True)
        assert here.done == ["judged", "judged"]
        assert "title.missing" in [rule for rule, _, _ in findings(database, sheet)]
    finally:
        with database.transaction() as session:
            session.get_one(SheetRecord, sheet).exercise.task = task


def test_what_cannot_be_checked_keeps_its_findings(database: Database, settings: Settings, sheet: int) -> None:
    before = findings(database, sheet)
    broken = Rechecker(database, FileStore(settings.data / "files"), Here(MemoryError()))
    assert not broken.again(sheet, lambda: True)
    assert findings(database, sheet) == before
    for trouble in (QueueSilentError("away"), AbandonedError()):
        away = Rechecker(database, FileStore(settings.data / "files"), Here(trouble))
        with pytest.raises(type(trouble)):
            away.again(sheet, lambda: True)


def test_views_aslant_are_drawn_once_for_all_who_check(database: Database, settings: Settings, sheet: int) -> None:
    with database.transaction() as session:
        session.execute(delete(ProjectionRecord))
        record = session.get_one(SheetRecord, sheet)
        before = record.document
        look = folded(Attitude("-y", "+z").look, (0.6, 0.8))
        slanted = {"id": "slanted", "kind": "auxiliary", "look": {"frame": look.frame}, "at": [200, 150]}
        record.document = {**before, "views": [*before["views"], slanted]}
    hands = Here()
    rechecker = Rechecker(database, FileStore(settings.data / "files"), hands)
    try:
        for _ in range(2):
            assert rechecker.again(sheet, lambda: True)
            with database.transaction() as session:
                session.get_one(SheetRecord, sheet).checker = 0
        assert hands.done == ["looks_drawn", "judged", "judged"]
    finally:
        with database.transaction() as session:
            session.get_one(SheetRecord, sheet).document = before


def test_a_sheet_of_a_part_that_is_not_ready_is_none_that_was_checked(
    database: Database, sheet: int, rechecker: Rechecker
) -> None:
    with database.transaction() as session:
        version = session.get_one(SheetRecord, sheet).exercise.version
        dossier, version.dossier = version.dossier, None
    before = findings(database, sheet)
    try:
        assert not rechecker.again(sheet, lambda: True)
        assert findings(database, sheet) == before
    finally:
        with database.transaction() as session:
            session.get_one(SheetRecord, sheet).exercise.version.dossier = dossier


def test_each_exercise_is_asked_for_once_and_done_by_the_job_taker(
    database: Database, settings: Settings, sheet: int
) -> None:
    assert ask_to_check_again(database) == 1
    assert ask_to_check_again(database) == 0
    with database.transaction() as session:
        job = session.scalar(select(JobRecord).where(JobRecord.kind == CHECKING_AGAIN, JobRecord.state == "waiting"))
        assert job is not None
        number = job.id
    files = FileStore(settings.data / "files")
    taker = JobTaker(database, files, lambda *_: None, Rechecker(database, files, Here()))
    while taker._next():
        pass
    with database.transaction() as session:
        job = session.get_one(JobRecord, number)
        assert (job.state, job.message) == ("done", phrase("sheets-checked-again", number=1, of=1))
        assert session.get_one(SheetRecord, sheet).checker == CHECKER
    assert ask_to_check_again(database) == 0


def test_what_grows_stale_while_its_exercise_is_checked_again_is_asked_for_once_more(
    database: Database, sheet: int
) -> None:
    """Whoever is at work has settled already which sheets are to be looked at."""
    assert ask_to_check_again(database) == 1
    with database.transaction() as session:
        job = claim_next(session)
        assert job is not None
        assert job.state == "running"
    assert ask_to_check_again(database) == 1
    assert ask_to_check_again(database) == 0


def test_checking_again_is_given_up_after_some_attempts(
    database: Database, settings: Settings, sheet: int, monkeypatch: pytest.MonkeyPatch
) -> None:
    ask_to_check_again(database)
    with database.transaction() as session:
        job = claim_next(session)
        assert job is not None
        job.attempts, job.seen_at, number = 3, now() - timedelta(minutes=1), job.id
    files = FileStore(settings.data / "files")
    taker = JobTaker(database, files, lambda *_: None, Rechecker(database, files, Here()))
    assert taker._next()
    with database.transaction() as session:
        job = session.get_one(JobRecord, number)
        assert job.state == "failed"
        assert job.message == phrase("checking-never-ended")
        session.get_one(SheetRecord, sheet).checker = CHECKER
