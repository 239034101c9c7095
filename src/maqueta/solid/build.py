"""From a recipe to a solid, feature by feature, with the kernel's Boolean operations."""

import math
from collections.abc import Sequence
from typing import Any, assert_never

from OCP.BRepAlgoAPI import BRepAlgoAPI_Cut, BRepAlgoAPI_Fuse
from OCP.BRepBuilderAPI import BRepBuilderAPI_Transform
from OCP.gp import gp_Ax1, gp_Ax2, gp_Dir, gp_Pnt, gp_Trsf, gp_Vec

from maqueta.phrases.phrase import phrase
from maqueta.solid.edge_choice import dressed
from maqueta.solid.errors import FeatureError, PartError
from maqueta.solid.kernel import Shape, box_of, count_solids, is_valid, unified, volume_of
from maqueta.solid.profile import ProfileError
from maqueta.solid.recipe import (
    Block,
    Boss,
    Chamfer,
    Extrude,
    Feature,
    Fillet,
    Hole,
    Mirror,
    Pocket,
    Recipe,
    Repeat,
    Revolve,
    Rib,
    Slot,
    Step,
    plain,
)
from maqueta.solid.resolve import resolved
from maqueta.solid.tools import (
    UNIT,
    Tool,
    block_tools,
    boss_tools,
    extrude_tools,
    hole_tools,
    pocket_tools,
    point,
    revolve_tools,
    rib_tools,
    slot_tools,
    step_tools,
)


def build(recipe: Recipe) -> Shape:
    """Build the solid of a recipe, in the recipe's own unit.

    Raises FeatureError naming the feature that cannot be made, cuts nothing, or leaves no single body, and PartError
    when a named size has no value or every feature is suppressed.
    """
    recipe = resolved(recipe)
    made: dict[str, list[Tool]] = {}
    body: Shape | None = None
    last = 0
    for index, feature in enumerate(recipe.features):
        if feature.name in made:
            raise FeatureError(feature.name, index, phrase("feature-name-taken"))
        if feature.suppressed:
            made[feature.name] = []
            continue
        try:
            body, made[feature.name] = _with(body, feature, made)
        except FeatureError:
            raise
        except (ProfileError, PartError) as error:
            raise FeatureError(feature.name, index, error.reason) from error
        except Exception as error:  # the kernel raises its own exception types, none of them public
            raise FeatureError(feature.name, index, phrase("kernel-could-not-make-it")) from error
        last = index
    if body is None:
        raise PartError(phrase("every-feature-suppressed"))
    pieces = count_solids(body)
    if pieces != 1:
        raise FeatureError(recipe.features[last].name, last, phrase("part-in-pieces", pieces=pieces))
    return body


def _with(body: Shape | None, feature: Feature, made: dict[str, list[Tool]]) -> tuple[Shape | None, list[Tool]]:
    """The body after one more feature, and the tools it was made with, for repeating."""
    if isinstance(feature, Fillet | Chamfer):
        if body is None:
            raise PartError(phrase("first-adds-material"))
        low, high = box_of(body)
        shaped = dressed(body, feature, max(h - lo for lo, h in zip(low, high, strict=True)))
        _check(shaped)
        return unified(shaped), []
    tools = _tools(body, feature, made)
    for tool in tools:
        body = _apply(body, tool)
    return body, tools


def _apply(body: Shape | None, tool: Tool) -> Shape:
    if body is None:
        if tool.operation == "cut":
            raise PartError(phrase("first-adds-material"))
        result, before = tool.shape, 0.0
    else:
        before = volume_of(body)
        make: Any = BRepAlgoAPI_Fuse if tool.operation == "add" else BRepAlgoAPI_Cut
        result = unified(make(body, tool.shape).Shape())
    after = _check(result)
    least = 1e-9 * max(before, after)
    if tool.operation == "cut" and before - after <= least:
        raise PartError(phrase("cuts-nothing"))
    if tool.operation == "add" and after - before <= least:
        raise PartError(phrase("adds-nothing"))
    return result


def _check(body: Shape) -> float:
    """The volume of a body. Raises PartError when it is no valid solid or nothing is left of it."""
    volume = volume_of(body) if count_solids(body) else 0.0
    if not is_valid(body) or not math.isfinite(volume):
        raise PartError(phrase("result-not-valid"))
    if volume <= 0.0:
        raise PartError(phrase("nothing-left"))
    return volume


def _tools(body: Shape | None, feature: Feature, made: dict[str, list[Tool]]) -> list[Tool]:
    match feature:
        case Block():
            return block_tools(feature)
        case Extrude():
            return extrude_tools(feature)
        case Revolve():
            return revolve_tools(feature)
        case Boss():
            return boss_tools(feature)
        case Step():
            if body is None:
                raise PartError(phrase("first-adds-material"))
            return step_tools(feature, box_of(body))
        case Slot():
            return slot_tools(feature)
        case Pocket():
            return pocket_tools(feature)
        case Hole():
            return hole_tools(feature)
        case Rib():
            return rib_tools(feature)
        case Repeat():
            moves = _repeat_moves(feature)
            return [_moved(tool, move) for move in moves for tool in _named(feature.of, made)]
        case Mirror():
            return [_moved(tool, _reflection(feature)) for tool in _named(feature.of, made)]
        case Fillet() | Chamfer():
            raise AssertionError("made by choosing edges, not by a tool")
        case _:
            assert_never(feature)


def _named(names: Sequence[str], made: dict[str, list[Tool]]) -> list[Tool]:
    missing = [name for name in names if name not in made]
    if missing:
        raise PartError(phrase("no-earlier-feature", name=missing[0]))
    return [tool for name in names for tool in made[name]]


def _moved(tool: Tool, move: Any) -> Tool:
    return Tool(BRepBuilderAPI_Transform(tool.shape, move, True).Shape(), tool.operation)


def _repeat_moves(repeat: Repeat) -> list[Any]:
    moves = []
    for number in range(1, repeat.count):
        move = gp_Trsf()
        if repeat.step is not None:
            move.SetTranslation(gp_Vec(*(number * along for along in point(repeat.step))))
        elif repeat.about is not None:
            axis = gp_Ax1(gp_Pnt(*point(repeat.at)), gp_Dir(*UNIT[repeat.about]))
            move.SetRotation(axis, 2 * math.pi * number / repeat.count)
        moves.append(move)
    return moves


def _reflection(mirror: Mirror) -> Any:
    normal = UNIT[mirror.axis]
    move = gp_Trsf()
    move.SetMirror(gp_Ax2(gp_Pnt(*(plain(mirror.at) * along for along in normal)), gp_Dir(*normal)))
    return move
