"""An independent judge of visibility: rays against a tessellated mesh in a general mesh library."""

from collections.abc import Iterator

import numpy as np
import trimesh
from numpy.typing import NDArray

from maqueta.geometry.frame import matrix_of
from maqueta.geometry.line_set import LineSet, Piece
from maqueta.projection.look import Look
from maqueta.solid.kernel import Shape
from maqueta.solid.part import Part
from maqueta.solid.triangulation import triangulated

Array = NDArray[np.float64]
#: Points sampled per interval, away from its ends.
SAMPLES = (0.12, 0.31, 0.5, 0.69, 0.88)
#: Rays start this far (relative to the part) off the solid: more than the mesh cuts into round faces.
STEP_OUT = 2e-4
#: The mesh of the judge is this much finer than the one people see.
FINENESS = 0.2


def mesh_of(shape: Shape, part: Part) -> trimesh.Trimesh:
    data = triangulated(shape, part, FINENESS)
    return trimesh.Trimesh(np.array(data.points).reshape(-1, 3), np.array(data.triangles).reshape(-1, 3), process=True)


def _edge_points(part: Part, piece: Piece, at: Array, frame: Array) -> Iterator[tuple[Array, Array]]:
    """Points in space on the model's edges that are seen at a point of the view, with the way out of the solid."""
    for index in piece.edges:
        edge = part.edges[index]
        samples = np.array(edge.samples)
        flat = samples @ frame[:2].T
        for a, b, p, q in zip(flat, flat[1:], samples, samples[1:], strict=False):
            step = b - a
            length = float(step @ step)
            if length < 1e-16:
                continue
            share = float((at - a) @ step) / length
            if -1e-6 <= share <= 1 + 1e-6 and np.linalg.norm(a + share * step - at) < 2e-3 * part.size:
                point = p + share * (q - p)
                if edge.kind == "circle":
                    radial = point - edge.centre
                    point = edge.centre + radial * edge.radius / np.linalg.norm(radial)
                if edge.kind == "other":
                    point = _onto(part, edge.faces, point)
                yield point, _way_out(part, edge.faces, point)


def _onto(part: Part, faces: tuple[int, ...], point: Array) -> Array:
    """A point between two samples of a free curve, drawn onto the cylinders that meet along it, in turn."""
    for index in 8 * faces:
        face = part.faces[index]
        if face.kind == "cylinder":
            axis, start = np.array(face.direction), np.array(face.point)
            foot = start + ((point - start) @ axis) * axis
            point = foot + (point - foot) * face.radius / np.linalg.norm(point - foot)
    return point


def _way_out(part: Part, faces: tuple[int, ...], at: Array) -> Array:
    out = np.zeros(3)
    for index in faces:
        face = part.faces[index]
        if face.kind == "plane":
            out += face.direction
        else:
            offset = at - np.array(face.point)
            axis = np.array(face.direction)
            radial = offset - (offset @ axis) * axis
            out += (-1 if face.hollow else 1) * radial / np.linalg.norm(radial)
    norm = np.linalg.norm(out)
    return out / norm if norm > 1e-9 else out


def _outline_points(part: Part, piece: Piece, at: Array, frame: Array) -> Iterator[tuple[Array, Array]]:
    """Points on a cylinder's outline: as deep as its axis."""
    for index in piece.faces:
        face = part.faces[index]
        if face.kind != "cylinder":
            continue
        depth = float(frame[2] @ np.array(face.point))
        if abs(frame[2] @ np.array(face.direction)) < 1e-9:
            point = at[0] * frame[0] + at[1] * frame[1] + depth * frame[2]
            yield point, _way_out(part, (index,), point)


def _nearest(points: list[tuple[Array, Array]], at: Array, frame: Array, size: float) -> list[tuple[Array, Array]]:
    """Those of some points that are seen nearest to a place.

    Seen nearly edge on, the near and the far half of a circle lie close together on the sheet.
    """
    far = [float(np.linalg.norm(frame[:2] @ point - at)) for point, _ in points]
    return [entry for entry, distance in zip(points, far, strict=True) if distance <= min(far) + 1e-4 * size]


def disagreement(part: Part, lines: LineSet, look: Look, solid: trimesh.Trimesh) -> tuple[float, float]:
    """Length of sampled stretches on which the ray-caster judges otherwise, and the length judged at all."""
    frame = matrix_of(look.frame)
    origins: list[Array] = []
    owners: list[int] = []
    pieces = lines.of("visible", "hidden")
    slots: list[tuple[Piece, float]] = []
    for piece in pieces:
        start, end = piece.interval
        for share in SAMPLES:
            at = np.array(piece.carrier.point(start + share * (end - start)))
            candidates = _nearest(list(_edge_points(part, piece, at, frame)), at, frame, part.size)
            candidates = candidates or list(_outline_points(part, piece, at, frame))
            if not candidates:
                continue
            slots.append((piece, piece.length / len(SAMPLES)))
            for point, out in candidates:
                origins.append(point + STEP_OUT * part.size * (out + 0.5 * frame[2]))
                owners.append(len(slots) - 1)
    if not origins:
        return 0.0, 0.0
    # Turned until rays run along an axis: the library looks at all triangles in the box around a ray.
    turned = trimesh.Trimesh(solid.vertices @ frame.T, solid.faces, process=False)
    blocked = turned.ray.intersects_any(np.array(origins) @ frame.T, np.tile((0.0, 0.0, 1.0), (len(origins), 1)))
    free = np.zeros(len(slots), dtype=bool)
    for owner, hit in zip(owners, blocked, strict=True):
        free[owner] |= not hit
    wrong = sum(length for (piece, length), seen in zip(slots, free, strict=True) if (piece.kind == "visible") != seen)
    return wrong, sum(length for _, length in slots)
