"""The drafting face: its file and its measures. Routed Gothic with signs of our own, SIL Open Font Licence."""

from functools import lru_cache
from io import BytesIO
from pathlib import Path
from typing import Any, Final

from fontTools.ttLib import TTFont

FONT_FILE: Final = Path(__file__).parent / "fonts" / "maqueta-lettering.ttf"
FONT_NAME: Final = "Maqueta Lettering"
#: Letters of nearly all sheets: printable ASCII, and signs of sizes and lists.
EVERYDAY: Final = frozenset(map(chr, range(32, 127))) | frozenset("°±×Ø⌀⌴⌵↧□–—")


@lru_cache(maxsize=1)
def _measures() -> tuple[float, float, dict[int, float]]:
    font: Any = TTFont(FONT_FILE)
    widths = font["hmtx"]
    advance = {code: float(widths[name][0]) for code, name in font.getBestCmap().items()}
    return float(font["head"].unitsPerEm), float(font["OS/2"].sCapHeight), advance


def font_size(height: float) -> float:
    """Font size (em) that gives capitals of a height; in the unit of the height."""
    em, capitals, _ = _measures()
    return height * em / capitals


def text_width(text: str, height: float) -> float:
    """Width of a line of text whose capitals have a height; in the unit of the height."""
    em, _, advance = _measures()
    missing = advance[ord("0")]
    return sum(advance.get(ord(letter), missing) for letter in text) / em * font_size(height)


def font_subset(letters: str) -> bytes:
    """A TrueType file with the letters used, to travel inside a drawing.

    It has all of those that stand on sheets every day, where none beyond them is used: one file for nearly all of them.
    """
    used = frozenset(letters)
    return _subset(EVERYDAY if used <= EVERYDAY else used)


@lru_cache(maxsize=32)
def _subset(letters: frozenset[str]) -> bytes:
    # Takes a tenth of a second to load, and whoever only measures texts has no use for it.
    from fontTools.subset import Options, Subsetter

    # Equal drawings are equal files, whenever they are made.
    font: Any = TTFont(FONT_FILE, recalcTimestamp=False)
    options = Options()
    options.notdef_outline = True
    options.drop_tables += ["FFTM"]
    subsetter = Subsetter(options)
    subsetter.populate(text="".join(letters) + " ")
    subsetter.subset(font)
    target = BytesIO()
    font.save(target)
    return target.getvalue()
