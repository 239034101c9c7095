"""Which model edge or curved face a projected piece comes from, by the place of its middle in space."""

import math
from typing import Final

import numpy as np
from numpy.typing import NDArray
from shapely import STRtree, box, points

from maqueta.solid.part import Face, Part

Match = tuple[tuple[int, ...], tuple[int, ...], bool]
Array = NDArray[np.float64]
#: So many edges at most are held against pieces at a time.
_AT_A_TIME: Final = 1_000_000


def _dot(a: Array, b: Array) -> Array:
    result: Array = np.einsum("...k,...k->...", a, b)
    return result


def _step(samples: Array) -> float:
    """The longest way from one sample of a curve to the next."""
    return float(np.linalg.norm(np.diff(samples, axis=0), axis=1).max())


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
        self._lines, self._circles = (
            np.array([e.kind == kind for e in edges], dtype=bool) for kind in ("line", "circle")
        )
        self._starts = np.array([e.start for e in edges]).reshape(-1, 3)
        spans = np.array([e.end for e in edges]).reshape(-1, 3) - self._starts
        self._lengths = np.linalg.norm(spans, axis=1)
        self._along = spans / np.where(self._lines, self._lengths, 1.0)[:, None]
        self._centres = np.array([e.centre for e in edges]).reshape(-1, 3)
        self._axes = np.array([e.axis for e in edges]).reshape(-1, 3)
        self._radii = np.array([e.radius for e in edges], dtype=float)
        self._arc_middles = np.array([e.samples[len(e.samples) // 2] for e in edges]).reshape(-1, 3)
        self._arc_reach = ((self._starts - self._arc_middles) ** 2).sum(axis=1) * (1 + 1e-6)
        self._arc_reach[[edge.closed for edge in edges]] = np.inf
        self._samples = [None if e.kind in ("line", "circle") else np.array(e.samples) for e in edges]
        low, high = self._room()
        self._tree = STRtree(box(low[:, 0], low[:, 1], high[:, 0], high[:, 1]))
        self._low, self._high = low[:, 2], high[:, 2]
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

    def _room(self) -> tuple[Array, Array]:
        """The boxes within which each edge is met: from, to (n × 3)."""
        ends = np.stack([self._starts, self._starts + self._along * self._lengths[:, None]])
        low, high = ends.min(axis=0), ends.max(axis=0)
        wide = self._radii[:, None] * np.sqrt(np.maximum(1 - self._axes**2, 0.0))
        round_ = self._circles[:, None]
        low, high = np.where(round_, self._centres - wide, low), np.where(round_, self._centres + wide, high)
        for index, samples in enumerate(self._samples):
            if samples is not None:
                step = _step(samples)
                low[index], high[index] = samples.min(axis=0) - step, samples.max(axis=0) + step
        return low - self._near, high + self._near

    def match(self, middles: Array, outlines: NDArray[np.bool_]) -> list[Match]:
        """For each middle point (n × 3, model space): edges, faces, and whether it runs along a seam."""
        rows = max(1, _AT_A_TIME // max(1, len(self._of_edge)))
        starts = range(0, len(middles), rows)
        return [own for k in starts for own in self._match(middles[k : k + rows], outlines[k : k + rows])]

    def _match(self, middles: Array, outlines: NDArray[np.bool_]) -> list[Match]:
        best = self._nearest(middles)
        # An outline over a round face comes from no edge; where it runs along a seam or a smooth edge, neither.
        lone = outlines & ((best < 0) | self._no_corner[best]) if len(self._of_edge) else outlines
        faces_of_lone = iter(self._face_of(middles[lone]) if lone.any() else [])
        result: list[Match] = []
        for alone, index in zip(lone.tolist(), best.tolist(), strict=True):
            if alone:
                result.append(((), next(faces_of_lone), False))
            else:
                result.append(self._of_edge[index] if index >= 0 else ((), (), False))
        return result

    def _nearest(self, middles: Array) -> NDArray[np.int_]:
        """The edge each point lies on, the nearest where it lies on several; -1 where it lies on none."""
        rows, edges = self._tree.query(points(middles[:, :2]))
        within = (middles[rows, 2] >= self._low[edges]) & (middles[rows, 2] <= self._high[edges])
        rows, edges = rows[within], edges[within]
        squares = self._squares(middles[rows], edges)
        on = squares <= self._near**2
        rows, edges, squares = rows[on], edges[on], squares[on]
        order = np.lexsort((edges, squares, rows))
        rows, first = np.unique(rows[order], return_index=True)
        best = np.full(len(middles), -1, dtype=int)
        best[rows] = edges[order][first]
        return best

    def _squares(self, middles: Array, edges: NDArray[np.int_]) -> Array:
        """Squared distance of each point from its edge, infinite where it is not beside it."""
        squares = np.full(len(middles), np.inf)
        own, line = self._lines[edges], edges[self._lines[edges]]
        offset = middles[own] - self._starts[line]
        along = _dot(offset, self._along[line])
        beyond = along - np.clip(along, 0.0, self._lengths[line])
        squares[own] = ((offset - along[:, None] * self._along[line]) ** 2).sum(axis=1) + beyond**2
        own, arc = self._circles[edges], edges[self._circles[edges]]
        offset = middles[own] - self._centres[arc]
        height = _dot(offset, self._axes[arc])
        out = np.linalg.norm(offset - height[:, None] * self._axes[arc], axis=1)
        there = ((middles[own] - self._arc_middles[arc]) ** 2).sum(axis=1) <= self._arc_reach[arc]
        squares[own] = np.where(there, height**2 + (out - self._radii[arc]) ** 2, np.inf)
        for index in np.unique(edges[~(self._lines | self._circles)[edges]]).tolist():
            samples, own = self._samples[index], edges == index
            assert samples is not None
            gaps = np.linalg.norm(middles[own][:, None, :] - samples, axis=2).min(axis=1)
            squares[own] = np.where(gaps <= _step(samples), (self._near * 0.5) ** 2, np.inf)
        return squares

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
