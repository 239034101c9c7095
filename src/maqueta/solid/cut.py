"""Cuts: which piece of a part is taken away so that its inside can be seen (ISO 128-3, ASME Y14.3, from memory)."""

from dataclasses import dataclass
from typing import Final, Literal

from maqueta.geometry.directions import Vector

CutForm = Literal["full", "half", "offset", "aligned", "broken-out", "removed", "revolved"]
#: Forms of which the cut face is drawn without what stands behind it.
FACE_ALONE: Final[frozenset[CutForm]] = frozenset(("removed", "revolved"))


@dataclass(frozen=True, slots=True)
class Cut:
    """A cut through a part, in model space.

    `towards` points at the reader of the section, square to the plane it is drawn in; `across` is the direction the
    cutting line is seen from, square to `towards`. Both are unit vectors. What is taken away stands on the reader's
    side of the cutting path and reaches along `across` from one end of the part to the other.

    `path` holds points of the cutting line, whose ends are drawn out beyond the part:

    - `full`, `removed` and `revolved`: two points, a plane square to `towards`; of the last two the cut face alone is
      drawn.
    - `half`: three, the last leg running towards the reader: a quarter is taken away.
    - `offset`: four or more, legs square to `towards` and steps along it by turns.
    - `aligned`: three, from one end to the axis the planes meet in and on to the other; the first leg is square to
      `towards`, and the second is turned about the axis until it lies in the plane of the first.
    - `broken-out`: three or more, the corners of a closed outline in the plane down to which the part is broken out.

    `whole` names what is not cut lengthwise: faces, each a flank of a rib, web or spoke that stays as it is. `solids`
    names bodies of an assembly that are left whole, such as shafts, bolts and pins.
    """

    form: CutForm
    path: tuple[Vector, ...]
    across: Vector
    towards: Vector
    whole: tuple[int, ...] = ()
    solids: tuple[int, ...] = ()

    @property
    def face_alone(self) -> bool:
        """Whether the cut face is drawn without what stands behind it."""
        return self.form in FACE_ALONE
