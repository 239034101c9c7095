"""A set of sheets through the interface: set from an assembly, drawn sheet by sheet, looked over, handed in, marked."""

import re

import pytest
from playwright.sync_api import FilePayload, Page, Route, expect

from tests.browser.conftest import Open
from tests.browser.set_actions import draw, exercises_of_set, model_answer


@pytest.fixture
def teacher(open_page: Open) -> Page:
    """Somebody who has chosen an assembly and a part, and put their sheets in order by keys."""
    page = open_page("ines.corvalho")
    page.get_by_role("link", name="Set several sheets").press("Enter")
    chooser = page.get_by_role("combobox", name="Assembly or parts")
    # What was chosen first stands first, though it be proposed last.
    late = [True]

    def proposed_late(route: Route) -> None:
        if late.pop() if late else False:
            page.wait_for_timeout(1500)
        route.continue_()

    page.route("**/api/sets/proposal", proposed_late)
    expect(page.get_by_role("button", name="Set for the class")).to_be_disabled()
    for name in ("Pedal", "Reed clamp"):
        chooser.fill(name)
        expect(page.get_by_role("option", name=name, exact=True)).to_be_visible()
        chooser.press("ArrowDown")
        page.get_by_role("option", name=name, exact=True).click()
    rows = page.get_by_role("table", name="Sheets of the set").get_by_role("row")
    expect(rows).to_have_count(8)
    # The clamp is the first sheet; the six sides, the fork and the bush are left out.
    for number in range(7, 1, -1):
        page.get_by_role("button", name=f"Sheet {number} earlier").press("Enter")
    for number in (6, 5, 4, 2):
        page.get_by_role("button", name=f"Leave sheet {number} out").press("Enter")
    expect(rows).to_have_count(4)
    page.get_by_label("Title of sheet 1").fill("Clamp for the reed")
    page.get_by_label("Title of the set").fill("Loom")
    return page


def pdf(name: str, data: bytes) -> FilePayload:
    return FilePayload(name=name, mimeType="application/pdf", buffer=data)


def rearrange(page: Page) -> None:
    """Call a set otherwise, and put the sheet in its place that stood in another: a fourth one comes last now."""
    page.get_by_role("button", name="More").press("Enter")
    page.get_by_role("menuitem", name="Change its sheets").press("Enter")
    rows = page.get_by_role("table", name="Sheets of the set").get_by_role("row")
    expect(rows).to_have_count(4)
    page.get_by_label("Title of the set").fill("Loom parts")
    chooser = page.get_by_role("combobox", name="Add sheets of an assembly or of parts")
    chooser.fill("Pedal lever")
    page.get_by_role("option", name="Pedal lever", exact=True).click()
    expect(rows).to_have_count(5)
    page.get_by_role("button", name="Sheet 4 earlier").press("Enter")
    expect(rows.nth(3)).to_contain_text("with all sizes")
    page.get_by_role("button", name="Keep the set so").press("Enter")
    expect(page.get_by_text("The set is kept as it is now.")).to_be_visible()
    expect(page.get_by_role("banner")).to_contain_text("Loom parts")


def laid_out_like_the_first(student: Page) -> None:
    """Put another paper on the bench, lay the sheet out as the first one of the set is, and take both back."""
    way, undo = student.get_by_role("radiogroup", name="Orientation"), student.get_by_role("button", name="Undo")
    way.get_by_text("portrait").click()
    expect(way.get_by_role("radio", name="portrait")).to_be_checked()
    student.get_by_role("combobox", name="Another sheet of the set").click()
    student.get_by_role("option", name="1. Clamp for the reed").click()
    # What is drawn of another part is not to be had here.
    expect(student.get_by_role("button", name="Copy all that is drawn there")).to_have_count(0)
    student.get_by_role("button", name="Paper and lettering as there").press("Enter")
    expect(way.get_by_role("radio", name="landscape")).to_be_checked()
    undo.click()
    expect(way.get_by_role("radio", name="portrait")).to_be_checked()
    undo.click()
    expect(undo).to_be_disabled()


def test_a_set_is_set_drawn_looked_over_handed_in_and_marked(teacher: Page, open_page: Open) -> None:
    page = teacher
    page.get_by_role("button", name="Set for the class").click()
    expect(page.get_by_text("Nothing handed in yet")).to_contain_text("Dina Farouk")
    rearrange(page)
    exercises = exercises_of_set(page, "Loom parts")
    assert exercises[0]["title"] == "Clamp for the reed"
    answers = [model_answer(page, exercise["id"]) for exercise in exercises]

    student = open_page("dina.farouk")
    for exercise, document in list(zip(exercises, answers, strict=True))[:-1]:
        draw(student, exercise, document, "DINA FAROUK")
    student.reload()
    row = student.get_by_role("region", name="Loom parts")
    expect(row).to_contain_text("Go on drawing")
    row.get_by_role("link", name="Clamp for the reed").click()
    tabs = student.get_by_role("navigation", name="Sheets of the set")
    expect(tabs.get_by_role("button")).to_have_count(4)
    # What was changed on one sheet is kept when another is taken up.
    stages = student.get_by_role("navigation", name="Stages")
    stages.get_by_role("button", name="Title").click()
    student.get_by_role("textbox", name="Title").fill("SOMETHING ELSE")
    tabs.get_by_role("button").nth(1).press("Enter")
    expect(tabs.get_by_role("button").nth(1)).to_have_attribute("aria-current", "page")
    expect(student.get_by_text("2 / 4").first).to_be_attached()
    stages.get_by_role("button", name="Hand in").click()
    # What was drawn on a sheet without a connection is no part of what would be handed in.
    pending = f"maqueta-draft-dina.farouk-{exercises[1]['id']}"
    student.evaluate("([key, kept]) => localStorage.setItem(key, kept)", [pending, '{"base": 0, "document": {}}'])
    looked, look_over = student.get_by_role("dialog"), student.get_by_role("button", name="Look over all 4 sheets")
    look_over.click()
    expect(looked).to_contain_text("This browser keeps changes of Pedal, pulled apart that are not saved yet.")
    looked.get_by_label("Hand in without the 1 blank sheet").check()
    expect(looked.get_by_role("button", name="Hand in 3 sheets now")).to_be_disabled()
    looked.get_by_role("button", name="Go on drawing").click()
    student.evaluate("(key) => localStorage.removeItem(key)", pending)
    look_over.press("Enter")
    expect(looked).to_contain_text("The sheet is titled “SOMETHING ELSE”; asked is “Clamp for the reed”.")
    expect(looked).to_contain_text("nothing drawn yet")
    hand_in = looked.get_by_role("button", name="Hand in 3 sheets now")
    expect(hand_in).to_be_disabled()
    looked.get_by_label("Hand in without the 1 blank sheet").check()
    hand_in.click()
    expect(student.get_by_text("The set is handed in.")).to_be_visible()
    expect(student.get_by_role("region", name="Loom parts")).to_contain_text("not begun")

    # The last one was drawn elsewhere, and comes as a file.
    pin = exercises[-1]["id"]
    drawn = page.request.get(f"/api/exercises/{pin}/answer/drawing.pdf").body()
    student.goto(f"/exercises/{pin}/bench")
    begun = student.get_by_role("navigation", name="Sheets of the set").get_by_role("button").nth(3)
    expect(begun).to_contain_text("not begun")
    laid_out_like_the_first(student)
    stages.get_by_role("button", name="Title").click()
    student.get_by_role("textbox", name="Drafter").fill("DINA FAROUK")
    student.get_by_role("button", name="Write the same on the other sheets").press("Enter")
    expect(student.get_by_text("Nothing was empty on the other sheets.")).to_be_visible()
    expect(begun).not_to_contain_text("not begun")
    expect(begun.locator("img")).to_have_attribute("src", re.compile("drawing.svg"))
    stages.get_by_role("button", name="Hand in").click()
    with student.expect_file_chooser() as chooser:
        student.get_by_role("button", name="Bring in files of all sheets").click()
    chooser.value.set_files([pdf("pin.pdf", drawn), pdf("empty.pdf", b"%PDF-1.4")])
    told = student.get_by_role("dialog")
    expect(told).to_contain_text("pin.pdf · Pedal pin read")
    # A file that cannot be read stops no other.
    expect(told.get_by_role("listitem").filter(has_text="empty.pdf")).to_be_visible()
    told.get_by_role("button", name="Go on").click()
    expect(stages.get_by_role("button", name="Views")).to_contain_text("front")

    page.reload()
    stack = page.get_by_role("region", name="Dina Farouk")
    expect(stack.get_by_role("link", name=re.compile("Clamp for the reed"))).to_be_attached()
    stack.get_by_role("button", name="Fan out").press("Enter")
    expect(stack.get_by_text("not handed in")).to_be_visible()
    page.get_by_role("combobox", name="Lens").click()
    page.get_by_role("option", name="Set").click()
    expect(stack.get_by_role("link", name=re.compile("Clamp for the reed")).get_by_title("1 finding")).to_be_visible()
    page.get_by_role("combobox", name="Which sheets").click()
    page.get_by_role("option", name=re.compile("^2")).click()
    expect(stack.get_by_role("listitem")).to_have_count(1)
    stack.get_by_role("link").first.click()
    expect(page.get_by_role("link", name="Loom parts")).to_be_visible()
    # The rest of the stack is at hand on the table.
    tabs = page.get_by_role("navigation", name="Sheets of the set")
    expect(tabs.get_by_role("button").nth(3)).to_be_disabled()
    tabs.get_by_role("button", name="Clamp for the reed").press("Enter")
    expect(tabs.get_by_role("button", name="Clamp for the reed")).to_have_attribute("aria-current", "page")
    expect(page.get_by_text("The sheet is titled “SOMETHING ELSE”").first).to_be_visible()

    # What others have drawn elsewhere is brought to the wall; whose it is, is asked where nothing tells.
    page.get_by_role("link", name="Loom parts").click()
    with page.expect_file_chooser() as chooser:
        page.get_by_role("button", name="Bring in sheets").click()
    chooser.value.set_files([pdf("kemi.oduya.pdf", drawn), pdf("scan 7.pdf", drawn)])
    files = page.get_by_role("region", name="Files brought in")
    expect(files).to_contain_text("Pedal pin · Kemi Oduya: pinned up", timeout=30_000)
    whose = files.get_by_label("Student of scan 7.pdf")
    whose.select_option(label="Kemi Oduya")
    expect(files).to_contain_text("Pedal pin · Kemi Oduya: already handed in", timeout=30_000)
    expect(page.get_by_role("region", name="Kemi Oduya").get_by_role("link")).not_to_have_count(0)

    page.get_by_role("button", name="More").press("Enter")
    page.get_by_role("menuitem", name="All slips as one PDF").press("Enter")
    link = page.get_by_role("link", name="Open the PDF")
    expect(link).to_be_visible(timeout=90_000)
    assert page.request.get(str(link.get_attribute("href"))).body().startswith(b"%PDF")
    page.get_by_role("link", name="Wall").click()
    expect(page.get_by_role("region", name="Kemi Oduya")).to_be_visible()
