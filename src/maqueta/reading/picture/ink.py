"""What of a picture is ink: darker than the paper round it, however that is lit."""

from typing import Final

import cv2
import numpy as np

from maqueta.reading.picture.image import Grey
from maqueta.reading.picture.thinned import Mask

#: The light of the paper is looked at in a picture so many times smaller, over so many pixels of that.
_SMALLER, _AROUND = 8, 15
#: Ink is darker than this share of the paper round it; its edges are where they touch darker ink.
_DARK, _EDGE = 0.62, 0.78
#: Specks of fewer pixels than this are dirt.
_SPECK: Final = 2


def ink_of(even: Grey) -> Mask:
    """255 where an evenly lit picture shows ink, 0 elsewhere."""
    edge, dark = np.asarray(even < 255 * _EDGE, dtype=np.uint8), even < 255 * _DARK
    count, labels, stats, _ = cv2.connectedComponentsWithStats(edge, connectivity=8)
    has_dark = np.zeros(count, dtype=bool)
    has_dark[np.unique(labels[dark & (edge > 0)])] = True
    kept = has_dark & (stats[:, cv2.CC_STAT_AREA] >= _SPECK)
    kept[0] = False
    return np.asarray(kept[labels] * 255, dtype=np.uint8)


def evenly_lit(grey: Grey) -> Grey:
    """A picture as if its paper were white everywhere."""
    high, wide = grey.shape
    small = cv2.resize(grey, (max(1, wide // _SMALLER), max(1, high // _SMALLER)), interpolation=cv2.INTER_AREA)
    # Ink is narrow: the brightest around is paper.
    paper = cv2.morphologyEx(small, cv2.MORPH_CLOSE, np.ones((_AROUND, _AROUND), np.uint8))
    paper = cv2.GaussianBlur(paper, (0, 0), _AROUND / 2)
    light = cv2.resize(paper, (wide, high), interpolation=cv2.INTER_LINEAR)
    return np.asarray(cv2.divide(grey, np.maximum(light, 1), scale=255), dtype=np.uint8)
