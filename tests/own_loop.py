"""Coroutines in tests: run in a thread of their own, since the browser's library keeps a loop running in this one."""

import asyncio
from collections.abc import Coroutine
from concurrent.futures import ThreadPoolExecutor
from typing import Any, TypeVar

Result = TypeVar("Result")


def in_own_loop(work: Coroutine[Any, Any, Result]) -> Result:
    """The result of a coroutine."""
    with ThreadPoolExecutor(1) as thread:
        return thread.submit(asyncio.run, work).result()
