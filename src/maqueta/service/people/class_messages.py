"""What travels about classes and their rosters."""

from typing import Annotated

from pydantic import Field, StringConstraints

from maqueta.service.language import Sentence
from maqueta.service.people.messages import LogInName, PersonName
from maqueta.service.people.roster import Does
from maqueta.strict import Strict

Group = Annotated[str, StringConstraints(strip_whitespace=True, max_length=40)]


class ClassAnswer(Strict):
    """A class, how many students it has, and whether the one who asks made it."""

    id: int
    name: str
    students: int
    own: bool
    archived: bool


class StudentEntry(Strict):
    """A student in a class. `resettable` is whether its instructors may give them a new first password."""

    id: int
    login: str
    name: str
    email: str
    group: str
    resettable: bool


class SharerEntry(Strict):
    """An instructor a class is shared with."""

    id: int
    login: str
    name: str


class ClassDetail(ClassAnswer):
    """A class with those who teach it and those who are in it."""

    maker: str
    join_code: str | None
    sharers: list[SharerEntry]
    roll: list[StudentEntry]


class ClassName(Strict):
    """What a class is called."""

    name: PersonName


class ClassChange(Strict):
    """What changes about a class; what is left out stays."""

    name: PersonName | None = None
    archived: bool | None = None


class Enrolling(Strict):
    """Students to take into a class, by their log-in names."""

    logins: Annotated[list[LogInName], Field(min_length=1, max_length=200)]


class Enrolled(Strict):
    """A class after students were taken in, and the log-in names that are no student's."""

    students: list[StudentEntry]
    unknown: list[str]


class PlannedRow(Strict):
    """A row of a roster, what it will do, and why, where that is not plain."""

    line: int
    name: str
    login: str
    email: str
    group: str
    does: Does
    why: Sentence | None


class RosterEntry(Strict):
    """Somebody to bring in."""

    name: PersonName
    login: Annotated[str, Field(pattern=r"^[a-z0-9.-]{3,60}$")]
    email: Annotated[str, Field(max_length=200)] = ""
    group: Group = ""


class RosterRequest(Strict):
    """The people of a roster that are to come in."""

    people: Annotated[list[RosterEntry], Field(min_length=1, max_length=500)]


class FirstPassword(Strict):
    """The first password of a new account; it is told once, to be printed on a slip."""

    name: str
    login: str
    password: str


class RosterDone(Strict):
    """What came of a roster: first passwords of new accounts, and how many people are in by it."""

    slips: list[FirstPassword]
    taken_in: int


class JoinCode(Strict):
    """A code by which students come into a class."""

    code: str


class JoinRequest(Strict):
    """A code as somebody typed it."""

    code: Annotated[str, StringConstraints(strip_whitespace=True, to_upper=True, min_length=4, max_length=20)]


class SharerRequest(Strict):
    """The instructor to share a class with."""

    login: LogInName


class GroupsRequest(Strict):
    """Groups of students, by their numbers; "" for none."""

    groups: Annotated[dict[int, Group], Field(max_length=500)]
