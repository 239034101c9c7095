"""Drafting by hand at the bench: a third view carried across, wrong lines put right, kinds of exercises set."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.bench_actions import box_of, click, drag, look_at, on_screen, saved, set_exercise, sheet, stage
from tests.browser.conftest import Open

pytestmark = pytest.mark.browser


def _tool(page: Page, name: str) -> None:
    page.get_by_label("Drafting").get_by_role("button", name=name, exact=True).click()


def _at(page: Page, *points: tuple[float, float]) -> None:
    """Set the pen to points one after the other, each once the sheet has taken in the one before."""
    for point in points:
        click(page, point)
    saved(page)


def _lines(page: Page, view: str) -> int:
    """How many lines a drafted view shows."""
    return sheet(page).locator(f'[data-role="view"][data-id="{view}"] > *').count()


def _open(page: Page, title: str) -> None:
    page.get_by_role("link", name=re.compile(title)).click()
    sheet(page).wait_for()


def _hand_in(page: Page) -> str:
    stage(page, "Hand in")
    page.get_by_role("button", name="Hand in", exact=True).last.click()
    page.get_by_role("dialog").get_by_role("button", name=re.compile("Hand in")).click()
    page.wait_for_url(re.compile(r"/sheets/\d+$"))
    return page.url.rsplit("/", 1)[1]


def test_third_view_by_thrown_lines_and_given_sizes(open_page: Open) -> None:
    page = open_page("nela.havlik")
    _open(page, "Batten stop, the third view")
    # The part is known from its views alone.
    expect(page.get_by_label("Batten stop, card model")).to_have_count(0)
    left, bottom, right, top = box_of(page, "v1")
    _tool(page, "Throw across")
    for height in (bottom, top):
        _at(page, (left, height), (left + 60, height))
    construction = sheet(page).locator('[data-role="construction"] > *')
    expect(construction).to_have_count(2)
    _tool(page, "Rectangle")
    start = round((right + 50) / 5) * 5
    # The grid gives the first corner across; the thrown lines are met by an upright one.
    _tool(page, "Throw across")
    _at(page, (start, round(top / 5) * 5 + 20), (start, top - 25))
    expect(construction).to_have_count(3)
    _tool(page, "Line")
    page.get_by_label("Size, mm").fill("40")
    _at(page, (start, bottom), (start + 20, bottom))
    # What the next click snaps to has to be there first.
    strokes = sheet(page).locator('[data-role="view"][data-id="v3"] > polyline')
    expect(strokes).to_have_count(1)
    page.keyboard.press("Escape")
    page.get_by_label("Size, mm").fill("")
    _tool(page, "Rectangle")
    _at(page, (start + 40, bottom), (start, top))
    expect(strokes).to_have_count(5)
    _tool(page, "Parallel")
    page.get_by_label("Size, mm").fill("15")
    _at(page, (start + 20, bottom), (start + 20, bottom + 12))
    expect(sheet(page).locator('[data-role="view"][data-id="v3"] > polyline')).to_have_count(6)
    page.get_by_label("Size, mm").fill("")
    number = _hand_in(page)

    teacher = open_page("ines.corvalho", at=f"/sheets/{number}")
    slip = teacher.get_by_label("Slip")
    expect(slip.get_by_text("2 hidden lines, 30 mm in all, are missing in the right view.")).to_be_visible()
    for words in ("visible line", "no edge of the part", "should be", "must be in line"):
        expect(slip.get_by_text(re.compile(words))).to_have_count(0)


def test_wrong_lines_are_erased_redrawn_and_undone(open_page: Open) -> None:
    page = open_page("nela.havlik")
    _open(page, "Lease-stick holder, wrong lines")
    before = {view: _lines(page, view) for view in ("v1", "v2", "v3")}
    left, bottom, right, top = box_of(page, "v1")
    _tool(page, "Erase")
    click(page, (left + 1, bottom))
    expect(sheet(page).locator('[data-role="view"][data-id="v1"] > *')).to_have_count(before["v1"] - 1)
    page.keyboard.press("Control+z")
    expect(sheet(page).locator('[data-role="view"][data-id="v1"] > *')).to_have_count(before["v1"])
    # Where there is no line nothing happens, and the bench says why.
    click(page, ((left + right) / 2, top + 30))
    expect(page.get_by_role("alert").filter(has_text="no drafted line")).to_be_visible()
    # Given views stay where they are.
    page.get_by_role("button", name="Choose").click()
    drag(page, ((left + right) / 2, (bottom + top) / 2), ((left + right) / 2 + 30, top + 20))
    page.keyboard.press("Delete")
    assert box_of(page, "v1") == pytest.approx((left, bottom, right, top), abs=0.05)


def test_depth_is_carried_by_the_45_degree_line_and_by_measure(open_page: Open) -> None:
    page = open_page("sara.lindqvist")
    _open(page, "Batten stop, the third view")
    thin = sheet(page).locator('[data-role="construction"] > *')
    _, bottom, right, top = box_of(page, "v2")
    corner = (round((right + 40) / 5) * 5, round((bottom - 20) / 5) * 5)
    _tool(page, "45° line")
    _at(page, corner)
    expect(thin).to_have_count(1)
    _tool(page, "Carry a size")
    front = box_of(page, "v1")
    # The depth of the top view, set off to the right from a point level with the front view.
    start = (round((front[2] + 50) / 5) * 5, round(front[1] / 5) * 5)
    _at(page, (right, bottom), (right, top), start, (start[0] + 10, start[1]))
    expect(thin).to_have_count(2)
    points = thin.last.get_attribute("points") or ""
    assert {round(float(pair.split(",")[0])) for pair in points.split()} == {round(start[0] + top - bottom)}
    # The view that is left to draft stays on the sheet.
    page.get_by_role("button", name="Choose").click()
    page.keyboard.press("Delete")
    _tool(page, "Throw across")
    _at(page, (right, top), (right + 30, top))
    expect(thin).to_have_count(3)


def test_trim_and_extend_on_the_sheet(open_page: Open) -> None:
    page = open_page("sara.lindqvist")
    _open(page, "Lease-stick holder, wrong lines")
    view = sheet(page).locator('[data-role="view"][data-id="v1"] > *')
    count = view.count()
    left, bottom, right, top = box_of(page, "v1")
    _tool(page, "Line")
    x, y = round((left + right) / 2 / 5) * 5, round((top + 15) / 5) * 5
    _at(page, (x, y), (x, bottom - 10))
    page.keyboard.press("Escape")
    expect(view).to_have_count(count + 1)
    _tool(page, "Trim")
    click(page, (x, top + 8))
    # What stood above the view is gone, the rest is still there.
    for _ in range(100):
        if box_of(page, "v1")[3] < top + 0.3:
            break
        page.wait_for_timeout(100)
    assert box_of(page, "v1")[3] == pytest.approx(top, abs=0.3)
    _tool(page, "Erase")
    click(page, (x, bottom - 8))
    expect(view).to_have_count(count)


def test_drafting_by_keyboard(open_page: Open) -> None:
    page = open_page("maya.okonedo")
    _open(page, "Tie-up bar, drafted by hand")
    stage(page, "Front")
    look_at(page, "−Y side")
    page.get_by_role("button", name="Take as front view").click()
    expect(page.get_by_text("draw them under Lines")).to_be_visible()
    stage(page, "Lines")
    _tool(page, "Line")
    surface = page.get_by_test_id("draft-surface")
    surface.focus()
    for key in ("ArrowRight", "Enter", *["ArrowRight"] * 4, "Enter", *["ArrowUp"] * 3, "Enter"):
        page.keyboard.press(key)
    lines = sheet(page).locator('[data-role="view"][data-id="v1"] > polyline')
    expect(lines).to_have_count(2)
    # A given size holds for the keyboard too: one step of the arrow only says which way.
    page.keyboard.press("Escape")
    page.get_by_label("Size, mm").fill("25")
    surface.focus()
    for key in ("Enter", "ArrowLeft", "Enter"):
        page.keyboard.press(key)
    expect(lines).to_have_count(3)
    ends = [float(pair.split(",")[0]) for pair in (lines.last.get_attribute("points") or "").split()]
    assert abs(ends[1] - ends[0]) == pytest.approx(25, abs=1e-3)
    saved(page)
    page.reload()
    stage(page, "Lines")
    expect(lines).to_have_count(3)
    stage(page, "Front")
    expect(page.get_by_role("button", name="Keep to compare")).to_have_count(0)


def test_an_instructor_sets_wrong_lines_in_a_few_clicks(open_page: Open) -> None:
    page = open_page("ines.corvalho", at="/exercises/new?part=3")
    page.get_by_label("What is asked of the lines").first.click()
    page.get_by_role("option", name="Find the wrong lines").click()
    page.get_by_role("button", name="Choose some for me").click()
    expect(page.get_by_text("4 lines changed.")).to_be_visible()
    page.get_by_label("Starting sheet").get_by_role("button", pressed=True).first.focus()
    page.keyboard.press("Enter")
    expect(page.get_by_text("3 lines changed.")).to_be_visible()
    page.get_by_role("textbox", name="Title").fill("Spot the faults")
    page.get_by_role("button", name="Set for the class").click()
    page.wait_for_url(re.compile("/wall$"))
    student = open_page("juan.sandoval")
    _open(student, "Spot the faults")
    assert on_screen(student, (10, 10))
    expect(student.get_by_text("Put them right")).to_be_visible()
    _hand_in(student)


def test_white_space_and_proposed_scale(open_page: Open) -> None:
    page = open_page("maya.okonedo")
    _open(page, "Breast-beam spacer, your own sizes")
    stage(page, "Front")
    look_at(page, "−Y side")
    page.get_by_role("button", name="Take as front view").click()
    stage(page, "Views")
    # By its key: a stage that is still being set out moves under the pointer.
    page.get_by_label("Measure the white space").press("Space")
    expect(page.get_by_label("Measure the white space")).to_be_checked()
    expect(sheet(page).get_by_test_id("white-space").locator("text")).to_have_count(4)
    left, _, right, _ = box_of(page, "v1")
    page.get_by_role("button", name="Take the proposed scale").click()
    expect(page.get_by_text("the largest recommended scale that leaves room for dimensions")).to_be_visible()
    wide = box_of(page, "v1")
    assert wide[2] - wide[0] > right - left


def test_a_section_is_drawn_and_hatched_with_the_pen(open_page: Open) -> None:
    """All but the section is given; islands stay bare, what is not closed is told, a distance is set off aslant."""
    task = {
        "drafting": {"kind": "special view"},
        "special": [{"kind": "section"}],
        "dimensioning": {"required": False},
        "pictorial": "unwanted",
    }
    set_exercise(open_page("ines.corvalho"), "Ribbed bearing", "Bearing, section left", task)
    page = open_page("elio.marchetti")
    _open(page, "Bearing, section left")
    expect(page.get_by_text("The other views are given. Draw by hand: section A–A.")).to_be_visible()
    section = sheet(page).locator('[data-role="view"][data-id="s1"]')
    _tool(page, "Rectangle")
    _at(page, (60, 40), (130, 60))
    expect(section.locator("> polyline")).to_have_count(4)
    _tool(page, "Circle")
    _at(page, (95, 50), (100, 50))
    expect(section.locator("> circle")).to_have_count(1)
    _tool(page, "Hatch")
    click(page, (150, 20))
    expect(page.get_by_role("alert")).to_contain_text("No region is closed about this point")
    bare = section.locator("> *").count()
    click(page, (70, 50))
    expect(section.locator("> *")).not_to_have_count(bare)
    saved(page)
    hatched = page.evaluate(
        """async () => {
            const number = location.pathname.split("/")[2];
            const { document } = await (await fetch(`/api/exercises/${number}/sheet`)).json();
            return document.views.find((view) => view.id === "s1").hatched.map(({ rings }) => rings.length);
        }"""
    )
    assert hatched == [2], "the circle is left out"
    page.keyboard.press("Control+z")
    construction = sheet(page).locator('[data-role="construction"] > *')
    _tool(page, "Line")
    _at(page, (150, 45), (180, 85))
    page.keyboard.press("Escape")
    expect(section.locator("> polyline")).to_have_count(5)
    _tool(page, "Square to a line")
    _at(page, (159, 57), (95, 50))
    expect(construction).to_have_count(1)
    _tool(page, "Set off")
    _at(page, (60, 40), (60, 60), (159, 57), (190, 50))
    expect(construction).to_have_count(2)
