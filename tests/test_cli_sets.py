"""The command line on sets of sheets: several files, pages of one, and what is wrong with them."""

import json
from functools import cache
from pathlib import Path
from typing import Any

import pytest

from maqueta.cli import main
from maqueta.command import part_work, set_work, sheet_work
from maqueta.demo.put_together import demo_assembly
from maqueta.drawing.dxf import dxf
from maqueta.drawing.pdf import SheetPage, pages_pdf
from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.judging.set_survey import words_of
from maqueta.making.model_sheet import model_looks, model_sheet
from maqueta.projection.project import drawn
from maqueta.solid.assembly import WHOLE
from maqueta.solid.step_assembly import write_assembly
from maqueta.task.exercise import Exercise
from maqueta.task.sheet_set import SheetSet
from tests.assemblies import component_solid, solids_of
from tests.judging.set_scenes import (
    COMMON,
    DRAFTER,
    apart_projected,
    part_of,
    pedal_part,
    right_pedal,
    usual_set,
    written,
)
from tests.reading.dxf_writer import CONVENTIONS, drawn_lines, write_sheet

TASK = usual_set()
SHEETS = [{"shows": own.shows, "of": own.of, "title": own.title} for own in TASK.sheets]


@pytest.fixture(scope="module")
def folder(tmp_path_factory: pytest.TempPathFactory) -> Path:
    """The pedal as a STEP assembly, what is asked, and each sheet as DXF and as a document."""
    folder = tmp_path_factory.mktemp("set")
    assembly = demo_assembly("pedal")
    write_assembly(assembly, solids_of(assembly), folder / "pedal.step")
    (folder / "task.json").write_text(json.dumps({**COMMON, "sheets": SHEETS}))
    for number, (entry, sheet) in enumerate(zip(TASK.sheets, right_pedal(), strict=True), 1):
        part = part_of(entry)
        (folder / f"{number}.dxf").write_bytes(write_sheet(part, sheet, CONVENTIONS[0], drawn_lines(part, sheet)))
        (folder / f"{number}.json").write_text(sheet.model_dump_json())
    return folder


@cache
def parts_of(folder: Path) -> bytes:
    """The parts that the sheets of a folder's task are of."""
    asked = json.loads((folder / "task.json").read_text())["sheets"]
    apart = any(own.get("shows") == "pulled apart" for own in asked)
    return part_work.set_parts(folder / "pedal.step", [own.get("of") for own in asked], apart)


def judged(folder: Path, *sheets: str) -> dict[str, Any]:
    """The report on a set, made by the steps of the command without its processes."""
    parts = parts_of(folder)
    given = set_work.set_given(folder / "task.json", [folder / name for name in sheets])
    more: list[bytes] = []
    while not isinstance(report := set_work.judged_set(parts, given, more), dict):
        more.append(part_work.set_seen_so(folder / "pedal.step", report))
    return report


def checked(folder: Path, *sheets: str, task: str = "task.json") -> dict[str, Any]:
    out = folder / "report.json"
    files = [f"--sheet={folder / name}" for name in sheets]
    assert main(["check", f"--part={folder / 'pedal.step'}", f"--task={folder / task}", *files, f"--out={out}"]) == 0
    result: dict[str, Any] = json.loads(out.read_text())
    return result


def about_set(report: dict[str, Any]) -> list[tuple[int | None, str]]:
    # The little title block of these files has no room for a sheet's number.
    return [
        (own["sheet"], own["rule"])
        for own in report["findings"]
        if own["rule"].startswith("set.") and own["rule"] != "set.number"
    ]


def test_files_in_any_order_are_told_by_what_they_show(folder: Path) -> None:
    report = checked(folder, "3.dxf", "1.dxf", "4.dxf")
    assert [(own["file"], own["entry"], own["of"]) for own in report["sheets"]] == [
        ("3.dxf", 3, "Pedal lever"),
        ("1.dxf", 1, WHOLE),
        ("4.dxf", 4, "Pedal pin"),
    ]
    assert about_set(report) == [(None, "set.missing"), (None, "set.order")]
    assert report["missing"] == [{"entry": 2, "title": "Pedal fork", "of": "Pedal fork", "shows": "views"}]
    of_sheets = [own for own in report["findings"] if own["severity"] == "error" and own["sheet"] is not None]
    assert {own["rule"] for own in of_sheets} == {"title.missing"}
    six = report["sheets"][1]
    assert {view["name"] for view in six["views"]} == {"front", "top", "right", "left", "bottom", "rear"}
    assert six["part"]["extents"] == pytest.approx(list(part_of(TASK.sheets[0]).part.extents), abs=1e-3)
    assert {"name": "Pedal lever", "sheets": [1], "determined": True} in report["parts"]


def test_pages_of_one_file_are_sheets_in_their_order(folder: Path) -> None:
    pages = [
        SheetPage(sheet_ink(part_of(entry), sheet), sheet.paper.layout, entry.title)
        for entry, sheet in zip(TASK.sheets, right_pedal(), strict=True)
    ]
    (folder / "all.pdf").write_bytes(pages_pdf(pages, "Pedal"))
    report = judged(folder, "all.pdf")
    assert [(own["file"], own["page"], own["entry"]) for own in report["sheets"]] == [
        ("all.pdf", page, page) for page in range(1, 5)
    ]
    assert [own for own in report["findings"] if own["severity"] == "error"] == []
    # Here the title blocks say which sheet of how many each is.
    assert [own["rule"] for own in report["findings"] if own["rule"].startswith("set.")] == []
    alone = judged(folder, "all.pdf#2")
    assert [(own["page"], own["entry"]) for own in alone["sheets"]] == [(2, 2)]
    assert len(alone["missing"]) == 3


def test_sheet_documents_of_a_set_are_told_by_their_title_blocks(folder: Path) -> None:
    report = judged(folder, "4.json", "2.json", "1.json", "3.json", "3.json")
    assert [own["entry"] for own in report["sheets"]] == [4, 2, 1, 3, 3]
    assert (5, "set.order") in about_set(report)


@pytest.mark.parametrize(
    ("task", "sheets", "said"),
    [
        ({"sheets": [{"of": "Pedal spring"}]}, ["2.dxf"], "no part “Pedal spring”; it has Pedal bush, Pedal fork"),
        ({"sheets": [{"scale": "large"}]}, ["2.dxf"], "sheets.0.scale: "),
        ({"sheets": [{}], "shetes": 3}, ["2.dxf"], "shetes: "),
        ({"sheets": []}, ["2.dxf"], "sheets: "),
        ({"title": "One"}, ["2.dxf", "3.dxf"], "it asks for one sheet, and 2 are given"),
        ({"sheets": [{}]}, ["2.dxf", "none.dxf"], "none.dxf: there is no such file"),
        ({"sheets": [{}] * 61}, ["2.dxf"], "sheets: "),
    ],
)
def test_what_cannot_be_used_is_named(
    folder: Path, task: dict[str, Any], sheets: list[str], said: str, capsys: pytest.CaptureFixture[str]
) -> None:
    (folder / "odd.json").write_text(json.dumps(task))
    files = [f"--sheet={folder / name}" for name in sheets]
    assert main(["check", f"--part={folder / 'pedal.step'}", f"--task={folder / 'odd.json'}", *files]) == 2
    assert said in capsys.readouterr().err


def test_sheets_are_called_by_their_title_or_by_what_they_are_of() -> None:
    assert [words_of(own) for own in TASK.sheets] == ["Six sides", "Pedal fork", "Pedal lever", "Pedal pin"]


def test_a_pulled_apart_sheet_and_a_list_are_sheets_of_a_set(tmp_path: Path) -> None:
    """The shuttle: six sides, pulled apart with balloons, and its list on a sheet of its own, as pages of one PDF."""
    assembly = demo_assembly("shuttle")
    write_assembly(assembly, solids_of(assembly), tmp_path / "pedal.step")
    asked = {
        "paper": "A3",
        "pictorial": "unwanted",
        "dimensioning": {"required": False},
        "sheets": [{"shows": "six sides"}, {"shows": "pulled apart"}, {"shows": "parts list"}],
    }
    (tmp_path / "task.json").write_text(json.dumps(asked))
    whole, task = apart_projected("shuttle"), SheetSet.model_validate(asked)
    sheets = [
        written(model_sheet(whole, entry, DRAFTER), sheet=f"{number} / 3")
        for number, entry in enumerate(task.sheets, 1)
    ]
    # STEP has no materials: the list is written without.
    listed = sheets[2].parts_list
    assert listed is not None
    assert sheets[1].parts_list is None
    pages = [SheetPage(sheet_ink(whole, sheet), sheet.paper.layout, f"sheet {k}") for k, sheet in enumerate(sheets)]
    (tmp_path / "all.pdf").write_bytes(pages_pdf([pages[0], pages[2], pages[1]], "Shuttle"))
    report = judged(tmp_path, "all.pdf")
    assert [own["shows"] for own in report["sheets"]] == ["six sides", "parts list", "pulled apart"]
    assert [own["rule"] for own in report["findings"] if own["severity"] == "error"] == []
    assert about_set(report) == [(None, "set.order")]


def test_one_sheet_of_an_assembly_pulled_apart_is_checked_like_any(tmp_path: Path) -> None:
    assembly = demo_assembly("pedal")
    write_assembly(assembly, solids_of(assembly), tmp_path / "pedal.step")
    (tmp_path / "task.json").write_text(json.dumps({"shows": "pulled apart"}))
    whole = apart_projected("pedal")
    sheet = model_sheet(whole, Exercise.model_validate({"shows": "pulled apart"}), DRAFTER)
    less = sheet.model_copy(update={"balloons": sheet.balloons[1:]})
    (tmp_path / "sheet.dxf").write_bytes(dxf(sheet_ink(whole, less), {}))
    report = checked(tmp_path, "sheet.dxf")
    # The same by its steps, without the processes of the command.
    part = part_work.projected(tmp_path / "pedal.step", apart=True)
    given, looks = sheet_work.given(tmp_path / "task.json", tmp_path / "sheet.dxf")
    assert looks is None
    assert sheet_work.judged(tmp_path / "sheet.dxf", part, given, []) == report
    assert [own["message"] for own in report["findings"]] == ["Pedal fork has no balloon."]
    assert report["criteria"]["assembly"] == {"outcome": "not-met", "points": 10.0, "of": 12.0}


def test_a_set_with_a_section_has_its_part_drawn_as_the_sheet_shows_it(tmp_path: Path) -> None:
    """A page that holds nothing, a sheet document with a section, and one of a view from anywhere."""
    (tmp_path / "pedal.step").write_bytes(b"")
    assembly = demo_assembly("pedal")
    write_assembly(assembly, solids_of(assembly), tmp_path / "pedal.step")
    asked = [
        {"of": "Pedal bush", "title": "Bush", "special": [{"kind": "section"}]},
        {"of": "Pedal pin", "title": "Pin"},
    ]
    (tmp_path / "task.json").write_text(json.dumps({"paper": "A3", "sheets": asked}))
    task = SheetSet.model_validate({"paper": "A3", "sheets": asked})
    bush, pin = pedal_part("pedal-bush"), pedal_part("pedal-pin")
    seen = bush.with_looks(drawn(*component_solid("pedal-bush"), model_looks(bush, task.sheets[0])))
    sheet = written(model_sheet(seen, task.sheets[0], DRAFTER), sheet="1/2", title="BUSH")
    (tmp_path / "bush.json").write_text(sheet.model_dump_json())
    plain = written(model_sheet(pin, task.sheets[1], DRAFTER), sheet="2/2", title="PIN")
    empty = SheetPage((), plain.paper.layout, "")
    (tmp_path / "pin.pdf").write_bytes(
        pages_pdf([SheetPage(sheet_ink(pin, plain), plain.paper.layout, ""), empty], "Pin")
    )
    report = judged(tmp_path, "bush.json", "pin.pdf")
    assert [own["entry"] for own in report["sheets"]] == [1, 2, None]
    assert [view["kind"] for view in report["sheets"][0]["views"]].count("section") == 1
    assert not [own for own in report["findings"] if own["sheet"] == 1 and own["rule"].startswith("section.")]
    assert report["sheets"][2]["not_read"] != []
    assert (3, "set.order") in about_set(report)
