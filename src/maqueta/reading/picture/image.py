"""A picture file as grey values, and how large its pixels say they are. The file is hostile: its size is looked at
before it is opened."""

import io
from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray
from PIL import Image, ImageOps, UnidentifiedImageError

from maqueta.phrases.phrase import phrase
from maqueta.reading.errors import UnreadableSheetError

Grey = NDArray[np.uint8]
#: An A1 sheet at 300 dots an inch, and what is too little to tell a line from a letter.
MOST_PIXELS: Final = 72_000_000
_FEWEST: Final = 500_000
#: Dots an inch that scanners write; what cameras and screens write is no size.
_LEAST_DPI, _MOST_DPI = 99.0, 1300.0
_INCH: Final = 25.4
#: Quality of a JPEG in which thin lines show clearly (common practice, no source).
_TO_BE_LOOKED_AT: Final = 60


@dataclass(frozen=True)
class Picture:
    """Grey values, 0 black to 255 white, rows from above; `pixel` is the size of a pixel in mm, None where unsaid."""

    grey: Grey
    pixel: float | None


def picture_of(data: bytes) -> Picture:
    """Open a picture, turned as its camera was held. Raises UnreadableSheetError with one line for people."""
    try:
        with Image.open(io.BytesIO(data), formats=("PNG", "JPEG")) as image:
            wide, high = image.size
            if wide * high > MOST_PIXELS:
                raise UnreadableSheetError(phrase("sheet-picture-large", most=MOST_PIXELS // 1_000_000))
            if wide * high < _FEWEST:
                raise UnreadableSheetError(phrase("sheet-picture-small", wide=wide, high=high))
            dots = image.info.get("dpi")
            upright = ImageOps.exif_transpose(image)
            grey = _on_white(upright)
    except (UnidentifiedImageError, Image.DecompressionBombError, OSError, SyntaxError, ValueError) as error:
        raise UnreadableSheetError(phrase("sheet-picture-broken")) from error
    return Picture(grey, _pixel(dots))


def jpeg_of(grey: Grey, smaller: float) -> bytes:
    """Grey values as a JPEG file of so many times the width and height, at most 1, to be looked at."""
    size = (max(1, round(grey.shape[1] * smaller)), max(1, round(grey.shape[0] * smaller)))
    written = io.BytesIO()
    Image.fromarray(grey).resize(size, Image.Resampling.BOX).save(written, "JPEG", quality=_TO_BE_LOOKED_AT)
    return written.getvalue()


def _on_white(image: Image.Image) -> Grey:
    """What is seen through a clear ground is paper."""
    if "A" in image.getbands() or "transparency" in image.info:
        image = Image.alpha_composite(Image.new("RGBA", image.size, "white"), image.convert("RGBA"))
    return np.asarray(image.convert("L"), dtype=np.uint8)


def _pixel(dots: object) -> float | None:
    if not isinstance(dots, tuple) or len(dots) != 2:
        return None
    across, down = (float(number) for number in dots)
    usual = _LEAST_DPI <= across <= _MOST_DPI and abs(across - down) <= 0.02 * across
    return _INCH / across if usual else None
