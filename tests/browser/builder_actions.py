"""What an instructor does in the builder."""

import re

from playwright.sync_api import Page


def status(page: Page, text: str | re.Pattern[str]) -> None:
    page.get_by_role("status").filter(has_text=text).wait_for()


def open_found(page: Page, words: str, name: str, found: str = "1 part found") -> None:
    """Open what a search on the shelf finds, once it is found: the shelf is laid out anew then, under the pointer."""
    page.get_by_label("Search the shelf").fill(words)
    page.get_by_text(found).wait_for()
    page.get_by_role("link", name=re.compile(name)).press("Enter")


def add(page: Page, kind: str) -> None:
    page.get_by_role("button", name="Add a feature").click()
    page.get_by_role("menuitem", name=kind, exact=True).click()
