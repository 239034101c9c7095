"""The demo world as a data folder, made once for all tests of a run: every server that needs it begins with a copy."""

import fcntl
import os
import shutil
from pathlib import Path

import pytest
from argon2 import PasswordHasher
from sqlalchemy import update

from maqueta.service.demo_data import load_demo
from maqueta.service.settings import Settings
from maqueta.store.database import Database
from maqueta.store.files import FileStore
from maqueta.store.mariadb import MariaDB
from maqueta.store.models import Account

PASSWORD = "loom-and-shuttle"
#: A password is slow to look at on purpose; people log in a thousand times here, and what is slow is tested alone.
_QUICK = PasswordHasher(time_cost=1, memory_cost=64)


def copied_demo_world(run: pytest.TempPathFactory, into: Path) -> Path:
    """A data folder with the demo world in it, of a server that has been ended. Whoever asks first makes it."""
    # Tests side by side have folders of their own in the one folder of the run; one alone is at work in that itself.
    own = run.getbasetemp()
    shared = own.parent if "PYTEST_XDIST_WORKER" in os.environ else own
    made = shared / "demo-world"
    with (shared / "demo-world.lock").open("w") as lock:
        fcntl.flock(lock, fcntl.LOCK_EX)
        if not made.exists():
            making = shared / "demo-world-in-the-making"
            _make(making)
            making.rename(made)
    return shutil.copytree(made, into, dirs_exist_ok=True)


def _make(folder: Path) -> None:
    settings = Settings(data=folder, demo_password=PASSWORD)
    server = MariaDB(folder / "mariadb")
    server.start()
    try:
        database = Database(server.url)
        database.migrate()
        load_demo(database, FileStore(folder / "files"), settings)
        with database.transaction() as session:
            session.execute(update(Account).values(password_hash=_QUICK.hash(PASSWORD)))
        database.close()
    finally:
        server.stop()
