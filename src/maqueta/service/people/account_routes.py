"""Logging in and out, and what concerns one's own account."""

from typing import Annotated, Final

from fastapi import APIRouter, Depends, HTTPException, Request, Response
from fastapi.concurrency import run_in_threadpool
from sqlalchemy.orm import Session

from maqueta.phrases.phrase import phrase
from maqueta.service.messages import Number
from maqueta.service.people.browsers import browser_words
from maqueta.service.people.messages import Credentials, HeldAnswer, LanguageChoice, LogInAnswer, Me, PasswordChange
from maqueta.service.people.passwords import NOBODY
from maqueta.service.world import COOKIE, AnyAccount, InTransaction, InWorld, World, log_in
from maqueta.store.accounts import account_by_login, set_password
from maqueta.store.log_ins import (
    FAILURE_WINDOW,
    KNOWN_FOR,
    SESSION_LENGTH,
    begin_log_in,
    close_log_in,
    drop_log_in,
    end_log_in,
    log_in_succeeded,
    log_ins_of,
    open_log_in,
    too_many_log_ins,
)
from maqueta.store.models import Account, LogIn
from maqueta.store.people import held

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
        raise HTTPException(401, phrase("wrong-password"))
    async with world.admission.place():
        token, known, record = await run_in_threadpool(_entered, world, found, number, browser, _kind(request))
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
    return HTTPException(429, phrase("too-many-attempts"), wait)


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


def _kind(request: Request) -> str:
    return browser_words(request.headers.get("user-agent", ""))


def _entered(world: World, found: Account, number: int, browser: str | None, kind: str) -> tuple[str, str, LogIn]:
    with world.database.transaction() as session:
        known = log_in_succeeded(session, number, found, browser)
        token, record = open_log_in(session, found, kind)
    return token, known, record


def _me(found: Account, record: LogIn) -> Me:
    return Me(
        name=found.name,
        login=found.login,
        role=found.role,  # type: ignore[arg-type]
        token=record.request_token,
        must_change=found.must_change,
        language=found.language,  # type: ignore[arg-type]
    )


@router.post("/log-out")
def end(request: Request, response: Response, session: InTransaction) -> Number:
    """End the session of this browser."""
    token = request.cookies.get(COOKIE)
    if token:
        close_log_in(session, token)
    response.delete_cookie(COOKIE)
    return Number(number=1)


@router.get("/log-in")
def logged_in(request: Request, session: InTransaction) -> Me | None:
    """Who is logged in here, if anybody: no fault where nobody is, so that a first page can ask."""
    try:
        record = log_in(request, session)
    except HTTPException:
        return None
    return _me(record.account, record)


@router.get("/me")
def me(record: Annotated[LogIn, Depends(log_in)]) -> Me:
    """Who is logged in."""
    return _me(record.account, record)


@router.put("/me/language")
def choose_language(form: LanguageChoice, record: Annotated[LogIn, Depends(log_in)], session: InTransaction) -> Me:
    """Choose the language to read, in every browser."""
    record.account.language = form.language
    session.flush()
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
        raise HTTPException(403, phrase("not-your-password"))
    await run_in_threadpool(drop_log_in, session, number)
    if form.new == form.old:
        raise HTTPException(422, phrase("same-password"))
    await run_in_threadpool(set_password, session, found, await world.passwords.hashed(form.new), record)
    return _me(found, record)


def log_in_form(found: LogIn, here: LogIn | None = None) -> LogInAnswer:
    """A log-in as it is told; `here` is that of whoever asks."""
    own = here is not None and found.id == here.id
    return LogInAnswer(id=found.id, begun_at=found.begun_at, browser=found.browser, here=own)


@router.get("/me/log-ins")
def my_log_ins(record: Annotated[LogIn, Depends(log_in)], session: InTransaction) -> list[LogInAnswer]:
    """Where one is logged in."""
    return [log_in_form(found, record) for found in log_ins_of(session, record.account)]


@router.delete("/me/log-ins/{log_in_id}")
def end_mine(log_in_id: int, record: Annotated[LogIn, Depends(log_in)], session: InTransaction) -> Number:
    """End one of one's own log-ins."""
    end_log_in(session, record.account, log_in_id)
    return Number(number=1)


@router.get("/me/held")
def held_about_me(person: AnyAccount, session: InTransaction) -> HeldAnswer:
    """Everything that is held about oneself."""
    return HeldAnswer(held=held(session, person))
