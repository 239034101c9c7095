"""One picture of each main view, at about 1280 × 800, from demo data."""

import re
import sys
import tempfile
from pathlib import Path

sys.path.insert(0, str(Path(__file__).resolve().parent.parent))

from playwright.sync_api import Browser, Page
from tests.server_process import chromium, free_port, new_page, running

TARGET = Path("docs/screenshots")
#: Solids are drawn by software here.
SETTLE_MS = 2500


def take(page: Page, name: str) -> None:
    """Wait until everything is drawn, then take the picture."""
    page.wait_for_load_state("networkidle")
    page.wait_for_timeout(SETTLE_MS)
    page.screenshot(path=TARGET / f"{name}.png")


def instructor_views(browser: Browser, address: str) -> None:
    """Exercises, shelf, part, new exercise, wall, table."""
    page = new_page(browser, address, "ines.corvalho")
    take(page, "exercises")
    page.goto("/shelf")
    take(page, "shelf")
    page.get_by_role("link", name=re.compile("Reed clamp")).click()
    page.get_by_label("Ranking of front views").get_by_role("button").first.click()
    take(page, "part")
    page.goto("/exercises/new?part=2")
    take(page, "new-exercise")
    page.goto("/exercises/1/wall")
    page.get_by_label("Lens").get_by_role("button", name=re.compile("^Lines")).click()
    take(page, "wall")
    page.get_by_role("button", name=re.compile("Sheet of Paul Nakagawa")).click()
    take(page, "table")
    dark = new_page(browser, address, "ines.corvalho", dark=True)
    dark.goto("/exercises/1/wall")
    dark.get_by_role("button", name=re.compile("Sheet of Nela")).click()
    take(dark, "table-dark")


def student_views(browser: Browser, address: str) -> None:
    """The bench in three stages, and a returned slip on a phone."""
    page = new_page(browser, address, "iker.valtierra")
    page.goto("/exercises/1/bench")
    for name in ("Front", "Views", "Dimensions"):
        page.get_by_label("Stages").get_by_role("button", name=re.compile(rf"^\d {name}")).click()
        if name == "Front":
            page.get_by_role("button", name="Show the −Y side").click()
        take(page, f"bench-{name.lower()}")
    phone = new_page(browser, address, "lena.achterberg", size=(390, 800))
    phone.get_by_role("link", name=re.compile("Reed clamp")).click()
    take(phone, "slip-phone")


def main() -> None:
    """Take all pictures against a server of its own."""
    TARGET.mkdir(parents=True, exist_ok=True)
    port = free_port()
    address = f"http://127.0.0.1:{port}"
    with tempfile.TemporaryDirectory() as folder, running(Path(folder) / "var", port), chromium() as browser:
        take(new_page(browser, address), "log-in")
        instructor_views(browser, address)
        student_views(browser, address)


if __name__ == "__main__":
    main()
