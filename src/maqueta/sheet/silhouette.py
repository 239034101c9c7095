"""The area a view of a solid covers."""

from functools import lru_cache

import shapely
from shapely.geometry.base import BaseGeometry

from maqueta.geometry.line_set import LineSet
from maqueta.geometry.regions import regions_between


@lru_cache(maxsize=512)
def silhouette(lines: LineSet) -> BaseGeometry:
    """What the visible lines of a view enclose, holes one can look through included; in the plane of the view."""
    return shapely.union_all(regions_between(lines.of("visible")))
