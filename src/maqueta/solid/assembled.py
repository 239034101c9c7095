"""Assemblies as solids: components placed, and whether they overlap."""

import hashlib
from collections.abc import Iterator, Mapping
from dataclasses import replace
from itertools import combinations
from typing import Final

from OCP.BRep import BRep_Builder
from OCP.BRepAlgoAPI import BRepAlgoAPI_Common
from OCP.gp import gp_Trsf
from OCP.TopAbs import TopAbs_FACE
from OCP.TopLoc import TopLoc_Location
from OCP.TopoDS import TopoDS_Compound

from maqueta.geometry.directions import Vector
from maqueta.geometry.frame import dot, way_between
from maqueta.phrases.phrase import phrase
from maqueta.solid.assembly import Assembly, Overlap, PlacedPart
from maqueta.solid.errors import PartError
from maqueta.solid.examine import examine
from maqueta.solid.kernel import Shape, box_of, shapes_of, volume_of
from maqueta.solid.part import Component, Part
from maqueta.solid.placement import Placement

#: Boxes and solids that share less than this share of the assembly's size, or of its cube, only touch.
_TOUCH: Final = 1e-6
_TOUCHING_VOLUME: Final = 1e-9


def moved_to(shape: Shape, placement: Placement) -> Shape:
    """A solid where a placement puts it; its own coordinates stay as they are in the file."""
    (a, b, c), (d, e, f), (g, h, i) = placement.axes
    x, y, z = placement.at
    move = gp_Trsf()
    move.SetValues(a, d, g, x, b, e, h, y, c, f, i, z)
    return shape.Moved(TopLoc_Location(move))


def assembled(assembly: Assembly, parts: Mapping[str, tuple[Shape, Part]]) -> tuple[Shape, Part]:
    """Put parts, by their keys, where their components stand: one shape and one Part with `components`.

    Raises PartError where a part has another unit than the assembly.
    """
    for own in assembly.components:
        known = parts[own.part][1]
        if known.unit != assembly.units:
            raise PartError(phrase("assembly-units", name=own.name, unit=known.unit, units=assembly.units))
    builder, whole = BRep_Builder(), TopoDS_Compound()
    builder.MakeCompound(whole)
    components, first = [], 0
    for own, shape in _standing(assembly, parts):
        builder.Add(whole, shape)
        count = len(shapes_of(shape, TopAbs_FACE))
        known = parts[own.part][1]
        material = known.material if own.material is None else own.material
        components.append(Component(own.id, own.name, own.part, material, own.colour, (first, count), own.apart))
        first += count
    part = examine(
        whole,
        part_hash=_hash_of(assembly, parts),
        name=assembly.name,
        unit=assembly.units,
        natural_up=assembly.natural_up,
    )
    return whole, replace(part, components=tuple(components))


def overlaps(assembly: Assembly, parts: Mapping[str, tuple[Shape, Part]]) -> tuple[Overlap, ...]:
    """The pairs of components that are in one place, in the order of the assembly."""
    standing = [(own, shape, box_of(shape)) for own, shape in _standing(assembly, parts)]
    size = max((h - lo for *_, (low, high) in standing for lo, h in zip(low, high, strict=True)), default=0.0)
    # Bolts of one kind sit in their holes alike: what two parts share is asked once for each way they stand together.
    known: dict[tuple[object, ...], float] = {}
    found = []
    for (a, first, one), (b, second, other) in combinations(standing, 2):
        if not _boxes_overlap(one, other, _TOUCH * size):
            continue
        alike = (a.part, b.part, *_seen_from(a.placement, b.placement, size))
        if alike not in known:
            common = BRepAlgoAPI_Common(first, second)
            known[alike] = volume_of(common.Shape()) if common.IsDone() else 0.0
        if known[alike] > _TOUCHING_VOLUME * size**3:
            found.append(Overlap(a.id, b.id, known[alike]))
    return tuple(found)


def _seen_from(placement: Placement, other: Placement, size: float) -> tuple[float, ...]:
    """How another part stands, seen from one; rounded to what is one place."""
    way = way_between(placement.at, other.at)
    turned = (dot(axis, own) for own in other.axes for axis in placement.axes)
    moved = (dot(axis, way) / size for axis in placement.axes)
    return tuple(round(x, 6) + 0.0 for x in (*turned, *moved))


def _standing(assembly: Assembly, parts: Mapping[str, tuple[Shape, Part]]) -> Iterator[tuple[PlacedPart, Shape]]:
    return ((own, moved_to(parts[own.part][0], own.placement)) for own in assembly.components)


def _boxes_overlap(one: tuple[Vector, Vector], other: tuple[Vector, Vector], slack: float) -> bool:
    return all(
        low_a < high_b - slack and low_b < high_a - slack
        for low_a, high_a, low_b, high_b in zip(*one, *other, strict=True)
    )


def _hash_of(assembly: Assembly, parts: Mapping[str, tuple[Shape, Part]]) -> str:
    """SHA-256 of the document and of all its parts."""
    digest = hashlib.sha256(assembly.model_dump_json().encode())
    for key in sorted({own.part for own in assembly.components}):
        digest.update(f"{key}:{parts[key][1].hash}".encode())
    return digest.hexdigest()
