"""Odd but readable sheets: nothing crashes, nothing is lost without a word."""

import io
from dataclasses import replace
from typing import Any

import ezdxf
import pytest

from maqueta.judging.report import check, report
from maqueta.phrases.said import said
from maqueta.reading.delivered import read_delivered
from maqueta.reading.dxf.file import read_dxf
from maqueta.reading.errors import UnreadableSheetError
from maqueta.sheet.document import SheetDocument
from tests.reading.dxf_writer import CONVENTIONS, Writer, write_sheet
from tests.reading.planted import case


def boxes(space: Any, count: int) -> None:
    """Small rectangles apart from each other, none a view of anything."""
    for k in range(count):
        x, y = 30.0 + 22 * (k % 20), 30.0 + 22 * (k // 20)
        corners = [(x, y), (x + 13, y), (x + 9, y + 14), (x + 1, y + 9)]
        space.add_lwpolyline(corners, close=True, dxfattribs={"layer": "VISIBLE"})


def written(document: Any) -> bytes:
    target = io.StringIO()
    document.write(target)
    return target.getvalue().encode("utf-8")


def test_more_groups_than_a_sheet_may_have_are_listed() -> None:
    of = case(1)
    document: Any = ezdxf.new()
    boxes(document.modelspace(), 40)
    found = read_delivered(written(document), of.part, of.task)
    assert SheetDocument.model_validate(found.document.model_dump()) == found.document
    assert any("groups of lines" in said(text) for text in found.not_read)
    assert report(check(of.part, of.task, found.document))["views"]


def test_more_dimensions_than_a_sheet_may_have_are_listed() -> None:
    of = case(1)
    writer = Writer(CONVENTIONS[0])
    writer.frame(of.sheet)
    writer.lines(of.lines)
    (x, y) = of.sheet.view("v1").at
    for k in range(450):
        writer.space.add_linear_dim(base=(x, y - 10 - k / 10), p1=(x, y), p2=(x + 10, y), text="10").render()
    found = read_delivered(writer.data(of.sheet), of.part, of.task)
    assert SheetDocument.model_validate(found.document.model_dump()) == found.document
    assert any("50 dimensions" in said(text) for text in found.not_read)


def test_sheet_far_beyond_any_paper_is_refused_in_one_line() -> None:
    of = case(1)
    document: Any = ezdxf.new()
    space = document.modelspace()
    boxes(space, 3)
    space.add_lwpolyline(
        [(900_000, 0), (900_080, 0), (900_050, 60), (900_000, 60)], close=True, dxfattribs={"layer": "VISIBLE"}
    )
    with pytest.raises(UnreadableSheetError) as refused:
        read_delivered(written(document), of.part, of.task)
    assert "\n" not in str(refused.value)


def test_paper_space_that_is_left_aside_is_told() -> None:
    document: Any = ezdxf.new()
    boxes(document.modelspace(), 4)
    document.layout("Layout1").add_text("a remark", dxfattribs={"insert": (10, 10)})
    content = read_dxf(written(document))
    assert len(content.strokes) == 16
    assert "entities in the paper space Layout1 (1)" in map(said, content.not_read)


def test_short_strokes_of_other_styles_are_not_taken_into_the_views() -> None:
    of = case(1)
    how = next(how for how in CONVENTIONS if how.name == "widths only")
    writer = Writer(how)
    writer.frame(of.sheet)
    writer.lines(of.lines)
    x, y = of.sheet.view("v1").at
    clean = read_delivered(write_sheet(of.part, of.sheet, how), of.part, of.task)
    for k in range(300):
        # Specks of a thin style, beside the front view and on none of its lines.
        at = (x - 3.0, y + 0.9 * (k % 20))
        writer.space.add_line(at, (at[0] + 0.4, at[1] + 0.1), dxfattribs={"layer": "SPECKS", "lineweight": 13})
    found = read_delivered(writer.data(of.sheet), of.part, of.task)
    assert [len(v.lines or ()) for v in found.document.views] == [len(v.lines or ()) for v in clean.document.views]


def test_sheet_drawn_very_far_from_the_origin_is_read_as_it_stands_to_itself() -> None:
    of = case(1)
    data = write_sheet(of.part, of.sheet, replace(CONVENTIONS[0], origin=(80_000.0, -40_000.0)))
    found = read_delivered(data, of.part, of.task)
    assert [f.rule for f in check(of.part, of.task, found.document).findings if f.severity == "error"] == []
    front = found.document.view(found.document.front or "")
    assert front.at == pytest.approx(of.sheet.view("v1").at, abs=1e-3)
