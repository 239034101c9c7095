"""Looking over before handing in: each view once from near, hidden lines on and off, rows evened, nothing empty."""

import pytest
from playwright.sync_api import expect

from maqueta.demo.workshop import EXERCISES
from maqueta.making.model_sheet import Drafter, model_sheet
from tests.browser.bench_actions import at_the_bench, saved, sheet, stage
from tests.browser.conftest import Open
from tests.parts import demo_projected

pytestmark = pytest.mark.browser


def test_each_view_is_looked_at_once_more(open_page: Open) -> None:
    demo = next(known for known in EXERCISES if known.part == "shuttle-rest")
    whole = model_sheet(demo_projected("shuttle-rest"), demo.task, Drafter("M", "E", "2026-11-20"))
    bare = whole.model_copy(update={"title": whole.title.model_copy(update={"fields": {}})})
    page = open_page("maya.okonedo")
    at_the_bench(page, "Shuttle rest A3", bare)
    expect(sheet(page).locator('[data-role="view"]')).to_have_count(len(whole.views))
    stage(page, "Looking over")
    panel = page.get_by_label("Looking over", exact=True)
    expect(panel.get_by_role("status").first).to_contain_text("Still to look at: front, top, right")
    expect(panel.get_by_label("Empty fields")).to_contain_text("title is empty")
    before = sheet(page).get_attribute("viewBox")
    panel.get_by_role("button", name="Look at the first view").click()
    expect(panel.get_by_role("status").first).to_contain_text("front, 1 of")
    assert sheet(page).get_attribute("viewBox") != before, "it is shown from near"
    hidden = panel.get_by_role("switch", name="Hidden lines")
    expect(hidden).to_be_checked()
    hidden.uncheck(force=True)
    saved(page)
    expect(hidden).not_to_be_checked()
    page.get_by_role("button", name="Undo").click()
    expect(hidden).to_be_checked()
    for _ in whole.views[1:]:
        panel.get_by_role("button", name="Next view").click()
    panel.get_by_role("button", name="Whole sheet").click()
    expect(panel.get_by_role("status").first).to_contain_text("Every view was looked at.")
    expect(sheet(page)).to_have_attribute("viewBox", before or "")
    panel.get_by_role("button", name="Even out the rows").click()
    saved(page)


def test_a_sheet_is_checked_as_often_as_the_exercise_allows(open_page: Open) -> None:
    demo = next(known for known in EXERCISES if known.part == "shuttle-rest")
    whole = model_sheet(demo_projected("shuttle-rest"), demo.task, Drafter("N", "E", "2026-11-20"))
    front = next(view.id for view in whole.views if view.id == whole.front)
    less = tuple(d for d in whole.dimensions if d.view != front)
    page = open_page("nela.havlik")
    at_the_bench(page, "Shuttle rest A3", whole.model_copy(update={"dimensions": less}))
    expect(sheet(page).locator('[data-role="view"]')).to_have_count(len(whole.views))
    stage(page, "Looking over")
    check = page.get_by_role("region", name="Check")
    expect(check).to_contain_text("2 checks are left")
    check.get_by_role("button", name="Check the sheet").click()
    expect(check.get_by_role("status")).to_contain_text("is not given")
    expect(check).to_contain_text("1 check is left")
    page.reload()
    expect(sheet(page)).to_be_visible()
    stage(page, "Looking over")
    check.get_by_role("button", name="Check the sheet").click()
    expect(check).to_contain_text("0 checks are left")
    expect(check.get_by_role("button", name="Check the sheet")).to_be_disabled()
