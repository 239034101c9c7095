"""STEP out and in again, and files that are no STEP."""

from pathlib import Path

import pytest

from maqueta.solid.errors import PartError
from maqueta.solid.examine import examine
from maqueta.solid.source import load_part
from maqueta.solid.step import read_step, write_step
from maqueta.solid.unit import Unit
from tests.parts import demo_solid


@pytest.mark.parametrize("unit", ["mm", "inch"])
def test_written_step_reads_back_as_the_same_part(tmp_path: Path, unit: Unit) -> None:
    shape, part = demo_solid("reed-clamp")
    path = tmp_path / "part.step"
    write_step(shape, unit, path)
    again, read_unit = read_step(path)
    copy = examine(again, part_hash="", name="copy", unit=read_unit)
    assert read_unit == unit
    assert copy.volume == pytest.approx(part.volume, rel=1e-9)
    assert copy.extents == part.extents
    assert [f.at for f in copy.features] == [f.at for f in part.features]


def test_reading_step_prints_nothing(tmp_path: Path, capfd: pytest.CaptureFixture[str]) -> None:
    """Standard output belongs to the command line's report."""
    write_step(demo_solid("shuttle-rest")[0], "mm", tmp_path / "part.step")
    read_step(tmp_path / "part.step")
    assert capfd.readouterr().out == ""


@pytest.mark.parametrize(
    ("content", "reason"),
    [
        (b"", "not a STEP file"),
        (b"\x89PNG\r\n" + bytes(500), "not a STEP file"),
        (b"ISO-10303-21;\nHEADER;\nrubbish", "STEP file"),
    ],
)
def test_file_that_is_no_usable_step_is_refused(tmp_path: Path, content: bytes, reason: str) -> None:
    path = tmp_path / "part.stp"
    path.write_bytes(content)
    with pytest.raises(PartError, match=reason):
        load_part(path)


def test_step_cut_off_in_the_middle_is_refused(tmp_path: Path) -> None:
    whole = tmp_path / "whole.step"
    write_step(demo_solid("shuttle-rest")[0], "mm", whole)
    part = tmp_path / "half.step"
    part.write_bytes(whole.read_bytes()[: whole.stat().st_size // 2])
    with pytest.raises(PartError):
        load_part(part)


def test_other_kinds_of_file_are_refused(tmp_path: Path) -> None:
    path = tmp_path / "part.txt"
    path.write_text("hello")
    with pytest.raises(PartError, match=r"\.step or \.stp"):
        load_part(path)
