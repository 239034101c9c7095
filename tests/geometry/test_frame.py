"""Orthonormal frames, against rotations of a general library."""

import math

import numpy as np
import pytest
from hypothesis import assume, given
from hypothesis import strategies as st
from scipy.spatial.transform import Rotation

from maqueta.geometry.frame import (
    ROUNDED,
    Frame,
    between,
    cross,
    dot,
    exact,
    facing,
    matrix_of,
    orthonormal,
    seen,
    turned,
    unit,
)
from tests.projection.frames import frame_of

numbers = st.floats(-100, 100)
vectors = st.tuples(numbers, numbers, numbers).filter(lambda v: math.hypot(*v) > 1e-3)
frames = st.tuples(*(st.floats(-1, 1) for _ in range(4))).filter(lambda q: sum(x * x for x in q) > 1e-4).map(
    lambda q: frame_of(Rotation.from_quat(q).as_matrix())
)  # fmt: skip


@given(vectors, vectors)
def test_products_are_those_of_numpy(a: tuple[float, float, float], b: tuple[float, float, float]) -> None:
    assert cross(a, b) == pytest.approx(np.cross(a, b).tolist())
    assert dot(a, b) == pytest.approx(float(np.dot(a, b)))
    assert math.hypot(*unit(a)) == pytest.approx(1)


@given(vectors, vectors)
def test_who_faces_the_reader_stands_upright(
    towards: tuple[float, float, float], up: tuple[float, float, float]
) -> None:
    assume(math.hypot(*cross(unit(towards), unit(up))) > 1e-3)
    frame = facing(towards, up)
    assert orthonormal(frame)
    assert frame[2] == pytest.approx(unit(towards))
    across, above = seen(frame, up)
    assert across == pytest.approx(0, abs=1e-6 * math.hypot(*up))
    assert above > 0


def test_what_lies_along_the_sight_cannot_be_up() -> None:
    with pytest.raises(ZeroDivisionError):
        facing((0.0, 0.0, 1.0), (0.0, 0.0, 2.0))


@given(frames, frames)
def test_the_angle_between_frames_is_that_of_the_turn_from_one_to_the_other(first: Frame, second: Frame) -> None:
    turn = Rotation.from_matrix(matrix_of(second) @ matrix_of(first).T)
    # Near half a turn the sine of half the angle hardly changes with it.
    assert between(first, second) == pytest.approx(turn.magnitude(), abs=1e-6)
    assert between(first, second) == between(second, first)


@given(frames, st.floats(-3, 3))
def test_turning_on_the_sheet_turns_what_is_seen(frame: Frame, angle: float) -> None:
    x, y = seen(frame, (3.0, -1.0, 2.0))
    c, s = math.cos(angle), math.sin(angle)
    assert seen(turned(frame, angle), (3.0, -1.0, 2.0)) == pytest.approx((c * x - s * y, s * x + c * y), abs=1e-9)
    assert between(frame, turned(frame, angle)) == pytest.approx(abs(angle), abs=1e-6)


@given(frames, st.floats(0, 1e-4))
def test_small_angles_are_told_as_exactly_as_large_ones(frame: Frame, angle: float) -> None:
    assert between(frame, turned(frame, angle)) == pytest.approx(angle, abs=1e-12)


@pytest.mark.parametrize("row", range(3))
def test_what_is_no_frame_is_told(row: int) -> None:
    matrix = np.eye(3)
    assert orthonormal(frame_of(matrix))
    assert not orthonormal(frame_of(matrix[[1, 0, 2]])), "left-handed"
    matrix[row] *= 1 + 10 * ROUNDED
    assert not orthonormal(frame_of(matrix))


@given(frames, st.integers(4, 9))
def test_a_rounded_frame_is_put_right(frame: Frame, digits: int) -> None:
    right, up, towards = ((round(x, digits), round(y, digits), round(z, digits)) for x, y, z in frame)
    rounded = (right, up, towards)
    assert orthonormal(rounded)
    assert orthonormal(exact(rounded), 1e-12)
    assert between(exact(rounded), frame) <= 4 * 10**-digits
