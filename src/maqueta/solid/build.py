"""From a recipe to a solid, feature by feature, with the kernel's Boolean operations."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any, assert_never

from OCP.BRepAlgoAPI import BRepAlgoAPI_Cut, BRepAlgoAPI_Fuse
from OCP.BRepBuilderAPI import (
    BRepBuilderAPI_MakeEdge,
    BRepBuilderAPI_MakeFace,
    BRepBuilderAPI_MakeWire,
    BRepBuilderAPI_Transform,
)
from OCP.BRepPrimAPI import (
    BRepPrimAPI_MakeBox,
    BRepPrimAPI_MakeCylinder,
    BRepPrimAPI_MakePrism,
    BRepPrimAPI_MakeRevol,
)
from OCP.GC import GC_MakeArcOfCircle
from OCP.gp import gp_Ax1, gp_Ax2, gp_Dir, gp_Pnt, gp_Trsf, gp_Vec
from OCP.ShapeUpgrade import ShapeUpgrade_UnifySameDomain

from maqueta.solid.errors import FeatureError, PartError
from maqueta.solid.kernel import Shape, count_solids, is_valid, volume_of
from maqueta.solid.profile import ProfileError, check_profile, profile_curves
from maqueta.solid.recipe import (
    LARGEST,
    Block,
    Extrude,
    Feature,
    Hole,
    Mirror,
    Operation,
    ProfileStep,
    Recipe,
    Repeat,
    Revolve,
)

_UNIT = {"x": (1.0, 0.0, 0.0), "y": (0.0, 1.0, 0.0), "z": (0.0, 0.0, 1.0)}
_PLANES = {"xy": (0, 1, 2), "xz": (0, 2, 1), "yz": (1, 2, 0)}


@dataclass(frozen=True)
class _Tool:
    """A shape and what it does to the part."""

    shape: Shape
    operation: Operation


def build(recipe: Recipe) -> Shape:
    """Build the solid of a recipe, in the recipe's own unit.

    Raises FeatureError naming the feature that cannot be made, cuts nothing, or leaves no single body.
    """
    made: dict[str, list[_Tool]] = {}
    body: Shape | None = None
    for index, feature in enumerate(recipe.features):
        if feature.name in made:
            raise FeatureError(feature.name, index, "another feature has this name already")
        try:
            tools = _tools(feature, made)
            for tool in tools:
                body = _apply(body, tool)
        except FeatureError:
            raise
        except (ProfileError, PartError) as error:
            raise FeatureError(feature.name, index, str(error)) from error
        except Exception as error:  # the kernel raises its own exception types, none of them public
            raise FeatureError(feature.name, index, "the geometry kernel could not make it") from error
        made[feature.name] = tools
    assert body is not None
    pieces = count_solids(body)
    if pieces != 1:
        last = len(recipe.features) - 1
        raise FeatureError(recipe.features[last].name, last, f"the part falls into {pieces} pieces")
    return body


def _apply(body: Shape | None, tool: _Tool) -> Shape:
    if body is None:
        if tool.operation == "cut":
            raise PartError("the first feature must add material")
        result, before = tool.shape, 0.0
    else:
        before = volume_of(body)
        make: Any = BRepAlgoAPI_Fuse if tool.operation == "add" else BRepAlgoAPI_Cut
        result = unified(make(body, tool.shape).Shape())
    after = volume_of(result) if count_solids(result) else 0.0
    if not is_valid(result) or not math.isfinite(after):
        raise PartError("the result is not a valid solid")
    if after <= 0.0:
        raise PartError("nothing of the part is left")
    least = 1e-9 * max(before, after)
    if tool.operation == "cut" and before - after <= least:
        raise PartError("it cuts nothing: it lies outside the part")
    if tool.operation == "add" and after - before <= least:
        raise PartError("it adds nothing: it lies inside the part")
    return result


def unified(shape: Shape) -> Shape:
    """Merge faces and edges that lie on one surface or curve, so that only real edges remain."""
    unify = ShapeUpgrade_UnifySameDomain(shape, True, True, False)
    unify.Build()
    return unify.Shape()


def _tools(feature: Feature, made: dict[str, list[_Tool]]) -> list[_Tool]:
    match feature:
        case Block():
            box = BRepPrimAPI_MakeBox(gp_Pnt(*feature.at), *feature.size)
            return [_Tool(box.Shape(), feature.operation)]
        case Extrude():
            return [_Tool(_extruded(feature), feature.operation)]
        case Revolve():
            return [_Tool(_revolved(feature), feature.operation)]
        case Hole():
            return [_Tool(_drill(feature), "cut")]
        case Repeat():
            moves = _repeat_moves(feature)
            return [_moved(tool, move) for move in moves for tool in _named(feature.of, made)]
        case Mirror():
            return [_moved(tool, _reflection(feature)) for tool in _named(feature.of, made)]
        case _:
            assert_never(feature)


def _named(names: Sequence[str], made: dict[str, list[_Tool]]) -> list[_Tool]:
    missing = [name for name in names if name not in made]
    if missing:
        raise PartError(f"there is no earlier feature “{missing[0]}”")
    return [tool for name in names for tool in made[name]]


def _moved(tool: _Tool, move: Any) -> _Tool:
    return _Tool(BRepBuilderAPI_Transform(tool.shape, move, True).Shape(), tool.operation)


def _repeat_moves(repeat: Repeat) -> list[Any]:
    moves = []
    for place in range(1, repeat.count):
        move = gp_Trsf()
        if repeat.step is not None:
            move.SetTranslation(gp_Vec(*(place * along for along in repeat.step)))
        elif repeat.about is not None:
            axis = gp_Ax1(gp_Pnt(*repeat.at), gp_Dir(*_UNIT[repeat.about]))
            move.SetRotation(axis, 2 * math.pi * place / repeat.count)
        moves.append(move)
    return moves


def _reflection(mirror: Mirror) -> Any:
    normal = _UNIT[mirror.axis]
    move = gp_Trsf()
    move.SetMirror(gp_Ax2(gp_Pnt(*(mirror.at * along for along in normal)), gp_Dir(*normal)))
    return move


def _drill(hole: Hole) -> Shape:
    along = _UNIT[hole.into[1]]
    sign = -1.0 if hole.into[0] == "-" else 1.0
    direction = tuple(sign * part for part in along)
    depth = 2 * LARGEST if hole.depth == "through" else hole.depth
    axis = gp_Ax2(gp_Pnt(*hole.at), gp_Dir(*direction))
    return BRepPrimAPI_MakeCylinder(axis, hole.diameter / 2, depth).Shape()


def _profile_face(profile: Sequence[ProfileStep], place: Any) -> Any:
    """A plane face from a profile; `place` puts a 2D profile point into model space."""
    check_profile(profile)
    wire = BRepBuilderAPI_MakeWire()
    for curve in profile_curves(profile):
        points = [place(point) for point in curve]
        if len(points) == 2:
            wire.Add(BRepBuilderAPI_MakeEdge(*points).Edge())
        else:
            wire.Add(BRepBuilderAPI_MakeEdge(GC_MakeArcOfCircle(*points).Value()).Edge())
    return BRepBuilderAPI_MakeFace(wire.Wire(), True).Face()


def _extruded(feature: Extrude) -> Shape:
    first, second, third = _PLANES[feature.plane]

    def place(point: tuple[float, float]) -> Any:
        at = [0.0, 0.0, 0.0]
        at[first], at[second], at[third] = point[0], point[1], feature.offset
        return gp_Pnt(*at)

    push = [0.0, 0.0, 0.0]
    push[third] = feature.depth
    return BRepPrimAPI_MakePrism(_profile_face(feature.profile, place), gp_Vec(*push)).Shape()


def _revolved(feature: Revolve) -> Shape:
    along = "xyz".index(feature.axis)
    across = (along + 1) % 3
    radii = [r for step in feature.profile for r in _radii(step)]
    if min(radii) < 0:
        raise PartError("the profile crosses the axis: a radius is negative")

    def place(point: tuple[float, float]) -> Any:
        at = list(feature.at)
        at[across] += point[0]
        at[along] += point[1]
        return gp_Pnt(*at)

    axis = gp_Ax1(gp_Pnt(*feature.at), gp_Dir(*_UNIT[feature.axis]))
    return BRepPrimAPI_MakeRevol(_profile_face(feature.profile, place), axis).Shape()


def _radii(step: ProfileStep) -> list[float]:
    return [step[0]] if isinstance(step, tuple) else [step.through[0], step.to[0]]
