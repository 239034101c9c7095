"""Speed of reading and judging sheets drawn elsewhere."""

import os
import subprocess
import sys
import tempfile
import time
from collections.abc import Callable, Sequence
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path

import pypdfium2
from tests.judging.set_scenes import DRAFTER, apart_projected, asked, came, drawn_as, pedal_part
from tests.parts import demo_projected
from tests.reading.dxf_writer import CONVENTIONS, write_sheet
from tests.reading.pdf_writer import HANDS, write_pdf
from tests.reading.planted import Case, case
from tests.reading.random_parts import random_recipe
from tests.reading.scan_writer import Level, scan
from tests.reading.svg_writer import PROGRAMS, write_svg

from maqueta.drawing.dxf import dxf
from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.judging.report import check
from maqueta.judging.sheet_set import check_sheets
from maqueta.judging.survey import Survey
from maqueta.making.model_sheet import model_sheet
from maqueta.projection.projected_part import to_json
from maqueta.reading.delivered import read_delivered
from maqueta.reading.file_content import content_of
from maqueta.service.queue.crews import Crews
from maqueta.service.settings import Settings
from maqueta.service.workers import KernelWorkers
from maqueta.sheet.document import SheetDocument
from maqueta.store.files import FileStore, StoredFile
from maqueta.task.exercise import Exercise

Row = Callable[[str, str, str, bool | None], None]
Milliseconds = Callable[..., list[float]]
_SHEETS = 100
#: The part and sheet by their number among the random ones.
_NUMBER = 5
#: Demo parts whose sheets have hundreds of dashes.
_MANY_PATHS = ("pedal-hinge", "pawl-carrier", "crank-flange")


def sheet_rows(row: Row, milliseconds: Milliseconds) -> None:
    """Comparing drafted views, reading one file, and a class's files on two cores."""
    one = case(_NUMBER)
    strokes = next(how for how in CONVENTIONS if how.name == "strokes on named layers")
    data = write_sheet(one.part, one.sheet, strokes)
    entities = data.count(b"\n  0\n")
    document = read_delivered(data, one.part, one.task).document
    [spent] = milliseconds(lambda: Survey(one.part, one.task, document).compared)
    row("comparing three drafted views", f"{spent:.1f} ms", "30 ms", spent <= 30)
    [spent] = milliseconds(lambda: read_delivered(data, one.part, one.task), rounds=3)
    row(f"reading a DXF sheet of {entities} entities", f"{spent / 1000:.2f} s", "1 s", spent <= 1000)
    pages = {
        "PDF": write_pdf(one.part, one.sheet, HANDS[0]),
        "SVG": write_svg(one.part, one.sheet, PROGRAMS[0]),
    }
    for kind, page in pages.items():
        paths = len(content_of(page).strokes)
        [spent] = milliseconds(lambda page=page: content_of(page), rounds=5)
        row(f"{kind} page of {paths} lines, as it stands", f"{spent:.0f} ms", "", None)
        [spent] = milliseconds(lambda page=page: read_delivered(page, one.part, one.task), rounds=3)
        row(f"reading a {kind} sheet of {paths} lines", f"{spent / 1000:.2f} s", "1 s", spent <= 1000)
    _paths_rows(row, milliseconds)
    scanned = scan(pages["PDF"], Level("300 dots an inch", dots=300))
    [spent] = milliseconds(lambda: read_delivered(scanned, one.part, one.task), rounds=2)
    row(f"reading a scan of {one.task.paper} at 300 dots an inch", f"{spent / 1000:.1f} s", "10 s", spent <= 10_000)
    first, again = _whole_process(one, data)
    row("`maqueta check` of a DXF sheet, part not seen before", f"{first:.2f} s", "1.5 s", first <= 1.5)
    row("the same for another sheet of that part", f"{again:.2f} s", "1.5 s", again <= 1.5)
    seconds = _class(one, [data] * _SHEETS)
    row(f"{_SHEETS} DXF sheets of one exercise, two at a time", f"{seconds:.1f} s", "15 s", seconds <= 15)
    page = scan(pages["PDF"], Level("200 dots an inch"))
    mixed = [kind for kind, share in ((data, 4), (pages["PDF"], 3), (pages["SVG"], 2), (page, 1)) for _ in range(share)]
    seconds = _class(one, mixed * (_SHEETS // len(mixed)))
    row(f"{_SHEETS} mixed files, one in ten a scan, two at a time", f"{seconds:.0f} s", "120 s", seconds <= 120)


def _paths_rows(row: Row, milliseconds: Milliseconds) -> None:
    """PDF sheets of many paths: every dash is one, of straight hidden lines or of hidden circles."""
    loose = next(hand for hand in HANDS if hand.name == "loose dashes")
    task = Exercise.model_validate({"views": ["front", "top", "right"], "paper": "A2"})
    for slug in _MANY_PATHS:
        part = demo_projected(slug)
        page = write_pdf(part, model_sheet(part, task, DRAFTER), loose)
        paths = len(list(pypdfium2.PdfDocument(page)[0].get_objects(filter=[pypdfium2.raw.FPDF_PAGEOBJ_PATH])))
        [spent] = milliseconds(lambda page=page, part=part: read_delivered(page, part, task), rounds=3)
        row(f"reading a PDF sheet of {paths} paths, {slug}", f"{spent / 1000:.2f} s", "1 s", spent <= 1000)


def set_rows(row: Row, milliseconds: Milliseconds) -> None:
    """A set of seven sheets: six sides of the puzzle cube, its pieces pulled apart, and one sheet for each of five."""
    whole = apart_projected("puzzle-cube")
    pieces = {own.part.name: own for own in (pedal_part(f"cube-piece-{letter}") for letter in "abcde")}
    task = asked({"shows": "six sides"}, {"shows": "pulled apart"}, *({"of": name} for name in pieces))
    parts = [whole, whole, *pieces.values()]
    sheets = [model_sheet(part, entry, DRAFTER) for part, entry in zip(parts, task.sheets, strict=True)]
    drawn = came([drawn_as(sheet, part) for sheet, part in zip(sheets, parts, strict=True)])
    [spent] = milliseconds(lambda: check_sheets(task, parts, drawn), rounds=5)
    row("checking a set of seven drafted sheets", f"{spent:.0f} ms", "500 ms", spent <= 500)
    apart = dxf(sheet_ink(whole, sheets[1]), {})
    [spent] = milliseconds(lambda: read_delivered(apart, whole, task.sheets[1]), rounds=3)
    row("reading a DXF sheet of five parts pulled apart", f"{spent:.0f} ms", "", None)


def _whole_process(one: Case, data: bytes) -> tuple[float, float]:
    """The least time of a check as a process of its own: with an empty cache, and with the part in it."""
    with tempfile.TemporaryDirectory() as name:
        folder = Path(name)
        (folder / "part.json").write_text(random_recipe(_NUMBER).model_dump_json())
        (folder / "sheet.dxf").write_bytes(data)
        (folder / "task.json").write_text(one.task.model_dump_json())
        inputs = [f"--{kind}={folder / file}" for kind, file in (("part", "part.json"), ("task", "task.json"))]
        inputs += [f"--sheet={folder / 'sheet.dxf'}", f"--out={folder / 'report.json'}"]

        def spent(cache: str) -> float:
            start = time.perf_counter()
            command = [sys.executable, "-m", "maqueta.cli", "check", *inputs]
            subprocess.run(command, check=True, env=os.environ | {"XDG_CACHE_HOME": str(folder / cache)})
            return time.perf_counter() - start

        return min(spent(f"cache-{number}") for number in range(5)), min(spent("cache-0") for _ in range(5))


def _class(one: Case, sheets: Sequence[bytes]) -> float:
    """Seconds to read and judge the files of a class, two at a time."""
    settings = Settings()
    crews = Crews(settings)
    readers = KernelWorkers(settings, crews)
    with tempfile.TemporaryDirectory() as folder:
        files = FileStore(Path(folder))
        kept = StoredFile(files, files.put(to_json(one.part)))

        def judged(data: bytes) -> int:
            work = readers.read_sheet(data, 1, kept, one.task)
            return len(check(one.part, one.task, SheetDocument.model_validate_json(work.document)).findings)

        try:
            judged(sheets[0])
            start = time.perf_counter()
            with ThreadPoolExecutor(2) as pool:
                list(pool.map(judged, sheets))
            return time.perf_counter() - start
        finally:
            crews.close()
