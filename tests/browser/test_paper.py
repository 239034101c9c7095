"""The paper under the hand: nearer about the pointer, pushed, whole again, and as large as it really is."""

import io
import re

import numpy as np
import pytest
from PIL import Image
from playwright.sync_api import Locator, Page, expect

from maqueta.drawing.lettering import font_size, text_width
from tests.browser.bench_actions import on_screen, sheet, stage
from tests.browser.conftest import Open

#: Somebody has held a ruler to this screen.
PX_PER_MM = 5.0
#: What of the paper lies under a point of the screen, once what was done last is shown.
UNDER = """async (svg, at) => {
    await new Promise((shown) => requestAnimationFrame(() => requestAnimationFrame(shown)));
    const found = new DOMPoint(...at).matrixTransform(svg.getScreenCTM().inverse());
    return [found.x, found.y];
}"""


def bench(open_page: Open, **how: object) -> Page:
    page = open_page("dina.farouk", **how, at="/exercises/4/bench")
    expect(sheet(page)).to_be_visible()
    return page


def nearness(page: Page) -> float:
    return float(sheet(page).evaluate("svg => svg.getScreenCTM().a"))


def controls(page: Page) -> Locator:
    return page.get_by_role("group", name="How near the sheet is")


def test_what_lies_under_the_pointer_stays_there(open_page: Open) -> None:
    page = bench(open_page)
    whole = nearness(page)
    # Browsers tell of a wheel in whole pixels.
    at = tuple(map(round, on_screen(page, (120, 90))))
    page.mouse.move(*at)
    under = sheet(page).evaluate(UNDER, at)
    for _ in range(4):
        page.mouse.wheel(0, -120)
    expect(page.get_by_test_id("paper-map")).to_be_visible()
    assert nearness(page) > 2 * whole
    assert sheet(page).evaluate(UNDER, at) == pytest.approx(under, abs=1e-3)
    page.keyboard.press("-")
    assert sheet(page).evaluate(UNDER, at) == pytest.approx(under, abs=1e-3)
    page.keyboard.press("w")
    expect(page.get_by_test_id("paper-map")).to_have_count(0)
    assert nearness(page) == pytest.approx(whole)


def test_lettering_is_as_wide_on_a_screen_as_it_is_measured(open_page: Open) -> None:
    """Widths of small letters were rounded, and titles ran over their cells."""
    page = bench(open_page)
    page.evaluate("document.fonts.ready")
    lettered = sheet(page).evaluate(
        """svg => [...svg.querySelectorAll("text")].map(
            (own) => [own.textContent, Number(own.getAttribute("font-size")), own.getComputedTextLength()])"""
    )
    assert {"TITLE", "MATERIAL", "SHEET"} <= {text for text, _, _ in lettered}
    for text, size, wide in lettered:
        assert wide == pytest.approx(text_width(text, size / font_size(1.0)), rel=0.01), text


def test_paper_is_pushed_by_the_middle_button_by_space_by_keys_and_on_the_map(open_page: Open) -> None:
    page = bench(open_page)
    controls(page).get_by_role("button", name="Nearer").click(click_count=4, delay=20)
    before = on_screen(page, (200, 150))

    def pushed(button: str) -> tuple[float, float]:
        x, y = on_screen(page, (200, 150))
        page.mouse.move(600, 400)
        page.mouse.down(button=button)  # type: ignore[arg-type]
        page.mouse.move(560, 430, steps=3)
        page.mouse.up(button=button)  # type: ignore[arg-type]
        now = on_screen(page, (200, 150))
        return now[0] - x, now[1] - y

    assert pushed("middle") == pytest.approx((-40, 30), abs=0.5)
    page.keyboard.down(" ")
    assert pushed("left") == pytest.approx((-40, 30), abs=0.5)
    page.keyboard.up(" ")
    page.keyboard.press("Control+ArrowRight")
    assert on_screen(page, (200, 150))[0] == pytest.approx(before[0] - 140, abs=0.5)
    chart = page.get_by_test_id("paper-map").bounding_box()
    assert chart is not None
    page.mouse.click(chart["x"] + chart["width"] / 2, chart["y"] + chart["height"] / 2)
    stage_box = sheet(page).bounding_box()
    assert stage_box is not None
    middle = (stage_box["x"] + stage_box["width"] / 2, stage_box["y"] + stage_box["height"] / 2)
    assert on_screen(page, (210, 148.5)) == pytest.approx(middle, abs=3)


def test_true_size_is_measured_on_the_screen(open_page: Open) -> None:
    """The frame's own lines, drawn at known places of the paper, are found in a picture of the screen."""
    page = bench(open_page)
    controls(page).get_by_role("button", name="Hold a ruler").click()
    dialog = page.get_by_role("dialog")
    field = dialog.get_by_label("Length on the ruler")
    field.fill("7")
    expect(dialog).to_contain_text("Between 24 and 250 mm")
    expect(dialog.get_by_role("button", name="Keep for this screen")).to_be_disabled()
    # A line of 100 mm in the browser's own counting, 96 px to the inch.
    field.fill(f"{100 * 96 / 25.4 / PX_PER_MM:.1f}")
    dialog.get_by_role("button", name="Keep for this screen").click()
    expect(dialog).to_have_count(0)
    expect(controls(page)).to_contain_text("100 %")
    page.reload()
    expect(sheet(page)).to_be_visible()
    page.mouse.move(*on_screen(page, (21, 150)))
    page.keyboard.press("t")
    expect(controls(page)).to_contain_text("100 %")
    x, y = on_screen(page, (0, 150))
    picture = Image.open(io.BytesIO(page.screenshot(clip={"x": x + 20, "y": y, "width": 130, "height": 4})))
    dark = np.nonzero(np.asarray(picture.convert("L")).mean(axis=0) < 128)[0]
    # The frame of ISO 5457 begins 20 mm from the filing edge; its line is 0.7 mm wide.
    assert (dark.min() + dark.max() + 1) / 2 + 20 == pytest.approx(20 * PX_PER_MM, abs=1)
    assert dark.max() + 1 - dark.min() == pytest.approx(0.7 * PX_PER_MM, abs=1)


def test_a_thing_is_taken_hold_of_more_finely_from_near(open_page: Open) -> None:
    """From near, a pointer two millimetres off a line does not take it."""
    page = open_page("ines.corvalho", at="/exercises/1/bench")
    expect(sheet(page)).to_be_visible()
    stage(page, "Dimensions")
    page.keyboard.press("Escape")
    reach = sheet(page).locator('[data-role="dimension"] g[stroke="transparent"]').first
    far = float(reach.evaluate("g => parseFloat(getComputedStyle(g).strokeWidth)"))
    for _ in range(6):
        page.keyboard.press("+")
    near = float(reach.evaluate("g => parseFloat(getComputedStyle(g).strokeWidth)"))
    assert near < 0.5 * far


def test_at_the_table_a_drag_pushes_the_paper_and_a_click_still_chooses(open_page: Open) -> None:
    page = open_page("ines.corvalho", at="/exercises/1/wall")
    page.get_by_role("link", name="Go to the table").click()
    paper = page.get_by_role("img", name=re.compile("^Sheet of"))
    expect(paper).to_be_visible()
    page.keyboard.press("v")
    expect(page.get_by_test_id("paper-map")).to_be_visible()
    box = paper.evaluate("svg => svg.viewBox.baseVal.x")
    page.mouse.move(620, 420)
    page.mouse.down()
    page.mouse.move(560, 420, steps=3)
    page.mouse.up()
    assert paper.evaluate("svg => svg.viewBox.baseVal.x") > box
    page.keyboard.press("w")
    expect(page.get_by_test_id("paper-map")).to_have_count(0)


def test_two_fingers_bring_it_nearer(open_page: Open) -> None:
    page = bench(open_page, touch=True)
    whole = nearness(page)
    client = page.context.new_cdp_session(page)

    def touch(kind: str, *points: tuple[float, float]) -> None:
        fingers = [{"x": x, "y": y, "id": k} for k, (x, y) in enumerate(points)]
        client.send("Input.dispatchTouchEvent", {"type": kind, "touchPoints": fingers})

    touch("touchStart", (550, 400), (650, 400))
    for k in range(1, 6):
        touch("touchMove", (550 - 10 * k, 400), (650 + 10 * k, 400))
    touch("touchEnd")
    assert nearness(page) == pytest.approx(2 * whole, rel=0.05)


def test_two_fingers_bring_the_paper_nearer_and_push_it(open_page: Open) -> None:
    page = bench(open_page, touch=True)
    whole = nearness(page)
    hand = page.context.new_cdp_session(page)
    x, y = on_screen(page, (200, 150))

    def touch(kind: str, *points: tuple[float, float]) -> None:
        hand.send("Input.dispatchTouchEvent", {"type": kind, "touchPoints": [{"x": a, "y": b} for a, b in points]})

    under = sheet(page).evaluate(UNDER, (x, y))
    touch("touchStart", (x - 40, y), (x + 40, y))
    for spread in range(50, 130, 10):
        touch("touchMove", (x - spread, y), (x + spread, y))
    assert nearness(page) > 2 * whole
    assert sheet(page).evaluate(UNDER, (x, y)) == pytest.approx(under, abs=1.0)
    for down in range(10, 60, 10):
        touch("touchMove", (x - 120, y + down), (x + 120, y + down))
    assert sheet(page).evaluate(UNDER, (x, y + 50)) == pytest.approx(under, abs=1.5)
    touch("touchEnd")
    # Nothing was taken hold of or set down meanwhile.
    expect(page.get_by_role("button", name="Undo")).to_be_disabled()
