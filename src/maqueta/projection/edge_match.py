"""Which model edge or curved face a projected piece comes from, by the place of its middle in space."""

import math
from typing import Final

import numpy as np
from numpy.typing import NDArray

from maqueta.solid.part import Face, Part

Match = tuple[tuple[int, ...], tuple[int, ...], bool]
Array = NDArray[np.float64]
#: So many distances are computed at a time: as many as stay near the processor.
_AT_A_TIME: Final = 60_000


def _gaps(a: Array, b: Array) -> Array:
    """Squared distances of all points of `a` (n × 3) from all of `b` (m × 3).

    By one product of matrices: rounding costs about 1e-8 of the coordinates, so these must lie around the origin.
    """
    gaps: Array = (a * a).sum(axis=1)[:, None] + (b * b).sum(axis=1) - 2 * (a @ b.T)
    return gaps


def _dot(a: Array, b: Array) -> Array:
    result: Array = np.einsum("...k,...k->...", a, b)
    return result


def _widening(part: Part, face: Face) -> float:
    """Whether a cone grows wider (1) or narrower (−1) along its direction, by its own edges; 0 for other faces."""
    if face.kind != "cone":
        return 0.0
    axis, point = np.array(face.direction), np.array(face.point)
    offsets = np.array([sample for e in face.edges for sample in part.edges[e].samples]).reshape(-1, 3) - point
    heights = offsets @ axis
    out = np.linalg.norm(offsets - heights[:, None] * axis, axis=1)
    grown = math.tan(face.angle) * heights
    return 1.0 if np.abs(out - face.radius - grown).sum() <= np.abs(out - face.radius + grown).sum() else -1.0


class EdgeMatcher:
    """Arrays of a part's edges and round faces, made once for all its views."""

    def __init__(self, part: Part) -> None:
        edges = part.edges
        self._of_edge: list[Match] = [((i,), edge.faces, edge.seam) for i, edge in enumerate(edges)]
        self._no_corner = np.array([edge.seam or edge.smooth for edge in edges], dtype=bool)
        self._near = 1e-5 * part.size
        lines = [i for i, e in enumerate(edges) if e.kind == "line"]
        circles = [i for i, e in enumerate(edges) if e.kind == "circle"]
        others = [i for i, e in enumerate(edges) if e.kind not in ("line", "circle")]
        self._lines, self._circles, self._others = (np.array(ids, dtype=int) for ids in (lines, circles, others))
        # Edges are measured from the middle of the part, so that products of coordinates keep their digits.
        self._origin = (np.array(part.low) + np.array(part.high)) / 2
        self._starts = np.array([edges[i].start for i in lines]).reshape(-1, 3) - self._origin
        spans = np.array([edges[i].end for i in lines]).reshape(-1, 3) - self._origin - self._starts
        self._lengths = np.linalg.norm(spans, axis=1)
        self._along = spans / self._lengths[:, None]
        self._start_along = _dot(self._starts, self._along)
        self._centres = np.array([edges[i].centre for i in circles]).reshape(-1, 3) - self._origin
        self._axes = np.array([edges[i].axis for i in circles]).reshape(-1, 3)
        self._centre_height = _dot(self._centres, self._axes)
        self._radii = np.array([edges[i].radius for i in circles])
        middles = np.array([edges[i].samples[len(edges[i].samples) // 2] for i in circles]).reshape(-1, 3)
        self._arc_middles = middles - self._origin
        starts = np.array([edges[i].start for i in circles]).reshape(-1, 3)
        self._arc_reach = ((starts - middles) ** 2).sum(axis=1) * (1 + 1e-6)
        self._arc_reach[[edges[i].closed for i in circles]] = np.inf
        self._other_samples = [np.array(edges[i].samples) for i in others]
        faces = [(i, f) for i, f in enumerate(part.faces) if f.kind not in ("plane", "other")]
        self._faces = np.array([i for i, _ in faces], dtype=int)
        self._kinds = [f.kind for _, f in faces]
        self._points = np.array([f.point for _, f in faces]).reshape(-1, 3)
        self._directions = np.array([f.direction for _, f in faces]).reshape(-1, 3)
        self._face_radii = np.array([f.radius for _, f in faces])
        self._minors = np.array([f.minor for _, f in faces])
        self._slopes = np.array([math.tan(f.angle) for _, f in faces])
        self._widening = np.array([_widening(part, f) for _, f in faces])
        self._reaches = np.array([f.reach for _, f in faces]).reshape(-1, 2)

    def match(self, middles: Array, outlines: NDArray[np.bool_]) -> list[Match]:
        """For each middle point (n × 3, model space): edges, faces, and whether it runs along a seam."""
        rows = max(1, _AT_A_TIME // max(1, len(self._of_edge)))
        starts = range(0, len(middles), rows)
        return [own for k in starts for own in self._match(middles[k : k + rows], outlines[k : k + rows])]

    def _match(self, middles: Array, outlines: NDArray[np.bool_]) -> list[Match]:
        count = len(middles)
        squares = np.full((count, len(self._of_edge)), np.inf)
        centred = middles - self._origin
        if len(self._lines):
            along = centred @ self._along.T - self._start_along
            beyond = along - np.clip(along, 0.0, self._lengths)
            squares[:, self._lines] = _gaps(centred, self._starts) - along**2 + beyond**2
        if len(self._circles):
            height = centred @ self._axes.T - self._centre_height
            out = np.sqrt(np.maximum(_gaps(centred, self._centres) - height**2, 0.0))
            gap = height**2 + (out - self._radii) ** 2
            gap[_gaps(centred, self._arc_middles) > self._arc_reach] = np.inf
            squares[:, self._circles] = gap
        for index, samples in zip(self._others, self._other_samples, strict=True):
            gaps = np.linalg.norm(middles[:, None, :] - samples, axis=2).min(axis=1)
            step = np.linalg.norm(np.diff(samples, axis=0), axis=1).max()
            squares[:, index] = np.where(gaps <= step, (self._near * 0.5) ** 2, np.inf)
        if squares.shape[1]:
            best = squares.argmin(axis=1)
            hit = squares[np.arange(count), best] <= self._near**2
            # An outline over a round face comes from no edge; where it runs along a seam or a smooth edge, neither.
            lone = outlines & (~hit | self._no_corner[best])
        else:
            best, hit, lone = np.zeros(count, dtype=int), np.zeros(count, dtype=bool), outlines
        faces_of_lone = iter(self._face_of(middles[lone]) if lone.any() else [])
        result: list[Match] = []
        for alone, found, index in zip(lone.tolist(), hit.tolist(), best.tolist(), strict=True):
            if alone:
                result.append(((), next(faces_of_lone), False))
            else:
                result.append(self._of_edge[index] if found else ((), (), False))
        return result

    def _off_cone(self, column: int, out: Array, height: Array) -> Array:
        """Distances from a cone, infinite beyond its ends."""
        slope = self._widening[column] * self._slopes[column]
        off = np.abs(out - self._face_radii[column] - slope * height) / math.hypot(1.0, slope)
        # A cone's reach is measured along its sides.
        low, high = np.sort(self._reaches[column] / math.hypot(1.0, slope))
        outside = (height < low - self._near) | (height > high + self._near)
        return np.where(outside, np.inf, off)

    def _face_of(self, points: Array) -> list[tuple[int, ...]]:
        """The round face each point lies on, nearest first; empty when there is none."""
        if not len(self._faces):
            return [() for _ in points]
        offset = points[:, None, :] - self._points
        height = _dot(offset, self._directions)
        out = np.linalg.norm(offset - height[..., None] * self._directions, axis=2)
        gaps = np.abs(out - self._face_radii)
        for column, kind in enumerate(self._kinds):
            if kind == "sphere":
                gaps[:, column] = np.abs(np.linalg.norm(offset[:, column], axis=1) - self._face_radii[column])
            elif kind == "torus":
                tube = np.hypot(out[:, column] - self._face_radii[column], height[:, column])
                gaps[:, column] = np.abs(tube - self._minors[column])
            elif kind == "cone":
                gaps[:, column] = self._off_cone(column, out[:, column], height[:, column])
            else:
                low, high = self._reaches[column]
                outside = (height[:, column] < low - self._near) | (height[:, column] > high + self._near)
                gaps[outside, column] = np.inf
        return [(int(self._faces[row.argmin()]),) if np.isfinite(row.min()) else () for row in gaps]
