"""A sheet of an assembly's parts pulled apart, worked out once: where each part is, and what each balloon points at."""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property
from typing import Any, Final

import shapely
from shapely.affinity import affine_transform
from shapely.geometry import Point as ShapelyPoint
from shapely.geometry.base import BaseGeometry

from maqueta.geometry.carrier import Point
from maqueta.judging.survey import Survey
from maqueta.sheet.assembly_items import Balloon
from maqueta.sheet.placed import PlacedView
from maqueta.sheet.silhouette import silhouette
from maqueta.solid.assembly import ListedPart, parts_list, row_of
from maqueta.solid.part import Component

#: A leader that ends so near to a part points at it, mm (common practice, no source).
NEAR: Final = 2.0


@dataclass(frozen=True)
class ApartSurvey:
    """What a sheet shows of an assembly's single parts."""

    survey: Survey

    @cached_property
    def rows(self) -> tuple[ListedPart, ...]:
        """The parts list the assembly should have."""
        return parts_list(self.survey.projected.part.components)

    @cached_property
    def row_of(self) -> Mapping[str, ListedPart]:
        """The row that each component belongs to, by the component's id."""
        return row_of(self.survey.projected.part.components)

    @cached_property
    def shown(self) -> Mapping[str, PlacedView]:
        """The view of each component that is there, by the component's id."""
        return {item.view.only: item for item in self.survey.placed if item.view.only is not None}

    @cached_property
    def covers(self) -> Mapping[str, BaseGeometry]:
        """What each part that is there covers of the paper, by the component's id."""
        return {name: _on_sheet(item) for name, item in self.shown.items()}

    @cached_property
    def components(self) -> Mapping[str, Component]:
        """The components by their ids."""
        return {own.id: own for own in self.survey.projected.part.components}

    def pointed_at(self, balloon: Balloon) -> tuple[str, ...]:
        """The ids of the components that a balloon may point at, the nearest first: several where they overlap."""
        if balloon.tip is None:
            return ()
        tip = ShapelyPoint(balloon.tip)
        reached = sorted((cover.distance(tip), name) for name, cover in self.covers.items())
        return tuple(name for far, name in reached if far <= (NEAR if far == reached[0][0] else 0.0))

    @cached_property
    def named(self) -> Mapping[str, tuple[ListedPart, ...]]:
        """The rows that each balloon may mean, by its id."""
        return {
            own.id: tuple(dict.fromkeys(self.row_of[name] for name in self.pointed_at(own)))
            for own in self.survey.sheet.balloons
        }

    @cached_property
    def numbers(self) -> Mapping[ListedPart, tuple[str, ...]]:
        """The numbers that balloons give to each row, in the order of the sheet."""
        found: dict[ListedPart, dict[str, None]] = {row: {} for row in self.rows}
        for balloon in self.survey.sheet.balloons:
            means = self.meant(balloon)
            if means is not None:
                found[means][balloon.number.strip()] = None
        return {row: tuple(numbers) for row, numbers in found.items()}

    def meant(self, balloon: Balloon) -> ListedPart | None:
        """The row a balloon names: where parts lie over each other, the one that nobody else names so."""
        rows = self.named[balloon.id]
        if len(rows) < 2:
            return rows[0] if rows else None
        others = {
            own.number.strip(): self.named[own.id][0]
            for own in self.survey.sheet.balloons
            if own.id != balloon.id and len(self.named[own.id]) == 1
        }
        known = others.get(balloon.number.strip())
        if known in rows:
            return known
        free = [row for row in rows if row not in others.values()]
        return free[0] if free else rows[0]


def _on_sheet(item: PlacedView) -> BaseGeometry:
    """What a part covers where it stands: as it should look, which a sheet drawn by hand shows more or less."""
    factor, (x, y) = item.factor, item.view.at
    return affine_transform(silhouette(item.lines), (factor, 0.0, 0.0, factor, x, y))


def outline_points(covers: BaseGeometry) -> tuple[Point, ...]:
    """The outline of an area, for where a finding is shown."""
    if covers.is_empty:
        return ()
    rim: Any = shapely.get_coordinates(shapely.convex_hull(covers))
    return tuple((float(x), float(y)) for x, y in rim)
