"""Sheets as SVG: our own and other programs' read back alike, through a DXF library's renderer too; hostile files."""

import io
import math
from typing import Any

import ezdxf
import pytest
from ezdxf.addons.drawing import Frontend, RenderContext, layout
from ezdxf.addons.drawing import svg as ezdxf_svg

from maqueta.demo.workshop import PARTS
from maqueta.drawing.dxf import dxf
from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.drawing.sheet_sizes import sheet_sizes
from maqueta.drawing.svg import svg
from maqueta.geometry.carrier import Circle
from maqueta.judging.report import check
from maqueta.phrases.said import said
from maqueta.projection.project import drawn
from maqueta.reading.content import Content
from maqueta.reading.delivered import read_delivered, read_drawing
from maqueta.reading.errors import UnreadableSheetError
from maqueta.reading.file_content import content_of
from tests.parts import demo_projected, demo_solid
from tests.reading.special_scenes import ASKED, demo
from tests.reading.svg_writer import PROGRAMS, Program, write_svg
from tests.reading.test_pdf_sheets import SLUGS, TASK, answer, found


@pytest.mark.parametrize("place", range(2, len(PARTS), 5))
def test_our_own_sheets_come_back_as_they_were(place: int) -> None:
    part, sheet = answer(PARTS[place])
    read = read_delivered(svg(sheet_ink(part, sheet), sheet.paper.layout, "sheet").encode(), part, TASK)
    assert found(part, TASK, read.document) == found(part, TASK, sheet)
    assert read.not_read == ()


@pytest.mark.parametrize("slug", sorted(ASKED)[1::3])
def test_sheets_with_special_views_come_back_without_an_error(slug: str) -> None:
    scene = demo(slug)
    data = svg(sheet_ink(scene.part, scene.sheet), scene.sheet.paper.layout, "sheet").encode()
    read, part = read_drawing(data, demo_projected(slug), scene.task, lambda looks: drawn(*demo_solid(slug), looks))
    rules = [f.rule for f in check(part, scene.task, read.document).findings if f.severity == "error"]
    assert [rule for rule in rules if not rule.startswith("dimensions.")] == []


@pytest.mark.parametrize("program", PROGRAMS, ids=lambda program: program.name)
def test_other_programs_sheets_are_judged_alike(program: Program) -> None:
    part, sheet = answer(SLUGS[PROGRAMS.index(program) % len(SLUGS)])
    read = read_delivered(write_svg(part, sheet, program), part, TASK)
    assert found(part, TASK, read.document) == found(part, TASK, sheet)


def test_the_lines_are_those_another_library_draws_from_the_same_sheet() -> None:
    """Our DXF file, drawn as SVG by a DXF library, light on dark, its letters as outlines: judged as the sheet is."""
    part, sheet = answer("warp-beam-bearing")
    document = ezdxf.read(io.StringIO(dxf(sheet_ink(part, sheet), sheet_sizes(part, sheet)).decode()))
    backend: Any = ezdxf_svg.SVGBackend()
    Frontend(RenderContext(document), backend).draw_layout(document.modelspace())
    page = layout.Page(sheet.paper.layout.width, sheet.paper.layout.height, layout.Units.mm, layout.Margins(0, 0, 0, 0))
    text = backend.get_string(page, settings=layout.Settings(fit_page=False))
    read = read_delivered(text.encode(), part, TASK)
    assert found(part, TASK, read.document) == found(part, TASK, sheet)
    assert len(read.document.dimensions) == len(sheet.dimensions)
    assert [said(what) for what in read.not_read] == [
        "its letters are drawn and not written; they were read by how they look"
    ]


def content(body: str, head: str = 'width="200mm" height="100mm" viewBox="0 0 200 100"') -> Content:
    return content_of(f'<svg xmlns="http://www.w3.org/2000/svg" {head}>{body}</svg>'.encode())


PEN = 'stroke="black" fill="none"'
#: A line of 50 mm, from (10, 90) on paper, said in several ways.
SAID = {
    "line": f'<line x1="10" y1="10" x2="60" y2="10" {PEN}/>',
    "path": f'<path d="M10 10h50" {PEN}/>',
    "relative": f'<path d="m 10,10 l 20 0 30 0" {PEN}/>',
    "polyline": f'<polyline points="10,10 60,10" {PEN}/>',
    "moved": f'<g transform="translate(10 10)"><g transform="scale(2)"><path d="M0 0H25" {PEN}/></g></g>',
    "turned": f'<path transform="rotate(90 10 10)" d="M10 10V-40" {PEN}/>',
    "inherited": '<g stroke="#000"><path d="M10 10h50"/></g>',
    "class": '<style>path.edge{stroke:black;fill:none}</style><path class="edge" d="M10 10h50"/>',
    "own style": '<path style="stroke:rgb(0,0,0);fill:none" d="M10 10h50"/>',
    "bar": '<rect x="10" y="9.75" width="50" height="0.5"/>',
    "clipped": '<clipPath id="c"><rect x="10" y="0" width="50" height="99"/></clipPath>'
    f'<path clip-path="url(#c)" d="M0 10h190" {PEN}/>',
}


@pytest.mark.parametrize("how", sorted(SAID))
def test_a_line_is_a_line_however_it_is_said(how: str) -> None:
    strokes = content(SAID[how]).strokes
    ends = sorted(end for stroke in strokes for end in stroke.piece.ends)
    assert ends[0] == pytest.approx((10.0, 90.0), abs=1e-6)
    assert ends[-1] == pytest.approx((60.0, 90.0), abs=1e-6)
    assert sum(stroke.piece.length for stroke in strokes) == pytest.approx(50.0)


@pytest.mark.parametrize(
    ("head", "length"),
    [
        ('width="200mm" height="100mm"', 50 * 25.4 / 96),
        ('width="20cm" viewBox="0 0 200 100"', 50.0),
        ('width="2in" viewBox="0 0 100 100"', 25.4),
        ('viewBox="0 0 420 297"', 50.0),
        ('viewBox="0 0 1190.55 841.89"', 50 * 25.4 / 72),
        ('viewBox="0 0 1587.4 1122.52"', 50 * 25.4 / 96),
        ("", 50 * 25.4 / 96),
    ],
)
def test_units_are_those_of_the_paper(head: str, length: float) -> None:
    (stroke,) = content(SAID["line"], head).strokes
    assert stroke.piece.length == pytest.approx(length, rel=1e-6)


def test_arcs_and_circles_are_circles() -> None:
    strokes = content(
        f'<circle cx="50" cy="50" r="20" {PEN}/><path d="M30 50A20 20 0 0 1 70 50" {PEN}/>'
        f'<ellipse cx="50" cy="50" rx="20" ry="20" {PEN}/>'
    ).strokes
    lengths = [stroke.piece.length for stroke in strokes]
    assert all(isinstance(s.piece.carrier, Circle) for s in strokes)
    assert lengths == pytest.approx([40 * math.pi, 20 * math.pi, 40 * math.pi], rel=1e-3)


def test_text_stands_where_it_is_anchored_and_breaks_where_it_is_placed_anew() -> None:
    words = content(
        f'{SAID["line"]}<text x="20" y="30" font-size="5">12 <tspan>H7</tspan><tspan x="20" dy="6">two</tspan></text>'
        '<text transform="rotate(-90 40 40)" x="40" y="40" font-size="5" text-anchor="end">30</text>'
        '<path id="p" d="M100 50 L100 10"/><text font-size="5"><textPath href="#p">up</textPath></text>'
    ).words
    assert [word.text for word in words] == ["12 H7", "two", "30", "up"]
    assert [round(word.turn) for word in words] == [0, 0, 90, 90]
    assert words[0].at == pytest.approx((20, 70))
    assert words[1].at == pytest.approx((20, 64))
    assert words[2].at[0] == pytest.approx(40)
    assert words[2].at[1] < 60
    assert words[3].at == pytest.approx((100, 50))


def test_what_is_not_there_is_not_read() -> None:
    gone = (
        f'<g display="none"><path d="M0 0h9" {PEN}/></g><path d="M0 0h9" stroke="white" fill="none"/>'
        f'<path d="M0 0h9" visibility="hidden" {PEN}/><defs><path d="M0 0h9" {PEN}/></defs>'
        f'<script>alert(1)</script><foreignObject><p>text</p></foreignObject><a href="https://example.org/">{SAID["line"]}</a>'
    )
    read = content(gone)
    assert (len(read.strokes), read.words) == (1, ())


BOMB = "".join(f'<g id="b{k}">{f"""<use href="#b{k + 1}"/>""" * 20}</g>' for k in range(8))
SVG = '<svg xmlns="http://www.w3.org/2000/svg">'
HOSTILE = {
    "entities": (f'<!DOCTYPE svg [<!ENTITY a "b">]>{SVG}<text>&a;</text></svg>', "entities"),
    "outside": (f'<!DOCTYPE svg [<!ENTITY a SYSTEM "file:///etc/passwd">]>{SVG}&a;</svg>', "entities"),
    "cut off": (f'{SVG}<path d="M0', "not a usable SVG"),
    "copies of copies": (f'{SVG}{BOMB}<path id="b8" d="M0 0h9"/></svg>', "on and on"),
    "deep": (f"{SVG}{'<g>' * 300}{'</g>' * 300}</svg>", "on and on"),
    "no line": (f"{SVG}</svg>", "no line"),
    "a picture": (f'{SVG}<image href="x.png"/></svg>', "a picture"),
    "numbers": (f'{SVG}<path d="M1e999 0h9" stroke="red"/></svg>', "no line|not on any"),
    "many lines": (f'{SVG}<path stroke="red" d="{"M0 0h9" * 12000}"/></svg>', "more than"),
}


@pytest.mark.parametrize("name", sorted(HOSTILE))
def test_a_file_of_no_use_is_refused_in_one_line(name: str) -> None:
    text, reason = HOSTILE[name]
    with pytest.raises(UnreadableSheetError, match=reason) as refused:
        content_of(text.encode())
    assert "\n" not in said(refused.value.reason)


def test_what_draws_itself_is_left_out_and_told() -> None:
    read = content(f'{SAID["line"]}<g id="a"><use href="#a"/></g><use href="#nowhere"/><use href="other.svg#x"/>')
    assert len(read.strokes) == 1
    assert len(read.not_read) == 1
