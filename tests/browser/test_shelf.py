"""Shelf and people in the real interface."""

import re
from pathlib import Path

import pytest
from playwright.sync_api import Route, expect

from tests.browser.conftest import Open

pytestmark = pytest.mark.browser


def test_part_opens_on_the_turntable_and_refused_uploads_say_why(open_page: Open, tmp_path: Path) -> None:
    page = open_page("ines.corvalho")
    page.get_by_role("link", name="Shelf").click()
    page.get_by_role("link", name=re.compile("Heddle guide")).click()
    expect(page.get_by_label("Six sides").get_by_role("button")).to_have_count(6)
    candidates = page.get_by_label("Candidates for the front view").get_by_role("button")
    expect(candidates).to_have_count(3)
    expect(candidates.first).to_contain_text("hidden lines")
    page.get_by_role("tab", name="Front views").click()
    page.get_by_role("button", name="Show all 24").click()
    ranking = page.get_by_role("tabpanel", name="Front views").get_by_role("button")
    expect(ranking).to_have_count(25)
    ranking.first.click()
    expect(page.get_by_text(re.compile(r"90 mm across; the longest size is 90 mm"))).to_be_visible()
    page.go_back()
    broken = tmp_path / "broken.step"
    broken.write_bytes(b"\x89PNG" + bytes(100))
    page.locator('input[type="file"]').set_input_files(broken)
    expect(page.get_by_label("Brought in")).to_contain_text("this is not a STEP file", timeout=60_000)


def test_student_reads_the_slip_on_a_phone(open_page: Open) -> None:
    page = open_page("lena.achterberg", size=(390, 800))
    page.get_by_role("link", name=re.compile("Reed clamp")).click()
    expect(page.get_by_test_id("total")).to_have_text("28/30")
    expect(page.get_by_text(re.compile("4 hidden lines, 72 mm"))).to_be_visible()
    assert page.evaluate("document.documentElement.scrollWidth") <= 390


def test_wrong_password_and_administrator(open_page: Open) -> None:
    page = open_page()
    page.get_by_label("Log-in name").fill("otto.brandt")
    page.get_by_role("textbox", name="Password").fill("wrong")
    page.get_by_role("button", name="Log in").click()
    expect(page.get_by_role("alert")).to_have_text("That name and password do not go together.")
    page.get_by_role("textbox", name="Password").fill("loom-and-shuttle")
    page.get_by_role("button", name="Log in").click()
    expect(page.get_by_role("heading", name="People")).to_be_visible()
    expect(page.get_by_role("row", name=re.compile("Nela Havlík"))).to_be_visible()


def test_remark_on_its_way_is_kept_before_the_sheet_is_returned(open_page: Open) -> None:
    page = open_page("ines.corvalho")
    page.get_by_role("link", name=re.compile("Reed clamp")).click()
    page.get_by_role("button", name=re.compile("Sheet of Rosa Quispe")).click()
    sent: list[str] = []

    def slowly(route: Route) -> None:
        page.wait_for_timeout(700)
        sent.append("remark")
        route.continue_()

    page.route(re.compile(r"/api/sheets/\d+/remark$"), slowly)
    page.on("request", lambda request: sent.append("return") if request.url.endswith("/return") else None)
    page.get_by_label("Remark on the sheet").fill("Turn the front view once more.")
    page.get_by_role("button", name="Return sheet").click()
    expect(page.get_by_role("button", name="Returned")).to_be_visible()
    assert sent == ["remark", "return"]
    page.reload()
    expect(page.get_by_text("Turn the front view once more.")).to_be_visible()


def test_any_front_view_is_accepted_from_the_turntable(open_page: Open) -> None:
    page = open_page("ines.corvalho", at="/shelf")
    page.get_by_role("link", name=re.compile("Pedal hinge")).click()
    page.locator('a[href^="/exercises/new?part="]').click()
    fronts = page.get_by_label("Accepted front views")
    expect(fronts.locator("button[aria-pressed]")).to_have_count(8)
    fronts.get_by_text("Another one, from the turntable").click()
    expect(fronts.get_by_role("button", name="Accept it as a front view")).to_be_disabled()
    fronts.get_by_role("button", name="Show the −X side").click()
    for _ in range(2):
        fronts.get_by_role("button", name="Quarter turn").click()
    fronts.get_by_role("button", name="Accept it as a front view").click()
    expect(fronts.locator('button[aria-pressed="true"]')).to_have_count(1)
    expect(fronts.locator("button[aria-pressed]"), "it stands beside the best ones").to_have_count(9)
    expect(fronts).to_contain_text("picked here will be accepted")
    fronts.get_by_role("button", name="Do not accept it").click()
    expect(fronts.locator("button[aria-pressed]")).to_have_count(8)


def test_a_rib_is_cut_or_left_whole_as_it_is_marked(open_page: Open) -> None:
    page = open_page("ines.corvalho", solids=True)
    page.get_by_role("link", name="Shelf").click()
    expect(page.get_by_label("Search the shelf")).to_be_visible()
    page.get_by_role("link", name=re.compile("Ribbed bearing")).click()
    own = page.get_by_label("Not cut lengthwise")
    rib = own.get_by_role("switch", name=re.compile("rib, 8 mm thick"))
    expect(rib).to_be_checked()
    expect(own.get_by_role("button", name="Leave this rib whole")).to_be_disabled()
    rib.focus()
    page.keyboard.press("Space")
    expect(rib).not_to_be_checked()
    page.reload()
    expect(rib).not_to_be_checked()
    rib.press("Space")
    expect(rib).to_be_checked()
    # A face clicked on the turntable is taken, or it is said why it cannot be.
    stage = page.get_by_label("Turntable").locator("canvas")
    leave = own.get_by_role("button", name="Leave this rib whole")
    # The turntable was put up anew just now: what is not drawn yet cannot be clicked on.
    for _ in range(60):
        stage.click()
        page.wait_for_timeout(250)
        if leave.is_enabled():
            break
    leave.click()
    expect(own.get_by_text("marked by hand").or_(own.get_by_role("alert"))).to_be_visible()
