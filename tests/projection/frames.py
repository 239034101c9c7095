"""Frames of any direction and turn, for tests."""

from functools import cache

import numpy as np
from hypothesis import strategies as st
from numpy.typing import NDArray
from scipy.spatial.transform import Rotation

from maqueta.geometry.frame import Frame
from maqueta.projection.look import Look


def frame_of(rows: NDArray[np.float64]) -> Frame:
    """A frame given as a matrix."""
    right, up, towards = ((float(x), float(y), float(z)) for x, y, z in rows)
    return (right, up, towards)


def looks() -> st.SearchStrategy[Look]:
    """Any look, by a random unit quaternion."""
    parts = st.tuples(*(st.floats(-1, 1) for _ in range(4))).filter(lambda q: sum(x * x for x in q) > 1e-4)
    return parts.map(lambda q: Look(frame_of(Rotation.from_quat(q).as_matrix())))


@cache
def spread_looks(count: int, seed: int = 1) -> tuple[Look, ...]:
    """Looks spread evenly over all rotations, the same ones each time."""
    rotations = Rotation.random(count, random_state=seed)
    return tuple(Look(frame_of(rotation.as_matrix())) for rotation in rotations)
