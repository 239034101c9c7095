"""Attitudes: 24 of them, right-handed, and neighbours as the standards place them."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from maqueta.geometry.directions import SIDES, Side, opposite
from maqueta.projection.arrangement import VIEW_NAMES, angle_of, name_of, neighbour, where_belongs
from maqueta.projection.attitude import ATTITUDES, CORNERS, USUAL_FRONT, Attitude, Corner, from_corner

attitudes = st.sampled_from(ATTITUDES)


def test_there_are_24_different_attitudes() -> None:
    assert len(set(ATTITUDES)) == 24


@given(attitudes)
def test_frames_are_right_handed_turns(attitude: Attitude) -> None:
    frame = np.array(attitude.look.frame)
    assert np.allclose(frame @ frame.T, np.eye(3))
    assert np.linalg.det(frame) == pytest.approx(1)


@given(attitudes, st.integers(-8, 8))
def test_four_quarter_turns_are_none(attitude: Attitude, turns: int) -> None:
    assert attitude.turned(turns) == attitude.turned(turns + 4)
    assert attitude.turned(turns).side == attitude.side


def test_usual_front_has_x_to_the_right() -> None:
    """The observer at −Y with Z up has X to the right: right-handed model space."""
    assert USUAL_FRONT.right == "+x"


def test_neighbours_of_the_usual_front() -> None:
    """Third angle, ASME Y14.3 (from memory): top seen from above, right seen from the right."""
    seen = {name: neighbour(USUAL_FRONT, name) for name in VIEW_NAMES}
    assert seen["top"] == Attitude("+z", "+y")
    assert seen["right"] == Attitude("+x", "+z")
    assert seen["bottom"] == Attitude("-z", "-y")
    assert seen["rear"] == Attitude("+y", "+z")


@given(attitudes, st.sampled_from(VIEW_NAMES))
def test_neighbours_share_an_axis_with_the_front(front: Attitude, name: str) -> None:
    other = neighbour(front, next(n for n in VIEW_NAMES if n == name))
    if name in ("top", "bottom"):
        assert other.right == front.right
    else:
        assert other.up == front.up
    assert name_of(front, other.side) == name


@pytest.mark.parametrize(
    ("name", "third", "first"),
    [("top", "above", "below"), ("bottom", "below", "above"), ("right", "right", "left"), ("left", "left", "right")],
)
def test_first_angle_is_the_mirror_arrangement(name: str, third: str, first: str) -> None:
    """ISO 5456-2 (from memory)."""
    view = next(n for n in VIEW_NAMES if n == name)
    assert (where_belongs(view, "third"), where_belongs(view, "first")) == (third, first)
    assert angle_of(view, where_belongs(view, "third")) == "third"
    assert angle_of(view, where_belongs(view, "first")) == "first"
    assert angle_of(view, "apart") is None


def test_side_and_up_along_one_axis_are_refused() -> None:
    with pytest.raises(ValueError, match="one axis"):
        Attitude("+x", "-x")


@given(st.sampled_from(CORNERS), st.sampled_from(SIDES))
def test_equal_axis_views_foreshorten_each_axis_by_the_root_of_two_thirds(corner: Corner, up: Side) -> None:
    """ISO 5456-3: true isometric projection."""
    flat = np.array(from_corner(corner, up).frame)[:2]
    for axis in np.eye(3):
        assert np.linalg.norm(flat @ axis) == pytest.approx(np.sqrt(2 / 3))
    assert opposite("+x") == "-x"
