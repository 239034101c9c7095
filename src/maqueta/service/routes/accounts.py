"""Logging in and out; accounts for administrators."""

from typing import Annotated, Final

from fastapi import APIRouter, Depends, HTTPException, Query, Request, Response
from fastapi.concurrency import run_in_threadpool
from sqlalchemy.exc import IntegrityError
from sqlalchemy.orm import Session

from maqueta.service.forms import (
    ClassForm,
    Credentials,
    DeedForm,
    Me,
    NewPerson,
    Number,
    OneTimePassword,
    PasswordChange,
    Person,
    PersonChange,
)
from maqueta.service.passwords import NOBODY, one_time
from maqueta.service.world import COOKIE, Admin, Instructor, InTransaction, InWorld, World, log_in
from maqueta.store.accounts import (
    FAILURE_WINDOW,
    KNOWN_FOR,
    SESSION_LENGTH,
    account,
    account_by_login,
    add_account,
    all_accounts,
    begin_log_in,
    classes_of,
    close_account,
    close_log_in,
    drop_log_in,
    forget_failures,
    log_in_succeeded,
    open_log_in,
    reset_password,
    set_password,
    too_many_log_ins,
)
from maqueta.store.deeds import deeds
from maqueta.store.models import Account, LogIn

router = APIRouter(prefix="/api")
#: The cookie by which a browser is known in which somebody has logged in before.
_BROWSER: Final = "maqueta-browser"


@router.post("/log-in")
async def start(credentials: Credentials, request: Request, response: Response, world: InWorld) -> Me:
    """Log in. Too many refusals in a short time close the door for a while, but not to a browser known from before."""
    login = credentials.login.strip().lower()
    browser = request.cookies.get(_BROWSER)
    address = request.client.host if request.client else ""
    # Counted before the password is looked at, so that guesses at one moment are as few as guesses one by one.
    async with world.admission.place():
        number = await run_in_threadpool(_begun, world, login, address, browser)
    async with world.admission.place():
        found = await run_in_threadpool(_let_try, world, login, number)
    right = await world.passwords.matches(found.password_hash if found else NOBODY, credentials.password)
    if found is None or not right:
        raise HTTPException(401, "That name and password do not go together.")
    async with world.admission.place():
        token, known, record = await run_in_threadpool(_entered, world, found, number, browser)
    secure = world.settings.secure_cookies
    age = int(SESSION_LENGTH.total_seconds())
    response.set_cookie(COOKIE, token, max_age=age, httponly=True, samesite="lax", secure=secure)
    response.set_cookie(
        _BROWSER,
        known,
        max_age=int(KNOWN_FOR.total_seconds()),
        path="/api/log-in",
        httponly=True,
        samesite="strict",
        secure=secure,
    )
    return _me(found, record)


def _begun(world: World, login: str, address: str, browser: str | None) -> int:
    with world.database.transaction() as session:
        return begin_log_in(session, login, address, browser)


def _let_try(world: World, login: str, number: int) -> Account | None:
    """Who a log-in that was begun is for. Raises HTTPException 429 where too many were begun before it."""
    with world.database.transaction() as session:
        refused = too_many_log_ins(session, number)
        if refused:
            drop_log_in(session, number)
        found = None if refused else account_by_login(session, login)
    if refused:
        raise _too_many()
    return found


def _too_many() -> HTTPException:
    wait = {"retry-after": str(int(FAILURE_WINDOW.total_seconds()))}
    return HTTPException(429, "Too many failed attempts. Wait ten minutes and try again.", wait)


def _guess_counted(session: Session, login: str) -> int:
    """The number under which a guess at one's own password is counted. Raises HTTPException 429 after too many.

    Kept whatever becomes of the request, which holds no second connection for it.
    """
    number = begin_log_in(session, login, "", None)
    session.commit()
    if too_many_log_ins(session, number):
        drop_log_in(session, number)
        session.commit()
        raise _too_many()
    return number


def _entered(world: World, found: Account, number: int, browser: str | None) -> tuple[str, str, LogIn]:
    with world.database.transaction() as session:
        known = log_in_succeeded(session, number, found, browser)
        token, record = open_log_in(session, found)
    return token, known, record


def _me(found: Account, record: LogIn) -> Me:
    return Me(
        name=found.name,
        login=found.login,
        role=found.role,  # type: ignore[arg-type]
        token=record.request_token,
        must_change=found.must_change,
    )


@router.post("/log-out")
def end(request: Request, response: Response, session: InTransaction) -> Number:
    """End the session of this browser."""
    token = request.cookies.get(COOKIE)
    if token:
        close_log_in(session, token)
    response.delete_cookie(COOKIE)
    return Number(number=1)


@router.get("/me")
def me(record: Annotated[LogIn, Depends(log_in)]) -> Me:
    """Who is logged in."""
    return _me(record.account, record)


@router.post("/me/password")
async def choose_password(
    form: PasswordChange, record: Annotated[LogIn, Depends(log_in)], session: InTransaction, world: InWorld
) -> Me:
    """Choose another password. Log-ins in other browsers end."""
    found = record.account
    # Counted like a log-in: an open page that nobody watches is no place to guess at leisure.
    number = await run_in_threadpool(_guess_counted, session, found.login)
    if not await world.passwords.matches(found.password_hash, form.old):
        raise HTTPException(403, "That is not your password. Nothing was changed.")
    await run_in_threadpool(drop_log_in, session, number)
    if form.new == form.old:
        raise HTTPException(422, "That is the password you have. Choose another one.")
    await run_in_threadpool(set_password, session, found, await world.passwords.hashed(form.new), record)
    return _me(found, record)


@router.get("/classes")
def classes(instructor: Instructor, session: InTransaction) -> list[ClassForm]:
    """An instructor's classes."""
    return [ClassForm(id=c.id, name=c.name, students=number) for c, number in classes_of(session, instructor)]


def _person(found: Account) -> Person:
    return Person(id=found.id, login=found.login, name=found.name, role=found.role, active=found.active)  # type: ignore[arg-type]


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
) -> list[DeedForm]:
    """Who did what to what, and when; the newest first."""
    return [
        DeedForm(
            id=deed.id,
            at=deed.at,
            who=deed.account.login if deed.account else None,
            what=deed.what,
            to_what=deed.to_what,
            request=deed.request,
        )
        for deed in deeds(session, before, most)
    ]


@router.post("/people/{person}/password")
async def give_password(person: int, admin: Admin, session: InTransaction, world: InWorld) -> OneTimePassword:
    """Give somebody who forgot theirs a password for one log-in; they choose their own then."""
    found = await run_in_threadpool(account, session, person)
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
    found = account(session, person)
    if found.id == admin.id:
        raise HTTPException(409, "You cannot close your own account.")
    close_account(session, found, form.active)
    return _person(found)
