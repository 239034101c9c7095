"""Layers may be called anything: a name that tells no lines apart says nothing of them."""

from collections.abc import Mapping

import pytest

from maqueta.reading.delivered import read_delivered
from tests.reading.dxf_writer import ENGLISH, NONE, Convention, drawn_lines, write_sheet
from tests.reading.test_pdf_sheets import TASK, answer, found


def judged_alike(layers: Mapping[str, str], **how: str | bool) -> None:
    part, sheet = answer("warp-beam-bearing")
    convention = Convention("layers", dict(layers), **how)  # type: ignore[arg-type]
    read = read_delivered(write_sheet(part, sheet, convention, drawn_lines(part, sheet)), part, TASK)
    assert found(part, TASK, read.document) == found(part, TASK, sheet)


@pytest.mark.parametrize("strokes", [False, True], ids=["line types", "loose strokes"])
@pytest.mark.parametrize("name", ["Axes", "Sheet 1", "Hidden", "Dimensions", "Title", "Text"])
def test_one_layer_for_everything_may_have_any_name(name: str, strokes: bool) -> None:
    judged_alike(dict.fromkeys(NONE, name), patterns="none" if strokes else "entity", strokes=strokes)


def test_a_layer_of_a_part_may_bear_its_sizes_too() -> None:
    judged_alike(dict.fromkeys(NONE, "Part 7"), patterns="entity", sizes="loose")


@pytest.mark.parametrize("name", ["Axes", "Hidden"])
def test_a_layer_with_dashes_of_both_kinds_is_called_after_neither(name: str) -> None:
    """The border, the title block and the sizes have layers of their own, all lines of the views have one."""
    lines = dict.fromkeys(("visible", "hidden", "centre"), name)
    judged_alike({**ENGLISH, **lines}, patterns="entity")
