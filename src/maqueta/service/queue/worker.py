"""A worker: does what comes by the queue, and takes jobs from the database, on whatever machine it is started."""

import json
import logging
import os
import socket
import sys
import threading
from contextlib import suppress
from dataclasses import astuple
from typing import Any, Final

from celery.signals import worker_shutting_down
from redis.exceptions import RedisError
from sqlalchemy.exc import SQLAlchemyError

from maqueta.service.queue.celery_app import (
    KEY,
    LOOK,
    RESULT_SECONDS,
    SIGN_MS,
    WORK,
    WORKER_SIGN_MS,
    begun_key,
    celery_app,
    result_key,
    signs,
    wanted_key,
    worker_key,
)
from maqueta.service.queue.local import LocalQueue
from maqueta.service.queue.sealed import SealError, opened, sealed
from maqueta.service.queue.work_queue import AbandonedError, BrokenCrewError
from maqueta.service.settings import Settings, SettingsError, files_of, from_environment
from maqueta.store.database import Database
from maqueta.store.keys import shared_key

_LOG = logging.getLogger("maqueta.worker")
_SIGN_SECONDS: Final = 1.0


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
        self.app = celery_app(queue_url)
        self.app.task(name=WORK)(self.work)
        self.app.task(name=LOOK)(self._local.wake)

    def work(self, name: str, packet: str) -> None:
        """Do a piece of work, unless nobody waits for it any more, and put the result where they wait."""
        if not self._signs.exists(wanted_key(name)):
            return
        try:
            crew, work, arguments, seconds = opened(self._key, packet, self._files)
        except SealError as error:
            _LOG.error("a message was not taken: %s", error)
            return
        self._sign(name)
        outcome: tuple[bool, Any]
        try:
            outcome = True, self._local.run(crew, work, *arguments, seconds=seconds, wanted=lambda: self._sign(name))
        except AbandonedError:
            if not self._closing.is_set():
                return
            # Who waits does so still: another worker does it.
            outcome = False, BrokenCrewError()
        except Exception as error:  # whatever the work raises is told to who waits
            outcome = False, error
        self._put(name, outcome)

    def _put(self, name: str, outcome: tuple[bool, Any]) -> None:
        pipe = self._signs.pipeline()
        pipe.rpush(result_key(name), sealed(self._key, outcome))
        pipe.expire(result_key(name), RESULT_SECONDS)
        pipe.delete(begun_key(name))
        pipe.execute()

    def _sign(self, name: str) -> bool:
        """Tell that a piece of work is under way; whether somebody still waits for it, and it is still done here."""
        if self._closing.is_set():
            return False
        try:
            pipe = self._signs.pipeline()
            pipe.set(begun_key(name), self._name, px=SIGN_MS)
            pipe.exists(wanted_key(name))
            return bool(pipe.execute()[1])
        except RedisError:
            # Nobody can be told or asked; the work is short.
            return True

    def run(self) -> None:
        """Work until told to stop."""
        self._local.start()
        threading.Thread(target=self._tell, name="signs", daemon=True).start()
        worker_shutting_down.connect(self._close, weak=False)
        try:
            self.app.Worker(
                pool="threads",
                concurrency=self._local.size,
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
        """Say now and then that this worker is there, and how its crews are."""
        while not self._closing.wait(_SIGN_SECONDS):
            told = json.dumps([astuple(crew) for crew in self._local.crews()])
            with suppress(RedisError):
                self._signs.set(worker_key(self._name), told, px=WORKER_SIGN_MS)
        with suppress(RedisError):
            self._signs.delete(worker_key(self._name))

    def _close(self, **_: Any) -> None:
        # From a signal's handler: what runs sees it at its next look and is given back.
        self._closing.set()


def main() -> int:
    """Entry point of `maqueta worker`."""
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
    except (SQLAlchemyError, ValueError) as error:
        print(f"maqueta: the worker cannot start: {error}", file=sys.stderr)
        return 1
    worker.run()
    return 0


if __name__ == "__main__":
    raise SystemExit(main())
