"""Marked sheets on paper, re-read by a general library."""

from typing import Any

import pypdfium2
import pytest

from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.drawing.slip_pdf import MarkedSheet, SlipLine, slips_pdf
from maqueta.sheet.document import SheetDocument
from tests.parts import demo_projected


def marked(name: str, lines: tuple[SlipLine, ...], remark: str = "") -> MarkedSheet:
    sheet = SheetDocument()
    groups = sheet_ink(demo_projected("reed-clamp"), sheet)
    points = (("Lines", "2/4"), ("Title", "3/3"))
    return MarkedSheet(groups, sheet.paper.layout, name, "Reed clamp · Evening 2", "28/30", lines, points, remark)


def pages(data: bytes) -> list[tuple[tuple[float, float], str]]:
    document: Any = pypdfium2.PdfDocument(data)
    return [(page.get_size(), page.get_textpage().get_text_bounded()) for page in document]


def test_every_sheet_has_its_drawing_and_its_slip() -> None:
    stroke = ((40.0, 40.0), (60.0, 40.0))
    lines = (
        SlipLine("1", "error", (stroke,), "Lines", ("A line is missing.", "Dash it & look <here>."), "−2"),
        SlipLine("2", "warning", (), "Title", ("A date is missing.",), "−1"),
        SlipLine("3", "waived", (((80.0, 80.0),),), "Scale", ("Not usual.",), "waived"),
        SlipLine("a", "pin", (((90.0, 90.0),),), "", ("Well set.",), ""),
    )
    data = slips_pdf([marked("Dina Farouk", lines, "Two lines\nof remark."), marked("Kemi Oduya", ())], "Slips")
    told = pages(data)
    assert [size for size, _ in told] == [
        pytest.approx(size, abs=0.1) for size in ((1190.55, 841.89), (595.28, 841.89)) * 2
    ]
    for words in ("Dina Farouk", "28/30", "A line is missing.", "Dash it & look <here>.", "Well set.", "of remark."):
        assert words in told[1][1]
    assert "Kemi Oduya" in told[3][1]
    assert data == slips_pdf(
        [marked("Dina Farouk", lines, "Two lines\nof remark."), marked("Kemi Oduya", ())], "Slips"
    ), "equal sheets are equal files"


def test_a_long_slip_goes_on_over_pages() -> None:
    lines = tuple(SlipLine(str(n), "error", (), "Lines", (f"Mistake {n}.",), "−1") for n in range(80))
    told = pages(slips_pdf([marked("Dina Farouk", lines)], "Slips"))
    assert len(told) > 3
    assert all(f"Mistake {n}." in " ".join(words for _, words in told[1:]) for n in range(80))
