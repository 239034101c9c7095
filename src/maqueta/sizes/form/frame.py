"""A part's own directions: its sizes are the same however it lies in space."""

from collections.abc import Sequence
from dataclasses import replace
from typing import Final

import numpy as np

from maqueta.geometry.directions import ALIKE, Vector, along_axis, parallel, square
from maqueta.sizes.form.equations import Array
from maqueta.solid.part import Edge, Face, Part

#: The axes of the model.
MODEL: Final = np.eye(3)
#: Frames beside the model's own that are tried at most.
_MOST: Final = 8


def candidate_frames(part: Part) -> list[Array]:
    """Frames a part may be referred to, rows square to each other: the model's own first.

    Where faces keep to at most one model axis, also those of pairs of directions square to each other that most of its
    faces keep to, and of the lines from axis to axis. What turns with the whole part is no size.
    """
    families = sorted(_families(part), key=lambda family: -family[1])
    axes = {axis for direction, _ in families if (axis := along_axis(direction)) is not None}
    if len(axes) > 1 or not families:
        return [MODEL]
    if axes and len(families) == 1:
        # A turned part is not aslant for the holes round its axis, wherever on their circle they begin.
        return [MODEL]
    main = next((d for d, _ in families if along_axis(d) is not None), families[0][0])
    others = [direction for direction, _ in families] + _between_axes(part)
    pairs = [(main, other) for other in others if square(main, other)]
    pairs += [(a, b) for k, (a, _) in enumerate(families) for b, _ in families[k + 1 :] if square(a, b)]
    found = [MODEL, *(_named(np.array([a, b, np.cross(a, b)])) for a, b in pairs[:_MOST])]
    return found if len(found) > 1 or axes else [MODEL, _about(main)]


def _between_axes(part: Part) -> list[Array]:
    """Directions from one axis of revolution to a parallel one."""
    round_ones = [face for face in part.faces if face.kind in ("cylinder", "cone", "torus")]
    found: list[Array] = []
    for k, first in enumerate(round_ones):
        for second in round_ones[:k]:
            axis = np.array(first.direction)
            between = np.array(second.point) - np.array(first.point)
            between = between - (between @ axis) * axis
            length = float(np.linalg.norm(between))
            if parallel(axis, second.direction) and length > ALIKE * part.size:
                found.append(between / length)
            if len(found) == _MOST:
                return found
    return found


def _families(part: Part) -> list[tuple[Array, float]]:
    """Directions of planes and axes with the area of all faces that keep to each."""
    found: list[tuple[Array, float]] = []
    for face in part.faces:
        if face.kind not in ("plane", "cylinder", "cone", "torus"):
            continue
        direction = np.array(face.direction)
        index = next((k for k, (other, _) in enumerate(found) if parallel(other, direction)), None)
        if index is None:
            found.append((direction, face.area))
        else:
            found[index] = (found[index][0], found[index][1] + face.area)
    return found


def _about(direction: Array) -> Array:
    """A frame with one given direction."""
    aside = np.cross(direction, MODEL[int(np.abs(direction).argmin())])
    aside /= np.linalg.norm(aside)
    return _named(np.array([direction, aside, np.cross(direction, aside)]))


def _named(rows: Array) -> Array:
    """Three directions in the order and sense that lie nearest to x, y and z, right-handed."""
    left, ordered = [0, 1, 2], []
    for axis in range(3):
        nearest = max(left, key=lambda k: abs(rows[k][axis]))
        left.remove(nearest)
        ordered.append(rows[nearest] * (1.0 if rows[nearest][axis] >= 0 else -1.0))
    ordered[2] = np.cross(ordered[0], ordered[1])
    return np.array(ordered)


def framed(part: Part, frame: Array) -> Part:
    """A part with the points and directions of its faces and edges in another frame; its size stays what it is."""
    if frame is MODEL:
        return part

    def turned(vector: Sequence[float]) -> Vector:
        x, y, z = (frame @ np.asarray(vector)).tolist()
        return (x, y, z)

    def face_in(face: Face) -> Face:
        return replace(face, point=turned(face.point), direction=turned(face.direction))

    def edge_in(edge: Edge) -> Edge:
        return replace(
            edge,
            start=turned(edge.start),
            end=turned(edge.end),
            centre=turned(edge.centre),
            axis=turned(edge.axis),
            samples=tuple(turned(sample) for sample in edge.samples),
        )

    return replace(part, faces=tuple(map(face_in, part.faces)), edges=tuple(map(edge_in, part.edges)))
