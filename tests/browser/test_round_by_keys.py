"""The whole round without a pointer: set, draw, dimension, letter, hand in, mark, return, read."""

import re

from playwright.sync_api import Locator, Page, expect

from tests.browser.bench_actions import saved, sheet
from tests.browser.conftest import Open
from tests.server_process import PASSWORD

TITLE = "Spacer by keys"
#: More stops than any page has.
_MOST_STOPS = 160
#: Nought where something has the focus, else which way it lies from what has; nothing where it is no longer there.
_WAY = """element => {
    if (!element.isConnected) return null;
    const at = document.activeElement;
    if (element === at) return 0;
    return at.compareDocumentPosition(element) & Node.DOCUMENT_POSITION_PRECEDING ? -1 : 1;
}"""


def go(page: Page, to: Locator) -> None:
    """Walk to something by the tabulator, forwards or back, as far as there are stops."""
    # Looked for once, not at each stop: a role and a name are looked for among all there is on a page.
    element = to.element_handle()
    for _ in range(_MOST_STOPS):
        way = element.evaluate(_WAY)
        if way == 0:
            return
        if way is None:
            element = to.element_handle()
        else:
            page.keyboard.press("Tab" if way > 0 else "Shift+Tab")
    raise AssertionError(f"no stop at {to}")


def press(page: Page, name: str | re.Pattern[str], role: str = "button", key: str = "Enter") -> None:
    go(page, page.get_by_role(role, name=name).first)  # type: ignore[arg-type]
    page.keyboard.press(key)


def write(page: Page, field: str, text: str) -> None:
    go(page, page.get_by_role("textbox", name=re.compile(f"^{field}")).first)
    page.keyboard.press("Control+a")
    page.keyboard.type(text)


def at_stage(page: Page, name: str) -> None:
    go(page, page.get_by_label("Stages").get_by_role("button", name=re.compile(rf"^\d {name}")))
    page.keyboard.press("Enter")


def keys(page: Page, *pressed: str) -> None:
    for key in pressed:
        page.keyboard.press(key)


def log_in(page: Page, login: str) -> None:
    write(page, "Log-in name", login)
    write(page, "Password", PASSWORD)
    page.keyboard.press("Enter")
    expect(page.get_by_role("button", name="Account of")).to_be_visible()


def set_exercise(page: Page) -> None:
    press(page, "Set an exercise", "link")
    go(page, page.get_by_role("combobox", name="Part"))
    page.keyboard.type("Shuttle rest")
    keys(page, "ArrowDown", "Enter")
    write(page, "Title", TITLE)
    # One accepted front of those that are offered.
    press(page, re.compile("points$"))
    press(page, "Set for the class")
    expect(page.get_by_text("Nothing pinned up yet")).to_be_visible()


def draw(page: Page) -> None:
    press(page, re.compile(TITLE), "link")
    at_stage(page, "Front")
    press(page, "Show the +Y side")
    press(page, "Take as front view")
    expect(sheet(page).locator('[data-role="view"]')).to_have_count(1)
    at_stage(page, "Views")
    press(page, "Show the upper side")
    press(page, "Add this view")
    expect(sheet(page).locator('[data-role="view"]')).to_have_count(2)
    # It hangs where it goes; Enter sets it down.
    page.keyboard.press("Enter")
    saved(page)


def dimension(page: Page) -> None:
    at_stage(page, "Dimensions")
    go(page, page.get_by_test_id("tool-surface"))
    keys(page, "ArrowRight", "Enter", "ArrowRight", "Enter")
    keys(page, *["ArrowDown"] * 30, "Enter")
    expect(page.get_by_role("listitem")).to_have_count(1)


def letter(page: Page) -> None:
    at_stage(page, "Title")
    go(page, page.get_by_role("radio", name="none", exact=True))
    keys(page, "ArrowRight", "ArrowRight")
    for field, text in (("Title", "SHUTTLE REST"), ("Drafter", "J. SANDOVAL"), ("Scale", "1:1")):
        write(page, field, text)
    saved(page)


def test_the_whole_round_by_keyboard_alone(open_page: Open) -> None:
    teacher, student = open_page(), open_page()
    log_in(teacher, "ines.corvalho")
    set_exercise(teacher)
    log_in(student, "juan.sandoval")
    draw(student)
    dimension(student)
    letter(student)
    expect(sheet(student).get_by_text("J. SANDOVAL")).to_be_visible()
    # Undone and done again by keys.
    go(student, student.get_by_label("Stages").get_by_role("button", name=re.compile(r"^\d Hand in")))
    keys(student, "Control+z")
    expect(sheet(student).locator("text", has_text=re.compile("^1:1$"))).to_have_count(0)
    keys(student, "Control+Shift+z")
    expect(sheet(student).locator("text", has_text=re.compile("^1:1$"))).to_have_count(1)
    student.keyboard.press("Enter")
    go(student, student.get_by_role("button", name="Hand in", exact=True).last)
    student.keyboard.press("Enter")
    press(student, "Hand in now")
    expect(student.get_by_text("The slip appears here when it is returned.")).to_be_visible()

    teacher.reload()
    press(teacher, re.compile("Sheet of Juan Sandoval"))
    expect(teacher.get_by_text("The right view is asked for and is not on the sheet.")).to_be_visible()
    before = teacher.get_by_test_id("total").inner_text()
    for _ in range(20):
        teacher.keyboard.press("ArrowDown")
        lit = teacher.get_by_role("button", name=re.compile("The right view is asked for"))
        if lit.get_attribute("aria-expanded") == "true" or lit.get_attribute("aria-pressed") == "true":
            break
    teacher.keyboard.press("x")
    expect(teacher.get_by_test_id("total")).not_to_have_text(before)
    write(teacher, "Remark on the sheet", "A third view would help.")
    press(teacher, "Return sheet")
    expect(teacher.get_by_role("button", name="Returned")).to_be_visible()

    student.reload()
    expect(student.get_by_text("A third view would help.")).to_be_visible()
    expect(student.get_by_text("waived", exact=True)).to_be_visible()
