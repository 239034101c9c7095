"""Rosters: who is to come into a class, from whatever table a school has; and what each row will do."""

import re
import unicodedata
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from typing import Final, Literal

from maqueta.phrases.phrase import Phrase, phrase

Field = Literal["name", "given", "family", "login", "email", "group"]
#: What a row of a roster does: makes an account, takes an account in, nothing (is in already), or cannot be used.
Does = Literal["new", "in", "already", "not"]

#: What columns are called, in our languages and two more, and in tables after 1EdTech's OneRoster (from memory).
_HEADINGS: Final[Mapping[Field, str]] = {
    "name": "name fullname student studentname displayname nombre nombrecompleto alumno estudiante nom schüler",
    "given": "givenname firstname first preferredfirstname nombredepila vorname prénom prenom",
    "family": "familyname lastname last surname preferredlastname apellido apellidos nachname",
    "login": "login loginname username user userid identifier usuario benutzername anmeldename identifiant",
    "email": "email mail emailaddress correo correoelectrónico courriel",
    "group": "group section team grupo gruppe groupe sección",
}
_FIELD_OF: Final[Mapping[str, Field]] = {word: field for field, words in _HEADINGS.items() for word in words.split()}
#: Letters that no accent is taken off.
_PLAIN: Final = str.maketrans("øłđı", "oldi", "'’")
_LOGIN: Final = re.compile(r"[a-z0-9.-]{3,60}")
_EMAIL: Final = re.compile(r"[^@\s,;]+@[^@\s,;]+\.[^@\s,;]+")


@dataclass(frozen=True, slots=True)
class RosterRow:
    """Somebody in a roster, as read; `line` is the row's number in the table, from 1."""

    line: int
    name: str
    login: str
    email: str
    group: str


@dataclass(frozen=True, slots=True)
class Known:
    """An account of a log-in name: its name, whether a student's that is open, whether in the class already."""

    name: str
    student: bool
    enrolled: bool


@dataclass(frozen=True, slots=True)
class Planned:
    """What a row will do, and why where it does nothing."""

    row: RosterRow
    does: Does
    why: Phrase | None = None


def rows_of(table: Sequence[Sequence[str]]) -> list[RosterRow]:
    """The people of a table. Without a row of headings, columns are told by what stands in them."""
    if not table:
        return []
    columns, begin = _headed(table[0]), 1
    if "name" not in columns and not {"given", "family", "login"} & set(columns):
        columns, begin = _guessed(table), 0
    return [_row(number + 1, cells, columns) for number, cells in enumerate(table) if number >= begin]


def _headed(cells: Sequence[str]) -> dict[Field, int]:
    columns: dict[Field, int] = {}
    for place, cell in enumerate(cells):
        word = re.sub(r"[^\w]|_", "", cell.lower())
        if (field := _FIELD_OF.get(word)) is not None:
            columns.setdefault(field, place)
    # Beside a family name, what is called "name" is the given one.
    if "family" in columns and "given" not in columns and "name" in columns:
        columns["given"] = columns.pop("name")
    return columns


def _guessed(table: Sequence[Sequence[str]]) -> dict[Field, int]:
    columns: dict[Field, int] = {}
    width = max(len(row) for row in table)
    for place in range(width):
        cells = [row[place] for row in table if place < len(row) and row[place]]
        if cells and all(_EMAIL.fullmatch(cell) for cell in cells):
            columns.setdefault("email", place)
        elif cells and all(_LOGIN.fullmatch(cell) and not cell.isdigit() for cell in cells):
            columns.setdefault("login", place)
        elif "name" not in columns:
            columns["name"] = place
        else:
            columns.setdefault("group", place)
    return columns


def _row(line: int, cells: Sequence[str], columns: Mapping[Field, int]) -> RosterRow:
    def cell(field: Field) -> str:
        place = columns.get(field)
        return cells[place] if place is not None and place < len(cells) else ""

    name = cell("name") or f"{cell('given')} {cell('family')}".strip()
    family, comma, given = name.partition(",")
    name = " ".join((f"{given} {family}" if comma else name).split())[:80]
    email = cell("email").lower()
    return RosterRow(line, name, (cell("login") or login_from(name)).lower()[:60], email[:200], cell("group")[:40])


def login_from(name: str) -> str:
    """A log-in name made of a name: first and last word, in plain letters.

    >>> login_from("Nela Ana Havlíková"), login_from("Øystein Müller"), login_from("Cher")
    ('nela.havlikova', 'oystein.muller', 'cher')
    """
    plain = name.lower().translate(_PLAIN).replace("ß", "ss").replace("æ", "ae")
    plain = "".join(c for c in unicodedata.normalize("NFKD", plain) if not unicodedata.combining(c))
    words = re.findall(r"[a-z0-9-]+", plain)
    return ".".join(dict.fromkeys((words[0], words[-1]))) if words else ""


def planned(rows: Iterable[RosterRow], known: Mapping[str, Known]) -> list[Planned]:
    """What every row will do, where `known` are the accounts of their log-in names."""
    seen: dict[str, int] = {}
    plans = []
    for row in rows:
        plans.append(_plan(row, known.get(row.login), seen.get(row.login)))
        seen.setdefault(row.login, row.line)
    return plans


def _plan(row: RosterRow, account: Known | None, before: int | None) -> Planned:
    if not row.name and account is None:
        return Planned(row, "not", phrase("roster-no-name"))
    if not _LOGIN.fullmatch(row.login):
        return Planned(row, "not", phrase("roster-no-log-in", login=row.login))
    if row.email and not _EMAIL.fullmatch(row.email):
        return Planned(row, "not", phrase("roster-no-email", email=row.email))
    if before is not None:
        return Planned(row, "not", phrase("roster-twice", line=before))
    if account is None:
        return Planned(row, "new")
    if not account.student:
        return Planned(row, "not", phrase("roster-no-student", login=row.login))
    if account.enrolled:
        return Planned(row, "already")
    # Somebody else may be called so: whoever brings the roster in looks at the name.
    return Planned(row, "in", phrase("roster-is-called", name=account.name) if account.name != row.name else None)
