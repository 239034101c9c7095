"""STEP assemblies in and out: components with their names, places, colours, and the tree they hang in.

Files are hostile: call the reader in a worker process with limits. Product structure by ISO 10303-44, as the kernel's
document of shapes and labels carries it.
"""

import re
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from pathlib import Path
from typing import Any, Final

from OCP.collections import Sequence_TDF_Label
from OCP.IFSelect import IFSelect_RetDone
from OCP.Interface import Interface_Static
from OCP.Quantity import Quantity_Color, Quantity_TOC_sRGB
from OCP.STEPCAFControl import STEPCAFControl_Reader, STEPCAFControl_Writer
from OCP.STEPControl import STEPControl_AsIs
from OCP.TCollection import TCollection_ExtendedString
from OCP.TDataStd import TDataStd_Name
from OCP.TDF import TDF_Label
from OCP.TDocStd import TDocStd_Document
from OCP.TopAbs import TopAbs_SOLID
from OCP.TopLoc import TopLoc_Location
from OCP.XCAFDoc import XCAFDoc_ColorGen, XCAFDoc_ColorSurf, XCAFDoc_DocumentTool, XCAFDoc_Location

from maqueta.geometry.directions import Vector
from maqueta.geometry.frame import Frame
from maqueta.phrases.phrase import Phrase, phrase
from maqueta.solid.assembled import moved_to
from maqueta.solid.assembly import MOST_COMPONENTS, Assembly, PlacedPart
from maqueta.solid.errors import PartError
from maqueta.solid.kernel import Shape, shapes_of
from maqueta.solid.part import Part
from maqueta.solid.placement import Placement
from maqueta.solid.step import write_whole
from maqueta.solid.unit import Unit

_FORMAT: Final = "BinXCAF"
#: Only files that say that one product is part of another are assemblies.
_USAGE: Final = re.compile(rb"NEXT_ASSEMBLY_USAGE_OCCURRENCE\s*\(", re.IGNORECASE)
_MOST_LEVELS: Final = 12
_LONGEST_NAME: Final = 80


@dataclass(frozen=True)
class StepComponent:
    """A component of a STEP assembly: the name of its product and, where it has one, its own; the product's shape and
    which product it is; where it stands; its colour; the names of what it hangs in."""

    product: int
    name: str
    shape: Shape
    placement: Placement
    colour: str | None
    within: tuple[str, ...]


@dataclass(frozen=True)
class StepAssembly:
    """The components of a file, in its order, and products that have no solid, by name."""

    name: str
    components: tuple[StepComponent, ...]
    left_out: tuple[Phrase, ...]


def may_be_assembly(data: bytes) -> bool:
    """Whether a STEP file says that one product is part of another."""
    return _USAGE.search(data) is not None


def read_assembly(path: Path, unit: Unit) -> StepAssembly | None:
    """The components of a STEP file in the unit of the file, or None where it holds one solid or none in its tree.

    Raises PartError for a damaged file, and for one of more components than an assembly may have.
    """
    document = _empty(unit)
    reader = STEPCAFControl_Reader()
    reader.SetNameMode(True)
    reader.SetColorMode(True)
    if reader.ReadFile(str(path)) != IFSelect_RetDone:
        raise PartError(phrase("step-damaged"))
    if not reader.Transfer(document):
        raise PartError(phrase("step-damaged"))
    tree = _Tree(document)
    roots = list(tree.roots())
    name = tree.name(roots[0]) if len(roots) == 1 else path.stem
    for root in roots:
        tree.walk(root, TopLoc_Location(), None, ())
    if len(tree.components) < 2:
        return None
    left_out = tuple(phrase("step-no-solid-in", name=name) for name in dict.fromkeys(tree.empty))
    return StepAssembly(name or path.stem, tuple(tree.components), left_out)


def _empty(unit: Unit) -> Any:
    """A document of shapes and labels with nothing in it yet, in a unit."""
    document = TDocStd_Document(TCollection_ExtendedString(_FORMAT))
    XCAFDoc_DocumentTool.SetLengthUnit_s(document, 0.0254 if unit == "inch" else 0.001)
    return document


class _Tree:
    """A document of shapes and labels, walked from its roots down to products that are solids."""

    def __init__(self, document: Any) -> None:
        self._shapes = XCAFDoc_DocumentTool.ShapeTool_s(document.Main())
        self._colours = XCAFDoc_DocumentTool.ColorTool_s(document.Main())
        self._products: list[TDF_Label] = []
        self.components: list[StepComponent] = []
        self.empty: list[str] = []

    def roots(self) -> Iterator[TDF_Label]:
        found = Sequence_TDF_Label()
        self._shapes.GetFreeShapes(found)
        return (found.Value(k + 1) for k in range(found.Length()))

    def name(self, label: TDF_Label) -> str:
        """The name of a label as people gave it; what the kernel calls a label without one counts as none."""
        named = TDataStd_Name()
        if not label.FindAttribute(TDataStd_Name.GetID_s(), named):
            return ""
        text = " ".join(named.Get().ToExtString().split())[:_LONGEST_NAME]
        return "" if text in ("COMPOUND", "SOLID", "SHELL") or text.startswith("=>[") else text

    def walk(self, label: TDF_Label, above: Any, own: TDF_Label | None, within: tuple[str, ...]) -> None:
        """Note every solid at or below a label; `own` is the occurrence it was reached by."""
        if len(within) > _MOST_LEVELS:
            raise PartError(phrase("assembly-too-deep", most=_MOST_LEVELS))
        if self._shapes.IsAssembly_s(label):
            parts = Sequence_TDF_Label()
            self._shapes.GetComponents_s(label, parts, False)
            for k in range(parts.Length()):
                part, product = parts.Value(k + 1), TDF_Label()
                if self._shapes.GetReferredShape_s(part, product):
                    inner = (*within, self.name(label)) if own is not None and self.name(label) else within
                    self.walk(product, above.Multiplied(_location_of(part)), part, inner)
            return
        shape = self._shapes.GetShape_s(label)
        solids = shapes_of(shape, TopAbs_SOLID) if shape is not None and not shape.IsNull() else []
        name = self.name(label) or (self.name(own) if own is not None else "")
        if not solids:
            self.empty.append(name)
            return
        if len(self.components) == MOST_COMPONENTS:
            raise PartError(phrase("assembly-too-many", most=MOST_COMPONENTS))
        colour = (self._colour(own) if own is not None else None) or self._colour(label)
        self.components.append(StepComponent(self._product(label), name, shape, _placement(above), colour, within))

    def _product(self, label: TDF_Label) -> int:
        for number, known in enumerate(self._products):
            if known.IsEqual(label):
                return number
        self._products.append(label)
        return len(self._products) - 1

    def _colour(self, label: TDF_Label) -> str | None:
        colour = Quantity_Color()
        for kind in (XCAFDoc_ColorSurf, XCAFDoc_ColorGen):
            if self._colours.GetColor_s(label, kind, colour):
                values = colour.Values(Quantity_TOC_sRGB)
                return "#" + "".join(f"{round(255 * value):02x}" for value in values)
        return None


def _location_of(label: TDF_Label) -> Any:
    found = XCAFDoc_Location()
    return found.Get() if label.FindAttribute(XCAFDoc_Location.GetID_s(), found) else TopLoc_Location()


def _placement(location: Any) -> Placement:
    move = location.Transformation()
    rows = [[move.Value(row, column) for column in (1, 2, 3, 4)] for row in (1, 2, 3)]
    axes: list[Vector] = [(rows[0][k], rows[1][k], rows[2][k]) for k in range(3)]
    frame: Frame = (axes[0], axes[1], axes[2])
    return Placement(frame, (rows[0][3], rows[1][3], rows[2][3]))


def document_of(found: StepAssembly, unit: Unit, keys: Sequence[str]) -> Assembly:
    """The assembly document of a file; `keys` names its products, in their order. Raises pydantic.ValidationError where
    a component stands out of reach or is mirrored.
    """
    components = []
    for number, own in enumerate(found.components, 1):
        # Two places are rounded to what coordinates of files carry, so that documents read the same twice.
        at = tuple(round(x, 9) for x in own.placement.at)
        components.append(
            PlacedPart(
                id=f"c{number}",
                name=own.name or f"{number}",
                part=keys[own.product],
                colour=own.colour,
                at=at,  # type: ignore[arg-type]
                axes=own.placement.axes,
                within=own.within,
            )
        )
    return Assembly(name=found.name[:_LONGEST_NAME], units=unit, components=tuple(components))


def write_assembly(assembly: Assembly, parts: Mapping[str, tuple[Shape, Part]], path: Path) -> None:
    """Write an assembly as STEP AP214 in its own unit: a product for each part, an occurrence for each component, and
    the tree they hang in. The file appears whole or not at all. Raises PartError.
    """
    document = _empty(assembly.units)
    shapes = XCAFDoc_DocumentTool.ShapeTool_s(document.Main())
    colours = XCAFDoc_DocumentTool.ColorTool_s(document.Main())
    products = {}
    for key in dict.fromkeys(own.part for own in assembly.components):
        shape, part = parts[key]
        products[key] = shapes.AddShape(shape, False)
        _call(products[key], part.name)
    folders: dict[tuple[str, ...], TDF_Label] = {(): shapes.NewShape()}
    _call(folders[()], assembly.name)
    for own in assembly.components:
        for depth in range(1, len(own.within) + 1):
            inner = own.within[:depth]
            if inner not in folders:
                folders[inner] = shapes.NewShape()
                _call(folders[inner], inner[-1])
                _call(shapes.AddComponent(folders[inner[:-1]], folders[inner], TopLoc_Location()), inner[-1])
        location = moved_to(parts[own.part][0].Located(TopLoc_Location()), own.placement).Location()
        occurrence = shapes.AddComponent(folders[own.within], products[own.part], location)
        _call(occurrence, own.name)
        if own.colour is not None:
            values = [int(own.colour[k : k + 2], 16) / 255 for k in (1, 3, 5)]
            colours.SetColor(occurrence, Quantity_Color(*values, Quantity_TOC_sRGB), XCAFDoc_ColorSurf)
    shapes.UpdateAssemblies()
    Interface_Static.SetCVal_s("write.step.unit", "INCH" if assembly.units == "inch" else "MM")
    writer = STEPCAFControl_Writer()
    writer.SetNameMode(True)
    writer.SetColorMode(True)
    if not writer.Transfer(document, STEPControl_AsIs):
        raise PartError(phrase("step-not-written"))
    write_whole(writer, path)


def _call(label: TDF_Label, name: str) -> None:
    TDataStd_Name.Set_s(label, TCollection_ExtendedString(name))
