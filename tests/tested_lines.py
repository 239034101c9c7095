"""How tested lines are counted in a run of several processes: every line until it was met often, then no more.

Each process makes a counter of its own, which is told nothing of the command line: left to itself it stops counting a
line that was met fifty times, and looks through all functions there are each time: a seventh to a quarter of its time.
"""

from typing import Final

from slipcover import pytest_plugin

#: So often a line is met before it is left alone, with all that were met by then.
_OFTEN: Final = 30_000

if pytest_plugin._slipcover_instance is not None:
    pytest_plugin._slipcover_instance.d_miss_threshold = _OFTEN
