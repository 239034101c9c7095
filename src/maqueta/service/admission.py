"""How many requests are worked on at one time; the others wait outside, holding neither a thread nor a connection.

Every request inside needs one thread at a time and one connection at the most. As there are more of both than there
are places inside, nobody inside ever waits for one while holding the other.
"""

import asyncio
from collections.abc import AsyncIterator, Iterator
from contextlib import asynccontextmanager, contextmanager
from typing import Final

from anyio import from_thread

#: Requests inside at one time; the pool of connections holds more. Their threads share one interpreter, and wait for
#: each other more than for the database: with twelve, the slowest of two hundred drafts took twice as long.
PLACES: Final = 4
#: Requests that may wait: a school's whole first minute. More are asked to come again.
MOST_WAITING: Final = 600
#: Requests that wait for work in other processes, each in a thread of its own.
MOST_ASIDE: Final = 64


class FullHouseError(Exception):
    """More requests wait than can be answered in good time; the client may try again in a moment."""


class Admission:
    """Places inside, and an orderly queue in front of them."""

    def __init__(self, places: int = PLACES, most_waiting: int = MOST_WAITING, most_aside: int = MOST_ASIDE) -> None:
        self._free = asyncio.Semaphore(places)
        self._most_waiting, self._most_aside = most_waiting, most_aside
        self.waiting = 0
        self.inside = 0
        self.aside = 0

    @asynccontextmanager
    async def place(self) -> AsyncIterator[None]:
        """A place inside, in the order of asking. Raises FullHouseError at once when the queue is too long."""
        await self._enter(self._most_waiting)
        try:
            yield
        finally:
            self._leave()

    @contextmanager
    def stepped_aside(self) -> Iterator[None]:
        """For a thread that waits for work elsewhere: its place is somebody else's meanwhile.

        The caller must hold no connection. Where very many stand aside already it waits in its place: there is a thread
        for each of those who stand aside or come back, and for each inside, so that none ever waits for one.
        """
        # All counting is done in the event loop: threads would step between reading a number and writing it.
        if not from_thread.run_sync(self._step_aside):
            yield
            return
        try:
            yield
        finally:
            from_thread.run(self._come_back)

    def _step_aside(self) -> bool:
        if self.aside >= self._most_aside:
            return False
        self.aside += 1
        self._leave()
        return True

    async def _come_back(self) -> None:
        try:
            # Who has been inside before is not turned away.
            await self._enter(None)
        finally:
            self.aside -= 1

    async def _enter(self, most: int | None) -> None:
        if most is not None and self.waiting >= most:
            raise FullHouseError
        self.waiting += 1
        try:
            await self._free.acquire()
        finally:
            self.waiting -= 1
        self.inside += 1

    def _leave(self) -> None:
        self.inside -= 1
        self._free.release()
