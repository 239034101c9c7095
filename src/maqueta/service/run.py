"""The start command: own database, schema, demo data once, and the server, in the right order."""

import fcntl
import gc
import logging
import os
import signal
import socket
import sys
import threading
from logging.handlers import RotatingFileHandler
from pathlib import Path
from typing import IO

from maqueta.service.log_lines import LogLine
from maqueta.service.nightly import Nightly
from maqueta.service.people.first_account import FirstLogIn, anybody, first_administrator
from maqueta.service.settings import Settings, SettingsError, files_of, from_environment
from maqueta.store.database import Database
from maqueta.store.files import FileStore
from maqueta.store.mariadb import DatabaseServerError, MariaDB

_LOG = logging.getLogger("maqueta")
HOST = "127.0.0.1"
_LOG_BYTES, _LOG_FILES = 5 * 1024 * 1024, 10


class StartError(Exception):
    """Maqueta cannot start; the message is one clear line."""


def _lock(data: Path) -> IO[str]:
    """Hold the data folder for this process alone."""
    data.mkdir(parents=True, exist_ok=True)
    lock = (data / "start.lock").open("a+")
    try:
        fcntl.flock(lock, fcntl.LOCK_EX | fcntl.LOCK_NB)
    except BlockingIOError as error:
        lock.seek(0)
        holder = lock.read().strip() or "unknown"
        raise StartError(f"Maqueta is running already on {data.resolve()} (process {holder}).") from error
    lock.truncate(0)
    lock.write(str(os.getpid()))
    lock.flush()
    return lock


def _keep_log(folder: Path) -> None:
    """A line of JSON for each request, in files that are turned over; no bodies, no cookies, no queries."""
    folder.mkdir(exist_ok=True)
    handler = RotatingFileHandler(folder / "requests.log", maxBytes=_LOG_BYTES, backupCount=_LOG_FILES)
    handler.setFormatter(LogLine())
    log = logging.getLogger("maqueta.requests")
    log.addHandler(handler)
    log.setLevel(logging.INFO)
    # Failures are told on the console too, requests are not.
    log.propagate = False
    console = logging.StreamHandler()
    console.setLevel(logging.ERROR)
    log.addHandler(console)


def _files(settings: Settings) -> FileStore:
    try:
        return files_of(settings)
    except ValueError as error:
        raise StartError(f"MAQUETA_FILES_URL: {error}") from error


def _check_port(port: int) -> None:
    with socket.socket() as probe:
        probe.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            probe.bind((HOST, port))
        except OSError as error:
            raise StartError(
                f"Port {port} on {HOST} is taken by another program. Set MAQUETA_PORT to use another."
            ) from error


def _watch(server: MariaDB, closing: threading.Event) -> None:
    """Start the own database again when it dies; requests in between are told so and lose nothing."""
    while not closing.wait(1.0):
        if not server.alive:
            _LOG.warning("MariaDB stopped unexpectedly; starting it again")
            try:
                server.start()
            except DatabaseServerError as error:
                _LOG.error("%s", error)


def _first_people(database: Database, files: FileStore, settings: Settings) -> FirstLogIn | None:
    """Who is there to begin with, in an empty database: the demo world, or an administrator, who is told."""
    if settings.demo and not anybody(database):
        # It is made with the geometry kernel, which is loaded for nothing else here.
        from maqueta.service.demo_data import load_demo

        load_demo(database, files, settings)
    return first_administrator(database)


def serve(settings: Settings) -> None:
    """Run until told to stop. Raises StartError or DatabaseServerError with one clear line."""
    lock = _lock(settings.data)
    _keep_log(settings.data / "logs")
    own: MariaDB | None = None
    watcher: threading.Thread | None = None
    nightly: Nightly | None = None
    closing = threading.Event()
    try:
        _check_port(settings.port)
        url = settings.database_url
        if url is None:
            own = MariaDB(settings.data / "mariadb")
            own.start()
            url = own.url
            watcher = threading.Thread(target=_watch, args=(own, closing), daemon=True)
            watcher.start()
        database = Database(url)
        files = _files(settings)
        # What takes long to load is loaded when nothing stands in the way of the start any more. None of it is garbage.
        gc.disable()
        import uvicorn

        from maqueta.service.app import create_app
        from maqueta.service.marking.rechecking import ask_to_check_again

        gc.enable()
        # Several servers may start on one database.
        with database.alone("start") as alone:
            if not alone:
                raise StartError("Another server on this database has been starting for ten minutes; see what it does.")
            database.migrate()
            ask_to_check_again(database)
            first = _first_people(database, files, settings)
        if settings.backup_hour is not None:
            nightly = Nightly(database, files, settings.data, settings.backup_hour)
            nightly.start()
        print(f"\n  Maqueta runs at http://{HOST}:{settings.port}", flush=True)
        _print_log_ins(settings)
        if first is not None:
            print(
                f"  The first log-in: {first.login}, {first.password} (another password is chosen then)\n", flush=True
            )
        config = uvicorn.Config(
            create_app(settings, database),
            host=HOST,
            port=settings.port,
            log_level="warning",
            timeout_graceful_shutdown=2,
            # Longer than people pause between two drafts: a connection is not closed under a request.
            timeout_keep_alive=75,
            server_header=False,
        )
        uvicorn.Server(config).run()
    finally:
        closing.set()
        if nightly is not None:
            nightly.close()
        if watcher is not None:
            # A restart under way is let finish: a database left behind would hold the data folder.
            watcher.join()
        if own is not None:
            own.stop()
        lock.close()


def _print_log_ins(settings: Settings) -> None:
    log_ins = settings.data / "demo-log-ins.txt"
    if log_ins.is_file():
        print("".join(f"  {line}\n" for line in log_ins.read_text("utf-8").splitlines()), flush=True)


def main() -> int:
    """Entry point of `python -m maqueta.service`."""
    logging.basicConfig(level=logging.WARNING, format="%(asctime)s %(name)s: %(message)s")
    logging.getLogger("alembic").setLevel(logging.WARNING)
    signal.signal(signal.SIGTERM, lambda *_: sys.exit(0))
    try:
        serve(from_environment())
    except (StartError, SettingsError, DatabaseServerError) as error:
        print(f"maqueta: {error}", file=sys.stderr)
        return 1
    except KeyboardInterrupt:
        pass
    return 0
