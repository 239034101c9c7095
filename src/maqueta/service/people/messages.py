"""What travels between service and interface about people and classes."""

from typing import Annotated, Any

from pydantic import AfterValidator, Field, StringConstraints

from maqueta.phrases.phrase import phrase
from maqueta.phrases.said import Language
from maqueta.phrases.told import ToldError
from maqueta.service.language import Sentence
from maqueta.service.messages import Time
from maqueta.store.accounts import Role
from maqueta.strict import Strict


class Credentials(Strict):
    """A log-in."""

    login: Annotated[str, Field(min_length=1, max_length=60)]
    password: Annotated[str, Field(min_length=1, max_length=200)]


class Me(Strict):
    """Who is logged in, and the token every change must carry."""

    name: str
    login: str
    role: Role
    token: str
    #: A password of one's own has to be chosen first.
    must_change: bool = False
    #: The language chosen; none follows the browser.
    language: Language | None = None


class LanguageChoice(Strict):
    """The language somebody wants to read; none follows the browser."""

    language: Language | None


class Person(Strict):
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
        raise ToldError(phrase("password-too-plain"))
    return password


#: A name somebody can be called by: not only blanks.
PersonName = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=80)]
NewPassword = Annotated[str, Field(min_length=10, max_length=200), AfterValidator(_hard_to_guess)]


class NewPerson(Strict):
    """A new account."""

    login: Annotated[str, Field(pattern=r"^[a-z0-9.-]{3,60}$")]
    name: PersonName
    role: Role
    password: NewPassword


class PasswordChange(Strict):
    """A new password, and the one there was."""

    old: Annotated[str, Field(min_length=1, max_length=200)]
    new: NewPassword


class OneTimePassword(Strict):
    """A password for one log-in; it is told once."""

    password: str


class DeedAnswer(Strict):
    """Something somebody changed."""

    id: int
    at: Time
    who: str | None
    #: Method and address of the request, and what these do; nothing where that is done no more.
    what: str
    words: Sentence | None
    to_what: dict[str, str]
    request: str


class PersonChange(Strict):
    """Open or close an account."""

    active: bool


#: As people type or paste it.
LogInName = Annotated[str, StringConstraints(strip_whitespace=True, to_lower=True, min_length=1, max_length=60)]


class LogInAnswer(Strict):
    """Where somebody is logged in; `here` for the browser that asks."""

    id: int
    begun_at: Time
    browser: str
    here: bool


class HeldAnswer(Strict):
    """Everything that is held about a person, by what it is."""

    held: dict[str, Any]
