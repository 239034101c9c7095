"""People made anonymous: no name is left in what is kept, and what is kept can still be opened."""

from collections.abc import Iterator
from typing import Any
from uuid import uuid4

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from sqlalchemy.orm import Session

from maqueta.judging.finding import Finding
from maqueta.phrases.phrase import phrase
from maqueta.service.marking.answers import FINDING
from maqueta.sheet.document import Note, SheetDocument, TitleBlock
from maqueta.store.accounts import add_account
from maqueta.store.clock import now
from maqueta.store.corrections import (
    corrected_at,
    correction_of,
    save_correction,
    settle_correction,
    take_back_correction,
)
from maqueta.store.database import Database
from maqueta.store.errors import AlreadyAnonymous, OutOfDate
from maqueta.store.models import Account, Enrolment, ExerciseRecord, FindingRecord, SheetRecord
from maqueta.store.originals import Excuse, carry_original, excuse_of, forget_originals, keep_original, original_of
from maqueta.store.people import held, make_anonymous
from maqueta.store.sheets import begin_again


@pytest.fixture
def session(database: Database) -> Iterator[Session]:
    """A session of which nothing is kept."""
    own = database.session()
    yield own
    own.rollback()
    own.close()


def kept_file() -> str:
    """The name of a file that nobody else brought in, also not in the other tests on this database."""
    return uuid4().hex * 2


def drawn(session: Session, name: str, login: str, document: SheetDocument, *findings: Finding) -> Account:
    """A person with one sheet, on which something was found."""
    person = add_account(session, login, name, "student", "a hash")
    exercise = session.query(ExerciseRecord).order_by(ExerciseRecord.id).first()
    assert exercise is not None
    session.add(Enrolment(class_id=exercise.class_id, student_id=person.id))
    sheet = SheetRecord(
        exercise_id=exercise.id,
        student_id=person.id,
        state="handed-in",
        revision=1,
        document=document.model_dump(mode="json"),
        saved_at=now(),
    )
    session.add(sheet)
    session.flush()
    for number, finding in enumerate(findings):
        measured = FINDING.dump_python(finding, mode="json")
        session.add(FindingRecord(sheet_id=sheet.id, number=number, rule=finding.rule, measured=measured))
    session.flush()
    return person


def sheet_of(session: Session, person: Account) -> SheetRecord:
    return session.query(SheetRecord).filter(SheetRecord.student_id == person.id).one()


def note(text: str) -> Note:
    return Note(id="n1", text=text, at=(10.0, 10.0))


NAMES = st.text(st.characters(categories=("Lu", "Ll")), min_size=3, max_size=12)


@given(
    first=NAMES,
    last=NAMES,
    before=st.text(" .,-", max_size=5),
    after=st.text(" .,-", max_size=5),
    drafter=st.text(max_size=60),
)
@settings(max_examples=25, deadline=None, suppress_health_check=[HealthCheck.function_scoped_fixture])
def test_no_text_of_a_sheet_holds_the_name(
    session: Session, first: str, last: str, before: str, after: str, drafter: str
) -> None:
    name = f"{first} {last}"
    text = f"{before}{name}{after}"
    document = SheetDocument(
        name=text, notes=(note(text),), title=TitleBlock(fields={"drafter": drafter, "title": text, "number": "7"})
    )
    with session.begin_nested() as part:
        person = drawn(session, name, "somebody.new", document)
        make_anonymous(session, person)
        kept = SheetDocument.model_validate(sheet_of(session, person).document)
        part.rollback()
    texts = [kept.name or "", kept.notes[0].text, *kept.title.fields.values()]
    assert not [found for found in texts if name.casefold() in found.casefold()]
    assert kept.title.fields["drafter"].startswith("Former student")
    assert kept.title.fields["number"] == "7"


@pytest.mark.parametrize("login", ["iso", "mm", "front", "top", "third", "n1"])
def test_a_log_in_name_that_is_also_a_word_of_the_sheet_spoils_nothing(session: Session, login: str) -> None:
    document = SheetDocument(style="iso", notes=(note(f"{login}, {login}ary, see {login}."),))
    person = drawn(session, "Tip Top", login, document)
    make_anonymous(session, person)
    kept = SheetDocument.model_validate(sheet_of(session, person).document)
    assert (kept.style, kept.notes[0].id, kept.units) == ("iso", "n1", "mm")
    assert kept.notes[0].text == f"{person.name}, {login}ary, see {person.name}."


def test_a_text_grows_no_longer_than_a_text_may_be(session: Session) -> None:
    document = SheetDocument(notes=(note(" ".join(["Al"] * 40)),))
    person = drawn(session, "Al", "al.one", document)
    make_anonymous(session, person)
    [kept] = SheetDocument.model_validate(sheet_of(session, person).document).notes
    assert "Al" not in kept.text.split()


def test_the_name_a_sheet_was_found_under_goes_and_the_finding_stays(session: Session) -> None:
    parameters = {"name": "uro-b-clamp", "asked": "B. Uro clamp", "pattern": "{drafter} clamp"}
    document = SheetDocument(name="uro-b-clamp", title=TitleBlock(fields={"drafter": "B. Uro"}))
    person = drawn(session, "Bran Uro", "bran.uro", document, Finding("title.name", "warning", parameters=parameters))
    make_anonymous(session, person)
    [record] = sheet_of(session, person).findings
    found = FINDING.validate_python(record.measured)
    assert found.rule == "title.name"
    assert found.parameters == {"name": person.name, "asked": "{drafter} clamp", "pattern": "{drafter} clamp"}


def test_what_tells_who_it_was_is_gone_and_the_work_is_there(session: Session) -> None:
    person = drawn(session, "Bran Uro", "bran.uro", SheetDocument(name="bran"))
    make_anonymous(session, person)
    assert (person.active, person.password_hash, person.login) == (False, "", f"former-{person.id}")
    assert session.query(Enrolment).filter(Enrolment.student_id == person.id).count() == 0
    told: dict[str, Any] = held(session, person)
    assert len(told["sheets"]) == 1
    assert (told["classes"], told["log_ins"], told["known_browsers_seen_at"]) == ([], [], [])
    with pytest.raises(AlreadyAnonymous):
        make_anonymous(session, person)


def test_another_attempt_was_read_from_the_same_file(session: Session) -> None:
    exercise = session.query(ExerciseRecord).order_by(ExerciseRecord.id).first()
    assert exercise is not None
    bran = drawn(session, "Bran Uro", "bran.uro", SheetDocument())
    first = sheet_of(session, bran)
    second = begin_again(session, first)
    carry_original(session, first, second)
    assert original_of(session, second) is None
    file, laid = kept_file(), kept_file()
    keep_original(session, bran, exercise, 1, "one.png", (file, laid), (1, 2), (), Excuse(3, True, ("1.000 0.000",)))
    carry_original(session, first, second)
    kept = original_of(session, second)
    assert kept is not None
    assert (kept.name, kept.file, kept.laid, kept.pages) == ("one.png", file, laid, 2)
    assert excuse_of(kept) == Excuse(3, True, ("1.000 0.000",))


def test_files_go_unless_somebody_else_brought_them_in_too(session: Session) -> None:
    exercise = session.query(ExerciseRecord).order_by(ExerciseRecord.id).first()
    assert exercise is not None
    bran, cleo = (drawn(session, *who, SheetDocument()) for who in (("Bran Uro", "bran.uro"), ("Cleo Ada", "cleo.ada")))
    told = (phrase("unread-picture-read"),)
    both, of_bran, of_cleo = kept_file(), kept_file(), kept_file()
    keep_original(session, bran, exercise, 1, "first.pdf", (kept_file(), kept_file()), (1, 1), ())
    keep_original(session, bran, exercise, 1, "Bran Uro.pdf", (both, of_bran), (2, 3), told)
    keep_original(session, cleo, exercise, 1, "same.pdf", (both, of_cleo), (2, 3), ())
    kept = original_of(session, sheet_of(session, bran))
    assert kept is not None
    assert (kept.name, kept.file, kept.page, kept.not_read) == ("Bran Uro.pdf", both, 2, told)
    assert [own["name"] for own in held(session, bran)["files_of_sheets"]] == ["Bran Uro.pdf"]
    assert forget_originals(session, bran) == {of_bran}
    assert original_of(session, sheet_of(session, bran)) is None
    assert forget_originals(session, bran) == set()
    assert forget_originals(session, cleo) == {both, of_cleo}


def test_a_sheet_that_was_corrected_is_told_as_it_was_handed_in_and_all_of_it_loses_the_name(session: Session) -> None:
    """What was handed in, and what is corrected and not judged yet, are no less somebody's than the sheet is."""

    def signed(name: str) -> dict[str, Any]:
        return SheetDocument(name=name, title=TitleBlock(fields={"drafter": "Bran Uro"})).model_dump(mode="json")

    person = drawn(session, "Bran Uro", "bran.uro", SheetDocument())
    sheet = sheet_of(session, person)
    sheet.document = signed("first")
    settle_correction(session, person, sheet, signed("corrected"), 0)
    save_correction(session, sheet, signed("under way"), 1)
    [told] = held(session, person)["sheets"]
    assert (told["document"]["name"], told["handed_in"]["name"]) == ("corrected", "first")
    make_anonymous(session, person)
    kept = correction_of(session, sheet)
    assert kept is not None
    for document in (sheet.document, kept.document, kept.handed_in):
        assert document is not None
        assert document["title"]["fields"]["drafter"] == person.name


def test_a_correction_of_another_tab_is_not_written_over_and_one_that_is_taken_back_was_never(session: Session) -> None:
    person = drawn(session, "Bran Uro", "bran.uro", SheetDocument())
    sheet = sheet_of(session, person)
    first, revision = sheet.document, sheet.revision
    assert corrected_at(session, sheet) is None
    save_correction(session, sheet, {"name": "one"}, 0)
    with pytest.raises(OutOfDate):
        save_correction(session, sheet, {"name": "two"}, 0)
    assert sheet.document == first
    settle_correction(session, person, sheet, {"name": "one"}, 1)
    settle_correction(session, person, sheet, {"name": "three"}, 2)
    assert (sheet.document, sheet.revision) == ({"name": "three"}, revision + 2)
    assert corrected_at(session, sheet) is not None
    take_back_correction(session, sheet)
    assert sheet.document == first
    assert sheet.revision > revision + 2
    assert correction_of(session, sheet) is None
    take_back_correction(session, sheet)
    assert sheet.document == first
