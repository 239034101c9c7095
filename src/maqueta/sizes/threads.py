"""Which diameters a hole or a pin with a written thread may be modelled with.

Coarse pitches: ISO 261; depth of the thread: ISO 68-1 (both from memory).
"""

from typing import Final

from maqueta.sizes.text import Written

#: Coarse pitch by nominal diameter, mm.
COARSE: Final[dict[float, float]] = {
    1.6: 0.35, 2: 0.4, 2.5: 0.45, 3: 0.5, 3.5: 0.6, 4: 0.7, 5: 0.8, 6: 1, 8: 1.25, 10: 1.5, 12: 1.75, 14: 2, 16: 2,
    18: 2.5, 20: 2.5, 22: 2.5, 24: 3, 27: 3, 30: 3.5, 33: 3.5, 36: 4, 39: 4, 42: 4.5, 45: 4.5, 48: 5, 52: 5, 56: 5.5,
    60: 5.5, 64: 6,
}  # fmt: skip
#: A bolt is thinnest at its root, in parts of the pitch below the nominal diameter; no thread goes deeper.
_ROOT: Final = 1.2269
#: The pitch of a thread that is in no table, in parts of its diameter: coarser than any (common practice, no source).
_COARSEST: Final = 0.25


def fits_thread(written: Written, diameter: float) -> bool:
    """Whether a part may have this diameter (in the unit of the thread) where a thread is written.

    Parts are modelled with the nominal diameter, with the one they are drilled to, or with that of the root.
    """
    if written.value is None:
        return False
    pitch = written.pitch or COARSE.get(written.value, _COARSEST * written.value)
    slack = 1e-3 * written.value
    return written.value - _ROOT * pitch - slack <= diameter <= written.value + slack
