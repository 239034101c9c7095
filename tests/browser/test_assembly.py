"""Parts put together beside the turntable: by the pointer, by keys alone, twice, after a reload."""

import re
from contextlib import suppress

from playwright.sync_api import Page, TimeoutError, expect

from tests.browser.builder_actions import open_found
from tests.browser.conftest import Open


def _components(page: Page) -> list[str]:
    return page.get_by_label("Components", exact=True).get_by_role("listitem").all_inner_texts()


def _put_in(page: Page, name: str, words: str) -> None:
    page.get_by_label("Search the shelf").fill(words)
    page.get_by_role("button", name=f"Put in {name}", exact=True).press("Enter")
    expect(page.get_by_label("Name of the component")).to_have_value(name)


def _place(page: Page) -> list[str]:
    return [page.get_by_label(f"Place along {axis}").input_value() for axis in "XYZ"]


def test_a_pin_is_put_into_its_fork_by_keys_alone(open_page: Open) -> None:
    page = open_page("ines.corvalho", at="/shelf")
    page.get_by_role("link", name="Put parts together").press("Enter")
    expect(page.get_by_text("Nothing is put together yet.")).to_be_visible()
    expect(page.get_by_role("button", name="Put on the shelf")).to_be_disabled()
    _put_in(page, "Pedal fork", "pedal")
    _put_in(page, "Pedal pin", "pedal")
    # Parts in inches do not fit in here.
    page.get_by_label("Search the shelf").fill("pedal hinge")
    expect(page.get_by_role("button", name="Put in Pedal hinge")).to_be_disabled()
    expect(page.get_by_text("Nothing overlaps.").first).to_be_visible()

    # Where solids cannot be drawn, lines stand in.
    expect(page.get_by_role("img", name="New assembly, equal-axis view")).to_be_visible()

    # Turned round its own middle and back, it stands as before.
    before = _place(page)
    forward = page.get_by_role("button", name="Turn forward about Z")
    expect(forward).to_be_enabled()
    forward.press("Enter")
    expect(page.get_by_label("Place along X")).not_to_have_value(before[0])
    page.get_by_role("button", name="Turn back about Z").press("Enter")
    expect(page.get_by_label("Place along X")).to_have_value(before[0])
    assert _place(page) == before

    fit = page.get_by_label("Put against another")
    fit.get_by_text("on one axis").click()
    fit.get_by_label("Its face").select_option(label="4, round")
    fit.get_by_label("Against").select_option(label="Pedal fork")
    rounds = [own for own in fit.get_by_label("Face of that").locator("option").all_inner_texts() if "round" in own]
    assert len(rounds) == 4, "the bores of two cheeks and two screw holes"
    fit.get_by_label("Face of that").select_option(label=rounds[0])
    fit.get_by_role("button", name="Put it there").press("Enter")
    expect(page.get_by_label("Place along X")).to_have_value("30")
    expect(page.get_by_label("Place along Z")).to_have_value("34")
    # A flat face is put on no axis: it says so, and nothing moves.
    fit.get_by_text("face on face").click()
    fit.get_by_role("button", name="Put it there").press("Enter")
    expect(fit.get_by_role("alert")).to_contain_text("two flat faces")
    # Its head is in the cheek, 5 mm deep: π (9² − 6²) · 5; drawn out by as much it is not.
    told = page.get_by_role("status").filter(has_text="overlap")
    # What is no number is told and not taken.
    page.get_by_label("Place along X").fill("1e9")
    page.get_by_label("Place along X").press("Enter")
    expect(page.get_by_text("This is no number.")).to_be_visible()
    page.get_by_label("Place along X").press("Escape")
    expect(page.get_by_label("Place along X")).to_have_value("30")
    expect(told).to_contain_text("Pedal fork and Pedal pin overlap by 707 mm³.")
    page.get_by_label("Place along Y").fill("-5")
    page.get_by_label("Place along Y").press("Enter")
    expect(told).to_contain_text("Nothing overlaps.")
    page.get_by_role("button", name="Undo").press("Enter")
    expect(told).to_contain_text("707")
    page.get_by_role("button", name="Redo").press("Enter")
    expect(told).to_contain_text("Nothing overlaps.")

    page.keyboard.press("Escape")
    page.get_by_label("Name of the assembly").fill("  ")
    expect(page.get_by_role("button", name="Put on the shelf")).to_be_disabled()
    page.get_by_label("Name of the assembly").fill("Fork with its pin")
    propose = page.get_by_role("button", name="Propose how it comes apart")
    expect(propose).to_be_enabled()
    propose.press("Enter")
    expect(page.get_by_role("slider")).to_have_attribute("aria-valuenow", "100")
    page.reload()
    # What is under way is there again.
    expect(page.get_by_label("Name of the assembly")).to_have_value("Fork with its pin")
    assert [own.strip() for own in _components(page)] == ["Pedal fork", "Pedal pin"]
    page.get_by_role("button", name="Put on the shelf").press("Enter")
    listed = page.get_by_label("Parts list").get_by_role("row")
    expect(listed).to_have_count(3)
    expect(listed.nth(2)).to_contain_text("steel")
    page.goto("/shelf/assembly")
    expect(page.get_by_text("Nothing is put together yet.")).to_be_visible()


def test_components_and_faces_are_chosen_on_the_turntable(open_page: Open) -> None:
    page = open_page("ines.corvalho", solids=True, at="/shelf")
    open_found(page, "puzzle cube", "^Puzzle cube", "6 parts found")
    expect(page.get_by_label("Parts list").get_by_role("row")).to_have_count(6)
    page.get_by_role("link", name="Change how it is put together").click()
    model = page.get_by_test_id("assembly-model").locator("canvas")
    expect(model).to_be_visible()
    name = page.get_by_label("Name of the component")
    # The turntable was put up just now: what is not drawn yet cannot be clicked on. A click that was seen is given the
    # time to be answered, as the next one takes back what it has chosen.
    for _ in range(12):
        box = model.bounding_box()
        assert box is not None
        middle = (box["x"] + box["width"] / 2, box["y"] + box["height"] / 2)
        page.mouse.click(middle[0], middle[1] - 12)
        with suppress(TimeoutError):
            name.wait_for(timeout=5000)
            break
    expect(name).to_have_value(re.compile("^Cube piece"))
    chosen = name.input_value()
    # Once more, and nothing is chosen.
    page.mouse.click(middle[0], middle[1] - 12)
    expect(name).to_be_hidden()
    page.mouse.click(middle[0], middle[1] - 12)
    page.get_by_role("button", name="point at faces").click()
    expect(page.get_by_text(f"Click on a face of {chosen}.")).to_be_visible()
    page.mouse.click(middle[0], middle[1] - 12)
    expect(page.get_by_text("Now click on a face of the component it is put against.")).to_be_visible()
    expect(page.get_by_label("Its face")).not_to_have_value("")
    page.keyboard.press("Escape")
    page.get_by_role("button", name="Take it out").click()
    assert len(_components(page)) == 4
    page.get_by_role("button", name="Undo").click()
    assert len(_components(page)) == 5
