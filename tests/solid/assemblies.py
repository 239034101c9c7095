"""Small assemblies, made by the kernel."""

from OCP.BRep import BRep_Builder
from OCP.BRepAlgoAPI import BRepAlgoAPI_Cut
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
