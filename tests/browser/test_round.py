"""The whole round in the real interface: set, draw, hand in, mark, return, read."""

import re
from datetime import datetime, timedelta

import pytest
from playwright.sync_api import Page, expect

from tests.browser.bench_actions import box_of, click, drag, look_at, saved, sheet, stage
from tests.browser.conftest import Open

pytestmark = pytest.mark.browser
TITLE = "Stepped rest, first try"


def _set_exercise(page: Page) -> None:
    page.get_by_role("link", name="Set an exercise").click()
    # By its role: buttons of the page before are named for what they are about, assemblies taken apart among them.
    page.get_by_role("combobox", name="Part").fill("Shuttle rest")
    page.get_by_role("option", name="Shuttle rest").click()
    page.get_by_role("textbox", name="Title").fill(TITLE)
    page.get_by_role("button", name=re.compile("points$")).first.click()
    expect(page.get_by_text("Only the 1 picked here will be accepted.")).to_be_visible()
    page.get_by_role("button", name="Set for the class").click()
    expect(page.get_by_text("Nothing pinned up yet")).to_be_visible()


def _draw(page: Page) -> None:
    page.get_by_role("link", name=re.compile(TITLE)).click()
    stage(page, "Front")
    look_at(page, "+Y side")
    expect(page.get_by_text(re.compile(r"Front, top and right bring \d+ hidden lines"))).to_be_visible()
    page.get_by_role("button", name="Take as front view").click()
    expect(sheet(page).locator('[data-role="view"]')).to_have_count(1)
    stage(page, "Views")
    look_at(page, "upper side")
    page.get_by_role("button", name="Quarter turn").click()
    page.get_by_role("button", name="Quarter turn").click()
    page.get_by_role("button", name="Add this view").click()
    expect(sheet(page).locator('[data-role="view"]')).to_have_count(2)
    page.get_by_role("switch", name="Snap to the front view's projection lines").check(force=True)
    front, top = box_of(page, "v1"), box_of(page, "v2")
    middle = ((top[0] + top[2]) / 2, (top[1] + top[3]) / 2)
    drag(page, middle, ((front[0] + front[2]) / 2 + 1.5, front[3] + 50))
    saved(page)
    front, top = box_of(page, "v1"), box_of(page, "v2")
    assert abs(front[0] - top[0]) < 0.3
    assert top[1] > front[3]


def _dimension(page: Page) -> None:
    stage(page, "Dimensions")
    left, bottom, right, _ = box_of(page, "v1")
    click(page, (left, bottom))
    click(page, (right, bottom))
    click(page, ((left + right) / 2, bottom - 14))
    expect(page.get_by_role("button", name="80 · front", exact=True)).to_be_visible()


def _fill_title(page: Page) -> None:
    stage(page, "Title")
    page.get_by_text("third", exact=True).click()
    for label, text in (("Title", "SHUTTLE REST"), ("Drafter", "I. VALTIERRA"), ("Scale", "1:1")):
        page.get_by_role("textbox", name=re.compile(f"^{label}")).fill(text)
    saved(page)


def test_the_whole_round(open_page: Open) -> None:
    teacher, student = open_page("ines.corvalho"), open_page("iker.valtierra")
    _set_exercise(teacher)
    student.reload()
    _draw(student)
    _dimension(student)
    _fill_title(student)

    student.reload()
    expect(student.get_by_label("Stages")).to_contain_text("1 placed")
    stage(student, "Hand in")
    student.get_by_role("button", name="Hand in", exact=True).last.click()
    student.get_by_role("button", name="Hand in now").dblclick()
    expect(student.get_by_text("The slip appears here when it is returned.")).to_be_visible()
    expect(student.get_by_text("dimensions", exact=False)).to_have_count(0)

    teacher.reload()
    teacher.get_by_role("button", name=re.compile("Sheet of Iker Valtierra")).click()
    expect(teacher.get_by_text("The right view is asked for and is not on the sheet.")).to_be_visible()
    before = teacher.get_by_test_id("total").inner_text()
    teacher.get_by_role("button", name=re.compile("The right view is asked for")).click()
    teacher.get_by_role("button", name=re.compile("^Waive")).click()
    expect(teacher.get_by_test_id("total")).not_to_have_text(before)
    teacher.get_by_label("Remark on the sheet").fill("A third view would help.")
    teacher.get_by_role("button", name="Return sheet").click()
    expect(teacher.get_by_role("button", name="Returned")).to_be_visible()

    student.reload()
    expect(student.get_by_text("A third view would help.")).to_be_visible()
    expect(student.get_by_text("waived", exact=True)).to_be_visible()
    expect(student.get_by_text(re.compile("The overall height, 45 mm, is not given"))).to_be_visible()


def test_a_day_is_picked_for_an_exercise_and_shown_to_the_class(open_page: Open) -> None:
    page = open_page("ines.corvalho", at="/shelf")
    page.get_by_role("link", name=re.compile("Reed cap")).click()
    page.get_by_role("link", name="Set an exercise on it").click()
    week, day = (datetime.now() + timedelta(days=days) for days in (7, 8))
    due = page.get_by_label("Due")
    expect(due).to_have_text(f"{week:%a} {week.day} {week:%b %Y}, 22:00")
    due.click()
    if day.month != week.month:
        page.locator("[data-direction=next]").click()
    page.get_by_role("button", name=f"{day.day} {day:%B %Y}", exact=True).click()
    page.keyboard.press("Escape")
    expect(due).to_have_text(f"{day:%a} {day.day} {day:%b %Y}, 22:00")
    title = page.get_by_label("Title").first
    # It is the part's until another is written: emptied before the parts are there, it would be so still.
    expect(title).to_have_value("Reed cap")
    title.fill("")
    page.get_by_role("button", name="Set for the class").click()
    expect(page).to_have_url(re.compile("/exercises/new"))
    title.fill("Picked day")
    page.get_by_role("button", name="Set for the class").click()
    expect(page).to_have_url(re.compile(r"/exercises/\d+/wall"))
    page.goto("/")
    row = page.get_by_role("link", name=re.compile("Picked day"))
    expect(row).to_contain_text(re.compile(rf"due {day:%a},? {day.day} {day:%b},? 22:00"))
