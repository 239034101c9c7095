"""SVG and PDF show the same sheet, true to scale."""

import math
import xml.etree.ElementTree as ElementTree
from io import BytesIO

import numpy as np
import pypdfium2
import pytest

from maqueta.demo.workshop import EXERCISES
from maqueta.drawing.ink import Arc, Stroke, Text, ink_box, text_corners
from maqueta.drawing.lettering import font_size, text_width
from maqueta.drawing.pdf import pdf
from maqueta.drawing.pens import DASHES, NARROW, WIDTHS
from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.drawing.svg import svg
from maqueta.drawing.title_ink import angle_symbol
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.sheet.paper import layout
from tests.parts import demo_projected

SVG = "{http://www.w3.org/2000/svg}"
TASK = EXERCISES[0].task
SHEET = model_sheet(demo_projected("reed-clamp"), TASK, Drafter("A. Tester", "Evening 2", "2026-11-20"))
GROUPS = sheet_ink(demo_projected("reed-clamp"), SHEET)
LAYOUT = layout("A3", True)


def test_svg_is_well_formed_in_real_millimetres() -> None:
    root = ElementTree.fromstring(svg(GROUPS, LAYOUT, "A <sheet>"))
    assert (root.get("width"), root.get("height"), root.get("viewBox")) == ("420mm", "297mm", "0 0 420 297")
    assert {g.get("id") for g in root.iter(f"{SVG}g")} >= {"frame", "title", "v1", "v2", "v3", "p1", "d1", "m1"}
    assert "A <sheet>" in "".join(root.itertext())


def test_view_in_the_svg_has_its_true_size() -> None:
    root = ElementTree.fromstring(svg(GROUPS, LAYOUT, "sheet"))
    front = next(g for g in root.iter(f"{SVG}g") if g.get("id") == "v1")
    xs = [
        float(point.split(",")[0])
        for line in front.iter(f"{SVG}polyline")
        for point in (line.get("points") or "").split()
    ]
    assert max(xs) - min(xs) == pytest.approx(96)


def test_pdf_has_the_paper_size_and_the_texts() -> None:
    document = pypdfium2.PdfDocument(BytesIO(pdf(GROUPS, LAYOUT, "sheet")))
    assert len(document) == 1
    assert document[0].get_size() == pytest.approx((420 / 25.4 * 72, 297 / 25.4 * 72), abs=0.1)
    text = document[0].get_textpage().get_text_range()
    for word in ("REED CLAMP", "A. TESTER", "1:1", "96"):
        assert word in text


def test_pdf_ink_lies_where_the_ink_groups_are() -> None:
    """The page rendered by a general PDF library is dark exactly where strokes run."""
    scale = 4 / (72 / 25.4)
    page = pypdfium2.PdfDocument(BytesIO(pdf(GROUPS, LAYOUT, "sheet")))[0].render(scale=scale).to_numpy()
    dark = page.min(axis=2) < 160
    front = next(g for g in GROUPS if g.id == "v1")
    for item in front.items:
        if isinstance(item, Stroke) and item.pen == "visible":
            (x0, y0), (x1, y1) = item.points
            x, y = (x0 + x1) / 2, (y0 + y1) / 2
            row, column = round((297 - y) * 4), round(x * 4)
            assert dark[row - 2 : row + 3, column - 2 : column + 3].any()
    empty = dark[((297 - 40) * 4) - 20 :, : (18 * 4)]
    assert not np.asarray(empty).any()


def test_equal_sheets_give_equal_files(monkeypatch: pytest.MonkeyPatch) -> None:
    """Whenever they are made: a time stamp in the lettering made two of one sheet differ."""
    assert pdf(GROUPS, LAYOUT, "sheet") == pdf(GROUPS, LAYOUT, "sheet")
    made = []
    for moment in ("1000000000", "1800000000"):
        monkeypatch.setenv("SOURCE_DATE_EPOCH", moment)
        made.append(svg(GROUPS, LAYOUT, "sheet"))
    assert made[0] == made[1]


def test_hidden_and_centre_dashes_are_multiples_of_the_narrow_line() -> None:
    """ISO 128-2 (from memory): 12d and 3d; 24d, 3d, 0.5d, 3d."""
    assert [dash / NARROW for dash in DASHES["hidden"]] == [12, 3]
    assert [dash / NARROW for dash in DASHES["centre"]] == [24, 3, 0.5, 3]
    assert WIDTHS["visible"] == 2 * WIDTHS["hidden"]


@pytest.mark.parametrize(("angle", "circles_left"), [("third", True), ("first", False)])
def test_angle_symbols(angle: str, circles_left: bool) -> None:
    """ISO 5456-2 (from memory): the cone's small end looks left; seen from there it stands left in third angle."""
    items = angle_symbol((0, 0), 10, angle)  # type: ignore[arg-type]
    circle = next(i for i in items if isinstance(i, Arc))
    cone = next(i for i in items if isinstance(i, Stroke) and len(i.points) == 5)
    left = min(x for x, _ in cone.points)
    heights = {round(y, 6) for x, y in cone.points if x == left}
    assert heights == {2.5, -2.5}
    assert (circle.centre[0] < left) == circles_left


def test_text_measures() -> None:
    assert text_width("MM", 3.5) == pytest.approx(2 * text_width("M", 3.5))
    assert font_size(7) == pytest.approx(2 * font_size(3.5))
    upright = Text((10, 10), "12", 3.5, angle=90)
    width = max(y for _, y in text_corners(upright)) - min(y for _, y in text_corners(upright))
    assert width == pytest.approx(text_width("12", 3.5))
    box = ink_box([Arc((0, 0), 5, 0, math.pi, "visible")])
    assert box == pytest.approx((-5, 0, 5, 5))


@pytest.mark.parametrize("field", ["title", "checked", "tolerances"])
@pytest.mark.parametrize("length", [1, 12, 40, 120])
def test_what_stands_in_a_field_stays_within_it(field: str, length: int) -> None:
    """Smaller, then in two lines, at last shortened: never over the next field."""
    value = ("WARP BEAM " * 12)[:length].strip()
    title = SHEET.title.model_copy(update={"fields": {field: value}})
    empty = SHEET.title.model_copy(update={"fields": {}})
    sheets = [SHEET.model_copy(update={"title": own}) for own in (title, empty)]
    inked = [next(g for g in sheet_ink(demo_projected("reed-clamp"), own) if g.id == "title") for own in sheets]
    written = [i for i in inked[0].items if isinstance(i, Text) and i not in inked[1].items]
    assert written
    lines = [i.points for i in inked[1].items if isinstance(i, Stroke)]
    for text in written:
        left, bottom, right, top = ink_box([text])
        for (x0, y0), (x1, y1) in (line for line in lines if len(line) == 2):
            assert not (x0 == x1 and left < x0 < right and y0 <= bottom and top <= y1), "a line runs through it"
            assert not (y0 == y1 and bottom < y0 < top and x0 <= left and right <= x1), "a line runs through it"
        assert left > LAYOUT.title[0]
        assert right < LAYOUT.title[2]
    if length <= 12:
        assert "".join(text.text for text in written).replace(" ", "") == value.replace(" ", "")
