"""Accounts in the interface: a new person, a forgotten password, a locked one, one's own choice."""

import re

from playwright.sync_api import Page, expect

from tests.browser.conftest import Open
from tests.server_process import enter


def choose(page: Page, old: str, new: str, again: str) -> None:
    page.get_by_role("textbox", name=re.compile("^Password you")).fill(old)
    page.get_by_role("textbox", name=re.compile(r"^New password( \*)?$")).fill(new)
    page.get_by_role("textbox", name="New password once more").fill(again)
    page.get_by_role("button", name="Keep this password").click()


def add(admin: Page, login: str, name: str) -> None:
    admin.get_by_role("textbox", name="Log-in name").fill(login)
    admin.get_by_role("textbox", name=re.compile(r"^Name")).fill(name)
    admin.get_by_role("textbox", name="First password").fill("heddle-and-reed")
    admin.get_by_role("button", name="Add").click()
    expect(admin.get_by_role("row", name=re.compile(name))).to_be_visible()


def test_a_new_person_chooses_a_password_and_gets_another_when_it_is_forgotten(open_page: Open) -> None:
    admin = open_page("otto.brandt")
    add(admin, "ada.lind", "Ada Lind")
    row = admin.get_by_role("row", name=re.compile("Ada Lind"))
    # Nobody locks themselves out.
    expect(admin.get_by_role("row", name=re.compile("Otto Brandt")).get_by_role("button")).to_have_count(0)

    page = open_page()
    enter(page, "ada.lind", "heddle-and-reed")
    choose(page, "heddle-and-reed", "warp-and-weft-9", "warp-and-weft-8")
    expect(page.get_by_role("alert")).to_contain_text("not the same both times")
    choose(page, "heddle-and-reed", "warp-and-weft-9", "warp-and-weft-9")
    expect(page.get_by_role("button", name="Account of Ada Lind")).to_be_visible()
    page.reload()
    expect(page.get_by_role("button", name="Account of Ada Lind")).to_be_visible()

    row.get_by_role("button", name="New password for Ada Lind").click()
    given = admin.locator("code").inner_text()
    again = open_page()
    enter(again, "ada.lind", "warp-and-weft-9")
    expect(again.get_by_role("alert")).to_contain_text("do not go together")
    enter(again, "ada.lind", given)
    expect(again.get_by_text("for this one log-in")).to_be_visible()


def test_own_password_is_changed_from_the_account_menu(open_page: Open) -> None:
    add(open_page("otto.brandt"), "nora.lund", "Nora Lund")
    page = open_page()
    enter(page, "nora.lund", "heddle-and-reed")
    choose(page, "heddle-and-reed", "warp-and-weft-9", "warp-and-weft-9")
    page.get_by_role("button", name="Account of").click()
    page.get_by_role("menuitem", name="Change password").click()
    choose(page, "not the one", "shed-and-pick-3", "shed-and-pick-3")
    expect(page.get_by_role("alert")).to_contain_text("not your password")
    choose(page, "warp-and-weft-9", "shed-and-pick-3", "shed-and-pick-3")
    expect(page.get_by_role("dialog")).to_have_count(0)
    other = open_page()
    enter(other, "nora.lund", "shed-and-pick-3")
    expect(other.get_by_role("button", name="Account of Nora Lund")).to_be_visible()


def test_a_locked_person_is_let_in_by_an_administrator(open_page: Open) -> None:
    admin = open_page("otto.brandt")
    add(admin, "vera.holm", "Vera Holm")
    page = open_page()
    for _ in range(7):
        enter(page, "vera.holm", "a wrong guess")
        expect(page.get_by_role("button", name="Log in")).to_be_enabled()
    expect(page.get_by_role("alert")).to_contain_text("Wait ten minutes")
    admin.get_by_role("button", name="Let Vera Holm try again").click()
    expect(admin.get_by_role("status")).to_contain_text("can log in again at once")
    enter(page, "vera.holm", "heddle-and-reed")
    expect(page.get_by_text("for this one log-in")).to_be_visible()
