"""Sheets as PDF and SVG files by general drawing libraries: what each of them makes of a sheet's ink."""

import math
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass
from io import BytesIO, StringIO
from typing import Any, Final

import cairocffi
import matplotlib as mpl
import svgwrite
from matplotlib.backends.backend_pdf import FigureCanvasPdf
from matplotlib.backends.backend_svg import FigureCanvasSVG
from matplotlib.figure import Figure
from matplotlib.font_manager import FontProperties
from matplotlib.lines import Line2D
from matplotlib.patches import Arc as Bow
from matplotlib.patches import Circle, PathPatch, Polygon

from maqueta.drawing.ink import Arc, Filled, InkGroup, Item, Stroke, Text
from maqueta.drawing.lettering import FONT_FILE, font_size
from maqueta.drawing.pdf import MM_IN_POINTS
from maqueta.drawing.pens import DASHES, WIDTHS
from maqueta.sheet.paper import Layout
from tests.reading.letter_shapes import outlines

Point = tuple[float, float]
_WHOLE: Final = math.tau - 1e-9


@dataclass(frozen=True)
class Library:
    """A drawing library, and what of it writes a sheet; whether its letters are outlines."""

    name: str
    write: Callable[[Sequence[InkGroup], Layout], bytes]
    outlined: bool = False


def _items(groups: Sequence[InkGroup]) -> Iterator[Item]:
    return (item for group in groups for item in group.items)


def _plotted(groups: Sequence[InkGroup], paper: Layout) -> Figure:
    """A figure as large as the paper, of which a unit is a mm."""
    figure = Figure(figsize=(paper.width / 25.4, paper.height / 25.4))
    axes = figure.add_axes((0, 0, 1, 1))
    axes.set_axis_off()
    axes.set(xlim=(0, paper.width), ylim=(0, paper.height))
    for item in _items(groups):
        match item:
            case Stroke(points, pen):
                axes.add_line(Line2D(*zip(*points, strict=True), color="#111111", solid_capstyle="butt", **_pen(pen)))
            case Arc(centre, radius, _, sweep, pen) if sweep >= _WHOLE:
                axes.add_patch(Circle(centre, radius, fill=False, edgecolor="#111111", **_pen(pen)))
            case Arc(centre, radius, start, sweep, pen):
                reach = math.degrees(start), math.degrees(start + sweep)
                bow = Bow(centre, 2 * radius, 2 * radius, theta1=reach[0], theta2=reach[1], color="#111111")
                axes.add_patch(PathPatch(bow.get_transform().transform_path(bow.get_path()), fill=False, **_pen(pen)))
            case Filled(points):
                axes.add_patch(Polygon(points, facecolor="#111111", edgecolor="none"))
            case Text(at, text, height, angle, anchor):
                face = FontProperties(fname=str(FONT_FILE), size=font_size(height) * MM_IN_POINTS)
                beside = {"start": "left", "middle": "center", "end": "right"}[anchor]
                axes.text(
                    *at, text, fontproperties=face, rotation=angle, rotation_mode="anchor", ha=beside, va="baseline",
                    parse_math=False,
                )  # fmt: skip
    return figure


def _pen(pen: Any) -> dict[str, Any]:
    width = WIDTHS[pen] * MM_IN_POINTS
    dashes = tuple(dash * MM_IN_POINTS for dash in DASHES.get(pen, ()))
    return {"linewidth": width, "linestyle": (0, dashes) if dashes else "solid"}


#: Files as they come, but for dashes, which are as long as they are said to be.
_AS_SAID: Final[Any] = {"lines.scale_dashes": False, "path.simplify": False, "path.snap": False}


def _matplotlib(canvas: Any, **settings: Any) -> Callable[[Sequence[InkGroup], Layout], bytes]:
    def write(groups: Sequence[InkGroup], paper: Layout) -> bytes:
        target = BytesIO()
        with mpl.rc_context(_AS_SAID | settings):
            own = canvas(_plotted(groups, paper))
            (own.print_pdf if canvas is FigureCanvasPdf else own.print_svg)(target)
        return target.getvalue()

    return write


def _cairo(surface: Any) -> Callable[[Sequence[InkGroup], Layout], bytes]:
    def write(groups: Sequence[InkGroup], paper: Layout) -> bytes:
        target = BytesIO()
        page = surface(target, paper.width * MM_IN_POINTS, paper.height * MM_IN_POINTS)
        pen = cairocffi.Context(page)
        pen.translate(0, paper.height * MM_IN_POINTS)
        pen.scale(MM_IN_POINTS, -MM_IN_POINTS)
        for item in _items(groups):
            _draw(pen, item)
        page.finish()
        return target.getvalue()

    return write


def _draw(pen: Any, item: Item) -> None:
    match item:
        case Stroke(points, kind):
            _chain(pen, points)
            _stroke(pen, kind)
        case Arc(centre, radius, start, sweep, kind):
            pen.new_sub_path()
            pen.arc(*centre, radius, start, start + sweep)
            _stroke(pen, kind)
        case Filled(points):
            _chain(pen, points)
            pen.fill()
        case Text(at, text, height, angle, anchor):
            letters, wide = outlines(text, height, "drafting")
            pen.save()
            pen.translate(*at)
            pen.rotate(math.radians(angle))
            pen.translate({"start": 0.0, "middle": -wide / 2, "end": -wide}[anchor], 0)
            for letter in letters:
                for begin, stretches in letter:
                    pen.move_to(*begin)
                    for stretch in stretches:
                        (pen.line_to if len(stretch) == 1 else pen.curve_to)(*(c for p in stretch for c in p))
                    pen.close_path()
                pen.fill()
            pen.restore()


def _chain(pen: Any, points: Sequence[Point]) -> None:
    pen.move_to(*points[0])
    for point in points[1:]:
        pen.line_to(*point)


def _stroke(pen: Any, kind: Any) -> None:
    pen.set_line_width(WIDTHS[kind])
    pen.set_dash(list(DASHES.get(kind, ())))
    pen.stroke()


def _svgwrite(groups: Sequence[InkGroup], paper: Layout) -> bytes:
    size = (f"{paper.width}mm", f"{paper.height}mm")
    sheet = svgwrite.Drawing(size=size, viewBox=f"0 0 {paper.width} {paper.height}")

    def down(point: Point) -> Point:
        return point[0], paper.height - point[1]

    for item in _items(groups):
        match item:
            case Stroke(points, pen):
                sheet.add(sheet.polyline([down(point) for point in points], **_style(pen)))
            case Arc(centre, radius, _, sweep, pen) if sweep >= _WHOLE:
                sheet.add(sheet.circle(down(centre), radius, **_style(pen)))
            case Arc(centre, radius, start, sweep, pen):
                first, last = (
                    down((centre[0] + radius * math.cos(t), centre[1] + radius * math.sin(t)))
                    for t in (start, start + sweep)
                )
                bow = sheet.path(("M", *first), **_style(pen))
                bow.push_arc(last, 0, radius, large_arc=sweep > math.pi, angle_dir="-", absolute=True)
                sheet.add(bow)
            case Filled(points):
                sheet.add(sheet.polygon([down(point) for point in points], fill="#111111"))
            case Text(at, text, height, angle, anchor):
                x, y = down(at)
                look = {"font_size": font_size(height), "font_family": "sans-serif", "text_anchor": anchor}
                sheet.add(sheet.text(text, (x, y), transform=f"rotate({-angle} {x} {y})", **look))
    target = StringIO()
    sheet.write(target)
    return target.getvalue().encode()


def _style(pen: Any) -> dict[str, Any]:
    own: dict[str, Any] = {"stroke": "#111111", "stroke_width": WIDTHS[pen], "fill": "none"}
    return own | ({"stroke_dasharray": ",".join(map(str, DASHES[pen]))} if pen in DASHES else {})


LIBRARIES: Final = (
    Library("matplotlib, PDF, glyphs as drawings", _matplotlib(FigureCanvasPdf, **{"pdf.fonttype": 3})),
    Library("matplotlib, PDF, TrueType", _matplotlib(FigureCanvasPdf, **{"pdf.fonttype": 42})),
    Library("matplotlib, SVG", _matplotlib(FigureCanvasSVG, **{"svg.fonttype": "none"})),
    Library("matplotlib, SVG, outlines", _matplotlib(FigureCanvasSVG, **{"svg.fonttype": "path"}), outlined=True),
    Library("cairo, PDF", _cairo(cairocffi.PDFSurface), outlined=True),
    Library("cairo, SVG", _cairo(cairocffi.SVGSurface), outlined=True),
    Library("svgwrite", _svgwrite),
)
