"""The running application and a browser, once for all browser tests, and no longer than for these."""

from collections.abc import Callable, Iterator
from typing import Any

import pytest
from playwright.sync_api import Browser, Error, Page, expect

from tests.demo_world import copied_demo_world
from tests.server_process import PATIENCE_MS, Browsers, Kind, chromium, free_port, running

Open = Callable[..., Page]
expect.set_options(timeout=PATIENCE_MS)


@pytest.fixture(scope="package")
def address(tmp_path_factory: pytest.TempPathFactory) -> Iterator[str]:
    port = free_port()
    with running(copied_demo_world(tmp_path_factory, tmp_path_factory.mktemp("browser")), port):
        yield f"http://127.0.0.1:{port}"


@pytest.fixture(scope="package")
def browser() -> Iterator[Browser]:
    with chromium() as running_browser:
        yield running_browser


@pytest.fixture(scope="package")
def browsers(browser: Browser, address: str) -> Browsers:
    """The browsers of the people of these tests."""
    return Browsers(browser, address)


@pytest.fixture
def open_page(browsers: Browsers) -> Iterator[Open]:
    """Open pages, each in a browser of its own; faults on a page fail the test.

    Drawing solids by software takes most of the machine: whoever turns or points at them asks for `solids`.
    """
    opened: list[tuple[Page, str | None, Kind]] = []
    faults: list[str] = []

    def note(error: Error) -> None:
        faults.append(str(error))

    def open_one(login: str | None = None, at: str = "/", strange: bool = False, **how: Any) -> Page:
        kind = Kind(**{"solids": False, **how})
        page = browsers.page(login, kind, at, strange)
        page.on("pageerror", note)
        opened.append((page, None if strange else login, kind))
        return page

    yield open_one
    for page, login, kind in opened:
        page.remove_listener("pageerror", note)
        browsers.give_back(page, login, kind)
    assert faults == []
