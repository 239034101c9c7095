"""A worker: does what comes by the queue, and takes jobs from the database, on whatever machine it is started."""

import json
import logging
import os
import socket
import sys
import threading
from contextlib import suppress
from dataclasses import astuple
from typing import Any, Final, get_args

from celery.signals import worker_shutting_down
from redis.exceptions import RedisError
from sqlalchemy.exc import SQLAlchemyError

from maqueta.service.queue.celery_app import (
    KEY,
    LOOK,
    RESULT_SECONDS,
    SIGN_MS,
    SIGN_SECONDS,
    WORK,
    begun_key,
    celery_app,
    crew_queue,
    result_key,
    signs,
    wanted_key,
    worker_key,
)
from maqueta.service.queue.local import LocalQueue
from maqueta.service.queue.sealed import SealError, opened, sealed
from maqueta.service.queue.work_queue import AbandonedError, BrokenCrewError, CrewName, Piece
from maqueta.service.settings import Settings, SettingsError, files_of, from_environment
from maqueta.store.database import Database
from maqueta.store.keys import shared_key

_LOG = logging.getLogger("maqueta.worker")
#: Messages taken at a time, for each process: they wait for its crew here, and never for another crew's.
_AT_HAND: Final = 4


class Worker:
    """The queue of this machine, fed by Celery."""

    def __init__(self, settings: Settings, queue_url: str, database_url: str) -> None:
        self._database = Database(database_url)
        self._files = files_of(settings)
        with self._database.transaction() as session:
            self._key = shared_key(session, KEY)
        self._signs = signs(queue_url)
        self._local = LocalQueue(settings, self._database, self._files)
        self._closing = threading.Event()
        self._name = f"{socket.gethostname()}-{os.getpid()}"
        #: What is at work here, by name; its event says that nobody waits any more.
        self._at_work: dict[str, threading.Event] = {}
        self._app = celery_app(queue_url)
        self._app.task(name=WORK)(self.work)
        self._app.task(name=LOOK)(self._local.wake)

    def work(self, name: str, packet: str) -> None:
        """Do a piece of work, unless nobody waits for it any more, and put the result where they wait."""
        if not self._signs.exists(wanted_key(name)):
            return
        try:
            piece: Piece[Any] = opened(self._key, packet, self._files)
        except SealError as error:
            _LOG.error("a message was not taken: %s", error)
            return
        # Of several messages about it only one is taken.
        if not self._signs.set(begun_key(name), self._name, px=SIGN_MS, nx=True):
            return
        left = self._at_work[name] = threading.Event()
        try:
            outcome = self._outcome(piece, left)
            if outcome is not None:
                self._put(name, outcome)
        finally:
            del self._at_work[name]

    def _outcome(self, piece: Piece[Any], left: threading.Event) -> tuple[bool, Any] | None:
        """Whether it went well, and its result or what it raised; None where nobody waits any more."""
        try:
            return True, self._local.run(piece, lambda: not (left.is_set() or self._closing.is_set()))
        except AbandonedError:
            # Of a worker that stops another one takes over: who waits does so still.
            return (False, BrokenCrewError()) if self._closing.is_set() else None
        except Exception as error:  # whatever the work raises is told to who waits
            return False, error

    def _put(self, name: str, outcome: tuple[bool, Any]) -> None:
        pipe = self._signs.pipeline()
        pipe.rpush(result_key(name), sealed(self._key, outcome))
        pipe.expire(result_key(name), RESULT_SECONDS)
        pipe.execute()

    def run(self) -> None:
        """Work until told to stop."""
        self._local.start()
        threading.Thread(target=self._tell, name="signs", daemon=True).start()
        worker_shutting_down.connect(self._close, weak=False)
        try:
            self._app.Worker(
                pool="threads",
                concurrency=_AT_HAND * self._local.size,
                queues=[crew_queue(crew) for crew in get_args(CrewName)] + [self._app.conf.task_default_queue],
                loglevel="WARNING",
                without_gossip=True,
                without_mingle=True,
                without_heartbeat=True,
                quiet=True,
            ).start()
        finally:
            self._close()
            self._local.close()
            self._database.close()

    def _tell(self) -> None:
        """Say now and then that this worker is there, how its crews are, what is at work; ask what is still wanted."""
        while not self._closing.wait(SIGN_SECONDS):
            with suppress(RedisError):
                self._sign(list(self._at_work))
        with suppress(RedisError):
            self._signs.delete(worker_key(self._name))

    def _sign(self, names: list[str]) -> None:
        pipe = self._signs.pipeline()
        for name in names:
            pipe.exists(wanted_key(name))
            pipe.set(begun_key(name), self._name, px=SIGN_MS)
        pipe.set(worker_key(self._name), json.dumps([astuple(crew) for crew in self._local.crews()]), px=SIGN_MS)
        for name, waited_for in zip(names, pipe.execute()[::2], strict=False):
            left = self._at_work.get(name)
            if left is not None and not waited_for:
                left.set()

    def _close(self, **_: Any) -> None:
        # From a signal's handler: what runs sees it at its next look and is given back.
        self._closing.set()


def main() -> int:
    """Entry point of `scripts/worker`."""
    logging.basicConfig(level=logging.WARNING, format="%(asctime)s %(name)s: %(message)s")
    try:
        settings = from_environment()
    except SettingsError as error:
        print(f"maqueta: {error}", file=sys.stderr)
        return 1
    if settings.queue_url is None or settings.database_url is None:
        print("maqueta: a worker needs MAQUETA_QUEUE_URL and MAQUETA_DATABASE_URL.", file=sys.stderr)
        return 1
    try:
        worker = Worker(settings, settings.queue_url, settings.database_url)
    except SQLAlchemyError:
        print("maqueta: the database does not answer, or is not up to date: start a server first.", file=sys.stderr)
        return 1
    except ValueError as error:
        print(f"maqueta: MAQUETA_FILES_URL: {error}", file=sys.stderr)
        return 1
    worker.run()
    return 0
