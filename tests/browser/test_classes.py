"""Classes in the real interface: a roster with first passwords, a code, groups, marks out, what was not understood."""

import csv
import io
import re

import pytest
from playwright.sync_api import expect

from tests.browser.conftest import Open

pytestmark = pytest.mark.browser


def test_a_roster_is_looked_at_brought_in_and_its_slips_are_printed(open_page: Open) -> None:
    page = open_page("ines.corvalho")
    page.get_by_role("link", name="Classes").click()
    page.get_by_role("textbox", name="New class").fill("Evening 7")
    page.get_by_role("button", name="Make", exact=True).click()
    expect(page.get_by_text("Nobody is in this class yet")).to_be_visible()
    page.get_by_role("button", name="Bring people in").click()
    table = "Nombre;Apellidos;Correo;Grupo\nZoe;Zahn;;A\nZoe;Zahn;;A\nDina Farouk;;;B\n"
    page.get_by_role("textbox", name=re.compile("^A table")).fill(table)
    page.get_by_role("button", name="Look what it will do").click()
    rows = page.get_by_role("table", name="What each row will do").get_by_role("row")
    expect(rows.nth(1)).to_contain_text("makes an account")
    expect(rows.nth(2)).to_contain_text("the same log-in name as in row 2")
    expect(rows.nth(3)).to_contain_text("comes in")
    page.get_by_role("button", name="Bring in 2 people").click()
    slips = page.get_by_role("list", name="First passwords")
    expect(slips).to_contain_text("zoe.zahn")
    password = slips.locator("code").nth(1).inner_text()
    page.keyboard.press("Escape")
    expect(page.get_by_role("row", name=re.compile("Dina Farouk"))).to_be_visible()
    expect(page.get_by_label("Group of Zoe Zahn")).to_have_value("A")
    page.get_by_label("Group of Zoe Zahn").fill("C")
    page.keyboard.press("Enter")
    page.reload()
    page.get_by_role("navigation", name="Classes").get_by_role("button", name=re.compile("Evening 7")).click()
    expect(page.get_by_label("Group of Zoe Zahn")).to_have_value("C")

    student = open_page()
    student.get_by_label("Log-in name").fill("zoe.zahn")
    student.get_by_role("textbox", name="Password").fill(password)
    student.get_by_role("button", name="Log in").click()
    expect(student.get_by_text("Choose", exact=False).first).to_be_visible()


def test_a_student_comes_in_by_the_code_on_the_board(open_page: Open) -> None:
    page, student = open_page("ines.corvalho"), open_page("kemi.oduya")
    page.goto("/classes")
    page.get_by_role("textbox", name="New class").fill("Evening 8")
    page.get_by_role("button", name="Make", exact=True).click()
    expect(page.get_by_text("Nobody is in this class yet")).to_be_visible()
    page.get_by_role("button", name="Make a code").click()
    code = page.locator("p").filter(has_text=re.compile(r"^[A-Z2-9]{8}$")).inner_text()
    student.get_by_text("Come into another class").click()
    student.get_by_label("Code of a class").fill("WRONG123")
    student.get_by_role("button", name="Come in").click()
    expect(student.get_by_text("No class has this code")).to_be_visible()
    student.get_by_label("Code of a class").fill(code.lower())
    student.get_by_role("button", name="Come in").click()
    expect(student.get_by_text("You are in the class Evening 8.")).to_be_visible()
    page.reload()
    page.get_by_role("navigation", name="Classes").get_by_role("button", name=re.compile("Evening 8")).click()
    expect(page.get_by_role("row", name=re.compile("Kemi Oduya"))).to_be_visible()
    page.get_by_role("button", name="More").click()
    page.get_by_role("menuitem", name="Archive the class").click()
    expect(page.get_by_role("navigation", name="Classes")).not_to_contain_text("Evening 8")


def test_marks_go_out_in_columns_chosen_once(open_page: Open) -> None:
    page = open_page("ines.corvalho", at="/classes")
    page.get_by_role("navigation", name="Classes").get_by_role("button", name=re.compile("Evening 2")).click()
    page.get_by_role("button", name="More").click()
    page.get_by_role("menuitem", name="Columns of the marks").click()
    page.get_by_label("CSV: numbers with a decimal comma").check(force=True)
    page.get_by_role("combobox", name="CSV: cells are parted by").click()
    page.get_by_role("option", name="semicolon").click()
    page.get_by_role("button", name="Keep").click()
    page.get_by_role("button", name="More").click()
    with page.expect_download() as download:
        page.get_by_role("menuitem", name="Marks as CSV").click()
    rows = list(csv.reader(io.StringIO(download.value.path().read_text("utf-8-sig")), delimiter=";"))
    assert rows[0][:2] == ["Family name", "Given name"]
    assert len(rows) >= 13


def test_what_was_not_understood_leads_to_the_sheets_and_the_reasons(open_page: Open) -> None:
    page = open_page("ines.corvalho", at="/classes/1/learned")
    row = page.get_by_role("row", name=re.compile("Hidden lines are missing"))
    # How many sheets show it depends on what the tests before have handed in.
    expect(row).to_contain_text(re.compile(r"[1-9] of [1-9]"))
    page.get_by_text("by student", exact=True).click()
    expect(page.get_by_role("row", name=re.compile("Elio Marchetti"))).to_be_visible()
    page.get_by_text("by rule", exact=True).click()
    row.get_by_role("link", name="Hidden lines are missing").click()
    expect(page.get_by_role("img", name="Wrong")).to_be_visible()
    expect(page.get_by_text("Without them nobody knows whether a hole goes through")).to_be_visible()
