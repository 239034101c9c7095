"""What travels between service and interface about people and classes."""

from typing import Annotated, Any

from pydantic import AfterValidator, Field, StringConstraints

from maqueta.service.form import Form
from maqueta.service.forms import Time
from maqueta.store.accounts import Role


class Credentials(Form):
    """A log-in."""

    login: Annotated[str, Field(min_length=1, max_length=60)]
    password: Annotated[str, Field(min_length=1, max_length=200)]


class Me(Form):
    """Who is logged in, and the token every change must carry."""

    name: str
    login: str
    role: Role
    token: str
    #: A password of one's own has to be chosen first.
    must_change: bool = False


class Person(Form):
    """An account as administrators see it."""

    id: int
    login: str
    name: str
    role: Role
    active: bool
    #: Nothing tells any more who it was.
    anonymous: bool


def _hard_to_guess(password: str) -> str:
    if len(set(password)) < 4:
        raise ValueError("a password needs at least four different characters")
    return password


#: A name somebody can be called by: not only blanks.
PersonName = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=80)]
NewPassword = Annotated[str, Field(min_length=10, max_length=200), AfterValidator(_hard_to_guess)]


class NewPerson(Form):
    """A new account."""

    login: Annotated[str, Field(pattern=r"^[a-z0-9.-]{3,60}$")]
    name: PersonName
    role: Role
    password: NewPassword


class PasswordChange(Form):
    """A new password, and the one there was."""

    old: Annotated[str, Field(min_length=1, max_length=200)]
    new: NewPassword


class OneTimePassword(Form):
    """A password for one log-in; it is told once."""

    password: str


class DeedForm(Form):
    """Something somebody changed."""

    id: int
    at: Time
    who: str | None
    #: Method and address of the request, and what these do, in words.
    what: str
    words: str
    to_what: dict[str, str]
    request: str


class PersonChange(Form):
    """Open or close an account."""

    active: bool


class ClassForm(Form):
    """A class and how many students it has."""

    id: int
    name: str
    students: int


#: As people type or paste it.
LogInName = Annotated[str, StringConstraints(strip_whitespace=True, to_lower=True, min_length=1, max_length=60)]


class StudentEntry(Form):
    """A student in a class."""

    id: int
    login: str
    name: str


class ClassName(Form):
    """What a class is called."""

    name: PersonName


class Enrolling(Form):
    """Students to take into a class, by their log-in names."""

    logins: Annotated[list[LogInName], Field(min_length=1, max_length=200)]


class Enrolled(Form):
    """A class after students were taken in, and the log-in names that are no student's."""

    students: list[StudentEntry]
    unknown: list[str]


class LogInForm(Form):
    """Where somebody is logged in; `here` for the browser that asks."""

    id: int
    begun_at: Time
    browser: str
    here: bool


class HeldForm(Form):
    """Everything that is held about a person, by what it is."""

    held: dict[str, Any]
