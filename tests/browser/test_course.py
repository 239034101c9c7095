"""The course of an exercise: how it is marked, changed, tried again, given back on paper."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import Open

pytestmark = pytest.mark.browser


def test_another_way_of_marking_is_tried_before_it_is_kept(open_page: Open) -> None:
    page = open_page("ines.corvalho", at="/exercises/3/marking")
    moved = page.get_by_label("What becomes of the marks")
    expect(moved).to_contain_text("No mark changes.")
    page.get_by_label("An error costs").fill("3")
    expect(moved).to_contain_text("marks change")
    page.get_by_role("button", name="Letters").click()
    page.get_by_role("button", name="Mark it so").click()
    expect(page.get_by_text("Kept; all marks follow it.")).to_be_visible()
    expect(moved).to_contain_text("An error costs: 2 → 3")
    page.goto("/exercises/3/wall")
    expect(page.get_by_role("button", name=re.compile("^Sheet of Sara Lindqvist"))).to_contain_text("A")
    page.goto("/exercises/3/marking")
    page.get_by_label("An error costs").fill("2")
    page.get_by_role("button", name="None: points only").click()
    page.get_by_role("button", name="Mark it so").click()
    expect(moved).to_contain_text("An error costs: 3 → 2")


def _handed_in(page: Page) -> None:
    page.get_by_label("Stages").get_by_role("button", name=re.compile("Hand in")).click()
    page.get_by_role("button", name="Hand in", exact=True).last.click()
    page.get_by_role("button", name="Hand in now").click()
    expect(page.get_by_text("The slip appears here when it is returned.")).to_be_visible()


def test_a_returned_sheet_is_answered_and_drawn_again(open_page: Open) -> None:
    teacher, student = open_page("ines.corvalho"), open_page("paul.nakagawa")
    # The warp-beam bearing, of which Paul has a draft, is given a second attempt.
    teacher.goto("/exercises/2/edit")
    teacher.get_by_label("Attempts").fill("2")
    teacher.get_by_role("button", name="Change it").click()
    expect(teacher).to_have_url(re.compile("/exercises/2/wall"))
    student.get_by_role("link", name=re.compile("Warp-beam bearing")).click()
    _handed_in(student)
    expect(student.get_by_text("Receipt")).to_be_visible()
    expect(teacher.get_by_role("button", name=re.compile("^Sheet of Paul Nakagawa"))).to_be_visible()
    teacher.get_by_role("button", name=re.compile("^Sheet of Paul Nakagawa")).click()
    teacher.get_by_role("button", name="Return sheet").click()
    expect(teacher.get_by_role("button", name="Returned")).to_be_visible()

    student.reload()
    student.get_by_label("What you say to this finding").fill("I will mend it.")
    student.keyboard.press("Enter")
    expect(student.get_by_text("Kept.").first).to_be_visible()
    expect(teacher.get_by_text("I will mend it.")).to_be_visible()
    student.get_by_role("button", name=re.compile("^Draw it again")).click()
    expect(student.get_by_label("Stages")).to_be_visible()
    _handed_in(student)
    teacher.goto("/exercises/2/wall")
    pinned = teacher.get_by_role("button", name=re.compile("^Sheet of Paul Nakagawa"))
    expect(pinned).to_contain_text("attempt 2")
    pinned.click()
    expect(teacher.get_by_role("button", name="Return sheet")).to_be_visible()
    teacher.keyboard.press("c")
    expect(teacher.get_by_label("Which other sheet")).to_contain_text("attempt 1")


def test_all_slips_are_written_into_one_file(open_page: Open) -> None:
    page = open_page("ines.corvalho", at="/exercises/1/wall")
    page.get_by_role("button", name="More", exact=True).click()
    page.get_by_role("menuitem", name="All slips as one PDF").click()
    link = page.get_by_role("link", name="Open the PDF")
    expect(link).to_be_visible(timeout=90_000)
    data = page.request.get(str(link.get_attribute("href")))
    assert data.headers["content-type"] == "application/pdf"
    assert data.body().startswith(b"%PDF")


def test_a_form_thrown_away_is_brought_back(open_page: Open) -> None:
    page = open_page("ines.corvalho", at="/sheet-forms")
    page.get_by_role("button", name="New form").click()
    page.get_by_role("menuitem", name="A4 portrait").click()
    expect(page.get_by_test_id("form-sheet")).to_be_visible()
    page.goto("/sheet-forms")
    card = page.get_by_role("article", name="Sheet form A4")
    card.get_by_role("button", name="Throw away").click()
    page.get_by_role("menuitem", name=re.compile("^Throw")).click()
    thrown = page.get_by_role("region", name="Thrown away")
    expect(thrown).to_contain_text("Sheet form A4")
    thrown.get_by_role("button", name="Bring Sheet form A4 back").click()
    expect(card).to_be_visible()


def test_how_exactly_a_hand_has_to_draw_is_set(open_page: Open) -> None:
    teacher = open_page("ines.corvalho", at="/exercises/2/edit")
    exactness = teacher.get_by_role("button", name=re.compile("^Exactness"))
    expect(exactness).to_have_text("Exactness: within 0.3 mm, by hand within 1 mm and 2°")
    exactness.click()
    teacher.get_by_label("Drawn by hand (mm)").fill("1.5")
    # What is no number, or far too much, asks for nothing else.
    teacher.get_by_label("and askew by (°)").fill("")
    off = teacher.get_by_label("Lines off by (mm)")
    off.fill("25")
    off.press("Tab")
    expect(off).to_have_value("0.3")
    expect(exactness).to_have_text("Exactness: within 0.3 mm, by hand within 1.5 mm and 2°")
    teacher.get_by_role("button", name="Change it").click()
    expect(teacher).to_have_url(re.compile("/exercises/2/wall"))
    teacher.goto("/exercises/2/edit")
    expect(exactness).to_have_text("Exactness: within 0.3 mm, by hand within 1.5 mm and 2°")
