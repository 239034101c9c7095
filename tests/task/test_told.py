"""What a student may learn of a part, kind by kind, and what two exercises on one part tell together."""

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from maqueta.geometry.directions import SIDES
from maqueta.projection.attitude import CORNERS
from maqueta.sheet.document import SheetDocument
from maqueta.sheet.drafted_line import DraftedLine
from maqueta.sheet.view import View
from maqueta.task.exercise import Exercise
from maqueta.task.told import EVERYTHING, Told, drawn_for_student, told
from tests.parts import demo_projected

PART = demo_projected("reed-clamp")
UP = {"x": "+z", "y": "+z", "z": "+y"}
KINDS = ("projected", "drafted", "third view", "special view", "missing lines", "wrong lines")


def exercise(kind: str, shown: bool = True, **more: Any) -> Exercise:
    drafting = {"kind": kind, "shown": shown}
    front = {"accept": [{"side": "-y", "up": "+z"}]}
    if kind == "special view":
        more = {"special": [{"kind": "section"}], **more}
    return Exercise.model_validate({"front": front, "drafting": drafting, **more})


def view(**of: Any) -> SheetDocument:
    if "side" in of:
        side = of.pop("side")
        of["look"] = {"side": side, "up": UP[side[1]]}
    elif "corner" in of:
        of |= {"kind": "pictorial", "look": {"corner": of.pop("corner")}}
    return SheetDocument(views=(View.model_validate({"id": "v", "at": (100, 100), "scale": 1.0, **of}),))


@pytest.mark.parametrize(
    ("kind", "given_sides"),
    [
        ("projected", set(SIDES)),
        ("drafted", set()),
        # Front and top are given; the right view is left, and the left one has the same outline.
        ("third view", {"-y", "+z"}),
        ("special view", set(SIDES)),
        ("missing lines", set()),
        ("wrong lines", set()),
    ],
)
def test_the_program_draws_the_sides_that_are_given_and_no_others(kind: str, given_sides: set[str]) -> None:
    asked = exercise(kind)
    for side in SIDES:
        words = drawn_for_student(PART, asked, view(side=side))
        assert bool(words) == (side not in given_sides), side
    drawn = view(side="+x", lines=(DraftedLine(points=((0, 0), (10, 0))),))
    assert drawn_for_student(PART, asked, drawn) == (), "what the hand has drawn is the student's"
    assert drawn_for_student(PART, asked, view(side="+x", lines=())) == (), "an empty view tells nothing"


@pytest.mark.parametrize("kind", ["third view", "missing lines", "wrong lines"])
def test_a_pictorial_view_tells_as_much_as_the_model(kind: str) -> None:
    for corner in CORNERS:
        assert drawn_for_student(PART, exercise(kind), view(corner=corner)) == ()
        assert drawn_for_student(PART, exercise(kind, shown=False), view(corner=corner)) == ("pictorial view",)


def test_views_left_by_name_are_named_by_what_they_are() -> None:
    asked = exercise("third view", views=("front", "top", "right"))
    assert drawn_for_student(PART, asked, view(side="+x")) == ("right view",)
    assert drawn_for_student(PART, asked, view(side="-x")) == ("left view",)


@pytest.mark.parametrize("kind", KINDS)
@pytest.mark.parametrize("insight", ["nothing", "places", "counts", "everything"])
def test_sizes_are_told_as_far_as_the_exercise_says(kind: str, insight: str) -> None:
    may = told(PART, exercise(kind, dimensioning={"required": True, "insight": insight}))
    assert may.counts == (insight in ("counts", "everything"))
    assert not may.demands, "what the drawing needs is for the student to find"
    silent = told(PART, exercise(kind, dimensioning={"required": False, "insight": insight}))
    assert not silent.counts


@given(st.floats(0, 1), st.floats(0, 1))
def test_agreement_is_told_in_order_and_in_three_steps(first: float, second: float) -> None:
    may = told(PART, exercise("wrong lines"))
    assert may.match(first) in (0.0, 0.5, 1.0)
    if first <= second:
        assert may.match(first) <= may.match(second)
    assert EVERYTHING.match(first) == first


def test_one_changed_line_does_not_show_in_the_agreement() -> None:
    lines = PART.sides["-y"].of("visible", "hidden")
    whole = sum(piece.length for piece in lines)
    may = told(PART, exercise("wrong lines"))
    for piece in lines:
        if piece.length < 0.15 * whole:
            assert may.match(1 - piece.length / whole) == may.match(1.0)


TOLD = st.builds(
    Told,
    st.booleans(),
    st.frozensets(st.sampled_from(SIDES)),
    st.booleans(),
    st.booleans(),
    st.sampled_from(("nothing", "places", "counts", "everything")),
    st.booleans(),
    st.booleans(),
)


@given(TOLD, TOLD, TOLD)
def test_two_exercises_tell_what_either_tells_in_any_order(one: Told, two: Told, three: Told) -> None:
    assert one | two == two | one
    assert (one | two) | three == one | (two | three)
    assert one | one == one
    assert (one | EVERYTHING) == EVERYTHING
    both = one | two
    assert both.sides >= one.sides
    assert both.part >= one.part
    assert both.counts >= one.counts
