"""Angles, chamfers and coordinates of DXF files: tied to the lines they stand at, with and without association."""

import io
import math
from typing import Any

import ezdxf
import pytest

from maqueta.drawing.dxf import dxf
from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.drawing.sheet_sizes import sheet_sizes
from maqueta.judging.report import Check, check
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.projection.projected_part import ProjectedPart
from maqueta.reading.delivered import expectation
from maqueta.reading.dxf.file import read_dxf
from maqueta.reading.sheet import read_sheet
from maqueta.sheet.dimension import AngleDimension, ChamferDimension, LinearDimension, RoundDimension
from maqueta.sheet.document import SheetDocument
from maqueta.task.exercise import Exercise
from tests.parts import hole, projected
from tests.sizes.counted_parts import extrude, revolve

#: A stop with a bevelled corner and a long slope: width, height, depth, chamfer (2), end of the slope, its angle.
PART = projected(extrude((0, 0), (80, 0), (80, 36), (76, 40), (60, 40), (0, 15), depth=25))
TASK = Exercise.model_validate(
    {
        "views": ["front", "top", "right"],
        "pictorial": "unwanted",
        "scale": "1:1",
        "front": {"accept": [{"side": "-y", "up": "+z"}]},
    }
)
SLOPE = math.degrees(math.atan2(25, 60))


def sheet(*, angle: bool = True) -> SheetDocument:
    """The proposed sheet, the short height replaced by the angle of the slope."""
    proposed = model_sheet(PART, TASK, Drafter("A. Tester", "Evening 2", "2026-11-20"))
    short = {d.id for d in proposed.dimensions if isinstance(d, LinearDimension) and d.along == "up" and d.end[1] == 15}
    kept = tuple(d for d in proposed.dimensions if d.id not in short)
    slope = AngleDimension(id="slope", view="v1", vertex=(60, 40), start=(0, 15), end=(0, 40), place=(30.0, 34.0))
    if angle:
        kept = (*kept, slope)
    return proposed.model_copy(update={"dimensions": kept})


def checked(document: SheetDocument) -> Check:
    return check(PART, TASK, document)


def delivered(data: bytes) -> SheetDocument:
    return read_sheet(read_dxf(data), PART, expectation(PART, TASK)).document


def drawn(document: SheetDocument) -> bytes:
    return dxf(sheet_ink(PART, document), sheet_sizes(PART, document))


def rules(document: SheetDocument) -> set[str]:
    return {f.rule for f in checked(document).findings if f.rule.startswith("dimensions.")}


def test_the_sheet_itself_is_complete() -> None:
    assert {d.kind for d in sheet().dimensions} == {"linear", "chamfer", "angle"}
    assert rules(sheet()) == set()
    assert rules(sheet(angle=False)) == {"dimensions.undetermined"}


def test_angle_and_chamfer_go_out_and_come_back() -> None:
    back = delivered(drawn(sheet()))
    (slope,) = [d for d in back.dimensions if isinstance(d, AngleDimension)]
    assert slope.vertex == pytest.approx((60, 40))
    assert {tuple(round(c, 6) + 0.0 for c in point) for point in (slope.start, slope.end)} >= {(0.0, 15.0)}
    (bevel,) = [d for d in back.dimensions if isinstance(d, ChamferDimension)]
    ends = {(round(x, 6), round(y, 6)) for x, y in (bevel.start, bevel.end)}
    assert ends == {(76.0, 40.0), (80.0, 36.0)}
    assert rules(back) == set()
    assert len(back.dimensions) == len(sheet().dimensions)


def test_a_written_angle_that_is_wrong_is_found() -> None:
    wrong = sheet().model_copy(
        update={
            "dimensions": tuple(
                d.model_copy(update={"text": "25°"}) if isinstance(d, AngleDimension) else d for d in sheet().dimensions
            )
        }
    )
    (finding,) = [f for f in checked(delivered(drawn(wrong))).findings if f.rule == "dimensions.value"]
    assert finding.parameters == {"text": "25°", "true": f"{round(SLOPE, 2):g}°"}


def _by_library(document: SheetDocument, add: Any) -> bytes:
    """A sheet without its angle, to which a general DXF library adds a dimension of its own."""
    file = ezdxf.read(io.StringIO(drawn(document).decode()))
    add(file.modelspace(), document.view("v1").at)
    stream = io.StringIO()
    file.write(stream)
    return stream.getvalue().encode()


def _two_lines(space: Any, at: tuple[float, float]) -> None:
    x, y = at
    space.add_angular_dim_2l(
        base=(x + 20, y + 30),
        line1=((x, y + 15), (x + 60, y + 40)),
        line2=((x + 76, y + 40), (x + 62, y + 40)),
        text=f"{SLOPE:.2f}%%d",
    ).render()


def _three_points(space: Any, at: tuple[float, float]) -> None:
    x, y = at
    space.add_angular_dim_3p(
        base=(x + 20, y + 30), center=(x + 60, y + 40), p1=(x, y + 40), p2=(x, y + 15), text=f"{SLOPE:.2f}%%d"
    ).render()


def _coordinate(space: Any, at: tuple[float, float]) -> None:
    x, y = at
    space.add_ordinate_y_dim((x, y + 15), offset=(-12, 0), origin=at, text="15").render()


@pytest.mark.parametrize("add", [_two_lines, _three_points, _coordinate])
def test_dimensions_of_a_general_library_are_read(add: Any) -> None:
    back = delivered(_by_library(sheet(angle=False), add))
    assert len(back.dimensions) == len(sheet().dimensions)
    assert rules(back) == set()


def test_a_pitch_circle_goes_out_and_comes_back() -> None:
    """A disc with four holes: rim, thickness, the holes' diameter and the circle through their centres."""
    holes = [hole((30 * math.cos(t), 30 * math.sin(t), 8), "-z", 6) for t in (0.3, 1.87079633, 3.44159265, 5.01238898)]
    disc = projected(revolve((0, 0), (40, 0), (40, 8), (0, 8)), *holes)
    task = TASK.model_copy(update={"views": ("front", "top")})
    drafter = Drafter("A. Tester", "Evening 2", "2026-11-25")
    sheet = model_sheet(disc, task, drafter)
    assert sorted(d.kind for d in sheet.dimensions) == ["diameter", "diameter", "linear", "linear"]
    assert [d.count for d in sheet.dimensions if isinstance(d, RoundDimension)] == [4, 1]
    file = dxf(sheet_ink(disc, sheet), sheet_sizes(disc, sheet))
    back = read_sheet(read_dxf(file), disc, expectation(disc, task)).document
    assert [d.pitch for d in back.dimensions if isinstance(d, RoundDimension)].count(True) == 1
    for document in (sheet, back):
        found = {f.rule for f in check(disc, task, document).findings if f.severity == "error"}
        assert found == set()


def test_the_demo_part_is_what_the_comment_says() -> None:
    part: ProjectedPart = PART
    assert checked(sheet()).dimensions.form.needed == 7
    assert part.part.extents == (80, 25, 40)
