"""Sizes that stand askew on a picture: drawn by a general imaging library at any turn, read back with their place."""

import math

import numpy as np
import pytest
from PIL import Image, ImageDraw, ImageFont

from maqueta.drawing.lettering import FONT_FILE
from maqueta.geometry.carrier import Point
from maqueta.reading.content import Words
from maqueta.reading.picture.lettering import lettering_of
from maqueta.reading.picture.words_read import words_read

#: mm, and how large the page is, pixels.
PIXEL, PAGE = 0.127, (1200, 800)
#: Figures of the face are so high as a share of its size.
FIGURES = 0.7


def page_with(text: str, turn: float, size: int = 34) -> tuple[Image.Image, Point]:
    """A page with level sizes and one that is turned, and where the lower left corner of that is, mm."""
    face = ImageFont.truetype(str(FONT_FILE), size)
    page = Image.new("L", PAGE, 0)
    pen = ImageDraw.Draw(page)
    for k, level in enumerate(("120", "45", "R10", "62.5")):
        pen.text((60 + 180 * k, 60), level, fill=255, font=face)
    alone = Image.new("L", (600, 600), 0)
    ImageDraw.Draw(alone).text((300, 300), text, fill=255, font=face, anchor="ls")
    left, _, _, bottom = alone.getbbox() or (0, 0, 0, 0)
    turned = alone.rotate(turn, resample=Image.Resampling.BICUBIC, center=(left, bottom))
    page.paste(turned.point(lambda grey: 255 if grey > 127 else 0), (300, 120), turned)
    return page, ((300.0 + left) * PIXEL, (120.0 + bottom) * PIXEL)


def read(page: Image.Image) -> tuple[Words, ...]:
    ink = np.where(np.array(page) > 127, 255, 0).astype(np.uint8)
    found = words_read(lettering_of(ink, PIXEL), lambda at: (at[0] * PIXEL, at[1] * PIXEL), PIXEL, askew=True)
    return found.words


@pytest.mark.parametrize("turn", [-70, -45, -30, -15, 20, 45, 60, 75])
@pytest.mark.parametrize("text", ["2.8", "36", "104.5"])
def test_a_size_is_read_at_any_turn(text: str, turn: float) -> None:
    page, corner = page_with(text, turn)
    words = read(page)
    assert sorted(own.text for own in words if own.turn == 0) == ["120", "45", "62.5", "R10"]
    (own,) = (word for word in words if word.turn != 0)
    assert own.text == text
    assert own.turn == pytest.approx(turn, abs=4)
    assert math.dist(own.at, corner) < 1
    assert own.height == pytest.approx(FIGURES * 34 * PIXEL, rel=0.15)


def test_dashes_and_holes_in_a_slanted_row_are_no_text() -> None:
    page, _ = page_with("", 0)
    pen = ImageDraw.Draw(page)
    for k in range(12):
        x, y = 300 + 26 * k, 300 + 18 * k
        pen.line((x, y, x + 16, y + 11), fill=255, width=3)
        pen.ellipse((x, y + 150, x + 22, y + 172), outline=255, width=3)
    assert {own.turn for own in read(page)} == {0.0}
