"""The reader's eye and the model answer in the real interface: open sizes move, chains light up, proposals are kept."""

import re

import pytest
from playwright.sync_api import Locator, Page, expect

from maqueta.demo.workshop import EXERCISES
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.sheet.document import SheetDocument
from tests.browser.bench_actions import at_the_bench, box_of, click, saved, sheet, stage
from tests.browser.conftest import Open
from tests.parts import demo_projected

pytestmark = pytest.mark.browser

BEARING = EXERCISES[1]


def _sheet(*left_out: str) -> SheetDocument:
    whole = model_sheet(demo_projected(BEARING.part), BEARING.task, Drafter("A. Tester", "Evening 2", "2026-11-25"))
    return whole.model_copy(update={"dimensions": tuple(d for d in whole.dimensions if d.id not in left_out)})


def _at_the_bench(open_page: Open, login: str, document: SheetDocument) -> Page:
    """A student at the bearing, with a sheet that was drawn before."""
    page = open_page(login)
    at_the_bench(page, "Warp-beam bearing", document)
    stage(page, "Dimensions")
    return page


def _eye(page: Page) -> Locator:
    return page.get_by_label("Reader's eye")


def _lines(page: Page) -> Locator:
    return page.get_by_test_id("moving-ink").locator("polyline")


def test_what_is_open_is_named_and_moves(open_page: Open) -> None:
    page = _at_the_bench(open_page, "iker.valtierra", _sheet("d2"))
    expect(_eye(page).get_by_text("1 size open")).to_be_visible()
    (size,) = _eye(page).get_by_label("Open sizes").get_by_role("button").all()
    expect(size).to_have_attribute("aria-pressed", "true")
    expect(page.get_by_test_id("open-arrow").first).to_be_attached()
    resting = [line.get_attribute("points") for line in _lines(page).all()]
    assert resting
    slider = _eye(page).get_by_role("slider")
    slider.focus()
    page.keyboard.press("Home")
    expect(_lines(page).first).not_to_have_attribute("points", resting[0] or "")
    size.click()
    expect(_lines(page)).to_have_count(0)


def test_sizes_are_taken_away_one_after_another_without_looking(open_page: Open) -> None:
    """What each of them leaves open is told below the list: nothing moves away under the pointer."""
    page = _at_the_bench(open_page, "iker.valtierra", _sheet())
    placed = page.get_by_label("Dimensions on the sheet").get_by_role("listitem")
    expect(_eye(page).get_by_text("Everything is determined")).to_be_visible()
    before = placed.count()
    button = placed.nth(2).get_by_role("button", name="away")
    button.scroll_into_view_if_needed()
    at = button.bounding_box()
    assert at is not None
    where = (at["x"] + at["width"] / 2, at["y"] + at["height"] / 2)
    for gone in (1, 2, 3):
        page.mouse.click(*where)
        expect(placed).to_have_count(before - gone)
        expect(_eye(page).get_by_text(re.compile(rf"^{gone} sizes? open"))).to_be_visible()


def test_it_swings_by_itself_unless_motion_is_reduced(open_page: Open) -> None:
    page = _at_the_bench(open_page, "iker.valtierra", _sheet("d2"))
    expect(_lines(page).first).to_be_attached()
    still = _lines(page).first.get_attribute("points")
    expect(_lines(page).first).to_have_attribute("points", still or "")
    page.emulate_media(reduced_motion="no-preference")
    page.reload()
    stage(page, "Dimensions")
    first = _lines(page).first.get_attribute("points")
    expect(_lines(page).first).not_to_have_attribute("points", first or "")
    expect(page.get_by_test_id("open-arrow")).to_have_count(0)
    _eye(page).get_by_role("button", name="Hold").click()
    expect(_eye(page).get_by_role("button", name="Let swing")).to_be_visible()


def test_a_chain_lights_up_and_brackets_open_it(open_page: Open) -> None:
    whole = _sheet()
    first = whole.dimensions[0]
    twice = first.model_copy(update={"id": "twice", "place": (first.place[0], first.place[1] - 8.0)})
    page = _at_the_bench(
        open_page, "iker.valtierra", whole.model_copy(update={"dimensions": (*whole.dimensions, twice)})
    )
    chain = _eye(page).get_by_label("Closed chains").get_by_role("button")
    expect(chain).to_have_text("The size 110 is given twice.")
    chain.click()
    expect(page.get_by_test_id("lit-chain").locator("text")).to_have_text(["110", "110"])
    table = _eye(page).get_by_label("Count of sizes")
    expect(table.get_by_role("row", name=re.compile("too many"))).to_contain_text("1")
    page.get_by_label("Dimensions on the sheet").get_by_role("button", name="110 · front", exact=True).last.click()
    page.get_by_label("In brackets, for reference only").check(force=True)
    expect(_eye(page).get_by_text("Everything is determined, and nothing twice.")).to_be_visible()
    expect(sheet(page).get_by_text("(110)")).to_be_visible()


def test_an_angle_is_placed_between_two_lines(open_page: Open) -> None:
    """Of the base and the upright side: 90°, which the drawing says already."""
    page = _at_the_bench(open_page, "iker.valtierra", _sheet())
    left, bottom, right, _ = box_of(page, "v1")
    page.get_by_role("button", name="Angle", exact=True).click()
    click(page, ((left + right) / 2, bottom))
    click(page, (right, bottom + 6))
    click(page, (right - 12, bottom + 4))
    saved(page)
    entry = page.get_by_label("Dimensions on the sheet").get_by_role("button", name="90° · front", exact=True)
    expect(entry).to_be_visible()
    expect(_eye(page).get_by_text("90° is known from the drawing itself")).to_be_visible()
    page.keyboard.press("Control+z")
    expect(entry).to_have_count(0)


def test_the_model_answer_is_proposed_changed_and_kept(open_page: Open) -> None:
    page = open_page("ines.corvalho")
    page.get_by_role("link", name=re.compile("Warp-beam bearing")).click()
    page.get_by_role("link", name="Model answer").click()
    placed = page.get_by_label("Dimensions on the sheet").get_by_role("listitem")
    expect(_eye(page).get_by_text("Everything is determined, and nothing twice.")).to_be_visible()
    number = placed.count()
    placed.first.get_by_role("button", name=re.compile("^Take .* away$")).click()
    expect(_eye(page).get_by_text("1 size open")).to_be_visible()
    page.get_by_label("Datum side of the width").get_by_text("right").click()
    page.get_by_role("button", name="Propose a complete set").click()
    expect(_eye(page).get_by_text("Everything is determined, and nothing twice.")).to_be_visible()
    expect(placed).to_have_count(number)
    saved(page)
    texts = placed.all_inner_texts()
    page.reload()
    expect(placed).to_have_text(texts)
    expect(page.get_by_label("Stages").get_by_role("button", name=re.compile("Hand in"))).to_have_count(0)
    page.get_by_role("button", name="As a file").click()
    with page.expect_popup() as popup:
        page.get_by_role("menuitem", name="SVG").click()
    expect(popup.value.locator("svg")).to_be_visible()


def test_an_exercise_says_how_much_students_see(open_page: Open) -> None:
    page = open_page("ines.corvalho", at="/exercises/new?part=2")
    page.get_by_label("Reader’s eye, for students while they dimension").first.click()
    page.get_by_role("option", name="How many are needed, given and missing").click()
    page.get_by_label("Holes along the width").first.click()
    page.get_by_role("option", name="from the right side").click()
    page.get_by_role("textbox", name="Title").fill("Counts only")
    page.get_by_role("button", name="Set for the class").click()
    page.wait_for_url(re.compile("/wall$"))
    asked = page.evaluate(
        "async (id) => (await (await fetch(`/api/exercises/${id}`)).json()).task.dimensioning",
        int(page.url.split("/")[-2]),
    )
    assert (asked["insight"], asked["holes_from"]["width"]) == ("counts", "right side")


def test_a_note_is_led_to_what_it_is_about(open_page: Open) -> None:
    page = _at_the_bench(open_page, "iker.valtierra", _sheet())
    stage(page, "Title")
    notes = page.get_by_label("Notes")
    notes.get_by_role("button", name="Add a note").click()
    notes.get_by_role("button", name="Leader", exact=True).click()
    _, bottom, right, _ = box_of(page, "v1")
    click(page, (right, bottom))
    saved(page)
    note = sheet(page).locator('[data-role="note"]')
    expect(note.locator("polygon")).to_have_count(1)
    notes.get_by_role("button", name="No leader").click()
    expect(note.locator("polygon")).to_have_count(0)


def test_general_notes_stand_over_one_another_above_the_title_block(open_page: Open) -> None:
    page = _at_the_bench(open_page, "iker.valtierra", _sheet())
    stage(page, "Title")
    notes = page.get_by_label("Notes")
    for text in ("BREAK ALL SHARP EDGES", "REMOVE ALL BURRS"):
        notes.get_by_role("button", name="General note").click()
        page.get_by_role("menuitem", name=text).click()
        expect(sheet(page)).to_contain_text(text)
    saved(page)
    below, above = (
        sheet(page).locator('[data-role="note"]', has_text=text).bounding_box()
        for text in ("BREAK ALL SHARP EDGES", "REMOVE ALL BURRS")
    )
    title = sheet(page).locator('[data-role="title"]').bounding_box()
    assert below is not None
    assert above is not None
    assert title is not None
    assert above["y"] + above["height"] / 2 < below["y"] + below["height"] / 2 < title["y"]


def test_an_angle_by_keyboard_and_lines_that_make_none(open_page: Open) -> None:
    """After a level line only upright ones can be chosen; no edge of this part is bevelled."""
    page = _at_the_bench(open_page, "iker.valtierra", _sheet())
    before = len(_sheet().dimensions)
    page.get_by_role("button", name="Angle", exact=True).click()
    surface = page.get_by_test_id("tool-surface")
    surface.focus()
    page.keyboard.press("ArrowRight")
    page.keyboard.press("Enter")
    page.keyboard.press("ArrowRight")
    page.keyboard.press("Enter")
    for key in ("ArrowUp", "ArrowUp", "ArrowRight", "ArrowRight", "Enter"):
        page.keyboard.press(key)
    saved(page)
    entry = page.get_by_label("Dimensions on the sheet").get_by_role("button", name="90° · front", exact=True)
    expect(entry).to_be_visible()
    left, bottom, right, _ = box_of(page, "v1")
    page.get_by_role("button", name="Chamfer", exact=True).click()
    click(page, ((left + right) / 2, bottom))
    click(page, (right + 10, bottom - 10))
    expect(page.get_by_label("Dimensions on the sheet").get_by_role("listitem")).to_have_count(before + 1)
    page.reload()
    stage(page, "Dimensions")
    expect(entry).to_be_visible()


def test_a_tolerance_and_words_are_written_around_the_size(open_page: Open) -> None:
    page = open_page("ines.corvalho", at="/exercises/1/bench")
    expect(sheet(page)).to_be_visible()
    page.get_by_role("button", name="2× ⌀12 · front", exact=True).click()
    page.get_by_role("combobox", name="Tolerance").fill("H7")
    page.get_by_role("combobox", name="Words behind it").fill("THRU")
    expect(sheet(page).locator("text", has_text="2× ⌀12 H7 THRU")).to_be_attached()
    expect(page.get_by_label("Typed over")).to_have_value("<> H7 THRU")
    page.get_by_label("Typed over").fill("2× ⌀12.5 H7")
    expect(page.get_by_role("combobox", name="Tolerance")).to_have_count(0)
    page.get_by_label("Typed over").fill("")
    expect(page.get_by_role("combobox", name="Tolerance")).to_have_value("")
    expect(sheet(page).locator("text", has_text="2× ⌀12").first).to_be_attached()
