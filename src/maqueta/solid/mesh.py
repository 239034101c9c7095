"""Triangles and ink edges of a part for the turntable, each tied to its face or edge."""

from dataclasses import dataclass
from typing import Literal

#: Files of triangles that other programs read.
MeshKind = Literal["stl", "glb"]


@dataclass(frozen=True, slots=True)
class Mesh:
    """Flat lists ready for a graphics card, in the part's unit.

    `points` are x, y, z in a row; `triangles` index into them; `face_of_triangle` names the part's face.
    `edges` holds one polyline per part edge (same index), empty where the edge is a seam or smooth.
    """

    points: tuple[float, ...]
    triangles: tuple[int, ...]
    face_of_triangle: tuple[int, ...]
    edges: tuple[tuple[float, ...], ...]
