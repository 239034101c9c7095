"""Makes the drafting face: Routed Gothic and the signs it lacks, under a name of its own, as its licence asks.

Signs for counterbore, countersink, depth and square, as ASME Y14.5 has them (from memory), by the pen of the face.
Run after a change here: the font files in the package and the interface are written anew, the same bytes each time.
"""

from pathlib import Path
from typing import Any

import shapely
from fontTools.pens.ttGlyphPen import TTGlyphPen
from fontTools.ttLib import TTFont
from shapely.geometry import LineString, MultiLineString, Polygon
from shapely.geometry.polygon import orient

HERE = Path(__file__).parent
ROOT = HERE.parent.parent
NAME = "Maqueta Lettering"
TARGETS = (
    ROOT / "src" / "maqueta" / "drawing" / "fonts" / "maqueta-lettering.ttf",
    ROOT / "frontend" / "src" / "assets" / "maqueta-lettering.ttf",
)
#: The pen of the face, in units of 1024 to the size; capitals are 736 high.
PEN, HIGH, BESIDE = 96, 736, 96
SIGNS: dict[str, list[list[tuple[float, float]]]] = {
    "⌴": [[(0, 560), (0, 0), (800, 0), (800, 560)]],
    "⌵": [[(0, 480), (480, 0), (960, 480)]],
    "↧": [[(0, 640), (560, 640)], [(280, 640), (280, 0)], [(80, 200), (280, 0), (480, 200)]],
    "□": [[(0, 0), (640, 0), (640, 640), (0, 640), (0, 0)]],
}


def main() -> None:
    """Write the font files."""
    font: Any = TTFont(HERE / "routed-gothic.ttf", recalcTimestamp=False)
    for sign, lines in SIGNS.items():
        _add(font, sign, lines)
    for record in font["name"].names:
        if record.nameID in (1, 3, 4, 6):
            record.string = NAME.replace(" ", "") if record.nameID == 6 else NAME
    for target in TARGETS:
        font.save(target)


def _add(font: Any, sign: str, lines: list[list[tuple[float, float]]]) -> None:
    half = PEN / 2
    moved = [[(x + BESIDE + half, y + half) for x, y in line] for line in lines]
    shape = MultiLineString([LineString(line) for line in moved]).buffer(half, quad_segs=3, join_style="mitre")
    pen = TTGlyphPen(None)
    for part in shapely.get_parts(shape):
        assert isinstance(part, Polygon), "strokes of a pen are areas"
        own = orient(part, -1.0)
        for ring in (own.exterior, *own.interiors):
            first, *rest = [(round(x), round(y)) for x, y in ring.coords[:-1]]
            pen.moveTo(first)
            for point in rest:
                pen.lineTo(point)
            pen.closePath()
    name = f"uni{ord(sign):04X}"
    glyph = pen.glyph()
    font.setGlyphOrder([*font.getGlyphOrder(), name])
    font["glyf"][name] = glyph
    wide = max(x for line in moved for x, _ in line) + half + BESIDE
    glyph.recalcBounds(font["glyf"])
    font["hmtx"][name] = (round(wide), glyph.xMin)
    for table in font["cmap"].tables:
        if table.isUnicode():
            table.cmap[ord(sign)] = name


if __name__ == "__main__":
    main()
