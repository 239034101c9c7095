"""A sheet as someone reads it who knows the form of a part but no size."""

from hypothesis import given, settings
from hypothesis import strategies as st

from maqueta.judging.report import check
from maqueta.making.model_sheet import Drafter, model_sheet
from maqueta.sheet.document import SheetDocument
from maqueta.study.readers_eye import ReadersEye, readers_eye
from maqueta.task.exercise import Exercise
from tests.parts import seven_block

TASK = Exercise.model_validate({"views": ["front", "top", "right"], "paper": "A3", "scale": "1:1"})
SHEET = model_sheet(seven_block(), TASK, Drafter("A. Tester", "Evening 2", "2026-11-28"))
IDS = tuple(own.id for own in SHEET.dimensions)


def seen(sheet: SheetDocument) -> ReadersEye:
    return readers_eye(check(seven_block(), TASK, sheet).dimensions)


@settings(max_examples=15, deadline=None)
@given(st.sets(st.sampled_from(IDS), max_size=3))
def test_every_size_taken_away_is_open_and_moves_lines(left_out: set[str]) -> None:
    """Seven sizes for seven unknowns (common practice): each one less leaves one thing open, whichever it is."""
    eye = seen(SHEET.model_copy(update={"dimensions": tuple(d for d in SHEET.dimensions if d.id not in left_out)}))
    assert (eye.needed, len(eye.open), eye.chains) == (7, len(left_out), ())
    for size in eye.open:
        assert size.faces
        moving = [line for lines in size.lines.values() for line in lines]
        assert any(abs(x) + abs(y) > 0 for line in moving for x, y in line.moves)
        assert set(size.lines) <= {own.id for own in SHEET.views}


@given(st.sampled_from(IDS))
@settings(max_examples=7, deadline=None)
def test_a_size_given_twice_closes_a_chain_of_the_two(which: str) -> None:
    again = next(d for d in SHEET.dimensions if d.id == which).model_copy(update={"id": "again"})
    eye = seen(SHEET.model_copy(update={"dimensions": (*SHEET.dimensions, again)}))
    assert eye.open == ()
    (chain,) = eye.chains
    assert set(chain.members) == {which, "again"}
