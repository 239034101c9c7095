"""What an instructor does in the builder."""

import re

from playwright.sync_api import Page, expect


def status(page: Page, text: str | re.Pattern[str]) -> None:
    expect(page.get_by_role("status").filter(has_text=text)).to_be_visible()


def open_found(page: Page, words: str, name: str, found: str = "1 part found") -> None:
    """Open what a search on the shelf finds, once it is found: the shelf is laid out anew then, under the pointer."""
    page.get_by_label("Search the shelf").fill(words)
    expect(page.get_by_text(found)).to_be_visible()
    page.get_by_role("link", name=re.compile(name)).press("Enter")


def add(page: Page, kind: str) -> None:
    page.get_by_role("button", name="Add a feature").click()
    page.get_by_role("menuitem", name=kind, exact=True).click()
