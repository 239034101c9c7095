"""STEP files in and out. Files are hostile: call the reader in a worker process with limits."""

import tempfile
from pathlib import Path
from typing import Any

from OCP.collections import Sequence_TCollection_AsciiString
from OCP.IFSelect import IFSelect_RetDone
from OCP.Interface import Interface_Static
from OCP.STEPControl import STEPControl_AsIs, STEPControl_Reader, STEPControl_Writer

from maqueta.solid.build import unified
from maqueta.solid.errors import PartError
from maqueta.solid.kernel import Shape, count_solids, is_valid
from maqueta.solid.unit import Unit

_HEADER = b"ISO-10303-21"


def read_step(path: Path) -> tuple[Shape, Unit]:
    """Read one STEP file: its shape in its own unit, and that unit (anything but inch is read as mm).

    Raises PartError when the file is no STEP file, holds nothing usable, or its solid is broken.
    """
    with path.open("rb") as file:
        if _HEADER not in file.read(4096):
            raise PartError("this is not a STEP file: the heading ISO-10303-21 is missing")
    reader = STEPControl_Reader()
    if reader.ReadFile(str(path)) != IFSelect_RetDone:
        raise PartError("the STEP file cannot be read: its contents are damaged")
    lengths, angles, solid_angles = (Sequence_TCollection_AsciiString() for _ in range(3))
    reader.FileUnits(lengths, angles, solid_angles)
    names = {lengths.Value(i + 1).ToCString().lower() for i in range(lengths.Length())}
    unit: Unit = "inch" if any("inch" in name for name in names) else "mm"
    reader.SetSystemLengthUnit(25.4 if unit == "inch" else 1.0)
    if reader.TransferRoots() == 0:
        raise PartError("the STEP file holds no shape")
    shape = reader.OneShape()
    if shape is None or shape.IsNull() or count_solids(shape) == 0:
        raise PartError("the STEP file holds no solid, only surfaces or curves")
    if not is_valid(shape):
        raise PartError("the solid in the STEP file is broken: it fails the geometry kernel's validity check")
    return unified(shape), unit


def write_step(shape: Shape, unit: Unit, path: Path) -> None:
    """Write a solid as STEP AP214 in its own unit; the file appears whole or not at all."""
    Interface_Static.SetCVal_s("write.step.unit", "INCH" if unit == "inch" else "MM")
    writer: Any = STEPControl_Writer()
    if unit == "inch":
        writer.Model(True).SetLocalLengthUnit(25.4)
    writer.Transfer(shape, STEPControl_AsIs)
    with tempfile.NamedTemporaryFile(dir=path.parent, suffix=".step", delete=False) as scratch:
        temporary = Path(scratch.name)
    if writer.Write(str(temporary)) != IFSelect_RetDone:
        temporary.unlink(missing_ok=True)
        raise PartError("the STEP file could not be written")
    temporary.replace(path)
