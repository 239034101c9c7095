"""An assembly's parts at the bench: pulled along their axes, named by balloons, listed; by mouse and by keys."""

from playwright.sync_api import Page, expect

from tests.browser.bench_actions import box_of, click, drag, saved, set_exercise, sheet
from tests.browser.conftest import Open

TASK = {"shows": "pulled apart", "title_fields": [], "course": "practice"}


def opened(open_page: Open, title: str, student: str) -> Page:
    set_exercise(open_page("ines.corvalho"), "Shuttle with wheels", title, TASK)
    page = open_page(student)
    page.get_by_role("link", name=title).click()
    expect(sheet(page).locator("[data-role=view]")).to_have_count(7)
    return page


def middle(page: Page, view: str) -> tuple[float, float]:
    left, bottom, right, top = box_of(page, view)
    return ((left + right) / 2, (bottom + top) / 2)


def test_a_part_is_pulled_along_an_axis_and_is_there_after_a_reload(open_page: Open) -> None:
    """The near left wheel, chosen by its name, since the body lies over it; dragged beside the axis it comes out on."""
    page = opened(open_page, "Shuttle apart", "maya.okonedo")
    page.get_by_role("button", name="Shuttle wheel", exact=True).first.click()
    start = middle(page, "v3")
    drag(page, start, (start[0] - 40, start[1] - 15))
    saved(page)
    moved = middle(page, "v3")
    dx, dy = moved[0] - start[0], moved[1] - start[1]
    assert -48 < dx < -32
    # Axes of an equal-axis view are seen at 30° (ISO 5456-3).
    assert abs(dy / dx - 0.57735) < 0.02
    page.reload()
    expect(sheet(page).locator("[data-role=view]")).to_have_count(7)
    again = middle(page, "v3")
    assert abs(again[0] - moved[0]) + abs(again[1] - moved[1]) < 0.1
    page.get_by_role("button", name="Put Shuttle wheel back").first.click()
    saved(page)
    back = middle(page, "v3")
    assert abs(back[0] - start[0]) + abs(back[1] - start[1]) < 0.1


def test_balloons_and_list_are_made_and_told_what_is_wrong_with_them(open_page: Open) -> None:
    page = opened(open_page, "Shuttle named", "dina.farouk")
    page.get_by_role("button", name="Balloon", exact=True).click()
    left, bottom, right, top = box_of(page, "v1")
    surface = page.get_by_test_id("tool-surface")
    surface.press("ArrowRight")
    surface.press("Enter")
    for _ in range(12):
        surface.press("ArrowUp")
    surface.press("Enter")
    number = page.get_by_label("Number of balloon 1")
    expect(number).to_have_value("1")
    expect(sheet(page).locator("[data-role=balloon]")).to_have_count(1)
    number.fill("4")
    page.get_by_role("button", name="Add a row").click()
    row = page.get_by_role("group", name="Row 1")
    row.get_by_label("Name").fill("Shuttle body")
    row.get_by_label("Qty").fill("2")
    saved(page)
    expect(sheet(page).locator("[data-role=parts-list]")).to_contain_text("Shuttle body")
    page.get_by_role("button", name="Move", exact=True).click()
    click(page, (left - 30, bottom - 30))
    page.get_by_role("button", name="Take balloon 1 away").click()
    expect(sheet(page).locator("[data-role=balloon]")).to_have_count(0)
    page.get_by_role("button", name="Undo").click()
    expect(sheet(page).locator("[data-role=balloon]")).to_have_count(1)
    page.get_by_label("Stages").get_by_role("button", name="Looking over").click()
    page.get_by_role("button", name="Check the sheet").click()
    told = page.get_by_role("complementary")
    expect(told).to_contain_text("The parts list says 2 of Shuttle body; the assembly has 1.")
    expect(told).to_contain_text("Shuttle wheel is not in the parts list.")
    assert right > left
    assert top > bottom
