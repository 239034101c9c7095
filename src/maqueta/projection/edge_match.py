"""Which model edge or curved face a projected piece comes from, by the place of its middle in space."""

import numpy as np
from numpy.typing import NDArray

from maqueta.solid.part import Part

Match = tuple[tuple[int, ...], tuple[int, ...], bool]
Array = NDArray[np.float64]


def _dot(a: Array, b: Array) -> Array:
    result: Array = np.einsum("...k,...k->...", a, b)
    return result


class EdgeMatcher:
    """Arrays of a part's edges and round faces, made once for all its views."""

    def __init__(self, part: Part) -> None:
        edges = part.edges
        self._edges = edges
        self._near = 1e-5 * part.size
        lines = [i for i, e in enumerate(edges) if e.kind == "line"]
        circles = [i for i, e in enumerate(edges) if e.kind == "circle"]
        others = [i for i, e in enumerate(edges) if e.kind not in ("line", "circle")]
        self._lines, self._circles, self._others = (np.array(ids, dtype=int) for ids in (lines, circles, others))
        self._starts = np.array([edges[i].start for i in lines]).reshape(-1, 3)
        spans = np.array([edges[i].end for i in lines]).reshape(-1, 3) - self._starts
        self._lengths = np.linalg.norm(spans, axis=1)
        self._along = spans / self._lengths[:, None]
        self._centres = np.array([edges[i].centre for i in circles]).reshape(-1, 3)
        self._axes = np.array([edges[i].axis for i in circles]).reshape(-1, 3)
        self._radii = np.array([edges[i].radius for i in circles])
        self._arc_middles = np.array([edges[i].samples[len(edges[i].samples) // 2] for i in circles]).reshape(-1, 3)
        self._arc_reach = np.array(
            [
                np.inf if edges[i].closed else np.linalg.norm(np.subtract(edges[i].start, self._arc_middles[k]))
                for k, i in enumerate(circles)
            ]
        )
        self._other_samples = [np.array(edges[i].samples) for i in others]
        faces = [(i, f) for i, f in enumerate(part.faces) if f.kind not in ("plane", "other")]
        self._faces = np.array([i for i, _ in faces], dtype=int)
        self._kinds = [f.kind for _, f in faces]
        self._points = np.array([f.point for _, f in faces]).reshape(-1, 3)
        self._directions = np.array([f.direction for _, f in faces]).reshape(-1, 3)
        self._face_radii = np.array([f.radius for _, f in faces])
        self._reaches = np.array([f.reach for _, f in faces]).reshape(-1, 2)

    def match(self, middles: Array, outlines: NDArray[np.bool_]) -> list[Match]:
        """For each middle point (n × 3, model space): edges, faces, and whether it runs along a seam."""
        count = len(middles)
        if count == 0:
            return []
        distances = np.full((count, len(self._edges)), np.inf)
        if len(self._lines):
            offset = middles[:, None, :] - self._starts
            along = np.clip(_dot(offset, self._along), 0.0, self._lengths)
            distances[:, self._lines] = np.linalg.norm(offset - along[..., None] * self._along, axis=2)
        if len(self._circles):
            offset = middles[:, None, :] - self._centres
            height = _dot(offset, self._axes)
            out = np.linalg.norm(offset - height[..., None] * self._axes, axis=2)
            gap = np.hypot(height, out - self._radii)
            beyond = np.linalg.norm(middles[:, None, :] - self._arc_middles, axis=2) > self._arc_reach * (1 + 1e-9)
            distances[:, self._circles] = np.where(beyond, np.inf, gap)
        for index, samples in zip(self._others, self._other_samples, strict=True):
            gaps = np.linalg.norm(middles[:, None, :] - samples, axis=2).min(axis=1)
            step = np.linalg.norm(np.diff(samples, axis=0), axis=1).max()
            distances[:, index] = np.where(gaps <= step, self._near * 0.5, np.inf)
        if distances.shape[1]:
            best = distances.argmin(axis=1)
            hit = distances[np.arange(count), best] <= self._near
        else:
            best, hit = np.zeros(count, dtype=int), np.zeros(count, dtype=bool)
        # An outline over a round face comes from no edge; where it runs along a seam or a smooth edge, neither.
        lone = outlines & np.array(
            [not h or self._edges[b].seam or self._edges[b].smooth for b, h in zip(best, hit, strict=True)], dtype=bool
        )
        curved = self._face_of(middles[lone]) if lone.any() else []
        faces_of_lone = iter(curved)
        result: list[Match] = []
        for row in range(count):
            if lone[row]:
                result.append(((), next(faces_of_lone), False))
            elif hit[row]:
                edge = self._edges[best[row]]
                result.append(((int(best[row]),), edge.faces, edge.seam))
            else:
                result.append(((), (), False))
        return result

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
            elif kind in ("torus", "cone"):
                gaps[:, column] = np.where(gaps[:, column] < np.inf, self._near * 100, np.inf)
            else:
                low, high = self._reaches[column]
                outside = (height[:, column] < low - self._near) | (height[:, column] > high + self._near)
                gaps[outside, column] = np.inf
        return [(int(self._faces[row.argmin()]),) if np.isfinite(row.min()) else () for row in gaps]
