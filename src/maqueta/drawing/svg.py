"""Ink as an SVG file that carries its own lettering and looks the same everywhere."""

import base64
import math
from collections.abc import Sequence
from xml.sax.saxutils import escape, quoteattr

from maqueta.drawing.ink import Arc, Filled, InkGroup, Item, Stroke, Text, Tinted
from maqueta.drawing.lettering import FONT_NAME, font_size, font_subset
from maqueta.drawing.pens import DASHES, WIDTHS, Pen
from maqueta.sheet.paper import Layout

_INK = "#23262d"
#: Lettering as wide as it is measured, at any size on a screen: browsers round the widths of small letters.
_AS_MEASURED = "text-rendering:geometricPrecision;font-kerning:none"
#: Neighbouring tints overlap by a hair, so that no paper shines through between them.
_TINT = ".tint{stroke-width:.05;fill-rule:evenodd}"


def svg(groups: Sequence[InkGroup], sheet_layout: Layout, title: str) -> str:
    """The sheet as SVG, true to scale (sizes in mm)."""
    letters = "".join(sorted({c for g in groups for i in g.items if isinstance(i, Text) for c in i.text}))
    face = base64.b64encode(font_subset(letters)).decode()
    width, height = sheet_layout.width, sheet_layout.height
    body = "\n".join(_group(g, height) for g in groups)
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{width:g}mm" height="{height:g}mm" '
        f'viewBox="0 0 {width:g} {height:g}" role="img" aria-label={quoteattr(title)}>'
        f"<title>{escape(title)}</title>"
        f'<style>@font-face{{font-family:"{FONT_NAME}";src:url(data:font/ttf;base64,{face})}}'
        f'text{{font-family:"{FONT_NAME}",sans-serif;fill:{_INK};{_AS_MEASURED}}}'
        f"path,polyline,circle{{fill:none;stroke:{_INK};stroke-linecap:round;stroke-linejoin:round}}"
        f"polygon{{fill:{_INK};stroke:none}}{_pen_styles()}{_TINT}</style>"
        f'<rect width="{width:g}" height="{height:g}" fill="#fff"/>\n{body}\n</svg>\n'
    )


def _pen_styles() -> str:
    def style(pen: Pen) -> str:
        dash = (
            f";stroke-dasharray:{' '.join(f'{d:g}' for d in DASHES[pen])};stroke-linecap:butt" if pen in DASHES else ""
        )
        return f".{pen}{{stroke-width:{WIDTHS[pen]:g}{dash}}}"

    return "".join(style(pen) for pen in WIDTHS)


def _group(ink: InkGroup, height: float) -> str:
    body = "".join(_item(item, height) for item in ink.items)
    return f'<g id={quoteattr(ink.id)} class="{ink.role}">{body}</g>'


def _n(value: float) -> str:
    return f"{value:.4f}".rstrip("0").rstrip(".")


def _item(item: Item, height: float) -> str:
    match item:
        case Stroke():
            points = " ".join(f"{_n(x)},{_n(height - y)}" for x, y in item.points)
            return f'<polyline class="{item.pen}" points="{points}"/>'
        case Filled():
            points = " ".join(f"{_n(x)},{_n(height - y)}" for x, y in item.points)
            return f'<polygon points="{points}"/>'
        case Tinted():
            rings = "".join(f"M{'L'.join(f'{_n(x)} {_n(height - y)}' for x, y in ring)}Z" for ring in item.rings)
            return f'<path class="tint" style="fill:{item.colour};stroke:{item.colour}" d="{rings}"/>'
        case Arc():
            return _arc(item, height)
        case Text():
            x, y = _n(item.at[0]), _n(height - item.at[1])
            turn = f' transform="rotate({_n(-item.angle)} {x} {y})"' if item.angle else ""
            size = _n(font_size(item.height))
            return (
                f'<text x="{x}" y="{y}" font-size="{size}" text-anchor="{item.anchor}"{turn}>{escape(item.text)}</text>'
            )


def _arc(arc: Arc, height: float) -> str:
    x, y, radius = arc.centre[0], height - arc.centre[1], arc.radius
    if arc.sweep >= 2 * math.pi - 1e-9:
        return f'<circle class="{arc.pen}" cx="{_n(x)}" cy="{_n(y)}" r="{_n(radius)}"/>'
    x0, y0 = x + radius * math.cos(arc.start), y - radius * math.sin(arc.start)
    last = arc.start + arc.sweep
    x1, y1 = x + radius * math.cos(last), y - radius * math.sin(last)
    large = int(arc.sweep > math.pi)
    return f'<path class="{arc.pen}" d="M{_n(x0)} {_n(y0)}A{_n(radius)} {_n(radius)} 0 {large} 0 {_n(x1)} {_n(y1)}"/>'
