"""The command line on STEP assemblies: what it tells of their parts, and sheets of the whole."""

import json
from pathlib import Path
from typing import Any

import pytest

from maqueta.cli import main
from maqueta.demo.put_together import demo_assembly
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.projection.project import project
from maqueta.solid.source import load_part
from maqueta.solid.step_assembly import write_assembly
from maqueta.task.exercise import Exercise
from tests.assemblies import component_solid, solids_of
from tests.reading.dxf_writer import CONVENTIONS, drawn_lines, write_sheet

SIX = ("front", "top", "right", "left", "bottom", "rear")
TASK = {"title": "Pedal", "views": SIX, "paper": "A2", "pictorial": "unwanted", "dimensioning": {"required": False}}
DRAFTER = Drafter("A. Tester", "Evening 2", "2026-11-28")


@pytest.fixture(scope="module")
def pedal(tmp_path_factory: pytest.TempPathFactory) -> Path:
    assembly = demo_assembly("pedal")
    path = tmp_path_factory.mktemp("assembly") / "pedal.step"
    write_assembly(assembly, solids_of(assembly), path)
    return path


def checked(pedal: Path, sheet: bytes, folder: Path, capsys: pytest.CaptureFixture[str]) -> dict[str, Any]:
    (folder / "sheet.dxf").write_bytes(sheet)
    (folder / "task.json").write_text(json.dumps(TASK))
    arguments = [f"--part={pedal}", f"--sheet={folder / 'sheet.dxf'}", f"--task={folder / 'task.json'}"]
    assert main(["check", *arguments]) == 0
    result: dict[str, Any] = json.loads(capsys.readouterr().out)
    return result


def errors(report: dict[str, Any]) -> set[str]:
    return {own["rule"] for own in report["findings"] if own["severity"] == "error"}


def test_analyse_tells_the_parts_of_an_assembly_one_by_one(pedal: Path, capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["analyse", "--part", str(pedal)]) == 0
    told = json.loads(capsys.readouterr().out)
    assert told["part"]["solids"] == 4
    assert [own["name"] for own in told["components"]] == ["Pedal fork", "Pedal lever", "Pedal bush", "Pedal pin"]
    assert [(own["number"], own["quantity"]) for own in told["parts"]] == [(1, 1), (2, 1), (3, 1), (4, 1)]
    fork = told["parts"][0]
    assert fork["part"]["extents"] == [60, 60, 48]
    # Three holes of two sizes: what its drawing demands is its own, whatever it stands in.
    assert sorted(own["diameter"] for own in fork["features"] if own["kind"] == "hole") == [6, 6, 12, 12]
    assert len(fork["ranking"]) == 24


def test_six_sides_of_an_assembly_are_judged_across_its_parts(
    pedal: Path, tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    whole = project(*load_part(pedal)[:2])
    assert [own.name for own in whole.part.components] == ["Pedal fork", "Pedal lever", "Pedal bush", "Pedal pin"]
    sheet = model_sheet(whole, Exercise.model_validate(TASK), DRAFTER)
    report = checked(pedal, write_sheet(whole, sheet, CONVENTIONS[0], drawn_lines(whole, sheet)), tmp_path, capsys)
    assert errors(report) == set()
    assert {view["name"] for view in report["views"]} == set(SIX)
    assert "parts of an assembly" in report["dimensioning"]["not_judged"]


def test_an_assembly_without_its_lever_lacks_lines(
    pedal: Path, tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    """The sheet shows what is left when the lever is taken out: its lines are missing, and others are not hidden."""
    whole = project(*load_part(pedal)[:2])
    assembly = demo_assembly("pedal")
    kept = tuple(own for own in assembly.components if own.id != "lever")
    path = tmp_path / "less.step"
    write_assembly(assembly.model_copy(update={"components": kept}), solids_of(assembly), path)
    less = project(*load_part(path)[:2])
    sheet = model_sheet(whole, Exercise.model_validate(TASK), DRAFTER)
    report = checked(pedal, write_sheet(less, sheet, CONVENTIONS[0], drawn_lines(less, sheet)), tmp_path, capsys)
    assert "lines.missing-visible" in errors(report)
    assert component_solid("pedal-lever")[1].name == "Pedal lever"
