"""STEP out and in again, and files that are no STEP."""

from pathlib import Path
from typing import Any

import numpy as np
import pytest
import trimesh
from OCP.BRep import BRep_Builder
from OCP.BRepAlgoAPI import BRepAlgoAPI_Fuse
from OCP.Interface import Interface_Static
from OCP.STEPControl import STEPControl_AsIs, STEPControl_Writer
from OCP.TopAbs import TopAbs_FACE
from OCP.TopoDS import TopoDS_Compound

from maqueta.phrases.said import said
from maqueta.solid.errors import PartError
from maqueta.solid.examine import examine
from maqueta.solid.kernel import Shape, box_of, count_solids, is_valid, shapes_of, volume_of
from maqueta.solid.source import load_part
from maqueta.solid.step import protocol_of, read_step, read_step_with_report, write_step
from maqueta.solid.triangulation import triangulated
from maqueta.solid.unit import Unit
from tests.parts import block, demo_solid, made


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


def _step(path: Path, shape: Shape, schema: str = "AP214IS", unit: str = "MM") -> Path:
    """A STEP file as another program might write it."""
    # The settings exist only once there has been a writer.
    STEPControl_Writer()
    Interface_Static.SetCVal_s("write.step.schema", schema)
    Interface_Static.SetCVal_s("write.step.unit", unit)
    writer = STEPControl_Writer()
    writer.Model(True)
    writer.Transfer(shape, STEPControl_AsIs)
    writer.Write(str(path))
    Interface_Static.SetCVal_s("write.step.schema", "AP214IS")
    Interface_Static.SetCVal_s("write.step.unit", "MM")
    return path


@pytest.mark.parametrize(("schema", "protocol"), [("AP203", "AP203"), ("AP214IS", "AP214"), ("AP242DIS", "AP242")])
def test_three_application_protocols_are_read_and_named(tmp_path: Path, schema: str, protocol: str) -> None:
    """ISO 10303-203, -214 and -242."""
    shape, part = demo_solid("shuttle-rest")
    again, _, report = read_step_with_report(_step(tmp_path / "a.step", shape, schema))
    assert report.protocol == protocol
    assert volume_of(again) == pytest.approx(part.volume, rel=1e-9)
    assert is_valid(again)


@pytest.mark.parametrize(("unit", "read_as"), [("MM", "mm"), ("CM", "mm"), ("M", "mm"), ("INCH", "inch")])
def test_units_are_read_from_the_file(tmp_path: Path, unit: str, read_as: str) -> None:
    """The block is 80 mm long in every file, however its numbers are written."""
    shape, _ = demo_solid("shuttle-rest")
    again, found, report = read_step_with_report(_step(tmp_path / "a.step", shape, unit=unit))
    low, high = box_of(again)
    assert found == read_as
    assert high[0] - low[0] == pytest.approx(80 / (25.4 if read_as == "inch" else 1), rel=1e-6)
    assert ("read as millimetres" in said(report.read[1])) == (unit in ("CM", "M"))


def test_several_solids_and_loose_surfaces_are_reported(tmp_path: Path) -> None:
    builder, compound = BRep_Builder(), TopoDS_Compound()
    builder.MakeCompound(compound)
    for slug in ("shuttle-rest", "batten-stop"):
        builder.Add(compound, demo_solid(slug)[0])
    builder.Add(compound, shapes_of(demo_solid("reed-clamp")[0], TopAbs_FACE)[0])
    again, _, report = read_step_with_report(_step(tmp_path / "a.step", compound))
    assert (report.solids, count_solids(again)) == (2, 2)
    assert [said(line) for line in (report.read[0], *report.left_out)] == [
        "2 solids with 18 faces",
        "one surface outside any solid",
    ]


def test_closed_surfaces_become_a_solid(tmp_path: Path) -> None:
    """A box delivered as six separate faces encloses what the box did."""
    builder, compound = BRep_Builder(), TopoDS_Compound()
    builder.MakeCompound(compound)
    for face in shapes_of(made(block((30, 20, 10)))[0], TopAbs_FACE):
        builder.Add(compound, face)
    again, _, report = read_step_with_report(_step(tmp_path / "a.step", compound))
    assert volume_of(again) == pytest.approx(6000, rel=1e-9)
    assert [*map(said, report.healed)] == ["6 separate surfaces were joined into one closed solid"]


def test_open_surfaces_are_refused(tmp_path: Path) -> None:
    builder, compound = BRep_Builder(), TopoDS_Compound()
    builder.MakeCompound(compound)
    for face in shapes_of(made(block((30, 20, 10)))[0], TopAbs_FACE)[:5]:
        builder.Add(compound, face)
    with pytest.raises(PartError, match="no solid, only surfaces"):
        read_step(_step(tmp_path / "a.step", compound))


def test_faces_split_on_one_surface_are_joined_again(tmp_path: Path) -> None:
    """Two blocks glued without merging their faces: the joints are healed away."""
    both = BRepAlgoAPI_Fuse(made(block((30, 20, 10)))[0], made(block((30, 20, 10), (30, 0, 0)))[0]).Shape()
    again, _, report = read_step_with_report(_step(tmp_path / "a.step", both))
    assert len(shapes_of(again, TopAbs_FACE)) == 6
    assert [*map(said, report.healed)] == ["10 faces became 6: neighbours on one surface are one face"]


@pytest.mark.parametrize(
    ("schema", "protocol"),
    [
        (b"'CONFIG_CONTROL_DESIGN'", "AP203"),
        (b"'CONFIGURATION_CONTROL_3D_DESIGN_ED2_MIM_LF { 1 0 10303 403 1 1 4 }'", "AP203"),
        (b"'AUTOMOTIVE_DESIGN { 1 0 10303 214 3 1 1 }'", "AP214"),
        (b"'AP242_MANAGED_MODEL_BASED_3D_ENGINEERING_MIM_LF { 1 0 10303 442 3 1 4 }'", "AP242"),
        (b"'SHIP_STRUCTURES'", "SHIP_STRUCTURES"),
    ],
)
def test_protocol_is_named_by_the_files_schema(schema: bytes, protocol: str) -> None:
    assert protocol_of(b"ISO-10303-21;\nHEADER;\nfile_schema ((" + schema + b"));\nENDSEC;") == protocol


def test_file_without_a_schema_is_read_all_the_same() -> None:
    assert protocol_of(b"ISO-10303-21;\nHEADER;\nENDSEC;") == "no protocol named"


#: STEP files that Debian's package occt-misc carries (LGPL 2.1 with exception), made by other programs.
SAMPLES = Path("/usr/share/opencascade/data/step")


@pytest.mark.parametrize(
    ("name", "faces", "kinds"),
    [
        # A screw: its shank is a boss.
        ("screw.step", 9, {"boss"}),
        # A link rod: two bosses, each with its bore.
        ("linkrods.step", 36, {"boss", "hole"}),
    ],
)
def test_files_of_other_programs_are_read_as_valid_solids(name: str, faces: int, kinds: set[str]) -> None:
    shape, unit, report = read_step_with_report(SAMPLES / name)
    part = examine(shape, part_hash="", name=name, unit=unit)
    assert (report.protocol, report.solids, unit) == ("AP214", 1, "mm")
    assert is_valid(shape)
    assert len(part.faces) == faces
    assert {feature.kind for feature in part.features} == kinds
    data = triangulated(shape, part)
    body: Any = trimesh.Trimesh(np.array(data.points).reshape(-1, 3), np.array(data.triangles).reshape(-1, 3))
    assert part.volume == pytest.approx(body.volume, rel=0.01)
    assert part.area == pytest.approx(body.area, rel=0.01)
    assert part.centroid == pytest.approx(body.center_mass, abs=0.01 * part.size)
