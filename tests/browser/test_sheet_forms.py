"""The school's sheet forms: drawn by mouse and by keys, brought in as DXF, asked for by an exercise."""

import re
from pathlib import Path

import pytest
from playwright.sync_api import Locator, Page, expect

from tests.browser.bench_actions import Point, on_paper, sheet
from tests.browser.conftest import Open
from tests.reading.drawn_form import DrawnForm


def paper(page: Page) -> Locator:
    return page.get_by_test_id("form-sheet")


def at(page: Page, point: Point) -> Point:
    return on_paper(paper(page), point)


def click(page: Page, point: Point) -> None:
    page.mouse.click(*at(page, point))


def drag(page: Page, start: Point, end: Point) -> None:
    page.mouse.move(*at(page, start))
    page.mouse.down()
    page.mouse.move(*at(page, end), steps=5)
    page.mouse.up()


def choose(page: Page, name: str | re.Pattern[str]) -> None:
    page.get_by_role("combobox", name="Chosen").click()
    page.get_by_role("option", name=name).click()


def numbers(page: Page, *names: str) -> list[float]:
    return [float(page.get_by_role("textbox", name=name, exact=True).input_value()) for name in names]


def saved(page: Page) -> None:
    page.get_by_role("status").filter(has_text="Saved").wait_for()


def new_form(page: Page, kind: str = "A3 landscape") -> None:
    page.goto("/sheet-forms")
    page.get_by_role("button", name="New form").click()
    page.get_by_role("menuitem", name=kind).click()
    expect(paper(page)).to_be_visible()


def test_a_form_is_drawn_with_the_mouse_and_is_there_after_a_reload(open_page: Open) -> None:
    page = open_page("ines.corvalho")
    new_form(page)
    page.get_by_label("Name of the form").fill("Hall A3")
    # The title block is taken by its upper side, to a height of its own.
    choose(page, "Title block")
    _, _, wide, high = numbers(page, "x", "y", "wide", "high")
    assert (wide, high) == (180, 36)
    drag(page, (320, 46), (320, 60))
    assert numbers(page, "high") == [50]
    # A line across what was added: it begins and ends on the sides it is near to.
    page.get_by_text("Line", exact=True).click()
    click(page, (260, 56))
    # Begun, and thought better of.
    page.keyboard.press("Escape")
    page.get_by_text("Line", exact=True).click()
    click(page, (230.6, 53))
    click(page, (409.5, 53.4))
    choose(page, re.compile("Line 230, 53 to 410, 53"))
    page.keyboard.press("Escape")
    # A field stands in the cell that is pointed at; it had its place elsewhere.
    page.get_by_role("button", name="number ✓").click()
    page.get_by_role("button", name="Take away").click()
    page.get_by_role("button", name="number", exact=True).click()
    click(page, (300, 56))
    expect(page.get_by_role("button", name="number ✓")).to_be_visible()
    assert numbers(page, "x", "wide") == pytest.approx([230.8, 178.4])
    # Lettering of the school.
    page.get_by_text("Lettering", exact=True).click()
    click(page, (60, 280))
    page.get_by_label("What it says").fill("WEAVING HALL")
    page.get_by_text("ISO 5457").click()
    expect(paper(page).get_by_text("F", exact=True).first).to_be_visible()
    expect(page.get_by_role("heading", name="Ready for exercises")).to_be_visible()
    saved(page)
    page.reload()
    expect(paper(page).get_by_text("WEAVING HALL")).to_be_visible()
    page.get_by_role("link", name="Sheet forms").click()
    expect(page.get_by_role("article", name="Hall A3")).to_contain_text("A3 landscape, made by you")


def test_a_form_is_changed_by_keys_alone_and_what_is_wrong_is_said(open_page: Open) -> None:
    page = open_page("ines.corvalho")
    new_form(page, "A4 portrait")
    page.get_by_role("combobox", name="Chosen").focus()
    page.keyboard.type("Field: scale")
    page.keyboard.press("ArrowDown")
    page.keyboard.press("Enter")
    before = numbers(page, "x", "y")
    page.get_by_role("button", name="scale ✓").focus()
    page.keyboard.press("Enter")
    page.keyboard.press("ArrowUp")
    page.keyboard.press("ArrowRight")
    assert numbers(page, "x", "y") == pytest.approx([before[0] + 0.5, before[1] + 0.5])
    page.keyboard.press("Control+z")
    page.keyboard.press("Control+z")
    assert numbers(page, "x", "y") == pytest.approx(before)
    page.keyboard.press("Control+Shift+z")
    assert numbers(page, "x", "y") == pytest.approx([before[0], before[1] + 0.5])
    # A border off the paper bars the form; nothing that was drawn is lost.
    page.get_by_role("textbox", name="left").fill("-5")
    page.get_by_role("textbox", name="right").focus()
    choose(page, "Border")
    page.get_by_role("textbox", name="x", exact=True).fill("-5")
    page.keyboard.press("Tab")
    expect(page.get_by_role("heading", name="Not ready yet")).to_be_visible()
    expect(page.get_by_text("The border reaches beyond the paper.")).to_be_visible()
    saved(page)
    page.get_by_role("link", name="Sheet forms").click()
    expect(page.get_by_text("not ready yet").first).to_be_visible()


def test_nothing_drawn_is_lost_without_a_connection(open_page: Open) -> None:
    page = open_page("ines.corvalho")
    new_form(page)
    saving = re.compile(r"/api/sheet-forms/\d+$")
    page.route(saving, lambda route: route.abort() if route.request.method == "PUT" else route.continue_())
    page.get_by_label("Name of the form").fill("Kept in the browser")
    expect(page.get_by_role("alert")).to_contain_text("Not saved yet, kept in this browser.")
    # Still without one, so that nothing but the browser can have kept it.
    page.reload()
    expect(page.get_by_label("Name of the form")).to_have_value("Kept in the browser")
    expect(page.get_by_role("alert")).to_contain_text("Not saved yet, kept in this browser.")
    page.unroute(saving)
    saved(page)
    page.reload()
    expect(page.get_by_label("Name of the form")).to_have_value("Kept in the browser")


def test_two_tabs_ask_which_form_to_keep(open_page: Open) -> None:
    page = open_page("ines.corvalho")
    new_form(page)
    other = open_page("ines.corvalho")
    other.goto(page.url)
    # The second has the form as it was before the first changes it.
    expect(other.get_by_label("Name of the form")).not_to_have_value("")
    page.get_by_label("Name of the form").fill("From the first")
    saved(page)
    other.get_by_label("Name of the form").fill("From the second")
    expect(other.get_by_role("alert")).to_contain_text("changed in another tab")
    other.get_by_role("button", name="Keep what is here").click()
    saved(other)
    page.reload()
    expect(page.get_by_label("Name of the form")).to_have_value("From the second")


def test_a_form_comes_in_as_dxf_and_says_what_it_lacks(open_page: Open, tmp_path: Path) -> None:
    page = open_page("ines.corvalho", at="/sheet-forms")
    drawn = DrawnForm()
    drawn.box(20, 10, 410, 287, 70)
    drawn.box(300, 10, 410, 40)
    drawn.words("TITLE", 302, 36)
    drawn.space.add_circle((100, 100), 20)
    path = tmp_path / "hall from office.dxf"
    path.write_bytes(drawn.data())
    page.locator('input[type="file"]').set_input_files(path)
    told = page.get_by_role("status").filter(has_text="Brought in, but for this:")
    expect(told).to_contain_text("One curve, size or filled area is left out")
    told.get_by_role("link", name="Go on in the form editor").click()
    expect(page.get_by_label("Name of the form")).to_have_value("hall from office")
    expect(page.get_by_role("button", name="title ✓")).to_be_visible()
    expect(page.get_by_label("Looked through")).to_contain_text("No place for:")
    path.write_bytes(b"no drawing at all")
    page.get_by_role("link", name="Sheet forms").click()
    page.locator('input[type="file"]').set_input_files(path)
    expect(page.get_by_role("alert")).to_contain_text("hall from office.dxf")


def test_an_exercise_asks_for_a_form_and_students_draw_on_it(open_page: Open) -> None:
    page = open_page("ines.corvalho", at="/exercises/new?part=4")
    page.get_by_role("textbox", name="Title").first.fill("On the school's form")
    form = page.get_by_role("combobox", name="Sheet form")
    loom_house = page.get_by_role("option", name=re.compile("Loom house, A3"))
    # What arrives while the list is open may close it: it is opened once all is there.
    page.wait_for_load_state("networkidle")
    form.click()
    loom_house.click()
    page.get_by_role("button", name="Set for the class").click()
    expect(page).to_have_url(re.compile(r"/exercises/\d+/wall"))
    student = open_page("kemi.oduya")
    student.get_by_role("link", name=re.compile("On the school's form")).click()
    expect(sheet(student).get_by_text("LOOM HOUSE")).to_be_visible()
    # Another paper has the usual form; the asked one has the school's again.
    student.get_by_role("combobox", name="Size").click()
    student.get_by_role("option", name="A2").click()
    expect(sheet(student).get_by_text("DRAFTER")).to_be_visible()
    student.get_by_role("combobox", name="Size").click()
    student.get_by_role("option", name="A3").click()
    expect(sheet(student).get_by_text("DRAWN BY")).to_be_visible()
    expect(sheet(student).get_by_text("DRAFTER")).to_have_count(0)
