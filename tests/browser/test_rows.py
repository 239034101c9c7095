"""Rows of sizes in one stroke; where the text of a size stands; counts that are offered."""

import re
from typing import Any

import pytest
from playwright.sync_api import Page, expect

from maqueta.sheet.document import SheetDocument
from maqueta.sheet.view import Square, View
from tests.browser.bench_actions import at_the_bench, box_of, click, drag, saved, sheet, stage
from tests.browser.conftest import Open

pytestmark = pytest.mark.browser


def _dimensioning(open_page: Open, login: str) -> Page:
    """A front view of the shuttle rest on the bench, whatever was there before, and the dimensions under way."""
    page = open_page(login)
    front = View(id="v1", look=Square(side="-y", up="+z"), at=(120.0, 120.0), scale=1.0)
    at_the_bench(page, "Shuttle rest A3", SheetDocument(views=(front,)))
    expect(sheet(page).locator('[data-role="view"]')).to_have_count(1)
    stage(page, "Dimensions")
    return page


def _tool(page: Page, name: str) -> None:
    page.get_by_role("group", name="Tools").get_by_role("button", name=name, exact=True).click()


def _sizes(page: Page, number: int) -> list[dict[str, Any]]:
    """The dimensions as they were kept, once there are so many."""
    expect(page.get_by_role("list", name="Dimensions on the sheet").get_by_role("listitem")).to_have_count(number)
    saved(page)
    path = f"/api/exercises/{page.url.split('/')[-2]}/sheet"
    kept: list[dict[str, Any]] = page.evaluate("async (path) => (await (await fetch(path)).json()).document", path)[
        "dimensions"
    ]
    return kept


def _stand(page: Page, heights: list[float]) -> None:
    """The dimensions are kept where they should be, mm from their view, at the latest when all is saved."""
    for _ in range(20):
        kept = [size["place"][1] for size in _sizes(page, len(heights))]
        if kept == pytest.approx(heights, abs=0.3):
            return
        page.wait_for_timeout(200)
    assert kept == pytest.approx(heights, abs=0.3)


def _corners(page: Page) -> tuple[list[float], float, float]:
    """Where upright lines of the front view stand, mm, its lower edge and its height."""
    left, bottom, right, top = box_of(page, "v1")
    xs: list[float] = sheet(page).evaluate(
        """(svg) => [...svg.querySelectorAll('[data-role="view"][data-id="v1"] polyline')]
            .map((line) => line.getAttribute("points").split(" ").map((p) => p.split(",").map(Number)))
            .filter(([a, b]) => Math.abs(a[0] - b[0]) < 1e-6)
            .map(([a]) => a[0])"""
    )
    apart = sorted({round(x, 3) for x in xs if left - 1 < x < right + 1})
    assert len(apart) > 2
    return apart, bottom, top - bottom


def test_a_chain_and_sizes_from_a_datum_are_set_down_in_one_stroke(open_page: Open) -> None:
    page = _dimensioning(open_page, "tor.brandvold")
    _tool(page, "Row")
    xs, bottom, height = _corners(page)
    first, second, last = xs[0], xs[1], xs[-1]
    for x in (last, first, second, first):
        click(page, (x, bottom + 0.4 * height if x == second else bottom))
    click(page, ((first + last) / 2, bottom - 14))
    chain = _sizes(page, 2)
    assert chain[0]["place"][1] == chain[1]["place"][1]
    spans = sorted(sorted((d["start"][0], d["end"][0])) for d in chain)
    assert spans[0][1] == pytest.approx(spans[1][0], abs=1e-6), "one begins where the other ends"

    page.keyboard.press("Control+z")
    assert _sizes(page, 0) == []
    page.get_by_role("radiogroup", name="Sizes of a row").get_by_text("All from the first").click()
    for x in (first, second, last):
        click(page, (x, bottom + 0.4 * height if x == second else bottom))
    click(page, ((first + last) / 2, bottom - 14))
    near, far = _sizes(page, 2)
    assert near["start"][0] == far["start"][0]
    assert abs(near["end"][0] - near["start"][0]) < abs(far["end"][0] - far["start"][0])
    assert far["place"][1] == pytest.approx(near["place"][1] - 8), "the longer one stands further out"

    # Moved by hand, they keep their order and their distance; alone only when that is wanted.
    _tool(page, "Choose")
    level = bottom + near["place"][1]
    drag(page, (first + 3, level), (first + 3, level - 5))
    moved = [near["place"][1] - 5, far["place"][1] - 5]
    _stand(page, moved)
    page.get_by_role("switch", name="Rows beside it move along").uncheck()
    drag(page, (first + 3, level - 5), (first + 3, level))
    _stand(page, [near["place"][1], moved[1]])


def test_a_row_by_keyboard_alone(open_page: Open) -> None:
    page = _dimensioning(open_page, "juan.sandoval")
    _tool(page, "Row")
    surface = page.get_by_test_id("tool-surface")
    surface.focus()
    page.keyboard.press("ArrowRight")
    for key in ("Enter", "ArrowRight", "Enter", "ArrowUp", "Enter", "Backspace"):
        page.keyboard.press(key)
    page.keyboard.press("Space")
    for _ in range(30):
        page.keyboard.press("ArrowDown")
    page.keyboard.press("Enter")
    (size,) = _sizes(page, 1)
    assert size["along"] in ("across", "up")


def test_text_is_slid_along_its_line_and_pulled_off_it(open_page: Open) -> None:
    page = _dimensioning(open_page, "kemi.oduya")
    xs, bottom, _ = _corners(page)
    click(page, (xs[0], bottom))
    click(page, (xs[-1], bottom))
    click(page, ((xs[0] + xs[-1]) / 2, bottom - 12))
    expect(page.get_by_role("listitem")).to_have_count(1)
    _tool(page, "Choose")
    page.get_by_role("listitem").get_by_role("button").first.click()
    handle = page.get_by_test_id("text-handle").locator("circle")
    expect(handle).to_be_visible()

    def pull(dx: float, dy: float) -> None:
        # The handle is taken where it stands once the sheet has been drawn again.
        saved(page)
        expect(sheet(page).locator("[data-carried]")).to_have_count(0)
        box = handle.bounding_box()
        assert box is not None
        x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
        page.mouse.move(x, y)
        page.mouse.down()
        page.mouse.move(x + dx / 2, y + dy / 2, steps=3)
        page.mouse.move(x + dx, y + dy, steps=3)
        page.mouse.up()

    pull(30, 0)
    (slid,) = _sizes(page, 1)
    assert slid["shift"] > 5
    assert slid["led"] is None
    pull(10, 70)
    (led,) = _sizes(page, 1)
    assert led["led"] is not None
    assert led["shift"] == 0
    page.get_by_role("combobox", name="Text", exact=True).click()
    page.get_by_role("option", name="on its line").click()
    page.get_by_role("combobox", name="Arrowheads").click()
    page.get_by_role("option", name="outside").click()
    page.get_by_role("combobox", name="Decimals").click()
    page.get_by_role("option", name="2", exact=True).click()
    (back,) = _sizes(page, 1)
    assert (back["led"], back["shift"], back["arrows"], back["decimals"]) == (None, 0, "outside", 2)
    expect(page.get_by_role("listitem").get_by_role("button").first).to_contain_text(re.compile(r"^\d+\.\d\d · front"))
