"""The file a sheet was read from, as it lies under what was read of it: in mm on the paper of the sheet."""

import base64
from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from typing import Final
from xml.etree.ElementTree import Element, SubElement, tostring

from maqueta.geometry.carrier import Point
from maqueta.reading.content import Content, Size, Stroke

#: The colour a file is laid under its reading in, as parts of 255; and how wide its lines are then, mm: wider than any
#: line drawn over them, so that they show on both sides of it.
_COLOUR: Final = (224, 134, 32)
_WIDTH: Final = 1.1
#: Dashes that mean nothing by themselves are drawn with their own gaps.
_SHORTEST_DASH: Final = 0.05
#: Height of capitals of a size that does not tell it, mm.
_LETTERS: Final = 3.5


@dataclass(frozen=True)
class Original:
    """What a file holds, and by how much (mm) it is moved to stand as its sheet does."""

    content: Content
    shift: Point


def original_svg(original: Original, paper: tuple[float, float]) -> str:
    """A file as an SVG of a paper (width and height in mm), one unit a mm, all in one colour on clear ground.

    A picture is shown as it was laid flat; any other file by the lines and texts that were found in it.
    """
    wide, high = paper
    root = Element(
        "svg",
        {"xmlns": "http://www.w3.org/2000/svg", "viewBox": f"0 0 {wide:g} {high:g}"}
        | {"width": f"{wide:g}mm", "height": f"{high:g}mm"},
    )
    content, (x, y) = original.content, original.shift
    if content.photograph is not None and content.page is not None:
        _photograph(root, content.photograph, content.page, (x, high - y - content.page[1]))
        return tostring(root, encoding="unicode")
    colour = "rgb({},{},{})".format(*_COLOUR)
    # Upright on paper is downwards here.
    ground = SubElement(root, "g", {"transform": f"translate({x:g} {high - y:g}) scale(1 -1)"})
    lines = {"fill": "none", "stroke": colour, "stroke-width": f"{_WIDTH:g}", "stroke-opacity": "0.45"}
    strokes = SubElement(ground, "g", lines | {"stroke-linecap": "butt", "stroke-linejoin": "round"})
    for stroke in content.strokes:
        SubElement(strokes, "path", {"d": _path(stroke.piece.outline())} | _dashes(stroke))
    for pointer in content.pointers:
        SubElement(strokes, "path", {"d": _path(pointer.points)})
    for size in content.sizes:
        SubElement(strokes, "path", {"d": _path(_course(size))})
    filled = SubElement(ground, "g", {"fill": colour, "fill-opacity": "0.45"})
    for shape in content.filled:
        SubElement(filled, "path", {"d": _path(shape) + "Z"})
    for area in content.hatched:
        SubElement(filled, "path", {"d": "".join(_path(ring) + "Z" for ring in area.rings), "fill-rule": "evenodd"})
    letters = SubElement(ground, "g", {"fill": colour, "font-family": "sans-serif"})
    for words in content.words:
        _letters(letters, words.text, words.at, words.height, words.turn)
    for size in content.sizes:
        height, turn = size.lettering or (_LETTERS, 0.0)
        _letters(letters, size.text, size.place, height, turn)
    return tostring(root, encoding="unicode")


def _photograph(root: Element, jpeg: bytes, page: tuple[float, float], corner: Point) -> None:
    """What is dark takes the colour, what is light is clear."""
    red, green, blue = (part / 255 for part in _COLOUR)
    tinted = SubElement(root, "filter", {"id": "tinted", "color-interpolation-filters": "sRGB"})
    rows = (f"0 0 0 0 {red:.3f}", f"0 0 0 0 {green:.3f}", f"0 0 0 0 {blue:.3f}", "-1 0 0 0 1")
    SubElement(tinted, "feColorMatrix", {"type": "matrix", "values": " ".join(rows)})
    place = {"x": f"{corner[0]:g}", "y": f"{corner[1]:g}", "width": f"{page[0]:g}", "height": f"{page[1]:g}"}
    held = {"href": "data:image/jpeg;base64," + base64.b64encode(jpeg).decode(), "preserveAspectRatio": "none"}
    SubElement(root, "image", place | held | {"filter": "url(#tinted)"})


def _course(size: Size) -> Sequence[Point]:
    """How a size of which the file keeps no lines runs: along extension lines and dimension line, or to its circle."""
    if size.vertex is not None:
        return (size.first, size.vertex, size.second)
    if size.kind in ("diameter", "radius"):
        return (size.first, size.second, size.place)
    return (size.first, *size.line, size.second)


def _path(points: Iterable[Point]) -> str:
    return "M" + "L".join(f"{x:.3f} {y:.3f}" for x, y in points)


def _dashes(stroke: Stroke) -> dict[str, str]:
    pattern: Sequence[float] = [max(abs(part), _SHORTEST_DASH) for part in stroke.style.pattern]
    return {"stroke-dasharray": " ".join(f"{part:.3f}" for part in pattern)} if pattern else {}


def _letters(into: Element, text: str, at: Point, height: float, turn: float) -> None:
    """Letters by the height of their capitals: about 0.72 of the size of a font (common practice, no source)."""
    turned = f"translate({at[0]:.3f} {at[1]:.3f}) scale(1 -1) rotate({-turn:g})"
    size = {"transform": turned, "font-size": f"{height / 0.72:.3f}", "fill-opacity": "0.8"}
    SubElement(into, "text", size).text = _sayable(text)


def _sayable(text: str) -> str:
    """A text without what no XML may hold (XML 1.0, 2.2)."""
    ranges = ((" ", "\ud7ff"), ("\ue000", "\ufffd"), ("\U00010000", "\U0010ffff"))
    return "".join(c for c in text if c in "\t\n\r" or any(low <= c <= high for low, high in ranges))
