"""An administrator's account where there is none, or where nobody remembers its password."""

import sys
from dataclasses import dataclass
from typing import Final

from sqlalchemy import select

from maqueta.command.backup_work import database_of
from maqueta.command.inputs import InputError
from maqueta.service.people.passwords import hashed, one_time
from maqueta.service.settings import Settings
from maqueta.store.accounts import add_account, reset_password
from maqueta.store.database import Database
from maqueta.store.models import Account

_FIRST: Final = "administrator"


@dataclass(frozen=True, slots=True)
class FirstLogIn:
    """A log-in that is told once, to whoever runs the service."""

    login: str
    password: str


def anybody(database: Database) -> bool:
    """Whether there are people already."""
    with database.transaction() as session:
        return session.scalar(select(Account).limit(1)) is not None


def first_administrator(database: Database) -> FirstLogIn | None:
    """The administrator of an empty database; None where there are people already."""
    with database.transaction() as session:
        if session.scalar(select(Account).limit(1)) is not None:
            return None
        password = one_time()
        added = add_account(session, _FIRST, "Administrator", "admin", hashed(password))
        added.must_change = True
    return FirstLogIn(_FIRST, password)


def let_in(database: Database, login: str) -> FirstLogIn:
    """A password for one log-in of an administrator; whoever may use the machine may do this.

    Raises InputError where there is no such administrator.
    """
    with database.transaction() as session:
        found = session.scalar(select(Account).where(Account.login == login, Account.role == "admin"))
        if found is None:
            raise InputError(f"{login}: there is no administrator of this log-in name")
        password = one_time()
        found.active = True
        reset_password(session, found, hashed(password))
    return FirstLogIn(login, password)


def main(arguments: list[str]) -> int:
    """Entry point of `scripts/let-in LOGIN`."""
    if len(arguments) != 1:
        print("Give the log-in name of an administrator.", file=sys.stderr)
        return 2
    try:
        with database_of(Settings().data) as url:
            database = Database(url)
            told = let_in(database, arguments[0])
            database.close()
    except InputError as error:
        print(f"maqueta: {error}", file=sys.stderr)
        return 2
    print(f"{told.login}: {told.password} (for one log-in; another password is chosen then)")
    return 0


if __name__ == "__main__":
    raise SystemExit(main(sys.argv[1:]))
