"""How wide lines are drawn, by how dark the picture is across them: finer than a pixel."""

from dataclasses import dataclass
from typing import Final

import cv2
import numpy as np
from numpy.typing import NDArray

from maqueta.reading.picture.image import Grey
from maqueta.reading.picture.path import Path
from maqueta.reading.picture.thinned import Floats

#: Places along a line at which it is measured, how far across (pixels), and in what steps.
_PLACES, _ACROSS, _STEP = 41, 9.0, 0.5
#: Where the picture is no darker than this, the line ends.
_PAPER: Final = 0.12


@dataclass(frozen=True)
class Gauge:
    """Measures how wide lines are drawn; `dark` is how dark the picture is, from 0 to 1."""

    dark: NDArray[np.float32]

    def __call__(self, path: Path) -> float:
        """The width of a line, pixels: how much black would be as dark."""
        return _width(path, self.dark)


def gauge(even: Grey) -> Gauge:
    """What measures lines of a picture on white paper."""
    return Gauge((255 - even).astype(np.float32) / np.float32(255))


def _width(path: Path, dark: NDArray[np.float32]) -> float:
    points, ways = _along(path)
    steps = np.arange(-_ACROSS, _ACROSS + _STEP / 2, _STEP)
    x = points[:, 0:1] - ways[:, 1:2] * steps
    y = points[:, 1:2] + ways[:, 0:1] * steps
    seen = cv2.remap(dark, x.astype(np.float32), y.astype(np.float32), cv2.INTER_LINEAR, borderValue=0)
    middle = len(steps) // 2
    inked = seen > _PAPER
    # The line is what is dark without a break round its middle, found within a pixel of where it was followed.
    near = seen[:, middle - 2 : middle + 3].argmax(axis=1) + middle - 2
    after = np.array([_run(row[k:]) for row, k in zip(inked, near, strict=True)])
    before = np.array([_run(row[k::-1]) for row, k in zip(inked, near, strict=True)])
    sums = np.array(
        [row[max(0, k - b) : k + a + 1].sum() for row, k, a, b in zip(seen, near, after, before, strict=True)]
    )
    return float(np.percentile(sums * _STEP, 35))


def _run(row: NDArray[np.bool_]) -> int:
    """How many places from the first on are inked."""
    bare = np.flatnonzero(~row)
    return int(bare[0]) if len(bare) else len(row) - 1


def _along(path: Path) -> tuple[Floats, Floats]:
    """Places along a path, away from its ends, and its direction at each."""
    if path.centre is None:
        share = np.linspace(0.12, 0.88, _PLACES)[:, None]
        first, last = np.array(path.first), np.array(path.last)
        return first + share * (last - first), np.repeat(np.array([path.way]), _PLACES, axis=0)
    places = path.places[np.rint(np.linspace(0.08, 0.92, _PLACES) * (len(path.places) - 1)).astype(int)]
    off = places - np.array(path.centre)
    outwards = off / np.maximum(np.hypot(off[:, 0], off[:, 1]), 1e-9)[:, None]
    return np.array(path.centre) + path.radius * outwards, np.column_stack([-outwards[:, 1], outwards[:, 0]])
