"""Marking a pile: the wall by kinds of mistakes, the table by keys, two instructors, a service that is away."""

import re

import pytest
from playwright.sync_api import Page, Route, expect

from tests.browser.conftest import Open

pytestmark = pytest.mark.browser
SHEETS = re.compile("^Sheet of")


def wall(open_page: Open) -> Page:
    page = open_page("ines.corvalho")
    page.get_by_role("link", name=re.compile("Reed clamp")).click()
    expect(page.get_by_role("button", name=SHEETS)).to_have_count(11)
    return page


def test_a_kind_of_mistake_stands_together_and_is_decided_for_all(open_page: Open) -> None:
    page = wall(open_page)
    page.keyboard.press("3")
    expect(page.get_by_label("Lens").get_by_role("button", pressed=True)).to_contain_text("Views")
    page.get_by_label("Lens").get_by_role("button", name=re.compile("^Lines")).click()
    row = page.get_by_label("Shared mistakes").locator("section").filter(has_text="Hidden lines are missing")
    expect(row).to_contain_text("2 sheets")
    row.get_by_role("button", expanded=False).click()
    names = page.get_by_role("button", name=SHEETS)
    expect(names.nth(0)).to_contain_text("Lena Achterberg")
    expect(names.nth(1)).to_contain_text("Paul Nakagawa")
    row.get_by_label("Remark for all of them").fill("Dash what cannot be seen.")
    page.keyboard.press("Escape")
    row.get_by_role("button", name="Uphold on 1").click()
    expect(row).to_contain_text("decided")
    page.reload()
    row = page.get_by_label("Shared mistakes").locator("section").filter(has_text="Hidden lines are missing")
    expect(row).to_contain_text("decided")
    row.get_by_role("button", expanded=False).click()
    row.get_by_role("button", name="Take back").click()
    expect(row).to_contain_text("1 open")


def test_the_wall_is_arranged_and_sieved(open_page: Open) -> None:
    page = wall(open_page)
    names = page.get_by_role("button", name=SHEETS)
    page.get_by_label("In which order").select_option("mark")
    expect(names.first).to_contain_text("Elio Marchetti")
    page.get_by_label("Which sheets").select_option("returned")
    expect(names).to_have_count(2)
    page.get_by_label("Which sheets").select_option("all")
    page.get_by_label("Find by name or group").fill("quis")
    expect(names).to_have_count(1)
    expect(page.get_by_text("1 of 11 sheets")).to_be_visible()
    page.get_by_text("to read", exact=True).click()
    wide = names.first.bounding_box()
    assert wide is not None
    assert wide["width"] > 500


def test_the_table_walks_by_keys_and_lights_the_part(open_page: Open) -> None:
    page = wall(open_page)
    page.get_by_role("button", name=re.compile("^Sheet of Paul Nakagawa")).click()
    expect(page.get_by_text("What the chosen finding speaks of is lit on the part.")).to_be_visible()
    page.keyboard.press("u")
    expect(page.get_by_role("button", name=re.compile("^Upheld"))).to_be_visible()
    page.keyboard.press("]")
    expect(page.locator("header strong")).to_have_text("Rosa Quispe")
    page.keyboard.press("[")
    expect(page.locator("header strong")).to_have_text("Paul Nakagawa")
    page.reload()
    expect(page.get_by_role("button", name=re.compile("^Upheld"))).to_be_visible()
    page.keyboard.press("n")
    expect(page.locator("header strong")).to_have_text("Lena Achterberg")
    expect(page.get_by_text("4 hidden lines, 72 mm in all")).to_be_visible()
    # That nobody asked for a section goes without saying.
    expect(page.get_by_label("Part", exact=True)).not_to_contain_text("no such view is asked for")


def test_everything_on_the_table_without_the_pointer(open_page: Open) -> None:
    page = wall(open_page)
    page.get_by_role("button", name=re.compile("^Sheet of Maya Okonedo")).click()
    slip, total = page.get_by_label("Slip"), page.get_by_test_id("total")
    expect(total).to_have_text("28/30")
    page.keyboard.press("Shift+?")
    expect(page.get_by_role("dialog", name="Keys at the table")).to_be_visible()
    page.keyboard.press("Escape")
    # Closed, the sheet of keys gives the focus back a moment later.
    expect(page.get_by_role("dialog")).to_have_count(0)
    # A remark on the chosen finding, points by hand, a mistake of one's own, a pin.
    page.keyboard.press("r")
    page.keyboard.type("Bring it in line.")
    page.keyboard.press("Enter")
    page.keyboard.press("Escape")
    page.keyboard.press("m")
    page.keyboard.type("2.5")
    page.keyboard.press("Enter")
    expect(total).to_have_text("29.5/30")
    expect(slip).to_contain_text("computed 1/3")
    page.keyboard.press("a")
    page.keyboard.type("The name is missing.")
    page.keyboard.press("Enter")
    expect(slip).to_contain_text("added by your instructor")
    expect(total).to_have_text("27.5/30")
    page.keyboard.press("p")
    page.keyboard.press("ArrowRight")
    page.keyboard.press("Enter")
    page.keyboard.type("Here it is neat.")
    page.keyboard.press("Enter")
    expect(page.get_by_label("Pinned to the sheet")).to_contain_text("Here it is neat.")
    # What was expected and the difference, laid over.
    page.keyboard.press("e")
    expect(page.locator("[data-overlay]")).to_have_count(1)
    page.keyboard.press("e")
    expect(page.locator("[data-overlay]")).to_have_count(2)
    page.keyboard.press("e")
    page.keyboard.press("c")
    expect(page.get_by_role("group", name="Another sheet")).to_be_visible()
    page.keyboard.press("c")
    page.reload()
    expect(total).to_have_text("27.5/30")
    expect(slip).to_contain_text("Here it is neat.")
    page.get_by_role("button", name="Take pin a off").click()
    page.get_by_role("button", name=re.compile("^Take back: The name")).click()
    expect(total).to_have_text("29.5/30")
    page.keyboard.press("m")
    page.keyboard.press("Delete")
    page.keyboard.press("Control+a")
    page.keyboard.press("Backspace")
    page.keyboard.press("Enter")
    expect(total).to_have_text("28/30")


def test_a_freehand_stroke_stays_on_the_sheet(open_page: Open) -> None:
    page = wall(open_page)
    page.get_by_role("button", name=re.compile("^Sheet of Kemi Oduya")).click()
    paper = page.get_by_role("img", name=re.compile("Sheet of Kemi"))
    expect(paper).to_be_visible()
    box = paper.bounding_box()
    assert box is not None
    page.keyboard.press("f")
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x + 60, y + 20, steps=6)
    page.mouse.up()
    expect(page.get_by_label("Pinned to the sheet")).to_contain_text("a stroke")
    page.keyboard.press("Escape")
    page.reload()
    expect(page.get_by_label("Pinned to the sheet")).to_contain_text("a stroke")
    page.get_by_role("button", name="Take pin a off").click()
    expect(page.get_by_label("Pinned to the sheet")).to_have_count(0)


def test_no_decision_is_lost_while_the_service_is_away(open_page: Open) -> None:
    page = wall(open_page)
    away = False

    def answer(route: Route) -> None:
        if away and route.request.method == "PUT":
            route.abort("connectionrefused")
        else:
            route.continue_()

    # Before the sheet is opened: a page that is there already may send once more past a route that has just been set.
    page.route("**/api/sheets/**", answer)
    page.get_by_role("button", name=re.compile("^Sheet of Juan Sandoval")).click()
    expect(page.get_by_role("button", name=re.compile("^Uphold"))).to_be_visible()
    away = True
    with page.expect_event("requestfailed", lambda request: request.method == "PUT"):
        page.keyboard.press("u")
    expect(page.get_by_role("button", name=re.compile("^Upheld")).or_(page.get_by_text("−2").first)).to_be_visible()
    expect(page.get_by_text("1 change not kept yet: no connection, trying again")).to_be_visible()
    away = False
    expect(page.get_by_text("not kept yet")).to_have_count(0)
    page.reload()
    page.keyboard.press("ArrowDown")
    page.keyboard.press("ArrowUp")
    expect(page.get_by_role("button", name=re.compile("^Upheld"))).to_be_visible()


def test_two_tables_follow_each_other(open_page: Open) -> None:
    one, other = wall(open_page), wall(open_page)
    for page in (one, other):
        page.get_by_role("button", name=re.compile("^Sheet of Tor Brandvold")).click()
        expect(page.get_by_role("button", name=re.compile("^Waive"))).to_be_visible()
    one.keyboard.press("x")
    expect(other.get_by_text("waived", exact=True).first).to_be_visible()


def test_sheet_is_not_returned_when_its_remark_was_refused(open_page: Open) -> None:
    page = open_page("ines.corvalho")
    page.get_by_role("link", name=re.compile("Reed clamp")).click()
    page.get_by_role("button", name=re.compile("Sheet of Paul Nakagawa")).click()
    refused = {"message": "That is too much.", "detail": {}, "request": ""}
    page.route(re.compile(r"/api/sheets/\d+/remark$"), lambda route: route.fulfill(status=422, json=refused))
    page.get_by_label("Remark on the sheet").fill("Lost on the way.")
    page.get_by_role("button", name="Return sheet").click()
    expect(page.get_by_role("alert").filter(has_text="so the sheet is not returned")).to_be_visible()
    expect(page.get_by_role("button", name="Return sheet")).to_be_enabled()
    expect(page.get_by_label("Remark on the sheet")).to_have_value("Lost on the way.")
    # A decision that is kept does not make up for the remark that was not.
    with page.expect_response(re.compile(r"/findings/\d+$")):
        page.get_by_role("button", name=re.compile("^Uph(old|eld)")).first.click()
    page.get_by_role("button", name="Return sheet").click()
    expect(page.get_by_role("alert").filter(has_text="so the sheet is not returned")).to_be_visible()
    expect(page.get_by_role("button", name="Return sheet")).to_be_enabled()
    page.unroute(re.compile(r"/api/sheets/\d+/remark$"))
    page.get_by_label("Remark on the sheet").fill("Kept at last.")
    page.get_by_role("button", name="Return sheet").click()
    expect(page.get_by_role("button", name="Returned")).to_be_visible()


def test_a_sheet_is_held_close_at_the_wall_through_the_lens(open_page: Open) -> None:
    page = open_page("ines.corvalho", at="/exercises/1/wall")
    page.get_by_role("button", name=re.compile("^Lines")).first.click()
    page.get_by_role("button", name="Look closer at the sheet of Lena Achterberg").click()
    close = page.get_by_role("dialog")
    paper = close.get_by_role("img", name=re.compile("^Sheet of"))
    expect(paper).to_be_visible()
    expect(close).to_contain_text("Lena Achterberg")
    expect(close).to_contain_text("Lines")
    page.mouse.move(640, 400)
    page.mouse.wheel(0, -400)
    expect(close.get_by_test_id("paper-map")).to_be_visible()
    page.keyboard.press("]")
    expect(close).not_to_contain_text("Lena Achterberg")
    expect(close.get_by_test_id("paper-map")).to_have_count(0)
    close.get_by_role("button", name="Back to the wall").click()
    expect(close).to_have_count(0)
