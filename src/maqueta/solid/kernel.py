"""Small typed doors to the geometry kernel, whose bindings carry no types of their own."""

from typing import Any

from OCP.Bnd import Bnd_Box
from OCP.BRep import BRep_Tool
from OCP.BRepBndLib import BRepBndLib
from OCP.BRepCheck import BRepCheck_Analyzer
from OCP.BRepGProp import BRepGProp
from OCP.GProp import GProp_GProps
from OCP.Message import Message
from OCP.ShapeUpgrade import ShapeUpgrade_UnifySameDomain
from OCP.TopAbs import TopAbs_EDGE, TopAbs_SOLID
from OCP.TopExp import TopExp_Explorer
from OCP.TopoDS import TopoDS

from maqueta.geometry.directions import Vector

#: A kernel shape. The bindings are untyped native code; the name says what is meant.
Shape = Any

# The kernel reports file transfers on standard output, which belongs to the command line.
for _printer in list(Message.DefaultMessenger_s().Printers()):
    Message.DefaultMessenger_s().RemovePrinter(_printer)


def shapes_of(shape: Shape, kind: Any) -> list[Shape]:
    """All sub-shapes of a kind, each once, in the kernel's order."""
    found: list[Shape] = []
    buckets: dict[int, list[Shape]] = {}
    explorer = TopExp_Explorer(shape, kind)
    while explorer.More():
        current = explorer.Current()
        bucket = buckets.setdefault(hash(current), [])
        if not any(current.IsSame(other) for other in bucket):
            bucket.append(current)
            found.append(current)
        explorer.Next()
    return found


def edges_of(shape: Shape) -> list[Any]:
    """All edges of a shape, each once, in the kernel's order, but those that are points, as at the tip of a cone."""
    edges = (TopoDS.Edge(edge) for edge in shapes_of(shape, TopAbs_EDGE))
    return [edge for edge in edges if not BRep_Tool.Degenerated_s(edge)]


def count_solids(shape: Shape) -> int:
    """How many separate bodies a shape holds."""
    return len(shapes_of(shape, TopAbs_SOLID))


def volume_of(shape: Shape) -> float:
    """Volume in cubed units of the shape."""
    properties = GProp_GProps()
    BRepGProp.VolumeProperties_s(shape, properties)
    return float(properties.Mass())


def is_valid(shape: Shape) -> bool:
    """The kernel's own validity check."""
    return bool(BRepCheck_Analyzer(shape).IsValid())


def box_of(shape: Shape) -> tuple[Vector, Vector]:
    """Lowest and highest corner of the bounding box."""
    box = Bnd_Box()
    BRepBndLib.AddOptimal_s(shape, box, False, False)
    return box.CornerMin().Coord(), box.CornerMax().Coord()


def unified(shape: Shape) -> Shape:
    """Merge faces and edges that lie on one surface or curve, so that only real edges remain."""
    unify = ShapeUpgrade_UnifySameDomain(shape, True, True, False)
    unify.Build()
    return unify.Shape()
