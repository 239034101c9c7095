"""The bench under the hands of people: keys, undo, reload, lost connection, two tabs, an ended log-in."""

import re

import pytest
from playwright.sync_api import Page, expect

from maqueta.sheet.document import SheetDocument
from tests.browser.bench_actions import at_the_bench, box_of, click, drag, look_at, on_screen, saved, sheet, stage
from tests.browser.conftest import Open
from tests.server_process import enter

pytestmark = pytest.mark.browser


def _at_the_bench(open_page: Open, login: str) -> Page:
    page = open_page(login)
    page.get_by_role("link", name=re.compile("Shuttle rest A3")).click()
    sheet(page).wait_for()
    return page


def _with_front(page: Page) -> None:
    stage(page, "Front")
    look_at(page, "−Y side")
    page.get_by_role("button", name="Take as front view").click()
    expect(sheet(page).locator('[data-role="view"]')).to_have_count(1)
    saved(page)


def _with_another_view(open_page: Open, login: str, side: str) -> Page:
    page = open_page(login)
    at_the_bench(page, "Shuttle rest A3", SheetDocument())
    _with_front(page)
    stage(page, "Views")
    look_at(page, side)
    page.get_by_role("button", name="Add this view").click()
    expect(sheet(page).locator('[data-role="view"]')).to_have_count(2)
    return page


def test_keys_move_undo_and_take_away(open_page: Open) -> None:
    page = _at_the_bench(open_page, "dina.farouk")
    _with_front(page)
    stage(page, "Views")
    start = box_of(page, "v1")
    page.get_by_role("button", name="front", exact=True).click()
    page.keyboard.press("Escape")
    page.get_by_role("button", name="front", exact=True).click()
    page.get_by_role("button", name="front", exact=True).blur()
    page.keyboard.press("ArrowRight")
    page.keyboard.press("Shift+ArrowUp")
    saved(page)
    moved = box_of(page, "v1")
    assert moved[0] - start[0] == pytest.approx(1, abs=0.05)
    assert moved[1] - start[1] == pytest.approx(10, abs=0.05)
    page.keyboard.press("Control+z")
    page.keyboard.press("Control+z")
    saved(page)
    assert box_of(page, "v1") == pytest.approx(start, abs=0.05)
    page.keyboard.press("Control+Shift+z")
    saved(page)
    assert box_of(page, "v1")[0] - start[0] == pytest.approx(1, abs=0.05)
    page.keyboard.press("Delete")
    expect(sheet(page).locator('[data-role="view"]')).to_have_count(0)


def test_a_view_hangs_on_the_pointer_and_is_set_down_beside_the_others(open_page: Open) -> None:
    page = _with_another_view(open_page, "elio.marchetti", "upper side")
    front, top = box_of(page, "v1"), box_of(page, "v2")
    assert top[0] >= front[2] or top[2] <= front[0] or top[1] >= front[3] or top[3] <= front[1], "it lies on no other"
    middle = ((front[0] + front[2]) / 2, (front[1] + front[3]) / 2)
    page.mouse.move(*on_screen(page, middle))
    expect(page.get_by_test_id("across").locator("line")).to_have_count(4)
    expect(page.get_by_test_id("occupied")).to_be_visible()
    page.mouse.down()
    page.mouse.up()
    expect(page.get_by_test_id("across"), "it does not drop onto the front view").to_be_visible()
    beside = (middle[0], front[3] + 60)
    page.mouse.move(*on_screen(page, beside))
    expect(page.get_by_test_id("occupied")).to_have_count(0)
    page.mouse.down()
    page.mouse.up()
    expect(page.get_by_test_id("across")).to_have_count(0)
    saved(page)
    top = box_of(page, "v2")
    assert ((top[0] + top[2]) / 2, (top[1] + top[3]) / 2) == pytest.approx(beside, abs=0.5)

    # The front view takes along what is folded out from it, or goes alone.
    drag(page, middle, (middle[0] + 10, middle[1] - 6))
    saved(page)
    assert box_of(page, "v2") == pytest.approx((top[0] + 10, top[1] - 6, top[2] + 10, top[3] - 6), abs=0.5)
    page.get_by_role("switch", name="Move a view with its kin").uncheck(force=True)
    drag(page, (middle[0] + 10, middle[1] - 6), middle)
    saved(page)
    assert box_of(page, "v1") == pytest.approx(front, abs=0.5)
    assert box_of(page, "v2")[0] == pytest.approx(top[0] + 10, abs=0.5)


def test_a_view_is_set_down_by_keys_alone(open_page: Open) -> None:
    page = _with_another_view(open_page, "maya.okonedo", "−X side")
    before = box_of(page, "v2")
    expect(page.get_by_test_id("across")).to_be_visible()
    page.get_by_role("button", name="Add this view").blur()
    page.keyboard.press("Shift+ArrowRight")
    page.keyboard.press("Enter")
    expect(page.get_by_test_id("across")).to_have_count(0)
    saved(page)
    assert box_of(page, "v2")[0] == pytest.approx(before[0] + 10, abs=0.1)


def test_a_view_that_hangs_on_the_pointer_is_set_down_there_by_enter_and_let_go_by_escape(open_page: Open) -> None:
    page = open_page("maya.okonedo")
    at_the_bench(page, "Shuttle rest A3", SheetDocument())
    _with_front(page)
    stage(page, "Views")
    look_at(page, "upper side")
    page.get_by_role("button", name="Add this view").click()
    expect(sheet(page).locator('[data-role="view"]')).to_have_count(2)
    front, before = box_of(page, "v1"), box_of(page, "v2")
    x, y = on_screen(page, ((front[0] + front[2]) / 2, front[3] + 60))
    page.mouse.move(x, y)
    expect(sheet(page).locator("[data-carried]")).not_to_have_count(0)
    page.keyboard.press("Enter")
    down = box_of(page, "v2")
    assert down[1] != pytest.approx(before[1], abs=1)
    page.get_by_role("button", name="Undo").click()
    assert box_of(page, "v2") == pytest.approx(before, abs=0.01)
    look_at(page, "+X side")
    page.get_by_role("button", name="Add this view").click()
    expect(sheet(page).locator('[data-role="view"]')).to_have_count(3)
    page.mouse.move(x + 40, y)
    expect(sheet(page).locator("[data-carried]")).not_to_have_count(0)
    page.keyboard.press("Escape")
    expect(sheet(page).locator("[data-carried]")).to_have_count(0)


def test_dimension_by_keyboard_and_typed_over(open_page: Open) -> None:
    page = _at_the_bench(open_page, "kemi.oduya")
    _with_front(page)
    stage(page, "Dimensions")
    surface = page.get_by_test_id("tool-surface")
    surface.focus()
    page.keyboard.press("ArrowRight")
    page.keyboard.press("Enter")
    page.keyboard.press("ArrowRight")
    page.keyboard.press("Enter")
    for _ in range(8):
        page.keyboard.press("ArrowDown")
    page.keyboard.press("Enter")
    dimension = page.get_by_role("listitem").get_by_role("button").first
    expect(dimension).to_contain_text("· front")
    dimension.click()
    page.get_by_label("Typed over").fill("99")
    expect(page.get_by_role("button", name="99 · front", exact=True)).to_be_visible()


def test_view_stays_where_it_is_put_and_centre_lines_are_drawn(open_page: Open) -> None:
    page = open_page("kemi.oduya")
    page.get_by_role("link", name=re.compile("Pedal hinge")).click()
    _with_front(page)
    stage(page, "Views")
    left, bottom, right, top = box_of(page, "v1")
    drag(page, ((left + right) / 2, (bottom + top) / 2), ((left + right) / 2 + 33, (bottom + top) / 2 + 11))
    saved(page)
    moved = box_of(page, "v1")
    assert (moved[0] - left, moved[1] - bottom) == pytest.approx((33, 11), abs=0.5)
    stage(page, "Lines")
    page.get_by_role("button", name="Centre line", exact=True).click()
    left, bottom, right, top = moved
    click(page, (left + 8, bottom + 1.25 * 25.4))
    expect(sheet(page).locator('[data-role="mark"]')).to_have_count(1)
    page.get_by_label("Hidden lines").first.uncheck(force=True)
    saved(page)
    expect(sheet(page).locator('[data-role="view"] [stroke-dasharray]')).to_have_count(0)


def test_nothing_is_lost_without_connection_or_log_in(open_page: Open) -> None:
    page = _at_the_bench(open_page, "tor.brandvold")
    _with_front(page)
    page.route(
        "**/api/exercises/*/sheet", lambda route: route.abort() if route.request.method == "PUT" else route.continue_()
    )
    stage(page, "Title")
    page.get_by_role("textbox", name=re.compile("^Title")).fill("DRAWN WITHOUT A LINE")
    expect(page.get_by_text("Not saved yet, kept in this browser.")).to_be_visible()
    page.reload()
    page.unroute("**/api/exercises/*/sheet")
    stage(page, "Title")
    expect(page.get_by_role("textbox", name=re.compile("^Title"))).to_have_value("DRAWN WITHOUT A LINE")
    saved(page)

    page.context.clear_cookies()
    page.get_by_role("textbox", name=re.compile("^Title")).fill("DRAWN AFTER THE LOG-IN ENDED")
    expect(page.get_by_text("Your log-in has ended. Everything on this page is kept.")).to_be_visible()
    enter(page, "tor.brandvold")
    expect(page.get_by_text("Your log-in has ended. Everything on this page is kept.")).to_be_hidden()
    saved(page)
    page.reload()
    stage(page, "Title")
    expect(page.get_by_role("textbox", name=re.compile("^Title"))).to_have_value("DRAWN AFTER THE LOG-IN ENDED")


def test_two_tabs_ask_which_version_to_keep(open_page: Open) -> None:
    first = _at_the_bench(open_page, "rosa.quispe")
    _with_front(first)
    second = first.context.new_page()
    second.goto(first.url)
    stage(second, "Title")
    second.get_by_role("textbox", name=re.compile("^Title")).fill("FROM THE SECOND TAB")
    saved(second)
    stage(first, "Title")
    first.get_by_role("textbox", name=re.compile("^Title")).fill("FROM THE FIRST TAB")
    expect(first.get_by_text("This sheet was changed in another tab")).to_be_visible()
    first.get_by_role("button", name="The one here").click()
    saved(first)
    second.reload()
    stage(second, "Title")
    expect(second.get_by_role("textbox", name=re.compile("^Title"))).to_have_value("FROM THE FIRST TAB")


def test_paper_and_keys_sheet(open_page: Open) -> None:
    page = _at_the_bench(open_page, "paul.nakagawa")
    stage(page, "Paper")
    page.get_by_label("Size", exact=True).first.click()
    page.get_by_role("option", name="A4").click()
    page.get_by_text("portrait", exact=True).click()
    expect(sheet(page)).to_have_attribute("data-paper", "210 297")
    page.get_by_role("button", name="Keys").click()
    expect(page.get_by_text("Keys at the bench")).to_be_visible()
    page.keyboard.press("Escape")
    stage(page, "Hand in")
    expect(page.get_by_role("button", name="Hand in", exact=True).last).to_be_disabled()


def test_a_drag_that_is_broken_off_leaves_everything_where_it_was(open_page: Open) -> None:
    page = _at_the_bench(open_page, "kemi.oduya")
    _with_front(page)
    stage(page, "Views")
    before = box_of(page, "v1")
    x, y = on_screen(page, ((before[0] + before[2]) / 2, (before[1] + before[3]) / 2))
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x + 80, y - 40, steps=4)
    expect(sheet(page).locator("[data-carried]")).not_to_have_count(0)
    # As when a hand touches the screen besides, or another window comes up.
    sheet(page).evaluate("svg => svg.dispatchEvent(new PointerEvent('pointercancel', { bubbles: true }))")
    page.mouse.up()
    assert box_of(page, "v1") == pytest.approx(before, abs=1e-6)


def test_dimension_follows_the_hand_and_keeps_its_feet(open_page: Open) -> None:
    page = _at_the_bench(open_page, "rosa.quispe")
    _with_front(page)
    stage(page, "Dimensions")
    left, bottom, right, _ = box_of(page, "v1")
    for point in ((left, bottom), (right, bottom), ((left + right) / 2, bottom - 14)):
        click(page, point)
    page.get_by_role("button", name="Choose").click()
    dimension = sheet(page).locator('[data-role="dimension"]')
    expect(dimension).to_have_count(1)
    saved(page)
    before = dimension.bounding_box()
    drag(page, ((left + right) / 2, bottom - 14), ((left + right) / 2, bottom - 34))
    saved(page)
    after = dimension.bounding_box()
    assert before is not None
    assert after is not None
    # The extension lines still begin at the view; only the far end has moved.
    assert after["y"] == pytest.approx(before["y"], abs=1)
    assert after["height"] > before["height"] + 20


def test_drawing_leaves_the_bench_as_pdf_and_svg(open_page: Open) -> None:
    page = _at_the_bench(open_page, "tor.brandvold")
    _with_front(page)
    stage(page, "Hand in")
    for kind, mark in (("PDF", b"%PDF-"), ("SVG", b"<svg")):
        # A browser without a viewer of its own keeps the file and leaves the new page empty.
        drawing = re.compile(rf"\.{kind.lower()}($|\?)")
        with page.context.expect_event("request", lambda asked, drawing=drawing: drawing.search(asked.url)) as opened:
            page.get_by_role("button", name=re.compile(kind)).click()
        answer = page.request.get(opened.value.url)
        assert mark in answer.body()[:500]


def test_helps_even_out_the_gaps_and_add_centre_lines(open_page: Open) -> None:
    page = open_page("paul.nakagawa")
    page.get_by_role("link", name=re.compile("Warp-beam bearing")).click()
    stage(page, "Lines")
    marks = sheet(page).locator('[data-role="mark"]')
    expect(marks.first).to_be_visible()
    all_marks = marks.count()
    marks.first.click(force=True)
    page.keyboard.press("Delete")
    expect(marks).to_have_count(all_marks - 1)
    page.get_by_role("button", name="Add the lacking centre lines").click()
    expect(marks).to_have_count(all_marks)
    stage(page, "Views")
    with page.expect_response(re.compile(r"/sheet/aid$")):
        page.get_by_role("button", name="Even out the gaps").click()
    # The answer may change nothing, so there is nothing else to wait for.
    page.wait_for_timeout(1500)
    even = box_of(page, "v1")[1]
    page.get_by_role("button", name="front", exact=True).first.click()
    page.get_by_role("button", name="front", exact=True).first.blur()
    page.keyboard.press("Shift+ArrowUp")
    _bottom_becomes(page, even + 10)
    page.get_by_role("button", name="Even out the gaps").click()
    _bottom_becomes(page, even)


def _bottom_becomes(page: Page, height: float) -> None:
    for _ in range(200):
        if abs(box_of(page, "v1")[1] - height) < 0.3:
            return
        page.wait_for_timeout(100)
    raise AssertionError(f"the front view stands at {box_of(page, 'v1')[1]}, not at {height}")
