"""Thumbnails: what is painted where, read back pixel by pixel."""

import io

import numpy as np
import pytest
from numpy.typing import NDArray
from PIL import Image

from maqueta.drawing.thumbnail import SIZE, thumbnail
from maqueta.projection.attitude import Attitude, from_corner
from maqueta.solid.triangulation import triangulated
from tests.parts import block, demo_projected, demo_solid, made, projected

Pixels = NDArray[np.uint8]


def picture(data: bytes) -> Pixels:
    image = Image.open(io.BytesIO(data))
    assert image.size == (SIZE, SIZE)
    return np.array(image)


def test_block_seen_squarely_is_one_tint_in_an_ink_frame() -> None:
    shape, part = made(block((60, 30, 40)))
    attitude = Attitude("-y", "+z")
    view = projected(block((60, 30, 40)))
    pixels = picture(thumbnail(triangulated(shape, part), view.line_set(attitude.look), np.array(attitude.look.frame)))
    assert tuple(pixels[SIZE // 2, SIZE // 2]) == (0xE6, 0xCF, 0x9F, 255)
    assert tuple(pixels[2, 2]) == (0, 0, 0, 0)
    solid = np.argwhere(pixels[:, :, 3] > 128)
    height, width = solid.max(axis=0) - solid.min(axis=0)
    assert width / height == pytest.approx(60 / 40, rel=0.03)


def test_nearer_faces_cover_farther_ones() -> None:
    """A low block before a high one: seen from the front the lower half of the high face is covered."""
    parts = (block((60, 20, 40), (0, 20, 0)), block((60, 20, 20)))
    shape, part = made(*parts)
    attitude = Attitude("+x", "+z")
    pixels = picture(
        thumbnail(triangulated(shape, part), projected(*parts).line_set(attitude.look), np.array(attitude.look.frame))
    )
    # The notch of the step shows nothing, the rest one tint.
    assert pixels[SIZE // 4, SIZE // 4, 3] == 0
    assert tuple(pixels[SIZE // 4, 3 * SIZE // 4]) == (0xD6, 0xAB, 0x92, 255)


@pytest.mark.parametrize("slug", ["reed-clamp", "batten-foot", "shuttle-race-guide"])
def test_pictorial_shows_all_three_tints_and_ink(slug: str) -> None:
    shape, part = demo_solid(slug)
    frame = np.array(from_corner("+-+", "+z").frame)
    pixels = picture(thumbnail(triangulated(shape, part), demo_projected(slug).corners["+-+"], frame))
    opaque = {tuple(p[:3]) for p in pixels[pixels[:, :, 3] == 255]}
    assert {(0xD6, 0xAB, 0x92), (0xE6, 0xCF, 0x9F), (0xC3, 0xD2, 0xBA)} <= opaque
    assert (0x23, 0x26, 0x2D) in opaque


def test_equal_parts_have_equal_pictures() -> None:
    frame = np.array(from_corner("+-+", "+z").frame)
    lines = demo_projected("batten-foot").corners["+-+"]
    shape, part = demo_solid("batten-foot")
    assert thumbnail(triangulated(shape, part), lines, frame) == thumbnail(triangulated(shape, part), lines, frame)
