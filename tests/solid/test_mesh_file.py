"""Triangle files, read back by a general mesh library."""

import io
from typing import Any

import pytest
import trimesh

from maqueta.demo.workshop import PARTS
from maqueta.solid.mesh_file import mesh_file
from maqueta.solid.triangulation import triangulated
from tests.parts import demo_solid


@pytest.mark.parametrize("slug", PARTS)
def test_stl_encloses_the_parts_volume(slug: str) -> None:
    shape, part = demo_solid(slug)
    body: Any = trimesh.load(io.BytesIO(mesh_file(triangulated(shape, part), part.unit, "stl", slug)), file_type="stl")
    body.merge_vertices()
    assert body.is_watertight
    assert body.volume == pytest.approx(part.volume, rel=5e-3)
    assert body.center_mass == pytest.approx(part.centroid, abs=2e-3 * part.size)
    assert body.area == pytest.approx(part.area, rel=5e-3)


def test_gltf_counts_in_metres_with_y_up() -> None:
    """glTF 2.0, section 3.4: metres, Y up."""
    shape, part = demo_solid("pedal-hinge")
    data = mesh_file(triangulated(shape, part), part.unit, "glb", "pedal hinge")
    assert data[:4] == b"glTF"
    scene: Any = trimesh.load(io.BytesIO(data), file_type="glb")
    wide, deep, high = (0.0254 * e for e in part.extents)
    assert scene.extents == pytest.approx((wide, high, deep), rel=1e-6)
