"""Accounts in the interface: a new person, a forgotten password, a locked one, one's own choice."""

import json
import re
from pathlib import Path

from playwright.sync_api import Page, expect

from maqueta.demo.workshop import demo_recipe
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


def test_whoever_is_not_logged_in_meets_no_fault(open_page: Open) -> None:
    page = open_page()
    told: list[str] = []
    page.on("console", lambda message: told.append(message.text) if message.type == "error" else None)
    page.reload()
    expect(page.get_by_role("button", name="Log in", exact=True)).to_be_visible()
    page.wait_for_load_state("networkidle")
    assert told == []


def test_a_new_person_chooses_a_password_and_gets_another_when_it_is_forgotten(open_page: Open) -> None:
    admin = open_page("otto.brandt")
    add(admin, "ada.lind", "Ada Lind")
    row = admin.get_by_role("row", name=re.compile("Ada Lind"))
    # Nobody locks themselves out.
    expect(admin.get_by_role("row", name=re.compile("Otto Brandt")).get_by_role("button")).to_have_count(0)

    page = open_page()
    enter(page, "ada.lind", "heddle-and-reed")
    choose(page, "heddle-and-reed", "warp-and-weft-9", "warp-and-weft-8")
    expect(page.get_by_text("not the same both times")).to_be_visible()
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
    expect(admin.get_by_role("status").filter(has_text="can log in again at once")).to_be_visible()
    enter(page, "vera.holm", "heddle-and-reed")
    expect(page.get_by_text("for this one log-in")).to_be_visible()


def test_a_log_in_elsewhere_is_ended_from_the_account_menu(open_page: Open) -> None:
    # She may be logged in already by way of other tests.
    open_page("sara.lindqvist")
    here, elsewhere = (open_page("sara.lindqvist", strange=True) for _ in range(2))
    here.get_by_role("button", name="Account of").click()
    here.get_by_role("menuitem", name="Where you are logged in").click()
    listed = here.get_by_role("dialog").get_by_role("listitem")
    expect(listed).to_have_count(3)
    expect(listed.filter(has_text="this one")).to_have_count(1)
    ends = here.get_by_role("button", name=re.compile("^End the log-in in"))
    for left in (2, 1):
        ends.first.click()
        expect(listed).to_have_count(left)
    elsewhere.reload()
    expect(elsewhere.get_by_role("button", name="Log in")).to_be_visible()


def test_what_is_held_is_handed_out_as_a_file(open_page: Open) -> None:
    page = open_page("sara.lindqvist")
    page.get_by_role("button", name="Account of").click()
    with page.expect_download() as download:
        page.get_by_role("menuitem", name="What is held about you").click()
    assert download.value.suggested_filename == "sara.lindqvist.json"
    held = json.loads(download.value.path().read_text("utf-8"))
    assert held["account"]["name"] == "Sara Lindqvist"
    assert held["sheets"]


def test_a_person_is_made_anonymous_after_a_second_thought_and_it_is_written_down(open_page: Open) -> None:
    admin = open_page("otto.brandt")
    add(admin, "bela.orm", "Bela Orm")
    for leave in (True, False):
        admin.get_by_role("button", name="More for Bela Orm").click()
        admin.get_by_role("menuitem", name="Make anonymous").click()
        dialog = admin.get_by_role("dialog")
        expect(dialog).to_contain_text("no way back")
        dialog.get_by_role("button", name="Leave it" if leave else "Make anonymous").click()
        expect(dialog).to_have_count(0)
        expect(admin.get_by_role("row", name=re.compile("Bela Orm"))).to_have_count(1 if leave else 0)
    row = admin.get_by_role("row", name=re.compile("Former student")).filter(has_text="anonymous")
    expect(row.get_by_role("button", name=re.compile("^More for"))).to_be_visible()
    expect(row.get_by_role("button", name=re.compile("New password"))).to_have_count(0)
    admin.get_by_role("link", name="What was done").click()
    expect(admin.get_by_role("row").nth(1)).to_contain_text("Made an account anonymous")
    expect(admin.get_by_role("row").nth(1)).to_contain_text("otto.brandt")


def test_an_instructor_begins_with_nothing_and_sets_a_class_its_first_exercise(open_page: Open, tmp_path: Path) -> None:
    admin = open_page("otto.brandt")
    admin.get_by_role("combobox", name="Role").click()
    admin.get_by_role("option", name="instructor").click()
    add(admin, "ulla.brink", "Ulla Brink")
    add(admin, "pia.stern", "Pia Stern")

    page = open_page()
    enter(page, "ulla.brink", "heddle-and-reed")
    choose(page, "heddle-and-reed", "warp-and-weft-9", "warp-and-weft-9")
    expect(page.get_by_text("No exercise yet")).to_be_visible()
    page.get_by_role("link", name="Classes").click()
    expect(page.get_by_text("No class yet")).to_be_visible()
    page.get_by_role("textbox", name="New class").fill("Morning 1")
    page.route("**/api/classes", lambda route: route.abort() if route.request.method == "POST" else route.continue_())
    page.get_by_role("button", name="Make").click()
    expect(page.get_by_role("alert")).to_be_visible()
    expect(page.get_by_role("textbox", name="New class")).to_have_value("Morning 1")
    page.unroute("**/api/classes")
    page.get_by_role("button", name="Make").dblclick()
    expect(page.get_by_role("textbox", name="New class")).to_have_value("")
    expect(page.get_by_role("navigation", name="Classes").get_by_role("button")).to_have_count(1)
    page.get_by_role("button", name="Bring people in").click()
    page.get_by_role("textbox", name=re.compile("^A table")).fill("pia.stern\npia.stren")
    page.get_by_role("button", name="Look what it will do").click()
    rows = page.get_by_role("table", name="What each row will do")
    expect(rows.get_by_role("row", name=re.compile("pia.stren"))).to_contain_text("there is no name")
    page.get_by_role("button", name="Bring in 1 person").click()
    expect(page.get_by_role("row", name=re.compile("Pia Stern"))).to_be_visible()
    page.get_by_role("textbox", name="Name of the class").fill("Morning 2")
    page.get_by_role("button", name="Rename").click()
    expect(page.get_by_role("navigation", name="Classes")).to_contain_text("Morning 2")

    part = tmp_path / "rest.json"
    part.write_text(demo_recipe("shuttle-rest").model_dump_json())
    page.get_by_role("link", name="Shelf").click()
    with page.expect_file_chooser() as chooser:
        page.get_by_role("button", name="Bring in parts").click()
    chooser.value.set_files(part)
    expect(page.get_by_role("link", name=re.compile("Shuttle rest"))).to_be_visible(timeout=60_000)
    page.get_by_role("link", name=re.compile("Shuttle rest")).click()
    page.get_by_role("link", name="Set an exercise on it").click()
    page.get_by_role("button", name="Set for the class").click()
    expect(page).to_have_url(re.compile(r"/exercises/\d+/wall"))

    student = open_page()
    enter(student, "pia.stern", "heddle-and-reed")
    choose(student, "heddle-and-reed", "shed-and-pick-3", "shed-and-pick-3")
    student.get_by_role("link", name=re.compile("Shuttle rest")).click()
    expect(student.get_by_label("Stages")).to_be_visible()
