"""What an instructor does in the builder."""

import re

from playwright.sync_api import Page, expect


def status(page: Page, text: str | re.Pattern[str]) -> None:
    expect(page.get_by_role("status").filter(has_text=text)).to_be_visible()


def add(page: Page, kind: str) -> None:
    page.get_by_role("button", name="Add a feature").click()
    page.get_by_role("menuitem", name=kind, exact=True).click()
