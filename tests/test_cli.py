"""The command line: reports, exit status, one-line errors."""

import json
from pathlib import Path
from typing import Any

import pytest

from maqueta.checking.model_sheet import Drafter, model_sheet
from maqueta.cli import main
from maqueta.demo.mistakes import MISTAKES
from maqueta.demo.workshop import EXERCISES, demo_recipe
from maqueta.solid.step import write_step
from tests.parts import demo_projected, demo_solid
from tests.reading.dxf_writer import CONVENTIONS, write_sheet
from tests.reading.planted import case
from tests.reading.random_parts import random_recipe


@pytest.fixture
def inputs(tmp_path: Path) -> dict[str, Path]:
    task = EXERCISES[0].task
    sheet = model_sheet(demo_projected("reed-clamp"), task, Drafter("A. Tester", "Evening 2", "2026-11-20"))
    files = {"part": tmp_path / "part.json", "sheet": tmp_path / "sheet.json", "task": tmp_path / "task.json"}
    files["part"].write_text(demo_recipe("reed-clamp").model_dump_json())
    files["sheet"].write_text(sheet.model_dump_json())
    files["task"].write_text(json.dumps(task.model_dump(mode="json")))
    return files


def run(inputs: dict[str, Path], capsys: pytest.CaptureFixture[str], *more: str) -> tuple[int, Any, str]:
    arguments = ["check", *(word for key, path in inputs.items() for word in (f"--{key}", str(path))), *more]
    status = main(arguments)
    captured = capsys.readouterr()
    return status, json.loads(captured.out) if captured.out else None, captured.err


def test_faultless_sheet(inputs: dict[str, Path], capsys: pytest.CaptureFixture[str]) -> None:
    status, result, errors = run(inputs, capsys)
    assert (status, errors) == (0, "")
    assert result["findings"] == []
    assert result["not_read"] == []


def test_found_mistakes_are_no_failure(inputs: dict[str, Path], capsys: pytest.CaptureFixture[str]) -> None:
    sheet = MISTAKES["top out of line"](
        demo_projected("reed-clamp"),
        model_sheet(demo_projected("reed-clamp"), EXERCISES[0].task, Drafter("A", "B", "C")),
    )
    inputs["sheet"].write_text(sheet.model_dump_json())
    status, result, _ = run(inputs, capsys)
    assert status == 0
    assert [f["rule"] for f in result["findings"]] == ["alignment.offset"]


def test_step_part_gives_the_same_findings(
    inputs: dict[str, Path], tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    step = tmp_path / "part.step"
    write_step(demo_solid("reed-clamp")[0], "mm", step)
    status, result, _ = run({**inputs, "part": step}, capsys)
    assert status == 0
    assert result["findings"] == []
    assert result["part"]["extents"] == [96, 48, 50]


def test_analyse_ranks_and_counts(inputs: dict[str, Path], capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["analyse", "--part", str(inputs["part"])]) == 0
    result = json.loads(capsys.readouterr().out)
    assert len(result["ranking"]) == 24
    assert result["part"]["units"] == "mm"
    assert result["dimensioning"]["needed"] == len(result["dimensioning"]["proposal"]) == 18
    assert {f["kind"] for f in result["features"]} == {"hole"}
    assert result["views"]["needed"] == ["front", "top", "right"]


@pytest.mark.parametrize(
    ("key", "content", "where"),
    [
        ("task", '{"colour": "red"}', "colour"),
        ("task", '{"dimensioning": {"decimals": 99}}', "dimensioning.decimals"),
        ("task", '{"scale": "big"}', "scale"),
        ("task", "[1, 2", "not JSON"),
        ("sheet", '{"views": [{"id": "v1", "side": "-y", "up": "+z", "at": [NaN, 0]}]}', "NaN"),
        ("sheet", '{"surprise": 1}', "surprise"),
        ("part", '{"name": "p", "features": []}', "features"),
        ("part", '{"name": "p", "features": [{"kind": "block", "size": [0, 1, 1]}]}', "size"),
        ("part", "\x00\x01", "JSON"),
    ],
)
def test_unusable_input_is_one_line_naming_file_and_place(
    inputs: dict[str, Path], tmp_path: Path, capsys: pytest.CaptureFixture[str], key: str, content: str, where: str
) -> None:
    inputs[key].write_text(content)
    out = tmp_path / "report.json"
    status, _, errors = run(inputs, capsys, "--out", str(out))
    assert status == 2
    assert errors.count("\n") == 1
    assert str(inputs[key]) in errors
    assert where in errors
    assert not out.exists()


def test_missing_file_and_missing_folder(inputs: dict[str, Path], capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["analyse", "--part", "/nowhere/part.step"]) == 2
    assert "/nowhere/part.step" in capsys.readouterr().err
    status, _, errors = run(inputs, capsys, "--out", "/nowhere/report.json")
    assert (status, "folder does not exist" in errors) == (2, True)


def test_report_is_written_whole(inputs: dict[str, Path], tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    out = tmp_path / "report.json"
    status, printed, _ = run(inputs, capsys, "--out", str(out))
    assert (status, printed) == (0, None)
    assert json.loads(out.read_text())["format"] == 1
    assert list(tmp_path.glob("tmp*")) == []


def test_sheet_of_another_kind_is_refused_in_words(
    inputs: dict[str, Path], tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    drawing = tmp_path / "sheet.pdf"
    drawing.write_text("%PDF")
    status, _, errors = run({**inputs, "sheet": drawing}, capsys)
    assert (status, "a sheet is a document (.json) or a DXF file" in errors) == (2, True)


def test_dxf_sheet_is_read_and_checked(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    faultless = case(3)
    files = {name: tmp_path / f"{name}.{end}" for name, end in (("part", "json"), ("sheet", "dxf"), ("task", "json"))}
    files["part"].write_text(random_recipe(3).model_dump_json())
    files["sheet"].write_bytes(write_sheet(faultless.part, faultless.sheet, CONVENTIONS[0]))
    asked = {"views", "angle", "paper", "front", "scale", "pictorial", "title_fields"}
    files["task"].write_text(faultless.task.model_dump_json(include=asked))
    out = tmp_path / "report.json"
    status, _, errors = run(files, capsys, "--out", str(out))
    assert (status, errors) == (0, "")
    report = json.loads(out.read_text())
    assert sorted(view["name"] for view in report["views"]) == ["front", "right", "top"]
    assert all(view["match"] > 0.999 for view in report["views"])
    assert [f["rule"] for f in report["findings"] if f["severity"] == "error"] == []
    assert report["not_read"] == []


def test_unreadable_dxf_is_one_line(
    inputs: dict[str, Path], tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    drawing = tmp_path / "sheet.dxf"
    drawing.write_bytes(bytes(range(256)) * 40)
    status, _, errors = run({**inputs, "sheet": drawing}, capsys)
    assert status == 2
    assert errors.strip() == f"{drawing}: it is not a text DXF file"
