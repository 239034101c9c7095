"""Pointing at the model, dragging and touching in the builder; printing and stopping on the shelf."""

import re
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from maqueta.solid.step import write_step
from tests.browser.builder_actions import add, open_found, status
from tests.browser.conftest import Open
from tests.parts import comb

pytestmark = pytest.mark.browser


def _facing_the_front(page: Page) -> tuple[float, float, float]:
    """Middle of the model on the screen and how many pixels a unit has, with its −Y side in front.

    The new part's block is 80 × 40 × 20; the model is drawn with its enclosing sphere 2.1 radii across."""
    turntable = page.get_by_test_id("builder-model").get_by_role("img")
    turntable.focus()
    # From the equal-axis view the first arrow key comes to rest on a side, the second turns back to the front.
    page.keyboard.press("ArrowRight")
    page.keyboard.press("ArrowLeft")
    box = turntable.bounding_box()
    assert box is not None
    radius = (80**2 + 40**2 + 20**2) ** 0.5 / 2
    scale = min(box["width"], box["height"]) / (2.1 * radius)
    return box["x"] + box["width"] / 2, box["y"] + box["height"] / 2, scale


def test_edges_are_pointed_at_on_the_model(open_page: Open) -> None:
    page = open_page("ines.corvalho", solids=True, at="/shelf/new")
    status(page, "6 faces")
    add(page, "Fillet")
    status(page, re.compile("[67] faces"))
    page.get_by_role("button", name="Point at edges on the model").click()
    x, y, scale = _facing_the_front(page)
    chosen = page.get_by_label("Feature fillet").get_by_role("listitem")
    before = chosen.count()
    # Just inside the upper edge of the front side.
    page.mouse.move(x, y - 10 * scale + 3)
    page.mouse.click(x, y - 10 * scale + 3)
    expect(chosen).to_have_count(before + 1)
    expect(chosen.last).to_contain_text("near")
    # A drag turns the part and chooses nothing.
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x + 60, y, steps=4)
    page.mouse.up()
    expect(chosen).to_have_count(before + 1)


def test_hole_is_placed_by_pointing_at_a_face(open_page: Open) -> None:
    page = open_page("ines.corvalho", solids=True, at="/shelf/new")
    status(page, "6 faces")
    add(page, "Hole")
    status(page, "7 faces")
    page.get_by_role("button", name="point at the model").click()
    x, y, scale = _facing_the_front(page)
    page.mouse.move(x + 20 * scale, y)
    page.mouse.click(x + 20 * scale, y)
    status(page, re.compile("7 faces"))
    across = page.get_by_label("Middle of its mouth X", exact=True)
    depth = page.get_by_label("Middle of its mouth Y", exact=True)
    height = page.get_by_label("Middle of its mouth Z", exact=True)
    expect(across).to_have_value("60")
    expect(depth).to_have_value("0")
    expect(height).to_have_value("10")


def test_features_are_dragged_into_another_order(open_page: Open) -> None:
    page = open_page("ines.corvalho", solids=True, at="/shelf/new")
    status(page, "6 faces")
    add(page, "Hole")
    status(page, "7 faces")
    add(page, "Step")
    features = page.get_by_label("Features").get_by_role("listitem")
    expect(features).to_have_count(3)
    features.nth(2).drag_to(features.nth(1))
    expect(features.nth(1)).to_contain_text("step")
    expect(features.nth(2)).to_contain_text("hole")
    page.get_by_role("button", name="Undo").click()
    expect(features.nth(1)).to_contain_text("hole")


def test_part_is_turned_by_a_finger(open_page: Open) -> None:
    page = open_page("ines.corvalho", touch=True, solids=True, at="/shelf")
    open_found(page, "batten stop", "Batten stop")
    sides = page.get_by_label("Six sides")
    turntable = page.get_by_role("img", name=re.compile("turn the wheel"))
    turntable.focus()
    page.keyboard.press("ArrowRight")
    expect(sides.locator('[aria-pressed="true"]')).to_contain_text("−X side")
    box = turntable.bounding_box()
    assert box is not None
    y = box["y"] + box["height"] / 2
    finger = page.context.new_cdp_session(page)

    def touch(kind: str, x: float) -> None:
        points = [] if kind == "touchEnd" else [{"x": x, "y": y}]
        finger.send("Input.dispatchTouchEvent", {"type": kind, "touchPoints": points})

    start = box["x"] + 40
    touch("touchStart", start)
    for moved in range(0, 158, 10):
        touch("touchMove", start + moved)
    touch("touchMove", start + 157)
    touch("touchEnd", 0)
    # 157 px are a quarter turn.
    expect(sides.locator('[aria-pressed="true"]')).to_contain_text(re.compile("[−+]Y side"))


def test_demands_print_without_the_frame_of_the_screen(open_page: Open) -> None:
    page = open_page("ines.corvalho", solids=True, at="/shelf")
    open_found(page, "batten stop", "Batten stop")
    needs = page.get_by_role("region", name="What its drawing demands")
    expect(needs).to_be_visible()
    page.emulate_media(media="print")
    expect(needs).to_be_visible()
    expect(page.get_by_role("button", name="Account of")).to_be_hidden()
    expect(page.get_by_role("combobox", name="Labels")).to_be_hidden()
    model = page.get_by_role("img", name=re.compile("turn the wheel")).bounding_box()
    assert model is not None
    assert model["height"] <= 270
    assert page.pdf(format="A4").startswith(b"%PDF")


def test_examining_a_large_file_can_be_stopped(open_page: Open, tmp_path: Path) -> None:
    page = open_page("ines.corvalho", solids=True, at="/shelf")
    path = tmp_path / "comb.step"
    write_step(comb(240), "mm", path)
    page.locator('input[type="file"]').set_input_files(path)
    arrivals = page.get_by_label("Brought in")
    arrivals.get_by_role("button", name="Stop examining comb.step").click()
    expect(arrivals).to_contain_text(re.compile("stopped", re.I))
    expect(arrivals.get_by_role("button", name="Clear this list")).to_be_visible()
    arrivals.get_by_role("button", name="Clear this list").click()
    expect(arrivals).to_have_count(0)
