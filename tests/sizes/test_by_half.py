"""Sizes given by half, from the outline to the axis (partly drawn dimension lines, ISO 129-1, from memory)."""

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from maqueta.drawing.dxf import dxf
from maqueta.drawing.sheet_ink import sheet_ink
from maqueta.drawing.sheet_sizes import sheet_sizes
from maqueta.judging.report import check
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.projection.project import drawn
from maqueta.reading.delivered import read_drawing
from maqueta.sheet.dimension import LinearDimension, taken_across, true_size
from maqueta.sheet.document import SheetDocument
from maqueta.task.exercise import Exercise
from tests.parts import demo_answered, demo_solid

COORDINATES = st.floats(-200, 200)
#: Seen like this, the inside of the drum shows by hidden lines outside of its half section.
FRONTS = (("+z", "+y"), ("-y", "+z"))


def task(side: str, up: str) -> Exercise:
    return Exercise.model_validate(
        {
            "title": "Brake drum",
            "views": ("front", "top"),
            "special": [{"kind": "section", "form": "half"}],
            "front": {"accept": [{"side": side, "up": up}]},
        }
    )


def answer(side: str, up: str) -> tuple[SheetDocument, list[LinearDimension]]:
    asked = task(side, up)
    sheet = model_sheet(demo_answered("brake-drum", asked), asked, Drafter("", "", "2026-11-20"))
    return sheet, [d for d in sheet.dimensions if isinstance(d, LinearDimension) and d.by_half]


@pytest.mark.parametrize("front", FRONTS)
def test_what_a_half_section_alone_shows_is_proposed_from_its_outline_to_the_axis(front: tuple[str, str]) -> None:
    sheet, halves = answer(*front)
    assert {(size.view, size.text) for size in halves} == {("s1", "⌀40"), ("s1", "⌀84")}
    assert [true_size(size) for size in halves] == pytest.approx([40.0, 84.0])
    found = check(demo_answered("brake-drum", task(*front)), task(*front), sheet).findings
    assert [f for f in found if f.rule.startswith("dimensions.")] == []


def test_they_are_read_back_from_a_file_as_they_were() -> None:
    sheet, halves = answer(*FRONTS[0])
    asked, slug = task(*FRONTS[0]), "brake-drum"
    part = demo_answered(slug, asked)
    file = dxf(sheet_ink(part, sheet), sheet_sizes(part, sheet))
    read, seen = read_drawing(file, part, asked, lambda looks: drawn(*demo_solid(slug), looks))
    assert {own.text for own in halves} <= {own.text for own in read.document.dimensions}
    assert check(seen, asked, read.document).findings == ()


def test_one_of_them_less_leaves_a_size_open_and_a_wrong_one_is_told() -> None:
    sheet, halves = answer(*FRONTS[0])

    def rules(change: Any) -> list[str]:
        sizes = tuple(own for d in sheet.dimensions if (own := change(d)) is not None)
        asked = task(*FRONTS[0])
        found = check(demo_answered("brake-drum", asked), asked, sheet.model_copy(update={"dimensions": sizes}))
        return [f.rule for f in found.findings if f.severity == "error"]

    assert rules(lambda d: None if d.id == halves[0].id else d) == ["dimensions.undetermined"]
    assert rules(lambda d: d.model_copy(update={"text": "⌀44"}) if d.id == halves[0].id else d) == ["dimensions.value"]


@given(
    st.tuples(COORDINATES, COORDINATES),
    st.tuples(COORDINATES, COORDINATES),
    st.sampled_from(("across", "up", "aligned")),
)
def test_taken_across_a_size_is_as_large_and_its_axis_in_its_middle(
    outline: tuple[float, float], axis: tuple[float, float], along: str
) -> None:
    half = LinearDimension.model_validate(
        {"id": "d1", "view": "v1", "start": outline, "end": axis, "along": along, "place": (0, 0), "by_half": True}
    )
    whole = taken_across(half)
    assert not whole.by_half
    assert true_size(whole) == pytest.approx(true_size(half))
    for index, runs in enumerate((along != "up", along != "across")):
        if runs:
            assert (whole.start[index] + whole.end[index]) / 2 == pytest.approx(axis[index], abs=1e-9)
    assert taken_across(whole) is whole
