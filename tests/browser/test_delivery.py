"""Sheets drawn elsewhere: read on the bench, put right, taken back; a class's files pinned up."""

import io
import re
from pathlib import Path

import ezdxf
import pytest
from playwright.sync_api import Locator, Page, expect

from maqueta.demo.workshop import EXERCISES
from maqueta.making.model_sheet import Drafter, model_sheet
from tests.browser.bench_actions import saved, set_exercise, sheet, stage
from tests.browser.conftest import Open
from tests.parts import demo_projected
from tests.reading.demo_files import demo_file
from tests.reading.dxf_writer import CONVENTIONS, drawn_lines, write_sheet
from tests.reading.pdf_writer import HANDS, write_pdf

pytestmark = pytest.mark.browser


def _choose(page: Page, button: str, *files: Path) -> None:
    with page.expect_file_chooser() as chooser:
        page.get_by_role("button", name=button).click()
    chooser.value.set_files(list(files))


def _loaded(page: Page, file: Locator) -> None:
    """What is laid under is there, and is a picture that can be shown."""
    expect(file).to_be_visible()
    address = file.get_attribute("href")
    page.wait_for_function(
        "address => new Promise(done => { const i = new Image(); i.src = address;"
        " i.decode().then(() => done(i.naturalWidth > 0), () => done(false)) })",
        arg=address,
    )


def test_student_brings_in_a_file_puts_it_right_and_takes_it_back(open_page: Open, tmp_path: Path) -> None:
    drawn = tmp_path / "bearing.dxf"
    drawn.write_bytes(demo_file("warp-beam-bearing", "Juan Sandoval", "lines.displaced"))
    useless = tmp_path / "photograph.dxf"
    useless.write_bytes(b"\x89PNG" + bytes(900))
    page = open_page("juan.sandoval")
    page.get_by_role("link", name=re.compile("Warp-beam bearing")).click()
    stage(page, "Hand in")
    views = sheet(page).locator('[data-role="view"]')
    _choose(page, "Bring in a file", useless)
    expect(page.get_by_role("alert")).to_contain_text("photograph.dxf: it is not a text DXF file")
    expect(views).to_have_count(0)
    _choose(page, "Bring in a file", drawn)
    expect(views).to_have_count(2)
    under = page.get_by_role("switch", name="bearing.dxf under the sheet")
    file = sheet(page).get_by_role("img", name="The file this sheet was read from")
    expect(under).to_be_checked()
    _loaded(page, file)
    under.press("Space")
    expect(file).to_have_count(0)
    found = page.get_by_label("Views found").get_by_role("listitem")
    expect(found).to_have_count(2)
    first = found.first.get_by_role("combobox")
    name = first.input_value()
    assert name in ("front", "top")
    first.select_option("none")
    expect(found.first).to_contain_text("fits no view of the part")
    first.select_option(name)
    expect(found.first).to_contain_text(re.compile(r"agrees on \d+ % of the ink"))
    saved(page)
    page.reload()
    stage(page, "Hand in")
    expect(found).to_have_count(2)
    for _ in range(3):
        page.keyboard.press("ControlOrMeta+z")
    page.get_by_role("button", name="Hand in", exact=True).last.click()
    page.get_by_role("button", name="Hand in now").click()
    expect(page.get_by_text(re.compile("handed in", re.I)).first).to_be_visible()


def test_student_chooses_the_page_of_a_pdf(open_page: Open, tmp_path: Path) -> None:
    part = demo_projected("reed-clamp")
    made = model_sheet(part, EXERCISES[0].task, Drafter("Ruben Achterberg", "Evening 2", "2026-11-20"))
    drawn = tmp_path / "sheets.pdf"
    drawn.write_bytes(write_pdf(part, made, HANDS[0], pages=2))
    set_exercise(
        open_page("ines.corvalho"), "reed clamp", "Clamp of a reed, on paper", {"views": ["front", "top", "right"]}
    )
    page = open_page("tor.brandvold")
    page.get_by_role("link", name=re.compile("Clamp of a reed, on paper")).click()
    stage(page, "Hand in")
    _choose(page, "Bring in a file", drawn)
    found = page.get_by_label("Views found").get_by_role("listitem")
    choice = page.get_by_label("Page of the file")
    # The first page is no sheet: the second is taken, and may be left for another.
    expect(choice).to_have_value("2")
    expect(found).to_have_count(4)
    choice.select_option("1")
    expect(found).to_have_count(0)
    choice.select_option("2")
    expect(found).to_have_count(4)


def test_instructor_pins_up_the_files_of_a_class(open_page: Open, tmp_path: Path) -> None:
    files = {
        "nela-havlik.dxf": demo_file("warp-beam-bearing", "N. H."),
        "bearing.dxf": demo_file("warp-beam-bearing", "Maya Okonedo", "alignment.offset", 1),
        "mine.dxf": demo_file("warp-beam-bearing", "somebody"),
        "broken.dxf": b"0\nSECTION",
    }
    for name, data in files.items():
        (tmp_path / name).write_bytes(data)
    page = open_page("ines.corvalho")
    page.get_by_role("link", name=re.compile("Warp-beam bearing")).click()
    _choose(page, "Bring in sheets", *(tmp_path / name for name in files))
    brought = page.get_by_label("Files brought in")
    expect(brought).to_contain_text("4 of 4 pages")
    expect(brought.get_by_role("listitem").filter(has_text="nela-havlik")).to_contain_text("Nela Havlík: pinned up")
    expect(brought.get_by_role("listitem").filter(has_text="bearing.dxf")).to_contain_text("Maya Okonedo: pinned up")
    expect(brought.get_by_role("listitem").filter(has_text="broken")).to_contain_text("there is no line in the file")
    brought.get_by_label("Student of mine.dxf").select_option(label="Rosa Quispe")
    expect(brought.get_by_role("listitem").filter(has_text="mine.dxf")).to_contain_text("Rosa Quispe: pinned up")
    page.get_by_role("button", name=re.compile("Sheet of Maya Okonedo")).click()
    expect(page.get_by_text(re.compile(r"3\.0 mm too far right"))).to_be_visible()
    page.keyboard.press("Escape")
    beside = page.get_by_label("Read from a file")
    expect(beside).to_contain_text("bearing.dxf")
    page.get_by_role("radiogroup", name="What is seen of the sheet").get_by_text("File", exact=True).click()
    _loaded(page, page.get_by_role("img", name="The file this sheet was read from"))
    with page.expect_download() as taken:
        beside.get_by_role("link", name="bearing.dxf").click()
    assert taken.value.suggested_filename == "bearing.dxf"
    assert Path(taken.value.path()).read_bytes() == files["bearing.dxf"]


def test_instructor_ticks_off_what_was_not_read_and_puts_a_size_right(open_page: Open, tmp_path: Path) -> None:
    """A size that says something else than the file is put right on the bench, with the file under it."""
    part, title = demo_projected("reed-clamp"), "Clamp of a reed, misread"
    drafter = Drafter("Kemi Oduya", "Evening 2", "2026-11-20")
    made = model_sheet(part, EXERCISES[0].task, drafter)
    wrong = made.dimensions[0].model_copy(update={"text": "777"})
    made = made.model_copy(update={"dimensions": (wrong, *made.dimensions[1:])})
    file = ezdxf.read(io.StringIO(write_sheet(part, made, CONVENTIONS[0], drawn_lines(part, made)).decode()))
    file.modelspace().add_3dface([(30, 40), (35, 40), (35, 45), (30, 45)])
    file.modelspace().add_aligned_dim((30, 200), (71, 213), 5, text="4711").render()
    drawn = tmp_path / "kemi-oduya.dxf"
    file.saveas(drawn)
    page = open_page("ines.corvalho")
    set_exercise(page, "reed clamp", title, {"views": ["front", "top", "right"], "paper": "A3"})
    page.reload()
    page.get_by_role("link", name=re.compile(title)).click()
    _choose(page, "Bring in sheets", drawn)
    expect(page.get_by_label("Files brought in")).to_contain_text("Kemi Oduya: pinned up")
    page.get_by_role("button", name=re.compile("Sheet of Kemi Oduya")).click()
    told = page.get_by_text(re.compile("777"))
    expect(told.first).to_be_visible()
    page.keyboard.press("Enter")
    beside = page.get_by_label("Read from a file")
    # What is in doubt is asked; what the file has beside that is told.
    expect(beside.get_by_label("Not read")).to_contain_text("3DFACE")
    question = beside.get_by_label("Questions").get_by_role("checkbox")
    expect(question).to_have_count(1)
    question.check()
    expect(beside).not_to_contain_text("tick them off")
    page.reload()
    expect(question).to_be_checked()
    beside.get_by_role("link", name="Correct what was read").click()
    _loaded(page, sheet(page).get_by_role("img", name="The file this sheet was read from"))
    expect(page.get_by_label("Views found").get_by_role("listitem")).to_have_count(4)
    judge = page.get_by_role("button", name="Judge again")
    expect(judge).to_be_disabled()
    stage(page, "Dimensions")
    page.get_by_label("Dimensions on the sheet").get_by_role("button", name=re.compile("777")).first.press("Enter")
    page.get_by_label("Typed over").fill("")
    page.keyboard.press("Tab")
    saved(page)
    page.reload()
    # What is under way is there again, and changes nothing yet.
    expect(sheet(page).locator('[data-role="dimension"]').filter(has_text="777")).to_have_count(0)
    judge.click()
    expect(beside).to_contain_text("corrected by hand")
    expect(page.get_by_text("Judged again as corrected")).to_be_visible()
    told = page.get_by_label("Slip").get_by_role("listitem").filter(has_text="777")
    expect(told).to_have_count(0)
    # And back again, once it is asked whether that is meant.
    beside.get_by_role("link", name="Correct what was read").click()
    back = page.get_by_role("button", name="As it was handed in")
    back.click()
    page.get_by_role("button", name="Go on correcting").click()
    back.press("Enter")
    page.get_by_role("button", name="Take it back").press("Enter")
    expect(beside).to_be_visible()
    expect(beside).not_to_contain_text("corrected by hand")
    expect(told).not_to_have_count(0)
