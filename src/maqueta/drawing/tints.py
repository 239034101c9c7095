"""Tints of a shaded part: one for each direction, as on the card model, or shades of the part's own colour.

Colours are red, green and blue from 0 to 255; all of this is our own look, common practice, no source.
"""

from typing import Final

import numpy as np
from numpy.typing import NDArray

Array = NDArray[np.float64]

#: The card tints of the interface: faces towards x, y and z.
CARD: Final = np.array([(0xD6, 0xAB, 0x92), (0xE6, 0xCF, 0x9F), (0xC3, 0xD2, 0xBA)], dtype=float)
#: Colours of materials, by words their names hold; the first that is found counts.
_MATERIALS: Final[tuple[tuple[tuple[str, ...], tuple[int, int, int]], ...]] = (
    (("brass", "latón", "laton"), (222, 192, 112)),
    (("bronze", "copper", "bronce", "cobre"), (206, 150, 112)),
    (("steel", "iron", "acero", "hierro"), (176, 184, 192)),
    (("alumin", "zinc", "tin "), (204, 208, 210)),
    (("beech", "maple", "birch", "ash", "wood", "haya", "arce", "abedul", "madera"), (226, 196, 150)),
    (("oak", "walnut", "cherry", "roble", "nogal", "cerezo"), (190, 148, 104)),
)
_UNKNOWN: Final = (226, 208, 172)
#: Light comes over the reader's left shoulder: sheet right, sheet up, towards the reader.
_LIGHT: Final = np.array([-0.42, 0.62, 0.66]) / np.linalg.norm([-0.42, 0.62, 0.66])
#: How much of the colour is left on a face turned away from the light.
_DARKEST: Final = 0.62


def card_tints(normals: Array) -> Array:
    """Colours (n × 3) of faces with unit normals (n × 3) in the model's directions."""
    return np.asarray((normals**2) @ CARD)


def own_tints(normals: Array, frame: Array, material: str) -> Array:
    """Shades (n × 3) of a material's colour; `frame` has the model directions of sheet right, up and the reader."""
    light = np.clip(normals @ frame.T @ _LIGHT, -1.0, 1.0)
    return np.outer(_DARKEST + (1 - _DARKEST) * (1 + light) / 2, colour_of(material))


def colour_of(material: str) -> tuple[int, int, int]:
    """The colour of a material known by its name; a plain card where it is not."""
    name = f"{material.lower()} "
    return next((colour for words, colour in _MATERIALS if any(word in name for word in words)), _UNKNOWN)


def written(colour: Array) -> str:
    """A colour as #rrggbb."""
    red, green, blue = (round(float(part)) for part in np.clip(colour, 0, 255))
    return f"#{red:02x}{green:02x}{blue:02x}"
