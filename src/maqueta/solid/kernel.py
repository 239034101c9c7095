"""Small typed doors to the geometry kernel, whose bindings carry no types of their own."""

from typing import Any

from OCP.BRepCheck import BRepCheck_Analyzer
from OCP.BRepGProp import BRepGProp
from OCP.GProp import GProp_GProps
from OCP.Message import Message
from OCP.TopAbs import TopAbs_SOLID
from OCP.TopExp import TopExp_Explorer

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
