"""The running application and a browser, once for all browser tests."""

from collections.abc import Callable, Iterator

import pytest
from playwright.sync_api import Browser, Page, expect

from tests.server_process import chromium, free_port, new_page, running

Open = Callable[..., Page]
# Solids are drawn by software here; the machine decides how long that takes, not the interface.
expect.set_options(timeout=30_000)


@pytest.fixture(scope="session")
def address(tmp_path_factory: pytest.TempPathFactory) -> Iterator[str]:
    port = free_port()
    with running(tmp_path_factory.mktemp("browser") / "var", port):
        yield f"http://127.0.0.1:{port}"


@pytest.fixture(scope="session")
def browser() -> Iterator[Browser]:
    with chromium() as running_browser:
        yield running_browser


@pytest.fixture
def open_page(browser: Browser, address: str) -> Iterator[Open]:
    """Open pages, each in a browser context of its own; faults on a page fail the test."""
    pages: list[Page] = []
    faults: list[str] = []

    def opened(login: str | None = None, **how: object) -> Page:
        page = new_page(browser, address, login, **how)  # type: ignore[arg-type]
        page.on("pageerror", lambda error: faults.append(str(error)))
        pages.append(page)
        return page

    yield opened
    for page in pages:
        page.context.close()
    assert faults == []
