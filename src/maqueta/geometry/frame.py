"""Orthonormal frames: how a thing stands before its reader.

A frame is right-handed; its rows are the model directions of sheet right, of sheet up, and towards the reader.
"""

import math
from typing import Final

import numpy as np
from numpy.typing import NDArray

from maqueta.geometry.carrier import Point
from maqueta.geometry.directions import Vector

Frame = tuple[Vector, Vector, Vector]
#: Frames turned against each other by less (radians) are one: no drawing could tell them apart.
ALIKE: Final = 1e-6
#: Frames written with four digits and more are taken for frames (common practice, no source).
ROUNDED: Final = 5e-4


def cross(a: Vector, b: Vector) -> Vector:
    """The vector product of two vectors."""
    return (a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0])


def dot(a: Vector, b: Vector) -> float:
    """The scalar product of two vectors."""
    return a[0] * b[0] + a[1] * b[1] + a[2] * b[2]


def way_between(start: Vector, end: Vector) -> Vector:
    """The way from one point to another."""
    return (end[0] - start[0], end[1] - start[1], end[2] - start[2])


def unit(vector: Vector) -> Vector:
    """A vector at length 1. Raises ZeroDivisionError for one without length."""
    length = math.hypot(*vector)
    return (vector[0] / length, vector[1] / length, vector[2] / length)


def facing(towards: Vector, up: Vector) -> Frame:
    """The frame of a reader in direction `towards`, with `up` pointing up as far as it can.

    Raises ZeroDivisionError where `up` lies along `towards`.
    """
    ahead = unit(towards)
    right = unit(cross(up, ahead))
    return (right, cross(ahead, right), ahead)


def matrix_of(frame: Frame) -> NDArray[np.float64]:
    """A frame as a matrix of its rows."""
    return np.array(frame)


def orthonormal(frame: Frame, slack: float = ROUNDED) -> bool:
    """Whether three vectors make a frame: of length 1, square to each other, right-handed; within `slack`."""
    right, up, towards = frame
    square = max(abs(dot(right, up)), abs(dot(up, towards)), abs(dot(towards, right)))
    long = max(abs(dot(row, row) - 1.0) for row in frame)
    return max(square, long) <= slack and dot(cross(right, up), towards) > 0


def exact(frame: Frame) -> Frame:
    """The frame that is meant by one whose numbers are rounded."""
    return facing(frame[2], frame[1])


def between(frame: Frame, other: Frame) -> float:
    """The angle (radians) by which one frame is turned against another, 0 to π.

    The chord 2√2·sin(angle / 2) between the matrices, not their trace, so that small angles are told as exactly as
    large ones (from memory: ‖A − B‖² = 8·sin²(angle / 2) for rotations).
    """
    squares = sum((a - b) ** 2 for rows in zip(frame, other, strict=True) for a, b in zip(*rows, strict=True))
    return 2 * math.asin(min(1.0, math.sqrt(squares / 8)))


def turned(frame: Frame, angle: float) -> Frame:
    """What the reader sees after the thing is turned counter-clockwise on the sheet by an angle (radians)."""
    c, s = math.cos(angle), math.sin(angle)
    right, up, towards = frame
    rows = [
        tuple(c * r - s * u for r, u in zip(right, up, strict=True)),
        tuple(s * r + c * u for r, u in zip(right, up, strict=True)),
    ]
    return (rows[0], rows[1], towards)  # type: ignore[return-value]


def seen(frame: Frame, point: Vector) -> Point:
    """Where a point of the model is seen: its coordinates along right and up."""
    return (dot(frame[0], point), dot(frame[1], point))
