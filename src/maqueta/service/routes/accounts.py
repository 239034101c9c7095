"""Logging in and out; accounts for administrators."""

from typing import Annotated

from argon2 import PasswordHasher
from argon2.exceptions import InvalidHashError, VerificationError
from fastapi import APIRouter, Depends, HTTPException, Request, Response
from sqlalchemy.exc import IntegrityError

from maqueta.service.forms import ClassForm, Credentials, Me, NewPerson, Number, Person, PersonChange
from maqueta.service.world import COOKIE, Admin, Instructor, InTransaction, InWorld, log_in
from maqueta.store.accounts import (
    SESSION_LENGTH,
    account,
    account_by_login,
    add_account,
    all_accounts,
    classes_of,
    close_account,
    close_log_in,
    forget_failures,
    note_failure,
    open_log_in,
    too_many_failures,
)
from maqueta.store.models import Account, LogIn

router = APIRouter(prefix="/api")
hasher = PasswordHasher()
#: Verified when the log-in name is unknown, so that both refusals take equally long.
_NOBODY = hasher.hash("nobody has this password")


def _matches(password_hash: str, password: str) -> bool:
    try:
        return hasher.verify(password_hash, password)
    except (VerificationError, InvalidHashError):
        return False


@router.post("/log-in")
def start(credentials: Credentials, response: Response, world: InWorld) -> Me:
    """Log in. Too many refusals in a short time close the door for a while."""
    login = credentials.login.strip().lower()
    with world.database.transaction() as session:
        if too_many_failures(session, login):
            raise HTTPException(429, "Too many failed attempts. Wait ten minutes and try again.")
        found = account_by_login(session, login)
    right = _matches(found.password_hash if found else _NOBODY, credentials.password)
    # A refusal must be remembered although the request fails, hence a transaction of its own.
    with world.database.transaction() as session:
        if found is None or not right:
            note_failure(session, login)
        else:
            forget_failures(session, login)
            token, record = open_log_in(session, found)
            response.set_cookie(
                COOKIE,
                token,
                max_age=int(SESSION_LENGTH.total_seconds()),
                httponly=True,
                samesite="lax",
                secure=world.settings.secure_cookies,
            )
            return _me(found, record)
    raise HTTPException(401, "That name and password do not go together.")


def _me(found: Account, record: LogIn) -> Me:
    return Me(name=found.name, login=found.login, role=found.role, token=record.request_token)  # type: ignore[arg-type]


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


@router.post("/people", status_code=201)
def add(form: NewPerson, _: Admin, session: InTransaction) -> Person:
    """A new account."""
    try:
        return _person(add_account(session, form.login, form.name, form.role, hasher.hash(form.password)))
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
