"""STEP files in and out. Files are hostile: call the reader in a worker process with limits."""

import re
import tempfile
from dataclasses import dataclass
from pathlib import Path
from typing import Any, Final

from OCP.BRep import BRep_Builder
from OCP.BRepBuilderAPI import BRepBuilderAPI_MakeSolid, BRepBuilderAPI_Sewing
from OCP.collections import Sequence_TCollection_AsciiString
from OCP.IFSelect import IFSelect_RetDone
from OCP.Interface import Interface_Static
from OCP.ShapeFix import ShapeFix_Shape
from OCP.STEPControl import STEPControl_AsIs, STEPControl_Reader, STEPControl_Writer
from OCP.TopAbs import TopAbs_FACE, TopAbs_SHELL, TopAbs_SOLID
from OCP.TopoDS import TopoDS, TopoDS_Compound

from maqueta.phrases.phrase import Phrase, phrase
from maqueta.solid.errors import PartError
from maqueta.solid.kernel import Shape, count_solids, is_valid, shapes_of, unified, volume_of
from maqueta.solid.unit import Unit

_HEADER: Final = b"ISO-10303-21"
_SCHEMA = re.compile(rb"FILE_SCHEMA\s*\(\s*\(\s*'([^']{1,200})'", re.IGNORECASE)
#: Application protocols by what their schema names begin with (ISO 10303-203, -214, -242).
_PROTOCOLS: Final = {
    "CONFIG_CONTROL_DESIGN": "AP203",
    "CONFIGURATION_CONTROL_3D_DESIGN": "AP203",
    "AP203": "AP203",
    "AUTOMOTIVE_DESIGN": "AP214",
    "AP214": "AP214",
    "AP242": "AP242",
}

#: Coordinates the kernel would follow for ever: no numbers, or beyond anything that is made (more than 1e30).
_NO_NUMBER: Final = re.compile(
    rb"[(,]\s*[+-]?(?:NAN|INF(?:INITY)?|\d\.#\w+|\d[\d.]*E\+?0*(?:[3-9]\d|[1-9]\d{2,}))\s*[,)]", re.IGNORECASE
)


@dataclass(frozen=True, slots=True)
class StepReport:
    """What became of a STEP file: its protocol, its unit as written, and what was read, healed, left out."""

    protocol: str
    unit_written: str
    solids: int
    read: tuple[Phrase, ...]
    healed: tuple[Phrase, ...]
    left_out: tuple[Phrase, ...]


def read_step(path: Path) -> tuple[Shape, Unit]:
    """Read one STEP file: its shape in its own unit, and that unit. See `read_step_with_report`."""
    shape, unit, _ = read_step_with_report(path)
    return shape, unit


def read_step_with_report(path: Path) -> tuple[Shape, Unit, StepReport]:
    """Read one STEP file: its solids in its own unit (anything but inch becomes mm), that unit, and a report.

    Closed surfaces become solids; a solid that fails the kernel's check is healed if it can be. Raises PartError
    when the file is no STEP file, holds nothing usable, or stays broken.
    """
    protocol = _protocol(path)
    if _NO_NUMBER.search(path.read_bytes()):
        raise PartError(phrase("step-unusable-numbers"))
    reader = STEPControl_Reader()
    if reader.ReadFile(str(path)) != IFSelect_RetDone:
        raise PartError(phrase("step-damaged"))
    lengths, angles, solid_angles = (Sequence_TCollection_AsciiString() for _ in range(3))
    reader.FileUnits(lengths, angles, solid_angles)
    names = sorted({lengths.Value(i + 1).ToCString().lower() for i in range(lengths.Length())})
    unit: Unit = "inch" if any("inch" in name for name in names) else "mm"
    reader.SetSystemLengthUnit(25.4 if unit == "inch" else 1.0)
    if reader.TransferRoots() == 0:
        raise PartError(phrase("step-without-shape"))
    shape = reader.OneShape()
    if shape is None or shape.IsNull():
        raise PartError(phrase("step-without-shape"))
    solids = shapes_of(shape, TopAbs_SOLID)
    healed, left_out = [], []
    loose = _loose_faces(shape, solids)
    if not solids:
        solids = _closed(loose)
        if not solids:
            raise PartError(phrase("step-without-solid"))
        healed.append(phrase("step-joined", surfaces=len(loose), solids=len(solids)))
    elif loose:
        left_out.append(phrase("step-loose", surfaces=len(loose)))
    mended = []
    for number, solid in enumerate(solids, 1):
        good, change = _healthy(solid, number, len(solids))
        mended.append(good)
        healed += change
    whole = mended[0] if len(mended) == 1 else _together(mended)
    joined = unified(whole)
    before, after = (len(shapes_of(s, TopAbs_FACE)) for s in (whole, joined))
    if after < before:
        healed.append(phrase("step-faces-joined", before=before, after=after))
    read = (
        phrase("step-read", solids=len(mended), faces=after),
        _unit_read(", ".join(names), unit),
    )
    report = StepReport(protocol, ", ".join(names), len(mended), read, tuple(healed), tuple(left_out))
    return joined, unit, report


def _unit_read(written: str, unit: Unit) -> Phrase:
    if not written:
        return phrase("step-unit-missing")
    return phrase("step-unit", unit=written, read="as-it-is" if unit == "inch" or "milli" in written else "as-mm")


def _protocol(path: Path) -> str:
    """The application protocol a file names. Raises PartError when it is no STEP file."""
    with path.open("rb") as file:
        head = file.read(65536)
    if _HEADER not in head[:4096]:
        raise PartError(phrase("no-step-file"))
    return protocol_of(head)


def protocol_of(head: bytes) -> str:
    """The application protocol that the beginning of a STEP file names, or the schema's own name if it is another."""
    found = _SCHEMA.search(head)
    if found is None:
        return "no protocol named"
    name = found.group(1).decode("ascii", "replace").upper()
    return next((protocol for start, protocol in _PROTOCOLS.items() if name.startswith(start)), name[:40].strip())


def _loose_faces(shape: Shape, solids: list[Shape]) -> list[Shape]:
    owned: dict[int, list[Shape]] = {}
    for solid in solids:
        for face in shapes_of(solid, TopAbs_FACE):
            owned.setdefault(hash(face), []).append(face)
    return [
        face
        for face in shapes_of(shape, TopAbs_FACE)
        if not any(face.IsSame(other) for other in owned.get(hash(face), []))
    ]


def _closed(faces: list[Shape]) -> list[Shape]:
    """The solids that loose surfaces enclose once they are sewn together."""
    if not faces:
        return []
    sewing = BRepBuilderAPI_Sewing(1e-4)
    for face in faces:
        sewing.Add(face)
    sewing.Perform()
    solids = []
    for shell in shapes_of(sewing.SewedShape(), TopAbs_SHELL):
        if shell.Closed():
            solid = BRepBuilderAPI_MakeSolid(TopoDS.Shell(shell)).Solid()
            solids.append(solid if volume_of(solid) > 0 else solid.Reversed())
    return solids


def _healthy(solid: Shape, number: int, count: int) -> tuple[Shape, list[Phrase]]:
    """A solid that passes the kernel's check, and what had to be done for it. Raises PartError."""
    if is_valid(solid) and volume_of(solid) > 0:
        return solid, []
    fix = ShapeFix_Shape(solid)
    fix.Perform()
    mended = shapes_of(fix.Shape(), TopAbs_SOLID)
    which = 0 if count == 1 else number
    if len(mended) != 1 or not is_valid(mended[0]) or volume_of(mended[0]) <= 0:
        raise PartError(phrase("step-solid-broken", which=which))
    return mended[0], [phrase("step-solid-healed", which=which)]


def _together(solids: list[Shape]) -> Shape:
    builder, compound = BRep_Builder(), TopoDS_Compound()
    builder.MakeCompound(compound)
    for solid in solids:
        builder.Add(compound, solid)
    assert count_solids(compound) == len(solids)
    return compound


def write_step(shape: Shape, unit: Unit, path: Path) -> None:
    """Write a solid as STEP AP214 in its own unit; the file appears whole or not at all."""
    Interface_Static.SetCVal_s("write.step.unit", "INCH" if unit == "inch" else "MM")
    writer: Any = STEPControl_Writer()
    if unit == "inch":
        writer.Model(True).SetLocalLengthUnit(25.4)
    writer.Transfer(shape, STEPControl_AsIs)
    write_whole(writer, path)


def write_whole(writer: Any, path: Path) -> None:
    """Have one of the kernel's writers put down a file that appears whole or not at all. Raises PartError."""
    with tempfile.NamedTemporaryFile(dir=path.parent, suffix=".step", delete=False) as scratch:
        temporary = Path(scratch.name)
    if writer.Write(str(temporary)) != IFSelect_RetDone:
        temporary.unlink(missing_ok=True)
        raise PartError(phrase("step-not-written"))
    temporary.replace(path)
