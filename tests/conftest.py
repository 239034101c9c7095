"""How tests are run: in which order, by which process, and when garbage is looked for."""

import gc
from itertools import chain, zip_longest
from pathlib import Path
from typing import Any, Final

import pytest
from hypothesis import settings as examples
from xdist.scheduler import LoadFileScheduling

# Nothing that is loaded and collected is garbage: none is looked for until all of it is there.
gc.disable()

# No test depends on how fast a machine is.
examples.register_profile("any machine", deadline=None)
examples.load_profile("any machine")

#: So many of the processes run browser tests: each has a server, a browser and its pages of its own to begin with.
_WITH_BROWSERS: Final = 2
#: Folders whose files wait half of their time, for a browser, a service or a database.
_WAITING = ("browser", "service", "store")
#: Folders with files that are at work all the time and take long: a long one at the end would run alone. The files of
#: the command line lie in the folder of all tests.
_WORKING = ("trust", "reading", "tests", "projection", "sizes")


pytest.register_assert_rewrite("tests.world")


def pytest_configure(config: pytest.Config) -> None:
    """Give the tests their world. Who only hands tests out to other processes loads nothing of it."""
    if not config.getoption("numprocesses", None):
        config.pluginmanager.import_plugin("tests.world")


def pytest_collection_modifyitems(items: list[pytest.Item]) -> None:
    """Files that wait and files that work take turns, the long ones first.

    Of those that run at one moment some wait and some work, and the cores are neither idle nor fought for.
    """
    files: dict[Path, list[pytest.Item]] = {}
    for item in items:
        files.setdefault(item.path, []).append(item)
    ranks = {name: rank for rank, name in enumerate((*_WAITING, *_WORKING))}
    ordered = sorted(files, key=lambda path: ranks.get(path.parent.name, len(ranks)))
    waiting = [path for path in ordered if path.parent.name in _WAITING]
    working = [path for path in ordered if path.parent.name not in _WAITING]
    turns = chain.from_iterable(zip_longest(waiting, working))
    items[:] = [item for path in turns if path is not None for item in files[path]]


class _ByFile(LoadFileScheduling):  # type: ignore[misc]
    """Files go to whichever process is free; those of browser tests, in turn, to as many as have a browser."""

    def __init__(self, *known: Any) -> None:
        super().__init__(*known)
        self._browser_files: dict[str, int] = {}

    def _split_scope(self, nodeid: str) -> str:
        file = str(super()._split_scope(nodeid))
        if not file.startswith("tests/browser/"):
            return file
        place = self._browser_files.setdefault(file, len(self._browser_files))
        return f"browser {place % _WITH_BROWSERS}"


@pytest.hookimpl(optionalhook=True)
def pytest_xdist_make_scheduler(config: pytest.Config, log: Any) -> LoadFileScheduling:
    return _ByFile(config, log)


def pytest_collection_finish() -> None:
    """Leave what is there by now alone, and look through the rest seldom: little of it is ever garbage in a ring."""
    gc.freeze()
    gc.set_threshold(20_000, 20, 20)
    gc.enable()


@pytest.fixture
def own_cache(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> Path:
    """A user's cache that this test alone fills."""
    monkeypatch.setenv("XDG_CACHE_HOME", str(tmp_path / "cache"))
    return tmp_path / "cache"
