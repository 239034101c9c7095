"""WCAG 2.2 AA on every main view, light and dark, as far as axe (a general-purpose library) can tell."""

import re
from collections.abc import Callable
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from tests.browser.bench_actions import sheet, stage
from tests.browser.conftest import Open

pytestmark = pytest.mark.browser
AXE = Path(__file__).parents[2] / "frontend" / "node_modules" / "axe-core" / "axe.min.js"
RUN = "(rules) => axe.run(document, { runOnly: rules, resultTypes: ['violations'] })"
LEVELS = ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"]
#: What may differ where only colours do.
BY_COLOUR = ["color-contrast", "link-in-text-block"]


def _faults(page: Page, rules: list[str]) -> list[str]:
    """What axe finds: rule and the elements it concerns."""
    found = page.evaluate(RUN, rules)
    return [f"{fault['id']}: {node['html'][:160]}" for fault in found["violations"] for node in fault["nodes"]]


def _headed(page: Page) -> None:
    expect(page.get_by_role("heading", level=1)).to_be_visible()


def _settled(page: Page) -> None:
    _headed(page)
    page.wait_for_load_state("networkidle")


def _shelf(page: Page) -> None:
    expect(page.get_by_role("link", name=re.compile("Pedal hinge"))).to_be_visible()


def _part(page: Page) -> None:
    _shelf(page)
    page.get_by_role("link", name=re.compile("Pedal hinge")).click()
    expect(page.get_by_label("Six sides").get_by_role("img").nth(5)).to_be_visible()


def _builder(page: Page) -> None:
    expect(page.get_by_role("img", name="New part, equal-axis view")).to_be_visible()


def _new_exercise(page: Page) -> None:
    _part(page)
    page.locator('a[href^="/exercises/new?part="]').click()
    expect(page.get_by_label("Accepted front views").locator("button[aria-pressed]").first).to_be_visible()


def _wall(page: Page) -> None:
    expect(page.locator('a[href^="/sheets/"]').first).to_be_visible()
    page.wait_for_load_state("networkidle")


def _table(page: Page) -> None:
    _wall(page)
    page.locator('a[href^="/sheets/"]').first.click()
    expect(page.get_by_role("button", name=re.compile("^Uphold|^Upheld")).first).to_be_visible()


def _model_answer(page: Page) -> None:
    expect(sheet(page)).to_be_visible()


def _scheme(page: Page) -> None:
    expect(page.get_by_text("No mark changes.")).to_be_visible()


def _change(page: Page) -> None:
    expect(page.get_by_role("heading", name="Change the exercise")).to_be_visible()
    page.wait_for_load_state("networkidle")


def _reasons(page: Page) -> None:
    expect(page.get_by_role("img", name="Wrong")).to_be_visible()


def _forms(page: Page) -> None:
    expect(page.get_by_role("article", name="Loom house, A3")).to_be_visible()


def _form_editor(page: Page) -> None:
    _forms(page)
    page.get_by_role("link", name="Loom house, A3").click()
    expect(page.get_by_test_id("form-sheet")).to_be_visible()
    page.get_by_role("button", name="title ✓").click()
    page.wait_for_load_state("networkidle")


def _bench(page: Page) -> None:
    page.get_by_role("link", name=re.compile("Shuttle rest A3")).click()
    expect(sheet(page)).to_be_visible()


def _slip(page: Page) -> None:
    page.get_by_role("link", name=re.compile("Reed clamp")).click()
    expect(page.get_by_test_id("total")).to_be_visible()


STAGES = ("Paper", "Front", "Views", "Lines", "Dimensions", "Title", "Looking over", "Hand in")
#: Who opens what, and what has to be there before it is looked at.
VIEWS: dict[str, tuple[str | None, str, Callable[[Page], None]]] = {
    "log-in": (None, "/", lambda page: expect(page.get_by_role("button", name="Log in", exact=True)).to_be_visible()),
    "exercises of a class": ("ines.corvalho", "/", _headed),
    "sheet forms": ("ines.corvalho", "/sheet-forms", _forms),
    "form editor": ("ines.corvalho", "/sheet-forms", _form_editor),
    "own exercises": ("lena.achterberg", "/", _headed),
    "shelf": ("ines.corvalho", "/shelf", _shelf),
    "part": ("ines.corvalho", "/shelf", _part),
    "builder": ("ines.corvalho", "/shelf/new", _builder),
    "new exercise": ("ines.corvalho", "/shelf", _new_exercise),
    "classes": ("ines.corvalho", "/classes", _settled),
    "what was learned": ("ines.corvalho", "/classes/1/learned", _headed),
    "how it is marked": ("ines.corvalho", "/exercises/1/marking", _scheme),
    "an exercise changed": ("ines.corvalho", "/exercises/2/edit", _change),
    "reasons": ("dina.farouk", "/rules/lines.missing-hidden", _reasons),
    "wall": ("ines.corvalho", "/exercises/1/wall", _wall),
    "table": ("ines.corvalho", "/exercises/1/wall", _table),
    "model answer": ("ines.corvalho", "/exercises/1/bench", _model_answer),
    "slip": ("lena.achterberg", "/", _slip),
    "people": ("otto.brandt", "/", _settled),
    "what was done": ("otto.brandt", "/deeds", _settled),
}


def _looked_at(page: Page) -> dict[str, list[str]]:
    """What is found by light, and what by dark where colours tell."""
    page.evaluate(AXE.read_text("utf-8"))
    light = _faults(page, LEVELS)
    page.emulate_media(color_scheme="dark")
    expect(page.locator("html")).to_have_attribute("data-mantine-color-scheme", "dark")
    dark = _faults(page, BY_COLOUR)
    page.emulate_media(color_scheme="light")
    return {"light": light, "dark": dark}


@pytest.mark.parametrize("view", VIEWS)
def test_axe_finds_nothing(open_page: Open, view: str) -> None:
    login, at, there = VIEWS[view]
    page = open_page(login, at=at)
    there(page)
    assert _looked_at(page) == {"light": [], "dark": []}


def test_axe_finds_nothing_at_any_stage_of_the_bench(open_page: Open) -> None:
    page = open_page("dina.farouk")
    _bench(page)
    for name in STAGES:
        stage(page, name)
        assert _looked_at(page) == {"light": [], "dark": []}, name
