"""One picture of each main view, at about 1280 × 800, from demo data."""

import re
import sys
import tempfile
from pathlib import Path

sys.path.insert(0, str(Path(__file__).resolve().parent.parent))

from playwright.sync_api import Browser, Page
from tests.browser.bench_actions import box_of, click, keep_sheet, on_screen, saved, sheet, stage
from tests.browser.set_actions import draw, exercises_of_set, model_answer
from tests.parts import demo_projected, demo_solid
from tests.reading.demo_files import demo_file
from tests.server_process import chromium, free_port, new_page, running

from maqueta.demo.workshop import EXERCISES
from maqueta.making.model_sheet import Drafter, model_looks, model_sheet
from maqueta.projection.project import drawn

TARGET = Path("docs/screenshots")
#: Solids are drawn by software here.
SETTLE_MS = 2500


def take(page: Page, name: str) -> None:
    """Wait until everything is drawn, then take the picture."""
    page.wait_for_load_state("networkidle")
    page.wait_for_timeout(SETTLE_MS)
    page.screenshot(path=TARGET / f"{name}.png")


def instructor_views(browser: Browser, address: str) -> None:
    """Shelf, part, assembly, new exercise, classes, wall, table."""
    page = new_page(browser, address, "ines.corvalho")
    page.goto("/shelf")
    take(page, "shelf")
    page.get_by_role("link", name=re.compile("Reed clamp")).click()
    page.get_by_label("Six sides").get_by_role("button").first.wait_for()
    take(page, "part")
    builder_views(page)
    page.goto("/shelf")
    page.get_by_label("Search the shelf").fill("shuttle")
    page.get_by_role("link", name=re.compile("^Shuttle with wheels")).click()
    page.get_by_role("link", name="Change how it is put together").click()
    page.get_by_role("slider").press("End")
    page.get_by_label("Components", exact=True).get_by_role("button", name="Shuttle axle").first.click()
    take(page, "assembly")
    page.goto("/exercises/new?part=6")
    take(page, "new-exercise")
    page.goto("/classes")
    take(page, "classes")
    page.goto("/classes/1/learned")
    take(page, "learned")
    page.goto("/exercises/1/marking")
    page.get_by_text("No mark changes.").wait_for()
    take(page, "scheme")
    page.goto("/rules/lines.missing-hidden")
    page.get_by_role("img", name="Wrong").wait_for()
    take(page, "reasons")
    page.goto("/sheet-forms")
    page.get_by_role("link", name="Loom house, A3").click()
    page.get_by_role("button", name="title ✓").click()
    page.keyboard.press("v")
    take(page, "form-editor")
    page.goto("/exercises/1/wall")
    page.get_by_label("Shared mistakes").get_by_role("button", name=re.compile("Hidden lines are missing")).click()
    take(page, "wall")
    page.get_by_role("button", name=re.compile("Sheet of Paul Nakagawa")).click()
    take(page, "table")


def a_set(browser: Browser, address: str) -> None:
    """An assembly set as one set of sheets; the stacks of those who have handed in."""
    teacher = new_page(browser, address, "ines.corvalho")
    teacher.goto("/sets/new")
    teacher.get_by_role("combobox", name="Assembly or parts").fill("Pedal")
    teacher.get_by_role("option", name="Pedal", exact=True).click()
    teacher.get_by_role("table", name="Sheets of the set").wait_for()
    teacher.get_by_role("button", name="Set for the class").click()
    teacher.get_by_text("Nothing handed in yet").wait_for()
    exercises = exercises_of_set(teacher, "Pedal")
    answers = [model_answer(teacher, exercise["id"]) for exercise in exercises]
    wrong = {"kemi.oduya": {3: {"dimensions": answers[3]["dimensions"][:-2]}}, "rosa.quispe": {2: {"marks": []}}}
    people = {"dina.farouk": 4, "kemi.oduya": 6, "rosa.quispe": 6}
    for login, count in people.items():
        student = new_page(browser, address, login)
        drafter = login.replace(".", " ").upper()
        for place, (exercise, answer) in enumerate(list(zip(exercises, answers, strict=True))[:count]):
            draw(student, exercise, answer | wrong.get(login, {}).get(place, {}), drafter)
        student.goto(f"/exercises/{exercises[0]['id']}/bench")
        student.get_by_label("Stages").get_by_role("button", name="Hand in").click()
        student.get_by_role("button", name="Look over all").click()
        if count < len(exercises):
            student.get_by_label("Hand in without").check()
        student.get_by_role("button", name=f"Hand in {count} sheets now").click()
        student.get_by_text("The set is handed in.").wait_for()
    teacher.reload()
    teacher.get_by_role("region", name="Kemi Oduya").get_by_role("button", name="Fan out").click()
    teacher.get_by_role("combobox", name="Lens").click()
    teacher.get_by_role("option", name="Dimensions").click()
    take(teacher, "set-wall")


def builder_views(page: Page) -> None:
    """The builder on a profile."""
    page.goto("/shelf")
    page.get_by_label("Search the shelf").fill("warp-tension")
    page.get_by_role("link", name=re.compile("Warp-tension lever")).click()
    page.get_by_role("link", name="Edit its features").click()
    page.get_by_role("button", name=re.compile("^1 lever")).click()
    page.get_by_role("button", name="Name a size").click()
    page.get_by_role("status").filter(has_text="volume").wait_for()
    take(page, "builder")


def files_of_a_class(browser: Browser, address: str) -> None:
    """DXF sheets of a class pinned up; one is read onto the bench."""
    with tempfile.TemporaryDirectory() as folder:
        mistakes = {
            "Tor Brandvold": None,
            "Nela Havlik": "lines.missing-hidden",
            "Kemi Oduya": "alignment.offset",
            "Somebody": None,
        }
        files = []
        for name, rule in mistakes.items():
            path = Path(folder) / f"{name.split()[0].lower()}-hinge.dxf"
            path.write_bytes(demo_file("pedal-hinge", name, rule, 1))
            files.append(path)
        page = new_page(browser, address, "ines.corvalho")
        page.goto("/exercises/3/wall")
        with page.expect_file_chooser() as chooser:
            page.get_by_role("button", name="Bring in sheets").click()
        chooser.value.set_files(files)
        page.get_by_text("4 of 4 pages").wait_for()
        drawn = Path(folder) / "bearing.dxf"
        drawn.write_bytes(demo_file("warp-beam-bearing", "Iker Valtierra", "lines.displaced", 2))
        page = new_page(browser, address, "iker.valtierra")
        page.goto("/exercises/2/bench")
        page.get_by_role("button", name=re.compile("Hand in")).first.click()
        with page.expect_file_chooser() as chooser:
            page.get_by_role("button", name="Bring in a file").click()
        chooser.value.set_files(drawn)
        page.get_by_label("Views found").wait_for()
        take(page, "bench-delivered")


def student_views(browser: Browser, address: str) -> None:
    """The bench at its stages, and a returned slip on a phone."""
    page = new_page(browser, address, "iker.valtierra")
    page.goto("/exercises/1/bench")
    stage(page, "Dimensions")
    take(page, "bench-dimensions")
    cut_open(new_page(browser, address, "juan.sandoval"))
    drafting(new_page(browser, address, "elio.marchetti"))
    readers_eye(new_page(browser, address, "iker.valtierra"))
    phone = new_page(browser, address, "lena.achterberg", size=(390, 800))
    phone.get_by_role("link", name=re.compile("Reed clamp")).click()
    take(phone, "slip-phone")


def cut_open(page: Page) -> None:
    """A section set down beside the view it is cut in."""
    demo = next(own for own in EXERCISES if own.part == "ribbed-bearing")
    solid = demo_solid(demo.part)
    whole = demo_projected(demo.part)
    part = whole.with_looks(drawn(*solid, model_looks(whole, demo.task)))
    answer = model_sheet(part, demo.task, Drafter("Juan Sandoval", "Evening 2", "2026-11-25"))
    page.get_by_role("link", name=re.compile("Ribbed bearing")).first.click()
    sheet(page).wait_for()
    keep_sheet(page, answer)
    page.reload()
    page.get_by_label("Stages").get_by_role("button", name=re.compile(r"^\d Views")).click()
    page.get_by_role("button", name="section", exact=True).click()
    take(page, "bench-section")


def readers_eye(page: Page) -> None:
    """A sheet with one size too few and one too many, as its reader sees it."""
    demo = EXERCISES[1]
    whole = model_sheet(demo_projected(demo.part), demo.task, Drafter("Iker Valtierra", "Evening 2", "2026-11-25"))
    first = whole.dimensions[0]
    twice = first.model_copy(update={"id": "twice", "place": (first.place[0], first.place[1] - 8.0)})
    kept = tuple(d for d in whole.dimensions if d.id != "d2")
    page.goto("/exercises/2/bench")
    sheet(page).wait_for()
    keep_sheet(page, whole.model_copy(update={"dimensions": (*kept, twice)}))
    page.reload()
    stage(page, "Dimensions")
    page.get_by_label("Closed chains").get_by_role("button").first.click()
    take(page, "readers-eye")


def drafting(page: Page) -> None:
    """A third view being carried across from the two that are given."""
    page.get_by_role("link", name=re.compile("the third view")).click()
    tools = page.get_by_label("Drafting")
    tools.wait_for()
    left, bottom, right, top = box_of(page, "v1")
    edge = round((right + 50) / 5) * 5
    tools.get_by_role("button", name="Throw across").click()
    for height in (bottom, bottom + 15, top):
        click(page, (right if height < top else left, height))
        click(page, (edge, height))
        saved(page)
    click(page, (edge, round(top / 5) * 5 + 25))
    click(page, (edge, bottom))
    saved(page)
    tools.get_by_role("button", name="Line", exact=True).click()
    page.get_by_label("Size, mm").fill("40")
    for start in ((edge, bottom), (edge, bottom + 15)):
        click(page, start)
        click(page, (edge + 20, start[1]))
        saved(page)
        page.keyboard.press("Escape")
    page.get_by_label("Size, mm").fill("")
    click(page, (edge + 40, bottom))
    page.mouse.move(*on_screen(page, (edge + 40, bottom + 15)))
    take(page, "bench-drafting")


def main() -> None:
    """Take all pictures against a server of its own."""
    TARGET.mkdir(parents=True, exist_ok=True)
    port = free_port()
    address = f"http://127.0.0.1:{port}"
    with tempfile.TemporaryDirectory() as folder, running(Path(folder) / "var", port), chromium() as browser:
        instructor_views(browser, address)
        student_views(browser, address)
        files_of_a_class(browser, address)
        a_set(browser, address)


if __name__ == "__main__":
    main()
