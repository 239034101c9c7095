"""Accounts of other people, for administrators."""

from typing import Annotated, Final

from fastapi import APIRouter, FastAPI, HTTPException, Query, Request
from fastapi.concurrency import run_in_threadpool
from sqlalchemy.exc import IntegrityError
from sqlalchemy.orm import Session

from maqueta.service.envelope import request_number
from maqueta.service.forms import Number
from maqueta.service.passwords import one_time
from maqueta.service.people_forms import (
    DeedForm,
    HeldForm,
    LogInForm,
    NewPerson,
    OneTimePassword,
    Person,
    PersonChange,
)
from maqueta.service.routes.accounts import log_in_form
from maqueta.service.world import Admin, InTransaction, InWorld
from maqueta.store.accounts import account, add_account, all_accounts, close_account, reset_password
from maqueta.store.deeds import deeds, note_deed
from maqueta.store.errors import AlreadyAnonymous
from maqueta.store.log_ins import end_log_ins, forget_failures, log_ins_of
from maqueta.store.models import Account
from maqueta.store.people import held, make_anonymous

router = APIRouter(prefix="/api")
_HELD: Final = "/people/{person}/held"


def _person(found: Account) -> Person:
    return Person(
        id=found.id,
        login=found.login,
        name=found.name,
        role=found.role,  # type: ignore[arg-type]
        active=found.active,
        anonymous=found.anonymised_at is not None,
    )


def _known(session: Session, person: int) -> Account:
    """Somebody's account. Raises NotVisible, AlreadyAnonymous."""
    found = account(session, person)
    if found.anonymised_at is not None:
        raise AlreadyAnonymous
    return found


@router.get("/people")
def people(_: Admin, session: InTransaction) -> list[Person]:
    """All accounts."""
    return [_person(found) for found in all_accounts(session)]


def _in_words(app: FastAPI, what: str) -> str:
    """What a change is, as its route says in its first sentence; empty for one there was once."""
    method, _, path = what.partition(" ")
    known = app.openapi()["paths"].get(path, {}).get(method.lower(), {})
    return str(known.get("description", "")).partition("\n")[0]


@router.get("/deeds")
def what_was_done(
    _: Admin,
    session: InTransaction,
    request: Request,
    before: Annotated[int | None, Query(ge=1, le=2**31)] = None,
    most: Annotated[int, Query(ge=1, le=500)] = 100,
) -> list[DeedForm]:
    """Who did what to what, and when; the newest first."""
    return [
        DeedForm(
            id=deed.id,
            at=deed.at,
            who=deed.account.login if deed.account else None,
            what=deed.what,
            words=_in_words(request.app, deed.what),
            to_what=deed.to_what,
            request=deed.request,
        )
        for deed in deeds(session, before, most)
    ]


@router.post("/people/{person}/password")
async def give_password(person: int, admin: Admin, session: InTransaction, world: InWorld) -> OneTimePassword:
    """Give somebody who forgot theirs a password for one log-in; they choose their own then."""
    found = await run_in_threadpool(_known, session, person)
    if found.id == admin.id:
        raise HTTPException(409, "You can change your own password yourself.")
    password = one_time()
    await run_in_threadpool(reset_password, session, found, await world.passwords.hashed(password))
    return OneTimePassword(password=password)


@router.post("/people/{person}/unlock")
def unlock(person: int, _: Admin, session: InTransaction) -> Number:
    """Let somebody try to log in again at once, after too many refusals."""
    return Number(number=forget_failures(session, account(session, person).login))


@router.post("/people", status_code=201)
async def add(form: NewPerson, _: Admin, session: InTransaction, world: InWorld) -> Person:
    """A new account. Its password is for the first log-in; whoever it is for chooses another then."""
    password_hash = await world.passwords.hashed(form.password)

    def added() -> Person:
        found = add_account(session, form.login, form.name, form.role, password_hash)
        found.must_change = True
        return _person(found)

    try:
        return await run_in_threadpool(added)
    except IntegrityError as error:
        raise HTTPException(409, f"The log-in name “{form.login}” is taken.") from error


@router.patch("/people/{person}")
def change(person: int, form: PersonChange, admin: Admin, session: InTransaction) -> Person:
    """Close an account, or open it again. Nobody closes their own."""
    found = _known(session, person)
    if found.id == admin.id:
        raise HTTPException(409, "You cannot close your own account.")
    close_account(session, found, form.active)
    return _person(found)


@router.get("/people/{person}/log-ins")
def log_ins(person: int, _: Admin, session: InTransaction) -> list[LogInForm]:
    """Where somebody is logged in."""
    return [log_in_form(found) for found in log_ins_of(session, account(session, person))]


@router.delete("/people/{person}/log-ins")
def end_all(person: int, _: Admin, session: InTransaction) -> Number:
    """End all log-ins of somebody, say after a computer was lost."""
    return Number(number=end_log_ins(session, account(session, person)))


@router.get(_HELD)
def held_about(person: int, admin: Admin, session: InTransaction) -> HeldForm:
    """Hand out everything that is held about somebody. That it was asked for is written down."""
    found = held(session, account(session, person))
    note_deed(session, admin.id, f"GET {router.prefix}{_HELD}", {"person": str(person)}, request_number.get())
    return HeldForm(held=found)


@router.post("/people/{person}/anonymous")
def forget(person: int, admin: Admin, session: InTransaction) -> Person:
    """Close an account for good, and let nothing tell whose it was. There is no way back."""
    found = account(session, person)
    if found.id == admin.id:
        raise HTTPException(409, "You cannot make your own account anonymous.")
    make_anonymous(session, found)
    return _person(found)
