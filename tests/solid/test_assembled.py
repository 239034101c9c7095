"""Assemblies as solids: all parts are in it where they stand, what overlaps is found, documents are held to rules."""

import math

import numpy as np
import pytest
import trimesh
from hypothesis import given, settings
from hypothesis import strategies as st
from pydantic import ValidationError

from maqueta.demo.put_together import ASSEMBLIES, demo_assembly
from maqueta.solid.assembled import assembled, moved_to, overlaps
from maqueta.solid.assembly import MOST_COMPONENTS, Assembly, ListedPart, PlacedPart, parts_list
from maqueta.solid.errors import PartError
from maqueta.solid.part import Component
from maqueta.solid.placement import Placement
from maqueta.solid.triangulation import triangulated
from tests.assemblies import component_solid, demo_assembled, solids_of
from tests.parts import made


@pytest.mark.parametrize("slug", ASSEMBLIES)
def test_all_components_stand_where_they_are_put(slug: str) -> None:
    assembly, (_, part) = demo_assembly(slug), demo_assembled(slug)
    solids = solids_of(assembly)
    assert part.solids == len(assembly.components)
    assert part.volume == pytest.approx(sum(solids[own.part][1].volume for own in assembly.components))
    assert len(part.faces) == sum(len(solids[own.part][1].faces) for own in assembly.components)
    for own, component in zip(assembly.components, part.components, strict=True):
        alone = solids[own.part][1]
        assert component.material == alone.material
        first, count = component.faces
        faces = part.faces[first : first + count]
        for face, there in zip(alone.faces, faces, strict=True):
            assert (face.kind, face.hollow) == (there.kind, there.hollow)
            assert face.area == pytest.approx(there.area)
            if face.kind == "plane":
                assert own.placement.direction(face.direction) == pytest.approx(there.direction, abs=1e-9)
                reach = np.dot(np.subtract(own.placement.point(face.point), there.point), there.direction)
                assert reach == pytest.approx(0.0, abs=1e-9)


def test_the_cube_is_full() -> None:
    """Five pieces fill 60 × 60 × 60 without a gap: their volumes are the cube's, and none overlaps another."""
    _, part = demo_assembled("puzzle-cube")
    assert part.extents == pytest.approx((60.0, 60.0, 60.0))
    assert part.volume == pytest.approx(60.0**3)


@pytest.mark.parametrize("slug", ASSEMBLIES)
def test_nothing_overlaps_that_only_touches(slug: str) -> None:
    assembly = demo_assembly(slug)
    assert overlaps(assembly, solids_of(assembly)) == ()


@settings(max_examples=12, deadline=None)
@given(st.tuples(*3 * [st.floats(-25, 25)]), st.floats(0, 90))
def test_what_overlaps_is_what_a_mesh_library_says(at: tuple[float, float, float], degrees: float) -> None:
    """Volumes two parts share, against boolean operations on triangles (trimesh with manifold3d)."""
    names = ("pedal-fork", "cube-piece-b")
    placement = Placement(at=at).turned((30.0, 30.0, 20.0), (0.0, 0.6, 0.8), degrees)
    first = PlacedPart(id="a", name="Fork", part=names[0])
    second = PlacedPart(id="b", name="Piece", part=names[1]).placed(placement)
    assembly = Assembly(name="Two", components=(first, second))
    found = overlaps(assembly, solids_of(assembly))
    meshes = []
    for own in assembly.components:
        shape, part = component_solid(own.part)
        mesh = triangulated(moved_to(shape, own.placement), part, 0.2)
        points, triangles = np.array(mesh.points).reshape(-1, 3), np.array(mesh.triangles).reshape(-1, 3)
        meshes.append(trimesh.Trimesh(points, triangles, process=True))
    shared = trimesh.boolean.intersection(meshes, engine="manifold")
    volume = float(shared.volume) if len(shared.faces) else 0.0
    assert sum(own.volume for own in found) == pytest.approx(volume, rel=5e-3, abs=2.0)


def test_bolts_of_one_kind_overlap_their_holes_alike() -> None:
    """The same pair, standing together in the same way elsewhere and turned, shares the same volume."""
    solids = {"plate": made({"kind": "block", "size": (40, 40, 10), "at": (0, 0, 0)}),
              "peg": made({"kind": "boss", "at": (0, 0, 0), "out": "+z", "diameter": 8, "height": 30})}  # fmt: skip
    turn = Placement().turned((0.0, 0.0, 0.0), (0.0, 0.0, 1.0), 90.0)
    components = (
        PlacedPart(id="p1", name="Plate", part="plate"),
        PlacedPart(id="b1", name="Peg", part="peg", at=(10, 10, 3)),
        PlacedPart(id="p2", name="Plate", part="plate").placed(turn.moved((100.0, 0.0, 0.0))),
        PlacedPart(id="b2", name="Peg", part="peg").placed(turn.moved((90.0, 10.0, 3.0))),
    )
    found = overlaps(Assembly(name="Two plates", components=components), solids)
    assert [(own.first, own.second) for own in found] == [("p1", "b1"), ("p2", "b2")]
    assert [own.volume for own in found] == pytest.approx(2 * [7 * math.pi * 16])


def test_parts_of_two_units_do_not_stand_in_one_assembly() -> None:
    solids = {"mm": made({"kind": "block", "size": (4, 4, 1), "at": (0, 0, 0)}),
              "inch": made({"kind": "block", "size": (4, 4, 1), "at": (0, 0, 0)}, units="inch")}  # fmt: skip
    components = tuple(PlacedPart(id=key, name=f"The {key} one", part=key) for key in solids)
    with pytest.raises(PartError, match="The inch one is in inches and the assembly in millimetres"):
        assembled(Assembly(name="Mixed", components=components), solids)


@pytest.mark.parametrize(
    "wrong",
    [
        {"axes": ((1, 0, 0), (0, 1, 0), (0, 0, -1))},
        {"axes": ((1, 0, 0), (0.2, 1, 0), (0, 0, 1))},
        {"at": (1e9, 0, 0)},
        {"colour": "red"},
        {"part": "../secret"},
        {"name": ""},
    ],
)
def test_a_component_that_cannot_be_is_refused(wrong: dict[str, object]) -> None:
    with pytest.raises(ValidationError):
        PlacedPart.model_validate({"id": "a", "name": "Pin", "part": "pin"} | wrong)


def test_components_have_ids_of_their_own_and_are_not_too_many() -> None:
    pin = PlacedPart(id="a", name="Pin", part="pin")
    with pytest.raises(ValidationError, match="two components a"):
        Assembly(name="Twice", components=(pin, pin))
    many = tuple(pin.model_copy(update={"id": f"c{k}"}) for k in range(MOST_COMPONENTS + 1))
    assert len(Assembly(name="Full", components=many[:-1]).components) == MOST_COMPONENTS
    with pytest.raises(ValidationError):
        Assembly(name="Too full", components=many)


def test_the_parts_list_counts_what_is_alike() -> None:
    """The shuttle, counted by hand: a body, two axles, four wheels."""
    _, part = demo_assembled("shuttle")
    rows = parts_list(part.components)
    assert rows == (
        ListedPart(1, "shuttle-body", "Shuttle body", "boxwood", 1),
        ListedPart(2, "shuttle-axle", "Shuttle axle", "steel", 2),
        ListedPart(3, "shuttle-wheel", "Shuttle wheel", "brass", 4),
    )
    # The same part of another material is another row.
    materials = ("brass", "maple", "brass")
    wheels = [Component(f"w{k}", "Wheel", "wheel", own, None, (k, 1)) for k, own in enumerate(materials)]
    other = parts_list(wheels)
    assert [(row.material, row.quantity) for row in other] == [("brass", 2), ("maple", 1)]
