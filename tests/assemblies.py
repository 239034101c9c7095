"""Assemblies the tests share, put together once."""

from collections.abc import Mapping
from functools import cache

from maqueta.demo.put_together import component_recipe, demo_assembly
from maqueta.solid.assembled import assembled
from maqueta.solid.assembly import Assembly
from maqueta.solid.kernel import Shape
from maqueta.solid.part import Part
from maqueta.solid.source import part_of_recipe


@cache
def component_solid(slug: str) -> tuple[Shape, Part]:
    return part_of_recipe(component_recipe(slug))


def solids_of(assembly: Assembly) -> Mapping[str, tuple[Shape, Part]]:
    return {own.part: component_solid(own.part) for own in assembly.components}


@cache
def demo_assembled(slug: str) -> tuple[Shape, Part]:
    assembly = demo_assembly(slug)
    return assembled(assembly, solids_of(assembly))
