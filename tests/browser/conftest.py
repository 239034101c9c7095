"""The running application and a browser, once for all browser tests."""

from collections.abc import Callable, Iterator

import pytest
from playwright.sync_api import Browser, Page, StorageState, expect

from tests.demo_world import copied_demo_world
from tests.server_process import PATIENCE_MS, chromium, free_port, new_page, running

Open = Callable[..., Page]
expect.set_options(timeout=PATIENCE_MS)


@pytest.fixture(scope="session")
def address(tmp_path_factory: pytest.TempPathFactory) -> Iterator[str]:
    port = free_port()
    with running(copied_demo_world(tmp_path_factory, tmp_path_factory.mktemp("browser")), port):
        yield f"http://127.0.0.1:{port}"


@pytest.fixture(scope="session")
def browser() -> Iterator[Browser]:
    with chromium() as running_browser:
        yield running_browser


@pytest.fixture(scope="session")
def known() -> dict[str, StorageState]:
    """Who has logged in before, by their log-in names."""
    return {}


@pytest.fixture
def open_page(browser: Browser, address: str, known: dict[str, StorageState]) -> Iterator[Open]:
    """Open pages, each in a browser context of its own; faults on a page fail the test.

    Drawing solids by software takes most of the machine: whoever turns or points at them asks for `solids`.
    """
    pages: list[Page] = []
    faults: list[str] = []

    def opened(login: str | None = None, **how: object) -> Page:
        page = new_page(browser, address, login, **{"known": known, "solids": False, **how})  # type: ignore[arg-type]
        page.on("pageerror", lambda error: faults.append(str(error)))
        pages.append(page)
        return page

    yield opened
    for page in pages:
        page.context.close()
    assert faults == []
