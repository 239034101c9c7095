"""Where a picture shows ink: what a line read, or not read, can be held against."""

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from maqueta.geometry.carrier import Point


@dataclass(frozen=True)
class InkMap:
    """Ink of a sheet: rows from above, true where there is some; the size of a pixel in mm; the place on the sheet,
    mm, that stands in the middle of the lower left pixel."""

    ink: NDArray[np.bool_]
    pixel: float
    origin: Point = (0.0, 0.0)

    def larger(self, scale: float) -> "InkMap":
        """The same of a sheet made larger."""
        x, y = self.origin
        return replace(self, pixel=self.pixel * scale, origin=(x * scale, y * scale))

    def share(self, points: Sequence[Point]) -> float:
        """Of some points, mm on paper, the share that lies on ink, or next to it."""
        return float(self.inked(points).mean()) if len(points) else 0.0

    def inked(self, points: Sequence[Point]) -> NDArray[np.bool_]:
        """Which of some points, mm on paper, lie on ink, or next to it."""
        high, wide = self.ink.shape
        places = (np.asarray(points, dtype=float).reshape(-1, 2) - self.origin) / self.pixel
        x, y = np.rint(places[:, 0]).astype(int), high - 1 - np.rint(places[:, 1]).astype(int)
        inked = np.zeros(len(places), dtype=bool)
        for dx in (-1, 0, 1):
            for dy in (-1, 0, 1):
                inside = (x + dx >= 0) & (x + dx < wide) & (y + dy >= 0) & (y + dy < high)
                inked[inside] |= self.ink[(y + dy)[inside], (x + dx)[inside]]
        return inked
