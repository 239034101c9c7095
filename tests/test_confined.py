"""Work in a process of its own that comes to no result, as people are told of it."""

from concurrent.futures import TimeoutError
from concurrent.futures.process import BrokenProcessPool
from typing import Final

import pytest
from pebble import ProcessExpired

from maqueta.confined import reason_of
from maqueta.phrases.phrase import phrase

_ENDS: Final = {
    "took-too-long": (TimeoutError(), phrase("took-too-long", seconds=20)),
    "died at its work": (ProcessExpired("killed"), phrase("kernel-failed")),
    "died before it said that it had begun": (BrokenProcessPool("All workers expired"), phrase("kernel-failed")),
    "wanted too much memory": (MemoryError(), phrase("needs-more-memory")),
    "failed": (RecursionError(), phrase("could-not-be-examined", error="RecursionError")),
}


@pytest.mark.parametrize("end", _ENDS)
def test_every_end_has_its_words(end: str) -> None:
    error, told = _ENDS[end]
    assert reason_of(error, 20.4) == told
