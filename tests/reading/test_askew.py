"""Sizes that stand askew on a picture: drawn by a general imaging library at any turn, read back with their place."""

import math

import numpy as np
import pytest
from PIL import Image, ImageDraw, ImageFont

from maqueta.drawing.lettering import FONT_FILE
from maqueta.geometry.carrier import Point, line_through
from maqueta.geometry.line_set import Piece
from maqueta.reading.content import Stroke, Style, Words
from maqueta.reading.picture.askew import as_their_lines
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


PLAIN = Style("", (), "", False, None, 0)


def line(first: Point, last: Point) -> Stroke:
    carrier, interval = line_through(first, last)
    return Stroke(Piece("visible", carrier, interval, (), ()), PLAIN)


@pytest.mark.parametrize(("guessed", "of_line"), [(47.1, 45.0), (-43.0, -45.0), (88.0, 91.5), (-30.0, -33.0)])
def test_a_text_askew_is_turned_as_the_line_it_stands_at(guessed: float, of_line: float) -> None:
    """Of two letters the lean is known within some degrees; their size is one along its dimension line."""
    turn = math.radians(of_line)
    along, up = (math.cos(turn), math.sin(turn)), (-math.sin(turn), math.cos(turn))
    text = Words("2.8", (up[0] * 1.2, up[1] * 1.2), 3.5, guessed, PLAIN)
    beside = line((-10 * along[0], -10 * along[1]), (12 * along[0], 12 * along[1]))
    across = line((-5 * up[0], -5 * up[1]), (5 * up[0], 5 * up[1]))
    far = line((40.0, 0.0), (40.0 + math.cos(turn + 0.02), math.sin(turn + 0.02)))
    (own,) = as_their_lines([text], [far, across, beside])
    assert own.turn == pytest.approx(of_line, abs=1e-6)


def test_a_level_text_and_one_without_a_line_stay_as_they_are() -> None:
    texts = [Words("36", (0.0, 0.0), 3.5, turn, PLAIN) for turn in (0.0, 90.0, 47.0)]
    assert as_their_lines(texts, [line((-5.0, -1.0), (9.0, -0.5)), line((30.0, 30.0), (40.0, 40.0))]) == tuple(texts)
