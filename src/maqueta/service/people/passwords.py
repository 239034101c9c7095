"""Passwords: hashed and verified a few at a time, since each takes a core and much memory on purpose."""

import asyncio
import secrets
from collections.abc import Callable
from concurrent.futures import ThreadPoolExecutor
from typing import Final, TypeVar

from argon2 import PasswordHasher
from argon2.exceptions import InvalidHashError, VerificationError

from maqueta.service.admission import FullHouseError

_HASHER: Final = PasswordHasher()
#: Verified when the log-in name is unknown, so that both refusals take equally long: of random letters that nobody
#: kept. Written down, since to hash something takes a core for a good part of every start.
NOBODY: Final = "$argon2id$v=19$m=65536,t=3,p=4$ZANSBsmXUD49sH/StcoGJA$uW6a4A3yovEdCL12Vy1BKoyC5aRXNmA9D07/SNKpduk"
#: Passwords looked at together, and how many may wait.
_TOGETHER, _MOST_WAITING = 2, 300


Result = TypeVar("Result")
#: Letters and figures nobody mistakes for others when they are read from a slip of paper.
_LETTERS: Final = "abcdefghjkmnpqrstuvwxyz23456789"


def one_time() -> str:
    """A password for one log-in, to be read to somebody or written on a slip: about 74 bits."""
    return "-".join("".join(secrets.choice(_LETTERS) for _ in range(5)) for _ in range(3))


def hashed(password: str) -> str:
    """A password as it is kept."""
    return _HASHER.hash(password)


def matches(password_hash: str, password: str) -> bool:
    """Whether a password is the one that was kept."""
    try:
        return _HASHER.verify(password_hash, password)
    except (VerificationError, InvalidHashError):
        return False


class PasswordDesk:
    """Looks at a few passwords at a time; the others wait in line without a thread of the server."""

    def __init__(self) -> None:
        self._threads = ThreadPoolExecutor(_TOGETHER, thread_name_prefix="passwords")
        self._waiting = 0

    async def matches(self, password_hash: str, password: str) -> bool:
        """Whether a password is the one that was kept. Raises FullHouseError when too many wait already."""
        return await self._in_line(matches, password_hash, password)

    async def hashed(self, password: str) -> str:
        """A password as it is kept. Raises FullHouseError when too many wait already."""
        return await self._in_line(hashed, password)

    async def _in_line(self, work: Callable[..., Result], *arguments: str) -> Result:
        if self._waiting >= _MOST_WAITING:
            raise FullHouseError
        self._waiting += 1
        try:
            return await asyncio.get_running_loop().run_in_executor(self._threads, work, *arguments)
        finally:
            self._waiting -= 1

    def close(self) -> None:
        """Let the threads go."""
        self._threads.shutdown(wait=False, cancel_futures=True)
