"""Shaded views: each region between the exact outlines filled with the tint of the face that is seen there.

Regions come from the line set and are exact; which face is seen in one, and how a curved face turns, from the part's
triangles.
"""

from collections.abc import Callable, Sequence
from dataclasses import replace
from functools import lru_cache
from typing import Final

import numpy as np
import shapely
from numpy.typing import NDArray
from shapely.geometry.base import BaseGeometry

from maqueta.drawing.ink import InkGroup, Tinted
from maqueta.drawing.tints import card_tints, own_tints, written
from maqueta.geometry.carrier import Point, Similarity
from maqueta.geometry.line_set import LineSet
from maqueta.geometry.regions import polygons_of, regions_between, rings_of
from maqueta.projection.look import Look
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.placed import placed_views
from maqueta.sheet.view import Shading
from maqueta.solid.mesh import Mesh

Array = NDArray[np.float64]
Rings = tuple[tuple[Point, ...], ...]

#: A curved face is drawn in bands whose colours differ by about so much (of 255).
_BAND: Final = 5.0
#: Shaded looks remembered: a sheet is drawn again at every change, and its pictorial seldom changes.
_REMEMBERED: Final = 64


def shaded(
    groups: Sequence[InkGroup], projected: ProjectedPart, sheet: SheetDocument, triangles: Callable[[], Mesh]
) -> tuple[InkGroup, ...]:
    """The ink of a sheet with tints below the lines of its shaded views; the part's triangles are read when needed."""
    tints: dict[str, tuple[Tinted, ...]] = {}
    for item in placed_views(projected, sheet):
        if item.view.shading is None or item.look is None:
            continue
        regions = _remembered(_Seen(projected, triangles), item.look, item.view.shading)
        tints[item.view.id] = tuple(Tinted(_moved(rings, item.move), colour) for rings, colour in regions)
    return tuple(
        replace(group, items=(*tints[group.id], *group.items)) if group.role == "view" and group.id in tints else group
        for group in groups
    )


class _Seen:
    """A part and its triangles; parts of one content are one, so that what was shaded once is found again."""

    def __init__(self, projected: ProjectedPart, triangles: Callable[[], Mesh]) -> None:
        self.projected, self.triangles = projected, triangles

    @property
    def _content(self) -> tuple[object, ...]:
        part = self.projected.part
        return (part.hash, part.material, part.natural_up)

    def __eq__(self, other: object) -> bool:
        return isinstance(other, _Seen) and self._content == other._content

    def __hash__(self) -> int:
        return hash(self._content)


@lru_cache(maxsize=_REMEMBERED)
def _remembered(seen: _Seen, look: Look, shading: Shading) -> tuple[tuple[Rings, str], ...]:
    part = seen.projected.part
    return shades(seen.triangles(), seen.projected.line_set(look), look, shading, part.material)


def shades(mesh: Mesh, lines: LineSet, look: Look, shading: Shading, material: str) -> tuple[tuple[Rings, str], ...]:
    """Regions and their colours, in the plane of the look: rings of points, the outer one first.

    The regions between visible and smooth lines do not overlap. Curved faces are cut into bands of nearly one colour.
    """
    facets = _Facets(mesh, look, shading, material)
    found: list[tuple[Rings, str]] = []
    for region in regions_between([piece for piece in lines.pieces if piece.kind in ("visible", "smooth")]):
        at = region.representative_point()
        face = facets.face_at((at.x, at.y))
        if face is None:
            continue
        bands = facets.bands(face)
        # Below the bands lies one tint for all, so that no paper shows at rims where triangles fall short of the curve.
        found.append((rings_of(region), written(np.mean([colour for colour, _ in bands], axis=0))))
        if len(bands) > 1:
            for colour, area in bands:
                found += [(rings_of(cut), written(colour)) for cut in polygons_of(area.intersection(region))]
    return tuple(found)


class _Facets:
    """The triangles that face the reader, in the plane of a look."""

    def __init__(self, mesh: Mesh, look: Look, shading: Shading, material: str) -> None:
        frame = np.array(look.frame)
        space = np.array(mesh.points).reshape(-1, 3)[np.array(mesh.triangles, dtype=int).reshape(-1, 3)]
        normals = np.cross(space[:, 1] - space[:, 0], space[:, 2] - space[:, 0])
        lengths = np.linalg.norm(normals, axis=1)
        facing = (lengths > 0) & (normals @ frame[2] > 1e-9 * np.maximum(lengths, 1e-300))
        normals = normals[facing] / lengths[facing, None]
        self._corners = space[facing] @ frame.T
        self._faces = np.array(mesh.face_of_triangle, dtype=int)[facing]
        self._tints = card_tints(normals) if shading == "card" else own_tints(normals, frame, material)

    def face_at(self, point: Point) -> int | None:
        """The face nearest to the reader at a point of the plane."""
        a, b, c = self._corners[:, 0], self._corners[:, 1], self._corners[:, 2]
        area = (b[:, 0] - a[:, 0]) * (c[:, 1] - a[:, 1]) - (c[:, 0] - a[:, 0]) * (b[:, 1] - a[:, 1])
        dx, dy = point[0] - a[:, 0], point[1] - a[:, 1]
        with np.errstate(divide="ignore", invalid="ignore"):
            u = (dx * (c[:, 1] - a[:, 1]) - (c[:, 0] - a[:, 0]) * dy) / area
            v = ((b[:, 0] - a[:, 0]) * dy - dx * (b[:, 1] - a[:, 1])) / area
        inside = np.flatnonzero((u >= -1e-6) & (v >= -1e-6) & (u + v <= 1 + 1e-6))
        if len(inside) == 0:
            return None
        height = a[:, 2] + u * (b[:, 2] - a[:, 2]) + v * (c[:, 2] - a[:, 2])
        return int(self._faces[inside[np.argmax(height[inside])]])

    def bands(self, face: int) -> list[tuple[Array, BaseGeometry]]:
        """A face's colours and where each lies; one for a flat face."""
        own = np.flatnonzero(self._faces == face)
        steps = np.round(self._tints[own] / _BAND).astype(int)
        _, band = np.unique(steps, axis=0, return_inverse=True)
        bands = []
        for number in range(int(band.max()) + 1):
            members = own[band.ravel() == number]
            area = shapely.union_all(shapely.polygons(self._corners[members][:, :, :2]))
            bands.append((np.mean(self._tints[members], axis=0), area))
        return bands


def _moved(rings: Rings, move: Similarity) -> Rings:
    return tuple(tuple(move(point) for point in ring) for ring in rings)
