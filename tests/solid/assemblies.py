"""Small assemblies and other bodies no recipe makes, made by the kernel."""

import math
from collections.abc import Sequence

from OCP.BRep import BRep_Builder
from OCP.BRepAlgoAPI import BRepAlgoAPI_Cut, BRepAlgoAPI_Fuse
from OCP.BRepPrimAPI import BRepPrimAPI_MakeCylinder
from OCP.gp import gp_Ax2, gp_Dir, gp_Pnt
from OCP.TopoDS import TopoDS_Compound

from maqueta.solid.kernel import Shape


def _round(radius: float, start: float, height: float) -> Shape:
    return BRepPrimAPI_MakeCylinder(gp_Ax2(gp_Pnt(0, 0, start), gp_Dir(0, 0, 1)), radius, height).Shape()


def pin_in_sleeve() -> Shape:
    """A pin of 10, 40 long, in a sleeve of 20, 30 long."""
    compound, builder = TopoDS_Compound(), BRep_Builder()
    builder.MakeCompound(compound)
    builder.Add(compound, _round(5, -5, 40))
    builder.Add(compound, BRepAlgoAPI_Cut(_round(10, 0, 30), _round(5, -1, 32)).Shape())
    return compound


def wheel(angles: Sequence[float], spoke: float = 6.0, bore: float = 0.0) -> Shape:
    """A rim of 100 outside and 80 inside, 20 wide; a hub of 30 with a bore of 16, 20 long; round spokes in the middle
    of their width, at angles in degrees, with a bore where one is asked for."""
    body = BRepAlgoAPI_Cut(_round(50, 0, 20), _round(40, -1, 22)).Shape()
    body = BRepAlgoAPI_Fuse(body, _round(15, 0, 20)).Shape()
    for angle in angles:
        way = gp_Dir(math.cos(math.radians(angle)), math.sin(math.radians(angle)), 0)
        bar = BRepPrimAPI_MakeCylinder(gp_Ax2(gp_Pnt(0, 0, 10), way), spoke, 45).Shape()
        body = BRepAlgoAPI_Fuse(body, bar).Shape()
        if bore:
            hollow = BRepPrimAPI_MakeCylinder(gp_Ax2(gp_Pnt(0, 0, 10), way), bore, 60).Shape()
            body = BRepAlgoAPI_Cut(body, hollow).Shape()
    return BRepAlgoAPI_Cut(body, _round(8, -1, 22)).Shape()
