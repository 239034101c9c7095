"""Parts the tests share, built once."""

from functools import cache
from typing import Any

from OCP.BRepBuilderAPI import BRepBuilderAPI_MakeFace, BRepBuilderAPI_MakePolygon
from OCP.BRepPrimAPI import BRepPrimAPI_MakePrism
from OCP.gp import gp_Pnt, gp_Vec

from maqueta.demo.put_together import ASSEMBLIES
from maqueta.demo.workshop import demo_recipe
from maqueta.making.model_sheet import model_looks
from maqueta.projection.project import drawn, project
from maqueta.projection.projected_part import ProjectedPart
from maqueta.solid.apart import with_ways
from maqueta.solid.kernel import Shape
from maqueta.solid.part import Part
from maqueta.solid.recipe import Recipe
from maqueta.solid.source import part_of_recipe
from maqueta.solid.triangulation import triangulated
from maqueta.task.exercise import Exercise
from tests.assemblies import demo_assembled


def recipe(*features: dict[str, Any], **rest: Any) -> Recipe:
    """A recipe of features, each named by its kind and place when it has no name."""
    named = [{"name": f"{feature['kind']} {place}", **feature} for place, feature in enumerate(features)]
    return Recipe.model_validate({"name": "test part", "features": named, **rest})


def block(size: tuple[float, float, float], at: tuple[float, float, float] = (0, 0, 0), **rest: Any) -> dict[str, Any]:
    return {"kind": "block", "size": size, "at": at, **rest}


def hole(at: tuple[float, float, float], into: str, diameter: float, depth: float | str = "through") -> dict[str, Any]:
    return {"kind": "hole", "at": at, "into": into, "diameter": diameter, "depth": depth}


def made(*features: dict[str, Any], **rest: Any) -> tuple[Shape, Part]:
    return part_of_recipe(recipe(*features, **rest))


def projected(*features: dict[str, Any], **rest: Any) -> ProjectedPart:
    return project(*made(*features, **rest))


@cache
def demo_solid(slug: str) -> tuple[Shape, Part]:
    if slug not in ASSEMBLIES:
        return part_of_recipe(demo_recipe(slug))
    shape, part = demo_assembled(slug)
    return shape, with_ways(part, triangulated(shape, part))


@cache
def demo_projected(slug: str) -> ProjectedPart:
    return project(*demo_solid(slug))


def demo_answered(slug: str, task: Exercise) -> ProjectedPart:
    """A demo part, drawn in all looks of the model answer of an exercise."""
    whole = demo_projected(slug)
    return whole.with_looks(drawn(*demo_solid(slug), model_looks(whole, task)))


@cache
def seven_block() -> ProjectedPart:
    """Three stretches of width, two of height, two of depth: the job's own example of seven dimensions."""
    return projected(
        block((80, 40, 20)),
        block((30, 40, 30), (20, 0, 20)),
        block((30, 15, 30), (20, 0, 20), operation="cut"),
    )


def comb(teeth: int) -> Shape:
    """A comb: 4 × teeth + 3 faces."""
    polygon = BRepBuilderAPI_MakePolygon()
    points = [(0.0, 0.0), (10.0 * teeth, 0.0)]
    for tooth in range(teeth, 0, -1):
        points += [(10.0 * tooth, 20.0), (10.0 * tooth - 5, 20.0), (10.0 * tooth - 5, 10.0), (10.0 * tooth - 10, 10.0)]
    for x, z in points:
        polygon.Add(gp_Pnt(x, 0, z))
    polygon.Close()
    return BRepPrimAPI_MakePrism(BRepBuilderAPI_MakeFace(polygon.Wire()).Face(), gp_Vec(0, 30, 0)).Shape()
