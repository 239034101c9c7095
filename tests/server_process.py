"""Maqueta as a process of its own, with its own data folder and database, and a real browser before it."""

import os
import secrets
import signal
import socket
import subprocess
import sys
import time
import urllib.error
import urllib.request
from collections.abc import Iterator, Sequence
from contextlib import contextmanager, suppress
from dataclasses import dataclass
from pathlib import Path

from playwright.sync_api import Browser, BrowserContext, Error, Page, StorageState, sync_playwright

from tests.demo_world import PASSWORD as PASSWORD

#: Debian's Chromium without windows: a fifth less work than the whole browser with its windows kept out of sight.
BROWSER = "/usr/bin/chromium-headless-shell"
CHROMIUM = [
    "--no-sandbox",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
    "--use-angle=swiftshader",
    "--enable-unsafe-swiftshader",
    "--ignore-gpu-blocklist",
    # Solids are drawn by software here; pages need not be put together by it as well.
    "--disable-gpu-compositing",
]

#: Solids are drawn by software here; the machine decides how long that takes, not the interface.
PATIENCE_MS = 60_000
_NO_SOLIDS = "HTMLCanvasElement.prototype.getContext = () => null;"


def ports_outside(first: int, last: int) -> Sequence[int]:
    """Ports that are in no range of the system's own; all of them where that range leaves none.

    Those below 11 000 are left out: browsers refuse some (the Fetch standard's bad ports, the highest is 10 080).
    """
    return [*range(11_000, first), *range(last + 1, 65_536)] or range(11_000, 65_536)


def free_port() -> int:
    """A port no connection will be given: the system takes those of connections from a range of its own."""
    first, last = map(int, Path("/proc/sys/net/ipv4/ip_local_port_range").read_text().split())
    outside = ports_outside(first, last)
    while True:
        # What a test draws by chance may be the same in each process, a port may not.
        port = secrets.choice(outside)
        with socket.socket() as probe, suppress(OSError):
            probe.bind(("127.0.0.1", port))
            return port


def start(data: Path, port: int, demo: bool = True, **more: str) -> subprocess.Popen[str]:
    """Start a server; `more` are further variables of its environment."""
    environment = {
        **os.environ,
        "MAQUETA_DATA": str(data),
        "MAQUETA_PORT": str(port),
        "MAQUETA_DEMO": str(demo),
        "MAQUETA_DEMO_PASSWORD": PASSWORD,
        # Made when they are asked for: no test waits for a whole class.
        "MAQUETA_PARTS_BEFOREHAND": "false",
        **more,
    }
    return subprocess.Popen(
        [sys.executable, "-m", "maqueta.service"],
        env=environment,
        stdout=subprocess.PIPE,
        stderr=subprocess.PIPE,
        text=True,
    )


def status(port: int) -> int:
    """HTTP status of an address that needs a log-in; 0 while nothing answers."""
    try:
        with urllib.request.urlopen(f"http://127.0.0.1:{port}/api/me", timeout=5) as answer:
            return int(answer.status)
    except urllib.error.HTTPError as error:
        return error.code
    except OSError:
        return 0


def wait_until(port: int, wanted: int, process: subprocess.Popen[str]) -> None:
    """Wait for an answer; no longer than the process that should give it is there."""
    for _ in range(1200):
        if status(port) == wanted:
            return
        if process.poll() is not None:
            _, complaint = process.communicate()
            raise AssertionError(f"the server ended with {process.returncode}: {complaint}")
        time.sleep(0.1)
    raise AssertionError(f"port {port} never answered {wanted}")


@contextmanager
def running(data: Path, port: int, demo: bool = True) -> Iterator[subprocess.Popen[str]]:
    process = start(data, port, demo)
    try:
        wait_until(port, 401, process)
        yield process
    finally:
        process.send_signal(signal.SIGTERM)
        process.wait(120)


@contextmanager
def chromium() -> Iterator[Browser]:
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=BROWSER, args=CHROMIUM)
        yield browser
        browser.close()


@dataclass(frozen=True)
class Kind:
    """What kind of browser somebody has. Without `solids` it draws none: exact lines stand in for the turntable."""

    size: tuple[int, int] = (1280, 800)
    dark: bool = False
    touch: bool = False
    solids: bool = True


def new_context(browser: Browser, address: str, kind: Kind, state: StorageState | None = None) -> BrowserContext:
    """A browser of some kind that knows nothing but what it kept in `state`."""
    width, height = kind.size
    context = browser.new_context(
        base_url=address,
        viewport={"width": width, "height": height},
        color_scheme="dark" if kind.dark else "light",
        reduced_motion="reduce",
        has_touch=kind.touch,
        storage_state=state,
    )
    if not kind.solids:
        context.add_init_script(_NO_SOLIDS)
    return context


def page_of(context: BrowserContext, login: str | None, at: str = "/", page: Page | None = None) -> Page:
    """A page of Maqueta at a place, logged in if a name is given; a `page` that is open already becomes it."""
    page = page or context.new_page()
    page.set_default_timeout(PATIENCE_MS)
    page.goto(at)
    if login is not None:
        account, form = (
            page.get_by_role("button", name="Account of"),
            page.get_by_role("button", name="Log in", exact=True),
        )
        account.or_(form).wait_for()
        if form.is_visible():
            enter(page, login)
            account.wait_for()
    return page


def new_page(
    browser: Browser,
    address: str,
    login: str | None = None,
    size: tuple[int, int] = (1280, 800),
    dark: bool = False,
    touch: bool = False,
) -> Page:
    """A page in a fresh browser, logged in if a name is given."""
    return page_of(new_context(browser, address, Kind(size, dark, touch)), login)


class Browsers:
    """Browsers that people come back with, each with one open page: what they loaded and log-ins are known.

    What was kept in one besides is gone before it is used again, and nobody gets one that somebody is using.
    """

    def __init__(self, browser: Browser, address: str) -> None:
        self._browser, self._address = browser, address
        self._free: dict[tuple[str | None, Kind], list[Page]] = {}
        self._states: dict[str, StorageState] = {}
        self._names: dict[str, str] = {}

    def page(self, login: str | None, kind: Kind, at: str = "/", strange: bool = False) -> Page:
        """A page somebody opens; `give_back` ends it. In a `strange` browser they log in anew."""
        if strange:
            return page_of(new_context(self._browser, self._address, kind), login, at)
        free = self._free.get((login, kind))
        if not free:
            return self._fresh(login, kind, at)
        page = free.pop()
        page_of(page.context, login, at, page)
        if login is not None and _who(page) != self._names[login]:
            # Somebody else has logged in there.
            page.context.close()
            return self._fresh(login, kind, at)
        return page

    def _fresh(self, login: str | None, kind: Kind, at: str) -> Page:
        context = new_context(self._browser, self._address, kind, self._states.get(login or ""))
        page = page_of(context, login, at)
        if login is not None:
            self._states[login], self._names[login] = context.storage_state(), _who(page)
        return page

    def give_back(self, page: Page, login: str | None, kind: Kind) -> None:
        """Empty a page and end all others of its browser."""
        for other in page.context.pages:
            if other != page:
                other.close()
        if login is not None and _emptied(page, kind):
            self._free.setdefault((login, kind), []).append(page)
        else:
            page.context.close()


def _emptied(page: Page, kind: Kind) -> bool:
    """Whether a page is as if nobody had used it: nothing is kept but its log-in and the files of the interface."""
    width, height = kind.size
    try:
        page.unroute_all()
        page.set_viewport_size({"width": width, "height": height})
        page.emulate_media(media="null", color_scheme="dark" if kind.dark else "light", reduced_motion="reduce")
        page.mouse.move(0, 0)
        # Not a page of the interface, which would keep something again.
        page.goto("/mark.svg")
        page.evaluate("localStorage.clear(); sessionStorage.clear()")
    except Error:
        # Closed, or it would not be left with something unsaved, or nobody answers any more.
        return False
    return True


def _who(page: Page) -> str:
    return page.get_by_role("button", name="Account of").get_attribute("aria-label") or ""


def enter(page: Page, login: str, password: str = PASSWORD) -> None:
    """Fill in the log-in form."""
    page.get_by_label("Log-in name").fill(login)
    page.get_by_role("textbox", name="Password").fill(password)
    page.get_by_role("button", name="Log in").click()
