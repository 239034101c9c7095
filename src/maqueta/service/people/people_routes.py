"""Accounts of other people, for administrators."""

from typing import Annotated, Final

from fastapi import APIRouter, HTTPException, Query
from fastapi.concurrency import run_in_threadpool
from sqlalchemy.exc import IntegrityError
from sqlalchemy.orm import Session

from maqueta.phrases.phrase import phrase
from maqueta.service.envelope import request_number
from maqueta.service.messages import Number
from maqueta.service.people.account_routes import log_in_form
from maqueta.service.people.deed_words import DEEDS
from maqueta.service.people.messages import (
    DeedAnswer,
    HeldAnswer,
    LogInAnswer,
    NewPerson,
    OneTimePassword,
    Person,
    PersonChange,
)
from maqueta.service.people.passwords import one_time
from maqueta.service.world import Admin, InTransaction, InWorld
from maqueta.store.accounts import account, add_account, all_accounts, close_account, reset_password
from maqueta.store.deeds import deeds, note_deed
from maqueta.store.errors import AlreadyAnonymous
from maqueta.store.log_ins import end_log_ins, forget_failures, log_ins_of
from maqueta.store.models import Account
from maqueta.store.originals import forget_originals
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


@router.get("/deeds")
def what_was_done(
    _: Admin,
    session: InTransaction,
    before: Annotated[int | None, Query(ge=1, le=2**31)] = None,
    most: Annotated[int, Query(ge=1, le=500)] = 100,
) -> list[DeedAnswer]:
    """Who did what to what, and when; the newest first."""
    return [
        DeedAnswer(
            id=deed.id,
            at=deed.at,
            who=deed.account.login if deed.account else None,
            what=deed.what,
            words=DEEDS.get(deed.what),
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
        raise HTTPException(409, phrase("own-password"))
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
        raise HTTPException(409, phrase("log-in-taken", login=form.login)) from error


@router.patch("/people/{person}")
def change(person: int, form: PersonChange, admin: Admin, session: InTransaction) -> Person:
    """Close an account, or open it again. Nobody closes their own."""
    found = _known(session, person)
    if found.id == admin.id:
        raise HTTPException(409, phrase("own-account"))
    close_account(session, found, form.active)
    return _person(found)


@router.get("/people/{person}/log-ins")
def log_ins(person: int, _: Admin, session: InTransaction) -> list[LogInAnswer]:
    """Where somebody is logged in."""
    return [log_in_form(found) for found in log_ins_of(session, account(session, person))]


@router.delete("/people/{person}/log-ins")
def end_all(person: int, _: Admin, session: InTransaction) -> Number:
    """End all log-ins of somebody, say after a computer was lost."""
    return Number(number=end_log_ins(session, account(session, person)))


@router.get(_HELD)
def held_about(person: int, admin: Admin, session: InTransaction) -> HeldAnswer:
    """Hand out everything that is held about somebody. That it was asked for is written down."""
    found = held(session, account(session, person))
    note_deed(session, admin.id, f"GET {router.prefix}{_HELD}", {"person": str(person)}, request_number.get())
    return HeldAnswer(held=found)


@router.post("/people/{person}/anonymous")
def forget(person: int, admin: Admin, session: InTransaction, world: InWorld) -> Person:
    """Close an account for good, and let nothing tell whose it was. There is no way back."""
    found = account(session, person)
    if found.id == admin.id:
        raise HTTPException(409, phrase("own-account-anonymous"))
    make_anonymous(session, found)
    # Sheets from elsewhere have names on them. Should one not go, nothing of all this is kept, and it is said.
    for name in forget_originals(session, found):
        world.files.remove(name)
    return _person(found)
