"""Scans and photographs of printed sheets, made from our own pages by a second PDF library: dots an inch, turn,
perspective, uneven light and noise as they come."""

import io
from dataclasses import dataclass

import cv2
import numpy as np
import pypdfium2
from numpy.typing import NDArray
from PIL import Image

Grey = NDArray[np.uint8]


@dataclass(frozen=True)
class Level:
    """How a sheet was scanned: `lean` is how far a camera leans, degrees, `lens` how much its lens bends, `shade` how
    much darker one corner is, `noise` the spread of grey values; with `told` the file says how many dots an inch it
    has."""

    name: str
    dots: float = 200.0
    turn: float = 0.0
    lean: float = 0.0
    lens: float = 0.0
    shade: float = 0.0
    noise: float = 0.0
    blur: float = 0.0
    told: bool = True
    kind: str = "PNG"


LEVELS = (
    Level("200 dots an inch"),
    Level("300 dots an inch", dots=300),
    Level("150 dots an inch", dots=150),
    Level("200, turned by 3°", turn=3.0),
    Level("200, uneven light and noise", shade=0.45, noise=9.0, blur=0.6, kind="JPEG"),
    Level("200, JPEG, size unsaid", kind="JPEG", told=False),
    Level("photograph: perspective, light, noise", turn=-1.5, lean=9.0, shade=0.35, noise=6.0, blur=0.5, told=False,
          kind="JPEG"),
    Level("photograph through a lens that bends lines by 2 %", lean=6.0, lens=0.02, noise=4.0, told=False, kind="JPEG"),
)  # fmt: skip


def scan(page: bytes, level: Level) -> bytes:
    """A page of a PDF file as a picture."""
    with pypdfium2.PdfDocument(page) as document:
        grey = document[0].render(scale=level.dots / 72, grayscale=True).to_numpy()
    return packed(_spoilt(np.ascontiguousarray(grey.reshape(grey.shape[:2])), level), level)


def packed(grey: Grey, level: Level) -> bytes:
    """Grey values as a file."""
    out = io.BytesIO()
    dots = {"dpi": (level.dots, level.dots)} if level.told else {}
    Image.fromarray(grey).save(out, level.kind, quality=85, compress_level=1, **dots)
    return out.getvalue()


def camera(wide: int, high: int, level: Level) -> NDArray[np.float64]:
    """What a camera with a lens of 1.3 times the picture's width makes of a sheet it looks at from above."""
    lens, lean, turn = 1.3 * wide, np.radians(level.lean), np.radians(level.turn)
    about_x = np.array([[1, 0, 0], [0, np.cos(lean), -np.sin(lean)], [0, np.sin(lean), np.cos(lean)]])
    side = lean / 2
    about_y = np.array([[np.cos(side), 0, np.sin(side)], [0, 1, 0], [-np.sin(side), 0, np.cos(side)]])
    about_z = np.array([[np.cos(turn), -np.sin(turn), 0], [np.sin(turn), np.cos(turn), 0], [0, 0, 1]])
    space = about_z @ about_y @ about_x
    seen = np.column_stack([space[:, 0], space[:, 1], [0.0, 0.0, 1.12 * lens]])
    to_middle = np.array([[1, 0, -wide / 2], [0, 1, -high / 2], [0, 0, 1]])
    onto = np.array([[lens, 0, wide / 2], [0, lens, high / 2], [0, 0, 1]])
    return np.asarray(onto @ seen @ to_middle)


def _bent(grey: Grey, lens: float) -> Grey:
    """What a lens makes of a picture: a point seen at r, half the diagonal being 1, belongs at r · (1 + lens · r²)."""
    high, wide = grey.shape
    middle, half = ((wide - 1) / 2, (high - 1) / 2), np.hypot(wide, high) / 2
    x, y = np.meshgrid(np.arange(wide) - middle[0], np.arange(high) - middle[1])
    out = 1 + lens * (x * x + y * y) / half**2
    columns, rows = (x * out + middle[0]).astype(np.float32), (y * out + middle[1]).astype(np.float32)
    return np.asarray(cv2.remap(grey, columns, rows, cv2.INTER_CUBIC, borderValue=255), np.uint8)


def _spoilt(grey: Grey, level: Level) -> Grey:
    high, wide = grey.shape
    if level.turn and not level.lean:
        # Laid askew on a larger glass.
        rim = round(abs(np.sin(np.radians(level.turn))) * max(wide, high) / 2)
        grey = cv2.copyMakeBorder(grey, rim, rim, rim, rim, cv2.BORDER_CONSTANT, value=255)
        high, wide = grey.shape
        move = cv2.getRotationMatrix2D((wide / 2, high / 2), -level.turn, 1.0)
        grey = np.asarray(cv2.warpAffine(grey, move, (wide, high), flags=cv2.INTER_AREA, borderValue=255), np.uint8)
    elif level.lean:
        move = camera(wide, high, level)
        grey = np.asarray(
            cv2.warpPerspective(grey, move, (wide, high), flags=cv2.INTER_AREA, borderValue=255), np.uint8
        )
    if level.lens:
        grey = _bent(grey, level.lens)
    seen = grey.astype(np.float32)
    if level.blur:
        seen = cv2.GaussianBlur(seen, (0, 0), level.blur)
    if level.shade:
        x, y = np.meshgrid(np.linspace(0, 1, wide), np.linspace(0, 1, high))
        seen = seen * (1 - level.shade * (x * y)).astype(np.float32)
    if level.noise:
        seen = seen + np.random.default_rng(1).normal(0, level.noise, seen.shape).astype(np.float32)
    return np.asarray(np.clip(seen, 0, 255), dtype=np.uint8)
