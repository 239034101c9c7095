"""The command line: reports, exit status, one-line errors."""

import io
import json
import os
import signal
import subprocess
import sys
import time
from pathlib import Path
from typing import Any

import ezdxf
import pytest
from OCP.BRepBuilderAPI import BRepBuilderAPI_Transform
from OCP.gp import gp_Pnt, gp_Trsf

from maqueta.cli import main
from maqueta.command import kept_parts, part_work
from maqueta.confined import Confinement
from maqueta.demo.mistakes import MISTAKES
from maqueta.demo.workshop import EXERCISES, demo_recipe
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.projection.attitude import Attitude
from maqueta.projection.look import Look
from maqueta.sheet.view_graph import folded
from maqueta.solid.step import write_step
from tests.parts import block, demo_projected, demo_solid, hole, made
from tests.reading.dxf_writer import CONVENTIONS, write_sheet
from tests.reading.pdf_writer import HANDS, write_pdf
from tests.reading.planted import case
from tests.reading.random_parts import random_recipe

pytestmark = pytest.mark.usefixtures("own_cache")


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
    assert (result["not_read"], result["questions"]) == ([], [])


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
    assert result["dimensioning"]["needed"] == 18
    # Two pairs of equal holes are written once each.
    proposal = result["dimensioning"]["proposal"]
    assert sum(item["count"] for item in proposal) == 18
    assert sorted(item["count"] for item in proposal if item["count"] > 1) == [2, 2]
    assert {f["kind"] for f in result["features"]} == {"hole"}
    assert result["views"]["needed"] == ["front", "top", "right"]


@pytest.mark.parametrize(
    ("key", "content", "where"),
    [
        ("task", '{"colour": "red"}', "colour"),
        ("task", '{"dimensioning": {"decimals": 99}}', "dimensioning.decimals"),
        ("task", '{"scale": "big"}', "scale"),
        ("task", "[1, 2", "not JSON"),
        ("sheet", '{"views": [{"id": "v1", "side": "-y", "up": "+z", "at": [NaN, 0]}]}', "views.0.at.0"),
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
    drawing = tmp_path / "sheet.dxf"
    drawing.write_bytes(b"\xff\xd8\xff\xe0" + bytes(200))
    status, _, errors = run({**inputs, "sheet": drawing}, capsys)
    assert status == 2
    assert "sheet.dxf: this picture cannot be opened" in errors


def test_a_page_of_a_pdf_is_named_by_its_number(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    faultless = case(3)
    files = {name: tmp_path / f"{name}.json" for name in ("part", "task")}
    files["part"].write_text(random_recipe(3).model_dump_json())
    asked = {"views", "angle", "paper", "front", "scale", "pictorial", "title_fields"}
    files["task"].write_text(faultless.task.model_dump_json(include=asked))
    (tmp_path / "sheets.pdf").write_bytes(write_pdf(faultless.part, faultless.sheet, HANDS[0], pages=2))
    status, printed, errors = run({**files, "sheet": tmp_path / "sheets.pdf#2"}, capsys)
    assert (status, errors) == (0, "")
    report = printed
    assert sorted(view["name"] for view in report["views"]) == ["front", "right", "top"]
    assert [f["rule"] for f in report["findings"] if f["severity"] == "error"] == []
    status, _, errors = run({**files, "sheet": tmp_path / "sheets.pdf#3"}, capsys)
    assert status == 2
    assert "the file has no page 3" in errors


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


def _solid(change: Any) -> Any:
    shape, _ = made(block((80, 40, 20)), hole((20, 15, 20), "-z", 8))
    move = gp_Trsf()
    move.SetScale(gp_Pnt(0, 0, 0), change)
    return BRepBuilderAPI_Transform(shape, move, True).Shape()


def _dxf(draw: Any) -> bytes:
    document: Any = ezdxf.new()
    draw(document)
    target = io.StringIO()
    document.write(target)
    return target.getvalue().encode("utf-8")


def _self_inserting(document: Any) -> None:
    document.blocks.new("A").add_blockref("A", (1, 1))
    document.modelspace().add_blockref("A", (0, 0))


def _endless_rows(document: Any) -> None:
    document.blocks.new("A").add_line((0, 0), (20, 10))
    rows = {"row_count": 30_000, "column_count": 30_000, "row_spacing": 30, "column_spacing": 30}
    document.modelspace().add_blockref("A", (0, 0), dxfattribs=rows)


def _endless_curve() -> bytes:
    # The writing library takes minutes for so many points: a short curve is lengthened in the text.
    short = _dxf(lambda document: document.modelspace().add_lwpolyline([(0.5, 0.25), (7.5, 3.25)]))
    first, second = b" 10\n0.5\n 20\n0.25\n", b" 10\n7.5\n 20\n3.25\n"
    assert b" 90\n2\n" in short
    return short.replace(b" 90\n2\n", b" 90\n100000\n").replace(first + second, 50_000 * (first + second))


def _strange_lines(document: Any) -> None:
    document.blocks.new("A").add_line((0, 0), (200, 100))
    document.blocks.get("A").add_blockref("A", (1, 1))
    document.modelspace().add_blockref("A", (0, 0))


@pytest.mark.parametrize(
    ("drawn", "words"),
    [
        (lambda: _dxf(_self_inserting), "no line"),
        (_endless_curve, "100000 points"),
        (lambda: _dxf(_endless_rows), "m large"),
        (lambda: _dxf(_strange_lines), None),
    ],
)
def test_odd_sheets_are_refused_in_one_line_or_read(
    inputs: dict[str, Path], tmp_path: Path, capsys: pytest.CaptureFixture[str], drawn: Any, words: str | None
) -> None:
    sheet = tmp_path / "odd.dxf"
    sheet.write_bytes(drawn())
    status, result, errors = run({**inputs, "sheet": sheet}, capsys)
    if words is None:
        assert (status, errors) == (0, "")
        assert result["not_read"]
        assert "views.missing" in {finding["rule"] for finding in result["findings"]}
    else:
        assert status == 2
        assert words in errors
        assert errors.count("\n") == 1


@pytest.mark.parametrize(
    ("spoil", "words"),
    [
        (lambda text: text.replace("80.", "NAN"), "no usable numbers"),
        (lambda text: text.replace("80.", "1.E400"), "no usable numbers"),
        (lambda text: text[: len(text) // 2], "damaged"),
    ],
)
def test_spoilt_step_files_are_refused_in_one_line(
    inputs: dict[str, Path], tmp_path: Path, capsys: pytest.CaptureFixture[str], spoil: Any, words: str
) -> None:
    step = tmp_path / "part.step"
    write_step(_solid(1.0), "mm", step)
    step.write_text(spoil(step.read_text()))
    status, result, errors = run({**inputs, "part": step}, capsys)
    assert (status, result) == (2, None)
    assert words in errors
    assert errors.startswith(str(step))
    assert errors.count("\n") == 1


@pytest.mark.parametrize("factor", [1e-7, 1e8])
def test_solids_of_no_usable_size_are_refused(
    inputs: dict[str, Path], tmp_path: Path, capsys: pytest.CaptureFixture[str], factor: float
) -> None:
    step = tmp_path / "part.step"
    write_step(_solid(factor), "mm", step)
    status, _, errors = run({**inputs, "part": step}, capsys)
    assert status == 2
    assert "mm large" in errors


@pytest.mark.parametrize(
    ("content", "key"),
    [
        ('{"tolerance_mm": NaN}', "tolerance_mm"),
        ('{"tolerance_mm": -Infinity}', "tolerance_mm"),
        ('{"thresholds": {"gaps_mm": 1e999}}', "thresholds.gaps_mm"),
    ],
)
def test_numbers_that_are_none_name_their_key(
    inputs: dict[str, Path], capsys: pytest.CaptureFixture[str], content: str, key: str
) -> None:
    inputs["task"].write_text(content)
    status, _, errors = run(inputs, capsys)
    assert status == 2
    assert f": {key}: " in errors


def test_the_waiting_process_loads_neither_kernel_nor_reader() -> None:
    loaded = "import sys, maqueta.cli; print(*sorted({name.partition('.')[0] for name in sys.modules}))"
    names = subprocess.run([sys.executable, "-c", loaded], capture_output=True, text=True, check=True).stdout.split()
    assert "pebble" in names
    assert not {"OCP", "numpy", "shapely", "ezdxf"}.intersection(names)


@pytest.mark.parametrize(
    ("half", "needed", "other"),
    [
        ("sheet_work", {"shapely"}, {"OCP", "scipy", "networkx", "cv2", "svgelements", "pdfminer"}),
        ("part_work", {"OCP"}, {"scipy", "networkx", "ezdxf"}),
    ],
)
def test_each_half_of_a_check_loads_what_most_sheets_need(half: str, needed: set[str], other: set[str]) -> None:
    """Whoever checks one sheet waits for what is loaded; what reads another kind of file is loaded with the first."""
    loaded = f"import sys, maqueta.command.{half}; print(*sorted({{name.partition('.')[0] for name in sys.modules}}))"
    names = subprocess.run([sys.executable, "-c", loaded], capture_output=True, text=True, check=True).stdout.split()
    assert needed <= set(names)
    assert not other.intersection(names)


def test_a_sheet_that_cannot_be_used_is_told_without_waiting_for_the_part(
    inputs: dict[str, Path], capsys: pytest.CaptureFixture[str], monkeypatch: pytest.MonkeyPatch, tmp_path: Path
) -> None:
    """The part is worked on meanwhile; that work is stopped, and nothing of it stays behind."""
    began = tmp_path / "began"

    def never_ends(_: Path) -> bytes:
        began.write_text(str(os.getpid()))
        while True:
            time.sleep(0.05)

    monkeypatch.setattr(part_work, "projected", never_ends)
    inputs["sheet"].write_text("{")
    status, _, errors = run(inputs, capsys)
    assert status == 2
    assert errors.startswith(f"{inputs['sheet']}: it is not JSON")
    if began.exists():
        assert not Path(f"/proc/{began.read_text()}").exists()


def test_both_halves_broken_is_one_line(inputs: dict[str, Path], capsys: pytest.CaptureFixture[str]) -> None:
    for name in ("part", "sheet", "task"):
        inputs[name].write_text("{")
    status, _, errors = run(inputs, capsys)
    assert (status, errors.count("\n")) == (2, 1)
    assert errors.startswith(f"{inputs['task']}: ")


def _dies(*_: object) -> Any:
    os.kill(os.getpid(), signal.SIGKILL)


def _fails(*_: object) -> Any:
    raise RecursionError


def test_whatever_a_file_does_to_the_kernel_is_told_in_one_line(
    inputs: dict[str, Path], capsys: pytest.CaptureFixture[str], monkeypatch: pytest.MonkeyPatch
) -> None:
    for work, words in ((_dies, "the geometry kernel failed on it"), (_fails, "RecursionError")):
        monkeypatch.setattr(part_work, "projected", work)
        status, _, errors = run(inputs, capsys)
        assert status == 2
        assert errors.startswith(f"{inputs['part']}: ")
        assert words in errors
        assert errors.count("\n") == 1


def test_a_view_from_anywhere_is_drawn_for_the_check(
    inputs: dict[str, Path], capsys: pytest.CaptureFixture[str]
) -> None:
    frame = Look(folded(Attitude("-y", "+z").look, (0.6, 0.8)).frame).frame
    view = {"id": "a1", "kind": "auxiliary", "look": {"frame": frame}, "parent": "v1", "at": [30, 30], "scale": 1.0}
    document = json.loads(inputs["sheet"].read_text())
    document["views"].append(view)
    inputs["sheet"].write_text(json.dumps(document))
    status, result, errors = run(inputs, capsys)
    assert (status, errors) == (0, "")
    told = result["views"][-1]
    assert (told["kind"], told["parent"], told["name"], told["match"]) == ("auxiliary", "v1", "auxiliary", 1.0)
    assert told["box"][2] - told["box"][0] > 20
    assert {f["rule"] for f in result["findings"]} >= {"auxiliary.fold", "views.surplus"}


class TestPartsKept:
    """A part drawn once is not drawn again, as long as nothing it depends on has changed."""

    @pytest.fixture
    def drawn(self, monkeypatch: pytest.MonkeyPatch) -> list[Path]:
        """The parts that the kernel was asked for: the work is counted where it begins."""
        asked: list[Path] = []
        begin = Confinement.begin

        def counted(self: Confinement, work: Any, *given: Any, **rest: Any) -> Any:
            if work.__name__ == "_projected":
                asked.append(given[0])
            return begin(self, work, *given, **rest)

        monkeypatch.setattr(Confinement, "begin", counted)
        return asked

    def test_second_sheet_of_a_part_waits_for_no_kernel(
        self, inputs: dict[str, Path], capsys: pytest.CaptureFixture[str], drawn: list[Path]
    ) -> None:
        first, second = run(inputs, capsys), run(inputs, capsys)
        assert first == second
        assert drawn == [inputs["part"]]

    def test_part_written_anew_is_drawn_anew(
        self, inputs: dict[str, Path], capsys: pytest.CaptureFixture[str], drawn: list[Path]
    ) -> None:
        run(inputs, capsys)
        inputs["part"].write_text(demo_recipe("ratchet-pawl").model_dump_json())
        _, result, _ = run(inputs, capsys)
        assert len(drawn) == 2
        assert result["findings"]

    def test_another_state_of_the_program_draws_anew(
        self,
        inputs: dict[str, Path],
        capsys: pytest.CaptureFixture[str],
        drawn: list[Path],
        monkeypatch: pytest.MonkeyPatch,
    ) -> None:
        run(inputs, capsys)
        monkeypatch.setattr(kept_parts, "_program", lambda: "a later one")
        run(inputs, capsys)
        assert len(drawn) == 2

    @pytest.mark.parametrize("damage", [b"", b"nothing of ours", bytes(100)])
    def test_damaged_part_is_drawn_anew(
        self, inputs: dict[str, Path], capsys: pytest.CaptureFixture[str], drawn: list[Path], damage: bytes
    ) -> None:
        first = run(inputs, capsys)
        [file] = (inputs["part"].parent / "cache").rglob("*.part")
        file.write_bytes(damage)
        assert run(inputs, capsys) == first
        assert len(drawn) == 2

    def test_no_more_than_so_many_are_kept_and_those_asked_for_last(
        self, tmp_path: Path, monkeypatch: pytest.MonkeyPatch
    ) -> None:
        monkeypatch.setattr(kept_parts, "_MOST_KEPT", 3)
        files = [tmp_path / "kept" / f"{number}.part" for number in range(5)]
        for age, file in enumerate(files[:3]):
            kept_parts.keep(file, b"a part")
            os.utime(file, (age, age))
        assert kept_parts.kept(files[0]) == b"a part"
        kept_parts.keep(files[3], b"a part")
        assert [file.exists() for file in files[:4]] == [True, False, True, True]

    def test_folder_that_takes_nothing_is_no_reason_to_stop(
        self, inputs: dict[str, Path], capsys: pytest.CaptureFixture[str], drawn: list[Path]
    ) -> None:
        (inputs["part"].parent / "cache").write_text("a file where the folder should be")
        status, _, errors = run(inputs, capsys)
        assert (status, errors) == (0, "")
