"""A centre line on an axis of symmetry stands for sizes, where an exercise lets it (ISO 129-1, from memory)."""

import pytest

from maqueta.judging.report import check
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.projection.projected_part import ProjectedPart
from maqueta.sheet.document import CentreLine, SheetDocument
from maqueta.task.exercise import Exercise
from tests.parts import block, hole, projected
from tests.sizes.counted_parts import extrude

#: A roof over a block: eaves at one height, ridge in the middle, and two holes either side of it.
ROOF = projected(extrude((0, 0), (80, 0), (80, 20), (40, 50), (0, 20), depth=30))
HOLES = projected(block((80, 40, 20)), hole((20, 15, 20), "-z", 10), hole((60, 15, 20), "-z", 10))


def task(symmetry: bool) -> Exercise:
    asked = {"symmetry_by_centre_line": symmetry}
    front = {"accept": [{"side": "-y", "up": "+z"}]}
    return Exercise.model_validate(
        {"views": ["front", "top"], "paper": "A2", "scale": "1:1", "front": front, "dimensioning": asked}
    )


def sheet_of(part: ProjectedPart, asked: Exercise) -> SheetDocument:
    sheet = model_sheet(part, asked, Drafter("A. Tester", "Evening 2", "2026-11-25"))
    return sheet.model_copy(update={"marks": ()})


def middle(view: str, x: float, low: float, high: float) -> CentreLine:
    return CentreLine(id="m1", view=view, start=(x, low), end=(x, high))


def missing(part: ProjectedPart, asked: Exercise, sheet: SheetDocument) -> int:
    return len(check(part, asked, sheet).dimensions.reading.open)


def without(sheet: SheetDocument, *ids: str) -> SheetDocument:
    return sheet.model_copy(update={"dimensions": tuple(d for d in sheet.dimensions if d.id not in ids)})


@pytest.mark.parametrize(("symmetry", "marked", "open_sizes"), [(True, True, 0), (True, False, 1), (False, True, 1)])
def test_the_ridge_of_a_roof_stands_in_the_middle(symmetry: bool, marked: bool, open_sizes: int) -> None:
    asked = task(symmetry)
    sheet = sheet_of(ROOF, asked)
    (ridge,) = [d.id for d in sheet.dimensions if d.kind == "linear" and d.along == "across" and abs(d.end[0]) == 40]
    short = without(sheet, ridge)
    if marked:
        short = short.model_copy(update={"marks": (middle("v1", 40, 0, 50),)})
    assert missing(ROOF, asked, short) == open_sizes


def test_holes_either_side_need_one_place_and_one_diameter() -> None:
    asked = task(True)
    sheet = sheet_of(HOLES, asked)
    far = [d.id for d in sheet.dimensions if d.kind == "linear" and d.along == "across" and abs(d.end[0]) == 60]
    both = next(d for d in sheet.dimensions if d.kind == "diameter")
    assert both.count == 2
    one = both.model_copy(update={"count": 1})
    short = without(sheet, *far, both.id)
    short = short.model_copy(update={"dimensions": (*short.dimensions, one)})
    assert missing(HOLES, asked, short) == 2
    marked = short.model_copy(update={"marks": (middle("v2", 40, 0, 40),)})
    assert missing(HOLES, asked, marked) == 0


def test_sizes_given_in_spite_of_symmetry_are_not_surplus() -> None:
    asked = task(True)
    marked = sheet_of(HOLES, asked).model_copy(update={"marks": (middle("v2", 40, 0, 40),)})
    assert check(HOLES, asked, marked).dimensions.reading.chains == ()


def test_a_centre_line_off_the_middle_says_nothing() -> None:
    asked = task(True)
    sheet = sheet_of(ROOF, asked)
    bare = sheet.model_copy(update={"dimensions": ()})
    off = bare.model_copy(update={"marks": (middle("v1", 30, 0, 50),)})
    assert missing(ROOF, asked, off) == missing(ROOF, asked, bare)
