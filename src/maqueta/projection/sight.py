"""A second opinion on visibility: rays from a curve towards the reader, against the exact solid."""

from collections.abc import Sequence
from typing import Any, Final

import numpy as np
from numpy.typing import NDArray
from OCP.gp import gp_Dir, gp_Lin, gp_Pnt
from OCP.IntCurvesFace import IntCurvesFace_ShapeIntersector

from maqueta.solid.kernel import Shape
from maqueta.solid.part import Part

Array = NDArray[np.float64]

#: Rays start this far off the solid, relative to its size.
_STEP_OUT: Final = 1e-4


class Sight:
    """Tells whether points on the edges of a solid can be seen."""

    def __init__(self, shape: Shape, part: Part) -> None:
        self._part = part
        self._shape = shape
        self._caster: Any = None

    @property
    def _rays(self) -> Any:
        """The kernel's ray caster, loaded when the first ray is cast: most parts need none."""
        if self._caster is None:
            self._caster = IntCurvesFace_ShapeIntersector()
            self._caster.Load(self._shape, 1e-7 * self._part.size)
        return self._caster

    def seen(self, point: Array, faces: Sequence[int], towards: Array) -> bool:
        """Whether a point on the edge between some faces can be seen by a reader in the direction `towards`.

        The ray starts a little outside the solid, on the side the faces look to.
        """
        out = self._way_out(point, faces)
        start = point + _STEP_OUT * self._part.size * (out + 0.5 * towards)
        self._rays.PerformNearest(gp_Lin(gp_Pnt(*start), gp_Dir(*towards)), 0.0, 10 * self._part.size)
        return int(self._rays.NbPnt()) == 0

    def _way_out(self, point: Array, faces: Sequence[int]) -> Array:
        out = np.zeros(3)
        for index in faces:
            face = self._part.faces[index]
            if face.kind == "plane":
                out += face.direction
                continue
            axis = np.array(face.direction)
            offset = point - np.array(face.point)
            radial = offset - (offset @ axis) * axis
            length = float(np.linalg.norm(radial))
            if length > 0:
                out += (-1.0 if face.hollow else 1.0) * radial / length
        length = float(np.linalg.norm(out))
        return out / length if length > 1e-9 else out
