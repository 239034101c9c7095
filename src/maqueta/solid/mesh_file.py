"""A part's triangles as files for other programs: STL and glTF."""

from typing import Any, Final

import numpy as np
import trimesh

from maqueta.solid.mesh import Mesh, MeshKind
from maqueta.solid.unit import Unit

#: glTF counts in metres (glTF 2.0, 3.4: "The units for all linear distances are meters") with Y up.
_METRES: Final[dict[Unit, float]] = {"mm": 0.001, "inch": 0.0254}
_Y_UP: Final = np.array([[1.0, 0, 0, 0], [0, 0, 1, 0], [0, -1, 0, 0], [0, 0, 0, 1]])


def mesh_file(mesh: Mesh, unit: Unit, kind: MeshKind, name: str) -> bytes:
    """A triangle file: binary STL in the part's own unit, Z up; or binary glTF in metres, Y up."""
    points = np.array(mesh.points).reshape(-1, 3)
    triangles = np.array(mesh.triangles).reshape(-1, 3)
    body: Any = trimesh.Trimesh(points, triangles, process=False)
    if kind == "stl":
        return bytes(body.export(file_type="stl"))
    body.apply_scale(_METRES[unit])
    body.apply_transform(_Y_UP)
    scene: Any = trimesh.Scene()
    scene.add_geometry(body, geom_name=name, node_name=name)
    return bytes(scene.export(file_type="glb"))
