"""A file under the sheet that was read from it: every line of the sheet lies on it, whatever the file's own ways."""

import base64
import io
import re
from collections.abc import Callable
from functools import cache
from xml.etree.ElementTree import fromstring

import numpy as np
import pytest
import shapely
from PIL import Image
from shapely.geometry.base import BaseGeometry

from maqueta.demo.workshop import EXERCISES
from maqueta.drawing.pdf import pdf
from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.content import Content, Size, Style, Words
from maqueta.reading.delivered import read_delivered
from maqueta.reading.original import Original, original_svg
from maqueta.reading.sheet import ReadSheet
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.paper import sides
from tests.parts import demo_projected
from tests.reading.dxf_writer import CONVENTIONS, Convention, drawn_lines, write_sheet
from tests.reading.pdf_writer import HANDS, write_pdf
from tests.reading.scan_writer import LEVELS, scan

SVG = "{http://www.w3.org/2000/svg}"
TASK = EXERCISES[0].task
ELSEWHERE = next(how for how in CONVENTIONS if how.origin != (0.0, 0.0))


@cache
def answer() -> tuple[ProjectedPart, SheetDocument]:
    part = demo_projected("reed-clamp")
    return part, model_sheet(part, TASK, Drafter("Ada Muster", "Evening 2", "2026-11-20"))


def dxf(how: Convention) -> bytes:
    part, sheet = answer()
    return write_sheet(part, sheet, how, drawn_lines(part, sheet))


def laid(read: ReadSheet) -> str:
    return original_svg(read.original, sides(read.document.paper.size, read.document.paper.landscape))


def lines_of(svg: str) -> BaseGeometry:
    """All lines of a drawing, in mm from the lower left corner of its paper."""
    root = fromstring(svg)
    high = float(root.attrib["viewBox"].split()[3])
    (ground,) = root.findall(f"{SVG}g")
    found = re.fullmatch(r"translate\((\S+) (\S+)\) scale\(1 -1\)", ground.attrib["transform"])
    assert found is not None
    move = np.array([float(found[1]), high - float(found[2])])
    paths = [path.attrib["d"].strip("MZ").split("L") for path in ground[0].iter(f"{SVG}path")]
    return shapely.union_all(
        [shapely.LineString(np.array([own.split() for own in path], dtype=float) + move) for path in paths]
    )


@pytest.mark.parametrize(
    "written",
    [lambda: dxf(CONVENTIONS[0]), lambda: dxf(ELSEWHERE), lambda: write_pdf(*answer(), HANDS[0])],
    ids=("dxf", "dxf drawn elsewhere", "pdf"),
)
def test_every_line_that_was_read_lies_on_a_line_of_the_file(written: Callable[[], bytes]) -> None:
    part, _ = answer()
    read = read_delivered(written(), part, TASK)
    own = lines_of(laid(read))
    drawn = [line.piece for line in drawn_lines(part, read.document) if line.kind == "visible"]
    assert len(drawn) > 20
    off = [own.distance(shapely.LineString(piece.outline()).interpolate(0.5, normalized=True)) for piece in drawn]
    assert max(off) < 0.1


def test_a_photograph_is_dark_where_lines_were_read() -> None:
    part, sheet = answer()
    data = scan(pdf(sheet_ink(part, sheet), sheet.paper.layout, "sheet"), LEVELS[0])
    read = read_delivered(data, part, TASK)
    root = fromstring(laid(read))
    (image,) = root.iter(f"{SVG}image")
    x, y, wide, high = (float(image.attrib[name]) for name in ("x", "y", "width", "height"))
    kind, _, coded = image.attrib["href"].partition(",")
    assert kind == "data:image/jpeg;base64"
    grey = np.asarray(Image.open(io.BytesIO(base64.b64decode(coded))), dtype=float)
    top = float(root.attrib["viewBox"].split()[3])
    dark = []
    for line in drawn_lines(part, read.document):
        if line.kind == "visible":
            place = shapely.LineString(line.piece.outline()).interpolate(0.5, normalized=True)
            column = int((place.x - x) / wide * grey.shape[1])
            row = int((top - place.y - y) / high * grey.shape[0])
            dark.append(grey[row - 2 : row + 3, column - 2 : column + 3].min())
    assert np.mean(np.array(dark) < 128) > 0.95
    assert np.median(grey) > 240


def test_a_size_runs_along_its_extension_lines_and_its_dimension_line() -> None:
    size = Size("linear", (10.0, 20.0), (50.0, 25.0), 0.0, (30.0, 60.0), "40")
    content = Content((), (), (size,), (), (), ())
    drawn = lines_of(original_svg(Original(content, (0.0, 0.0)), (420.0, 297.0)))
    asked = shapely.LineString([(10, 20), (10, 60), (50, 60), (50, 25)])
    assert drawn.hausdorff_distance(asked) < 1e-6


def test_texts_of_a_file_are_texts_whatever_they_hold() -> None:
    style = Style("", (), "", False, None, 0)
    text = "<script>alert(1)</script> & \x00\x08\ud800 Ø 12"
    content = Content((), (Words(text, (10.0, 10.0), 3.5, 90.0, style),), (), (), (), ())
    root = fromstring(original_svg(Original(content, (0.0, 0.0)), (420.0, 297.0)).encode())
    (words,) = root.iter(f"{SVG}text")
    assert words.text == "<script>alert(1)</script> &  Ø 12"
    assert not list(root.iter(f"{SVG}script"))
