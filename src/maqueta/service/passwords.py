"""Passwords: hashed and verified a few at a time, since each takes a core and much memory on purpose."""

import asyncio
from concurrent.futures import ThreadPoolExecutor
from typing import Final

from argon2 import PasswordHasher
from argon2.exceptions import InvalidHashError, VerificationError

from maqueta.service.admission import FullHouseError

_HASHER: Final = PasswordHasher()
#: Verified when the log-in name is unknown, so that both refusals take equally long.
NOBODY: Final = _HASHER.hash("nobody has this password")
#: Passwords looked at together, and how many may wait.
_TOGETHER, _MOST_WAITING = 2, 300


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
        if self._waiting >= _MOST_WAITING:
            raise FullHouseError
        self._waiting += 1
        try:
            loop = asyncio.get_running_loop()
            return await loop.run_in_executor(self._threads, matches, password_hash, password)
        finally:
            self._waiting -= 1

    def close(self) -> None:
        """Let the threads go."""
        self._threads.shutdown(wait=False, cancel_futures=True)
