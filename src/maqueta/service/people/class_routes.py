"""The classes an instructor teaches, who is in them, and how people come in."""

import asyncio
from typing import Annotated

from fastapi import APIRouter, Form, HTTPException, UploadFile
from fastapi.concurrency import run_in_threadpool
from sqlalchemy.exc import IntegrityError
from sqlalchemy.orm import Session

from maqueta.phrases.phrase import phrase
from maqueta.phrases.told import ToldError
from maqueta.service.messages import Number
from maqueta.service.people.class_messages import (
    ClassAnswer,
    ClassChange,
    ClassDetail,
    ClassName,
    Enrolled,
    Enrolling,
    FirstPassword,
    GroupsRequest,
    JoinCode,
    JoinRequest,
    PlannedRow,
    RosterDone,
    RosterEntry,
    RosterRequest,
    SharerEntry,
    SharerRequest,
    StudentEntry,
)
from maqueta.service.people.messages import OneTimePassword
from maqueta.service.people.passwords import one_time
from maqueta.service.people.roster import Known, RosterRow, planned, rows_of
from maqueta.service.spreadsheet import table_of
from maqueta.service.world import Instructor, InTransaction, InWorld, Student
from maqueta.store.accounts import add_account, reset_password
from maqueta.store.classes import (
    accounts_called,
    add_class,
    archive_class,
    class_of_code,
    classes_of,
    enrol,
    names_of,
    new_join_code,
    own_class,
    places_of,
    set_groups,
    share_class,
    share_no_longer,
    sharers_of,
    student_in,
    take_in,
    take_out,
    teaches_as_well,
)
from maqueta.store.errors import NotVisible
from maqueta.store.models import Account, SchoolClass

router = APIRouter(prefix="/api/classes")
join_router = APIRouter(prefix="/api/join")


def _answer(found: SchoolClass, number: int, instructor: Account) -> ClassAnswer:
    return ClassAnswer(
        id=found.id,
        name=found.name,
        students=number,
        own=found.instructor_id == instructor.id,
        archived=found.archived_at is not None,
    )


def _roll(session: Session, found: SchoolClass) -> list[StudentEntry]:
    return [
        StudentEntry(
            id=student.id,
            login=student.login,
            name=student.name,
            email=student.email or "",
            group=group,
            resettable=teaches_as_well(session, found, student.made_by),
        )
        for student, group in places_of(session, found.id)
    ]


def _made(session: Session, instructor: Account, class_id: int) -> SchoolClass:
    """A class an instructor has made. Raises HTTPException 403 where another one has made it and shares it."""
    found = own_class(session, instructor, class_id)
    if found.instructor_id != instructor.id:
        raise HTTPException(403, phrase("class-of-another"))
    return found


@router.get("")
def classes(instructor: Instructor, session: InTransaction, archived: bool = False) -> list[ClassAnswer]:
    """The classes an instructor teaches."""
    return [_answer(found, number, instructor) for found, number in classes_of(session, instructor, archived)]


@router.post("", status_code=201)
def add(form: ClassName, instructor: Instructor, session: InTransaction) -> ClassAnswer:
    """A new class."""
    return _answer(add_class(session, instructor, form.name), 0, instructor)


@router.get("/{class_id}")
def detail(class_id: int, instructor: Instructor, session: InTransaction) -> ClassDetail:
    """A class with those who teach it and those who are in it."""
    found = own_class(session, instructor, class_id)
    roll = _roll(session, found)
    return ClassDetail(
        **_answer(found, len(roll), instructor).model_dump(),
        maker=session.get_one(Account, found.instructor_id).name,
        join_code=found.join_code,
        sharers=[SharerEntry(id=other.id, login=other.login, name=other.name) for other in sharers_of(session, found)],
        roll=roll,
    )


@router.patch("/{class_id}")
def change(class_id: int, form: ClassChange, instructor: Instructor, session: InTransaction) -> ClassAnswer:
    """Call a class by another name, put it out of the way, or bring it back."""
    found = own_class(session, instructor, class_id)
    if form.name is not None:
        found.name = form.name
    if form.archived is not None:
        archive_class(_made(session, instructor, class_id), form.archived)
    return _answer(found, len(names_of(session, found.id)), instructor)


@router.post("/{class_id}/students")
def let_in(class_id: int, form: Enrolling, instructor: Instructor, session: InTransaction) -> Enrolled:
    """Take students in by their log-in names; those nobody has are told, the others are in."""
    found = own_class(session, instructor, class_id)
    unknown = enrol(session, found, form.logins)
    return Enrolled(students=_roll(session, found), unknown=unknown)


@router.delete("/{class_id}/students/{student_id}")
def let_go(class_id: int, student_id: int, instructor: Instructor, session: InTransaction) -> Number:
    """Take a student out; what was handed in is kept."""
    take_out(session, own_class(session, instructor, class_id), student_id)
    return Number(number=1)


@router.put("/{class_id}/groups")
def group(class_id: int, form: GroupsRequest, instructor: Instructor, session: InTransaction) -> Number:
    """Put students into groups."""
    set_groups(session, own_class(session, instructor, class_id), form.groups)
    return Number(number=len(form.groups))


@router.post("/{class_id}/students/{student_id}/password")
async def first_password(
    class_id: int, student_id: int, instructor: Instructor, session: InTransaction, world: InWorld
) -> OneTimePassword:
    """A new first password for a student who forgot theirs, where an instructor of the class brought them in."""

    def asked() -> Account:
        found = own_class(session, instructor, class_id)
        student = student_in(session, found, student_id)
        if not teaches_as_well(session, found, student.made_by):
            raise HTTPException(403, phrase("password-by-administrator"))
        return student

    student = await run_in_threadpool(asked)
    password = one_time()
    await run_in_threadpool(reset_password, session, student, await world.passwords.hashed(password))
    return OneTimePassword(password=password)


@router.post("/{class_id}/roster/preview")
def preview(
    class_id: int,
    instructor: Instructor,
    session: InTransaction,
    world: InWorld,
    file: UploadFile | None = None,
    text: Annotated[str, Form(max_length=200_000)] = "",
) -> list[PlannedRow]:
    """What every row of a roster will do, from a CSV or XLSX file or from what was pasted; nothing is done yet."""
    found = own_class(session, instructor, class_id)
    most = world.settings.largest_upload
    data = file.file.read(most + 1) if file is not None else text.encode()
    if len(data) > most:
        raise HTTPException(413, phrase("file-too-large-for-roster"))
    try:
        rows = rows_of(table_of(data))
    except ToldError as error:
        raise HTTPException(422, error.reason) from error
    return [
        PlannedRow(
            line=plan.row.line,
            name=plan.row.name,
            login=plan.row.login,
            email=plan.row.email,
            group=plan.row.group,
            does=plan.does,
            why=plan.why,
        )
        for plan in planned(rows, _known(session, found, [row.login for row in rows]))
    ]


def _known(session: Session, found: SchoolClass, logins: list[str]) -> dict[str, Known]:
    enrolled = names_of(session, found.id)
    return {
        login: Known(account.name, account.role == "student" and account.active, account.id in enrolled)
        for login, account in accounts_called(session, logins).items()
    }


@router.post("/{class_id}/roster")
async def bring_in(
    class_id: int, form: RosterRequest, instructor: Instructor, session: InTransaction, world: InWorld
) -> RosterDone:
    """Bring in the people of a roster, all or nothing: accounts where there are none, a place in the class for each."""
    found, new = await run_in_threadpool(_to_make, session, instructor, class_id, form.people)
    passwords = [one_time() for _ in new]
    hashes = await asyncio.gather(*(world.passwords.hashed(password) for password in passwords))
    try:
        await run_in_threadpool(
            _brought_in, session, instructor, found, form.people, dict(zip(new, hashes, strict=True))
        )
    except IntegrityError as error:
        # Somebody else has taken a log-in name since it was looked at.
        raise HTTPException(409, phrase("roster-out-of-date")) from error
    names = {person.login: person.name for person in form.people}
    slips = [FirstPassword(name=names[login], login=login, password=p) for login, p in zip(new, passwords, strict=True)]
    return RosterDone(slips=slips, taken_in=len(form.people))


def _to_make(
    session: Session, instructor: Account, class_id: int, people: list[RosterEntry]
) -> tuple[SchoolClass, list[str]]:
    """The class, and the log-in names that need an account. Raises HTTPException 422 for a row that cannot be used."""
    found = own_class(session, instructor, class_id)
    rows = [RosterRow(number, p.name, p.login, p.email, p.group) for number, p in enumerate(people, 1)]
    plans = planned(rows, _known(session, found, [row.login for row in rows]))
    for plan in plans:
        if plan.does == "not":
            assert plan.why is not None, "what cannot be used says why"
            raise HTTPException(422, phrase("roster-row", line=plan.row.line, reason=plan.why))
    return found, [plan.row.login for plan in plans if plan.does == "new"]


def _brought_in(
    session: Session, instructor: Account, found: SchoolClass, people: list[RosterEntry], hashes: dict[str, str]
) -> None:
    for person in people:
        if person.login in hashes:
            account = add_account(session, person.login, person.name, "student", hashes[person.login])
            account.must_change, account.made_by, account.email = True, instructor.id, person.email or None
    session.flush()
    numbers = {login: account.id for login, account in accounts_called(session, (p.login for p in people)).items()}
    take_in(session, found, numbers.values())
    set_groups(session, found, {numbers[p.login]: p.group for p in people if p.group})


@router.post("/{class_id}/join-code")
def new_code(class_id: int, instructor: Instructor, session: InTransaction) -> JoinCode:
    """A new code by which students come in; the former one is worth nothing any more."""
    return JoinCode(code=new_join_code(session, own_class(session, instructor, class_id)))


@router.delete("/{class_id}/join-code")
def no_code(class_id: int, instructor: Instructor, session: InTransaction) -> Number:
    """Let nobody in by a code any more."""
    own_class(session, instructor, class_id).join_code = None
    return Number(number=1)


@router.post("/{class_id}/sharers")
def share(class_id: int, form: SharerRequest, instructor: Instructor, session: InTransaction) -> SharerEntry:
    """Share a class with another instructor, who then teaches it as well."""
    found = _made(session, instructor, class_id)
    try:
        other = share_class(session, found, form.login)
    except NotVisible as error:
        raise HTTPException(404, phrase("no-such-instructor", login=form.login)) from error
    return SharerEntry(id=other.id, login=other.login, name=other.name)


@router.delete("/{class_id}/sharers/{sharer}")
def share_not(class_id: int, sharer: int, instructor: Instructor, session: InTransaction) -> Number:
    """Share a class with an instructor no longer; whom it is shared with may leave it, too."""
    found = own_class(session, instructor, class_id)
    if sharer != instructor.id:
        found = _made(session, instructor, class_id)
    share_no_longer(session, found, sharer)
    return Number(number=1)


@join_router.post("")
def join(form: JoinRequest, student: Student, session: InTransaction) -> ClassName:
    """Come into a class by its code; coming in twice is coming in once."""
    try:
        found = class_of_code(session, form.code)
    except NotVisible as error:
        raise HTTPException(404, phrase("no-such-code")) from error
    take_in(session, found, [student.id])
    return ClassName(name=found.name)
