"""The queue of several machines: work is sent to workers by way of Redis, and sent once more when they die over it."""

import json
import logging
import time
import uuid
from collections import Counter
from contextlib import suppress
from typing import Any, Final, TypeVar

from kombu.exceptions import OperationalError
from redis.exceptions import RedisError

from maqueta.service.queue.celery_app import (
    KEY,
    LOOK,
    LOOK_EXPIRES,
    SIGN_MS,
    WORK,
    WORK_EXPIRES,
    begun_key,
    celery_app,
    crew_queue,
    result_key,
    signs,
    wanted_key,
    worker_key,
)
from maqueta.service.queue.sealed import SealError, opened, sealed
from maqueta.service.queue.work_queue import (
    AbandonedError,
    BrokenCrewError,
    CrewName,
    CrewState,
    Piece,
    QueueSilentError,
    Wanted,
    always,
)
from maqueta.store.database import Database
from maqueta.store.files import FileStore
from maqueta.store.keys import shared_key

_LOG = logging.getLogger("maqueta.queue")
Result = TypeVar("Result")
#: How often is looked whether somebody still waits, and whether somebody is at work (seconds).
_LOOK_SECONDS: Final = 0.2
#: Work that nobody has begun is sent again after so long: a worker may have died with the message in its hands.
_AGAIN_SECONDS: Final = 5.0
#: Work that nobody has begun for so long: there are no workers, or far too few.
_BEGUN_SECONDS: Final = 20.0
#: How often work is given to another worker, where one stops or dies over it.
_MOST_TIMES: Final = 3


class _LostError(Exception):
    """Who was at work on it gives no sign of life any more."""


class DistributedQueue:
    """Sends work to whoever takes it; holds none itself."""

    def __init__(self, url: str, database: Database, files: FileStore) -> None:
        self._app, self._signs = celery_app(url), signs(url)
        self._files = files
        with database.transaction() as session:
            self._key = shared_key(session, KEY)

    def run(self, piece: Piece[Result], wanted: Wanted = always) -> Result:
        """The result of some work. Raises as `Hands.run` does.

        That workers die is never said to be the work's fault: it is done in processes of theirs.
        """
        packet = sealed(self._key, piece)
        for _ in range(_MOST_TIMES):
            try:
                return self._once(piece.crew, packet, wanted)  # type: ignore[no-any-return]
            except (BrokenCrewError, _LostError):
                _LOG.warning("a worker stopped or died at work of the crew %r; another one does it", piece.crew)
            except (RedisError, OperationalError, SealError) as error:
                _LOG.warning("the queue does not answer: %s", error)
                raise QueueSilentError("the queue does not answer") from error
        raise BrokenCrewError

    def _once(self, crew: CrewName, packet: str, wanted: Wanted) -> Any:
        name = uuid.uuid4().hex
        # The sign is there before the message: whoever takes up work that nobody waits for drops it.
        self._signs.set(wanted_key(name), crew, px=SIGN_MS)
        began = sent = self._sent(crew, name, packet)
        begun = False
        try:
            while True:
                answer: Any = self._signs.blpop([result_key(name)], timeout=_LOOK_SECONDS)
                if answer is not None:
                    return self._result(answer[1])
                if not wanted():
                    raise AbandonedError
                at_work = bool(self._signs.exists(begun_key(name)))
                if begun and not at_work and not self._signs.exists(result_key(name)):
                    raise _LostError
                begun = begun or at_work
                now = time.monotonic()
                if not begun and now - began > _BEGUN_SECONDS:
                    raise QueueSilentError("no worker has taken it up")
                self._signs.set(wanted_key(name), crew, px=SIGN_MS)
                if not begun and now - sent > _AGAIN_SECONDS:
                    sent = self._sent(crew, name, packet)
        finally:
            with suppress(RedisError):
                self._signs.delete(wanted_key(name), result_key(name), begun_key(name))

    def _sent(self, crew: CrewName, name: str, packet: str) -> float:
        """Send a message; returns when. Of several about the same work one is taken."""
        self._app.send_task(WORK, (name, packet), expires=WORK_EXPIRES, queue=crew_queue(crew))
        return time.monotonic()

    def _result(self, text: bytes) -> Any:
        well, value = opened(self._key, text, self._files)
        if well:
            return value
        raise value

    def wake(self) -> None:
        """Let a worker look for jobs; where none can be told, they look now and then in any case."""
        with suppress(RedisError, OperationalError):
            self._app.send_task(LOOK, expires=LOOK_EXPIRES)

    def start(self) -> None:
        """Nothing: workers are there, or come."""

    @property
    def alive(self) -> bool:
        """Whether any worker is there."""
        return bool(self._told())

    def crews(self) -> list[CrewState]:
        """How the crews of all workers are together."""
        waiting: Counter[str] = Counter()
        sound: Counter[str] = Counter()
        for told in self._told():
            for name, number, well in told:
                waiting[name] += number
                sound[name] += well
        return [CrewState(name, waiting[name], sound[name] > 0) for name in waiting]

    def _told(self) -> list[list[tuple[str, int, bool]]]:
        """What each worker tells of its crews."""
        try:
            keys = list(self._signs.scan_iter(worker_key("*")))
            return [json.loads(told) for told in self._signs.mget(keys) if told] if keys else []
        except RedisError:
            return []

    def close(self) -> None:
        """Let go of the connections."""
        with suppress(Exception):
            self._app.close()
            self._signs.close()
