"""Views put on the sheet: held in line where the exercise says so; the pictorial's corner and its shading."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.bench_actions import box_of, drag, look_at, on_screen, saved, sheet, stage
from tests.browser.conftest import Open

pytestmark = pytest.mark.browser


def _new_exercise(page: Page, title: str, lining_up: str) -> None:
    page.goto("/shelf")
    page.get_by_role("link", name=re.compile("Shuttle rest")).click()
    page.locator('a[href^="/exercises/new?part="]').click()
    page.get_by_label("Title").first.fill(title)
    page.get_by_role("button", name=re.compile("^Helps at the bench")).click()
    page.get_by_role("combobox", name="Views come into line").click()
    page.get_by_role("option", name=lining_up).click()
    page.get_by_role("switch", name="Shaded pictorial").check(force=True)
    page.get_by_role("combobox", name="Functional sizes").fill("forty")
    page.keyboard.press("Enter")
    expect(page.get_by_text("“forty” is no size")).to_be_visible()
    page.get_by_role("combobox", name="Functional sizes").fill("40")
    page.keyboard.press("Enter")
    expect(page.get_by_text("“forty” is no size")).to_have_count(0)
    page.get_by_role("button", name=re.compile("^Title block")).click()
    page.get_by_role("combobox", name="Filled in for the student").click(force=True)
    for field in ("drafter", "scale"):
        page.get_by_role("option", name=field, exact=True).click()
    page.keyboard.press("Escape")
    page.get_by_role("button", name="Set for the class").click()
    expect(page.get_by_text(title).first).to_be_visible()


def test_views_are_held_in_line_and_the_pictorial_is_shaded(open_page: Open) -> None:
    _new_exercise(open_page("ines.corvalho"), "Held rest", "by themselves")
    page = open_page("elio.marchetti")
    page.get_by_role("link", name=re.compile("Held rest")).click()
    expect(page.get_by_text("a shaded pictorial")).to_have_count(0)
    stage(page, "Title")
    expect(page.get_by_text("Filled in for you: drafter, scale.")).to_be_visible()
    expect(page.get_by_label("Drafter")).to_have_count(0)
    expect(sheet(page).locator("text", has_text="ELIO MARCHETTI")).to_be_attached()
    stage(page, "Front")
    look_at(page, "−Y side")
    page.get_by_role("button", name="Take as front view").click()
    saved(page)
    stage(page, "Views")
    expect(page.get_by_text("Views are held in line here")).to_be_visible()
    expect(page.get_by_role("switch", name="Snap to the front view")).to_have_count(0)
    look_at(page, "upper side")
    page.get_by_role("button", name="Add this view").click()
    expect(sheet(page).locator('[data-role="view"]')).to_have_count(2)
    front = box_of(page, "v1")
    middle = (front[0] + front[2]) / 2
    page.mouse.move(*on_screen(page, (middle + 45, front[3] + 50)))
    page.mouse.down()
    page.mouse.up()
    saved(page)
    top = box_of(page, "v2")
    assert (top[0], top[2]) == pytest.approx((front[0], front[2]), abs=0.1), "it came into line by itself"
    drag(page, ((top[0] + top[2]) / 2, (top[1] + top[3]) / 2), (middle - 60, top[3] + 20))
    saved(page)
    again = box_of(page, "v2")
    assert (again[0], again[2]) == pytest.approx((front[0], front[2]), abs=0.1)
    assert again[1] > top[1] + 5
    # Going aside alone is not possible by keys either.
    page.keyboard.press("Shift+ArrowRight")
    assert box_of(page, "v2")[0] == pytest.approx(front[0], abs=0.1)

    page.get_by_role("button", name="Add pictorial").click()
    expect(sheet(page).locator('[data-role="view"]')).to_have_count(3)
    page.mouse.move(*on_screen(page, (front[2] + 90, front[3] + 60)))
    page.mouse.down()
    page.mouse.up()
    pictorial = sheet(page).locator('[data-role="view"]').nth(2)
    expect(pictorial.locator("path[fill^='#']")).to_have_count(0)
    page.get_by_text("card tints").click()
    expect(pictorial.locator("path[fill^='#']").nth(2)).to_be_attached()
    tints = set(pictorial.locator("path[fill^='#']").evaluate_all("(all) => all.map((p) => p.getAttribute('fill'))"))
    page.get_by_text("its own colour").click()
    expect(pictorial.locator(f"path[fill='{min(tints)}']")).to_have_count(0)
    saved(page)
    page.reload()
    expect(pictorial.locator("path[fill^='#']").first).to_be_attached()
