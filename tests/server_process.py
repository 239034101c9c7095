"""Maqueta as a process of its own, with its own data folder and database, and a real browser before it."""

import os
import signal
import socket
import subprocess
import sys
import time
import urllib.error
import urllib.request
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

from playwright.sync_api import Browser, Page, StorageState, sync_playwright

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


def free_port() -> int:
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        return int(probe.getsockname()[1])


def start(data: Path, port: int, demo: bool = True, **more: str) -> subprocess.Popen[str]:
    """Start a server; `more` are further variables of its environment."""
    environment = {
        **os.environ,
        "MAQUETA_DATA": str(data),
        "MAQUETA_PORT": str(port),
        "MAQUETA_DEMO": str(demo),
        "MAQUETA_DEMO_PASSWORD": PASSWORD,
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


def wait_until(port: int, wanted: int) -> None:
    for _ in range(1200):
        if status(port) == wanted:
            return
        time.sleep(0.1)
    raise AssertionError(f"port {port} never answered {wanted}")


@contextmanager
def running(data: Path, port: int, demo: bool = True) -> Iterator[subprocess.Popen[str]]:
    process = start(data, port, demo)
    try:
        wait_until(port, 401)
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


def new_page(
    browser: Browser,
    address: str,
    login: str | None = None,
    size: tuple[int, int] = (1280, 800),
    dark: bool = False,
    touch: bool = False,
    known: dict[str, StorageState] | None = None,
    solids: bool = True,
) -> Page:
    """A page in a fresh browser context, logged in if a name is given.

    `known` keeps the log-ins of people: who has logged in before comes back as with a browser that was closed.
    Without `solids` it is a browser that draws none: exact lines stand in for the turntable.
    """
    context = browser.new_context(
        base_url=address,
        viewport={"width": size[0], "height": size[1]},
        color_scheme="dark" if dark else "light",
        reduced_motion="reduce",
        has_touch=touch,
        storage_state=(known or {}).get(login or ""),
    )
    if not solids:
        context.add_init_script(_NO_SOLIDS)
    page = context.new_page()
    page.set_default_timeout(PATIENCE_MS)
    page.goto("/")
    if login is not None:
        account, form = (
            page.get_by_role("button", name="Account of"),
            page.get_by_role("button", name="Log in", exact=True),
        )
        account.or_(form).wait_for()
        if form.is_visible():
            enter(page, login)
            account.wait_for()
        if known is not None:
            known[login] = context.storage_state()
    return page


def enter(page: Page, login: str, password: str = PASSWORD) -> None:
    """Fill in the log-in form."""
    page.get_by_label("Log-in name").fill(login)
    page.get_by_role("textbox", name="Password").fill(password)
    page.get_by_role("button", name="Log in").click()
