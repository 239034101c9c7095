"""Changes to the dimensions of a right sheet, each a mistake of placing or writing."""

from collections.abc import Mapping
from typing import Any

from maqueta.sheet.dimension import Dimension, Lettering, LinearDimension, RoundDimension


def first_changed(dimensions: list[Dimension], kind: type[Dimension], change: Mapping[str, Any]) -> list[Dimension]:
    """The dimensions with the first of a kind changed."""
    number = next(n for n, own in enumerate(dimensions) if isinstance(own, kind))
    dimensions[number] = dimensions[number].model_copy(update=dict(change))
    return dimensions


def _linear(dimensions: list[Dimension]) -> list[LinearDimension]:
    return [own for own in dimensions if isinstance(own, LinearDimension)]


def level_sizes(dimensions: list[Dimension]) -> list[LinearDimension]:
    """The level sizes of the view that has most of them, the shortest first."""
    level = [own for own in _linear(dimensions) if own.along == "across"]
    busiest = max({own.view for own in level}, key=lambda view: sum(own.view == view for own in level))
    return sorted((own for own in level if own.view == busiest), key=lambda own: abs(own.end[0] - own.start[0]))


def rows_swapped(dimensions: list[Dimension]) -> list[Dimension]:
    """The shortest level size outside of the longest."""
    rows = level_sizes(dimensions)
    inner, outer = rows[0], rows[-1]
    swapped = {inner.id: outer.place, outer.id: inner.place}
    return [own.model_copy(update={"place": swapped.get(own.id, own.place)}) for own in dimensions]


def rows_nearer(dimensions: list[Dimension]) -> list[Dimension]:
    """Every row of level sizes pressed towards the view."""
    rows = {own.id for own in level_sizes(dimensions)}
    return [
        own.model_copy(update={"place": (own.place[0], own.place[1] * 0.45)}) if own.id in rows else own
        for own in dimensions
    ]


def laid_over_the_view(dimensions: list[Dimension]) -> list[Dimension]:
    """The longest level size laid over its view."""
    own = level_sizes(dimensions)[-1]
    moved = own.model_copy(update={"place": (own.place[0], 12.0)})
    return [moved if other.id == own.id else other for other in dimensions]


def texts_over_each_other(dimensions: list[Dimension]) -> list[Dimension]:
    """The texts of two level sizes over each other."""
    first, second, *_ = level_sizes(dimensions)
    between = (first.start[0] + first.end[0] - second.start[0] - second.end[0]) / 2
    moved = second.model_copy(update={"place": first.place, "shift": between})
    return [moved if own.id == second.id else own for own in dimensions]


def extension_lines_touching(dimensions: list[Dimension]) -> list[Dimension]:
    """Extension lines of level sizes that touch the outline."""
    return [
        own.model_copy(update={"gaps": (0.0, 0.0)}) if own in level_sizes(dimensions) else own for own in dimensions
    ]


def lettered_low(dimensions: list[Dimension]) -> list[Dimension]:
    """Every size lettered too low."""
    low = Lettering(height=1.6)
    return [own.model_copy(update={"lettering": low}) for own in dimensions]


def texts_turned(dimensions: list[Dimension]) -> list[Dimension]:
    """Two level sizes read from above."""
    level = {own.id for own in level_sizes(dimensions)[:2]}
    turned = Lettering(height=3.5, turn=180.0)
    return [own.model_copy(update={"lettering": turned}) if own.id in level else own for own in dimensions]


def taken_aslant(dimensions: list[Dimension]) -> list[Dimension]:
    """The longest level size taken along a slant that nothing has."""
    own = level_sizes(dimensions)[-1]
    (x, y), (u, v) = own.start, own.end
    slanted = own.model_copy(update={"along": "aligned", "end": (u, v + 14.0), "start": (x, y)})
    return [slanted if other.id == own.id else other for other in dimensions]


def with_a_fit(dimensions: list[Dimension], radius: float) -> list[Dimension]:
    """The diameters of a radius with a fit."""
    return [
        own.model_copy(update={"text": "<> H7"}) if isinstance(own, RoundDimension) and own.radius == radius else own
        for own in dimensions
    ]
