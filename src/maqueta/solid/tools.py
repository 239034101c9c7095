"""The shape a single feature adds to a part or takes from it."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any, Final

from OCP.BRepBuilderAPI import BRepBuilderAPI_MakeEdge, BRepBuilderAPI_MakeFace, BRepBuilderAPI_MakeWire
from OCP.BRepPrimAPI import (
    BRepPrimAPI_MakeBox,
    BRepPrimAPI_MakeCone,
    BRepPrimAPI_MakeCylinder,
    BRepPrimAPI_MakePrism,
    BRepPrimAPI_MakeRevol,
)
from OCP.GC import GC_MakeArcOfCircle
from OCP.gp import gp_Ax1, gp_Ax2, gp_Dir, gp_Pnt, gp_Vec

from maqueta.geometry.directions import AXES, Side, Vector
from maqueta.phrases.phrase import phrase
from maqueta.solid.errors import PartError
from maqueta.solid.kernel import Shape
from maqueta.solid.profile import check_profile, profile_curves
from maqueta.solid.recipe import (
    LARGEST,
    Block,
    Boss,
    Corner,
    Extrude,
    Hole,
    Number,
    Operation,
    Pocket,
    ProfileStep,
    Revolve,
    Rib,
    Slot,
    Step,
    plain,
)

UNIT: Final = {"x": (1.0, 0.0, 0.0), "y": (0.0, 1.0, 0.0), "z": (0.0, 0.0, 1.0)}
_PLANES: Final = {"xy": (0, 1, 2), "xz": (0, 2, 1), "yz": (1, 2, 0)}
_THROUGH: Final = 2 * LARGEST


@dataclass(frozen=True)
class Tool:
    """A shape and what it does to the part."""

    shape: Shape
    operation: Operation


Box = tuple[Vector, Vector]


def point(at: Sequence[Number]) -> Vector:
    """A point of a resolved recipe."""
    return (plain(at[0]), plain(at[1]), plain(at[2]))


def direction(side: Side) -> Vector:
    """Unit vector of a model direction such as "-z"."""
    sign = -1.0 if side[0] == "-" else 1.0
    x, y, z = UNIT[side[1]]
    return (sign * x, sign * y, sign * z)


def _shifted(at: Vector, along: Vector, by: float) -> Vector:
    return (at[0] + by * along[0], at[1] + by * along[1], at[2] + by * along[2])


def block_tools(block: Block) -> list[Tool]:
    """A rectangular block."""
    return [Tool(BRepPrimAPI_MakeBox(gp_Pnt(*point(block.at)), *point(block.size)).Shape(), block.operation)]


def extrude_tools(feature: Extrude) -> list[Tool]:
    """A profile pushed to a depth."""
    return [
        Tool(_pushed(feature.profile, feature.plane, plain(feature.offset), plain(feature.depth)), feature.operation)
    ]


def revolve_tools(feature: Revolve) -> list[Tool]:
    """A profile turned about an axis. Raises PartError when it crosses the axis."""
    along = AXES.index(feature.axis)
    across = (along + 1) % 3
    at = point(feature.at)
    if min(x for curve in profile_curves(feature.profile) for x, _ in curve) < 0:
        raise PartError(phrase("profile-crosses-axis"))

    def in_space(flat: tuple[float, float]) -> Any:
        spot = list(at)
        spot[across] += flat[0]
        spot[along] += flat[1]
        return gp_Pnt(*spot)

    axis = gp_Ax1(gp_Pnt(*at), gp_Dir(*UNIT[feature.axis]))
    return [Tool(BRepPrimAPI_MakeRevol(_profile_face(feature.profile, in_space), axis).Shape(), feature.operation)]


def boss_tools(boss: Boss) -> list[Tool]:
    """A round boss."""
    return [Tool(_cylinder(point(boss.at), direction(boss.out), plain(boss.diameter), plain(boss.height)), "add")]


def step_tools(step: Step, box: Box) -> list[Tool]:
    """What a step takes from a part whose bounding box is given."""
    low, high = list(box[0]), list(box[1])
    for side, taken in zip(step.edge, (plain(step.across), plain(step.down)), strict=True):
        axis = AXES.index(side[1])
        if side[0] == "+":
            high[axis] = high[axis] if step.at is None else plain(step.at[axis])
            low[axis] = high[axis] - taken
        else:
            low[axis] = low[axis] if step.at is None else plain(step.at[axis])
            high[axis] = low[axis] + taken
    run = next(k for k, axis in enumerate(AXES) if axis not in (step.edge[0][1], step.edge[1][1]))
    if step.start is not None:
        low[run] = plain(step.start)
    if step.length is not None:
        high[run] = low[run] + plain(step.length)
    if any(h <= lo for lo, h in zip(low, high, strict=True)):
        raise PartError(phrase("step-without-size"))
    return [Tool(BRepPrimAPI_MakeBox(gp_Pnt(*low), gp_Pnt(*high)).Shape(), "cut")]


def hole_tools(hole: Hole) -> list[Tool]:
    """What a drill takes away, with the mouth it may have."""
    at, into = point(hole.at), direction(hole.into)
    diameter = plain(hole.diameter)
    depth = _THROUGH if isinstance(hole.depth, str) else hole.depth
    tools = [Tool(_cylinder(at, into, diameter, depth), "cut")]
    if (bore := hole.counterbore) is not None:
        if plain(bore.diameter) <= diameter:
            raise PartError(phrase("counterbore-too-narrow"))
        tools.append(Tool(_cylinder(at, into, plain(bore.diameter), plain(bore.depth)), "cut"))
    if (sink := hole.countersink) is not None:
        wide = plain(sink.diameter)
        if wide <= diameter:
            raise PartError(phrase("countersink-too-narrow"))
        height = (wide - diameter) / 2 / math.tan(math.radians(plain(sink.angle)) / 2)
        axis = gp_Ax2(gp_Pnt(*at), gp_Dir(*into))
        tools.append(Tool(BRepPrimAPI_MakeCone(axis, wide / 2, diameter / 2, height).Shape(), "cut"))
    return tools


def slot_tools(slot: Slot) -> list[Tool]:
    """What a slot takes away."""
    if slot.along == slot.into[1]:
        raise PartError(phrase("slot-runs-inwards"))
    length, width = plain(slot.length), plain(slot.width)
    if length <= width and slot.ends == "round":
        raise PartError(phrase("slot-too-short"))
    depth = _THROUGH if isinstance(slot.depth, str) else slot.depth
    half, side = length / 2, width / 2
    outline: list[ProfileStep] = [(-half, -side), (half, -side), (half, side), (-half, side)]
    if slot.ends == "round":
        outline = [
            Corner(to=(x, y), radius=side) for x, y in ((-half, -side), (half, -side), (half, side), (-half, side))
        ]
    return [Tool(_sunk(outline, point(slot.at), slot.into, UNIT[slot.along], depth), "cut")]


def pocket_tools(pocket: Pocket) -> list[Tool]:
    """What a pocket takes away."""
    along = next(axis for axis in AXES if axis != pocket.into[1])
    half, side = plain(pocket.size[0]) / 2, plain(pocket.size[1]) / 2
    radius = plain(pocket.corner)
    corners = ((-half, -side), (half, -side), (half, side), (-half, side))
    outline: list[ProfileStep] = list(corners) if radius == 0 else [Corner(to=c, radius=radius) for c in corners]
    return [Tool(_sunk(outline, point(pocket.at), pocket.into, UNIT[along], plain(pocket.depth)), "cut")]


def rib_tools(rib: Rib) -> list[Tool]:
    """A three-cornered rib."""
    thickness = plain(rib.thickness)
    across = UNIT[next(axis for axis in AXES if axis not in (rib.legs[0][1], rib.legs[1][1]))]
    corner = _shifted(point(rib.at), across, -thickness / 2)
    ends = [_shifted(corner, direction(leg), plain(n)) for leg, n in zip(rib.legs, rib.lengths, strict=True)]
    wire = BRepBuilderAPI_MakeWire()
    points = [gp_Pnt(*at) for at in (corner, *ends)]
    for first, second in ((0, 1), (1, 2), (2, 0)):
        wire.Add(BRepBuilderAPI_MakeEdge(points[first], points[second]).Edge())
    face = BRepBuilderAPI_MakeFace(wire.Wire(), True).Face()
    push = gp_Vec(*(thickness * c for c in across))
    return [Tool(BRepPrimAPI_MakePrism(face, push).Shape(), "add")]


def _cylinder(at: Vector, along: Vector, diameter: float, length: float) -> Shape:
    return BRepPrimAPI_MakeCylinder(gp_Ax2(gp_Pnt(*at), gp_Dir(*along)), diameter / 2, length).Shape()


def _profile_face(profile: Sequence[ProfileStep], in_space: Any) -> Any:
    """A plane face from a profile; `place` puts a 2D profile point into model space."""
    check_profile(profile)
    wire = BRepBuilderAPI_MakeWire()
    for curve in profile_curves(profile):
        points = [in_space(flat) for flat in curve]
        if len(points) == 2:
            wire.Add(BRepBuilderAPI_MakeEdge(*points).Edge())
        else:
            wire.Add(BRepBuilderAPI_MakeEdge(GC_MakeArcOfCircle(*points).Value()).Edge())
    return BRepBuilderAPI_MakeFace(wire.Wire(), True).Face()


def _pushed(profile: Sequence[ProfileStep], plane: str, offset: float, depth: float) -> Shape:
    first, second, third = _PLANES[plane]

    def in_space(flat: tuple[float, float]) -> Any:
        at = [0.0, 0.0, 0.0]
        at[first], at[second], at[third] = flat[0], flat[1], offset
        return gp_Pnt(*at)

    push = [0.0, 0.0, 0.0]
    push[third] = depth
    return BRepPrimAPI_MakePrism(_profile_face(profile, in_space), gp_Vec(*push)).Shape()


def _sunk(outline: Sequence[ProfileStep], at: Vector, into: Side, along: Vector, depth: float) -> Shape:
    """An outline around `at`, its first coordinate along `along`, pushed into the part."""
    down = direction(into)
    across = (
        down[1] * along[2] - down[2] * along[1],
        down[2] * along[0] - down[0] * along[2],
        down[0] * along[1] - down[1] * along[0],
    )

    def in_space(flat: tuple[float, float]) -> Any:
        return gp_Pnt(*_shifted(_shifted(at, along, flat[0]), across, flat[1]))

    push = gp_Vec(*(depth * c for c in down))
    return BRepPrimAPI_MakePrism(_profile_face(outline, in_space), push).Shape()
